using Pravik.Core.Bridges;
using Pravik.Core.Geometry;
using Pravik.Core.Solids;

namespace Pravik.Drawings.Views;

/// <summary>Draws the parts of supports: each as the hull of its solid seen along a direction.</summary>
internal static class SupportShapes
{
    private static readonly SolidKind[] FromBehind =
    [
        SolidKind.Piles,
        SolidKind.Foundations,
        SolidKind.ApproachSlabs,
        SolidKind.WingWalls,
        SolidKind.Piers,
        SolidKind.Crossheads,
        SolidKind.Abutments,
        SolidKind.Plinths,
        SolidKind.Bearings,
    ];

    /// <summary>Draws the parts with what projects a point in space to the paper, those behind first.</summary>
    public static void Draw(
        Canvas canvas,
        IEnumerable<PartSolid> parts,
        Func<Point3, Point> project,
        string? picked,
        Func<SolidKind, Pen>? pen = null
    )
    {
        foreach (var part in parts.OrderBy(p => Array.IndexOf(FromBehind, p.Kind)))
        {
            var hull = Hull.Of(part.Solid.Points.Select(project));
            if (hull.Count < 3)
                continue;
            var isPicked = picked == part.Path || picked?.StartsWith(part.Path + "/", StringComparison.Ordinal) == true;
            var drawn = pen?.Invoke(part.Kind) ?? Pen.Edge;
            canvas.Part = part.Path;
            canvas.Area(
                hull,
                isPicked ? Fill.Picked
                    : pen is not null ? Fill.None
                    : part.Kind == SolidKind.Bearings ? Fill.Ink
                    : part.Kind is SolidKind.Piles or SolidKind.Foundations ? Fill.Soft
                    : Fill.Paper,
                isPicked && pen is null ? Pen.Active : drawn
            );
        }
        canvas.Part = null;
    }

    /// <summary>
    /// A bearing in plan: its outline, with a bar on each side to which it cannot move, a ring for an elastomeric one and a cross for
    /// springs.
    /// </summary>
    public static void Bearing(Canvas canvas, BearingType type, Point centre, Point along, double perMetre)
    {
        var across = new Point(-along.Y, along.X);
        var (l, w) = (Math.Max(0.75, perMetre * type.Length / 2), Math.Max(0.75, perMetre * type.Width / 2));
        Point At(double a, double b) => centre + a * along + b * across;
        canvas.Area([At(-l, -w), At(l, -w), At(l, w), At(-l, w)], Fill.Sheet, Pen.Edge);
        var (shear, bar) = (type.Shear(), 0.55);
        if (double.IsInfinity(shear.Along))
            foreach (var side in new[] { -1, 1 })
                canvas.Line(At(side * (l + bar), -w), At(side * (l + bar), w), Pen.Cut);
        if (double.IsInfinity(shear.Across))
            foreach (var side in new[] { -1, 1 })
                canvas.Line(At(-l, side * (w + bar)), At(l, side * (w + bar)), Pen.Cut);
        if (type.Freedom == Freedom.Elastomeric)
            canvas.Circle(centre, 0.5 * Math.Min(l, w), Pen.Edge);
        if (type.Freedom == Freedom.Springs)
        {
            canvas.Line(At(-l, -w), At(l, w), Pen.Light);
            canvas.Line(At(-l, w), At(l, -w), Pen.Light);
        }
    }
}
