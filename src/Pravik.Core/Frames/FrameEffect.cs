using System.Collections.Immutable;

namespace Pravik.Core.Frames;

/// <summary>Where in the results of a model a term of an effect is read.</summary>
public enum EffectSource
{
    /// <summary>Section force at end i, half way along, or at end j of a beam: N, Vy, Vz, T, My, Mz by their place (N, Nm).</summary>
    BeamStart,

    /// <summary>A force half way along a beam.</summary>
    BeamMiddle,

    /// <summary>A force at the end of a beam.</summary>
    BeamEnd,

    /// <summary>Force per metre of a shell at its centre: nxx, nyy, nxy, mxx, myy, mxy, vxz, vyz by their place (N/m, N).</summary>
    Shell,

    /// <summary>Force of a spring along and about its axes (N, Nm).</summary>
    Spring,

    /// <summary>Global displacement of a node: ux, uy, uz, rx, ry, rz by their place (m, rad).</summary>
    Node,

    /// <summary>Global reaction of the ground on a supported node (N, Nm).</summary>
    Reaction,
}

/// <summary>Factor times a value of a part (beam, shell, spring or node by its number from 0).</summary>
public readonly record struct EffectTerm(EffectSource Source, int Part, int Component, double Factor);

/// <summary>
/// An effect as one linear functional of a model's results, Σ factor · value. The same terms read the effect of a solved case
/// (<see cref="Of"/>) and, through <see cref="FrameAnalysis.RowOf"/>, make its influence surface.
/// </summary>
public sealed record FrameEffect(ImmutableArray<EffectTerm> Terms)
{
    /// <summary>The functional that is 0 for every load.</summary>
    public static FrameEffect Nothing { get; } = new([]);

    /// <summary>The value of the effect in a solved case.</summary>
    public double Of(FrameCaseResults results)
    {
        double sum = 0;
        foreach (var term in Terms)
            sum += term.Factor * Value(results, term);
        return sum;
    }

    /// <summary>The sum of two functionals.</summary>
    public static FrameEffect operator +(FrameEffect a, FrameEffect b) => new([.. a.Terms, .. b.Terms]);

    /// <summary>A functional times a factor.</summary>
    public static FrameEffect operator *(double factor, FrameEffect effect) =>
        new([.. effect.Terms.Select(t => t with { Factor = factor * t.Factor })]);

    private static double Value(FrameCaseResults results, EffectTerm term) =>
        term.Source switch
        {
            EffectSource.BeamStart => results.Beams[term.Part].Component(term.Component)[0],
            EffectSource.BeamMiddle => results.Beams[term.Part].Middle(term.Component),
            EffectSource.BeamEnd => results.Beams[term.Part].Component(term.Component)[^1],
            EffectSource.Shell => results.Shells[term.Part][term.Component],
            EffectSource.Spring => results.Springs[term.Part][term.Component],
            EffectSource.Node => results.Displacements[term.Part][term.Component],
            _ => results.ReactionAt(term.Part)?[term.Component] ?? 0,
        };
}
