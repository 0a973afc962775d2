using System.Collections.Concurrent;
using System.Diagnostics;
using System.Threading.Channels;
using Pravik.Core.Bridges;
using Pravik.Core.Runs;
using Pravik.Data;
using Pravik.Exchange;

namespace Pravik.Web.Runs;

/// <summary>
/// The one bounded queue in which analyses run, one at a time. A newer edit of a project cancels its older run; results are kept
/// under their input hash. Listeners hear of every change.
/// </summary>
public sealed class RunQueue(ProjectStore store, ILogger<RunQueue> log) : BackgroundService
{
    private const int Capacity = 64;
    private readonly Channel<Job> jobs = Channel.CreateBounded<Job>(Capacity);
    private readonly ConcurrentDictionary<string, Job> current = new();
    private readonly ConcurrentDictionary<string, RunState> states = new();
    private readonly ConcurrentDictionary<string, LatestResults> latest = new();
    private readonly ConcurrentDictionary<Guid, (string Project, Channel<string> Events)> listeners = new();

    private sealed record Job(string Project, string Hash, Bridge Bridge, CancellationTokenSource Cancel);

    public RunState? State(string project) => states.GetValueOrDefault(project);

    public LatestResults? Latest(string project) => latest.GetValueOrDefault(project);

    /// <summary>Sees to it that a project's results are or become those of this bridge. Cheap where they already are.</summary>
    public async Task RequestAsync(string project, Bridge bridge, bool again = false)
    {
        var hash = InputHash.Of(bridge);
        if (states.TryGetValue(project, out var state) && state.Hash == hash && !again)
            return;
        if (current.TryRemove(project, out var older))
            await older.Cancel.CancelAsync();
        if (latest.TryGetValue(project, out var known) && known.Hash == hash)
        {
            Tell(project, new(hash, RunStatus.Done, 1, "Results are current"));
            return;
        }
        if (await store.ResultsAsync(hash) is { } stored)
        {
            latest[project] = new(hash, stored);
            Tell(project, new(hash, RunStatus.Done, 1, "Results are current"));
            return;
        }
        if (BridgeRun.Refusal(bridge) is { } reason)
        {
            Tell(project, new(hash, RunStatus.Stopped, 0, reason));
            return;
        }
        var job = new Job(project, hash, bridge, new());
        current[project] = job;
        Tell(project, new(hash, RunStatus.Waiting, 0, "Waiting for its turn"));
        if (!jobs.Writer.TryWrite(job))
            Tell(project, new(hash, RunStatus.Stopped, 0, "Too many analyses are waiting; try again in a moment"));
    }

    /// <summary>Runs and tells the other bridges that an edit of a road has reached.</summary>
    public async Task FollowAsync(EditOutcome outcome)
    {
        foreach (var follower in outcome.Followers)
        {
            await RequestAsync(follower.ProjectId, follower.Bridge);
            TellEdit(follower.ProjectId);
        }
    }

    /// <summary>Stops the run of a project, if there is one.</summary>
    public void Stop(string project)
    {
        if (!current.TryRemove(project, out var job))
            return;
        job.Cancel.Cancel();
        Tell(project, new(job.Hash, RunStatus.Stopped, 0, "Stopped"));
    }

    /// <summary>Events of a project until the caller goes away: “run” when the run moves on, “edit” when the bridge changes.</summary>
    public async IAsyncEnumerable<string> ListenAsync(
        string project,
        [System.Runtime.CompilerServices.EnumeratorCancellation] CancellationToken cancel
    )
    {
        var key = Guid.NewGuid();
        var events = Channel.CreateBounded<string>(new BoundedChannelOptions(16) { FullMode = BoundedChannelFullMode.DropOldest });
        listeners[key] = (project, events);
        try
        {
            await foreach (var item in events.Reader.ReadAllAsync(cancel))
                yield return item;
        }
        finally
        {
            listeners.TryRemove(key, out _);
        }
    }

    public void TellEdit(string project) => Send(project, "edit");

    /// <summary>Tells listeners that something about a project's runs has changed.</summary>
    public void Tell(string project) => Send(project, "run");

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        // The first run of a process is slow while code is compiled; it is spent on a bridge that nobody waits for.
        await Task.Run(() => BridgeRun.Run(Bridge.New("Warming up"), null, stoppingToken), stoppingToken);
        await foreach (var job in jobs.Reader.ReadAllAsync(stoppingToken))
        {
            if (job.Cancel.IsCancellationRequested)
                continue;
            await RunAsync(job, stoppingToken);
        }
    }

    private async Task RunAsync(Job job, CancellationToken stopping)
    {
        using var cancel = CancellationTokenSource.CreateLinkedTokenSource(job.Cancel.Token, stopping);
        var clock = Stopwatch.StartNew();
        try
        {
            var told = 0L;
            var progress = new Reporter(p =>
            {
                // Four times a second is enough for the eye.
                var now = clock.ElapsedMilliseconds;
                if (now - Interlocked.Read(ref told) < 250 && p.Fraction > 0)
                    return;
                Interlocked.Exchange(ref told, now);
                if (!job.Cancel.IsCancellationRequested)
                    Tell(job.Project, new(job.Hash, RunStatus.Running, p.Fraction, p.Doing));
            });
            var results = await Task.Run(() => BridgeRun.Run(job.Bridge, progress, cancel.Token), cancel.Token);
            if (job.Cancel.IsCancellationRequested)
                return;
            latest[job.Project] = new(job.Hash, results);
            current.TryRemove(new(job.Project, job));
            Tell(job.Project, new(job.Hash, RunStatus.Done, 1, "Results are current") { Seconds = clock.Elapsed.TotalSeconds });
            await store.KeepResultsAsync(job.Hash, results);
        }
        catch (OperationCanceledException)
        {
            // Whoever cancelled has said so already.
        }
        catch (UnstableStructureException problem)
        {
            Tell(job.Project, new(job.Hash, RunStatus.Failed, 0, problem.Message));
        }
        catch (Exception problem)
        {
            log.LogError(problem, "The analysis of {Project} failed", job.Project);
            Tell(
                job.Project,
                new(job.Hash, RunStatus.Failed, 0, "The analysis failed through a fault in the program; the bridge itself is kept")
            );
        }
    }

    private void Tell(string project, RunState state)
    {
        states[project] = state;
        Send(project, "run");
    }

    private void Send(string project, string name)
    {
        foreach (var listener in listeners.Values.Where(l => l.Project == project))
            listener.Events.Writer.TryWrite(name);
    }

    private sealed class Reporter(Action<RunProgress> report) : IProgress<RunProgress>
    {
        public void Report(RunProgress value) => report(value);
    }
}
