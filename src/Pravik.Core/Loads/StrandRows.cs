using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Materials;
using Pravik.Core.Places;

namespace Pravik.Core.Loads;

/// <summary>
/// A row of strands at a place: which it is in its type, its height above the soffit (m), and its area that works there (m²).
/// </summary>
public readonly record struct PlacedRow(int Index, double Level, double Area);

/// <summary>The rows of strands along the girders of a bridge, as far as their force is transmitted to the concrete.</summary>
/// <remarks>
/// The force of a strand grows from 0 where its bond begins to its whole over l_pt (EN 1992-1-1 8.10.2.2), the mean value in analysis;
/// resistances take the design values. σ_pm0 in it is the greatest that 5.10.3(2) allows.
/// </remarks>
public sealed class StrandRows
{
    private readonly BridgeGeometry geometry;
    private readonly ImmutableArray<double> transmission;

    /// <summary>The rows of a bridge.</summary>
    public StrandRows(BridgeGeometry geometry)
    {
        (this.geometry, Steel) = (geometry, PrestressingSteel.Of(geometry.Bridge.Materials.Strand));
        Releases = [.. geometry.Bridge.Girders.Types.Select(t => AtRelease(geometry.Bridge, Concrete.Of(t.Concrete)))];
        transmission =
        [
            .. Releases.Select(r =>
                StrandTransmission.Length(Steel.Diameter, Steel.MostAfterRelease, r.Fctm, geometry.Bridge.Basis.Values["gammaC"])
            ),
        ];
    }

    /// <summary>The strand.</summary>
    public PrestressingSteel Steel { get; }

    /// <summary>The concrete of each type when its strands are released.</summary>
    public ImmutableArray<EarlyConcrete> Releases { get; }

    /// <summary>A concrete of a bridge when strands are released.</summary>
    public static EarlyConcrete AtRelease(Bridge bridge, Concrete concrete)
    {
        var release = bridge.Girders.Release;
        return new(concrete, bridge.Actions.Cement, release.Age, release.Strength, release.HeatTemperature, release.HeatHours);
    }

    /// <summary>The rows of a girder at a part of its span; none beyond its ends, and none in girders of steel.</summary>
    public IEnumerable<PlacedRow> At(GirderLine girder, SpanIndex span, double t)
    {
        var length = geometry.LengthOf(girder, span);
        var x = t * girder.SpanLength(span) - geometry.LayoutOf(span).StartGap;
        if (x < 0 || x > length || geometry.SectionOf(girder, span, t).IsSteel)
            yield break;
        var type = geometry.Sections.TypeIndex(girder.Number, span);
        var (rows, fromEnd) = (geometry.Bridge.Girders.Types[type].Strands.Rows, Math.Min(x, length - x));
        for (var i = 0; i < rows.Length; i++)
        {
            var row = rows[i];
            yield return new(i, row.LevelAt(x, length), row.Working(fromEnd, transmission[type]) * Steel.Area);
        }
    }
}
