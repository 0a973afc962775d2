using System.Collections.Concurrent;
using Pravik.Core.Trusses;
using Pravik.Core.Units;
using Pravik.Web.Runs;
using Pravik.Web.Workspaces;

namespace Pravik.Web.Trusses;

/// <summary>A search for a cheaper scheme: where it began, how far it is, and what it found.</summary>
public sealed class TrussSearchRun(TrussScheme from, SearchOptions options) : IDisposable
{
    /// <summary>The scheme with which it began.</summary>
    public TrussScheme From { get; } = from;

    /// <summary>What it may change.</summary>
    public SearchOptions Options { get; } = options;

    /// <summary>How far it is.</summary>
    public SearchPoint? Point { get; internal set; }

    /// <summary>What it found; null while it runs, or where it broke off.</summary>
    public SearchResult? Result { get; internal set; }

    /// <summary>Why it broke off without a result; empty while it runs and where it ended well.</summary>
    public string Fault { get; internal set; } = "";

    internal CancellationTokenSource Cancel { get; } = new();

    /// <summary>Whether it was ended before its time.</summary>
    public bool WasStopped => Cancel.IsCancellationRequested;

    /// <inheritdoc/>
    public void Dispose() => Cancel.Dispose();
}

/// <summary>Searches, one at a time for a scheme and two in all; the last of each scheme is kept.</summary>
public sealed class TrussSearches(RunQueue runs, ILogger<TrussSearches> log)
{
    private readonly ConcurrentDictionary<string, TrussSearchRun> searches = new();
    private readonly SemaphoreSlim room = new(2);

    /// <summary>The last search of a scheme; null for none.</summary>
    public TrussSearchRun? Of(string id) => searches.GetValueOrDefault(id);

    /// <summary>Begins a search; one that runs for the scheme ends.</summary>
    public void Begin(string id, string channel, TrussScheme scheme, SearchOptions options)
    {
        var search = new TrussSearchRun(scheme, options);
        searches.AddOrUpdate(
            id,
            search,
            (_, former) =>
            {
                former.Cancel.Cancel();
                return search;
            }
        );
        _ = Task.Run(() => SearchAsync(search, channel));
    }

    /// <summary>Ends the search of a scheme, with the best so far.</summary>
    public void Stop(string id) => Of(id)?.Cancel.Cancel();

    /// <summary>What the header says of the search of a scheme.</summary>
    public RunInfo InfoOf(string id)
    {
        if (Of(id) is not { Result: null } search)
            return new("done", 0, "", false);
        if (search.Fault.Length > 0)
            return new("failed", 0, search.Fault, false);
        var all = search.Options.Kind switch
        {
            SearchKind.Size => search.Options.SizeTrials,
            SearchKind.Shape => search.Options.ShapeTrials,
            _ => search.Options.SizeTrials + search.Options.ShapeTrials,
        };
        var trials = search.Point?.Trials ?? 0;
        var words = search.Point is { } point
            ? $"searching: {trials} trials, steel and orders {QuantityText.Fixed(point.Cost, 0)}"
            : "search waits";
        return new("running", Math.Min(0.98, (double)trials / all), words, true);
    }

    private async Task SearchAsync(TrussSearchRun search, string channel)
    {
        await room.WaitAsync();
        try
        {
            search.Result = TrussSearch.Run(
                search.From,
                search.Options,
                point =>
                {
                    search.Point = point;
                    runs.Events.TellRun(channel);
                },
                search.Cancel.Token
            );
        }
        catch (Exception fault)
        {
            log.LogError(fault, "The search for a lighter {Scheme} broke off", search.From.Name);
            search.Fault = "The search broke off by a fault of the program. The scheme is as it was.";
        }
        finally
        {
            room.Release();
            runs.Events.TellRun(channel);
        }
    }
}
