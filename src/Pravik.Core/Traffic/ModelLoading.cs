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

    /// <summary>Where the lane at each place begins and ends among cells.</summary>
    private readonly (CarriagewayCells.Place From, CarriagewayCells.Place To)[] spans;

    public ModelLoading(DeckLoading deck, TrafficModel model, LanePositions positions)
    {
        (this.deck, this.positions, Model) = (deck, positions, model);
        arrangement = new(model, positions);
        kinds = [.. model.Kinds.Select((k, number) => k.Loads.Select(l => Placed(k, number, l)).ToArray())];
        spans = [.. positions.All.Select(p => (deck.Across.PlaceOf(p.Carriageway, p.From), deck.Across.PlaceOf(p.Carriageway, p.To)))];
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
    internal readonly record struct Sought(LoadedSurface Surface, bool IsGreatest, bool IsOverPier)
    {
        /// <summary>1 for the greatest value, −1 for the least.</summary>
        public int Sign => IsGreatest ? 1 : -1;
    }

    /// <summary>The value under the worst loading.</summary>
    public double Value(Sought sought, Workspace workspace)
    {
        var (lanes, presence) = Lanes(sought, workspace);
        double ofLanes = 0;
        foreach (var lane in lanes)
            ofLanes += lane.Gain;
        // 0 is added so that nothing is not minus nothing.
        return Model.Rest * sought.Surface.AdverseTo(sought.IsGreatest).To[^1] + sought.Sign * presence * ofLanes + 0.0;
    }

    /// <summary>The worst loading.</summary>
    public PlacedTraffic Worst(Sought sought, Workspace workspace)
    {
        var (lanes, presence) = Lanes(sought, workspace);
        return Tell(lanes, presence, sought.Surface, sought.Surface.AdverseTo(sought.IsGreatest), sought.IsGreatest);
    }

    /// <summary>The worst lanes, moved to their worst places across, and the factor by their number.</summary>
    private (List<LoadedLane> Lanes, double Presence) Lanes(Sought sought, Workspace workspace)
    {
        var (chosen, gains, load) = Choose(sought, workspace);
        List<LoadedLane> lanes = new(chosen.Lanes.Count);
        foreach (var (place, kind) in chosen.Lanes)
        {
            var at = place * kinds.Length + kind;
            lanes.Add(Chosen(place, kind, (int)load[at], gains[at], sought));
        }
        deck.Refinement.Move(lanes, sought.Surface.AdverseTo(sought.IsGreatest).To, sought.Sign);
        return (lanes, chosen.Presence);
    }

    private LoadedLane Chosen(int place, int kind, int load, double gain, Sought sought)
    {
        var (position, lane) = (positions.All[place], kinds[kind][load]);
        var chosen = new LoadedLane(position, kind, lane.Load)
        {
            Number = load,
            Place = place,
            Gain = gain,
            OnArea = lane.Load.Factor * lane.Load.Area - Model.Rest,
            From = position.From,
        };
        if (lane.Shape is not { } shape)
            return chosen;
        var values = sought.Surface.Values(shape, sought.IsGreatest);
        chosen.Run = RunOf(values, lane.Runs[place], sought.Sign);
        chosen.Offset = deck.Runs[chosen.Run].Middle;
        if (shape.IsVaried)
            return chosen;
        var found = values[chosen.Run];
        (chosen.At, chosen.OnVehicle) = (sought.Surface.Worst(shape, chosen.Run, sought.IsGreatest), OnVehicle(lane));
        if (chosen.At.Value != 0)
        {
            // Searched in single precision, worked out in double.
            var wheels = shape.WheelsOf(chosen.Run, chosen.At.IsTurned);
            chosen.Wheels = new(deck.Runs[chosen.Run], wheels, chosen.At.Lead, sought.Surface.Surface, deck.Fine.Longitudinals);
            chosen.At = chosen.At with { Value = chosen.Wheels.Value };
        }
        chosen.Gain += sought.Sign * chosen.OnVehicle * (chosen.At.Value - found);
        if (Model.Rule == LaneRule.Track)
            chosen.Wheels = null;
        // A vehicle that finds its place within its lane does so in a lane that stays.
        var isFree = lane.Runs[place].Length > 1;
        chosen.Aside = isFree ? lane.Runs[place].Max(r => Math.Abs(deck.Runs[r].Middle - position.From - position.Width / 2)) : 0;
        chosen.Moves = !isFree && !lane.HasStrip && Model.Kinds[kind].Lanes.IsEmpty;
        return chosen;
    }

    /// <summary>
    /// The cycles of one passage of each vehicle, in that lane in which the effect ranges most; none of models that load several lanes, and
    /// of vehicles that pass in more than one way.
    /// </summary>
    public IEnumerable<PassageCycles> Cycles(LoadedSurface surface)
    {
        if (kinds.Length != 1 || Model.Kinds[0].Most != 1 || Model.Rest > 0 || Model.Rule == LaneRule.Track)
            yield break;
        foreach (var lane in kinds[0].Where(k => k is { Shape.IsVaried: false, Load.Area: 0, Load.Line: 0 }))
        {
            if (lane.Load.Vehicle is not { StaysOnDeck: false } vehicle)
                continue;
            var (greatest, least) = (surface.Values(lane.Shape!, true), surface.Values(lane.Shape!, false));
            var run = lane.Shape!.Runs.MaxBy(r => greatest[r] - least[r]);
            var ways = lane.Shape.Ways(run).Select(w => Passage(w, deck.Runs[run], surface.Surface).ToList());
            var (passage, ranges) = ways.Select(p => (p, Rainflow.Ranges(p))).MaxBy(w => w.Item2.DefaultIfEmpty(0).First());
            yield return new(vehicle.Name, deck.Runs[run].Middle, [.. ranges.Select(r => OnVehicle(lane) * r)])
            {
                Greatest = OnVehicle(lane) * passage.Append(0).Max(),
                Least = OnVehicle(lane) * passage.Append(0).Min(),
            };
        }
    }

    /// <summary>
    /// The cycles of each vehicle as it passes in that lane along which the surface ranges most: of models whose vehicles pass alone.
    /// </summary>
    public IReadOnlyList<PassageCycles> Follow(LoadedSurface surface)
    {
        var lanes = kinds[0];
        if (lanes.FirstOrDefault()?.Shape is not { Runs: { Count: > 0 } runs })
            return [];
        // Lines lie a quarter of a metre apart: every other one is near enough.
        var run = runs.Where((_, i) => i % 2 == 0).MaxBy(surface.RangeAlong);
        var passage = new LorryPassage(surface.Profile(run));
        return [.. lanes.Select(lane => passage.Of(lane.Load.Vehicle!, lane.Load.Factor * lane.Load.Dynamic, deck.Runs[run].Middle))];
    }

    /// <summary>What a vehicle does per load as it passes, just behind and just ahead of each place at which a wheel meets a row.</summary>
    private IEnumerable<double> Passage(VehicleWay way, WheelRun run, InfluenceSurface surface)
    {
        double At(double place) => way.Shape.Lead.Over(surface, run.Here, place, [], deck.Fine.Longitudinals);
        return way.Lead.Select(m => m.Place).Distinct().SelectMany(p => new[] { At(p - GroupSweep.Nudge), At(p + GroupSweep.Nudge) });
    }

    /// <summary>What stands before the value of a vehicle per load.</summary>
    private static double OnVehicle(PlacedLoad lane) =>
        lane.Load.Factor * lane.Load.Dynamic * (lane.Shape is null ? 1 : lane.Load.Vehicle!.AxleLoad);

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
        var onVehicle = OnVehicle(lane);
        RunValues? values = lane.Shape is null ? null : surface.Values(lane.Shape, isGreatest);
        for (var p = 0; p < positions.All.Count; p++)
        {
            if (!positions.All[p].Takes(kind, Model.Kinds[kind]))
                continue;
            var value = onArea * areas[p];
            if (values is { } along)
                value += onVehicle * along[RunOf(along, lane.Runs[p], sign)];
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
    private static int RunOf(RunValues values, int[] runs, int sign)
    {
        var worst = runs[0];
        for (var i = 1; i < runs.Length; i++)
            worst = sign * values[runs[i]] > sign * values[worst] ? runs[i] : worst;
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
            var gain = sign * deck.Across.Area(adverse.To, place.Carriageway, from, from + width);
            if (gain > best.Gain)
                best = (from, gain);
        }
        return (best.From, width, load.Line / width, sign * best.Gain * load.Line / width);
    }

    private PlacedTraffic Tell(
        List<LoadedLane> lanes,
        double presence,
        LoadedSurface surface,
        LoadedSurface.Adverse adverse,
        bool isGreatest
    )
    {
        double vehicles = 0,
            distributed = Model.Rest * adverse.To[^1];
        var placed = ImmutableArray.CreateBuilder<PlacedLane>(lanes.Count);
        foreach (var of in lanes)
        {
            var (place, lane, sign) = (of.Position, kinds[of.Kind][of.Number], isGreatest ? 1 : -1);
            var (load, run, vehicle) = (lane.Load, of.Run, default(PlacedVehicle));
            var offset = run >= 0 ? of.Offset : place.From + place.Width / 2;
            if (lane.Shape is { } shape)
            {
                var at = shape.IsVaried ? surface.Worst(shape, run, isGreatest) : of.At;
                if (at.Value != 0)
                    vehicle = PlacedVehicle.At(load.Vehicle!, at, shape.IsOnlyWorsening ? surface.Profile(run) : null, isGreatest);
            }
            else if (lane.IsTrain)
            {
                (run, vehicle) = Train(lane, of.Place, surface, isGreatest);
                offset = run >= 0 ? deck.Runs[run].Middle : offset;
            }
            var strip = lane.HasStrip ? StripOf(load, place, adverse, sign) : default;
            // A factor by number of lanes counts on what the lane adds to the rest.
            var onArea = of.OnArea * deck.Across.Area(adverse.To, place.Carriageway, of.From, of.From + place.Width);
            vehicles += presence * load.Factor * load.Dynamic * (vehicle?.Value ?? 0);
            distributed += presence * (onArea + load.Factor * strip.Gain);
            placed.Add(
                new(of.Kind + 1, of.From, place.Width, load)
                {
                    Vehicle = vehicle,
                    Run = run,
                    Offset = offset,
                    Uneven = Model.Uneven,
                    Strip = strip.Load > 0 ? (strip.From, strip.Width, strip.Load) : null,
                }
            );
        }
        return new(vehicles, distributed, presence, Model.Rest, placed.DrainToImmutable());
    }
}
