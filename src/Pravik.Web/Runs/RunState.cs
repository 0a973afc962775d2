using Pravik.Core.Effects;
using Pravik.Core.Proposals;
using Pravik.Core.Runs;
using Pravik.Core.Stages;

namespace Pravik.Web.Runs;

/// <summary>How a run stands.</summary>
public enum RunStatus
{
    /// <summary>In the queue.</summary>
    Waiting,

    /// <summary>Under way.</summary>
    Running,

    /// <summary>Finished.</summary>
    Done,

    /// <summary>Stopped by a person, or not yet begun.</summary>
    Stopped,

    /// <summary>Ended by a fault or a refusal.</summary>
    Failed,
}

/// <summary>How a piece of work stands: for which input hash, how far, and what it is doing.</summary>
public sealed record RunState(string Hash, RunStatus Status, double Fraction, string Doing)
{
    /// <summary>How long it took, or takes by now (s).</summary>
    public double Seconds { get; init; }

    /// <summary>A model that can move, and how; null for other states.</summary>
    public ModelRefusedException? Refused { get; init; }

    /// <summary>Whether it waits or runs.</summary>
    public bool IsUnderWay => Status is RunStatus.Running or RunStatus.Waiting;
}

/// <summary>Results of a bridge, the hash of their inputs, and the edit of which they are; out of date where the hash differs.</summary>
public sealed record LatestResults(string Hash, int Revision, BridgeResults Results);

/// <summary>Strands or bars proposed for a type of girder of a bridge, with the hash of its inputs.</summary>
public sealed record LatestProposal(string Hash, int Type, StrandProposal? Strands, BarProposal? Bars);

/// <summary>All three models of a bridge compared, with the hash of their inputs.</summary>
public sealed record LatestComparison(string Hash, ModelComparison Comparison);
