using System.Collections.Immutable;
using NetTopologySuite.Geometries;
using NetTopologySuite.Operation.Overlay;
using NetTopologySuite.Operation.OverlayNG;
using Point = Pravik.Core.Geometry.Point;
using Polygon = Pravik.Core.Geometry.Polygon;

namespace Pravik.Core.Sections;

/// <summary>A size of a family of sections: its name, words, usual value and bounds (m; a count where so named).</summary>
public sealed record SectionSize(
    string Name,
    string Words,
    double Usual,
    double Least,
    double Greatest,
    string Help = "",
    bool IsCount = false
);

/// <summary>A family of sections: what it is called, its sizes, and how they make its parts.</summary>
public sealed class SectionFamily
{
    /// <summary>Name of the family of I-girders.</summary>
    public const string IGirder = "iGirder";

    /// <summary>Name of the family of outlines of one's own.</summary>
    public const string Own = "own";
    private readonly Func<SectionShape, IEnumerable<SectionPart>> make;
    private readonly Func<SectionShape, (string Size, string Message)?> check;

    private SectionFamily(
        string name,
        string words,
        string material,
        ImmutableArray<SectionSize> sizes,
        Func<SectionShape, IEnumerable<SectionPart>> make,
        Func<SectionShape, (string, string)?> check
    )
    {
        (Name, Words, Material, Sizes, this.make, this.check) = (name, words, material, sizes, make, check);
    }

    /// <summary>Name in files.</summary>
    public string Name { get; }

    /// <summary>Name in words.</summary>
    public string Words { get; }

    /// <summary><c>concrete</c>, <c>steel</c> or empty for either.</summary>
    public string Material { get; }

    /// <summary>Its sizes.</summary>
    public ImmutableArray<SectionSize> Sizes { get; }

    /// <summary>The parts of a shape of this family.</summary>
    public ImmutableArray<SectionPart> Make(SectionShape shape) => [.. make(shape)];

    /// <summary>
    /// What does not fit together among sizes that are each within their bounds: the size to look at, and why; null where all is well.
    /// </summary>
    public (string Size, string Message)? Problem(SectionShape shape) => check(shape);

    /// <summary>All families.</summary>
    public static ImmutableArray<SectionFamily> All { get; } =
    [
        new(
            IGirder,
            "Precast I-girder",
            "concrete",
            [
                new("depth", "Depth", 1.2, 0.3, 4),
                new("topWidth", "Top flange width", 0.8, 0.1, 3),
                new("topThickness", "Top flange thickness", 0.12, 0.05, 1),
                new("topTaper", "Slope below it", 0.08, 0, 1, "Height of the slope between top flange and web."),
                new("web", "Web thickness", 0.18, 0.08, 1.5),
                new("bottomTaper", "Slope above bottom flange", 0.16, 0, 1, "Height of the slope between web and bottom flange."),
                new("bottomThickness", "Bottom flange thickness", 0.22, 0.05, 1),
                new("bottomWidth", "Bottom flange width", 0.65, 0.1, 3),
            ],
            s =>
                [
                    Symmetric(
                        (s.Size("bottomWidth"), 0),
                        (s.Size("bottomWidth"), s.Size("bottomThickness")),
                        (s.Size("web"), s.Size("bottomThickness") + s.Size("bottomTaper")),
                        (s.Size("web"), s.Size("depth") - s.Size("topThickness") - s.Size("topTaper")),
                        (s.Size("topWidth"), s.Size("depth") - s.Size("topThickness")),
                        (s.Size("topWidth"), s.Size("depth"))
                    ),
                ],
            s =>
                s.Size("depth") < s.Size("topThickness") + s.Size("topTaper") + s.Size("bottomTaper") + s.Size("bottomThickness")
                    ? ("depth", "Flanges and slopes together are deeper than the girder.")
                : s.Size("web") > Math.Min(s.Size("topWidth"), s.Size("bottomWidth")) ? ("web", "The web is wider than a flange.")
                : null
        ),
        new(
            "twoSlopeGirder",
            "I-girder with fillets",
            "concrete",
            [
                new("depth", "Depth", 1.37, 0.5, 3),
                new("topWidth", "Top flange width", 0.508, 0.2, 2.5),
                new("topThickness", "Top flange thickness", 0.203, 0.05, 0.5),
                new("topTaper", "Slope below it", 0.152, 0, 0.6),
                new("topTaperWidth", "Width where that slope ends", 0.203, 0.1, 2, "Width of the web, or of a smaller slope that follows."),
                new("topFillet", "Second slope below", 0, 0, 0.3),
                new("web", "Web thickness", 0.203, 0.1, 0.5),
                new("bottomTaper", "Slope above bottom flange", 0.229, 0, 0.6),
                new("bottomThickness", "Bottom flange thickness", 0.203, 0.05, 0.5),
                new("bottomWidth", "Bottom flange width", 0.66, 0.2, 1.5),
            ],
            s =>
                [
                    Symmetric(
                        (s.Size("bottomWidth"), 0),
                        (s.Size("bottomWidth"), s.Size("bottomThickness")),
                        (s.Size("web"), s.Size("bottomThickness") + s.Size("bottomTaper")),
                        (s.Size("web"), s.Size("depth") - s.Size("topThickness") - s.Size("topTaper") - s.Size("topFillet")),
                        (s.Size("topTaperWidth"), s.Size("depth") - s.Size("topThickness") - s.Size("topTaper")),
                        (s.Size("topWidth"), s.Size("depth") - s.Size("topThickness")),
                        (s.Size("topWidth"), s.Size("depth"))
                    ),
                ],
            s =>
                s.Size("depth")
                < s.Size("topThickness") + s.Size("topTaper") + s.Size("topFillet") + s.Size("bottomTaper") + s.Size("bottomThickness")
                    ? ("depth", "Flanges and slopes together are deeper than the girder.")
                : s.Size("topTaperWidth") < s.Size("web") - 1e-9 || s.Size("topTaperWidth") > s.Size("topWidth")
                    ? ("topTaperWidth", "The slope must end between the widths of the web and of the flange.")
                : s.Size("web") > s.Size("bottomWidth") ? ("web", "The web is wider than a flange.")
                : null
        ),
        new(
            "bulbT",
            "Bulb-T girder",
            "concrete",
            [
                new("depth", "Depth", 1.6, 0.6, 3.5),
                new("topWidth", "Top flange width", 1.2, 0.4, 3),
                new("tip", "Thickness at the tips", 0.09, 0.05, 0.4),
                new("root", "Thickness at the web", 0.15, 0.05, 0.6, "Where the flange's slope meets the web."),
                new("web", "Web thickness", 0.18, 0.1, 0.6),
                new("bottomTaper", "Slope above bulb", 0.14, 0, 0.6),
                new("bottomThickness", "Bulb thickness", 0.18, 0.05, 0.6),
                new("bottomWidth", "Bulb width", 0.7, 0.2, 1.5),
            ],
            s =>
                [
                    Symmetric(
                        (s.Size("bottomWidth"), 0),
                        (s.Size("bottomWidth"), s.Size("bottomThickness")),
                        (s.Size("web"), s.Size("bottomThickness") + s.Size("bottomTaper")),
                        (s.Size("web"), s.Size("depth") - s.Size("root")),
                        (s.Size("topWidth"), s.Size("depth") - s.Size("tip")),
                        (s.Size("topWidth"), s.Size("depth"))
                    ),
                ],
            s =>
                s.Size("depth") < s.Size("root") + s.Size("bottomTaper") + s.Size("bottomThickness")
                    ? ("depth", "Flange, slope and bulb together are deeper than the girder.")
                : s.Size("root") < s.Size("tip") ? ("root", "The flange is thinner at the web than at its tips.")
                : s.Size("web") > Math.Min(s.Size("topWidth"), s.Size("bottomWidth")) ? ("web", "The web is wider than a flange.")
                : null
        ),
        new(
            "uGirder",
            "U-girder",
            "concrete",
            [
                new("depth", "Depth", 1.4, 0.6, 3.5),
                new("topWidth", "Width over the webs at the top", 2.2, 0.8, 5),
                new("bottomWidth", "Width at the bottom", 1.4, 0.5, 4),
                new("web", "Web thickness", 0.18, 0.1, 0.6, "Measured level."),
                new("slab", "Bottom thickness", 0.2, 0.1, 0.8),
                new("lip", "Lip at the top", 0.15, 0, 0.6, "How far the top of each web is wider, outward."),
                new("lipThickness", "Lip thickness", 0.15, 0.05, 0.6),
            ],
            U,
            s =>
                s.Size("depth") < s.Size("slab") + s.Size("lipThickness") + 0.1 ? ("depth", "Bottom and lips leave no room for webs.")
                : s.Size("bottomWidth") < 2 * s.Size("web") + 0.05 ? ("bottomWidth", "The webs meet at the bottom.")
                : s.Size("topWidth") - 2 * s.Size("lip") < 2 * s.Size("web") + 0.05 ? ("topWidth", "The webs meet at the top.")
                : null
        ),
        new(
            "box",
            "Box",
            "concrete",
            [
                new("depth", "Depth", 1.5, 0.3, 8),
                new("width", "Width", 2, 0.3, 20),
                new("web", "Web thickness", 0.25, 0.05, 2),
                new("top", "Top thickness", 0.22, 0.05, 2),
                new("bottom", "Bottom thickness", 0.2, 0.05, 2),
                new("chamfer", "Chamfer inside", 0.1, 0, 1),
            ],
            s =>
                [
                    Symmetric((s.Size("width"), 0), (s.Size("width"), s.Size("depth"))),
                    Hollow(s.Size("width") - 2 * s.Size("web"), s.Size("bottom"), s.Size("depth") - s.Size("top"), s.Size("chamfer")),
                ],
            s =>
                s.Size("width") < 2 * s.Size("web") + 0.05 ? ("web", "The webs fill the box.")
                : s.Size("depth") < s.Size("top") + s.Size("bottom") + 0.05 ? ("depth", "Top and bottom fill the box.")
                : 2 * s.Size("chamfer")
                > Math.Min(s.Size("width") - 2 * s.Size("web"), s.Size("depth") - s.Size("top") - s.Size("bottom")) - 0.01
                    ? ("chamfer", "The chamfers meet.")
                : null
        ),
        new(
            "rectangle",
            "Rectangle, solid slab",
            "concrete",
            [new("depth", "Depth", 0.6, 0.05, 10), new("width", "Width", 1, 0.05, 40)],
            s => [Symmetric((s.Size("width"), 0), (s.Size("width"), s.Size("depth")))],
            _ => null
        ),
        new(
            "voidedSlab",
            "Voided slab",
            "concrete",
            [
                new("depth", "Depth", 0.9, 0.2, 3),
                new("width", "Width", 6, 0.5, 40),
                new("voids", "Round voids", 4, 1, 30, "Number of voids, equally spaced.", true),
                new("diameter", "Diameter of the voids", 0.5, 0.05, 2.5),
                new("spacing", "Spacing of the voids", 1.2, 0.1, 5),
                new("height", "Height of their centres", 0.45, 0.05, 2.5),
            ],
            s =>
                [
                    Symmetric((s.Size("width"), 0), (s.Size("width"), s.Size("depth"))),
                    .. Enumerable
                        .Range(0, (int)s.Size("voids"))
                        .Select(i =>
                            Round((i - (s.Size("voids") - 1) / 2) * s.Size("spacing"), s.Size("height"), s.Size("diameter") / 2, true)
                        ),
                ],
            s =>
                s.Size("spacing") < s.Size("diameter") + 0.02 && s.Size("voids") > 1 ? ("spacing", "The voids touch each other.")
                : (s.Size("voids") - 1) * s.Size("spacing") + s.Size("diameter") > s.Size("width") - 0.04
                    ? ("width", "The voids reach the sides of the slab.")
                : s.Size("height") - s.Size("diameter") / 2 < 0.02 || s.Size("height") + s.Size("diameter") / 2 > s.Size("depth") - 0.02
                    ? ("height", "The voids reach the top or the bottom of the slab.")
                : null
        ),
        new(
            "tee",
            "T-beam",
            "concrete",
            [
                new("depth", "Depth", 1.2, 0.2, 6),
                new("topWidth", "Flange width", 2.4, 0.2, 20),
                new("topThickness", "Flange thickness", 0.22, 0.05, 2),
                new("web", "Web width at the bottom", 0.4, 0.05, 5),
                new("webTop", "Web width below the flange", 0.5, 0.05, 5),
            ],
            s =>
                [
                    Symmetric(
                        (s.Size("web"), 0),
                        (s.Size("webTop"), s.Size("depth") - s.Size("topThickness")),
                        (s.Size("topWidth"), s.Size("depth") - s.Size("topThickness")),
                        (s.Size("topWidth"), s.Size("depth"))
                    ),
                ],
            s =>
                s.Size("topThickness") >= s.Size("depth") ? ("topThickness", "The flange is as thick as the beam is deep.")
                : s.Size("webTop") > s.Size("topWidth") ? ("webTop", "The web is wider than the flange.")
                : null
        ),
        new(
            "round",
            "Circle",
            "",
            [new("diameter", "Diameter", 1, 0.05, 10)],
            s => [Round(0, s.Size("diameter") / 2, s.Size("diameter") / 2, false)],
            _ => null
        ),
        new(
            "plateGirder",
            "Welded plate girder",
            "steel",
            [
                new("depth", "Depth", 1.5, 0.2, 6),
                new("topWidth", "Top flange width", 0.4, 0.08, 2),
                new("topThickness", "Top flange thickness", 0.025, 0.005, 0.15),
                new("web", "Web thickness", 0.014, 0.004, 0.06),
                new("bottomWidth", "Bottom flange width", 0.5, 0.08, 2),
                new("bottomThickness", "Bottom flange thickness", 0.035, 0.005, 0.15),
            ],
            s =>
                [
                    Symmetric(
                        (s.Size("bottomWidth"), 0),
                        (s.Size("bottomWidth"), s.Size("bottomThickness")),
                        (s.Size("web"), s.Size("bottomThickness")),
                        (s.Size("web"), s.Size("depth") - s.Size("topThickness")),
                        (s.Size("topWidth"), s.Size("depth") - s.Size("topThickness")),
                        (s.Size("topWidth"), s.Size("depth"))
                    ),
                ],
            s =>
                s.Size("depth") < s.Size("topThickness") + s.Size("bottomThickness") + 0.02
                    ? ("depth", "The flanges leave no room for a web.")
                : s.Size("web") > Math.Min(s.Size("topWidth"), s.Size("bottomWidth")) ? ("web", "The web is wider than a flange.")
                : null
        ),
        new(
            "rolled",
            "Rolled I",
            "steel",
            [
                new("depth", "Depth", 0.6, 0.08, 1.2),
                new("width", "Flange width", 0.22, 0.04, 0.6),
                new("flange", "Flange thickness", 0.019, 0.004, 0.15),
                new("web", "Web thickness", 0.012, 0.003, 0.1),
                new("radius", "Root radius", 0.024, 0, 0.06),
            ],
            Rolled,
            s =>
                s.Size("depth") < 2 * (s.Size("flange") + s.Size("radius")) + 0.01
                    ? ("depth", "Flanges and roots are deeper than the section.")
                : s.Size("width") < s.Size("web") + 2 * s.Size("radius") ? ("width", "The roots are wider than the flange.")
                : null
        ),
        new(
            "angle",
            "Angle",
            "steel",
            [
                new("depth", "Upright leg", 0.12, 0.02, 0.4),
                new("width", "Level leg", 0.12, 0.02, 0.4),
                new("thickness", "Thickness", 0.012, 0.002, 0.05),
            ],
            s =>
                [
                    new(
                        new([
                            new(-s.Size("width") / 2, 0),
                            new(s.Size("width") / 2, 0),
                            new(s.Size("width") / 2, s.Size("thickness")),
                            new(s.Size("thickness") - s.Size("width") / 2, s.Size("thickness")),
                            new(s.Size("thickness") - s.Size("width") / 2, s.Size("depth")),
                            new(-s.Size("width") / 2, s.Size("depth")),
                        ])
                    ),
                ],
            s =>
                s.Size("thickness") > 0.8 * Math.Min(s.Size("depth"), s.Size("width"))
                    ? ("thickness", "The legs are thicker than they are wide.")
                    : null
        ),
        new(
            "steelBox",
            "Steel box",
            "steel",
            [
                new("depth", "Depth", 1.6, 0.2, 6),
                new("topWidth", "Width at the top", 2.4, 0.2, 8),
                new("bottomWidth", "Width at the bottom", 1.8, 0.2, 8),
                new("top", "Top plate", 0.025, 0.004, 0.15),
                new("bottom", "Bottom plate", 0.03, 0.004, 0.15),
                new("web", "Web thickness", 0.016, 0.004, 0.08, "Measured level."),
            ],
            s =>
            {
                double Inner(double y) =>
                    s.Size("bottomWidth") + y / s.Size("depth") * (s.Size("topWidth") - s.Size("bottomWidth")) - 2 * s.Size("web");
                var (low, high) = (s.Size("bottom"), s.Size("depth") - s.Size("top"));
                return
                [
                    Symmetric((s.Size("bottomWidth"), 0), (s.Size("topWidth"), s.Size("depth"))),
                    Symmetric((Inner(low), low), (Inner(high), high)) with
                    {
                        IsVoid = true,
                    },
                ];
            },
            s =>
                s.Size("depth") < s.Size("top") + s.Size("bottom") + 0.05 ? ("depth", "The plates fill the box.")
                : Math.Min(s.Size("topWidth"), s.Size("bottomWidth")) < 2 * s.Size("web") + 0.05 ? ("web", "The webs fill the box.")
                : null
        ),
        new(
            Own,
            "Own outlines",
            "",
            [],
            s => s.Outlines.Select(o => new SectionPart(new(o.Corners.Select(c => new Point(c.X, c.Y))), o.Weight, o.IsVoid)),
            OwnProblem
        ),
    ];

    /// <summary>Whether a shape is of a family of steel.</summary>
    public static bool IsSteel(SectionShape shape) => Named(shape.Family)?.Material == "steel";

    /// <summary>The family of a name; null where there is none.</summary>
    public static SectionFamily? Named(string? name) => All.FirstOrDefault(f => f.Name == name);

    /// <summary>
    /// An outline from widths at heights, from the bottom up, the same on both sides. Corners in one place are given once.
    /// </summary>
    private static SectionPart Symmetric(params (double Width, double Height)[] right)
    {
        var kept = right
            .Where((p, i) => i == 0 || Math.Abs(p.Width - right[i - 1].Width) > 1e-9 || Math.Abs(p.Height - right[i - 1].Height) > 1e-9)
            .ToList();
        return new(
            new(
                kept.Select(p => new Point(p.Width / 2, p.Height))
                    .Concat(kept.AsEnumerable().Reverse().Select(p => new Point(-p.Width / 2, p.Height)))
            )
        );
    }

    private static SectionPart Hollow(double width, double bottom, double top, double chamfer) =>
        Symmetric((width - 2 * chamfer, bottom), (width, bottom + chamfer), (width, top - chamfer), (width - 2 * chamfer, top)) with
        {
            IsVoid = true,
        };

    /// <summary>A circle as a polygon of 48 corners and the circle's own area.</summary>
    private static SectionPart Round(double x, double y, double radius, bool isVoid) =>
        new(Polygon.Circle(new(x, y), radius, 48), 1, isVoid);

    private static IEnumerable<SectionPart> U(SectionShape s)
    {
        var (depth, web, slab, lip, lipThickness) = (s.Size("depth"), s.Size("web"), s.Size("slab"), s.Size("lip"), s.Size("lipThickness"));
        var (atTop, atBottom) = (s.Size("topWidth") / 2 - lip, s.Size("bottomWidth") / 2);
        double Face(double y) => atBottom + y / depth * (atTop - atBottom);
        var below = depth - lipThickness;
        List<Point> right = [new(atBottom, 0), new(Face(below), below)];
        if (lip > 1e-9)
            right.AddRange([new(Face(below) + lip, below), new(atTop + lip, depth)]);
        else
            right.Add(new(atTop, depth));
        right.AddRange([new(atTop - web, depth), new(Face(slab) - web, slab)]);
        return [new(new(right.Concat(right.AsEnumerable().Reverse().Select(p => new Point(-p.X, p.Y)))))];
    }

    /// <summary>
    /// An I with a quarter circle in each corner between web and flange, in six pieces that enclose the area of the circle.
    /// </summary>
    private static IEnumerable<SectionPart> Rolled(SectionShape s)
    {
        const int Pieces = 6;
        // Middle corners lie a little off the circle, at x·r: ½ sin θ (2x + (n − 2)x²) = π/4.
        var off = (Math.Sqrt(1 + (Pieces - 2) * Math.PI / 2 / Math.Sin(Math.PI / 2 / Pieces)) - 1) / (Pieces - 2);
        var (depth, width, flange, web, radius) = (
            s.Size("depth"),
            s.Size("width") / 2,
            s.Size("flange"),
            s.Size("web") / 2,
            s.Size("radius")
        );
        List<Point> half = [new(width, 0), new(width, flange)];
        if (radius < 1e-6)
            half.Add(new(web, flange));
        else
            half.AddRange(
                Enumerable
                    .Range(0, Pieces + 1)
                    .Select(i =>
                        new Point(web + radius, flange + radius)
                        - (i is 0 or Pieces ? 1 : off)
                            * radius
                            * new Point(Math.Sin(Math.PI / 2 * i / Pieces), Math.Cos(Math.PI / 2 * i / Pieces))
                    )
            );
        var right = half.Concat(half.AsEnumerable().Reverse().Select(p => new Point(p.X, depth - p.Y))).ToList();
        return [new(new(right.Concat(right.AsEnumerable().Reverse().Select(p => new Point(-p.X, p.Y)))))];
    }

    private static (string, string)? OwnProblem(SectionShape s)
    {
        if (s.Outlines.All(o => o.IsVoid))
            return ("outlines", "The section needs at least one outline that is no void.");
        var parts = s.Outlines.Select(o => new Polygon(o.Corners.Select(c => new Point(c.X, c.Y)))).ToList();
        for (var i = 0; i < parts.Count; i++)
        {
            if (parts[i].Triangulate() is null)
                return ($"outlines/{i}", $"Outline {i + 1} crosses itself or has no area.");
        }
        var areas = parts.Select(Area).ToList();
        double Shared(int i, int j) => OverlayNGRobust.Overlay(areas[i], areas[j], SpatialFunction.Intersection).Area;
        for (var i = 0; i < parts.Count; i++)
        {
            if (
                s.Outlines[i].IsVoid
                && !Enumerable.Range(0, parts.Count).Any(j => !s.Outlines[j].IsVoid && Shared(i, j) > (1 - 1e-6) * areas[i].Area)
            )
                return ($"outlines/{i}", $"Void {i + 1} does not lie within an outline.");
            for (var j = i + 1; j < parts.Count; j++)
            {
                if (s.Outlines[i].IsVoid == s.Outlines[j].IsVoid && Shared(i, j) > 1e-6 * areas[i].Area)
                    return ($"outlines/{j}", $"Outlines {i + 1} and {j + 1} overlap.");
            }
        }
        return null;
    }

    private static NetTopologySuite.Geometries.Polygon Area(Polygon outline) =>
        GeometryFactory.Default.CreatePolygon([.. outline.Points.Append(outline.Points[0]).Select(p => new Coordinate(p.X, p.Y))]);
}
