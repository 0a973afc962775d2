using Pravik.Core.Geometry;
using Pravik.Core.LoneMembers;
using Pravik.Core.Units;

namespace Pravik.Drawings.Views;

/// <summary>A member alone from the side: concrete with its bars, links and strands, supports, and the loads of a case over it.</summary>
public sealed class LoneElevationView
{
    private const double Margin = 20;
    private readonly LoneMember member;
    private readonly LonePlaces places;
    private readonly LoneSections sections;
    private readonly UnitSystem units;
    private readonly Canvas canvas;
    private readonly double k;
    private readonly double up;
    private readonly double top;

    private LoneElevationView(LoneMember member, LonePlaces places, LoneSections sections, UnitSystem units, ViewSize size)
    {
        (this.member, this.places, this.sections, this.units) = (member, places, sections, units);
        canvas = new(size.Width, size.Height, size.TextHeight);
        k = (size.Width - 2 * Margin) / places.Ends[^1];
        var deepest = places.Places.Max(p => sections.MadeAt(p).Depth) + Slab;
        // Heights are drawn larger where the member is slender.
        up = Math.Max(k, Math.Min(0.34 * size.Height / deepest, 12 * k));
        top = 0.5 * size.Height - 0.5 * up * deepest + up * Slab;
    }

    /// <summary>Draws a member.</summary>
    /// <param name="member">The member.</param>
    /// <param name="places">Its places.</param>
    /// <param name="sections">Its sections.</param>
    /// <param name="units">Units of what is written.</param>
    /// <param name="size">Room.</param>
    /// <param name="station">Where the cursor stands (m).</param>
    /// <param name="shown">Number of the case whose loads are drawn; null for none.</param>
    public static Drawing Draw(
        LoneMember member,
        LonePlaces places,
        LoneSections sections,
        UnitSystem units,
        ViewSize size,
        double station,
        int? shown = null
    )
    {
        var view = new LoneElevationView(member, places, sections, units, size);
        view.Concrete();
        view.Links();
        view.Bars();
        view.Strands();
        view.Supports();
        if (shown is { } number && number < member.Cases.Length)
            view.Loads(number);
        view.canvas.Line(new(view.X(station), 4), new(view.X(station), size.Height - 3), Pen.Active);
        var larger = view.up / view.k;
        var note = larger > 1.05 ? FormattableString.Invariant($"heights drawn {larger:0.#} times as large") : "";
        return view.canvas.Finish("Side", note, new(Margin, 0, view.k));
    }

    private double Slab => member.Slab is { } slab ? slab.Haunch + slab.Thickness : 0;

    private double X(double x) => Margin + k * x;

    /// <summary>A height above the soffit at a place.</summary>
    private Point Above(double x, double depth, double height) => new(X(x), top + up * (depth - height));

    private void Concrete()
    {
        List<Point> soffit = [.. places.Places.Select(p => Above(p.At, sections.MadeAt(p).Depth, 0))];
        canvas.Area([.. soffit, new(X(places.Ends[^1]), top), new(X(0), top)], Fill.Concrete, Pen.Cut);
        if (member.Slab is { } slab)
        {
            canvas.Part = "/slab";
            var height = up * slab.Thickness;
            canvas.Box(X(0), top - up * Slab, k * places.Ends[^1], height, Fill.Paper, Pen.Edge);
            canvas.Part = null;
        }
    }

    private void Links()
    {
        for (var i = 0; i < member.Links.Length; i++)
        {
            var (links, from, to) = (member.Links[i], member.Links[i].From ?? 0, member.Links[i].To ?? places.Ends[^1]);
            canvas.Part = $"/links/{i}";
            // Lines closer than 0.8 mm run together: then every second, third and so on is drawn.
            var step = links.Spacing * Math.Max(1, Math.Ceiling(0.8 / (k * links.Spacing)));
            for (var x = from + step / 2; x < to; x += step)
            {
                var depth = sections.MadeAt(x).Depth;
                canvas.Line(Above(x, depth, 0.04), Above(x, depth, depth - 0.04), Pen.Light);
            }
            canvas.Part = null;
        }
    }

    private void Bars()
    {
        for (var i = 0; i < member.Bars.Length; i++)
        {
            var (bars, from, to) = (member.Bars[i], member.Bars[i].From ?? 0, member.Bars[i].To ?? places.Ends[^1]);
            canvas.Part = $"/bars/{i}";
            canvas.Path(
                places
                    .Places.Where(p => p.At >= from - 1e-6 && p.At <= to + 1e-6)
                    .Select(p => (p.At, sections.MadeAt(p).Depth))
                    .Select(p => Above(p.At, p.Depth, bars.Face == BarFace.Top ? p.Depth + Slab - bars.AxisDistance : bars.AxisDistance)),
                Pen.Cut
            );
            canvas.Part = null;
        }
    }

    private void Strands()
    {
        for (var i = 0; i < member.Strands.Rows.Length; i++)
        {
            var row = member.Strands.Rows[i];
            canvas.Part = $"/strands/rows/{i}";
            canvas.Path(places.Places.Select(p => Above(p.At, sections.MadeAt(p).Depth, sections.LevelOf(row, p.At))), Pen.Resistance);
            canvas.Part = null;
        }
    }

    private void Supports()
    {
        var foot = canvas.Height - 9;
        for (var i = 0; i < member.Supports.Length; i++)
        {
            var (support, x) = (member.Supports[i], places.Ends[i]);
            var at = Above(x, sections.MadeAt(Math.Clamp(x, 1e-6, places.Ends[^1] - 1e-6)).Depth, 0);
            canvas.Part = $"/supports/{i}";
            if (support.Restraint != Restraint.Free)
                canvas.Area([at, at + new Point(-2.4, 4), at + new Point(2.4, 4)], Fill.Sheet, Pen.Edge);
            if (support.Restraint == Restraint.Fixed)
                canvas.Box(at.X - 0.6, top - 2, 1.2, at.Y - top + 4, Fill.Ink);
            if (support.Spring is not null)
                canvas.Path(
                    [
                        .. Enumerable
                            .Range(0, 6)
                            .Select(n =>
                                at
                                + new Point(
                                    n is 0 or 5 ? 0
                                        : n % 2 == 0 ? -1.6
                                        : 1.6,
                                    4 + 0.7 * n
                                )
                            ),
                    ],
                    Pen.Edge
                );
            canvas.Part = null;
            canvas.Line(new(at.X, at.Y + 8), new(at.X, foot), Pen.Axis);
            canvas.AxisBubble(new(at.X, 5), $"{i + 1}");
        }
        canvas.Dimensions(
            [.. places.Ends.Select(e => new Point(X(e), foot + 2.5))],
            [.. member.Spans.Select(s => units.FormatWithUnit(s.Length, QuantityKind.Length))]
        );
    }

    /// <summary>Loads of a case over the member, their heights by the greatest of their kind.</summary>
    private void Loads(int number)
    {
        var loads = member.Cases[number].Loads;
        var greatest = loads.Where(l => l.Kind == LoneLoadKind.Line).Select(l => Math.Max(Math.Abs(l.Value), Math.Abs(l.ToValue ?? 0)));
        var per = 0.16 * canvas.Height / greatest.DefaultIfEmpty(1).Max();
        var level = top - up * Slab - 1.5;
        for (var i = 0; i < loads.Length; i++)
        {
            var (load, from, to) = (loads[i], loads[i].From ?? 0, loads[i].To ?? places.Ends[^1]);
            var words = units.FormatWithUnit(load.Value, load.Quantity);
            canvas.Part = $"/cases/{number}/loads/{i}";
            if (load.Kind == LoneLoadKind.Line)
            {
                var (a, b) = (per * Math.Abs(load.Value), per * Math.Abs(load.ToValue ?? load.Value));
                canvas.Area(
                    [new(X(from), level), new(X(from), level - a), new(X(to), level - b), new(X(to), level)],
                    Fill.Envelope,
                    Pen.Load
                );
                canvas.Text(new(X((from + to) / 2), level - Math.Max(a, b) - 1.2), words, TextKind.Number, Anchor.Middle, true);
            }
            else if (load.Kind == LoneLoadKind.Point)
            {
                canvas.Arrow(new(X(from), level - 0.18 * canvas.Height), new(X(from), level), Pen.Load);
                canvas.Text(new(X(from) + 1.2, level - 0.14 * canvas.Height), words, TextKind.Number, Anchor.Start, true);
            }
            else
            {
                canvas.Circle(new(X(from), level - 3), 2.2, Pen.Load);
                canvas.Text(new(X(from) + 3, level - 3), words, TextKind.Number, Anchor.Start, true);
            }
            canvas.Part = null;
        }
    }
}
