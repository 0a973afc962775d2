using Pravik.Core.Codes;
using Pravik.Core.Members;

namespace Pravik.Core.Checks.Lrfd6;

/// <summary>Which members checks to AASHTO LRFD section 6 cover.</summary>
internal static class SteelGirders
{
    /// <summary>φ_f and φ_v of AASHTO LRFD 6.5.4.2.</summary>
    public const double Phi = 1;

    /// <summary>Whether they are girders of steel.</summary>
    public static bool Are(MemberForm form) => form == MemberForm.Steel;

    /// <summary>Why they are not checked under a family of standards; null where they are.</summary>
    public static string? Refusal(Standard standard) =>
        standard == Standard.Lrfd ? null : "Not checked: girders of steel under the Eurocodes, which are analysed alone";
}
