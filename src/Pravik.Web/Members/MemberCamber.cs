using System.Collections.Immutable;
using Pravik.Core.Codes;
using Pravik.Core.Models;
using Pravik.Core.Units;
using Pravik.Drawings;
using Pravik.Drawings.Views;
using Pravik.Web.Steps;
using Pravik.Web.Workspaces;

namespace Pravik.Web.Members;

/// <summary>Deflections of a member alone as it is built and in the end, and the camber that makes up for them.</summary>
internal static class MemberCamber
{
    private const int Parts = 10;

    /// <summary>The lines, and the values at tenths of the spans.</summary>
    public static SheetContent Sheet(MemberScreen screen)
    {
        if (screen.Run is not { } run)
            return new([new("waiting", "Nothing is worked out yet", screen.Waits, "")]);
        if (run.Effects.Cases.Count == 0)
            return new([new("waiting", "No deflections", "Effects come from elsewhere, and no deflections with them.", "")]);
        var permanent = EffectValues.Sum(
            run.Effects.Layout,
            run.Effects.Cases.Where(c => Stays(c.Kind)).Select(c => (1.0, c.Range.Greatest))
        );
        List<(string Name, Pen Pen, Func<int, double> Value)> drawn =
        [
            .. run.Effects.Stages.Select(s => (s.Name, Pen.Former, Of(s.Effects.Greatest))),
            ("All permanent", Pen.Active, Of(permanent)),
            ("Camber", Pen.Resistance, p => -permanent[p, GirderEffect.Deflection]),
        ];
        var columns = drawn.ConvertAll(d => (d.Name, d.Value));
        if (run.Effects.FrequentTraffic is { } traffic)
            columns.InsertRange(
                columns.Count - 1,
                [("Frequent traffic, least", Of(traffic.Least)), ("Frequent traffic, greatest", Of(traffic.Greatest))]
            );
        ImmutableArray<Series> series =
        [
            .. drawn.Select(d => new Series(
                d.Name.ToLowerInvariant(),
                [.. screen.Places.Points.Select((p, i) => (p.Distance, d.Value(i)))],
                d.Pen
            )
            {
                Peaks = d.Pen == Pen.Active,
            }),
        ];
        var diagram = new Diagram("Deflection, upward positive", QuantityKind.Size, false, series, screen.Axes);
        return new([Screen.Drawn("camber", DiagramView.Draw(diagram, screen.Units, screen.Half, screen.Station))], Table(screen, columns));
    }

    /// <summary>What acts for ever: weights, prestress, and what time does.</summary>
    private static bool Stays(ActionKind kind) =>
        kind
            is ActionKind.Permanent
                or ActionKind.Surfacing
                or ActionKind.Prestress
                or ActionKind.Creep
                or ActionKind.Shrinkage
                or ActionKind.Losses;

    private static Func<int, double> Of(EffectValues values) => place => values[place, GirderEffect.Deflection];

    private static DataTable Table(MemberScreen screen, List<(string Name, Func<int, double> Value)> columns)
    {
        List<TableRow> rows = [];
        for (var span = 0; span < screen.Member.Spans.Length; span++)
        {
            var (start, length) = (screen.Places.Ends[span], screen.Member.Spans[span].Length);
            for (var part = 0; part <= Parts; part++)
            {
                var x = start + length * part / Parts;
                var place = Enumerable
                    .Range(0, screen.Places.Places.Length)
                    .Where(i => screen.Places.Places[i].Span == span)
                    .MinBy(i => Math.Abs(screen.Places.Places[i].At - x));
                rows.Add(Row(screen, span, screen.Places.Places[place].At, [.. columns.Select(c => c.Value(place))]));
            }
        }
        return new(
            $"Deflections at tenths of the spans, {screen.Units[QuantityKind.Size].Symbol}, upward positive; sections uncracked",
            [new("Span", true), new("At", true), .. columns.Select(c => new TableColumn(c.Name, true))],
            rows
        );
    }

    private static TableRow Row(MemberScreen screen, int span, double at, double[] values)
    {
        var factor = screen.Units[QuantityKind.Size].Factor;
        return new(
            [$"{span + 1}", screen.Units.Format(at, QuantityKind.Length), .. values.Select(v => QuantityText.Fixed(v / factor, 1))],
            [span + 1, at, .. values.Select(v => (double?)v)],
            null,
            null,
            false
        );
    }
}
