using System.Numerics;

namespace Pravik.Core.Traffic;

/// <summary>
/// Influence surfaces that are searched together, as many as the processor takes in one step: the order in which axles meet rows is the
/// same for all of them. Two blocks are swept beside each other. Which place is the worst is found in single precision; its value is then
/// worked out by itself.
/// </summary>
internal sealed class SurfaceBlock
{
    private readonly DeckLoading deck;
    private readonly List<LoadedSurface> surfaces;
    private readonly Workspace workspace;
    private readonly SurfacesSideBySide low;
    private readonly SurfacesSideBySide high;
    private readonly Dictionary<int, BlockProfiles> profiles = [];
    private readonly ShapeExtremes?[] extremes;
    private BlockChanges? changes;

    /// <summary>The other block that is swept with it; itself for none.</summary>
    private SurfaceBlock beside;

    /// <summary>Whether it is the second of both.</summary>
    private bool isSecond;

    /// <summary>How many surfaces there are at most.</summary>
    public static int Most => Vector<float>.Count;

    /// <param name="deck">The deck.</param>
    /// <param name="surfaces">At most <see cref="Most"/> surfaces; those that jump do so on one row.</param>
    /// <param name="workspace">Arrays of this thread.</param>
    public SurfaceBlock(DeckLoading deck, List<LoadedSurface> surfaces, Workspace workspace)
    {
        (this.deck, this.surfaces, this.workspace) = (deck, surfaces, workspace);
        beside = this;
        extremes = new ShapeExtremes?[deck.Shapes.Count];
        low = new(deck, [.. surfaces.Take(SurfacesSideBySide.Most)]);
        high = surfaces.Count > SurfacesSideBySide.Most ? new(deck, [.. surfaces.Skip(SurfacesSideBySide.Most)]) : low;
    }

    /// <summary>Lets another block be swept with this one: surfaces of both jump on the same row, or those of one of them.</summary>
    public void Join(SurfaceBlock other)
    {
        if (JumpRow >= 0 && other.JumpRow >= 0 && JumpRow != other.JumpRow)
            return;
        (beside, other.beside, other.isSecond) = (other, this, true);
    }

    private int JumpRow => Math.Max(low.JumpRow, high.JumpRow);

    /// <summary>
    /// Integrals of a surface, by its place, along a line of a cell or a footway, by its number from the first, over the parts above or
    /// below 0.
    /// </summary>
    public double Adverse(int of, int line, bool isAbove) =>
        of < SurfacesSideBySide.Most ? low.Adverse(of, line, isAbove) : high.Adverse(of - SurfacesSideBySide.Most, line, isAbove);

    /// <summary>How both blocks change at the rows of all lines that wheels follow.</summary>
    private BlockChanges Changes()
    {
        if (changes is { } known)
            return known;
        var size = 2 * Most * deck.FirstCell * deck.Grid.Rows;
        var (numbers, start) = workspace.TakeAligned(2 * size);
        var found = new BlockChanges(numbers, start, start + size, Math.Max(JumpRow, beside.JumpRow));
        Write(isSecond ? found.OfSecond : found);
        beside.Write(isSecond ? found : found.OfSecond);
        (beside.changes, changes) = (beside.isSecond ? found.OfSecond : found, isSecond ? found.OfSecond : found);
        return changes.Value;
    }

    private void Write(BlockChanges into)
    {
        var rows = deck.Grid.Rows;
        for (var line = 0; line < deck.FirstCell; line++)
        {
            var (onLow, onHigh) = (low.Begin(line), high.Begin(line));
            for (var row = line * rows; row < (line + 1) * rows; row++)
            {
                var a = low.Step(ref onLow, line, row);
                var b = high == low ? a : high.Step(ref onHigh, line, row);
                Vector.Narrow(a.Jump, b.Jump).CopyTo(into.Numbers, into.Jumps + 2 * row * Most);
                Vector.Narrow(a.Kink, b.Kink).CopyTo(into.Numbers, into.Kinks + 2 * row * Most);
            }
        }
    }

    /// <summary>The greatest and the least values of a shape along each run, for all surfaces.</summary>
    public ShapeExtremes Extremes(ShapeOnDeck shape)
    {
        if (extremes[shape.Number] is null)
        {
            if (shape.IsVaried)
                Search(shape);
            else if (isSecond)
                beside.Sweep();
            else
                Sweep();
        }
        return extremes[shape.Number]!;
    }

    private ShapeExtremes Begin(ShapeOnDeck shape) => extremes[shape.Number] = new(shape, deck.Runs.Length, workspace);

    /// <summary>Sweeps all shapes that act whole: run by run, since the lines of a run are then at hand for all of them.</summary>
    private void Sweep()
    {
        foreach (var shape in deck.Shapes.Where(s => !s.IsVaried))
        {
            Begin(shape);
            if (beside != this)
                beside.Begin(shape);
        }
        var on = Changes();
        for (var run = 0; run < deck.Runs.Length; run++)
        {
            foreach (var shape in deck.Shapes)
            {
                if (!shape.IsVaried && shape.Takes(run))
                    ShapeExtremes.Sweep(run, extremes[shape.Number]!, beside.extremes[shape.Number]!, on);
            }
        }
    }

    private void Search(ShapeOnDeck shape)
    {
        var found = Begin(shape);
        foreach (var run in shape.Runs)
            found.Set(run, Along(shape, run));
    }

    private BothSigns Along(ShapeOnDeck shape, int run)
    {
        var found = default(BothSigns);
        foreach (var way in shape.Stops(run))
            found = workspace.Block.Greatest(way, Along(run), shape.IsOnlyWorsening, found);
        return found;
    }

    /// <summary>Where a shape is worst along a run on one of the surfaces, by its place; where it is worse than nothing.</summary>
    public VehicleExtreme Worst(ShapeOnDeck shape, int run, int of, bool isGreatest) => Extremes(shape).At(run, of, isGreatest, Changes());

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
}
