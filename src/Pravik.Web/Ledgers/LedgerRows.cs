using System.Text.Json.Nodes;
using Pravik.Core.Entries;
using Pravik.Core.Units;
using Pravik.Exchange;

namespace Pravik.Web.Ledgers;

/// <summary>Makes ledger rows from the values of a document.</summary>
internal sealed class LedgerRows(JsonNode document, UnitSystem units, Func<string, Entry?> entries)
{
    /// <summary>Rows of a bridge.</summary>
    public LedgerRows(Core.Bridges.Bridge bridge)
        : this(BridgeJson.ToNode(bridge), UnitSystem.Named(bridge.Basis.Units), path => Entered.At(path, bridge)) { }

    /// <summary>Bounds of coordinates and stations lie beyond this (m); they are not told.</summary>
    private const double Farthest = 1e6;

    public UnitSystem Units => units;

    /// <summary>A row that can be typed into. <paramref name="inherited"/> is shown where the own value is missing.</summary>
    public LedgerRow Entry(string path, double? inherited = null, string? name = null, string? inheritedChoice = null)
    {
        var entry = entries(path) ?? throw new ArgumentException($"{path} is not an entry.", nameof(path));
        var node = At(path);
        inheritedChoice ??= entry.Blank.Length > 0 ? entry.Blank : null;
        // Without places there is nothing of its own.
        node = entry.Kind == EntryKind.Places && node is JsonArray { Count: 0 } ? null : node;
        var unit = entry.Kind is EntryKind.Quantity or EntryKind.Spans or EntryKind.Places ? Units[entry.Quantity].Symbol : "";
        var value = entry.Kind switch
        {
            EntryKind.Choice when node is null => inheritedChoice ?? "",
            EntryKind.Spans or EntryKind.Places when node is null => inheritedChoice ?? "",
            EntryKind.Places => string.Join(' ', node!.AsArray().Select(n => Short(n!.GetValue<double>(), entry.Quantity))),
            EntryKind.Spans => string.Join(" + ", node!.AsArray().Select(n => Show(n!.GetValue<double>(), QuantityKind.Length))),
            EntryKind.Quantity => node is null
                ? inherited is { } i
                    ? Units.Format(i, entry.Quantity)
                    : inheritedChoice ?? ""
                : Show(Number(node), entry.Quantity),
            _ when node is JsonValue flag && flag.TryGetValue<bool>(out var yes) => yes ? "true" : "false",
            _ => node?.GetValue<string>() ?? inheritedChoice ?? "",
        };
        return new(name ?? entry.Name, value, unit)
        {
            Path = path,
            Entry = entry.Kind.ToString().ToLowerInvariant(),
            Help = $"{entry.Help} {Bounds(entry)}".Trim(),
            Choices = entry.Choices,
            IsOwn = entry.IsOwn && node is not null,
            IsInherited = entry.IsOwn && node is null,
        };
    }

    /// <summary>The path of the first value of a part that can be entered, or null.</summary>
    public string? FirstUnder(string part) =>
        JsonEditing.ValueAt(document, part) is JsonObject values
            ? values.Select(v => $"{part}/{v.Key}").FirstOrDefault(p => entries(p) is not null)
            : null;

    /// <summary>A value without zeros behind it.</summary>
    private string Short(double value, QuantityKind kind)
    {
        var text = QuantityText.Entered(value, kind, Units);
        return text.Contains('.') ? text.TrimEnd('0').TrimEnd('.') : text;
    }

    /// <summary>A row for a value that follows from the document and can be typed all the same.</summary>
    public LedgerRow Derived(string path, double value)
    {
        var entry = EntryCatalog.At(path) ?? throw new ArgumentException($"{path} is not an entry.", nameof(path));
        return new(entry.Name, Show(value, entry.Quantity), Units[entry.Quantity].Symbol)
        {
            Path = path,
            Entry = "quantity",
            Help = entry.Help,
        };
    }

    public LedgerRow Reading(string name, double value, QuantityKind kind, string help = "") =>
        new(name, Units.Format(value, kind), Units[kind].Symbol) { Help = help };

    public static LedgerRow Reading(string name, string value, string help = "") => new(name, value, "") { Help = help };

    /// <summary>What is taken, where the bounds are such that one may meet them.</summary>
    private string Bounds(Entry entry) =>
        Math.Max(Math.Abs(entry.Least), Math.Abs(entry.Greatest)) is var most
        && (most >= Farthest && entry.Quantity == QuantityKind.Length || !double.IsFinite(most))
            ? ""
            : $"{Show(entry.Least, entry.Quantity)} to {Show(entry.Greatest, entry.Quantity)} {Units[entry.Quantity].Symbol}".TrimEnd()
                + ".";

    private string Show(double value, QuantityKind kind) => QuantityText.Entered(value, kind, Units);

    private static double Number(JsonNode node) => node.AsValue().TryGetValue<double>(out var number) ? number : node.GetValue<int>();

    private JsonNode? At(string path)
    {
        JsonNode? node = document;
        foreach (var part in path.Split('/').Skip(1))
            node = node is JsonArray array ? array[int.Parse(part)] : node?[part];
        return node;
    }
}
