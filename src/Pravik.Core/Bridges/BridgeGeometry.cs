using System.Collections.Immutable;
using Pravik.Core.Geometry;
using Pravik.Core.Roads;

namespace Pravik.Core.Bridges;

/// <summary>A support axis: its number from 1, name, station, skew (rad) and kind.</summary>
public sealed record AxisPlace(int Number, string Name, double Station, double Skew, AxisKind Kind);

/// <summary>A girder line: its number from the left, its offset at each axis, and its point there.</summary>
public sealed record GirderLine(int Number, ImmutableArray<double> Offsets, ImmutableArray<Point> AtAxes)
{
    public string Name => $"G{Number}";

    /// <summary>Distance between the axes of a span (from 0), along the straight girder.</summary>
    public double SpanLength(int span) => Point.Distance(AtAxes[span], AtAxes[span + 1]);
}

/// <summary>Where everything is. A pure function of a valid bridge.</summary>
public sealed class BridgeGeometry
{
    public BridgeGeometry(Bridge bridge)
    {
        Bridge = bridge;
        Road = new(bridge.Road);
        Axes = [.. PlaceAxes(bridge.Axes)];
        Deck = new(bridge.Deck, Road.Crossfalls, [.. Axes.Select(a => a.Station)], NationalValues.For(bridge.Basis)["kerbHeight"]);
        Girders = [.. Enumerable.Range(1, bridge.Girders.Count).Select(Line)];
    }

    public Bridge Bridge { get; }
    public RoadLine Road { get; }
    public DeckShape Deck { get; }
    public ImmutableArray<AxisPlace> Axes { get; }
    public ImmutableArray<GirderLine> Girders { get; }

    public int SpanCount => Axes.Length - 1;
    public double FirstStation => Axes[0].Station;
    public double LastStation => Axes[^1].Station;
    /// <summary>Stations from the first axis to the last, in equal steps.</summary>
    public IEnumerable<double> Stations(int pieces) => Enumerable.Range(0, pieces + 1).Select(i => FirstStation + i * (LastStation - FirstStation) / pieces);

    /// <summary>
    /// Where traffic may drive anywhere on the bridge. Where the carriageway narrows this reaches over its kerbs, which is on the safe side;
    /// null where there is none.
    /// </summary>
    public CarriagewayPart? WidestCarriageway
    {
        get
        {
            var parts = (Deck.HasConstantWidths ? [FirstStation] : Stations(40)).Select(s => Deck.At(s).Carriageway).OfType<CarriagewayPart>().ToList();
            return parts.Count == 0 ? null : new(parts.Min(p => p.From), parts.Max(p => p.To));
        }
    }

    /// <summary>
    /// Area of the deck in plan, ends cut along the end axes and moved out by the overhang (measured along the road): ∫∫ (1 − κ·o) ds do, by
    /// Gauss's rule across each strip and Simpson's along it.
    /// </summary>
    public double DeckArea
    {
        get
        {
            var rule = Numerics.GaussLegendre.Ten;
            double area = 0;
            for (var b = 0; b + 1 < Deck.Boundaries; b++)
            {
                for (var i = 0; i < rule.At.Length; i++)
                {
                    var t = rule.At[i];
                    double Offset(double s) => Deck.Within(b, t, s);
                    var (from, to) = (Meet(Axes[0], Offset).Station - Bridge.Deck.EndOverhang, Meet(Axes[^1], Offset).Station + Bridge.Deck.EndOverhang);
                    var pieces = Deck.HasConstantWidths ? 1 : 64;
                    for (var k = 0; k < pieces; k++)
                    {
                        var (a, c) = (from + k * (to - from) / pieces, from + (k + 1) * (to - from) / pieces);
                        var curvature = (Road.Azimuth(c) - Road.Azimuth(a)) / (c - a);
                        double Strip(double s) => (Deck.Boundary(b + 1, s) - Deck.Boundary(b, s)) * (1 - curvature * Offset(s));
                        area += rule.Weight[i] * (c - a) * (Strip(a) + 4 * Strip((a + c) / 2) + Strip(c)) / 6;
                    }
                }
            }
            return area;
        }
    }

    public Titles Titles => Bridge.Basis.Titles;

    /// <summary>
    /// Where an axis meets a line along the bridge that is given by its offset at every station, to 1e-12 m. The axis passes through the road at
    /// its station with azimuth = road azimuth + 90° + skew; on a straight road it has the offset o at station s₀ − o·tan(skew).
    /// </summary>
    public RoadPlace Meet(AxisPlace axis, Func<double, double> offsetAt)
    {
        var direction = Point.Towards(Road.Azimuth(axis.Station) + Math.PI / 2 + axis.Skew);
        var origin = Road.At(axis.Station);
        var along = offsetAt(axis.Station) / Math.Cos(axis.Skew);
        var place = Road.Locate(origin + along * direction);
        for (var i = 0; i < 60; i++)
        {
            var error = offsetAt(place.Station) - place.Offset;
            if (Math.Abs(error) < 1e-12) break;
            along += error / Math.Cos(axis.Skew);
            place = Road.Locate(origin + along * direction);
        }
        return place;
    }

    /// <summary>The corners of the deck: the end axes, moved out by the overhang, on the left and the right edge.</summary>
    public IEnumerable<(string Name, RoadPlace Place)> Corners()
    {
        foreach (var (axis, outward, end) in new[] { (Axes[0], -1, "first"), (Axes[^1], 1, "last") })
        {
            foreach (var (boundary, side) in new[] { (0, "left"), (Deck.Boundaries - 1, "right") })
            {
                var place = BoundaryOnAxis(axis, boundary);
                yield return ($"{end} {side}", place with { Station = place.Station + outward * Bridge.Deck.EndOverhang });
            }
        }
    }

    /// <summary>Where an axis meets a boundary of the deck's strips, numbered from the left edge.</summary>
    public RoadPlace BoundaryOnAxis(AxisPlace axis, int boundary) => Meet(axis, s => Deck.Boundary(boundary, s));

    /// <summary>A point on a girder at fraction t of a span (0 at its first axis). Girders are straight between axes.</summary>
    public Point OnGirder(GirderLine girder, int span, double t) => Point.Between(girder.AtAxes[span], girder.AtAxes[span + 1], t);

    /// <summary>
    /// Offset of a girder where the section square to the road at a station cuts it; null before its first axis and beyond its last.
    /// </summary>
    public double? GirderOffsetAt(GirderLine girder, double station)
    {
        for (var span = 0; span < SpanCount; span++)
        {
            double Station(double t) => Road.Locate(OnGirder(girder, span, t)).Station;
            if (station < Station(0) - 1e-9 || station > Station(1) + 1e-9) continue;
            var t = Numerics.Roots.Bisect(t => Station(t) - station, 0, 1) ?? (Math.Abs(Station(0) - station) < 1e-6 ? 0 : 1);
            return Road.Locate(OnGirder(girder, span, t)).Offset;
        }
        return null;
    }

    /// <summary>The span (from 0) in which a station of the road line lies; the first or last beyond the ends.</summary>
    public int SpanAt(double station)
    {
        for (var i = 0; i < SpanCount - 1; i++)
        {
            if (station < Axes[i + 1].Station) return i;
        }
        return SpanCount - 1;
    }

    /// <summary>Width of slab that each girder carries while it is wet: half the spacing on each side, or the overhang.</summary>
    public double WetSlabWidth(GirderLine girder, int span)
    {
        var (left, right) = SlabShares(girder, span);
        return left + right;
    }

    /// <summary>
    /// Width of slab left and right of a girder that is its own: half the distance to the next girder, or the whole overhang. Taken half
    /// way along the span, which is the mean where the deck widens.
    /// </summary>
    public (double Left, double Right) SlabShares(GirderLine girder, int span)
    {
        var place = Road.Locate(OnGirder(girder, span, 0.5));
        var offset = (girder.Offsets[span] + girder.Offsets[span + 1]) / 2;
        double Gap(GirderLine other) => Math.Abs((other.Offsets[span] + other.Offsets[span + 1]) / 2 - offset) / 2;
        return (girder.Number == 1 ? offset - Deck.LeftEdge(place.Station) : Gap(Girders[girder.Number - 2]), girder.Number == Girders.Length ? Deck.RightEdge(place.Station) - offset : Gap(Girders[girder.Number]));
    }

    /// <summary>Spacing of girders square to the road at a station; 0 for a single girder.</summary>
    public double SpacingAt(double station)
    {
        var girders = Bridge.Girders;
        return girders.Count == 1 ? 0 : (Deck.RightEdge(station) - Deck.LeftEdge(station) - girders.OverhangLeft - (girders.OverhangRight ?? girders.OverhangLeft)) / (girders.Count - 1);
    }

    private IEnumerable<AxisPlace> PlaceAxes(Axes axes)
    {
        var station = axes.FirstStation;
        for (var number = 1; number <= axes.Spans.Length + 1; number++)
        {
            if (number > 1) station += axes.Spans[number - 2];
            var own = axes.Own.GetValueOrDefault($"{number}");
            var skew = own?.Azimuth is { } azimuth ? Math.IEEERemainder(azimuth - Road.Azimuth(station) - Math.PI / 2, Math.PI) : own?.Skew ?? axes.Skew;
            var kind = own?.Kind ?? (number == 1 || number > axes.Spans.Length ? AxisKind.Abutment : AxisKind.Pier);
            yield return new(number, own?.Name ?? $"{number}", station, skew, kind);
        }
    }

    /// <summary>A girder line, equally spaced with the others between the overhangs at every axis: where the deck widens, girders splay.</summary>
    private GirderLine Line(int number)
    {
        var places = Axes.Select(axis => Meet(axis, s => Deck.LeftEdge(s) + Bridge.Girders.OverhangLeft + (number - 1) * SpacingAt(s))).ToList();
        return new(number, [.. places.Select(p => p.Offset)], [.. places.Select(Road.At)]);
    }
}
