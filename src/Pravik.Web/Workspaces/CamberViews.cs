using System.Collections.Immutable;
using Pravik.Core.Effects;
using Pravik.Core.Models;
using Pravik.Core.Runs;
using Pravik.Core.Stages;
using Pravik.Core.Units;
using Pravik.Drawings;
using Pravik.Drawings.Views;
using Pravik.Web.Ledgers;
using Pravik.Web.Steps;

namespace Pravik.Web.Workspaces;

/// <summary>Deflections of a girder by stage and in the end, and the camber that makes up for them.</summary>
internal sealed class CamberViews
{
    private const int Parts = 10;
    private readonly Screen screen;
    private readonly ImmutableArray<(int Number, ModelPoint Point)> places;
    private readonly List<(string Name, Pen Pen, EffectRange Range)> moments;
    private readonly IReadOnlyList<(string Name, Pen Pen, EffectRange Range)> drawn;
    private readonly EffectRange permanent;
    private readonly EffectRange? traffic;

    /// <param name="screen">What is shown.</param>
    /// <param name="results">Results of the bridge.</param>
    public CamberViews(Screen screen, BridgeResults results)
    {
        this.screen = screen;
        places = [.. results.Points.Select((p, i) => (i, p)).Where(p => p.p.Girder == screen.Girder)];
        var effects = results.Effects;
        (permanent, traffic) = (effects.Find(CaseId.Permanent)!, effects.FrequentTraffic ?? effects.Find(CaseId.Traffic));
        moments =
        [
            .. results.Model.Steps.Select(s => (CaseNames.After(s.Stage), Pen.Former, effects.Find(CaseId.UpTo(s.Index))!)).Where(Moves),
        ];
        drawn = moments.Count > 1 ? [moments[0], moments[^1] with { Pen = Pen.Load }] : moments;
    }

    /// <summary>Stages after which the girder has another shape than before are told: the first, and those that move it.</summary>
    private bool Moves((string Name, Pen Pen, EffectRange Range) moment) => places.Any(p => Math.Abs(At(moment.Range, p.Number)) > 1e-5);

    private static double At(EffectRange range, int number, bool greatest = true) => range.Side(greatest)[number, GirderEffect.Deflection];

    private string Girder => screen.Geometry.Girders[screen.Girder].Name;

    /// <summary>The lines, and the values at tenths of the spans.</summary>
    public SheetContent Sheet()
    {
        Series Line(string name, Pen pen, Func<int, double> value, bool peaks = false) =>
            new(name, [.. places.Select(p => (p.Point.Station, value(p.Number)))], pen) { Peaks = peaks };
        ImmutableArray<Series> series =
        [
            .. drawn.Select(m => Line(m.Name.ToLowerInvariant(), m.Pen, n => At(m.Range, n))),
            Line("all permanent", Pen.Active, n => At(permanent, n), true),
            Line("camber", Pen.Resistance, n => -At(permanent, n)),
        ];
        var diagram = new Diagram($"{Girder}, deflection, upward positive", QuantityKind.Size, false, series, Axes);
        return new([Screen.Drawn("camber", DiagramView.Draw(diagram, screen.Units, screen.Half, screen.Station))], Table());
    }

    private ImmutableArray<DiagramAxis> Axes => [.. screen.Geometry.Axes.Select(a => new DiagramAxis(a.Name, a.Station))];

    private DataTable Table()
    {
        var unit = screen.Units[QuantityKind.Size].Symbol;
        List<(string Name, Func<int, double> Value)> columns =
        [
            .. moments.Select(m => (m.Name, (Func<int, double>)(n => At(m.Range, n)))),
            ("All permanent", n => At(permanent, n)),
        ];
        if (traffic is not null)
            columns.AddRange([("Traffic, least", n => At(traffic, n, false)), ("Traffic, greatest", n => At(traffic, n))]);
        columns.Add(("Camber", n => -At(permanent, n)));
        List<TableRow> rows = [];
        foreach (var span in places.GroupBy(p => p.Point.Span))
        {
            for (var tenth = 0; tenth <= Parts; tenth++)
                rows.Add(Row(span.Key.Value, (double)tenth / Parts, [.. span], columns));
        }
        return new(
            $"{Girder}, deflections at tenths of the spans, {unit}, upward positive",
            [new("Span", true), new("At", true), new("Station", true), .. columns.Select(c => new TableColumn(c.Name, true))],
            rows
        );
    }

    private TableRow Row(
        int span,
        double part,
        ImmutableArray<(int Number, ModelPoint Point)> along,
        List<(string Name, Func<int, double> Value)> columns
    )
    {
        var after = along.FirstOrDefault(p => p.Point.Fraction >= part - 1e-9, along[^1]);
        var before = along.LastOrDefault(p => p.Point.Fraction <= part + 1e-9, along[0]);
        var reach = after.Point.Fraction - before.Point.Fraction;
        var t = reach < 1e-9 ? 0 : (part - before.Point.Fraction) / reach;
        double Between(double a, double b) => a + t * (b - a);
        var station = Between(before.Point.Station, after.Point.Station);
        double[] values = [.. columns.Select(c => Between(c.Value(before.Number), c.Value(after.Number)))];
        return new(
            [
                $"{span + 1}",
                QuantityText.Fixed(part, 1),
                screen.Units.Format(station, QuantityKind.Length),
                .. values.Select(v =>
                    QuantityText.Fixed(v / screen.Units[QuantityKind.Size].Factor, screen.Units == UnitSystem.Metric ? 1 : 2)
                ),
            ],
            [span, part, station, .. values.Select(v => (double?)v)],
            null,
            null,
            false
        );
    }

    /// <summary>What is told of it.</summary>
    public Ledger Ledger
    {
        get
        {
            var lowest = places.MinBy(p => At(permanent, p.Number));
            var highest = places.MaxBy(p => At(permanent, p.Number));
            LedgerRow Value(string name, double value, string help) => screen.Rows.Reading(name, value, QuantityKind.Size, help);
            List<LedgerRow> rows =
            [
                Value(
                    "Lowest",
                    At(permanent, lowest.Number),
                    $"At station {screen.Units.Format(lowest.Point.Station, QuantityKind.Length)}."
                ),
                Value(
                    "Highest",
                    At(permanent, highest.Number),
                    $"At station {screen.Units.Format(highest.Point.Station, QuantityKind.Length)}."
                ),
            ];
            return new(
                "Deflection and camber",
                Girder,
                [
                    new("All permanent, with creep and shrinkage", rows)
                    {
                        Note =
                            "Upward positive, from straight between the supports, each part of the load on the structure of its time. The "
                            + "camber is what the girder is made higher by, so that in the end it lies as drawn; it leaves traffic out.",
                    },
                    new("Left out", [])
                    {
                        Note =
                            "Sections are uncracked: what cracks in service deflects more. Settlements, temperature, and the tolerance of "
                            + "making are not counted. Traffic is the frequent one without a dynamic factor of its own.",
                    },
                ]
            );
        }
    }
}
