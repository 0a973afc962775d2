using System.Collections.Immutable;
using Pravik.Core.Bridges;

namespace Pravik.Core.Places;

/// <summary>
/// A strip where it lies: offsets of its boundaries (left one first, so <c>From</c> is less than <c>To</c>), surface levels there relative
/// to the road line, and slab-top levels there.
/// </summary>
public sealed record StripPlace(
    StripKind Kind,
    string Path,
    double From,
    double To,
    double SurfaceFrom,
    double SurfaceTo,
    double SlabFrom,
    double SlabTo
)
{
    /// <summary>
    /// The part by which it is picked: <c>/parts/units/2/left/1</c>. <see cref="Path"/> leads to its values in the pattern.
    /// </summary>
    public string Part { get; init; } = "";

    /// <summary>Name that it was given; null for none.</summary>
    public string? OwnName { get; init; }

    /// <summary>Its own name, or that of its kind.</summary>
    public string Name =>
        OwnName
        ?? Kind switch
        {
            StripKind.HardStrip => "Hard strip",
            StripKind.EdgeBeam => "Edge beam",
            _ => Kind.ToString(),
        };

    /// <summary>Thickness of the surfacing at its top, above a layer of its own kind (m); null for one layer.</summary>
    public double? Surfacing { get; init; }

    /// <summary>Own unit weight of what lies on the slab (N/m³), or null.</summary>
    public double? UnitWeight { get; init; }

    /// <summary>Width (m).</summary>
    public double Width => To - From;

    /// <summary>Offset of its middle (m).</summary>
    public double Middle => (From + To) / 2;

    /// <summary>Mean depth between slab top and surface.</summary>
    public double MeanFill => (SurfaceFrom + SurfaceTo - SlabFrom - SlabTo) / 2;

    /// <summary>The least fill above the slab (m).</summary>
    public double LeastFill => Math.Min(SurfaceFrom - SlabFrom, SurfaceTo - SlabTo);
}

/// <summary>
/// The cross-section of the deck. Surface levels follow the strips outward from the road line; the slab's top lies the surfacing's
/// thickness below the running surface and continues with the same crossfall under footways, verges and edge beams.
/// </summary>
public sealed class DeckSection
{
    private readonly SlabShape slab;
    private readonly double levelSoffit;

    /// <param name="pattern">The cross-section, with the widths, crossfalls and thickness that hold here.</param>
    /// <param name="unit">Number of the unit, for the paths by which strips are picked.</param>
    /// <param name="patternIndex">Number of the pattern, for the paths of their values.</param>
    /// <param name="kerbHeight">Least upstand that bounds the carriageway (m).</param>
    public DeckSection(DeckPattern pattern, int unit, int patternIndex, double kerbHeight)
    {
        slab = pattern.Slab;
        Strips = [.. Side(pattern, pattern.Left, -1, unit, patternIndex).Reverse(), .. Side(pattern, pattern.Right, 1, unit, patternIndex)];
        LeftEdge = Strips.IsEmpty ? 0 : Strips[0].From;
        RightEdge = Strips.IsEmpty ? 0 : Strips[^1].To;
        Carriageways = Carriageway.Between(Strips, [], kerbHeight);
        levelSoffit = Strips.IsEmpty ? 0 : Strips.Min(s => Math.Min(s.SlabFrom, s.SlabTo)) - slab.Thickness;
    }

    /// <summary>All strips from the left edge to the right.</summary>
    public ImmutableArray<StripPlace> Strips { get; }

    /// <summary>Offset of the left edge (m).</summary>
    public double LeftEdge { get; }

    /// <summary>Offset of the right edge (m).</summary>
    public double RightEdge { get; }

    /// <summary>Width over all (m).</summary>
    public double Width => RightEdge - LeftEdge;

    /// <summary>
    /// Where traffic may drive, by kerbs alone: restraint systems may part it further (<see cref="BridgeGeometry.Carriageways"/>).
    /// </summary>
    public ImmutableArray<Carriageway> Carriageways { get; }

    /// <summary>Level of the slab's top relative to the road line; beyond the edges the outermost strip continues.</summary>
    public double SlabTop(double offset)
    {
        var strip = StripAt(offset);
        return strip.SlabFrom + (offset - strip.From) / strip.Width * (strip.SlabTo - strip.SlabFrom);
    }

    /// <summary>
    /// Thickness of the slab without thickenings over girders: the usual one, or down to a level soffit, and towards the edges to that
    /// of the
    /// edge. Beyond the edges that of the edge.
    /// </summary>
    public double Thickness(double offset)
    {
        var usual = slab.Soffit == SoffitLaw.Level ? SlabTop(Math.Clamp(offset, LeftEdge, RightEdge)) - levelSoffit : slab.Thickness;
        if (slab.EdgeThickness is not { } edge)
            return usual;
        var fromEdge = Math.Clamp(Math.Min(offset - LeftEdge, RightEdge - offset), 0, slab.EdgeTaper);
        return usual + (edge - slab.Thickness) * (slab.EdgeTaper == 0 ? 0 : 1 - fromEdge / slab.EdgeTaper);
    }

    /// <summary>The least thickness of the slab anywhere across.</summary>
    public double LeastThickness => SlabCorners.Min(Thickness);

    /// <summary>Level of the slab's soffit relative to the road line, without thickenings over girders.</summary>
    public double SlabSoffit(double offset) => SlabTop(offset) - Thickness(offset);

    /// <summary>Offsets at which the slab's top or soffit has a corner, the edges among them, from left to right.</summary>
    public IEnumerable<double> SlabCorners =>
        Strips
            .Select(s => s.From)
            .Append(RightEdge)
            .Concat(slab.EdgeThickness is null ? [] : [LeftEdge + slab.EdgeTaper, RightEdge - slab.EdgeTaper])
            .Where(o => o >= LeftEdge && o <= RightEdge)
            .Distinct()
            .Order();

    /// <summary>
    /// The cut slab: offsets and levels relative to the road line, along the top from left to right and back along the soffit.
    /// </summary>
    public ImmutableArray<Geometry.Point> SlabOutline(double from, double to)
    {
        List<double> corners = [from, .. SlabCorners.Where(o => o > from + 1e-9 && o < to - 1e-9), to];
        double Inset(double offset) =>
            offset <= LeftEdge + 1e-9 ? slab.EdgeInset
            : offset >= RightEdge - 1e-9 ? -slab.EdgeInset
            : 0;
        return
        [
            .. corners.Select(o => new Geometry.Point(o, SlabTop(o))),
            .. corners.AsEnumerable().Reverse().Select(o => new Geometry.Point(o + Inset(o), SlabSoffit(o))),
        ];
    }

    /// <summary>Area of the slab between two offsets (m²), thickenings over girders and inset edges left out.</summary>
    public double SlabArea(double from, double to)
    {
        List<double> corners = [from, .. SlabCorners.Where(o => o > from && o < to), to];
        return corners.Zip(corners.Skip(1), (a, b) => (b - a) * (Thickness(a) + Thickness(b)) / 2).Sum();
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

    private static IEnumerable<StripPlace> Side(DeckPattern pattern, ImmutableArray<Strip> strips, int side, int unit, int patternIndex)
    {
        double offset = 0,
            surface = 0,
            slab = -pattern.Surfacing,
            fall = 0;
        for (var i = 0; i < strips.Length; i++)
        {
            var strip = strips[i];
            if (i == 0 || strip.Kind is StripKind.Carriageway or StripKind.HardStrip)
                fall = strip.Crossfall;
            var inner = surface + strip.Upstand;
            var (outer, slabOuter, outerOffset) = (inner + strip.Crossfall * strip.Width, slab + fall * strip.Width, offset + strip.Width);
            var place = $"{(side < 0 ? "left" : "right")}/{i}";
            var path = $"/deck/patterns/{patternIndex}/{place}";
            yield return (
                side < 0
                    ? new StripPlace(strip.Kind, path, -outerOffset, -offset, outer, inner, slabOuter, slab)
                    : new(strip.Kind, path, offset, outerOffset, inner, outer, slab, slabOuter)
            ) with
            {
                Part = $"/parts/units/{unit}/{place}",
                OwnName = strip.Name,
                UnitWeight = strip.UnitWeight,
                Surfacing = strip.Surfacing,
            };
            (offset, surface, slab) = (outerOffset, outer, slabOuter);
        }
    }
}
