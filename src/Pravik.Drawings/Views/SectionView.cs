using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Geometry;
using Pravik.Core.Loads;
using Pravik.Core.Places;
using Pravik.Core.Sections;
using Pravik.Core.Units;

namespace Pravik.Drawings.Views;

/// <summary>The deck and its girders cut square to the road at a station, looking ahead.</summary>
public sealed class SectionView
{
    private readonly BridgeGeometry geometry;
    private readonly TendonRows tendons;
    private readonly DeckSection section;
    private readonly ImmutableArray<DeckCut> cuts;
    private readonly double station;
    private readonly UnitSystem units;
    private readonly Canvas canvas;
    private readonly int scale;
    private readonly double perMetre;
    private readonly double x0;
    private readonly double y0;

    internal SectionView(BridgeGeometry geometry, UnitSystem units, ViewSize size, double station, double above = 0)
    {
        (this.geometry, tendons) = (geometry, new(geometry));
        this.units = units;
        this.station = station;
        canvas = new(size.Width, size.Height, size.TextHeight);
        section = geometry.SectionAt(station);
        cuts = geometry.CutAt(station);
        var top = section.Strips.Max(s => Math.Max(s.SurfaceFrom, s.SurfaceTo));
        foreach (var parapet in ParapetLine.All(geometry).Where(p => above == 0 && p.Covers(station)))
            top = Math.Max(top, parapet.Outlines(station).Max(o => o.Max(p => p.Y)));
        var bottom = Present.Min(g => GirderTop(g) - SectionHere(g).Depth);
        var (head, foot) = (3.2 * size.TextHeight + above, 5.4 * size.TextHeight);
        scale = Math.Max(
            DrawingScale.Fitting(section.Width, size.Width - 36),
            DrawingScale.Fitting(top - bottom, Math.Max(4, size.Height - head - foot))
        );
        perMetre = 1000.0 / scale;
        x0 = size.Width / 2 - perMetre * (section.LeftEdge + section.RightEdge) / 2;
        y0 = head + (size.Height - head - foot - perMetre * (top - bottom)) / 2 + perMetre * top;
    }

    internal Canvas Canvas => canvas;

    internal Point At(double offset, double level) => new(x0 + perMetre * offset, y0 - perMetre * level);

    /// <summary>Draws the section; beyond the bridge it says so.</summary>
    public static Drawing Draw(BridgeGeometry geometry, UnitSystem units, ViewSize size, double station, string? picked = null)
    {
        var view = new SectionView(geometry, units, size, station);
        view.Structure(picked);
        view.Crossfalls();
        view.Dimensions();
        view.Snaps();
        return view.canvas.Finish(
            $"Section at {units.Format(station, QuantityKind.Length)}",
            $"looking ahead, {DrawingScale.Text(view.scale)}"
        );
    }

    /// <summary>
    /// Draws the section at a station with another state of the bridge over it, in its own pen; both road lines lie on one another.
    /// </summary>
    public static Drawing Compare(BridgeGeometry geometry, BridgeGeometry old, UnitSystem units, ViewSize size, double station)
    {
        var view = new SectionView(geometry, units, size, station);
        view.Structure(null);
        view.Dimensions();
        var before = new SectionView(old, units, size, station);
        foreach (var cut in before.cuts)
        {
            foreach (var strip in Clipped(cut))
                view.canvas.Area(
                    new[]
                    {
                        (strip.From, strip.SlabFrom),
                        (strip.From, strip.SurfaceFrom),
                        (strip.To, strip.SurfaceTo),
                        (strip.To, strip.SlabTo),
                    }.Select(p => view.At(p.Item1, p.Item2)),
                    Fill.None,
                    Pen.Former
                );
            view.canvas.Area(cut.Section.SlabOutline(cut.From, cut.To).Select(p => view.At(p.X, p.Y)), Fill.None, Pen.Former);
        }
        foreach (var girder in before.Present)
        {
            var shape = before.SectionHere(girder);
            if (old.GirderOffsetAt(girder, station) is not { } offset)
                continue;
            foreach (var part in shape.Parts)
                view.canvas.Area(
                    part.Outline.Points.Select(p => view.At(offset + p.X, before.GirderTop(girder) - shape.Top + p.Y)),
                    Fill.None,
                    Pen.Former
                );
        }
        return view.canvas.Finish(
            $"Section at {units.Format(station, QuantityKind.Length)}",
            $"looking ahead, {DrawingScale.Text(view.scale)}; broken lines: before"
        );
    }

    /// <summary>Corners of strips, slab, girders and parapets.</summary>
    private void Snaps()
    {
        void Catch(double offset, double level, string name)
        {
            var p = geometry.Road.At(station, offset);
            canvas.Catch(At(offset, level), new(p.X, p.Y, geometry.Road.Level(station) + level), name);
        }
        Catch(0, section.Surface(0), "road line");
        foreach (var strip in section.Strips)
        {
            Catch(strip.From, strip.SurfaceFrom, "surface");
            Catch(strip.To, strip.SurfaceTo, "surface");
        }
        foreach (var cut in cuts)
        {
            // Along the top from left to right, then back along the soffit.
            var outline = cut.Section.SlabOutline(cut.From, cut.To);
            foreach (var p in outline.Skip(outline.Length / 2).Reverse())
                Catch(p.X, p.Y, "slab soffit");
        }
        foreach (var girder in Present)
        {
            var shape = SectionHere(girder);
            if (geometry.GirderOffsetAt(girder, station) is not { } offset)
                continue;
            foreach (var p in shape.Parts.SelectMany(p => p.Outline.Points).Append(new(0, shape.Bottom)).Append(new(0, shape.Top)))
                Catch(offset + p.X, GirderTop(girder) - shape.Top + p.Y, girder.Name);
        }
        foreach (var parapet in ParapetLine.All(geometry).Where(p => p.Covers(station)))
        {
            foreach (var p in parapet.Outlines(station).SelectMany(o => o))
                Catch(p.X, p.Y, "parapet");
        }
    }

    internal string ScaleText => DrawingScale.Text(scale);

    internal void Structure(string? picked)
    {
        Slab(picked);
        Parapets(picked);
        Diaphragms(picked);
        var any = false;
        foreach (var girder in Present)
        {
            if (geometry.GirderOffsetAt(girder, station) is not { } offset)
                continue;
            any = true;
            var span = geometry.SpanAt(station, offset);
            Girder(
                girder,
                offset,
                picked?.StartsWith($"/parts/girders/{girder.Number}/", StringComparison.Ordinal) == true,
                PartPath.Girder(girder, span)
            );
        }
        if (!any)
            canvas.Text(
                new(canvas.Width / 2, canvas.Height - 2 * canvas.TextHeight),
                "No girder is cut at this station.",
                TextKind.Soft,
                Anchor.Middle
            );
        var line = At(0, 0);
        canvas.Line(new(line.X, line.Y - 3.3 * canvas.TextHeight), new(line.X, canvas.Height - 4.6 * canvas.TextHeight), Pen.Axis);
        canvas.Text(new(line.X + 1.2, line.Y - 3 * canvas.TextHeight), "road line", TextKind.Soft, halo: true);
        canvas.Text(
            new(line.X + 1.2, line.Y - 1.9 * canvas.TextHeight),
            $"level {units.FormatWithUnit(geometry.Road.Level(station), QuantityKind.Length)}",
            TextKind.SoftNumber,
            halo: true
        );
        canvas.Text(At(section.LeftEdge, 0) + new Point(-3, 0), "left", TextKind.Soft, Anchor.End);
        canvas.Text(At(section.RightEdge, 0) + new Point(3, 0), "right", TextKind.Soft);
    }

    /// <summary>Level of a girder's top against the road line's; where it is not cut, that of its nearer end.</summary>
    private double GirderTop(GirderLine girder) =>
        Cut(girder) is var cut ? geometry.HaunchOf(girder, cut.Span).Top(cut.Fraction) - geometry.Road.Level(station) : 0;

    private Core.Sections.MadeSection SectionHere(GirderLine girder) =>
        Cut(girder) is var cut ? geometry.SectionOf(girder, cut.Span, cut.Fraction) : null!;

    /// <summary>Girders of the span that is cut; beyond the ends those of the nearer span.</summary>
    private IEnumerable<GirderLine> Present =>
        geometry.Girders.Where(g => geometry.GirderCutAt(g, station) is not null || g.IsIn(Nearest.Span));

    private (SpanIndex Span, double Fraction, double Offset) Nearest =>
        station < geometry.Axes[1].Station ? (0, 0, 0) : (geometry.SpanCount - 1, 1, 0);

    private (SpanIndex Span, double Fraction, double Offset) Cut(GirderLine girder) => geometry.GirderCutAt(girder, station) ?? Nearest;

    private UnitPlace UnitOver(double offset) => geometry.UnitAt(station, offset);

    /// <summary>The strips of a cut, those at its ends only as far as it goes.</summary>
    private static IEnumerable<StripPlace> Clipped(DeckCut cut)
    {
        foreach (var strip in cut.Section.Strips)
        {
            var (from, to) = (Math.Max(strip.From, cut.From), Math.Min(strip.To, cut.To));
            if (to - from < 1e-6)
                continue;
            var (a, b) = ((from - strip.From) / strip.Width, (to - strip.From) / strip.Width);
            yield return strip with
            {
                From = from,
                To = to,
                SurfaceFrom = strip.SurfaceFrom + a * (strip.SurfaceTo - strip.SurfaceFrom),
                SurfaceTo = strip.SurfaceFrom + b * (strip.SurfaceTo - strip.SurfaceFrom),
                SlabFrom = strip.SlabFrom + a * (strip.SlabTo - strip.SlabFrom),
                SlabTo = strip.SlabFrom + b * (strip.SlabTo - strip.SlabFrom),
            };
        }
    }

    private void Slab(string? picked)
    {
        if (cuts.IsEmpty)
            canvas.Text(
                new(canvas.Width / 2, canvas.Height - 3.4 * canvas.TextHeight),
                "There is no deck at this station.",
                TextKind.Soft,
                Anchor.Middle
            );
        foreach (var cut in cuts)
        {
            foreach (var strip in Clipped(cut))
            {
                canvas.Part = strip.Part;
                var isPicked = picked == strip.Part;
                var kind = isPicked
                    ? Fill.Picked
                    : strip.Kind switch
                    {
                        StripKind.EdgeBeam => Fill.Concrete,
                        StripKind.Carriageway or StripKind.HardStrip => Fill.Surfacing,
                        _ => Fill.Soft,
                    };
                canvas.Area(
                    [
                        At(strip.From, strip.SlabFrom),
                        At(strip.From, strip.SurfaceFrom),
                        At(strip.To, strip.SurfaceTo),
                        At(strip.To, strip.SlabTo),
                    ],
                    kind,
                    isPicked ? Pen.Active : Pen.Edge
                );
                if (strip.Surfacing is > 0 and { } layer && layer < strip.LeastFill)
                    canvas.Area(
                        [
                            At(strip.From, strip.SurfaceFrom - layer),
                            At(strip.From, strip.SurfaceFrom),
                            At(strip.To, strip.SurfaceTo),
                            At(strip.To, strip.SurfaceTo - layer),
                        ],
                        isPicked ? Fill.Picked : Fill.Surfacing,
                        Pen.Light
                    );
            }
            canvas.Part = PartPath.Unit(cut.Unit.Number);
            canvas.Area(
                cut.Section.SlabOutline(cut.From, cut.To).Select(p => At(p.X, p.Y)),
                picked == canvas.Part ? Fill.Picked : Fill.Concrete,
                Pen.Cut
            );
        }
        canvas.Part = null;
    }

    private void Parapets(string? picked)
    {
        foreach (var parapet in ParapetLine.All(geometry).Where(p => p.Covers(station)))
        {
            canvas.Part = parapet.Path;
            if (parapet.Profile.Posts is { } posts)
                canvas.Area(parapet.Place(posts.Outline, station).Select(p => At(p.X, p.Y)), Fill.Sheet, Pen.Light);
            foreach (var outline in parapet.Outlines(station))
                canvas.Area(
                    outline.Select(p => At(p.X, p.Y)),
                    picked == parapet.Path ? Fill.Picked : Fill.Precast,
                    picked == parapet.Path ? Pen.Active : Pen.Edge
                );
        }
        canvas.Part = null;
    }

    private void Girder(GirderLine girder, double offset, bool picked, string part)
    {
        var (shape, top) = (SectionHere(girder), GirderTop(girder));
        var half = shape.TopWidth / 2;
        canvas.Part = part;
        var unit = UnitOver(offset);
        var (here, slab) = (unit.Shape.At(station), unit.Pattern.Slab);
        double Soffit(double o) => here.SlabSoffit(o) - slab.Thickening;
        if (slab.Thickening > 0)
        {
            var (flat, reach) = (slab.ThickeningWidth / 2, slab.ThickeningWidth / 2 + 3 * slab.Thickening);
            canvas.Area(
                [
                    At(offset - reach, here.SlabSoffit(offset - reach)),
                    At(offset - flat, Soffit(offset - flat)),
                    At(offset + flat, Soffit(offset + flat)),
                    At(offset + reach, here.SlabSoffit(offset + reach)),
                ],
                Fill.Concrete,
                Pen.Edge
            );
        }
        if (geometry.Bridge.Deck.Haunch > 0)
            canvas.Area(
                [
                    At(offset - half, top),
                    At(offset - half, Soffit(offset - half)),
                    At(offset, Soffit(offset)),
                    At(offset + half, Soffit(offset + half)),
                    At(offset + half, top),
                ],
                Fill.Concrete,
                Pen.Light
            );
        foreach (var shapePart in shape.Parts)
            canvas.Area(
                shapePart.Outline.Points.Select(p => At(offset + p.X, top - shape.Top + p.Y)),
                shapePart.IsVoid ? Fill.Sheet
                    : picked ? Fill.Picked
                    : Fill.Precast,
                picked ? Pen.Active : Pen.Cut
            );
        var radius = Math.Max(0.25, 0.008 * perMetre);
        foreach (var row in shape.IsSteel ? [] : geometry.TypeOf(girder, Cut(girder).Span).Strands.Rows)
        {
            for (var i = 0; i < row.Count; i++)
                canvas.Circle(
                    At(offset + (i - (row.Count - 1) / 2.0) * row.Spacing, top - shape.Depth + row.Level),
                    radius,
                    Pen.None,
                    Fill.Ink
                );
        }
        var (span, fraction) = (Cut(girder).Span, Cut(girder).Fraction);
        var rows = shape.IsSteel ? [] : geometry.TypeOf(girder, span).Bars;
        foreach (var run in rows.SelectMany(r => r.In(shape)).Where(r => r.Reaches(fraction)))
        {
            foreach (var x in run.Across(shape))
                canvas.Circle(
                    At(offset + x, top - shape.Depth + run.Row.Level),
                    Math.Max(0.25, run.Row.Diameter / 2 * perMetre),
                    Pen.None,
                    Fill.Ink
                );
        }
        foreach (var row in shape.IsSteel ? [] : tendons.At(girder, span, fraction))
        {
            var tendon = tendons.All[row.Index];
            foreach (var x in DuctPlaces.Of(shape, tendon.Ducts))
                canvas.Circle(
                    At(offset + x, top - shape.Depth + row.Level),
                    Math.Max(0.35, tendon.DuctDiameter / 2 * perMetre),
                    Pen.Load,
                    Fill.Sheet
                );
        }
        canvas.Part = null;
        canvas.Text(
            At(offset, top - shape.Depth) + new Point(0, 1.35 * canvas.TextHeight),
            girder.Name,
            picked ? TextKind.Strong : TextKind.Plain,
            Anchor.Middle
        );
    }

    /// <summary>Diaphragms and frames that the section cuts or that stand within half a metre of it, behind the girders.</summary>
    private void Diaphragms(string? picked)
    {
        foreach (var bay in geometry.DiaphragmBays())
        {
            var (left, right) = (geometry.Road.Locate(bay.From), geometry.Road.Locate(bay.To));
            if (Math.Abs((left.Station + right.Station) / 2 - station) > Math.Max(0.5, bay.Diaphragm.Width / 2))
                continue;
            canvas.Part = PartPath.Diaphragm(bay.Index);
            double Top(GirderLine girder, double t) => geometry.HaunchOf(girder, bay.Span).Top(t) - geometry.Road.Level(station);
            var (from, to) = (new Point(left.Offset, Top(bay.Left, bay.OnLeft)), new Point(right.Offset, Top(bay.Right, bay.OnRight)));
            Point Place(double across, double below) => At(from.X + across * (to.X - from.X), from.Y + across * (to.Y - from.Y) - below);
            var pen = picked == canvas.Part ? Pen.Active : Pen.Edge;
            if (bay.Diaphragm.Kind == DiaphragmKind.Concrete)
                canvas.Area(
                    [Place(0, 0), Place(1, 0), Place(1, bay.Diaphragm.Depth), Place(0, bay.Diaphragm.Depth)],
                    picked == canvas.Part ? Fill.Picked : Fill.Soft,
                    pen
                );
            else
                foreach (var (a, b, _) in DiaphragmBay.Bars(bay.Diaphragm))
                    canvas.Line(Place(a.Across, a.Below), Place(b.Across, b.Below), pen);
        }
        canvas.Part = null;
    }

    private void Crossfalls()
    {
        foreach (var strip in section.Strips.Where(s => s.Kind is StripKind.Carriageway or StripKind.HardStrip && s.Width * perMetre > 14))
        {
            var outward =
                strip.From >= 0 ? (strip.SurfaceTo - strip.SurfaceFrom) / strip.Width : (strip.SurfaceFrom - strip.SurfaceTo) / strip.Width;
            var middle =
                At(strip.From + strip.Width * (strip.From >= 0 ? 0.76 : 0.4), Math.Max(strip.SurfaceFrom, strip.SurfaceTo))
                + new Point(0, -0.9 * canvas.TextHeight);
            canvas.Text(middle, $"{QuantityText.Fixed(Math.Abs(outward) * 100, 1)} %", TextKind.SoftNumber, Anchor.Middle, true);
            if (outward == 0)
                continue;
            var right = strip.From >= 0 == outward < 0 ? 1 : -1;
            var below = new Point(0, 0.4 * canvas.TextHeight);
            canvas.Arrow(middle + below - new Point(3 * right, 0), middle + below + new Point(3 * right, 0), Pen.Dimension);
        }
    }

    private void Dimensions()
    {
        var offsets = geometry.Girders.Select(g => geometry.GirderOffsetAt(g, station)).OfType<double>().ToList();
        var y = canvas.Height - 3.1 * canvas.TextHeight;
        if (offsets.Count > 0)
        {
            List<double> chain = [section.LeftEdge, .. offsets, section.RightEdge];
            canvas.Dimensions(
                [.. chain.Select(o => new Point(At(o, 0).X, y))],
                [.. chain.Zip(chain.Skip(1), (a, b) => units.Format(b - a, QuantityKind.Length))]
            );
        }
        canvas.Dimensions(
            [new(At(section.LeftEdge, 0).X, y + 1.9 * canvas.TextHeight), new(At(section.RightEdge, 0).X, y + 1.9 * canvas.TextHeight)],
            [units.Format(section.Width, QuantityKind.Length)]
        );
    }
}
