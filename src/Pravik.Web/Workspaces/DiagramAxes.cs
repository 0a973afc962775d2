using System.Collections.Immutable;
using Pravik.Core.Places;
using Pravik.Drawings.Views;

namespace Pravik.Web.Workspaces;

/// <summary>Where the axes stand on diagrams of a girder.</summary>
internal static class DiagramAxes
{
    public static ImmutableArray<DiagramAxis> Of(BridgeGeometry geometry, int girder) =>
        [
            .. geometry.Axes.Select(
                (axis, i) =>
                {
                    var at = geometry.OnGirder(geometry.Girders[girder], Math.Max(0, i - 1), i == 0 ? 0 : 1);
                    return new DiagramAxis(axis.Name, geometry.Road.Locate(at).Station);
                }
            ),
        ];
}
