using Pravik.Core.Bridges;
using Pravik.Core.Roads;

namespace Pravik.Core.Places;

/// <summary>A unit of the deck where it lies: between which axes, how far beyond them, and with which cross-section.</summary>
public sealed class UnitPlace
{
    private readonly BridgeGeometry geometry;

    internal UnitPlace(BridgeGeometry geometry, int number, AxisPlace start, AxisPlace end, double kerbHeight)
    {
        (this.geometry, Number, Start, End) = (geometry, number, start, end);
        var deck = geometry.Bridge.Deck;
        Own = deck.Units.GetValueOrDefault(Key) ?? new();
        // A pattern that is not there is refused by validation.
        PatternIndex = Own.Pattern is { } named ? Math.Max(0, deck.Patterns.Select(p => p.Name).ToList().IndexOf(named)) : 0;
        Pattern = Own.Applied(deck.Patterns[PatternIndex]);
        Shape = new(Pattern, number, PatternIndex, geometry.Road, [.. geometry.Axes.Select(a => a.Station)], kerbHeight);
        StartOverhang = Own.StartOverhang ?? (start == geometry.Axes[0] ? deck.EndOverhang : -deck.JointGap / 2);
        EndOverhang = Own.EndOverhang ?? (end == geometry.Axes[^1] ? deck.EndOverhang : -deck.JointGap / 2);
    }

    /// <summary>Number from 1.</summary>
    public int Number { get; }

    /// <summary>Under which name the bridge keeps its own values: the number of its first axis.</summary>
    public string Key => $"{Start.Number}";

    /// <summary>Name of the unit.</summary>
    public string Name => Own.Name ?? $"Unit {Number}";

    /// <summary>What it has of its own.</summary>
    public DeckUnit Own { get; }

    /// <summary>The road line.</summary>
    public RoadLine Road => geometry.Road;

    /// <summary>The axis at which it begins.</summary>
    public AxisPlace Start { get; }

    /// <summary>The axis at which it ends.</summary>
    public AxisPlace End { get; }

    /// <summary>
    /// How far the deck reaches back beyond the first axis and ahead beyond the last, along the road (m); negative where it stops
    /// short.
    /// </summary>
    public double StartOverhang { get; }

    /// <summary>How far it reaches beyond its last axis (m).</summary>
    public double EndOverhang { get; }

    /// <summary>Place of its pattern in the list.</summary>
    public int PatternIndex { get; }

    /// <summary>The cross-section, own values put in.</summary>
    public DeckPattern Pattern { get; }

    /// <summary>Its cross-section along the road.</summary>
    public DeckShape Shape { get; }

    /// <summary>Its first and last span.</summary>
    public SpanIndex FirstSpan => Start.Number - 1;

    /// <summary>Its last span.</summary>
    public SpanIndex LastSpan => End.Number - 2;

    /// <summary>Number of its spans.</summary>
    public int SpanCount => LastSpan - FirstSpan + 1;

    /// <summary>Stations from its first axis to its last, in equal steps.</summary>
    public IEnumerable<double> Stations(int pieces) =>
        Enumerable.Range(0, pieces + 1).Select(i => Start.Station + i * (End.Station - Start.Station) / pieces);

    /// <summary>Whether a span belongs to it.</summary>
    public bool Has(SpanIndex span) => span >= FirstSpan && span <= LastSpan;

    /// <summary>Stations between which the deck lies along a line that is given by its offset at every station.</summary>
    public (double From, double To) Ends(Func<double, double> offsetAt) =>
        (geometry.Meet(Start, offsetAt).Station - StartOverhang, geometry.Meet(End, offsetAt).Station + EndOverhang);

    /// <summary>The same along a boundary of its strips.</summary>
    public (double From, double To) Ends(int boundary) => Ends(s => Shape.Boundary(boundary, s));

    /// <summary>Where one of the bridge's axes meets a boundary of its strips, numbered from the left edge.</summary>
    public RoadPlace BoundaryOnAxis(AxisPlace axis, int boundary) => geometry.Meet(axis, s => Shape.Boundary(boundary, s));

    /// <summary>Where an axis meets its left and right edges.</summary>
    public (RoadPlace Left, RoadPlace Right) OnAxis(AxisPlace axis) =>
        (BoundaryOnAxis(axis, 0), BoundaryOnAxis(axis, Shape.Boundaries - 1));

    /// <summary>
    /// ∫∫ f(station, offset) dA over its deck in plan: ∫∫ f·(1 − κ·o) ds do, by Gauss's rule across each strip and Simpson's along it.
    /// Strips are
    /// parted where the soffit has a corner, as it is half way along, and lengths where a table has an entry.
    /// </summary>
    public double Integral(Func<double, double, double> f)
    {
        const double LongestPiece = 6;
        var rule = Numerics.GaussLegendre.Five;
        var (road, middle) = (geometry.Road, (Start.Station + End.Station) / 2);
        var (corners, breaks) = (Shape.At(middle).SlabCorners.ToList(), Shape.Breaks.Distinct().Order().ToList());
        double sum = 0;
        for (var b = 0; b + 1 < Shape.Boundaries; b++)
        {
            var (left, right) = (Shape.Boundary(b, middle), Shape.Boundary(b + 1, middle));
            List<double> parts =
            [
                0,
                .. corners.Where(o => o > left + 1e-9 && o < right - 1e-9).Select(o => (o - left) / (right - left)),
                1,
            ];
            foreach (var (low, high) in parts.Zip(parts.Skip(1)))
            {
                for (var i = 0; i < rule.At.Length; i++)
                {
                    var t = low + rule.At[i] * (high - low);
                    double Offset(double s) => Shape.Within(b, t, s);
                    var (from, to) = Ends(Offset);
                    List<double> ends = [from, .. breaks.Where(s => s > from + 1e-6 && s < to - 1e-6), to];
                    var pieces = ends.Zip(ends.Skip(1))
                        .SelectMany(e =>
                        {
                            var count = Shape.IsConstant ? 1 : (int)Math.Ceiling((e.Second - e.First) / LongestPiece);
                            return Enumerable
                                .Range(0, count)
                                .Select(k =>
                                    (e.First + k * (e.Second - e.First) / count, e.First + (k + 1) * (e.Second - e.First) / count)
                                );
                        });
                    foreach (var (a, c) in pieces)
                    {
                        var curvature = (road.Azimuth(c) - road.Azimuth(a)) / (c - a);
                        double At(double s) =>
                            (Shape.Boundary(b + 1, s) - Shape.Boundary(b, s)) * (1 - curvature * Offset(s)) * f(s, Offset(s));
                        sum += (high - low) * rule.Weight[i] * (c - a) * (At(a) + 4 * At((a + c) / 2) + At(c)) / 6;
                    }
                }
            }
        }
        return sum;
    }
}

/// <summary>A part of a section square to the road: what is there of a unit, between two offsets.</summary>
public sealed record DeckCut(UnitPlace Unit, DeckSection Section, double From, double To);
