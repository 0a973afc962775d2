using System.Collections.Immutable;
using Pravik.Core.Calculations;
using Pravik.Core.Findings;
using Pravik.Core.Trusses;
using Pravik.Core.Units;
using Pravik.Drawings.Reports;
using Pravik.Drawings.Views;
using Pravik.Web.Trusses;

namespace Pravik.Web.Reports;

/// <summary>
/// The report on a truss scheme: summary, basis, site and form, all bars, governing bars in full, crossing and reactions, cost.
/// </summary>
/// <param name="run">The scheme with what follows from it.</param>
/// <param name="units">Units of the reader.</param>
/// <param name="findings">What was noticed about it.</param>
internal sealed class TrussReport(TrussRun run, UnitSystem units, IReadOnlyList<Finding> findings)
{
    private const double Text = 2.5;
    private readonly TrussScheme scheme = run.Scheme;
    private readonly SitePlaces places = new(run.Scheme.Site);

    /// <summary>All parts in order.</summary>
    public ImmutableArray<ReportBlock> Blocks =>
        run.Results is { } results
            ?
            [
                .. Summary(results),
                .. Basis(),
                .. SiteAndForm(results),
                .. Bars(results),
                .. InFull(results),
                .. Crossing(results),
                .. Cost(),
            ]
            :
            [
                new ReportText("It does not stand: nothing is worked out.") { IsStrong = true },
                .. ReportParts.Findings(findings),
                .. Cost(),
            ];

    private IEnumerable<ReportBlock> Summary(TrussResults results)
    {
        var site = scheme.Site;
        yield return new ReportHeading("1 Summary");
        yield return new ReportText(
            $"{scheme.Name}: {scheme.Bars.Length} bars in each of two planes over an opening of {Length(site.Opening)}, "
                + $"{site.Lanes} {(site.Lanes == 1 ? "lane" : "lanes")}. Cost {scheme.Money(run.Cost.Total)}."
        );
        var failing = results.Bars.Count(b => b.Ratio > 1);
        yield return new ReportText(
            failing > 0 ? $"Result: {failing} of {results.Bars.Length} bars fail."
            : results.DeflectionRatio > 1 ? "Result: it deflects too much."
            : "Result: what is checked passes."
        )
        {
            IsStrong = true,
        };
        var worst = results.Bars.Select((b, i) => (b, i)).MaxBy(b => b.b.Ratio);
        yield return new ReportTable(
            "Greatest ratios",
            [new("What"), new("Where"), new("Ratio", true)],
            [
                Ratio($"bar, {BarsStep.Words(worst.b)}", Name(worst.i), worst.b.Ratio),
                Ratio(
                    "deflection of the deck under traffic",
                    units.FormatWithUnit(results.Deflection, QuantityKind.Size),
                    results.DeflectionRatio
                ),
            ]
        );
        yield return new ReportText(
            $"Checked: {string.Join(", ", TrussScope.Checked)}. Not looked at: {string.Join(", ", TrussScope.NotChecked)}."
        )
        {
            IsStrong = true,
        };
        foreach (var block in ReportParts.Findings(findings))
            yield return block;
    }

    private static ReportRow Ratio(string what, string where, double ratio) =>
        new([what, where, QuantityText.Fixed(ratio, 2)]) { StandsOut = ratio > 1 };

    private IEnumerable<ReportBlock> Basis()
    {
        var rules = scheme.Rules;
        yield return new ReportHeading("2 Basis");
        yield return new ReportText(
            "Plane trusses of pin-jointed bars, linear; loads reach the joints of the deck by simple spans between them. Weight of the "
                + "deck and of half of each bar acts at the joints. Every lane bears the vehicle abreast; each plane carries half. "
                + "Resistances: EN 1993-1-1 6.2.3 and 6.3.1, each bar held at its joints both ways."
        );
        string Limit(double? limit) => limit is { } l ? QuantityText.Significant(l, 4) : "none";
        yield return new ReportTable(
            "Factors and limits",
            [new("What it is"), new("Value", true), new("Source")],
            [
                new(["γ_G where permanent loads worsen", QuantityText.Significant(rules.Permanent, 4), "EN 1990 Table A2.4(B)"]),
                new(["γ_G where they relieve", QuantityText.Significant(rules.PermanentRelieving, 4), "EN 1990 Table A2.4(B)"]),
                new(["γ_Q on traffic", QuantityText.Significant(rules.Traffic, 4), "EN 1990 Table A2.4(B)"]),
                new(["γ_M0", QuantityText.Significant(rules.GammaM0, 4), "EN 1993-1-1 6.1"]),
                new(["γ_M1", QuantityText.Significant(rules.GammaM1, 4), "EN 1993-1-1 6.1"]),
                new(["slenderness of bars in compression, at most", Limit(rules.SlendernessCompression), "rule of practice"]),
                new(["slenderness of bars in tension, at most", Limit(rules.SlendernessTension), "rule of practice"]),
                new(["opening over deflection, at least", Limit(rules.Deflection), "rule of practice"]),
            ]
        );
        yield return new ReportTable(
            "Vehicles",
            [new("Vehicle"), new("Axles"), new("Distances"), new("Dynamic factor", true)],
            [
                .. scheme.Vehicles.Select(v => new ReportRow([
                    v.Name,
                    string.Join(" + ", v.Axles.Select(a => units.Format(a.Load, QuantityKind.Force))) + " " + Symbol(QuantityKind.Force),
                    string.Join(" – ", v.Axles.Skip(1).Select(a => units.Format(a.Gap, QuantityKind.Length)))
                        + " "
                        + Symbol(QuantityKind.Length),
                    QuantityText.Significant(v.Dynamic, 4),
                ])),
            ]
        );
    }

    private IEnumerable<ReportBlock> SiteAndForm(TrussResults results)
    {
        var site = scheme.Site;
        yield return new ReportHeading("3 Site and form");
        TrussShown shown = new()
        {
            States = BarState.WorstOf(results),
            HasNames = true,
            HasNumbers = false,
        };
        yield return new ReportFigure(TrussSideView.Draw(scheme, units, new(ReportPages.TextWidth, 84, Text), shown).Drawing);
        yield return new ReportText(
            $"Deck of {BarCatalogue.Deck(site.Deck)?.Words.ToLowerInvariant() ?? site.Deck}, {Length(places.Width)} wide, "
                + $"{units.FormatWithUnit(places.DeckWeight, QuantityKind.AreaLoad)}; planes {Length(places.PlaneDistance)} apart; road at "
                + $"{Length(site.Road)}, headroom {Length(site.Headroom)}."
        );
        var model = results.Forces.Model;
        yield return new ReportTable(
            $"Joints, {Symbol(QuantityKind.Length)}; movements under the whole weight, {Symbol(QuantityKind.Size)}, without factor",
            [new("Joint"), new("Along", true), new("Level", true), new("Held"), new("Moves along", true), new("Moves up", true)],
            [
                .. model.Joints.Select(
                    (j, i) =>
                        new ReportRow([
                            j.Id,
                            units.Format(j.At.X, QuantityKind.Length),
                            units.Format(j.At.Y, QuantityKind.Length),
                            Held(j.Hold),
                            units.Format(results.Forces.WeightMovements[2 * i], QuantityKind.Size),
                            units.Format(results.Forces.WeightMovements[2 * i + 1], QuantityKind.Size),
                        ])
                ),
            ]
        );
    }

    private static string Held(JointHold hold) =>
        hold switch
        {
            JointHold.Both => "along and upright",
            JointHold.Along => "along",
            JointHold.Upright => "upright",
            _ => "",
        };

    private IEnumerable<ReportBlock> Bars(TrussResults results)
    {
        var model = results.Forces.Model;
        string Force(double n) => QuantityText.Fixed(n / units[QuantityKind.Force].Factor, 1);
        yield return new ReportHeading("4 Bars");
        yield return new ReportTable(
            $"Bars of one plane: forces in {Symbol(QuantityKind.Force)} with partial factors, lengths in {Symbol(QuantityKind.Length)}",
            [
                new("Bar", true),
                new("Joints"),
                new("Section"),
                new("Grade"),
                new("Length", true),
                new("Tension", true),
                new("N_t,Rd", true),
                new("Compr.", true),
                new("N_b,Rd", true),
                new("L/i", true),
                new("Ratio", true),
                new("By"),
            ],
            [
                .. results.Bars.Select(
                    (b, i) =>
                        new ReportRow([
                            $"{i + 1}",
                            $"{scheme.Bars[i].From} {scheme.Bars[i].To}",
                            model.Bars[i].Section.Name,
                            model.Bars[i].Grade.Name,
                            units.Format(Math.Round(model.Length(i), 3), QuantityKind.Length),
                            Force(Math.Max(0, b.Most)),
                            Force(b.Resistance.Tension),
                            Force(Math.Max(0, -b.Least)),
                            Force(b.Resistance.Compression),
                            QuantityText.Fixed(b.Resistance.Slenderness, 0),
                            QuantityText.Fixed(b.Ratio, 2),
                            BarsStep.Words(b),
                        ])
                        {
                            StandsOut = b.Ratio > 1,
                        }
                ),
            ]
        );
    }

    /// <summary>The worst bar of each section and grade.</summary>
    private IEnumerable<ReportBlock> InFull(TrussResults results)
    {
        yield return new ReportHeading("5 The worst bar of each section in full");
        var worst = Enumerable
            .Range(0, results.Bars.Length)
            .GroupBy(b => (scheme.Bars[b].Family, scheme.Bars[b].Size, scheme.Bars[b].Grade))
            .Select(g => g.MaxBy(b => results.Bars[b].Ratio))
            .OrderByDescending(b => results.Bars[b].Ratio);
        foreach (var bar in worst)
        {
            var made = scheme.Bars[bar];
            var title = $"Bar {Name(bar)}, {made.Size} in {made.Grade}, {QuantityText.Fixed(results.Bars[bar].Ratio, 2)}";
            var calculation = new Calculation(title, units);
            BarCalculation.Write(scheme, results, bar, calculation);
            yield return ReportTable.Of(calculation);
        }
    }

    private IEnumerable<ReportBlock> Crossing(TrussResults results)
    {
        yield return new ReportHeading("6 Crossing and reactions");
        if (TrussDrives.Worst(scheme) is { } drive)
        {
            var way = drive.IsAhead ? "from left to right" : "from right to left";
            yield return new ReportText(
                $"{scheme.Vehicles[drive.Number].Name}, {way}: "
                    + (
                        drive.Falls ? "it falls."
                        : drive.Failures.Count > 0 ? "bars give way, and it stands."
                        : "nothing gives way."
                    )
            );
            if (drive.Failures.Count > 0)
                yield return new ReportTable(
                    "What gives way, in order",
                    [new("No.", true), new("What")],
                    [.. drive.Failures.Select((f, i) => new ReportRow([$"{i + 1}", f.Words(scheme)]))]
                );
        }
        var model = results.Forces.Model;
        var weight = results.Forces.Reactions([], 1);
        var traffic = model.Positions.Select(p => results.Forces.Reactions(p.Loads.AsSpan(), 0)).ToList();
        string Force(double n) => QuantityText.Fixed(n / units[QuantityKind.Force].Factor, 1);
        string Range(int i, Func<(int Joint, double Along, double Up), double> of) =>
            $"{Force(traffic.Max(t => of(t[i])))} / {Force(traffic.Min(t => of(t[i])))}";
        yield return new ReportTable(
            $"Reactions of one plane, {Symbol(QuantityKind.Force)}, without factors: under the weight; greatest and least under traffic",
            [new("Joint"), new("Along", true), new("of traffic", true), new("Up", true), new("of traffic", true)],
            [
                .. weight.Select(
                    (r, i) =>
                    {
                        var hold = model.Joints[r.Joint].Hold;
                        var (along, up) = (hold.HasFlag(JointHold.Along), hold.HasFlag(JointHold.Upright));
                        return new ReportRow([
                            model.Joints[r.Joint].Id,
                            along ? Force(r.Along) : "",
                            along ? Range(i, t => t.Along) : "",
                            up ? Force(r.Up) : "",
                            up ? Range(i, t => t.Up) : "",
                        ]);
                    }
                ),
            ]
        );
    }

    private IEnumerable<ReportBlock> Cost()
    {
        yield return new ReportHeading(run.Results is null ? "Cost" : "7 Cost");
        yield return new ReportTable(
            $"Cost{(scheme.Currency.Length > 0 ? $", {scheme.Currency}" : "")}",
            [new("Group"), new("What"), new("Amount", true), new("Unit"), new("Price", true), new("Cost", true)],
            [
                .. run.Cost.Lines.Select(l => new ReportRow([
                    l.Group,
                    l.Words,
                    QuantityText.Fixed(l.Amount, l.Unit is "kg" or "m" or "m²" or "m³" ? 1 : 0),
                    l.Unit,
                    QuantityText.Significant(l.Price, 4),
                    scheme.Money(l.Cost),
                ])),
                new(["In all", "", "", "", "", scheme.Money(run.Cost.Total)]) { StandsOut = true },
            ]
        );
        yield return new ReportText(TrussCost.Scope);
    }

    private string Name(int bar) => $"{bar + 1}: {scheme.Bars[bar].From} – {scheme.Bars[bar].To}";

    private string Length(double value) => units.FormatWithUnit(value, QuantityKind.Length);

    private string Symbol(QuantityKind kind) => units[kind].Symbol;
}
