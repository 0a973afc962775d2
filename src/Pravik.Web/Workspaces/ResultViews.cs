using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Calculations;
using Pravik.Core.Checks.En1992;
using Pravik.Core.Codes;
using Pravik.Core.Geometry;
using Pravik.Core.Places;
using Pravik.Core.Roads;
using Pravik.Core.Runs;
using Pravik.Core.Units;
using Pravik.Drawings;
using Pravik.Drawings.Views;
using Pravik.Web.Ledgers;
using Pravik.Web.Runs;

namespace Pravik.Web.Workspaces;

/// <summary>Diagrams, tables and ledgers made from results.</summary>
internal sealed class ResultViews(BridgeGeometry geometry, BridgeResults results, UnitSystem units)
{
    private readonly NationalValues values = geometry.Bridge.Basis.Values;

    /// <summary>
    /// What a path such as <c>/parts/results/3/2/10/hogging</c> names: girder, span, point and, where given, the sense of bending.
    /// </summary>
    public (PointResult Point, Bending Bending)? Find(string? pick)
    {
        if (pick?.Split('/') is not ["", "parts", "results", var girder, var span, var number, .. var rest])
            return null;
        var point = results.Points.FirstOrDefault(p =>
            $"{p.Point.Girder + 1}" == girder && $"{p.Point.Span + 1}" == span && $"{p.Point.Number}" == number
        );
        if (point is null)
            return null;
        return (
            point,
            rest is ["hogging"] ? Bending.Hogging
            : rest is ["sagging"] ? Bending.Sagging
            : point.Worst.Bending
        );
    }

    public static string Path(PointResult point, Bending? bending = null) =>
        $"/parts/results/{point.Point.Girder + 1}/{point.Point.Span + 1}/{point.Point.Number}{(bending is { } b ? "/" + b.ToString().ToLowerInvariant() : "")}";

    public Diagram CheckDiagram(int girder)
    {
        var points = results.OfGirder(girder).ToList();
        Series Line(string name, Pen pen, Func<PointResult, double> value, bool peaks = false) => Make(points, name, pen, value, peaks);
        return new(
            $"{geometry.Girders[girder].Name}, ultimate bending",
            QuantityKind.Moment,
            true,
            [
                Line("M_Ed", Pen.Active, p => p.Sagging.Effect, true),
                Line("M_Ed", Pen.Active, p => p.Hogging.Effect, true),
                Line("M_Rd", Pen.Resistance, p => p.Sagging.Resistance),
                Line("M_Rd", Pen.Resistance, p => p.Hogging.Resistance),
            ],
            Axes(girder)
        )
        {
            Envelope = (0, 1),
        };
    }

    public Diagram EffectDiagram(int girder, EffectKind kind, string wanted)
    {
        var points = results.OfGirder(girder).ToList();
        PointEffects Effects(PointResult p) => kind == EffectKind.Moment ? p.Moment : p.Shear;
        Series Line(string name, Pen pen, Func<PointEffects, double> value, bool peaks = true) =>
            Make(points, name, pen, p => value(Effects(p)), peaks);
        var quantity = kind == EffectKind.Moment ? QuantityKind.Moment : QuantityKind.Force;
        var title = $"{geometry.Girders[girder].Name}, {(kind == EffectKind.Moment ? "bending moment" : "shear")}";
        if (CombinationOf(wanted) is { } combination)
        {
            return new(
                title,
                quantity,
                kind == EffectKind.Moment,
                [
                    Line("greatest", Pen.Active, e => Combinations.Of(combination, e, values).Max),
                    Line("least", Pen.Active, e => Combinations.Of(combination, e, values).Min),
                ],
                Axes(girder)
            )
            {
                Envelope = (0, 1),
            };
        }
        return wanted switch
        {
            "traffic" => new(
                title,
                quantity,
                kind == EffectKind.Moment,
                [
                    Line("greatest", Pen.Load, e => e.Traffic.Max.Total),
                    Line("least", Pen.Load, e => e.Traffic.Min.Total),
                    Line("tandems alone", Pen.Hidden, e => e.Traffic.Max.Tandem, false),
                    Line("tandems alone", Pen.Hidden, e => e.Traffic.Min.Tandem, false),
                ],
                Axes(girder)
            )
            {
                Envelope = (0, 1),
            },
            _ => new(
                title,
                quantity,
                kind == EffectKind.Moment,
                [
                    Line("girder alone: girder and slab", Pen.Edge, e => e.Permanent.Girder + e.Permanent.Slab),
                    Line(
                        "composite: edges, footways, parapets, surfacing",
                        Pen.Active,
                        e => e.Permanent.Superimposed + e.Permanent.Surfacing
                    ),
                ],
                Axes(girder)
            ),
        };
    }

    public static IReadOnlyList<Choice> Cases { get; } =
    [
        new("ultimate", "Ultimate"),
        new("characteristic", "Characteristic"),
        new("frequent", "Frequent"),
        new("quasiPermanent", "Quasi-permanent"),
        new("permanent", "Permanent loads"),
        new("traffic", "Traffic"),
    ];

    public DataTable CheckTable(string? pick)
    {
        var picked = Find(pick);
        var symbol = units[QuantityKind.Moment].Symbol;
        return new(
            "Governing checks, worst first",
            [
                new("Girder", false),
                new("Span", true),
                new("Station", true),
                new("Check", false),
                new($"M_Ed, {symbol}", true),
                new($"M_Rd, {symbol}", true),
                new("Utilisation", true),
                new("Clause", false),
            ],
            [
                .. results
                    .GoverningByGirder()
                    .Select(row => new TableRow(
                        [
                            geometry.Girders[row.Point.Point.Girder].Name,
                            $"{row.Point.Point.Span + 1}",
                            units.Format(row.Point.Point.Station, QuantityKind.Length),
                            row.Outcome.Name,
                            units.Format(row.Outcome.Effect, QuantityKind.Moment),
                            units.Format(row.Outcome.Resistance, QuantityKind.Moment),
                            QuantityText.Fixed(row.Outcome.Utilisation, 2),
                            BendingOutcome.Clause,
                        ],
                        [
                            row.Point.Point.Girder,
                            row.Point.Point.Span,
                            row.Point.Point.Station,
                            null,
                            row.Outcome.Effect,
                            row.Outcome.Resistance,
                            row.Outcome.Utilisation,
                            null,
                        ],
                        Path(row.Point, row.Outcome.Bending),
                        row.Outcome.Utilisation,
                        picked?.Point == row.Point && picked?.Bending == row.Outcome.Bending
                    )),
            ]
        );
    }

    public DataTable EffectTable(int girder, EffectKind kind)
    {
        var quantity = kind == EffectKind.Moment ? QuantityKind.Moment : QuantityKind.Force;
        var rows = results
            .OfGirder(girder)
            .Select(p =>
            {
                var e = kind == EffectKind.Moment ? p.Moment : p.Shear;
                double[] numbers =
                [
                    p.Point.Span + 1,
                    p.Point.Station,
                    e.Permanent.Girder,
                    e.Permanent.Slab,
                    e.Permanent.Superimposed,
                    e.Permanent.Surfacing,
                    e.Traffic.Max.Total,
                    e.Traffic.Min.Total,
                    Combinations.Of(Combination.Ultimate, e, values).Max,
                    Combinations.Of(Combination.Ultimate, e, values).Min,
                ];
                string[] cells =
                [
                    $"{p.Point.Span + 1}",
                    units.Format(p.Point.Station, QuantityKind.Length),
                    .. numbers.Skip(2).Select(n => units.Format(n, quantity)),
                ];
                return new TableRow(cells, [.. numbers.Select(n => (double?)n)], Path(p), null, false);
            });
        return new(
            $"{geometry.Girders[girder].Name}, {units[quantity].Symbol}, characteristic values and ultimate envelope",
            [
                new("Span", true),
                new("Station", true),
                new("Girder", true),
                new("Wet slab", true),
                new("Edges", true),
                new("Surfacing", true),
                new("Traffic max", true),
                new("Traffic min", true),
                new("Ultimate max", true),
                new("Ultimate min", true),
            ],
            [.. rows]
        );
    }

    public Ledger CheckLedger(string project, PointResult point, Bending bending)
    {
        var calculation = Calculate(point, bending);
        var traffic = TrafficOf(point, bending);
        var outcome = point.Of(bending);
        LedgerGroup what = new(
            "Traffic behind it",
            traffic.Lanes.IsEmpty
                ? [LedgerRows.Reading("No lane worsens this effect", "")]
                :
                [
                    .. traffic
                        .Lanes.OrderBy(l => l.Number)
                        .SelectMany(l =>
                            new[]
                            {
                                LedgerRows.Reading("", $"{l.Number}"),
                                LedgerRows.Reading(
                                    "",
                                    $"{units.Format(l.From, QuantityKind.Length)} to {units.Format(l.From + l.Width, QuantityKind.Length)}"
                                ),
                                LedgerRows.Reading("", l.TandemStation is { } s ? units.Format(s, QuantityKind.Length) : "none"),
                            }
                        ),
                ]
        )
        {
            Columns = traffic.Lanes.IsEmpty ? [] : ["Lane", "Offset from, to", "Tandem at"],
            Note = "Lane loads act on the parts of the deck that worsen the effect.",
        };
        return new(
            outcome.Name,
            $"{geometry.Girders[point.Point.Girder].Name} at {units.Format(point.Point.Station, QuantityKind.Length)}",
            [what]
        )
        {
            Lines =
            [
                .. calculation.Lines.Select(l => new LedgerLine(
                    l.Symbol,
                    l.Formula,
                    l.Numbers,
                    l.Value,
                    l.Unit,
                    l.Clause,
                    l.IsHeading,
                    l.IsRemark
                )),
            ],
            PrintAt =
                $"/bridges/{project}/calculation?girder={point.Point.Girder + 1}&span={point.Point.Span + 1}&point={point.Point.Number}&bending={bending.ToString().ToLowerInvariant()}",
        };
    }

    public Calculation Calculate(PointResult point, Bending bending)
    {
        var calculation = new Calculation(
            $"{point.Of(bending).Name}, {geometry.Girders[point.Point.Girder].Name} at station {units.Format(point.Point.Station, QuantityKind.Length)}",
            units
        );
        new GirderCheck(geometry, values).Check(point.Moment, bending, calculation);
        return calculation;
    }

    public static TrafficEffect TrafficOf(PointResult point, Bending bending) =>
        bending == Bending.Sagging ? point.Moment.Traffic.Max : point.Moment.Traffic.Min;

    public Ledger AnalysisLedger(RunState? run)
    {
        var model = results.Model;
        List<LedgerRow> balance = [];
        foreach (var item in model.Balance)
        {
            balance.Add(LedgerRows.Reading("", item.Case));
            balance.Add(LedgerRows.Reading("", units.Format(item.Applied, QuantityKind.Force)));
            balance.Add(LedgerRows.Reading("", units.Format(item.Reacted, QuantityKind.Force)));
        }
        return new(
            "Analysis",
            "grillage, linear elastic",
            [
                new(
                    "Model",
                    [
                        LedgerRows.Reading("Joints", $"{model.Joints}"),
                        LedgerRows.Reading("Members", $"{model.Members}"),
                        LedgerRows.Reading(
                            "Unknowns",
                            $"{model.Unknowns}",
                            "One deflection and two rotations at every joint that is free."
                        ),
                        LedgerRows.Reading(
                            "Largest over smallest pivot",
                            $"{model.PivotRatio:0.0e+0}",
                            "Its number of digits is about the number lost of the sixteen that are carried."
                        ),
                        .. run is { Seconds: > 0 }
                            ? new[] { LedgerRows.Reading("Time of the last run, s", QuantityText.Fixed(run.Seconds, 2)) }
                            : [],
                    ]
                ),
                new("Balance", balance)
                {
                    Columns = ["Load", $"Applied, {units[QuantityKind.Force].Symbol}", "Reacted"],
                    Note = $"Largest difference: {model.Balance.Max(b => b.Error):0.0e+0} of the load.",
                },
                new(
                    "What it holds",
                    [
                        LedgerRows.Reading(
                            "Girder and wet slab",
                            "girder alone",
                            "Simple span from axis to axis; girder ends are a little inside, which is on the safe side."
                        ),
                        LedgerRows.Reading(
                            "Later loads and traffic",
                            "composite grillage",
                            "Continuous over the piers, uncracked, effective width of each span (EN 1992-1-1 5.3.2.1)."
                        ),
                        LedgerRows.Reading(
                            "Points on every girder",
                            $"{EffectPoint.PerSpan} a span",
                            "Each with its own worst traffic, for both signs."
                        ),
                    ]
                )
                {
                    Note = GirderCheck.NotCovered,
                },
            ]
        );
    }

    private static Combination? CombinationOf(string wanted) =>
        wanted switch
        {
            "ultimate" => Combination.Ultimate,
            "characteristic" => Combination.Characteristic,
            "frequent" => Combination.Frequent,
            "quasiPermanent" => Combination.QuasiPermanent,
            _ => null,
        };

    private static Series Make(IEnumerable<PointResult> points, string name, Pen pen, Func<PointResult, double> value, bool peaks) =>
        new(name, [.. points.Select(p => (p.Point.Station, value(p)))], pen) { Peaks = peaks };

    private ImmutableArray<DiagramAxis> Axes(int girder) =>
        [
            .. geometry.Axes.Select(
                (axis, i) =>
                    new DiagramAxis(
                        axis.Name,
                        geometry.Road.Locate(geometry.Girders[girder].Points.ElementAt(Math.Max(0, 2 * i - 1))).Station
                    )
            ),
        ];
}
