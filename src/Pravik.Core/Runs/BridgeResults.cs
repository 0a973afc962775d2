using System.Collections.Immutable;
using Pravik.Core.Checks;
using Pravik.Core.Effects;

namespace Pravik.Core.Runs;

/// <summary>Moments, shears and ultimate bending checks at one point of one girder.</summary>
public sealed record PointResult(PointEffects Moment, PointEffects Shear, BendingOutcome Sagging, BendingOutcome Hogging)
{
    public EffectPoint Point => Moment.Point;

    public BendingOutcome Worst => Sagging.Utilisation >= Hogging.Utilisation ? Sagging : Hogging;

    public BendingOutcome Of(Bending bending) => bending == Bending.Sagging ? Sagging : Hogging;
}

/// <summary>Applied load against reactions for one case (N).</summary>
public sealed record CaseBalance(string Case, double Applied, double Reacted)
{
    /// <summary>Difference over the load; 0 without load.</summary>
    public double Error => Applied == 0 ? Math.Abs(Reacted) : Math.Abs(Reacted - Applied) / Math.Abs(Applied);
}

/// <summary>What the solution was like: size of the model, digits kept, and balance of loads.</summary>
public sealed record ModelSummary(int Joints, int Members, int Unknowns, double PivotRatio, ImmutableArray<CaseBalance> Balance);

/// <summary>All results of a bridge.</summary>
public sealed record BridgeResults(ModelSummary Model, ImmutableArray<PointResult> Points)
{
    /// <summary>The point with the greatest utilisation.</summary>
    public PointResult Governing => Points.MaxBy(p => p.Worst.Utilisation)!;

    public bool Passes => Points.All(p => p.Worst.Passes);

    public IEnumerable<PointResult> OfGirder(int girder) => Points.Where(p => p.Point.Girder == girder);

    /// <summary>For each girder, span and sense of bending, the point with the greatest utilisation: the worst first.</summary>
    public IReadOnlyList<(PointResult Point, BendingOutcome Outcome)> GoverningByGirder() =>
        [
            .. Points
                .SelectMany(p => new[] { (Point: p, Outcome: p.Sagging), (Point: p, Outcome: p.Hogging) })
                .Where(row => row.Outcome.Utilisation > 0)
                .GroupBy(row => (row.Point.Point.Girder, row.Point.Point.Span, row.Outcome.Bending))
                .Select(group => group.MaxBy(row => row.Outcome.Utilisation))
                .OrderByDescending(row => row.Outcome.Utilisation),
        ];
}
