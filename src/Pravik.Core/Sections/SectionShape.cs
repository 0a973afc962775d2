using System.Collections.Immutable;
using Pravik.Core.Geometry;

namespace Pravik.Core.Sections;

/// <summary>
/// A section as the engineer enters it: a family with its sizes, or own outlines. It lies with its soffit at height 0, centred on the
/// vertical axis
/// where its family is symmetric.
/// </summary>
public sealed record SectionShape
{
    /// <summary>Name, by which girders, types and diaphragms call it.</summary>
    public string Name { get; init; } = "Girder";

    /// <summary>Whether it is kept for what was built with it and no longer meant for new work.</summary>
    public bool Superseded { get; init; }

    /// <summary>Name of its family (<see cref="SectionFamily.All"/>).</summary>
    public string Family { get; init; } = SectionFamily.IGirder;

    /// <summary>
    /// Sizes of the family by name (m). Those that are missing have the family's usual value; those of other families are kept.
    /// </summary>
    public ImmutableSortedDictionary<string, double> Sizes { get; init; } = ImmutableSortedDictionary<string, double>.Empty;

    /// <summary>Own outlines, for the family of that name.</summary>
    public ImmutableArray<OwnOutline> Outlines { get; init; } = [];

    /// <summary>Places at which stresses are wanted besides the extreme fibres.</summary>
    public ImmutableArray<StressPoint> StressPoints { get; init; } = [];

    /// <summary>A size, or the usual one of the family.</summary>
    public double Size(string name) =>
        Sizes.TryGetValue(name, out var own) ? own : SectionFamily.Named(Family)?.Sizes.FirstOrDefault(s => s.Name == name)?.Usual ?? 0;
}

/// <summary>
/// An own outline of a section: its corners, whether it is a void, and the ratio of its modulus to that of the section's material.
/// </summary>
public sealed record OwnOutline
{
    /// <summary>Corners, in order.</summary>
    public ImmutableArray<SectionCorner> Corners { get; init; } = [];

    /// <summary>Whether it is taken away in place of added.</summary>
    public bool IsVoid { get; init; }

    /// <summary>Modulus of this part over that of the section's material.</summary>
    public double Weight { get; init; } = 1;
}

/// <summary>A corner of an own outline (m).</summary>
public sealed record SectionCorner
{
    /// <summary>Across (m).</summary>
    public double X { get; init; }

    /// <summary>Up (m).</summary>
    public double Y { get; init; }
}

/// <summary>A shape made: its parts and what follows from them for a girder.</summary>
public sealed class MadeSection
{
    private readonly Lazy<ShapeProperties> properties;
    private readonly Lazy<double> web;
    private readonly Lazy<CellWalls?> cells;
    private readonly Lazy<ImmutableArray<ImmutableArray<(int Part, int Corner)>>> orders;
    private readonly Lazy<ImmutableArray<Polygon>> solids;
    private readonly System.Collections.Concurrent.ConcurrentDictionary<double, MadeSection> byDepth = [];

    /// <summary>Throws <see cref="ArgumentException"/> for a family that is not known, which validation refuses.</summary>
    public MadeSection(SectionShape shape)
    {
        Shape = shape;
        var family =
            SectionFamily.Named(shape.Family)
            ?? throw new ArgumentException($"“{shape.Family}” is not a family of sections.", nameof(shape));
        Parts = family.Make(shape);
        properties = new(() => new(Parts));
        web = new(() =>
            Enumerable.Range(1, 99).Min(i => Parts.Sum(p => (p.IsVoid ? -1 : 1) * p.Outline.WidthAt(Bottom + i / 100.0 * Depth)))
        );
        cells = new(() => IsSteel ? null : CellWalls.Of(Parts, Bottom, Top));
        orders = new(() => [.. Order(Parts)]);
        solids = new(() => SolidsLike(this));
        var solid = Parts.Where(p => !p.IsVoid).SelectMany(p => p.Outline.Points).ToList();
        (Bottom, Top) = (solid.Min(p => p.Y), solid.Max(p => p.Y));
    }

    /// <summary>What was entered.</summary>
    public SectionShape Shape { get; }

    /// <summary>Whether its family is one of steel.</summary>
    public bool IsSteel => SectionFamily.IsSteel(Shape);

    /// <summary>Its outlines and voids.</summary>
    public ImmutableArray<SectionPart> Parts { get; }

    /// <summary>Heights between which a girder of steel has its web alone; null for one of concrete and for own outlines.</summary>
    public (double Low, double High)? Web =>
        !IsSteel
            ? null
            : Shape.Family switch
            {
                "plateGirder" => (Shape.Size("bottomThickness"), Shape.Size("depth") - Shape.Size("topThickness")),
                "rolled" => (Shape.Size("flange"), Shape.Size("depth") - Shape.Size("flange")),
                "angle" => null,
                _ => (Shape.Size("bottom"), Shape.Size("depth") - Shape.Size("top")),
            };

    /// <summary>All that follows from them.</summary>
    public ShapeProperties Properties => properties.Value;

    /// <summary>Level of its soffit in its own axes (m).</summary>
    public double Bottom { get; }

    /// <summary>Level of its top in its own axes (m).</summary>
    public double Top { get; }

    /// <summary>Depth (m).</summary>
    public double Depth => Top - Bottom;

    /// <summary>Width over all at the top and at the bottom, and the least width of solid material between.</summary>
    public double TopWidth => Extent(Top - 1e-6 * Depth);

    /// <summary>Width at the soffit (m).</summary>
    public double BottomWidth => Extent(Bottom + 1e-6 * Depth);

    /// <summary>Width of the web, or of all webs together (m).</summary>
    public double WebWidth => web.Value;

    /// <summary>The walls around its voids; null without voids.</summary>
    public CellWalls? Cells => cells.Value;

    /// <summary>Area, centroid above the soffit and second moment, without the torsion constant.</summary>
    public SectionProperties Bending => new(Properties.Area, Properties.Centroid.Y - Bottom, Properties.Ix, Depth);

    /// <summary>The solid parts, their voids joined to them by a cut of no width, so that each is one outline.</summary>
    public ImmutableArray<Polygon> Solids => solids.Value;

    /// <summary>
    /// The same with corners in the order of another section of the family with other sizes, so that one leads into the other.
    /// </summary>
    public ImmutableArray<Polygon> SolidsLike(MadeSection pattern) =>
        [.. pattern.orders.Value.Select(order => new Polygon(order.Select(c => Parts[c.Part].Outline.Points[c.Corner])))];

    /// <summary>
    /// The section made as deep as wanted, to 10⁻⁶ m, its other sizes kept; itself for a family that has no depth. Heights of voids
    /// keep their part of the depth.
    /// Throws <see cref="ArgumentException"/> for a depth at which the sizes do not fit together, which validation refuses.
    /// </summary>
    public MadeSection WithDepth(double depth)
    {
        depth = Math.Round(depth, 6);
        if (!HasDepth || Math.Abs(depth - Shape.Size("depth")) < 1e-9)
            return this;
        return byDepth.GetOrAdd(depth, d => new(Deep(Shape, d)));
    }

    /// <summary>Whether its family has a depth among its sizes.</summary>
    public bool HasDepth => SectionFamily.Named(Shape.Family)!.Sizes.Any(s => s.Name == "depth");

    /// <summary>A shape with another depth, the height of its voids in the same part of it.</summary>
    public static SectionShape Deep(SectionShape shape, double depth)
    {
        var sizes = shape.Sizes.SetItem("depth", depth);
        var hasHeight = SectionFamily.Named(shape.Family)!.Sizes.Any(s => s.Name == "height");
        return shape with { Sizes = hasHeight ? sizes.SetItem("height", shape.Size("height") / shape.Size("depth") * depth) : sizes };
    }

    /// <summary>Whether a point lies in material.</summary>
    public bool Contains(Point point) =>
        Parts.Any(p => !p.IsVoid && p.Outline.Contains(point)) && !Parts.Any(p => p.IsVoid && p.Outline.Contains(point));

    /// <summary>The least distance from a point to any outline.</summary>
    public double DistanceToOutline(Point point) => Parts.Min(p => p.Outline.DistanceToOutline(point));

    /// <summary>Every solid part as corners of parts in order, anticlockwise, with its voids joined to it.</summary>
    private static IEnumerable<ImmutableArray<(int Part, int Corner)>> Order(ImmutableArray<SectionPart> parts)
    {
        Point At((int Part, int Corner) corner) => parts[corner.Part].Outline.Points[corner.Corner];
        List<(int Part, int Corner)> Turning(int part, bool clockwise)
        {
            var corners = Enumerable.Range(0, parts[part].Outline.Points.Length).Select(i => (part, i));
            return [.. parts[part].Outline.IsClockwise == clockwise ? corners : corners.Reverse()];
        }
        for (var p = 0; p < parts.Length; p++)
        {
            if (parts[p].IsVoid)
                continue;
            var outline = Turning(p, false);
            // The void whose rightmost corner lies furthest to the right first, so that cuts do not cross one another.
            var voids = Enumerable
                .Range(0, parts.Length)
                .Where(i => parts[i].IsVoid && parts[p].Outline.Contains(parts[i].Outline.Points[0]))
                .Select(i => Turning(i, true));
            foreach (var hole in voids.OrderByDescending(h => h.Max(c => At(c).X)))
            {
                var from = hole.IndexOf(hole.MaxBy(c => At(c).X));
                var start = At(hole[from]);
                var points = outline.ConvertAll(At);
                var to = Enumerable
                    .Range(0, points.Count)
                    .Where(i => points[i].X > start.X && IsClear(points, start, points[i]))
                    .OrderBy(i => Point.Distance(points[i], start))
                    .FirstOrDefault(-1);
                if (to < 0)
                    continue;
                outline.InsertRange(to + 1, [.. hole.Skip(from), .. hole.Take(from), hole[from], outline[to]]);
            }
            yield return [.. outline];
        }
    }

    private static bool IsClear(List<Point> outline, Point a, Point b)
    {
        for (var i = 0; i < outline.Count; i++)
        {
            var (p, q) = (outline[i], outline[(i + 1) % outline.Count]);
            if (p == b || q == b)
                continue;
            if ((b - a).Cross(p - a) > 0 != (b - a).Cross(q - a) > 0 && (q - p).Cross(a - p) > 0 != (q - p).Cross(b - p) > 0)
                return false;
        }
        return true;
    }

    /// <summary>Heights between bottom and top at which an edge of the outside runs along the member: those of flanges.</summary>
    public IEnumerable<double> Edges =>
        Parts
            .Where(p => !p.IsVoid)
            .SelectMany(p => p.Outline.Points)
            .Where(p => p.X > 0 && p.Y > Bottom + 1e-6 && p.Y < Top - 1e-6 && p.X > 0.98 * Math.Min(TopWidth, BottomWidth) / 2)
            .Select(p => p.Y)
            .Distinct();

    /// <summary>From the leftmost to the rightmost point of material at a height.</summary>
    private double Extent(double y)
    {
        var cuts = Parts
            .Where(p => !p.IsVoid)
            .SelectMany(p => p.Outline.Points.Select((a, i) => (A: a, B: p.Outline.Points[(i + 1) % p.Outline.Points.Length])))
            .Where(e => e.A.Y <= y != e.B.Y <= y)
            .Select(e => e.A.X + (y - e.A.Y) / (e.B.Y - e.A.Y) * (e.B.X - e.A.X))
            .ToList();
        return cuts.Count == 0 ? 0 : cuts.Max() - cuts.Min();
    }
}
