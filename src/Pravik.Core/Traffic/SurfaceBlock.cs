using System.Numerics;
using System.Runtime.InteropServices;

namespace Pravik.Core.Traffic;

/// <summary>
/// A few influence surfaces of one place side by side, as many as the processor takes in one step: the lines along which they are read
/// and the order in which axles meet rows are the same for all of them.
/// </summary>
internal sealed class SurfaceBlock
{
    private readonly DeckLoading deck;
    private readonly List<LoadedSurface> surfaces;
    private readonly Vector<double>[] joints;

    /// <summary>The row of the mesh on which some of them jump; −1 for none.</summary>
    private readonly int jumpRow = -1;
    private readonly Vector<double>[] onBehind = [];
    private readonly Vector<double>[] onAhead = [];
    private readonly double[] jump;
    private readonly double[] kink;
    private readonly Workspace workspace;
    private readonly Dictionary<int, BlockProfiles> profiles = [];
    private readonly Vector<double>[] above;
    private readonly Vector<double>[] below;

    /// <summary>How many surfaces there are at most.</summary>
    public static int Most => Vector<double>.Count;

    /// <param name="deck">The deck.</param>
    /// <param name="surfaces">At most <see cref="Most"/> surfaces; those that jump do so on one row.</param>
    /// <param name="workspace">Arrays of this thread.</param>
    public SurfaceBlock(DeckLoading deck, List<LoadedSurface> surfaces, Workspace workspace)
    {
        (this.deck, this.surfaces, this.workspace) = (deck, surfaces, workspace);
        joints = SideBySide(surfaces.Select(s => s.Surface.Ordinates), surfaces[0].Surface.Ordinates.Length);
        if (surfaces.Find(s => s.Surface.Jump is not null)?.Surface.Jump is { } first)
        {
            jumpRow = first.Row;
            onBehind = SideBySide(surfaces.Select(s => s.Surface.Jump?.Behind), first.Behind.Length);
            onAhead = SideBySide(surfaces.Select(s => s.Surface.Jump?.Ahead), first.Ahead.Length);
        }
        var count = deck.FirstCell * deck.Grid.Rows * Most;
        (jump, kink) = (workspace.Take(count), workspace.Take(count));
        for (var line = 0; line < deck.FirstCell; line++)
            FindChanges(line);
        (above, below) = (new Vector<double>[deck.Grid.Count - deck.FirstCell], new Vector<double>[deck.Grid.Count - deck.FirstCell]);
        for (var line = deck.FirstCell; line < deck.Grid.Count; line++)
            (above[line - deck.FirstCell], below[line - deck.FirstCell]) = Integrals(line);
    }

    /// <summary>
    /// Integrals of a surface along a line of a cell or a footway, by its number from the first, over the parts above or below 0.
    /// </summary>
    public double Adverse(LoadedSurface surface, int line, bool isAbove) => (isAbove ? above : below)[line][surfaces.IndexOf(surface)];

    /// <summary>Changes of value and slope along a line, before which and behind which there is nothing.</summary>
    private void FindChanges(int line)
    {
        var (rows, perLength) = (deck.Grid.Rows, deck.PerLength);
        var (slope, value, here) = (Vector<double>.Zero, Vector<double>.Zero, deck.Grid.At(line * rows, joints));
        for (var row = line * rows; row < (line + 1) * rows; row++)
        {
            var (from, to, next) = (Vector<double>.Zero, Vector<double>.Zero, Vector<double>.Zero);
            if (row + 1 < (line + 1) * rows)
                next = deck.Grid.At(row + 1, joints);
            // Between two rows in one place, and behind the last, there is nothing.
            if (perLength[row] > 0)
                (from, to) = (Ahead(row, line, here), Behind(row + 1, line, next));
            var rise = (to - from) * new Vector<double>(perLength[row]);
            (from - value).CopyTo(jump, row * Most);
            (rise - slope).CopyTo(kink, row * Most);
            (slope, value, here) = (rise, to, next);
        }
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
        row - line * deck.Grid.Rows == jumpRow ? value + deck.Grid.At(row, jumps, deck.Grid.FirstJoint(jumpRow)) : value;

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

    /// <summary>How a surface changes at the rows of all lines that wheels follow.</summary>
    public ProfileChanges Of(LoadedSurface surface) => new(jump, kink, Most, surfaces.IndexOf(surface));

    /// <summary>Finds the greatest and the least value of a shape along each run, for all surfaces.</summary>
    public void Search(ShapeOnDeck shape)
    {
        foreach (var surface in surfaces)
            surface.Begin(shape);
        if (shape.IsPlacedLater)
        {
            SearchValues(shape);
            return;
        }
        foreach (var run in shape.Runs)
        {
            foreach (var way in shape.Ways(run))
            {
                var found = GroupSweep.Extremes(way, jump, kink);
                for (var s = 0; s < surfaces.Count; s++)
                {
                    var (high, low) = GroupSweep.WithoutRounding(found.Greatest[s], found.Least[s]);
                    surfaces[s].Keep(shape, run, new(high, found.AtGreatest[s], double.NaN, way.IsTurned), true);
                    surfaces[s].Keep(shape, run, new(low, found.AtLeast[s], double.NaN, way.IsTurned), false);
                }
            }
        }
    }

    private void SearchValues(ShapeOnDeck shape)
    {
        foreach (var run in shape.Runs)
        {
            foreach (var way in shape.Stops(run))
            {
                var found = workspace.Block.Greatest(way, Along(run), shape.IsOnlyWorsening);
                for (var s = 0; s < surfaces.Count; s++)
                {
                    var (high, low) = GroupSweep.WithoutRounding(found.Above[s], -found.Below[s]);
                    surfaces[s].Keep(shape, run, new(high, double.NaN, double.NaN, way.IsTurned), true);
                    surfaces[s].Keep(shape, run, new(low, double.NaN, double.NaN, way.IsTurned), false);
                }
            }
        }
    }

    /// <summary>The surfaces along a run.</summary>
    private BlockProfiles Along(int run)
    {
        if (profiles.TryGetValue(run, out var known))
            return known;
        var (on, jumps) = (deck.Runs[run], new bool[deck.Runs[run].Stations.Length]);
        var (behind, ahead) = (new Vector<double>[jumps.Length], new Vector<double>[jumps.Length]);
        for (var i = 0; i < jumps.Length; i++)
        {
            (behind[i], ahead[i]) = (Mean(on, on.Behind(i)), Mean(on, on.Ahead(i)));
            jumps[i] = !Vector.EqualsAll(behind[i], ahead[i]);
        }
        return profiles[run] = new(behind, ahead, jumps);
    }

    private Vector<double> Mean(WheelRun run, ReadOnlySpan<WheelRun.Sample> at)
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
