using System.Text.Json.Nodes;
using Pravik.Core.Bridges;
using Pravik.Core.Calculations;
using Pravik.Core.Checks;
using Pravik.Core.Codes;
using Pravik.Core.Members;
using Pravik.Core.Places;
using Pravik.Core.Proposals;
using Pravik.Core.Runs;
using Pravik.Core.Units;
using Pravik.Drawings;
using Pravik.Drawings.Views;
using Pravik.Exchange;
using Pravik.Web.Ledgers;

namespace Pravik.Web.Workspaces;

/// <summary>Diagrams, tables and ledgers of checks.</summary>
internal sealed class ResultViews(BridgeGeometry geometry, BridgeResults results, UnitSystem units)
{
    public BridgeResults Results => results;

    private string Station(int point) => units.Format(results.Points[point].Station, QuantityKind.Length);

    private string Girder(int point) => geometry.Girders[results.Points[point].Girder].Name;

    /// <summary>Effect and resistance of a kind of check along a girder, both ways.</summary>
    /// <param name="girder">The girder, from 0.</param>
    /// <param name="outcome">An outcome of the check; that of bending without one.</param>
    /// <param name="before">Results of another edit to lay under, with their name.</param>
    public Diagram CheckDiagram(int girder, CheckOutcome? outcome, (BridgeResults Results, string Name)? before = null)
    {
        var (name, axes) = (geometry.Girders[girder].Name, DiagramAxes.Of(geometry, girder));
        var now = new CheckDiagrams(results.Done, results.Members.First(m => m.Name == name), axes).Of(outcome);
        if (before is not var (older, words) || outcome is null || older.Members.FirstOrDefault(m => m.Name == name) is not { } member)
            return now;
        var numbers = member.Points.Select(p => p.Number).ToHashSet();
        var then = older.Outcomes.Where(o => o.Check == outcome.Check && numbers.Contains(o.Point)).MaxBy(o => o.Utilisation);
        return then is null
            ? now
            : now with
            {
                Series =
                [
                    .. now.Series,
                    .. new CheckDiagrams(older.Done, member, axes)
                        .Of(then)
                        .Series.Select(s => s with { Name = $"{words}: {s.Name}", Pen = Pen.Former, Peaks = false }),
                ],
            };
    }

    /// <summary>Stresses of the flanges of a steel girder along it at a limit state.</summary>
    public Diagram FlangeDiagram(int girder, LimitState state, string words)
    {
        var name = geometry.Girders[girder].Name;
        return new CheckDiagrams(results.Done, results.Members.First(m => m.Name == name), DiagramAxes.Of(geometry, girder)).FlangeStresses(
            state,
            words
        );
    }

    public DataTable CheckTable(CheckOutcome? picked, (BridgeResults Results, string Name)? before = null)
    {
        var older = before?.Results.GoverningByGirder().ToDictionary(o => KeyOf(before.Value.Results, o), o => o.Utilisation);
        return new(
            "Governing checks, worst first",
            [
                new("Girder", false),
                new("Span", true),
                new("Station", true),
                new("Check", false),
                new("Effect", true),
                new($"N_Ed, {units[QuantityKind.Force].Symbol}", true),
                new("Resistance", true),
                new("Utilisation", true),
                .. before is var (_, words) ? [new TableColumn(words, true)] : Array.Empty<TableColumn>(),
                new("Clause", false),
            ],
            [.. results.GoverningByGirder().Select(o => Row(o, o == picked, older))]
        );
    }

    /// <summary>What a row of the table stands for: the check of a girder in a span.</summary>
    private static (int Girder, int Span, string Check) KeyOf(BridgeResults of, CheckOutcome outcome) =>
        (of.Points[outcome.Point].Girder.Value, of.Points[outcome.Point].Span.Value, outcome.Check);

    /// <summary>A value of an outcome with its unit.</summary>
    public static string Value(double value, CheckOutcome of, UnitSystem units) =>
        of.Kind == QuantityKind.Number ? QuantityText.Significant(value, 3) : units.FormatWithUnit(value, of.Kind);

    private TableRow Row(CheckOutcome o, bool isPicked, Dictionary<(int, int, string), double>? older)
    {
        double? was = older is not null && older.TryGetValue(KeyOf(results, o), out var found) ? found : null;
        string[] before = older is null ? [] : [was is { } w ? QuantityText.Fixed(w, 2) : ""];
        var point = results.Points[o.Point];
        return new(
            [
                Girder(o.Point),
                $"{point.Span + 1}",
                Station(o.Point),
                o.Name,
                Value(o.Effect, o, units),
                o.Kind is QuantityKind.Number or QuantityKind.Stress or QuantityKind.SmallStress or QuantityKind.CrackWidth
                    ? ""
                    : units.Format(o.Axial, QuantityKind.Force),
                Value(o.Resistance, o, units),
                QuantityText.Fixed(o.Utilisation, 2),
                .. before,
                o.Clause,
            ],
            [
                point.Girder.Number,
                point.Span.Number,
                point.Station,
                null,
                o.Effect,
                o.Axial,
                o.Resistance,
                o.Utilisation,
                .. before.Select(_ => was),
                null,
            ],
            results.PathOf(o),
            o.Utilisation,
            isPicked
        );
    }

    public Ledger CheckLedger(string project, CheckOutcome outcome)
    {
        var (point, path) = (results.Points[outcome.Point], results.PathOf(outcome).Split('/'));
        return new(
            outcome.Name,
            $"{Girder(outcome.Point)} at {Station(outcome.Point)}",
            [.. TrafficBehind(outcome), .. ProposedLinks(outcome), NotChecked]
        )
        {
            Lines = LedgerLine.Of(Calculate(outcome)),
            PrintAt = $"/bridges/{project}/calculation?girder={point.Girder + 1}&span={point.Span + 1}&point={point.Line}&check={path[^1]}",
        };
    }

    /// <summary>Links with which the girders of the type are met in shear, beside an outcome of shear.</summary>
    private IEnumerable<LedgerGroup> ProposedLinks(CheckOutcome outcome)
    {
        if (outcome.Check.Split('.')[0] is not ("shear" or "interface") && !CheckDiagrams.IsDrawnAsRatio(outcome))
            yield break;
        var point = results.Points[outcome.Point];
        if (results.Members[point.Girder].Form == MemberForm.Steel)
            yield break;
        var type = geometry.Sections.TypeIndex(point.Girder.Number, point.Span);
        var (name, proposal) = (geometry.Bridge.Girders.Types[type].Name, LinkProposal.Of(geometry, results, type));
        var isTaken = proposal.Zones.SequenceEqual(geometry.Bridge.Girders.Types[type].Links);
        List<LedgerRow> all = [.. proposal.Zones.Select((z, i) => Zone(z, i, proposal.Zones.Length))];
        if (proposal.Worst is { } worst)
            all.Add(LedgerRows.Reading("Worst with them", QuantityText.Fixed(worst.Utilisation, 2), worst.Name));
        if (double.IsFinite(proposal.OfToday) && proposal.OfToday > 0)
            all.Add(LedgerRows.Reading("Steel of links", $"{QuantityText.Fixed(100 * proposal.OfToday, 0)} % of today’s"));
        yield return new($"Readings: links proposed for {name}", all)
        {
            Actions =
                proposal.Why.Length > 0 || isTaken
                    ? []
                    :
                    [
                        new(
                            "Take these links",
                            $"Links of {name} as proposed",
                            [new("add", $"/girders/types/{type}/links", new JsonArray([.. proposal.Zones.Select(BridgeJson.Node)]))]
                        ),
                    ],
            Note =
                proposal.Why.Length > 0 ? proposal.Why
                : isTaken ? "These are the links of today."
                : "The least steel in at most three zones, distances in steps of 25 mm, with shear, torsion and the face to the slab "
                    + "checked again at every place of all girders of the type. What fatigue asks for is not counted.",
        };
    }

    /// <summary>A zone of links in words.</summary>
    private LedgerRow Zone(LinkZone zone, int number, int count)
    {
        var length = units.FormatWithUnit(zone.Length, QuantityKind.Length);
        var where =
            number + 1 < count ? $"{(number == 0 ? "First" : "Next")} {length}"
            : number == 0 ? "All along"
            : "To the middle";
        var diameter = units.Format(zone.Diameter, QuantityKind.Size);
        return LedgerRows.Reading(where, $"{zone.Legs} × {diameter} every {units.FormatWithUnit(zone.Spacing, QuantityKind.Size)}");
    }

    /// <summary>What no check covers, beside what is checked.</summary>
    public LedgerGroup NotChecked => new("Not checked yet", []) { Note = $"{string.Join(", ", results.NotChecked)}." };

    private IEnumerable<LedgerGroup> TrafficBehind(CheckOutcome outcome)
    {
        // A ratio of the section has no load behind it; what acts behind a stress is told in its calculation.
        if (outcome.Kind == QuantityKind.Number || outcome.State is null)
            yield break;
        if (results.TrafficBehind(outcome) is not { Lanes.IsEmpty: false } traffic)
        {
            yield return new("Traffic behind it", [LedgerRows.Reading("No lane worsens this effect", "")]);
            yield break;
        }
        yield return new("Traffic behind it", [.. LaneRows.Of(traffic, units)])
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
