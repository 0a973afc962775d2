using Pravik.Core.Effects;
using Pravik.Core.Models;

namespace Pravik.Core.Members;

/// <summary>A moment while a member is built.</summary>
/// <param name="Name">It in words: “After slab cast”.</param>
/// <param name="Day">Days after the girders were made.</param>
/// <param name="Effects">All that acts then, with creep, shrinkage and losses of the intervals that are over.</param>
/// <param name="Prestress">What of it is prestress.</param>
public sealed record MemberStage(string Name, double Day, EffectRange Effects, EffectValues Prestress)
{
    /// <summary>Whether strands are released then.</summary>
    public bool IsRelease { get; init; }
}
