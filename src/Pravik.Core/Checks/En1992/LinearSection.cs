using System.Collections.Immutable;
using Pravik.Core.Effects;
using Pravik.Core.Members;
using Pravik.Core.Models;

namespace Pravik.Core.Checks.En1992;

/// <summary>Stresses in the concrete of a section that was cast in one, uncracked, each part with its E_cm; bars are left out.</summary>
internal static class LinearSection
{
    /// <summary>
    /// Straight strains e + κ·y that carry an axial force N at a height y_N and a sagging moment M: ∫σ dA = N, ∫σ·y dA = N·y_N − M.
    /// </summary>
    public static ImmutableArray<ElasticConcrete> Stresses(MemberSection section, double axial, double height, double moment)
    {
        var (a, s, i) = (0.0, 0.0, 0.0);
        foreach (var part in section.Concrete)
        {
            var (area, first, _, second, _) = part.Outline.Moments();
            var e = part.Concrete.Ecm;
            (a, s, i) = (a + e * area, s + e * first, i + e * second);
        }
        var (about, det) = (axial * height - moment, a * i - s * s);
        var (strain, curvature) = ((i * axial - s * about) / det, (a * about - s * axial) / det);
        return
        [
            .. section.Concrete.Select(c => new ElasticConcrete(
                c.Outline,
                c.Concrete.Ecm,
                c.Concrete.Ecm * strain,
                c.Concrete.Ecm * curvature
            )),
        ];
    }

    /// <summary>Concrete of a girder with its slab: the slab evenly stressed as at its top, the girder straight in between.</summary>
    public static ImmutableArray<ElasticConcrete> Straight(MemberSection section, double bottom, double top, double slab)
    {
        var slope = (top - bottom) / section.Concrete[^1].Outline.Top;
        return
        [
            .. section.Concrete.Select(c =>
                c.Name == "girder"
                    ? new ElasticConcrete(c.Outline, c.Concrete.Ecm, bottom, slope)
                    : new ElasticConcrete(c.Outline, c.Concrete.Ecm, slab, 0)
            ),
        ];
    }

    /// <summary>The same under the greatest or the least moment of a range, with the axial force beside it.</summary>
    public static ImmutableArray<ElasticConcrete> Stresses(MemberPoint point, EffectRange range, bool isGreatest)
    {
        var effect = range.Layout.At(point.Number, GirderEffect.M);
        var axial = range.Together(effect, isGreatest)[(int)GirderEffect.N];
        return Stresses(point.Section!, axial, point.AxialHeight, range.Side(isGreatest)[effect]);
    }

    /// <summary>Bars of a section with the stress that the concrete around them would give them.</summary>
    public static IEnumerable<ElasticSteel> Bars(MemberSection section, ImmutableArray<ElasticConcrete> parts)
    {
        foreach (var bars in section.Bars)
        {
            var part = parts.FirstOrDefault(p => bars.Height >= p.Outline.Bottom && bars.Height <= p.Outline.Top) ?? parts[^1];
            yield return new(bars.Height, bars.Area, bars.Steel.Es, bars.Steel.Es / part.Modulus * part.StressAt(bars.Height));
        }
    }
}
