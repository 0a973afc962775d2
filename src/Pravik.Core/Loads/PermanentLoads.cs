using Pravik.Core.Bridges;
using Pravik.Core.Models;
using Pravik.Core.Places;

namespace Pravik.Core.Loads;

/// <summary>Permanent loads of the deck: what lies on its mesh, and what the slab weighs on each girder.</summary>
public sealed class PermanentLoads
{
    private readonly BridgeGeometry geometry;

    /// <summary>The permanent loads of a bridge on a mesh.</summary>
    public PermanentLoads(BridgeGeometry geometry, DeckMesh mesh)
    {
        this.geometry = geometry;
        (Superimposed, Surfacing) = (new(mesh), new(mesh));
        SpreadStrips(mesh, Superimposed, IsSuperimposed);
        SpreadStrips(mesh, Surfacing, s => !IsSuperimposed(s));
        foreach (var parapet in ParapetLine.All(geometry))
            Superimposed.Spread(DeckLine.Along(mesh, geometry, parapet.Centre, parapet.Unit), s => Weight(parapet, s));
        foreach (var (girder, span, at, load) in Later)
            Superimposed.PutOn(mesh.OfGirder(girder.Number - 1, mesh.NearestLine(span, at)), load);
    }

    /// <summary>Whether what lies on a strip is no surfacing of the carriageway.</summary>
    public static bool IsSuperimposed(StripPlace strip) => strip.Kind is not (StripKind.Carriageway or StripKind.HardStrip);

    private static double Weight(ParapetLine parapet, double station) => parapet.Loads(station) ? parapet.Weight : 0;

    /// <summary>Diaphragms that come after the slab.</summary>
    private IEnumerable<(GirderLine Girder, SpanIndex Span, double At, double Load)> Later =>
        geometry.DiaphragmBays().Where(d => d.Diaphragm.Stage == DiaphragmStage.AfterSlab).SelectMany(Halves);

    /// <summary>Half of the weight of a bay's diaphragm on each of its girders, at its place.</summary>
    private IEnumerable<(GirderLine Girder, SpanIndex Span, double At, double Load)> Halves(DiaphragmBay bay)
    {
        var half = bay.Weight(geometry) / 2;
        return [(bay.Left, bay.Span, bay.OnLeft, half), (bay.Right, bay.Span, bay.OnRight, half)];
    }

    /// <summary>
    /// Loads of edge beams, footways, verges, parapets and of diaphragms that come after the slab.
    /// </summary>
    public DeckLoads Superimposed { get; }

    /// <summary>Their sum from widths, lengths and weights, not from the loads on joints, which are held against it (N).</summary>
    public double SuperimposedTotal() =>
        Total(IsSuperimposed)
        + ParapetLine.All(geometry).Sum(p => Along(p.Unit, p.Centre, s => Weight(p, s), false))
        + Later.Sum(l => l.Load);

    /// <summary>Loads of surfacing on carriageway and hard strips.</summary>
    public DeckLoads Surfacing { get; }

    /// <summary>The sum of the surfacing's loads, worked out from its geometry (N).</summary>
    public double SurfacingTotal() => Total(s => !IsSuperimposed(s));

    /// <summary>
    /// Weight of the slab and haunch that a girder carries while they are wet (N/m): the mean along the span, by Simpson's rule, of the
    /// slab's
    /// section over the girder's share of the width.
    /// </summary>
    public double WetSlab(GirderLine girder, SpanIndex span)
    {
        var (bridge, shape, slab) = (geometry.Bridge, geometry.UnitOf(span).Shape, geometry.UnitOf(span).Pattern.Slab);
        var (left, right) = geometry.SlabShares(girder, span);
        double At(double t)
        {
            var place = geometry.Road.Locate(geometry.OnGirder(girder, span, t));
            return shape.At(place.Station).SlabArea(place.Offset - left, place.Offset + right);
        }
        // On a curve a straight girder's share, moved with it, may reach over an edge; half way along it does not.
        var area =
            shape.IsConstant && slab is { EdgeThickness: null, Soffit: SoffitLaw.Parallel }
                ? (left + right) * slab.Thickness
                : (At(0) + 4 * At(0.5) + At(1)) / 6;
        area += BridgeGeometry.ThickeningArea(slab) + geometry.HaunchOf(girder, span).Volume / girder.SpanLength(span);
        return area * bridge.Loads.ConcreteWeight;
    }

    /// <summary>Load per area of a strip from its depth of fill above the slab (N/m²), surfacing of its own at the top.</summary>
    public static double StripLoad(StripPlace strip, UnitWeights loads)
    {
        var surfacing = Math.Min(strip.Surfacing ?? 0, strip.MeanFill);
        return surfacing * loads.SurfacingWeight + (strip.MeanFill - surfacing) * (strip.UnitWeight ?? KindWeight(strip.Kind, loads));
    }

    /// <summary>Unit weight of what lies on the slab where a strip has none of its own (N/m³).</summary>
    public static double KindWeight(StripKind kind, UnitWeights loads) =>
        kind switch
        {
            StripKind.EdgeBeam => loads.ConcreteWeight,
            StripKind.Footway or StripKind.Verge or StripKind.Median => loads.FootwayWeight,
            _ => loads.SurfacingWeight,
        };

    private void SpreadStrips(DeckMesh mesh, DeckLoads loads, Func<StripPlace, bool> wanted)
    {
        foreach (var (unit, strip, width) in Strips(wanted))
        {
            var cells = Math.Max(2, (int)Math.Ceiling(width / 0.25));
            // A skew line crosses the strip's width; what the strip weighs is that in its middle.
            var middle = DeckLine.Along(mesh, geometry, s => unit.Shape.Within(strip, 0.5, s), unit, true);
            var ofCell = Array.ConvertAll(middle.Station, s => PerMetre(unit, strip, s) / cells);
            foreach (var line in DeckLine.Cells(mesh, geometry, unit, strip, cells))
                loads.Spread(line, ofCell);
        }
    }

    private IEnumerable<(UnitPlace Unit, int Strip, double Width)> Strips(Func<StripPlace, bool> wanted) =>
        geometry.Units.SelectMany(unit =>
            unit.Shape.At(unit.Start.Station)
                .Strips.Select((s, i) => (Strip: s, i))
                .Where(s => wanted(s.Strip))
                .Select(s => (unit, s.i, s.Strip.Width))
        );

    /// <summary>Load of a strip per metre along the road at a station (N/m).</summary>
    private double PerMetre(UnitPlace unit, int strip, double station)
    {
        var here = unit.Shape.At(station).Strips[strip];
        return StripLoad(here, geometry.Bridge.Loads) * here.Width;
    }

    private double Total(Func<StripPlace, bool> wanted) =>
        Strips(wanted).Sum(s => Total(s.Unit, s.Strip, at => PerMetre(s.Unit, s.Strip, at)));

    /// <summary>
    /// Load of a strip between the axes of its unit, worked out from its geometry: Gauss's rule across it of integrals along it.
    /// </summary>
    private double Total(UnitPlace unit, int strip, Func<double, double> perMetre)
    {
        var rule = Numerics.GaussLegendre.Ten;
        double sum = 0;
        for (var i = 0; i < rule.At.Length; i++)
        {
            var t = rule.At[i];
            sum += rule.Weight[i] * Along(unit, s => unit.Shape.Within(strip, t, s), perMetre, true);
        }
        return sum;
    }

    /// <summary>
    /// ∫ value ds along a line between the axes of a unit (Simpson's rule); ds is the length at the line's own offset, along the road
    /// for a strip.
    /// </summary>
    private double Along(UnitPlace unit, Func<double, double> offset, Func<double, double> value, bool ofStrip)
    {
        var (from, to) = (geometry.Meet(unit.Start, offset).Station, geometry.Meet(unit.End, offset).Station);
        const int Steps = 64;
        var step = (to - from) / Steps;
        double sum = 0;
        for (var i = 0; i < Steps; i++)
        {
            var (a, middle, b) = (from + i * step, from + (i + 0.5) * step, from + (i + 1) * step);
            var mean = (value(a) + 4 * value(middle) + value(b)) / 6;
            var (ahead, across) = (geometry.Road.Line.LengthAt(offset(middle), a, b), offset(b) - offset(a));
            sum += mean * (ofStrip ? ahead : Math.Sqrt(ahead * ahead + across * across));
        }
        return sum;
    }
}
