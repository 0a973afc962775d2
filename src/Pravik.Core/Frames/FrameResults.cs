using System.Collections.Immutable;

namespace Pravik.Core.Frames;

/// <summary>Thrown where a model cannot be solved: the reasons with their places.</summary>
public sealed class FrameRefusedException(IReadOnlyList<FrameProblem> problems)
    : Exception(string.Join(Environment.NewLine, problems.Select(p => $"{p.Path}: {p.Message}")))
{
    /// <summary>What is wrong with the model.</summary>
    public IReadOnlyList<FrameProblem> Problems { get; } = problems;

    /// <summary>Displacements of a free movement of the whole, node by node, where the structure can move.</summary>
    public double[][]? Mode { get; init; }
}

/// <summary>Section forces of a beam at fractions of its length; twice at a place where a point load makes them jump.</summary>
public sealed record BeamForces(
    ImmutableArray<double> At,
    ImmutableArray<double> N,
    ImmutableArray<double> Vy,
    ImmutableArray<double> Vz,
    ImmutableArray<double> T,
    ImmutableArray<double> My,
    ImmutableArray<double> Mz
)
{
    /// <summary>N, Vy, Vz, T, My or Mz (0 to 5) at all places.</summary>
    public ImmutableArray<double> Component(int component) =>
        component switch
        {
            0 => N,
            1 => Vy,
            2 => Vz,
            3 => T,
            4 => My,
            _ => Mz,
        };

    /// <summary>The same half way along: before a point load that stands there, and the mean of both ends where no value is.</summary>
    public double Middle(int component)
    {
        var (values, half) = (Component(component), At.IndexOf(0.5));
        return half >= 0 ? values[half] : (values[0] + values[^1]) / 2;
    }
}

/// <summary>Reaction at a supported node: six global components of what the ground does to the structure.</summary>
public sealed record FrameReaction(int Node, double[] Force);

/// <summary>
/// Results of a case: six global displacements for every node, reactions, forces of members, and the sums of applied and reacted forces
/// and moments about the origin.
/// </summary>
public sealed record FrameCaseResults(
    string Id,
    double[][] Displacements,
    ImmutableArray<FrameReaction> Reactions,
    ImmutableArray<BeamForces> Beams,
    ImmutableArray<ShellForces> Shells,
    ImmutableArray<double[]> Springs,
    double[] Applied,
    double[] Reacted
)
{
    private Dictionary<int, double[]>? reactionsByNode;

    /// <summary>The reaction at a node; null where none is supported.</summary>
    public double[]? ReactionAt(int node) =>
        (reactionsByNode ??= Reactions.ToDictionary(r => r.Node, r => r.Force)).GetValueOrDefault(node);

    /// <summary>The largest part of the sums that is not balanced, over the sizes of what was added.</summary>
    public required double Imbalance { get; init; }
}

/// <summary>
/// What a solution was like: unknowns, entries of the factor, smallest and largest pivot over what was added to its diagonal entry,
/// seconds for finding the factor's shape, its values and the solutions of all cases.
/// </summary>
public sealed record FrameEffort(
    int Unknowns,
    long Entries,
    double LeastPivot,
    double GreatestPivot,
    double Analysed,
    double Factorised,
    double Solved
);

/// <summary>Results of all cases, and what was noticed.</summary>
public sealed record FrameResults(ImmutableArray<FrameCaseResults> Cases, ImmutableArray<string> Warnings, FrameEffort Effort);
