using Pravik.Core.Runs;

namespace Pravik.Web.Runs;

public enum RunStatus
{
    Waiting,
    Running,
    Done,

    /// <summary>Stopped by a person, or not yet begun.</summary>
    Stopped,
    Failed,
}

/// <summary>How the analysis of a project stands: for which input hash, how far, and what it is doing.</summary>
public sealed record RunState(string Hash, RunStatus Status, double Fraction, string Doing)
{
    public double Seconds { get; init; }
}

/// <summary>The latest results of a project and the hash of their inputs; out of date where that differs from the bridge's.</summary>
public sealed record LatestResults(string Hash, BridgeResults Results);
