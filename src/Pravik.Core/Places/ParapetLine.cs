using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Geometry;
using Pravik.Core.Roads;

namespace Pravik.Core.Places;

/// <summary>A parapet on one side, where it stands.</summary>
public sealed class ParapetLine
{
    private readonly BridgeGeometry geometry;
    private readonly Parapet parapet;
    private readonly int boundary;
    private readonly FeatureLine? line;
    private readonly (double From, double To) loads;

    private ParapetLine(BridgeGeometry geometry, UnitPlace unit, int index, ParapetProfile profile, int side)
    {
        (this.geometry, Unit, Index, parapet, Profile, Side) = (geometry, unit, index, geometry.Bridge.Parapets[index], profile, side);
        var strips = side < 0 ? unit.Pattern.Left.Length : unit.Pattern.Right.Length;
        boundary = unit.Shape.RoadBoundary + side * Math.Min(parapet.Boundary ?? strips, strips);
        line = parapet.Line is { } name ? geometry.Road.Features.FirstOrDefault(f => f.Name == name) : null;
        var (from, to) = unit.Ends(Face);
        From = Math.Max(from, parapet.From ?? from);
        To = Math.Min(to, parapet.To ?? to);
        loads = (From > from ? From : double.NegativeInfinity, To < to ? To : double.PositiveInfinity);
        Weight =
            parapet.Weight
            ?? profile.Weight
            ?? profile.Outlines.Sum(o => o.Moments().Area) * geometry.Bridge.Loads.ConcreteWeight
                + profile.Width * parapet.ExtraDepth * geometry.Bridge.Loads.ConcreteWeight;
    }

    /// <summary>Number of the parapet in the bridge (from 0), and the side: −1 left, +1 right.</summary>
    public int Index { get; }

    /// <summary>The unit of the deck on which it stands; a parapet is parted where the deck is.</summary>
    public UnitPlace Unit { get; }

    /// <summary>−1 on the left, +1 on the right.</summary>
    public int Side { get; }

    /// <summary>Its profile.</summary>
    public ParapetProfile Profile { get; }

    /// <summary>Station where it begins (m).</summary>
    public double From { get; }

    /// <summary>Station where it ends (m).</summary>
    public double To { get; }

    /// <summary>Weight per metre (N/m).</summary>
    public double Weight { get; }

    /// <summary>Force of a vehicle that hits it, across (N); 0 for none.</summary>
    public double Impact => parapet.Impact ?? 0;

    /// <summary>Path of the parapet in the document.</summary>
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

    /// <summary>
    /// All parapets of a bridge, one for each side and unit that each stands on. Profiles that are not known are left out; validation
    /// refuses them.
    /// </summary>
    public static ImmutableArray<ParapetLine> All(BridgeGeometry geometry) =>
        [
            .. geometry.Bridge.Parapets.SelectMany(
                (parapet, index) =>
                    ParapetProfile.Of(geometry.Bridge, parapet) is { } profile
                        ? (
                            parapet.Side switch
                            {
                                ParapetSide.Left => new[] { -1 },
                                ParapetSide.Right => [1],
                                _ => [-1, 1],
                            }
                        )
                            .SelectMany(side => geometry.Units.Select(unit => new ParapetLine(geometry, unit, index, profile, side)))
                            .Where(line => line.To - line.From > 1e-6)
                        : []
            ),
        ];

    /// <summary>
    /// Whether its weight acts at a station. Loads are counted from axis to axis, so a parapet that runs to the end of the deck counts
    /// to the axis, be
    /// it beyond that end or before it.
    /// </summary>
    public bool Loads(double station) => station >= loads.From - 1e-9 && station <= loads.To + 1e-9;

    /// <summary>Whether it stands at a station.</summary>
    public bool Covers(double station) => station >= From - 1e-9 && station <= To + 1e-9;

    /// <summary>Offset of the traffic face at a station.</summary>
    public double Face(double station) => (line?.OffsetAt(station) ?? Unit.Shape.Boundary(boundary, station)) + Side * parapet.Across;

    /// <summary>Offset at which the weight acts.</summary>
    public double Centre(double station) => Face(station) + Side * Profile.Centre;

    /// <summary>
    /// Outlines at a station as offset and level relative to the road line. The foot (points at height 0) follows the deck's surface;
    /// all else is
    /// measured from the surface at the traffic face, upright or square to the crossfall there.
    /// </summary>
    public ImmutableArray<ImmutableArray<Point>> Outlines(double station) => [.. Profile.Outlines.Select(o => Place(o, station))];

    /// <summary>One outline of the profile, or of its posts, at a station.</summary>
    public ImmutableArray<Point> Place(Polygon outline, double station)
    {
        var section = Unit.Shape.At(station);
        var face = Face(station);
        var foot = section.Surface(face) + parapet.Rise;
        var slope = parapet.SquareToDeck ? Math.Atan(section.SlopeAt(face)) : 0;
        var (sin, cos) = Math.SinCos(slope);
        return
        [
            .. outline.Points.Select(p =>
            {
                var (across, up) = (Side * p.X, p.Y);
                if (up <= 0)
                    return new Point(face + across, section.Surface(face + across) + parapet.Rise + up - parapet.ExtraDepth);
                return new Point(face + across * cos - up * sin, foot + across * sin + up * cos);
            }),
        ];
    }
}
