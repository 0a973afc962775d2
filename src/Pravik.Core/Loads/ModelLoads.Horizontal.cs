using System.Collections.Immutable;
using Pravik.Core.Codes;
using Pravik.Core.Frames;
using Pravik.Core.Geometry;
using Pravik.Core.Models;
using Pravik.Core.Places;
using Pravik.Core.Vehicles;

namespace Pravik.Core.Loads;

// Braking and wind.
public sealed partial class ModelLoads
{
    /// <summary>
    /// Braking ahead on a unit of the deck: a force along the road at its surface, even over the unit and shared by the girders, for the
    /// length of that unit (EN 1991-2 4.4.1(2)).
    /// </summary>
    public FrameCase Braking(BridgeModel model, UnitPlace unit)
    {
        return Along(model, "Braking ahead", unit, BrakingOn(geometry, unit), 0);
    }

    /// <summary>Braking force on a unit (N): that of its length, or its part of the one entered for the whole bridge.</summary>
    public static double BrakingOn(BridgeGeometry geometry, UnitPlace unit)
    {
        var length = unit.End.Station - unit.Start.Station;
        var basis = geometry.Bridge.Basis;
        if (geometry.Bridge.Actions.Braking is { } own)
            return own * length / (geometry.LastStation - geometry.FirstStation);
        if (basis.Standard == Standard.Eurocode)
            return TrafficForces.Braking(length, basis.Values);
        var usual = TrafficModels.Usual(basis.Standard, basis.Values);
        var lanes = geometry.CarriagewaysAt(unit, unit.Start.Station).Sum(c => DesignLanes.On(c.Width, usual.LaneWidth).Count);
        return TrafficForces.BrakingOf(usual, length, lanes);
    }

    /// <summary>
    /// A force across the road at a row of the mesh (N, to the right positive), so far below the road, shared by the girders' joints.
    /// </summary>
    public FrameCase Across(BridgeModel model, string name, int row, double force, double below)
    {
        var (nodal, count) = (ImmutableArray.CreateBuilder<NodalLoad>(), mesh.GirderLines.Length);
        for (var g = 0; g < count; g++)
            nodal.Add(At(model, g, row, force / count * Direction(row, -Math.PI / 2), below));
        return new(name) { Nodal = nodal.ToImmutable() };
    }

    /// <summary>A force across the road, even along each span (N/m, to the right positive), so far below the road.</summary>
    public FrameCase Across(BridgeModel model, string name, Func<int, double> perMetre, double below) =>
        Spread(model, name, perMetre, line => Direction(line, -Math.PI / 2), _ => below);

    /// <summary>A force along the road, even on a unit (N, ahead positive), so far below the road.</summary>
    public FrameCase Along(BridgeModel model, string name, UnitPlace unit, double force, double below)
    {
        var length = Enumerable.Range(unit.FirstSpan, unit.SpanCount).Sum(Length);
        return Spread(model, name, span => unit.Has(span) ? force / length : 0, line => Direction(line, 0), _ => below);
    }

    private NodalLoad At(BridgeModel model, int girder, int line, Point3 force, double below)
    {
        var node = mesh.OfGirder(girder, line);
        var arm = new Point3(0, 0, RoadLevel(line) - below - model.Frame.Nodes[node].At.Z);
        return new(node, force, arm.Cross(force));
    }

    /// <summary>Wind from the left on the deck, half way up the area that it meets.</summary>
    public FrameCase Wind(BridgeModel model, DeckWind wind, WindOn on) =>
        Spread(
            model,
            "Wind from the left",
            span => wind.Of(span, on).Across,
            line => Direction(line, -Math.PI / 2),
            span => wind.Of(span, on).Below
        );

    /// <summary>Wind lifting the deck, a quarter of its width left (−1) or right (+1) of its middle.</summary>
    public DeckLoads Lift(DeckWind wind, int side, WindOn on)
    {
        var loads = new DeckLoads(mesh);
        foreach (var unit in geometry.Units)
        {
            double Offset(double station)
            {
                var (left, right) = (unit.Shape.LeftEdge(station), unit.Shape.RightEdge(station));
                return (left + right) / 2 + side * (right - left) / 4;
            }
            double Up(double station) => wind.Of(geometry.SpanAt(station), on).Lift;
            loads.Spread(DeckLine.Along(mesh, geometry, Offset, unit), s => -Up(s));
        }
        return loads;
    }

    /// <summary>Length of a span on which horizontal forces lie: the mean of its girders.</summary>
    private double Length(int span) => geometry.Girders.Average(g => g.SpanLength(span));

    private double RoadLevel(int line) =>
        geometry.Road.Level(Math.Clamp(mesh.Nodes[mesh.OfGirder(0, line)].Station, geometry.Road.StartStation, geometry.Road.EndStation));

    private Point3 Direction(int line, double turn)
    {
        var angle = mesh.Nodes[mesh.OfGirder(mesh.GirderLines.Length / 2, line)].Direction + turn;
        return new(Math.Cos(angle), Math.Sin(angle), 0);
    }

    /// <summary>
    /// A horizontal force per metre, so far below the road, shared evenly by the girders' joints, with the moment about them that comes
    /// from the level.
    /// </summary>
    private FrameCase Spread(
        BridgeModel model,
        string name,
        Func<int, double> perMetre,
        Func<int, Point3> direction,
        Func<int, double> below
    )
    {
        var nodal = ImmutableArray.CreateBuilder<NodalLoad>();
        var count = mesh.GirderLines.Length;
        for (var span = 0; span < mesh.Spans.Length; span++)
        {
            var (first, last) = mesh.Spans[span];
            var (load, level) = (perMetre(span), below(span));
            if (load == 0)
                continue;
            for (var line = first; line <= last; line++)
            {
                var behind = line == first ? 0 : mesh.PartOf(span, line - 1);
                var ahead = line == last ? 0 : mesh.PartOf(span, line);
                var force = Length(span) * (behind + ahead) / 2 / count * load * direction(line);
                for (var g = 0; g < count; g++)
                    nodal.Add(At(model, g, line, force, level));
            }
        }
        return new(name) { Nodal = nodal.ToImmutable() };
    }
}
