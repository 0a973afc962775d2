using System.Collections.Immutable;
using Pravik.Core.Checks;
using Pravik.Core.Findings;
using Pravik.Core.LoneMembers;
using Pravik.Core.Units;
using Pravik.Data;
using Pravik.Drawings.Views;
using Pravik.Exchange;
using Pravik.Web.Ledgers;
using Pravik.Web.Steps;
using Pravik.Web.Workspaces;

namespace Pravik.Web.Members;

/// <summary>All that a step of a member can show: the member as it stands, its run, the request, and drawings that steps share.</summary>
internal sealed class MemberScreen
{
    private const double BandHeight = 104;
    private const double CaptionHeight = 30;

    /// <param name="snapshot">The member as it stands, in the units of who looks.</param>
    /// <param name="runs">Where runs are kept.</param>
    /// <param name="request">What is wanted.</param>
    public MemberScreen(DocumentSnapshot<LoneMember> snapshot, MemberRuns runs, WorkspaceRequest request)
    {
        (Snapshot, Request) = (snapshot, request);
        Units = UnitSystem.Named(Member.Basis.Units);
        Rows = new(Formats.Member.Node(Member), Units, path => LoneEntries.At(path, Member));
        Places = new(Member);
        Sections = new(Member, Places);
        (Run, Waits) = runs.Of(snapshot);
        Outcome = request.Step == "checks" ? Find(request.Pick) ?? Run?.Checks.Governing : null;
        Pick = Outcome is null ? request.Pick : PathOf(Outcome);
        var length = Places.Ends[^1];
        Station = Math.Clamp(request.Station is { } s && double.IsFinite(s) ? s : 0.46 * length, 0, length);
        Whole = ViewSize.Pixels(request.Width, Math.Max(120, request.Height - CaptionHeight));
        Half = ViewSize.Pixels(request.Width, Math.Max(120, request.Height / 2 - CaptionHeight));
    }

    public DocumentSnapshot<LoneMember> Snapshot { get; }
    public LoneMember Member => Snapshot.Document;
    public WorkspaceRequest Request { get; }
    public UnitSystem Units { get; }
    public LedgerRows Rows { get; }
    public LonePlaces Places { get; }
    public LoneSections Sections { get; }

    /// <summary>Effects and checks; null while a finding stands in the way, and why.</summary>
    public LoneRun? Run { get; }
    public string Waits { get; }

    /// <summary>The outcome that is looked at, and the path that is picked.</summary>
    public CheckOutcome? Outcome { get; }
    public string? Pick { get; }
    public double Station { get; }
    public ViewSize Whole { get; }
    public ViewSize Half { get; }

    /// <summary>The place nearest to the cursor at which there is a section.</summary>
    public int AtCursor =>
        Enumerable
            .Range(0, Places.Places.Length)
            .Where(i => Sections.At(Places.Places[i]) is not null)
            .MinBy(i => Math.Abs(Places.Places[i].At - Station));

    /// <summary>The path by which an outcome is found.</summary>
    public static string PathOf(CheckOutcome outcome) => $"/parts/results/{outcome.Point}/{outcome.Check}";

    private CheckOutcome? Find(string? path) =>
        Run is not null && path?.Split('/') is ["", "parts", "results", var point, var check] && int.TryParse(point, out var number)
            ? Run.Checks.ByPoint[number].FirstOrDefault(o => o.Check == check)
            : null;

    public string At(double x) => Units.FormatWithUnit(x, QuantityKind.Length);

    public ViewPart Elevation(ViewSize size, int? shown = null) =>
        Screen.Drawn("elevation", LoneElevationView.Draw(Member, Places, Sections, Units, size, Station, shown));

    public ViewPart Section(ViewSize size)
    {
        var place = Places.Places[AtCursor];
        return Screen.Drawn("section", LoneSectionView.Draw(Sections.At(place)!, $"at {At(place.At)}", Units, size));
    }

    /// <summary>Supports as axes of diagrams.</summary>
    public ImmutableArray<DiagramAxis> Axes => [.. Places.Ends.Select((e, i) => new DiagramAxis($"{i + 1}", e))];

    /// <summary>The workspace as asked.</summary>
    public Workspace Build()
    {
        var step = MemberSteps.Named(Request.Step);
        var layout = step.Layouts.FirstOrDefault(l => l.Id == Request.Layout) ?? step.Layouts[0];
        var sheet = step.Sheet(this, layout.Id);
        var band = LoneBandView.Draw(Member, Places, Units, ViewSize.Pixels(Request.BandWidth, BandHeight), Run);
        return new(
            Member.Name,
            Snapshot.Revision,
            Snapshot.Label,
            Snapshot.CanUndo,
            Snapshot.CanRedo,
            Units == UnitSystem.Metric ? "m, kN" : "ft, kip",
            Station,
            Units.Format(Station, QuantityKind.Length),
            step.Id,
            Pick,
            [.. MemberSteps.All.Select(StateOf)],
            [.. Findings()],
            [.. step.Layouts.Select(l => new LayoutChoice(l.Id, l.Name, l == layout))],
            step.Controls(this),
            sheet.Views,
            Screen.Drawn("band", band),
            sheet.Table?.Seen(Request.Filter, Request.Sort, Request.Rows),
            step.Ledger(this),
            Checks(),
            new("done", 0, "", false),
            Places.Ends,
            MemberSteps.Places
        );
    }

    private IEnumerable<Finding> Findings()
    {
        foreach (var finding in Snapshot.Findings)
            yield return finding;
        if (Run is null && Snapshot.Findings.All(f => f.Severity < Severity.Fault))
            yield return Finding.Error("/supports", Waits);
        foreach (var outcome in Run?.GoverningBySpan().Where(o => !o.Passes) ?? [])
        {
            var place = Places.Places[outcome.Point];
            yield return Finding.Error(
                PathOf(outcome),
                $"Span {place.Span + 1}: {outcome.Name.ToLowerInvariant()} fails with utilisation "
                    + $"{QuantityText.Fixed(outcome.Utilisation, 2)}.",
                "More bars, links, strands or depth raise the resistance."
            ) with
            {
                Station = place.At,
            };
        }
    }

    private StepState StateOf(MemberStep step)
    {
        if (step.Id is "effects" or "checks")
            return Run is null ? new(step.Id, step.Name, "none", "waits for a finding to be mended")
                : step.Id == "checks" && Run.Checks.Fails ? new(step.Id, step.Name, "fails", "a check fails")
                : new(step.Id, step.Name, "good", "in order");
        var isMentioned = Snapshot.Findings.Any(f => step.Paths.Any(p => f.Path.StartsWith(p, StringComparison.Ordinal)));
        return isMentioned ? new(step.Id, step.Name, "look", "needs a look") : new(step.Id, step.Name, "good", "in order");
    }

    private CheckState Checks()
    {
        if (Run is null)
            return new("none", "not checked", Waits, false);
        var checks = Run.Checks;
        var status =
            checks.Outcomes.IsEmpty ? "plain"
            : checks.Fails ? "fails"
            : "passes";
        return new(status, checks.Words, CheckWords.Covered(checks.Checked, checks.NotChecked), true);
    }
}
