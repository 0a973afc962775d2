namespace Pravik.Core.Traffic;

/// <summary>
/// An influence surface cut along the lines of a deck, and what has been found on it: where each shape of vehicle is worst along each
/// run, and the integrals of its adverse parts. All models share it.
/// </summary>
internal sealed class LoadedSurface
{
    private readonly DeckLoading deck;
    private readonly Workspace workspace;
    private readonly double[]?[] greatest;
    private readonly double[]?[] least;
    private ProfileChanges? changes;
    private readonly LineProfile?[] profiles;
    private Adverse? above;
    private Adverse? below;
    private (double[] Behind, double[] Ahead)?[]? along;

    public LoadedSurface(DeckLoading deck, InfluenceSurface surface, Workspace workspace)
    {
        (this.deck, this.workspace) = (deck, workspace);
        Cut = deck.Grid.Cut(surface, workspace);
        (greatest, least) = (new double[deck.Shapes.Count][], new double[deck.Shapes.Count][]);
        profiles = new LineProfile[deck.Runs.Length];
    }

    /// <summary>The surface along the lines.</summary>
    public SurfaceCut Cut { get; }

    /// <summary>Integrals of the adverse parts over the cells of the carriageways.</summary>
    /// <param name="Parts">Weights that give those of any surface.</param>
    /// <param name="OfCell">Integral along the middle of each cell (m times the surface's unit).</param>
    /// <param name="To">Integral over cells from the first of all to each boundary.</param>
    internal sealed record Adverse(AdverseParts? Parts, double[] OfCell, double[] To);

    /// <summary>What is adverse for the greatest or the least value.</summary>
    public Adverse AdverseTo(bool isGreatest) => isGreatest ? above ??= Find(1) : below ??= Find(-1);

    /// <summary>The greatest or the least value of a shape along each run, by its number.</summary>
    public double[] Worst(ShapeOnDeck shape, bool isGreatest)
    {
        if ((isGreatest ? greatest : least)[shape.Number] is { } known)
            return known;
        if (shape.IsOnlyWorsening)
        {
            var found = workspace.Take(deck.Runs.Length);
            foreach (var run in shape.Runs)
                found[run] = Place(shape, run, isGreatest).Value;
            return (isGreatest ? greatest : least)[shape.Number] = found;
        }
        var (most, fewest) = (workspace.Take(deck.Runs.Length), workspace.Take(deck.Runs.Length));
        foreach (var run in shape.Runs)
            (most[run], fewest[run]) = workspace.Search.Whole(shape.Ways(run), Changes());
        (greatest[shape.Number], least[shape.Number]) = (most, fewest);
        return isGreatest ? most : fewest;
    }

    /// <summary>Where a shape is worst along a run.</summary>
    public VehicleExtreme Place(ShapeOnDeck shape, int run, bool isGreatest)
    {
        var sign = isGreatest ? 1 : -1;
        if (!shape.IsOnlyWorsening)
            return workspace.Search.WholeAt(shape.Ways(run), Changes(), sign);
        var (behind, ahead) = Along(run);
        return workspace.Search.OnlyWorsening(shape.Ways(run), deck.Runs[run].Stations, behind, ahead, sign);
    }

    /// <summary>The surface along a run, as one that is asked for many things.</summary>
    public LineProfile Profile(int run) => profiles[run] ??= deck.Runs[run].Profile(Cut);

    /// <summary>How it changes at the rows of all lines that wheels follow.</summary>
    private ProfileChanges Changes()
    {
        if (changes is { } known)
            return known;
        var rows = deck.Grid.Rows;
        var found = new ProfileChanges(workspace.Take(deck.FirstCell * rows), workspace.Take(deck.FirstCell * rows));
        for (var line = 0; line < deck.FirstCell; line++)
        {
            var from = line * rows;
            ProfileSteps.Find(
                deck.Lines[line].Station,
                Cut.Behind.AsSpan(from, rows),
                Cut.Ahead.AsSpan(from, rows),
                ProfilePart.Whole,
                found.Jump.AsSpan(from, rows),
                found.Kink.AsSpan(from, rows)
            );
        }
        changes = found;
        return found;
    }

    private (double[] Behind, double[] Ahead) Along(int run)
    {
        along ??= new (double[], double[])?[deck.Runs.Length];
        if (along[run] is { } known)
            return known;
        var count = deck.Runs[run].Stations.Length;
        var (behind, ahead) = (workspace.Take(count), workspace.Take(count));
        deck.Runs[run].Read(Cut, behind, ahead);
        along[run] = (behind, ahead);
        return (behind, ahead);
    }

    private Adverse Find(int sign)
    {
        var cells = deck.Cells;
        var (of, to) = (new double[cells.Length], new double[cells.Length + 1]);
        if (deck.Grid.Count == deck.FirstCell)
            return new(null, of, to);
        var parts = Cut.Parts(deck.FirstCell, sign, workspace);
        for (var i = 0; i < cells.Length; i++)
        {
            of[i] = parts.Of(Cut, deck.FirstCell + i);
            to[i + 1] = to[i] + cells[i].Width * of[i];
        }
        return new(parts, of, to);
    }
}
