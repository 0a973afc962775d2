using Pravik.Core.Bridges;
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
            || model.Changes.IsDefault
            || model.Changes.Any(c => c?.Part is null || c.Directions is null || c.Material is null || c.Like is null)
        )
            bounds.Error("/model", "A list, or an item of one, is missing.");
        if (bridge.Girders.Tendons.IsDefault || bridge.Girders.Tendons.Any(t => t?.Name is null))
            bounds.Error("/girders/tendons", "The list of tendons, or an item of it, is missing.");
        if (bridge.Actions is not { } actions)
            bounds.Error("/actions", "This part is missing.");
        else if (
            actions.Settlements is null
            || actions.Cement is null
            || actions.Cases.IsDefault
            || actions.Cases.Any(c => c?.Name is null || c.Loads.IsDefault || c.Loads.Contains(null!))
            || actions.Combinations.IsDefault
            || actions.Combinations.Any(c => c?.Name is null || c.Terms.IsDefault || c.Terms.Any(t => t?.Case is null))
            || (actions.Stages is { } stages && (stages.IsDefault || stages.Contains(null!)))
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
        Cases(bridge, bounds);
        Stages(bridge, bounds);
    }

    private static void Model(Bridge bridge, Bounds bounds)
    {
        var model = bridge.Model;
        if (!Enum.IsDefined(model.Kind))
            bounds.Error("/model/kind", "The kind of model is not known.");
        if (!Enum.IsDefined(model.Supports))
            bounds.Error("/model/supports", "What carries the girders is not known.");
        if (!Enum.IsDefined(model.Share))
            bounds.Error("/model/share", "The way in which line girders share loads is not known.");
        bounds.Between("/model/divisions", "Pieces along a span", model.Divisions, 4, 200, QuantityKind.Count);
        foreach (var (span, pieces) in model.SpanDivisions)
            bounds.Between($"/model/spanDivisions/{span}", $"Pieces along span {span}", pieces, 4, 200, QuantityKind.Count);
        if (bounds.Between("/model/between", "Shells between girders", model.Between, 2, 20, QuantityKind.Count) && model.Between % 2 != 0)
            bounds.Error("/model/between", "The number of shells between girders must be even, so that each girder has its own half.");
        bounds.Own("/model/shareFactor", "Share of a line girder", model.ShareFactor, 0.01, 2, QuantityKind.Number);
        if (model.Changes.Length > MostChanges)
            bounds.Error("/model/changes", $"There are at most {MostChanges} changes by hand.");
        for (var i = 0; i < model.Changes.Length; i++)
        {
            var (change, path) = (model.Changes[i], $"/model/changes/{i}");
            if (!Enum.IsDefined(change.Kind))
                bounds.Error($"{path}/kind", "The kind of change is not known.");
            bounds.Text($"{path}/part", "The name of the part", change.Part, 60);
            bounds.Text($"{path}/material", "The name of the material", change.Material, 60);
            bounds.Text($"{path}/like", "The name of the other member", change.Like, 60);
            bounds.Between($"{path}/factor", "Factor on stiffness", change.Factor, 1e-6, 1e6, QuantityKind.Number);
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
        var girders = Enumerable
            .Range(0, bridge.Axes.Spans.Length)
            .Max(s => GirderLayout.Of(bridge.Girders, s, bridge.Axes.Spans.Length).Count);
        var joints =
            Enumerable.Range(0, bridge.Axes.Spans.Length).Sum(s => model.DivisionsOf(s) + 1.0)
            * (model.Kind == ModelKind.Shells ? girders * model.Between + 2 : girders + 2);
        if (joints > MostJoints)
            bounds.Error(
                "/model/divisions",
                $"The model would have about {joints:0} joints; {MostJoints} are the most. Take fewer pieces along the "
                    + $"spans{(model.Kind == ModelKind.Shells ? " or between the girders" : "")}."
            );
    }

    private static void Values(Actions actions, Bounds bounds)
    {
        bounds.Between("/actions/expansion", "Temperature rise", actions.Expansion, 0, 80, QuantityKind.Number);
        bounds.Between("/actions/contraction", "Temperature fall", actions.Contraction, 0, 80, QuantityKind.Number);
        bounds.Between("/actions/humidity", "Relative humidity", actions.Humidity, 0.2, 1, QuantityKind.Number);
        bounds.Among("/actions/cement", "Class of cement", actions.Cement, ["S", "N", "R"]);
        bounds.Between("/actions/lastDay", "Last day", actions.LastDay, 1, 100_000, QuantityKind.Number);
        bounds.Between("/actions/aging", "Aging coefficient", actions.Aging, 0.5, 1, QuantityKind.Number);
        bounds.Between("/actions/settlement", "Settlement", actions.Settlement, 0, 0.5, QuantityKind.Size);
        foreach (var (axis, value) in actions.Settlements)
            bounds.Between($"/actions/settlements/{axis}", $"Settlement of axis {axis}", value, -0.5, 0.5, QuantityKind.Size);
        bounds.Own("/actions/braking", "Braking force", actions.Braking, 0, 5e6, QuantityKind.Force);
        bounds.Between("/actions/windVelocity", "Wind velocity", actions.WindVelocity, 0, 60, QuantityKind.Number);
        bounds.Own("/actions/windHeight", "Height above the ground", actions.WindHeight, 0, 300, QuantityKind.Length);
        bounds.Own("/actions/windFactor", "Wind load factor", actions.WindFactor, 0, 15, QuantityKind.Number);
    }

    private static void Cases(Bridge bridge, Bounds bounds)
    {
        var actions = bridge.Actions;
        if (actions.Cases.Length > MostCases || actions.Combinations.Length > MostCases)
            bounds.Error("/actions/cases", $"There are at most {MostCases} own cases, and as many combinations.");
        var names = new HashSet<string>(Stage.KnownLoads);
        Tendons(bridge, names, bounds);
        for (var i = 0; i < actions.Cases.Length; i++)
        {
            var (own, path) = (actions.Cases[i], $"/actions/cases/{i}");
            foreach (var (psi, value) in new[] { ("psi0", own.Psi0), ("psi1", own.Psi1), ("psi2", own.Psi2) })
                bounds.Between($"{path}/{psi}", $"{psi} of “{own.Name}”", value, 0, 1, QuantityKind.Number);
            bounds.Text($"{path}/name", "The name of the case", own.Name, 60);
            if (string.IsNullOrWhiteSpace(own.Name) || own.Name.Contains(','))
                bounds.Error($"{path}/name", "A case needs a name, without a comma in it.");
            else if (!names.Add(own.Name))
                bounds.Error($"{path}/name", $"There is another load named “{own.Name}”.");
            if (own.Loads.Length > MostLoads)
                bounds.Error($"{path}/loads", $"A case has at most {MostLoads} loads.");
            for (var k = 0; k < own.Loads.Length; k++)
                Load(own.Loads[k], $"{path}/loads/{k}", bounds);
        }
        names.Clear();
        for (var i = 0; i < actions.Combinations.Length; i++)
        {
            var (own, path) = (actions.Combinations[i], $"/actions/combinations/{i}");
            bounds.Text($"{path}/name", "The name of the combination", own.Name, 60);
            if (string.IsNullOrWhiteSpace(own.Name))
                bounds.Error($"{path}/name", "A combination needs a name.");
            else if (!names.Add(own.Name))
                bounds.Error($"{path}/name", $"There are two combinations named “{own.Name}”.");
            if (own.Terms.Length > MostCases)
                bounds.Error($"{path}/terms", $"A combination has at most {MostCases} terms.");
            for (var k = 0; k < own.Terms.Length; k++)
            {
                bounds.Text($"{path}/terms/{k}/case", "The name of the case", own.Terms[k].Case, 80);
                bounds.Between($"{path}/terms/{k}/factor", "Factor", own.Terms[k].Factor, -100, 100, QuantityKind.Number);
            }
        }
    }

    private static void Tendons(Bridge bridge, HashSet<string> names, Bounds bounds)
    {
        var tendons = bridge.Girders.Tendons;
        if (tendons.Length > 50)
            bounds.Error("/girders/tendons", "There are at most 50 tendons.");
        for (var i = 0; i < tendons.Length; i++)
        {
            var (tendon, path) = (tendons[i], $"/girders/tendons/{i}");
            bounds.Text($"{path}/name", "The name of the tendon", tendon.Name, 40);
            if (string.IsNullOrWhiteSpace(tendon.Name) || tendon.Name.Contains(','))
                bounds.Error($"{path}/name", "A tendon needs a name, without a comma in it.");
            else if (!names.Add(tendon.Name))
                bounds.Error($"{path}/name", $"There is another load named “{tendon.Name}”.");
            if (tendon.Span is { } span)
                bounds.Between($"{path}/span", "Span of the tendon", span, 1, 30, QuantityKind.Count);
            bounds.Between($"{path}/strands", "Strands of the tendon", tendon.Strands, 1, 100, QuantityKind.Count);
            bounds.Between($"{path}/effectiveStress", "Effective stress", tendon.EffectiveStress, 0, 1700e6, QuantityKind.Stress);
            bounds.Between($"{path}/lowAt", "Low point of the tendon", tendon.LowAt, 0.1, 0.9, QuantityKind.Number);
            foreach (
                var (name, level) in new[]
                {
                    ("startLevel", tendon.StartLevel),
                    ("lowLevel", tendon.LowLevel),
                    ("endLevel", tendon.EndLevel),
                }
            )
                bounds.Between($"{path}/{name}", "Level of the tendon", level, -2, 8, QuantityKind.Size);
        }
    }

    private static void Load(OwnLoad load, string path, Bounds bounds)
    {
        if (!Enum.IsDefined(load.Kind))
            bounds.Error($"{path}/kind", "The kind of load is not known.");
        foreach (var (name, station) in new[] { ("station", load.Station), ("toStation", load.ToStation) })
            bounds.Between($"{path}/{name}", "Station of the load", station, -1e6, 2e6, QuantityKind.Length);
        foreach (var (name, offset) in new[] { ("offset", load.Offset), ("toOffset", load.ToOffset) })
            bounds.Between($"{path}/{name}", "Offset of the load", offset, -200, 200, QuantityKind.Length);
        bounds.Between($"{path}/value", "Load", load.Value, -1e8, 1e8, QuantityKind.Force);
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
            bounds.Text($"{path}/name", "The name of the stage", stage.Name, 60);
            bounds.Between($"{path}/day", "Day of the stage", stage.Day, 0, 100_000, QuantityKind.Number);
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
            bounds.Text($"{path}/loads", "The list of loads", stage.Loads, 400);
        }
        if (bounds.Findings.Count == before)
            bounds.Findings.AddRange(Staging.Check(bridge));
    }
}
