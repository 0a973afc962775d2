using Pravik.Core.Bridges;
using Pravik.Core.Effects;
using Pravik.Core.Models;
using Pravik.Core.Places;
using Pravik.Core.Stages;

namespace Pravik.Core.Tests.Analysis.Stages;

/// <summary>Sums that the tests read from results.</summary>
internal static class Reading
{
    /// <summary>Reactions up at all seats, or at some.</summary>
    public static double Up(this ActionResult c, Func<SeatPlace, bool>? which = null) => Seats(c, which).Sum(s => s.Up);

    public static IEnumerable<SeatForces> Seats(this ActionResult c, Func<SeatPlace, bool>? which = null)
    {
        var seats = c.Effects.Layout.Seats;
        return Enumerable.Range(0, seats.Length).Where(i => which?.Invoke(seats[i]) ?? true).Select(i => c.Effects.Seat(i));
    }

    public static IEnumerable<SectionForces> AllForces(this ActionResult c) =>
        Enumerable.Range(0, c.Effects.Layout.Points.Length).Select(c.Effects.Forces);

    /// <summary>Moment over the pier of a sum of cases by kind.</summary>
    public static double Sum(this ModelResults results, Core.Codes.ActionKind kind, int point) =>
        results.Cases.Where(c => c.Kind == kind).Sum(c => c.Effects.Forces(point).M);

    /// <summary>From the axes to where a girder bears while it stands alone, at the start and at the end of a span (m).</summary>
    public static (double Start, double End) Insets(BridgeGeometry geometry, GirderLine girder, int span)
    {
        var (layout, length) = (geometry.LayoutOf(span), girder.SpanLength(span));
        double Bearing(int axis) =>
            SupportPlace.All(geometry, null)[axis].Bearings.FirstOrDefault(b => b.Girder == girder && b.Span == span)?.Fraction
            ?? double.NaN;
        double Distance(double fraction, bool start) =>
            double.IsNaN(fraction) ? 0
            : start ? fraction * length
            : (1 - fraction) * length;
        return (Math.Max(layout.StartGap, Distance(Bearing(span), true)), Math.Max(layout.EndGap, Distance(Bearing(span + 1), false)));
    }

    /// <summary>The same bridge whose girders bear on the axes from the first.</summary>
    public static Bridge OnAxes(Bridge bridge) =>
        bridge with
        {
            Girders = bridge.Girders with { EndGap = 0 },
            Supports = Enumerable
                .Range(1, bridge.Axes.Spans.Length + 1)
                .Aggregate(
                    bridge.Supports,
                    (all, axis) =>
                    {
                        var own = all.GetValueOrDefault($"{axis}") ?? new();
                        return all.SetItem($"{axis}", own with { Sizes = own.Sizes.SetItem("bearingDistance", 0) });
                    }
                ),
        };
}
