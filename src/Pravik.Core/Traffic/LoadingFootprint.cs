namespace Pravik.Core.Traffic;

/// <summary>What a loading puts on a deck: wheels, loads along runs, and loads on the adverse parts of cells.</summary>
internal sealed class LoadingFootprint
{
    private readonly DeckLoading deck;
    private readonly LoadedSurface.Adverse adverse;
    private readonly List<(WheelPlace At, double Load)> wheels = [];
    private readonly List<(int Run, double From, double To, double Load)> lines = [];
    private readonly double[] cells;

    /// <param name="deck">The deck.</param>
    /// <param name="placed">The loading.</param>
    /// <param name="adverse">Adverse parts of the surface for which it was sought.</param>
    public LoadingFootprint(DeckLoading deck, PlacedTraffic placed, LoadedSurface.Adverse adverse)
    {
        (this.deck, this.adverse) = (deck, adverse);
        cells = [.. deck.Cells.Select(c => placed.Rest * c.Width)];
        foreach (var lane in placed.Lanes)
        {
            var factor = placed.Presence * lane.Load.Factor;
            AddOnCells(lane.From, lane.From + lane.Width, factor * lane.Load.Area - placed.Presence * placed.Rest);
            if (lane.Strip is { } strip)
                AddOnCells(strip.From, strip.From + strip.Width, factor * strip.Load);
            if (lane.Vehicle is not { } vehicle)
                continue;
            foreach (var line in vehicle.Lines)
                lines.Add((lane.Run, line.From, line.To, factor * lane.Load.Dynamic * line.Load));
            foreach (var wheel in lane.Wheels)
            {
                var at = deck.Fine.At(wheel.Offset).At(wheel.Station, 0);
                if (at.Row >= 0)
                    wheels.Add((at, factor * lane.Load.Dynamic * wheel.Load));
            }
        }
    }

    /// <summary>Load per metre of each cell (N/m).</summary>
    public ReadOnlySpan<double> Cells => cells;

    private void AddOnCells(double from, double to, double load)
    {
        for (var i = 0; i < cells.Length; i++)
        {
            var cell = deck.Cells[i];
            cells[i] += load * Math.Max(0, Math.Min(cell.From + cell.Width, to) - Math.Max(cell.From, from));
        }
    }

    /// <summary>What it does to a surface.</summary>
    public double Over(LoadedSurface other)
    {
        double sum = 0;
        foreach (var (at, load) in wheels)
            sum += load * at.Read(other.Surface, deck.Fine.Longitudinals);
        foreach (var (run, from, to, load) in lines)
            sum += load * (other.Profile(run).Integral(to) - other.Profile(run).Integral(from));
        var integrals = adverse.Of(other);
        for (var i = 0; i < cells.Length; i++)
            sum += cells[i] * integrals[i];
        return sum;
    }
}
