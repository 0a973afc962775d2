using System.Collections.Immutable;
using Pravik.Core.Vehicles;

namespace Pravik.Core.Traffic;

/// <summary>
/// Puts a traffic model where it is worst for an influence surface: lanes that do not overlap, each with the worst of its loads, the
/// factors by their number, and loads on adverse parts. Which model it is stands in the data alone.
/// </summary>
internal sealed class ModelLoading
{
    private readonly DeckLoading deck;
    private readonly LanePositions positions;
    private readonly LaneArrangement arrangement;

    /// <summary>Loads of every kind of lane.</summary>
    private readonly PlacedLoad[][] kinds;

    /// <summary>The first cell of each carriageway, and the number of all.</summary>
    private readonly int[] firstCell;

    /// <summary>Where the lane at each place begins and ends among cells.</summary>
    private readonly (CellPlace From, CellPlace To)[] spans;

    public ModelLoading(DeckLoading deck, TrafficModel model, LanePositions positions)
    {
        (this.deck, this.positions, Model) = (deck, positions, model);
        arrangement = new(model, positions);
        kinds = [.. model.Kinds.Select((k, number) => k.Loads.Select(l => Placed(k, number, l)).ToArray())];
        var cells = deck.Cells;
        var carriageways = cells.IsEmpty ? 0 : cells[^1].Carriageway + 1;
        firstCell = [.. Enumerable.Range(0, carriageways + 1).Select(c => cells.Count(x => x.Carriageway < c))];
        spans = [.. positions.All.Select(p => (PlaceOf(p.Carriageway, p.From), PlaceOf(p.Carriageway, p.To)))];
    }

    /// <summary>A place across the deck among cells.</summary>
    /// <param name="Cell">The cell, −1 for none.</param>
    /// <param name="Part">How far from its left edge, as a part of its width.</param>
    private readonly record struct CellPlace(int Cell, double Part)
    {
        /// <summary>An integral from the first cell to here, by those to each boundary.</summary>
        public double Of(double[] to) => Cell < 0 ? 0 : to[Cell] + Part * (to[Cell + 1] - to[Cell]);
    }

    private CellPlace PlaceOf(int carriageway, double offset)
    {
        if (carriageway < 0 || carriageway + 1 >= firstCell.Length)
            return new(-1, 0);
        var (first, last) = (firstCell[carriageway], firstCell[carriageway + 1]);
        var place = Math.Clamp((offset - deck.Cells[first].From) / deck.Cells[first].Width, 0, last - first);
        var cell = Math.Min((int)place, last - first - 1);
        return new(first + cell, place - cell);
    }

    /// <summary>The model.</summary>
    public TrafficModel Model { get; }

    /// <summary>A load of a lane on this deck.</summary>
    /// <param name="Load">The load.</param>
    /// <param name="Shape">Shape of its vehicle; null where it is not placed by its axles alone.</param>
    /// <param name="Runs">The runs that its wheels may take, by place of the lane.</param>
    private sealed record PlacedLoad(LaneLoad Load, ShapeOnDeck? Shape, int[][] Runs)
    {
        /// <summary>Its parts as they meet stations, where it is placed so; null for others.</summary>
        public TrainOnDeck? Train { get; init; }

        public bool IsTrain => Shape is null && (Load.RunsOnWheels || Load.Vehicle is not null);

        public bool HasStrip => Load.LineWidth > 0 && Load.Line > 0;
    }

    private PlacedLoad Placed(LaneKind kind, int number, LaneLoad load)
    {
        var wheels = LanePositions.WheelsOf(Model, kind, load);
        int[][] runs =
        [
            .. positions.All.Select(p => p.Takes(number, kind) ? p.Runs.Where(r => r.Wheels == wheels).Select(r => r.Run).ToArray() : []),
        ];
        var isShape = load.Vehicle is { Axles.IsEmpty: false, Stretches.IsEmpty: true } && !load.RunsOnWheels;
        return new(load, isShape ? deck.ShapeOf(load.Vehicle!, runs.SelectMany(r => r)) : null, runs)
        {
            Train = !isShape && TrainOnDeck.Takes(load) ? new(load, deck, runs.SelectMany(r => r)) : null,
        };
    }

    /// <summary>What is sought: the greatest or the least value of a surface.</summary>
    /// <param name="Surface">The surface.</param>
    /// <param name="IsGreatest">Which value.</param>
    /// <param name="IsOverPier">Whether loads for hogging moments and reactions of piers apply.</param>
    internal readonly record struct Sought(LoadedSurface Surface, bool IsGreatest, bool IsOverPier);

    /// <summary>The value under the worst loading.</summary>
    public double Value(Sought sought, Workspace workspace)
    {
        var (chosen, gains, _) = Choose(sought, workspace);
        double ofLanes = 0;
        foreach (var (place, kind) in chosen.Lanes)
            ofLanes += gains[place * kinds.Length + kind];
        var onRest = Model.Rest * sought.Surface.AdverseTo(sought.IsGreatest).To[^1];
        return onRest + (sought.IsGreatest ? 1 : -1) * chosen.Presence * ofLanes;
    }

    /// <summary>The worst loading.</summary>
    public PlacedTraffic Worst(Sought sought, Workspace workspace)
    {
        var (chosen, _, load) = Choose(sought, workspace);
        return Tell(
            [.. chosen.Lanes.Select(l => (l.Place, l.Kind, (int)load[l.Place * kinds.Length + l.Kind]))],
            chosen.Presence,
            sought.Surface,
            sought.Surface.AdverseTo(sought.IsGreatest),
            sought.IsGreatest
        );
    }

    /// <summary>
    /// The worst lanes, with the most that a lane of each kind adds at each place, and the number of its load that does (place times kinds
    /// plus kind).
    /// </summary>
    private ((List<(int Place, int Kind)> Lanes, double Presence) Chosen, double[] Gains, double[] Load) Choose(
        Sought sought,
        Workspace workspace
    )
    {
        var (surface, isGreatest, isOverPier) = sought;
        var (adverse, count) = (surface.AdverseTo(isGreatest), positions.All.Count);
        var areas = workspace.Take(count);
        for (var p = 0; p < count; p++)
            areas[p] = spans[p].To.Of(adverse.To) - spans[p].From.Of(adverse.To);
        var (gains, load) = (workspace.Take(count * kinds.Length), workspace.Take(count * kinds.Length));
        Array.Clear(gains, 0, count * kinds.Length);
        for (var k = 0; k < kinds.Length; k++)
        {
            for (var l = 0; l < kinds[k].Length; l++)
            {
                if (isOverPier || !kinds[k][l].Load.OnlyOverPiers)
                    AddGains(kinds[k][l], l, k, surface, adverse, areas, isGreatest, gains, load);
            }
        }
        return (arrangement.Worst(gains, workspace), gains, load);
    }

    private void AddGains(
        PlacedLoad lane,
        int number,
        int kind,
        LoadedSurface surface,
        LoadedSurface.Adverse adverse,
        double[] areas,
        bool isGreatest,
        double[] gains,
        double[] chosen
    )
    {
        var (load, sign) = (lane.Load, isGreatest ? 1 : -1);
        // Its own load on the lane, less what it takes the place of on the rest of the carriageway.
        var onArea = load.Factor * load.Area - Model.Rest;
        var onVehicle = load.Factor * load.Dynamic * (lane.Shape is null ? 1 : load.Vehicle!.AxleLoad);
        var extremes = lane.Shape is null ? null : surface.Worst(lane.Shape, isGreatest);
        for (var p = 0; p < positions.All.Count; p++)
        {
            if (!positions.All[p].Takes(kind, Model.Kinds[kind]))
                continue;
            var value = onArea * areas[p];
            if (extremes is not null)
                value += onVehicle * extremes[RunOf(extremes, lane.Runs[p], sign)].Value;
            else if (lane.IsTrain)
                value += onVehicle * TrainValue(lane, p, surface, isGreatest);
            if (lane.HasStrip)
                value += load.Factor * StripOf(load, positions.All[p], adverse, sign).Gain;
            var at = p * kinds.Length + kind;
            if (sign * value > gains[at])
                (gains[at], chosen[at]) = (sign * value, number);
        }
    }

    /// <summary>Of the runs within a lane the one along which a vehicle is worst.</summary>
    private static int RunOf(VehicleExtreme[] extremes, int[] runs, int sign)
    {
        var worst = runs[0];
        for (var i = 1; i < runs.Length; i++)
            worst = sign * extremes[runs[i]].Value > sign * extremes[worst].Value ? runs[i] : worst;
        return worst;
    }

    /// <summary>What a train gives where it is worst within a lane.</summary>
    private static double TrainValue(PlacedLoad lane, int place, LoadedSurface surface, bool isGreatest)
    {
        var (load, sign, worst) = (lane.Load, isGreatest ? 1 : -1, 0.0);
        if (lane.Train is null && load.Vehicle is not null)
            return Train(lane, place, surface, isGreatest).Train?.Value ?? 0;
        foreach (var run in lane.Runs[place])
        {
            var profile = surface.Train(run);
            var value = lane.Train?.Worst(profile, run, sign).Value ?? load.LineOnWheels * profile.Adverse(sign).Total;
            worst = sign * value > sign * worst ? value : worst;
        }
        return worst;
    }

    /// <summary>A vehicle with stretches or with a line load along its wheels, where it is worst within a lane.</summary>
    private static (int Run, PlacedVehicle? Train) Train(PlacedLoad lane, int place, LoadedSurface surface, bool isGreatest)
    {
        var (load, sign) = (lane.Load, isGreatest ? 1 : -1);
        var line = load.LineOnWheels;
        (int Run, PlacedVehicle? Train) worst = (-1, null);
        foreach (var run in lane.Runs[place])
        {
            var placing = new VehiclePlacing(surface.Profile(run), isGreatest);
            var found =
                load.Vehicle is not { } vehicle ? placing.LineAlone(line)
                : lane.Train is null ? placing.Worst(vehicle, line, load.LineClear ?? 0)
                : lane.Train.Worst(surface.Train(run), run, sign) is { Value: not 0 } at
                    ? placing.At(vehicle, at.At, at.IsTurned ? -1 : 1, line, load.LineClear ?? 0)
                : null;
            if (found is not null && sign * found.Value > sign * (worst.Train?.Value ?? 0))
                worst = (run, found);
        }
        return worst;
    }

    /// <summary>Where within the lane a line load over a width is worst: in the middle or at either edge; and what it adds.</summary>
    private (double From, double Width, double Load, double Gain) StripOf(
        LaneLoad load,
        LanePositions.Position place,
        LoadedSurface.Adverse adverse,
        int sign
    )
    {
        var width = Math.Min(load.LineWidth, place.Width);
        var (room, best) = (place.Width - width, (From: place.From, Gain: double.NegativeInfinity));
        foreach (var from in stackalloc[] { place.From + room / 2, place.From, place.From + room })
        {
            var gain = sign * Area(adverse, place.Carriageway, from, from + width);
            if (gain > best.Gain)
                best = (from, gain);
        }
        return (best.From, width, load.Line / width, sign * best.Gain * load.Line / width);
    }

    private PlacedTraffic Tell(
        List<(int Place, int Kind, int Load)> lanes,
        double presence,
        LoadedSurface surface,
        LoadedSurface.Adverse adverse,
        bool isGreatest
    )
    {
        double vehicles = 0,
            distributed = Model.Rest * adverse.To[^1];
        var placed = ImmutableArray.CreateBuilder<PlacedLane>(lanes.Count);
        foreach (var (p, k, l) in lanes)
        {
            var (place, lane, sign) = (positions.All[p], kinds[k][l], isGreatest ? 1 : -1);
            var (load, run, vehicle) = (lane.Load, -1, default(PlacedVehicle));
            if (lane.Shape is { } shape)
            {
                run = RunOf(surface.Worst(shape, isGreatest), lane.Runs[p], sign);
                if (surface.Placed(shape, run, isGreatest) is { Value: not 0 } at)
                    vehicle = PlacedVehicle.At(load.Vehicle!, at, shape.IsOnlyWorsening ? surface.Profile(run) : null, isGreatest);
            }
            else if (lane.IsTrain)
                (run, vehicle) = Train(lane, p, surface, isGreatest);
            var strip = lane.HasStrip ? StripOf(load, place, adverse, sign) : default;
            // A factor by number of lanes counts on what the lane adds to the rest.
            var onArea = (load.Factor * load.Area - Model.Rest) * Area(adverse, place.Carriageway, place.From, place.To);
            vehicles += presence * load.Factor * load.Dynamic * (vehicle?.Value ?? 0);
            distributed += presence * (onArea + load.Factor * strip.Gain);
            placed.Add(
                new(k + 1, place.From, place.Width, load)
                {
                    Vehicle = vehicle,
                    Run = run,
                    Offset = run >= 0 ? deck.Runs[run].Middle : place.From + place.Width / 2,
                    Strip = strip.Load > 0 ? (strip.From, strip.Width, strip.Load) : null,
                }
            );
        }
        return new(vehicles, distributed, presence, Model.Rest, placed.DrainToImmutable());
    }

    /// <summary>What a loading is: wheels on rows of the grid, loads along runs, and on the adverse parts of cells.</summary>
    /// <param name="Wheels">Number of a row, the part of the piece ahead of it, and the load (N).</param>
    /// <param name="Lines">Loads along runs (N/m) between stations.</param>
    /// <param name="Cells">Load per metre of each cell (N/m).</param>
    /// <param name="Adverse">Adverse parts of the surface for which it was sought.</param>
    internal sealed record Footprint(
        List<(int Row, double Part, double Load)> Wheels,
        List<(int Run, double From, double To, double Load)> Lines,
        double[] Cells,
        LoadedSurface.Adverse Adverse
    );

    /// <summary>What a loading is on this deck.</summary>
    public Footprint FootprintOf(PlacedTraffic placed, LoadedSurface.Adverse adverse)
    {
        var (cells, offDeck) = (deck.Cells, deck.Grid.OffDeck);
        var print = new Footprint([], [], new double[cells.Length], adverse);
        for (var i = 0; i < cells.Length; i++)
            print.Cells[i] = Model.Rest * cells[i].Width;
        foreach (var lane in placed.Lanes)
        {
            var factor = placed.Presence * lane.Load.Factor;
            AddOnCells(print.Cells, lane.From, lane.From + lane.Width, factor * lane.Load.Area - placed.Presence * Model.Rest);
            if (lane.Strip is { } strip)
                AddOnCells(print.Cells, strip.From, strip.From + strip.Width, factor * strip.Load);
            if (lane.Vehicle is not { } vehicle)
                continue;
            var run = deck.Runs[lane.Run];
            foreach (var line in vehicle.Lines)
                print.Lines.Add((lane.Run, line.From, line.To, factor * lane.Load.Dynamic * line.Load));
            foreach (var (station, load) in vehicle.Axles)
            {
                foreach (var wheel in stackalloc[] { run.Left, run.Right })
                {
                    var (row, part) = new RowPlaces(deck.Lines[wheel], wheel).At(station, false, offDeck);
                    if (row != offDeck)
                        print.Wheels.Add((row, part, factor * lane.Load.Dynamic * load / 2));
                }
            }
        }
        return print;
    }

    private void AddOnCells(double[] loads, double from, double to, double load)
    {
        for (var i = 0; i < loads.Length; i++)
        {
            var cell = deck.Cells[i];
            loads[i] += load * Math.Max(0, Math.Min(cell.From + cell.Width, to) - Math.Max(cell.From, from));
        }
    }

    /// <summary>What a loading does to a surface.</summary>
    public double Over(Footprint print, LoadedSurface other)
    {
        double sum = 0;
        foreach (var (row, part, load) in print.Wheels)
            sum += load * deck.Grid.Read(other.Surface, row, part);
        foreach (var (run, from, to, load) in print.Lines)
            sum += load * (other.Profile(run).Integral(to) - other.Profile(run).Integral(from));
        var integrals = print.Adverse.Of(other);
        for (var i = 0; i < print.Cells.Length; i++)
            sum += print.Cells[i] * integrals[i];
        return sum;
    }

    /// <summary>Adverse integral over a width of a carriageway.</summary>
    private double Area(LoadedSurface.Adverse adverse, int carriageway, double from, double to) =>
        PlaceOf(carriageway, to).Of(adverse.To) - PlaceOf(carriageway, from).Of(adverse.To);
}
