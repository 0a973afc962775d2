using System.Collections.Concurrent;
using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Materials;
using Pravik.Core.Places;

namespace Pravik.Core.Loads;

/// <summary>The tendons along the girders of a bridge: which pass where, at which level.</summary>
public sealed class TendonRows
{
    private readonly BridgeGeometry geometry;
    private readonly ConcurrentDictionary<(int Girder, int Tendon), TendonPath?> paths = [];

    /// <summary>The tendons of a bridge.</summary>
    public TendonRows(BridgeGeometry geometry) =>
        (this.geometry, Steel) = (geometry, PrestressingSteel.Of(geometry.Bridge.Materials.Strand));

    /// <summary>The strand.</summary>
    public PrestressingSteel Steel { get; }

    /// <summary>The tendons.</summary>
    public ImmutableArray<Tendon> All => geometry.Bridge.Girders.Tendons;

    /// <summary>The course of a tendon in a girder (<see cref="TendonPath.Of"/>).</summary>
    public TendonPath? PathOf(GirderLine girder, int tendon) =>
        paths.GetOrAdd((girder.Number, tendon), _ => TendonPath.Of(geometry, All[tendon], girder));

    /// <summary>The tendons that pass a girder at a part of its span: number of the tendon, level above the soffit, and area.</summary>
    public IEnumerable<PlacedRow> At(GirderLine girder, SpanIndex span, double t)
    {
        for (var k = 0; k < All.Length; k++)
        {
            if (PathOf(girder, k) is { } path && path.Passes(span, t))
                yield return new(k, path.LevelAt(span, t), All[k].Ducts * All[k].Strands * Steel.Area);
        }
    }

    /// <summary>Axial force and moment of the tendons about a level above the soffit, as of strands.</summary>
    /// <param name="girder">The girder.</param>
    /// <param name="span">The span.</param>
    /// <param name="t">The place as a part of it.</param>
    /// <param name="level">The level (m).</param>
    /// <param name="stress">Stress of each tendon of the bridge, or a change of it (Pa).</param>
    public (double Force, double Moment) Primary(GirderLine girder, SpanIndex span, double t, double level, double[] stress)
    {
        var (force, moment) = (0.0, 0.0);
        foreach (var row in At(girder, span, t))
            (force, moment) = (force - row.Area * stress[row.Index], moment - row.Area * stress[row.Index] * (level - row.Level));
        return (force, moment);
    }
}
