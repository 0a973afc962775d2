using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Places;
using Pravik.Core.Quantities;
using Pravik.Core.Units;

namespace Pravik.Drawings.Views;

/// <summary>
/// A steel girder from the side: its plates with their sizes from splice to splice, stiffeners, frames and zones of studs, heights drawn
/// larger and thicknesses of flanges larger still.
/// </summary>
public sealed class PlateElevation
{
    private const double Left = 19;
    private const double Right = 8;
    private const double Thicker = 2.5;
    private readonly BridgeGeometry geometry;
    private readonly GirderLine girder;
    private readonly ImmutableArray<PlateRun> runs;
    private readonly Canvas canvas;
    private readonly UnitSystem units;
    private readonly double k;
    private readonly double up;
    private readonly double foot;

    private PlateElevation(BridgeGeometry geometry, GirderLine girder, UnitSystem units, ViewSize size)
    {
        (this.geometry, this.girder, this.units) = (geometry, girder, units);
        runs = PlateRun.Of(geometry, girder);
        canvas = new(size.Width, size.Height, size.TextHeight);
        k = (size.Width - Left - Right) / (geometry.LastStation - geometry.FirstStation);
        var deepest = runs.Max(r => r.Plates.Depth);
        up = Math.Min((size.Height - 15 * size.TextHeight) / deepest, 25 * k);
        foot = (size.Height + up * deepest) / 2;
    }

    /// <summary>Draws a girder of steel.</summary>
    /// <param name="geometry">The bridge.</param>
    /// <param name="girder">The girder.</param>
    /// <param name="units">Units of what is written.</param>
    /// <param name="size">Room.</param>
    /// <param name="station">Where the cursor stands (m).</param>
    public static Drawing Draw(BridgeGeometry geometry, GirderLine girder, UnitSystem units, ViewSize size, double station)
    {
        var view = new PlateElevation(geometry, girder, units, size);
        foreach (var axis in geometry.Axes)
        {
            var x = view.X(axis.Station);
            view.canvas.Line(new(x, 2.2 * size.TextHeight), new(x, size.Height - 4), Pen.Axis);
            view.canvas.AxisBubble(new(x, 2.2 * size.TextHeight + 1), axis.Name);
        }
        foreach (var run in view.runs)
            view.Plates(run);
        view.Upright();
        view.Studs();
        view.canvas.Line(new(view.X(station), 4), new(view.X(station), size.Height - 3), Pen.Active);
        var note = FormattableString.Invariant($"heights × {view.up / view.k:0.#}, flanges × {Thicker} more");
        return view.canvas.Finish($"{girder.Name}, plates", note, new(Left, geometry.FirstStation, view.k));
    }

    private double X(double station) => Left + k * (station - geometry.FirstStation);

    private double X(SpanIndex span, double t)
    {
        var (from, to) = (geometry.Axes[span.FirstAxis].Station, geometry.Axes[span.LastAxis].Station);
        return X(from + t * (to - from));
    }

    private string Text(double size) => QuantityText.Entered(size, QuantityKind.Size, units);

    private double Y(double level) => foot - up * level;

    private void Plates(PlateRun run)
    {
        var (from, to, plates, text) = (X(run.First.Span, run.First.At), X(run.Last.Span, run.Last.At), run.Plates, canvas.TextHeight);
        void Plate(double low, double high, Fill fill) =>
            canvas.Area([new(from, low), new(to, low), new(to, high), new(from, high)], fill, Pen.Edge);
        canvas.Part = PartPath.Girder(girder, run.First.Span);
        Plate(Y(0), Y(plates.Depth), Fill.Paper);
        Plate(Y(0), Y(Thicker * plates.Bottom.Thickness), Fill.Ink);
        Plate(Y(plates.Depth - Thicker * plates.Top.Thickness), Y(plates.Depth), Fill.Ink);
        canvas.Part = null;
        var middle = (from + to) / 2;
        void Says(double y, double width, double thickness) =>
            canvas.Text(new(middle, y), QuantityText.Plate(width, thickness, units), TextKind.Number, Anchor.Middle, true);
        Says(Y(plates.Depth) - 1.6 * text, plates.Top.Width, plates.Top.Thickness);
        Says(Y(0.3 * plates.Depth) + 0.35 * text, plates.WebDepth, plates.WebThickness);
        Says(Y(0) + 1.4 * text, plates.Bottom.Width, plates.Bottom.Thickness);
        canvas.Dimensions([new(from, Y(0) + 3.2 * text), new(to, Y(0) + 3.2 * text)], [units.Format(run.Length, QuantityKind.Length)]);
    }

    /// <summary>Stiffeners as lines over the web, frames as crosses.</summary>
    private void Upright()
    {
        double Depth(SpanIndex span, double t) => geometry.SectionOf(girder, span, t).Depth;
        foreach (var stiffener in geometry.StiffenerPlaces().Where(s => s.Girder == girder))
        {
            var depth = Depth(stiffener.Span, stiffener.From);
            if (stiffener.IsUpright)
                canvas.Line(
                    new(X(stiffener.Span, stiffener.From), Y(0)),
                    new(X(stiffener.Span, stiffener.From), Y(depth)),
                    stiffener.Stiffener.Kind == StiffenerKind.Bearing ? Pen.Cut : Pen.Light
                );
            else
                canvas.Line(
                    new(X(stiffener.Span, stiffener.From), Y(stiffener.Stiffener.Height * depth)),
                    new(X(stiffener.Span, stiffener.To), Y(stiffener.Stiffener.Height * depth)),
                    Pen.Light
                );
        }
        foreach (var bay in geometry.DiaphragmBays().Where(b => b.Left == girder || b.Right == girder))
        {
            var (x, depth) = (X(bay.Span, bay.Left == girder ? bay.OnLeft : bay.OnRight), Depth(bay.Span, bay.OnLeft));
            foreach (var side in new[] { -1, 1 })
                canvas.Line(new(x - side * 1.2, Y(0.55 * depth)), new(x + side * 1.2, Y(0.85 * depth)), Pen.Load);
        }
    }

    /// <summary>Zones of studs above the top flange, with how they stand.</summary>
    private void Studs()
    {
        foreach (var span in geometry.SpanIndices.Where(girder.IsIn))
        {
            var level = Y(runs.Max(r => r.Plates.Depth)) - 3 * canvas.TextHeight;
            foreach (var zone in StudRun.Of(geometry, girder, span))
            {
                var (from, to) = (X(span, zone.From), X(span, zone.To));
                canvas.Line(new(from + 0.4, level), new(to - 0.4, level), Pen.Dimension);
                var words = $"{zone.Zone.PerRow} studs at {Text(zone.Zone.Spacing)}";
                if (canvas.WidthOf(words, TextKind.Soft) < to - from)
                    canvas.Text(new((from + to) / 2, level - 0.4 * canvas.TextHeight), words, TextKind.Soft, Anchor.Middle, true);
            }
        }
    }
}
