using System.Numerics;
using System.Runtime.CompilerServices;

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
    /// <param name="changes">
    /// Changes of the value at each station, of as many profiles side by side as are searched together, and after them of the slope (1/m).
    /// </param>
    /// <param name="of">Which of the profiles.</param>
    /// <param name="sign">1 for the greatest, −1 for the least.</param>
    public static (double Value, double Place) Worst(VehicleWay way, float[] changes, int of, int sign)
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
            var number = 2 * meeting.Number * Vector<float>.Count + of;
            var (step, share) = (changes[number], load[meeting.Axle]);
            value += share * step;
            hasJumped |= step != 0;
            slope += share * changes[number + Vector<float>.Count];
        }
        return worst > SingleRounding * opposite ? (sign * worst, place) : (0, double.NaN);
    }

    /// <summary>
    /// The greatest and the least values of several profiles side by side, not below and not above 0: what one profile has at a station
    /// stands beside what the others have. In single precision.
    /// </summary>
    /// <param name="way">The axles or wheels, and the order in which they meet stations.</param>
    /// <param name="changes">Changes of the value at each station, and after them of the slope (1/m).</param>
    public static (Vector<float> Greatest, Vector<float> Least) Extremes(VehicleWay way, float[] changes)
    {
        var (first, last) = (way.Within.From - Tiny, way.Within.To + Tiny);
        var (most, fewest, at) = (Vector<float>.Zero, Vector<float>.Zero, 0);
        var walk = default(SweepWalk);
        foreach (ref readonly var step in way.Steps.AsSpan())
        {
            // Where several axles jump in one place only what is before and after all of them counts.
            if (step.Length > 0)
            {
                var before = walk.Value;
                walk.Go(step.Length);
                if (way.Lead[at - 1].Place >= first && way.Lead[at].Place <= last)
                {
                    most = Vector.MaxNative(most, Vector.MaxNative(before, walk.Value));
                    fewest = Vector.MinNative(fewest, Vector.MinNative(before, walk.Value));
                }
            }
            walk.Meet(step, changes);
            at++;
        }
        return (most, fewest);
    }

    /// <summary>The same of a vehicle that may stand anywhere, going ahead and back: both at once, neither waits for the other.</summary>
    public static (Vector<float> Greatest, Vector<float> Least, Vector<float> GreatestBack, Vector<float> LeastBack) Extremes(
        VehicleWay ahead,
        VehicleWay back,
        float[] changes
    )
    {
        var (steps, others) = (ahead.Steps, back.Steps);
        var (most, fewest, mostBack, fewestBack) = (Vector<float>.Zero, Vector<float>.Zero, Vector<float>.Zero, Vector<float>.Zero);
        var (walk, other) = (default(SweepWalk), default(SweepWalk));
        for (var i = 0; i < steps.Length && i < others.Length; i++)
        {
            ref readonly var step = ref steps[i];
            ref readonly var stepBack = ref others[i];
            if (step.Length > 0)
            {
                most = Vector.MaxNative(most, walk.Value);
                fewest = Vector.MinNative(fewest, walk.Value);
                walk.Go(step.Length);
                most = Vector.MaxNative(most, walk.Value);
                fewest = Vector.MinNative(fewest, walk.Value);
            }
            if (stepBack.Length > 0)
            {
                mostBack = Vector.MaxNative(mostBack, other.Value);
                fewestBack = Vector.MinNative(fewestBack, other.Value);
                other.Go(stepBack.Length);
                mostBack = Vector.MaxNative(mostBack, other.Value);
                fewestBack = Vector.MinNative(fewestBack, other.Value);
            }
            walk.Meet(step, changes);
            other.Meet(stepBack, changes);
        }
        return (most, fewest, mostBack, fewestBack);
    }

    /// <summary>Where a sweep over profiles side by side is.</summary>
    private struct SweepWalk
    {
        public Vector<float> Value;
        private Vector<float> slope;

        [MethodImpl(MethodImplOptions.AggressiveInlining)]
        public void Go(float length) => Value = Vector.FusedMultiplyAdd(slope, new Vector<float>(length), Value);

        [MethodImpl(MethodImplOptions.AggressiveInlining)]
        public void Meet(in SweepStep step, float[] changes)
        {
            var share = new Vector<float>(step.Share);
            Value = Vector.FusedMultiplyAdd(share, new Vector<float>(changes, step.From), Value);
            slope = Vector.FusedMultiplyAdd(share, new Vector<float>(changes, step.From + Vector<float>.Count), slope);
        }
    }

    /// <summary>What is left of the greatest values after the last axle is rounding, and nothing.</summary>
    public static (double Greatest, double Least) WithoutRounding(double greatest, double least, double rounding = Rounding) =>
        (greatest > -rounding * least ? greatest : 0, least < -rounding * greatest ? least : 0);
}
