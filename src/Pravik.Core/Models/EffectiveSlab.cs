using Pravik.Core.Bridges;
using Pravik.Core.Codes;
using Pravik.Core.Materials;
using Pravik.Core.Places;
using Pravik.Core.Sections;

namespace Pravik.Core.Models;

/// <summary>The part of the slab that works with a girder.</summary>
public static class EffectiveSlab
{
    /// <summary>
    /// Composite section of a girder at fraction t of a span, with the effective width of that span (EN 1992-1-1 5.3.2.1(4) allows one
    /// width over the span).
    /// </summary>
    public static SectionProperties Composite(BridgeGeometry geometry, GirderLine girder, SpanIndex span, double t = 0.5)
    {
        var section = geometry.SectionOf(girder, span, t);
        var width = SlabWidth(geometry, girder, span, section);
        var ratio = Concrete.Of(geometry.Bridge.Materials.Slab).Ecm / geometry.Sections.Modulus(girder.Number, span);
        return CompositeSection.Of(
            section.Bending,
            width,
            geometry.SlabThickness(girder, span, 0.5),
            geometry.Haunch(span),
            section.TopWidth,
            ratio
        );
    }

    /// <summary>
    /// Width of slab that acts with a girder of a section in a span: by EN 1992-1-1 5.3.2.1, or all that is its own, half of each bay and
    /// the overhang (AASHTO LRFD 4.6.2.6.1).
    /// </summary>
    public static double SlabWidth(BridgeGeometry geometry, GirderLine girder, SpanIndex span, MadeSection section)
    {
        if (geometry.Bridge.Basis.Standard == Standard.Lrfd)
            return geometry.WetSlabWidth(girder, span);
        var (left, right) = ClearWidths(geometry, girder, span);
        var (spans, number) = Continuous(geometry, girder, span);
        var length = EffectiveWidth.ZeroMomentLength(spans, number);
        return EffectiveWidth.Of(Between(section, length), left, right, length);
    }

    /// <summary>
    /// b_w, what works between the outer faces of webs (m): the web; of a box its webs and what each has of the slab inside, half of the
    /// clear width at most; all of a slab with several voids.
    /// </summary>
    public static double Between(MadeSection section, double zeroMomentLength) =>
        section.Cells switch
        {
            null => section.WebWidth,
            { Webs: 2 } box => section.WebWidth
                + 2 * EffectiveWidth.OneSide(Math.Max(0, (box.Width - section.WebWidth) / 2), zeroMomentLength),
            var voided => voided.Width,
        };

    /// <summary>Lengths of the spans over which a girder is continuous with a span, and the number of that span among them.</summary>
    public static (IReadOnlyList<double> Spans, int Number) Continuous(BridgeGeometry geometry, GirderLine girder, SpanIndex span)
    {
        var unit = geometry.UnitOf(span);
        var (first, last) = (span, span);
        while (first > unit.FirstSpan && girder.IsIn(first - 1))
            first--;
        while (last < unit.LastSpan && girder.IsIn(last + 1))
            last++;
        return ([.. Enumerable.Range(first, last - first + 1).Select(s => girder.SpanLength(s))], span - first);
    }

    /// <summary>b_1 and b_2: half the clear distance to the next web, or the clear width to the deck's edge.</summary>
    public static (double Left, double Right) ClearWidths(BridgeGeometry geometry, GirderLine girder, SpanIndex span)
    {
        var section = geometry.SectionOf(girder, span);
        var web = (section.Cells?.Width ?? section.WebWidth) / 2;
        var (left, right) = geometry.SlabShares(girder, span);
        return (Math.Max(0, left - web), Math.Max(0, right - web));
    }

    /// <summary>
    /// Torsion constant of the slab whose longitudinal twist a girder's member carries: half of each bay, half of an overhang.
    /// </summary>
    public static double SlabTorsion(BridgeGeometry geometry, GirderLine girder, SpanIndex span, double thickness)
    {
        var (left, right) = geometry.SlabShares(girder, span);
        return PlateTorsion(
            (girder.Number == 1 ? left / 2 : left) + (girder.Number == geometry.Girders.Length ? right / 2 : right),
            thickness
        );
    }

    /// <summary>Torsion constant of a strip of slab in each of two directions, b·d³/6 (Hambly, Bridge Deck Behaviour, 4.3).</summary>
    public static double PlateTorsion(double width, double thickness) => width * Math.Pow(thickness, 3) / 6;
}
