using Pravik.Core.Runs;
using Pravik.Data;

namespace Pravik.Web.Runs;

/// <summary>Results that a page shows, or how the analysis stands for which it waits.</summary>
/// <param name="Results">The results; null while there are none.</param>
/// <param name="Awaited">How the analysis stands; null where there are results.</param>
public sealed record CurrentResults(BridgeResults? Results, RunState? Awaited)
{
    /// <summary>Finds the results of a bridge as it stands, and asks for them where there are none.</summary>
    public static async Task<CurrentResults> OfAsync(RunQueue runs, string project, Snapshot snapshot)
    {
        if (runs.Kept(snapshot.Bridge) is null)
            await runs.RequestAsync(project, snapshot.Revision, snapshot.Bridge);
        return runs.Kept(snapshot.Bridge) is { } results
            ? new(results, null)
            : new(null, runs.State(project) ?? new("", RunStatus.Waiting, 0, ""));
    }
}
