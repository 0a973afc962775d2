using Pravik.Core.Traffic;

namespace Pravik.Core.Effects;

/// <summary>
/// Permanent effects at a point, by the stage in which they come: girder and slab on the girder alone, the rest on the composite
/// bridge.
/// </summary>
public sealed record PermanentEffects(double Girder, double Slab, double Superimposed, double Surfacing)
{
    public double Total => Girder + Slab + Superimposed + Surfacing;

    public IEnumerable<(string Name, double Value)> Named =>
        [("Girder", Girder), ("Wet slab and haunch", Slab), ("Edge beams, footways, parapets", Superimposed), ("Surfacing", Surfacing)];
}

/// <summary>All characteristic effects of one kind at one point.</summary>
public sealed record PointEffects(EffectPoint Point, EffectKind Kind, PermanentEffects Permanent, TrafficRange Traffic);
