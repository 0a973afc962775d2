using Pravik.Core.Geometry;
using Pravik.Core.Members;
using Pravik.Core.Units;

namespace Pravik.Drawings.Views;

/// <summary>The section of a member alone at a place: concrete, bars and strands, with its depth and widths.</summary>
public static class LoneSectionView
{
    /// <summary>Draws a section as checks see it.</summary>
    /// <param name="section">The section.</param>
    /// <param name="at">The place in words.</param>
    /// <param name="units">Units of what is written.</param>
    /// <param name="size">Room.</param>
    public static Drawing Draw(MemberSection section, string at, UnitSystem units, ViewSize size)
    {
        var canvas = new Canvas(size.Width, size.Height, size.TextHeight);
        var points = section.Concrete.SelectMany(c => c.Outline.Points).ToList();
        var (left, right) = (points.Min(p => p.X), points.Max(p => p.X));
        var scale = Math.Max(
            DrawingScale.Fitting(right - left, size.Width - 70),
            DrawingScale.Fitting(section.Depth, Math.Max(4, size.Height - 9 * size.TextHeight))
        );
        var k = 1000.0 / scale;
        var (x0, y0) = (size.Width / 2 - 8 - k * (left + right) / 2, size.Height / 2 + k * section.Depth / 2);
        Point At(double x, double y) => new(x0 + k * x, y0 - k * y);
        string Text(double length) => units.Format(length, QuantityKind.Size);
        var notes = SectionMarks.Draw(canvas, section, At, k, units);
        SectionMarks.Notes(canvas, notes, At(right, 0).X, h => At(0, h).Y);
        canvas.Dimensions([At(left, 0) + new Point(-8, 0), At(left, section.Depth) + new Point(-8, 0)], [Text(section.Depth)]);
        canvas.Dimensions([At(left, 0) + new Point(0, 6), At(right, 0) + new Point(0, 6)], [Text(right - left)]);
        return canvas.Finish($"Section {at}", $"{units[QuantityKind.Size].Symbol}, {DrawingScale.Text(scale)}");
    }
}
