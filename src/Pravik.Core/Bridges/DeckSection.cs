using System.Collections.Immutable;

namespace Pravik.Core.Bridges;

/// <summary>
/// A strip where it lies: offsets of its boundaries (left one first, so <c>From</c> is less than <c>To</c>), surface levels there relative
/// to the road line, and slab-top levels there.
/// </summary>
public sealed record StripPlace(StripKind Kind, string Path, double From, double To, double SurfaceFrom, double SurfaceTo, double SlabFrom, double SlabTo)
{
    /// <summary>Own unit weight of what lies on the slab (N/m³), or null.</summary>
    public double? UnitWeight { get; init; }
    public double Width => To - From;
    public double Middle => (From + To) / 2;

    /// <summary>Mean depth between slab top and surface.</summary>
    public double MeanFill => (SurfaceFrom + SurfaceTo - SlabFrom - SlabTo) / 2;

    public double LeastFill => Math.Min(SurfaceFrom - SlabFrom, SurfaceTo - SlabTo);
}

/// <summary>A stretch of the carriageway on which notional lanes may lie (offsets, left first).</summary>
public readonly record struct CarriagewayPart(double From, double To)
{
    public double Width => To - From;
}

/// <summary>
/// The cross-section of the deck. Surface levels follow the strips outward from the road line; the slab's top lies the surfacing's
/// thickness below the running surface and continues with the same crossfall under footways, verges and edge beams.
/// </summary>
public sealed class DeckSection
{
    /// <param name="deck">The deck.</param>
    /// <param name="left">Its strips on the left with the widths and crossfalls that hold here.</param>
    /// <param name="right">The same on the right.</param>
    /// <param name="kerbHeight">Least upstand that bounds the carriageway (m).</param>
    public DeckSection(Deck deck, ImmutableArray<Strip> left, ImmutableArray<Strip> right, double kerbHeight)
    {
        SlabThickness = deck.SlabThickness;
        Strips = [.. Side(deck, left, -1).Reverse(), .. Side(deck, right, 1)];
        LeftEdge = Strips.IsEmpty ? 0 : Strips[0].From;
        RightEdge = Strips.IsEmpty ? 0 : Strips[^1].To;
        Carriageway = FindCarriageway(left, right, kerbHeight);
    }

    /// <summary>All strips from the left edge to the right.</summary>
    public ImmutableArray<StripPlace> Strips { get; }
    public double SlabThickness { get; }
    public double LeftEdge { get; }
    public double RightEdge { get; }
    public double Width => RightEdge - LeftEdge;

    /// <summary>
    /// Where traffic may drive: from the road line outward over carriageway and hard strips, and over verges that no kerb of the
    /// least height guards (EN 1991-2 1.4.2.1 and 4.2.3). Null where there is none.
    /// </summary>
    public CarriagewayPart? Carriageway { get; }

    /// <summary>Level of the slab's top relative to the road line; beyond the edges the outermost strip continues.</summary>
    public double SlabTop(double offset)
    {
        var strip = StripAt(offset);
        return strip.SlabFrom + (offset - strip.From) / strip.Width * (strip.SlabTo - strip.SlabFrom);
    }

    /// <summary>Level of the surface relative to the road line; beyond the edges the outermost strip continues.</summary>
    public double Surface(double offset)
    {
        var strip = StripAt(offset);
        return strip.SurfaceFrom + (offset - strip.From) * SlopeAt(offset);
    }

    /// <summary>Rise of the surface per metre to the right.</summary>
    public double SlopeAt(double offset)
    {
        var strip = StripAt(offset);
        return (strip.SurfaceTo - strip.SurfaceFrom) / strip.Width;
    }

    /// <summary>The strip that covers an offset; the outermost one beyond the edges.</summary>
    public StripPlace StripAt(double offset) => Strips.FirstOrDefault(s => offset < s.To) ?? Strips[^1];

    private static IEnumerable<StripPlace> Side(Deck deck, ImmutableArray<Strip> strips, int side)
    {
        double offset = 0, surface = 0, slab = -deck.Surfacing, fall = 0;
        for (var i = 0; i < strips.Length; i++)
        {
            var strip = strips[i];
            if (i == 0 || strip.Kind is StripKind.Carriageway or StripKind.HardStrip) fall = strip.Crossfall;
            var inner = surface + strip.Upstand;
            var (outer, slabOuter, outerOffset) = (inner + strip.Crossfall * strip.Width, slab + fall * strip.Width, offset + strip.Width);
            var path = $"/deck/{(side < 0 ? "left" : "right")}/{i}";
            yield return side < 0
                ? new(strip.Kind, path, -outerOffset, -offset, outer, inner, slabOuter, slab) { UnitWeight = strip.UnitWeight }
                : new(strip.Kind, path, offset, outerOffset, inner, outer, slab, slabOuter) { UnitWeight = strip.UnitWeight };
            (offset, surface, slab) = (outerOffset, outer, slabOuter);
        }
    }

    private static CarriagewayPart? FindCarriageway(ImmutableArray<Strip> left, ImmutableArray<Strip> right, double kerbHeight)
    {
        var part = new CarriagewayPart(-Reach(left, kerbHeight), Reach(right, kerbHeight));
        return part.Width > 0 ? part : null;
    }

    /// <summary>How far traffic can go outward. A side that does not begin with a running surface has none.</summary>
    private static double Reach(ImmutableArray<Strip> strips, double kerbHeight)
    {
        double reach = 0;
        var running = false;
        foreach (var strip in strips)
        {
            var drivable = strip.Kind is StripKind.Carriageway or StripKind.HardStrip || (strip.Kind == StripKind.Verge && running);
            if (!drivable || Math.Abs(strip.Upstand) >= kerbHeight) break;
            running |= strip.Kind is StripKind.Carriageway or StripKind.HardStrip;
            reach += strip.Width;
        }
        return running ? reach : 0;
    }
}
