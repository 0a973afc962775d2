namespace Pravik.Core.Vehicles;

/// <summary>Design lanes of AASHTO LRFD 3.6.1.1.1.</summary>
public static class DesignLanes
{
    private const double TwentyFeet = 6.096;

    /// <summary>
    /// Number and width (m) of lanes on a carriageway: Int(w/12 ft) of 12 ft, two halves between 20 and 24 ft, one where there is less.
    /// </summary>
    public static (int Count, double Width) On(double width, double laneWidth) =>
        width >= TwentyFeet - 1e-9 && width < 2 * laneWidth - 1e-9
            ? (2, width / 2)
            : (Math.Max(1, (int)Math.Floor(width / laneWidth + 1e-9)), laneWidth);
}
