using Pravik.Core.Codes;
using Pravik.Core.Effects;
using Pravik.Core.Members;

namespace Pravik.Core.Checks.Lrfd6;

/// <summary>Cycles in the design life, N = 365·years·n·(ADTT)_SL, and ranges of the fatigue truck (AASHTO LRFD 6.6.1.2.5).</summary>
internal static class FatigueCycles
{
    /// <summary>Load factor of Fatigue II (Table 3.4.1-1).</summary>
    public const double Finite = 0.8;

    /// <summary>Of a span, on either side of an inner support (Table 6.6.1.2.5-2).</summary>
    private const double Near = 0.1;

    /// <summary>n of a truck at a place: 1.5 near an inner support of a continuous girder, else 1 (Table 6.6.1.2.5-2).</summary>
    public static double PerTruck(Member member, int place)
    {
        var here = member.Points[place];
        var span = member.Points.Where(p => p.Span == here.Span).ToList();
        var (from, to) = (span[0].Distance, span[^1].Distance);
        var near = Near * (to - from);
        var atStart = member.Points.Any(p => p.Span < here.Span) && here.Distance - from <= near;
        var atEnd = member.Points.Any(p => p.Span > here.Span) && to - here.Distance <= near;
        return atStart || atEnd ? 1.5 : 1;
    }

    /// <summary>N; null where trucks are not known.</summary>
    public static double? InLife(Member member, int place) =>
        member.Fatigue.TrucksADay is { } trucks ? 365 * member.Fatigue.Years * PerTruck(member, place) * trucks : null;

    /// <summary>The truck’s values of an effect at its greatest and least, without their factor, and that factor.</summary>
    public static (double Most, double Least, double Factor) Truck(EffectRange range, int effect)
    {
        var factor = 0.0;
        double Value(bool isGreatest)
        {
            var sum = 0.0;
            foreach (var part in range.Parts(effect, isGreatest))
            {
                sum += part.Value / part.Factor;
                factor = Math.Max(factor, part.Factor);
            }
            return sum;
        }
        var (most, least) = (Value(true), Value(false));
        return (most, least, factor);
    }

    /// <summary>The envelope of the fatigue states.</summary>
    public static EffectRange Range(Member member) => member.Effects(LimitState.Fatigue);
}
