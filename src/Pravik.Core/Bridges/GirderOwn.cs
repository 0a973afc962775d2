namespace Pravik.Core.Bridges;

/// <summary>What a girder has of its own in a span; null follows.</summary>
public sealed record GirderOwn
{
    /// <summary>Haunch over both bearings, in place of the computed one (m).</summary>
    public double? Haunch { get; init; }

    /// <summary>Camber at casting (m), in place of that of its type.</summary>
    public double? Camber { get; init; }

    /// <summary>Name of its type of girder.</summary>
    public string? Type { get; init; }

    /// <summary>Name of a section of the bridge, in place of that of its type.</summary>
    public string? Section { get; init; }

    /// <summary>How far it lies right of where the layout puts it, square to the road (m).</summary>
    public double? Shift { get; init; }

    /// <summary>Whether the girder is left out of the span.</summary>
    public bool? Absent { get; init; }
}
