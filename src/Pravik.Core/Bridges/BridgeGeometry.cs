using System.Collections.Immutable;
using Pravik.Core.Geometry;
using Pravik.Core.Roads;

namespace Pravik.Core.Bridges;

/// <summary>A support axis: its number from 1, name, station, skew (rad) and kind.</summary>
public sealed record AxisPlace(int Number, string Name, double Station, double Skew, AxisKind Kind);

/// <summary>A girder line: its number from the left, its offset at the axes, and its point on each axis.</summary>
public sealed record GirderLine(int Number, double Offset, ImmutableArray<Point> AtAxes)
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
        Section = new(bridge.Deck, NationalValues.For(bridge.Basis)["kerbHeight"]);
        Axes = [.. PlaceAxes(bridge.Axes)];
        var girders = bridge.Girders;
        var first = Section.LeftEdge + girders.OverhangLeft;
        var last = Section.RightEdge - (girders.OverhangRight ?? girders.OverhangLeft);
        Spacing = girders.Count > 1 ? (last - first) / (girders.Count - 1) : 0;
        Girders = [.. Enumerable.Range(0, girders.Count).Select(i => Line(i + 1, girders.Count == 1 ? first : first + i * Spacing))];
    }

    public Bridge Bridge { get; }
    public RoadLine Road { get; }
    public DeckSection Section { get; }
    public ImmutableArray<AxisPlace> Axes { get; }
    public ImmutableArray<GirderLine> Girders { get; }

    /// <summary>Spacing of girders square to the road; 0 for a single girder.</summary>
    public double Spacing { get; }

    public int SpanCount => Axes.Length - 1;
    public double FirstStation => Axes[0].Station;
    public double LastStation => Axes[^1].Station;
    public Titles Titles => Bridge.Basis.Titles;

    /// <summary>
    /// The point of an axis that lies at a square offset from the road. The axis passes through the road at its station with
    /// azimuth = road azimuth + 90° + skew; on a straight road that is station s₀ − o·tan(skew). On an arc it is found by Newton's
    /// method along the axis, to 1e-12 m.
    /// </summary>
    public Point OnAxis(AxisPlace axis, double offset)
    {
        var direction = Point.Towards(Road.Azimuth(axis.Station) + Math.PI / 2 + axis.Skew);
        var origin = Road.At(axis.Station);
        var along = offset / Math.Cos(axis.Skew);
        for (var i = 0; i < 30; i++)
        {
            var error = offset - Road.Locate(origin + along * direction).Offset;
            if (Math.Abs(error) < 1e-12) break;
            along += error / Math.Cos(axis.Skew);
        }
        return origin + along * direction;
    }

    /// <summary>Station at which an axis has the given square offset.</summary>
    public double StationOnAxis(AxisPlace axis, double offset) => Road.Locate(OnAxis(axis, offset)).Station;

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
    public double WetSlabWidth(GirderLine girder)
    {
        var left = girder.Number == 1 ? girder.Offset - Section.LeftEdge : Spacing / 2;
        var right = girder.Number == Girders.Length ? Section.RightEdge - girder.Offset : Spacing / 2;
        return left + right;
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

    private GirderLine Line(int number, double offset) => new(number, offset, [.. Axes.Select(axis => OnAxis(axis, offset))]);
}
