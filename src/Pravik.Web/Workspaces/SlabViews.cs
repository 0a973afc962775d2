using System.Collections.Immutable;
using Pravik.Core.Calculations;
using Pravik.Core.Checks;
using Pravik.Core.Models;
using Pravik.Core.Runs;
using Pravik.Core.Slabs;
using Pravik.Core.Units;
using Pravik.Drawings.Views;
using Pravik.Web.Ledgers;
using Pravik.Web.Steps;

namespace Pravik.Web.Workspaces;

/// <summary>
/// The slab across: the wheels behind a value, effect against resistance from edge to edge, the table and the calculation.
/// </summary>
internal sealed class SlabViews
{
    /// <summary>How paths of its outcomes begin.</summary>
    public const string Path = "/parts/results/slab/";
    private readonly Screen screen;
    private readonly BridgeResults results;
    private readonly UnitSystem units;
    private readonly SlabAcross slab;
    private readonly CheckOutcome outcome;

    private SlabViews(Screen screen, SlabAcross slab, CheckOutcome outcome) =>
        (this.screen, results, units, this.slab, this.outcome) = (screen, screen.Latest!.Results, screen.Units, slab, outcome);

    /// <summary>The picked outcome, or the worst; null where no slab is checked.</summary>
    public static SlabViews? Of(Screen screen)
    {
        if (screen.Latest?.Results is not { Slabs.IsEmpty: false } results)
            return null;
        var (slab, outcome) = Find(results, screen.Request.Pick) ?? results.GoverningOfSlabs()[0];
        return new(screen, slab, outcome);
    }

    /// <summary>Why no slab is checked, in words.</summary>
    public static string Refusal(BridgeResults results) =>
        results.SlabRefusals.IsEmpty ? "there are no results" : string.Join("; ", results.SlabRefusals);

    /// <summary>The path by which an outcome is found.</summary>
    public static string PathOf(SlabAcross slab, CheckOutcome outcome) => $"{Path}{slab.Span.Number}/{outcome.Point}/{outcome.Check}";

    /// <summary>A failing check as a finding.</summary>
    public static Core.Findings.Finding Failing(SlabAcross slab, CheckOutcome outcome) =>
        Core.Findings.Finding.Error(
            PathOf(slab, outcome),
            $"Slab across, span {slab.Span.Number}: {outcome.Name.ToLowerInvariant()} fails with utilisation "
                + $"{QuantityText.Fixed(outcome.Utilisation, 2)}.",
            "More bars across, a thicker slab or girders nearer to each other help."
        ) with
        {
            Station = slab.Cut.Station,
        };

    private static (SlabAcross, CheckOutcome)? Find(BridgeResults results, string? path)
    {
        if (path?.StartsWith(Path, StringComparison.Ordinal) != true || path[Path.Length..].Split('/') is not [var s, var p, var check])
            return null;
        var slab = results.Slabs.FirstOrDefault(x => $"{x.Span.Number}" == s);
        var found = int.TryParse(p, out var point) ? slab?.Run.Checks.ByPoint[point].FirstOrDefault(o => o.Check == check) : null;
        return slab is not null && found is not null ? (slab, found) : null;
    }

    private double Offset => slab.OffsetOf(outcome);

    private string At => units.FormatWithUnit(Offset, QuantityKind.Length);

    /// <summary>The place of the slab, and the force whose extreme stands behind the outcome; null where none does.</summary>
    private (SlabParts Parts, string Girders)? Behind
    {
        get
        {
            if (outcome.State is not Core.Codes.LimitState.Ultimate || outcome.Leads is not (GirderEffect.M or GirderEffect.V))
                return null;
            var force = outcome.Leads == GirderEffect.M ? SlabForce.M : SlabForce.V;
            var at = slab.OffsetOf(outcome with { Point = outcome.Source });
            return slab.Effects.Behind(force, force == SlabForce.M ? outcome.IsGreatest : outcome.Effect > 0, at);
        }
    }

    /// <summary>Effect against resistance of an outcome from edge to edge of its slab, by the offset from the road line.</summary>
    public static Diagram Diagram(SlabAcross slab, CheckOutcome outcome)
    {
        // Members count from the left edge.
        var left = slab.Cut.Section.LeftEdge;
        ImmutableArray<DiagramAxis> axes =
        [
            new("L", left),
            .. slab.Cut.Girders.Select(g => new DiagramAxis(g.Name, g.At)),
            new("R", slab.Cut.Section.RightEdge),
        ];
        var diagram = new CheckDiagrams(slab.Run.Checks, slab.Run.Checks.Members[0], axes).Of(outcome);
        return diagram with
        {
            Title = $"Slab across in span {slab.Span.Number}, per metre: {outcome.Name.ToLowerInvariant()}",
            Series = [.. diagram.Series.Select(s => s with { Values = [.. s.Values.Select(v => (v.Station + left, v.Value))] })],
        };
    }

    public SheetContent Sheet()
    {
        var value = ResultViews.Value(outcome.Effect, outcome, units);
        var drawn =
            CheckDiagrams.IsDrawnAsRatio(outcome) ? outcome.Utilisation
            : outcome.Kind is QuantityKind.Force or QuantityKind.Size ? Math.Abs(outcome.Effect)
            : outcome.Effect;
        var diagram = DiagramView.Draw(
            Diagram(slab, outcome),
            units,
            screen.Part(0.4, 200),
            null,
            (Offset, drawn, $"{value} · {QuantityText.Fixed(outcome.Utilisation, 2)}")
        );
        var wheels = SlabLoadView.Draw(slab, units, screen.Part(0.3, 170), Governing, Offset);
        return new([Screen.Drawn("slab", wheels), Screen.Drawn("diagram", diagram)], Table());
    }

    /// <summary>Axles of the traffic model that governs.</summary>
    private IReadOnlyList<SlabAxle> Governing =>
        Behind is var (parts, _) ? [.. parts.Axles.Where(a => a.Model == slab.Effects.Leading(parts))] : [];

    private DataTable Table()
    {
        TableRow Row(SlabAcross of, CheckOutcome o) =>
            new(
                [
                    $"{of.Span.Number}",
                    units.Format(of.OffsetOf(o), QuantityKind.Length),
                    o.Name,
                    ResultViews.Value(o.Effect, o, units),
                    ResultViews.Value(o.Resistance, o, units),
                    QuantityText.Fixed(o.Utilisation, 2),
                    o.Clause,
                ],
                [of.Span.Number, of.OffsetOf(o), null, o.Effect, o.Resistance, o.Utilisation, null],
                PathOf(of, o),
                o.Utilisation,
                of == slab && o == outcome
            );
        return new(
            "Slab across, per metre: governing checks, worst first",
            [
                new("Span", true),
                new("From the road line", true),
                new("Check", false),
                new("Effect", true),
                new("Resistance", true),
                new("Utilisation", true),
                new("Clause", false),
            ],
            [.. results.GoverningOfSlabs().Select(s => Row(s.Slab, s.Outcome))]
        );
    }

    public Ledger Ledger()
    {
        var calculation = new Calculation(outcome.Name, units);
        slab.Write(outcome, calculation);
        return new(
            $"Slab across: {outcome.Name.ToLowerInvariant()}",
            $"span {slab.Span.Number}, {At} from the road line, per metre",
            [.. BehindIt(), new("Not checked yet", []) { Note = $"{string.Join(", ", results.NotChecked)}." }, How]
        )
        {
            Lines = LedgerLine.Of(calculation),
        };
    }

    private IEnumerable<LedgerGroup> BehindIt()
    {
        if (Behind is not var (parts, girders))
            yield break;
        var kind = outcome.Leads == GirderEffect.M ? QuantityKind.Moment : QuantityKind.Force;
        LedgerRow Reading(string name, double value, string help = "") =>
            new(name, units.Format(value, kind), units[kind].Symbol) { Help = help };
        var traffic = parts.Traffic;
        yield return new(
            "Readings: what acts, characteristic",
            [
                Reading("Slab", parts.Weight),
                Reading("Beside the carriageway", parts.Later, "Footways, verges, edge beams and parapets."),
                Reading("Surfacing", parts.Surfacing),
                Reading("Tandems of LM1", traffic.Tandems),
                Reading("Lanes of LM1", traffic.Lanes),
                Reading("Axle of LM2", traffic.Axle),
                Reading("Footways, 1 kN/m²", 1000 * traffic.Footways),
            ]
        )
        {
            Note =
                $"Each at its worst for this place; {girders}. LM1 with its footway load, LM2 or footways alone act, whichever is worse.",
        };
        if (Governing.Count > 0)
            yield return new(
                "Readings: wheels",
                [
                    .. Governing.Select(a =>
                        LedgerRows.Reading(
                            $"{a.Model} at {units.FormatWithUnit(a.At, QuantityKind.Length)}",
                            $"{a.Axles * a.Wheels} × {units.FormatWithUnit(a.Wheel, QuantityKind.Force)}",
                            "The middle of its axles across; the first of them "
                                + $"{units.FormatWithUnit(a.Beside, QuantityKind.Length)} beside the place."
                        )
                    ),
                ]
            );
    }

    /// <summary>How the slab is looked at, in words.</summary>
    public const string Method =
        "A plate half way along each span, simply supported at its ends, on girders that give way and on girders that do not: the worse "
        + "holds. Wheels stand anywhere in the carriageways (EN 1991-2 4.3.2(5)) and spread to the middle of the slab. The slab is looked "
        + "at from the edges of the girders’ top flanges; shear is that at d from them and beyond, its mean over 4 d along. Skew, "
        + "continuity of girders, temperature and shrinkage across are left out.";

    private static LedgerGroup How { get; } = new("How", []) { Note = Method };
}
