using System.Runtime.InteropServices;
using Pravik.Core.Vehicles;

namespace Pravik.Core.Traffic;

/// <summary>A lane chosen to be loaded, while its place across is sought.</summary>
/// <param name="position">The place at which it was chosen.</param>
/// <param name="kind">Its kind, from 0.</param>
/// <param name="load">What loads it.</param>
internal sealed class LoadedLane(LanePositions.Position position, int kind, LaneLoad load)
{
    public LanePositions.Position Position => position;
    public int Kind => kind;
    public LaneLoad Load => load;

    /// <summary>Number of that place.</summary>
    public int Place { get; init; }

    /// <summary>Number of its load among those of the kind.</summary>
    public int Number { get; init; }

    /// <summary>Load on its area less what it takes the place of (N/m²).</summary>
    public double OnArea { get; init; }

    /// <summary>What it adds, above 0.</summary>
    public double Gain { get; set; }

    /// <summary>Offset of its left edge (m).</summary>
    public double From { get; set; }

    /// <summary>The run of its wheels where it was chosen; −1 for none.</summary>
    public int Run { get; set; } = -1;

    /// <summary>Offset of the vehicle's middle (m).</summary>
    public double Offset { get; set; }

    /// <summary>Where the vehicle is, per load.</summary>
    public VehicleExtreme At { get; set; }

    /// <summary>Its wheels, where they can be moved; null where they stay.</summary>
    public MovedWheels? Wheels { get; set; }

    /// <summary>What stands before the value of the vehicle per load.</summary>
    public double OnVehicle { get; set; }

    /// <summary>Whether the lane moves with its vehicle.</summary>
    public bool Moves { get; set; }

    /// <summary>How far from the middle of its lane the vehicle may go (m).</summary>
    public double Aside { get; set; }

    public double To => From + position.Width;
}

/// <summary>The wheels of a vehicle, moved across: the wheel that stood nearest to a row of the mesh keeps its distance from it.</summary>
internal sealed class MovedWheels
{
    private readonly FineRuns runs;
    private readonly int longitudinals;
    private readonly AxleGroup wheels;
    private readonly double lead;
    private readonly InfluenceSurface surface;
    private readonly int[] near;
    private readonly (int Track, int Row, double Station) held;

    /// <param name="run">The run that they were on.</param>
    /// <param name="wheels">Single wheels.</param>
    /// <param name="lead">Place of the leading one (m).</param>
    /// <param name="surface">The surface.</param>
    /// <param name="longitudinals">Joints on a row of the mesh.</param>
    public MovedWheels(WheelRun run, AxleGroup wheels, double lead, InfluenceSurface surface, int longitudinals)
    {
        (runs, this.wheels, this.lead, this.surface, this.longitudinals) = (run.Fine, wheels, lead, surface, longitudinals);
        near = new int[wheels.Behind.Length];
        var least = double.PositiveInfinity;
        for (var i = 0; i < near.Length; i++)
        {
            var (rows, at) = (run.Here[wheels.Track![i]].Station, lead - wheels.Behind[i]);
            var found = Array.BinarySearch(rows, at);
            near[i] = Math.Clamp(found >= 0 ? found : ~found - 1, 0, rows.Length - 1);
            for (var row = near[i]; row <= Math.Min(near[i] + 1, rows.Length - 1); row++)
            {
                if (Math.Abs(rows[row] - at) < least)
                    (least, held) = (Math.Abs(rows[row] - at), (wheels.Track[i], row, rows[row]));
            }
        }
        Value = On(run.Here, lead);
    }

    /// <summary>The value per load where they were.</summary>
    public double Value { get; }

    /// <summary>The value per load with the middle of the vehicle so many steps from the road line, and the place of its front.</summary>
    public (double Value, double Lead) At(int middle)
    {
        var lines = runs.At(middle);
        var front = lead + lines[held.Track].Station[held.Row] - held.Station;
        return (On(lines, front), front);
    }

    private double On(FineLine[] lines, double front) => wheels.Over(surface, lines, front, near, longitudinals);
}

/// <summary>
/// Moves chosen lanes across in steps of 0.01 m about the places at which they were found: those that touch each other as one, and each
/// by itself.
/// </summary>
internal sealed class LaneRefinement(CarriagewayCells cells)
{
    /// <summary>How far lanes are moved, and the first steps (in fine steps); the next are half as long each.</summary>
    private const int Reach = 24;
    private const int Coarse = 8;
    private const double Tiny = 1e-9;

    /// <summary>Moves lanes where that makes them worse; each keeps on its carriageway and clear of its neighbours.</summary>
    /// <param name="lanes">Lanes from the left.</param>
    /// <param name="adverse">Integrals of the adverse parts of the surface from the first cell to each boundary.</param>
    /// <param name="sign">1 for the greatest value, −1 for the least.</param>
    public void Move(List<LoadedLane> lanes, double[] adverse, int sign)
    {
        var all = CollectionsMarshal.AsSpan(lanes);
        for (var from = 0; from < all.Length; from++)
        {
            var to = from;
            while (to + 1 < all.Length && all[to + 1].From - all[to].To < FineLines.Step)
                to++;
            if (to > from)
                Move(all, from, to, adverse, sign);
            from = to;
        }
        for (var i = 0; i < all.Length; i++)
            Move(all, i, i, adverse, sign);
    }

    private void Move(Span<LoadedLane> all, int from, int to, double[] adverse, int sign)
    {
        var block = all[from..(to + 1)];
        foreach (var lane in block)
        {
            if (lane.Wheels is null || (block.Length > 1 && !lane.Moves) || (!lane.Moves && lane.Aside == 0))
                return;
        }
        var (first, carriageway) = (block[0], block[0].Position.Carriageway);
        var (low, high) = cells.Edges(carriageway);
        if (from > 0 && all[from - 1].Position.Carriageway == carriageway)
            low = Math.Max(low, all[from - 1].To);
        if (to + 1 < all.Length && all[to + 1].Position.Carriageway == carriageway)
            high = Math.Min(high, all[to + 1].From);
        var start = (int)Math.Round(first.Offset / FineLines.Step);
        double known = 0;
        foreach (var lane in block)
            known += lane.Gain;
        var (best, at) = (known * (1 + Tiny), int.MinValue);
        void Try(Span<LoadedLane> moved, int middle)
        {
            var gain = Fits(moved, middle, low, high) ? Gain(moved, middle, adverse, sign) : 0;
            if (gain > best)
                (best, at) = (gain, middle);
        }
        Try(block, start - 1);
        Try(block, start + 1);
        // Between lines of the mesh it rises one way or falls both: at the top already it is left there.
        if (at == int.MinValue)
            return;
        var way = Math.Sign(at - start);
        for (var step = Coarse; step <= Reach; step += Coarse)
            Try(block, start + way * step);
        for (var step = Coarse / 2; step > 0; step /= 2)
        {
            var about = at;
            Try(block, about - step);
            Try(block, about + step);
        }
        Set(block, at, adverse, sign);
    }

    /// <summary>The next place for the middle of a lane beside another one, on fine steps.</summary>
    private static int Beside(LoadedLane left, int middle, LoadedLane lane) =>
        (int)Math.Ceiling(middle + (left.Position.Width + lane.Position.Width) / 2 / FineLines.Step - 1e-6);

    /// <summary>Whether lanes that move keep within bounds, and a vehicle that moves alone within its lane.</summary>
    private static bool Fits(Span<LoadedLane> block, int middle, double low, double high)
    {
        if (!block[0].Moves)
            return Math.Abs(middle * FineLines.Step - block[0].From - block[0].Position.Width / 2) <= block[0].Aside + Tiny;
        if (FromOf(block[0], middle) < low - Tiny)
            return false;
        for (var i = 1; i < block.Length; i++)
            middle = Beside(block[i - 1], middle, block[i]);
        return FromOf(block[^1], middle) + block[^1].Position.Width <= high + Tiny;
    }

    private double Gain(Span<LoadedLane> block, int middle, double[] adverse, int sign)
    {
        double sum = 0;
        for (var i = 0; i < block.Length; i++)
        {
            middle = i == 0 ? middle : Beside(block[i - 1], middle, block[i]);
            sum += GainOf(block[i], middle, adverse, sign).Gain;
        }
        return sum;
    }

    private void Set(Span<LoadedLane> block, int middle, double[] adverse, int sign)
    {
        for (var i = 0; i < block.Length; i++)
        {
            var lane = block[i];
            middle = i == 0 ? middle : Beside(block[i - 1], middle, lane);
            var (gain, value, lead) = GainOf(lane, middle, adverse, sign);
            (lane.From, lane.Gain, lane.Offset) = (FromOf(lane, middle), gain, middle * FineLines.Step);
            lane.At = lane.At with { Value = value, Lead = lead };
        }
    }

    private static double FromOf(LoadedLane lane, int middle) => lane.Moves ? middle * FineLines.Step - lane.Position.Width / 2 : lane.From;

    /// <summary>What a lane adds with its vehicle at a place; what does not move stays as it was.</summary>
    private (double Gain, double Value, double Lead) GainOf(LoadedLane lane, int middle, double[] adverse, int sign)
    {
        var (value, lead) = lane.Wheels!.At(middle);
        var (width, carriageway) = (lane.Position.Width, lane.Position.Carriageway);
        var gain = lane.Gain + sign * lane.OnVehicle * (value - lane.At.Value);
        if (lane.Moves)
        {
            var from = FromOf(lane, middle);
            var moved = cells.Area(adverse, carriageway, from, from + width) - cells.Area(adverse, carriageway, lane.From, lane.To);
            gain += sign * lane.OnArea * moved;
        }
        return (gain, value, lead);
    }
}
