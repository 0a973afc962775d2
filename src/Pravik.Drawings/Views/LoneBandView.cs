using Pravik.Core.LoneMembers;
using Pravik.Core.Units;

namespace Pravik.Drawings.Views;

/// <summary>The band at the foot of a member's screens: its line with supports and a strip shaded by utilisation.</summary>
public static class LoneBandView
{
    /// <summary>Draws the band.</summary>
    /// <param name="member">The member.</param>
    /// <param name="places">Its places.</param>
    /// <param name="units">Units of what is written.</param>
    /// <param name="size">Room.</param>
    /// <param name="run">Its checks; null where they wait for a fault to be mended.</param>
    public static Drawing Draw(LoneMember member, LonePlaces places, UnitSystem units, ViewSize size, LoneRun? run)
    {
        const double Margin = 26;
        var canvas = new Canvas(size.Width, size.Height, 2.75);
        var scale = new StationScale(Margin, 0, (size.Width - 2 * Margin) / places.Ends[^1]);
        double X(double x) => Margin + scale.Scale * x;
        double line = 8,
            strip = 10.5,
            foot = size.Height - 4.4;
        canvas.Box(X(0), line - 0.7, X(places.Ends[^1]) - X(0), 1.4, Fill.Ink);
        if (run is null)
            canvas.Box(X(0), strip, X(places.Ends[^1]) - X(0), 2.4, Fill.UseUnknown);
        else
            Strip(canvas, run, x => X(x), strip);
        for (var i = 0; i < places.Ends.Length; i++)
        {
            var x = X(places.Ends[i]);
            canvas.Line(new(x, line - 2.4), new(x, foot), Pen.Axis);
            if (member.Supports[i].Restraint != Restraint.Free)
                canvas.Area([new(x, strip + 3), new(x - 1.2, strip + 5), new(x + 1.2, strip + 5)], Fill.Sheet, Pen.Edge);
            canvas.AxisBubble(new(x, 2.7), $"{i + 1}");
            canvas.Text(new(x, size.Height - 1.4), units.Format(places.Ends[i], QuantityKind.Length), TextKind.SoftNumber, Anchor.Middle);
        }
        for (var i = 0; i < member.Spans.Length; i++)
            canvas.Text(
                new((X(places.Ends[i]) + X(places.Ends[i + 1])) / 2, foot + 0.4),
                units.FormatWithUnit(member.Spans[i].Length, QuantityKind.Length),
                TextKind.SoftNumber,
                Anchor.Middle
            );
        canvas.Text(new(2, size.Height - 1.4), "along", TextKind.Soft, height: 2.4);
        canvas.Text(new(2, strip + 1.8), run is null ? "utilisation: waiting" : "utilisation", TextKind.Soft, height: 2.4);
        return canvas.Finish("Along the member, with its utilisation", "", scale);
    }

    private static void Strip(Canvas canvas, LoneRun run, Func<double, double> x, double y)
    {
        var places = run.Places.Places;
        for (var i = 0; i + 1 < places.Length; i++)
        {
            if (places[i].Span != places[i + 1].Span || places[i + 1].At <= places[i].At)
                continue;
            var use = Math.Max(run.Checks.UtilisationAt(i), run.Checks.UtilisationAt(i + 1));
            canvas.Box(x(places[i].At), y, x(places[i + 1].At) - x(places[i].At) + 0.05, 2.4, BandView.Shade(use));
        }
    }
}
