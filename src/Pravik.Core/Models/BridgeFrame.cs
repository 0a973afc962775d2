using Pravik.Core.Frames;
using Pravik.Core.Loads;
using Pravik.Core.Materials;
using Pravik.Core.Places;

namespace Pravik.Core.Models;

/// <summary>The model of a bridge as a frame, to be read, checked or changed elsewhere.</summary>
public static class BridgeFrame
{
    /// <summary>The grillage with what acts on it: edge beams, footways and parapets, and surfacing.</summary>
    public static FrameModel OfGrillage(BridgeGeometry geometry)
    {
        var grillage = GrillageBuilder.Build(geometry);
        var loads = new PermanentLoads(geometry, grillage.Mesh);
        return GrillageFrame.Of(
            grillage,
            Concrete.Of(geometry.Bridge.Materials.Girder).Ecm,
            GrillageBuilder.PoissonsRatio,
            [("Edge beams, footways, parapets", loads.Superimposed), ("Surfacing", loads.Surfacing)]
        );
    }
}
