using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Geometry;
using Pravik.Core.Roads;

namespace Pravik.Core.Places;

/// <summary>
/// A bearing where it lies: under which girder and span, in which row, its type, its place in plan, and the chain of levels
/// from the road down:
/// road − surfacing − slab − haunch − girder − bearing = seat, the plinth's top; seat − shelf = plinth.
/// </summary>
public sealed record BearingPlace(
    GirderLine Girder,
    SpanIndex Span,
    bool IsAhead,
    BearingType Type,
    Point At,
    double RoadLevel,
    double Surfacing,
    double Slab,
    double Haunch,
    double GirderDepth
)
{
    /// <summary>Fraction of the girder's span at which it lies.</summary>
    public double Fraction { get; init; }

    /// <summary>Directions of length 1: along the girder there, and to its right.</summary>
    public Point Along => Girder.In(Span).Along(Fraction);

    /// <summary>Direction to its right, of length 1.</summary>
    public Point Right => Girder.In(Span).Right(Fraction);

    /// <summary>Level of the girder's soffit.</summary>
    public double Soffit => RoadLevel - Surfacing - Slab - Haunch - GirderDepth;

    /// <summary>Level of the plinth's top.</summary>
    public double Seat => Soffit - Type.Height;
}

/// <summary>A support where it stands: its frame, bearings and levels.</summary>
/// <remarks>
/// Its own axes: u along the axis to the right, v square to it ahead, both from the point of the road line. The shelf is level; it lies
/// the least plinth height below the
/// lowest plinth top, unless its level is given. The underside of the foundation lies the founding depth below the lowest ground under
/// it; where there is no ground
/// it lies a given height below the shelf. Seats in a bank are founded right below their beam, since the bank is made up to it.
/// </remarks>
public sealed class SupportPlace
{
    /// <summary>Girders of both spans that lie further apart than this on a pier have a bearing each (m).</summary>
    private const double Aside = 0.25;
    private readonly Ground? ground;

    /// <param name="geometry">The bridge.</param>
    /// <param name="ground">The ground, or null where none is given.</param>
    /// <param name="axis">The axis at which it stands.</param>
    public SupportPlace(BridgeGeometry geometry, Ground? ground, AxisPlace axis)
    {
        (Geometry, this.ground, Axis) = (geometry, ground, axis);
        Values = geometry.SupportAt(axis);
        Origin = geometry.Road.At(axis.Station);
        Across = Point.Towards(geometry.Road.Azimuth(axis.Station) + Math.PI / 2 + axis.Skew);
        Ahead = Point.Towards(geometry.Road.Azimuth(axis.Station) + axis.Skew);
        Front = axis.Number == geometry.Axes.Length && axis.Number > 1 ? -1 : 1;
        // One row bears the girder ends of both spans, on the lower of them.
        Bearings = Values.Rows == 2 ? [.. PlaceBearings()] : [.. Merged([.. PlaceBearings()])];
        ShelfLevel = Values.Own("shelfLevel") ?? Bearings.Min(b => b.Seat) - Values.Size("leastPlinth");
        var edges = geometry.EdgesOn(axis);
        (LeftEdge, RightEdge) = (Local(geometry.Road.At(edges.Left)).X, Local(geometry.Road.At(edges.Right)).X);
        var girders = Bearings.Select(b => Local(b.At).X).ToList();
        (FirstGirder, LastGirder) = (girders.Min(), girders.Max());
        (Stems, Feet) = ([.. PlaceStems()], []);
        Feet = [.. PlaceFeet()];
        LowestGround =
            ground is null || Feet.IsEmpty
                ? null
                : Feet.SelectMany(Corners)
                    .Select(p => ground.Level(World(p)))
                    .Aggregate(
                        (double?)double.PositiveInfinity,
                        (least, level) => level is null || least is null ? null : Math.Min(least.Value, level.Value)
                    );
        HighestGround = LowestGround is null ? null : Feet.SelectMany(Corners).Max(p => ground!.Level(World(p)));
        FoundingLevel =
            Values.Is("abutment", "piled") ? CapSoffit
            : Values.IsSeat ? CapSoffit - Values.Size("footThickness")
            : Values.Own("foundingLevel")
                ?? (LowestGround is { } lowest ? lowest - Values.Size("foundingDepth") : ShelfLevel - Values.Size("height"));
    }

    /// <summary>The bridge.</summary>
    public BridgeGeometry Geometry { get; }

    /// <summary>Its axis.</summary>
    public AxisPlace Axis { get; }

    /// <summary>Its sizes and choices.</summary>
    public SupportValues Values { get; }

    /// <summary>Where the axis meets the road line.</summary>
    public Point Origin { get; }

    /// <summary>Direction along the axis to the right, of length 1.</summary>
    public Point Across { get; }

    /// <summary>Direction ahead, square to the axis, of length 1.</summary>
    public Point Ahead { get; }

    /// <summary>Towards which side of the axis the bridge lies from an abutment: 1 ahead, −1 back.</summary>
    public int Front { get; }

    /// <summary>Its bearings.</summary>
    public ImmutableArray<BearingPlace> Bearings { get; }

    /// <summary>Level of the shelf on which plinths stand (m).</summary>
    public double ShelfLevel { get; }

    /// <summary>Along the axis: the deck's edges and the outer girders.</summary>
    public double LeftEdge { get; }

    /// <summary>Distance along the axis to the deck's right edge (m).</summary>
    public double RightEdge { get; }

    /// <summary>Distance along the axis to the first girder (m).</summary>
    public double FirstGirder { get; }

    /// <summary>Distance along the axis to the last girder (m).</summary>
    public double LastGirder { get; }

    /// <summary>What stands on the foundation, in plan: columns, wall, or the seat's wall.</summary>
    public ImmutableArray<Stem> Stems { get; }

    /// <summary>The outlines of pads and caps in plan.</summary>
    public ImmutableArray<Foot> Feet { get; }

    /// <summary>Lowest and highest ground under the foundation; null where there is none under all of it.</summary>
    public double? LowestGround { get; }

    /// <summary>Highest ground under it (m); null where none is known.</summary>
    public double? HighestGround { get; }

    /// <summary>Level of the foundation's underside, and of its top.</summary>
    public double FoundingLevel { get; }

    /// <summary>Level of the top of the foundation (m).</summary>
    public double FootTop => Values.IsSeat ? CapSoffit : FoundingLevel + Values.Size("footThickness");

    /// <summary>Underside of the crosshead or seat beam.</summary>
    public double CapSoffit => ShelfLevel - Values.Size(Values.IsAbutment ? "beamDepth" : "capDepth");

    /// <summary>Back face of the seat's shelf and of the back wall, along v.</summary>
    public double BackFace =>
        -Front
        * (
            (Axis.Number == 1 ? Geometry.Units[0].StartOverhang : Geometry.Units[^1].EndOverhang) * Math.Cos(Axis.Skew)
            + Values.Size("backGap")
        );

    /// <summary>A column or wall in plan: the middle of it, its size along u and v, and its outline's kind.</summary>
    public readonly record struct Stem(double U, double V, double Width, double Length, string Shape);

    /// <summary>A pad or cap in plan.</summary>
    public readonly record struct Foot(double From, double To, double Back, double Ahead);

    /// <summary>A point in plan along and square to the axis.</summary>
    public Point Local(Point world) => new((world - Origin).Dot(Across), (world - Origin).Dot(Ahead));

    /// <summary>The point in plan of one along and square to the axis.</summary>
    public Point World(Point local) => Origin + local.X * Across + local.Y * Ahead;

    /// <summary>Spacing of columns along the axis.</summary>
    public double ColumnSpacing =>
        Values.Own("columnSpacing")
        ?? Math.Max((LastGirder - FirstGirder) / Math.Max(1, (int)Values.Size("columns")), Values.Size("columnWidth") + 0.1);

    /// <summary>Piles under a cap: their heads, and their feet where the outer rows are raked.</summary>
    public IEnumerable<(Point Head, Point Foot)> Piles
    {
        get
        {
            if (!Values.HasPiles)
                yield break;
            var foot = Values.Is("abutment", "piled")
                ? new Foot(
                    Stems[0].U - Stems[0].Width / 2,
                    Stems[0].U + Stems[0].Width / 2,
                    Stems[0].V - Stems[0].Length / 2,
                    Stems[0].V + Stems[0].Length / 2
                )
                : Feet[0];
            var (along, across, spacing) = ((int)Values.Size("pilesAlong"), (int)Values.Size("pilesAcross"), PileSpacing);
            for (var i = 0; i < along; i++)
            {
                for (var j = 0; j < across; j++)
                {
                    var head = new Point(
                        (foot.From + foot.To) / 2 + (j - (across - 1) / 2.0) * spacing,
                        (foot.Back + foot.Ahead) / 2 + (i - (along - 1) / 2.0) * spacing
                    );
                    var rake =
                        along == 1 ? 0
                        : i == 0 ? -1
                        : i == along - 1 ? 1
                        : 0;
                    yield return (head, head + new Point(0, rake * Values.Size("pileRake") * Values.Size("pileLength")));
                }
            }
        }
    }

    /// <summary>Distance between piles (m).</summary>
    public double PileSpacing => Values.Own("pileSpacing") ?? 3 * Values.Size("pileDiameter");

    /// <summary>All supports of a bridge.</summary>
    public static ImmutableArray<SupportPlace> All(BridgeGeometry geometry, Ground? ground) =>
        [.. geometry.Axes.Select(a => new SupportPlace(geometry, ground, a))];

    /// <summary>Of girder ends of both spans that meet, the lower one.</summary>
    private static IEnumerable<BearingPlace> Merged(List<BearingPlace> all)
    {
        var behind = all.Where(b => !b.IsAhead).ToList();
        foreach (var ahead in all.Where(b => b.IsAhead))
        {
            var met = behind.FirstOrDefault(b => Point.Distance(b.At, ahead.At) <= Aside);
            if (met is not null)
                behind.Remove(met);
            yield return met is not null && met.Soffit <= ahead.Soffit ? met : ahead;
        }
        foreach (var alone in behind)
            yield return alone;
    }

    private IEnumerable<BearingPlace> PlaceBearings()
    {
        var types = Geometry.Bridge.Bearings;
        foreach (var isAhead in new[] { false, true })
        {
            var span = isAhead ? Axis.Number - 1 : Axis.Number - 2;
            if (span < 0 || span >= Geometry.SpanCount)
                continue;
            foreach (var girder in Geometry.GirdersIn(span))
            {
                var line = Geometry.HaunchOf(girder, span);
                var t = isAhead ? line.From : line.To;
                var at = Geometry.OnGirder(girder, span, t);
                var place = Geometry.Road.Locate(at);
                var section = Geometry.UnitOf(span).Shape.At(place.Station);
                var name = Values.Bearing(girder.Number, isAhead && Values.Rows == 2);
                yield return new(
                    girder,
                    span,
                    isAhead,
                    types.FirstOrDefault(b => b.Name == name) ?? types[0],
                    at,
                    Geometry.Road.Level(place.Station) + section.Surface(place.Offset),
                    section.Surface(place.Offset) - section.SlabTop(place.Offset),
                    section.Thickness(place.Offset) + Geometry.UnitOf(span).Pattern.Slab.Thickening,
                    line.At(t),
                    Geometry.SectionOf(girder, span, t).Depth
                )
                {
                    Fraction = t,
                };
            }
        }
    }

    private IEnumerable<Stem> PlaceStems()
    {
        var middle = (FirstGirder + LastGirder) / 2;
        if (Values.IsAbutment)
        {
            var (left, right) = (LeftEdge - Values.Size("sideMargin"), RightEdge + Values.Size("sideMargin"));
            var (face, thick) = (
                Values.Size("seatFront"),
                Values.Is("abutment", "wall")
                    ? Values.Size("stem")
                    : Math.Abs(BackFace) + Values.Size("backWall") + Values.Size("seatFront")
            );
            yield return new((left + right) / 2, Front * (face - thick / 2), right - left, thick, "rectangular");
        }
        else if (Values.Is("pier", "wall"))
            yield return new(middle, 0, LastGirder - FirstGirder + 2 * Values.Size("capOverhang"), Values.Size("wallThickness"), "obround");
        else
        {
            var (width, shape) = (Values.Size("columnWidth"), Values.Choice("columnShape"));
            var length = shape == "round" ? width : Values.Size("columnLength");
            var count = Values.Is("pier", "hammerhead") ? 1 : (int)Values.Size("columns");
            for (var i = 0; i < count; i++)
                yield return new(middle + (i - (count - 1) / 2.0) * (count == 1 ? 0 : ColumnSpacing), 0, width, length, shape);
        }
    }

    private IEnumerable<Foot> PlaceFeet()
    {
        if (Values.Is("pier", "pileBent") || (!Values.Is("abutment", "piled") && Values.Is("foundation", "shaft")))
        {
            // What goes into the ground itself.
            foreach (var stem in Stems)
                yield return new(stem.U - stem.Width / 2, stem.U + stem.Width / 2, stem.V - stem.Length / 2, stem.V + stem.Length / 2);
            yield break;
        }
        var (margin, half) = (Values.Size("footMargin"), Values.Size("footLength") / 2);
        if (Values.Is("foundation", "combined") || Values.HasPiles || Stems.Length == 1)
            yield return new(
                Stems.Min(s => s.U - s.Width / 2) - margin,
                Stems.Max(s => s.U + s.Width / 2) + margin,
                Stems[0].V - half,
                Stems[0].V + half
            );
        else
            foreach (var stem in Stems)
                yield return new(stem.U - stem.Width / 2 - margin, stem.U + stem.Width / 2 + margin, stem.V - half, stem.V + half);
    }

    private static IEnumerable<Point> Corners(Foot foot) =>
        [
            new(foot.From, foot.Back),
            new(foot.To, foot.Back),
            new(foot.To, foot.Ahead),
            new(foot.From, foot.Ahead),
            new((foot.From + foot.To) / 2, (foot.Back + foot.Ahead) / 2),
        ];
}
