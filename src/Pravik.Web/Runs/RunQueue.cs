using System.Collections.Concurrent;
using System.Diagnostics;
using System.Threading.Channels;
using Pravik.Core.Bridges;
using Pravik.Core.Codes;
using Pravik.Core.Effects;
using Pravik.Core.Places;
using Pravik.Core.Proposals;
using Pravik.Core.Roads;
using Pravik.Core.Runs;
using Pravik.Core.Stages;
using Pravik.Data;
using Pravik.Exchange;

namespace Pravik.Web.Runs;

/// <summary>
/// The one bounded queue in which everything that computes a model runs: the bridge of a project, an older edit to lay under it, the
/// comparison of all models. Long jobs run one at a time and short ones beside them, one at a time too, so that nobody waits a minute
/// for what takes a second. A newer edit of a project cancels its older work, and what was asked for to look at ends when nobody looks
/// any more; results are kept under their input hash, within a bound for all projects together.
/// </summary>
public sealed class RunQueue(
    BridgeList bridges,
    SummaryStore summaries,
    GroundStore grounds,
    IConfiguration settings,
    ILogger<RunQueue> log
) : BackgroundService
{
    private const int Capacity = 64;

    /// <summary>Joints from which a model counts as long: a run of it takes some seconds.</summary>
    private const int LongJoints = 1000;

    /// <summary>How long work goes on for a screen that has gone; a page that is loaded anew is back sooner.</summary>
    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(15);

    /// <summary>Comparisons that are kept, of all projects together.</summary>
    private const int MostComparisons = 30;

    /// <summary>
    /// Where edits follow each other so fast that runs are cancelled again and again, a run waits until there is a pause of this length:
    /// its work would be lost, and taken from the edits.
    /// </summary>
    private static readonly TimeSpan Pause = TimeSpan.FromMilliseconds(400);
    private static readonly TimeSpan Lately = TimeSpan.FromSeconds(3);
    private const int OftenCancelled = 3;

    private readonly ConcurrentDictionary<string, ConcurrentQueue<long>> cancelled = new();
    private readonly Channel<Job> quick = Channel.CreateBounded<Job>(Capacity);
    private readonly Channel<Job> slow = Channel.CreateBounded<Job>(Capacity);
    private readonly ConcurrentDictionary<(string Project, JobKind Kind), Job> current = new();
    private readonly ConcurrentDictionary<(string Project, JobKind Kind), RunState> states = new();
    private readonly ConcurrentDictionary<string, (string Hash, int Revision)> latest = new();
    private readonly ConcurrentDictionary<string, (string Hash, int Revision)> before = new();
    private readonly ConcurrentDictionary<string, LatestComparison> compared = new();
    private readonly ConcurrentDictionary<string, LatestProposal> proposed = new();
    private readonly ResultCache kept = new();
    private readonly RunStores stores = new();

    private enum JobKind
    {
        /// <summary>The bridge as it is.</summary>
        Bridge,

        /// <summary>The rating of traffic on it, from its results.</summary>
        Rating,

        /// <summary>An older edit.</summary>
        Past,

        /// <summary>Line girders, grillage and shells.</summary>
        Comparison,

        /// <summary>Strands for a type of girder.</summary>
        Proposal,
    }

    private sealed record Job(string Project, JobKind Kind, string Hash, int Revision, Bridge Bridge, CancellationTokenSource Cancel)
    {
        /// <summary>The type of girder for which strands are proposed, from 0.</summary>
        public int Type { get; init; }

        public bool IsLong { get; } =
            Kind is JobKind.Comparison or JobKind.Proposal || ModelSize.Joints(Bridge) * TrafficOf(Bridge) > LongJoints;

        /// <summary>How many times as long a run takes with the traffic that drives as with load model 1 alone, about.</summary>
        private static double TrafficOf(Bridge bridge) =>
            (bridge.Basis.Standard == Standard.Lrfd ? 3 : 1) + bridge.Traffic.Models.Length / 4.0;
    }

    /// <summary>Tells what changes.</summary>
    public RunEvents Events { get; } = new();

    /// <summary>How the run of a project's bridge stands, and the comparison of its models.</summary>
    public RunState? State(string project) => states.GetValueOrDefault((project, JobKind.Bridge));

    /// <summary>How the comparison of models of a bridge stands.</summary>
    public RunState? ComparisonState(string project) => states.GetValueOrDefault((project, JobKind.Comparison));

    /// <summary>How the search for strands stands.</summary>
    public RunState? ProposalState(string project) => states.GetValueOrDefault((project, JobKind.Proposal));

    /// <summary>The strands that were proposed last for a bridge.</summary>
    public LatestProposal? Proposed(string project) => proposed.GetValueOrDefault(project);

    /// <summary>The work of a project that is told first: its run, or what was asked for beside it.</summary>
    public RunState? Work(string project) =>
        State(project) is { IsUnderWay: true } run ? run
        : ProposalState(project) is { IsUnderWay: true } search ? search
        : State(project);

    /// <summary>
    /// The latest results of a project, and those before them; null where there are none or they were given up for others.
    /// </summary>
    public LatestResults? Latest(string project) => Found(latest, project);

    /// <summary>Results before the latest ones of a bridge, where they are still kept.</summary>
    public LatestResults? Before(string project) => Found(before, project);

    /// <summary>The compared models of a bridge, where they are still kept.</summary>
    public LatestComparison? Compared(string project) => compared.GetValueOrDefault(project);

    /// <summary>Results of a bridge of any edit where they are kept.</summary>
    public BridgeResults? Kept(Bridge bridge) => kept.Find(InputHash.Of(bridge));

    private LatestResults? Found(ConcurrentDictionary<string, (string Hash, int Revision)> all, string project) =>
        all.TryGetValue(project, out var known) && kept.Find(known.Hash) is { } results ? new(known.Hash, known.Revision, results) : null;

    /// <summary>Sees to it that a project's results are or become those of this bridge. Cheap where they already are.</summary>
    public async Task RequestAsync(string project, int revision, Bridge bridge, bool again = false)
    {
        var hash = InputHash.Of(bridge);
        var state = State(project);
        if (state?.Hash == hash && !again && (state.Status != RunStatus.Done || kept.Find(hash) is not null))
            return;
        foreach (var kind in Enum.GetValues<JobKind>())
            await CancelAsync(project, kind);
        if (kept.Find(hash) is not null)
        {
            Take(project, hash, revision);
            Tell(project, JobKind.Bridge, new(hash, RunStatus.Done, 1, "Results are current"));
            var results = kept.Find(hash)!;
            await bridges.KeepVerdictAsync(project, revision, VerdictOf(results), results.Words);
        }
        else if (BridgeRun.Refusal(bridge) is { } reason)
        {
            Tell(project, JobKind.Bridge, new(hash, RunStatus.Stopped, 0, reason));
            await bridges.KeepVerdictAsync(project, revision, Verdict.DoesNotRun, reason);
        }
        else
            Put(new(project, JobKind.Bridge, hash, revision, bridge, new()));
    }

    /// <summary>Sees to it that all models of a bridge are or become compared.</summary>
    public void RequestComparison(string project, int revision, Bridge bridge)
    {
        var hash = InputHash.Of(bridge);
        if (Compared(project)?.Hash == hash || ComparisonState(project)?.Hash == hash || BridgeRun.Refusal(bridge) is not null)
            return;
        Put(new(project, JobKind.Comparison, hash, revision, bridge, new()));
    }

    /// <summary>Sees to it that strands are or become proposed for a type of girder.</summary>
    public void RequestProposal(string project, int revision, Bridge bridge, int type)
    {
        var hash = InputHash.Of(bridge);
        if (Proposed(project) is { } known && known.Hash == hash && known.Type == type)
            return;
        if (ProposalState(project)?.Hash == ProposalHash(hash, type) || BridgeRun.Refusal(bridge) is not null)
            return;
        if (current.TryRemove((project, JobKind.Proposal), out var other))
            other.Cancel.Cancel();
        Put(new(project, JobKind.Proposal, ProposalHash(hash, type), revision, bridge, new()) { Type = type });
    }

    private static string ProposalHash(string hash, int type) => $"{hash} {type}";

    /// <summary>Sees to it that traffic is or becomes rated on a bridge whose results are there.</summary>
    public void RequestRating(string project, int revision, Bridge bridge)
    {
        var hash = InputHash.Of(bridge);
        if (kept.Find(hash) is { Ratings: null } && states.GetValueOrDefault((project, JobKind.Rating))?.Hash != hash)
            Put(new(project, JobKind.Rating, hash, revision, bridge, new()));
    }

    /// <summary>Sees to it that the results of an older edit are or become known; false while they are not.</summary>
    public bool RequestPast(string project, int revision, Bridge bridge)
    {
        var hash = InputHash.Of(bridge);
        if (kept.Find(hash) is not null || BridgeRun.Refusal(bridge) is not null)
            return true;
        if (states.GetValueOrDefault((project, JobKind.Past))?.Hash != hash)
            Put(new(project, JobKind.Past, hash, revision, bridge, new()));
        return states[(project, JobKind.Past)].Status is RunStatus.Failed or RunStatus.Stopped;
    }

    /// <summary>Runs a bridge after an edit and tells those who look at it, with the other bridges that the edit has reached.</summary>
    public async Task FollowAsync(string project, Snapshot edited, EditOutcome outcome)
    {
        await RequestAsync(project, edited.Revision, edited.Bridge);
        Events.TellEdit(project, edited.Revision);
        foreach (var follower in outcome.Followers)
        {
            await RequestAsync(follower.ProjectId, follower.Revision, follower.Bridge);
            Events.TellEdit(follower.ProjectId, follower.Revision);
        }
    }

    /// <summary>Stops all work of a project, if there is any.</summary>
    public async Task StopAsync(string project)
    {
        foreach (var kind in Enum.GetValues<JobKind>())
        {
            if (await CancelAsync(project, kind) is { } job)
                Tell(project, kind, new(job.Hash, RunStatus.Stopped, 0, "Stopped"));
        }
    }

    private async Task<Job?> CancelAsync(string project, JobKind kind)
    {
        if (!current.TryRemove((project, kind), out var job))
            return null;
        await job.Cancel.CancelAsync();
        if (kind == JobKind.Bridge)
            cancelled.GetOrAdd(project, _ => new()).Enqueue(Stopwatch.GetTimestamp());
        // What is cancelled may be asked for anew.
        states.TryRemove((project, kind), out _);
        return job;
    }

    private void Put(Job job)
    {
        current[(job.Project, job.Kind)] = job;
        Tell(job.Project, job.Kind, new(job.Hash, RunStatus.Waiting, 0, "Waiting for its turn"));
        if (job.Kind == JobKind.Bridge && IsEditedFast(job.Project))
            _ = Task.Delay(Pause, job.Cancel.Token).ContinueWith(_ => Queue(job), TaskContinuationOptions.OnlyOnRanToCompletion);
        else
            Queue(job);
    }

    private static string VerdictOf(BridgeResults results) =>
        results.Fails ? Verdict.Fails
        : results.Outcomes.IsEmpty ? Verdict.Unchecked
        : results.Passes ? Verdict.Passes
        : Verdict.Partly;

    private bool IsEditedFast(string project)
    {
        if (!cancelled.TryGetValue(project, out var times))
            return false;
        while (times.TryPeek(out var first) && Stopwatch.GetElapsedTime(first) > Lately)
            times.TryDequeue(out _);
        return times.Count >= OftenCancelled;
    }

    private void Queue(Job job)
    {
        if ((job.IsLong ? slow : quick).Writer.TryWrite(job))
            return;
        current.TryRemove(new((job.Project, job.Kind), job));
        Tell(job.Project, job.Kind, new(job.Hash, RunStatus.Stopped, 0, "Too many analyses are waiting; try again in a moment"));
    }

    private void Take(string project, string hash, int revision)
    {
        if (latest.TryGetValue(project, out var older) && older.Hash != hash)
            before[project] = older;
        latest[project] = (hash, revision);
    }

    /// <summary>Works through the queue until the application stops.</summary>
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        // The first run of a process is slow while code is compiled; it is spent on a bridge that nobody waits for.
        if (settings.GetValue("Pravik:WarmUp", true))
            await Task.Run(() => BridgeRun.Run(Bridge.New("Warming up"), cancel: stoppingToken), stoppingToken);
        Events.Left += project => _ = EndUnwatchedAsync(project, stoppingToken);
        await Task.WhenAll(WorkThroughAsync(quick, stoppingToken), WorkThroughAsync(slow, stoppingToken));
    }

    private async Task WorkThroughAsync(Channel<Job> jobs, CancellationToken stopping)
    {
        await foreach (var job in jobs.Reader.ReadAllAsync(stopping))
        {
            if (!job.Cancel.IsCancellationRequested)
                await RunAsync(job, stopping);
        }
    }

    /// <summary>
    /// Ends what was asked for to look at once nobody has looked for a while. The bridge itself is worked out to its end.
    /// </summary>
    private async Task EndUnwatchedAsync(string project, CancellationToken stopping)
    {
        await Task.Delay(Patience, stopping).ConfigureAwait(ConfigureAwaitOptions.SuppressThrowing);
        if (stopping.IsCancellationRequested || Events.IsWatched(project))
            return;
        await CancelAsync(project, JobKind.Past);
        await CancelAsync(project, JobKind.Comparison);
        await CancelAsync(project, JobKind.Proposal);
    }

    private async Task RunAsync(Job job, CancellationToken stopping)
    {
        using var cancel = CancellationTokenSource.CreateLinkedTokenSource(job.Cancel.Token, stopping);
        var clock = Stopwatch.StartNew();
        void End(RunStatus status, string doing, ModelRefusedException? refused = null) =>
            Report(
                job,
                new(job.Hash, status, status == RunStatus.Done ? 1 : 0, doing) { Seconds = clock.Elapsed.TotalSeconds, Refused = refused }
            );
        try
        {
            await Task.Run(() => Work(job, clock, cancel.Token), cancel.Token);
            if (job.Cancel.IsCancellationRequested)
                return;
            current.TryRemove(new((job.Project, job.Kind), job));
            End(
                RunStatus.Done,
                job.Kind switch
                {
                    JobKind.Comparison => "Compared",
                    JobKind.Proposal => "Proposed",
                    JobKind.Rating => "Rated",
                    _ => "Results are current",
                }
            );
            if (job.Kind == JobKind.Bridge && kept.Find(job.Hash) is { } results)
            {
                await summaries.KeepAsync(job.Hash, CheckSummary.Of(job.Bridge.Name, results));
                await bridges.KeepVerdictAsync(job.Project, job.Revision, VerdictOf(results), results.Words);
            }
        }
        catch (OperationCanceledException)
        {
            // Whoever cancelled has said so already.
        }
        catch (ModelRefusedException refused)
        {
            current.TryRemove(new((job.Project, job.Kind), job));
            End(RunStatus.Failed, refused.Message, refused);
            if (job.Kind == JobKind.Bridge)
                await bridges.KeepVerdictAsync(job.Project, job.Revision, Verdict.DoesNotRun, refused.Message);
        }
        catch (Exception problem)
        {
            log.LogError(problem, "The analysis of {Project} failed", job.Project);
            current.TryRemove(new((job.Project, job.Kind), job));
            End(RunStatus.Failed, "The analysis failed through a fault in the program; the bridge itself is kept");
        }
    }

    private void Work(Job job, Stopwatch clock, CancellationToken cancel)
    {
        var told = -250L;
        void Progress(double fraction, string doing)
        {
            // Four times a second is enough for the eye.
            var now = clock.ElapsedMilliseconds;
            if (job.Cancel.IsCancellationRequested || now - Interlocked.Read(ref told) < 250)
                return;
            Interlocked.Exchange(ref told, now);
            Report(job, new(job.Hash, RunStatus.Running, fraction, doing));
        }
        Ground? ground = job.Bridge.Ground is { } named ? grounds.Find(named.Hash) : null;
        if (job.Kind == JobKind.Comparison)
        {
            compared[job.Project] = new(job.Hash, ModelComparison.Of(new(job.Bridge), ground, stores.Factors, Progress, cancel));
            KeepFew(compared, job.Project);
            return;
        }
        if (job.Kind == JobKind.Proposal)
        {
            var hash = InputHash.Of(job.Bridge);
            var bars = job.Bridge.Girders.CastInPlace
                ? BarProposal.Of(
                    new(job.Bridge),
                    kept.Find(hash) ?? BridgeRun.Run(job.Bridge, ground, stores, cancel: cancel),
                    job.Type,
                    Progress,
                    cancel
                )
                : null;
            var strands = bars is null ? StrandProposal.Of(job.Bridge, job.Type, ground, stores, Progress, cancel) : null;
            proposed[job.Project] = new(hash, job.Type, strands, bars);
            KeepFew(proposed, job.Project);
            return;
        }
        if (job.Kind == JobKind.Rating)
        {
            kept.Find(job.Hash)?.Rate(cancel);
            return;
        }
        var results = BridgeRun.Run(job.Bridge, ground, stores, p => Progress(p.Fraction, p.Doing), cancel: cancel);
        kept.Keep(job.Hash, results);
        if (job.Kind == JobKind.Bridge && !job.Cancel.IsCancellationRequested)
            Take(job.Project, job.Hash, job.Revision);
    }

    /// <summary>Gives up what is kept for other projects beyond a bound.</summary>
    private static void KeepFew<T>(ConcurrentDictionary<string, T> all, string project)
    {
        foreach (var other in all.Keys.Where(k => k != project).Skip(MostComparisons - 1))
            all.TryRemove(other, out _);
    }

    /// <summary>Tells how a job stands, unless another has taken its place meanwhile: a late word of it would hide the new one.</summary>
    private void Report(Job job, RunState state)
    {
        var key = (job.Project, job.Kind);
        while (states.TryGetValue(key, out var shown) && shown.Hash == job.Hash)
        {
            if (!states.TryUpdate(key, state, shown))
                continue;
            TellMoved(job.Project, job.Kind);
            return;
        }
    }

    private void Tell(string project, JobKind kind, RunState state)
    {
        states[(project, kind)] = state;
        TellMoved(project, kind);
    }

    private void TellMoved(string project, JobKind kind)
    {
        if (kind == JobKind.Bridge)
            Events.TellRun(project);
        else
            Events.TellLook(project);
    }
}
