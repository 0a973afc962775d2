using System.Collections.Immutable;
using Pravik.Core.Bridges;

namespace Pravik.Core.Places;

/// <summary>A prop, half way under a girder in a span (both from 0).</summary>
public readonly record struct PropPlace(SpanIndex Span, GirderIndex Girder);

/// <summary>What stands at a moment of construction, and how stiff concrete is under what is put on then.</summary>
public sealed record StageState
{
    /// <summary>Spans (from 0) in which girders stand, in which the slab is stiff, and whose girders are propped half way.</summary>
    public required ImmutableArray<bool> Girders { get; init; }

    /// <summary>Spans (from 0) in which the slab is stiff.</summary>
    public required ImmutableArray<bool> Slab { get; init; }

    /// <summary>Spans (from 0) whose girders are propped half way.</summary>
    public required ImmutableArray<bool> Props { get; init; }

    /// <summary>Props that have let go because they would pull.</summary>
    public ImmutableHashSet<PropPlace> LetGo { get; init; } = [];

    /// <summary>Axes (from 0) over which girders are joined.</summary>
    public required ImmutableArray<bool> Joined { get; init; }

    /// <summary>What the moduli of slab and girders are multiplied by: 1, or 1/(1 + χφ) for what acts slowly.</summary>
    public double SlabFactor { get; init; } = 1;

    /// <summary>That of girders, by their place in <see cref="GirderSections.Makings"/>; empty for 1.</summary>
    public ImmutableArray<double> GirderFactors { get; init; } = [];

    /// <summary>What the modulus of girders of a making is multiplied by.</summary>
    public double GirderFactor(int making) => making < GirderFactors.Length ? GirderFactors[making] : 1;

    /// <summary>The finished bridge.</summary>
    public static StageState Finished(int spans) =>
        new()
        {
            Girders = [.. Enumerable.Repeat(true, spans)],
            Slab = [.. Enumerable.Repeat(true, spans)],
            Props = [.. Enumerable.Repeat(false, spans)],
            Joined = [.. Enumerable.Repeat(true, spans + 1)],
        };

    /// <summary>Nothing yet.</summary>
    public static StageState Nothing(int spans) =>
        new()
        {
            Girders = [.. Enumerable.Repeat(false, spans)],
            Slab = [.. Enumerable.Repeat(false, spans)],
            Props = [.. Enumerable.Repeat(false, spans)],
            Joined = [.. Enumerable.Repeat(false, spans + 1)],
        };

    /// <summary>Whether the same stands, as stiff.</summary>
    public bool Equals(StageState? other) =>
        other is not null
        && Girders.SequenceEqual(other.Girders)
        && Slab.SequenceEqual(other.Slab)
        && Props.SequenceEqual(other.Props)
        && Joined.SequenceEqual(other.Joined)
        && LetGo.SetEquals(other.LetGo)
        && SlabFactor == other.SlabFactor
        && GirderFactors.SequenceEqual(other.GirderFactors);

    /// <inheritdoc/>
    public override int GetHashCode() =>
        HashCode.Combine(
            SlabFactor,
            GirderFactors.FirstOrDefault(),
            string.Concat(Girders.Concat(Slab).Concat(Props).Concat(Joined).Select(b => b ? '1' : '0'))
        );
}
