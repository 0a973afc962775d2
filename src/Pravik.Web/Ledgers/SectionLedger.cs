using System.Text.Json.Nodes;
using Pravik.Core.Bridges;
using Pravik.Core.Sections;
using Pravik.Core.Units;
using Pravik.Data;
using Pravik.Exchange;

namespace Pravik.Web.Ledgers;

/// <summary>
/// The ledger of the section designer: a section's family and sizes or outlines, stress points, and all that follows from them.
/// </summary>
internal sealed class SectionLedger(Bridge bridge, LedgerRows rows, IReadOnlyList<LibraryRow> library)
{
    public Ledger Make(int index)
    {
        var (shape, path) = (bridge.Sections[index], $"/sections/{index}");
        var family = SectionFamily.Named(shape.Family)!;
        List<LedgerGroup> groups =
        [
            new(
                "Section",
                [
                    rows.Entry($"{path}/name"),
                    rows.Entry($"{path}/family"),
                    rows.Entry($"{path}/superseded"),
                    LedgerRows.Reading("In use", IsUsed(shape) ? "by the girders" : "no"),
                ]
            )
            {
                Actions = [.. Actions(index)],
            },
        ];
        if (family.Sizes.Length > 0)
            groups.Add(
                new("Sizes", [.. family.Sizes.Select(s => rows.Entry($"{path}/sizes/{s.Name}", s.Usual))])
                {
                    Note = "Grey sizes are the usual ones of the family.",
                }
            );
        if (shape.Family == SectionFamily.Own)
            groups.AddRange(Outlines(shape, path));
        groups.AddRange(Readings(new MadeSection(shape)));
        groups.Add(StressPoints(shape, path));
        groups.AddRange(Others(index));
        return new(shape.Name, family.Words.ToLowerInvariant(), groups);
    }

    private bool IsUsed(SectionShape shape) =>
        References.To(bridge, $"/sections/{bridge.Sections.IndexOf(shape)}").Any()
        || (shape == bridge.Sections[0] && bridge.Girders.Types.Any(t => t.Section is null));

    private IEnumerable<LedgerAction> Actions(int index)
    {
        var (shape, path) = (bridge.Sections[index], $"/sections/{index}");
        var copy = Free($"{shape.Name} copy");
        yield return new(
            "Copy it",
            $"Section “{copy}” added",
            [new("add", "/sections/-", BridgeJson.Node(shape with { Name = copy, Superseded = false }))]
        );
        if (!IsUsed(shape))
        {
            foreach (var (type, i) in bridge.Girders.Types.Select((t, i) => (t, i)))
                yield return new(
                    $"Give it to {type.Name}",
                    $"Girders of {type.Name} take the section “{shape.Name}”",
                    [new("replace", $"/girders/types/{i}/section", JsonValue.Create(shape.Name))]
                );
        }
        // The girders hold to the first where they name none.
        if (!IsUsed(shape) && index > 0)
            yield return new("Take it away", $"Section “{shape.Name}” taken away", [new("remove", path)]);
        if (shape.Family != SectionFamily.Own)
            yield return new(
                "Turn into own outlines",
                $"{shape.Name} turned into own outlines",
                [
                    new("replace", $"{path}/outlines", BridgeJson.Node(Drawn(shape))),
                    new("replace", $"{path}/family", JsonValue.Create(SectionFamily.Own)),
                ]
            );
        yield return new("Keep in the office library", "", []) { Saves = path };
    }

    private static OwnOutline[] Drawn(SectionShape shape) =>
        [
            .. new MadeSection(shape).Parts.Select(p => new OwnOutline
            {
                IsVoid = p.IsVoid,
                Weight = p.Weight,
                Corners = [.. p.Outline.Points.Select(c => new SectionCorner { X = Math.Round(c.X, 6), Y = Math.Round(c.Y, 6) })],
            }),
        ];

    private IEnumerable<LedgerGroup> Outlines(SectionShape shape, string path)
    {
        for (var i = 0; i < shape.Outlines.Length; i++)
        {
            var (outline, at) = (shape.Outlines[i], $"{path}/outlines/{i}");
            yield return new(
                $"Outline {i + 1}",
                [rows.Entry($"{at}/isVoid"), .. outline.IsVoid ? Array.Empty<LedgerRow>() : [rows.Entry($"{at}/weight")]]
            )
            {
                Actions =
                    shape.Outlines.Length > 1 ? [new("Take the outline away", $"Outline {i + 1} taken away", [new("remove", at)])] : [],
            };
            var last = outline.Corners.IsEmpty ? new() : outline.Corners[^1];
            yield return new(
                "",
                [.. outline.Corners.SelectMany((_, k) => new[] { rows.Entry($"{at}/corners/{k}/x"), rows.Entry($"{at}/corners/{k}/y") })]
            )
            {
                Columns = [$"Across, {rows.Units[QuantityKind.Size].Symbol}", "Up"],
                RowActions =
                    outline.Corners.Length <= 3
                        ? []
                        :
                        [
                            .. outline.Corners.Select(
                                (_, k) =>
                                    new LedgerAction(
                                        $"Take corner {k + 1} away",
                                        $"Corner {k + 1} of outline {i + 1} taken away",
                                        [new("remove", $"{at}/corners/{k}")]
                                    )
                            ),
                        ],
                Actions =
                [
                    new(
                        "Add a corner",
                        "Corner added",
                        [
                            new(
                                "add",
                                $"{at}/corners/-",
                                new JsonObject { ["x"] = (last.X + outline.Corners[0].X) / 2, ["y"] = (last.Y + outline.Corners[0].Y) / 2 }
                            ),
                        ]
                    ),
                ],
            };
        }
        OwnOutline square = new()
        {
            IsVoid = true,
            Corners =
            [
                new() { X = -0.05, Y = 0.1 },
                new() { X = 0.05, Y = 0.1 },
                new() { X = 0.05, Y = 0.2 },
                new() { X = -0.05, Y = 0.2 },
            ],
        };
        yield return new("More outlines", [])
        {
            Actions = [new("Add a void", "Void added", [new("add", $"{path}/outlines/-", BridgeJson.Node(square))])],
            Note = "Outlines may touch, each with its own ratio of moduli; voids lie within one.",
        };
    }

    private IEnumerable<LedgerGroup> Readings(MadeSection section)
    {
        var p = section.Properties;
        var (greater, lesser, angle) = p.Principal;
        yield return new(
            "Readings",
            [
                rows.Reading("Area", p.Area, QuantityKind.SectionArea, "By weight: each part times its ratio of moduli."),
                rows.Reading("Centroid above soffit", p.Centroid.Y - p.Bottom, QuantityKind.Size),
                .. Math.Abs(p.Centroid.X) > 1e-9 ? new[] { rows.Reading("Centroid across", p.Centroid.X, QuantityKind.Size) } : [],
                rows.Reading("Ix", p.Ix, QuantityKind.SecondMoment, "About the horizontal axis through the centroid."),
                rows.Reading("Iy", p.Iy, QuantityKind.SecondMoment, "About the vertical axis."),
                .. Math.Abs(p.Ixy) > 1e-9 * p.Ix
                    ? new[]
                    {
                        rows.Reading("Ixy", p.Ixy, QuantityKind.SecondMoment),
                        rows.Reading("I1", greater, QuantityKind.SecondMoment),
                        rows.Reading("I2", lesser, QuantityKind.SecondMoment),
                        rows.Reading("Turn of axis 1", angle, QuantityKind.Angle, "From the horizontal, anticlockwise."),
                    }
                    : [],
                rows.Reading("W top", p.TopModulus, QuantityKind.Modulus),
                rows.Reading("W bottom", p.BottomModulus, QuantityKind.Modulus),
                rows.Reading("W left", p.LeftModulus, QuantityKind.Modulus),
                rows.Reading("W right", p.RightModulus, QuantityKind.Modulus),
                rows.Reading(
                    "J",
                    p.J,
                    QuantityKind.SecondMoment,
                    $"Torsion constant, between bounds by the stress and the warping function; right to {p.TorsionError * 100:0.00} %."
                ),
                rows.Reading("Shear area, vertical", p.VerticalShearArea, QuantityKind.SectionArea, "I² / ∫(S²/b) dy."),
                rows.Reading("Shear area, horizontal", p.HorizontalShearArea, QuantityKind.SectionArea),
                rows.Reading("Wpl", p.PlasticModulus, QuantityKind.Modulus, "Plastic modulus about the horizontal axis."),
                rows.Reading("Wpl, vertical axis", p.PlasticModulusVertical, QuantityKind.Modulus),
                rows.Reading("Perimeter", p.Perimeter, QuantityKind.Length, "Of all outlines, voids too."),
                rows.Reading(
                    "Weight",
                    p.GrossArea * (section.IsSteel ? bridge.Loads.SteelWeight : bridge.Loads.ConcreteWeight),
                    QuantityKind.LineLoad,
                    section.IsSteel ? "In structural steel." : "In reinforced concrete."
                ),
            ]
        );
    }

    private LedgerGroup StressPoints(SectionShape shape, string path)
    {
        var made = new MadeSection(shape);
        var moduli = made.Properties.At(shape.StressPoints);
        var added = new JsonObject
        {
            ["name"] = $"P{shape.StressPoints.Length + 1}",
            ["x"] = 0.0,
            ["y"] = Math.Round(made.Top, 4),
        };
        return new(
            "Stress points",
            [
                .. shape.StressPoints.SelectMany(
                    (_, i) =>
                        new[]
                        {
                            rows.Entry($"{path}/stressPoints/{i}/name"),
                            rows.Entry($"{path}/stressPoints/{i}/x"),
                            rows.Entry($"{path}/stressPoints/{i}/y"),
                            LedgerRows.Reading(
                                "",
                                double.IsFinite(moduli[i].Horizontal) ? rows.Units.Format(moduli[i].Horizontal, QuantityKind.Modulus) : "–"
                            ),
                        }
                ),
            ]
        )
        {
            Columns = ["Name", $"Across, {rows.Units[QuantityKind.Size].Symbol}", "Up", $"Wx, {rows.Units[QuantityKind.Modulus].Symbol}"],
            RowActions =
            [
                .. shape.StressPoints.Select(
                    (p, i) =>
                        new LedgerAction(
                            $"Take {p.Name} away",
                            $"Stress point {p.Name} taken away",
                            [new("remove", $"{path}/stressPoints/{i}")]
                        )
                ),
            ],
            Actions = [new("Add a point", "Stress point added", [new("add", $"{path}/stressPoints/-", added)])],
        };
    }

    /// <summary>New sections: of any family, of the published shapes, or from the office library.</summary>
    private IEnumerable<LedgerGroup> Others(int index)
    {
        yield return new("A new section of a family", [])
        {
            Actions =
            [
                .. SectionFamily
                    .All.Where(f => f.Name != SectionFamily.Own)
                    .Select(f => Add(new() { Name = f.Words, Family = f.Name }, f.Words)),
            ],
        };
        yield return new("Published shapes", [])
        {
            Actions = [.. StandardSections.All.Where(s => bridge.Sections.All(b => b.Name != s.Name)).Select(s => Add(s, s.Name))],
            Note = "I-girders of AASHTO, types II to VI.",
        };
        var kept = FromLibrary.Actions(
            library,
            LibraryJson.Section,
            n => bridge.Sections.Any(s => s.Name == n),
            n => $"Section “{n}”",
            "/sections"
        );
        foreach (var group in FromLibrary.Group(kept))
            yield return group;
        yield return new(
            "Sections of this bridge",
            [
                .. bridge.Sections.Select(
                    (s, i) => LedgerRows.Reading($"Section {i + 1}", i == index ? $"{s.Name} ◂" : s.Name) with { Picks = $"/sections/{i}" }
                ),
            ]
        );
    }

    private LedgerAction Add(SectionShape shape, string words)
    {
        var name = Free(shape.Name);
        return new(words, $"Section “{name}” added", [new("add", "/sections/-", BridgeJson.Node(shape with { Name = name }))]);
    }

    private string Free(string name)
    {
        var free = name;
        for (var i = 2; bridge.Sections.Any(s => s.Name == free); i++)
            free = $"{name} {i}";
        return free.Length <= 60 ? free : free[..60];
    }
}
