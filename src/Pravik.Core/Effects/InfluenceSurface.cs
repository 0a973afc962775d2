using Pravik.Core.Models;

namespace Pravik.Core.Effects;

/// <summary>
/// On which side of a point's joint an effect is read. Shear just behind a joint counts what enters there as lying ahead, which gives
/// its greatest value; just ahead, its least. Moments are the mean of both.
/// </summary>
public enum SectionSide
{
    Mean,
    Behind,
    Ahead,
}

/// <summary>An effect of which the influence is wanted.</summary>
public readonly record struct WantedEffect(EffectPoint Point, EffectKind Kind, SectionSide Side = SectionSide.Mean);

/// <summary>
/// What a unit load, down, anywhere on the deck does to one effect at one point: ordinates at the joints of the grillage, linear
/// along and across between them. At the ends of a span the shear surface also jumps on the girder's own line.
/// </summary>
public sealed class InfluenceSurface(WantedEffect effect, double[] ordinates)
{
    public EffectPoint Point { get; } = effect.Point;
    public EffectKind Kind { get; } = effect.Kind;

    /// <summary>Ordinate at each joint.</summary>
    public double[] Ordinates { get; } = ordinates;

    /// <summary>
    /// What to add to the ordinate at the section's own joint, a support, for a load just behind it and just ahead of it.
    /// </summary>
    public (double Behind, double Ahead) Jump =>
        Kind == EffectKind.Moment ? (0, 0)
        : Point.Number == 0 ? (0, 1)
        : Point.Number == EffectPoint.PerSpan ? (-1, 0)
        : (0, 0);

    /// <summary>The effect of nodal loads (down positive).</summary>
    public double Of(double[] nodalLoads)
    {
        double sum = 0;
        for (var n = 0; n < nodalLoads.Length; n++)
            sum += nodalLoads[n] * Ordinates[n];
        return sum;
    }

    /// <summary>
    /// Surfaces for a block of effects. By Maxwell–Betti the effect q·u of a unit load at joint n is the deflection at n under the
    /// generalised load q, so that one solution gives a whole surface: the same numbers as a unit load at every joint in turn.
    /// </summary>
    public static InfluenceSurface[] Solve(Grillage grillage, GrillageSolver solver, IReadOnlyList<WantedEffect> effects)
    {
        var count = effects.Count;
        var values = new double[grillage.Nodes.Length * 3 * count];
        for (var r = 0; r < count; r++)
        {
            foreach (var (unknown, coefficient) in Terms(grillage, effects[r]))
                values[unknown * count + r] += coefficient;
        }
        solver.Solve(values, count);
        var surfaces = new InfluenceSurface[count];
        for (var r = 0; r < count; r++)
        {
            var ordinates = new double[grillage.Nodes.Length];
            for (var n = 0; n < ordinates.Length; n++)
                ordinates[n] = -values[n * 3 * count + r];
            surfaces[r] = new(effects[r], ordinates);
        }
        return surfaces;
    }

    /// <summary>
    /// An effect as a combination of displacements. The mean of the members behind and ahead evens out the steps in moment from the
    /// twist of the strips; at the ends of a span there is only the member within it.
    /// </summary>
    public static IEnumerable<(int Unknown, double Coefficient)> Terms(Grillage grillage, WantedEffect effect)
    {
        var (point, shear) = (effect.Point, effect.Kind == EffectKind.Shear);
        var members = grillage.GirderMembers[point.Girder];
        var takeBehind = point.Number > 0 && (effect.Side != SectionSide.Ahead || point.Number == EffectPoint.PerSpan);
        var takeAhead = point.Number < EffectPoint.PerSpan && (effect.Side != SectionSide.Behind || point.Number == 0);
        var behind = takeBehind ? GrillageSolver.EndEffect(grillage, members[point.Line - 1], true, shear) : [];
        var ahead = takeAhead ? GrillageSolver.EndEffect(grillage, members[point.Line], false, shear) : [];
        var weight = takeBehind && takeAhead ? 0.5 : 1;
        return behind.Concat(ahead).Select(term => (term.Unknown, term.Coefficient * weight));
    }
}
