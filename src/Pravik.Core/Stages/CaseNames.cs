using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Places;

namespace Pravik.Core.Stages;

/// <summary>The names of cases and envelopes, in words, as they follow from the bridge alone.</summary>
public static class CaseNames
{
    public const string Girders = "Girders";
    public const string Prestress = "Prestress";
    public const string PropsAway = "Props taken away";
    public const string Edges = "Edges and parapets";
    public const string Surfacing = "Surfacing";
    public const string Heating = "Temperature difference, top warmer";
    public const string Cooling = "Temperature difference, top cooler";
    public const string Braking = "Braking ahead";
    public const string Wind = "Wind from the left";
    public const string Permanent = "All permanent, with creep and shrinkage";
    public const string Temperature = "Temperature, the worst together";
    public const string Settlements = "Settlements, any of the supports";
    public const string WindBoth = "Wind from either side";
    public const string BrakingBoth = "Braking and acceleration";
    public const string UltimateTraffic = "Ultimate, traffic leading";
    public const string UltimateTemperature = "Ultimate, temperature leading";
    public const string Characteristic = "Characteristic, traffic leading";
    public const string QuasiPermanent = "Quasi-permanent";
    public const string Traffic = "Traffic, load model 1 (moment and shear)";

    public static string Primary(string prestress) => $"{prestress}, primary part";

    public static string Secondary(string prestress) => $"{prestress}, secondary part";

    public static string Slab(ImmutableArray<int> spans) =>
        $"Slab, cast in {(spans.Length == 1 ? $"span {spans[0] + 1}" : $"spans {string.Join(", ", spans.Select(s => s + 1))}")}";

    public static string Pour(string axis) => $"Pour over axis {axis}";

    public static string After(Stage stage) => $"After {stage.Name.ToLowerInvariant()}";

    public static string Expansion(Actions actions) =>
        FormattableString.Invariant($"Uniform temperature, {actions.Expansion:0.#} K warmer");

    public static string Contraction(Actions actions) =>
        FormattableString.Invariant($"Uniform temperature, {actions.Contraction:0.#} K cooler");

    public static string Settlement(string axis, double settlement) =>
        FormattableString.Invariant($"Axis {axis} settles by {settlement * 1000:0.#} mm");

    public static string Creep(Actions actions) => FormattableString.Invariant($"Creep to day {actions.LastDay:0}");

    public static string Shrinkage(Actions actions) => FormattableString.Invariant($"Shrinkage to day {actions.LastDay:0}");

    /// <summary>Settlement of the support at an axis (from 0).</summary>
    public static double SettlementOf(Actions actions, int axis) =>
        actions.Settlements.GetValueOrDefault($"{axis + 1}", actions.Settlement);

    /// <summary>All names that a term of an own combination can give, those of combinations above it included.</summary>
    public static IReadOnlyList<string> All(Bridge bridge, int combination)
    {
        var (actions, spans) = (bridge.Actions, bridge.Axes.Spans.Length);
        string Axis(int axis) => bridge.Axes.Own.GetValueOrDefault($"{axis + 1}")?.Name ?? $"{axis + 1}";
        List<string> names = [];
        foreach (var step in Staging.Steps(bridge))
        {
            if (step.NewGirders.Length > 0)
                names.AddRange(ModelRun.IsPrestressed(bridge) ? [Girders, Prestress, Primary(Prestress), Secondary(Prestress)] : [Girders]);
            if (step.Releases.Length > 0)
                names.Add(PropsAway);
            if (step.Pours.Length > 0)
                names.Add(Slab(step.Pours));
            names.AddRange(Staging.JoinedIn(bridge, step).Select(a => Pour(Axis(a))));
            names.AddRange(
                step.Stage.LoadNames.Select(l =>
                    l == "edges" ? Edges
                    : l == "surfacing" ? Surfacing
                    : l
                )
            );
            names.AddRange(
                step.Stage.LoadNames.Where(l => bridge.Girders.Tendons.Any(t => t.Name == l))
                    .SelectMany(l => new[] { Primary(l), Secondary(l) })
            );
            names.Add(After(step.Stage));
        }
        names.AddRange([Permanent, Creep(actions), Shrinkage(actions), Expansion(actions), Contraction(actions), Heating, Cooling]);
        names.AddRange(
            Enumerable
                .Range(0, spans + 1)
                .Where(a => SettlementOf(actions, a) != 0)
                .Select(a => Settlement(Axis(a), SettlementOf(actions, a)))
        );
        names.AddRange([
            Braking,
            Wind,
            .. actions.Cases.Select(c => c.Name),
            Temperature,
            Settlements,
            WindBoth,
            BrakingBoth,
            Traffic,
            UltimateTraffic,
            UltimateTemperature,
            Characteristic,
            QuasiPermanent,
            .. actions.Combinations.Take(combination).Select(c => c.Name),
        ]);
        return [.. names.Distinct()];
    }
}
