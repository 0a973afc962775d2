using Pravik.Core.Bridges;
using Pravik.Core.Geometry;
using Pravik.Core.Places;
using Pravik.Core.Units;

namespace Pravik.Drawings.Views;

/// <summary>The bridge in a stage of construction, in plan over elevation: what stands, what is cast, what is put on.</summary>
public sealed class StageView
{
    private readonly BridgeGeometry geometry;
    private readonly StageStep step;
    private readonly Canvas canvas;
    private readonly Point origin;
    private readonly double cos;
    private readonly double sin;
    private readonly double scale;
    private readonly double left;
    private readonly double planY;
    private readonly double sideY;

    private StageView(BridgeGeometry geometry, StageStep step, ViewSize size)
    {
        (this.geometry, this.step) = (geometry, step);
        canvas = new(size.Width, size.Height, size.TextHeight);
        var chord = geometry.Road.At(geometry.LastStation) - geometry.Road.At(geometry.FirstStation);
        (origin, cos, sin) = (geometry.Road.At(geometry.FirstStation), chord.X / chord.Length, chord.Y / chord.Length);
        var outline = Enumerable.Range(0, geometry.SpanCount).SelectMany(s => Outline(s)).ToList();
        var (from, to, low, high) = (outline.Min(p => p.X), outline.Max(p => p.X), outline.Min(p => p.Y), outline.Max(p => p.Y));
        var (above, below) = (4.8 * size.TextHeight, 15.0);
        scale = Math.Min((size.Width - 24) / (to - from), (size.Height - above - below) / Math.Max(1, high - low));
        left = (size.Width - scale * (to - from)) / 2 - scale * from;
        planY = above + scale * high;
        sideY = planY - scale * low + 7;
    }

    /// <summary>Draws what stands in a stage.</summary>
    public static Drawing Draw(BridgeGeometry geometry, StageStep step, ViewSize size, double? cursor)
    {
        var view = new StageView(geometry, step, size);
        view.Plan();
        view.Elevation();
        view.Axes();
        if (cursor is { } station && station >= geometry.FirstStation && station <= geometry.LastStation)
        {
            var x = view.left + view.scale * view.Turned(geometry.Road.At(station)).X;
            view.canvas.Line(new(x, 3.4 * size.TextHeight), new(x, size.Height - 2), Pen.Active);
        }
        view.Words();
        return view.canvas.Finish(
            $"Stage {step.Index.Number}: {step.Stage.Name}",
            $"day {QuantityText.Fixed(step.Stage.Day, 0)}, plan over elevation"
        );
    }

    private Point Turned(Point p) => new((p.X - origin.X) * cos + (p.Y - origin.Y) * sin, -(p.X - origin.X) * sin + (p.Y - origin.Y) * cos);

    private Point OnPlan(Point p) => new(left + scale * Turned(p).X, planY - scale * Turned(p).Y);

    /// <summary>Edges of the deck over a span, turned so that the bridge lies along x.</summary>
    private IEnumerable<Point> Outline(SpanIndex span) => Corners(span).Select(Turned);

    private IEnumerable<Point> Corners(SpanIndex span)
    {
        var unit = geometry.UnitOf(span);
        IEnumerable<Point> Edge(int boundary)
        {
            var (from, to) = (
                unit.BoundaryOnAxis(geometry.Axes[span], boundary).Station,
                unit.BoundaryOnAxis(geometry.Axes[span + 1], boundary).Station
            );
            return Enumerable
                .Range(0, 13)
                .Select(i => from + (to - from) * i / 12)
                .Select(s => geometry.Road.At(s, unit.Shape.Boundary(boundary, s)));
        }
        return Edge(0).Concat(Edge(unit.Shape.Boundaries - 1).Reverse());
    }

    private bool IsCast(SpanIndex span) => step.Pours.Contains(span);

    private void Plan()
    {
        for (var span = 0; span < geometry.SpanCount; span++)
        {
            var corners = Corners(span).Select(OnPlan).ToList();
            if (step.State.Slab[span])
                canvas.Area(corners, Fill.Soft, Pen.Edge);
            else if (IsCast(span))
                canvas.Area(corners, Fill.Concrete, Pen.Active);
            else
                canvas.Area(corners, Fill.None, Pen.Grid);
            if (!step.State.Girders[span])
                continue;
            foreach (var girder in geometry.GirdersIn(span))
            {
                var (from, to) = geometry.EndsOf(girder, span);
                canvas.Path(
                    Enumerable.Range(0, 13).Select(i => OnPlan(geometry.OnGirder(girder, span, from + (to - from) * i / 12))),
                    step.NewGirders.Contains(span) ? Pen.Active
                        : step.State.Slab[span] ? Pen.Hidden
                        : Pen.Cut
                );
                if (step.State.Props[span])
                    canvas.Circle(OnPlan(geometry.OnGirder(girder, span, 0.5)), 0.9, Pen.Load, Fill.Sheet);
            }
        }
        for (var axis = 1; axis < geometry.SpanCount; axis++)
        {
            var (from, to) = geometry.EdgesOn(geometry.Axes[axis]);
            if (step.Joins.Contains(axis))
                canvas.Line(OnPlan(geometry.Road.At(from)), OnPlan(geometry.Road.At(to)), Pen.Active);
            else if (step.State.Joined[axis])
                canvas.Line(OnPlan(geometry.Road.At(from)), OnPlan(geometry.Road.At(to)), Pen.Cut);
        }
    }

    /// <summary>Not to scale in height: girders as bars, the slab above them, joints over the piers open or closed.</summary>
    private void Elevation()
    {
        const double Depth = 3.2,
            Slab = 1.3;
        double X(double station) => left + scale * Turned(geometry.Road.At(station)).X;
        for (var span = 0; span < geometry.SpanCount; span++)
        {
            var (a, b) = (geometry.Axes[span].Station, geometry.Axes[span + 1].Station);
            var (from, to) = (
                X(a + Math.Max(0.02 * (b - a), geometry.LayoutOf(span).StartGap)),
                X(b - Math.Max(0.02 * (b - a), geometry.LayoutOf(span).EndGap))
            );
            if (step.State.Girders[span])
                canvas.Box(from, sideY, to - from, Depth, Fill.Sheet, step.NewGirders.Contains(span) ? Pen.Active : Pen.Cut);
            if (step.State.Slab[span])
                canvas.Box(from, sideY - Slab, to - from, Slab, Fill.Soft, Pen.Cut);
            else if (IsCast(span))
                canvas.Box(from, sideY - Slab, to - from, Slab, Fill.Concrete, Pen.Active);
            if (step.State.Props[span])
                canvas.Line(new((from + to) / 2, sideY + Depth), new((from + to) / 2, sideY + Depth + 6), Pen.Load);
            var arrows = step.Stage.LoadNames.Any() ? 9 : 0;
            for (var i = 0; i < arrows; i++)
            {
                var x = from + (to - from) * (i + 0.5) / arrows;
                canvas.Arrow(new(x, sideY - Slab - 4.6), new(x, sideY - Slab - 0.6), Pen.Load);
            }
        }
        foreach (var axis in geometry.Axes)
        {
            var (x, at) = (X(axis.Station), axis.Number - 1);
            if (at > 0 && at < geometry.SpanCount && (step.State.Joined[at] || step.Joins.Contains(at)))
                canvas.Box(
                    x - 1.2,
                    sideY - Slab,
                    2.4,
                    Depth + Slab,
                    step.Joins.Contains(at) ? Fill.Concrete : Fill.Soft,
                    step.Joins.Contains(at) ? Pen.Active : Pen.Cut
                );
            canvas.Area(
                [new(x, sideY + Depth), new(x - 1.4, sideY + Depth + 2.6), new(x + 1.4, sideY + Depth + 2.6)],
                Fill.Sheet,
                Pen.Edge
            );
        }
    }

    private void Axes()
    {
        foreach (var axis in geometry.Axes)
        {
            var (from, to) = geometry.EdgesOn(axis);
            var (a, b) = (OnPlan(geometry.Road.At(from)), OnPlan(geometry.Road.At(to)));
            var out1 = 1.6 / Math.Max(1e-9, (a - b).Length) * (a - b);
            canvas.Line(a + out1, b - out1, Pen.Axis);
            canvas.AxisBubble(a + (1 + 1.1 * canvas.TextHeight / 1.6) * out1, axis.Name);
        }
    }

    /// <summary>What happens, in words, at the top.</summary>
    private void Words()
    {
        string Spans(IEnumerable<int> all) => string.Join(", ", all.Select(i => i + 1));
        List<string> words = [];
        var isInPlace = geometry.Bridge.Girders.CastInPlace;
        if (isInPlace && step.Pours.Length > 0)
            words.Add(
                $"{(step.Pours.Length == 1 ? "span" : "spans")} {Spans(step.Pours)} cast on falsework, which carries what is cast: "
                    + "stiff from the next stage"
            );
        if (step.NewGirders.Length > 0 && !isInPlace)
            words.Add($"girders set in {(step.NewGirders.Length == 1 ? "span" : "spans")} {Spans(step.NewGirders)}");
        if (step.Pours.Length > 0 && !isInPlace)
            words.Add(
                $"slab cast in {(step.Pours.Length == 1 ? "span" : "spans")} {Spans(step.Pours)}: weight now, stiff from the next stage"
            );
        var joins = Staging.JoinedIn(geometry.Bridge, step);
        if (joins.Length > 0)
            words.Add(
                $"cast over {(joins.Length == 1 ? "axis" : "axes")} "
                    + $"{string.Join(", ", joins.Select(a => geometry.Axes[a].Name))}: continuous from the next stage"
            );
        if (step.Releases.Length > 0)
            words.Add(
                isInPlace
                    ? $"falsework struck in {(step.Releases.Length == 1 ? "span" : "spans")} {Spans(step.Releases)}: "
                        + "girders and slab weigh from now"
                    : $"props taken from {Spans(step.Releases)}"
            );
        if (step.Stage.LoadNames.Any())
            words.Add($"put on: {string.Join(", ", step.Stage.LoadNames)}");
        canvas.Text(
            new(3, 1.6 * canvas.TextHeight),
            words.Count == 0
                ? "Nothing is built; what comes acts on the structure as it stands."
                : char.ToUpperInvariant(words[0][0]) + string.Join("; ", words)[1..] + ".",
            TextKind.Strong
        );
    }
}
