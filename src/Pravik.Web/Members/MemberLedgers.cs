using Pravik.Core.Bridges;
using Pravik.Core.LoneMembers;
using Pravik.Core.Sections;
using Pravik.Core.Units;
using Pravik.Exchange;
using Pravik.Web.Ledgers;

namespace Pravik.Web.Members;

/// <summary>The ledgers of a member's steps in which values are entered.</summary>
internal static class MemberLedgers
{
    public static Ledger Basis(MemberScreen screen)
    {
        var rows = screen.Rows;
        var set = Core.Codes.NationalValues.Named(screen.Member.Basis.NationalSet)!;
        string[] titles = ["project", "client", "office", "number", "issue", "drawn", "checked"];
        return new(
            "Basis",
            "what the member is built on",
            [
                new(
                    "Project",
                    [
                        rows.Entry("/name", name: "Member name"),
                        rows.Entry("/basis/nationalSet"),
                        rows.Entry("/basis/indirectAtUltimate"),
                        rows.Entry("/basis/units"),
                    ]
                )
                {
                    Note = "Actions are combined by EN 1990, the member is checked to EN 1992.",
                },
                new("Titles", [.. titles.Select(t => rows.Entry($"/basis/titles/{t}"))]) { Note = "Printed on the report." },
                new(
                    "National values",
                    [.. set.Entries.Select(e => rows.Entry($"/basis/ownValues/{e.Name}", e.Value, e.Meaning) with { Help = e.Clause })]
                )
                {
                    Note = "Grey values are those of the set. A value typed here replaces one.",
                },
            ]
        );
    }

    public static Ledger Spans(MemberScreen screen)
    {
        var (member, rows) = (screen.Member, screen.Rows);
        return new(
            "Spans and supports",
            $"{screen.At(screen.Places.Ends[^1])} in all",
            [
                new("Spans", [.. member.Spans.SelectMany((_, i) => new[] { Number(i), rows.Entry($"/spans/{i}/length") })])
                {
                    Columns = ["", "Length"],
                    RowActions =
                        member.Spans.Length < 2
                            ? []
                            :
                            [
                                .. member.Spans.Select(
                                    (_, i) =>
                                        new LedgerAction(
                                            $"Take span {i + 1} away",
                                            $"Span {i + 1} taken away",
                                            [new("remove", $"/spans/{i}"), new("remove", $"/supports/{i + 1}")]
                                        )
                                ),
                            ],
                    Actions =
                    [
                        new(
                            "Add a span",
                            "Span added",
                            [
                                new("add", "/spans/-", BridgeJson.Node(member.Spans[^1])),
                                new("add", "/supports/-", BridgeJson.Node(new LoneSupport())),
                            ]
                        ),
                    ],
                },
                new(
                    "Supports",
                    [
                        .. member.Supports.SelectMany(
                            (_, i) =>
                                new[]
                                {
                                    Number(i),
                                    rows.Entry($"/supports/{i}/restraint"),
                                    rows.Entry($"/supports/{i}/bearing"),
                                    rows.Entry($"/supports/{i}/spring"),
                                    rows.Entry($"/supports/{i}/settlement"),
                                }
                        ),
                    ]
                )
                {
                    Columns = ["", "Held", "Bearing", "Stiffness", "Settles by"],
                    Note = "A free end is a cantilever. Settlements count where they worsen.",
                },
                new("Beyond the supports", [rows.Entry("/overhang")]),
            ]
        );
    }

    public static Ledger Section(MemberScreen screen)
    {
        var (member, rows, picked) = (screen.Member, screen.Rows, MemberSteps.Picked(screen));
        var (section, path) = (member.Sections[picked], $"/sections/{picked}");
        var family = SectionFamily.Named(section.Family)!;
        var made = screen.Sections.MadeAt(screen.Station);
        List<LedgerGroup> groups =
        [
            new(
                "Section",
                [
                    rows.Entry($"{path}/name"),
                    rows.Entry($"{path}/family"),
                    .. family.Sizes.Select(s => rows.Entry($"{path}/sizes/{s.Name}", s.Usual)),
                ]
            )
            {
                Actions =
                [
                    new(
                        "Add a section",
                        "Section added",
                        [
                            new(
                                "add",
                                "/sections/-",
                                BridgeJson.Node(section with { Name = Free("Section", member.Sections.Select(s => s.Name)) })
                            ),
                        ]
                    ),
                    .. member.Sections.Length > 1 && member.Stretches.All(s => s.Section != section.Name)
                        ? [new LedgerAction("Take it away", $"Section {section.Name} taken away", [new("remove", path)])]
                        : Array.Empty<LedgerAction>(),
                ],
                Note = family.Sizes.IsEmpty ? "Own outlines are kept as they came with the file." : "",
            },
        ];
        if (member.Sections.Length > 1)
            groups.Add(
                new(
                    "Sections of the member",
                    [.. member.Sections.Select((s, i) => LedgerRows.Reading($"{i + 1}", s.Name) with { Picks = $"/sections/{i}" })]
                )
            );
        groups.Add(Stretches(screen));
        groups.Add(
            new(
                "Materials",
                [
                    rows.Entry("/materials/concrete/class"),
                    rows.Entry("/materials/reinforcement/class"),
                    rows.Entry("/materials/strand/type"),
                    rows.Entry("/materials/exposure"),
                    rows.Entry("/unitWeight"),
                ]
            )
        );
        groups.Add(Slab(screen));
        var p = made.Bending;
        groups.Add(
            new(
                "Readings at the cursor",
                [
                    rows.Reading("Area", p.Area, QuantityKind.SectionArea),
                    rows.Reading("Centroid above soffit", p.Centroid, QuantityKind.Size),
                    rows.Reading("Second moment", p.SecondMoment, QuantityKind.SecondMoment),
                ]
            )
        );
        return new("Section", section.Name, groups) { Focus = Focus(screen, "/sections") };
    }

    private static LedgerGroup Stretches(MemberScreen screen)
    {
        var (member, rows) = (screen.Member, screen.Rows);
        return new(
            "Stretches with another section",
            [
                .. member.Stretches.SelectMany(
                    (_, i) =>
                        new[]
                        {
                            rows.Entry($"/stretches/{i}/section"),
                            rows.Entry($"/stretches/{i}/from"),
                            rows.Entry($"/stretches/{i}/to"),
                        }
                ),
            ]
        )
        {
            Columns = ["Section", "From", "To"],
            RowActions = [.. Removals(member.Stretches.Length, "stretches", "Stretch")],
            Actions =
            [
                new(
                    "Add a stretch",
                    "Stretch added",
                    [
                        new(
                            "add",
                            "/stretches/-",
                            BridgeJson.Node(
                                new SectionStretch { Section = member.Sections[^1].Name, To = Math.Round(screen.Places.Ends[1] / 5, 2) }
                            )
                        ),
                    ]
                ),
            ],
        };
    }

    private static LedgerGroup Slab(MemberScreen screen)
    {
        var rows = screen.Rows;
        return screen.Member.Slab is null
            ? new("Slab cast on it", [])
            {
                Note = "None.",
                Actions = [new("Add a slab", "Slab added", [new("replace", "/slab", BridgeJson.Node(new LoneSlab()))])],
            }
            : new(
                "Slab cast on it",
                [
                    rows.Entry("/slab/width"),
                    rows.Entry("/slab/weighs", screen.Member.Slab.Width),
                    rows.Entry("/slab/thickness"),
                    rows.Entry("/slab/haunch"),
                    rows.Entry("/materials/slab/class"),
                    rows.Entry("/topSurface"),
                ]
            )
            {
                Actions = [new("Take it away", "Slab taken away", [new("replace", "/slab")])],
            };
    }

    public static Ledger Bars(MemberScreen screen)
    {
        var (member, rows) = (screen.Member, screen.Rows);
        string[] bars = ["face", "axisDistance", "diameter", "count", "spacing"];
        string[] links = ["legs", "diameter", "spacing", "from", "to"];
        string[] strands = ["level", "count", "spacing", "debonded", "debondedLength"];
        return new(
            "Bars and strands",
            "",
            [
                new("Layers of bars", Cells(rows, "bars", member.Bars.Length, bars))
                {
                    Columns = ["Face", "Axis", "Diameter", "Number", "Distance"],
                    RowActions = [.. Removals(member.Bars.Length, "bars", "Layer")],
                    Actions =
                    [
                        new(
                            "Add a layer",
                            "Layer of bars added",
                            [new("add", "/bars/-", BridgeJson.Node(new BarStretch { Spacing = 0.15 }))]
                        ),
                    ],
                    Note = "By their number or by their distance over the width of the face.",
                },
                new(
                    "Where layers begin and end",
                    [.. member.Bars.SelectMany((_, i) => new[] { Number(i), rows.Entry($"/bars/{i}/from"), rows.Entry($"/bars/{i}/to") })]
                )
                {
                    Columns = ["Layer", "From", "To"],
                    Note = "From the first support; an empty end runs on and counts as anchored beyond.",
                },
                new("Links", Cells(rows, "links", member.Links.Length, links))
                {
                    Columns = ["Legs", "Diameter", "Distance", "From", "To"],
                    RowActions = [.. Removals(member.Links.Length, "links", "Links")],
                    Actions = [new("Add links", "Links added", [new("add", "/links/-", BridgeJson.Node(new LinkStretch()))])],
                    Note = "Where stretches meet the later one holds.",
                },
                new(
                    "Shear, torsion, deflection",
                    [rows.Entry("/strutSlope"), rows.Entry("/leavesOutTorsion"), rows.Entry("/deflectionLimit")]
                ),
                new("Rows of strands", Cells(rows, "strands/rows", member.Strands.Rows.Length, strands))
                {
                    Columns = ["Level", "Number", "Distance", "Debonded", "over"],
                    RowActions = [.. Removals(member.Strands.Rows.Length, "strands/rows", "Row of strands")],
                    Actions =
                    [
                        new("Add a row", "Row of strands added", [new("add", "/strands/rows/-", BridgeJson.Node(new StrandRow()))]),
                        .. Debonding.Actions(member.Strands, "/strands"),
                    ],
                    Note = "Pretensioned, in members of one span.",
                },
                .. Debonding.Group(member.Strands, "/strands", rows),
                .. member.Strands.Rows.IsEmpty
                    ? Array.Empty<LedgerGroup>()
                    :
                    [
                        new(
                            "Stress of strands",
                            [
                                .. new[] { "/strands/jackStress", "/strands/effectiveStress" }.Select(p => rows.Entry(p)),
                                .. new[] { "age", "heatTemperature", "heatHours" }.Select(c => rows.Entry($"/release/{c}")),
                                rows.Entry("/release/strength", (screen.Sections.Early with { Entered = null }).Fck),
                            ]
                        )
                        {
                            Note = member.WorksOutLosses
                                ? "Losses are worked out place by place; under Checks, “Stress of strands in service” tells each."
                                : "The stress after all losses is entered: losses, release and construction are not checked. Empty it to "
                                    + "have them worked out.",
                        },
                        .. member.WorksOutLosses
                            ?
                            [
                                new LedgerGroup(
                                    "Time",
                                    [
                                        .. new[] { "loadedOn", "lastDay", "humidity", "cement", "aging" }.Select(c =>
                                            rows.Entry($"/time/{c}")
                                        ),
                                    ]
                                )
                                {
                                    Note =
                                        "Days count from when the member was made. A slab works with it from three days after it is cast.",
                                },
                            ]
                            : Array.Empty<LedgerGroup>(),
                    ],
            ]
        )
        {
            Focus = Focus(screen, "/bars", "/links", "/strands", "/release", "/time"),
        };
    }

    /// <summary>The case whose loads are drawn: the one that is picked, or the first.</summary>
    public static int? Case(MemberScreen screen) =>
        screen.Pick?.Split('/') is ["", "cases", var number, ..] && int.TryParse(number, out var i) && i < screen.Member.Cases.Length ? i
        : screen.Member.Cases.IsEmpty ? null
        : 0;

    public static Ledger Loads(MemberScreen screen)
    {
        var (member, rows) = (screen.Member, screen.Rows);
        if (member.Effects is { } tables)
            return new(
                "Effects from elsewhere",
                $"{tables.Combinations.Length} tables at {tables.At.Length} places",
                [
                    new("Tables", [.. tables.Combinations.Select(t => LedgerRows.Reading(t.Name, $"{t.State}"))])
                    {
                        Note = "They stand in place of all loads. They come with the member’s file and are edited there.",
                        Actions = [new("Take them away", "Tables of effects taken away", [new("replace", "/effects")])],
                    },
                ]
            );
        string[] traffic = ["model", "share", "dynamic"];
        List<LedgerGroup> groups = [];
        for (var i = 0; i < member.Cases.Length; i++)
            groups.AddRange(CaseOf(screen, i));
        return new(
            "Loads",
            "beside the weight of the member",
            [
                .. groups,
                new("Load cases", [])
                {
                    Actions =
                    [
                        new(
                            "Add a load case",
                            "Load case added",
                            [
                                new(
                                    "add",
                                    "/cases/-",
                                    BridgeJson.Node(
                                        new LoneCase { Name = Free("Own case", member.Cases.Select(c => c.Name)), Loads = [new()] }
                                    )
                                ),
                            ]
                        ),
                    ],
                },
                new("Traffic", Cells(rows, "traffic", member.Traffic.Length, traffic))
                {
                    Columns = ["Model", "Share", "Dynamic"],
                    RowActions = [.. Removals(member.Traffic.Length, "traffic", "Traffic")],
                    Actions =
                    [
                        new(
                            "Add traffic",
                            "Traffic added",
                            [new("add", "/traffic/-", BridgeJson.Node(new LoneTraffic { Model = Unused(member) }))]
                        ),
                    ],
                    Note = "One lane of each, with the share that the member carries. Axles are not spread.",
                },
                new("Temperature over the depth", [rows.Entry("/heating"), rows.Entry("/cooling")]),
            ]
        )
        {
            Focus = Focus(screen, "/cases"),
        };
    }

    private static IEnumerable<LedgerGroup> CaseOf(MemberScreen screen, int i)
    {
        var (own, rows, path) = (screen.Member.Cases[i], screen.Rows, $"/cases/{i}");
        string[] loads = ["kind", "from", "to", "value", "toValue"];
        string[] psi = own.Action == OwnAction.Variable ? ["psi0", "psi1", "psi2"] : [];
        yield return new(
            own.Name,
            [
                rows.Entry($"{path}/name"),
                rows.Entry($"{path}/action"),
                .. psi.Select(p => rows.Entry($"{path}/{p}")),
                .. screen.Member.Slab is null ? Array.Empty<LedgerRow>() : [rows.Entry($"{path}/beforeSlab")],
                LedgerRows.Reading("Drawn", i == Case(screen) ? "yes" : "show it") with
                {
                    Picks = path,
                },
            ]
        )
        {
            Actions = [new("Take the case away", $"{own.Name} taken away", [new("remove", path)])],
        };
        yield return new($"Loads of {own.Name}", Cells(rows, $"cases/{i}/loads", own.Loads.Length, loads))
        {
            Columns = ["Kind", "From", "To", "Value", "at the end"],
            RowActions = [.. Removals(own.Loads.Length, $"cases/{i}/loads", "Load")],
            Actions = [new("Add a load", $"Load of {own.Name} added", [new("add", $"{path}/loads/-", BridgeJson.Node(new LoneLoad()))])],
        };
    }

    private static string Unused(LoneMember member) =>
        new[] { "LM1", "LM2", "LM71", "SW/0", "SW/2", "LM4" }.FirstOrDefault(m => member.Traffic.All(t => t.Model != m)) ?? "LM1";

    private static string Free(string name, IEnumerable<string> taken)
    {
        var known = taken.ToHashSet();
        return Enumerable.Range(known.Count + 1, 200).Select(n => $"{name} {n}").First(n => !known.Contains(n));
    }

    private static LedgerRow Number(int i) => LedgerRows.Reading("", $"{i + 1}");

    private static IReadOnlyList<LedgerRow> Cells(LedgerRows rows, string list, int count, string[] names) =>
        [.. Enumerable.Range(0, count).SelectMany(i => names.Select(n => rows.Entry($"/{list}/{i}/{n}")))];

    private static IEnumerable<LedgerAction> Removals(int count, string list, string name) =>
        Enumerable
            .Range(0, count)
            .Select(i => new LedgerAction(
                $"Take {name.ToLowerInvariant()} {i + 1} away",
                $"{name} {i + 1} taken away",
                [new("remove", $"/{list}/{i}")]
            ));

    /// <summary>The value to go to where a part was picked on a drawing.</summary>
    private static string? Focus(MemberScreen screen, params string[] parts)
    {
        if (screen.Request.Pick is not { } pick || !parts.Any(p => pick.StartsWith(p, StringComparison.Ordinal)))
            return null;
        return screen.Rows.FirstUnder(pick);
    }
}
