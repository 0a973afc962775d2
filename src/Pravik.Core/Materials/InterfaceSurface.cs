using System.Collections.Immutable;

namespace Pravik.Core.Materials;

/// <summary>
/// The surface on which later concrete is cast, with its cohesion c and friction μ (EN 1992-1-1 6.2.5(2)).
/// </summary>
/// <param name="Name">Name in words.</param>
/// <param name="Cohesion">c, the part of f_ctd that holds it.</param>
/// <param name="Friction">μ.</param>
public sealed record InterfaceSurface(string Name, double Cohesion, double Friction)
{
    /// <summary>The surface of a girder that is made for a slab.</summary>
    public const string Usual = "rough";

    /// <summary>The surfaces, from very smooth to indented.</summary>
    public static readonly ImmutableArray<InterfaceSurface> All =
    [
        new("very smooth", 0.025, 0.5),
        new("smooth", 0.2, 0.6),
        new(Usual, 0.4, 0.7),
        new("indented", 0.5, 0.9),
    ];

    /// <summary>Their names.</summary>
    public static ImmutableArray<string> Names { get; } = [.. All.Select(s => s.Name)];

    /// <summary>The surface of a name; the usual one where none has it.</summary>
    public static InterfaceSurface Of(string name) => All.FirstOrDefault(s => s.Name == name) ?? All.First(s => s.Name == Usual);
}
