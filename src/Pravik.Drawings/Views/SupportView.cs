using Pravik.Core.Geometry;
using Pravik.Core.Places;
using Pravik.Core.Roads;
using Pravik.Core.Solids;
using Pravik.Core.Units;

namespace Pravik.Drawings.Views;

/// <summary>
/// A support seen along the bridge, square to its axis: true along the axis and in level, with deck and girders cut above it.
/// </summary>
public sealed class SupportView
{
    private readonly BridgeGeometry geometry;
    private readonly SupportPlace support;
    private readonly Ground? ground;
    private readonly UnitSystem units;
    private readonly Canvas canvas;
    private readonly int scale;
    private readonly double k;
    private readonly double x0;
    private readonly double y0;
    private readonly double low;
    private readonly List<PartSolid> parts;

    private SupportView(BridgeGeometry geometry, Ground? ground, int axis, UnitSystem units, ViewSize size)
    {
        (this.geometry, this.ground, this.units) = (geometry, ground, units);
        support = new(geometry, ground, geometry.Axes[axis - 1]);
        canvas = new(size.Width, size.Height, size.TextHeight);
        parts = [.. new SupportSolids(support).Parts()];
        var points = parts.SelectMany(p => p.Solid.Points).ToList();
        // Of long piles only their heads are shown.
        low = Math.Max(points.Min(p => p.Z), support.FoundingLevel - 3);
        var high = points.Max(p => p.Z);
        foreach (var u in new[] { support.LeftEdge, 0, support.RightEdge })
            high = Math.Max(high, Deck(u).Surface);
        var across = points.Select(p => support.Local(new(p.X, p.Y)).X).ToList();
        var (left, right) = (Math.Min(across.Min(), support.LeftEdge), Math.Max(across.Max(), support.RightEdge));
        var (head, foot) = (3.4 * size.TextHeight, 4.2 * size.TextHeight);
        scale = Math.Max(
            DrawingScale.Fitting(right - left, size.Width - 64),
            DrawingScale.Fitting(high - low, Math.Max(4, size.Height - head - foot))
        );
        k = 1000.0 / scale;
        x0 = size.Width / 2 - k * (left + right) / 2;
        y0 = head + (size.Height - head - foot) / 2 + k * (high + low) / 2;
    }

    /// <summary>Draws the support at an axis (from 1).</summary>
    public static Drawing Draw(BridgeGeometry geometry, Ground? ground, int axis, UnitSystem units, ViewSize size, string? picked = null)
    {
        var view = new SupportView(geometry, ground, axis, units, size);
        view.GroundLine();
        view.Above();
        SupportShapes.Draw(view.canvas, view.parts, p => view.At(view.support.Local(new(p.X, p.Y)).X, Math.Max(p.Z, view.low)), picked);
        view.Levels();
        view.Dimensions();
        return view.canvas.Finish(
            $"Support at axis {view.support.Axis.Name}",
            $"looking ahead, square to the axis, {DrawingScale.Text(view.scale)}"
        );
    }

    private Point At(double u, double level) => new(x0 + k * u, y0 - k * level);

    /// <summary>Levels of the deck at a place on the axis.</summary>
    private (double Surface, double SlabTop, double Soffit) Deck(double u)
    {
        var place = geometry.Road.Locate(support.World(new(u, 0)));
        var (road, section) = (geometry.Road.Level(place.Station), geometry.SectionAt(place.Station, place.Offset));
        return (road + section.Surface(place.Offset), road + section.SlabTop(place.Offset), road + section.SlabSoffit(place.Offset));
    }

    private void Above()
    {
        const double Step = 1e-6;
        var cos = Math.Cos(support.Axis.Skew);
        var section = geometry.SectionAt(support.Axis.Station);
        // Strips step up: both sides of every boundary.
        var places = section
            .Strips.SelectMany(s => new[] { s.From / cos + Step, s.To / cos - Step })
            .Select(u => Math.Clamp(u, support.LeftEdge + Step, support.RightEdge - Step))
            .Order()
            .ToList();
        var deck = places.ConvertAll(u => (U: u, Levels: Deck(u)));
        canvas.Area(
            deck.Select(d => At(d.U, d.Levels.Surface)).Concat(deck.AsEnumerable().Reverse().Select(d => At(d.U, d.Levels.SlabTop))),
            Fill.Surfacing,
            Pen.Light
        );
        canvas.Area(
            deck.Select(d => At(d.U, d.Levels.SlabTop)).Concat(deck.AsEnumerable().Reverse().Select(d => At(d.U, d.Levels.Soffit))),
            Fill.Concrete,
            Pen.Cut
        );
        foreach (var bearing in support.Bearings)
        {
            var shape = geometry.SectionOf(bearing.Girder, bearing.Span, bearing.Fraction);
            var u = support.Local(bearing.At).X;
            canvas.Part = PartPath.Girder(bearing.Girder, bearing.Span);
            foreach (var part in shape.Parts)
                canvas.Area(
                    part.Outline.Points.Select(p => At(u + p.X, bearing.Soffit - shape.Bottom + p.Y)),
                    part.IsVoid ? Fill.Sheet : Fill.Precast,
                    Pen.Edge
                );
        }
        canvas.Part = null;
        canvas.Line(At(0, Deck(0).Surface) - new Point(0, 2 * canvas.TextHeight), At(0, low) + new Point(0, 2), Pen.Axis);
        canvas.Text(At(0, Deck(0).Surface) + new Point(1.2, -1.2 * canvas.TextHeight), "road line", TextKind.Soft, halo: true);
    }

    private void GroundLine()
    {
        if (ground is null)
            return;
        var (from, to) = ((2 - x0) / k, (canvas.Width - 2 - x0) / k);
        var line = Enumerable
            .Range(0, 41)
            .Select(i => from + (to - from) * i / 40)
            .Select(u => (U: u, Level: ground.Level(support.World(new(u, 0)))))
            .Where(p => p.Level is not null)
            .Select(p => At(p.U, p.Level!.Value))
            .Where(p => p.Y > 0 && p.Y < canvas.Height)
            .ToList();
        if (line.Count < 2)
            return;
        canvas.Area([.. line, .. line.AsEnumerable().Reverse().Select(p => p + new Point(0, 2.2))], Fill.Soft);
        canvas.Path(line, Pen.Light);
    }

    /// <summary>Levels at the right, apart from one another.</summary>
    private void Levels()
    {
        List<(double Level, string Words)> levels =
        [
            (Deck(0).Surface, "road"),
            (support.Bearings.Min(b => b.Seat), "lowest seat"),
            (support.ShelfLevel, "shelf"),
        ];
        if (!support.Values.Is("pier", "pileBent") && !support.Values.Is("abutment", "piled"))
            levels.Add((support.FoundingLevel, "founding"));
        if (support.LowestGround is { } g)
            levels.Add((g, "lowest ground"));
        double? last = null;
        foreach (var (level, words) in levels.OrderByDescending(l => l.Level))
        {
            var y = At(0, level).Y;
            var text = last is { } above ? Math.Max(y, above + 1.25 * canvas.TextHeight) : y;
            last = text;
            var x = canvas.Width - 29;
            canvas.Path([new(x - 6, y), new(x - 3, y), new(x - 0.5, text)], Pen.Dimension);
            canvas.Text(new(x, text + 0.35 * canvas.TextHeight), $"{units.Format(level, QuantityKind.Length)}", TextKind.Number);
            canvas.Text(
                new(x + 1 + canvas.WidthOf(units.Format(level, QuantityKind.Length), TextKind.Number), text + 0.35 * canvas.TextHeight),
                words,
                TextKind.Soft
            );
        }
    }

    private void Dimensions()
    {
        var y = canvas.Height - 1.6 * canvas.TextHeight;
        var stems = support.Stems.Select(s => s.U).ToList();
        if (stems.Count > 1)
            canvas.Dimensions(
                [.. stems.Select(u => new Point(At(u, 0).X, y))],
                [.. stems.Zip(stems.Skip(1), (a, b) => units.Format(b - a, QuantityKind.Length))]
            );
        else
            canvas.Dimensions(
                [
                    new(At(support.Stems[0].U - support.Stems[0].Width / 2, 0).X, y),
                    new(At(support.Stems[0].U + support.Stems[0].Width / 2, 0).X, y),
                ],
                [units.Format(support.Stems[0].Width, QuantityKind.Length)]
            );
        var x = 14.0;
        List<double> chain =
            support.Values.IsAbutment && !support.Values.Is("abutment", "wall")
                ? [support.FoundingLevel, support.CapSoffit, support.ShelfLevel]
            : support.CapSoffit > support.FootTop && support.FootTop > low
                ? [support.FoundingLevel, support.FootTop, support.CapSoffit, support.ShelfLevel]
            : [support.CapSoffit, support.ShelfLevel];
        canvas.Dimensions(
            [.. chain.Select(z => new Point(x, At(0, z).Y))],
            [.. chain.Zip(chain.Skip(1), (a, b) => units.Format(b - a, QuantityKind.Length))]
        );
    }
}
