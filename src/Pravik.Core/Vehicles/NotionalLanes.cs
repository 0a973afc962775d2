namespace Pravik.Core.Vehicles;

/// <summary>Number and width of notional lanes on a carriageway (m), EN 1991-2 Table 4.1.</summary>
public sealed record NotionalLanes(int Count, double Width, double Remaining)
{
    /// <summary>
    /// w &lt; 5.4 m: one lane of 3 m; 5.4 ≤ w &lt; 6 m: two lanes of w/2; w ≥ 6 m: Int(w/3) lanes of 3 m. The general lane width
    /// is a national value; the limits scale with it.
    /// </summary>
    public static NotionalLanes On(double carriagewayWidth, double laneWidth)
    {
        const double Tiny = 1e-9;
        if (carriagewayWidth < 1.8 * laneWidth - Tiny)
            return new(1, laneWidth, carriagewayWidth - laneWidth);
        if (carriagewayWidth < 2 * laneWidth - Tiny)
            return new(2, carriagewayWidth / 2, 0);
        var count = (int)Math.Floor(carriagewayWidth / laneWidth + Tiny);
        return new(count, laneWidth, carriagewayWidth - count * laneWidth);
    }
}
