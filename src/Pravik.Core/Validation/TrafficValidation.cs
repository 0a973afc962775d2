using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Codes;
using Pravik.Core.Places;
using Pravik.Core.Units;
using Pravik.Core.Vehicles;

namespace Pravik.Core.Validation;

/// <summary>Bounds of what drives on the bridge.</summary>
internal static class TrafficValidation
{
    private const int MostModels = 40;
    private const int MostVehicles = 60;
    private const int MostAxles = 60;
    private const int MostCarriageways = 6;
    private const int MostTracks = 8;
    private const int MostLanes = 12;
    private const int MostWheels = 12;
    private const double MostAcross = 3;

    /// <summary>JSON can leave null where a part must stand.</summary>
    public static void CheckLists(Bridge bridge, Bounds bounds)
    {
        if (bridge.Traffic is not { } traffic)
            bounds.Error("/traffic", "This part is missing.");
        else if (
            !IsWhole(traffic.Models)
            || traffic.Rail is null
            || traffic.Rail.Tracks.IsDefault
            || traffic.Rail.Tracks.Contains(null!)
            || traffic.Carriageways.IsDefault
            || traffic.Carriageways.Contains(null!)
            || traffic.Vehicles.IsDefault
            || traffic.Vehicles.Any(v =>
                v?.Name is null
                || v.Axles.IsDefault
                || v.Axles.Any(a => a is null || a.Wheels.IsDefault)
                || v.Stretches.IsDefault
                || v.Stretches.Contains(null!)
            )
        )
            bounds.Error("/traffic", "A list, or an item of one, is missing.");
    }

    public static void Check(Bridge bridge, Bounds bounds)
    {
        var traffic = bridge.Traffic;
        if (traffic.Models.Length > MostModels)
            bounds.Error("/traffic/models", $"At most {MostModels} models and vehicles act at one time.");
        if (traffic.Vehicles.Length > MostVehicles)
            bounds.Error("/traffic/vehicles", $"A project has at most {MostVehicles} own vehicles.");
        if (traffic.Carriageways.Length > MostCarriageways)
            bounds.Error("/traffic/carriageways", $"A bridge has at most {MostCarriageways} typed carriageways.");
        for (var i = 0; i < traffic.Carriageways.Length; i++)
        {
            var (typed, path) = (traffic.Carriageways[i], $"/traffic/carriageways/{i}");
            bounds.Known($"{path}/fromOf", typed.FromOf);
            bounds.Known($"{path}/toOf", typed.ToOf);
            bounds.Check($"{path}/from", typed.From);
            bounds.Check($"{path}/to", typed.To);
        }
        bounds.Check("/traffic/speed", traffic.Speed);
        bounds.Check("/traffic/uneven", traffic.Uneven);
        Rail(bridge, bounds);
        var names = TrafficModels.All(bridge.Basis.Values).Select(m => m.Name).ToHashSet(StringComparer.OrdinalIgnoreCase);
        for (var i = 0; i < traffic.Vehicles.Length; i++)
            Vehicle(traffic.Vehicles[i], $"/traffic/vehicles/{i}", names, bounds);
        for (var i = 0; i < traffic.Models.Length; i++)
        {
            var (name, path) = (traffic.Models[i].Name, $"/traffic/models/{i}/name");
            bounds.Text(path, name);
            if (!names.Contains(name.Trim()))
                bounds.Warning(path, $"“{name}” is no traffic model and no own vehicle: it loads nothing.");
            Use(traffic.Models[i], $"/traffic/models/{i}", bounds);
        }
    }

    /// <summary>Whether no list or item of what drives is missing.</summary>
    public static bool IsWhole(ImmutableArray<TrafficUse> uses) =>
        !uses.IsDefault && uses.All(m => m?.Name is not null && !m.Lanes.IsDefault && !m.Lanes.Contains(null!));

    /// <summary>What drives in a stage.</summary>
    public static void InStage(Bridge bridge, Stage stage, string path, Bounds bounds)
    {
        if (stage.Traffic.Length > MostModels)
            bounds.Error(path, $"At most {MostModels} models and vehicles act in a stage.");
        for (var i = 0; i < stage.Traffic.Length; i++)
        {
            var use = stage.Traffic[i];
            bounds.Text($"{path}/{i}/name", use.Name);
            Use(use, $"{path}/{i}", bounds);
            if (TrafficModels.Named(use.Name, bridge.Basis.Values, bridge.Traffic.Vehicles) is null)
                bounds.Warning($"{path}/{i}/name", $"“{use.Name}” is no traffic model and no own vehicle: it loads nothing.");
        }
    }

    private static void Use(TrafficUse use, string path, Bounds bounds)
    {
        bounds.Check($"{path}/margin", use.Margin);
        bounds.Check($"{path}/dynamic", use.Dynamic);
        if (use.Lanes.Length > MostLanes)
            bounds.Error($"{path}/lanes", $"A model has at most {MostLanes} lanes of its own.");
        for (var i = 0; i < use.Lanes.Length; i++)
        {
            bounds.Check($"{path}/lanes/{i}/from", use.Lanes[i].From);
            bounds.Check($"{path}/lanes/{i}/width", use.Lanes[i].Width);
        }
    }

    /// <summary>Own lanes of models that overlap or lie off the carriageways, and margins that leave no room.</summary>
    public static void Lanes(Bridge bridge, BridgeGeometry geometry, UnitSystem units, Bounds bounds)
    {
        string Words(double length) => units.FormatWithUnit(length, QuantityKind.Length);
        for (var m = 0; m < bridge.Traffic.Models.Length; m++)
        {
            var (use, path) = (bridge.Traffic.Models[m], $"/traffic/models/{m}");
            var lanes = use.Lanes;
            for (var i = 0; i < lanes.Length; i++)
            {
                var (from, to) = (lanes[i].From, lanes[i].From + lanes[i].Width);
                if (lanes.Take(i).Any(b => from < b.From + b.Width - 1e-6 && b.From < to - 1e-6))
                    bounds.Warning(
                        $"{path}/lanes/{i}/from",
                        $"Lane {i + 1} of {use.Name} overlaps another one: only one of them is loaded at a time."
                    );
                if (!geometry.Carriageways.Any(c => from >= c.From - 1e-6 && to <= c.To + 1e-6))
                    bounds.Warning(
                        $"{path}/lanes/{i}/from",
                        $"Lane {i + 1} of {use.Name} lies off the carriageways: it is loaded as typed.",
                        string.Join("; ", geometry.Carriageways.Select(c => $"a carriageway from {Words(c.From)} to {Words(c.To)}"))
                    );
            }
            if (TrafficModels.Named(use.Name, bridge.Basis.Values, bridge.Traffic.Vehicles) is not { } model)
                continue;
            if (
                (model.Rule == LaneRule.Track || model.Kinds.IsEmpty)
                && (!lanes.IsEmpty || use.Margin is not null || use.Dynamic is not null)
            )
                bounds.Warning(
                    $"{path}/name",
                    model.Kinds.IsEmpty
                        ? $"{use.Name} has no vehicles in lanes: lanes, margin and dynamic factor typed for it do not count."
                        : $"{use.Name} goes on tracks with the factors of railway traffic: what is typed for its lanes does not count."
                );
            var wide = model.Kinds.Max(k => (int?)k.Wide) ?? 1;
            if (
                wide > 1
                && lanes.IsEmpty
                && geometry.Carriageways.All(c => NotionalLanes.On(c.Width, bridge.Basis.Values["laneWidth"]).Count < wide)
            )
                bounds.Warning(
                    $"{path}/name",
                    $"{use.Name} takes {wide} lanes side by side, and no carriageway has as many: it loads nothing.",
                    "It can be given a lane of its own (Loads, Lanes)."
                );
            if (use.Margin is not { } margin || model.Rule == LaneRule.Track)
                continue;
            var widths = lanes.IsEmpty ? [model.LaneWidth] : lanes.Select(l => l.Width);
            var wheels = 2 * model.Kinds.SelectMany(k => k.Loads).Max(l => l.Vehicle?.HalfWidth) ?? 0;
            if (widths.Min() < wheels + 2 * margin - 1e-9)
                bounds.Warning(
                    $"{path}/margin",
                    $"A margin of {Words(margin)} leaves wheels {Words(wheels)} apart no room in a lane of {Words(widths.Min())}: "
                        + $"{use.Name} goes in its middle."
                );
        }
        var turns = geometry.Stations(20).Any(s => geometry.Road.Line.Curvature(s) != 0);
        if (bridge.Basis.Standard == Standard.Lrfd && bridge.Traffic.Speed is null && turns)
            bounds.Warning(
                "/traffic/speed",
                "The road turns on the deck, and no speed is typed: centrifugal forces (AASHTO LRFD 3.6.3) are left out."
            );
        for (var c = 0; c < geometry.Carriageways.Length; c++)
        {
            var (carriageway, width) = (geometry.Carriageways[c], bridge.Basis.Values["laneWidth"]);
            if (carriageway.Width < width - 1e-6)
                bounds.Warning(
                    "/traffic/carriageways",
                    $"Carriageway {c + 1}, {Words(carriageway.Width)}, is narrower than a lane of {Words(width)}: "
                        + "the lane is as wide as it."
                );
        }
    }

    private static void Rail(Bridge bridge, Bounds bounds)
    {
        var rail = bridge.Traffic.Rail;
        if (rail.Tracks.Length > MostTracks)
            bounds.Error("/traffic/rail/tracks", $"A bridge has at most {MostTracks} tracks.");
        bounds.Check("/traffic/rail/alpha", rail.Alpha);
        bounds.Check("/traffic/rail/dynamic", rail.Dynamic);
        bounds.Check("/traffic/rail/sleepers", rail.Sleepers);
        bounds.Check("/traffic/rail/gauge", rail.Gauge);
        bounds.Check("/traffic/rail/ballast", rail.Ballast);
        bounds.Check("/traffic/rail/sleeperLength", rail.SleeperLength);
        bounds.Check("/traffic/rail/sleeperWidth", rail.SleeperWidth);
        if (rail.SleeperLength < rail.Gauge)
            bounds.Error("/traffic/rail/sleeperLength", "Sleepers are at least as long as the rails are apart.");
        if (rail.Sleepers is { } spacing && spacing < rail.SleeperWidth)
            bounds.Error("/traffic/rail/sleepers", "Sleepers are at least as far apart as they are wide.");
        bounds.Check("/traffic/rail/speed", rail.Speed);
        bounds.Check("/traffic/rail/level", rail.Level);
        bounds.Known("/traffic/rail/care", rail.Care);
        for (var i = 0; i < rail.Tracks.Length; i++)
            bounds.Check($"/traffic/rail/tracks/{i}/offset", rail.Tracks[i].Offset);
        var named = bridge.Traffic.Models.Select(m => TrafficModels.Named(m.Name, bridge.Basis.Values, bridge.Traffic.Vehicles)).ToList();
        var trains = named.Where(m => m?.Role == TrafficRole.Rail).Select(m => m!.Name).ToList();
        if (trains.Count > 0 && rail is { Care: TrackCare.None, Dynamic: null })
            bounds.Warning(
                "/traffic/rail/care",
                $"No dynamic factor is applied to {string.Join(", ", trains)}.",
                "EN 1991-2 6.4.5: Φ₂ or Φ₃ by how the track is kept."
            );
        for (var i = 0; i < named.Count; i++)
        {
            if (named[i] is { } shown && !TrafficModels.IsCombined(bridge.Basis.Standard, shown))
                bounds.Warning(
                    $"/traffic/models/{i}/name",
                    $"{shown.Name} enters no generated combination: checks do not count it.",
                    "Its envelopes are shown in the analysis step. What is combined follows the standard of the basis step."
                );
        }
    }

    /// <summary>Typed carriageways that are turned, narrow, reach over the deck or over each other.</summary>
    public static void Carriageways(Bridge bridge, BridgeGeometry geometry, UnitSystem units, Bounds bounds)
    {
        var (tracks, bed) = (bridge.Traffic.Rail.Tracks, bridge.Traffic.Rail.Bed);
        var (half, what) = (bed.Across.Max(), bed.Ballast is null ? "A rail" : "Ballast under a sleeper");
        for (var i = 0; i < tracks.Length; i++)
        {
            var (left, right) = (geometry.LeftEdge(geometry.FirstStation), geometry.RightEdge(geometry.FirstStation));
            if (tracks[i].Offset - half < left || tracks[i].Offset + half > right)
                bounds.Warning(
                    $"/traffic/rail/tracks/{i}/offset",
                    $"{what} of track {i + 1} lies off the deck: what stands there loads its edge.",
                    $"The deck reaches from {units.FormatWithUnit(left, QuantityKind.Length)} to "
                        + $"{units.FormatWithUnit(right, QuantityKind.Length)}."
                );
        }
        var typed = bridge.Traffic.Carriageways;
        foreach (var unit in geometry.Units)
        {
            List<Carriageway> before = [];
            var station = unit.Start.Station;
            var (left, right) = (unit.Shape.LeftEdge(station), unit.Shape.RightEdge(station));
            for (var i = 0; i < typed.Length; i++)
            {
                var (at, path) = (geometry.TypedAt(typed[i], unit, station), $"/traffic/carriageways/{i}/from");
                string Words(double offset) => units.FormatWithUnit(offset, QuantityKind.Length);
                if (at.Width < Carriageway.Least)
                    bounds.Warning(
                        path,
                        $"Carriageway {i + 1} is {Words(Math.Max(0, at.Width))} wide on the deck: nothing drives there.",
                        $"From {Words(at.From)} to {Words(at.To)}; a carriageway has at least {Words(Carriageway.Least)}."
                    );
                else if (before.Any(b => at.From < b.To - 1e-6 && b.From < at.To - 1e-6))
                    bounds.Warning(path, $"Carriageway {i + 1} overlaps another one: both are taken as one.");
                else if (
                    (typed[i].FromOf == DeckReference.RoadLine && typed[i].From < left - 1e-6)
                    || (typed[i].ToOf == DeckReference.RoadLine && typed[i].To > right + 1e-6)
                )
                    bounds.Warning(path, $"Carriageway {i + 1} reaches over the deck’s edge: it is taken as far as the deck.");
                before.Add(at);
            }
        }
    }

    private static void Vehicle(Vehicle vehicle, string path, HashSet<string> names, Bounds bounds)
    {
        bounds.Text($"{path}/name", vehicle.Name);
        if (string.IsNullOrWhiteSpace(vehicle.Name))
            bounds.Error($"{path}/name", "A vehicle needs a name.");
        else if (!names.Add(vehicle.Name.Trim()))
            bounds.Error($"{path}/name", $"There is another vehicle or traffic model named “{vehicle.Name}”.");
        bounds.Check($"{path}/wheelSpacing", vehicle.WheelSpacing);
        bounds.Check($"{path}/dynamic", vehicle.Dynamic);
        if (vehicle.Axles.Length + vehicle.Stretches.Length == 0 || vehicle.Axles.Length > MostAxles)
            bounds.Error(
                $"{path}/axles",
                $"“{vehicle.Name}” has {vehicle.Axles.Length} axles; a vehicle has 1 to {MostAxles}, or line loads."
            );
        if (vehicle.Stretches.Length > MostAxles)
            bounds.Error($"{path}/stretches", $"A vehicle has at most {MostAxles} line loads.");
        for (var i = 0; i < vehicle.Axles.Length; i++)
            Axle(vehicle, i, $"{path}/axles/{i}", bounds);
        Wheels(vehicle, path, bounds);
        for (var i = 0; i < vehicle.Stretches.Length; i++)
        {
            bounds.Check($"{path}/stretches/{i}/load", vehicle.Stretches[i].Load);
            bounds.Check($"{path}/stretches/{i}/from", vehicle.Stretches[i].From);
            bounds.Check($"{path}/stretches/{i}/length", vehicle.Stretches[i].Length);
        }
        if (vehicle.Axles.Count(a => a.MostGap is not null) > 1)
            bounds.Error($"{path}/axles", $"“{vehicle.Name}” has more than one distance that is sought; one can be.");
        else if (vehicle.Axles.Any(a => a.MostGap is not null) && !vehicle.Stretches.IsEmpty)
            bounds.Error(
                $"{path}/stretches",
                $"“{vehicle.Name}” has line loads and a distance that is sought; it can have one or the other."
            );
    }

    /// <summary>What a vehicle with wheels of its own, or one that stays on the deck, can have beside.</summary>
    private static void Wheels(Vehicle vehicle, string path, Bounds bounds)
    {
        var isSought = vehicle.OnlyWorsening || vehicle.Axles.Any(a => a.MostGap is not null);
        if (!vehicle.HasAlikeWheels && (isSought || !vehicle.Stretches.IsEmpty))
            bounds.Error(
                $"{path}/axles",
                $"The axles of “{vehicle.Name}” have wheels in different places, or not alike on both sides: none of its axles can be "
                    + "left out, no distance be sought, and it has no line loads."
            );
        if (vehicle.StaysOnDeck && (isSought || !vehicle.Stretches.IsEmpty))
            bounds.Error(
                $"{path}/staysOnDeck",
                $"“{vehicle.Name}” stays on the deck as a whole: none of its axles can be left out, no distance be sought, and it has no "
                    + "line loads."
            );
    }

    private static void Axle(Vehicle vehicle, int number, string path, Bounds bounds)
    {
        var axle = vehicle.Axles[number];
        bounds.Check($"{path}/load", axle.Load);
        if (!bounds.Check($"{path}/gap", axle.Gap) || !bounds.Check($"{path}/mostGap", axle.MostGap))
            return;
        if (number == 0 && (axle.Gap != 0 || axle.MostGap is not null))
            bounds.Error($"{path}/gap", "The first axle stands behind none: its distance is 0.");
        else if (number > 0 && axle.Gap < 0.1 && (axle.Gap != 0 || axle.Wheels.IsEmpty || axle.MostGap is not null))
            bounds.Error(
                $"{path}/gap",
                $"Axle {number + 1} of “{vehicle.Name}” stands on or before the one before it: at least 0.1 m are between, or 0 where it "
                    + "has wheels of its own in line with those before."
            );
        else if (axle.MostGap < axle.Gap)
            bounds.Error($"{path}/mostGap", "The greatest distance is less than the least.");
        for (var w = 0; w < axle.Wheels.Length; w++)
        {
            if (!(Math.Abs(axle.Wheels[w]) <= MostAcross))
                bounds.Error($"{path}/wheels", $"A wheel stands at most {MostAcross} m beside the middle of its vehicle.");
            else if (axle.Wheels.Take(w).Any(other => axle.Wheels[w] - other < 0.05))
                bounds.Error($"{path}/wheels", "Wheels of an axle are told from the left, at least 0.05 m from each other.");
        }
        if (axle.Wheels.Length > MostWheels)
            bounds.Error($"{path}/wheels", $"An axle has at most {MostWheels} wheels.");
    }
}
