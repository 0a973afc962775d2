using System.Collections.Concurrent;
using System.Diagnostics;
using Pravik.Core.Bridges;
using Pravik.Core.Effects;
using Pravik.Core.Places;
using Pravik.Core.Roads;
using Pravik.Core.Stages;
using Pravik.Exchange;

namespace Pravik.Web.Runs;

/// <summary>
/// What is kept of a project's model: results with the hash of what they were made of and the revision, the run before, the comparison
/// of all three models, and how the work stands.
/// </summary>
public sealed record ModelState(string Hash, RunStatus Status, double Fraction, string Doing)
{
    public KeptModel? Latest { get; init; }
    public KeptModel? Before { get; init; }
    public (string Hash, ModelComparison Comparison)? Compared { get; init; }
    public double Seconds { get; init; }

    /// <summary>A model that can move, and how.</summary>
    public ModelRefusedException? Refused { get; init; }
}

/// <summary>Results of a model, the hash of their inputs, and the edit of which they are.</summary>
public sealed record KeptModel(string Hash, int Revision, ModelResults Results);

/// <summary>
/// Runs the models that screens ask for, after the everyday analysis and one at a time; a newer wish of a project cancels its older
/// one. Factors stay from run to run, so that a change of loads does not factorise again.
/// </summary>
public sealed class ModelQueue(RunQueue runs, ILogger<ModelQueue> log) : BackgroundService
{
    private readonly ConcurrentDictionary<string, ModelState> states = new();
    private readonly ConcurrentDictionary<string, Wish> wishes = new();
    private readonly SemaphoreSlim wanted = new(0);
    private readonly FactorStore factors = new();

    private sealed record Wish(
        string Project,
        string Hash,
        int Revision,
        Bridge Bridge,
        Ground? Ground,
        bool Compare,
        CancellationTokenSource Cancel
    );

    private Wish? running;

    private readonly ConcurrentDictionary<string, ModelResults> past = new();

    public ModelState? State(string project) => states.GetValueOrDefault(project);

    /// <summary>Sees to it that the model's results, or the comparison of all models, are or become those of a bridge.</summary>
    public void Request(string project, int revision, Bridge bridge, Ground? ground, bool compare, bool again = false)
    {
        var hash = InputHash.OfModel(bridge);
        var state = states.GetValueOrDefault(project);
        var has = compare ? state?.Compared?.Hash == hash : state?.Latest?.Hash == hash;
        if (has && state!.Hash != hash)
            Tell(
                project,
                s => s with { Hash = hash, Status = RunStatus.Done, Fraction = 1, Doing = "Results are current", Refused = null }
            );
        if (has || (!again && state?.Hash == hash && state.Status is RunStatus.Failed or RunStatus.Stopped))
            return;
        if (ModelRun.Refusal(bridge) is { } reason)
        {
            Tell(project, s => s with { Hash = hash, Status = RunStatus.Failed, Doing = reason, Refused = null });
            return;
        }
        if (
            running is { } now
            && now.Project == project
            && now.Hash == hash
            && now.Compare == compare
            && !now.Cancel.IsCancellationRequested
        )
            return;
        if (wishes.TryGetValue(project, out var waiting) && waiting.Hash == hash && waiting.Compare == compare)
            return;
        if (running?.Project == project)
            running.Cancel.Cancel();
        wishes[project] = new(project, hash, revision, bridge, ground, compare, new());
        Tell(
            project,
            s => s with { Hash = hash, Status = RunStatus.Waiting, Fraction = 0, Doing = "Waiting for its turn", Refused = null }
        );
        wanted.Release();
    }

    /// <summary>Results of a model for a point of the history, kept for a while; null where it cannot be run.</summary>
    public async Task<ModelResults?> AtAsync(Bridge bridge, Ground? ground)
    {
        var hash = InputHash.OfModel(bridge);
        if (past.TryGetValue(hash, out var known))
            return known;
        if (ModelRun.Refusal(bridge) is not null)
            return null;
        try
        {
            var results = await Task.Run(() => ModelRun.Run(new(bridge), null, ground, factors));
            if (past.Count >= 3)
                past.Clear();
            return past[hash] = results;
        }
        catch (ModelRefusedException)
        {
            return null;
        }
    }

    public void Stop(string project)
    {
        wishes.TryRemove(project, out _);
        if (running?.Project == project)
            running.Cancel.Cancel();
        if (states.TryGetValue(project, out var state) && state.Status is RunStatus.Running or RunStatus.Waiting)
            Tell(project, s => s with { Status = RunStatus.Stopped, Doing = "Stopped" });
    }

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        // The first run of a process is slow while code is compiled; it is spent on a bridge that nobody waits for.
        await Task.Run(() => ModelRun.Run(new(Bridge.New("Warming up")), cancel: stoppingToken), stoppingToken);
        while (!stoppingToken.IsCancellationRequested)
        {
            await wanted.WaitAsync(stoppingToken);
            foreach (var project in wishes.Keys.ToList())
            {
                if (!wishes.TryRemove(project, out var wish))
                    continue;
                running = wish;
                await RunAsync(wish, stoppingToken);
                running = null;
            }
        }
    }

    private async Task RunAsync(Wish wish, CancellationToken stopping)
    {
        using var cancel = CancellationTokenSource.CreateLinkedTokenSource(wish.Cancel.Token, stopping);
        var clock = Stopwatch.StartNew();
        try
        {
            // The everyday analysis comes first: it is what the other steps wait for.
            while (runs.State(wish.Project) is { Status: RunStatus.Running or RunStatus.Waiting })
                await Task.Delay(20, cancel.Token);
            clock.Restart();
            var told = -250L;
            void Report(double fraction, string doing)
            {
                if (cancel.IsCancellationRequested || clock.ElapsedMilliseconds - told < 250)
                    return;
                told = clock.ElapsedMilliseconds;
                Tell(wish.Project, s => s with { Status = RunStatus.Running, Fraction = fraction, Doing = doing });
            }
            var geometry = new BridgeGeometry(wish.Bridge);
            if (wish.Compare)
            {
                var comparison = await Task.Run(
                    () => ModelComparison.Of(geometry, wish.Ground, factors, Report, cancel.Token),
                    cancel.Token
                );
                Tell(
                    wish.Project,
                    s =>
                        s with
                        {
                            Status = RunStatus.Done,
                            Fraction = 1,
                            Doing = "Compared",
                            Compared = (wish.Hash, comparison),
                            Seconds = clock.Elapsed.TotalSeconds,
                        }
                );
                return;
            }
            var results = await Task.Run(() => ModelRun.Run(geometry, null, wish.Ground, factors, Report, cancel.Token), cancel.Token);
            var kept = new KeptModel(wish.Hash, wish.Revision, results);
            Tell(
                wish.Project,
                s =>
                    s with
                    {
                        Status = RunStatus.Done,
                        Fraction = 1,
                        Doing = "Results are current",
                        Before = s.Latest ?? s.Before,
                        Latest = kept,
                        Seconds = clock.Elapsed.TotalSeconds,
                    }
            );
        }
        catch (OperationCanceledException)
        {
            // Whoever cancelled has said so already.
        }
        catch (ModelRefusedException refused)
        {
            Tell(wish.Project, s => s with { Status = RunStatus.Failed, Doing = refused.Message, Refused = refused });
        }
        catch (Exception problem)
        {
            log.LogError(problem, "The model of {Project} failed", wish.Project);
            Tell(
                wish.Project,
                s =>
                    s with
                    {
                        Status = RunStatus.Failed,
                        Doing = "The model failed through a fault in the program; the bridge itself is kept",
                    }
            );
        }
    }

    private void Tell(string project, Func<ModelState, ModelState> change)
    {
        states.AddOrUpdate(project, _ => change(new("", RunStatus.Waiting, 0, "")), (_, s) => change(s));
        runs.Tell(project);
    }
}
