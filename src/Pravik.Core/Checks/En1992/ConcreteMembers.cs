using Pravik.Core.Codes;
using Pravik.Core.Members;

namespace Pravik.Core.Checks.En1992;

/// <summary>Which members checks to EN 1992 cover.</summary>
internal static class ConcreteMembers
{
    /// <summary>Why members of a form are not checked under a family of standards; null where they are.</summary>
    public static string? Refusal(MemberForm form, Standard standard) =>
        form switch
        {
            MemberForm.RunsOnOverPiers => "Not checked: girders that run on over piers in one piece",
            _ when standard == Standard.Lrfd => "Not checked: concrete girders under AASHTO LRFD, which are analysed alone",
            _ => null,
        };
}
