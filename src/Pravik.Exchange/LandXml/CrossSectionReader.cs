using System.Collections.Immutable;
using System.Xml.Linq;
using Pravik.Core.Findings;
using Pravik.Core.Roads;

namespace Pravik.Exchange.LandXml;

/// <summary>
/// Reads crossfalls from design cross-sections (CrossSects), where a file has no superelevation: at every station the slope between the
/// point on the
/// road line and the first one at least a metre out on each side.
/// </summary>
internal sealed class CrossSectionReader(string name, double unit, List<Finding> findings)
{
    /// <summary>Nearer points are kerbs and markings.</summary>
    private const double LeastReach = 1;
    private const double GreatestCrossfall = 0.15;

    public ImmutableArray<Crossfall> Read(XElement alignment)
    {
        var sections = Named(alignment, "CrossSects").SelectMany(s => Named(s, "CrossSect")).ToList();
        if (sections.Count == 0)
            return [];
        var entries = new SortedDictionary<double, Crossfall>();
        foreach (var section in sections)
        {
            if (LandXmlReader.Numbers((string?)section.Attribute("sta")) is not [var station])
                continue;
            var points = Named(section, "DesignCrossSectSurf")
                .SelectMany(s => Named(s, "CrossSectPnt"))
                .Where(p => (string?)p.Attribute("dataFormat") is null or "Offset Elevation")
                .Select(p => LandXmlReader.Numbers(p.Value))
                .Where(p => p is { Length: >= 2 })
                .Select(p => (Offset: p![0] * unit, Level: p[1] * unit))
                .OrderBy(p => Math.Abs(p.Offset))
                .ToList();
            if (Slope(points, -1) is not { } left || Slope(points, 1) is not { } right)
                continue;
            entries[station * unit] = new()
            {
                Station = station * unit,
                Left = left,
                Right = right,
            };
        }
        findings.Add(
            Finding.Warning(
                $"Alignments/{name}/CrossSects",
                entries.Count == 0
                    ? "The cross-sections hold no design surface with points on both sides of the road line: no crossfalls were "
                        + "taken from them."
                    : $"Crossfalls were taken from {entries.Count} design cross-sections, between the road line and the first point "
                        + $"at least {LeastReach} m out. Check the crossfall table."
            )
        );
        return [.. entries.Values];
    }

    private static double? Slope(List<(double Offset, double Level)> points, int side)
    {
        if (points.Count == 0 || Math.Abs(points[0].Offset) > 1e-3)
            return null;
        foreach (var (offset, level) in points.Where(p => Math.Sign(p.Offset) == side && Math.Abs(p.Offset) >= LeastReach))
        {
            var slope = (level - points[0].Level) / Math.Abs(offset);
            return Math.Abs(slope) <= GreatestCrossfall ? slope : null;
        }
        return null;
    }

    private static IEnumerable<XElement> Named(XElement parent, string name) => parent.Elements().Where(e => e.Name.LocalName == name);
}
