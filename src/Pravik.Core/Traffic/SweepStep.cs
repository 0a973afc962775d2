using System.Numerics;

namespace Pravik.Core.Traffic;

/// <summary>What is known of a step of a sweep before any surface is.</summary>
[Flags]
internal enum SweepStepKind
{
    /// <summary>Nothing to be told.</summary>
    None = 0,

    /// <summary>All of the way to it lies where the vehicle may stand.</summary>
    Arrives = 1,

    /// <summary>What is met is the last in its place, and the vehicle may stand on the way to the next.</summary>
    Leaves = 2,

    /// <summary>Surfaces may jump where it is met: at an end of the deck and over a joint.</summary>
    Jumps = 4,

    /// <summary>What stands just ahead is looked at in any case: others are met in the place, or the vehicle may not arrive.</summary>
    Ahead = 8,
}

/// <summary>
/// A step of a sweep: how far it goes, and what is met then. Small, since a sweep waits for its steps more than for anything else.
/// </summary>
/// <param name="Length">Distance from the meeting before (m); 0 within one place.</param>
/// <param name="Row">The row of the mesh that is met.</param>
/// <param name="WheelAndKind">The wheel that meets it, and what is known of it.</param>
internal readonly record struct SweepStep(float Length, ushort Row, ushort WheelAndKind)
{
    private const int Kinds = 16;

    /// <summary>The wheel that meets the row.</summary>
    public int Wheel => WheelAndKind / Kinds;

    /// <summary>What is known of it.</summary>
    public SweepStepKind Kind => (SweepStepKind)(WheelAndKind % Kinds);

    /// <summary>
    /// A step with what is known of it. Throws <see cref="OverflowException"/> beyond 65,535 rows or 4,095 wheels.
    /// </summary>
    public static SweepStep Of(double length, int row, int wheel, SweepStepKind kind) =>
        new((float)length, checked((ushort)row), checked((ushort)(wheel * Kinds + (int)kind)));
}

/// <summary>A wheel as it is swept: its share of the load, and where the changes of the line that it follows begin.</summary>
internal readonly record struct SweptWheel(float Share, int From);

/// <summary>The steps of a way, and its wheels.</summary>
internal sealed class SweepSteps
{
    private readonly SweepStep[] all;
    private readonly SweptWheel[] wheels;

    /// <param name="way">The wheels and the order in which they meet rows.</param>
    /// <param name="deck">The deck.</param>
    public SweepSteps(VehicleWay way, DeckLoading deck)
    {
        var (order, load) = (way.Lead, way.Shape.Lead.Load);
        var (first, last) = (way.Within.From - GroupSweep.Tiny, way.Within.To + GroupSweep.Tiny);
        (all, wheels) = (new SweepStep[order.Length], new SweptWheel[load.Length]);
        double Place(int meeting) => order[meeting].Place;
        // The first meeting in the place of each.
        var (here, begins) = (0, new int[order.Length]);
        for (var i = 0; i < order.Length; i++)
            begins[i] = here = Place(i) - Place(here) > GroupSweep.Tiny ? i : here;
        for (var i = 0; i < order.Length; i++)
        {
            var (isFirst, isLast, own) = (begins[i] == i, i + 1 == order.Length || begins[i + 1] != begins[i], begins[i]);
            var arrives = own > 0 && Place(own - 1) >= first && Place(own) <= last;
            var leaves = isLast && i + 1 < order.Length && Place(i) >= first && Place(i + 1) <= last;
            var kind =
                (isFirst && arrives ? SweepStepKind.Arrives : 0)
                | (leaves ? SweepStepKind.Leaves : 0)
                | (deck.MayJump(order[i].Number) ? SweepStepKind.Jumps : 0)
                | (!isFirst || !arrives ? SweepStepKind.Ahead : 0);
            var (row, wheel) = (order[i].Number % deck.Grid.Rows, order[i].Axle);
            all[i] = SweepStep.Of(isFirst && own > 0 ? Place(own) - Place(begins[own - 1]) : 0, row, wheel, kind);
            wheels[wheel] = new((float)load[wheel], 2 * (order[i].Number - row) * Vector<float>.Count);
        }
    }

    /// <summary>The steps.</summary>
    public SweepStep[] All => all;

    /// <summary>The wheels.</summary>
    public SweptWheel[] Wheels => wheels;
}
