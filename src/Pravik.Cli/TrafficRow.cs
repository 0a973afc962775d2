using Pravik.Core.Bridges;
using Pravik.Core.Models;
using Pravik.Core.Traffic;
using Pravik.Core.Units;

namespace Pravik.Cli;

/// <summary>An envelope value as it is printed: where it is, and the loads behind both its sides.</summary>
internal sealed class TrafficRow
{
    private TrafficRow(TrafficEnvelope envelope, string effect, int place)
    {
        (Model, Effect) = (envelope.Model!.Name, effect);
        (Greatest, Least) = (envelope.Greatest[place], envelope.Least[place]);
        (GreatestLoading, LeastLoading) = (
            envelope.Loading(place, true) ?? PlacedTraffic.None,
            envelope.Loading(place, false) ?? PlacedTraffic.None
        );
        Dictionary<string, double> Together(bool isGreatest)
        {
            string[] names = effect == "R" ? ["along", "across", "R", "moveAlong", "moveAcross", "turn"] : ["N", "Vy", "V", "T", "M", "Mz"];
            var values = envelope.Together(place, isGreatest).ToArray();
            return effect == "d" ? [] : names.Zip(values).ToDictionary(n => n.First, n => n.Second);
        }
        (WithGreatest, WithLeast) = (Together(true), Together(false));
    }

    public string Model { get; }
    public string Effect { get; }
    public required int Girder { get; init; }
    public required int Span { get; init; }
    public int? Axis { get; init; }
    public required double At { get; init; }
    public required double Station { get; init; }
    public double Greatest { get; }
    public double Least { get; }
    public PlacedTraffic GreatestLoading { get; }
    public PlacedTraffic LeastLoading { get; }
    private Dictionary<string, double> WithGreatest { get; }
    private Dictionary<string, double> WithLeast { get; }

    /// <summary>Rows of an envelope: the points of girders, or for no effect of theirs the bearings.</summary>
    public static IEnumerable<TrafficRow> All(
        TrafficEnvelope envelope,
        TrafficTarget target,
        string name,
        GirderEffect? effect,
        GirderIndex? girder
    )
    {
        var (layout, geometry) = (target.Layout, target.Geometry);
        for (var p = 0; p < layout.Points.Length && effect is not null; p++)
        {
            var point = layout.Points[p];
            if (!target.Effects.Stands(point) || (girder is not null && point.Girder != girder))
                continue;
            yield return new(envelope, name, layout.At(p, effect.Value))
            {
                Girder = point.Girder + 1,
                Span = point.Span + 1,
                At = point.Fraction,
                Station = point.Station,
            };
        }
        for (var s = 0; s < layout.Seats.Length && effect is null; s++)
        {
            var seat = layout.Seats[s];
            if (girder is not null && seat.Girder != girder)
                continue;
            // A bearing stands at the beginning of the span ahead, the last ones at the end of the last span.
            var isLast = seat.Axis == geometry.SpanCount;
            yield return new(envelope, name, layout.AtSeat(s) + 2)
            {
                Girder = seat.Girder + 1,
                Span = isLast ? geometry.SpanCount : seat.Axis + 1,
                At = isLast ? 1 : 0,
                Axis = seat.Axis + 1,
                Station = geometry.Axes[seat.Axis].Station,
            };
        }
    }

    public QuantityKind Kind =>
        Effect switch
        {
            "M" or "T" => QuantityKind.Moment,
            "d" => QuantityKind.Size,
            _ => QuantityKind.Force,
        };

    public object ToJson() =>
        new
        {
            model = Model,
            girder = Girder,
            span = Span,
            at = At,
            axis = Axis,
            station = Station,
            effect = Effect,
            greatest = Greatest,
            least = Least,
            greatestLoading = Json(GreatestLoading, WithGreatest),
            leastLoading = Json(LeastLoading, WithLeast),
        };

    private static object Json(PlacedTraffic placed, Dictionary<string, double> together) =>
        new
        {
            presence = placed.Presence,
            rest = placed.Rest,
            lanes = placed.Lanes.Select(lane => new
            {
                lane = lane.Kind,
                from = lane.From,
                width = lane.Width,
                load = lane.Load.Name,
                factor = lane.Load.Factor,
                dynamic = lane.Load.Dynamic,
                area = lane.Load.Area,
                strip = lane.Strip is { } s
                    ? new
                    {
                        from = s.From,
                        width = s.Width,
                        load = s.Load,
                    }
                    : null,
                vehicle = lane.Vehicle is { } v ? Json(v, lane.Offset) : null,
            }),
            together,
        };

    private static object Json(PlacedVehicle vehicle, double offset) =>
        new
        {
            first = double.IsNaN(vehicle.First) ? (double?)null : vehicle.First,
            direction = vehicle.Direction > 0 ? "ahead" : "back",
            offset,
            axles = vehicle.Axles.Select(a => new { station = a.Station, load = a.Load }),
            lines = vehicle.Lines.Select(l => new
            {
                from = l.From,
                to = l.To,
                load = l.Load,
            }),
        };

    /// <summary>The loaded lanes in a line of words.</summary>
    public static string Words(PlacedTraffic placed, UnitSystem units)
    {
        var lanes = placed.Lanes.Select(l =>
            l.Vehicle is { } v && !double.IsNaN(v.First)
                ? $"{l.Load.Name} at {units.Format(v.First, QuantityKind.Length)}{(v.Direction < 0 ? " going back" : "")}"
                : l.Load.Name
        );
        var factor = placed.Presence == 1 ? "" : $"{QuantityText.Fixed(placed.Presence, 2)} × ";
        return placed.Lanes.IsEmpty ? "" : $"{factor}{string.Join("; ", lanes)}";
    }
}
