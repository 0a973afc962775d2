namespace Pravik.Core.Loads;

/// <summary>
/// A free strain of the layers of a girder's piece: of the girder by height above its soffit, of the slab likewise, with the heights of
/// its corners.
/// </summary>
public sealed record LayerStrain(Func<double, double> Girder, Func<double, double> Slab, IReadOnlyList<double> Corners)
{
    /// <summary>
    /// Whether it acts along the girders alone, as creep under their stresses does, and temperature differences, whose course through
    /// diaphragms no standard gives; shrinkage acts in every direction, in diaphragms too.
    /// </summary>
    public bool IsAlong { get; init; }
}
