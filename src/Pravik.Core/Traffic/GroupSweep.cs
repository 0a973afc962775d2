using System.Numerics;

namespace Pravik.Core.Traffic;

/// <summary>
/// How a profile changes at its stations: its value, and its slope (1/m).
/// </summary>
internal readonly record struct ProfileChanges(double[] Jump, double[] Kink);

/// <summary>
/// Goes over a profile once with a group of axles: from one meeting of an axle with a station to the next the value is straight, and its
/// slope changes by the axle's load times the profile's.
/// </summary>
internal static class GroupSweep
{
    /// <summary>Beside a place, to keep to the side of a jump for which a value stands (m).</summary>
    public const double Nudge = 1e-7;

    /// <summary>Part of the greatest values below which others are rounding.</summary>
    public const double Rounding = 1e-12;

    /// <summary>The same in single precision.</summary>
    public const double SingleRounding = 3e-6;

    /// <summary>Meetings closer than this are one (m).</summary>
    public const double Tiny = 1e-9;

    /// <summary>The greatest or by its sign the least value, and the place of the leading axle; just beside a jump.</summary>
    /// <param name="way">The axles or wheels, and the order in which they meet stations.</param>
    /// <param name="jump">Changes of the value at stations, of as many profiles side by side as are searched together.</param>
    /// <param name="kink">Changes of the slope there (1/m).</param>
    /// <param name="of">Which of the profiles.</param>
    /// <param name="sign">1 for the greatest, −1 for the least.</param>
    public static (double Value, double Place) Worst(VehicleWay way, float[] jump, float[] kink, int of, int sign)
    {
        var (order, load) = (way.Lead, way.Shape.Lead.Load);
        var (first, last) = (way.Within.From - Tiny, way.Within.To + Tiny);
        if (order.Length == 0)
            return (0, double.NaN);
        var (value, slope, at, hasJumped) = (0.0, 0.0, order[0].Place, false);
        var (worst, opposite, place) = (0.0, 0.0, double.NaN);
        foreach (ref readonly var meeting in order.AsSpan())
        {
            var length = meeting.Place - at;
            if (length > Tiny)
            {
                var isWithin = at >= first && meeting.Place <= last;
                if (isWithin && (hasJumped || at <= first + 2 * Tiny) && sign * value > worst)
                    (worst, place) = (sign * value, at + Nudge);
                value += slope * length;
                (at, hasJumped) = (meeting.Place, false);
                if (isWithin && sign * value > worst)
                    (worst, place) = (sign * value, at - Nudge);
                opposite = Math.Max(opposite, -sign * value);
            }
            var number = meeting.Number * Vector<float>.Count + of;
            var (step, share) = (jump[number], load[meeting.Axle]);
            value += share * step;
            hasJumped |= step != 0;
            slope += share * kink[number];
        }
        return worst > SingleRounding * opposite ? (sign * worst, place) : (0, double.NaN);
    }

    /// <summary>
    /// The greatest and the least values of several profiles side by side, not below and not above 0: what one profile has at a station
    /// stands beside what the others have. In single precision.
    /// </summary>
    /// <param name="way">The axles or wheels, and the order in which they meet stations.</param>
    /// <param name="jump">Changes of the value at stations.</param>
    /// <param name="kink">Changes of the slope there (1/m).</param>
    public static (Vector<float> Greatest, Vector<float> Least) Extremes(VehicleWay way, float[] jump, float[] kink)
    {
        var (order, load) = (way.Lead, way.Shape.Lead.Load);
        var (first, last) = (way.Within.From - Tiny, way.Within.To + Tiny);
        var (most, fewest) = (Vector<float>.Zero, Vector<float>.Zero);
        if (order.Length == 0)
            return (most, fewest);
        var (value, slope, at) = (Vector<float>.Zero, Vector<float>.Zero, order[0].Place);
        foreach (ref readonly var meeting in order.AsSpan())
        {
            var length = meeting.Place - at;
            if (length > Tiny)
            {
                // Where several axles jump in one place only what is before and after all of them counts.
                var next = Vector.FusedMultiplyAdd(slope, new Vector<float>((float)length), value);
                if (at >= first && meeting.Place <= last)
                {
                    most = Vector.MaxNative(most, Vector.MaxNative(value, next));
                    fewest = Vector.MinNative(fewest, Vector.MinNative(value, next));
                }
                (value, at) = (next, meeting.Place);
            }
            var share = new Vector<float>((float)load[meeting.Axle]);
            var from = meeting.Number * Vector<float>.Count;
            value = Vector.FusedMultiplyAdd(share, new Vector<float>(jump, from), value);
            slope = Vector.FusedMultiplyAdd(share, new Vector<float>(kink, from), slope);
        }
        return (most, fewest);
    }

    /// <summary>What is left of the greatest values after the last axle is rounding, and nothing.</summary>
    public static (double Greatest, double Least) WithoutRounding(double greatest, double least, double rounding = Rounding) =>
        (greatest > -rounding * least ? greatest : 0, least < -rounding * greatest ? least : 0);
}
