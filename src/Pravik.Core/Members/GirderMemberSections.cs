using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Calculations;
using Pravik.Core.Geometry;
using Pravik.Core.Materials;
using Pravik.Core.Models;
using Pravik.Core.Places;
using Pravik.Core.Sections;
using Pravik.Core.Stages;
using Pravik.Core.Units;

namespace Pravik.Core.Members;

/// <summary>Sections of a bridge's precast girders with their slab, as checks see them.</summary>
public sealed class GirderMemberSections
{
    private const int Digits = 9;
    private readonly BridgeGeometry geometry;
    private readonly Bridge bridge;
    private readonly Concrete slab;
    private readonly PrestressingSteel strand;
    private readonly ReinforcingSteel bars;
    private readonly StrandStresses stresses;
    private readonly TendonStresses tendons;
    private readonly double? jackedAt;
    private readonly ImmutableArray<(Concrete Concrete, Strands Strands)> types;
    private readonly Dictionary<Shape, ImmutableArray<MemberConcrete>> shapes = [];

    /// <summary>Sections of a bridge's girders.</summary>
    public GirderMemberSections(BridgeGeometry geometry, StrandStresses stresses, TendonStresses tendons)
    {
        (this.stresses, this.tendons) = (stresses, tendons);
        jackedAt = tendons.First - GirderMembers.CastLast(Staging.Steps(geometry.Bridge));
        (this.geometry, bridge) = (geometry, geometry.Bridge);
        var materials = bridge.Materials;
        slab = Concrete.Of(materials.Slab);
        (strand, bars) = (PrestressingSteel.Of(materials.Strand), ReinforcingSteel.Of(materials.Reinforcement));
        types = [.. bridge.Girders.Types.Select(t => (Concrete.Of(t.Concrete), t.Strands))];
    }

    /// <summary>What tells the concrete of one section from that of another: lengths in m.</summary>
    private readonly record struct Shape(Concrete Girder, MadeSection Section, double Width, double Slab, double Haunch);

    /// <summary>Where a point lies along its girder.</summary>
    private enum Stretch
    {
        Girder,

        /// <summary>Between girder ends that meet over a pier: the concrete is the diaphragm's, and no strand passes.</summary>
        OverPier,

        /// <summary>Beyond the end of a girder at the end of the deck.</summary>
        Beyond,
    }

    /// <summary>The section at a point; null beyond a girder's end at the end of the deck.</summary>
    public MemberSection? At(ModelPoint point, int number)
    {
        var stretch = StretchOf(point);
        if (stretch == Stretch.Beyond)
            return null;
        var (line, atPier) = (geometry.Girders[point.Girder], stretch == Stretch.OverPier);
        var (girder, strands) = types[geometry.Sections.TypeIndex(line.Number, point.Span)];
        var shape = new Shape(
            // Between the girder ends the soffit is the diaphragm's, which is cast with the slab.
            atPier && slab.Fck < girder.Fck
                ? slab
                : girder,
            geometry.SectionOf(line, point.Span, point.Fraction),
            Math.Round(Width(point, null), Digits),
            Math.Round(geometry.SlabThickness(line, point.Span, point.Fraction), Digits),
            geometry.Haunch(point.Span)
        );
        ImmutableArray<MemberStrands> steel = atPier ? [] : [.. StrandsOf(point, number, girder, strands)];
        return new(ConcreteOf(shape), [.. BarsOf(point, shape, girder)], [.. steel, .. TendonsOf(number, strands, girder)])
        {
            IsInterrupted = atPier,
            AtRelease = stresses.IsWorkedOut(number) ? stresses.ConcreteAt(number) : AsJacked(number, girder),
            FromEnd = FromEnd(point),
            WebWidth = shape.Section.WebWidth,
            WebHeight = shape.Section.Depth,
            WebTorsion = WebTorsion(line, point.Span, shape),
            // The slab closes a box from above.
            Cells = shape.Section.Cells is { } cells ? cells with { Top = cells.Top + shape.Haunch + shape.Slab } : null,
            Links = atPier ? null : LinksOf(point),
            Joint =
                atPier || bridge.Girders.CastInPlace
                    ? null
                    : new(shape.Section.TopWidth, InterfaceSurface.Of(bridge.Girders.TopSurface), slab.Fck < girder.Fck ? slab : girder),
            Origin = c => Write(c, point, shape),
        };
    }

    private ImmutableArray<MemberConcrete> ConcreteOf(Shape shape)
    {
        if (shapes.TryGetValue(shape, out var known))
            return known;
        var (girder, section, width, thickness, haunch) = shape;
        var soffit = section.Depth + haunch;
        var parts = ImmutableArray.CreateBuilder<MemberConcrete>();
        parts.Add(new("slab", Box(width, soffit, soffit + thickness), slab));
        if (haunch > 0)
            parts.Add(new("haunch", Box(section.TopWidth, section.Depth, soffit), slab));
        foreach (var solid in section.Solids)
            parts.Add(new("girder", new(solid.Points.Select(p => new Point(p.X, p.Y - section.Bottom))), girder));
        return shapes[shape] = parts.ToImmutable();
    }

    private static Polygon Box(double width, double from, double to) =>
        new([new(-width / 2, from), new(width / 2, from), new(width / 2, to), new(-width / 2, to)]);

    private IEnumerable<MemberBars> BarsOf(ModelPoint point, Shape shape, Concrete girder)
    {
        var (soffit, inSlab, overPier) = (shape.Section.Depth + shape.Haunch, bridge.Girders.SlabBars, bridge.Girders.PierBars);
        MemberBars InSlab(string name, double height, BarLayer layer) =>
            new(name, height, layer.AreaPerMetre * shape.Width, bars)
            {
                Diameter = layer.Diameter,
                Spacing = layer.Spacing,
                IsTop = true,
            };
        yield return InSlab("slab bars, top", soffit + shape.Slab - inSlab.Top.AxisDistance, inSlab.Top);
        yield return InSlab("slab bars, bottom", soffit + inSlab.Bottom.AxisDistance, inSlab.Bottom);
        foreach (var own in OwnBars(point, shape, girder))
            yield return own;
        if (PierBarsFromEnd(point) is > 0 and var fromEnd)
            yield return new("bars over the pier, bottom", overPier.Level, overPier.Area, bars)
            {
                Diameter = overPier.Diameter,
                FromEnd = fromEnd,
                Fctm = Math.Min(girder.Fctm, slab.Fctm),
            };
    }

    /// <summary>Bars of the girder's type that reach a point.</summary>
    private IEnumerable<MemberBars> OwnBars(ModelPoint point, Shape shape, Concrete girder)
    {
        var (line, depth) = (geometry.Girders[point.Girder], shape.Section.Depth + shape.Haunch + shape.Slab);
        var rows = bridge.Girders.Types[geometry.Sections.TypeIndex(line.Number, point.Span)].Bars;
        return OfRows(rows, shape.Section, point.Fraction, line.SpanLength(point.Span), depth, girder, bars);
    }

    /// <summary>Bars of rows along a girder that reach a place.</summary>
    /// <param name="rows">The rows.</param>
    /// <param name="section">The section of the girder there.</param>
    /// <param name="fraction">The place as a part of the span.</param>
    /// <param name="length">Length of the span (m).</param>
    /// <param name="depth">Depth of the section with its slab (m).</param>
    /// <param name="girder">The concrete around them.</param>
    /// <param name="steel">Their steel.</param>
    public static IEnumerable<MemberBars> OfRows(
        ImmutableArray<BarRow> rows,
        MadeSection section,
        double fraction,
        double length,
        double depth,
        Concrete girder,
        ReinforcingSteel steel
    )
    {
        for (var i = 0; i < rows.Length; i++)
        {
            foreach (var run in rows[i].In(section))
            {
                var fromEnd = run.FromEnd(fraction, length);
                if (run.Count > 0 && fromEnd > 0)
                    yield return new($"{RowName}{i + 1}{(run.IsSecond ? ", every second" : "")}", rows[i].Level, run.Area, steel)
                    {
                        Diameter = rows[i].Diameter,
                        FromEnd = fromEnd,
                        IsTop = rows[i].Level > depth / 2,
                        Fctm = girder.Fctm,
                    };
            }
        }
    }

    /// <summary>How the names of bars of rows begin.</summary>
    public const string RowName = "bars, row ";

    /// <summary>From the end of the bars over the nearer pier to a point (m); 0 or less where there are none.</summary>
    private double PierBarsFromEnd(ModelPoint point)
    {
        var (pier, length) = (bridge.Girders.PierBars, geometry.Girders[point.Girder].SpanLength(point.Span));
        var atStart = point.Fraction < 0.5;
        return pier.Count == 0 || IsAtEndOfDeck(point) ? 0 : pier.Reach - (atStart ? point.Fraction : 1 - point.Fraction) * length;
    }

    private IEnumerable<MemberStrands> StrandsOf(ModelPoint point, int number, Concrete girder, Strands strands)
    {
        var (fromEnd, length) = (FromEnd(point), geometry.LengthOf(geometry.Girders[point.Girder], point.Span));
        if (stresses.At(number) is not { } now || stresses.AtRelease(number) is not { } released)
            yield break;
        for (var i = 0; i < strands.Rows.Length; i++)
        {
            var row = strands.Rows[i];
            if (row.Count > 0)
                yield return new(i + 1, row.LevelAt(fromEnd, length), MemberStrands.BondsOf(row, fromEnd))
                {
                    Spacing = row.Spacing,
                    Steel = strand,
                    EffectiveStress = now[i],
                    Steps = StepsOf(number, i),
                    StressAtRelease = released[i],
                    FctmAtRelease = stresses.ConcreteAt(number).Fctm,
                    Concrete = girder,
                };
        }
    }

    /// <summary>The tendons that pass a point, as far as a stage jacks them.</summary>
    private IEnumerable<MemberStrands> TendonsOf(int number, Strands strands, Concrete girder)
    {
        foreach (var row in tendons.At(number).Where(r => tendons.Since(r.Index) is not null))
        {
            var tendon = tendons.All[row.Index];
            yield return new(strands.Rows.Length + row.Index + 1, row.Level, [new(tendon.Ducts * tendon.Strands, double.PositiveInfinity)])
            {
                Name = tendon.Name,
                Duct = new(tendon.Ducts, tendon.DuctDiameter, tendons.SlopeAt(number, row.Index)),
                Steel = strand,
                EffectiveStress = tendons.StressAt(number, row.Index),
                Steps = tendons.StepsAt(number, row.Index).Select(s => new StrandStep(s.Step.Kind, s.Step.From, s.Step.To, s.Change)),
                StressAtRelease = tendons.StressedAt(number, row.Index),
                FctmAtRelease = girder.Fctm,
                Concrete = girder,
            };
        }
    }

    /// <summary>The concrete cast in place when the first tendon is jacked; null where no losses of tendons are worked out here.</summary>
    private EarlyConcrete? AsJacked(int number, Concrete girder) =>
        bridge.Girders.CastInPlace
        && jackedAt is { } age
        && tendons.At(number).Any(r => tendons.Since(r.Index) is not null && tendons.All[r.Index].EffectiveStress is null)
            ? new(girder, bridge.Actions.Cement, Math.Max(1, age), null, 20, 0)
            : null;

    private IEnumerable<StrandStep> StepsOf(int number, int row) =>
        stresses.Steps.Where(s => s.Changes[number] is not null).Select(s => new StrandStep(s.Kind, s.From, s.To, s.Changes[number]![row]));

    /// <summary>Links of the zone in which a point lies, from the nearer end of the girder; null where its type has none.</summary>
    private MemberLinks? LinksOf(ModelPoint point)
    {
        var type = bridge.Girders.Types[geometry.Sections.TypeIndex(geometry.Girders[point.Girder].Number, point.Span)];
        return LinkZone.At(type.Links, FromEnd(point)) is { } zone ? MemberLinks.Of(zone, bars) : null;
    }

    /// <summary>From the nearer end of a girder to a point (m); negative beyond it.</summary>
    private double FromEnd(ModelPoint point)
    {
        var (line, layout) = (geometry.Girders[point.Girder], geometry.LayoutOf(point.Span));
        var x = point.Fraction * line.SpanLength(point.Span) - layout.StartGap;
        return Math.Min(x, geometry.LengthOf(line, point.Span) - x);
    }

    private Stretch StretchOf(ModelPoint point)
    {
        if (FromEnd(point) > 1e-9)
            return Stretch.Girder;
        if (bridge.Girders.CastInPlace)
            return IsAtEndOfDeck(point) ? Stretch.Beyond : Stretch.Girder;
        return IsAtEndOfDeck(point) ? Stretch.Beyond : Stretch.OverPier;
    }

    /// <summary>Whether the nearer end of the span is one of its part of the deck.</summary>
    private bool IsAtEndOfDeck(ModelPoint point)
    {
        var unit = geometry.UnitOf(point.Span);
        return point.Fraction < 0.5 ? point.Span == unit.FirstSpan : point.Span == unit.LastSpan;
    }

    /// <summary>
    /// J of the web, or of all that is around voids, over that of the girder with its part of the slab, as the model has it.
    /// </summary>
    private double WebTorsion(GirderLine line, SpanIndex span, Shape shape)
    {
        var made = shape.Section;
        var inSlab = EffectiveSlab.SlabTorsion(geometry, line, span, shape.Slab) * slab.Ecm / shape.Girder.Ecm;
        var own = made.Cells is null ? Rectangle.TorsionConstant(made.WebWidth, made.Depth) : made.Properties.J;
        return Math.Min(1, own / (made.Properties.J + inSlab));
    }

    private double Width(ModelPoint point, Calculation? calculation)
    {
        var line = geometry.Girders[point.Girder];
        var (left, right) = EffectiveSlab.ClearWidths(geometry, line, point.Span);
        var (spans, span) = EffectiveSlab.Continuous(geometry, line, point.Span);
        var length = EffectiveWidth.IsNearPier(spans.Count, span, point.Fraction)
            ? EffectiveWidth.ZeroMomentLengthAtPier(spans, point.Fraction <= 0.5 ? span - 1 : span)
            : EffectiveWidth.ZeroMomentLength(spans, span);
        var between = EffectiveSlab.Between(geometry.SectionOf(line, point.Span), length);
        return EffectiveWidth.Of(between, left, right, length, calculation);
    }

    private void Write(Calculation calculation, ModelPoint point, Shape shape)
    {
        Width(point, calculation);
        calculation.Line("h_s", "thickness of the slab over the girder", shape.Slab, QuantityKind.Size, "entered");
    }
}
