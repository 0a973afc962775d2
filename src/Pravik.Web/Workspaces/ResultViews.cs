using System.Collections.Immutable;
using Pravik.Core.Calculations;
using Pravik.Core.Checks;
using Pravik.Core.Places;
using Pravik.Core.Runs;
using Pravik.Core.Units;
using Pravik.Drawings;
using Pravik.Drawings.Views;
using Pravik.Web.Ledgers;

namespace Pravik.Web.Workspaces;

/// <summary>Diagrams, tables and ledgers of checks.</summary>
internal sealed class ResultViews(BridgeGeometry geometry, BridgeResults results, UnitSystem units)
{
    public BridgeResults Results => results;

    private string Station(int point) => units.Format(results.Points[point].Station, QuantityKind.Length);

    private string Girder(int point) => geometry.Girders[results.Points[point].Girder].Name;

    /// <summary>Effect and resistance along a girder, both ways.</summary>
    public Diagram CheckDiagram(int girder)
    {
        ImmutableArray<int> points = [.. Enumerable.Range(0, results.Points.Length).Where(i => results.Points[i].Girder == girder)];
        Series Line(string name, string check, Pen pen, Func<CheckOutcome, double> value, bool peaks = false) =>
            new(
                name,
                [
                    .. points
                        .Select(i => (results.Points[i].Station, Outcome: results.ByPoint[i].FirstOrDefault(o => o.Check == check)))
                        .Where(p => p.Outcome is not null)
                        .Select(p => (p.Station, value(p.Outcome!))),
                ],
                pen
            )
            {
                Peaks = peaks,
            };
        return new(
            $"{geometry.Girders[girder].Name}, ultimate bending",
            QuantityKind.Moment,
            true,
            [
                Line("M_Ed", "bending.sagging", Pen.Active, o => o.Effect, true),
                Line("M_Ed", "bending.hogging", Pen.Active, o => o.Effect, true),
                Line("M_Rd", "bending.sagging", Pen.Resistance, o => o.Resistance),
                Line("M_Rd", "bending.hogging", Pen.Resistance, o => o.Resistance),
            ],
            DiagramAxes.Of(geometry, girder)
        )
        {
            Envelope = (0, 1),
        };
    }

    public DataTable CheckTable(CheckOutcome? picked)
    {
        var symbol = units[QuantityKind.Moment].Symbol;
        return new(
            "Governing checks, worst first",
            [
                new("Girder", false),
                new("Span", true),
                new("Station", true),
                new("Check", false),
                new($"M_Ed, {symbol}", true),
                new($"N_Ed, {units[QuantityKind.Force].Symbol}", true),
                new($"M_Rd, {symbol}", true),
                new("Utilisation", true),
                new("Clause", false),
            ],
            [.. results.GoverningByGirder().Select(o => Row(o, o == picked))]
        );
    }

    private TableRow Row(CheckOutcome o, bool isPicked)
    {
        var point = results.Points[o.Point];
        return new(
            [
                Girder(o.Point),
                $"{point.Span + 1}",
                Station(o.Point),
                o.Name,
                units.Format(o.Effect, QuantityKind.Moment),
                units.Format(o.Axial, QuantityKind.Force),
                units.Format(o.Resistance, QuantityKind.Moment),
                QuantityText.Fixed(o.Utilisation, 2),
                o.Clause,
            ],
            [point.Girder.Number, point.Span.Number, point.Station, null, o.Effect, o.Axial, o.Resistance, o.Utilisation, null],
            results.PathOf(o),
            o.Utilisation,
            isPicked
        );
    }

    public Ledger CheckLedger(string project, CheckOutcome outcome)
    {
        var (point, path) = (results.Points[outcome.Point], results.PathOf(outcome).Split('/'));
        return new(outcome.Name, $"{Girder(outcome.Point)} at {Station(outcome.Point)}", [TrafficBehind(outcome), NotChecked])
        {
            Lines =
            [
                .. Calculate(outcome)
                    .Lines.Select(l => new LedgerLine(l.Symbol, l.Formula, l.Numbers, l.Value, l.Unit, l.Clause, l.IsHeading, l.IsRemark)),
            ],
            PrintAt =
                $"/bridges/{project}/calculation?girder={point.Girder + 1}&span={point.Span + 1}&point={point.Line}&bending={path[^1]}",
        };
    }

    /// <summary>What no check covers, beside what is checked.</summary>
    public LedgerGroup NotChecked => new("Not checked yet", []) { Note = $"{string.Join(", ", results.NotChecked)}." };

    private LedgerGroup TrafficBehind(CheckOutcome outcome)
    {
        if (results.TrafficBehind(outcome) is not { Lanes.IsEmpty: false } traffic)
            return new("Traffic behind it", [LedgerRows.Reading("No lane worsens this effect", "")]);
        return new("Traffic behind it", [.. LaneRows.Of(traffic, units)])
        {
            Columns = LaneRows.Columns,
            Note = "Lane loads act on the parts of the deck that worsen the effect.",
        };
    }

    public Calculation Calculate(CheckOutcome outcome)
    {
        var calculation = new Calculation($"{outcome.Name}, {Girder(outcome.Point)} at station {Station(outcome.Point)}", units);
        results.Write(outcome, calculation);
        return calculation;
    }
}
