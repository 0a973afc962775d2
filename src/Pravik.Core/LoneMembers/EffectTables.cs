using System.Collections.Immutable;
using Pravik.Core.Codes;

namespace Pravik.Core.LoneMembers;

/// <summary>Effects along a member that were worked out elsewhere: combinations at places, straight between them.</summary>
public sealed record EffectTables
{
    /// <summary>The limit states of which there can be tables.</summary>
    public static ImmutableArray<LimitState> States { get; } =
    [LimitState.Ultimate, LimitState.Accidental, LimitState.Characteristic, LimitState.Frequent, LimitState.QuasiPermanent];

    /// <summary>Places, from the beginning of the member (m), rising; a place may stand twice where an effect jumps.</summary>
    public ImmutableArray<double> At { get; init; } = [];

    /// <summary>Combinations. What one of them says at a place acts together there.</summary>
    public ImmutableArray<EffectTable> Combinations { get; init; } = [];
}

/// <summary>
/// One combination along a member, with its partial and combination factors: a value for each place. What is left out is 0. Prestress is in
/// it in service; at the ultimate state only what supports answer to it.
/// </summary>
public sealed record EffectTable
{
    /// <summary>Name.</summary>
    public string Name { get; init; } = "";

    /// <summary>Limit state.</summary>
    public LimitState State { get; init; }

    /// <summary>Axial force, tension positive (N).</summary>
    public ImmutableArray<double> N { get; init; } = [];

    /// <summary>Shear, positive where what lies before is pushed up (N).</summary>
    public ImmutableArray<double> V { get; init; } = [];

    /// <summary>Torsional moment (Nm).</summary>
    public ImmutableArray<double> T { get; init; } = [];

    /// <summary>Moment, sagging positive (Nm).</summary>
    public ImmutableArray<double> M { get; init; } = [];

    /// <summary>Stress at the soffit, tension positive (Pa); left out, it follows from N and M on the whole section.</summary>
    public ImmutableArray<double> Bottom { get; init; } = [];

    /// <summary>Stress at the member's top (Pa); as before.</summary>
    public ImmutableArray<double> GirderTop { get; init; } = [];

    /// <summary>Stress at the slab's top (Pa); as before.</summary>
    public ImmutableArray<double> SlabTop { get; init; } = [];
}
