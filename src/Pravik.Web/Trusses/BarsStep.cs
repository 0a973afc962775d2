using System.Collections.Immutable;
using Pravik.Core.Calculations;
using Pravik.Core.Entries;
using Pravik.Core.Trusses;
using Pravik.Core.Units;
using Pravik.Drawings;
using Pravik.Drawings.Views;
using Pravik.Web.Ledgers;
using Pravik.Web.Steps;
using Pravik.Web.Workspaces;

namespace Pravik.Web.Trusses;

/// <summary>Bars: their table, values of those that are picked, strength against length, influence lines.</summary>
internal static class BarsStep
{
    public static SheetContent Sheet(TrussScreen screen, string layout)
    {
        TrussShown shown = new() { States = screen.Worst, Picked = screen.Picks.Parts };
        var side = screen.Side("side", screen.Half, shown, "Every bar at its worst");
        return layout switch
        {
            "strength" => new([Strength(screen)], Families(screen)),
            "influence" => new([Influence(screen), screen.Side("side", screen.Half, shown, "Every bar at its worst")]),
            _ => new([side], Table(screen)),
        };
    }

    private static int Shown(TrussScreen screen) =>
        !screen.Picks.Bars.IsEmpty ? screen.Picks.Bars[0]
        : screen.Results is { } r && !r.Bars.IsEmpty ? Enumerable.Range(0, r.Bars.Length).MaxBy(b => r.Bars[b].Ratio)
        : screen.Scheme.Bars.IsEmpty ? -1
        : 0;

    private static DataTable Table(TrussScreen screen)
    {
        var (scheme, units) = (screen.Scheme, screen.Units);
        string Kind(string name, QuantityKind kind) => $"{name}, {units[kind].Symbol}";
        List<TableColumn> columns =
        [
            new("Bar", true),
            new("Joints", false),
            new("Section", false),
            new("Grade", false),
            new(Kind("Length", QuantityKind.Length), true),
            new("kg", true),
            new(scheme.Currency.Length > 0 ? scheme.Currency : "Cost", true),
            new("Tension", true),
            new("N_t,Rd", true),
            new("Compression", true),
            new("N_b,Rd", true),
            new("Utilisation", true),
            new("By", false),
            new("Worst with", false),
        ];
        var rows = screen.Results is not { } results
            ? []
            : Enumerable
                .Range(0, results.Bars.Length)
                .Select(b =>
                {
                    var (bar, model) = (results.Bars[b], results.Forces.Model);
                    var made = model.Bars[b];
                    var cost = TrussCost.Planes * model.Mass(b) * made.Price;
                    var force = units[QuantityKind.Force];
                    string F(double n) => QuantityText.Fixed(n / force.Factor, 1);
                    return new TableRow(
                        [
                            $"{b + 1}",
                            $"{scheme.Bars[b].From} {scheme.Bars[b].To}",
                            made.Section.Name,
                            made.Grade.Name,
                            units.Format(model.Length(b), QuantityKind.Length),
                            QuantityText.Fixed(model.Mass(b), 0),
                            QuantityText.Fixed(cost, 0),
                            F(Math.Max(0, bar.Most)),
                            F(bar.Resistance.Tension),
                            F(Math.Max(0, -bar.Least)),
                            F(bar.Resistance.Compression),
                            TrussScreen.Ratio(bar.Ratio),
                            Words(bar),
                            Worst(screen, bar),
                        ],
                        [
                            b + 1,
                            null,
                            null,
                            null,
                            model.Length(b),
                            model.Mass(b),
                            cost,
                            Math.Max(0, bar.Most),
                            bar.Resistance.Tension,
                            Math.Max(0, -bar.Least),
                            bar.Resistance.Compression,
                            bar.Ratio,
                            null,
                            null,
                        ],
                        TrussPicks.PathOf(b),
                        bar.Ratio,
                        screen.Picks.Bars.Contains(b)
                    );
                })
                .ToList();
        return new($"Bars, forces in {units[QuantityKind.Force].Symbol} with partial factors", columns, rows);
    }

    public static string Words(BarOutcome bar) =>
        bar.Limit switch
        {
            BarLimit.Yield => "yield",
            BarLimit.Buckling => "buckling",
            _ => "slenderness",
        };

    private static string Worst(TrussScreen screen, BarOutcome bar)
    {
        if (bar.Limit == BarLimit.Slenderness)
            return "";
        if (bar.GoverningAt < 0)
            return "weight alone";
        var position = screen.Results!.Forces.Model.Positions[bar.GoverningAt];
        var arrow = position.IsAhead ? "→" : "←";
        var at = screen.Units.FormatWithUnit(position.Front, QuantityKind.Length);
        return $"{screen.Scheme.Vehicles[position.Vehicle].Name} {arrow} {at}";
    }

    /// <summary>Picks by rule, each the bars that it finds.</summary>
    public static LedgerGroup Rules(TrussScreen screen)
    {
        List<LedgerRow> rows = [];
        void Rule(string words, IEnumerable<int> bars)
        {
            var found = bars.ToList();
            rows.Add(new(words, $"{found.Count} bars", "") { Picks = found.Count == 0 ? null : TrussPicks.PathOf(found) });
        }
        var all = Enumerable.Range(0, screen.Scheme.Bars.Length);
        if (screen.Results is { } results)
        {
            Rule("All that fail", all.Where(b => results.Bars[b].Ratio > 1));
            Rule("All below 0.6 in compression", all.Where(b => results.Bars[b] is { InCompression: > 0 and < 0.6 }));
            Rule("All below 0.6 in tension", all.Where(b => results.Bars[b] is { InTension: > 0 and < 0.6, InCompression: 0 }));
            Rule("All below 0.6", all.Where(b => results.Bars[b].Ratio < 0.6));
        }
        foreach (var section in all.GroupBy(b => (screen.Scheme.Bars[b].Size, screen.Scheme.Bars[b].Grade)).OrderBy(g => g.Key.Size))
            Rule($"All of {section.Key.Size}, {section.Key.Grade}", section);
        return new("Pick by rule", rows);
    }

    public static Ledger Ledger(TrussScreen screen)
    {
        var bars = screen.Picks.Bars;
        if (bars.IsEmpty)
            return new(
                "Bars",
                "none picked",
                [Rules(screen) with { Note = "A click picks a bar on the drawing or in the table; with Shift several." }, Checked(screen)]
            );
        List<LedgerGroup> groups = [Values(screen, bars)];
        if (bars.Length == 1 && screen.Results is { } results)
        {
            var bar = results.Bars[bars[0]];
            var calculation = new Calculation(screen.BarName(bars[0]), screen.Units);
            BarCalculation.Write(screen.Scheme, results, bars[0], calculation);
            groups.Add(Readings(screen, bars[0]));
            groups.Add(Rules(screen));
            return new($"Bar {screen.BarName(bars[0])}", Words(bar), groups) { Lines = LedgerLine.Of(calculation) };
        }
        groups.Add(Rules(screen));
        return new(bars.Length == 1 ? $"Bar {screen.BarName(bars[0])}" : $"{bars.Length} bars", "picked", groups);
    }

    private static LedgerGroup Checked(TrussScreen screen) =>
        new(
            "What is checked",
            [
                .. TrussScope.Checked.Select(c => LedgerRows.Reading(c, "")),
                LedgerRows.Reading("Worst ratio", screen.Results is { } r ? TrussScreen.Ratio(r.Worst) : "none"),
            ]
        )
        {
            Note = $"Not looked at: {string.Join(", ", TrussScope.NotChecked)}.",
        };

    private static LedgerGroup Values(TrussScreen screen, ImmutableArray<int> bars)
    {
        var scheme = screen.Scheme;
        var path = $"/bars/{string.Join(',', bars)}";
        string Common(Func<TrussBar, string> of) => bars.Select(b => of(scheme.Bars[b])).Distinct().ToList() is [var one] ? one : "";
        LedgerRow Row(string name, string what, string value, IReadOnlyList<Choice> choices) =>
            new(name, value, "")
            {
                Path = $"{path}/{what}",
                Entry = "choice",
                Choices = value.Length == 0 ? [new("", "several"), .. choices] : choices,
            };
        var family = Common(b => b.Family);
        LedgerAction Enter(string words, string what, string text = "") => new(words, words, []) { Enters = new($"{path}/{what}", text) };
        return new(
            "Section",
            [
                Row("Grade", "grade", Common(b => b.Grade), TrussEntries.Grades(scheme)),
                Row("Family", "family", family, TrussEntries.Families(scheme)),
                Row(
                    "Size",
                    "size",
                    family.Length == 0 ? "" : Common(b => b.Size),
                    family.Length == 0 ? [] : TrussEntries.Sizes(scheme, family)
                ),
                Row("In searches", "locked", Common(b => b.Locked ? "true" : "false"), [new("false", "may change"), new("true", "stays")]),
            ]
        )
        {
            Actions =
            [
                Enter("One size up", "step", "up"),
                Enter("One size down", "step", "down"),
                Enter(bars.Length == 1 ? "Take it away" : "Take them away", "gone"),
            ],
        };
    }

    private static LedgerGroup Readings(TrussScreen screen, int bar)
    {
        var (results, rows) = (screen.Results!, screen.Rows);
        var (outcome, model) = (results.Bars[bar], results.Forces.Model);
        var made = model.Bars[bar];
        var most = outcome.SlendernessLimit is { } limit ? QuantityText.Fixed(limit, 0) : "any";
        return new(
            "Readings",
            [
                rows.Reading("Length", model.Length(bar), QuantityKind.Length),
                LedgerRows.Reading("Mass", $"{QuantityText.Fixed(model.Mass(bar), 0)} kg"),
                LedgerRows.Reading("Cost, both planes", screen.Money(TrussCost.Planes * model.Mass(bar) * made.Price)),
                rows.Reading("From weight alone, γ = 1", results.Forces.Weight[bar], QuantityKind.Force),
                rows.Reading("Greatest", outcome.Most, QuantityKind.Force),
                rows.Reading("Least", outcome.Least, QuantityKind.Force),
                LedgerRows.Reading("In tension", TrussScreen.Ratio(outcome.InTension)),
                LedgerRows.Reading("In compression", TrussScreen.Ratio(outcome.InCompression)),
                LedgerRows.Reading("Slenderness", $"{QuantityText.Fixed(outcome.Resistance.Slenderness, 0)} of {most}"),
                LedgerRows.Reading("Worst with", Worst(screen, outcome)),
                LedgerRows.Reading("Yield strength", screen.Units.FormatWithUnit(made.Section.Yield(made.Grade), QuantityKind.Stress)),
                LedgerRows.Reading("Modulus", screen.Units.FormatWithUnit(made.Grade.E, QuantityKind.Stress)),
                LedgerRows.Reading("Density", $"{QuantityText.Fixed(made.Grade.Density, 0)} kg/m³"),
                LedgerRows.Reading("Area", screen.Units.FormatWithUnit(made.Section.Area, QuantityKind.SmallArea)),
                LedgerRows.Reading(
                    "Second moment, weaker axis",
                    $"{QuantityText.Significant(made.Section.LeastSecondMoment * 1e8, 4)} cm⁴"
                ),
            ]
        );
    }

    /// <summary>Resistance in compression against length, of the shown bar and of the nearest sizes by mass of other families.</summary>
    private static ViewPart Strength(TrussScreen screen)
    {
        var bar = Shown(screen);
        if (bar < 0 || screen.Results is not { } results)
            return new("waiting", "Nothing to show yet", "no bars that stand", "");
        var model = results.Forces.Model;
        var (made, rules, length) = (model.Bars[bar], model.Rules, model.Length(bar));
        var most = Math.Max(2 * length, 6);
        Series Line(string name, BarSection section, BarGrade grade, Pen pen) =>
            new(
                name,
                [
                    .. Enumerable
                        .Range(1, 80)
                        .Select(i => (i * most / 80, BarResistance.Of(section, grade, i * most / 80, rules).Compression)),
                ],
                pen
            );
        ImmutableArray<Series> series =
        [
            Line($"{made.Section.Name}, {made.Grade.Name}", made.Section, made.Grade, Pen.Active),
            .. Alike(screen, made).Take(2).Select((s, i) => Line(s.Name, s, made.Grade, i == 0 ? Pen.Load : Pen.Resistance)),
        ];
        var metre = screen.Units[QuantityKind.Length];
        var axes = Enumerable
            .Range(0, 5)
            .Select(i => new DiagramAxis(QuantityText.Significant(i * most / 4 / metre.Factor, 2), i * most / 4));
        var diagram = new Diagram("Resistance in compression against length", QuantityKind.Force, false, series, [.. axes]);
        var value = results.Bars[bar].Resistance.Compression;
        var drawing = DiagramView.Draw(
            diagram,
            screen.Units,
            screen.Half,
            null,
            (length, value, $"bar {bar + 1}: {screen.Force(value)} at {screen.Units.FormatWithUnit(length, QuantityKind.Length)}")
        );
        return Screen.Drawn("strength", drawing) with { Note = $"length in {metre.Symbol}", Stations = null };
    }

    /// <summary>The section of each other family whose mass is nearest.</summary>
    private static IEnumerable<BarSection> Alike(TrussScreen screen, ModelBar made) =>
        BarCatalogue
            .Families.Where(f => f.Name != made.Section.Family)
            .Select(f => f.Sections.MinBy(s => Math.Abs(s.Area - made.Section.Area))!)
            .Where(s => s.IsWholeInCompression(made.Grade))
            .OrderByDescending(s => s.Gyration);

    /// <summary>The shown bar beside sections of like mass in other families, and its own in other grades.</summary>
    private static DataTable Families(TrussScreen screen)
    {
        var bar = Shown(screen);
        var units = screen.Units;
        List<TableRow> rows = [];
        if (bar >= 0 && screen.Results is { } results)
        {
            var model = results.Forces.Model;
            var (made, length) = (model.Bars[bar], model.Length(bar));
            void Add(BarSection section, BarGrade grade)
            {
                var resistance = BarResistance.Of(section, grade, length, model.Rules);
                var price = BarCatalogue.SteelPrice(screen.Scheme, section.Family, grade.Name) * section.Area * grade.Density;
                double[] values =
                [
                    section.Yield(grade),
                    grade.E,
                    grade.Density,
                    section.Area,
                    section.LeastSecondMoment,
                    section.Area * grade.Density,
                    price,
                    resistance.Tension,
                    resistance.Compression,
                ];
                rows.Add(
                    new(
                        [
                            section.Name,
                            BarCatalogue.Families.FirstOrDefault(f => f.Name == section.Family)?.Words ?? "own section",
                            grade.Name,
                            units.Format(values[0], QuantityKind.Stress),
                            QuantityText.Fixed(values[1] / 1e9, 0),
                            QuantityText.Fixed(values[2], 0),
                            units.Format(values[3], QuantityKind.SmallArea),
                            QuantityText.Significant(values[4] * 1e8, 4),
                            QuantityText.Fixed(values[5], 1),
                            QuantityText.Fixed(values[6], 1),
                            units.Format(values[7], QuantityKind.Force),
                            units.Format(values[8], QuantityKind.Force),
                        ],
                        [null, null, null, .. values],
                        null,
                        null,
                        section == made.Section && grade == made.Grade
                    )
                );
            }
            foreach (var grade in BarCatalogue.GradesOf(screen.Scheme).Where(made.Section.IsWholeInCompression))
                Add(made.Section, grade);
            foreach (var section in Alike(screen, made))
                Add(section, made.Grade);
        }
        string Kind(string name, QuantityKind kind) => $"{name}, {units[kind].Symbol}";
        return new(
            bar < 0 ? "Sections" : $"Bar {screen.BarName(bar)} in other grades, and sections of about its mass in other families",
            [
                new("Section", false),
                new("Family", false),
                new("Grade", false),
                new(Kind("f_y", QuantityKind.Stress), true),
                new("E, GPa", true),
                new("Density, kg/m³", true),
                new(Kind("A", QuantityKind.SmallArea), true),
                new("I, cm⁴", true),
                new("kg/m", true),
                new("Price of a metre", true),
                new(Kind("N_t,Rd", QuantityKind.Force), true),
                new(Kind("N_b,Rd", QuantityKind.Force), true),
            ],
            rows
        );
    }

    private static ViewPart Influence(TrussScreen screen)
    {
        var bar = Shown(screen);
        if (bar < 0 || screen.Results is not { } results)
            return new("waiting", "Nothing to show yet", "no bars that stand", "");
        var deck = screen.Places.Deck;
        Series line = new(
            $"force in bar {bar + 1} under 1 on the deck",
            [.. deck.Select((j, d) => (j.At.X, results.Forces.Influence[d][bar]))],
            Pen.Active
        )
        {
            Peaks = true,
        };
        var diagram = new Diagram(
            $"Influence line of bar {screen.BarName(bar)}",
            QuantityKind.Number,
            false,
            [line],
            [.. deck.Select(j => new DiagramAxis(j.Id, j.At.X))]
        )
        {
            Figures = 3,
        };
        var drawing = DiagramView.Draw(diagram, screen.Units, screen.Rest, screen.Station);
        return Screen.Drawn("influence", drawing) with { Note = "force for a load of 1 down at each place; tension up" };
    }
}
