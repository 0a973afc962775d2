using Pravik.Core.Places;
using Pravik.Core.Traffic;
using Pravik.Core.Units;

namespace Pravik.Cli;

/// <summary>An envelope value as it is printed: where it is, and the loads behind both its sides.</summary>
internal sealed class TrafficRow
{
    public TrafficRow(string model, string effect, SurveyedEffect of, BridgeGeometry geometry)
    {
        (Model, Effect, Of) = (model, effect, of);
        if (of.Point is { } point)
            (Girder, Span, At, Station) = (point.Girder + 1, point.Span + 1, point.Fraction, point.Station);
        else
        {
            // A bearing stands at the beginning of the span ahead, the last ones at the end of the last span.
            var (seat, isLast) = (of.Seat!, of.Seat!.Axis == geometry.SpanCount);
            (Girder, Span, At) = (seat.Girder + 1, isLast ? geometry.SpanCount : seat.Axis + 1, isLast ? 1 : 0);
            (Axis, Station) = (seat.Axis + 1, geometry.Axes[seat.Axis].Station);
        }
    }

    public string Model { get; }
    public string Effect { get; }
    public SurveyedEffect Of { get; }
    public int Girder { get; }
    public int Span { get; }
    public int? Axis { get; }
    public double At { get; }
    public double Station { get; }

    public QuantityKind Kind =>
        Of.Effect switch
        {
            SurveyEffect.M or SurveyEffect.T => QuantityKind.Moment,
            SurveyEffect.D => QuantityKind.Size,
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
            greatest = Of.Greatest.Value,
            least = Of.Least.Value,
            greatestLoading = Json(Of.Greatest),
            leastLoading = Json(Of.Least),
        };

    private static object Json(PlacedTraffic placed) =>
        new
        {
            presence = placed.Presence,
            rest = placed.Rest,
            lanes = placed.Lanes.Select(lane => new
            {
                lane = lane.Kind,
                from = lane.From,
                width = lane.Width,
                load = lane.Load,
                factor = lane.Factor,
                dynamic = lane.Dynamic,
                area = lane.Area,
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
            together = placed.Together.ToDictionary(t => t.Key == SurveyEffect.D ? "d" : $"{t.Key}", t => t.Value),
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
                ? $"{l.Load} at {units.Format(v.First, QuantityKind.Length)}{(v.Direction < 0 ? " going back" : "")}"
                : l.Load
        );
        var factor = placed.Presence == 1 ? "" : $"{QuantityText.Fixed(placed.Presence, 2)} × ";
        return placed.Lanes.IsEmpty ? "" : $"{factor}{string.Join("; ", lanes)}";
    }
}
