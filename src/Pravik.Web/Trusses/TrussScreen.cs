using System.Collections.Immutable;
using Pravik.Core.Findings;
using Pravik.Core.Trusses;
using Pravik.Core.Units;
using Pravik.Data;
using Pravik.Drawings.Views;
using Pravik.Exchange;
using Pravik.Web.Ledgers;
using Pravik.Web.Steps;
using Pravik.Web.Workspaces;

namespace Pravik.Web.Trusses;

/// <summary>What the steps of a truss scheme show: the scheme, what follows from it, what is picked, the room there is.</summary>
internal sealed class TrussScreen
{
    private const double CaptionHeight = 27;
    private const double BandHeight = 96;

    public TrussScreen(DocumentSnapshot<TrussScheme> snapshot, WorkspaceRequest request, TrussRun run, TrussSearches searches)
    {
        (Snapshot, Request, Run) = (snapshot, request, run);
        Units = UnitSystem.Named(Scheme.Units);
        Rows = new(Formats.Truss.Node(Scheme), Units, path => TrussEntries.At(path, Scheme));
        Places = new(Scheme.Site);
        Picks = new(Scheme, request.Pick);
        Search = searches.Of(snapshot.Id);
        SearchInfo = searches.InfoOf(snapshot.Id);
        Station = Math.Clamp(request.Station is { } s && double.IsFinite(s) ? s : 0.46 * Scheme.Site.Opening, 0, Scheme.Site.Opening);
        Whole = ViewSize.Pixels(request.Width, Math.Max(160, request.Height - CaptionHeight));
        Half = ViewSize.Pixels(request.Width, Math.Max(140, 0.62 * request.Height - CaptionHeight));
        Rest = ViewSize.Pixels(request.Width, Math.Max(120, 0.38 * request.Height - CaptionHeight));
    }

    public DocumentSnapshot<TrussScheme> Snapshot { get; }
    public TrussScheme Scheme => Snapshot.Document;
    public WorkspaceRequest Request { get; }
    public UnitSystem Units { get; }
    public LedgerRows Rows { get; }
    public SitePlaces Places { get; }
    public TrussPicks Picks { get; }
    public TrussRun Run { get; }
    public TrussResults? Results => Run.Results;
    public TrussSearchRun? Search { get; }
    public RunInfo SearchInfo { get; }
    public double Station { get; }
    public ViewSize Whole { get; }
    public ViewSize Half { get; }
    public ViewSize Rest { get; }

    /// <summary>Cost before the last edit; null where there was none.</summary>
    public TrussCost? Before { get; set; }

    /// <summary>The office library, where its vehicles are offered.</summary>
    public IReadOnlyList<LibraryRow> Library { get; set; } = [];

    /// <summary>Designs beside this one, where they are compared.</summary>
    public IReadOnlyList<TrussDesign> Designs { get; set; } = [];

    /// <summary>Whether the picture of the scheme is kept here.</summary>
    public bool HasPicture { get; set; }

    /// <summary>Whether drawing is mirrored.</summary>
    public bool Mirrors => Request.Arrange != "one";

    /// <summary>Step of the grid (m); 0 for free.</summary>
    public double Grid =>
        double.TryParse(Request.Names, System.Globalization.CultureInfo.InvariantCulture, out var g) ? Math.Clamp(g, 0, 5)
        : Units == UnitSystem.Metric ? 0.5
        : 0.3048;

    public string Money(double cost) => Scheme.Money(cost);

    public string Force(double n) => Units.FormatWithUnit(n, QuantityKind.Force);

    public static string Ratio(double ratio) => QuantityText.Fixed(ratio, 2);

    /// <summary>Force and ratio of each bar at its worst; none without results.</summary>
    public ImmutableArray<BarState> Worst => BarState.WorstOf(Results);

    /// <summary>A bar as it is called.</summary>
    public string BarName(int bar) => $"{bar + 1}: {Scheme.Bars[bar].From} – {Scheme.Bars[bar].To}";

    public ViewPart Side(string id, ViewSize size, TrussShown shown, string? title = null, bool draws = false, bool isMapped = false)
    {
        var (drawing, paper) = TrussSideView.Draw(Scheme, Units, size, shown);
        var part = Screen.Drawn(id, title is null ? drawing : drawing with { Title = title });
        return isMapped ? part with { Sketch = Map(paper, draws) } : part;
    }

    private SketchMap Map(TrussPaper paper, bool draws)
    {
        var site = Places.Joints.Select(j => new SketchJoint(j.Id, j.At.X, j.At.Y, false));
        var length = Units[QuantityKind.Length];
        return new(
            paper.X0,
            paper.Y0,
            paper.Scale,
            Grid,
            draws,
            Mirrors,
            Scheme.Site.Opening / 2,
            [.. site, .. Scheme.Joints.Select(j => new SketchJoint(j.Id, j.X, j.Z, true))],
            1 / length.Factor,
            length.Symbol
        );
    }

    /// <summary>The workspace as asked.</summary>
    public Workspace Build()
    {
        var step = TrussSteps.Named(Request.Step);
        var layout = step.Layouts.FirstOrDefault(l => l.Id == Request.Layout) ?? step.Layouts[0];
        var sheet = step.Sheet(this, layout.Id);
        var band = TrussBandView.Draw(Scheme, Units, ViewSize.Pixels(Request.BandWidth, BandHeight), Results);
        return new(
            Scheme.Name,
            Snapshot.Revision,
            Snapshot.Label,
            Snapshot.CanUndo,
            Snapshot.CanRedo,
            Units == UnitSystem.Metric ? "m, kN" : "ft, kip",
            Station,
            Units.Format(Station, QuantityKind.Length),
            step.Id,
            Request.Pick,
            [.. TrussSteps.All.Select(StateOf)],
            [.. Findings()],
            [.. step.Layouts.Select(l => new LayoutChoice(l.Id, l.Name, l == layout))],
            step.Controls(this),
            sheet.Views,
            Screen.Drawn("band", band),
            sheet.Table?.Seen(Request.Filter, Request.Sort, Request.Rows),
            step.Ledger(this),
            Checks(),
            SearchInfo,
            [.. Places.Deck.Select(j => j.At.X)],
            TrussSteps.Places
        );
    }

    private IEnumerable<Finding> Findings()
    {
        foreach (var finding in Snapshot.Findings)
            yield return finding;
        if (Results is not { } results)
            yield break;
        for (var b = 0; b < results.Bars.Length; b++)
        {
            var bar = results.Bars[b];
            if (bar.Ratio <= 1)
                continue;
            var words = bar.Limit switch
            {
                BarLimit.Slenderness => "is too slender",
                BarLimit.Yield => "yields in tension",
                _ => "buckles",
            };
            yield return Finding.Error(
                TrussPicks.PathOf(b),
                $"Bar {BarName(b)} {words}: ratio {Ratio(bar.Ratio)}.",
                "A larger section, or a shorter bar."
            );
        }
        if (results.DeflectionRatio > 1)
            yield return Finding.Error(
                "/rules/deflection",
                $"The deck deflects by {Units.FormatWithUnit(results.Deflection, QuantityKind.Size)} under traffic: ratio "
                    + $"{Ratio(results.DeflectionRatio)}.",
                "A deeper truss, or larger chords."
            );
    }

    private StepState StateOf(TrussStep step)
    {
        if (step.Id is "bars" or "drive" or "lighter")
            return Results is null ? new(step.Id, step.Name, "none", "waits for bars that stand")
                : step.Id != "lighter" && Results.Worst > 1 ? new(step.Id, step.Name, "fails", "a check fails")
                : new(step.Id, step.Name, "good", "in order");
        var isMentioned = Snapshot.Findings.Any(f => step.Paths.Any(p => f.Path.StartsWith(p, StringComparison.Ordinal)));
        return isMentioned ? new(step.Id, step.Name, "look", "needs a look") : new(step.Id, step.Name, "good", "in order");
    }

    private CheckState Checks()
    {
        if (Results is not { } results)
            return new("none", "not checked", Scheme.Bars.IsEmpty ? "no bars yet" : "a finding stands in the way", false);
        var failing = results.Bars.Count(b => b.Ratio > 1);
        var words =
            failing > 0 ? $"{failing} of {results.Bars.Length} bars fail"
            : results.DeflectionRatio > 1 ? "deflects too much"
            : $"{results.Bars.Length} bars pass";
        var help = $"Checked: {string.Join(", ", TrussScope.Checked)}. Not checked: {string.Join(", ", TrussScope.NotChecked)}.";
        return new(results.Worst > 1 ? "fails" : "passes", words, help, true);
    }
}
