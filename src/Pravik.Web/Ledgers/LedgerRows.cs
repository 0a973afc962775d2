using System.Text.Json.Nodes;
using Pravik.Core.Units;
using Pravik.Exchange;

namespace Pravik.Web.Ledgers;

/// <summary>Makes ledger rows from the values of a bridge.</summary>
internal sealed class LedgerRows(Core.Bridges.Bridge bridge)
{
    private readonly JsonNode document = BridgeJson.ToNode(bridge);

    public UnitSystem Units { get; } = UnitSystem.Named(bridge.Basis.Units);

    /// <summary>A row that can be typed into. <paramref name="inherited"/> is shown where the own value is missing.</summary>
    public LedgerRow Entry(string path, double? inherited = null, string? name = null, string? inheritedChoice = null)
    {
        var field = Fields.At(path, bridge) ?? throw new ArgumentException($"{path} is not an entry.", nameof(path));
        var node = At(path);
        var unit = field.Entry is EntryKind.Quantity or EntryKind.Spans ? Units[field.Quantity].Symbol : "";
        var value = field.Entry switch
        {
            EntryKind.Choice when node is null => inheritedChoice ?? "",
            EntryKind.Spans when node is null => inheritedChoice ?? "",
            EntryKind.Spans => string.Join(" + ", node!.AsArray().Select(n => Show(n!.GetValue<double>(), QuantityKind.Length))),
            EntryKind.Quantity => node is null
                ? inherited is { } i
                    ? Units.Format(i, field.Quantity)
                    : inheritedChoice ?? ""
                : Show(Number(node), field.Quantity),
            _ when node is JsonValue flag && flag.TryGetValue<bool>(out var yes) => yes ? "true" : "false",
            _ => node?.GetValue<string>() ?? inheritedChoice ?? "",
        };
        return new(name ?? field.Name, value, unit)
        {
            Path = path,
            Entry = field.Entry.ToString().ToLowerInvariant(),
            Help = field.Help,
            Choices = field.Choices,
            IsOwn = field.IsOwn && node is not null,
            IsInherited = field.IsOwn && node is null,
        };
    }

    /// <summary>A row for a value that follows from the document and can be typed all the same.</summary>
    public LedgerRow Derived(string path, double value)
    {
        var field = Fields.At(path) ?? throw new ArgumentException($"{path} is not an entry.", nameof(path));
        return new(field.Name, Show(value, field.Quantity), Units[field.Quantity].Symbol)
        {
            Path = path,
            Entry = "quantity",
            Help = field.Help,
        };
    }

    public LedgerRow Reading(string name, double value, QuantityKind kind, string help = "") =>
        new(name, Units.Format(value, kind), Units[kind].Symbol) { Help = help };

    public static LedgerRow Reading(string name, string value, string help = "") => new(name, value, "") { Help = help };

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
