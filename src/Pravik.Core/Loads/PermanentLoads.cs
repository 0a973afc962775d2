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
        (Superimposed, SuperimposedTotal) = SpreadSuperimposed(mesh);
        (Surfacing, SurfacingTotal) = SpreadSurfacing(mesh);
    }

    /// <summary>Half of the weight of a bay's diaphragm on each of its girders, at its place.</summary>
    private IEnumerable<(GirderLine Girder, int Span, double At, double Load)> Halves(DiaphragmBay bay)
    {
        var half = bay.Weight(geometry) / 2;
        return [(bay.Left, bay.Span, bay.OnLeft, half), (bay.Right, bay.Span, bay.OnRight, half)];
    }

    /// <summary>
    /// Loads of edge beams, footways, verges, parapets and of diaphragms that come after the slab.
    /// </summary>
    public DeckLoads Superimposed { get; }

    /// <summary>Their sum worked out from widths, lengths and weights, not from the nodal loads.</summary>
    public double SuperimposedTotal { get; }

    /// <summary>Loads of surfacing on carriageway and hard strips.</summary>
    public DeckLoads Surfacing { get; }

    /// <summary>The sum of the surfacing's loads, worked out from its geometry (N).</summary>
    public double SurfacingTotal { get; }

    /// <summary>
    /// Weight of the slab and haunch that a girder carries while they are wet (N/m): the mean along the span, by Simpson's rule, of the
    /// slab's
    /// section over the girder's share of the width.
    /// </summary>
    public double WetSlab(GirderLine girder, int span)
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

    private (DeckLoads, double) SpreadSuperimposed(DeckMesh mesh)
    {
        var loads = new DeckLoads(mesh);
        var total = SpreadStrips(mesh, loads, strip => strip.Kind is not (StripKind.Carriageway or StripKind.HardStrip));
        foreach (var parapet in ParapetLine.All(geometry))
        {
            double Weight(double station) => parapet.Loads(station) ? parapet.Weight : 0;
            loads.Spread(DeckLine.Along(mesh, geometry, parapet.Centre, parapet.Unit), Weight);
            total += Along(parapet.Unit, parapet.Centre, Weight, false);
        }
        foreach (
            var (girder, span, at, load) in geometry
                .DiaphragmBays()
                .Where(d => d.Diaphragm.Stage == DiaphragmStage.AfterSlab)
                .SelectMany(d => Halves(d))
        )
        {
            var (first, last) = mesh.Spans[span];
            loads.PutOn(mesh.OfGirder(girder.Number - 1, first + (int)Math.Round(at * (last - first))), load);
            total += load;
        }
        return (loads, total);
    }

    private (DeckLoads, double) SpreadSurfacing(DeckMesh mesh)
    {
        var loads = new DeckLoads(mesh);
        return (loads, SpreadStrips(mesh, loads, strip => strip.Kind is StripKind.Carriageway or StripKind.HardStrip));
    }

    private double SpreadStrips(DeckMesh mesh, DeckLoads loads, Func<StripPlace, bool> wanted)
    {
        double total = 0;
        foreach (var unit in geometry.Units)
        {
            var strips = unit.Shape.At(unit.Start.Station).Strips;
            for (var i = 0; i < strips.Length; i++)
            {
                if (!wanted(strips[i]))
                    continue;
                var (strip, cells) = (i, Math.Max(2, (int)Math.Ceiling(strips[i].Width / 0.25)));
                double PerMetre(double station)
                {
                    var here = unit.Shape.At(station).Strips[strip];
                    return StripLoad(here, geometry.Bridge.Loads) * here.Width;
                }
                foreach (var line in DeckLine.Cells(mesh, geometry, unit, strip, cells))
                    loads.Spread(line, s => PerMetre(s) / cells);
                total += Total(unit, strip, PerMetre);
            }
        }
        return total;
    }

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
