using Pravik.Core.Bridges;
using Pravik.Core.Geometry;
using Pravik.Core.Loads;
using Pravik.Core.Places;
using Pravik.Core.Units;

namespace Pravik.Drawings.Views;

/// <summary>A girder line of concrete from the side: outline, links, bars, strands and tendons along it, heights drawn larger.</summary>
public sealed class GirderSideView
{
    private const double Left = 19;
    private const double Right = 8;
    private const int Parts = 40;
    private readonly BridgeGeometry geometry;
    private readonly GirderLine girder;
    private readonly TendonRows tendons;
    private readonly Canvas canvas;
    private readonly string? picked;
    private readonly double k;
    private readonly double up;
    private readonly double top;

    private GirderSideView(BridgeGeometry geometry, GirderLine girder, ViewSize size, string? picked)
    {
        (this.geometry, this.girder, this.picked, tendons) = (geometry, girder, picked, new(geometry));
        canvas = new(size.Width, size.Height, size.TextHeight);
        k = (size.Width - Left - Right) / (geometry.LastStation - geometry.FirstStation);
        var deepest = Places().Max(p => Depth(p.Span, p.Part));
        // Heights fill what the axes' names and the levels leave.
        up = Math.Min((size.Height - 9 * size.TextHeight) / deepest, 25 * k);
        top = (size.Height + 2 * size.TextHeight - up * deepest) / 2;
    }

    /// <summary>Draws a girder line.</summary>
    /// <param name="geometry">The bridge.</param>
    /// <param name="girder">The girder.</param>
    /// <param name="units">Units of what is written.</param>
    /// <param name="size">Room.</param>
    /// <param name="station">Where the cursor stands (m).</param>
    /// <param name="picked">Path of what is picked.</param>
    public static Drawing Draw(BridgeGeometry geometry, GirderLine girder, UnitSystem units, ViewSize size, double station, string? picked)
    {
        var view = new GirderSideView(geometry, girder, size, picked);
        view.Concrete();
        view.Links();
        view.Bars();
        view.Strands();
        view.Tendons(units);
        view.Axes();
        view.canvas.Line(new(view.X(station), 4), new(view.X(station), size.Height - 3), Pen.Active);
        var note = FormattableString.Invariant($"heights × {view.up / view.k:0.#}");
        return view.canvas.Finish($"{girder.Name} from the side", note, new(Left, geometry.FirstStation, view.k));
    }

    private IEnumerable<SpanIndex> Spans => geometry.SpanIndices.Where(girder.IsIn);

    private IEnumerable<(SpanIndex Span, double Part)> Places() =>
        Spans.SelectMany(s => Enumerable.Range(0, Parts + 1).Select(i => (s, (double)i / Parts)));

    private double Depth(SpanIndex span, double t) =>
        geometry.SectionOf(girder, span, t).Depth + geometry.Haunch(span) + geometry.SlabThickness(girder, span, t);

    private double X(double station) => Left + k * (station - geometry.FirstStation);

    private double X(SpanIndex span, double t)
    {
        var (from, to) = (geometry.Axes[span.FirstAxis].Station, geometry.Axes[span.LastAxis].Station);
        return X(from + t * (to - from));
    }

    /// <summary>A level above the soffit at a place.</summary>
    private Point At(SpanIndex span, double t, double level) => new(X(span, t), top + up * (Depth(span, t) - level));

    private void Concrete()
    {
        foreach (var span in Spans)
        {
            var (from, to) = geometry.EndsOf(girder, span);
            double Part(int i) => from + (to - from) * i / Parts;
            canvas.Part = PartPath.Girder(girder, span);
            var along = Enumerable.Range(0, Parts + 1).Select(Part).ToList();
            canvas.Area(
                [
                    .. along.Select(t => At(span, t, 0)),
                    .. along.AsEnumerable().Reverse().Select(t => At(span, t, geometry.SectionOf(girder, span, t).Depth)),
                ],
                Fill.Precast
            );
            canvas.Path(along.Select(t => At(span, t, 0)), Pen.Cut);
            canvas.Path(along.Select(t => At(span, t, geometry.SectionOf(girder, span, t).Depth)), Pen.Edge);
            foreach (var (t, isEnd) in new[] { (from, span == 0 || from > 0), (to, span == geometry.SpanCount - 1 || to < 1) })
            {
                if (isEnd)
                    canvas.Line(At(span, t, 0), At(span, t, geometry.SectionOf(girder, span, t).Depth), Pen.Cut);
            }
            canvas.Part = null;
            var whole = Enumerable.Range(0, Parts + 1).Select(i => (double)i / Parts).ToList();
            canvas.Area(
                [
                    .. whole.Select(t => At(span, t, Depth(span, t) - geometry.SlabThickness(girder, span, t))),
                    .. whole.AsEnumerable().Reverse().Select(t => At(span, t, Depth(span, t))),
                ],
                Fill.Paper,
                Pen.Edge
            );
        }
    }

    /// <summary>Links zone by zone; where they would run together every second, third and so on is drawn.</summary>
    private void Links()
    {
        foreach (var span in Spans.Where(s => !geometry.SectionOf(girder, s, 0.5).IsSteel))
        {
            var (zones, length) = (geometry.TypeOf(girder, span).Links, geometry.LengthOf(girder, span));
            var (from, to) = geometry.EndsOf(girder, span);
            canvas.Part = $"/girders/types/{geometry.Sections.TypeIndex(girder.Number, span)}";
            var x = 0.0;
            while (!zones.IsEmpty && x <= length)
            {
                var zone = LinkZone.At(zones, Math.Min(x, length - x))!;
                var t = from + x / length * (to - from);
                canvas.Line(At(span, t, 0.04), At(span, t, Depth(span, t) - 0.04), Pen.Grid);
                x += zone.Spacing * Math.Max(1, Math.Ceiling(1.2 / (k * zone.Spacing)));
            }
            canvas.Part = null;
        }
    }

    private void Bars()
    {
        foreach (var span in Spans.Where(s => !geometry.SectionOf(girder, s, 0.5).IsSteel))
        {
            var type = geometry.Sections.TypeIndex(girder.Number, span);
            canvas.Part = $"/girders/types/{type}";
            foreach (var row in geometry.Bridge.Girders.Types[type].Bars)
            {
                foreach (var run in row.In(geometry.SectionOf(girder, span, (row.From + row.To) / 2)).Where(r => r.Count > 0))
                    Along(span, run.From, run.To, _ => row.Level, Pen.Cut);
            }
            canvas.Part = null;
        }
    }

    private void Strands()
    {
        foreach (var span in Spans.Where(s => !geometry.Bridge.Girders.CastInPlace && !geometry.SectionOf(girder, s, 0.5).IsSteel))
        {
            var (type, length) = (geometry.Sections.TypeIndex(girder.Number, span), geometry.LengthOf(girder, span));
            var (from, to) = geometry.EndsOf(girder, span);
            canvas.Part = $"/girders/types/{type}";
            foreach (var row in geometry.Bridge.Girders.Types[type].Strands.Rows.Where(r => r.Count > 0))
                Along(span, from, to, t => row.LevelAt((t - from) / (to - from) * length, length), Pen.Resistance);
            canvas.Part = null;
        }
    }

    private void Along(SpanIndex span, double from, double to, Func<double, double> level, Pen pen) =>
        canvas.Path(Enumerable.Range(0, Parts + 1).Select(i => from + (to - from) * i / Parts).Select(t => At(span, t, level(t))), pen);

    /// <summary>Tendons with their points; levels are written at the picked one, or at all where there is one.</summary>
    private void Tendons(UnitSystem units)
    {
        for (var i = 0; i < tendons.All.Length; i++)
        {
            if (tendons.PathOf(girder, i) is not { } path)
                continue;
            canvas.Part = $"/girders/tendons/{i}";
            var isPicked = picked?.StartsWith(canvas.Part, StringComparison.Ordinal) ?? false;
            canvas.Path(
                Places().Where(p => path.Passes(p.Span, p.Part)).Select(p => At(p.Span, p.Part, path.LevelAt(p.Span, p.Part))),
                isPicked ? Pen.Active : Pen.Load
            );
            foreach (var point in tendons.All[i].Points)
            {
                var at = At(point.Span - 1, point.At, point.Level);
                canvas.Circle(at, 0.7, isPicked ? Pen.Active : Pen.Load, Fill.Sheet);
                if (isPicked || tendons.All.Length == 1)
                    canvas.Text(
                        at + new Point(0, -1.4),
                        units.Format(point.Level, QuantityKind.Size),
                        TextKind.Number,
                        point.At <= 0 ? Anchor.Start
                            : point.At >= 1 && point.Span == geometry.SpanCount ? Anchor.End
                            : Anchor.Middle,
                        true
                    );
            }
            canvas.Part = null;
        }
    }

    private void Axes()
    {
        foreach (var axis in geometry.Axes)
        {
            var x = X(axis.Station);
            canvas.Line(new(x, 2.2 * canvas.TextHeight), new(x, canvas.Height - 4), Pen.Axis);
            canvas.AxisBubble(new(x, 2.2 * canvas.TextHeight + 1), axis.Name);
        }
    }
}
