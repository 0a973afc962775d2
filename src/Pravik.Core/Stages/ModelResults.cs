using System.Collections.Immutable;
using Pravik.Core.Frames;
using Pravik.Core.Models;
using Pravik.Core.Places;

namespace Pravik.Core.Stages;

/// <summary>To which kind of action a case belongs.</summary>
public enum ActionKind
{
    /// <summary>Put on in a stage of construction.</summary>
    Stage,

    /// <summary>Creep and shrinkage.</summary>
    LongTerm,
    Temperature,
    Settlement,

    /// <summary>Wind and braking.</summary>
    Horizontal,

    /// <summary>The engineer's own, on the finished bridge.</summary>
    Own,
}

/// <summary>
/// Stresses at the soffit and the top of the girder and at the top of the slab (Pa, tension positive); 0 in a slab that is not there.
/// </summary>
public readonly record struct FaceStresses(double Bottom, double GirderTop, double SlabTop)
{
    public static FaceStresses operator +(FaceStresses a, FaceStresses b) =>
        new(a.Bottom + b.Bottom, a.GirderTop + b.GirderTop, a.SlabTop + b.SlabTop);

    public static FaceStresses operator *(double f, FaceStresses a) => new(f * a.Bottom, f * a.GirderTop, f * a.SlabTop);
}

/// <summary>What the ground or a pier does to a girder at a seat (N): along the girder, across it to the left, and up.</summary>
public sealed record SeatReaction(int Axis, int Girder, double Along, double Across, double Up);

/// <summary>Forces at both ends of a member that is not of a girder, and its name.</summary>
public sealed record MemberResult(string Name, SectionForces Start, SectionForces End);

/// <summary>
/// How a case balances: sums of forces and of moments about the origin that are applied and that react, the largest difference over the
/// sizes of what was added, and the largest upright residual.
/// </summary>
public sealed record CaseAccount(ImmutableArray<double> Applied, ImmutableArray<double> Reacted, double Imbalance)
{
    /// <summary>Vertical load down and reaction up (N).</summary>
    public double Load => -Applied[2];
    public double Reaction => Reacted[2];
}

/// <summary>A case of loads on a model: its name in words, its stage (from 0) where it belongs to one, and what it does.</summary>
/// <param name="Id">Name within the run.</param>
/// <param name="Name">Name in words.</param>
/// <param name="Kind">Kind of action.</param>
/// <param name="Model">Which of the run's models carries it.</param>
/// <param name="Effects">Forces and deflections along the girders, secondary ones only for prestress and imposed strains.</param>
public sealed record ActionResult(string Id, string Name, ActionKind Kind, int Model, GirderEffects Effects)
{
    public int? Stage { get; init; }

    /// <summary>The loads themselves.</summary>
    public required FrameCase Load { get; init; }

    /// <summary>Primary effects of prestress, about the girder's own centroid; null for other cases.</summary>
    public GirderEffects? Primary { get; init; }

    /// <summary>Stresses at every point, self-equilibrating ones included.</summary>
    public ImmutableArray<FaceStresses> Stresses { get; init; } = [];

    /// <summary>Displacements of the joints of the model (m, rad).</summary>
    public required double[][] Displacements { get; init; }
    public required ImmutableArray<SeatReaction> Reactions { get; init; }
    public required ImmutableArray<MemberResult> Others { get; init; }
    public required ImmutableArray<ShellForces> Shells { get; init; }
    public required CaseAccount Account { get; init; }

    /// <summary>Forces on the sections: secondary and primary.</summary>
    public GirderEffects Total => Primary is { } primary ? Effects + primary : Effects;
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
    public double Megabytes => 8e-6 * Entries;
}

/// <summary>All results of a bridge's model, stage by stage and action by action.</summary>
public sealed record ModelResults(
    ImmutableArray<BridgeModel> Models,
    ImmutableArray<ModelPoint> Points,
    ImmutableArray<StageStep> Steps,
    ImmutableArray<ActionResult> Cases
)
{
    public required ImmutableArray<ModelEffort> Efforts { get; init; }
    public ImmutableArray<string> Warnings { get; init; } = [];

    /// <summary>Values behind creep and shrinkage, in words.</summary>
    public ImmutableArray<TimeValue> TimeValues { get; init; } = [];

    /// <summary>The model of the finished bridge.</summary>
    public BridgeModel Finished => Models[FinishedModel];
    public required int FinishedModel { get; init; }

    /// <summary>The finished bridge with what acts on it, named in words, to be read, checked or changed elsewhere.</summary>
    public FrameModel Exported =>
        Finished.Frame with
        {
            Cases = [.. Cases.Where(c => c.Model == FinishedModel).Select(c => c.Load with { Id = c.Name })],
        };

    public ActionResult? Find(string id) => Cases.FirstOrDefault(c => c.Id == id);

    /// <summary>The cases of a stage (from 0).</summary>
    public IEnumerable<ActionResult> OfStage(int stage) => Cases.Where(c => c.Stage == stage);

    /// <summary>Effects of all that is put on up to a stage and in it.</summary>
    public GirderEffects UpTo(int stage) =>
        Cases.Where(c => c.Stage <= stage).Select(c => (1.0, c.Total)).ToList() is { Count: > 0 } terms
            ? GirderEffects.Sum(terms)
            : GirderEffects.None(Points.Length);

    public ImmutableArray<FaceStresses> StressesUpTo(int stage)
    {
        var sum = new FaceStresses[Points.Length];
        foreach (var c in Cases.Where(c => c.Stage <= stage && !c.Stresses.IsEmpty))
        {
            for (var i = 0; i < sum.Length; i++)
                sum[i] += c.Stresses[i];
        }
        return [.. sum];
    }
}

/// <summary>A value of creep or shrinkage with its name and clause.</summary>
public sealed record TimeValue(string Symbol, string Name, double Value, string Clause);
