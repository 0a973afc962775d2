using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Roads;

namespace Pravik.Core.Places;

/// <summary>The deck of all units seen from above: its edges, corners, cuts and carriageways, its area and its slab's volume.</summary>
internal sealed class DeckPlan
{
    private readonly BridgeGeometry geometry;
    private readonly Lazy<double> area;
    private readonly Lazy<ImmutableArray<Carriageway>> carriageways;
    private readonly Lazy<ImmutableArray<ParapetLine>> parapets;

    public DeckPlan(BridgeGeometry geometry)
    {
        this.geometry = geometry;
        area = new(() => geometry.Units.Sum(u => u.Integral((_, _) => 1)));
        parapets = new(() => ParapetLine.All(geometry));
        carriageways = new(FindCarriageways);
    }

    /// <summary>
    /// Where traffic may drive anywhere on the bridge, from the left: as typed, or parted by kerbs and restraint systems, of all sections
    /// together.
    /// Where a carriageway narrows this reaches over its kerbs, which is on the safe side. Empty where there is none.
    /// </summary>
    public ImmutableArray<Carriageway> Carriageways => carriageways.Value;

    /// <summary>The carriageways of a unit at a station.</summary>
    public ImmutableArray<Carriageway> CarriagewaysAt(UnitPlace unit, double station) =>
        geometry.Bridge.Traffic.Carriageways.IsEmpty
            ? FoundAt(unit, station)
            : Carriageway.Union(
                geometry.Bridge.Traffic.Carriageways.Select(t => TypedAt(t, unit, station)).Where(c => c.Width >= Carriageway.Least)
            );

    /// <summary>
    /// A typed carriageway at a station of a unit, no further than the deck's edges; of no width where its edges are turned.
    /// </summary>
    public Carriageway TypedAt(TypedCarriageway typed, UnitPlace unit, double station)
    {
        var (left, right) = (unit.Shape.LeftEdge(station), unit.Shape.RightEdge(station));
        double Parapet(int side, double otherwise)
        {
            var faces = parapets.Value.Where(p => p.Unit == unit && p.Side == side && p.Covers(station)).Select(p => p.Face(station));
            return faces.Select(f => (double?)f).MaxBy(f => side * f) ?? otherwise;
        }
        double At(DeckReference of, double offset) =>
            offset
            + of switch
            {
                DeckReference.LeftEdge => left,
                DeckReference.RightEdge => right,
                DeckReference.LeftParapet => Parapet(-1, left),
                DeckReference.RightParapet => Parapet(1, right),
                _ => 0,
            };
        var (from, to) = (At(typed.FromOf, typed.From), At(typed.ToOf, typed.To));
        return new(Math.Clamp(from, left, right), Math.Clamp(to, left, right));
    }

    /// <summary>Carriageways between kerbs and restraint systems.</summary>
    private ImmutableArray<Carriageway> FoundAt(UnitPlace unit, double station)
    {
        List<Restraint> restraints = [];
        foreach (var parapet in parapets.Value.Where(p => p.Unit == unit && p.Covers(station)))
        {
            var (face, back) = (parapet.Face(station), parapet.Face(station) + parapet.Side * parapet.Profile.Width);
            restraints.Add(new(Math.Min(face, back), Math.Max(face, back)));
        }
        return Carriageway.Between(unit.Shape.At(station).Strips, restraints, geometry.Bridge.Basis.Values["kerbHeight"]);
    }

    private ImmutableArray<Carriageway> FindCarriageways() =>
        Carriageway.Union(
            geometry.Units.SelectMany(unit =>
            {
                var ends = parapets.Value.Where(p => p.Unit == unit).SelectMany(p => new[] { p.From + 1e-3, p.To - 1e-3 });
                var stations = unit.Shape.IsConstant ? [unit.Start.Station] : unit.Stations(40);
                return stations.Concat(ends).SelectMany(station => CarriagewaysAt(unit, station));
            })
        );

    /// <summary>Area of the deck in plan, ends cut along the axes and moved out by the overhangs (measured along the road).</summary>
    public double Area => area.Value;

    /// <summary>
    /// Volume of the slab (m³): its thickness over the deck's area, less what inset edges take away, plus thickenings over girders.
    /// </summary>
    public double SlabVolume =>
        geometry.Units.Sum(unit =>
        {
            var slab = unit.Pattern.Slab;
            double EdgeLoss(int boundary)
            {
                var (from, to) = unit.Ends(boundary);
                var at = unit.Shape.At((from + to) / 2);
                // A corner moved sideways by e between neighbours whose levels differ by h takes e·h/2 away.
                var corners = at.SlabCorners.ToList();
                var (edge, next) = boundary == 0 ? (corners[0], corners[1]) : (corners[^1], corners[^2]);
                return slab.EdgeInset
                    * (at.SlabTop(edge) - at.SlabSoffit(next))
                    / 2
                    * geometry.Road.Line.LengthAt(unit.Shape.Boundary(boundary, (from + to) / 2), from, to);
            }
            var loss = slab.EdgeInset == 0 ? 0 : EdgeLoss(0) + EdgeLoss(unit.Shape.Boundaries - 1);
            var over = geometry
                .Pieces.Where(p => unit.Has(p.Span))
                .Sum(p => p.Girder.SpanLength(p.Span) * BridgeGeometry.ThickeningArea(slab));
            return unit.Integral((s, o) => unit.Shape.At(s).Thickness(o)) - loss + over;
        });

    /// <summary>
    /// The deck as a section square to the road at a station cuts it: near skewed ends and joints only a part, or parts of two units.
    /// From left
    /// to right; none beyond the ends.
    /// </summary>
    public ImmutableArray<DeckCut> CutAt(double station)
    {
        var cuts = ImmutableArray.CreateBuilder<DeckCut>();
        foreach (var unit in geometry.Units)
        {
            var section = unit.Shape.At(station);
            var (left, right) = (section.LeftEdge, section.RightEdge);
            Narrow(o => station - (geometry.Meet(unit.Start, _ => o).Station - unit.StartOverhang));
            if (left < right)
                Narrow(o => geometry.Meet(unit.End, _ => o).Station + unit.EndOverhang - station);
            if (right - left > 1e-6)
                cuts.Add(new(unit, section, left, right));

            // Keeps the offsets at which a measure, which runs one way across the deck, is not negative.
            void Narrow(Func<double, double> inside)
            {
                var (atLeft, atRight) = (inside(left), inside(right));
                if (atLeft >= 0 && atRight >= 0)
                    return;
                if (atLeft < 0 && atRight < 0)
                    (left, right) = (0, 0);
                else if (Numerics.Roots.Bisect(inside, left, right) is { } edge)
                {
                    if (atLeft < 0)
                        left = edge;
                    else
                        right = edge;
                }
            }
        }
        return [.. cuts.OrderBy(c => c.From)];
    }

    /// <summary>Offset of an edge at a station, that of the unit which has the edge there.</summary>
    public double Edge(double station, Func<UnitPlace, double> edge) =>
        edge(geometry.Units.Length == 1 ? geometry.Units[0] : geometry.UnitAt(station, edge(geometry.UnitAt(station))));

    /// <summary>The corners of the deck: the end axes, moved out by the overhang, on the left and the right edge.</summary>
    public IEnumerable<(string Name, RoadPlace Place)> Corners()
    {
        foreach (
            var (unit, axis, outward, end) in new[]
            {
                (geometry.Units[0], geometry.Axes[0], -geometry.Units[0].StartOverhang, "first"),
                (geometry.Units[^1], geometry.Axes[^1], geometry.Units[^1].EndOverhang, "last"),
            }
        )
        {
            foreach (var (boundary, side) in new[] { (0, "left"), (unit.Shape.Boundaries - 1, "right") })
            {
                var place = unit.BoundaryOnAxis(axis, boundary);
                yield return ($"{end} {side}", place with { Station = place.Station + outward });
            }
        }
    }

    /// <summary>Where an axis meets the deck's left and right edges: those of the wider unit at a joint.</summary>
    public (RoadPlace Left, RoadPlace Right) EdgesOn(AxisPlace axis)
    {
        var at = geometry
            .Units.Where(u => axis.Number >= u.Start.Number && axis.Number <= u.End.Number)
            .Select(u => u.OnAxis(axis))
            .ToList();
        return (at.MinBy(e => e.Left.Offset).Left, at.MaxBy(e => e.Right.Offset).Right);
    }
}
