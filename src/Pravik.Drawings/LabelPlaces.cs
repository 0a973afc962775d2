using Pravik.Core.Geometry;

namespace Pravik.Drawings;

/// <summary>
/// Moves labels that would lie on one another or on an axis bubble. Only labels that are laid over a drawing (with a halo) move, by as
/// little as makes them free; one that finds no free place stays where it is.
/// </summary>
internal static class LabelPlaces
{
    /// <summary>Discs up to this radius, in heights of text, are bubbles and points that a label must not cover.</summary>
    private const double Bubble = 1.2;

    /// <summary>How much two boxes may share before they count as lying on each other (mm).</summary>
    private const double Slack = 0.25;

    private readonly record struct Box(double Left, double Top, double Right, double Bottom)
    {
        public bool Meets(Box other) =>
            Math.Min(Right, other.Right) - Math.Max(Left, other.Left) > Slack
            && Math.Min(Bottom, other.Bottom) - Math.Max(Top, other.Top) > Slack;
    }

    public static List<Mark> Free(IReadOnlyList<Mark> marks, Canvas canvas)
    {
        var placed = new List<Box>();
        foreach (var mark in marks)
        {
            if (mark is Label { Halo: false } fixedLabel)
                placed.Add(BoxOf(fixedLabel, canvas));
            else if (mark is Disc disc && disc.Radius <= Bubble * canvas.TextHeight)
                placed.Add(
                    new(disc.Centre.X - disc.Radius, disc.Centre.Y - disc.Radius, disc.Centre.X + disc.Radius, disc.Centre.Y + disc.Radius)
                );
        }
        var made = new List<Mark>(marks.Count);
        foreach (var mark in marks)
        {
            if (mark is not Label { Halo: true } label)
            {
                made.Add(mark);
                continue;
            }
            var free = Places(label).FirstOrDefault(l => IsFree(BoxOf(l, canvas), placed, canvas), label);
            placed.Add(BoxOf(free, canvas));
            made.Add(free);
        }
        return made;
    }

    /// <summary>Where a label may go: where it is, then up, down and aside by parts of its height.</summary>
    private static IEnumerable<Label> Places(Label label)
    {
        yield return label;
        foreach (var by in new[] { 1.15, 2.3, 3.45 })
        {
            yield return label with
            {
                At = label.At + new Point(0, -by * label.Height),
            };
            yield return label with
            {
                At = label.At + new Point(0, by * label.Height),
            };
            yield return label with
            {
                At = label.At + new Point(by * label.Height, 0),
            };
            yield return label with
            {
                At = label.At + new Point(-by * label.Height, 0),
            };
        }
    }

    private static bool IsFree(Box box, List<Box> placed, Canvas canvas) =>
        box.Left >= 0 && box.Right <= canvas.Width && box.Top >= 0 && box.Bottom <= canvas.Height && !placed.Any(box.Meets);

    private static Box BoxOf(Label label, Canvas canvas)
    {
        var width = canvas.WidthOf(label.Text, label.Kind) * label.Height / canvas.TextHeight;
        var left =
            label.At.X
            - (
                label.Anchor == Anchor.Middle ? width / 2
                : label.Anchor == Anchor.End ? width
                : 0
            );
        return new(left, label.At.Y - 0.8 * label.Height, left + width, label.At.Y + 0.1 * label.Height);
    }
}
