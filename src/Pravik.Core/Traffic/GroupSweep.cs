using System.Numerics;

namespace Pravik.Core.Traffic;

/// <summary>
/// How a profile changes at its stations: its value, and its slope (1/m). The change at station n stands at n times the stride and the
/// offset, among those of other profiles.
/// </summary>
internal readonly record struct ProfileChanges(double[] Jump, double[] Kink, int Stride = 1, int Offset = 0)
{
    /// <summary>Where the changes at a station stand.</summary>
    public int At(int station) => station * Stride + Offset;
}

/// <summary>
/// Goes over a profile once with a group of axles: from one meeting of an axle with a station to the next the value is straight, and its
/// slope changes by the axle's load times the profile's.
/// </summary>
internal static class GroupSweep
{
    /// <summary>Beside a place, to keep to the side of a jump for which a value stands (m).</summary>
    public const double Nudge = 1e-7;

    /// <summary>Part of the greatest values below which others are rounding.</summary>
    private const double Rounding = 1e-12;

    /// <summary>Meetings closer than this are one (m).</summary>
    public const double Tiny = 1e-9;

    /// <summary>The greatest or by its sign the least value, and the place of the leading axle; just beside a jump.</summary>
    public static (double Value, double Place) Worst(Meeting[] order, double[] load, ProfileChanges profile, int sign)
    {
        if (order.Length == 0)
            return (0, double.NaN);
        var (value, slope, at, hasJumped) = (0.0, 0.0, order[0].Place, false);
        var (worst, opposite, place) = (0.0, 0.0, double.NaN);
        foreach (ref readonly var meeting in order.AsSpan())
        {
            var length = meeting.Place - at;
            if (length > Tiny)
            {
                if (hasJumped && sign * value > worst)
                    (worst, place) = (sign * value, at + Nudge);
                value += slope * length;
                (at, hasJumped) = (meeting.Place, false);
                if (sign * value > worst)
                    (worst, place) = (sign * value, at - Nudge);
                opposite = Math.Max(opposite, -sign * value);
            }
            var (step, share) = (profile.Jump[profile.At(meeting.Number)], load[meeting.Axle]);
            value += share * step;
            hasJumped |= step != 0;
            slope += share * profile.Kink[profile.At(meeting.Number)];
        }
        return worst > Rounding * opposite ? (sign * worst, place) : (0, double.NaN);
    }

    /// <summary>
    /// The greatest and the least values of several profiles side by side, not below and not above 0, and where they are: what one profile
    /// has at a station stands beside what the others have.
    /// </summary>
    /// <param name="way">The axles or wheels, and the order in which they meet stations.</param>
    /// <param name="jump">Changes of the value at stations.</param>
    /// <param name="kink">Changes of the slope there (1/m).</param>
    public static SweepExtremes Extremes(VehicleWay way, double[] jump, double[] kink)
    {
        var (order, load) = (way.Lead, way.Shape.Lead.Load);
        var (first, last) = (way.Within.From - Tiny, way.Within.To + Tiny);
        var (most, fewest, atMost, atFewest) = (Vector<double>.Zero, Vector<double>.Zero, Vector<double>.Zero, Vector<double>.Zero);
        if (order.Length == 0)
            return new(most, atMost, fewest, atFewest);
        var (value, slope, at) = (Vector<double>.Zero, Vector<double>.Zero, order[0].Place);
        foreach (ref readonly var meeting in order.AsSpan())
        {
            var length = meeting.Place - at;
            if (length > Tiny)
            {
                // Where several axles jump in one place only what is before and after all of them counts.
                var next = Vector.FusedMultiplyAdd(slope, new Vector<double>(length), value);
                if (at >= first && meeting.Place <= last)
                {
                    var (here, there) = (new Vector<double>(at + Nudge), new Vector<double>(meeting.Place - Nudge));
                    var (high, low) = (Vector.MaxNative(value, next), Vector.MinNative(value, next));
                    var (atHigh, atLow) = (
                        Vector.ConditionalSelect(Vector.GreaterThan(value, next), here, there),
                        Vector.ConditionalSelect(Vector.LessThan(value, next), here, there)
                    );
                    atMost = Vector.ConditionalSelect(Vector.GreaterThan(high, most), atHigh, atMost);
                    atFewest = Vector.ConditionalSelect(Vector.LessThan(low, fewest), atLow, atFewest);
                    (most, fewest) = (Vector.MaxNative(most, high), Vector.MinNative(fewest, low));
                }
                (value, at) = (next, meeting.Place);
            }
            var share = new Vector<double>(load[meeting.Axle]);
            var from = meeting.Number * Vector<double>.Count;
            value = Vector.FusedMultiplyAdd(share, new Vector<double>(jump, from), value);
            slope = Vector.FusedMultiplyAdd(share, new Vector<double>(kink, from), slope);
        }
        return new(most, atMost, fewest, atFewest);
    }

    /// <summary>What is left of the greatest values after the last axle is rounding, and nothing.</summary>
    public static (double Greatest, double Least) WithoutRounding(double greatest, double least) =>
        (greatest > -Rounding * least ? greatest : 0, least < -Rounding * greatest ? least : 0);
}

/// <summary>The greatest and the least values of profiles side by side, and the places of the leading axle.</summary>
internal readonly record struct SweepExtremes(
    Vector<double> Greatest,
    Vector<double> AtGreatest,
    Vector<double> Least,
    Vector<double> AtLeast
);
