using System.Collections.Immutable;
using Pravik.Core.Codes;

namespace Pravik.Core.Bridges;

/// <summary>A set of an office's own: a shipped set, and the values that replace some of its.</summary>
public sealed record OfficeSet
{
    /// <summary>Name of the set.</summary>
    public string Name { get; init; } = "";

    /// <summary>Name of the national set that it changes.</summary>
    public string NationalSet { get; init; } = NationalValues.Recommended;

    /// <summary>Values that replace those of the national set, by name.</summary>
    public ImmutableSortedDictionary<string, double> Values { get; init; } = ImmutableSortedDictionary<string, double>.Empty;

    /// <summary>The set that a project has.</summary>
    public static OfficeSet Of(Bridge bridge) =>
        new()
        {
            Name = $"Values of {bridge.Name}",
            NationalSet = bridge.Basis.NationalSet,
            Values = bridge.Basis.OwnValues,
        };
}
