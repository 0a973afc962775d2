namespace Pravik.Core.Traffic;

/// <summary>
/// An influence surface cut along the lines of a deck, and what has been found on it: where each shape of vehicle is worst along each
/// run, and the integrals of its adverse parts. All models share it.
/// </summary>
internal sealed class LoadedSurface
{
    private readonly DeckLoading deck;
    private readonly Workspace workspace;
    private readonly List<LoadedSurface> waiting;
    private SurfaceBlock? block;

    /// <summary>Its place in the block.</summary>
    private int place;
    private readonly LineProfile?[] profiles;
    private Adverse? above;
    private Adverse? below;
    private TrainProfile?[]? trains;
    private SurfaceCut? wheels;
    private SurfaceCut? cells;
    private (double[] Behind, double[] Ahead)?[]? along;
    private ProfileChanges? changes;
    private bool[]? changed;

    /// <param name="deck">The deck.</param>
    /// <param name="surface">The surface.</param>
    /// <param name="workspace">Arrays of this thread.</param>
    /// <param name="waiting">Surfaces to be loaded beside it that were not searched yet; it joins them.</param>
    public LoadedSurface(DeckLoading deck, InfluenceSurface surface, Workspace workspace, List<LoadedSurface> waiting)
    {
        (this.deck, this.workspace, this.waiting, Surface) = (deck, workspace, waiting, surface);
        waiting.Add(this);
        profiles = new LineProfile[deck.Runs.Length];
    }

    /// <summary>The surface itself.</summary>
    public InfluenceSurface Surface { get; }

    /// <summary>The surface along wheel lines.</summary>
    private SurfaceCut Wheels => wheels ??= deck.Grid.Cut(Surface, 0, deck.FirstCell, workspace);

    /// <summary>The surface along the middles of cells and along footways.</summary>
    private SurfaceCut Cells => cells ??= deck.Grid.Cut(Surface, deck.FirstCell, deck.Grid.Count, workspace);

    /// <summary>What is adverse for the greatest or the least value.</summary>
    public Adverse AdverseTo(bool isGreatest) => isGreatest ? above ??= new(this, true) : below ??= new(this, false);

    /// <summary>Those parts of a surface that have a sign, and integrals over them.</summary>
    internal sealed class Adverse
    {
        private readonly LoadedSurface own;
        private readonly int sign;
        private readonly List<(LoadedSurface Of, double[] Integrals)> known = [];
        private AdverseParts? parts;

        public Adverse(LoadedSurface own, bool isAbove)
        {
            (this.own, sign) = (own, isAbove ? 1 : -1);
            var (deck, block) = (own.deck, own.Block());
            To = new double[deck.Cells.Length + 1];
            for (var i = 0; i < deck.Cells.Length; i++)
                To[i + 1] = To[i] + deck.Cells[i].Width * block.Adverse(own.place, i, isAbove);
            foreach (var (line, width) in deck.Footways)
                OnFootways += width * block.Adverse(own.place, line - deck.FirstCell, isAbove);
        }

        /// <summary>Integral of the surface over cells, from the first of all to each boundary.</summary>
        public double[] To { get; }

        /// <summary>Integral of the surface over footways.</summary>
        public double OnFootways { get; }

        /// <summary>
        /// Integrals of any surface of the same place over these parts, along the middle of each cell and along each line of footways.
        /// </summary>
        public double[] Of(LoadedSurface surface)
        {
            foreach (var (of, integrals) in known)
            {
                if (of == surface)
                    return integrals;
            }
            var deck = own.deck;
            var found = new double[deck.Grid.Count - deck.FirstCell];
            if (found.Length > 0)
                parts ??= own.Cells.Parts(deck.FirstCell, sign, own.workspace);
            for (var i = 0; i < found.Length; i++)
                found[i] = parts!.Of(surface.Cells, deck.FirstCell + i);
            known.Add((surface, found));
            return found;
        }
    }

    /// <summary>The greatest or the least values of a shape along each run that it may take.</summary>
    public RunValues Values(ShapeOnDeck shape, bool isGreatest) => new(Block().Extremes(shape), place, isGreatest);

    /// <summary>Where a shape is worst along a run.</summary>
    public VehicleExtreme Worst(ShapeOnDeck shape, int run, bool isGreatest) =>
        Values(shape, isGreatest)[run] == 0 ? VehicleExtreme.None
        : shape.IsVaried ? Sought(shape, run, isGreatest ? 1 : -1)
        : Block().Worst(shape, run, place, isGreatest);

    /// <summary>Vehicles with axles that are left out, or with a gap that is sought.</summary>
    private VehicleExtreme Sought(ShapeOnDeck shape, int run, int sign)
    {
        if (!shape.IsOnlyWorsening)
            return workspace.Search.WholeAt(shape.Ways(run), Changes(run), sign);
        var (behind, ahead) = Along(run);
        return workspace.Search.OnlyWorsening(shape.Ways(run), deck.Runs[run].Stations, behind, ahead, sign);
    }

    /// <summary>How the surface changes at the rows of the lines of a run.</summary>
    private ProfileChanges Changes(int run)
    {
        var rows = deck.Grid.Rows;
        changes ??= new(workspace.Take(deck.Grid.OffDeck), workspace.Take(deck.Grid.OffDeck));
        changed ??= new bool[deck.FirstCell];
        foreach (var line in deck.Runs[run].Lines)
        {
            if (changed[line])
                continue;
            changed[line] = true;
            var from = line * rows;
            var behind = workspace.LineBehind(rows);
            var ahead = workspace.LineAhead(rows);
            deck.Grid.Read(Surface, line, behind, ahead);
            ProfileSteps.Find(
                deck.Lines[line].Station,
                behind,
                ahead,
                ProfilePart.Whole,
                changes.Value.Jump.AsSpan(from, rows),
                changes.Value.Kink.AsSpan(from, rows)
            );
        }
        return changes.Value;
    }

    /// <summary>How the surface changes along a run, as trains meet it.</summary>
    public TrainProfile Train(int run)
    {
        trains ??= new TrainProfile?[deck.Runs.Length];
        if (trains[run] is { } known)
            return known;
        var (behind, ahead) = Along(run);
        return trains[run] = new(deck.Runs[run], behind, ahead);
    }

    /// <summary>The surface along a run, as one that is asked for many things.</summary>
    public LineProfile Profile(int run) => profiles[run] ??= deck.Runs[run].Profile(Wheels);

    /// <summary>From the least value along a run, or 0, to the greatest.</summary>
    public double RangeAlong(int run)
    {
        var (behind, ahead) = Along(run);
        var (least, greatest) = (0.0, 0.0);
        var count = deck.Runs[run].Stations.Length;
        foreach (var value in behind.AsSpan(0, count))
            (least, greatest) = (Math.Min(least, value), Math.Max(greatest, value));
        foreach (var value in ahead.AsSpan(0, count))
            (least, greatest) = (Math.Min(least, value), Math.Max(greatest, value));
        return greatest - least;
    }

    /// <summary>The surface along the middle of a cell or a line of a footway.</summary>
    public LineProfile AlongCell(int line)
    {
        var (of, first) = (deck.Lines[line], line * deck.Grid.Rows);
        return new([.. of.Station.Select((s, row) => (s, Cells.Behind[first + row], Cells.Ahead[first + row], of.Length[row]))]);
    }

    /// <summary>The block in which it is searched, with others that wait for it.</summary>
    private SurfaceBlock Block()
    {
        if (block is not null)
            return block;
        waiting.Remove(this);
        waiting.Insert(0, this);
        var made = NextBlock();
        if (waiting.Count > 0)
            made.Join(waiting[0].NextBlock());
        return made;
    }

    private SurfaceBlock NextBlock()
    {
        List<LoadedSurface> together = [.. waiting.Take(SurfaceBlock.Most)];
        waiting.RemoveRange(0, together.Count);
        var made = new SurfaceBlock(deck, together, workspace);
        for (var i = 0; i < together.Count; i++)
            (together[i].block, together[i].place) = (made, i);
        return made;
    }

    private (double[] Behind, double[] Ahead) Along(int run)
    {
        along ??= new (double[], double[])?[deck.Runs.Length];
        if (along[run] is { } known)
            return known;
        var count = deck.Runs[run].Stations.Length;
        var (behind, ahead) = (workspace.Take(count), workspace.Take(count));
        deck.Runs[run].Read(Wheels, behind, ahead);
        along[run] = (behind, ahead);
        return (behind, ahead);
    }
}
