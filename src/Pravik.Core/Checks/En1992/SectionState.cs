using System.Collections.Immutable;

namespace Pravik.Core.Checks.En1992;

/// <summary>Strain and stress of concrete at a height above the soffit (m, Pa, tension positive).</summary>
public readonly record struct ConcreteAt(double Height, double Strain, double Stress);

/// <summary>Concrete of one part of a section from its bottom to its top.</summary>
public sealed record ConcreteProfile(string Name, ImmutableArray<ConcreteAt> Points);

/// <summary>Steel at one height: its area (m²), total strain and stress (Pa, tension positive).</summary>
public sealed record SteelAt(string Name, double Height, double Area, double Strain, double Stress)
{
    /// <summary>Its force (N).</summary>
    public double Force => Area * Stress;
}

/// <summary>A section under an axial force and a moment: what strains and stresses it has over its height.</summary>
/// <param name="Name">When, in words.</param>
/// <param name="Clause">By which clause.</param>
/// <param name="Axial">Axial force (N, tension positive).</param>
/// <param name="Moment">Sagging moment (Nm).</param>
/// <param name="Concrete">Its concrete.</param>
/// <param name="Steel">Its steel.</param>
public sealed record SectionState(
    string Name,
    string Clause,
    double Axial,
    double Moment,
    ImmutableArray<ConcreteProfile> Concrete,
    ImmutableArray<SteelAt> Steel
)
{
    /// <summary>Height of the neutral axis above the soffit (m); null where the concrete of the lowest part has one sign.</summary>
    public double? NeutralAxis { get; init; }

    /// <summary>Whether concrete in tension is left out.</summary>
    public bool IsCracked { get; init; }

    /// <summary>Its concrete as if it were not cracked; null where it is not.</summary>
    public ImmutableArray<ConcreteProfile>? Before { get; init; }

    /// <summary>What is assumed and left out, in words.</summary>
    public string Note { get; init; } = "";
}
