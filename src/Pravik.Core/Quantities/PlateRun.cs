using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Places;
using Pravik.Core.Sections;

namespace Pravik.Core.Quantities;

/// <summary>
/// A piece of a steel girder with the same plates from splice to splice. Pieces run on over piers where the girder does.
/// </summary>
/// <param name="Section">Name of its section.</param>
/// <param name="Plates">Its plates; of a girder whose depth changes those half way along the piece.</param>
/// <param name="First">Span and part of it at which it begins.</param>
/// <param name="Last">Span and part of it at which it ends.</param>
/// <param name="Length">Its length (m).</param>
/// <param name="Mass">Its mass (kg), without stiffeners and studs.</param>
public sealed record PlateRun(
    string Section,
    PlateGirder Plates,
    (SpanIndex Span, double At) First,
    (SpanIndex Span, double At) Last,
    double Length,
    double Mass
)
{
    /// <summary>The pieces of a girder, in order; none of those that are not of two flanges and a web.</summary>
    public static ImmutableArray<PlateRun> Of(BridgeGeometry geometry, GirderLine girder)
    {
        List<PlateRun> runs = [];
        foreach (var span in geometry.SpanIndices.Where(girder.IsIn))
        {
            var breaks = geometry.Breaks(girder, span);
            for (var i = 0; i + 1 < breaks.Length; i++)
            {
                var section = geometry.SectionOf(girder, span, (breaks[i] + breaks[i + 1]) / 2);
                if (PlateGirder.Of(section) is not { } plates)
                    continue;
                var length = (breaks[i + 1] - breaks[i]) * girder.SpanLength(span);
                var mass = section.Properties.GrossArea * length * Bill.SteelDensity;
                var run = new PlateRun(section.Shape.Name, plates, (span, breaks[i]), (span, breaks[i + 1]), length, mass);
                if (runs.LastOrDefault() is { } before && before.Plates == plates && Joins(before, run))
                    runs[^1] = before with { Last = run.Last, Length = before.Length + length, Mass = before.Mass + mass };
                else
                    runs.Add(run);
            }
        }
        return [.. runs];
    }

    private static bool Joins(PlateRun before, PlateRun after) =>
        before.Last.Span == after.First.Span || (before.Last.At >= 1 && after.First.At <= 0);
}
