using System.Collections.Immutable;
using Pravik.Core.Bridges;

namespace Pravik.Core.Stages;

/// <summary>The names of cases and envelopes, in words.</summary>
public static class CaseNames
{
    /// <summary>Weight of girders.</summary>
    public const string Girders = "Girders";

    /// <summary>Prestress by strands.</summary>
    public const string Prestress = "Prestress";

    /// <summary>What props carried, when they go.</summary>
    public const string PropsAway = "Props taken away";

    /// <summary>Edge beams, footways and parapets.</summary>
    public const string Edges = "Edges and parapets";

    /// <summary>Surfacing.</summary>
    public const string Surfacing = "Surfacing";

    /// <summary>Temperature difference, top warmer.</summary>
    public const string Heating = "Temperature difference, top warmer";

    /// <summary>Temperature difference, top cooler.</summary>
    public const string Cooling = "Temperature difference, top cooler";

    /// <summary>Braking.</summary>
    public const string Braking = "Braking ahead";

    /// <summary>Wind across the deck.</summary>
    public const string Wind = "Wind from the left";

    /// <summary>Wind lifting or pressing the deck.</summary>
    public const string Uplift = "Wind on the deck from below";

    /// <summary>All permanent actions.</summary>
    public const string Permanent = "All permanent, with creep and shrinkage";

    /// <summary>The primary part of a prestress.</summary>
    public static string Primary(string prestress) => $"{prestress}, primary part";

    /// <summary>The secondary part of a prestress.</summary>
    public static string Secondary(string prestress) => $"{prestress}, secondary part";

    /// <summary>What tendons lose as the concrete shortens while tendons are jacked in a stage.</summary>
    public static string Shortening(Stage stage) => $"Tendons shorten, {stage.Name.ToLowerInvariant()}";

    /// <summary>The slab that the falsework of some spans carried.</summary>
    public static string Struck(ImmutableArray<int> spans) => $"Slab, falsework struck in {Spans(spans)}";

    /// <summary>The slab cast in some spans.</summary>
    public static string Slab(ImmutableArray<int> spans) => $"Slab, cast in {Spans(spans)}";

    /// <summary>What the slab weighs more while it is wet.</summary>
    public static string Wet(ImmutableArray<int> spans) => $"Water of the slab's concrete, in {Spans(spans)}";

    /// <summary>A prop that lets go.</summary>
    public static string LetGo(string girder, SpanIndex span) => $"Prop under {girder} in span {span + 1} lets go";

    /// <summary>The pour over an axis.</summary>
    public static string Pour(string axis) => $"Pour over axis {axis}";

    /// <summary>All that acts after a stage.</summary>
    public static string After(Stage stage) => $"After {stage.Name.ToLowerInvariant()}";

    /// <summary>Uniform warming.</summary>
    public static string Expansion(Actions actions) =>
        FormattableString.Invariant($"Uniform temperature, {actions.Expansion:0.#} K warmer");

    /// <summary>Uniform cooling.</summary>
    public static string Contraction(Actions actions) =>
        FormattableString.Invariant($"Uniform temperature, {actions.Contraction:0.#} K cooler");

    /// <summary>Settlement of an axis.</summary>
    public static string Settlement(string axis, double settlement) =>
        FormattableString.Invariant($"Axis {axis} settles by {settlement * 1000:0.#} mm");

    /// <summary>Creep of all intervals.</summary>
    public static string AllCreep(Actions actions) => FormattableString.Invariant($"Creep to day {actions.LastDay:0}");

    /// <summary>Shrinkage of all intervals.</summary>
    public static string AllShrinkage(Actions actions) => FormattableString.Invariant($"Shrinkage to day {actions.LastDay:0}");

    /// <summary>Creep of an interval.</summary>
    public static string Creep(double from, double to) => FormattableString.Invariant($"Creep, day {from:0} to {to:0}");

    /// <summary>Shrinkage of an interval.</summary>
    public static string Shrinkage(double from, double to) => FormattableString.Invariant($"Shrinkage, day {from:0} to {to:0}");

    /// <summary>Losses of prestress in an interval.</summary>
    public static string Losses(double from, double to) => FormattableString.Invariant($"Losses of prestress, day {from:0} to {to:0}");

    /// <summary>Losses of all intervals.</summary>
    public static string AllLosses(Actions actions) => FormattableString.Invariant($"Losses of prestress to day {actions.LastDay:0}");

    /// <summary>Settlement of the support at an axis.</summary>
    public static double SettlementOf(Actions actions, AxisIndex axis) =>
        actions.Settlements.GetValueOrDefault($"{axis + 1}", actions.Settlement);

    private static string Spans(ImmutableArray<int> spans) =>
        spans.Length == 1 ? $"span {spans[0] + 1}" : $"spans {string.Join(", ", spans.Select(s => s + 1))}";
}
