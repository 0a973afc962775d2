using System.Collections.Immutable;
using Pravik.Core.Bridges;

namespace Pravik.Core.Stages;

/// <summary>The names of cases and envelopes, in words.</summary>
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
    public const string Uplift = "Wind on the deck from below";
    public const string Permanent = "All permanent, with creep and shrinkage";

    public static string Primary(string prestress) => $"{prestress}, primary part";

    public static string Secondary(string prestress) => $"{prestress}, secondary part";

    public static string Slab(ImmutableArray<int> spans) => $"Slab, cast in {Spans(spans)}";

    public static string Wet(ImmutableArray<int> spans) => $"Water of the slab's concrete, in {Spans(spans)}";

    public static string LetGo(string girder, int span) => $"Prop under {girder} in span {span + 1} lets go";

    public static string Pour(string axis) => $"Pour over axis {axis}";

    public static string After(Stage stage) => $"After {stage.Name.ToLowerInvariant()}";

    public static string Expansion(Actions actions) =>
        FormattableString.Invariant($"Uniform temperature, {actions.Expansion:0.#} K warmer");

    public static string Contraction(Actions actions) =>
        FormattableString.Invariant($"Uniform temperature, {actions.Contraction:0.#} K cooler");

    public static string Settlement(string axis, double settlement) =>
        FormattableString.Invariant($"Axis {axis} settles by {settlement * 1000:0.#} mm");

    public static string AllCreep(Actions actions) => FormattableString.Invariant($"Creep to day {actions.LastDay:0}");

    public static string AllShrinkage(Actions actions) => FormattableString.Invariant($"Shrinkage to day {actions.LastDay:0}");

    public static string Creep(double from, double to) => FormattableString.Invariant($"Creep, day {from:0} to {to:0}");

    public static string Shrinkage(double from, double to) => FormattableString.Invariant($"Shrinkage, day {from:0} to {to:0}");

    /// <summary>Settlement of the support at an axis (from 0).</summary>
    public static double SettlementOf(Actions actions, int axis) =>
        actions.Settlements.GetValueOrDefault($"{axis + 1}", actions.Settlement);

    private static string Spans(ImmutableArray<int> spans) =>
        spans.Length == 1 ? $"span {spans[0] + 1}" : $"spans {string.Join(", ", spans.Select(s => s + 1))}";
}
