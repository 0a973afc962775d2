using Pravik.Core.Codes;
using Pravik.Core.Members;

namespace Pravik.Core.Checks.Steel;

/// <summary>
/// Stresses of a steel girder’s section under the greatest or the least moment of a limit state (Pa, tension positive), for drawings and
/// tables.
/// </summary>
/// <param name="Moment">The whole moment (Nm).</param>
/// <param name="OnBare">Of it, on the steel alone.</param>
/// <param name="OnLongTerm">Of it, on steel and slab for a long time.</param>
/// <param name="OnShortTerm">Of it, on steel and slab for a short time.</param>
/// <param name="SlabActs">Whether the slab acts; else its bars.</param>
/// <param name="Top">Stress at the top of the top flange.</param>
/// <param name="Bottom">Stress at the soffit.</param>
/// <param name="Slab">Stress of the concrete at the slab’s top; 0 where it has cracked.</param>
public sealed record SteelReading(
    double Moment,
    double OnBare,
    double OnLongTerm,
    double OnShortTerm,
    bool SlabActs,
    double Top,
    double Bottom,
    double Slab
)
{
    /// <summary>The reading of a section at a place of a member.</summary>
    public static SteelReading Of(Member member, MemberPoint point, MemberSteel steel, LimitState state, bool isGreatest)
    {
        var moments = StateMoments.Of(member, member.Effects(state), point.Number, isGreatest);
        var stresses = new SteelStresses(steel, moments, moments.Total > 0);
        return new(
            moments.Total,
            moments.Bare,
            moments.LongTerm,
            moments.ShortTerm,
            stresses.SlabActs,
            stresses.Top,
            stresses.Bottom,
            -stresses.SlabCompression
        );
    }
}
