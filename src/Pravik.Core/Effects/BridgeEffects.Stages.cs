using Pravik.Core.Bridges;
using Pravik.Core.Codes;
using Pravik.Core.Places;
using Pravik.Core.Sections;
using Pravik.Core.Stages;

namespace Pravik.Core.Effects;

// Combinations while the bridge is built.
public sealed partial class BridgeEffects
{
    private const string InStages = "While it is built";

    /// <summary>A combination of what is there after a stage: factors on weights, on variable cases put on in it, on traffic.</summary>
    private sealed record StageRule(string Id, string Name, string Clause, double Adverse, double Relieving, double Variable)
    {
        public double Traffic { get; init; } = Variable;
    }

    /// <summary>
    /// By EN 1990 (6.10) as when it is finished. By AASHTO LRFD 3.4.2.1: Strength I with 1.25 on weights and 1.5 on loads of
    /// construction, and for girders of steel 1.4 on both.
    /// </summary>
    private IEnumerable<StageRule> StageRules()
    {
        if (bridge.Basis.Standard == Standard.Eurocode)
        {
            var (adverse, relieving) = (values["gammaGsup"], values["gammaGinf"]);
            yield return new("Ultimate", "Ultimate", "EN 1990 (6.10), EN 1991-1-6", adverse, relieving, values["gammaQother"])
            {
                Traffic = values["gammaQtraffic"],
            };
            yield break;
        }
        const string Construction = "AASHTO LRFD 3.4.2.1";
        yield return new("Ultimate", "Strength I in construction", Construction, 1.25, 0.9, 1.5) { Traffic = 1.75 };
        if (bridge.Sections.Any(SectionFamily.IsSteel))
            yield return new("Steel", "Steel in construction", Construction, 1.4, 1.4, 1.4);
    }

    /// <summary>What drives in a stage, each model, and what is built up to the stage with it, characteristic and ultimate.</summary>
    private void AddInStage(StageStep step)
    {
        var (name, id) = (step.Stage.Name, $"stage{step.Index.Number}");
        var built = results.Cases.Where(c => c.IsThereAfter(step)).ToList();
        EffectRange? worst = null;
        if (results.InStages.FirstOrDefault(t => t.Stage == step.Index) is { Results: { } traffic })
        {
            var ranges = traffic
                .Models.Select(
                    (m, i) => Add(EffectRange.Of($"{m.Model!.Name}, {name}", m), new($"{id}traffic{i + 1}"), InStages, m.Model.Source)
                )
                .ToList();
            worst = EffectRange.OrNothing($"Traffic, {name}", [.. ranges.Select(r => (1.0, r))]);
            var words = $"{CaseNames.After(step.Stage)}, with its traffic";
            Add(EffectRange.Sum(words, [.. Those(built.Contains), (1, worst)], layout), new($"{id}traffic"), InStages, "characteristic");
        }
        foreach (var rule in StageRules())
        {
            var terms = built.ConvertAll(c => Term(rule, c));
            if (worst is not null)
                terms.Add((rule.Traffic, worst));
            var (ending, key) = worst is null ? ("", id) : (", with its traffic", $"{id}traffic");
            Add(EffectRange.Sum($"{rule.Name}, {name}{ending}", terms, layout), new($"{key}{rule.Id}"), InStages, rule.Clause);
        }
    }

    /// <summary>A case by a rule: of prestress the secondary part, as the primary is part of the resistance.</summary>
    private (double, EffectRange) Term(StageRule rule, ActionResult c)
    {
        var range = cases[c.Id];
        if (IsPrestress(c))
            return (1, secondary[c.Id]);
        if (c.Kind is not (ActionKind.Permanent or ActionKind.Surfacing or ActionKind.Aside))
            return (1, range);
        if (bridge.Actions.Cases.Any(own => own.Name == c.Name && own.Action == OwnAction.Variable))
            return (rule.Variable, range);
        return (1, EffectRange.Envelope(c.Name, [(rule.Adverse, range), (rule.Relieving, range)]));
    }
}
