using System.Collections.Immutable;
using Pravik.Core.Geometry;

namespace Pravik.Core.Trusses;

/// <summary>How a joint is held by the site.</summary>
[Flags]
public enum JointHold
{
    /// <summary>Not at all.</summary>
    None = 0,

    /// <summary>Along the opening.</summary>
    Along = 1,

    /// <summary>Upright.</summary>
    Upright = 2,

    /// <summary>Both ways.</summary>
    Both = Along | Upright,
}

/// <summary>A joint that the site gives.</summary>
/// <param name="Id">By which bars name it.</param>
/// <param name="At">Where it lies: along and level (m).</param>
/// <param name="Hold">How it is held.</param>
public sealed record SiteJoint(string Id, Point At, JointHold Hold)
{
    /// <summary>What it is, in words.</summary>
    public string Words =>
        Id[0] switch
        {
            'S' => "springing",
            'P' => "intermediate support",
            'A' => "anchorage",
            _ => "deck",
        };
}

/// <summary>What follows from a site: its joints, the ground as it is dug, widths.</summary>
/// <remarks>
/// Deck joints D0, D1 … lie at road level at equal distances; D0 is held both ways and the last upright, on plain abutments. With
/// springings S1 and S2 carry along and upright, and the ends of the deck are held upright alone. P1 is an intermediate support, A1
/// and A2 are anchorages. Where an intermediate support ends at a deck joint, it holds that joint.
/// </remarks>
public sealed class SitePlaces
{
    /// <summary>Room under the deck at the face of a plain abutment, to which the bank is dug away (m).</summary>
    public const double Seat = 0.6;

    /// <summary>Within this two joints are one (m).</summary>
    public const double Same = 1e-3;

    /// <summary>How far beside a jump the ground is read (m).</summary>
    private const double Beside = 1e-6;

    private readonly TrussSite site;

    /// <summary>The places of a site.</summary>
    public SitePlaces(TrussSite site)
    {
        this.site = site;
        Joints = [.. All()];
        Deck = [.. Joints.Where(j => j.Id[0] == 'D')];
    }

    /// <summary>Joints that the site gives: the deck's from left to right first.</summary>
    public ImmutableArray<SiteJoint> Joints { get; }

    /// <summary>Joints of the deck, from left to right.</summary>
    public ImmutableArray<SiteJoint> Deck { get; }

    /// <summary>Length of a panel (m).</summary>
    public double Panel => site.Opening / site.Panels;

    /// <summary>Width of the deck (m).</summary>
    public double Width => site.Lanes * site.LaneWidth + 2 * site.Kerb;

    /// <summary>Distance of the two planes (m): at the edges of the deck, or 0.6 of its width beneath it.</summary>
    public double PlaneDistance => site.Planes == PlanePlace.Beside ? Width : 0.6 * Width;

    /// <summary>Weight of the deck over its area (N/m²).</summary>
    public double DeckWeight => site.DeckWeight ?? BarCatalogue.Deck(site.Deck)?.Weight ?? 0;

    /// <summary>What reaches one plane of the loads on all lanes: half of them.</summary>
    public double LaneShare => site.Lanes / 2.0;

    /// <summary>Whether an id is one that sites give.</summary>
    public static bool IsReserved(string id) =>
        id is "S1" or "S2" or "P1" or "A1" or "A2" || (id.Length > 1 && id[0] == 'D' && id[1..].All(char.IsAsciiDigit));

    /// <summary>Level of the ground as it was found (m); level beyond its ends.</summary>
    public double GroundAt(double x)
    {
        var ground = site.Ground;
        if (ground.IsEmpty)
            return double.NegativeInfinity;
        if (x <= ground[0].X)
            return ground[0].Z;
        for (var i = 1; i < ground.Length; i++)
        {
            if (x <= ground[i].X)
                return ground[i - 1].Z + (ground[i].Z - ground[i - 1].Z) * (x - ground[i - 1].X) / (ground[i].X - ground[i - 1].X);
        }
        return ground[^1].Z;
    }

    /// <summary>
    /// Level of the ground as it is dug (m): to road level outside the opening; within it below the seats of the deck, or to the
    /// springings.
    /// </summary>
    public double DugAt(double x) => Math.Min(GroundAt(x), IsOutside(x) ? site.Road : site.Road - (site.Springings ?? Seat));

    /// <summary>Places at which the ground bends, with the faces of the abutments and where it is dug.</summary>
    public IEnumerable<double> GroundBends
    {
        get
        {
            List<double> places = [.. site.Ground.Select(g => g.X), 0, site.Opening];
            double[] levels = [site.Road, site.Road - (site.Springings ?? Seat)];
            for (var i = 1; i < site.Ground.Length; i++)
            {
                var (a, b) = (site.Ground[i - 1], site.Ground[i]);
                places.AddRange(levels.Where(l => (a.Z - l) * (b.Z - l) < 0).Select(l => a.X + (b.X - a.X) * (l - a.Z) / (b.Z - a.Z)));
            }
            return places.Distinct().Order();
        }
    }

    /// <summary>The ground as it is dug, just left and just right of every bend: at the faces of abutments it jumps.</summary>
    public IEnumerable<Point> Dug => GroundBends.SelectMany(x => new[] { x - Beside, x + Beside }).Select(x => new Point(x, DugAt(x)));

    /// <summary>Volumes that are dug away and filled up over the width of the deck (m³), within the ground that is given.</summary>
    public (double Dug, double Filled) Earthworks()
    {
        var (dug, filled) = (0.0, 0.0);
        var bends = GroundBends.Where(x => x >= site.Ground[0].X && x <= site.Ground[^1].X).ToList();
        foreach (var (from, to) in bends.Zip(bends.Skip(1)))
        {
            // Straight between bends; the faces of the abutments are jumps, so that both ends are read just within.
            var (a, b) = (from + 1e-9, to - 1e-9);
            dug += (to - from) / 2 * (GroundAt(a) - DugAt(a) + GroundAt(b) - DugAt(b));
            if (IsOutside((a + b) / 2))
                filled += (to - from) / 2 * (Math.Max(0, site.Road - GroundAt(a)) + Math.Max(0, site.Road - GroundAt(b)));
        }
        return (dug * Width, filled * Width);
    }

    private bool IsOutside(double x) => x < 0 || x > site.Opening;

    private IEnumerable<SiteJoint> All()
    {
        var pier = site.Pier;
        var isHeldAlong = site.Springings is null;
        for (var i = 0; i <= site.Panels; i++)
        {
            Point at = new(Panel * i, site.Road);
            var hold =
                i == 0 && isHeldAlong ? JointHold.Both
                : i == 0 || i == site.Panels ? JointHold.Upright
                : JointHold.None;
            if (pier is not null && Point.Distance(at, new(pier.X, pier.Top)) < Same)
                (hold, pier) = (hold | JointHold.Upright, null);
            yield return new($"D{i}", at, hold);
        }
        if (site.Springings is { } depth)
        {
            yield return new("S1", new(0, site.Road - depth), JointHold.Both);
            yield return new("S2", new(site.Opening, site.Road - depth), JointHold.Both);
        }
        if (pier is not null)
            yield return new("P1", new(pier.X, pier.Top), JointHold.Upright);
        if (site.LeftAnchor is { } left)
            yield return new("A1", new(-left, site.Road), JointHold.Both);
        if (site.RightAnchor is { } right)
            yield return new("A2", new(site.Opening + right, site.Road), JointHold.Both);
    }
}
