using Pravik.Core.Findings;
using Pravik.Data;
using Pravik.Exchange;
using Pravik.Web.Endpoints;
using Pravik.Web.Ledgers;
using Pravik.Web.Runs;

namespace Pravik.Web.Workspaces;

/// <summary>An edit that is tried and not kept: the path of an entry and what is typed, or a patch.</summary>
public sealed record Trial(string Path, string? Text, IReadOnlyList<PatchOperation>? Patch = null);

/// <summary>A workspace, or why there is none: no such bridge, or findings about an entry that was tried.</summary>
public sealed record WorkspaceReading(Workspace? Workspace, IReadOnlyList<Finding> Errors)
{
    /// <summary>Whether there is no such bridge.</summary>
    public bool IsMissing => Workspace is null && Errors.Count == 0;
}

/// <summary>Gathers what a screen shows of a bridge: the document, what is around it, and its runs.</summary>
public sealed class WorkspaceReader(
    ProjectStore store,
    BridgeHistory edits,
    AssumedValues assumed,
    GroundStore grounds,
    LibraryStore library,
    RunQueue runs
)
{
    private const int MostPast = 12;

    /// <summary>
    /// The screen as asked for; with a trial as it would be after that entry, without keeping anything or starting an analysis.
    /// </summary>
    public async Task<WorkspaceReading> ReadAsync(string id, WorkspaceRequest request, Trial? trial, HttpRequest http)
    {
        if (await store.FindAsync(id) is not { } kept)
            return new(null, []);
        var snapshot = UserUnits.For(http, kept);
        var around = new Around(Answers.GroundOf(snapshot, grounds), await library.ListAsync(), await store.NeighboursAsync(id))
        {
            Assumed = await assumed.OfAsync(id),
        };
        if (trial is not null)
        {
            var patch = trial.Patch;
            if (patch is null)
            {
                var reading = EntryReader.Read(snapshot.Bridge, trial.Path, trial.Text);
                if (reading.Error is { } error)
                    return new(null, [Finding.Error(trial.Path, error)]);
                patch = reading.Patch;
            }
            var edited = BridgeEditing.Apply(snapshot.Bridge, patch);
            if (edited.Bridge is not { } bridge)
                return new(null, [.. edited.Errors]);
            var tried = snapshot with { Bridge = bridge, Findings = edited.Findings };
            return new(WorkspaceBuilder.Build(tried, around, new(runs.State(id), runs.Latest(id)), request), []);
        }
        await runs.RequestAsync(id, kept.Revision, kept.Bridge);
        var workspace = WorkspaceBuilder.Build(snapshot, around, await SeeAsync(id, kept, request), request);
        // A step of which every value was looked at is looked at as a whole.
        if (around.Assumed.IsAssumed(request.Step) && request.Pick is null && workspace.Ledger.Assumed == 0)
            await assumed.LookAsync(id, [request.Step]);
        return new(workspace, []);
    }

    /// <summary>What runs for a bridge alone; null where there is none.</summary>
    public async Task<RunInfo?> RunAsync(string id)
    {
        if (await store.FindAsync(id) is not { } kept)
            return null;
        return WorkspaceBuilder.RunOf(
            runs.Work(id),
            runs.Latest(id)?.Hash == InputHash.Of(kept.Bridge) && runs.Work(id) is not { IsUnderWay: true }
        );
    }

    /// <summary>The runs as a screen wants to see them; comparisons and older edits run when a layout asks for them.</summary>
    private async Task<RunsSeen> SeeAsync(string id, Snapshot kept, WorkspaceRequest request)
    {
        var seen = new RunsSeen(runs.State(id), runs.Latest(id));
        if (request is { Step: "checks", Layout: "rating" })
            runs.RequestRating(id, kept.Revision, kept.Bridge);
        if (request is { Step: "checks", Layout: "strands" } && seen.Latest is { } latest && latest.Hash == InputHash.Of(kept.Bridge))
        {
            var type = StrandTables.TypeOf(new(kept.Bridge), latest.Results, request.Pick);
            runs.RequestProposal(id, kept.Revision, kept.Bridge, type);
            var proposed = runs.Proposed(id);
            return seen with
            {
                Proposed = proposed?.Hash == latest.Hash && proposed.Type == type ? proposed : null,
                Proposing = runs.ProposalState(id),
            };
        }
        var isDiagram = request is { Step: "checks", Layout: null or "" or "check" };
        if (request.Step != "analysis" && !isDiagram)
            return seen;
        if (request is { Step: "analysis", Layout: "models" })
            runs.RequestComparison(id, kept.Revision, kept.Bridge);
        var history = (await edits.ListAsync(id))
            .Where(h => !h.IsHead)
            .Take(MostPast)
            .Select(h => (h.Revision, $"edit {h.Revision}: {h.Name ?? h.Label}"))
            .ToList();
        seen = seen with
        {
            State = runs.State(id),
            Before = runs.Before(id),
            Compared = runs.Compared(id) is { } c && c.Hash == InputHash.Of(kept.Bridge) ? c : null,
            Comparing = runs.ComparisonState(id),
            History = history,
        };
        // Under a check lies the run before unless another is asked for.
        if ((request.With == "before" || (isDiagram && request.With.Length == 0)) && seen.Before is { } before)
            return seen with { Other = (before.Results, $"edit {before.Revision}") };
        if (!int.TryParse(request.With, out var revision) || await store.AtAsync(id, revision) is not { } past)
            return seen;
        return runs.RequestPast(id, revision, past) && runs.Kept(past) is { } found
            ? seen with
            {
                Other = (found, $"edit {revision}"),
            }
            : seen with
            {
                OtherWaits = true,
            };
    }
}
