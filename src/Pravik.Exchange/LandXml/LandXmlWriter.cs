using System.Globalization;
using System.Xml.Linq;
using Pravik.Core.Geometry;
using Pravik.Core.Roads;

namespace Pravik.Exchange.LandXml;

/// <summary>Writes a road, and a ground where there is one, as LandXML 1.2 in metres.</summary>
public static class LandXmlWriter
{
    private static readonly XNamespace Ns = "http://www.landxml.org/schema/LandXML-1.2";

    /// <summary>A road, and a ground where given, as LandXML 1.2.</summary>
    public static string Write(Road road, NamedGround? ground = null)
    {
        var line = new RoadLine(road).Line;
        var alignment = new XElement(
            Ns + "Alignment",
            new XAttribute("name", road.Name),
            new XAttribute("length", N(line.EndStation - line.StartStation)),
            new XAttribute("staStart", N(line.StartStation)),
            new XElement(Ns + "CoordGeom", line.Segments.SelectMany(OneSense).Select(Element)),
            road.Equations.Select(e => new XElement(
                Ns + "StaEquation",
                new XAttribute("staInternal", N(e.At)),
                new XAttribute("staBack", N(e.Back)),
                new XAttribute("staAhead", N(e.Ahead))
            ))
        );
        if (!road.Profile.IsEmpty)
            alignment.Add(
                new XElement(
                    Ns + "Profile",
                    new XElement(
                        Ns + "ProfAlign",
                        new XAttribute("name", road.Name),
                        road.Profile.Select((p, i) => Vertical(road.Profile, i))
                    )
                )
            );
        if (!road.Crossfalls.IsEmpty)
        {
            alignment.Add(
                new XElement(
                    Ns + "Feature",
                    new XAttribute("code", "crossfalls"),
                    road.Crossfalls.Select(c => new XElement(
                        Ns + "Property",
                        new XAttribute("label", N(c.Station)),
                        new XAttribute("value", $"{N(c.Left)} {N(c.Right)}")
                    ))
                )
            );
        }
        var root = new XElement(
            Ns + "LandXML",
            new XAttribute("version", "1.2"),
            new XAttribute("date", "2000-01-01"),
            new XAttribute("time", "00:00:00"),
            new XElement(
                Ns + "Units",
                new XElement(
                    Ns + "Metric",
                    new XAttribute("areaUnit", "squareMeter"),
                    new XAttribute("linearUnit", "meter"),
                    new XAttribute("volumeUnit", "cubicMeter"),
                    new XAttribute("temperatureUnit", "celsius"),
                    new XAttribute("pressureUnit", "HPA")
                )
            ),
            new XElement(Ns + "Application", new XAttribute("name", "Pravik")),
            new XElement(Ns + "Alignments", alignment)
        );
        if (!road.Features.IsEmpty)
        {
            root.Add(
                new XElement(
                    Ns + "PlanFeatures",
                    new XAttribute("name", road.Name),
                    road.Features.Select(f => new XElement(
                        Ns + "PlanFeature",
                        new XAttribute("name", f.Name),
                        new XElement(Ns + "CoordGeom", LineBuilder.Chain(0, default, 0, f.Elements).SelectMany(OneSense).Select(Element))
                    ))
                )
            );
        }
        if (ground is not null)
            root.Add(Surface(ground));
        return new XDocument(new XDeclaration("1.0", "UTF-8", null), root).Declaration + "\n" + root + "\n";
    }

    /// <summary>A spiral in the file turns one way: one that changes its sense is written as two.</summary>
    private static IEnumerable<LineSegment> OneSense(LineSegment s)
    {
        if (s.StartCurvature * s.EndCurvature >= 0)
            return [s];
        var turn = s.Length * s.StartCurvature / (s.StartCurvature - s.EndCurvature);
        var first = new LineSegment(s.Station, turn, s.Start, s.StartAzimuth, s.StartCurvature, 0);
        return [first, new(s.Station + turn, s.Length - turn, first.End, first.EndAzimuth, 0, s.EndCurvature)];
    }

    private static XElement Element(LineSegment s)
    {
        if (s.IsStraight)
            return new(Ns + "Line", new XAttribute("length", N(s.Length)), At("Start", s.Start), At("End", s.End));
        var turn = s.StartCurvature + s.EndCurvature > 0 ? "cw" : "ccw";
        if (s.IsArc)
        {
            var centre = s.Start + 1 / s.StartCurvature * Point.Towards(s.StartAzimuth + Math.PI / 2);
            return new(
                Ns + "Curve",
                new XAttribute("rot", turn),
                new XAttribute("crvType", "arc"),
                new XAttribute("radius", N(Math.Abs(1 / s.StartCurvature))),
                new XAttribute("length", N(s.Length)),
                At("Start", s.Start),
                At("Center", centre),
                At("End", s.End)
            );
        }
        // Where the end tangents meet; for tangents nearly alike a point ahead gives the direction as well.
        var (from, to) = (Point.Towards(s.StartAzimuth), Point.Towards(s.EndAzimuth));
        var cross = from.Cross(to);
        var reach = Math.Abs(cross) < 1e-6 ? s.Length / 2 : (s.End - s.Start).Cross(to) / cross;
        return new(
            Ns + "Spiral",
            new XAttribute("length", N(s.Length)),
            new XAttribute("radiusStart", Radius(s.StartCurvature)),
            new XAttribute("radiusEnd", Radius(s.EndCurvature)),
            new XAttribute("rot", turn),
            new XAttribute("spiType", "clothoid"),
            At("Start", s.Start),
            At("PI", s.Start + (reach > 1e-3 ? reach : s.Length / 2) * from),
            At("End", s.End)
        );
    }

    private static XElement Vertical(System.Collections.Immutable.ImmutableArray<ProfilePoint> points, int i)
    {
        var p = points[i];
        var value = $"{N(p.Station)} {N(p.Level)}";
        if (p.Radius is { } radius)
        {
            double Grade(int a, int b) => (points[b].Level - points[a].Level) / (points[b].Station - points[a].Station);
            var (back, ahead) = i > 0 && i + 1 < points.Length ? ProfileLine.Reach(p, Grade(i - 1, i), Grade(i, i + 1)) : (0, 0);
            return new(Ns + "CircCurve", new XAttribute("length", N(back + ahead)), new XAttribute("radius", N(radius)), value);
        }
        if (p.CurveLengthOut is { } outward)
            return new(Ns + "UnsymParaCurve", new XAttribute("lengthIn", N(p.CurveLength)), new XAttribute("lengthOut", N(outward)), value);
        return p.CurveLength > 0 ? new(Ns + "ParaCurve", new XAttribute("length", N(p.CurveLength)), value) : new(Ns + "PVI", value);
    }

    private static XElement Surface(NamedGround named)
    {
        var ground = named.Ground;
        var (points, faces) = (new XElement(Ns + "Pnts"), new XElement(Ns + "Faces"));
        for (var p = 0; p < ground.PointCount; p++)
            points.Add(
                new XElement(
                    Ns + "P",
                    new XAttribute("id", p + 1),
                    $"{N(ground.Coordinates[3 * p + 1])} {N(ground.Coordinates[3 * p])} {N(ground.Coordinates[3 * p + 2])}"
                )
            );
        for (var t = 0; t < ground.TriangleCount; t++)
            faces.Add(
                new XElement(Ns + "F", $"{ground.Triangles[3 * t] + 1} {ground.Triangles[3 * t + 1] + 1} {ground.Triangles[3 * t + 2] + 1}")
            );
        return new(
            Ns + "Surfaces",
            new XElement(
                Ns + "Surface",
                new XAttribute("name", named.Name),
                new XElement(Ns + "Definition", new XAttribute("surfType", "TIN"), points, faces)
            )
        );
    }

    private static XElement At(string name, Point p) => new(Ns + name, $"{N(p.Y)} {N(p.X)}");

    private static string Radius(double curvature) => curvature == 0 ? "INF" : N(Math.Abs(1 / curvature));

    /// <summary>All digits that a double has.</summary>
    private static string N(double value) => value.ToString("R", CultureInfo.InvariantCulture);
}
