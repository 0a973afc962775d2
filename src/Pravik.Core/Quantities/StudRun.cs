using Pravik.Core.Bridges;
using Pravik.Core.Places;

namespace Pravik.Core.Quantities;

/// <summary>Studs over a part of a girder in a span: the zone that holds there, and how many they are.</summary>
/// <param name="Zone">The zone.</param>
/// <param name="From">From where, as a part of the span.</param>
/// <param name="To">To where.</param>
/// <param name="Count">Whole rows over that length, one more than pitches.</param>
public sealed record StudRun(StudZone Zone, double From, double To, int Count)
{
    /// <summary>Mass of one stud’s shank (kg).</summary>
    public double Mass => Count * Math.PI * Zone.Diameter * Zone.Diameter / 4 * Zone.Height * Bill.SteelDensity;

    /// <summary>The studs of a girder in a span in order; where zones overlap, the last holds. None on girders of concrete.</summary>
    public static IEnumerable<StudRun> Of(BridgeGeometry geometry, GirderLine girder, SpanIndex span)
    {
        if (!geometry.SectionOf(girder, span).IsSteel)
            yield break;
        var ((start, end), zones) = (geometry.EndsOf(girder, span), geometry.Bridge.Girders.Studs);
        double[] breaks =
        [
            .. zones
                .SelectMany(z => new[] { z.From, z.To })
                .Append(start)
                .Append(end)
                .Where(t => t >= start && t <= end)
                .Distinct()
                .Order(),
        ];
        var from = start;
        for (var i = 0; i + 1 < breaks.Length; i++)
        {
            StudZone? At(int piece) => zones.LastOrDefault(z => z.Holds(span, (breaks[piece] + breaks[piece + 1]) / 2));
            var here = At(i);
            if (i + 2 < breaks.Length && ReferenceEquals(At(i + 1), here))
                continue;
            if (here is not null)
            {
                var rows = (int)Math.Floor((breaks[i + 1] - from) * girder.SpanLength(span) / here.Spacing + 1e-9) + 1;
                yield return new(here, from, breaks[i + 1], rows * here.PerRow);
            }
            from = breaks[i + 1];
        }
    }
}
