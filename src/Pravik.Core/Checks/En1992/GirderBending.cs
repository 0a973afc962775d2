using Pravik.Core.Bridges;
using Pravik.Core.Calculations;
using Pravik.Core.Codes;
using Pravik.Core.Geometry;
using Pravik.Core.Materials;
using Pravik.Core.Models;
using Pravik.Core.Places;
using Pravik.Core.Sections;
using Pravik.Core.Units;

namespace Pravik.Core.Checks.En1992;

/// <summary>
/// Ultimate bending resistance of the prestressed composite girders of a bridge. One cross-section serves many points, so results
/// are kept by what tells sections apart.
/// </summary>
public sealed class GirderBending
{
    private readonly BridgeGeometry geometry;
    private readonly NationalValues values;
    private readonly Bridge bridge;
    private readonly Concrete slab;
    private readonly PrestressingSteel strand;
    private readonly ReinforcingSteel bars;
    private readonly Typed[] types;
    private readonly Dictionary<(CompositePlace, Bending, double Axial, double Reference), UltimateState?> known = [];

    /// <summary>
    /// Axial forces at which resistances are kept (N); the domain of N and M is convex, so that what lies between is never less.
    /// </summary>
    private const double AxialStep = 250e3;

    /// <summary>The resistances of a bridge's girders, worked out as they are asked for.</summary>
    public GirderBending(BridgeGeometry geometry, NationalValues values)
    {
        (this.geometry, this.values, bridge) = (geometry, values, geometry.Bridge);
        var materials = bridge.Materials;
        slab = Concrete.Of(materials.Slab);
        (strand, bars) = (PrestressingSteel.Of(materials.Strand), ReinforcingSteel.Of(materials.Reinforcement));
        types = [.. bridge.Girders.Types.Select(Of)];
    }

    /// <summary>What girders of a type have in common.</summary>
    private sealed record Typed(Concrete Concrete, Strands Strands, StrandAnchorage Anchorage);

    private Typed Of(GirderType type)
    {
        var concrete = Concrete.Of(type.Concrete);
        return new(concrete, type.Strands, new(strand, concrete, type.Strands.EffectiveStress, values));
    }

    /// <summary>Where a point lies along its girder.</summary>
    private enum Stretch
    {
        Girder,

        /// <summary>Between girder ends that meet over a pier: the concrete is the diaphragm's, and no strand passes.</summary>
        OverPier,

        /// <summary>Beyond the end of a girder at the end of the deck.</summary>
        Beyond,
    }

    /// <summary>
    /// What tells one cross-section from another: the girder's type and section, effective width, slab thickness and haunch (m), whether
    /// it is over a pier, and where strands or their anchorage change the distance from the girder's end and its length.
    /// </summary>
    private readonly record struct CompositePlace(
        Typed Type,
        MadeSection Girder,
        double Width,
        double Slab,
        double Haunch,
        bool AtPier,
        double FromEnd,
        double Length,
        double PierBars
    );

    /// <summary>
    /// Whether a point lies on the girder or over a pier; beyond a girder's end at the end of the deck there is nothing to check.
    /// </summary>
    public bool Applies(ModelPoint point) => StretchOf(point) != Stretch.Beyond;

    /// <summary>Whether the section is the diaphragm's, between girder ends that meet over a pier.</summary>
    public bool IsOverPier(ModelPoint point) => StretchOf(point) == Stretch.OverPier;

    /// <summary>Depth of the whole section at a point (m).</summary>
    public double Depth(ModelPoint point)
    {
        var line = geometry.Girders[point.Girder];
        return geometry.SectionOf(line, point.Span, point.Fraction).Depth
            + geometry.Haunch(point.Span)
            + geometry.SlabThickness(line, point.Span, point.Fraction);
    }

    /// <summary>
    /// Resistance at a point beside an axial force (N, tension positive) that acts at a height above the soffit (m), about that height;
    /// null where the section cannot balance its steel and the force. With a calculation, its lines are written.
    /// </summary>
    public UltimateState? At(ModelPoint point, Bending bending, double axial = 0, double reference = 0, Calculation? calculation = null)
    {
        calculation?.Heading("Section");
        var place = PlaceOf(point, calculation);
        calculation?.Line("h_s", "thickness of the slab over the girder", place.Slab, QuantityKind.Size, "entered");
        var found = Section(place).Resistance(bending, axial, reference);
        if (calculation is not null)
            Write(calculation, found, bending, place, axial, reference);
        return found;
    }

    /// <summary>
    /// Moments (Nm) of the same resistance at a point by axial force, straight between axial forces <see cref="AxialStep"/> apart: quick,
    /// and not above the true ones. Null as in <see cref="At"/>.
    /// </summary>
    public Func<double, double?> Moments(ModelPoint point, Bending bending, double reference)
    {
        var place = PlaceOf(point, null);
        return axial =>
        {
            var (below, part) = (Math.Floor(axial / AxialStep), axial / AxialStep - Math.Floor(axial / AxialStep));
            var (less, more) = (Kept(below * AxialStep), part == 0 ? 0 : Kept((below + 1) * AxialStep));
            return less + part * (more - less);
        };

        double? Kept(double force)
        {
            var key = (place, bending, force, Math.Round(reference, 9));
            lock (known)
            {
                if (known.TryGetValue(key, out var state))
                    return state?.Moment;
            }
            var found = Section(place).Resistance(bending, force, reference);
            lock (known)
                known[key] = found;
            return found?.Moment;
        }
    }

    private CompositePlace PlaceOf(ModelPoint point, Calculation? calculation)
    {
        var line = geometry.Girders[point.Girder];
        var type = TypeAt(point);
        var place = new CompositePlace(
            type,
            geometry.SectionOf(line, point.Span, point.Fraction),
            Math.Round(Width(point, calculation), 9),
            Math.Round(geometry.SlabThickness(line, point.Span, point.Fraction), 9),
            geometry.Haunch(point.Span),
            StretchOf(point) == Stretch.OverPier,
            0,
            0,
            Math.Round(PierBarsAt(point), 9)
        );
        if (place.AtPier || type.Strands.Rows.All(r => r.Count == 0))
            return place;
        var length = geometry.LengthOf(line, point.Span);
        var fromEnd = FromEnd(point);
        // Well inside, straight and bonded strands are the same everywhere.
        var same = type.Strands.Rows.All(r => r.EndLevel is null && fromEnd >= r.DebondedLength + type.Anchorage.Anchorage);
        return same
            ? place with
            {
                FromEnd = double.PositiveInfinity,
            }
            : place with
            {
                FromEnd = Math.Round(fromEnd, 9),
                Length = Math.Round(length, 9),
            };
    }

    private Typed TypeAt(ModelPoint point) => types[geometry.Sections.TypeIndex(geometry.Girders[point.Girder].Number, point.Span)];

    /// <summary>From the nearer end of a girder to a point (m); negative beyond it.</summary>
    private double FromEnd(ModelPoint point)
    {
        var (line, layout) = (geometry.Girders[point.Girder], geometry.LayoutOf(point.Span));
        var x = point.Fraction * line.SpanLength(point.Span) - layout.StartGap;
        return Math.Min(x, geometry.LengthOf(line, point.Span) - x);
    }

    /// <summary>
    /// Part of the bars over a pier that is anchored at a point: all of them up to their anchorage length from their end, then less in
    /// proportion (EN 1992-1-1 8.4.3, 8.4.2: f_bd = 2.25·f_ctd, l_b = φ/4 · f_yd/f_bd, good bond).
    /// </summary>
    private double PierBarsAt(ModelPoint point)
    {
        var (pier, unit) = (bridge.Girders.PierBars, geometry.UnitOf(point.Span));
        var (atStart, length) = (point.Fraction < 0.5, geometry.Girders[point.Girder].SpanLength(point.Span));
        if (pier.Count == 0 || (atStart ? point.Span == unit.FirstSpan : point.Span == unit.LastSpan))
            return 0;
        var bond = 2.25 * 0.7 * Math.Min(TypeAt(point).Concrete.Fctm, slab.Fctm) / values["gammaC"];
        var anchored = pier.Diameter / 4 * (bars.Fyk / values["gammaS"]) / bond;
        var fromAxis = (atStart ? point.Fraction : 1 - point.Fraction) * length;
        return Math.Clamp((pier.Reach - fromAxis) / anchored, 0, 1);
    }

    private Stretch StretchOf(ModelPoint point)
    {
        if (FromEnd(point) > 1e-9)
            return Stretch.Girder;
        var unit = geometry.UnitOf(point.Span);
        var isOuter = point.Fraction < 0.5 ? point.Span == unit.FirstSpan : point.Span == unit.LastSpan;
        return isOuter ? Stretch.Beyond : Stretch.OverPier;
    }

    private double Width(ModelPoint point, Calculation? calculation)
    {
        var line = geometry.Girders[point.Girder];
        var (left, right) = EffectiveSlab.ClearWidths(geometry, line, point.Span);
        var (spans, span) = EffectiveSlab.Continuous(geometry, line, point.Span);
        var length = EffectiveWidth.IsNearPier(spans.Count, span, point.Fraction)
            ? EffectiveWidth.ZeroMomentLengthAtPier(spans, point.Fraction <= 0.5 ? span - 1 : span)
            : EffectiveWidth.ZeroMomentLength(spans, span);
        return EffectiveWidth.Of(geometry.SectionOf(line, point.Span).WebWidth, left, right, length, calculation);
    }

    private UltimateSection Section(CompositePlace place)
    {
        var (type, shape, width, thickness, haunch, atPier, _, _, pierBars) = place;
        var girder = type.Concrete;
        var slabSoffit = shape.Depth + haunch;
        var fcdSlab = slab.DesignStrength(values["alphaCc"], values["gammaC"]);
        var soffit = atPier && slab.Fck < girder.Fck ? slab : girder;
        var concrete = System.Collections.Immutable.ImmutableArray.CreateBuilder<ConcretePart>();
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
        var initial = type.Strands.EffectiveStress / strand.Ep;
        var layers = Strands(place)
            .Select(r => new SteelLayer($"strand row {r.Row}", r.Level, r.Area, e => strand.Stress(e, gammaS), initial, strand.Limit))
            .ToList();
        var slabBars = bridge.Girders.SlabBars;
        layers.Add(Bar("slab bars, top", slabSoffit + thickness - slabBars.Top.AxisDistance, slabBars.Top.AreaPerMetre * width));
        layers.Add(Bar("slab bars, bottom", slabSoffit + slabBars.Bottom.AxisDistance, slabBars.Bottom.AreaPerMetre * width));
        var pier = bridge.Girders.PierBars;
        if (pierBars > 0)
            layers.Add(Bar("bars over the pier, bottom", pier.Level, pierBars * pier.Area));
        return new(concrete.ToImmutable(), [.. layers]);

        SteelLayer Bar(string name, double height, double area) =>
            new(name, height, area, e => bars.Stress(e, gammaS), 0, bars.StrainLimit);
    }

    /// <summary>Rows of strands with the area that is anchored, and where it lies, at a place.</summary>
    private IEnumerable<(int Row, double Level, double Area)> Strands(CompositePlace place)
    {
        var (rows, anchorage) = (place.Type.Strands.Rows, place.Type.Anchorage);
        for (var i = 0; !place.AtPier && i < rows.Length; i++)
        {
            var (row, x) = (rows[i], place.FromEnd);
            var debonded = Math.Min(row.Debonded, row.Count);
            var count = (row.Count - debonded) * anchorage.At(x) + debonded * anchorage.At(x - row.DebondedLength);
            if (count > 0)
                yield return (i + 1, place.Length > 0 ? row.LevelAt(x, place.Length) : row.Level, count * strand.Area);
        }
    }

    private static Polygon Box(double width, double from, double to) =>
        new([new(-width / 2, from), new(width / 2, from), new(width / 2, to), new(-width / 2, to)]);

    private void Write(Calculation c, UltimateState? state, Bending bending, CompositePlace place, double axial, double reference)
    {
        var pier = place.AtPier;
        var (girder, strands, anchorage) = place.Type;
        var area = Strands(place).Sum(r => r.Area);
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
            c.Remark("Between the girder ends over the pier no strand passes: slab bars and bars over the pier carry the tension.");
        c.Line(
            "f_yd",
            $"f_yk / γ_S, {bars.Class}",
            bars.Fyk / values["gammaS"],
            QuantityKind.Stress,
            bars.Clause,
            $"{c.Text(bars.Fyk, QuantityKind.Stress)} / {values["gammaS"]:0.00}"
        );
        if (area > 0)
        {
            c.Line(
                "f_pd",
                $"f_p0.1k / γ_S, {strand.Type}",
                strand.Fp01k / values["gammaS"],
                QuantityKind.Stress,
                "EN 1992-1-1 3.3.6(6)",
                $"{c.Text(strand.Fp01k, QuantityKind.Stress)} / {values["gammaS"]:0.00}"
            );
            if (double.IsFinite(place.FromEnd))
                anchorage.Write(c);
            c.Line(
                "A_p",
                $"{area / strand.Area:0.#} strands as far as they are anchored here",
                area,
                QuantityKind.SmallArea,
                "EN 1992-1-1 8.10.2.3",
                $"{area / strand.Area:0.###} · {c.Text(strand.Area, QuantityKind.SmallArea)}"
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
                "Even compressed over its whole depth the concrete cannot balance steel and axial force, or no steel is left beside it: "
                    + "no resistance is given.",
                "EN 1992-1-1 6.1"
            );
            return;
        }
        c.Line("x", "depth of the compressed zone, from Σ F_s − Σ F_c = N_Ed", state.NeutralAxis, QuantityKind.Size, "EN 1992-1-1 6.1(2)");
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
        c.Line(
            "M_Rd",
            "Σ F_c z_c − Σ F_s z_s + N_Ed z_N, about the height of N_Ed",
            state.Moment,
            QuantityKind.Moment,
            "EN 1992-1-1 6.1(2)",
            $"N_Ed = {c.Text(axial, QuantityKind.Force)}, z_N = {c.Text(reference, QuantityKind.Size)} above the soffit"
        );
    }
}
