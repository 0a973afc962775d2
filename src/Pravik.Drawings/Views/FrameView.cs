using System.Collections.Immutable;
using Pravik.Core.Frames;
using Pravik.Core.Geometry;
using Pravik.Core.Models;
using Pravik.Core.Places;
using Pravik.Core.Units;

namespace Pravik.Drawings.Views;

/// <summary>From where a model is seen.</summary>
public enum FrameLook
{
    /// <summary>From the side and above.</summary>
    Space,

    /// <summary>From above.</summary>
    Plan,

    /// <summary>From the side.</summary>
    Side,
}

/// <summary>What is written on a model.</summary>
public enum FrameNames
{
    /// <summary>None.</summary>
    None,

    /// <summary>Of joints.</summary>
    Joints,

    /// <summary>Of members.</summary>
    Members,

    /// <summary>Of sections.</summary>
    Sections,

    /// <summary>Local axes.</summary>
    Axes,
}

/// <summary>
/// Values per metre on shells as bands: what they are, of which kind without the metre, and the value of each (SI); <see
/// cref="double.NaN"/> for none.
/// </summary>
public sealed record Contour(string Name, QuantityKind Kind, ImmutableArray<double> Values);

/// <summary>
/// Forces on members, at both ends of each, in the order of the model's beams; drawn on the side of the member where they are positive.
/// </summary>
public sealed record MemberForces(QuantityKind Kind, bool PositiveDown, ImmutableArray<(double Start, double End)> Values);

/// <summary>How a model is drawn.</summary>
public sealed record FrameShow
{
    /// <summary>From where it is seen.</summary>
    public FrameLook Look { get; init; }

    /// <summary>Which names are written.</summary>
    public FrameNames Names { get; init; }

    /// <summary>Station of the cursor (m).</summary>
    public double? Station { get; init; }

    /// <summary>The picked part.</summary>
    public string? Picked { get; init; }

    /// <summary>Displacements of joints (m, rad), and by how much the usual drawing of them is made larger.</summary>
    public double[][]? Displacements { get; init; }

    /// <summary>Magnification about the station; 1 shows the whole.</summary>
    public double Zoom { get; init; } = 1;

    /// <summary>From how much nearer the model is seen, about the station.</summary>
    public double Closer { get; init; } = 1;

    /// <summary>Whether the deflected shape swings.</summary>
    public bool Moves { get; init; }

    /// <summary>Loads to draw, and reactions at seats (N, up).</summary>
    public FrameCase? Load { get; init; }

    /// <summary>Reactions at the seats, in order (N).</summary>
    public ImmutableArray<(int Node, double Up)> Reactions { get; init; } = [];

    /// <summary>Values on shells.</summary>
    public Contour? Contour { get; init; }

    /// <summary>Diagram of a force along members.</summary>
    public MemberForces? Forces { get; init; }
}

/// <summary>A frame model of a bridge: members, shells, supports, names, loads, and how it deflects.</summary>
public sealed class FrameView
{
    private const double Turn = 24 * Math.PI / 180;
    private const double Tilt = 30 * Math.PI / 180;

    /// <summary>The largest deflection is drawn as this part of the drawing's width.</summary>
    private const double Drawn = 0.05;
    private readonly BridgeModel model;
    private readonly FrameModel frame;
    private readonly FrameShow show;
    private readonly UnitSystem units;
    private readonly Canvas canvas;
    private readonly double cos;
    private readonly double sin;
    private readonly double scale;
    private readonly Point centre;
    private readonly Point middle;
    private readonly double enlarged;

    private FrameView(BridgeModel model, FrameShow show, UnitSystem units, ViewSize size)
    {
        (this.model, frame, this.show, this.units) = (model, model.Frame, show, units);
        canvas = new(size.Width, size.Height, size.TextHeight);
        var (first, last) = (
            model.Mesh.Nodes[model.Mesh.OfGirder(0, 0)].At,
            model.Mesh.Nodes[model.Mesh.OfGirder(0, model.Mesh.Lines - 1)].At
        );
        (cos, sin) = ((last - first).X / (last - first).Length, (last - first).Y / (last - first).Length);
        var flat = frame.Nodes.Select(n => Flat(n.At)).ToList();
        var (left, right, low, high) = (flat.Min(p => p.X), flat.Max(p => p.X), flat.Min(p => p.Y), flat.Max(p => p.Y));
        var middleGirder = model.Mesh.GirderLines.Length / 2;
        var near = Enumerable
            .Range(0, model.Mesh.Lines)
            .Select(line => model.Mesh.OfGirder(middleGirder, line))
            .MinBy(n => Math.Abs(model.Mesh.Nodes[n].Station - (show.Station ?? 0)));
        // Seen from nearer, the station is in the middle.
        centre = show.Closer > 1 ? Flat(frame.Nodes[near].At) : new((left + right) / 2, (low + high) / 2);
        var (top, edge) = (3.2 * size.TextHeight, 10.0);
        middle = new(size.Width / 2, top + (size.Height - top) / 2);
        scale =
            Math.Min((size.Width - 2 * edge) / Math.Max(1, right - left), (size.Height - top - 2.4 * edge) / Math.Max(1, high - low))
            * Math.Max(1, show.Closer);
        var most = show.Displacements?.Take(frame.Nodes.Length).Max(d => Math.Sqrt(d[0] * d[0] + d[1] * d[1] + d[2] * d[2])) ?? 0;
        enlarged = most > 0 ? Rounded(Drawn * size.Width / scale / most) * show.Zoom : 0;
    }

    /// <summary>Draws a model as asked.</summary>
    public static Drawing Draw(BridgeModel model, FrameShow show, UnitSystem units, ViewSize size)
    {
        var view = new FrameView(model, show, units, size);
        if (show.Contour is not null)
            view.Contours();
        else
            view.Shells();
        view.Members();
        view.Supports();
        view.Loads();
        view.Named();
        if (show.Displacements is not null)
            view.Deflected();
        if (show.Forces is not null)
            view.Forces();
        if (show.Contour is not null)
            view.Key();
        var kind = model.Kind switch
        {
            Core.Bridges.ModelKind.Line => "line girders",
            Core.Bridges.ModelKind.Shells => "shells and beams",
            _ => "grillage",
        };
        var seen = show.Look switch
        {
            FrameLook.Plan => "from above",
            FrameLook.Side => "from the right",
            _ => "in space",
        };
        return view.canvas.Finish(
            show.Displacements is null ? $"Model: {kind}" : "Deflected shape",
            view.enlarged > 0
                ? $"deflections × {QuantityText.Fixed(view.enlarged, view.enlarged < 10 ? 1 : 0)}, {seen}"
                : $"{Sizes(view)} {seen}"
        );

        static string Sizes(FrameView v) =>
            $"{v.frame.Nodes.Length} joints, {v.frame.Beams.Length} "
            + $"members{(v.frame.Shells.Length > 0 ? $", {v.frame.Shells.Length} shells" : "")},";
    }

    private static double Rounded(double value)
    {
        var power = Math.Pow(10, Math.Floor(Math.Log10(value)));
        var first = (value / power) switch
        {
            >= 5 => 5,
            >= 2 => 2,
            _ => 1,
        };
        return first * power;
    }

    /// <summary>A place on the plane of the drawing (m, y down): along the bridge, and up or across.</summary>
    private Point Flat(Point3 p)
    {
        var (along, left) = (p.X * cos + p.Y * sin, -p.X * sin + p.Y * cos);
        return show.Look switch
        {
            FrameLook.Plan => new(along, -left),
            FrameLook.Side => new(along, -p.Z),
            _ => new(
                along * Math.Cos(Turn) + left * Math.Sin(Turn),
                -((-along * Math.Sin(Turn) + left * Math.Cos(Turn)) * Math.Sin(Tilt) + p.Z * Math.Cos(Tilt))
            ),
        };
    }

    private Point At(Point3 p) => middle + scale * (Flat(p) - centre);

    private Point At(int node) => At(frame.Nodes[node].At);

    private Point Moved(int node) =>
        show.Displacements is { } all && node < all.Length
            ? At(frame.Nodes[node].At + enlarged * new Point3(all[node][0], all[node][1], all[node][2]))
            : At(node);

    private void Shells()
    {
        foreach (var shell in frame.Shells)
        {
            canvas.Part = PartPath.OfModel(shell.Id);
            canvas.Area(shell.Nodes.Select(At), show.Picked == canvas.Part ? Fill.Picked : Fill.Sheet, Pen.Light);
        }
        canvas.Part = null;
    }

    private void Members()
    {
        for (var b = 0; b < frame.Beams.Length; b++)
        {
            var beam = frame.Beams[b];
            canvas.Part = PartPath.OfModel(beam.Id);
            var pen =
                show.Picked == canvas.Part ? Pen.Active
                : show.Displacements is not null || show.Forces is not null ? Pen.Light
                : Pens[b];
            canvas.Line(At(frame.Nodes[beam.I].At + beam.OffsetI), At(frame.Nodes[beam.J].At + beam.OffsetJ), pen);
            foreach (var (node, offset, released) in new[] { (beam.I, beam.OffsetI, beam.ReleaseI), (beam.J, beam.OffsetJ, beam.ReleaseJ) })
            {
                if (released.IsEmpty)
                    continue;
                var (end, towards) = (At(frame.Nodes[node].At + offset), Middle(beam));
                canvas.Circle(end + Math.Min(1, 1.6 / Math.Max(1e-9, (towards - end).Length)) * (towards - end), 0.9, Pen.Edge, Fill.Sheet);
            }
        }
        canvas.Part = null;
    }

    private Pen[]? pens;

    private Pen[] Pens => pens ??= PensOf();

    private Pen[] PensOf()
    {
        var all = Enumerable.Repeat(Pen.Cut, frame.Beams.Length).ToArray();
        foreach (var other in model.Others)
            all[other.Beam] = other.Kind switch
            {
                MemberKind.Strip or MemberKind.Edge => Pen.Light,
                _ => Pen.Edge,
            };
        return all;
    }

    private Point Middle(FrameBeam beam) => At(0.5 * (frame.Nodes[beam.I].At + beam.OffsetI + frame.Nodes[beam.J].At + beam.OffsetJ));

    /// <summary>Supports of joints that something is joined to, springs to the ground and bearings.</summary>
    private void Supports()
    {
        var used = frame
            .Beams.SelectMany(b => new[] { b.I, b.J })
            .Concat(frame.Shells.SelectMany(s => s.Nodes))
            .Concat(frame.Links.SelectMany(l => new[] { l.Master, l.Slave }))
            .ToHashSet();
        foreach (var support in frame.Supports.Where(s => used.Contains(s.Node)))
        {
            var (at, size) = (At(support.Node), 1.5);
            canvas.Part = PartPath.OfModel(frame.Nodes[support.Node].Id);
            var upright = support.Fix.Contains(FrameDirection.Uz);
            if (upright || support.Springs[2] > 0)
                canvas.Area(
                    [at, at + new Point(-size, 2 * size), at + new Point(size, 2 * size)],
                    support.Fix.Contains(FrameDirection.Ux) ? Fill.Ink : Fill.Sheet,
                    Pen.Edge
                );
            if (support.Fix.Length == 6 || support.Springs.Any(k => k > 0))
                canvas.Line(
                    at + new Point(-1.5 * size, 2 * size),
                    at + new Point(1.5 * size, 2 * size),
                    support.Fix.Length == 6 ? Pen.Cut : Pen.Hidden
                );
        }
        foreach (var spring in frame.Springs)
        {
            canvas.Part = PartPath.OfModel(spring.Id);
            canvas.Box(At(spring.J).X - 1, At(spring.J).Y - 0.6, 2, 1.2, Fill.Ink);
        }
        canvas.Part = null;
    }

    /// <summary>
    /// Upright loads at joints and along members as arrows, as long as they are large; reactions from below with their values.
    /// </summary>
    private void Loads()
    {
        if (show.Load is { } load)
        {
            var most = load.Nodal.Select(n => n.Force.Length).DefaultIfEmpty(0).Max();
            foreach (var nodal in load.Nodal.Where(n => n.Force.Length > 0.01 * most))
            {
                var (tip, direction) = (At(nodal.Node), Flat(nodal.Force) - Flat(default));
                if (direction.Length < 1e-9 * most)
                    continue;
                canvas.Arrow(tip - (2 + 7 * nodal.Force.Length / most) / direction.Length * direction, tip, Pen.Load);
            }
            var perMetre = load
                .Beams.Where(b => !b.IsPoint)
                .Select(b => Math.Max(Math.Abs(b.Start), Math.Abs(b.End)))
                .DefaultIfEmpty(0)
                .Max();
            foreach (var along in load.Beams.Where(b => b.Direction == FrameDirection.Uz && show.Look != FrameLook.Plan))
            {
                var beam = frame.Beams[along.Beam];
                var (a, b) = (At(beam.I), At(beam.J));
                if (along.IsPoint)
                    canvas.Arrow(Point.Between(a, b, along.From) - new Point(0, 8), Point.Between(a, b, along.From), Pen.Load);
                else
                    canvas.Path(
                        [
                            a,
                            a - new Point(0, 5 * Math.Abs(along.Start) / perMetre),
                            b - new Point(0, 5 * Math.Abs(along.End) / perMetre),
                            b,
                        ],
                        Pen.Load
                    );
            }
        }
        if (show.Look == FrameLook.Plan && show.Reactions.Length > 40)
            return;
        var taken = new List<Point>();
        foreach (var (node, up) in show.Reactions)
        {
            var at = At(node) + new Point(0, 4);
            canvas.Arrow(at + new Point(0, 5), at, Pen.Active);
            var text = units.Format(up, QuantityKind.Force);
            var place = at + new Point(0.8, 5 + canvas.TextHeight);
            for (
                var tries = 0;
                tries < 6
                    && taken.Exists(t =>
                        Math.Abs(t.Y - place.Y) < canvas.TextHeight && Math.Abs(t.X - place.X) < canvas.WidthOf(text, TextKind.Number) + 1
                    );
                tries++
            )
                place += new Point(0, canvas.TextHeight);
            taken.Add(place);
            canvas.Text(place, text, TextKind.Number, Anchor.Start, true);
        }
    }

    /// <summary>Names and axes, on large models only near the cursor so that they can be read.</summary>
    private void Named()
    {
        if (show.Names == FrameNames.None)
            return;
        var limit =
            frame.Beams.Length + frame.Shells.Length > 260 && show.Station is { } s
                ? (model.Mesh.Nodes[^1].Station - model.Mesh.Nodes[0].Station) / 14
                : double.MaxValue;
        if (show.Closer > 1)
            limit = double.MaxValue;
        bool Near(int node) => node >= model.Mesh.Nodes.Length || Math.Abs(model.Mesh.Nodes[node].Station - (show.Station ?? 0)) < limit;
        if (show.Names == FrameNames.Joints)
        {
            for (var n = 0; n < frame.Nodes.Length; n++)
            {
                if (Near(n))
                    Write(At(n) + new Point(0.6, -0.5), frame.Nodes[n].Id);
            }
            return;
        }
        foreach (var beam in frame.Beams.Where(b => Near(b.I) && Near(b.J)))
        {
            if (show.Names == FrameNames.Axes)
            {
                Axes(beam);
                continue;
            }
            Write(Middle(beam) + new Point(0.6, -0.5), show.Names == FrameNames.Members ? beam.Id : frame.Sections[beam.Section].Id);
        }
        foreach (var shell in frame.Shells.Where(s => show.Names == FrameNames.Members && s.Nodes.All(Near)))
            Write(0.25 * shell.Nodes.Select(At).Aggregate((a, b) => a + b), shell.Id);
    }

    private readonly List<(Point At, double Width)> written = [];

    /// <summary>A name where it is clear of those already written and on the paper; else none.</summary>
    private void Write(Point at, string name)
    {
        var (height, width) = (0.8 * canvas.TextHeight, 0.8 * canvas.WidthOf(name, TextKind.SoftNumber) + 0.6);
        if (
            at.X < 0
            || at.Y < 0
            || at.X + width > canvas.Width
            || at.Y > canvas.Height
            || written.Exists(w => Math.Abs(w.At.Y - at.Y) < height && w.At.X < at.X + width && at.X < w.At.X + w.Width)
        )
            return;
        written.Add((at, width));
        canvas.Text(at, name, TextKind.SoftNumber, Anchor.Start, true, height);
    }

    /// <summary>Local x along a member in verdigris, z in iris.</summary>
    private void Axes(FrameBeam beam)
    {
        var (from, to) = (frame.Nodes[beam.I].At + beam.OffsetI, frame.Nodes[beam.J].At + beam.OffsetJ);
        if (LocalAxes.Along(to - from, beam.Up) is not { } axes)
            return;
        var middle = 0.5 * (from + to);
        var size = Math.Min(0.35 * (to - from).Length, 6 / scale);
        canvas.Arrow(At(middle), At(middle + size * axes.X), Pen.Active);
        canvas.Arrow(At(middle), At(middle + size * axes.Z), Pen.Load);
    }

    /// <summary>Lines along girders and across at every row where they are now.</summary>
    private void Deflected()
    {
        void Line(IReadOnlyList<int> nodes, Pen pen)
        {
            if (show.Moves)
                canvas.Swinging(nodes.Select(At), nodes.Select(Moved), pen);
            else
                canvas.Path(nodes.Select(Moved), pen);
        }
        var drawn = new HashSet<int>();
        foreach (var girder in model.GirderBeams)
        {
            foreach (var run in Runs(girder))
                Line(run, Pen.Active);
            drawn.UnionWith(girder.Where(b => b >= 0));
        }
        for (var b = 0; b < frame.Beams.Length; b++)
        {
            if (!drawn.Contains(b))
                Line([frame.Beams[b].I, frame.Beams[b].J], Pens[b] == Pen.Light ? Pen.Grid : Pen.Edge);
        }
        foreach (var shell in frame.Shells.Where((_, i) => frame.Shells.Length < 600 || i % 2 == 0))
            Line([.. shell.Nodes, shell.Nodes[0]], Pen.Grid);
    }

    /// <summary>The joints of a girder, run by run without a gap.</summary>
    private IEnumerable<List<int>> Runs(ImmutableArray<int> girder)
    {
        List<int> run = [];
        foreach (var b in girder)
        {
            if (b < 0 || (run.Count > 0 && run[^1] != frame.Beams[b].I))
            {
                if (run.Count > 1)
                    yield return run;
                run = [];
            }
            if (b < 0)
                continue;
            if (run.Count == 0)
                run.Add(frame.Beams[b].I);
            run.Add(frame.Beams[b].J);
        }
        if (run.Count > 1)
            yield return run;
    }

    /// <summary>Along every member a line at a distance that is the force there, with the greatest and least of all labelled.</summary>
    private void Forces()
    {
        var (forces, size) = (show.Forces!, 0.0);
        foreach (var (start, end) in forces.Values)
            size = Math.Max(size, Math.Max(Math.Abs(start), Math.Abs(end)));
        if (size < 1e-9)
            return;
        var length = 14 * show.Zoom / size * (forces.PositiveDown ? 1 : -1);
        var peaks = new List<(double Value, Point At)>();
        for (var b = 0; b < forces.Values.Length; b++)
        {
            var (beam, (start, end)) = (frame.Beams[b], forces.Values[b]);
            if (start == 0 && end == 0)
                continue;
            var (a, z) = (At(frame.Nodes[beam.I].At + beam.OffsetI), At(frame.Nodes[beam.J].At + beam.OffsetJ));
            // Square to upright members, downward on others, so that sagging hangs below.
            var side = Math.Abs(z.X - a.X) < 0.2 * Math.Abs(z.Y - a.Y) ? new Point(1, 0) : new(0, 1);
            canvas.Path([a, a + length * start * side, z + length * end * side, z], Pens[b] == Pen.Cut ? Pen.Active : Pen.Load);
            peaks.AddRange([(start, a + length * start * side), (end, z + length * end * side)]);
        }
        foreach (var (value, at) in new[] { peaks.MaxBy(p => p.Value), peaks.MinBy(p => p.Value) })
            canvas.Text(
                at + new Point(1, 1.2 * canvas.TextHeight),
                units.FormatWithUnit(value, forces.Kind),
                TextKind.Number,
                Anchor.Start,
                true
            );
    }

    /// <summary>The largest value without sign; bands are even on both sides of 0.</summary>
    private double Largest =>
        Math.Max(1e-9, show.Contour!.Values.Where(double.IsFinite).Select(Math.Abs).DefaultIfEmpty(0).Max() / show.Zoom);

    private void Contours()
    {
        var largest = Largest;
        for (var s = 0; s < frame.Shells.Length; s++)
        {
            var value = show.Contour!.Values[s];
            canvas.Part = PartPath.OfModel(frame.Shells[s].Id);
            canvas.Area(frame.Shells[s].Nodes.Select(At), double.IsFinite(value) ? ContourBands.Of(value, largest) : Fill.Sheet, Pen.Grid);
        }
        canvas.Part = null;
    }

    private void Key()
    {
        var (kind, metre) = (units[show.Contour!.Kind], units[QuantityKind.Length]);
        var (largest, width) = (Largest * metre.Factor / kind.Factor, 9.0);
        var (x, y) = (4.0, canvas.Height - 3.4 * canvas.TextHeight);
        canvas.Text(new(x, y - 0.5 * canvas.TextHeight), $"{show.Contour.Name}, {kind.Symbol}/{metre.Symbol}", TextKind.Soft);
        for (var i = 0; i < ContourBands.All.Length; i++)
        {
            canvas.Box(x + i * width, y, width, canvas.TextHeight, ContourBands.All[i], Pen.Grid);
            canvas.Text(
                new(x + (i + 0.5) * width, y + 2.1 * canvas.TextHeight),
                QuantityText.Fixed((i - 4) / 4.5 * largest, largest < 10 ? 1 : 0),
                TextKind.SoftNumber,
                Anchor.Middle,
                false,
                0.8 * canvas.TextHeight
            );
        }
    }
}
