using Pravik.Core.Bridges;
using Pravik.Core.Codes;
using Pravik.Core.Loads;
using Pravik.Core.Models;
using Pravik.Core.Places;
using Pravik.Core.Stages;
using Pravik.Core.Traffic;
using Pravik.Core.Vehicles;

namespace Pravik.Core.Effects;

/// <summary>
/// Horizontal forces of traffic beside braking of road traffic: centrifugal forces on a curve, and what trains do along and across their
/// tracks. Single forces stand at the ends and in the middle of every span.
/// </summary>
internal sealed class TrafficForceCases(BridgeGeometry geometry, BridgeModel model, ModelLoads loads)
{
    private readonly Bridge bridge = geometry.Bridge;

    public IEnumerable<SolvedModels.Wanted> All =>
        bridge.Basis.Standard == Standard.Lrfd || Trains.Count == 0 ? Centrifugal() : [.. Centrifugal(), .. OfTrains()];

    /// <summary>Names of the trains that go here.</summary>
    private HashSet<string> Trains => [.. TrafficPlan.Chosen(bridge).Where(m => m.Role == TrafficRole.Rail).Select(m => m.Name)];

    /// <summary>Rows at which single forces stand, with a place in words.</summary>
    private IEnumerable<(int Span, int Row, string Words)> Places()
    {
        for (var span = 0; span < model.Mesh.Spans.Length; span++)
        {
            var (first, last) = model.Mesh.Spans[span];
            var unit = geometry.UnitOf(span);
            if (span == unit.FirstSpan)
                yield return (span, first, $"at axis {geometry.Axes[span].Name}");
            yield return (span, (first + last) / 2, $"in span {span + 1}");
            var isEnd = span == unit.FirstSpan + unit.SpanCount - 1 && span + 1 < geometry.SpanCount;
            yield return (span, last, $"at axis {geometry.Axes[span + 1].Name}{(isEnd ? ", before its joint" : "")}");
        }
    }

    /// <summary>Curvature at a row (1/m), positive turning right.</summary>
    private double CurvatureAt(int row) => geometry.Road.Line.Curvature(model.Mesh.Nodes[model.Mesh.OfGirder(0, row)].Station);

    private IEnumerable<SolvedModels.Wanted> Centrifugal()
    {
        foreach (var (span, row, words) in Places())
        {
            var curvature = CurvatureAt(row);
            var (force, below) = CentrifugalOn(geometry, geometry.UnitOf(span), curvature);
            if (force == 0)
                continue;
            var name = $"Centrifugal force {words}";
            yield return new(
                new($"centrifugal{row}"),
                name,
                ActionKind.Centrifugal,
                loads.Across(model, name, row, -Math.Sign(curvature) * force, below)
            );
        }
    }

    /// <summary>Centrifugal force of road traffic on a unit (N), and how far below the road it acts (m).</summary>
    public static (double Force, double Below) CentrifugalOn(BridgeGeometry geometry, UnitPlace unit, double curvature)
    {
        var (basis, carriageways) = (geometry.Bridge.Basis, geometry.CarriagewaysAt(unit, unit.Start.Station));
        var usual = TrafficModels.Usual(basis.Standard, basis.Values);
        if (curvature == 0 || carriageways.Length == 0)
            return (0, 0);
        var middle = (carriageways[0].From + carriageways[^1].To) / 2;
        // The middle of the carriageways lies on another radius than the road line.
        var radius = Math.Abs(1 / curvature - middle);
        var lanes = carriageways.Sum(c => LanePositions.On(c.Width, usual).Count);
        if (basis.Standard == Standard.Eurocode)
            return (TrafficForces.Centrifugal(radius, TrafficForces.Tandems(basis.Values, lanes)), 0);
        return geometry.Bridge.Traffic.Speed is { } speed
            ? (TrafficForces.LrfdCentrifugalFactor(radius, speed) * TrafficForces.AxlesOf(usual, lanes), -TrafficForces.LrfdHeight)
            : (0, 0);
    }

    private IEnumerable<SolvedModels.Wanted> OfTrains()
    {
        var rail = bridge.Traffic.Rail;
        var isHeavy = Trains.Contains("SW/2");
        var tracks = Math.Max(1, rail.Tracks.Length);
        foreach (var unit in geometry.Units)
        {
            var length = unit.End.Station - unit.Start.Station;
            var name = geometry.Units.Length == 1 ? "Traction and braking of trains" : $"Traction and braking of trains, {unit.Name}";
            var force = TrafficForces.AlongTracks(length, tracks, rail.Alpha, isHeavy);
            yield return new(
                new($"trainAlong{unit.Number}"),
                name,
                ActionKind.TrainAlong,
                loads.Along(model, name, unit, force, -rail.Level)
            );
        }
        foreach (var (_, row, words) in Places())
        {
            var name = $"Nosing {words}";
            yield return new(
                new($"nosing{row}"),
                name,
                ActionKind.Nosing,
                loads.Across(model, name, row, TrafficForces.Nosing(rail.Alpha), -rail.Level)
            );
        }
        if (rail.Speed is { } speed)
        {
            foreach (var wanted in CentrifugalOfTrains(speed, tracks))
                yield return wanted;
        }
    }

    /// <summary>
    /// Centrifugal forces of trains: even on each unit, as if all of it were loaded, and what four axles of load model 71 have beyond that
    /// at a place. From three tracks on 0.75 of them counts.
    /// </summary>
    private IEnumerable<SolvedModels.Wanted> CentrifugalOfTrains(double speed, int tracks)
    {
        const double kN = 1000;
        var (alpha, below) = (bridge.Traffic.Rail.Alpha, -bridge.Traffic.Rail.Level - TrafficForces.TrainHeight);
        var counted = tracks * (tracks > 2 ? 0.75 : 1);
        // The axles of load model 71 over 6.4 m, less the 80 kN/m that is counted there.
        var axles = Trains.Contains("LM71") ? alpha * (1000 - 6.4 * 80) * kN : 0;
        double PerMetre(int span)
        {
            var (first, last) = model.Mesh.Spans[span];
            var curvature = CurvatureAt((first + last) / 2);
            if (curvature == 0)
                return 0;
            var (usual, heavy) = (Usual(span, curvature), TrafficForces.HeavyCentrifugalFactor(1 / Math.Abs(curvature), speed));
            double[] each =
            [
                Trains.Contains("LM71") ? alpha * 80 * kN * usual : 0,
                Trains.Contains("SW/0") ? alpha * 133 * kN * usual : 0,
                Trains.Contains("SW/2") ? 150 * kN * heavy : 0,
                Trains.Contains("unloaded train") ? 10 * kN * usual : 0,
            ];
            return -Math.Sign(curvature) * counted * each.Max();
        }
        double Usual(int span, double curvature) =>
            TrafficForces.TrainCentrifugalFactor(1 / Math.Abs(curvature), speed, bridge.Axes.Spans[span]);

        foreach (var unit in geometry.Units)
        {
            if (Enumerable.Range(unit.FirstSpan, unit.SpanCount).All(s => PerMetre(s) == 0))
                continue;
            var name = geometry.Units.Length == 1 ? "Centrifugal force of trains" : $"Centrifugal force of trains, {unit.Name}";
            yield return new(
                new($"trainCentrifugal{unit.Number}"),
                name,
                ActionKind.TrainCentrifugal,
                loads.Across(model, name, span => unit.Has(span) ? PerMetre(span) : 0, below)
            );
        }
        foreach (var (span, row, words) in Places())
        {
            var curvature = CurvatureAt(row);
            if (curvature == 0 || axles == 0)
                continue;
            var name = $"Centrifugal force of axles {words}";
            var force = -Math.Sign(curvature) * counted * axles * Usual(span, curvature);
            yield return new(
                new($"trainCentrifugalAt{row}"),
                name,
                ActionKind.TrainCentrifugalAt,
                loads.Across(model, name, row, force, below)
            );
        }
    }
}
