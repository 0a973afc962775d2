using System.Numerics;
using System.Runtime.InteropServices;

namespace Pravik.Core.Traffic;

/// <summary>
/// A few influence surfaces side by side, as many double numbers as the processor takes in one step: the lines along which
/// they are read are the same for all of them.
/// </summary>
internal sealed class SurfacesSideBySide
{
    private readonly DeckLoading deck;
    private readonly Vector<double>[] joints;
    private readonly Vector<double>[] onBehind = [];
    private readonly Vector<double>[] onAhead = [];
    private readonly Vector<double>[] above;
    private readonly Vector<double>[] below;

    /// <summary>How many surfaces there are at most.</summary>
    public static int Most => Vector<double>.Count;

    /// <param name="deck">The deck.</param>
    /// <param name="surfaces">At most <see cref="Most"/> surfaces; those that jump do so on one row.</param>
    public SurfacesSideBySide(DeckLoading deck, List<LoadedSurface> surfaces)
    {
        this.deck = deck;
        joints = SideBySide(surfaces.Select(s => s.Surface.Ordinates), surfaces[0].Surface.Ordinates.Length);
        if (surfaces.Find(s => s.Surface.Jump is not null)?.Surface.Jump is { } first)
        {
            JumpRow = first.Row;
            onBehind = SideBySide(surfaces.Select(s => s.Surface.Jump?.Behind), first.Behind.Length);
            onAhead = SideBySide(surfaces.Select(s => s.Surface.Jump?.Ahead), first.Ahead.Length);
        }
        (above, below) = (new Vector<double>[deck.Grid.Count - deck.FirstCell], new Vector<double>[deck.Grid.Count - deck.FirstCell]);
        for (var line = deck.FirstCell; line < deck.Grid.Count; line++)
            (above[line - deck.FirstCell], below[line - deck.FirstCell]) = Integrals(line);
    }

    /// <summary>The row of the mesh on which some of them jump; −1 for none.</summary>
    public int JumpRow { get; } = -1;

    /// <summary>Whether some of them jump.</summary>
    public bool Jumps => JumpRow >= 0;

    /// <summary>
    /// Integrals of a surface, by its place, along a line of a cell or a footway, by its number from the first, over the parts above or
    /// below 0.
    /// </summary>
    public double Adverse(int of, int line, bool isAbove) => (isAbove ? above : below)[line][of];

    /// <summary>Where a walk along a line is: what was found at the row before.</summary>
    public struct Walk
    {
        internal Vector<double> Slope;
        internal Vector<double> Value;
        internal Vector<double> Here;
    }

    /// <summary>Begins to walk along a line.</summary>
    public Walk Begin(int line) => new() { Here = deck.Grid.At(line * deck.Grid.Rows, joints) };

    /// <summary>Changes of value and slope at a row of the line, before which and behind which there is nothing.</summary>
    public (Vector<double> Jump, Vector<double> Kink) Step(ref Walk walk, int line, int row)
    {
        var (from, to, next, perLength) = (Vector<double>.Zero, Vector<double>.Zero, Vector<double>.Zero, deck.PerLength[row]);
        if (row + 1 < (line + 1) * deck.Grid.Rows)
            next = deck.Grid.At(row + 1, joints);
        // Between two rows in one place, and behind the last, there is nothing.
        if (perLength > 0)
            (from, to) = (Ahead(row, line, walk.Here), Behind(row + 1, line, next));
        var rise = (to - from) * new Vector<double>(perLength);
        var changes = (from - walk.Value, rise - walk.Slope);
        (walk.Slope, walk.Value, walk.Here) = (rise, to, next);
        return changes;
    }

    /// <summary>
    /// Over a piece of length l from a to b that is l·(a + b)/2, and where the sign changes l·c²/(2·|a − b|), with c the one of both that
    /// has the sign.
    /// </summary>
    private (Vector<double> Above, Vector<double> Below) Integrals(int line)
    {
        var (rows, lengths) = (deck.Grid.Rows, deck.Grid.Lengths);
        var (sum, other, half, here) = (
            Vector<double>.Zero,
            Vector<double>.Zero,
            new Vector<double>(0.5),
            deck.Grid.At(line * rows, joints)
        );
        for (var row = line * rows; row < (line + 1) * rows - 1; row++)
        {
            var next = deck.Grid.At(row + 1, joints);
            var (a, b) = (Ahead(row, line, here), Behind(row + 1, line, next));
            here = next;
            if (lengths[row] == 0)
                continue;
            var (high, low, piece) = (Vector.Max(a, b), Vector.Min(a, b), half * new Vector<double>(lengths[row]));
            var whole = piece * (a + b);
            var changes = Vector.LessThan(a * b, Vector<double>.Zero);
            if (Vector.EqualsAll(changes, Vector<long>.Zero))
            {
                (sum, other) = (sum + Vector.Max(whole, Vector<double>.Zero), other + Vector.Min(whole, Vector<double>.Zero));
                continue;
            }
            var perRise = piece / (high - low);
            sum += Vector.ConditionalSelect(changes, perRise * high * high, Vector.Max(whole, Vector<double>.Zero));
            other += Vector.ConditionalSelect(changes, -perRise * low * low, Vector.Min(whole, Vector<double>.Zero));
        }
        return (sum, other);
    }

    private Vector<double> Ahead(int row, int line, Vector<double> value) => Beside(row, line, value, onAhead);

    private Vector<double> Behind(int row, int line, Vector<double> value) => Beside(row, line, value, onBehind);

    private Vector<double> Beside(int row, int line, Vector<double> value, Vector<double>[] jumps) =>
        row - line * deck.Grid.Rows == JumpRow ? value + deck.Grid.At(row, jumps, deck.Grid.FirstJoint(JumpRow)) : value;

    private static Vector<double>[] SideBySide(IEnumerable<double[]?> values, int count)
    {
        var all = new Vector<double>[count];
        var numbers = MemoryMarshal.Cast<Vector<double>, double>(all.AsSpan());
        var place = 0;
        foreach (var of in values)
        {
            for (var i = 0; i < of?.Length; i++)
                numbers[i * Most + place] = of[i];
            place++;
        }
        return all;
    }

    /// <summary>The mean of the lines of a run at a place on each of them.</summary>
    public Vector<double> Mean(WheelRun run, ReadOnlySpan<WheelRun.Sample> at)
    {
        var sum = Vector<double>.Zero;
        for (var track = 0; track < at.Length; track++)
            sum = Vector.FusedMultiplyAdd(new Vector<double>(run.Tracks.Weights[track]), At(at[track].Row, at[track].Part), sum);
        return sum;
    }

    private Vector<double> At(int row, double part)
    {
        if (row >= deck.Grid.OffDeck)
            return Vector<double>.Zero;
        var line = row / deck.Grid.Rows;
        var from = Ahead(row, line, deck.Grid.At(row, joints));
        return part == 0
            ? from
            : Vector.FusedMultiplyAdd(new Vector<double>(part), Behind(row + 1, line, deck.Grid.At(row + 1, joints)) - from, from);
    }
}
