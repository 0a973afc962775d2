using System.Numerics;

namespace Pravik.Core.Traffic;

/// <summary>
/// A few influence surfaces side by side, as many as the processor takes in one step: the order in which axles meet rows is the same for
/// all of them.
/// </summary>
internal sealed class SurfaceBlock
{
    private readonly DeckLoading deck;
    private readonly List<LoadedSurface> surfaces;
    private readonly double[] jump;
    private readonly double[] kink;

    /// <summary>How many surfaces there are at most.</summary>
    public static int Most => Vector<double>.Count;

    /// <param name="deck">The deck.</param>
    /// <param name="surfaces">At most <see cref="Most"/> surfaces.</param>
    /// <param name="workspace">Arrays of this thread.</param>
    public SurfaceBlock(DeckLoading deck, List<LoadedSurface> surfaces, Workspace workspace)
    {
        (this.deck, this.surfaces) = (deck, surfaces);
        var (rows, count) = (deck.Grid.Rows, deck.FirstCell * deck.Grid.Rows);
        (jump, kink) = (workspace.Take(count * Most), workspace.Take(count * Most));
        if (surfaces.Count < Most)
        {
            Array.Clear(jump, 0, count * Most);
            Array.Clear(kink, 0, count * Most);
        }
        for (var s = 0; s < surfaces.Count; s++)
            Take(surfaces[s].Cut, s, rows, count);
    }

    /// <summary>Changes of value and slope of a surface at every row, which is 0 before each line and behind it.</summary>
    private void Take(SurfaceCut cut, int number, int rows, int count)
    {
        var (behind, ahead, perLength) = (cut.Behind, cut.Ahead, deck.PerLength);
        for (var line = 0; line < count; line += rows)
        {
            double slope = 0,
                value = 0;
            for (var row = line; row < line + rows; row++)
            {
                // Between two rows in one place, and behind the last, there is nothing.
                var isPiece = perLength[row] > 0;
                var (from, to) = isPiece ? (ahead[row], behind[row + 1]) : (0, 0);
                var next = (to - from) * perLength[row];
                (jump[row * Most + number], kink[row * Most + number]) = (from - value, next - slope);
                (slope, value) = (next, to);
            }
        }
    }

    /// <summary>How a surface changes at the rows of all lines that wheels follow.</summary>
    public ProfileChanges Of(LoadedSurface surface) => new(jump, kink, Most, surfaces.IndexOf(surface));

    /// <summary>Finds the greatest and the least value of a shape along each run, for all surfaces.</summary>
    public void Search(ShapeOnDeck shape)
    {
        foreach (var surface in surfaces)
            surface.Begin(shape);
        foreach (var run in shape.Runs)
        {
            foreach (var way in shape.Ways(run))
            {
                var found = GroupSweep.Extremes(way.Lead, way.Shape.Lead.Load, jump, kink);
                for (var s = 0; s < surfaces.Count; s++)
                {
                    var (high, low) = GroupSweep.WithoutRounding(found.Greatest[s], found.Least[s]);
                    surfaces[s].Keep(shape, run, new(high, found.AtGreatest[s], double.NaN, way.IsTurned), true);
                    surfaces[s].Keep(shape, run, new(low, found.AtLeast[s], double.NaN, way.IsTurned), false);
                }
            }
        }
    }
}
