using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Calculations;
using Pravik.Core.Codes;
using Pravik.Core.Effects;
using Pravik.Core.Geometry;
using Pravik.Core.Materials;
using Pravik.Core.Models;
using Pravik.Core.Places;
using Pravik.Core.Sections;
using Pravik.Core.Units;

namespace Pravik.Core.Checks;

/// <summary>
/// Ultimate bending resistance of the prestressed composite girders of a bridge. One cross-section serves many points, so results
/// are kept by effective width and place.
/// </summary>
public sealed class GirderBending(BridgeGeometry geometry, NationalValues values)
{
    private readonly Bridge bridge = geometry.Bridge;
    private readonly Concrete slab = Concrete.Of(geometry.Bridge.Materials.Slab);
    private readonly Concrete girder = Concrete.Of(geometry.Bridge.Materials.Girder);
    private readonly PrestressingSteel strand = PrestressingSteel.Of(geometry.Bridge.Materials.Strand);
    private readonly ReinforcingSteel bars = ReinforcingSteel.Of(geometry.Bridge.Materials.Reinforcement);
    private readonly Dictionary<(CompositePlace, Bending), UltimateState?> known = [];

    /// <summary>What tells one cross-section from another: the girder's section, effective width, slab thickness and haunch (m),
    /// whether it is over a pier, and where strands
    /// change along the girder the distance from its end and its length.</summary>
    private readonly record struct CompositePlace(
        MadeSection Girder,
        double Width,
        double Slab,
        double Haunch,
        bool AtPier,
        double FromEnd,
        double Length
    );

    /// <summary>
    /// Resistance at a point, or null where the section cannot balance its steel. With a calculation, its lines are written.
    /// </summary>
    public UltimateState? At(EffectPoint point, Bending bending, Calculation? calculation = null)
    {
        calculation?.Heading("Section");
        var width = Width(point, calculation);
        var pier = AtPier(point);
        var place = new CompositePlace(
            geometry.SectionOf(geometry.Girders[point.Girder], point.Span, point.Fraction),
            Math.Round(width, 9),
            Math.Round(geometry.SlabThickness(geometry.Girders[point.Girder], point.Span, point.Fraction), 9),
            geometry.Haunch(point.Span),
            pier,
            0,
            0
        );
        if (bridge.Girders.Strands.Rows.Any(r => r.EndLevel is not null || r.Debonded > 0))
        {
            var length = geometry.LengthOf(geometry.Girders[point.Girder], point.Span);
            var x = point.Fraction * geometry.Girders[point.Girder].SpanLength(point.Span) - geometry.LayoutOf(point.Span).StartGap;
            place = place with { FromEnd = Math.Round(Math.Clamp(Math.Min(x, length - x), 0, length), 9), Length = Math.Round(length, 9) };
        }
        var key = (place, bending);
        calculation?.Line("h_s", "thickness of the slab over the girder", place.Slab, QuantityKind.Size, "entered");
        lock (known)
        {
            if (calculation is null && known.TryGetValue(key, out var state))
                return state;
        }
        var found = Section(place).Resistance(bending);
        lock (known)
            known[key] = found;
        if (calculation is not null)
            Write(calculation, found, bending, place);
        return found;
    }

    /// <summary>
    /// Whether a point lies between the girder ends that meet over a pier. There the concrete is the diaphragm's, cast with the slab
    /// (the weaker of both is taken), and no strand passes through.
    /// </summary>
    private bool AtPier(EffectPoint point)
    {
        var length = geometry.Girders[point.Girder].SpanLength(point.Span);
        var layout = geometry.LayoutOf(point.Span);
        var unit = geometry.UnitOf(point.Span);
        return (point.Span > unit.FirstSpan && point.Fraction * length <= layout.StartGap + 1e-9)
            || (point.Span < unit.LastSpan && (1 - point.Fraction) * length <= layout.EndGap + 1e-9);
    }

    private double Width(EffectPoint point, Calculation? calculation)
    {
        var line = geometry.Girders[point.Girder];
        var (left, right) = GrillageBuilder.ClearWidths(geometry, line, point.Span);
        var (spans, span) = GrillageBuilder.Continuous(geometry, line, point.Span);
        var length = EffectiveWidth.IsNearPier(spans.Count, span, point.Fraction)
            ? EffectiveWidth.ZeroMomentLengthAtPier(spans, point.Fraction <= 0.5 ? span - 1 : span)
            : EffectiveWidth.ZeroMomentLength(spans, span);
        return EffectiveWidth.Of(geometry.SectionOf(line, point.Span).WebWidth, left, right, length, calculation);
    }

    private UltimateSection Section(CompositePlace place)
    {
        var (shape, width, thickness, haunch, atPier, _, _) = place;
        var slabSoffit = shape.Depth + haunch;
        var fcdSlab = slab.DesignStrength(values["alphaCc"], values["gammaC"]);
        var soffit = atPier && slab.Fck < girder.Fck ? slab : girder;
        var concrete = ImmutableArray.CreateBuilder<ConcretePart>();
        concrete.Add(new("slab", Box(width, slabSoffit, slabSoffit + thickness), slab, fcdSlab));
        if (haunch > 0)
            concrete.Add(new("haunch", Box(shape.TopWidth, shape.Depth, slabSoffit), slab, fcdSlab));
        foreach (var solid in shape.Solids)
            concrete.Add(
                new(
                    "girder",
                    new(solid.Points.Select(p => new Point(p.X, p.Y - shape.Bottom))),
                    soffit,
                    soffit.DesignStrength(values["alphaCc"], values["gammaC"])
                )
            );
        var gammaS = values["gammaS"];
        var initial = bridge.Girders.Strands.EffectiveStress / strand.Ep;
        var layers = Strands(place)
            .Select(
                (r, i) =>
                    new SteelLayer(
                        $"strand row {i + 1}",
                        r.Level,
                        r.Count * strand.Area,
                        e => strand.Stress(e, gammaS),
                        initial,
                        strand.Limit
                    )
            )
            .ToList();
        var slabBars = bridge.Girders.SlabBars;
        layers.Add(Bar("slab bars, top", slabSoffit + thickness - slabBars.Top.AxisDistance, slabBars.Top.AreaPerMetre * width));
        layers.Add(Bar("slab bars, bottom", slabSoffit + slabBars.Bottom.AxisDistance, slabBars.Bottom.AreaPerMetre * width));
        return new(concrete.ToImmutable(), [.. layers]);

        SteelLayer Bar(string name, double height, double area) =>
            new(name, height, area, e => bars.Stress(e, gammaS), 0, bars.StrainLimit);
    }

    /// <summary>Rows of strands with what is bonded, and where it lies, at a place.</summary>
    private IEnumerable<(double Level, int Count)> Strands(CompositePlace place) =>
        place.AtPier
            ? []
            : bridge
                .Girders.Strands.Rows.Select(r =>
                    place.Length > 0
                        ? (Level: r.LevelAt(place.FromEnd, place.Length), Count: r.CountAt(place.FromEnd, place.Length))
                        : (r.Level, r.Count)
                )
                .Where(r => r.Count > 0);

    private static Polygon Box(double width, double from, double to) =>
        new([new(-width / 2, from), new(width / 2, from), new(width / 2, to), new(-width / 2, to)]);

    private void Write(Calculation c, UltimateState? state, Bending bending, CompositePlace place)
    {
        var pier = place.AtPier;
        var strands = bridge.Girders.Strands;
        var count = Strands(place).Sum(r => r.Count);
        c.Heading("Materials");
        c.Line(
            "f_cd,slab",
            $"α_cc f_ck / γ_C, {slab.Class}",
            slab.DesignStrength(values["alphaCc"], values["gammaC"]),
            QuantityKind.Stress,
            "EN 1992-1-1 3.1.6(1), EN 1992-2 3.1.6(101)",
            $"{values["alphaCc"]:0.00} · {c.Text(slab.Fck, QuantityKind.Stress)} / {values["gammaC"]:0.00}"
        );
        var lower = pier && slab.Fck < girder.Fck ? slab : girder;
        c.Line(
            "f_cd,girder",
            pier ? $"at the pier the soffit is the diaphragm, {lower.Class}" : $"α_cc f_ck / γ_C, {lower.Class}",
            lower.DesignStrength(values["alphaCc"], values["gammaC"]),
            QuantityKind.Stress,
            "EN 1992-1-1 3.1.6(1), EN 1992-2 3.1.6(101)",
            $"{values["alphaCc"]:0.00} · {c.Text(lower.Fck, QuantityKind.Stress)} / {values["gammaC"]:0.00}"
        );
        if (pier)
            c.Remark("Between the girder ends over the pier no strand passes: the slab bars carry the tension.");
        c.Line(
            "f_yd",
            $"f_yk / γ_S, {bars.Class}",
            bars.Fyk / values["gammaS"],
            QuantityKind.Stress,
            bars.Clause,
            $"{c.Text(bars.Fyk, QuantityKind.Stress)} / {values["gammaS"]:0.00}"
        );
        if (count > 0)
        {
            c.Line(
                "f_pd",
                $"f_p0.1k / γ_S, {strand.Type}",
                strand.Fp01k / values["gammaS"],
                QuantityKind.Stress,
                "EN 1992-1-1 3.3.6(6)",
                $"{c.Text(strand.Fp01k, QuantityKind.Stress)} / {values["gammaS"]:0.00}"
            );
            c.Line(
                "A_p",
                $"{count} strands",
                count * strand.Area,
                QuantityKind.SmallArea,
                "entered",
                $"{count} · {c.Text(strand.Area, QuantityKind.SmallArea)}"
            );
            c.Line(
                "ε_p0",
                "σ_p,eff / E_p, strain before loading",
                strands.EffectiveStress / strand.Ep,
                QuantityKind.Strain,
                "EN 1992-1-1 6.1(2)",
                $"{c.Text(strands.EffectiveStress, QuantityKind.Stress)} / {c.Text(strand.Ep, QuantityKind.Stress)}"
            );
        }
        c.Heading(bending == Bending.Sagging ? "Resistance, sagging" : "Resistance, hogging");
        if (state is null)
        {
            c.Remark(
                "Even compressed over its whole depth the concrete cannot balance the steel: no resistance is given.",
                "EN 1992-1-1 6.1"
            );
            return;
        }
        c.Line("x", "depth of the compressed zone, from Σ N = 0", state.NeutralAxis, QuantityKind.Size, "EN 1992-1-1 6.1(2)");
        c.Line(
            "ε_c",
            "κ x, strain of the compressed face",
            state.FaceStrain,
            QuantityKind.Strain,
            "EN 1992-1-1 3.1.7(1)",
            $"limit {c.Text(slab.EpsilonCu2, QuantityKind.Strain)}"
        );
        foreach (var (layer, i) in state.Steel.Select((s, i) => (s, i + 1)))
        {
            c.Line(
                $"ε_s{i}",
                $"{layer.Layer.Name}: ε_0 + κ (d − x)",
                layer.Strain,
                QuantityKind.Strain,
                "EN 1992-1-1 6.1(2)",
                $"height {c.Text(layer.Layer.Height, QuantityKind.Size)}"
            );
            c.Line(
                $"F_s{i}",
                $"A σ, σ = {c.Text(layer.Stress, QuantityKind.Stress)}",
                layer.Force,
                QuantityKind.Force,
                layer.Layer.InitialStrain > 0 ? "EN 1992-1-1 3.3.6(7)" : bars.Clause,
                $"A = {c.Text(layer.Layer.Area, QuantityKind.SmallArea)}"
            );
        }
        foreach (var part in state.Concrete)
            c.Line(
                $"F_c,{part.Part.Name}",
                $"compression in the {part.Part.Name}, at height {c.Text(part.Height, QuantityKind.Size)}",
                part.Force,
                QuantityKind.Force,
                "EN 1992-1-1 3.1.7(1)"
            );
        c.Line("M_Rd", "Σ F_c z_c − Σ F_s z_s, about the soffit", state.Moment, QuantityKind.Moment, "EN 1992-1-1 6.1(2)");
    }
}
