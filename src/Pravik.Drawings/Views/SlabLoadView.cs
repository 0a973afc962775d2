using Pravik.Core.Geometry;
using Pravik.Core.Slabs;
using Pravik.Core.Units;

namespace Pravik.Drawings.Views;

/// <summary>
/// The slab of a span, laid level, with the wheels that are worst for a place of it and a mark there; across as a <see cref="Diagram"/>
/// below it.
/// </summary>
public static class SlabLoadView
{
    /// <summary>How high a wheel is drawn, and how far girders are seen below the slab (m).</summary>
    private const double Tyre = 0.8;
    private const double Below = 0.35;

    /// <summary>Draws wheels on the slab.</summary>
    /// <param name="slab">The slab.</param>
    /// <param name="units">Units of what is written.</param>
    /// <param name="size">Room.</param>
    /// <param name="axles">Where axles stand, of one traffic model; none where others govern.</param>
    /// <param name="offset">The place (m from the road line).</param>
    public static Drawing Draw(SlabAcross slab, UnitSystem units, ViewSize size, IReadOnlyList<SlabAxle> axles, double offset)
    {
        var (cut, section) = (slab.Cut, slab.Cut.Section);
        var canvas = new Canvas(size.Width, size.Height, size.TextHeight);
        var words = 4.4 * size.TextHeight;
        var across = (size.Width - DiagramView.Left - DiagramView.Right) / section.Width;
        var high = section.Strips.Max(s => s.MeanFill) + Tyre;
        var deep = section.SlabCorners.Max(section.Thickness) + Below;
        var up = Math.Min(across, (size.Height - words - size.TextHeight) / (high + deep));
        Point At(double at, double above) => new(DiagramView.Left + across * (at - section.LeftEdge), words + up * (high - above));
        void Box(double from, double to, double low, double top, Fill fill) =>
            canvas.Box(At(from, top).X, At(from, top).Y, across * (to - from), up * (top - low), fill, Pen.Edge);

        foreach (var girder in cut.Girders)
            Box(girder.Left, girder.Right, -section.Thickness(girder.At) - Below, -section.Thickness(girder.At), Fill.Precast);
        var corners = section.SlabCorners.ToList();
        canvas.Area(
            [.. corners.Select(c => At(c, 0)), .. corners.AsEnumerable().Reverse().Select(c => At(c, -section.Thickness(c)))],
            Fill.Concrete,
            Pen.Cut
        );
        foreach (var strip in section.Strips.Where(s => s.MeanFill > 0))
            Box(strip.From, strip.To, 0, strip.MeanFill, Fill.Surfacing);
        var wheels = axles.SelectMany(a => SlabTraffic.WheelsOf(a).Select(at => (At: at, Axle: a))).OrderBy(w => w.At).ToList();
        for (var i = 0; i < wheels.Count; i++)
        {
            var ((at, axle), half) = (wheels[i], SlabTraffic.Across(wheels[i].Axle) / 2);
            var foot = section.Surface(at) - section.SlabTop(at);
            Box(at - half, at + half, foot, foot + Tyre, Fill.LaneOne);
            var top = At(at, foot + Tyre);
            canvas.Arrow(new(top.X, top.Y - 1.8 * canvas.TextHeight), new(top.X, top.Y - 0.2 * canvas.TextHeight), Pen.Load);
            // What stands close together is written on two lines in turn.
            var force = units.FormatWithUnit(axle.Wheel, QuantityKind.Force);
            var text = axle.Axles > 1 ? $"{axle.Axles} × {force}" : force;
            canvas.Text(new(top.X, top.Y - (2.2 + i % 2 * 1.3) * canvas.TextHeight), text, TextKind.Number, Anchor.Middle, true);
        }
        var (above, below) = (At(offset, 0), At(offset, -section.Thickness(offset)));
        canvas.Line(new(above.X, above.Y - 1), new(below.X, below.Y + 1.5), Pen.Active);
        return canvas.Finish("Wheels behind it", axles.Count == 0 ? "none behind this" : $"{axles[0].Model}, level");
    }
}
