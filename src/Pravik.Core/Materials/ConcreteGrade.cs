using System.Collections.Immutable;

namespace Pravik.Core.Materials;

/// <summary>A concrete as entered: its strength class and own values. An own value of null follows from the class.</summary>
public sealed record ConcreteGrade
{
    /// <summary>
    /// Strength class of EN 1992-1-1 Table 3.1, such as <c>C35/45</c>, or specified strength f'c of AASHTO LRFD, such as <c>6 ksi</c>.
    /// </summary>
    public string Class { get; init; } = "C35/45";

    /// <summary>Own mean tensile strength (Pa).</summary>
    public double? Fctm { get; init; }

    /// <summary>Own secant modulus of elasticity (Pa).</summary>
    public double? Ecm { get; init; }

    /// <summary>Own strain at the end of the parabola.</summary>
    public double? EpsilonC2 { get; init; }

    /// <summary>Own ultimate strain.</summary>
    public double? EpsilonCu2 { get; init; }

    /// <summary>Own exponent of the parabola.</summary>
    public double? Exponent { get; init; }

    /// <summary>Own stress-strain line in compression, in place of parabola and rectangle.</summary>
    public ImmutableArray<LinePoint>? Line { get; init; }
}
