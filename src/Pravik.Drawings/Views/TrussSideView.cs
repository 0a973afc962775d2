using System.Collections.Immutable;
using Pravik.Core.Geometry;
using Pravik.Core.Trusses;
using Pravik.Core.Units;

namespace Pravik.Drawings.Views;

/// <summary>What is shown of a bar: force with its sign, and how near it is to its limit.</summary>
/// <param name="Force">Force (N), tension positive.</param>
/// <param name="Ratio">Over its resistance.</param>
public readonly record struct BarState(double Force, double Ratio)
{
    /// <summary>Every bar at its worst; none without results.</summary>
    public static ImmutableArray<BarState> WorstOf(TrussResults? results) =>
        results is null ? [] : [.. results.Bars.Select(b => new BarState(b.Governing, b.Ratio))];
}

/// <summary>A vehicle on the drawing.</summary>
/// <param name="Vehicle">The vehicle.</param>
/// <param name="Front">Place of its first axle (m).</param>
/// <param name="IsAhead">Whether it goes from left to right.</param>
public sealed record ShownVehicle(TrussVehicle Vehicle, double Front, bool IsAhead);

/// <summary>What is shown of a scheme from the side.</summary>
public sealed record TrussShown
{
    /// <summary>State of each bar; empty for none.</summary>
    public ImmutableArray<BarState> States { get; init; } = [];

    /// <summary>Whether ratios stand beside bars.</summary>
    public bool HasNumbers { get; init; } = true;

    /// <summary>Whether joints have their names.</summary>
    public bool HasNames { get; init; }

    /// <summary>Bars and joints that are picked.</summary>
    public ImmutableHashSet<string> Picked { get; init; } = [];

    /// <summary>Movements of joints as drawn (m), x then z; null for none.</summary>
    public double[]? Movements { get; init; }

    /// <summary>Whether it swings between its place and those movements.</summary>
    public bool Swings { get; init; }

    /// <summary>Bars that are gone.</summary>
    public ImmutableHashSet<int> Gone { get; init; } = [];

    /// <summary>A vehicle; null for none.</summary>
    public ShownVehicle? Vehicle { get; init; }

    /// <summary>A scheme that is laid under; null for none.</summary>
    public TrussScheme? Under { get; init; }

    /// <summary>Form of which a faint outline is drawn; null for none.</summary>
    public TrussForm? Outline { get; init; }

    /// <summary>Address of the picture of the scheme; empty for none.</summary>
    public string Picture { get; init; } = "";

    /// <summary>Step of the grid (m); 0 for none.</summary>
    public double Grid { get; init; }

    /// <summary>Place that is marked by a line (m); null for none.</summary>
    public double? Cursor { get; init; }
}

/// <summary>
/// A truss scheme from the side: bars to their depth. Tension is a plain bar in one colour, compression a notched one in another;
/// the filled part of its length and the number are its ratio; what fails is hatched.
/// </summary>
public static class TrussSideView
{
    private const double LeastDepth = 1.1;

    /// <summary>Draws a scheme.</summary>
    public static (Drawing Drawing, TrussPaper Paper) Draw(TrussScheme scheme, UnitSystem units, ViewSize size, TrussShown shown)
    {
        var canvas = new Canvas(size.Width, size.Height, size.TextHeight);
        var paper = new TrussPaper(scheme, canvas, 5);
        paper.Ground(units);
        if (shown.Picture.Length > 0 && scheme.Picture is { } picture)
            canvas.Picture(paper.At(picture.X, picture.Top), paper.Scale * picture.Width, shown.Picture);
        if (shown.Grid > 0)
            Grid(paper, scheme, shown.Grid);
        paper.Deck();
        if (shown.Outline is { } outline && TrussForms.Draw(scheme, outline).Scheme is { } drawn)
            Lines(paper, drawn, Pen.Grid);
        if (shown.Under is { } under)
            Lines(paper, under, Pen.Former);
        if (shown.Cursor is { } x)
            canvas.Line(new(paper.At(x, 0).X, 0), new(paper.At(x, 0).X, size.Height), Pen.Active);
        var at = Places(scheme, shown);
        if (shown.Vehicle is { } vehicle)
            Vehicle(paper, scheme, vehicle, at);
        for (var b = 0; b < scheme.Bars.Length; b++)
            Bar(paper, scheme, shown, at, b);
        if (shown is { Swings: true, Movements: { } swing })
            Swinging(paper, scheme, at, Moved(scheme, at, swing));
        Joints(paper, scheme, shown, at);
        canvas.Part = null;
        if (shown.HasNumbers)
            Numbers(paper, scheme, shown, at);
        StationScale stations = new(paper.X0, 0, paper.Scale);
        return (canvas.Finish("Side view", shown.Under is null ? "" : "dashed: what was before", stations), paper);
    }

    /// <summary>Small pictures of schemes beside each other, four to a line, each with its name under it.</summary>
    public static Drawing Gallery(IReadOnlyList<(TrussScheme Scheme, string Words)> schemes, ViewSize size)
    {
        const int Most = 4;
        var canvas = new Canvas(size.Width, size.Height, size.TextHeight);
        var lines = Math.Max(1, (schemes.Count + Most - 1) / Most);
        var (width, height) = (size.Width / Math.Min(Most, Math.Max(1, schemes.Count)), size.Height / lines);
        for (var i = 0; i < schemes.Count; i++)
        {
            var (x, y) = (i % Most * width, i / Most * height);
            canvas.Place(Small(schemes[i].Scheme, new(width - 6, height - 8, 2)), x + 3, y + 1);
            canvas.Text(new(x + width / 2, y + height - 2.5), schemes[i].Words, TextKind.Plain, Anchor.Middle, true);
        }
        return canvas.Finish("Designs");
    }

    private static Drawing Small(TrussScheme scheme, ViewSize size)
    {
        var canvas = new Canvas(size.Width, size.Height, 2);
        var paper = new TrussPaper(scheme, canvas, 1, false);
        canvas.Line(paper.At(paper.Left, scheme.Site.Road), paper.At(paper.Right, scheme.Site.Road), Pen.Light);
        Lines(paper, scheme, Pen.Edge);
        return canvas.Finish(scheme.Name);
    }

    private static Dictionary<string, Point> Places(TrussScheme scheme, TrussShown shown)
    {
        var at = TrussEdits.Places(scheme);
        if (shown.Movements is not { } moves || shown.Swings)
            return at;
        return Moved(scheme, at, moves);
    }

    private static Dictionary<string, Point> Moved(TrussScheme scheme, Dictionary<string, Point> rest, double[] moves)
    {
        var at = new Dictionary<string, Point>(rest);
        var model = TrussModel.Of(scheme);
        for (var j = 0; j < model.Joints.Length; j++)
            at[model.Joints[j].Id] = model.Joints[j].At + new Point(moves[2 * j], moves[2 * j + 1]);
        return at;
    }

    private static void Lines(TrussPaper paper, TrussScheme scheme, Pen pen)
    {
        var at = TrussEdits.Places(scheme);
        foreach (var bar in scheme.Bars.Where(b => at.ContainsKey(b.From) && at.ContainsKey(b.To)))
            paper.Canvas.Line(paper.At(at[bar.From]), paper.At(at[bar.To]), pen);
    }

    /// <summary>Bars as lines that swing from where they are to where they can move.</summary>
    private static void Swinging(TrussPaper paper, TrussScheme scheme, Dictionary<string, Point> rest, Dictionary<string, Point> far)
    {
        paper.Canvas.Part = null;
        foreach (var bar in scheme.Bars.Where(b => rest.ContainsKey(b.From) && rest.ContainsKey(b.To)))
        {
            Point[] from = [paper.At(rest[bar.From]), paper.At(rest[bar.To])];
            Point[] to = [paper.At(far[bar.From]), paper.At(far[bar.To])];
            if (Point.Distance(from[0], to[0]) + Point.Distance(from[1], to[1]) > 0.1)
                paper.Canvas.Swinging(from, to, Pen.Fails);
        }
    }

    private static void Grid(TrussPaper paper, TrussScheme scheme, double step)
    {
        // Lines closer than this cannot be told apart: of a fine grid every other, fourth … is drawn.
        while (step * paper.Scale < 2.2)
            step *= 2;
        var (width, height) = (paper.Canvas.Width, paper.Canvas.Height);
        var road = scheme.Site.Road;
        for (var x = Math.Ceiling(paper.Left / step) * step; x <= paper.Right; x += step)
            paper.Canvas.Line(new(paper.At(x, 0).X, 0), new(paper.At(x, 0).X, height), Pen.Grid);
        for (var i = Math.Ceiling((paper.Foot - road) / step); paper.At(0, road + i * step).Y > 0; i++)
            paper.Canvas.Line(new(0, paper.At(0, road + i * step).Y), new(width, paper.At(0, road + i * step).Y), Pen.Grid);
    }

    private static void Bar(TrussPaper paper, TrussScheme scheme, TrussShown shown, Dictionary<string, Point> at, int b)
    {
        var bar = scheme.Bars[b];
        if (shown.Gone.Contains(b) || !at.TryGetValue(bar.From, out var from) || !at.TryGetValue(bar.To, out var to))
            return;
        var (a, c) = (paper.At(from), paper.At(to));
        if (Point.Distance(a, c) < 0.1)
            return;
        var depth = Math.Max(LeastDepth, paper.Scale * (BarCatalogue.Section(scheme, bar.Family, bar.Size)?.Depth ?? 0.1));
        var canvas = paper.Canvas;
        canvas.Part = $"/bars/{b}";
        var isPicked = shown.Picked.Contains(canvas.Part);
        if (isPicked)
            canvas.Area(Box(a, c, depth + 2.2), Fill.Picked, Pen.Active);
        if (shown.States.IsDefaultOrEmpty)
        {
            canvas.Area(Box(a, c, depth), Fill.Sheet, Pen.Edge);
            return;
        }
        var state = shown.States[b];
        var fails = state.Ratio > 1 + 1e-9;
        var isPressed = state.Force < 0;
        var (full, rest) = isPressed ? (Fill.Compression, Fill.CompressionRest) : (Fill.Tension, Fill.TensionRest);
        canvas.Area(Box(a, c, depth), fails ? Fill.UseFails : rest, fails ? Pen.Fails : Pen.Edge);
        if (!fails && state.Ratio > 0.005)
            canvas.Area(Box(a, Point.Between(a, c, Math.Min(1, state.Ratio)), depth), full);
        if (isPressed)
            Notches(canvas, a, c, depth);
    }

    /// <summary>Notches across a bar in compression, every few millimetres.</summary>
    private static void Notches(Canvas canvas, Point a, Point c, double depth)
    {
        const double Every = 5;
        var along = c - a;
        var across = depth / 2 / along.Length * new Point(-along.Y, along.X);
        var count = Math.Max(1, (int)(along.Length / Every));
        for (var i = 0; i < count; i++)
        {
            var at = Point.Between(a, c, (i + 0.5) / count);
            canvas.Area(
                [at + across - 0.5 / along.Length * along, at + across + 0.5 / along.Length * along, at + 0.1 * across],
                Fill.Sheet
            );
            canvas.Area(
                [at - across - 0.5 / along.Length * along, at - across + 0.5 / along.Length * along, at - 0.1 * across],
                Fill.Sheet
            );
        }
    }

    private static void Joints(TrussPaper paper, TrussScheme scheme, TrussShown shown, Dictionary<string, Point> at)
    {
        var canvas = paper.Canvas;
        var holds = new SitePlaces(scheme.Site).Joints.ToDictionary(j => j.Id, j => j.Hold);
        canvas.Part = null;
        foreach (var (id, hold) in holds)
            paper.Support(at[id], hold);
        foreach (var (id, place) in at)
        {
            var isSite = holds.ContainsKey(id);
            canvas.Part = $"/parts/joints/{id}";
            var isPicked = shown.Picked.Contains(canvas.Part);
            canvas.Circle(paper.At(place), isPicked ? 1.6 : 1.05, isPicked ? Pen.Active : Pen.Edge, isSite ? Fill.Ink : Fill.Sheet);
            if (!shown.HasNames)
                continue;
            canvas.Part = null;
            var isLow = place.Y < scheme.Site.Road + 0.01;
            canvas.Text(paper.At(place) + new Point(1.2, isLow ? 4 : -1.6), id, TextKind.SoftNumber, Anchor.Start, true, 2.2);
        }
    }

    private static void Numbers(TrussPaper paper, TrussScheme scheme, TrussShown shown, Dictionary<string, Point> at)
    {
        if (shown.States.IsDefaultOrEmpty)
            return;
        for (var b = 0; b < scheme.Bars.Length; b++)
        {
            var bar = scheme.Bars[b];
            if (shown.Gone.Contains(b) || !at.ContainsKey(bar.From) || !at.ContainsKey(bar.To))
                continue;
            var (a, c) = (paper.At(at[bar.From]), paper.At(at[bar.To]));
            if (Point.Distance(a, c) < 11)
                continue;
            var text = QuantityText.Fixed(shown.States[b].Ratio, 2);
            var kind = shown.States[b].Ratio > 1 ? TextKind.Strong : TextKind.Number;
            // A press on the number picks the bar too.
            paper.Canvas.Part = $"/bars/{b}";
            // Not in the middle where the bar leans: two that cross would write over each other.
            var leans = Math.Abs(a.X - c.X) > 1 && Math.Abs(a.Y - c.Y) > 1;
            paper.Canvas.Text(Point.Between(a, c, leans ? 0.36 : 0.5) + new Point(0, 0.9), text, kind, Anchor.Middle, true, 2.5);
        }
    }

    /// <summary>A vehicle by its axles with their loads and a body over them.</summary>
    private static void Vehicle(TrussPaper paper, TrussScheme scheme, ShownVehicle shown, Dictionary<string, Point> at)
    {
        var canvas = paper.Canvas;
        canvas.Part = null;
        var sign = shown.IsAhead ? -1 : 1;
        var places = new SitePlaces(scheme.Site);
        var surface = BarCatalogue.Deck(scheme.Site.Deck)?.Thickness ?? 0.2;
        // On the deck where it is drawn.
        double Road(double x)
        {
            var i = Math.Clamp((int)Math.Floor(x / places.Panel), 0, scheme.Site.Panels - 1);
            var part = x / places.Panel - i;
            return part is < 0 or > 1 ? scheme.Site.Road + surface : at[$"D{i}"].Y + part * (at[$"D{i + 1}"].Y - at[$"D{i}"].Y) + surface;
        }
        var axles = VehiclePositions.Behind(shown.Vehicle).Select(b => shown.Front + sign * b).ToList();
        var (first, last) = (axles.Min() - 0.9, axles.Max() + 0.9);
        var height = Math.Min(2.6, 0.7 * scheme.Site.Headroom);
        canvas.Area(
            [
                paper.At(first, Road(first) + 0.55),
                paper.At(last, Road(last) + 0.55),
                paper.At(last, Road(last) + height),
                paper.At(first, Road(first) + height),
            ],
            Fill.Lane,
            Pen.Load
        );
        foreach (var axle in axles)
            canvas.Circle(paper.At(axle, Road(axle) + 0.45), Math.Max(0.8, 0.45 * paper.Scale), Pen.Load, Fill.Track);
        var middle = paper.At((first + last) / 2, Road((first + last) / 2) + height);
        canvas.Text(middle + new Point(0, -1.2), $"{shown.Vehicle.Name} {(shown.IsAhead ? "→" : "←")}", TextKind.Soft, Anchor.Middle, true);
    }

    private static Point[] Box(Point a, Point c, double depth)
    {
        var along = c - a;
        var across = depth / 2 / along.Length * new Point(-along.Y, along.X);
        return [a + across, c + across, c - across, a - across];
    }
}
