using Pravik.Core.Frames;
using Pravik.Core.Models;
using Pravik.Core.Places;

namespace Pravik.Core.Traffic;

/// <summary>The finished bridge with its factor, for traffic to be put on.</summary>
/// <param name="Geometry">The bridge.</param>
/// <param name="Model">Its finished model.</param>
/// <param name="Layout">The places of all effects.</param>
/// <param name="Effects">The model's effects.</param>
/// <param name="Shares">How its joints carry loads on the deck.</param>
/// <param name="Analysis">The model's factor.</param>
public sealed record TrafficTarget(
    BridgeGeometry Geometry,
    BridgeModel Model,
    EffectLayout Layout,
    ModelEffects Effects,
    DeckShares Shares,
    FrameAnalysis Analysis
);
