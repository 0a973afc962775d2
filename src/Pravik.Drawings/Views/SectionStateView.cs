using Pravik.Core.Checks.En1992;
using Pravik.Core.Geometry;
using Pravik.Core.Members;
using Pravik.Core.Units;

namespace Pravik.Drawings.Views;

/// <summary>A section with its strains and stresses beside it, all at one height.</summary>
public sealed class SectionStateView
{
    private readonly Canvas canvas;
    private readonly MemberSection section;
    private readonly SectionState state;
    private readonly UnitSystem units;
    private readonly double k;
    private readonly double foot;

    private SectionStateView(MemberSection section, SectionState state, UnitSystem units, ViewSize size, double scale)
    {
        canvas = new(size.Width, size.Height, size.TextHeight);
        (this.section, this.state, this.units) = (section, state, units);
        k = 1000.0 / scale;
        foot = (size.Height + k * section.Depth) / 2 + size.TextHeight;
    }

    private double Y(double height) => foot - k * height;

    /// <summary>Draws them.</summary>
    /// <param name="section">The section.</param>
    /// <param name="state">Its state.</param>
    /// <param name="at">The place in words.</param>
    /// <param name="units">Units of what is written.</param>
    /// <param name="size">Room.</param>
    public static Drawing Draw(MemberSection section, SectionState state, string at, UnitSystem units, ViewSize size)
    {
        var points = section.Concrete.SelectMany(c => c.Outline.Points).ToList();
        var (left, right) = (points.Min(p => p.X), points.Max(p => p.X));
        var scale = Math.Max(
            DrawingScale.Fitting(right - left, 0.34 * size.Width),
            DrawingScale.Fitting(section.Depth, Math.Max(4, size.Height - 9 * size.TextHeight))
        );
        var view = new SectionStateView(section, state, units, size, scale);
        var middle = 0.19 * size.Width;
        SectionMarks.Draw(view.canvas, section, (x, y) => new(middle + view.k * (x - (left + right) / 2), view.Y(y)), view.k, units);
        if (state.NeutralAxis is { } axis)
        {
            view.canvas.Line(new(0.02 * size.Width, view.Y(axis)), new(0.78 * size.Width, view.Y(axis)), Pen.Axis);
            var words = units.Format(axis, QuantityKind.Size);
            view.canvas.Text(new(0.02 * size.Width, view.Y(axis) - 0.4 * size.TextHeight), words, TextKind.Number, Anchor.Start, true);
        }
        view.Panel("strain, ‰, tension right", 0.48 * size.Width, 0.08 * size.Width, p => 1000 * p.Strain, 2);
        var stress = units[QuantityKind.Stress];
        view.Panel($"stress of concrete, {stress.Symbol}", 0.68 * size.Width, 0.09 * size.Width, p => p.Stress / stress.Factor, 1);
        view.Steel(0.8 * size.Width);
        var cracked = state.IsCracked ? "cracked" : "uncracked";
        return view.canvas.Finish(state.Name, $"{at}, {cracked}, {DrawingScale.Text(scale)}");
    }

    /// <summary>A quantity of the concrete over the height, tension to the right, with its values at the corners.</summary>
    private void Panel(string title, double zero, double half, Func<ConcreteAt, double> value, int digits)
    {
        var text = canvas.TextHeight;
        canvas.Text(new(zero, Y(section.Depth) - 1.2 * text), title, TextKind.Soft, Anchor.Middle);
        canvas.Line(new(zero, Y(0)), new(zero, Y(section.Depth)), Pen.Edge);
        var most = state.Concrete.Concat(state.Before ?? []).SelectMany(c => c.Points).Max(p => Math.Abs(value(p)));
        if (most < 1e-9)
            return;
        Point At(ConcreteAt p) => new(zero + value(p) / most * half, Y(p.Height));
        foreach (var part in state.Before ?? [])
            canvas.Path(part.Points.Select(At), Pen.Former);
        foreach (var part in state.Concrete)
        {
            canvas.Area(
                [new(zero, Y(part.Points[0].Height)), .. part.Points.Select(At), new(zero, Y(part.Points[^1].Height))],
                Fill.Envelope,
                Pen.Active
            );
        }
        var last = double.NegativeInfinity;
        ConcreteAt[] ends = [.. state.Concrete.SelectMany(c => new[] { c.Points[^1], c.Points[0] }).OrderByDescending(p => p.Height)];
        foreach (var end in ends.Where(p => Math.Abs(value(p)) > 1e-3 * most))
        {
            var (at, isRight) = (At(end), value(end) > 0);
            if (at.Y - last < 0.9 * text)
                continue;
            var number = QuantityText.Fixed(value(end), digits);
            canvas.Text(at + new Point(isRight ? 1 : -1, 0.35 * text), number, TextKind.Number, isRight ? Anchor.Start : Anchor.End, true);
            last = at.Y;
        }
    }

    private void Steel(double right)
    {
        var stress = units[QuantityKind.Stress];
        canvas.Text(new(right + 9, Y(section.Depth) - 1.2 * canvas.TextHeight), $"steel, {stress.Symbol}", TextKind.Soft);
        SectionMarks.Notes(
            canvas,
            [.. state.Steel.Select(s => (s.Height, $"{QuantityText.Fixed(s.Stress / stress.Factor, 1)}  {s.Name}"))],
            right,
            Y
        );
    }
}
