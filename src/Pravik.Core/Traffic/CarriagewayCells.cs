using System.Collections.Immutable;

namespace Pravik.Core.Traffic;

/// <summary>The cells into which carriageways are cut along the bridge, and integrals across them.</summary>
internal sealed class CarriagewayCells
{
    private readonly ImmutableArray<(int Carriageway, double From, double Width)> cells;

    /// <summary>The first cell of each carriageway, and the number of all.</summary>
    private readonly int[] first;

    /// <param name="cells">Cells from the left: their left edges and widths (m).</param>
    public CarriagewayCells(ImmutableArray<(int Carriageway, double From, double Width)> cells)
    {
        this.cells = cells;
        var carriageways = cells.IsEmpty ? 0 : cells[^1].Carriageway + 1;
        first = [.. Enumerable.Range(0, carriageways + 1).Select(c => cells.Count(x => x.Carriageway < c))];
    }

    /// <summary>A place across the deck among cells.</summary>
    /// <param name="Cell">The cell, −1 for none.</param>
    /// <param name="Part">How far from its left edge, as a part of its width.</param>
    public readonly record struct Place(int Cell, double Part)
    {
        /// <summary>An integral from the first cell to here, by those to each boundary.</summary>
        public double Of(double[] to) => Cell < 0 ? 0 : to[Cell] + Part * (to[Cell + 1] - to[Cell]);
    }

    /// <summary>An offset (m) among the cells of a carriageway; beyond its edges it is taken to them.</summary>
    public Place PlaceOf(int carriageway, double offset)
    {
        if (carriageway < 0 || carriageway + 1 >= first.Length)
            return new(-1, 0);
        var (from, to) = (first[carriageway], first[carriageway + 1]);
        var place = Math.Clamp((offset - cells[from].From) / cells[from].Width, 0, to - from);
        var cell = Math.Min((int)place, to - from - 1);
        return new(from + cell, place - cell);
    }

    /// <summary>An integral over a width of a carriageway, by those from the first cell to each boundary.</summary>
    public double Area(double[] to, int carriageway, double from, double until) =>
        PlaceOf(carriageway, until).Of(to) - PlaceOf(carriageway, from).Of(to);

    /// <summary>Left and right edge of a carriageway (m).</summary>
    public (double From, double To) Edges(int carriageway)
    {
        if (carriageway < 0 || carriageway + 1 >= first.Length)
            return (double.NegativeInfinity, double.PositiveInfinity);
        var last = cells[first[carriageway + 1] - 1];
        return (cells[first[carriageway]].From, last.From + last.Width);
    }
}
