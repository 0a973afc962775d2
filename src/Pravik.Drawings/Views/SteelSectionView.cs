using Pravik.Core.Checks.Steel;
using Pravik.Core.Geometry;
using Pravik.Core.Members;
using Pravik.Core.Units;

namespace Pravik.Drawings.Views;

/// <summary>
/// A steel girder with its slab, where the neutral axes of its section states lie, and the stresses of its greatest and least moments.
/// </summary>
public sealed class SteelSectionView
{
    private readonly Canvas canvas;
    private readonly MemberSteel steel;
    private readonly UnitSystem units;
    private readonly double k;
    private readonly double foot;

    private SteelSectionView(MemberSteel steel, UnitSystem units, ViewSize size, double scale)
    {
        canvas = new(size.Width, size.Height, size.TextHeight);
        (this.steel, this.units) = (steel, units);
        k = 1000.0 / scale;
        foot = (size.Height + k * steel.SlabTop) / 2 + size.TextHeight;
    }

    private double Y(double height) => foot - k * height;

    /// <summary>Draws it.</summary>
    /// <param name="steel">The section.</param>
    /// <param name="readings">Stresses under some moments, by their names.</param>
    /// <param name="title">What is shown.</param>
    /// <param name="at">The place in words.</param>
    /// <param name="units">Units of what is written.</param>
    /// <param name="size">Room.</param>
    public static Drawing Draw(
        MemberSteel steel,
        IReadOnlyList<(string Name, SteelReading Stresses)> readings,
        string title,
        string at,
        UnitSystem units,
        ViewSize size
    )
    {
        var scale = Math.Max(
            DrawingScale.Fitting(Math.Max(steel.Slab.Width, steel.Plates.Bottom.Width), 0.34 * size.Width),
            DrawingScale.Fitting(steel.SlabTop, Math.Max(4, size.Height - 9 * size.TextHeight))
        );
        var view = new SteelSectionView(steel, units, size, scale);
        view.Section(0.2 * size.Width);
        for (var i = 0; i < readings.Count; i++)
            view.Stresses(readings[i].Name, readings[i].Stresses, (0.62 + 0.26 * i) * size.Width, 0.085 * size.Width);
        return view.canvas.Finish(title, $"{at}, {DrawingScale.Text(scale)}");
    }

    private void Section(double middle)
    {
        var (plates, slab) = (steel.Plates, steel.Slab);
        var web = plates.Bottom.Thickness + plates.WebDepth;
        Box(middle, slab.Width, steel.SlabTop - slab.Thickness, steel.SlabTop, Fill.Paper);
        Box(middle, plates.Bottom.Width, 0, plates.Bottom.Thickness, Fill.Ink);
        Box(middle, plates.WebThickness, plates.Bottom.Thickness, web, Fill.Ink);
        Box(middle, plates.Top.Width, web, plates.Depth, Fill.Ink);
        foreach (var bars in slab.Bars)
            canvas.Line(
                new(middle - 0.48 * k * slab.Width, Y(bars.Height)),
                new(middle + 0.48 * k * slab.Width, Y(bars.Height)),
                Pen.Hidden
            );
        var last = double.NegativeInfinity;
        foreach (var (state, name) in States.OrderByDescending(s => steel.In(s.State).Centroid))
        {
            var at = Y(steel.In(state).Centroid);
            canvas.Line(new(middle - 0.1 * k * slab.Width, at), new(middle + 0.55 * k * slab.Width, at), Pen.Axis);
            last = Math.Max(at + 0.35 * canvas.TextHeight, last + canvas.TextHeight);
            canvas.Text(new(middle + 0.56 * k * slab.Width, last), name, TextKind.Soft);
        }
    }

    /// <summary>The states in which a section may resist, in words.</summary>
    public static IReadOnlyList<(SteelState State, string Name)> States { get; } =
    [
        (SteelState.Bare, "steel alone"),
        (SteelState.LongTerm, "slab at 3n"),
        (SteelState.ShortTerm, "slab at n"),
        (SteelState.Cracked, "steel and bars"),
    ];

    private void Box(double middle, double width, double from, double to, Fill fill) =>
        canvas.Area(
            [
                new(middle - k * width / 2, Y(from)),
                new(middle + k * width / 2, Y(from)),
                new(middle + k * width / 2, Y(to)),
                new(middle - k * width / 2, Y(to)),
            ],
            fill,
            Pen.Edge
        );

    /// <summary>Stress over the height of the steel, tension to the right, within the yield strengths of both flanges.</summary>
    private void Stresses(string name, SteelReading of, double zero, double half)
    {
        var (stress, text, depth) = (units[QuantityKind.Stress], canvas.TextHeight, steel.Plates.Depth);
        var most = Math.Max(steel.FlangeYield(true), Math.Max(Math.Abs(of.Top), Math.Abs(of.Bottom)));
        double X(double value) => zero + value / most * half;
        canvas.Text(new(zero, Y(steel.SlabTop) - 1.2 * text), $"{name}, {stress.Symbol}", TextKind.Soft, Anchor.Middle);
        canvas.Line(new(zero, Y(0)), new(zero, Y(depth)), Pen.Edge);
        foreach (var sign in new[] { -1, 1 })
            canvas.Line(new(X(sign * steel.FlangeYield(false)), Y(0)), new(X(sign * steel.FlangeYield(true)), Y(depth)), Pen.Resistance);
        if (of.Moment == 0)
            return;
        canvas.Area([new(zero, Y(0)), new(X(of.Bottom), Y(0)), new(X(of.Top), Y(depth)), new(zero, Y(depth))], Fill.Envelope, Pen.Active);
        foreach (var (value, height, side) in new[] { (of.Bottom, 0.0, 1), (of.Top, depth, -1) })
        {
            var at = new Point(X(value) + (value > 0 ? 1 : -1), Y(height) + (side > 0 ? -0.2 : 0.9) * text);
            canvas.Text(at, QuantityText.Fixed(value / stress.Factor, 1), TextKind.Number, value > 0 ? Anchor.Start : Anchor.End, true);
        }
        var slab = of.SlabActs ? $"slab {QuantityText.Fixed(of.Slab / stress.Factor, 1)}" : "slab cracked";
        canvas.Text(new(zero, Y(steel.SlabTop) + 0.9 * text), slab, TextKind.Soft, Anchor.Middle);
    }
}
