using System.Collections.Immutable;
using System.Xml.Linq;
using Pravik.Core.Findings;
using Pravik.Core.Roads;

namespace Pravik.Exchange.LandXml;

/// <summary>
/// Reads crossfalls. First choice is the table that this program writes (a Feature with code “crossfalls”); then Superelevation, whose
/// stations mark where the outer half leaves and reaches its crossfalls.
/// </summary>
/// <remarks>
/// LandXML gives the full superelevation but not the normal crossfall: −2.5 % on both sides is taken and said. Values above 0.5 are
/// percent. The outer half is that on the outside of the curve at the full superelevation, whatever the value's sign.
/// </remarks>
internal sealed class SuperelevationReader(Road road, double unit, List<Finding> findings)
{
    private const double Normal = -0.025;

    public ImmutableArray<Crossfall> Read(XElement alignment)
    {
        var own = alignment.Elements().FirstOrDefault(e => e.Name.LocalName == "Feature" && (string?)e.Attribute("code") == "crossfalls");
        if (own is not null)
            return Table(own);
        var parts = alignment.Elements().Where(e => e.Name.LocalName == "Superelevation").ToList();
        return parts.Count == 0 ? [] : FromStations(parts);
    }

    /// <summary>Properties labelled with a station, holding the crossfalls left and right.</summary>
    private ImmutableArray<Crossfall> Table(XElement feature)
    {
        List<Crossfall> entries = [];
        foreach (var property in feature.Elements().Where(e => e.Name.LocalName == "Property"))
        {
            if (
                LandXmlReader.Numbers((string?)property.Attribute("label")) is [var station]
                && LandXmlReader.Numbers((string?)property.Attribute("value")) is [var left, var right]
            )
                entries.Add(
                    new()
                    {
                        Station = station * unit,
                        Left = left,
                        Right = right,
                    }
                );
        }
        return InOrder(entries);
    }

    private ImmutableArray<Crossfall> FromStations(List<XElement> parts)
    {
        var line = LineBuilder.Build(road);
        List<Crossfall> entries = [];
        foreach (var part in parts)
        {
            double? One(string name) =>
                part.Elements()
                    .Where(e => e.Name.LocalName == name)
                    .Select(e => LandXmlReader.Numbers(e.Value) is [var v] ? (double?)v : null)
                    .FirstOrDefault();
            if (One("FullSuperelev") is not { } full || One("FullSuperSta") * unit is not { } fullAt)
            {
                findings.Add(
                    Finding.Warning(
                        $"Alignments/{road.Name}/Superelevation",
                        "A superelevation without its full value or station was left out."
                    )
                );
                continue;
            }
            full = Math.Abs(full) > 0.5 ? Math.Abs(full) / 100 : Math.Abs(full);
            var turnsRight = line.Curvature(fullAt + 0.01) + line.Curvature(fullAt) >= 0;
            Crossfall At(double station, double outer, double inner) =>
                new()
                {
                    Station = station,
                    Left = turnsRight ? outer : inner,
                    Right = turnsRight ? inner : outer,
                };
            if (One("BeginRunoutSta") * unit is { } runout)
                entries.Add(At(runout, Normal, Normal));
            if (One("BeginRunoffSta") * unit is { } runoff)
                entries.Add(At(runoff, 0, Normal));
            entries.Add(At(fullAt, full, -full));
            if (One("RunoffSta") * unit is { } leave)
                entries.Add(At(leave, full, -full));
            if (One("StartofRunoutSta") * unit is { } level)
                entries.Add(At(level, 0, Normal));
            if (One("EndofRunoutSta") * unit is { } normal)
                entries.Add(At(normal, Normal, Normal));
        }
        if (entries.Count > 0)
            findings.Add(
                Finding.Warning(
                    $"Alignments/{road.Name}/Superelevation",
                    "The file gives no normal crossfall; −2.5 % to both sides was taken outside the superelevated stretches. "
                        + "Check the crossfall table."
                )
            );
        return InOrder(entries);
    }

    private ImmutableArray<Crossfall> InOrder(List<Crossfall> entries)
    {
        var kept = new List<Crossfall>();
        foreach (var entry in entries.OrderBy(e => e.Station))
        {
            if (kept.Count > 0 && entry.Station - kept[^1].Station < 1e-6)
                continue;
            kept.Add(entry);
        }
        if (kept.Count < entries.Count)
            findings.Add(Finding.Warning($"Alignments/{road.Name}/Superelevation", "Two crossfalls at one station: the first was kept."));
        return [.. kept];
    }
}
