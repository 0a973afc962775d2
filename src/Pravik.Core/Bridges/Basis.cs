using System.Collections.Immutable;
using System.Text.Json.Serialization;
using Pravik.Core.Codes;

namespace Pravik.Core.Bridges;

/// <summary>What the project is built on: code, national values, units and titles.</summary>
public sealed record Basis
{
    /// <summary>The family of standards by which actions are combined.</summary>
    public Standard Standard { get; init; }

    /// <summary>Name of the set of nationally determined values.</summary>
    public string NationalSet { get; init; } = NationalValues.Recommended;

    /// <summary>Own values that replace those of the national set, by name.</summary>
    public ImmutableSortedDictionary<string, double> OwnValues { get; init; } = ImmutableSortedDictionary<string, double>.Empty;

    /// <summary>
    /// Whether temperature, settlement, creep and shrinkage count at the ultimate state. They may be left out where members have enough
    /// ductility and rotation capacity (EN 1992-1-1 2.3.1.2(2), 2.3.1.3(3), 2.3.2.2(2)).
    /// </summary>
    public bool IndirectAtUltimate { get; init; } = true;

    /// <summary>The national values in force.</summary>
    [JsonIgnore]
    public NationalValues Values => NationalValues.With(NationalSet, OwnValues);

    /// <summary><c>metric</c> or <c>us</c>: how values are shown and typed.</summary>
    public string Units { get; init; } = "metric";

    /// <summary>Titles printed on sheets.</summary>
    public Titles Titles { get; init; } = new();
}

/// <summary>The project's own titles, printed on every sheet.</summary>
public sealed record Titles
{
    /// <summary>Name of the project.</summary>
    public string Project { get; init; } = "";

    /// <summary>Name of the client.</summary>
    public string Client { get; init; } = "";

    /// <summary>Name of the office.</summary>
    public string Office { get; init; } = "";

    /// <summary>Number of the drawing.</summary>
    public string Number { get; init; } = "";

    /// <summary>Letter of the issue.</summary>
    public string Issue { get; init; } = "A";

    /// <summary>Who drew it.</summary>
    public string Drawn { get; init; } = "";

    /// <summary>Who checked it.</summary>
    public string Checked { get; init; } = "";
}
