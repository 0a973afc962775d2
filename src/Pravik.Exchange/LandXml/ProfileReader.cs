using System.Collections.Immutable;
using System.Xml.Linq;
using Pravik.Core.Findings;
using Pravik.Core.Roads;

namespace Pravik.Exchange.LandXml;

/// <summary>
/// Reads the profiles of an alignment (ProfAlign): points with parabolas, unequal parabolas and circles. Stations are running ones.
/// </summary>
internal sealed class ProfileReader(string alignment, double unit, List<Finding> findings, Action<string> skip)
{
    public ImmutableArray<NamedProfile> Read(XElement element)
    {
        var profiles = ImmutableArray.CreateBuilder<NamedProfile>();
        foreach (var part in element.Elements().Where(e => e.Name.LocalName == "Profile").SelectMany(e => e.Elements()))
        {
            if (part.Name.LocalName == "ProfAlign")
            {
                var name = (string?)part.Attribute("name") ?? $"Profile {profiles.Count + 1}";
                if (Points(part, name) is { IsEmpty: false } points)
                    profiles.Add(new(name, points));
            }
            else if (part.Name.LocalName != "Feature")
                skip($"Profile/{part.Name.LocalName}");
        }
        return profiles.ToImmutable();
    }

    private ImmutableArray<ProfilePoint> Points(XElement profile, string name)
    {
        var place = $"Alignments/{alignment}/Profile/{name}";
        List<ProfilePoint> points = [];
        foreach (var part in profile.Elements().Where(e => e.Name.LocalName != "Feature"))
        {
            if (LandXmlReader.Numbers(part.Value) is not [var station, var level])
            {
                findings.Add(
                    Finding.Warning(
                        place,
                        $"Profile “{name}”: a {part.Name.LocalName} without station and level makes the profile unusable; it was left out."
                    )
                );
                return [];
            }
            double? Length(string attribute) =>
                LandXmlReader.Numbers((string?)part.Attribute(attribute)) is [var value] && value >= 0 ? value * unit : null;
            ProfilePoint at = new() { Station = station * unit, Level = level * unit };
            ProfilePoint? read = part.Name.LocalName switch
            {
                "PVI" => at,
                "ParaCurve" when Length("length") is { } length => at with { CurveLength = length },
                "UnsymParaCurve" when Length("lengthIn") is { } before && Length("lengthOut") is { } after => at with
                {
                    CurveLength = before,
                    CurveLengthOut = after,
                },
                "CircCurve" when Length("radius") is { } radius => at with { Radius = radius },
                _ => null,
            };
            if (read is null)
            {
                findings.Add(
                    Finding.Warning(
                        place,
                        $"Profile “{name}”: {part.Name.LocalName} at station {at.Station:0.###} cannot be read, so the profile "
                            + "was left out."
                    )
                );
                return [];
            }
            points.Add(read);
        }
        if (ProfileChecks.Reason([.. points]) is { } reason)
        {
            findings.Add(Finding.Warning(place, $"Profile “{name}” was left out: {reason}"));
            return [];
        }
        return [.. points];
    }
}
