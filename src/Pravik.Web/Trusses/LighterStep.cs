using Pravik.Core.Entries;
using Pravik.Core.Trusses;
using Pravik.Core.Units;
using Pravik.Drawings;
using Pravik.Drawings.Views;
using Pravik.Web.Ledgers;
using Pravik.Web.Steps;
using Pravik.Web.Workspaces;

namespace Pravik.Web.Trusses;

/// <summary>The search for a cheaper scheme: what it may change, how it went, what it found over what was.</summary>
internal static class LighterStep
{
    public static IReadOnlyList<SheetControl> Controls(TrussScreen screen)
    {
        var options = Options(screen.Request, screen.Units);
        return
        [
            new(
                "show",
                "Change",
                options.Kind.ToString().ToLowerInvariant(),
                [new("size", "sections"), new("shape", "places of joints"), new("both", "both")]
            ),
            new(
                "table",
                "sections",
                AllFamilies(screen.Request) ? "all" : "used",
                [new("used", "families and grades in use"), new("all", "all families, grades in use")]
            ),
            new("arrange", "symmetry", options.KeepsSymmetry ? "both" : "one", [new("both", "kept"), new("one", "free")]),
            new(
                "names",
                "joints move",
                FormattableString.Invariant($"{options.Reach:0.####}"),
                [
                    .. screen.Units == UnitSystem.Metric
                        ? SketchStep.Lengths("m", 1, 0.5, 1, 2, 3, 5)
                        : SketchStep.Lengths("ft", 0.3048, 2, 4, 6, 10, 15),
                ]
            ),
            new("stage", "seed", $"{options.Seed}", [.. Enumerable.Range(1, 5).Select(i => new Choice($"{i}", $"{i}"))]),
        ];
    }

    private static bool AllFamilies(WorkspaceRequest request) => request.Table == "all";

    /// <summary>What a search may do as it is asked for.</summary>
    public static SearchOptions Options(WorkspaceRequest request, UnitSystem units) =>
        new()
        {
            Kind = Enum.TryParse<SearchKind>(request.Show, true, out var kind) ? kind : SearchKind.Both,
            KeepsSymmetry = request.Arrange != "one",
            Reach =
                double.TryParse(request.Names, System.Globalization.CultureInfo.InvariantCulture, out var reach)
                    ? Math.Clamp(reach, 0.05, 50)
                : units == UnitSystem.Metric ? 2
                : 6 * 0.3048,
            Seed = Math.Clamp(request.Stage, 1, 99),
            Families = AllFamilies(request) ? [.. BarCatalogue.Families.Select(f => f.Name)] : [],
        };

    public static SheetContent Sheet(TrussScreen screen, string layout)
    {
        if (screen.Results is null)
            return new([new("waiting", "Nothing to make lighter yet", "bars that stand are needed first", "")]);
        var found = screen.Search?.Result;
        if (found is null)
            return new([screen.Side("side", screen.Whole, new() { States = screen.Worst }, "As it is")]);
        var drawing = TrussSideView
            .Draw(
                found.Scheme with
                {
                    Units = screen.Scheme.Units,
                },
                screen.Units,
                screen.Half,
                new() { States = BarState.WorstOf(TrussResults.Of(TrussModel.Of(found.Scheme))), Under = screen.Search!.From }
            )
            .Drawing;
        return new([Screen.Drawn("found", drawing with { Title = "What was found" }), History(screen, found)]);
    }

    private static ViewPart History(TrussScreen screen, SearchResult found)
    {
        var last = Math.Max(10.0, found.After.Trials * 1.05);
        List<(double, double)> points = [];
        foreach (var point in found.History)
        {
            if (points.Count > 0)
                points.Add((point.Trials, points[^1].Item2));
            points.Add((point.Trials, point.Cost));
        }
        points.Add((last, points[^1].Item2));
        Series line = new("steel and orders", [.. points], Pen.Active) { Peaks = true };
        var each =
            last > 20_000 ? 5000
            : last > 8000 ? 2000
            : last > 2500 ? 1000
            : 500;
        var marks = Enumerable.Range(0, (int)(last / each) + 1).Select(i => i * each).ToList();
        List<DiagramAxis> axes = [.. marks.Select(m => new DiagramAxis(m % 1000 == 0 ? $"{m / 1000}k" : $"{m}", m)), new("", last)];
        var drawing = DiagramView.Draw(
            new("Cost of the best so far", QuantityKind.Number, false, [line], [.. axes]),
            screen.Units,
            screen.Rest
        );
        return Screen.Drawn("history", drawing) with
        {
            Note = "steel and orders, by trials (k: thousands); one that passes goes before one that does not",
            Stations = null,
        };
    }

    public static Ledger Ledger(TrussScreen screen)
    {
        if (screen.Results is not { } results)
            return new("Make it lighter", "waits for bars that stand", []);
        var scheme = screen.Scheme;
        var choices = TrussSearch.Choices(scheme, Options(screen.Request, screen.Units)).Count();
        List<LedgerGroup> groups =
        [
            new(
                "As it is",
                [
                    LedgerRows.Reading(
                        "Steel and orders",
                        screen.Money(SearchLog.Cost(results.Forces.Model, BarCatalogue.PriceOf(scheme, "order")))
                    ),
                    LedgerRows.Reading("Worst ratio", TrussScreen.Ratio(results.Worst)),
                    LedgerRows.Reading("Sections to choose from", $"{choices}"),
                    LedgerRows.Reading("Bars that stay", $"{scheme.Bars.Count(b => b.Locked)}"),
                    LedgerRows.Reading("Joints that stay", $"{scheme.Joints.Count(j => j.Locked)}"),
                ]
            )
            {
                Note =
                    "Joints keep out of ground, clearance and the room of vehicles. Every trial is the whole "
                    + "analysis; the same seed gives the same "
                    + "result; what is found is never worse.",
            },
        ];
        if (screen.Search is { Result: { } found } search)
            groups.Insert(0, Found(screen, search, found));
        return new("Make it lighter", screen.SearchInfo.IsUnderWay ? "searching" : "", groups);
    }

    private static LedgerGroup Found(TrussScreen screen, TrussSearchRun search, SearchResult found)
    {
        var isCurrent = TrussPatch.Between(search.From, screen.Scheme with { Units = search.From.Units }).Count == 0;
        var saved = found.Before.Cost - found.After.Cost;
        var patch = TrussPatch.Between(screen.Scheme, found.Scheme);
        return new(
            search.WasStopped ? "Found before it was stopped" : "Found",
            [
                LedgerRows.Reading("Steel and orders", screen.Money(found.After.Cost)),
                LedgerRows.Reading(saved >= 0 ? "Saves" : "Adds, so that it passes", screen.Money(Math.Abs(saved))),
                LedgerRows.Reading("Worst ratio", $"{TrussScreen.Ratio(found.Before.Worst)} → {TrussScreen.Ratio(found.After.Worst)}"),
                LedgerRows.Reading("Different sections", $"{TrussCost.Sections(TrussModel.Of(found.Scheme))}"),
                LedgerRows.Reading("Best of trials", $"{found.After.Trials}"),
            ]
        )
        {
            Actions = patch.Count > 0 ? [new("Take it", "Made lighter", patch)] : [],
            Note =
                !found.IsBetter ? "Nothing better was found."
                : patch.Count == 0 ? "It is taken."
                : !isCurrent ? "The scheme was changed since the search began."
                : !found.Passes
                    ? "It does not pass: with these choices no scheme was found that does. Larger sections, a "
                        + "deeper form or more panels may help."
                : "",
        };
    }
}
