using System.Text.Json;
using Pravik.Core.Trusses;
using Pravik.Core.Units;
using Pravik.Core.Vehicles;
using Pravik.Data;
using Pravik.Drawings.Views;
using Pravik.Exchange;
using Pravik.Web.Ledgers;
using Pravik.Web.Steps;
using Pravik.Web.Workspaces;

namespace Pravik.Web.Trusses;

/// <summary>The site of a scheme: its choices, what each costs, all of them compared.</summary>
internal static class SiteStep
{
    public static SheetContent Sheet(TrussScreen screen, string layout)
    {
        TrussShown shown = new() { HasNames = true, Cursor = screen.Station };
        return layout == "choices"
            ? new([Screen.Drawn("choices", CostBarsView.Draw("Site and deck alone", Bars(screen), screen.Half))], Choices(screen))
            : new([screen.Side("side", screen.Whole, shown, "The site, with the scheme on it")]);
    }

    public static Ledger Ledger(TrussScreen screen)
    {
        var (scheme, site, rows) = (screen.Scheme, screen.Scheme.Site, screen.Rows);
        var cost = TrussCost.OfSite(scheme);
        List<LedgerGroup> groups =
        [
            new("Scheme", [rows.Entry("/name", name: "Scheme name"), rows.Entry("/author"), rows.Entry("/units"), rows.Entry("/currency")]),
        ];
        if (scheme.Task is { } task)
            groups.Add(Task(screen, task));
        else if (!site.Locked)
            groups[0] = groups[0] with
            {
                Actions =
                [
                    new(
                        "Make a task of it",
                        "Task begun",
                        [
                            new(
                                "replace",
                                "/task",
                                BridgeJson.Node(
                                    new TrussTask
                                    {
                                        Name = scheme.Name,
                                        MostJoints = 20,
                                        MostBars = 60,
                                    }
                                )
                            ),
                        ]
                    ),
                ],
            };
        if (Chosen(screen) is { } chosen)
            groups.Add(
                new(
                    "This choice",
                    [LedgerRows.Reading(chosen.Words, screen.Money(TrussCost.OfSite(scheme with { Site = chosen.Site }).Total))]
                )
                {
                    Actions = [new("Take this choice", $"Site: {chosen.Words}", [new("replace", "/site", BridgeJson.Node(chosen.Site))])],
                }
            );
        groups.Add(
            new(
                "Opening",
                [
                    Value("/site/opening"),
                    Value("/site/road"),
                    Value("/site/panels"),
                    rows.Reading("each", screen.Places.Panel, QuantityKind.Length),
                    Value("/site/headroom"),
                ]
            )
            {
                Note = site.Locked ? "The task locks the site." : "",
                Actions = site.Locked
                    ? []
                    :
                    [
                        site.Clearance is null
                            ? new(
                                "Keep a clearance",
                                "Clearance kept",
                                [
                                    new(
                                        "replace",
                                        "/site/clearance",
                                        BridgeJson.Node(
                                            new TrussClearance(0.3 * site.Opening, 0.7 * site.Opening, site.Road - 0.15 * site.Opening)
                                        )
                                    ),
                                ]
                            )
                            : new("Give the clearance up", "Clearance given up", [new("replace", "/site/clearance")]),
                    ],
            }
        );
        if (site.Clearance is not null)
            groups.Add(new("Clearance", [Value("/site/clearance/from"), Value("/site/clearance/to"), Value("/site/clearance/top")]));
        groups.Add(
            new(
                "What carries it",
                [
                    Value("/site/springings"),
                    Value("/site/leftAnchor"),
                    Value("/site/rightAnchor"),
                    .. site.Pier is null ? Array.Empty<LedgerRow>() : [Value("/site/pier/x"), Value("/site/pier/top")],
                ]
            )
            {
                Note = "An intermediate support holds upright and gives way along.",
                Actions = site.Locked
                    ? []
                    :
                    [
                        site.Pier is null
                            ? new(
                                "Add a support between",
                                "Intermediate support added",
                                [new("replace", "/site/pier", BridgeJson.Node(MiddlePier(site)))]
                            )
                            : new("Take the support away", "Intermediate support taken away", [new("replace", "/site/pier")]),
                    ],
            }
        );
        groups.Add(
            new(
                "Deck and traffic",
                [
                    Value("/site/deck"),
                    Value("/site/deckWeight", screen.Places.DeckWeight),
                    Value("/site/lanes"),
                    Value("/site/laneWidth"),
                    Value("/site/kerb"),
                    Value("/site/planes"),
                ]
            )
        );
        groups.Add(
            new(
                "Readings: cost of site and deck",
                [
                    .. cost.Lines.Select(l =>
                        LedgerRows.Reading(l.Words, screen.Money(l.Cost), $"{QuantityText.Fixed(l.Amount, 1)} {l.Unit}")
                    ),
                    LedgerRows.Reading("Site and deck", screen.Money(cost.Total)),
                ]
            )
        );
        groups.AddRange(Vehicles(screen));
        groups.Add(GroundLevels(screen));
        groups.Add(
            new(
                "Factors and limits",
                [
                    rows.Entry("/rules/permanent"),
                    rows.Entry("/rules/permanentRelieving"),
                    rows.Entry("/rules/traffic"),
                    rows.Entry("/rules/gammaM0"),
                    rows.Entry("/rules/gammaM1"),
                    rows.Entry("/rules/slendernessCompression"),
                    rows.Entry("/rules/slendernessTension"),
                    rows.Entry("/rules/deflection"),
                ]
            )
        );
        return new("Site", $"{screen.Units.FormatWithUnit(site.Opening, QuantityKind.Length)} opening", groups);

        // What a task locks is read, not typed.
        LedgerRow Value(string path, double? inherited = null)
        {
            var row = rows.Entry(path, inherited);
            return site.Locked ? Read(row) : row;
        }
    }

    /// <summary>A task: typed while the site is free, read once it is set.</summary>
    private static LedgerGroup Task(TrussScreen screen, TrussTask task)
    {
        string[] limits = ["mostJoints", "mostBars", "mostSections", "mostCost", "score"];
        if (!screen.Scheme.Site.Locked)
            return new("Task", [.. new[] { "name", "text" }.Concat(limits).Select(n => screen.Rows.Entry($"/task/{n}"))])
            {
                Actions =
                [
                    new("Set the task", "Task set: its site stands", [new("replace", "/site/locked", true)]),
                    new("Give the task up", "Task given up", [new("replace", "/task")]),
                ],
                Note = "Once it is set its site and its limits stand, also in copies: those are the designs that are ranked.",
            };
        var rows = limits.Select(n => screen.Rows.Entry($"/task/{n}")).Select(Read);
        return new(
            $"Task: {task.Name}",
            [
                .. rows,
                LedgerRows.Reading("Grades", task.Grades.IsEmpty ? "any" : string.Join(", ", task.Grades)),
                LedgerRows.Reading("Families", task.Families.IsEmpty ? "any" : string.Join(", ", task.Families)),
            ]
        )
        {
            Note = task.Text,
        };
    }

    /// <summary>A value that is read and not typed.</summary>
    private static LedgerRow Read(LedgerRow row) =>
        row with
        {
            Path = null,
            Entry = "reading",
            Value = row.Choices.FirstOrDefault(c => c.Value == row.Value)?.Words ?? row.Value,
        };

    private static IEnumerable<LedgerGroup> Vehicles(TrussScreen screen)
    {
        var (scheme, rows) = (screen.Scheme, screen.Rows);
        for (var v = 0; v < scheme.Vehicles.Length; v++)
        {
            var (vehicle, path) = (scheme.Vehicles[v], $"/vehicles/{v}");
            yield return new($"Vehicle {v + 1}", [rows.Entry($"{path}/name"), rows.Entry($"{path}/dynamic")]);
            yield return new(
                $"Axles of vehicle {v + 1}",
                [.. vehicle.Axles.SelectMany((_, a) => new[] { rows.Entry($"{path}/axles/{a}/load"), rows.Entry($"{path}/axles/{a}/gap") })]
            )
            {
                Columns = ["Load", "Behind"],
                RowActions =
                [
                    .. vehicle.Axles.Select(
                        (_, a) => new LedgerAction($"Take axle {a + 1} away", "Axle taken away", [new("remove", $"{path}/axles/{a}")])
                    ),
                ],
                Actions =
                [
                    new("Add an axle", "Axle added", [new("add", $"{path}/axles/-", BridgeJson.Node(new TrussAxle(60e3, 1.5)))]),
                    new("Take the vehicle away", $"{vehicle.Name} taken away", [new("remove", path)]),
                ],
            };
        }
        yield return new("Another vehicle", [])
        {
            Actions =
            [
                .. TrussVehicles
                    .Standard.Concat(OfOffice(screen.Library))
                    .Where(s => scheme.Vehicles.All(v => v.Name != s.Name))
                    .Select(s => new LedgerAction(s.Name, $"{s.Name} added", [new("add", "/vehicles/-", BridgeJson.Node(s))])),
            ],
            Note =
                "One in each lane, abreast; each governs where it is worst. Of models, the axles alone; "
                + "of the office library, vehicles of axles at fixed distances.",
        };
    }

    private static IEnumerable<TrussVehicle> OfOffice(IEnumerable<LibraryRow> library) =>
        library
            .Where(r => r.Kind == LibraryJson.Vehicle && !r.Superseded)
            .Select(r => r.Value.Deserialize<Vehicle>(BridgeJson.Options))
            .OfType<Vehicle>()
            .Select(TrussVehicles.Of)
            .OfType<TrussVehicle>();

    private static LedgerGroup GroundLevels(TrussScreen screen)
    {
        var (ground, rows) = (screen.Scheme.Site.Ground, screen.Rows);
        return new(
            "Ground",
            [.. ground.SelectMany((_, i) => new[] { rows.Entry($"/site/ground/{i}/x"), rows.Entry($"/site/ground/{i}/z") })]
        )
        {
            Columns = ["Along", "Level"],
            RowActions =
            [
                .. ground.Select(
                    (_, i) => new LedgerAction($"Take level {i + 1} away", "Ground level taken away", [new("remove", $"/site/ground/{i}")])
                ),
            ],
            Actions =
            [
                new(
                    "Add a level",
                    "Ground level added",
                    [new("add", "/site/ground/-", BridgeJson.Node(new GroundLevel(ground[^1].X + 5, ground[^1].Z)))]
                ),
            ],
        };
    }

    private static TrussPier MiddlePier(TrussSite site)
    {
        var places = new SitePlaces(site);
        var joint = places.Deck[places.Deck.Length / 2];
        return new(joint.At.X, joint.At.Y);
    }

    /// <summary>All choices of abutments, support between and anchorages, with the road as it is.</summary>
    private static IEnumerable<(string Words, TrussSite Site)> All(TrussScheme scheme)
    {
        var now = scheme.Site;
        double?[] springings = [null, now.Springings ?? Math.Round(0.15 * now.Opening, 1)];
        TrussPier?[] piers = [null, now.Pier ?? MiddlePier(now)];
        foreach (var springing in springings)
        {
            foreach (var pier in piers)
            {
                foreach (var anchors in new[] { 0, 1, 2 })
                {
                    var site = now with
                    {
                        Springings = springing,
                        Pier = pier,
                        LeftAnchor = anchors > 0 ? now.LeftAnchor ?? Math.Round(0.25 * now.Opening, 1) : null,
                        RightAnchor = anchors > 1 ? now.RightAnchor ?? Math.Round(0.25 * now.Opening, 1) : null,
                    };
                    string[] words =
                    [
                        springing is null ? "plain abutments" : "springings",
                        .. pier is null ? Array.Empty<string>() : ["support between"],
                        .. anchors == 0 ? Array.Empty<string>() : [anchors == 1 ? "one anchorage" : "two anchorages"],
                    ];
                    yield return (string.Join(", ", words), site);
                }
            }
        }
    }

    private static (string Words, TrussSite Site)? Chosen(TrussScreen screen) =>
        screen.Request.Pick?.Split('/') is ["", "parts", "choices", var n] && int.TryParse(n, out var i) && !screen.Scheme.Site.Locked
            ? All(screen.Scheme).Select(c => ((string, TrussSite)?)c).ElementAtOrDefault(i)
            : null;

    private static IReadOnlyList<CostBar> Bars(TrussScreen screen) =>
        [
            .. All(screen.Scheme)
                .Select(c =>
                {
                    var cost = TrussCost.OfSite(screen.Scheme with { Site = c.Site });
                    return new CostBar(
                        c.Words,
                        [(TrussCost.SiteGroup, cost.Of(TrussCost.SiteGroup)), (TrussCost.DeckGroup, cost.Of(TrussCost.DeckGroup))],
                        screen.Money(cost.Total)
                    );
                }),
        ];

    private static DataTable Choices(TrussScreen screen)
    {
        List<TableRow> rows = [];
        var n = 0;
        foreach (var (words, site) in All(screen.Scheme))
        {
            var (places, cost) = (new SitePlaces(site), TrussCost.OfSite(screen.Scheme with { Site = site }));
            var spans = places.Deck.Where(j => j.Hold.HasFlag(JointHold.Upright)).Select(j => j.At.X).ToList();
            if (site.Pier is { } pier)
                spans.Add(pier.X);
            var longest = spans.Order().Zip(spans.Order().Skip(1), (a, b) => b - a).Max();
            var floor = places.DugAt(site.Opening / 2);
            var isClear = site.Clearance is { } c && c.From <= site.Opening / 2 && c.To >= site.Opening / 2;
            var room = site.Road - (isClear ? Math.Max(floor, site.Clearance!.Top) : floor);
            rows.Add(
                new(
                    [
                        words,
                        screen.Money(cost.Total),
                        screen.Money(cost.Of(TrussCost.SiteGroup)),
                        screen.Units.Format(longest, QuantityKind.Length),
                        screen.Units.Format(room, QuantityKind.Length),
                        site == screen.Scheme.Site ? "as it is" : "",
                    ],
                    [null, cost.Total, cost.Of(TrussCost.SiteGroup), longest, room, null],
                    $"/parts/choices/{n}",
                    null,
                    screen.Request.Pick == $"/parts/choices/{n}"
                )
            );
            n++;
        }
        var unit = screen.Units[QuantityKind.Length].Symbol;
        return new(
            "All choices of the site",
            [
                new("Choice", false),
                new("Site and deck", true),
                new("Site", true),
                new($"Longest span, {unit}", true),
                new($"Room under the middle, {unit}", true),
                new("", false),
            ],
            rows
        );
    }
}
