namespace Pravik.Core.Traffic;

/// <summary>How a profile changes at its stations, by their numbers: its value, and its slope (1/m).</summary>
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
            var (step, share) = (profile.Jump[meeting.Number], load[meeting.Axle]);
            value += share * step;
            hasJumped |= step != 0;
            slope += share * profile.Kink[meeting.Number];
        }
        return worst > Rounding * opposite ? (sign * worst, place) : (0, double.NaN);
    }

    /// <summary>The greatest and the least value where they are more and less than those known.</summary>
    public static void Extremes(Meeting[] order, double[] load, ProfileChanges profile, ref double greatest, ref double least)
    {
        if (order.Length == 0)
            return;
        var (jump, kink) = (profile.Jump, profile.Kink);
        double value = 0,
            slope = 0,
            at = order[0].Place,
            most = greatest,
            fewest = least;
        var hasJumped = false;
        foreach (ref readonly var meeting in order.AsSpan())
        {
            var length = meeting.Place - at;
            if (length > Tiny)
            {
                // Where several axles jump in one place only what is before and after all of them counts.
                if (hasJumped)
                    (most, fewest, hasJumped) = (Math.Max(most, value), Math.Min(fewest, value), false);
                value += slope * length;
                at = meeting.Place;
                if (value > most)
                    most = value;
                else if (value < fewest)
                    fewest = value;
            }
            var (step, share) = (jump[meeting.Number], load[meeting.Axle]);
            if (step != 0)
            {
                value += share * step;
                hasJumped = true;
            }
            slope += share * kink[meeting.Number];
        }
        // What is left of the greatest values after the last axle is rounding.
        greatest = most > -Rounding * fewest ? most : greatest;
        least = fewest < -Rounding * most ? fewest : least;
    }
}
