using Pravik.Core.Bridges;
using Pravik.Core.Codes;
using Pravik.Core.Loads;
using Pravik.Core.Models;
using Pravik.Core.Places;
using Pravik.Core.Roads;
using Pravik.Core.Stages;

namespace Pravik.Core.Effects;

/// <summary>The cases of actions on the finished bridge beside weights and traffic.</summary>
internal static class ActionCases
{
    public static IEnumerable<SolvedModels.Wanted> Of(
        BridgeGeometry geometry,
        SolvedModels models,
        int finished,
        ModelLoads loads,
        Ground? ground
    ) =>
        [
            .. Temperature(geometry, models, finished, loads),
            .. Settlements(geometry, models[finished]),
            .. Braking(geometry, models[finished], loads),
            .. new TrafficForceCases(geometry, models[finished], loads).All,
            .. Wind(geometry, models[finished], loads, ground),
            .. Own(geometry.Bridge, loads),
        ];

    private static IEnumerable<SolvedModels.Wanted> Temperature(
        BridgeGeometry geometry,
        SolvedModels models,
        int finished,
        ModelLoads loads
    )
    {
        var (model, actions) = (models[finished], geometry.Bridge.Actions);
        SolvedModels.Wanted Case(CaseId id, string name, Frames.FrameCase load) => new(id, name, ActionKind.Temperature, load);
        yield return Case(CaseId.Expansion, CaseNames.Expansion(actions), ModelLoads.Uniform(model, actions.Expansion));
        yield return Case(CaseId.Contraction, CaseNames.Contraction(actions), ModelLoads.Uniform(model, -actions.Contraction));
        foreach (var (id, name, warmer) in new[] { (CaseId.Heating, CaseNames.Heating, true), (CaseId.Cooling, CaseNames.Cooling, false) })
        {
            LayerStrain Of(GirderIndex girder, int row, LayeredSection section) =>
                TemperatureProfile.Strain(
                    section,
                    loads.Made(girder, row).IsSteel,
                    geometry.UnitOf(model.SpanOf(row)).Pattern.Surfacing,
                    warmer,
                    ModelBuilder.Expansion
                );
            yield return Case(id, name, loads.Strain(name, model, Of)) with
            {
                Strain = (p, section) => models.Free(Of(p.Girder, model.RowOf(p), section), p, section),
            };
        }
    }

    private static IEnumerable<SolvedModels.Wanted> Settlements(BridgeGeometry geometry, BridgeModel model)
    {
        for (var axis = 0; axis < geometry.Axes.Length; axis++)
        {
            var settlement = CaseNames.SettlementOf(geometry.Bridge.Actions, axis);
            if (settlement != 0)
                yield return new(
                    CaseId.Settlement(axis + 1),
                    CaseNames.Settlement(geometry.Axes[axis].Name, settlement),
                    ActionKind.Settlement,
                    ModelLoads.Settlement(model, axis, settlement)
                );
        }
    }

    private static IEnumerable<SolvedModels.Wanted> Braking(BridgeGeometry geometry, BridgeModel model, ModelLoads loads)
    {
        foreach (var unit in geometry.Units)
        {
            var one = geometry.Units.Length == 1;
            yield return new(
                one ? CaseId.Braking : new($"braking{unit.Number}"),
                one ? CaseNames.Braking : $"{CaseNames.Braking}, {unit.Name}",
                ActionKind.Braking,
                loads.Braking(model, unit)
            );
        }
    }

    private static IEnumerable<SolvedModels.Wanted> Wind(BridgeGeometry geometry, BridgeModel model, ModelLoads loads, Ground? ground)
    {
        var wind = new DeckWind(geometry, ground);
        foreach (var on in wind.Kinds)
        {
            var (suffix, words) = on switch
            {
                WindOn.Deck => ("", ""),
                WindOn.DeckAndTraffic => ("Traffic", ", with traffic"),
                _ => ("Service", ", with traffic in service"),
            };
            yield return new(new($"wind{suffix}"), CaseNames.Wind + words, ActionKind.Wind, loads.Wind(model, wind, on));
            if (wind.Of(0, on).Lift == 0)
                continue;
            foreach (var (side, name) in new[] { (-1, "Left"), (1, "Right") })
                yield return OnDeck(
                    loads,
                    new($"uplift{suffix}{name}"),
                    $"{CaseNames.Uplift} on its {name.ToLowerInvariant()}{words}",
                    ActionKind.Wind,
                    loads.Lift(wind, side, on)
                );
        }
    }

    private static SolvedModels.Wanted OnDeck(ModelLoads loads, CaseId id, string name, ActionKind kind, DeckLoads all) =>
        new(id, name, kind, loads.Case(name, all)) { OnDeck = all };

    private static IEnumerable<SolvedModels.Wanted> Own(Bridge bridge, ModelLoads loads)
    {
        var staged = bridge.Actions.StagesOf(bridge.Girders, bridge.Axes.Spans.Length).SelectMany(s => s.LoadNames).ToHashSet();
        for (var i = 0; i < bridge.Actions.Cases.Length; i++)
        {
            var own = bridge.Actions.Cases[i];
            // What a stage puts on is there already, as a permanent action.
            var kind =
                staged.Contains(own.Name) || own.Action is OwnAction.Aside or OwnAction.Counted ? ActionKind.Aside
                : own.Action == OwnAction.Permanent ? ActionKind.Permanent
                : own.Action == OwnAction.Surfacing ? ActionKind.Surfacing
                : own.Action == OwnAction.Accidental ? ActionKind.Accidental
                : ActionKind.Variable;
            yield return OnDeck(loads, CaseId.Own(i + 1), own.Name, kind, loads.Own(own));
        }
    }
}
