using System.Collections.Immutable;
using Pravik.Core.Codes;

namespace Pravik.Core.Bridges;

/// <summary>A set of an office's own: a shipped set, and the values that replace some of its.</summary>
public sealed record OfficeSet
{
    public string Name { get; init; } = "";
    public string NationalSet { get; init; } = NationalValues.Recommended;
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
