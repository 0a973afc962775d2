using Pravik.Core.Effects;
using Pravik.Core.Models;

namespace Pravik.Core.Checks.En1992;

/// <summary>A stress at a face of a section against its limit.</summary>
/// <param name="Moment">When, in words.</param>
/// <param name="Range">What acts.</param>
/// <param name="Face">The face.</param>
/// <param name="IsGreatest">Whether the greatest stress is meant (tension positive), or the least.</param>
/// <param name="Prestress">σ_P, the part of prestress in it (Pa).</param>
/// <param name="Variation">What is added as prestress may be more or less (Pa).</param>
/// <param name="Limit">The limit (Pa): tension positive, 0 for none at all.</param>
/// <param name="Scale">What stress is set against where no tension is allowed and prestress gives no compression: f_ctm (Pa).</param>
/// <param name="LimitWords">The limit as a formula.</param>
/// <param name="Clause">Where it comes from.</param>
public sealed record FaceStress(
    string Moment,
    EffectRange Range,
    int Effect,
    GirderEffect Face,
    bool IsGreatest,
    double Prestress,
    double Variation,
    double Limit,
    double Scale,
    string LimitWords,
    string Clause
)
{
    private const double NoResistance = 99;

    /// <summary>The stress, with prestress as it is worse (Pa).</summary>
    public double Stress => Range.Side(IsGreatest)[Effect] + Variation;

    /// <summary>
    /// Stress over limit, 0 where it has the other sign; where no tension is allowed 1 + σ/|σ_P|, what is used up of the compression by
    /// prestress, or 1 + σ/f_ctm where prestress gives none.
    /// </summary>
    public double Utilisation =>
        Limit != 0
            ? Math.Min(NoResistance, Math.Max(0, Stress / Limit))
            : Math.Clamp(1 + Stress / (Prestress < 0 ? -Prestress : Scale), 0, NoResistance);

    /// <summary>The face in words.</summary>
    public static string NameOf(GirderEffect face) =>
        face switch
        {
            GirderEffect.Bottom => "soffit",
            GirderEffect.GirderTop => "top of the girder",
            _ => "top of the slab",
        };
}
