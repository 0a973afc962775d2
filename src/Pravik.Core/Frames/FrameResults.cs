using System.Collections.Immutable;

namespace Pravik.Core.Frames;

/// <summary>Thrown where a model cannot be solved: the reasons with their places.</summary>
public sealed class FrameRefusedException(IReadOnlyList<FrameProblem> problems)
    : Exception(string.Join(Environment.NewLine, problems.Select(p => $"{p.Path}: {p.Message}")))
{
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
);

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

public sealed record FrameResults(ImmutableArray<FrameCaseResults> Cases, ImmutableArray<string> Warnings, FrameEffort Effort);
