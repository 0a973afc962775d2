using Pravik.Core.Geometry;
using Pravik.Core.Places;
using Pravik.Core.Roads;

namespace Pravik.Core.Solids;

/// <summary>
/// The solids of a support: bearings and plinths, crosshead or seat, columns or wall, wings, approach slab, foundation and piles.
/// </summary>
public sealed class SupportSolids(SupportPlace support)
{
    private const int Round = 24;

    /// <summary>The solids of all supports of a bridge.</summary>
    public static IEnumerable<PartSolid> All(BridgeGeometry geometry, Ground? ground) =>
        SupportPlace.All(geometry, ground).SelectMany(s => new SupportSolids(s).Parts());

    /// <summary>All solids of the support.</summary>
    public IEnumerable<PartSolid> Parts() => [.. Bearings(), .. support.Values.IsAbutment ? Abutment() : Pier(), .. Foundation()];

    private PartSolid Part(SolidKind kind, string name, Solid solid) =>
        new(PartPath.Support(support.Axis), kind, $"{name}, axis {support.Axis.Name}", solid);

    /// <summary>Bearings lie square to their girder, plinths with them.</summary>
    private IEnumerable<PartSolid> Bearings()
    {
        foreach (var bearing in support.Bearings)
        {
            var (along, right) = (bearing.Along, bearing.Right);
            IEnumerable<Point> Around(double margin)
            {
                var (l, w) = (bearing.Type.Length / 2 + margin, bearing.Type.Width / 2 + margin);
                return new[] { (-l, -w), (-l, w), (l, w), (l, -w) }.Select(c =>
                    support.Local(bearing.At + c.Item1 * along + c.Item2 * right)
                );
            }
            yield return Part(SolidKind.Bearings, $"Bearing under {bearing.Girder.Name}", Upright(Around(0), bearing.Seat, bearing.Soffit));
            if (bearing.Seat > support.ShelfLevel + 1e-6)
                yield return Part(
                    SolidKind.Plinths,
                    $"Plinth under {bearing.Girder.Name}",
                    Upright(Around(support.Values.Size("plinthMargin")), support.ShelfLevel, bearing.Seat)
                );
        }
    }

    private IEnumerable<PartSolid> Abutment()
    {
        var (values, geometry) = (support.Values, support.Geometry);
        var (left, right) = (support.LeftEdge - values.Size("sideMargin"), support.RightEdge + values.Size("sideMargin"));
        var (front, back, wall) = (support.Front * values.Size("seatFront"), support.BackFace, values.Size("backWall"));
        var rear = back - support.Front * wall;
        yield return Part(
            SolidKind.Abutments,
            "Seat beam",
            Upright(Rectangle(left, right, rear, front), support.CapSoffit, support.ShelfLevel)
        );
        // The back wall's top lies with the slab's, under the approach slab.
        double[] places = [left, 0, right];
        IEnumerable<Point> Top(double v, double below) => places.Select(u => new Point(u, SlabTop(u, v) - below));
        yield return Part(
            SolidKind.Abutments,
            "Back wall",
            Across(Math.Min(back, rear), Math.Max(back, rear), v => Under(Top(back, 0), support.ShelfLevel))
        );
        if (values.Is("abutment", "wall") && support.CapSoffit > support.FootTop)
            yield return Part(SolidKind.Abutments, "Wall", Upright(Plan(support.Stems[0], 0), support.FootTop, support.CapSoffit));
        if (values.Choice("wings") != "none")
        {
            var bottom = values.Is("abutment", "wall") ? Math.Min(support.FootTop, support.CapSoffit) : support.CapSoffit;
            yield return Wing("Left wing wall", left, -1, bottom);
            yield return Wing("Right wing wall", right, 1, bottom);
        }
        if (values.Size("approachLength") is > 0 and var length)
        {
            var inset = values.Is("wings", "parallel") ? values.Size("wingThickness") : 0;
            double[] within = [left + inset, 0, right - inset];
            var (near, far, thick) = (rear, rear - support.Front * length, values.Size("approachThickness"));
            Point[] Ring(double v) =>
                [.. within.Select(u => new Point(u, SlabTop(u, v) - thick)), .. within.Reverse().Select(u => new Point(u, SlabTop(u, v)))];
            yield return Part(SolidKind.ApproachSlabs, "Approach slab", Across(Math.Min(near, far), Math.Max(near, far), Ring));
        }

        double SlabTop(double u, double v)
        {
            var place = geometry.Road.Locate(support.World(new(u, v)));
            var unit = support.Axis.Number == geometry.Axes.Length ? geometry.Units[^1] : geometry.Units[0];
            return geometry.Road.Level(place.Station) + unit.Shape.At(place.Station).SlabTop(place.Offset);
        }

        PartSolid Wing(string name, double u, int side, double bottom)
        {
            // Away from the bridge along the road, in the support's own axes.
            var skew = support.Axis.Skew;
            var away = -support.Front * new Point(-Math.Sin(skew), Math.Cos(skew));
            var direction = values.Choice("wings") switch
            {
                "square" => new(side, 0),
                "splayed" => Turned(away, values.Size("wingAngle"), side),
                _ => away,
            };
            var (thick, start) = (values.Size("wingThickness"), new Point(u, back));
            // Inward of its outer face along the road; backward where it lies in line with the abutment.
            var inward =
                values.Is("wings", "square") ? new(0, -support.Front)
                : new Point(-direction.Y, direction.X) is var n && n.X * side < 0 ? n
                : new Point(direction.Y, -direction.X);
            var end = start + values.Size("wingLength") * direction;
            var top = Math.Max(SlabTop(u, back), bottom + 0.1);
            return Part(SolidKind.WingWalls, name, Upright([start, end, end + thick * inward, start + thick * inward], bottom, top));
        }
    }

    /// <summary>A direction turned outward to a side by an angle.</summary>
    private static Point Turned(Point direction, double angle, int side)
    {
        Point Turn(double a) =>
            new(direction.X * Math.Cos(a) - direction.Y * Math.Sin(a), direction.X * Math.Sin(a) + direction.Y * Math.Cos(a));
        var (one, other) = (Turn(angle), Turn(-angle));
        return one.X * side > other.X * side ? one : other;
    }

    private IEnumerable<PartSolid> Pier()
    {
        var values = support.Values;
        var (from, to) = (support.FirstGirder - values.Size("capOverhang"), support.LastGirder + values.Size("capOverhang"));
        var (top, soffit, ends) = (
            support.ShelfLevel,
            support.CapSoffit,
            support.ShelfLevel - Math.Min(values.Size("capEndDepth"), values.Size("capDepth"))
        );
        var half = values.Size("capWidth") / 2;
        if (!values.Is("pier", "wall"))
        {
            var (inner, outer) = (support.Stems.Min(s => s.U - s.Width / 2), support.Stems.Max(s => s.U + s.Width / 2));
            List<Point> outline =
            [
                new(from, ends),
                new(Math.Clamp(inner, from, to), soffit),
                new(Math.Clamp(outer, from, to), soffit),
                new(to, ends),
                new(to, top),
                new(from, top),
            ];
            yield return Part(SolidKind.Crossheads, "Crosshead", Across(-half, half, _ => [.. Apart(outline)]));
        }
        var (foot, head) = (
            values.Is("pier", "pileBent") ? support.FoundingLevel - values.Size("pileLength") : support.FootTop,
            values.Is("pier", "wall") ? top : soffit
        );
        if (head <= foot)
            yield break;
        foreach (var (stem, i) in support.Stems.Select((s, i) => (s, i)))
        {
            var taper = values.Is("pier", "wall") ? 0 : values.Size("columnTaper") * (head - foot);
            yield return Part(
                SolidKind.Piers,
                values.Is("pier", "wall") ? "Wall"
                    : values.Is("pier", "pileBent") ? $"Pile {i + 1}"
                    : support.Stems.Length == 1 ? "Column"
                    : $"Column {i + 1}",
                Tapered(Plan(stem, taper), foot, Plan(stem, 0), head)
            );
        }
    }

    private IEnumerable<PartSolid> Foundation()
    {
        var values = support.Values;
        if (values.Is("pier", "pileBent"))
            yield break;
        var (bottom, top, diameter) = (support.FoundingLevel, support.FootTop, values.Size("pileDiameter"));
        if (!values.HasPiles && values.Is("foundation", "shaft"))
        {
            foreach (var (stem, i) in support.Stems.Select((s, i) => (s, i)))
                yield return Part(
                    SolidKind.Piles,
                    $"Shaft {i + 1}",
                    Upright(Circle(new(stem.U, stem.V), diameter / 2), bottom - values.Size("pileLength"), top)
                );
            yield break;
        }
        // The seat beam on piles is its own cap.
        if (!values.Is("abutment", "piled"))
            foreach (var (foot, i) in support.Feet.Select((f, i) => (f, i)))
                yield return Part(
                    SolidKind.Foundations,
                    values.HasPiles ? "Pile cap"
                        : support.Feet.Length == 1 ? "Pad"
                        : $"Pad {i + 1}",
                    Upright(Rectangle(foot.From, foot.To, foot.Back, foot.Ahead), bottom, top)
                );
        if (!values.HasPiles)
            yield break;
        foreach (var (place, i) in support.Piles.Select((p, i) => (p, i)))
        {
            var low = bottom - values.Size("pileLength");
            yield return Part(
                SolidKind.Piles,
                $"Pile {i + 1}",
                Tapered(Circle(place.Foot, diameter / 2), low, Circle(place.Head, diameter / 2), bottom)
            );
        }
    }

    private static IEnumerable<Point> Rectangle(double left, double right, double a, double b) =>
        [new(left, Math.Min(a, b)), new(right, Math.Min(a, b)), new(right, Math.Max(a, b)), new(left, Math.Max(a, b))];

    private static IEnumerable<Point> Circle(Point centre, double radius) => Polygon.Circle(centre, radius, Round).Points;

    /// <summary>The outline of a column, wider by a taper in both directions.</summary>
    private static IEnumerable<Point> Plan(SupportPlace.Stem stem, double taper)
    {
        var (width, length, centre) = (stem.Width + taper, stem.Length + taper, new Point(stem.U, stem.V));
        if (stem.Shape == "round")
            return Circle(centre, width / 2);
        if (stem.Shape == "rectangular" || length >= width)
            return Rectangle(centre.X - width / 2, centre.X + width / 2, centre.Y - length / 2, centre.Y + length / 2);
        var (reach, r) = ((width - length) / 2, length / 2);
        return Enumerable
            .Range(0, Round + 2)
            .Select(i =>
            {
                var right = i <= Round / 2;
                var angle = -Math.PI / 2 + (right ? i : i - 1) * 2 * Math.PI / Round;
                return centre + new Point((right ? reach : -reach) + r * Math.Cos(angle), r * Math.Sin(angle));
            });
    }

    private Solid Upright(IEnumerable<Point> plan, double bottom, double top) => Tapered(plan, bottom, plan, top);

    /// <summary>A solid between two outlines in plan with as many corners, in the support's own axes.</summary>
    private Solid Tapered(IEnumerable<Point> below, double bottom, IEnumerable<Point> above, double top)
    {
        // Led upward, outlines are anticlockwise seen from below.
        var isClockwise = new Polygon(below).IsClockwise;
        Point3[] Ring(IEnumerable<Point> plan, double level) =>
            [.. (isClockwise ? plan : plan.Reverse()).Select(p => support.World(p)).Select(p => new Point3(p.X, p.Y, level))];
        var (low, high) = (Ring(below, bottom), Ring(above, top));
        return Solid.Lead([low, high], new Polygon(low.Select(p => new Point(p.X, p.Y))).Triangulate()!.Value);
    }

    /// <summary>A solid led ahead between two places along v; its outline in u and level may follow v.</summary>
    private Solid Across(double from, double to, Func<double, Point[]> outline)
    {
        Point3[] Ring(double v) => [.. outline(v).Select(p => support.World(new(p.X, v)) is var w ? new Point3(w.X, w.Y, p.Y) : default)];
        return Solid.Lead([Ring(from), Ring(to)], new Polygon(outline(from)).Triangulate()!.Value);
    }

    /// <summary>An outline under a line from left to right, down to a level.</summary>
    private static Point[] Under(IEnumerable<Point> top, double bottom)
    {
        var points = top.ToList();
        return [new(points[0].X, bottom), new(points[^1].X, bottom), .. points.AsEnumerable().Reverse()];
    }

    /// <summary>Corners that stand apart.</summary>
    private static IEnumerable<Point> Apart(List<Point> outline) =>
        outline.Where((p, i) => Point.Distance(p, outline[(i + 1) % outline.Count]) > 1e-6);
}
