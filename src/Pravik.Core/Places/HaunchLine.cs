using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Geometry;

namespace Pravik.Core.Places;

/// <summary>
/// The concrete between a girder's top and the slab's soffit along one span, and with it the level of the girder.
/// </summary>
/// <remarks>
/// The girder's top is the straight line between its bearings plus the camber that is left when the road is finished, c·4t(1 − t), c
/// being the camber when the slab is
/// cast less the deflection that follows. The haunch over both bearings, on the girder's centre line, is equal and as small as lets the
/// least haunch anywhere
/// over the flange be the wanted one: h₀ = h_least + max(line(t) + c·4t(1 − t) − soffit(t, y)), line running between the soffit's
/// levels at the bearings. An own
/// value for a girder takes the place of h₀. Points of the flange are those of its edges, its middle and the soffit's corners; the
/// greatest value is found to 1e-6 m.
/// </remarks>
public sealed class HaunchLine
{
    private const int Samples = 12;
    private readonly BridgeGeometry geometry;
    private readonly GirderLine girder;
    private readonly SpanIndex span;
    private readonly double half;
    private readonly double atStart;
    private readonly double atEnd;
    private readonly double highest;
    private readonly DepthLaw? law;

    internal HaunchLine(BridgeGeometry geometry, GirderLine girder, SpanIndex span)
    {
        (this.geometry, this.girder, this.span) = (geometry, girder, span);
        var line = girder.In(span);
        half = geometry.SectionOf(girder, span).TopWidth / 2;
        (From, To) = (
            geometry.SupportAt(geometry.Axes[span]).BearingDistance / line.Length,
            1 - geometry.SupportAt(geometry.Axes[span + 1]).BearingDistance / line.Length
        );
        var rule = geometry.TypeOf(girder, span);
        Own = geometry.Bridge.Girders.Own.GetValueOrDefault(Key(girder.Number, span)) ?? new();
        law = geometry.LayoutOf(span).Depth;
        SlabDeflection = WetSlabDeflection.Of(geometry, girder, span);
        CastingCamber = Own.Camber ?? rule.Camber ?? SlabDeflection + rule.LaterDeflection;
        Camber = CastingCamber - SlabDeflection - rule.LaterDeflection;
        (atStart, atEnd) = (SoffitAt(From).Level(0), SoffitAt(To).Level(0));
        highest = Highest();
        OverBearings = Own.Haunch ?? geometry.Bridge.Deck.Haunch + highest;
    }

    /// <summary>Under which name the bridge keeps a girder's own values in a span.</summary>
    public static string Key(int number, SpanIndex span) => $"{number}-{span + 1}";

    /// <summary>What the girder has of its own.</summary>
    public GirderOwn Own { get; }

    /// <summary>Fractions of the span at which the girder bears.</summary>
    public double From { get; }

    /// <summary>Fraction of the span at which the girder bears at its end.</summary>
    public double To { get; }

    /// <summary>Deflection of the bare girder half way under the wet slab (m, downward).</summary>
    public double SlabDeflection { get; }

    /// <summary>Camber half way when the slab is cast, and what is left of it when the road is finished (m, upward).</summary>
    public double CastingCamber { get; }

    /// <summary>What is left of the camber when the road is finished (m, upward).</summary>
    public double Camber { get; }

    /// <summary>Haunch on the centre line over both bearings (m).</summary>
    public double OverBearings { get; }

    /// <summary>Level of the girder's top on its centre line at fraction t of the span.</summary>
    public double Top(double t) => Line(t) - OverBearings - Drop(t);

    /// <summary>Level of the girder's soffit.</summary>
    public double Bottom(double t) => Top(t) - geometry.SectionOf(girder, span, t).Depth;

    /// <summary>Haunch at fraction t of the span and a distance to the right of the centre line, at most half the flange.</summary>
    public double At(double t, double right = 0) => SoffitAt(t).Level(right) - Top(t);

    /// <summary>The haunch on the centre line in tenth points of the span.</summary>
    public ImmutableArray<double> Tenths => [.. Enumerable.Range(0, 11).Select(i => At(i / 10.0))];

    /// <summary>Least and greatest haunch over the flange.</summary>
    public double Least => OverBearings - highest;

    /// <summary>The greatest haunch over the flange (m).</summary>
    public double Greatest =>
        Enumerable.Range(0, Samples + 1).Select(i => From + (To - From) * i / Samples).Max(t => SoffitAt(t).Flange.Max(p => p.Y) - Top(t));

    /// <summary>
    /// Concrete in the haunch between the axes (m³): straight between the points of the flange, by Gauss's rule along it.
    /// </summary>
    public double Volume
    {
        get
        {
            var rule = Numerics.GaussLegendre.Five;
            double sum = 0;
            for (var i = 0; i < rule.At.Length; i++)
            {
                var (flange, top) = (SoffitAt(rule.At[i]).Flange, Top(rule.At[i]));
                sum += rule.Weight[i] * flange.Zip(flange.Skip(1), (a, b) => (b.X - a.X) * ((a.Y + b.Y) / 2 - top)).Sum();
            }
            return sum * girder.SpanLength(span);
        }
    }

    /// <summary>
    /// How far the top lies below that of the deepest place, where the soffit keeps straight and the top follows the depth.
    /// </summary>
    private double Drop(double t) => law is { SoffitStraight: true } ? law.Greatest - law.At(t, geometry.Bridge.Axes.Spans[span]) : 0;

    private double Line(double t)
    {
        var u = (t - From) / (To - From);
        return atStart + u * (atEnd - atStart) + 4 * Camber * u * (1 - u);
    }

    /// <summary>
    /// The soffit over the flange: its level at a distance to the right of the centre line, and its points from left to right.
    /// </summary>
    private readonly record struct SoffitCut(Func<double, double> Level, List<Point> Flange);

    /// <summary>
    /// The slab's soffit, its thickening over girders taken off, over the flange. Within a flange's width the road is taken as straight
    /// and the crossfall
    /// as constant, which moves a point by less than its square over the road's radius.
    /// </summary>
    private SoffitCut SoffitAt(double t)
    {
        var place = geometry.Road.Locate(geometry.OnGirder(girder, span, t));
        var across = girder.In(span).Right(t);
        var ahead = Point.Towards(geometry.Road.Azimuth(place.Station));
        var (along, outward) = (across.Dot(ahead), across.Dot(new(ahead.Y, -ahead.X)));
        var (section, thickening) = (geometry.UnitOf(span).Shape.At(place.Station), geometry.UnitOf(span).Pattern.Slab.Thickening);
        double Level(double right) =>
            geometry.Road.Level(place.Station + right * along) + section.SlabSoffit(place.Offset + right * outward) - thickening;
        List<double> places = [-half, 0, half];
        foreach (var corner in section.SlabCorners)
        {
            var right = (corner - place.Offset) / outward;
            if (Math.Abs(right) > 1e-9 && Math.Abs(right) < half - 1e-9)
                places.Add(right);
        }
        places.Sort();
        return new(Level, places.ConvertAll(right => new Point(right, Level(right))));
    }

    /// <summary>How far the line at the soffit's own level over the bearings rises above the soffit, at most.</summary>
    private double Highest()
    {
        double Over(double t) => Line(t) - Drop(t) - SoffitAt(t).Flange.Min(p => p.Y);
        var step = (To - From) / Samples;
        var samples = Enumerable.Range(0, Samples + 1).Select(i => Over(From + i * step)).ToList();
        var best = samples.IndexOf(samples.Max());
        var (low, high) = (From + Math.Max(0, best - 1) * step, From + Math.Min(Samples, best + 1) * step);
        // Golden section: the function is smooth or has one corner between neighbouring samples.
        var ratio = (Math.Sqrt(5) - 1) / 2;
        var (a, b) = (high - ratio * (high - low), low + ratio * (high - low));
        var (atA, atB, most) = (Over(a), Over(b), samples[best]);
        while (high - low > 1e-3)
        {
            most = Math.Max(most, Math.Max(atA, atB));
            if (atA > atB)
            {
                (high, b, atB) = (b, a, atA);
                a = high - ratio * (high - low);
                atA = Over(a);
            }
            else
            {
                (low, a, atA) = (a, b, atB);
                b = low + ratio * (high - low);
                atB = Over(b);
            }
        }
        return Math.Max(most, Math.Max(atA, atB));
    }
}
