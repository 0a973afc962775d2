using System.Xml;
using Pravik.Core.Findings;

namespace Pravik.Exchange.LandXml;

/// <summary>A surface while its points and faces stream past. Coordinates in the file are northing, easting, level.</summary>
internal sealed class SurfaceDraft(string name)
{
    private const int MostPoints = 3_000_000;
    private readonly Dictionary<string, int> numbers = [];
    private readonly List<double> coordinates = [];
    private readonly List<int> triangles = [];
    private int badPoints;
    private int badFaces;

    /// <summary>Reads the element “Surfaces” that the reader stands on.</summary>
    public static void ReadAll(XmlReader xml, List<SurfaceDraft> surfaces, Action<string> skip, CancellationToken cancel)
    {
        using var part = xml.ReadSubtree();
        SurfaceDraft? current = null;
        while (XmlParts.Next(part, cancel))
        {
            if (part.NodeType != XmlNodeType.Element)
                continue;
            switch (part.LocalName)
            {
                case "Surface":
                    surfaces.Add(current = new(part.GetAttribute("name") ?? $"Surface {surfaces.Count + 1}"));
                    break;
                case "P" when current is not null:
                    current.Point(part, cancel);
                    break;
                case "F" when current is not null:
                    current.Face(part, skip, cancel);
                    break;
                case "Surfaces" or "Definition" or "Pnts" or "Faces":
                    break;
                default:
                    skip($"Surface/{part.LocalName}");
                    part.Skip();
                    break;
            }
        }
        xml.Read();
    }

    public NamedGround? Finish(double unit, List<Finding> findings)
    {
        var place = $"Surfaces/{name}";
        if (badPoints > 0)
            findings.Add(
                Finding.Warning(place, $"{badPoints} points of the surface “{name}” have no number or coordinates and were left out.")
            );
        if (badFaces > 0)
            findings.Add(
                Finding.Warning(place, $"{badFaces} faces of the surface “{name}” name points that are not there and were left out.")
            );
        if (triangles.Count == 0)
        {
            findings.Add(Finding.Warning(place, $"The surface “{name}” has no triangle and gives no ground."));
            return null;
        }
        return new(name, new([.. coordinates.Select(c => c * unit)], [.. triangles]));
    }

    private void Point(XmlReader xml, CancellationToken cancel)
    {
        var id = xml.GetAttribute("id");
        var at = LandXmlReader.Numbers(XmlParts.Text(xml, cancel));
        if (id is null || at is not { Length: 3 } || coordinates.Count >= 3 * MostPoints)
        {
            badPoints++;
            return;
        }
        numbers[id] = coordinates.Count / 3;
        coordinates.AddRange([at[1], at[0], at[2]]);
    }

    /// <summary>A face; those marked invisible (i="1") are not part of the ground.</summary>
    private void Face(XmlReader xml, Action<string> skip, CancellationToken cancel)
    {
        var hidden = xml.GetAttribute("i") == "1";
        var parts = XmlParts.Text(xml, cancel).Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries);
        if (hidden)
            skip("Surface/F marked invisible");
        else if (
            parts.Length >= 3
            && numbers.TryGetValue(parts[0], out var a)
            && numbers.TryGetValue(parts[1], out var b)
            && numbers.TryGetValue(parts[2], out var c)
        )
        {
            triangles.AddRange([a, b, c]);
            if (parts.Length == 4 && numbers.TryGetValue(parts[3], out var d) && d != c)
                triangles.AddRange([a, c, d]);
        }
        else
            badFaces++;
    }
}
