using Pravik.Core.Findings;
using Pravik.Core.Frames;
using Pravik.Core.LoneMembers;
using Pravik.Data;
using Pravik.Exchange;

namespace Pravik.Web.Members;

/// <summary>Effects and checks of members, worked out when they are first asked for; those of the latest few are kept.</summary>
public sealed class MemberRuns
{
    private readonly Recent<(LoneRun? Run, string? Why)> runs = new(24);

    /// <summary>The run of a member, or why there is none.</summary>
    public (LoneRun? Run, string Why) Of(DocumentSnapshot<LoneMember> snapshot)
    {
        if (snapshot.Findings.FirstOrDefault(f => f.Severity >= Severity.Fault) is { } fault)
            return (null, fault.Message.TrimEnd('.'));
        var (run, why) = Of(snapshot.Document);
        return (run, why ?? "");
    }

    private (LoneRun? Run, string? Why) Of(LoneMember member)
    {
        var key = Formats.Member.Write(member with { Basis = member.Basis with { Units = "metric" } });
        return runs.Of(key, () => Run(member));
    }

    private static (LoneRun?, string?) Run(LoneMember member)
    {
        try
        {
            return (new(member), null);
        }
        catch (FrameRefusedException problem)
        {
            return (null, problem.Problems[0].Message);
        }
    }
}
