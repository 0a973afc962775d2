using System.Globalization;
using Microsoft.EntityFrameworkCore;
using Pravik.Core.LoneMembers;
using Pravik.Exchange;

namespace Pravik.Data;

/// <summary>Members alone and their revisions.</summary>
public sealed class MemberStore(IDbContextFactory<PravikContext> contexts, StoreWriter writer)
    : DocumentStore<LoneMember>(contexts, writer, "member", Formats.Member, m => (m.Name, Spans(m)))
{
    private static string Spans(LoneMember member) =>
        string.Join(" + ", member.Spans.Select(s => s.Length.ToString("0.###", CultureInfo.InvariantCulture)));
}
