using System.Numerics;

namespace Pravik.Core.Traffic;

/// <summary>
/// Influence surfaces of one place that are searched together, as many as the processor takes in one step: the order in which axles meet
/// rows is the same for all of them. Which place is the worst is found in single precision; its value is then worked out by itself.
/// </summary>
internal sealed class SurfaceBlock
{
    private readonly DeckLoading deck;
    private readonly List<LoadedSurface> surfaces;
    private readonly Workspace workspace;
    private readonly SurfacesSideBySide low;
    private readonly SurfacesSideBySide high;
    private readonly Dictionary<int, BlockProfiles> profiles = [];
    private float[]? changes;

    /// <summary>How many surfaces there are at most.</summary>
    public static int Most => Vector<float>.Count;

    /// <param name="deck">The deck.</param>
    /// <param name="surfaces">At most <see cref="Most"/> surfaces; those that jump do so on one row.</param>
    /// <param name="workspace">Arrays of this thread.</param>
    public SurfaceBlock(DeckLoading deck, List<LoadedSurface> surfaces, Workspace workspace)
    {
        (this.deck, this.surfaces, this.workspace) = (deck, surfaces, workspace);
        low = new(deck, [.. surfaces.Take(SurfacesSideBySide.Most)]);
        high = surfaces.Count > SurfacesSideBySide.Most ? new(deck, [.. surfaces.Skip(SurfacesSideBySide.Most)]) : low;
    }

    /// <summary>
    /// Integrals of a surface along a line of a cell or a footway, by its number from the first, over the parts above or below 0.
    /// </summary>
    public double Adverse(LoadedSurface surface, int line, bool isAbove) =>
        (low.Surfaces.Contains(surface) ? low : high).Adverse(surface, line, isAbove);

    /// <summary>Changes of value, and after them of slope, at the rows of all lines that wheels follow.</summary>
    private float[] Changes()
    {
        if (changes is not null)
            return changes;
        var rows = deck.Grid.Rows;
        changes = workspace.TakeSingle(2 * deck.FirstCell * rows * Most);
        for (var line = 0; line < deck.FirstCell; line++)
        {
            var (onLow, onHigh) = (low.Begin(line), high.Begin(line));
            for (var row = line * rows; row < (line + 1) * rows; row++)
            {
                var a = low.Step(ref onLow, line, row);
                var b = high == low ? a : high.Step(ref onHigh, line, row);
                Vector.Narrow(a.Jump, b.Jump).CopyTo(changes, 2 * row * Most);
                Vector.Narrow(a.Kink, b.Kink).CopyTo(changes, (2 * row + 1) * Most);
            }
        }
        return changes;
    }

    /// <summary>Finds the greatest and the least value of a shape along each run, for all surfaces.</summary>
    public void Search(ShapeOnDeck shape)
    {
        foreach (var surface in surfaces)
            surface.Begin(shape);
        if (shape.IsVaried)
        {
            SearchValues(shape);
            return;
        }
        var on = Changes();
        foreach (var run in shape.Runs)
        {
            if (shape.Ways(run) is [{ IsAnywhere: true } ahead, { IsAnywhere: true } back])
            {
                var (greatest, least, greatestBack, leastBack) = GroupSweep.Extremes(ahead, back, on);
                Keep(shape, run, ahead.IsTurned, greatest, least);
                Keep(shape, run, back.IsTurned, greatestBack, leastBack);
                continue;
            }
            foreach (var way in shape.Ways(run))
            {
                var (greatest, least) = GroupSweep.Extremes(way, on);
                Keep(shape, run, way.IsTurned, greatest, least);
            }
        }
    }

    /// <summary>Where a shape is worst on one of the surfaces going one way, in single precision.</summary>
    public (double Value, double Place) Worst(LoadedSurface surface, VehicleWay way, int sign)
    {
        return GroupSweep.Worst(way, Changes(), surfaces.IndexOf(surface), sign);
    }

    private void SearchValues(ShapeOnDeck shape)
    {
        foreach (var run in shape.Runs)
        {
            var found = default(BothSigns);
            foreach (var way in shape.Stops(run))
            {
                found = workspace.Block.Greatest(way, Along(run), shape.IsOnlyWorsening, found);
                Keep(shape, run, way.IsTurned, found.Above, -found.Below);
            }
        }
    }

    /// <summary>The surfaces along a run.</summary>
    private BlockProfiles Along(int run)
    {
        if (profiles.TryGetValue(run, out var known))
            return known;
        var (on, jumps) = (deck.Runs[run], new bool[deck.Runs[run].Stations.Length]);
        var (behind, ahead) = (new Vector<float>[jumps.Length], new Vector<float>[jumps.Length]);
        for (var i = 0; i < jumps.Length; i++)
        {
            ahead[i] = Mean(on.Ahead(i));
            behind[i] = !low.Jumps && !high.Jumps && on.IsSmooth(i) ? ahead[i] : Mean(on.Behind(i));
            jumps[i] = !Vector.EqualsAll(behind[i], ahead[i]);
        }
        return profiles[run] = new(behind, ahead, jumps);

        Vector<float> Mean(ReadOnlySpan<WheelRun.Sample> at)
        {
            var onLow = low.Mean(on, at);
            return Vector.Narrow(onLow, high == low ? onLow : high.Mean(on, at));
        }
    }

    private void Keep(ShapeOnDeck shape, int run, bool isTurned, Vector<float> most, Vector<float> fewest)
    {
        for (var s = 0; s < surfaces.Count; s++)
        {
            var (greatest, least) = GroupSweep.WithoutRounding(most[s], fewest[s], GroupSweep.SingleRounding);
            surfaces[s].Keep(shape, run, new(greatest, double.NaN, double.NaN, isTurned), true);
            surfaces[s].Keep(shape, run, new(least, double.NaN, double.NaN, isTurned), false);
        }
    }
}
