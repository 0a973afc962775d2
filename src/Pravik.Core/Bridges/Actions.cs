using System.Collections.Immutable;
using System.Text.Json.Serialization;
using Pravik.Core.Units;

namespace Pravik.Core.Bridges;

/// <summary>Actions on the whole bridge beside weights and traffic.</summary>
public sealed record Actions
{
    /// <summary>Uniform temperature above and below that at closing (K, EN 1991-1-5 6.1.3.3).</summary>
    public double Expansion { get; init; } = 27;

    /// <summary>Uniform cooling (K), positive.</summary>
    public double Contraction { get; init; } = 33;

    /// <summary>Relative humidity of the air (EN 1992-1-1 Annex B).</summary>
    public double Humidity { get; init; } = 0.75;

    /// <summary>Class of cement: <c>S</c>, <c>N</c> or <c>R</c>.</summary>
    public string Cement { get; init; } = "N";

    /// <summary>Day to which creep and shrinkage are followed.</summary>
    public double LastDay { get; init; } = 36500;

    /// <summary>χ of the age-adjusted modulus; 0.8 is usual (EN 1992-2 KK.7).</summary>
    public double Aging { get; init; } = 0.8;

    /// <summary>Settlement of each support (m); own ones by number of the axis.</summary>
    public double Settlement { get; init; } = 0.01;

    /// <summary>Settlements of single axes (m), by their number; others have the common one.</summary>
    public ImmutableSortedDictionary<string, double> Settlements { get; init; } = ImmutableSortedDictionary<string, double>.Empty;

    /// <summary>Braking force along the whole bridge (N); null for that of EN 1991-2 4.4.1.</summary>
    public double? Braking { get; init; }

    /// <summary>
    /// Basic wind velocity (m/s, EN 1991-1-4 4.2), or the design wind of a 3-second gust (AASHTO LRFD Figure 3.8.1.1.2-1).
    /// </summary>
    public double WindVelocity { get; init; } = 24;

    /// <summary>How open the ground is, by which wind grows with height (AASHTO LRFD 3.8.1.1.5).</summary>
    public WindExposure WindExposure { get; init; } = WindExposure.C;

    /// <summary>Height of the deck above the lowest ground or water (m); null for that of the ground that is given.</summary>
    public double? WindHeight { get; init; }

    /// <summary>Wind load factor C (EN 1991-1-4 Table 8.2) or C_D (AASHTO LRFD Table 3.8.1.2.1-2); null for that of the table.</summary>
    public double? WindFactor { get; init; }

    /// <summary>Own load cases, and own combinations and envelopes.</summary>
    public ImmutableArray<OwnCase> Cases { get; init; } = [];

    /// <summary>Combinations and envelopes of the engineer's own.</summary>
    public ImmutableArray<OwnCombination> Combinations { get; init; } = [];

    /// <summary>
    /// Factors of generated combinations that replace those of the standard, by the combination and the part: <c>ultimate.traffic.wind</c>.
    /// </summary>
    public ImmutableSortedDictionary<string, double> OwnFactors { get; init; } = ImmutableSortedDictionary<string, double>.Empty;

    /// <summary>Stages of construction; null for the usual ones.</summary>
    public ImmutableArray<Stage>? Stages { get; init; }

    /// <summary>The stages in force on a bridge of so many spans.</summary>
    public ImmutableArray<Stage> StagesOf(Girders girders, int spans) =>
        Stages ?? (girders.CastInPlace ? Stage.UsualInPlace : Stage.Usual(spans));
}

/// <summary>Categories of wind exposure (AASHTO LRFD 3.8.1.1.5).</summary>
public enum WindExposure
{
    /// <summary>Towns, suburbs, woods.</summary>
    B,

    /// <summary>Open land with scattered obstructions.</summary>
    C,

    /// <summary>Flat land without obstructions, and water.</summary>
    D,
}

/// <summary>What kind of load it is.</summary>
public enum OwnLoadKind
{
    /// <summary>A force at a place (N).</summary>
    Point,

    /// <summary>A force per metre between two places (N/m).</summary>
    Line,

    /// <summary>Even over the rectangle between two corners.</summary>
    Patch,
}

/// <summary>How a case of the engineer's own enters generated combinations.</summary>
public enum OwnAction
{
    /// <summary>As a variable action, with combination factors of its own.</summary>
    Variable,

    /// <summary>As a permanent action, with γ_G. Cases that a stage puts on are permanent in any event.</summary>
    Permanent,

    /// <summary>As surfacing and utilities, with their factors; also where a stage puts it on.</summary>
    Surfacing,

    /// <summary>As an accidental action, one at a time.</summary>
    Accidental,

    /// <summary>Not at all.</summary>
    Aside,

    /// <summary>Not at all, since it is counted otherwise: a loading that is kept of traffic, say.</summary>
    Counted,
}

/// <summary>A load case of the engineer's own, put on the finished bridge or in a stage.</summary>
public sealed record OwnCase
{
    /// <summary>Name, by which stages and combinations call it.</summary>
    public string Name { get; init; } = "Own case";

    /// <summary>How it enters generated combinations.</summary>
    public OwnAction Action { get; init; }

    /// <summary>Combination factors ψ₀, ψ₁ and ψ₂ of a variable one; 1 where none is known is on the safe side.</summary>
    public double Psi0 { get; init; } = 1;

    /// <summary>Combination factor ψ₁.</summary>
    public double Psi1 { get; init; } = 1;

    /// <summary>Combination factor ψ₂.</summary>
    public double Psi2 { get; init; } = 1;

    /// <summary>Its loads.</summary>
    public ImmutableArray<OwnLoad> Loads { get; init; } = [];
}

/// <summary>
/// A load, down, at a station and offset: a point (N), a line to a second place (N/m), or a patch between two corners (N/m²).
/// </summary>
public sealed record OwnLoad
{
    /// <summary>What kind of load it is.</summary>
    public OwnLoadKind Kind { get; init; }

    /// <summary>Station of its first place (m).</summary>
    public double Station { get; init; }

    /// <summary>Offset of its first place (m).</summary>
    public double Offset { get; init; }

    /// <summary>Station of its second place (m); not used by a point.</summary>
    public double ToStation { get; init; }

    /// <summary>Offset of its second place (m); not used by a point.</summary>
    public double ToOffset { get; init; }

    /// <summary>N, N/m or N/m² by its kind, downward positive.</summary>
    public double Value { get; init; } = 100e3;

    /// <summary>All of it (N), in plan by station and offset.</summary>
    [JsonIgnore]
    public double Total =>
        Kind switch
        {
            OwnLoadKind.Point => Value,
            OwnLoadKind.Line => Value * Math.Sqrt(Math.Pow(ToStation - Station, 2) + Math.Pow(ToOffset - Offset, 2)),
            _ => Value * Math.Abs((ToStation - Station) * (ToOffset - Offset)),
        };

    /// <summary>What its value is.</summary>
    [JsonIgnore]
    public QuantityKind Quantity =>
        Kind switch
        {
            OwnLoadKind.Point => QuantityKind.Force,
            OwnLoadKind.Line => QuantityKind.LineLoad,
            _ => QuantityKind.AreaLoad,
        };
}

/// <summary>A sum of cases with factors, or the greatest and least of them.</summary>
public sealed record OwnCombination
{
    /// <summary>Name, by which other combinations call it.</summary>
    public string Name { get; init; } = "Own combination";

    /// <summary>Whether it is the greatest and least of its terms in place of their sum.</summary>
    public bool IsEnvelope { get; init; }

    /// <summary>Its terms.</summary>
    public ImmutableArray<CombinationTerm> Terms { get; init; } = [];
}

/// <summary>A case or an earlier combination by name, and its factor.</summary>
public sealed record CombinationTerm
{
    /// <summary>Name of a case or of an earlier combination.</summary>
    public string Case { get; init; } = "";

    /// <summary>Factor of it.</summary>
    public double Factor { get; init; } = 1;
}
