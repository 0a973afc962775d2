using Pravik.Core.Bridges;
using Pravik.Core.Numerics;

namespace Pravik.Core.Places;

/// <summary>
/// Deflection of the bare girder half way along a span under the wet slab (m, downward): a simple span, or a continuous beam on rigid
/// supports where girders run on over the piers.
/// </summary>
/// <remarks>
/// δ = ∫ M·m/(E·I) ds with m the moment of a unit load half way on the simple span. Moments over the piers follow from equal rotations
/// of both spans there: with the simple
/// span's moment M₀ and t for the part of the span, M_k·∫t(1 − t)/EI + M_{k+1}·[∫t²/EI + ∫(1 − t)²/EI] + M_{k+2}·∫t(1 − t)/EI =
/// −∫M₀·t/EI − ∫M₀·(1 − t)/EI. For one uniform span δ = 5wL⁴/(384·E·I), for two
/// wL⁴/(192·E·I). Girders cast in place on falsework have none.
/// </remarks>
internal static class WetSlabDeflection
{
    private const int Parts = 8;

    public static double Of(BridgeGeometry geometry, GirderLine girder, SpanIndex span)
    {
        if (geometry.Bridge.Girders.CastInPlace)
            return 0;
        var (first, last) = (span, span);
        while (first > 0 && girder.IsIn(first - 1) && geometry.LayoutOf(first - 1).RunsOn)
            first--;
        while (geometry.LayoutOf(last).RunsOn && girder.IsIn(last + 1))
            last++;
        var beams = Enumerable.Range(first, last - first + 1).Select(s => new Beam(geometry, girder, s)).ToList();
        var moments = SupportMoments(beams);
        var (left, right) = (moments[span - first], moments[span - first + 1]);
        var beam = beams[span - first];
        return beam.Integral((t, simple) => (simple + left * (1 - t) + right * t) * beam.Length * Math.Min(t, 1 - t) / 2);
    }

    /// <summary>Moments over all supports, 0 at both ends, by elimination in the tridiagonal system.</summary>
    private static double[] SupportMoments(List<Beam> beams)
    {
        var moments = new double[beams.Count + 1];
        var (diagonal, load) = (new double[beams.Count], new double[beams.Count]);
        for (var k = 1; k < beams.Count; k++)
        {
            diagonal[k] = beams[k - 1].Integral((t, _) => t * t) + beams[k].Integral((t, _) => (1 - t) * (1 - t));
            load[k] = -beams[k - 1].Integral((t, simple) => simple * t) - beams[k].Integral((t, simple) => simple * (1 - t));
            if (k == 1)
                continue;
            var factor = beams[k - 1].Coupling / diagonal[k - 1];
            diagonal[k] -= factor * beams[k - 1].Coupling;
            load[k] -= factor * load[k - 1];
        }
        for (var k = beams.Count - 1; k > 0; k--)
            moments[k] = (load[k] - (k + 1 < beams.Count ? beams[k].Coupling * moments[k + 1] : 0)) / diagonal[k];
        return moments;
    }

    /// <summary>A span with its uniform load, and integrals over its length divided by the flexural rigidity.</summary>
    private sealed class Beam
    {
        private readonly List<(double T, double Weight, double Simple)> points = [];

        public Beam(BridgeGeometry geometry, GirderLine girder, SpanIndex span)
        {
            var bridge = geometry.Bridge;
            Length = girder.SpanLength(span);
            var load =
                bridge.Loads.ConcreteWeight
                * (
                    geometry.WetSlabWidth(girder, span) * geometry.SlabThickness(girder, span, 0.5)
                    + geometry.SectionOf(girder, span).TopWidth * geometry.Haunch(span)
                );
            var modulus = geometry.Sections.Modulus(girder.Number, span);
            var breaks = geometry.Breaks(girder, span).Concat([0, 0.5, 1]).Distinct().Order().ToList();
            var (rule, uniform) = (GaussLegendre.Five, geometry.IsUniform(girder, span));
            var parts = uniform ? 1 : Parts;
            foreach (var (a, b) in breaks.Zip(breaks.Skip(1)))
            {
                for (var part = 0; part < parts; part++)
                {
                    for (var i = 0; i < rule.At.Length; i++)
                    {
                        var t = a + (b - a) * (part + rule.At[i]) / parts;
                        var rigidity = modulus * geometry.SectionOf(girder, span, uniform ? 0.5 : t).Bending.SecondMoment;
                        points.Add((t, rule.Weight[i] * (b - a) / parts * Length / rigidity, load * Length * Length * t * (1 - t) / 2));
                    }
                }
            }
            Coupling = Integral((t, _) => t * (1 - t));
        }

        public double Length { get; }

        /// <summary>∫ t(1 − t)/EI ds.</summary>
        public double Coupling { get; }

        /// <summary>∫ value(t, M₀)/EI ds.</summary>
        public double Integral(Func<double, double, double> value) => points.Sum(p => p.Weight * value(p.T, p.Simple));
    }
}
