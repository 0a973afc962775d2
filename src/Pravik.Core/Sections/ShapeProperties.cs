using System.Collections.Immutable;
using Pravik.Core.Geometry;

namespace Pravik.Core.Sections;

/// <summary>
/// Section moduli at a place: I about the horizontal and the vertical axis over the distance to it (m³); infinite on the axis itself.
/// </summary>
public sealed record PointModulus(string Name, double X, double Y, double Horizontal, double Vertical);

/// <summary>
/// Properties of a section of any parts, transformed to its reference material by their weights: m², m, m⁴, m³. x is horizontal, y
/// upward, in the axes of
/// the outline; Ix is the second moment about the horizontal axis through the centroid.
/// </summary>
public sealed class ShapeProperties
{
    private readonly ImmutableArray<SectionPart> parts;
    private readonly Lazy<(double Lower, double Upper)> torsion;

    /// <param name="parts">Outlines and voids; voids lie within the parts.</param>
    public ShapeProperties(IReadOnlyList<SectionPart> parts)
    {
        this.parts = [.. parts];
        double sx = 0,
            sy = 0,
            ixx = 0,
            iyy = 0,
            ixy = 0,
            gross = 0;
        foreach (var part in parts)
        {
            var sign = part.IsVoid ? -1 : 1;
            var weight = Weight(part);
            var m = part.Outline.Moments();
            gross += sign * m.Area;
            (Area, sx, sy, ixx, iyy, ixy) = (
                Area + weight * m.Area,
                sx + weight * m.Sx,
                sy + weight * m.Sy,
                ixx + weight * m.Ixx,
                iyy + weight * m.Iyy,
                ixy + weight * Product(part.Outline)
            );
        }
        (GrossArea, Centroid) = (gross, new(sy / Area, sx / Area));
        (Ix, Iy, Ixy) = (ixx - Area * Centroid.Y * Centroid.Y, iyy - Area * Centroid.X * Centroid.X, ixy - Area * Centroid.X * Centroid.Y);
        var solid = parts.Where(p => !p.IsVoid).SelectMany(p => p.Outline.Points).ToList();
        (Left, Right, Bottom, Top) = (solid.Min(p => p.X), solid.Max(p => p.X), solid.Min(p => p.Y), solid.Max(p => p.Y));
        Perimeter = parts.Sum(p => Around(p.Outline));
        torsion = new(() => Sections.TorsionConstant.Bounds(this.parts));
    }

    /// <summary>Area by weight, and as it is drawn.</summary>
    public double Area { get; }

    /// <summary>Area of all parts, whatever their moduli (m²).</summary>
    public double GrossArea { get; }

    /// <summary>Centroid, each part by its ratio of moduli.</summary>
    public Point Centroid { get; }

    /// <summary>Second moment about the horizontal axis (m⁴).</summary>
    public double Ix { get; }

    /// <summary>Second moment about the vertical axis (m⁴).</summary>
    public double Iy { get; }

    /// <summary>Product of inertia (m⁴).</summary>
    public double Ixy { get; }

    /// <summary>Leftmost place (m).</summary>
    public double Left { get; }

    /// <summary>Rightmost place (m).</summary>
    public double Right { get; }

    /// <summary>Lowest level (m).</summary>
    public double Bottom { get; }

    /// <summary>Highest level (m).</summary>
    public double Top { get; }

    /// <summary>Depth (m).</summary>
    public double Depth => Top - Bottom;

    /// <summary>Width (m).</summary>
    public double Width => Right - Left;

    /// <summary>Length of all outlines, voids too; edges between parts count for both.</summary>
    public double Perimeter { get; }

    /// <summary>
    /// Principal second moments and the angle from the horizontal axis to that of the greater one (rad, anticlockwise): tan 2α =
    /// −2Ixy/(Ix − Iy).
    /// </summary>
    public (double Greater, double Lesser, double Angle) Principal
    {
        get
        {
            var (mean, half) = ((Ix + Iy) / 2, (Ix - Iy) / 2);
            var radius = Math.Sqrt(half * half + Ixy * Ixy);
            return (mean + radius, mean - radius, radius < 1e-12 * mean ? 0 : Math.Atan2(-Ixy, half) / 2);
        }
    }

    /// <summary>Section modulus at the top (m³).</summary>
    public double TopModulus => Ix / (Top - Centroid.Y);

    /// <summary>Section modulus at the bottom (m³).</summary>
    public double BottomModulus => Ix / (Centroid.Y - Bottom);

    /// <summary>Section modulus at the left (m³).</summary>
    public double LeftModulus => Iy / (Centroid.X - Left);

    /// <summary>Section modulus at the right (m³).</summary>
    public double RightModulus => Iy / (Right - Centroid.X);

    /// <summary>
    /// St Venant's torsion constant, the mean of its bounds, and half their difference over it. Costs some milliseconds at the first
    /// call.
    /// </summary>
    public double J => (torsion.Value.Lower + torsion.Value.Upper) / 2;

    /// <summary>Half the distance of both bounds of the torsion constant, as a part of it.</summary>
    public double TorsionError => (torsion.Value.Upper - torsion.Value.Lower) / 2 / J;

    /// <summary>
    /// Shear area for vertical force: A_v = I²/∫(S²/b) dy, S the first moment of what lies above and b the width there (Gere and
    /// Timoshenko,
    /// Mechanics of Materials, form factor for shear; 5/6·A for a rectangle).
    /// </summary>
    public double VerticalShearArea => ShearArea(Bands(false), Ix, Centroid.Y);

    /// <summary>The same for horizontal force.</summary>
    public double HorizontalShearArea => ShearArea(Bands(true), Iy, Centroid.X);

    /// <summary>Plastic modulus about the horizontal axis that halves the weighted area: ∫w·|y − y_p| dA.</summary>
    public double PlasticModulus => Plastic(Bands(false));

    /// <summary>The same about the vertical axis.</summary>
    public double PlasticModulusVertical => Plastic(Bands(true));

    /// <summary>Section moduli at chosen places.</summary>
    public ImmutableArray<PointModulus> At(IEnumerable<StressPoint> places) =>
        [.. places.Select(p => new PointModulus(p.Name, p.X, p.Y, Ix / (p.Y - Centroid.Y), Iy / (p.X - Centroid.X)))];

    /// <summary>The weight with which a part counts: a void takes away that of the part which surrounds it.</summary>
    public double Weight(SectionPart part)
    {
        if (!part.IsVoid)
            return part.Weight;
        var inside = 0.5 * (part.Outline.Points[0] + part.Outline.Points[1]);
        return -(parts.FirstOrDefault(p => !p.IsVoid && p.Outline.Contains(inside))?.Weight ?? 1);
    }

    /// <summary>∫xy dA = ¹⁄₂₄Σ(x_i(2y_i + y_j) + x_j(y_i + 2y_j))·c, by Green's theorem.</summary>
    private static double Product(Polygon outline)
    {
        double sum = 0,
            area = 0;
        for (var i = 0; i < outline.Points.Length; i++)
        {
            var (p, q) = (outline.Points[i], outline.Points[(i + 1) % outline.Points.Length]);
            var c = p.Cross(q);
            area += c;
            sum += (p.X * (2 * p.Y + q.Y) + q.X * (p.Y + 2 * q.Y)) * c / 24;
        }
        return Math.Sign(area) * sum;
    }

    private static double Around(Polygon outline) =>
        outline.Points.Select((p, i) => Point.Distance(p, outline.Points[(i + 1) % outline.Points.Length])).Sum();

    /// <summary>A band of a section between two heights, in which the width by weight is linear.</summary>
    private readonly record struct Band(double Low, double High, double AtLow, double AtHigh)
    {
        private double Height => High - Low;

        public double Width(double y) => AtLow + (y - Low) / Height * (AtHigh - AtLow);

        /// <summary>
        /// Area and first moment about a height of what lies between two heights within the band: exact, by Simpson's rule.
        /// </summary>
        public (double Area, double Moment) Between(double from, double to, double about)
        {
            var middle = (from + to) / 2;
            var (low, mean, high) = (Width(from), Width(middle), Width(to));
            return (
                (low + high) / 2 * (to - from),
                (to - from) / 6 * (low * (from - about) + 4 * mean * (middle - about) + high * (to - about))
            );
        }
    }

    /// <summary>
    /// Bands from the bottom up, or across from the left, by a line that sweeps over the edges in order of their lower ends.
    /// </summary>
    private List<Band> Bands(bool across)
    {
        var edges = new List<(double Low, double High, double AtLow, double Slope, double Weight)>();
        foreach (var part in parts)
        {
            var points = part.Outline.Points;
            // Width is the sum of right edges less left ones. Exchanging the axes turns the sense of an outline.
            var weight = Weight(part) * (part.Outline.IsClockwise == across ? 1 : -1);
            for (var i = 0; i < points.Length; i++)
            {
                var (p, q) = (points[i], points[(i + 1) % points.Length]);
                if (across)
                    (p, q) = (new(p.Y, p.X), new(q.Y, q.X));
                if (p.Y == q.Y)
                    continue;
                var (low, high) = p.Y < q.Y ? (p, q) : (q, p);
                edges.Add((low.Y, high.Y, low.X, (high.X - low.X) / (high.Y - low.Y), p.Y < q.Y ? weight : -weight));
            }
        }
        edges.Sort((a, b) => a.Low.CompareTo(b.Low));
        var heights = edges.SelectMany(e => new[] { e.Low, e.High }).Distinct().Order().ToArray();
        var (bands, active, next) = (new List<Band>(heights.Length), new List<int>(), 0);
        for (var k = 0; k + 1 < heights.Length; k++)
        {
            var (low, high) = (heights[k], heights[k + 1]);
            active.RemoveAll(e => edges[e].High <= low);
            while (next < edges.Count && edges[next].Low <= low)
                active.Add(next++);
            if (high - low < 1e-12)
                continue;
            double atLow = 0,
                atHigh = 0;
            foreach (var e in active)
            {
                atLow += edges[e].Weight * (edges[e].AtLow + (low - edges[e].Low) * edges[e].Slope);
                atHigh += edges[e].Weight * (edges[e].AtLow + (high - edges[e].Low) * edges[e].Slope);
            }
            bands.Add(new(low, high, atLow, atHigh));
        }
        return bands;
    }

    private static double ShearArea(List<Band> bands, double second, double centroid)
    {
        var rule = bands.Count > 60 ? Numerics.GaussLegendre.Five : Numerics.GaussLegendre.Ten;
        double sum = 0,
            above = 0;
        for (var k = bands.Count - 1; k >= 0; k--)
        {
            var band = bands[k];
            for (var i = 0; i < rule.At.Length; i++)
            {
                var y = band.Low + rule.At[i] * (band.High - band.Low);
                var s = above + band.Between(y, band.High, centroid).Moment;
                if (band.Width(y) > 1e-12)
                    sum += rule.Weight[i] * (band.High - band.Low) * s * s / band.Width(y);
            }
            above += band.Between(band.Low, band.High, centroid).Moment;
        }
        return second * second / sum;
    }

    private static double Plastic(List<Band> bands)
    {
        var half = bands.Sum(b => b.Between(b.Low, b.High, 0).Area) / 2;
        var (below, axis) = (0.0, bands[^1].High);
        foreach (var band in bands)
        {
            var area = band.Between(band.Low, band.High, 0).Area;
            if (below + area < half)
            {
                below += area;
                continue;
            }
            axis = Numerics.Roots.Bisect(y => below + band.Between(band.Low, y, 0).Area - half, band.Low, band.High) ?? band.High;
            break;
        }
        return bands.Sum(b =>
            b.High <= axis ? -b.Between(b.Low, b.High, axis).Moment
            : b.Low >= axis ? b.Between(b.Low, b.High, axis).Moment
            : b.Between(axis, b.High, axis).Moment - b.Between(b.Low, axis, axis).Moment
        );
    }
}
