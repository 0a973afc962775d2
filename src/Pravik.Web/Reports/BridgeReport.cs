using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Calculations;
using Pravik.Core.Checks;
using Pravik.Core.Codes;
using Pravik.Core.Findings;
using Pravik.Core.Materials;
using Pravik.Core.Places;
using Pravik.Core.Quantities;
using Pravik.Core.Roads;
using Pravik.Core.Runs;
using Pravik.Core.Units;
using Pravik.Drawings.Reports;
using Pravik.Drawings.Views;
using Pravik.Web.Workspaces;

namespace Pravik.Web.Reports;

/// <summary>
/// The report on a bridge: summary, basis, layout, actions, model and balance, governing checks in full, all checks in tables.
/// </summary>
/// <param name="geometry">The bridge.</param>
/// <param name="ground">The ground; null where none is given.</param>
/// <param name="results">Its results.</param>
/// <param name="units">Units of the reader.</param>
/// <param name="findings">What was noticed about it.</param>
internal sealed class BridgeReport(
    BridgeGeometry geometry,
    Ground? ground,
    BridgeResults results,
    UnitSystem units,
    IReadOnlyList<Finding> findings
)
{
    private const double Text = 2.5;
    private readonly Bridge bridge = geometry.Bridge;
    private readonly ResultViews views = new(geometry, results, units);

    /// <summary>The worst outcome of each check, in the order of the checks.</summary>
    private readonly ImmutableArray<CheckOutcome> governing =
    [
        .. results.Outcomes.GroupBy(o => o.Check).Select(g => g.MaxBy(o => o.Utilisation)!),
    ];

    /// <summary>All parts in order.</summary>
    public ImmutableArray<ReportBlock> Blocks =>
        [.. Summary(), .. Basis(), .. Layout(), .. Actions(), .. Model(), .. InFull(), .. InTables(), .. Slabs()];

    private IEnumerable<ReportBlock> Summary()
    {
        yield return new ReportHeading("1 Summary");
        var spans = string.Join(
            " + ",
            Enumerable.Range(0, geometry.SpanCount).Select(i => Length(geometry.Axes[i + 1].Station - geometry.Axes[i].Station))
        );
        yield return new ReportText(
            $"{bridge.Name}: {(geometry.SpanCount > 1 ? $"{geometry.SpanCount} spans" : "one span")} of {spans} "
                + $"{units[QuantityKind.Length].Symbol} "
                + $"along the road line, {(geometry.Girders.Length > 1 ? $"{geometry.Girders.Length} lines" : "one line")} of girders."
        );
        yield return new ReportText($"Result: {results.Words}.") { IsStrong = true };
        yield return new ReportTable(
            "The worst of each check",
            [
                new("Check"),
                new("Girder"),
                new("Span", true),
                new("Station", true),
                new("Effect", true),
                new("Resistance", true),
                new("Ratio", true),
                new("Clause"),
            ],
            [.. governing.OrderByDescending(o => o.Utilisation).Select(Worst)]
        );
        yield return new ReportText(CheckWords.Covered(results.Checked, results.NotChecked)) { IsStrong = true };
        foreach (var block in ReportParts.Findings(findings))
            yield return block;
    }

    private ReportRow Worst(CheckOutcome o)
    {
        var point = results.Points[o.Point];
        return new([
            o.Name,
            geometry.Girders[point.Girder].Name,
            $"{point.Span + 1}",
            Length(point.Station),
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
        var family = bridge.Basis.Standard == Standard.Lrfd ? "AASHTO LRFD" : "EN 1990, EN 1991, EN 1992";
        yield return new ReportText(
            $"Designed to {family}; national values of the set “{bridge.Basis.NationalSet}”; exposure {bridge.Materials.Exposure}."
        );
        yield return ReportParts.Materials(
            [
                ("Slab", bridge.Materials.Slab),
                .. IsOfSteel ? [] : bridge.Girders.Types.Select(t => ($"Girders, {t.Name}", t.Concrete)),
                ("Supports", bridge.Materials.Support),
            ],
            IsOfSteel ? null : bridge.Materials.Strand,
            bridge.Materials.Reinforcement,
            units
        );
        if (IsOfSteel)
        {
            var steel = StructuralSteel.Of(bridge.Materials.Structural);
            string Stress(double value) => units.FormatWithUnit(value, QuantityKind.Stress);
            yield return new ReportText(
                $"Girders, frames and stiffeners: {steel.Class}, f_y {Stress(steel.Fy)} (above 40 mm {Stress(steel.FyThick)}), "
                    + $"f_u {Stress(steel.Fu)}, E {Stress(steel.E)}."
            );
        }
        yield return ReportParts.NationalValues(bridge.Basis);
    }

    private IEnumerable<ReportBlock> Layout()
    {
        yield return new ReportHeading("3 Layout");
        yield return new ReportFigure(ElevationView.Draw(geometry, ground, units, Size(52)));
        yield return new ReportFigure(PlanView.Draw(geometry, units, Size(70)));
        var middle = (geometry.Axes[0].Station + geometry.Axes[1].Station) / 2;
        yield return new ReportFigure(SectionView.Draw(geometry, units, Size(62), middle));
        if (IsOfSteel)
        {
            foreach (var girder in geometry.Girders)
                yield return Plates(girder);
            yield break;
        }
        foreach (var type in bridge.Girders.Types.Where(t => t.Strands.Rows.Length > 0))
            yield return ReportParts.Strands($"Strands of {type.Name}, {Jacked(type.Strands)}", type.Strands.Rows, units);
        if (!bridge.Girders.Tendons.IsEmpty)
            yield return Tendons();
        foreach (var type in bridge.Girders.Types.Where(t => t.Bars.Length > 0))
            yield return new ReportTable(
                $"Bars of {type.Name}; where they begin and end as parts of the span, 0 and 1 where they run on",
                [new("Row", true), new("Level", true), new("Bars", true), new("Diameter", true), new("Reach"), new("Every second bar")],
                [.. type.Bars.Select((r, i) => new ReportRow(BarCells(r, i)))]
            );
        foreach (var type in bridge.Girders.Types.Where(t => t.Links.Length > 0))
            yield return new ReportTable(
                $"Links of {type.Name}, from both ends of a girder; the last zone goes on to the middle",
                [new("Length", true), new("Legs", true), new("Diameter", true), new("Distance", true)],
                [.. type.Links.Select(z => new ReportRow([Length(z.Length), $"{z.Legs}", Sized(z.Diameter), Sized(z.Spacing)]))]
            );
    }

    private ImmutableArray<string> BarCells(BarRow row, int number)
    {
        static string Reach(double from, double to) => FormattableString.Invariant($"{from:0.##} to {to:0.##}");
        return
        [
            $"{number + 1}",
            Sized(row.Level),
            row.Spacing is { } every ? $"every {Sized(every)}" : $"{row.Count}",
            Sized(row.Diameter),
            Reach(row.From, row.To),
            row.SecondFrom is null && row.SecondTo is null ? "as the others" : Reach(row.SecondFrom ?? row.From, row.SecondTo ?? row.To),
        ];
    }

    private bool IsOfSteel => geometry.SectionsInUse.Any(s => s.IsSteel);

    private static readonly QuantityKind[] PlateUnits = [QuantityKind.Length, QuantityKind.Size, QuantityKind.Mass];

    /// <summary>The plates of a girder from splice to splice.</summary>
    private ReportTable Plates(GirderLine girder)
    {
        string Plate(double width, double thickness) => QuantityText.Plate(width, thickness, units);
        return new(
            $"Plates of {girder.Name}; {string.Join(", ", PlateUnits.Select(kind => units[kind].Symbol))}",
            [new("Section"), new("Length", true), new("Top flange", true), new("Web", true), new("Bottom flange", true), new("Mass", true)],
            [
                .. PlateRun
                    .Of(geometry, girder)
                    .Select(r => new ReportRow([
                        r.Section,
                        units.Format(r.Length, QuantityKind.Length),
                        Plate(r.Plates.Top.Width, r.Plates.Top.Thickness),
                        Plate(r.Plates.WebDepth, r.Plates.WebThickness),
                        Plate(r.Plates.Bottom.Width, r.Plates.Bottom.Thickness),
                        units.Format(r.Mass, QuantityKind.Mass),
                    ])),
            ]
        );
    }

    private ReportTable Tendons() =>
        new(
            "Tendons in ducts; points as span, part of it, level above the soffit",
            [new("Tendon"), new("Ducts", true), new("Strands", true), new("Stress at the jack", true), new("Jacked at"), new("Points")],
            [
                .. bridge.Girders.Tendons.Select(t => new ReportRow([
                    t.Name,
                    $"{t.Ducts}",
                    $"{t.Strands}",
                    t.EffectiveStress is { } entered
                        ? $"{units.Format(entered, QuantityKind.Stress)} after losses"
                        : units.Format(t.Jack(PrestressingSteel.Of(bridge.Materials.Strand)), QuantityKind.Stress),
                    t.Jacked,
                    string.Join("; ", t.Points.Select(p => FormattableString.Invariant($"{p.Span}, {p.At:0.###}, ") + Sized(p.Level))),
                ])),
            ]
        );

    private string Jacked(Strands strands) =>
        strands.EffectiveStress is { } entered
            ? $"{units.FormatWithUnit(entered, QuantityKind.Stress)} entered after all losses"
            : $"stressed to {units.FormatWithUnit(strands.JackStress, QuantityKind.Stress)}, losses worked out";

    private IEnumerable<ReportBlock> Actions()
    {
        yield return new ReportHeading("4 Actions and combinations");
        yield return ReportParts.Of(CombinationTable.Of(bridge, null));
    }

    private IEnumerable<ReportBlock> Model()
    {
        var frame = results.Model.Finished.Frame;
        yield return new ReportHeading("5 Model and balance");
        yield return new ReportText(
            $"The finished bridge is a model of {frame.Nodes.Length} joints, {frame.Beams.Length} members and {frame.Shells.Length} shells."
                + " Every case is solved on the structure of its time; what is put on is set against what the supports give back."
        );
        foreach (var warning in results.Model.Warnings.Distinct())
            yield return new ReportText(warning) { IsStrong = true };
        yield return ReportParts.Of(new ModelViews(geometry, results, null, units, new WorkspaceRequest()).Balance());
    }

    private IEnumerable<ReportBlock> InFull()
    {
        yield return new ReportHeading("6 Governing checks");
        foreach (var outcome in governing)
        {
            var girder = results.Points[outcome.Point].Girder;
            yield return new ReportHeading($"{outcome.Name}, {QuantityText.Fixed(outcome.Utilisation, 2)}", 2);
            yield return new ReportFigure(
                DiagramView.Draw(views.CheckDiagram(girder, outcome), units, Size(58), results.Points[outcome.Point].Station)
            );
            yield return ReportTable.Of(views.Calculate(outcome));
        }
    }

    private IEnumerable<ReportBlock> InTables()
    {
        yield return new ReportHeading("7 All checks");
        yield return new ReportText(
            "Utilisation at every place. " + string.Join("; ", governing.Select((o, i) => $"{i + 1}: {o.Name.ToLowerInvariant()}")) + "."
        );
        foreach (var along in results.Points.Select((p, i) => (Point: p, Number: i)).GroupBy(p => p.Point.Girder))
        {
            ImmutableArray<ReportRow> rows =
            [
                .. along
                    .Where(p => results.ByPoint[p.Number].Any())
                    .Select(p => new ReportRow([$"{p.Point.Span + 1}", Length(p.Point.Station), .. At(p.Number)])
                    {
                        StandsOut = results.ByPoint[p.Number].Any(o => !o.Passes),
                    }),
            ];
            if (!rows.IsEmpty)
                yield return new ReportTable(
                    $"Girder {geometry.Girders[along.Key].Name}",
                    [new("Span", true), new("Station", true), .. governing.Select((_, i) => new ReportColumn($"{i + 1}", true))],
                    rows
                );
        }
    }

    /// <summary>From this ratio on checks of the slab are written in full.</summary>
    private const double WorthWriting = 0.5;

    private IEnumerable<ReportBlock> Slabs()
    {
        if (results.Slabs.IsEmpty)
            yield break;
        yield return new ReportHeading("8 Slab across");
        yield return new ReportText(SlabViews.Method);
        yield return new ReportTable(
            "Governing checks of each span, per metre",
            [
                new("Span", true),
                new("From the road line", true),
                new("Check"),
                new("Effect", true),
                new("Resistance", true),
                new("Ratio", true),
                new("Clause"),
            ],
            [
                .. results
                    .GoverningOfSlabs()
                    .Select(s => new ReportRow([
                        $"{s.Slab.Span.Number}",
                        Length(s.Slab.OffsetOf(s.Outcome)),
                        s.Outcome.Name,
                        ResultViews.Value(s.Outcome.Effect, s.Outcome, units),
                        ResultViews.Value(s.Outcome.Resistance, s.Outcome, units),
                        QuantityText.Fixed(s.Outcome.Utilisation, 2),
                        s.Outcome.Clause,
                    ])
                    {
                        StandsOut = !s.Outcome.Passes,
                    }),
            ]
        );
        yield return new ReportText($"The worst of each check with a ratio of {QuantityText.Fixed(WorthWriting, 1)} or more, in full:");
        foreach (var (slab, outcome) in results.GoverningOfSlabs().DistinctBy(s => s.Outcome.Check))
        {
            if (outcome.Utilisation < WorthWriting)
                continue;
            var title = $"Slab across, span {slab.Span.Number}: {outcome.Name.ToLowerInvariant()}";
            var calculation = new Calculation($"{title}, {Length(slab.OffsetOf(outcome))} from the road line", units);
            slab.Write(outcome, calculation);
            yield return new ReportHeading($"{title}, {QuantityText.Fixed(outcome.Utilisation, 2)}", 2);
            yield return new ReportFigure(DiagramView.Draw(SlabViews.Diagram(slab, outcome), units, Size(58)));
            yield return ReportTable.Of(calculation);
        }
    }

    private IEnumerable<string> At(int point) =>
        governing.Select(g =>
            results.ByPoint[point].FirstOrDefault(o => o.Check == g.Check) is { } found ? QuantityText.Fixed(found.Utilisation, 2) : ""
        );

    private static ViewSize Size(double height) => new(ReportPages.TextWidth, height, Text);

    private string Length(double value) => units.Format(value, QuantityKind.Length);

    private string Sized(double value) => units.FormatWithUnit(value, QuantityKind.Size);
}
