using Pravik.Core.Geometry;
using Pravik.Core.Units;
using Pravik.Core.Vehicles;

namespace Pravik.Drawings.Views;

/// <summary>A vehicle to scale: from the side with the load of each axle over their distances, and from above with its wheels.</summary>
public sealed class VehicleView
{
    private readonly Vehicle vehicle;
    private readonly UnitSystem units;
    private readonly Canvas canvas;
    private readonly double perMetre;
    private readonly double x0;

    private VehicleView(Vehicle vehicle, UnitSystem units, ViewSize size)
    {
        (this.vehicle, this.units) = (vehicle, units);
        canvas = new(size.Width, size.Height, size.TextHeight);
        // Beside words what is to scale are wheels from the side and all of it from above; short vehicles are not blown up.
        var (wide, high) = (Math.Max(vehicle.Length + 5, 14), 2 * vehicle.HalfWidth + Wheel + 0.4);
        var room = size.Height - Words * size.TextHeight;
        Scale = Math.Max(DrawingScale.Fitting(wide, size.Width - 30), DrawingScale.Fitting(high, room));
        perMetre = 1000.0 / Scale;
        x0 = size.Width / 2 + perMetre * vehicle.Length / 2;
    }

    private int Scale { get; }

    /// <summary>Diameter of a wheel from the side (m).</summary>
    private const double Wheel = 0.8;

    /// <summary>Heights of a line of text that words, arrows and distances take: over the road, and below it.</summary>
    private const double Words = AboveRoad + BelowRoad;
    private const double AboveRoad = 7.2;
    private const double BelowRoad = 5.2;

    /// <summary>Draws it going to the right.</summary>
    public static Drawing Draw(Vehicle vehicle, UnitSystem units, ViewSize size)
    {
        var view = new VehicleView(vehicle, units, size);
        var (text, half) = (size.TextHeight, view.perMetre * vehicle.HalfWidth);
        // What is left over stands above and below.
        var used = Words * text + 2 * half + view.perMetre * (Wheel + 0.4);
        var road = Math.Max(0, (size.Height - used) / 2) + AboveRoad * text + view.perMetre * Wheel;
        view.Side(road);
        view.Above(road + (BelowRoad - 0.6) * text + half);
        var total = units.FormatWithUnit(vehicle.Total, QuantityKind.Force);
        var note = $"{vehicle.Axles.Length} axles, {total} in all, {DrawingScale.Text(view.Scale)}";
        return view.canvas.Finish(vehicle.Name, vehicle.Stretches.IsEmpty ? note : $"{note}, with line loads");
    }

    /// <summary>Places behind the first axle (m), each gap that is sought at its least.</summary>
    private IEnumerable<(Axle Axle, double At)> Axles()
    {
        double at = 0;
        foreach (var axle in vehicle.Axles)
            yield return (axle, at += axle.Gap);
    }

    private double X(double behind) => x0 - perMetre * behind;

    private void Side(double ground)
    {
        var (text, wheel) = (canvas.TextHeight, Math.Max(0.8, Wheel / 2 * perMetre));
        var heaviest = vehicle.Axles.Select(a => a.Load).DefaultIfEmpty(1).Max();
        canvas.Line(new(X(vehicle.Length + 1.5), ground), new(X(-1.5), ground), Pen.Edge);
        foreach (var (axle, at) in Axles())
        {
            var head = ground - 2 * wheel;
            canvas.Circle(new(X(at), ground - wheel), wheel, Pen.Edge, Fill.Sheet);
            canvas.Arrow(new(X(at), head - (1 + 3 * axle.Load / heaviest) * text), new(X(at), head), Pen.Load);
            var words = new Point(X(at), head - (1.4 + 3 * axle.Load / heaviest) * text);
            canvas.Text(words, units.Format(axle.Load, QuantityKind.Force), TextKind.Number, Anchor.Middle, true);
        }
        foreach (var stretch in vehicle.Stretches)
        {
            var (left, right) = (X(stretch.From + stretch.Length), X(stretch.From));
            canvas.Box(left, ground - 2.4 * text, right - left, 2.4 * text, Fill.LaneOne, Pen.Load);
            var words = units.FormatWithUnit(stretch.Load, QuantityKind.LineLoad);
            canvas.Text(new((left + right) / 2, ground - 2.9 * text), words, TextKind.Number, Anchor.Middle, true);
        }
        canvas.Text(new(2, 2 * text), $"Axle loads in {units[QuantityKind.Force].Symbol}, going to the right", TextKind.Soft);
        Distances(ground + 2.6 * text);
    }

    private void Distances(double y)
    {
        List<Point> points = [.. Axles().Select(a => new Point(X(a.At), y)).Reverse()];
        if (points.Count < 2)
            return;
        string Words(Axle axle)
        {
            var least = units.Format(axle.Gap, QuantityKind.Length);
            return axle.MostGap is not { } most ? least
                : double.IsFinite(most) ? $"{least} to {units.Format(most, QuantityKind.Length)}"
                : $"{least} or more";
        }
        canvas.Dimensions(points, [.. vehicle.Axles.Skip(1).Reverse().Select(Words)]);
    }

    private void Above(double middle)
    {
        var (long_, wide) = (Math.Max(0.8, 0.4 * perMetre), Math.Max(0.6, 0.4 * perMetre));
        foreach (var stretch in vehicle.Stretches)
        {
            foreach (var side in WheelTracks.Of(vehicle).Across.Select(a => a * perMetre))
                canvas.Line(new(X(stretch.From), middle + side), new(X(stretch.From + stretch.Length), middle + side), Pen.Load);
        }
        foreach (var (axle, at) in Axles())
        {
            var wheels = vehicle.WheelsOf(axle).Select(a => a * perMetre).ToList();
            canvas.Line(new(X(at), middle + wheels[0]), new(X(at), middle + wheels[^1]), Pen.Edge);
            foreach (var side in wheels)
                canvas.Box(X(at) - long_ / 2, middle + side - wide / 2, long_, wide, Fill.Track, Pen.Load);
        }
        var words = vehicle.Axles.All(a => a.Wheels.IsEmpty)
            ? $"wheels {units.FormatWithUnit(vehicle.WheelSpacing, QuantityKind.Length)} apart"
            : $"wheels over {units.FormatWithUnit(2 * vehicle.HalfWidth, QuantityKind.Length)}";
        canvas.Text(new(X(vehicle.Length) - 3, middle + 0.35 * canvas.TextHeight), words, TextKind.Soft, Anchor.End);
    }
}
