using System.Collections.Immutable;
using System.Globalization;
using System.Xml.Linq;
using Pravik.Core.Findings;
using Pravik.Core.Geometry;
using Pravik.Core.Roads;

namespace Pravik.Exchange.LandXml;

/// <summary>
/// Reads one alignment, or another line of the file. Elements keep their own start as the file gives it, so rounded coordinates do not
/// add up along the road. An
/// element that cannot be read makes the alignment an error; a gap of more than 10 mm does too.
/// </summary>
internal sealed class AlignmentReader(
    XElement alignment,
    double unit,
    IReadOnlyDictionary<string, double[]> points,
    Action<string> skip,
    string list = "Alignments"
)
{
    private const double GreatestGap = 0.010;
    private const double NotedGap = 0.001;
    private const int MostElements = 5000;
    private readonly string name = (string?)alignment.Attribute("name") ?? "without name";
    private readonly List<Finding> findings = [];

    public ReadAlignment Read()
    {
        var elements = CoordGeom(Child(alignment, "CoordGeom"));
        var start = Number(alignment, "staStart") is { } s ? s * unit : 0;
        foreach (
            var other in alignment
                .Elements()
                .Select(e => e.Name.LocalName)
                .Where(n =>
                    n is not ("CoordGeom" or "Profile" or "StaEquation" or "Superelevation" or "CrossSects" or "Feature" or "Start")
                )
        )
            skip($"Alignment/{other}");
        var profiles = new ProfileReader(name, unit, findings, skip).Read(alignment);
        if (elements.IsEmpty || findings.Any(f => f.Severity == Severity.Error))
            return new(name, null, profiles, [.. findings]);
        var first = elements[0].Start!;
        var road = new Road
        {
            Name = name,
            StartStation = start,
            StartEast = first.East,
            StartNorth = first.North,
            Azimuth = first.Azimuth,
            Elements = elements.SetItem(0, elements[0] with { Start = null }),
            Profile = profiles.IsEmpty ? [] : profiles[0].Points,
            Equations = Equations(start),
        };
        road = road with { Crossfalls = new SuperelevationReader(road, unit, findings).Read(alignment) };
        if (road.Crossfalls.IsEmpty)
            road = road with { Crossfalls = new CrossSectionReader(name, unit, findings).Read(alignment) };
        CheckLength(road);
        CheckProfile(road);
        return new(name, road, profiles, [.. findings]);
    }

    /// <summary>A line beside roads (PlanFeature); null, with the reasons, where it cannot be read.</summary>
    public (RoadFeature? Line, IReadOnlyList<Finding> Findings) ReadFeature()
    {
        var elements = CoordGeom(Child(alignment, "CoordGeom"));
        var isBroken = elements.IsEmpty || findings.Any(f => f.Severity == Severity.Error);
        // A line that cannot be followed is no reason to refuse the road.
        return (
            isBroken ? null : new() { Name = name, Elements = elements },
            [.. findings.Select(f => f with { Severity = Severity.Warning })]
        );
    }

    private ImmutableArray<RoadElement> CoordGeom(XElement? geometry)
    {
        if (geometry is null)
        {
            Error(alignment, "has no horizontal geometry (CoordGeom).");
            return [];
        }
        var elements = ImmutableArray.CreateBuilder<RoadElement>();
        LineSegment? before = null;
        var number = 0;
        foreach (var part in geometry.Elements().Where(e => e.Name.LocalName != "Feature").SelectMany(Straightened))
        {
            number++;
            if (number > MostElements)
            {
                Error(part, $"has more than {MostElements} elements.");
                return [];
            }
            var where = $"element {number} ({part.Name.LocalName})";
            var read = part.Name.LocalName switch
            {
                "Line" => Line(part, where),
                "Curve" => Curve(part, where),
                "Spiral" => Spiral(part, where, before),
                _ => Unreadable(part, where),
            };
            if (read is null)
                continue;
            if (LineSegment.Problem(read.Length, read.StartRadius, read.EndRadius) is { } problem)
            {
                Error(part, $"{where} {problem}.");
                return [];
            }
            if (read.Length * 1e6 < 1)
            {
                findings.Add(Finding.Warning(Place(where), $"{Upper(where)} has no length and was left out."));
                continue;
            }
            if (before is not null)
                CheckJoint(part, where, before, read);
            elements.Add(read);
            before = new(
                0,
                read.Length,
                new(read.Start!.East, read.Start.North),
                read.Start.Azimuth,
                1 / read.StartRadius ?? 0,
                1 / read.EndRadius ?? 0
            );
            CheckEnd(part, where, before);
        }
        if (elements.Count == 0 && findings.Count == 0)
            Error(geometry, "has no element.");
        return elements.ToImmutable();
    }

    private RoadElement? Line(XElement part, string where)
    {
        if (At(part, "Start", where) is not { } start || At(part, "End", where) is not { } end)
            return null;
        return new() { Length = Point.Distance(start, end), Start = Begin(start, Azimuth(end - start)) };
    }

    /// <summary>An arc from start, centre, end and sense of rotation; without a centre, from the radius and the chord.</summary>
    private RoadElement? Curve(XElement part, string where)
    {
        if (At(part, "Start", where) is not { } start || At(part, "End", where) is not { } end || Sense(part, where) is not { } sense)
            return null;
        var given = Number(part, "radius") * unit;
        var centre = Child(part, "Center") is null ? null : At(part, "Center", where);
        if (centre is null)
        {
            var chord = Point.Distance(start, end);
            if (given is not { } r || r < chord / 2 * (1 - 1e-9))
            {
                Error(part, $"{where} has neither a centre nor a usable radius.");
                return null;
            }
            var height = Math.Sqrt(Math.Max(0, r * r - chord * chord / 4)) * (((Number(part, "delta") ?? 0) > 180) ? -1 : 1);
            var along = 1 / chord * (end - start);
            centre = Point.Between(start, end, 0.5) + height * sense * new Point(along.Y, -along.X);
        }
        var (from, to) = (start - centre.Value, end - centre.Value);
        var radius = from.Length;
        if (radius < 1e-3)
        {
            Error(part, $"{where} has its centre on its start.");
            return null;
        }
        if (given is { } named && Math.Abs(named - radius) > GreatestGap + 1e-5 * radius)
            findings.Add(
                Finding.Warning(
                    Place(where),
                    $"{Upper(where)}: the radius given, {named:0.###} m, is not the distance from start to centre, {radius:0.###} "
                        + "m, which was taken."
                )
            );
        var sweep = sense * Math.Atan2(to.Cross(from), from.Dot(to));
        if (sweep <= 1e-12)
            sweep += 2 * Math.PI;
        if (Point.Distance(start, end) < 1e-9)
            sweep = 0;
        var across = 1 / radius * (centre.Value - start);
        // The tangent is square to the line to the centre, which lies right of it for a clockwise arc.
        return new()
        {
            Length = radius * sweep,
            StartRadius = sense * radius,
            EndRadius = sense * radius,
            Start = Begin(start, Azimuth(sense * new Point(-across.Y, across.X))),
        };
    }

    private RoadElement? Spiral(XElement part, string where, LineSegment? before)
    {
        var kind = (string?)part.Attribute("spiType") ?? "clothoid";
        if (kind != "clothoid")
        {
            Error(part, $"{where} is a transition of the kind “{kind}”; clothoids are read.");
            return null;
        }
        if (At(part, "Start", where) is not { } start || Sense(part, where) is not { } sense)
            return null;
        if (Number(part, "length") is not { } length || length < 0)
        {
            Error(part, $"{where} has no length.");
            return null;
        }
        if (Radius(part, "radiusStart", where) is not { } from || Radius(part, "radiusEnd", where) is not { } to)
            return null;
        double? azimuth =
            Child(part, "PI") is not null && At(part, "PI", where) is { } tangent && Point.Distance(tangent, start) > 1e-6
                ? Azimuth(tangent - start)
                : null;
        if (azimuth is null && before is not null)
            azimuth = before.EndAzimuth;
        if (azimuth is null)
        {
            Error(part, $"{where} does not say in which direction it begins (PI).");
            return null;
        }
        return new()
        {
            Length = length * unit,
            StartRadius = from == 0 ? null : sense * from,
            EndRadius = to == 0 ? null : sense * to,
            Start = Begin(start, azimuth.Value),
        };
    }

    /// <summary>An irregular line, given by points, becomes a line between each two of them.</summary>
    private IEnumerable<XElement> Straightened(XElement part)
    {
        var list =
            part.Name.LocalName == "IrregularLine"
                ? part.Elements().FirstOrDefault(e => e.Name.LocalName is "PntList2D" or "PntList3D")
                : null;
        var size = list?.Name.LocalName == "PntList3D" ? 3 : 2;
        if (list is null || LandXmlReader.Numbers(list.Value) is not { } numbers || numbers.Length < 2 * size || numbers.Length % size != 0)
            return [part];
        string At(int i) => FormattableString.Invariant($"{numbers[size * i]:R} {numbers[size * i + 1]:R}");
        return Enumerable
            .Range(0, numbers.Length / size - 1)
            .Select(i => new XElement(
                part.Name.Namespace + "Line",
                new XElement(part.Name.Namespace + "Start", At(i)),
                new XElement(part.Name.Namespace + "End", At(i + 1))
            ));
    }

    private RoadElement? Unreadable(XElement part, string where)
    {
        Error(part, $"{where} is of a kind that is not read; a line with a gap is not taken.");
        return null;
    }

    private void CheckJoint(XElement part, string where, LineSegment before, RoadElement next)
    {
        var gap = Point.Distance(before.End, new(next.Start!.East, next.Start.North));
        if (gap > GreatestGap)
            Error(part, $"{where} begins {gap:0.000} m from the end of the one before.");
        else if (gap > NotedGap)
            findings.Add(Finding.Warning(Place(where), $"{Upper(where)} begins {gap * 1000:0.0} mm from the end of the one before."));
        var kink = Math.Abs(Math.IEEERemainder(next.Start.Azimuth - before.EndAzimuth, 2 * Math.PI));
        if (kink > 1e-3)
            findings.Add(Finding.Warning(Place(where), $"The line has a kink of {kink * 180 / Math.PI:0.###}° at the start of {where}."));
    }

    /// <summary>The end that follows from start, direction, length and radii against the end in the file.</summary>
    private void CheckEnd(XElement part, string where, LineSegment made)
    {
        if (Child(part, "End") is null || At(part, "End", where) is not { } end)
            return;
        var gap = Point.Distance(made.End, end);
        if (gap > GreatestGap)
            Error(part, $"{where}: its length and radii lead {gap:0.000} m past the end point given.");
        else if (gap > NotedGap)
            findings.Add(
                Finding.Warning(Place(where), $"{Upper(where)}: its length and radii lead {gap * 1000:0.0} mm past the end point given.")
            );
    }

    private void CheckLength(Road road)
    {
        var length = road.Elements.Sum(e => e.Length);
        if (Number(alignment, "length") * unit is { } said && Math.Abs(said - length) > Math.Max(GreatestGap, 1e-6 * length))
            findings.Add(
                Finding.Warning(
                    Place("length"),
                    $"The alignment says {said:0.###} m long; its elements make {length:0.###} m, which was taken."
                )
            );
    }

    private void CheckProfile(Road road)
    {
        if (road.Profile.Length < 2)
            return;
        var (from, to) = (road.Profile[0].Station, road.Profile[^1].Station);
        var end = road.StartStation + road.Elements.Sum(e => e.Length);
        if (from > road.StartStation + 0.001 || to < end - 0.001)
            findings.Add(
                Finding.Warning(
                    Place("Profile"),
                    $"The profile reaches from station {from:0.###} to {to:0.###}, the road from {road.StartStation:0.###} to "
                        + $"{end:0.###}: outside the profile there is no level."
                )
            );
    }

    private ImmutableArray<StationEquation> Equations(double start)
    {
        var found = new List<StationEquation>();
        foreach (var part in alignment.Elements().Where(e => e.Name.LocalName == "StaEquation"))
        {
            if (Number(part, "staAhead") is not { } ahead)
            {
                findings.Add(Finding.Warning(Place("StaEquation"), "A station equation without the station ahead was left out."));
                continue;
            }
            var back = Number(part, "staBack");
            // Where the running station is missing it follows from the station back and the equations before.
            var at = Number(part, "staInternal") * unit ?? (found.Count == 0 ? back * unit : found[^1].At + back * unit - found[^1].Ahead);
            if (at is not { } running)
            {
                findings.Add(Finding.Warning(Place("StaEquation"), "A station equation without its place was left out."));
                continue;
            }
            if (running < start || (found.Count > 0 && running <= found[^1].At))
            {
                findings.Add(
                    Finding.Warning(Place("StaEquation"), $"The station equation at {running:0.###} is out of order and was left out.")
                );
                continue;
            }
            found.Add(
                new()
                {
                    At = running,
                    Back = back * unit ?? running,
                    Ahead = ahead * unit,
                }
            );
        }
        return [.. found];
    }

    private ElementStart Begin(Point at, double azimuth) => new(at.X, at.Y, azimuth);

    /// <summary>Radius at an end of a spiral (m): 0 stands for a straight end (INF).</summary>
    private double? Radius(XElement part, string attribute, string where)
    {
        var text = (string?)part.Attribute(attribute);
        if (text?.StartsWith("INF", StringComparison.OrdinalIgnoreCase) == true)
            return 0;
        if (LandXmlReader.Numbers(text) is [var radius] && radius > 0)
            return radius * unit > 1e9 ? 0 : radius * unit;
        return Missing();

        double? Missing()
        {
            Error(part, $"{where} has no usable {attribute}.");
            return null;
        }
    }

    private int? Sense(XElement part, string where)
    {
        switch ((string?)part.Attribute("rot"))
        {
            case "cw":
                return 1;
            case "ccw":
                return -1;
            default:
                Error(part, $"{where} does not say whether it turns clockwise (rot).");
                return null;
        }
    }

    /// <summary>A point given by northing and easting, or by reference to a named one.</summary>
    private Point? At(XElement part, string child, string where)
    {
        var element = Child(part, child);
        var at = (string?)element?.Attribute("pntRef") is { } reference
            ? points.GetValueOrDefault(reference)
            : LandXmlReader.Numbers(element?.Value);
        if (at is { Length: >= 2 })
            return new(at[1] * unit, at[0] * unit);
        Error(part, $"{where} has no usable point “{child}”.");
        return null;
    }

    private static XElement? Child(XElement parent, string name) => parent.Elements().FirstOrDefault(e => e.Name.LocalName == name);

    private static double? Number(XElement part, string attribute) =>
        LandXmlReader.Numbers((string?)part.Attribute(attribute)) is [var value] ? value : null;

    private static double Azimuth(Point direction) => Math.Atan2(direction.X, direction.Y);

    private string Place(string where) => $"{list}/{name}/{where}";

    private static string Upper(string text) => char.ToUpper(text[0], CultureInfo.InvariantCulture) + text[1..];

    private void Error(XElement at, string message)
    {
        var line = at.Annotation<LineOf>() is { } begins ? $", line {begins.Number}" : "";
        findings.Add(Finding.Error($"{list}/{name}{line}", $"{(list == "Alignments" ? "Alignment" : "Line")} “{name}”: {message}"));
    }
}
