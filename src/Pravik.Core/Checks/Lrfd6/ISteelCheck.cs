using Pravik.Core.Codes;
using Pravik.Core.Members;

namespace Pravik.Core.Checks.Lrfd6;

/// <summary>A check of girders of steel to AASHTO LRFD section 6. Traffic is rated by those alone that say so.</summary>
internal interface ISteelCheck : ICheck
{
    bool ICheck.IsRated => false;

    bool ICheck.IsFor(MemberForm form) => form == MemberForm.Steel;

    string? ICheck.Refusal(MemberForm form, Standard standard) =>
        standard == Standard.Lrfd ? null : "Not checked: girders of steel under the Eurocodes, which are analysed alone";
}
