using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Calculations;
using Pravik.Core.Checks;
using Pravik.Core.Codes;
using Pravik.Core.Findings;
using Pravik.Core.LoneMembers;
using Pravik.Core.Models;
using Pravik.Core.Units;
using Pravik.Drawings;
using Pravik.Drawings.Reports;
using Pravik.Drawings.Views;
using Pravik.Web.Workspaces;

namespace Pravik.Web.Reports;

/// <summary>
/// The report on a member alone: summary, basis, member, actions and balance, effects, governing checks in full, all checks.
/// </summary>
/// <param name="run">The member with its results.</param>
/// <param name="units">Units of the reader.</param>
/// <param name="findings">What was noticed about it.</param>
internal sealed class MemberReport(LoneRun run, UnitSystem units, IReadOnlyList<Finding> findings)
{
    private const double Text = 2.5;
    private readonly LoneMember member = run.Member;

    /// <summary>The worst outcome of each check, in the order of the checks.</summary>
    private readonly ImmutableArray<CheckOutcome> governing =
    [
        .. run.Checks.Outcomes.GroupBy(o => o.Check).Select(g => g.MaxBy(o => o.Utilisation)!),
    ];

    private ImmutableArray<DiagramAxis> Axes => [.. run.Places.Ends.Select((e, i) => new DiagramAxis($"{i + 1}", e))];

    /// <summary>All parts in order.</summary>
    public ImmutableArray<ReportBlock> Blocks =>
        [.. Summary(), .. Basis(), .. Member(), .. Actions(), .. Effects(), .. InFull(), .. InTables()];

    private IEnumerable<ReportBlock> Summary()
    {
        yield return new ReportHeading("1 Summary");
        var spans = string.Join(" + ", member.Spans.Select(s => Length(s.Length)));
        yield return new ReportText(
            $"{member.Name}: {(member.Spans.Length > 1 ? $"{member.Spans.Length} spans" : "one span")} of {spans} "
                + $"{units[QuantityKind.Length].Symbol}."
        );
        yield return new ReportText($"Result: {run.Checks.Words}.") { IsStrong = true };
        yield return new ReportTable(
            "The worst of each check",
            [
                new("Check"),
                new("Span", true),
                new("At", true),
                new("Effect", true),
                new("Resistance", true),
                new("Ratio", true),
                new("Clause"),
            ],
            [.. governing.OrderByDescending(o => o.Utilisation).Select(Worst)]
        );
        yield return new ReportText(CheckWords.Covered(run.Checks.Checked, run.Checks.NotChecked)) { IsStrong = true };
        foreach (var block in ReportParts.Findings(findings))
            yield return block;
    }

    private ReportRow Worst(CheckOutcome o)
    {
        var place = run.Places.Places[o.Point];
        return new([
            o.Name,
            $"{place.Span + 1}",
            Length(place.At),
            ResultViews.Value(o.Effect, o, units),
            ResultViews.Value(o.Resistance, o, units),
            QuantityText.Fixed(o.Utilisation, 2),
            o.Clause,
        ])
        {
            StandsOut = !o.Passes,
        };
    }

    private IEnumerable<ReportBlock> Basis()
    {
        yield return new ReportHeading("2 Basis");
        yield return new ReportText(
            $"Designed to EN 1990, EN 1991, EN 1992; national values of the set “{member.Basis.NationalSet}”; "
                + $"exposure {member.Materials.Exposure}."
        );
        yield return ReportParts.Materials(
            [("Member", member.Materials.Concrete), .. member.Slab is null ? [] : new[] { ("Slab", member.Materials.Slab) }],
            member.Materials.Strand,
            member.Materials.Reinforcement,
            units
        );
        yield return ReportParts.NationalValues(member.Basis);
    }

    private IEnumerable<ReportBlock> Member()
    {
        yield return new ReportHeading("3 Member");
        var middle = run.Places.Ends[1] / 2;
        yield return new ReportFigure(LoneElevationView.Draw(member, run.Places, run.Sections, units, Size(62), middle));
        var place = run.Places.Places.First(p => p.At >= middle - 1e-6);
        yield return new ReportFigure(LoneSectionView.Draw(run.Sections.At(place)!, $"at {LengthWithUnit(place.At)}", units, Size(62)));
        if (!member.Bars.IsEmpty)
            yield return new ReportTable(
                "Bars",
                [
                    new("Face"),
                    new("Axis from face", true),
                    new("Diameter", true),
                    new("Number", true),
                    new("Distance", true),
                    new("From", true),
                    new("To", true),
                ],
                [
                    .. member.Bars.Select(b => new ReportRow([
                        b.Face == BarFace.Top ? "top" : "soffit",
                        Sized(b.AxisDistance),
                        Sized(b.Diameter),
                        $"{b.Count}",
                        b.Spacing is { } spacing ? Sized(spacing) : "",
                        b.From is { } from ? Length(from) : "",
                        b.To is { } to ? Length(to) : "",
                    ])),
                ]
            );
        if (!member.Links.IsEmpty)
            yield return new ReportTable(
                "Links; where stretches meet the later one holds",
                [new("From", true), new("To", true), new("Legs", true), new("Diameter", true), new("Distance", true)],
                [
                    .. member.Links.Select(l => new ReportRow([
                        Length(l.From ?? 0),
                        Length(l.To ?? run.Places.Ends[^1]),
                        $"{l.Legs}",
                        Sized(l.Diameter),
                        Sized(l.Spacing),
                    ])),
                ]
            );
        if (member.Strands.Rows.Length > 0)
            yield return ReportParts.Strands($"Strands, {StressOf(member.Strands)}", member.Strands.Rows, units);
    }

    private IEnumerable<ReportBlock> Actions()
    {
        yield return new ReportHeading("4 Actions, reactions and balance");
        if (member.Effects is not null)
        {
            yield return new ReportText("Effects were worked out elsewhere and are given as tables.") { IsStrong = true };
            yield break;
        }
        yield return new ReportText(
            "One line of beams in its plane. Traffic is one lane of each model with the share that the member carries, its axles as "
                + "single loads; wind, braking, footways and uniform temperature are not there."
        );
        string Force(double value) => QuantityText.Fixed(value / units[QuantityKind.Force].Factor, 1);
        yield return new ReportTable(
            $"Load and reactions, {units[QuantityKind.Force].Symbol}, without partial factors",
            [new("Load"), new("Down", true), .. member.Supports.Select((_, i) => new ReportColumn($"Support {i + 1}", true))],
            [
                .. run.Effects.Cases.Select(c => new ReportRow([
                    c.Range.Name,
                    Force(c.Results.Load),
                    .. c.Results.Reactions.Select(Force),
                ])),
                .. run.Effects.Traffic.Select(t => new ReportRow([
                    $"{t.Model.Name} × {QuantityText.Significant(t.Use.Share, 3)}",
                    "",
                    .. t.Reactions.Select(r => $"{Force(r.Greatest)} / {Force(r.Least)}"),
                ])),
            ]
        );
        yield return new ReportTable(
            "Combinations",
            [new("Combination"), new("Clause")],
            [.. run.Effects.Combinations.Select(c => new ReportRow([c.Name, c.Clause]))]
        );
    }

    private IEnumerable<ReportBlock> Effects()
    {
        yield return new ReportHeading("5 Effects");
        foreach (var state in new[] { LimitState.Ultimate, LimitState.Characteristic })
        {
            yield return Along(state, GirderEffect.M, QuantityKind.Moment, "moment");
            yield return Along(state, GirderEffect.V, QuantityKind.Force, "shear");
        }
    }

    private ReportFigure Along(LimitState state, GirderEffect effect, QuantityKind kind, string words)
    {
        var range = run.Effects.Of(state);
        Series Line(bool greatest) =>
            new(
                greatest ? "greatest" : "least",
                [.. run.Places.Points.Select((p, i) => (p.Distance, range.Side(greatest)[i, effect]))],
                greatest ? Pen.Active : Pen.Load
            )
            {
                Peaks = true,
            };
        var diagram = new Diagram($"{range.Name}: {words}", kind, effect == GirderEffect.M, [Line(true), Line(false)], Axes)
        {
            Envelope = (0, 1),
        };
        return new(DiagramView.Draw(diagram, units, Size(50)));
    }

    private IEnumerable<ReportBlock> InFull()
    {
        yield return new ReportHeading("6 Governing checks");
        var diagrams = new CheckDiagrams(run.Checks, run.Checks.Members[0], Axes);
        foreach (var outcome in governing)
        {
            var at = run.Places.Places[outcome.Point].At;
            yield return new ReportHeading($"{outcome.Name}, {QuantityText.Fixed(outcome.Utilisation, 2)}", 2);
            yield return new ReportFigure(DiagramView.Draw(diagrams.Of(outcome), units, Size(54), at));
            var calculation = new Calculation($"{outcome.Name}, {LengthWithUnit(at)}", units);
            run.Checks.Write(outcome, calculation);
            yield return ReportTable.Of(calculation);
        }
    }

    private IEnumerable<ReportBlock> InTables()
    {
        yield return new ReportHeading("7 All checks");
        yield return new ReportText(
            "Utilisation at every place. " + string.Join("; ", governing.Select((o, i) => $"{i + 1}: {o.Name.ToLowerInvariant()}")) + "."
        );
        var checks = run.Checks;
        yield return new ReportTable(
            member.Name,
            [new("Span", true), new("At", true), .. governing.Select((_, i) => new ReportColumn($"{i + 1}", true))],
            [
                .. run
                    .Places.Places.Select((place, i) => (place, i))
                    .Where(p => checks.ByPoint[p.i].Any())
                    .Select(p => new ReportRow([
                        $"{p.place.Span + 1}",
                        Length(p.place.At),
                        .. governing.Select(g =>
                            checks.ByPoint[p.i].FirstOrDefault(o => o.Check == g.Check) is { } o ? QuantityText.Fixed(o.Utilisation, 2) : ""
                        ),
                    ])
                    {
                        StandsOut = checks.ByPoint[p.i].Any(o => !o.Passes),
                    }),
            ]
        );
    }

    private static ViewSize Size(double height) => new(ReportPages.TextWidth, height, Text);

    private string Length(double value) => units.Format(value, QuantityKind.Length);

    private string LengthWithUnit(double value) => units.FormatWithUnit(value, QuantityKind.Length);

    private string StressOf(Strands strands) =>
        strands.EffectiveStress is { } entered
            ? $"{units.FormatWithUnit(entered, QuantityKind.Stress)} entered after all losses"
            : $"stressed to {units.FormatWithUnit(strands.JackStress, QuantityKind.Stress)}, losses worked out";

    private string Sized(double value) => units.FormatWithUnit(value, QuantityKind.Size);
}
