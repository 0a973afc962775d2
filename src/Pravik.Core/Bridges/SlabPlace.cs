namespace Pravik.Core.Bridges;

/// <summary>A place on the deck at which moments of the slab are told, where the model has shells.</summary>
public sealed record SlabPlace
{
    /// <summary>Station (m).</summary>
    public double Station { get; init; }

    /// <summary>Offset from the road line, positive to the right (m).</summary>
    public double Offset { get; init; }
}
