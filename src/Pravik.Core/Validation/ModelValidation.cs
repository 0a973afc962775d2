using Pravik.Core.Bridges;
using Pravik.Core.Codes;
using Pravik.Core.Places;
using Pravik.Core.Units;

namespace Pravik.Core.Validation;

/// <summary>Bounds of the model's choices, the actions on it, and the stages of construction.</summary>
internal static class ModelValidation
{
    private const int MostStages = 60;
    private const int MostCases = 60;
    private const int MostLoads = 200;
    private const int MostChanges = 500;
    private const int MostSlabPlaces = 100;

    /// <summary>
    /// Joints of the mesh beyond which a model is not made: about 180,000 unknowns, for which all stages and actions together take half
    /// a minute and 5 GB.
    /// </summary>
    private const int MostJoints = 30_000;

    /// <summary>JSON can leave null where a part must stand.</summary>
    public static void CheckLists(Bridge bridge, Bounds bounds)
    {
        if (bridge.Model is not { } model)
            bounds.Error("/model", "This part is missing.");
        else if (
            model.SpanDivisions is null
            || model.SlabPlaces.IsDefault
            || model.SlabPlaces.Contains(null!)
            || model.Changes.IsDefault
            || model.Changes.Any(c => c?.Part is null || c.Directions is null || c.Material is null || c.Like is null)
        )
            bounds.Error("/model", "A list, or an item of one, is missing.");
        TendonValidation.Parts(bridge, bounds);
        if (bridge.Actions is not { } actions)
            bounds.Error("/actions", "This part is missing.");
        else if (
            actions.Settlements is null
            || actions.OwnFactors is null
            || actions.Cement is null
            || actions.Cases.IsDefault
            || actions.Cases.Any(c => c?.Name is null || c.Loads.IsDefault || c.Loads.Contains(null!))
            || actions.Combinations.IsDefault
            || actions.Combinations.Any(c => c?.Name is null || c.Terms.IsDefault || c.Terms.Any(t => t?.Case is null))
            || (actions.Stages is { } stages && (stages.IsDefault || stages.Contains(null!)))
            || actions.Stages?.Any(s => !TrafficValidation.IsWhole(s.Traffic)) == true
        )
            bounds.Error("/actions", "A list, or an item of one, is missing.");
        else if (
            actions.Stages is { } own
            && own.Any(s =>
                s.Name is null
                || s.Girders is null
                || s.Pours is null
                || s.Joins is null
                || s.Props is null
                || s.Releases is null
                || s.Loads is null
            )
        )
            bounds.Error("/actions/stages", "A text of a stage is missing; it may be empty.");
    }

    public static void Check(Bridge bridge, Bounds bounds)
    {
        Model(bridge, bounds);
        Values(bridge.Actions, bounds);
        Factors(bridge, bounds);
        Cases(bridge, bounds);
        Stages(bridge, bounds);
    }

    private static void Model(Bridge bridge, Bounds bounds)
    {
        var model = bridge.Model;
        bounds.Known("/model/kind", model.Kind);
        bounds.Known("/model/supports", model.Supports);
        bounds.Known("/model/share", model.Share);
        bounds.Check("/model/divisions", model.Divisions);
        foreach (var (span, pieces) in model.SpanDivisions)
            bounds.Check($"/model/spanDivisions/{span}", pieces);
        if (bounds.Check("/model/between", model.Between) && model.Between % 2 != 0)
            bounds.Error("/model/between", "The number of shells between girders must be even, so that each girder has its own half.");
        bounds.Check("/model/shareFactor", model.ShareFactor);
        if (model.SlabPlaces.Length > MostSlabPlaces)
            bounds.Error("/model/slabPlaces", $"There are at most {MostSlabPlaces} places of the slab.");
        for (var i = 0; i < model.SlabPlaces.Length; i++)
        {
            bounds.Check($"/model/slabPlaces/{i}/station", model.SlabPlaces[i].Station);
            bounds.Check($"/model/slabPlaces/{i}/offset", model.SlabPlaces[i].Offset);
        }
        if (model.Changes.Length > MostChanges)
            bounds.Error("/model/changes", $"There are at most {MostChanges} changes by hand.");
        for (var i = 0; i < model.Changes.Length; i++)
        {
            var (change, path) = (model.Changes[i], $"/model/changes/{i}");
            bounds.Known($"{path}/kind", change.Kind);
            bounds.Text($"{path}/part", change.Part);
            bounds.Text($"{path}/material", change.Material);
            bounds.Text($"{path}/like", change.Like);
            bounds.Check($"{path}/factor", change.Factor);
            var words = change.Directions.Split([' ', ','], StringSplitOptions.RemoveEmptyEntries);
            if (words.FirstOrDefault(w => !ModelChange.AllDirections.Contains(w)) is { } unknown)
                bounds.Error(
                    $"{path}/directions",
                    $"“{unknown}” is not a direction. Known are {string.Join(", ", ModelChange.AllDirections)}."
                );
            else if (change.Kind == ModelChangeKind.Restrain && words.Length == 0)
                bounds.Error($"{path}/directions", $"No direction is held; name some of {string.Join(", ", ModelChange.AllDirections)}.");
        }
        if (bounds.HasErrors)
            return;
        var joints = ModelSize.Joints(bridge);
        if (joints > MostJoints)
            bounds.Error(
                "/model/divisions",
                $"The model would have about {joints:0} joints; {MostJoints} are the most. Take fewer pieces along the "
                    + $"spans{(model.Kind == ModelKind.Shells ? " or between the girders" : "")}."
            );
    }

    private static void Values(Actions actions, Bounds bounds)
    {
        bounds.Check("/actions/expansion", actions.Expansion);
        bounds.Check("/actions/contraction", actions.Contraction);
        bounds.Check("/actions/humidity", actions.Humidity);
        bounds.Among("/actions/cement", actions.Cement, ["S", "N", "R"]);
        bounds.Check("/actions/lastDay", actions.LastDay);
        bounds.Check("/actions/aging", actions.Aging);
        bounds.Check("/actions/settlement", actions.Settlement);
        foreach (var (axis, value) in actions.Settlements)
            bounds.Check($"/actions/settlements/{axis}", value);
        bounds.Check("/actions/braking", actions.Braking);
        bounds.Check("/actions/windVelocity", actions.WindVelocity);
        if (!Enum.IsDefined(actions.WindExposure))
            bounds.Error("/actions/windExposure", "The exposure to wind is b, c or d.");
        bounds.Check("/actions/windHeight", actions.WindHeight);
        bounds.Check("/actions/windFactor", actions.WindFactor);
    }

    private static void Factors(Bridge bridge, Bounds bounds)
    {
        if (bridge.Actions.OwnFactors.IsEmpty)
            return;
        var basis = bridge.Basis;
        var known = Combinations.Keys(Combinations.Of(basis.Standard, basis.Values, basis.IndirectAtUltimate)).ToHashSet();
        foreach (var (key, value) in bridge.Actions.OwnFactors)
        {
            bounds.Check($"/actions/ownFactors/{key}", value);
            if (!known.Contains(key))
                bounds.Warning(
                    $"/actions/ownFactors/{key}",
                    $"“{key}” is no factor of a combination of this standard: it changes nothing.",
                    "A factor is called by its combination and its part, as in ultimate.traffic.temperature."
                );
        }
    }

    private static void Cases(Bridge bridge, Bounds bounds)
    {
        var actions = bridge.Actions;
        if (actions.Cases.Length > MostCases || actions.Combinations.Length > MostCases)
            bounds.Error("/actions/cases", $"There are at most {MostCases} own cases, and as many combinations.");
        var names = new HashSet<string>(Stage.KnownLoads);
        TendonValidation.Check(bridge, names, bounds);
        for (var i = 0; i < actions.Cases.Length; i++)
        {
            var (own, path) = (actions.Cases[i], $"/actions/cases/{i}");
            foreach (var (psi, value) in new[] { ("psi0", own.Psi0), ("psi1", own.Psi1), ("psi2", own.Psi2) })
                bounds.Check($"{path}/{psi}", value);
            bounds.Text($"{path}/name", own.Name);
            if (string.IsNullOrWhiteSpace(own.Name) || own.Name.Contains(','))
                bounds.Error($"{path}/name", "A case needs a name, without a comma in it.");
            else if (!names.Add(own.Name))
                bounds.Error($"{path}/name", $"There is another load named “{own.Name}”.");
            if (own.Loads.Length > MostLoads)
                bounds.Error($"{path}/loads", $"A case has at most {MostLoads} loads.");
            for (var k = 0; k < own.Loads.Length; k++)
                Load(own.Loads[k], $"{path}/loads/{k}", bounds);
            if (own.Action == OwnAction.Aside && !actions.Combinations.Any(c => c.Terms.Any(t => t.Case == own.Name)))
                Missed(bridge, own, path, bounds);
        }
        names.Clear();
        for (var i = 0; i < actions.Combinations.Length; i++)
        {
            var (own, path) = (actions.Combinations[i], $"/actions/combinations/{i}");
            bounds.Text($"{path}/name", own.Name);
            if (string.IsNullOrWhiteSpace(own.Name))
                bounds.Error($"{path}/name", "A combination needs a name.");
            else if (!names.Add(own.Name))
                bounds.Error($"{path}/name", $"There are two combinations named “{own.Name}”.");
            if (own.Terms.Length > MostCases)
                bounds.Error($"{path}/terms", $"A combination has at most {MostCases} terms.");
            for (var k = 0; k < own.Terms.Length; k++)
            {
                bounds.Text($"{path}/terms/{k}/case", own.Terms[k].Case);
                bounds.Check($"{path}/terms/{k}/factor", own.Terms[k].Factor);
            }
        }
    }

    private static void Missed(Bridge bridge, OwnCase own, string path, Bounds bounds)
    {
        if (bridge.Actions.StagesOf(bridge.Girders, bridge.Axes.Spans.Length).Any(s => s.LoadNames.Contains(own.Name)))
            return;
        var total = UnitSystem.Named(bridge.Basis.Units).FormatWithUnit(own.Loads.Sum(l => l.Total), QuantityKind.Force);
        bounds.Warning(
            $"{path}/action",
            $"“{own.Name}” enters no combination: checks miss the {total} that it puts down.",
            "Give it a kind of action, name it in a combination of your own, or say that it is counted otherwise."
        );
    }

    private static void Load(OwnLoad load, string path, Bounds bounds)
    {
        bounds.Known($"{path}/kind", load.Kind);
        foreach (var (name, station) in new[] { ("station", load.Station), ("toStation", load.ToStation) })
            bounds.Check($"{path}/{name}", station);
        foreach (var (name, offset) in new[] { ("offset", load.Offset), ("toOffset", load.ToOffset) })
            bounds.Check($"{path}/{name}", offset);
        bounds.Check($"{path}/value", load.Value);
        if (load.Kind == OwnLoadKind.Line && load.ToStation == load.Station && load.ToOffset == load.Offset)
            bounds.Error($"{path}/toStation", "The line has no length: it ends where it begins.");
        if (load.Kind == OwnLoadKind.Patch && (load.ToStation == load.Station || load.ToOffset == load.Offset))
            bounds.Error($"{path}/toStation", "The patch has no area: give two opposite corners.");
    }

    private static void Stages(Bridge bridge, Bounds bounds)
    {
        var (spans, stages) = (bridge.Axes.Spans.Length, bridge.Actions.Stages);
        if (stages is not { } own)
        {
            // The usual stages are sound, but stress no tendon.
            if (!bounds.HasErrors && !bridge.Girders.Tendons.IsEmpty)
                bounds.Findings.AddRange(Staging.Check(bridge));
            return;
        }
        if (own.Length > MostStages)
            bounds.Error("/actions/stages", $"There are at most {MostStages} stages.");
        var before = bounds.Findings.Count;
        for (var i = 0; i < own.Length; i++)
        {
            var (stage, path) = (own[i], $"/actions/stages/{i}");
            bounds.Text($"{path}/name", stage.Name);
            bounds.Check($"{path}/day", stage.Day);
            foreach (
                var (name, text, most, what) in new[]
                {
                    ("girders", stage.Girders, spans, "spans"),
                    ("pours", stage.Pours, spans, "spans"),
                    ("joins", stage.Joins, spans + 1, "axes"),
                    ("props", stage.Props, spans, "spans"),
                    ("releases", stage.Releases, spans, "spans"),
                }
            )
            {
                if (text.Length > 100 || NumberList.Read(text, most) is null)
                    bounds.Error(
                        $"{path}/{name}",
                        $"“{(text.Length > 30 ? text[..30] + "…" : text)}” does not name {what}. Write numbers, as in 1, 2-3, or all."
                    );
                else if (
                    NumberList.Read(text, 1000)!.Count > NumberList.Read(text, most)!.Count
                    && !text.Contains("all", StringComparison.OrdinalIgnoreCase)
                )
                    bounds.Warning(
                        $"{path}/{name}",
                        $"“{text}” names {what} that the bridge does not have; they are kept for when it does."
                    );
            }
            bounds.Text($"{path}/loads", stage.Loads);
        }
        var areRead = bounds.Findings.Count == before;
        for (var i = 0; i < own.Length; i++)
            TrafficValidation.InStage(bridge, own[i], $"/actions/stages/{i}/traffic", bounds);
        if (!areRead)
            return;
        bounds.Findings.AddRange(Staging.Check(bridge));
        foreach (var step in Staging.Steps(bridge).Where(s => !s.Stage.Traffic.IsEmpty && !Staging.TakesTraffic(s)))
            bounds.Warning(
                $"/actions/stages/{step.Index.Value}/traffic",
                $"Nothing drives in “{step.Stage.Name}”: girders do not stand in every span yet.",
                "Traffic on a bridge of which spans are missing is not modelled."
            );
    }
}
