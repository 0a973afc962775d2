using System.Collections.Immutable;
using Pravik.Core.Checks;
using Pravik.Core.Checks.En1992;
using Pravik.Core.Checks.Steel;
using Pravik.Core.Codes;
using Pravik.Core.Members;
using Pravik.Core.Models;
using Pravik.Core.Stages;
using Pravik.Core.Units;
using Pravik.Drawings;
using Pravik.Drawings.Views;

namespace Pravik.Web.Workspaces;

/// <summary>Diagrams of checks along a member: what acts against what it resists.</summary>
internal sealed class CheckDiagrams(CheckedMembers done, Member member, ImmutableArray<DiagramAxis> axes)
{
    /// <summary>Effect and resistance of a kind of check along a girder, both ways.</summary>
    /// <param name="outcome">An outcome of the check; that of bending without one.</param>
    public Diagram Of(CheckOutcome? outcome)
    {
        Series Line(string name, string check, Pen pen, Func<CheckOutcome, double> value, bool peaks = false) =>
            new(
                name,
                [
                    .. member
                        .Points.Select(p => (p.Station, Outcome: done.ByPoint[p.Number].FirstOrDefault(o => o.Check == check)))
                        .Where(p => p.Outcome is not null)
                        .Select(p => (p.Station, value(p.Outcome!))),
                ],
                pen
            )
            {
                Peaks = peaks,
            };
        var name = member.Name;
        return outcome?.Check switch
        {
            "shear.links" or "shear.struts" => new(
                $"{name}, {outcome.Name.ToLowerInvariant()}, without its sign",
                QuantityKind.Force,
                false,
                [
                    Line("V_Ed", "shear.links", Pen.Active, o => Math.Abs(o.Effect), true),
                    Line("V_Rd", "shear.links", Pen.Resistance, o => Math.Abs(o.Resistance)),
                ],
                axes
            ),
            "shear.least" => new(
                $"{name}, links over concrete",
                QuantityKind.Slope,
                false,
                [
                    Line("least", "shear.least", Pen.Active, o => o.Effect, true),
                    Line("ρ_w", "shear.least", Pen.Resistance, o => o.Resistance),
                ],
                axes
            ),
            "interface.slab" => new(
                $"{name}, shear between girder and slab",
                QuantityKind.SmallStress,
                false,
                [
                    Line("v_Edi", "interface.slab", Pen.Active, o => o.Effect, true),
                    Line("v_Rdi", "interface.slab", Pen.Resistance, o => o.Resistance),
                ],
                axes
            ),
            not null when IsDrawnAsRatio(outcome) => new(
                $"{name}, {outcome.Name.ToLowerInvariant()}, utilisation",
                QuantityKind.Number,
                false,
                [Line("η", outcome.Check, Pen.Active, o => o.Utilisation, true), Line("1", outcome.Check, Pen.Resistance, _ => 1)],
                axes
            ),
            "deflection.traffic" => new(
                $"{name}, deflection under frequent traffic, without its sign",
                QuantityKind.Size,
                true,
                [
                    Line("δ", outcome.Check, Pen.Active, o => Math.Abs(o.Effect), true),
                    Line("limit", outcome.Check, Pen.Resistance, o => o.Resistance),
                ],
                axes
            ),
            "cracks.top" or "cracks.soffit" => new(
                $"{name}, {outcome.Name.ToLowerInvariant()}",
                QuantityKind.CrackWidth,
                false,
                [
                    Line("w_k", outcome.Check, Pen.Active, o => o.Effect, true),
                    Line("w_max", outcome.Check, Pen.Resistance, o => o.Resistance),
                ],
                axes
            ),
            "bars.concrete" or "bars.sustained" or "bars.steel" => new(
                $"{name}, {outcome.Name.ToLowerInvariant()}",
                QuantityKind.Stress,
                false,
                [
                    Line("σ", outcome.Check, Pen.Active, o => o.Effect, true),
                    Line("σ_lim", outcome.Check, Pen.Resistance, o => o.Resistance),
                ],
                axes
            ),
            "webShear.shear" or "webFatigue.shear" => new(
                $"{name}, {outcome.Name.ToLowerInvariant()}, without its sign",
                QuantityKind.Force,
                false,
                [
                    Line("V_u", outcome.Check, Pen.Active, o => Math.Abs(o.Effect), true),
                    Line(
                        outcome.Check == "webShear.shear" ? "φ_v V_n" : "V_cr",
                        outcome.Check,
                        Pen.Resistance,
                        o => Math.Abs(o.Resistance)
                    ),
                ],
                axes
            ),
            null when IsOfSteel => FlangeStresses(LimitState.Ultimate, "strength states"),
            "flexure.sagging" or "flexure.hogging" => FlangeStresses(LimitState.Ultimate, "strength states"),
            "serviceTwo.sagging" or "serviceTwo.hogging" => FlangeStresses(LimitState.Characteristic, "service"),
            { } id when id.StartsWith("stress.", StringComparison.Ordinal) => Stresses(outcome!),
            { } id when id.StartsWith("strands.", StringComparison.Ordinal) => StrandStresses(outcome!),
            _ => new(
                $"{name}, ultimate bending",
                QuantityKind.Moment,
                true,
                [
                    Line("M_Ed", "bending.sagging", Pen.Active, o => o.Effect, true),
                    Line("M_Ed", "bending.hogging", Pen.Active, o => o.Effect, true),
                    Line("M_Rd", "bending.sagging", Pen.Resistance, o => o.Resistance),
                    Line("M_Rd", "bending.hogging", Pen.Resistance, o => o.Resistance),
                ],
                axes
            )
            {
                Envelope = (0, 1),
            },
        };
    }

    /// <summary>Whether an outcome's diagram is that of utilisations: what it sets against each other has no one unit.</summary>
    public static bool IsDrawnAsRatio(CheckOutcome outcome) =>
        outcome.Check is "torsion.webstruts" or "torsion.weblinks" or "anchorage.end"
        || outcome.Check is "flexure.ductility" or "proportions.plates" or "construction.built" or "slabBars.least"
        || outcome is { Check: "flexure.sagging", Kind: QuantityKind.Moment }
        || outcome.Check.Split('.')[0] is "studs" or "stiffeners" or "steelFatigue" or "sudden"
        || outcome.Check.StartsWith("accidental-", StringComparison.Ordinal)
        || outcome.Check.StartsWith("cracks.least", StringComparison.Ordinal);

    private bool IsOfSteel => member.Points.Any(p => !p.Steel.IsEmpty);

    /// <summary>Stresses of both flanges of a steel girder under the greatest and the least moments, and its yield strength.</summary>
    public Diagram FlangeStresses(LimitState state, string words)
    {
        var all = member.Points.SelectMany(p => p.Steel.Select(s => (p.Station, Point: p, Steel: s))).ToList();
        Series Line(string name, bool isGreatest, Pen pen, Func<SteelReading, double> value) =>
            new(name, [.. all.Select(a => (a.Station, value(SteelReading.Of(member, a.Point, a.Steel, state, isGreatest))))], pen)
            {
                Peaks = pen == Pen.Active,
            };
        Series Limit(int sign) => new("F_y", [.. all.Select(a => (a.Station, sign * a.Steel.FlangeYield(false)))], Pen.Resistance);
        return new(
            $"{member.Name}, stresses of flanges, {words}, tension positive",
            QuantityKind.Stress,
            false,
            [
                Line("bottom flange", true, Pen.Active, r => r.Bottom),
                Line("bottom flange", false, Pen.Active, r => r.Bottom),
                Line("top flange", true, Pen.Load, r => r.Top),
                Line("top flange", false, Pen.Load, r => r.Top),
                Limit(1),
                Limit(-1),
            ],
            axes
        );
    }

    /// <summary>The worst stress at each face of a girder, and its limits.</summary>
    private Diagram Stresses(CheckOutcome outcome)
    {
        var name = member.Name;
        var all = member
            .Points.Select(p => (p.Station, Faces: ServiceStress.Of(member, p, outcome.Check).ToList()))
            .Where(p => p.Faces.Count > 0)
            .ToList();
        IEnumerable<Series> Of(GirderEffect face, Pen pen)
        {
            foreach (var greatest in new[] { true, false })
            {
                var line = all.Select(p => (p.Station, Faces: p.Faces.Where(f => f.Face == face && f.IsGreatest == greatest).ToList()))
                    .Where(p => p.Faces.Count > 0)
                    .Select(p => (p.Station, greatest ? p.Faces.Max(f => f.Stress) : p.Faces.Min(f => f.Stress)))
                    .ToImmutableArray();
                if (!line.IsEmpty)
                    yield return new(FaceStress.NameOf(face), line, pen) { Peaks = face == outcome.Leads };
            }
        }
        IEnumerable<Series> Limits()
        {
            foreach (var greatest in new[] { true, false })
            {
                var line = all.Select(p =>
                        (p.Station, Faces: p.Faces.Where(f => f.Face == outcome.Leads && f.IsGreatest == greatest).ToList())
                    )
                    .Where(p => p.Faces.Count > 0)
                    .Select(p => (p.Station, p.Faces.MaxBy(f => f.Utilisation)!.Limit))
                    .ToImmutableArray();
                if (!line.IsEmpty)
                    yield return new("limit", line, Pen.Resistance);
            }
        }
        return new(
            $"{name}, {outcome.Name.ToLowerInvariant()}, tension positive",
            QuantityKind.Stress,
            false,
            [
                .. Of(GirderEffect.Bottom, Pen.Active),
                .. Of(GirderEffect.GirderTop, Pen.Load),
                .. Of(GirderEffect.SlabTop, Pen.Former),
                .. Limits(),
            ],
            axes
        );
    }

    /// <summary>
    /// Stress of the row of strands, or the tendon, that governs along a girder: at the jack, after release, at the ends of the intervals
    /// of creep, after all losses, and the limit.
    /// </summary>
    private Diagram StrandStresses(CheckOutcome outcome)
    {
        var (name, points) = (member.Name, member.Points);
        var governing = StrandStress.Governing(points.First(p => p.Number == outcome.Point).Section!, outcome.Check);
        var number = governing.Row;
        var rows = points
            .Where(p => p.Section is { IsInterrupted: false })
            .Select(p => (p.Station, Row: p.Section!.Strands.FirstOrDefault(s => s.Row == number)!))
            .Where(r => r.Row is not null)
            .ToList();
        Series Line(string words, Pen pen, Func<MemberStrands, double> value) =>
            new(words, [.. rows.Select(r => (r.Station, value(r.Row)))], pen);
        // Ends of the intervals between release, or anchoring, and the last day.
        var days = governing
            .Steps.Where(s => s.From < s.To && s.Kind == LossKind.Creep)
            .Select(s => s.To)
            .Distinct()
            .Order()
            .SkipLast(1)
            .ToList();
        var limits = points.SelectMany(p =>
            done.ByPoint[p.Number].Where(o => o.Check == outcome.Check).Select(o => (p.Station, o.Resistance))
        );
        ImmutableArray<Series> lines =
        [
            Line("stressed to", Pen.Former, r => r.Steps.First().Change),
            Line(governing.Duct is null ? "after release" : "anchored", Pen.Load, r => r.StressAtRelease),
            .. days.Select(d =>
                Line(FormattableString.Invariant($"day {d:0}"), Pen.Light, r => r.Steps.Where(s => s.To <= d).Sum(s => s.Change))
            ),
            Line("after all losses", Pen.Active, r => r.EffectiveStress) with
            {
                Peaks = true,
            },
            new("limit", [.. limits], Pen.Resistance),
        ];
        var values = lines.SelectMany(l => l.Values.Select(v => v.Value)).ToList();
        var (least, greatest) = (values.Min(), values.Max());
        return new($"{name}, stress of {governing.Name}", QuantityKind.Stress, false, lines, axes)
        {
            // What is lost is small beside the whole: the scale does not begin at nothing.
            Range = (Math.Max(0, least - 0.3 * (greatest - least)), greatest),
        };
    }
}
