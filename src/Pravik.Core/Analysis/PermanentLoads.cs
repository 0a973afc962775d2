using Pravik.Core.Bridges;
using Pravik.Core.Structures;

namespace Pravik.Core.Analysis;

/// <summary>
/// Permanent loads. Girder and wet slab act on each girder alone, as a simple span from axis to axis; the rest acts on the grillage.
/// </summary>
public sealed class PermanentLoads
{
    private readonly BridgeGeometry geometry;
    private readonly double girderWeight;

    public PermanentLoads(BridgeGeometry geometry, Grillage grillage)
    {
        this.geometry = geometry;
        var bridge = geometry.Bridge;
        girderWeight = bridge.Girders.Section.Properties().Area * bridge.Loads.ConcreteWeight;
        (Superimposed, SuperimposedTotal) = SpreadSuperimposed(grillage);
        (Surfacing, SurfacingTotal) = SpreadSurfacing(grillage);
    }

    /// <summary>Nodal loads of edge beams, footways, verges and parapets (N, down positive).</summary>
    public double[] Superimposed { get; }

    /// <summary>Their sum worked out from widths, lengths and weights, not from the nodal loads.</summary>
    public double SuperimposedTotal { get; }

    /// <summary>Nodal loads of surfacing on carriageway and hard strips (N, down positive).</summary>
    public double[] Surfacing { get; }
    public double SurfacingTotal { get; }

    /// <summary>Weight of a bare girder (N/m).</summary>
    public double Girder => girderWeight;

    /// <summary>Weight of the slab and haunch that a girder carries while they are wet (N/m).</summary>
    public double WetSlab(GirderLine girder)
    {
        var bridge = geometry.Bridge;
        var area = geometry.WetSlabWidth(girder) * bridge.Deck.SlabThickness + bridge.Girders.Section.TopFlangeWidth * bridge.Deck.Haunch;
        return area * bridge.Loads.ConcreteWeight;
    }

    /// <summary>Effect of a load per metre on a simple span at fraction t: M = w·L²·t(1 − t)/2, V = w·L·(½ − t).</summary>
    public static double OnSimpleSpan(double perMetre, double span, double t, EffectKind kind) =>
        kind == EffectKind.Moment ? perMetre * span * span * t * (1 - t) / 2 : perMetre * span * (0.5 - t);

    /// <summary>Load per area of a strip from its depth of fill above the slab (N/m²).</summary>
    public static double StripLoad(StripPlace strip, Loads loads) => strip.MeanFill * (strip.Kind switch
    {
        StripKind.EdgeBeam => loads.ConcreteWeight,
        StripKind.Footway or StripKind.Verge => loads.FootwayWeight,
        _ => loads.SurfacingWeight,
    });

    private (double[], double) SpreadSuperimposed(Grillage grillage)
    {
        var nodal = new double[grillage.Nodes.Length];
        var loads = geometry.Bridge.Loads;
        var total = SpreadStrips(grillage, nodal, strip => strip.Kind is StripKind.EdgeBeam or StripKind.Footway or StripKind.Verge);
        foreach (var (weight, left) in new[] { (loads.ParapetLeft, true), (loads.ParapetRight, false) })
        {
            var offset = ParapetOffset(geometry.Section, left);
            DeckLine.At(grillage, geometry, offset).Spread(nodal, weight);
            total += weight * Length(offset, offset);
        }
        return (nodal, total);
    }

    /// <summary>A parapet stands in the middle of the outermost strip if that is an edge beam, else on the edge itself.</summary>
    public static double ParapetOffset(DeckSection section, bool left)
    {
        var strip = left ? section.Strips[0] : section.Strips[^1];
        return strip.Kind == StripKind.EdgeBeam ? strip.Middle : left ? strip.From : strip.To;
    }

    private (double[], double) SpreadSurfacing(Grillage grillage)
    {
        var nodal = new double[grillage.Nodes.Length];
        return (nodal, SpreadStrips(grillage, nodal, strip => strip.Kind is StripKind.Carriageway or StripKind.HardStrip));
    }

    private double SpreadStrips(Grillage grillage, double[] nodal, Func<StripPlace, bool> wanted)
    {
        double total = 0;
        foreach (var strip in geometry.Section.Strips.Where(wanted))
        {
            var load = StripLoad(strip, geometry.Bridge.Loads);
            var cells = Math.Max(2, (int)Math.Ceiling(strip.Width / 0.25));
            foreach (var line in DeckLine.Cells(grillage, geometry, strip.From, strip.To, cells)) line.Spread(nodal, load * strip.Width / cells);
            total += load * strip.Width * Length(strip.From, strip.To);
        }
        return total;
    }

    /// <summary>Mean length between the end axes of a band between two offsets, along lines of constant offset.</summary>
    private double Length(double from, double to)
    {
        double At(double offset)
        {
            var (first, last) = (geometry.StationOnAxis(geometry.Axes[0], offset), geometry.StationOnAxis(geometry.Axes[^1], offset));
            return geometry.Road.Line.LengthAt(offset, first, last);
        }
        return (At(from) + 4 * At((from + to) / 2) + At(to)) / 6;
    }
}
