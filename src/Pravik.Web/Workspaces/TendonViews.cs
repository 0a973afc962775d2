using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Loads;
using Pravik.Core.Places;
using Pravik.Core.Units;
using Pravik.Drawings;
using Pravik.Drawings.Views;
using Pravik.Web.Steps;

namespace Pravik.Web.Workspaces;

/// <summary>A girder from the side, and the force of one of its tendons along it.</summary>
internal sealed class TendonViews(Screen screen)
{
    private const int Parts = 60;
    private readonly TendonRows rows = new(screen.Geometry);

    private GirderLine Girder => screen.Geometry.Girders[screen.Girder];

    /// <summary>The side alone where no tendon lies in the girder.</summary>
    public SheetContent Sheet() =>
        Shown is { } tendon
            ? new([Side(screen.Half), Screen.Drawn("force", DiagramView.Draw(Force(tendon), screen.Units, screen.Half, screen.Station))])
            : new([Side(screen.Whole)]);

    private ViewPart Side(ViewSize size) =>
        Screen.Drawn("side", GirderSideView.Draw(screen.Geometry, Girder, screen.Units, size, screen.Station, screen.Pick));

    /// <summary>The picked tendon, or the first that lies in the girder; null for none.</summary>
    private int? Shown
    {
        get
        {
            var there = Enumerable.Range(0, rows.All.Length).Where(i => rows.PathOf(Girder, i) is not null).ToList();
            var picked =
                screen.Pick?.Split('/') is ["", "girders", "tendons", var item, ..] && int.TryParse(item, out var i) ? i : (int?)null;
            return there.Contains(picked ?? -1) ? picked
                : there.Count > 0 ? there[0]
                : null;
        }
    }

    private Diagram Force(int number)
    {
        var (tendon, path) = (rows.All[number], rows.PathOf(Girder, number)!);
        var (friction, area) = (new TendonFriction(path, tendon, rows.Steel), tendon.Strands * rows.Steel.Area);
        List<(double Station, double At)> places =
        [
            .. screen.Geometry.SpanIndices.SelectMany(span =>
                Enumerable
                    .Range(0, Parts + 1)
                    .Select(i => (double)i / Parts)
                    .Where(t => path.Passes(span, t))
                    .Select(t => (StationOf(span, t), path.DistanceOf(span, t)))
            ),
        ];
        Series Line(string name, Pen pen, Func<double, double> stress) =>
            new(name, [.. places.Select(p => (p.Station, area * stress(p.At)))], pen);
        List<Series> series = [];
        if (tendon.EffectiveStress is { } entered)
            series.Add(Line("entered, after all losses", Pen.Active, _ => entered));
        else
        {
            series.Add(Line("jacked", Pen.Former, friction.Jacked));
            series.Add(Line("anchored", Pen.Load, friction.Anchored));
            series.Add(Line("greatest allowed, anchored", Pen.Resistance, _ => rows.Steel.MostAfterRelease));
            if (screen.IsCurrent && AfterAll(number, area) is { Values.IsEmpty: false } last)
                series.Add(last);
        }
        var values = series.SelectMany(s => s.Values.Select(v => v.Value)).ToList();
        var (least, greatest) = (values.Min(), values.Max());
        var extension = screen.Units.FormatWithUnit(friction.Extension, QuantityKind.Size);
        var words = tendon.EffectiveStress is null ? $", which lengthens by {extension} as it is jacked" : "";
        return new(
            $"{Girder.Name}, force of a duct of {tendon.Name}{words}",
            QuantityKind.Force,
            false,
            [.. series],
            [.. screen.Geometry.Axes.Select(a => new DiagramAxis(a.Name, a.Station))]
        )
        {
            Range = (Math.Max(0, least - 0.5 * (greatest - least)), greatest),
        };
    }

    private double StationOf(SpanIndex span, double t)
    {
        var (from, to) = (screen.Geometry.Axes[span.FirstAxis].Station, screen.Geometry.Axes[span.LastAxis].Station);
        return from + t * (to - from);
    }

    private Series AfterAll(int number, double area)
    {
        var results = screen.Latest!.Results.Model;
        ImmutableArray<(double, double)> values =
        [
            .. results
                .Points.Select((p, i) => (Point: p, Number: i))
                .Where(p => p.Point.Girder == screen.Girder && results.Tendons.StressAt(p.Number, number) > 0)
                .Select(p => (StationOf(p.Point.Span, p.Point.Fraction), area * results.Tendons.StressAt(p.Number, number))),
        ];
        return new("after all losses", values, Pen.Active) { Peaks = true };
    }
}
