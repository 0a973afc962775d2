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
    private float[]? jump;
    private float[]? kink;

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

    /// <summary>Changes of value and slope at the rows of all lines that wheels follow.</summary>
    private (float[] Jump, float[] Kink) Changes()
    {
        if (jump is not null)
            return (jump, kink!);
        var rows = deck.Grid.Rows;
        (jump, kink) = (workspace.TakeSingle(deck.FirstCell * rows * Most), workspace.TakeSingle(deck.FirstCell * rows * Most));
        for (var line = 0; line < deck.FirstCell; line++)
        {
            var (onLow, onHigh) = (low.Begin(line), high.Begin(line));
            for (var row = line * rows; row < (line + 1) * rows; row++)
            {
                var a = low.Step(ref onLow, line, row);
                var b = high == low ? a : high.Step(ref onHigh, line, row);
                Vector.Narrow(a.Jump, b.Jump).CopyTo(jump, row * Most);
                Vector.Narrow(a.Kink, b.Kink).CopyTo(kink, row * Most);
            }
        }
        return (jump, kink);
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
        var (onJump, onKink) = Changes();
        foreach (var run in shape.Runs)
        {
            foreach (var way in shape.Ways(run))
            {
                var (greatest, least) = GroupSweep.Extremes(way, onJump, onKink);
                for (var s = 0; s < surfaces.Count; s++)
                    Keep(
                        surfaces[s],
                        shape,
                        run,
                        way.IsTurned,
                        GroupSweep.WithoutRounding(greatest[s], least[s], GroupSweep.SingleRounding)
                    );
            }
        }
    }

    /// <summary>Where a shape is worst on one of the surfaces going one way, in single precision.</summary>
    public (double Value, double Place) Worst(LoadedSurface surface, VehicleWay way, int sign)
    {
        var (onJump, onKink) = Changes();
        return GroupSweep.Worst(way, onJump, onKink, surfaces.IndexOf(surface), sign);
    }

    private void SearchValues(ShapeOnDeck shape)
    {
        foreach (var run in shape.Runs)
        {
            var found = default(BothSigns);
            foreach (var way in shape.Stops(run))
            {
                found = workspace.Block.Greatest(way, Along(run), shape.IsOnlyWorsening, found);
                for (var s = 0; s < surfaces.Count; s++)
                    Keep(
                        surfaces[s],
                        shape,
                        run,
                        way.IsTurned,
                        GroupSweep.WithoutRounding(found.Above[s], -found.Below[s], GroupSweep.SingleRounding)
                    );
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

    private static void Keep(LoadedSurface surface, ShapeOnDeck shape, int run, bool isTurned, (double Greatest, double Least) found)
    {
        surface.Keep(shape, run, new(found.Greatest, double.NaN, double.NaN, isTurned), true);
        surface.Keep(shape, run, new(found.Least, double.NaN, double.NaN, isTurned), false);
    }
}
