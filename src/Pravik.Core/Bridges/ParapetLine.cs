using System.Collections.Immutable;
using Pravik.Core.Geometry;

namespace Pravik.Core.Bridges;

/// <summary>A parapet on one side, where it stands.</summary>
public sealed class ParapetLine
{
    private readonly BridgeGeometry geometry;
    private readonly Parapet parapet;
    private readonly int boundary;

    private ParapetLine(BridgeGeometry geometry, int index, ParapetProfile profile, int side)
    {
        (this.geometry, Index, parapet, Profile, Side) = (geometry, index, geometry.Bridge.Parapets[index], profile, side);
        var deck = geometry.Bridge.Deck;
        var strips = side < 0 ? deck.Left.Length : deck.Right.Length;
        boundary = deck.Left.Length + side * Math.Min(parapet.Boundary ?? strips, strips);
        var overhang = deck.EndOverhang;
        From = parapet.From ?? geometry.Meet(geometry.Axes[0], Face).Station - overhang;
        To = parapet.To ?? geometry.Meet(geometry.Axes[^1], Face).Station + overhang;
        Weight = parapet.Weight ?? profile.Weight ?? profile.Outlines.Sum(o => o.Moments().Area) * geometry.Bridge.Loads.ConcreteWeight + profile.Width * parapet.ExtraDepth * geometry.Bridge.Loads.ConcreteWeight;
    }

    /// <summary>Number of the parapet in the bridge (from 0), and the side: −1 left, +1 right.</summary>
    public int Index { get; }
    public int Side { get; }
    public ParapetProfile Profile { get; }
    public double From { get; }
    public double To { get; }

    /// <summary>Weight per metre (N/m).</summary>
    public double Weight { get; }

    public string Path => $"/parapets/{Index}";

    /// <summary>Length of the traffic face, along its own offset (m).</summary>
    public double Length
    {
        get
        {
            const int Steps = 200;
            double sum = 0;
            for (var i = 0; i < Steps; i++)
            {
                var (a, b) = (From + (To - From) * i / Steps, From + (To - From) * (i + 1) / Steps);
                var (ahead, across) = (geometry.Road.Line.LengthAt(Face((a + b) / 2), a, b), Face(b) - Face(a));
                sum += Math.Sqrt(ahead * ahead + across * across);
            }
            return sum;
        }
    }

    /// <summary>All parapets of a bridge, one for each side that each stands on. Profiles that are not known are left out; validation refuses them.</summary>
    public static ImmutableArray<ParapetLine> All(BridgeGeometry geometry) =>
    [
        .. geometry.Bridge.Parapets.SelectMany((parapet, index) => ParapetProfile.Of(parapet) is { } profile
            ? (parapet.Side switch { ParapetSide.Left => new[] { -1 }, ParapetSide.Right => [1], _ => [-1, 1] }).Select(side => new ParapetLine(geometry, index, profile, side))
            : []),
    ];

    public bool Covers(double station) => station >= From - 1e-9 && station <= To + 1e-9;

    /// <summary>Offset of the traffic face at a station.</summary>
    public double Face(double station) => geometry.Deck.Boundary(boundary, station) + Side * parapet.Across;

    /// <summary>Offset at which the weight acts.</summary>
    public double Centre(double station) => Face(station) + Side * Profile.Centre;

    /// <summary>
    /// Outlines at a station as offset and level relative to the road line. The foot (points at height 0) follows the deck's surface; all else is
    /// measured from the surface at the traffic face, upright or square to the crossfall there.
    /// </summary>
    public ImmutableArray<ImmutableArray<Point>> Outlines(double station) => [.. Profile.Outlines.Select(o => Place(o, station))];

    /// <summary>One outline of the profile, or of its posts, at a station.</summary>
    public ImmutableArray<Point> Place(Polygon outline, double station)
    {
        var section = geometry.Deck.At(station);
        var face = Face(station);
        var foot = section.Surface(face) + parapet.Rise;
        var slope = parapet.SquareToDeck ? Math.Atan(section.SlopeAt(face)) : 0;
        var (sin, cos) = Math.SinCos(slope);
        return [.. outline.Points.Select(p =>
        {
            var (across, up) = (Side * p.X, p.Y);
            if (up <= 0) return new Point(face + across, section.Surface(face + across) + parapet.Rise + up - parapet.ExtraDepth);
            return new Point(face + across * cos - up * sin, foot + across * sin + up * cos);
        })];
    }
}
