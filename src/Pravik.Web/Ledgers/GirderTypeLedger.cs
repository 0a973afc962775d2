using System.Text.Json.Nodes;
using Pravik.Core.Bridges;
using Pravik.Core.Places;
using Pravik.Core.Sections;
using Pravik.Core.Units;
using Pravik.Exchange;

namespace Pravik.Web.Ledgers;

/// <summary>The ledger groups of types of girders: the list of them, then what one of them is made of.</summary>
internal sealed class GirderTypeLedger(Bridge bridge, BridgeGeometry geometry, LedgerRows rows)
{
    private readonly Girders girders = bridge.Girders;

    /// <summary>Place of the type that is picked, that of the picked girder, or that of the first.</summary>
    public static int Shown(BridgeGeometry geometry, string? picked) =>
        picked?.Split('/') is ["", "girders", "types", var item, ..]
        && int.TryParse(item, out var i)
        && i >= 0
        && i < geometry.Sections.Types.Length
            ? i
            : Of(PartPath.GirderAt(picked, geometry) ?? (geometry.GirdersIn(0)[0], 0), geometry);

    private static int Of((GirderLine Girder, SpanIndex Span) at, BridgeGeometry geometry) =>
        geometry.Sections.TypeIndex(at.Girder.Number, at.Span);

    /// <param name="shown">Place of the type whose values are shown.</param>
    public IEnumerable<LedgerGroup> Groups(int shown)
    {
        var (type, path) = (girders.Types[shown], $"/girders/types/{shown}");
        var section = geometry.Sections.OfType(type);
        yield return List(shown);
        yield return Values(shown, path);
        yield return Section(section, path);
        if (section.IsSteel)
            yield break;
        foreach (var group in new GirderSteelLedger(bridge, geometry, rows).Groups(type, path))
            yield return group;
    }

    /// <summary>All types, each with how many girders have it; a click shows its values.</summary>
    private LedgerGroup List(int shown)
    {
        var counts = geometry
            .Pieces.GroupBy(p => geometry.Sections.TypeIndex(p.Girder.Number, p.Span))
            .ToDictionary(g => g.Key, g => g.Count());
        var copy = Enumerable.Range(0, 26).Select(i => $"Type {(char)('A' + i)}").FirstOrDefault(n => girders.Types.All(t => t.Name != n));
        copy ??= $"Type {girders.Types.Length + 1}";
        var added = girders.Types[shown] with { Name = copy };
        return new(
            "Types of girders",
            [
                rows.Entry("/girders/type", inheritedChoice: girders.Types[0].Name, name: "Of all girders"),
                .. girders.Types.Select(
                    (t, i) =>
                        LedgerRows.Reading(
                            i == shown ? $"{t.Name} ◂" : t.Name,
                            $"{counts.GetValueOrDefault(i)} {(counts.GetValueOrDefault(i) == 1 ? "girder" : "girders")}",
                            "Click to see what it is made of."
                        ) with
                        {
                            Picks = $"/girders/types/{i}",
                        }
                ),
            ]
        )
        {
            Actions =
            [
                new(
                    $"Add a type like {girders.Types[shown].Name}",
                    $"{copy} added",
                    [new("add", "/girders/types/-", BridgeJson.Node(added))]
                ),
            ],
            Note = "Section, concrete, strands and haunch of girders that are made alike. Spans and single girders can have another type.",
        };
    }

    private LedgerGroup Values(int shown, string path)
    {
        var type = girders.Types[shown];
        var first = geometry.Pieces.FirstOrDefault(p => geometry.Sections.TypeIndex(p.Girder.Number, p.Span) == shown);
        var camber = first.Girder is null ? type.LaterDeflection : geometry.HaunchOf(first.Girder, first.Span).CastingCamber;
        var isUsed = first.Girder is not null || References.To(bridge, path).Any();
        return new(
            type.Name,
            [
                rows.Entry($"{path}/name"),
                .. geometry.Sections.OfType(type).IsSteel
                    ? Array.Empty<LedgerRow>()
                    : [rows.Entry($"{path}/concrete/class", name: "Concrete")],
                rows.Entry("/deck/haunch"),
                rows.Entry($"{path}/camber", camber),
                rows.Entry($"{path}/laterDeflection"),
                rows.Entry($"{path}/greatestHaunch"),
            ]
        )
        {
            Note = "The haunch along every girder follows; the layout “Levels” lists it.",
            Actions =
            [
                .. (girders.Type ?? girders.Types[0].Name) == type.Name
                    ? Array.Empty<LedgerAction>()
                    :
                    [
                        new LedgerAction(
                            "Give it to all girders",
                            $"All girders of {type.Name}",
                            [new("replace", "/girders/type", JsonValue.Create(type.Name))]
                        ),
                    ],
                .. isUsed || girders.Types.Length == 1
                    ? Array.Empty<LedgerAction>()
                    : [new LedgerAction("Take it away", $"{type.Name} taken away", [new("remove", path)])],
            ],
        };
    }

    private LedgerGroup Section(MadeSection section, string type)
    {
        var (shape, bare) = (section.Shape, section.Bending);
        var path = $"/sections/{bridge.Sections.IndexOf(shape)}";
        return new(
            "Section",
            [
                rows.Entry($"{type}/section", inheritedChoice: shape.Name),
                .. SectionFamily.Named(shape.Family)!.Sizes.Select(f => rows.Entry($"{path}/sizes/{f.Name}", f.Usual)),
                rows.Reading("Area", bare.Area, QuantityKind.SectionArea),
                rows.Reading("Centroid above soffit", bare.Centroid, QuantityKind.Size),
                rows.Reading("I, bare", bare.SecondMoment, QuantityKind.SecondMoment),
            ]
        )
        {
            Actions = [new("Design sections", "", []) { Goes = "sections" }],
            Note = "All properties, other families, published shapes and own outlines are with the design of sections.",
        };
    }
}
