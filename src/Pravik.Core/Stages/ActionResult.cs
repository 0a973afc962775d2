using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Codes;
using Pravik.Core.Frames;
using Pravik.Core.Models;
using Pravik.Core.Places;

namespace Pravik.Core.Stages;

/// <summary>
/// How a case balances: sums of forces and of moments about the origin that are applied and that react, the largest difference over the
/// sizes of what was added, and the largest upright residual.
/// </summary>
public sealed record CaseAccount(ImmutableArray<double> Applied, ImmutableArray<double> Reacted, double Imbalance)
{
    /// <summary>Vertical load down and reaction up (N).</summary>
    public double Load => -Applied[2];

    /// <summary>Force that the supports answer with, upright (N).</summary>
    public double Reaction => Reacted[2];
}

/// <summary>A case of loads on a model: its name in words, its stage where it belongs to one, and what it does.</summary>
/// <param name="Id">Name within the run.</param>
/// <param name="Name">Name in words.</param>
/// <param name="Kind">Kind of action, by which it enters combinations.</param>
/// <param name="Model">Which of the run's models carries it.</param>
/// <param name="Effects">
/// Its effects, primary ones of prestress and stresses that balance within the section included.
/// </param>
public sealed record ActionResult(CaseId Id, string Name, ActionKind Kind, int Model, EffectValues Effects)
{
    /// <summary>
    /// Whether a stage up to that one put it on, and it is still there; of what comes with time, whether it is over by then.
    /// </summary>
    public bool IsThereAfter(StageStep step) =>
        Until is { } over ? over <= step.Stage.Day : Stage <= step.Index && (!IsPassing || Stage == step.Index);

    /// <summary>Whether it acts when strands are released: the weight of girders, and prestress.</summary>
    public bool IsAtRelease => Stage is not null && Name is CaseNames.Girders or CaseNames.Prestress;

    /// <summary>Day on which it is over, where it comes with time.</summary>
    public double? Until { get; init; }

    /// <summary>The stage that puts it on; null for none.</summary>
    public StageIndex? Stage { get; init; }

    /// <summary>Day on which it acts, for creep.</summary>
    public double Day { get; init; }

    /// <summary>Whether it acts in its stage alone, as the water of wet concrete does.</summary>
    public bool IsPassing { get; init; }

    /// <summary>The loads themselves.</summary>
    public required FrameCase Load { get; init; }

    /// <summary>What the structure answers to prestress, without the primary part; null for other cases.</summary>
    public EffectValues? Secondary { get; init; }

    /// <summary>Displacements of the joints of the model (m, rad).</summary>
    public required double[][] Displacements { get; init; }

    /// <summary>Forces of the shells.</summary>
    public required ImmutableArray<ShellForces> Shells { get; init; }

    /// <summary>Loads against reactions.</summary>
    public required CaseAccount Account { get; init; }
}

/// <summary>
/// What solving a model took: what it is, unknowns, entries of its factor, smallest and largest pivot over what was added to them,
/// seconds, bytes of its factor; whether its factor was there already.
/// </summary>
public sealed record ModelEffort(
    string Name,
    int Joints,
    int Members,
    int Shells,
    int Unknowns,
    long Entries,
    double LeastPivot,
    double GreatestPivot,
    double Seconds,
    bool Reused
)
{
    /// <summary>Memory of the factor (MB).</summary>
    public double Megabytes => 8e-6 * Entries;
}

/// <summary>A value of creep or shrinkage with its name and clause.</summary>
public sealed record TimeValue(string Symbol, string Name, double Value, string Clause)
{
    /// <summary>Its unit: empty for a number; lengths are in metres.</summary>
    public string Unit { get; init; } = "";
}
