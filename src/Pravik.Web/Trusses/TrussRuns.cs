using Pravik.Core.Findings;
using Pravik.Core.Trusses;
using Pravik.Data;
using Pravik.Exchange;

namespace Pravik.Web.Trusses;

/// <summary>What follows from a scheme: results where nothing stands in the way, cost, crossings as they are asked for.</summary>
public sealed class TrussRun(TrussScheme scheme, TrussResults? results)
{
    private readonly Lock guard = new();
    private readonly Dictionary<(int, bool, bool), TrussDrive> drives = [];

    /// <summary>The scheme.</summary>
    public TrussScheme Scheme { get; } = scheme;

    /// <summary>Forces and ratios; null where there are no bars, or a fault stands in the way.</summary>
    public TrussResults? Results { get; } = results;

    /// <summary>What it costs.</summary>
    public TrussCost Cost { get; } = TrussCost.Of(scheme);

    /// <summary>A crossing.</summary>
    public TrussDrive Drive(int vehicle, bool isAhead, bool isHeavy)
    {
        lock (guard)
        {
            if (!drives.TryGetValue((vehicle, isAhead, isHeavy), out var drive))
                drives[(vehicle, isAhead, isHeavy)] = drive = new(Scheme, vehicle, isAhead, isHeavy);
            return drive;
        }
    }
}

/// <summary>Runs of the schemes that were looked at last.</summary>
public sealed class TrussRuns
{
    private readonly Recent<TrussRun> runs = new(40);

    /// <summary>The run of a scheme as it stands.</summary>
    public TrussRun Of(DocumentSnapshot<TrussScheme> snapshot)
    {
        var scheme = snapshot.Document;
        var isSound = snapshot.Findings.All(f => f.Severity < Severity.Fault) && !scheme.Bars.IsEmpty;
        return runs.Of(Formats.Truss.Write(scheme), () => new(scheme, isSound ? TrussResults.Of(TrussModel.Of(scheme)) : null));
    }
}
