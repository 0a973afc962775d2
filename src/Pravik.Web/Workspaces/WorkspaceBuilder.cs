using Pravik.Core.Checks;
using Pravik.Core.Findings;
using Pravik.Core.Models;
using Pravik.Core.Roads;
using Pravik.Core.Runs;
using Pravik.Core.Units;
using Pravik.Data;
using Pravik.Web.Ledgers;
using Pravik.Web.Runs;
using Pravik.Web.Steps;

namespace Pravik.Web.Workspaces;

/// <summary>What a bridge is seen with: the ground, the office library, and the other bridges on its road.</summary>
public sealed record Around(Ground? Ground, IReadOnlyList<LibraryRow> Library, IReadOnlyList<Neighbour> Neighbours)
{
    /// <summary>Which of its values are assumed.</summary>
    public Assumptions Assumed { get; init; } = Assumptions.None;

    /// <summary>Nothing around.</summary>
    public static Around Nothing { get; } = new(null, [], []);
}

/// <summary>
/// How a project's run stands, its latest results and those before them, results to lay under them, the comparison of its models, and
/// points of the history that can be laid under.
/// </summary>
public sealed record RunsSeen(RunState? State, LatestResults? Latest)
{
    /// <summary>No run at all.</summary>
    public static RunsSeen Nothing { get; } = new(null, null);

    /// <summary>Results before the latest.</summary>
    public LatestResults? Before { get; init; }

    /// <summary>Results of another revision, with its number.</summary>
    public (BridgeResults Results, string Name)? Other { get; init; }

    /// <summary>Whether what is to be laid under is still being analysed.</summary>
    public bool OtherWaits { get; init; }

    /// <summary>The compared models.</summary>
    public LatestComparison? Compared { get; init; }

    /// <summary>How their comparison stands.</summary>
    public RunState? Comparing { get; init; }

    /// <summary>Strands that are proposed for the type of girder that is shown.</summary>
    public LatestProposal? Proposed { get; init; }

    /// <summary>How the search for them stands.</summary>
    public RunState? Proposing { get; init; }

    /// <summary>Revisions whose results are kept.</summary>
    public IReadOnlyList<(int Revision, string Words)> History { get; init; } = [];
}

/// <summary>Puts together what the screen shows from a snapshot, the latest results and the request.</summary>
public sealed class WorkspaceBuilder
{
    private readonly Screen screen;

    private WorkspaceBuilder(Screen screen) => this.screen = screen;

    /// <summary>The workspace as asked: ledger, drawings, tables, findings and state.</summary>
    public static Workspace Build(Snapshot snapshot, Around around, RunsSeen seen, WorkspaceRequest request) =>
        new WorkspaceBuilder(new(snapshot, around, seen, request)).Build();

    private Workspace Build()
    {
        var (snapshot, request, units) = (screen.Snapshot, screen.Request, screen.Units);
        var step = StepCatalog.Named(request.Step);
        var layout = step.Layouts.FirstOrDefault(l => l.Id == request.Layout) ?? step.Layouts[0];
        var sheet = step.Sheet(screen, layout.Id);
        return new(
            snapshot.Bridge.Name,
            snapshot.Revision,
            snapshot.Label,
            snapshot.CanUndo,
            snapshot.CanRedo,
            units == UnitSystem.Metric ? "m, kN" : "ft, kip",
            screen.Station,
            units.Format(screen.Station, QuantityKind.Length),
            request.Step,
            screen.Pick,
            [.. StepCatalog.All.Where(s => s.IsListed).Select(StateOf)],
            AllFindings(),
            [.. step.Layouts.Select(l => new LayoutChoice(l.Id, l.Name, l == layout))],
            step.Controls(screen),
            sheet.Views,
            screen.Band(),
            sheet.Table?.Seen(request.Filter, request.Sort, request.Rows),
            Marked(step.Ledger(screen)),
            Checks(),
            RunOf(
                screen.Seen.Proposing is { IsUnderWay: true } search ? search : screen.Seen.State,
                screen.IsCurrent && screen.Seen.Proposing is not { IsUnderWay: true }
            ),
            [.. screen.Geometry.Axes.Select(a => a.Station)],
            StepCatalog.Places
        );
    }

    private List<Finding> AllFindings()
    {
        List<Finding> all = [.. screen.Snapshot.Findings];
        if (screen.IsCurrent)
        {
            all.AddRange(screen.Latest!.Results.GoverningByGirder().Where(o => !o.Passes).Select(Failing));
            all.AddRange(
                screen.Latest.Results.GoverningOfSlabs().Where(s => !s.Outcome.Passes).Select(s => SlabViews.Failing(s.Slab, s.Outcome))
            );
        }
        all.AddRange(GroundFindings());
        all.AddRange(screen.SupportFindings);
        if (screen.IsCurrent)
        {
            all.AddRange(ModelChecks.Members(screen.Geometry, screen.Model!.Results.Finished));
            all.AddRange(screen.Model.Results.Warnings.Concat(screen.Model.Ranges.Unknown).Select(w => Finding.Warning("/actions", w)));
        }
        if (screen.Seen.State is { Status: RunStatus.Failed } run)
            all.Add(
                run.Refused is null
                    ? Finding.Error("", run.Doing)
                    : Finding.Error("/model/supports", run.Doing, "Nothing can be analysed or checked until it is held.")
            );
        return all;
    }

    private Finding Failing(CheckOutcome o)
    {
        var point = screen.Latest!.Results.Points[o.Point];
        var place = $"{screen.Geometry.Girders[point.Girder].Name}, span {point.Span + 1}";
        return Finding.Error(
            screen.Latest.Results.PathOf(o),
            $"{place}: {o.Name.ToLowerInvariant()} fails with utilisation {QuantityText.Fixed(o.Utilisation, 2)}.",
            "More strands, bars, depth or girders raise the resistance."
        ) with
        {
            Station = point.Station,
        };
    }

    /// <summary>
    /// Whether the ground reaches under every corner of the deck. The ground is kept beside the bridge, so validation cannot see it.
    /// </summary>
    private IEnumerable<Finding> GroundFindings()
    {
        if (screen.Snapshot.Bridge.Ground is { } named && screen.Ground is null)
            yield return Finding.Warning(
                "/ground",
                $"The ground “{named.Name}” is not held here: bring its file in again on the road step."
            );
        if (screen.Ground is null)
            yield break;
        foreach (var (name, place) in screen.Geometry.Corners().Where(c => screen.Ground.Level(screen.Geometry.Road.At(c.Place)) is null))
            yield return Finding.Warning(
                "/ground",
                $"The ground does not reach under the {name} corner of the deck.",
                "Without it nothing can be founded or shown there."
            ) with
            {
                Station = place.Station,
            };
    }

    /// <summary>A step that is in order but whose values nobody has looked at is not in order: it is assumed.</summary>
    private StepState StateOf(IStep step)
    {
        var state = step.State(screen);
        return state.State == "good" && step.HasValues && screen.Around.Assumed.IsAssumed(step.Id)
            ? state with
            {
                State = "assumed",
                Word = "assumed, nobody has looked at its values yet",
            }
            : state;
    }

    /// <summary>The ledger with what is assumed marked, and where the bridge begins what to do first.</summary>
    private Ledger Marked(Ledger ledger)
    {
        var (assumed, step) = (screen.Around.Assumed, screen.Request.Step);
        if (!assumed.IsAssumed(step))
            return ledger;
        return ledger with
        {
            Groups =
            [
                .. ledger.Groups.Select(g =>
                    g with
                    {
                        Rows = [.. g.Rows.Select(r => r with { IsAssumed = CanBeAssumed(r) && assumed.IsAssumed(step, r.Path) })],
                    }
                ),
            ],
            Opening =
                step == "basis"
                    ?
                    [
                        ("road", "Give the road: type its line and profile, or bring in a LandXML file."),
                        ("axes", "Set the spans, then the strips of the deck and the girders; all is drawn and analysed as you type."),
                        ("checks", "Read what passes and what is not checked yet; a finding leads to its place."),
                    ]
                    : [],
        };
    }

    /// <summary>Titles and empty or inherited values say themselves what they are.</summary>
    private static bool CanBeAssumed(LedgerRow row) =>
        row.Path is { } path
        && !row.IsInherited
        && row.Value.Length > 0
        && path != "/name"
        && !path.StartsWith("/basis/titles/", StringComparison.Ordinal);

    private CheckState Checks()
    {
        if (screen.Latest is not { } latest)
            return new("none", "not analysed yet", "", false);
        var results = latest.Results;
        var status =
            results.Outcomes.IsEmpty ? "plain"
            : results.Fails ? "fails"
            : "passes";
        var words = screen.IsCurrent ? results.Words : $"{results.Words}; of edit {latest.Revision}";
        return new(status, words, CheckWords.Covered(results.Checked, results.NotChecked), screen.IsCurrent);
    }

    /// <summary>What runs for a bridge, in words.</summary>
    public static RunInfo RunOf(RunState? run, bool isCurrent)
    {
        var status = isCurrent ? RunStatus.Done : run?.Status ?? RunStatus.Waiting;
        var words = status switch
        {
            RunStatus.Done => "",
            RunStatus.Failed => "analysis failed",
            RunStatus.Stopped => run?.Doing.ToLowerInvariant() ?? "stopped",
            _ => run?.Doing ?? "waiting",
        };
        return new(status.ToString().ToLowerInvariant(), run?.Fraction ?? 0, words, status is RunStatus.Running or RunStatus.Waiting);
    }
}
