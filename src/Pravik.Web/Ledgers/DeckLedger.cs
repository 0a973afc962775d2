using System.Text.Json.Nodes;
using Pravik.Core.Bridges;
using Pravik.Core.Loads;
using Pravik.Core.Places;
using Pravik.Core.Units;
using Pravik.Core.Vehicles;
using Pravik.Data;
using Pravik.Exchange;

namespace Pravik.Web.Ledgers;

/// <summary>
/// The ledger of the deck: the unit at the cursor, or the one that is picked, its pattern with strips and slab, what the unit has of
/// its own, and
/// the parapets.
/// </summary>
internal sealed class DeckLedger(Bridge bridge, BridgeGeometry geometry, LedgerRows rows, double station, IReadOnlyList<LibraryRow> library)
{
    private readonly Deck deck = bridge.Deck;

    public Ledger Make(string? picked)
    {
        var parts = picked?.Split('/') ?? [];
        var unit = parts is ["", "parts", "units", var number, ..] ? geometry.Units.FirstOrDefault(u => $"{u.Number}" == number) : null;
        unit ??= geometry.UnitAt(station);
        var shown = ShownPattern(deck, picked) ?? unit.PatternIndex;
        var section = unit.Shape.At(Math.Clamp(station, unit.Start.Station, unit.End.Station));
        var strip = section.Strips.FirstOrDefault(s => s.Part == picked || s.Path == picked);
        var many = geometry.Units.Length > 1 || deck.Patterns.Length > 1;
        List<LedgerGroup> groups = [];
        if (strip is not null)
            groups.AddRange(PickedStrip(strip, unit));
        if (many)
            groups.AddRange([Units(unit), Unit(unit)]);
        if (many)
            groups.Add(Pattern(shown));
        groups.AddRange([Strips(shown, "left", section), Strips(shown, "right", section)]);
        if (geometry.Units.Length > 1)
            groups.AddRange(OwnStrips(unit));
        groups.AddRange(Slab(shown));
        groups.AddRange(Parapets(picked));
        groups.Add(Readings(section));
        if (!many)
            groups.Add(Pattern(shown));
        groups.AddRange(Kept());
        return new("Deck", many ? $"{unit.Name}, axes {unit.Start.Name} to {unit.End.Name}" : "strips outward from the road line", groups)
        {
            Focus =
                strip is not null ? $"{strip.Path}/width"
                : unit is not null && picked?.StartsWith("/parts/units/", StringComparison.Ordinal) == true
                    ? $"/deck/patterns/{shown}/slab/thickness"
                : picked?.StartsWith("/parapets/", StringComparison.Ordinal) == true ? $"{picked}/profile"
                : null,
        };
    }

    /// <summary>The pattern that is opened by itself, or null for that of the unit.</summary>
    public static int? ShownPattern(Deck deck, string? picked) =>
        picked?.Split('/') is ["", "deck", "patterns", var item, ..] && int.TryParse(item, out var i) && i >= 0 && i < deck.Patterns.Length
            ? i
            : null;

    private LedgerGroup Units(UnitPlace here) =>
        new(
            "Units",
            [
                .. geometry.Units.SelectMany(u =>
                    new[]
                    {
                        LedgerRows.Reading("", u == here ? $"{u.Name} ◂" : u.Name) with
                        {
                            Picks = PartPath.Unit(u.Number),
                        },
                        LedgerRows.Reading("", $"{u.Start.Name}–{u.End.Name}"),
                        LedgerRows.Reading("", deck.Patterns[u.PatternIndex].Name) with
                        {
                            Picks = $"/deck/patterns/{u.PatternIndex}",
                        },
                        LedgerRows.Reading("", OwnCount(u.Own) is > 0 and var count ? $"{count} own" : ""),
                    }
                ),
            ]
        )
        {
            Columns = ["Unit", "Axes", "Pattern", ""],
            Note =
                geometry.Units.Length == 1
                    ? "The deck runs through. An axis becomes a joint on the axes step."
                    : "Joints are made and taken away on the axes step.",
        };

    private LedgerGroup Unit(UnitPlace unit)
    {
        var (path, pattern) = ($"/deck/units/{unit.Key}", deck.Patterns[unit.PatternIndex]);
        var actions = new List<LedgerAction>();
        if (OwnCount(unit.Own) > 0)
        {
            var name = FreeName($"{pattern.Name}, {unit.Name}");
            var saved = BridgeJson.Node(unit.Pattern with { Name = name, Superseded = false });
            PatchOperation[] clear =
            [
                .. new[] { "slabThickness", "surfacing" }.Select(f => new PatchOperation("replace", $"{path}/{f}")),
                .. new[] { "left", "right" }.Select(s => new PatchOperation("replace", $"{path}/{s}", new JsonObject())),
            ];
            actions.Add(
                new(
                    "Save as a pattern",
                    $"{unit.Name} saved as the pattern “{name}”",
                    [new("add", "/deck/patterns/-", saved), .. clear, new("add", $"{path}/pattern", JsonValue.Create(name))]
                )
            );
            actions.Add(new("Give all own values back", $"Own values of {unit.Name} given back", clear));
        }
        return new(
            unit.Name,
            [
                rows.Entry($"{path}/name", inheritedChoice: unit.Name),
                rows.Entry($"{path}/pattern", inheritedChoice: pattern.Name),
                rows.Entry($"{path}/startOverhang", unit.StartOverhang),
                rows.Entry($"{path}/endOverhang", unit.EndOverhang),
                rows.Entry($"{path}/slabThickness", pattern.Slab.Thickness),
                rows.Entry($"{path}/surfacing", pattern.Surfacing),
            ]
        )
        {
            Actions = actions,
            Note = "Grey values follow; a value typed here is this unit's own.",
        };
    }

    /// <summary>Values that a unit has in place of its pattern's.</summary>
    private static int OwnCount(DeckUnit own) =>
        (own.SlabThickness is null ? 0 : 1)
        + (own.Surfacing is null ? 0 : 1)
        + own.Left.Values.Concat(own.Right.Values)
            .Sum(s => new[] { s.Width, s.Crossfall, s.Upstand, s.Surfacing, s.UnitWeight }.Count(v => v is not null));

    private LedgerGroup Pattern(int index)
    {
        var (pattern, path) = (deck.Patterns[index], $"/deck/patterns/{index}");
        var users = geometry.Units.Where(u => u.PatternIndex == index).ToList();
        var copy = FreeName($"{pattern.Name} copy");
        List<LedgerAction> actions =
        [
            new(
                "Copy it",
                $"Pattern “{copy}” added",
                [new("add", "/deck/patterns/-", BridgeJson.Node(pattern with { Name = copy, Superseded = false }))]
            ),
        ];
        // Units name their pattern; the first stands for those that name none.
        var isNamed = deck.Units.Values.Any(u => u.Pattern == pattern.Name);
        if (users.Count == 0 && !isNamed && deck.Patterns.Length > 1)
            actions.Add(new("Take it away", $"Pattern “{pattern.Name}” taken away", [new("remove", path)]));
        var names = deck
            .Patterns.Select((p, i) => (p, i))
            .Where(x => x.i != index)
            .Select(x =>
                LedgerRows.Reading($"Pattern {x.i + 1}", x.p.Superseded ? $"{x.p.Name} (superseded)" : x.p.Name) with
                {
                    Picks = $"/deck/patterns/{x.i}",
                }
            );
        return new(
            $"Pattern: {pattern.Name}",
            [
                rows.Entry($"{path}/name"),
                rows.Entry($"{path}/superseded"),
                LedgerRows.Reading("In use by", users.Count == 0 ? "no unit" : string.Join(", ", users.Select(u => u.Name))),
                .. names,
            ]
        )
        {
            Actions = [.. actions, new("Keep in the office library", "", []) { Saves = path }],
            Note =
                users.Count > 1 ? "Edited here, it changes in all of them."
                : users.Count == 0 ? "No unit has it; the section shows how it would look at the cursor."
                : "",
        };
    }

    /// <summary>What the office keeps as current, to be copied into the bridge.</summary>
    private IEnumerable<LedgerGroup> Kept()
    {
        var patterns = FromLibrary.Actions(
            library,
            LibraryJson.Pattern,
            n => deck.Patterns.Any(p => p.Name == n),
            n => $"Pattern “{n}”",
            "/deck/patterns"
        );
        var profiles = FromLibrary.Actions(
            library,
            LibraryJson.Profile,
            n => bridge.Profiles.Any(p => p.Name == n),
            n => $"Profile “{n}”",
            "/profiles"
        );
        return FromLibrary.Group(patterns.Concat(profiles), "Copies a pattern or a parapet profile into this bridge.");
    }

    private string FreeName(string name)
    {
        var free = name;
        for (var i = 2; deck.Patterns.Any(p => p.Name == free); i++)
            free = $"{name} {i}";
        return free.Length <= 60 ? free : free[..60];
    }

    private IEnumerable<LedgerGroup> Slab(int index)
    {
        var path = $"/deck/patterns/{index}";
        var slab = deck.Patterns[index].Slab;
        var rest = new[] { "/deck/haunch", "/deck/endOverhang" }
            .Concat(geometry.Units.Length > 1 ? ["/deck/jointGap"] : [])
            .Select(p => rows.Entry(p));
        yield return new(
            "Slab",
            [
                rows.Entry($"{path}/slab/thickness"),
                rows.Entry($"{path}/surfacing"),
                rows.Entry($"{path}/slab/soffit"),
                rows.Entry($"{path}/slab/edgeThickness", slab.Thickness),
                .. slab.EdgeThickness is null ? Array.Empty<LedgerRow>() : [rows.Entry($"{path}/slab/edgeTaper")],
                rows.Entry($"{path}/slab/edgeInset"),
                rows.Entry($"{path}/slab/thickening"),
                .. slab.Thickening > 0 ? new[] { rows.Entry($"{path}/slab/thickeningWidth") } : [],
                .. rest,
            ]
        )
        {
            Note = slab.Thicknesses.IsEmpty ? "" : "The thickness follows its table.",
        };
        yield return Law(
            $"{path}/slab/thicknesses",
            "Slab thickness by place",
            slab.Thicknesses,
            slab.Thickness,
            rows.Units[QuantityKind.Size].Symbol
        );
    }

    private LedgerGroup Readings(DeckSection section) =>
        new(
            "Readings",
            [
                rows.Reading("Width overall", section.Width, QuantityKind.Length),
                .. section.Carriageways.Select(
                    (c, i) =>
                        rows.Reading(
                            section.Carriageways.Length == 1 ? "Carriageway for traffic" : $"Carriageway {i + 1}",
                            c.Width,
                            QuantityKind.Length,
                            "Between kerbs and restraint systems; over a verge, footway or median too where no kerb of the least "
                                + "height guards it (EN 1991-2 1.4.2.1, 4.2.3)."
                        )
                ),
                LedgerRows.Reading(
                    "Notional lanes",
                    section.Carriageways.Sum(c => NotionalLanes.On(c.Width, bridge.Basis.Values["laneWidth"]).Count).ToString(),
                    "EN 1991-2 Table 4.1; on all carriageways together."
                ),
                rows.Reading("Slab over road line", section.Thickness(0), QuantityKind.Size),
                rows.Reading(
                    "Deck area",
                    geometry.DeckArea,
                    QuantityKind.Area,
                    "In plan, to the edges and the skewed ends, end overhangs included."
                ),
                rows.Reading("Slab concrete", geometry.SlabVolume, QuantityKind.Volume, "With thickenings, without haunches."),
            ]
        );

    /// <summary>The strip that is picked, with the laws of its width and crossfall.</summary>
    private IEnumerable<LedgerGroup> PickedStrip(StripPlace here, UnitPlace unit)
    {
        var parts = here.Path.Split('/');
        var (path, side, i) = (here.Path, parts[4], int.Parse(parts[5]));
        var strip = (side == "left" ? deck.Patterns[unit.PatternIndex].Left : deck.Patterns[unit.PatternIndex].Right)[i];
        var hasLines = !bridge.Road.Features.IsEmpty || strip.WidthLine is not null;
        return
        [
            new(
                $"Strip {i + 1} on the {side}",
                [
                    rows.Entry($"{path}/kind"),
                    rows.Entry($"{path}/name"),
                    rows.Entry($"{path}/width"),
                    .. hasLines ? new[] { rows.Entry($"{path}/widthLine") } : [],
                    rows.Entry($"{path}/crossfallLaw"),
                    rows.Entry($"{path}/crossfall"),
                    rows.Entry($"{path}/upstand"),
                    rows.Entry($"{path}/surfacing"),
                    rows.Entry($"{path}/unitWeight", PermanentLoads.KindWeight(here.Kind, bridge.Loads)),
                    rows.Reading("Width at the cursor", here.Width, QuantityKind.Length),
                    rows.Reading("Depth above slab there", here.MeanFill, QuantityKind.Size, "Mean over its width."),
                    rows.Reading("Load", PermanentLoads.StripLoad(here, bridge.Loads), QuantityKind.AreaLoad),
                ]
            )
            {
                Note =
                    strip.WidthLine is not null ? "The width follows a line of the road file."
                    : strip.Widths.IsEmpty ? ""
                    : "The width follows its table.",
            },
            Law($"{path}/widths", "Width by place", strip.Widths, strip.Width, "Width"),
            Law($"{path}/crossfalls", "Crossfall by place", strip.Crossfalls, strip.Crossfall, "%"),
        ];
    }

    private static double Crossfall(StripPlace strip, string side) =>
        (side == "left" ? strip.SurfaceFrom - strip.SurfaceTo : strip.SurfaceTo - strip.SurfaceFrom) / strip.Width;

    private LedgerGroup Law(string path, string title, IReadOnlyList<LawPoint> table, double usual, string column)
    {
        var added =
            table.Count == 0
                ? new JsonObject
                {
                    ["axis"] = 1,
                    ["at"] = 0.0,
                    ["value"] = usual,
                }
                : new JsonObject
                {
                    ["axis"] = table[^1].Axis,
                    ["at"] = table[^1].At + 10,
                    ["value"] = table[^1].Value,
                };
        return new(title, [.. table.SelectMany((_, i) => new[] { "axis", "at", "value" }.Select(c => rows.Entry($"{path}/{i}/{c}")))])
        {
            Columns = ["From axis", $"At, {rows.Units[QuantityKind.Length].Symbol}", column],
            RowActions =
            [
                .. table.Select(
                    (_, i) =>
                        new LedgerAction(
                            $"Take entry {i + 1} away",
                            $"Entry {i + 1} of {title.ToLowerInvariant()} taken away",
                            [new("remove", $"{path}/{i}")]
                        )
                ),
            ],
            Actions = [new("Add an entry", $"Entry of {title.ToLowerInvariant()} added", [new("add", $"{path}/-", added)])],
        };
    }

    private LedgerGroup Strips(int index, string side, DeckSection section)
    {
        var (path, strips) = ($"/deck/patterns/{index}/{side}", side == "left" ? deck.Patterns[index].Left : deck.Patterns[index].Right);
        // A crossfall that follows something else is shown as it is at the cursor.
        LedgerRow Cell(int i, string field)
        {
            if (field != "crossfall" || strips[i].CrossfallLaw == CrossfallLaw.Constant)
                return rows.Entry($"{path}/{i}/{field}");
            var here = section.Strips.FirstOrDefault(s => s.Path == $"{path}/{i}");
            return LedgerRows.Reading(
                "",
                here is null ? "law" : rows.Units.Format(Crossfall(here, side), QuantityKind.Slope),
                "Follows the law that is set for the picked strip."
            ) with
            {
                Picks = here?.Part,
            };
        }
        var added = new JsonObject
        {
            ["kind"] = "verge",
            ["width"] = 0.5,
            ["crossfall"] = 0.0,
            ["upstand"] = 0.0,
        };
        return new(
            $"Strips, {side}",
            [.. strips.SelectMany((_, i) => new[] { "kind", "width", "crossfall", "upstand" }.Select(c => Cell(i, c)))]
        )
        {
            Columns = Columns(),
            RowActions =
            [
                .. strips.Select(
                    (_, i) =>
                        new LedgerAction(
                            $"Take strip {i + 1} on the {side} away",
                            $"Strip {i + 1} {side} taken away",
                            [new("remove", $"{path}/{i}")]
                        )
                ),
            ],
            Actions = [new("Add a strip outside", $"Strip added {side}", [new("add", $"{path}/-", added)])],
            Note = side == "left" ? "" : "Pick a strip on the drawing for its laws of width and crossfall.",
        };
    }

    private string[] Columns() =>
        ["Strip", $"Width, {rows.Units[QuantityKind.Length].Symbol}", "Fall, %", $"Step, {rows.Units[QuantityKind.Size].Symbol}"];

    /// <summary>What a unit has in place of its pattern's strips.</summary>
    private IEnumerable<LedgerGroup> OwnStrips(UnitPlace unit)
    {
        var names = unit.Shape.At(unit.Start.Station).Strips.ToDictionary(s => string.Join('/', s.Path.Split('/')[^2..]), s => s.Name);
        foreach (var side in new[] { "left", "right" })
        {
            var strips = side == "left" ? deck.Patterns[unit.PatternIndex].Left : deck.Patterns[unit.PatternIndex].Right;
            yield return new(
                $"Own in {unit.Name}, {side}",
                [
                    .. strips.SelectMany(
                        (strip, i) =>
                        {
                            var path = $"/deck/units/{unit.Key}/{side}/{i}";
                            return new[]
                            {
                                LedgerRows.Reading("", names[$"{side}/{i}"]),
                                rows.Entry($"{path}/width", strip.Width),
                                rows.Entry($"{path}/crossfall", strip.Crossfall),
                                rows.Entry($"{path}/upstand", strip.Upstand),
                            };
                        }
                    ),
                ]
            )
            {
                Columns = Columns(),
                Note = side == "left" ? "" : "Grey values are the pattern's; clear an own value to give it back.",
            };
        }
    }

    /// <summary>Every parapet by its profile and side; the one that is picked, or the only one, with all its values.</summary>
    private IEnumerable<LedgerGroup> Parapets(string? picked)
    {
        var lines = ParapetLine.All(geometry);
        var add = new LedgerAction("Add a parapet", "Parapet added", [new("add", "/parapets/-", new JsonObject { ["side"] = "both" })]);
        if (bridge.Parapets.IsEmpty)
            yield return new("Parapets", []) { Actions = [add], Note = "There is none." };
        for (var i = 0; i < bridge.Parapets.Length; i++)
        {
            var path = $"/parapets/{i}";
            var mine = lines.Where(l => l.Index == i).ToList();
            var isOpen = picked == path || bridge.Parapets.Length == 1;
            List<LedgerRow> list = [rows.Entry($"{path}/profile"), rows.Entry($"{path}/side")];
            if (isOpen)
            {
                if (!bridge.Road.Features.IsEmpty || bridge.Parapets[i].Line is not null)
                    list.Add(rows.Entry($"{path}/line"));
                list.AddRange(new[] { "boundary", "across", "rise", "extraDepth", "squareToDeck" }.Select(f => rows.Entry($"{path}/{f}")));
                list.AddRange([
                    rows.Entry($"{path}/from", mine.FirstOrDefault()?.From),
                    rows.Entry($"{path}/to", mine.LastOrDefault()?.To),
                    rows.Entry($"{path}/weight", mine.FirstOrDefault()?.Weight),
                    rows.Entry($"{path}/impact"),
                ]);
            }
            var own = bridge.Profiles.FirstOrDefault(p => p.Name == bridge.Parapets[i].Profile);
            list.AddRange(
                mine.GroupBy(l => l.Side)
                    .Select(side =>
                        rows.Reading(
                            side.Key < 0 ? "Length left" : "Length right",
                            side.Sum(l => l.Length),
                            QuantityKind.Length,
                            "Along the traffic face."
                        )
                    )
            );
            list.Add(rows.Reading("Weight in all", mine.Sum(l => l.Weight * l.Length), QuantityKind.Force));
            yield return new($"Parapet {i + 1}", list)
            {
                Actions =
                [
                    new("Take away", $"Parapet {i + 1} taken away", [new("remove", path)]),
                    .. isOpen && own is null ? new[] { DrawOwn(i) } : [],
                    .. i == bridge.Parapets.Length - 1 ? new[] { add } : [],
                ],
                Note = isOpen ? "" : "Pick it on the section for all its values.",
            };
            if (isOpen && own is not null)
                yield return Profile(bridge.Profiles.IndexOf(own));
        }
    }

    /// <summary>Begins an own profile as a copy of the outline that the parapet has.</summary>
    private LedgerAction DrawOwn(int parapet)
    {
        var from = ParapetProfile.Of(bridge, bridge.Parapets[parapet])!;
        var name = $"{from.Name}, own";
        for (var i = 2; bridge.Profiles.Any(p => p.Name == name); i++)
            name = $"{from.Name}, own {i}";
        var profile = new OwnProfile
        {
            Name = name,
            Weight = from.Posts is null ? from.Weight : null,
            Outline = [.. from.Outlines[0].Points.Select(p => new ProfileCorner { Across = p.X, Up = p.Y })],
        };
        return new(
            "Draw an own profile",
            $"Own profile made from {from.Name}",
            [new("add", "/profiles/-", BridgeJson.Node(profile)), new("replace", $"/parapets/{parapet}/profile", JsonValue.Create(name))]
        );
    }

    private LedgerGroup Profile(int index)
    {
        var (profile, path) = (bridge.Profiles[index], $"/profiles/{index}");
        var last = profile.Outline[^1];
        var shape = ParapetProfile.Of(profile);
        return new(
            $"Profile: {profile.Name}",
            [
                .. profile.Outline.SelectMany(
                    (_, i) => new[] { rows.Entry($"{path}/outline/{i}/across"), rows.Entry($"{path}/outline/{i}/up") }
                ),
            ]
        )
        {
            Columns = [$"Across, {rows.Units[QuantityKind.Size].Symbol}", "Up"],
            RowActions =
                profile.Outline.Length <= 3
                    ? []
                    :
                    [
                        .. profile.Outline.Select(
                            (_, i) =>
                                new LedgerAction(
                                    $"Take corner {i + 1} away",
                                    $"Corner {i + 1} of {profile.Name} taken away",
                                    [new("remove", $"{path}/outline/{i}")]
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
                            $"{path}/outline/-",
                            new JsonObject
                            {
                                ["across"] = (last.Across + profile.Outline[0].Across) / 2,
                                ["up"] = (last.Up + profile.Outline[0].Up) / 2,
                            }
                        ),
                    ]
                ),
                new("Keep in the office library", "", []) { Saves = path },
            ],
            Note =
                $"Area {rows.Units.FormatWithUnit(shape.Outlines[0].Moments().Area, QuantityKind.Area)}, height "
                + $"{rows.Units.FormatWithUnit(shape.Height, QuantityKind.Size)}. The origin is the foot of the traffic face; "
                + "points at height 0 follow the deck.",
        };
    }
}
