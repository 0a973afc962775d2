using System.Text.Json.Nodes;
using Pravik.Core.Bridges;
using Pravik.Core.Places;
using Pravik.Core.Roads;
using Pravik.Core.Solids;
using Pravik.Core.Units;
using Pravik.Exchange;

namespace Pravik.Web.Ledgers;

/// <summary>The ledger of a support: its form and sizes, its bearings, what follows from them, and the types of bearings.</summary>
internal sealed class SubstructureLedger(Bridge bridge, BridgeGeometry geometry, Ground? ground, LedgerRows rows)
{
    public Ledger Make(AxisPlace axis)
    {
        var support = new SupportPlace(geometry, ground, axis);
        var (values, path) = (support.Values, $"/supports/{axis.Number}");
        var form = values.IsAbutment ? "abutment" : "pier";
        List<LedgerGroup> groups =
        [
            new("Support", [Choice(values, form), rows.Entry($"{path}/follows")])
            {
                Actions = [.. Copies(axis)],
                Note =
                    "Grey values are the usual ones, or those of the support that is followed. Type “like axis 2” into a size to "
                    + "let it follow the same size there, “like axis 2 capWidth” for another.",
            },
        ];
        groups.Add(Bearings(support));
        var titles = SupportValues
            .AllSizes.Where(s => s.Belongs(values))
            .Select(s => s.Group)
            .Concat(SupportValues.AllChoices.Where(c => c.Belongs(values)).Select(c => c.Group))
            .Where(g => g is not ("Form" or "Bearings"))
            .Distinct();
        foreach (var title in titles)
            groups.Add(
                new(
                    title,
                    [
                        .. SupportValues.AllChoices.Where(c => c.Group == title && c.Belongs(values)).Select(c => Choice(values, c.Name)),
                        .. SupportValues.AllSizes.Where(s => s.Group == title && s.Belongs(values)).Select(s => Size(support, s)),
                    ]
                )
            );
        groups.Add(Readings(support));
        groups.AddRange(Types());
        groups.Add(
            new(
                "Supports of this bridge",
                [
                    .. geometry.Axes.Select(a =>
                        LedgerRows.Reading($"Axis {a.Name}", a == axis ? "this one" : a.Kind.ToString().ToLowerInvariant()) with
                        {
                            Picks = PartPath.Support(a),
                        }
                    ),
                ]
            )
        );
        return new(
            $"Support at axis {axis.Name}",
            SupportValues.AllChoices.First(c => c.Name == form).Values.First(v => v.Value == values.Choice(form)).Words.ToLowerInvariant(),
            groups
        );
    }

    private LedgerRow Choice(SupportValues values, string name) =>
        rows.Entry($"/supports/{values.Axis}/choices/{name}", inheritedChoice: values.Choice(name));

    /// <summary>A size with where it comes from; those without a usual value show what geometry makes of them.</summary>
    private LedgerRow Size(SupportPlace support, SupportSize size)
    {
        var values = support.Values;
        var value =
            values.Own(size.Name)
            ?? size.Usual
            ?? size.Name switch
            {
                "rows" => values.Rows,
                "bearingDistance" => values.BearingDistance,
                "shelfLevel" => support.ShelfLevel,
                "foundingLevel" => support.FoundingLevel,
                "columnSpacing" => support.ColumnSpacing,
                _ => support.PileSpacing,
            };
        var row = rows.Entry($"/supports/{values.Axis}/sizes/{size.Name}", value);
        return values.Source(size.Name) switch
        {
            ValueSource.Linked => row with { Name = $"{size.Words} (like {Linked(values.Axis, size.Name)})", IsOwn = true },
            ValueSource.Followed => row with { Help = $"As at axis {bridge.Supports[$"{values.Axis}"].Follows}. {size.Help}" },
            _ => row,
        };
    }

    private string Linked(int axis, string size)
    {
        var target = SupportValues.LinkTarget(bridge.Supports[$"{axis}"].Links[size])!.Value;
        return target.Size == size
            ? $"axis {target.Axis}"
            : $"{SupportValues.AllSizes.First(s => s.Name == target.Size).Words.ToLowerInvariant()}, axis {target.Axis}";
    }

    private IEnumerable<LedgerAction> Copies(AxisPlace axis)
    {
        var others = geometry.Axes.Where(a => a != axis && (a.Kind == AxisKind.Abutment) == (axis.Kind == AxisKind.Abutment)).ToList();
        if (others.Count == 0)
            yield break;
        var kind = axis.Kind == AxisKind.Abutment ? "abutments" : "piers";
        var own = BridgeJson.Node(bridge.Supports.GetValueOrDefault($"{axis.Number}") ?? new());
        yield return new(
            $"Copy to the other {kind}",
            $"Support at axis {axis.Name} copied to the other {kind}",
            [.. others.Select(a => new PatchOperation("add", $"/supports/{a.Number}", own.DeepClone()))]
        );
        yield return new(
            $"Let the other {kind} follow it",
            $"The other {kind} follow axis {axis.Name}",
            [.. others.Select(a => new PatchOperation("add", $"/supports/{a.Number}", new JsonObject { ["follows"] = $"{axis.Number}" }))]
        );
    }

    private LedgerGroup Bearings(SupportPlace support)
    {
        var (values, path, units) = (support.Values, $"/supports/{support.Axis.Number}", rows.Units);
        List<LedgerRow> cells = [];
        foreach (var bearing in support.Bearings)
        {
            var name = bearing.IsAhead && values.Rows == 2 ? "bearingAhead" : "bearing";
            cells.AddRange([
                LedgerRows.Reading(
                    "",
                    values.Rows == 2 ? $"{bearing.Girder.Name}, {(bearing.IsAhead ? "ahead" : "behind")}" : bearing.Girder.Name
                ),
                rows.Entry($"{path}/choices/{name}-{bearing.Girder.Number}", inheritedChoice: bearing.Type.Name),
                LedgerRows.Reading("", units.Format(bearing.Seat, QuantityKind.Length)),
                LedgerRows.Reading("", units.Format(bearing.Seat - support.ShelfLevel, QuantityKind.Size)),
            ]);
        }
        return new("Bearings", cells)
        {
            Columns = ["Girder", "Type", $"Seat, {units[QuantityKind.Length].Symbol}", $"Plinth, {units[QuantityKind.Size].Symbol}"],
            Actions =
            [
                .. Layouts(support),
                .. bridge.Supports.GetValueOrDefault($"{support.Axis.Number}") is { } own
                && own.Choices.Keys.Any(k => k.StartsWith("bearing", StringComparison.Ordinal))
                    ? new[] { Laid(support, "As usual", new Dictionary<string, string>()) }
                    : [],
            ],
        };
    }

    /// <summary>Layouts of an axis in one action: those for which the bridge has the types.</summary>
    private IEnumerable<LedgerAction> Layouts(SupportPlace support)
    {
        BearingType? Of(Freedom freedom) => bridge.Bearings.FirstOrDefault(b => b.Freedom == freedom);
        var middle = (geometry.Girders.Length + 1) / 2;
        if (Of(Freedom.Elastomeric) is { } elastomeric)
            yield return Laid(support, "All elastomeric", new Dictionary<string, string> { ["bearing"] = elastomeric.Name });
        if (Of(Freedom.Fixed) is { } held && Of(Freedom.GuidedAcross) is { } across)
            yield return Laid(
                support,
                "One fixed, the others guided across",
                new Dictionary<string, string> { ["bearing"] = across.Name, [$"bearing-{middle}"] = held.Name }
            );
        // Held along by all but held across in the middle alone, so that the width can change with temperature.
        if (Of(Freedom.GuidedAcross) is { } alongAll)
            yield return Laid(support, "All guided across", new Dictionary<string, string> { ["bearing"] = alongAll.Name });
        if (Of(Freedom.Fixed) is { } allFixed)
            yield return Laid(support, "All fixed", new Dictionary<string, string> { ["bearing"] = allFixed.Name });
        if (Of(Freedom.Free) is { } allFree)
            yield return Laid(support, "All free", new Dictionary<string, string> { ["bearing"] = allFree.Name });
        if (support.Values.Rows == 2 && Of(Freedom.Free) is { } loose && Of(Freedom.Fixed) is { } firm)
            yield return Laid(
                support,
                "Back row fixed, ahead free",
                new Dictionary<string, string> { ["bearing"] = firm.Name, ["bearingAhead"] = loose.Name }
            );
        if (Of(Freedom.Free) is { } free && Of(Freedom.GuidedAlong) is { } along)
            yield return Laid(
                support,
                "Free along",
                new Dictionary<string, string> { ["bearing"] = free.Name, [$"bearing-{middle}"] = along.Name }
            );
    }

    private LedgerAction Laid(SupportPlace support, string words, Dictionary<string, string> bearings)
    {
        var own = bridge.Supports.GetValueOrDefault($"{support.Axis.Number}") ?? new();
        var kept = own.Choices.Where(c => !c.Key.StartsWith("bearing", StringComparison.Ordinal)).Concat(bearings);
        return new(
            words,
            $"Bearings at axis {support.Axis.Name}: {words.ToLowerInvariant()}",
            [
                new(
                    "add",
                    $"/supports/{support.Axis.Number}",
                    BridgeJson.Node(own with { Choices = System.Collections.Immutable.ImmutableSortedDictionary.CreateRange(kept) })
                ),
            ]
        );
    }

    private LedgerGroup Readings(SupportPlace support)
    {
        var volume = new SupportSolids(support).Parts().Where(p => p.Kind != SolidKind.Bearings).Sum(p => p.Solid.Volume);
        return new(
            "Readings",
            [
                rows.Reading("Shelf level", support.ShelfLevel, QuantityKind.Length),
                rows.Reading("Underside of crosshead or seat", support.CapSoffit, QuantityKind.Length),
                rows.Reading(
                    "Founding level",
                    support.FoundingLevel,
                    QuantityKind.Length,
                    ground is null ? "There is no ground: it lies the given height below the shelf." : ""
                ),
                support.LowestGround is { } lowest
                    ? rows.Reading("Lowest ground under it", lowest, QuantityKind.Length)
                    : LedgerRows.Reading("Ground under it", ground is null ? "none given" : "not under all of it"),
                rows.Reading("Height above foundation", support.CapSoffit - support.FootTop, QuantityKind.Length),
                rows.Reading("Concrete of this support", volume, QuantityKind.Volume),
            ]
        );
    }

    private IEnumerable<LedgerGroup> Types()
    {
        var inUse = SupportPlace.All(geometry, ground).SelectMany(s => s.Bearings).Select(b => b.Type.Name).ToHashSet();
        for (var i = 0; i < bridge.Bearings.Length; i++)
        {
            var (bearing, path) = (bridge.Bearings[i], $"/bearings/{i}");
            string[] more = bearing.Freedom switch
            {
                Freedom.Elastomeric => ["layers", "layerThickness", "plateThickness", "outerLayer", "edgeCover", "shearModulus"],
                Freedom.Springs => ["along", "across", "upright"],
                _ => [],
            };
            var used = inUse.Contains(bearing.Name);
            yield return new(
                $"Bearing type: {bearing.Name}",
                [
                    .. new[] { "name", "freedom", "length", "width", "height" }.Concat(more).Select(f => rows.Entry($"{path}/{f}")),
                    LedgerRows.Reading("In use", used ? "yes" : "no"),
                    .. bearing.Freedom == Freedom.Elastomeric
                        ? new[]
                        {
                            rows.Reading("Rubber and plates", bearing.Stack(), QuantityKind.Size, "Height of all layers together."),
                            LedgerRows.Reading(
                                "Shape factor",
                                QuantityText.Fixed(bearing.ShapeFactor(), 2),
                                "Of an inner layer, from the area of the plates (EN 1337-3 5.3.3.1)."
                            ),
                            rows.Reading(
                                "Shear stiffness",
                                bearing.Shear().Along,
                                QuantityKind.LineLoad,
                                "G A / T e, the whole plan area over all the rubber (EN 1337-3 5.3.3.7)."
                            ),
                            rows.Reading(
                                "Compression stiffness",
                                bearing.Compression(),
                                QuantityKind.LineLoad,
                                "From Σ t / A' (1/(5 G S²) + 1/E b) (EN 1337-3 5.3.3.7)."
                            ),
                        }
                        : [],
                ]
            )
            {
                Actions =
                    used || bridge.Bearings.Length == 1
                        ? []
                        : [new("Take away", $"Bearing type “{bearing.Name}” taken away", [new("remove", path)])],
            };
        }
        var name = "Own bearing";
        for (var n = 2; bridge.Bearings.Any(b => b.Name == name); n++)
            name = $"Own bearing {n}";
        yield return new("Another type", [])
        {
            Actions =
            [
                new(
                    "Add a type of bearing",
                    "Bearing type added",
                    [new("add", "/bearings/-", BridgeJson.Node(new BearingType { Name = name }))]
                ),
            ],
        };
    }
}
