using System.Collections.Immutable;
using System.Globalization;
using System.Xml;
using System.Xml.Linq;
using Pravik.Core.Findings;

namespace Pravik.Exchange.LandXml;

/// <summary>
/// Reads roads and grounds from LandXML 1.0, 1.1 and 1.2. The file is streamed; document types and entities are refused. Never throws
/// on bad input: what cannot be read is a finding, and what is passed over is named.
/// </summary>
public static class LandXmlReader
{
    private const long LongestFile = 400_000_000;
    private const int MostAlignmentText = 60_000_000;

    private static readonly XmlReaderSettings Settings = new()
    {
        DtdProcessing = DtdProcessing.Prohibit,
        XmlResolver = null,
        MaxCharactersInDocument = LongestFile,
        IgnoreComments = true,
        IgnoreProcessingInstructions = true,
        IgnoreWhitespace = true,
    };

    /// <summary>Reads roads and grounds; what cannot be taken is a finding. Never throws.</summary>
    public static RoadFile Read(string text, CancellationToken cancel = default) =>
        Read(new MemoryStream(System.Text.Encoding.UTF8.GetBytes(text)), cancel);

    /// <summary>Reads roads and grounds; what cannot be taken is a finding. Never throws.</summary>
    public static RoadFile Read(Stream stream, CancellationToken cancel = default)
    {
        var draft = new Draft(cancel);
        try
        {
            using var xml = XmlReader.Create(stream, Settings);
            if (xml.MoveToContent() != XmlNodeType.Element || xml.LocalName != "LandXML")
                return RoadFile.Refused(Finding.Error("", "This is not a LandXML file: its first element must be “LandXML”."));
            xml.Read();
            while (!xml.EOF && xml.NodeType != XmlNodeType.EndElement)
                draft.Take(xml);
        }
        catch (XmlException problem)
        {
            var reason = problem.Message.Contains("DTD", StringComparison.Ordinal)
                ? "Document types and entities are not read"
                : $"The XML is broken in line {problem.LineNumber}, column {problem.LinePosition}: {problem.Message}";
            return RoadFile.Refused(Finding.Error($"line {problem.LineNumber}", reason + ". Nothing was taken."));
        }
        catch (Exception problem) when (problem is IOException or System.Text.DecoderFallbackException or InvalidDataException)
        {
            return RoadFile.Refused(Finding.Error("", $"The file cannot be read: {problem.Message}"));
        }
        return draft.Finish();
    }

    /// <summary>The greatest number that a road needs, in any unit.</summary>
    private const double Greatest = 1e12;

    /// <summary>Numbers separated by blanks; null where one of them is no number, or beyond 10¹².</summary>
    internal static double[]? Numbers(string? text)
    {
        if (text is null)
            return null;
        var parts = text.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries);
        var numbers = new double[parts.Length];
        for (var i = 0; i < parts.Length; i++)
        {
            if (
                !double.TryParse(parts[i], NumberStyles.Float, CultureInfo.InvariantCulture, out numbers[i])
                || !(Math.Abs(numbers[i]) <= Greatest)
            )
                return null;
        }
        return numbers;
    }

    /// <summary>What has been read so far.</summary>
    private sealed class Draft(CancellationToken cancel)
    {
        private readonly List<XElement> alignments = [];
        private readonly List<XElement> features = [];
        private readonly Dictionary<string, double[]> points = [];
        private readonly List<SurfaceDraft> surfaces = [];
        private readonly SortedDictionary<string, int> skipped = new(StringComparer.Ordinal);
        private readonly List<Finding> findings = [];
        private double unit = 1;
        private bool unitKnown;
        private long alignmentText;

        public void Take(XmlReader xml)
        {
            switch (xml.NodeType == XmlNodeType.Element ? xml.LocalName : "")
            {
                case "Units":
                    ReadUnits(Whole(xml));
                    break;
                case "CgPoints":
                    ReadPoints(Whole(xml));
                    break;
                case "Alignments":
                    foreach (var child in Whole(xml).Elements())
                    {
                        if (child.Name.LocalName == "Alignment")
                            alignments.Add(child);
                        else
                            Skip($"Alignments/{child.Name.LocalName}");
                    }
                    break;
                case "PlanFeatures":
                    foreach (var child in Whole(xml).Elements())
                    {
                        if (child.Name.LocalName == "PlanFeature")
                            features.Add(child);
                        else if (child.Name.LocalName != "Feature")
                            Skip($"PlanFeatures/{child.Name.LocalName}");
                    }
                    break;
                case "Surfaces":
                    SurfaceDraft.ReadAll(xml, surfaces, Skip, cancel);
                    break;
                case "Project" or "Application" or "CoordinateSystem":
                    XmlParts.Skip(xml, cancel);
                    break;
                case "":
                    XmlParts.Next(xml, cancel);
                    break;
                default:
                    Skip(xml.LocalName);
                    XmlParts.Skip(xml, cancel);
                    break;
            }
        }

        public RoadFile Finish()
        {
            if (!unitKnown)
                findings.Add(Finding.Warning("Units", "The file does not say its units; metres are taken."));
            var roads = alignments.Select(a => new AlignmentReader(a, unit, points, Skip).Read()).ToImmutableArray();
            var lines = ImmutableArray.CreateBuilder<Core.Roads.RoadFeature>();
            var names = new Dictionary<string, int>();
            foreach (var feature in features)
            {
                var (line, notes) = new AlignmentReader(feature, unit, points, Skip, "PlanFeatures").ReadFeature();
                findings.AddRange(notes);
                if (line is null)
                    continue;
                cancel.ThrowIfCancellationRequested();
                // Equal names are told apart by numbers, counted on from the last one given.
                var name = line.Name;
                while (!names.TryAdd(name, 1))
                    name = $"{line.Name} ({++names[line.Name]})";
                lines.Add(line with { Name = name });
            }
            var grounds = ImmutableArray.CreateBuilder<NamedGround>();
            foreach (var surface in surfaces)
            {
                if (surface.Finish(unit, findings) is { } ground)
                    grounds.Add(ground);
            }
            if (roads.Length == 0 && grounds.Count == 0)
                findings.Add(Finding.Error("", "The file has neither an alignment nor a surface."));
            return new(roads, grounds.ToImmutable(), unit, skipped.ToImmutableSortedDictionary(), [.. findings])
            {
                Lines = lines.ToImmutable(),
            };
        }

        private void Skip(string name) => skipped[name] = skipped.GetValueOrDefault(name) + 1;

        private XElement Whole(XmlReader xml)
        {
            var element = XmlParts.Whole(xml, cancel);
            var line = element.Annotation<LineOf>()?.Number;
            alignmentText += element.DescendantsAndSelf().Sum(e => 20L + e.Attributes().Sum(a => a.Value.Length)) + element.Value.Length;
            if (alignmentText > MostAlignmentText)
                throw new InvalidDataException($"the part from line {line} on holds more than can be a road.");
            return element;
        }

        private void ReadUnits(XElement units)
        {
            var system = units.Elements().FirstOrDefault(e => e.Name.LocalName is "Metric" or "Imperial");
            var name = (string?)system?.Attribute("linearUnit") ?? (system?.Name.LocalName == "Imperial" ? "foot" : "meter");
            double? found = name.ToLowerInvariant() switch
            {
                "meter" or "metre" => 1,
                "millimeter" => 0.001,
                "centimeter" => 0.01,
                "kilometer" => 1000,
                "foot" or "internationalfoot" => 0.3048,
                "ussurveyfoot" => 1200.0 / 3937,
                "inch" => 0.0254,
                "mile" => 1609.344,
                _ => null,
            };
            if (system is null || found is null)
                findings.Add(Finding.Warning("Units", $"The unit “{name}” is not known; metres are taken."));
            (unit, unitKnown) = (found ?? 1, true);
        }

        private void ReadPoints(XElement list)
        {
            foreach (var point in list.Descendants().Where(e => e.Name.LocalName == "CgPoint"))
            {
                if ((string?)point.Attribute("name") is { } name && Numbers(point.Value) is { Length: >= 2 } at)
                    points[name] = at;
                else
                    Skip("CgPoints/CgPoint without name or coordinates");
            }
        }
    }
}
