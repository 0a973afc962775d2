using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Places;

namespace Pravik.Core.Models;

/// <summary>
/// A place on a girder where effects are told: girder and span, row of the mesh, fraction of the span, station, and distance
/// along the girder from its first axis. Ends of spans look into their own span.
/// </summary>
public sealed record ModelPoint(GirderIndex Girder, SpanIndex Span, int Line, double Fraction, double Station, double Distance)
{
    /// <summary>The part by which it is picked: girder and span from 1, and the row.</summary>
    public string Path => PartPath.Result(Girder, Span, Line);

    /// <summary>All points of a mesh, girder by girder along the bridge.</summary>
    public static ImmutableArray<ModelPoint> All(BridgeGeometry geometry, DeckMesh mesh)
    {
        var points = ImmutableArray.CreateBuilder<ModelPoint>();
        foreach (var girder in geometry.Girders)
        {
            double before = 0;
            for (var span = 0; span < mesh.Spans.Length; span++)
            {
                var (first, last) = mesh.Spans[span];
                for (var line = first; line <= last; line++)
                {
                    var t = mesh.FractionOf(span, line);
                    var station = mesh.Nodes[mesh.OfGirder(girder.Number - 1, line)].Station;
                    points.Add(new(girder.Number - 1, span, line, t, station, before + t * girder.SpanLength(span)));
                }
                before += girder.SpanLength(span);
            }
        }
        return points.ToImmutable();
    }
}
