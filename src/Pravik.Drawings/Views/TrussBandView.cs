using Pravik.Core.Geometry;
using Pravik.Core.Trusses;
using Pravik.Core.Units;

namespace Pravik.Drawings.Views;

/// <summary>
/// The band at the foot of a scheme's screens: the opening in long section, joints of the deck, and the worst ratio of each panel.
/// </summary>
public static class TrussBandView
{
    /// <summary>Draws the band.</summary>
    /// <param name="scheme">The scheme.</param>
    /// <param name="units">Units of what is written.</param>
    /// <param name="size">Room.</param>
    /// <param name="results">Its results; null where there are none.</param>
    public static Drawing Draw(TrussScheme scheme, UnitSystem units, ViewSize size, TrussResults? results)
    {
        const double Margin = 26;
        var canvas = new Canvas(size.Width, size.Height, 2.75);
        var places = new SitePlaces(scheme.Site);
        var opening = scheme.Site.Opening;
        StationScale scale = new(Margin, 0, (size.Width - 2 * Margin) / opening);
        double X(double x) => Margin + scale.Scale * x;
        double line = 6,
            strip = 8,
            foot = size.Height - 4.4;
        var deep = Math.Max(1, places.GroundBends.Where(x => x >= 0 && x <= opening).Max(x => scheme.Site.Road - places.GroundAt(x)));
        double Y(double z) => line + (foot - line) * Math.Min(1, (scheme.Site.Road - z) / deep);
        List<Point> ground = [.. places.GroundBends.Where(x => x > 0 && x < opening).Select(x => new Point(X(x), Y(places.GroundAt(x))))];
        canvas.Area(
            [new(0, line), new(X(0), line), .. ground, new(X(opening), line), new(size.Width, line), new(size.Width, foot), new(0, foot)],
            Fill.Soft
        );
        canvas.Box(X(0), line - 0.7, X(opening) - X(0), 1.4, Fill.Ink);
        for (var i = 0; i + 1 < places.Deck.Length; i++)
        {
            var (from, to) = (places.Deck[i].At.X, places.Deck[i + 1].At.X);
            canvas.Box(X(from), strip, X(to) - X(from), 2.4, Shade(results, from, to));
        }
        for (var i = 0; i < places.Deck.Length; i++)
        {
            var x = X(places.Deck[i].At.X);
            canvas.Line(new(x, line - 2), new(x, i == 0 || i == places.Deck.Length - 1 ? foot : strip + 2.4), Pen.Axis);
            canvas.Text(
                new(x, size.Height - 1.4),
                units.Format(places.Deck[i].At.X, QuantityKind.Length),
                TextKind.SoftNumber,
                Anchor.Middle
            );
            canvas.Text(new(x, line - 2.4), places.Deck[i].Id, TextKind.SoftNumber, Anchor.Middle, true);
        }
        canvas.Text(new(2, size.Height - 1.4), "along", TextKind.Soft, height: 2.4);
        canvas.Text(new(2, strip + 1.8), results is null ? "ratios: none" : "worst ratio", TextKind.Soft, height: 2.4);
        return canvas.Finish("The opening, with the worst ratio of each panel", "", scale);
    }

    private static Fill Shade(TrussResults? results, double from, double to)
    {
        if (results is null)
            return Fill.UseUnknown;
        var (model, middle) = (results.Forces.Model, (from + to) / 2);
        var worst = Enumerable
            .Range(0, results.Bars.Length)
            .Where(b => Spans(model.Joints[model.Bars[b].From].At.X, model.Joints[model.Bars[b].To].At.X, middle))
            .Select(b => results.Bars[b].Ratio)
            .DefaultIfEmpty(0)
            .Max();
        return BandView.Shade(worst);
    }

    private static bool Spans(double a, double b, double x) => Math.Min(a, b) <= x && x <= Math.Max(a, b);
}
