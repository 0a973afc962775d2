using Pravik.Core.Structures;

namespace Pravik.Core.Analysis;

/// <summary>
/// What a unit load, down, anywhere on the deck does to one effect at one point: ordinates at the joints of the grillage, linear
/// along and across between them. For shear the surface jumps at the section on the girder's own line; <see cref="Jump"/> is the
/// step there, half of it on each side of the ordinate at an inner point.
/// </summary>
public sealed class InfluenceSurface(EffectPoint point, EffectKind kind, double[] ordinates)
{
    public EffectPoint Point { get; } = point;
    public EffectKind Kind { get; } = kind;

    /// <summary>Ordinate at each joint.</summary>
    public double[] Ordinates { get; } = ordinates;

    /// <summary>What to add to the ordinate at the section's own joint for a load just behind it and just ahead of it.</summary>
    public (double Behind, double Ahead) Jump => Kind == EffectKind.Moment ? (0, 0)
        : Point.Number == 0 ? (0, 1)
        : Point.Number == EffectPoint.PerSpan ? (-1, 0)
        : (-0.5, 0.5);

    /// <summary>The effect of nodal loads (down positive).</summary>
    public double Of(double[] nodalLoads)
    {
        double sum = 0;
        for (var n = 0; n < nodalLoads.Length; n++) sum += nodalLoads[n] * Ordinates[n];
        return sum;
    }

    /// <summary>
    /// Surfaces for a block of effects. By Maxwell–Betti the effect q·u of a unit load at joint n is the deflection at n under the
    /// generalised load q, so that one solution gives a whole surface: the same numbers as a unit load at every joint in turn.
    /// </summary>
    public static InfluenceSurface[] Solve(Grillage grillage, GrillageSolver solver, IReadOnlyList<(EffectPoint Point, EffectKind Kind)> effects)
    {
        var count = effects.Count;
        var values = new double[grillage.Nodes.Length * 3 * count];
        for (var r = 0; r < count; r++)
        {
            foreach (var (unknown, coefficient) in Terms(grillage, effects[r].Point, effects[r].Kind)) values[unknown * count + r] += coefficient;
        }
        solver.Solve(values, count);
        var surfaces = new InfluenceSurface[count];
        for (var r = 0; r < count; r++)
        {
            var ordinates = new double[grillage.Nodes.Length];
            for (var n = 0; n < ordinates.Length; n++) ordinates[n] = -values[n * 3 * count + r];
            surfaces[r] = new(effects[r].Point, effects[r].Kind, ordinates);
        }
        return surfaces;
    }

    /// <summary>
    /// An effect as a combination of displacements: at an inner point the mean of the members behind and ahead (which evens out
    /// the steps from the twist of the strips), at the ends of a span the member within it.
    /// </summary>
    public static IEnumerable<(int Unknown, double Coefficient)> Terms(Grillage grillage, EffectPoint point, EffectKind kind)
    {
        var members = grillage.GirderMembers[point.Girder];
        var shear = kind == EffectKind.Shear;
        var behind = point.Number > 0 ? GrillageSolver.EndEffect(grillage, members[point.Line - 1], true, shear) : [];
        var ahead = point.Number < EffectPoint.PerSpan ? GrillageSolver.EndEffect(grillage, members[point.Line], false, shear) : [];
        var weight = point.Number is > 0 and < EffectPoint.PerSpan ? 0.5 : 1;
        return behind.Concat(ahead).Select(term => (term.Unknown, term.Coefficient * weight));
    }
}
