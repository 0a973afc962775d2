using System.Text;
using Pravik.Core.Findings;
using Pravik.Core.Geometry;
using Pravik.Core.Roads;
using Pravik.Exchange.LandXml;

namespace Pravik.Exchange.Tests;

public class LandXmlTests
{
    private const double Foot = 1200.0 / 3937;

    /// <summary>
    /// In US survey feet: a line of 1000 ft east from (N 5000, E 2000), a clothoid of 300 ft to R 800 ft turning right, an arc of 45°,
    /// and a line by
    /// reference to a named point. The ends of clothoid and arc were worked out by the series of the clothoid with τ = 0.1875:
    /// x = 300·(1 − τ²/10 + τ⁴/216) = 298.9470, y = 300·(τ/3 − τ³/42 + τ⁵/1320) = 18.7030.
    /// </summary>
    private static string Feet
    {
        get
        {
            const double Tau = 0.1875;
            var (x, y) = (
                300 * (1 - Tau * Tau / 10 + Math.Pow(Tau, 4) / 216),
                300 * (Tau / 3 - Math.Pow(Tau, 3) / 42 + Math.Pow(Tau, 5) / 1320)
            );
            var spiralEnd = new Point(3000 + x, 5000 - y);
            var heading = Math.PI / 2 + Tau;
            var centre = spiralEnd + 800 * Point.Towards(heading + Math.PI / 2);
            var arcEnd = centre - 800 * Point.Towards(heading + Math.PI / 4 + Math.PI / 2);
            var last = arcEnd + 500 * Point.Towards(heading + Math.PI / 4);
            var tangent = 3000 + x - y / Math.Tan(Tau);
            string At(Point p) => FormattableString.Invariant($"{p.Y:F9} {p.X:F9}");
            return $"""
                <?xml version="1.0"?>
                <LandXML xmlns="http://www.landxml.org/schema/LandXML-1.1" version="1.1">
                  <Units><Imperial areaUnit="squareFoot" linearUnit="USSurveyFoot" volumeUnit="cubicYard" temperatureUnit="fahrenheit" pressureUnit="inHG"/></Units>
                  <CgPoints><CgPoint name="last">{At(last)}</CgPoint></CgPoints>
                  <Alignments>
                    <Alignment name="Mill Road" length="{1300 + 200 * Math.PI + 500}" staStart="10000">
                      <CoordGeom>
                        <Line><Start>5000 2000</Start><End>5000 3000</End></Line>
                        <Spiral length="300" radiusStart="INF" radiusEnd="800" rot="cw" spiType="clothoid"><Start>5000 3000</Start><PI>5000 {tangent:F6}</PI><End>{At(
                    spiralEnd
                )}</End></Spiral>
                        <Curve rot="cw" radius="800"><Start>{At(spiralEnd)}</Start><Center>{At(centre)}</Center><End>{At(
                    arcEnd
                )}</End></Curve>
                        <Line><Start>{At(arcEnd)}</Start><End pntRef="last"/></Line>
                      </CoordGeom>
                      <StaEquation staInternal="10500" staBack="10500" staAhead="12000"/>
                      <Profile><ProfAlign name="Design">
                        <PVI>10000 100</PVI><ParaCurve length="400">10800 116</ParaCurve><UnsymParaCurve lengthIn="100" lengthOut="200">11500 105.5</UnsymParaCurve><CircCurve length="1" radius="9000">12000 115.5</CircCurve><PVI>12430 106.9</PVI>
                      </ProfAlign><ProfSurf name="old"/></Profile>
                      <Superelevation><BeginRunoutSta>10900</BeginRunoutSta><BeginRunoffSta>11000</BeginRunoffSta><FullSuperSta>11300</FullSuperSta><FullSuperelev>6</FullSuperelev><RunoffSta>11900</RunoffSta><StartofRunoutSta>12100</StartofRunoutSta><EndofRunoutSta>12200</EndofRunoutSta></Superelevation>
                    </Alignment>
                    <Alignment name="Broken"><CoordGeom><Line><Start>0 0</Start><End>0 10</End></Line><IrregularLine><Start>0 10</Start><End>0 20</End></IrregularLine></CoordGeom></Alignment>
                  </Alignments>
                  <Surfaces><Surface name="Ground"><Definition surfType="TIN"><Pnts><P id="7">0 0 10</P><P id="8">0 100 10</P><P id="9">100 0 20</P><P id="11">100 100 20</P></Pnts>
                    <Faces><F>7 8 9</F><F i="1">8 11 9</F><F>7 8 99</F></Faces></Definition></Surface></Surfaces>
                  <Parcels/>
                </LandXML>
                """;
        }
    }

    [Fact]
    public void Every_kind_of_element_is_read_in_its_unit()
    {
        var file = LandXmlReader.Read(Feet);
        Assert.Equal(Foot, file.Unit);
        var road = new RoadLine(file.Alignments[0].Road!);
        Assert.Equal(10000 * Foot, road.StartStation, 1e-9);
        Assert.Equal((11800 + 200 * Math.PI) * Foot, road.EndStation, 1e-6);
        var spiralEnd = road.At(11300 * Foot);
        Assert.Equal(3298.9470 * Foot, spiralEnd.X, 1e-4);
        Assert.Equal(4981.2970 * Foot, spiralEnd.Y, 1e-4);
        Assert.Equal(1 / (800 * Foot), road.Line.Curvature(11500 * Foot), 1e-9);
        Assert.Equal(Math.PI / 2 + 0.1875 + Math.PI / 4, road.Azimuth(road.EndStation), 1e-7);
        // Parabola of +2 % to −1.5 % over 400 ft: 116 − 3.5 %·400/8 at its point.
        Assert.Equal(114.25 * Foot, road.Level(10800 * Foot), 1e-9);
        // Unequal one of −1.5 % to +2 %: e = 100·200·3.5 %/(2·300).
        Assert.Equal((105.5 + 7.0 / 6) * Foot, road.Level(11500 * Foot), 1e-9);
        Assert.Equal(9000 * Foot, road.Road.Profile[3].Radius!.Value, 1e-9);
        Assert.Equal(12100 * Foot, road.Stationing.Shown(10600 * Foot), 1e-9);
        var (left, right) = road.Crossfalls.At(11500 * Foot);
        Assert.Equal((0.06, -0.06), (left, right));
        Assert.Equal(0, road.Crossfalls.At(11000 * Foot).Left, 1e-12);
    }

    [Fact]
    public void What_is_not_read_is_named_and_a_broken_line_is_no_road()
    {
        var file = LandXmlReader.Read(Feet);
        Assert.Null(file.Alignments[1].Road);
        Assert.Contains(
            file.Alignments[1].Findings,
            f => f.Severity == Severity.Error && f.Message.Contains("IrregularLine") && f.Path.Contains("line")
        );
        Assert.Equal(1, file.Skipped["Parcels"]);
        Assert.Equal(1, file.Skipped["Profile/ProfSurf"]);
        Assert.Equal(1, file.Skipped["Surface/F marked invisible"]);
        Assert.Contains(file.Findings, f => f.Message.Contains("1 faces"));
        var ground = file.Grounds.Single().Ground;
        Assert.Equal(1, ground.TriangleCount);
        Assert.Equal(12 * Foot, ground.Level(new(30 * Foot, 20 * Foot))!.Value, 1e-9);
        Assert.Null(ground.Level(new(90 * Foot, 90 * Foot)));
    }

    [Theory]
    [InlineData("<Center>", "<Centre>", "centre", true)] // the radius is enough
    [InlineData(" radius=\"800\"", "", "", true)] // the centre is enough
    [InlineData("radiusEnd=\"800\"", "", "radiusEnd", false)]
    [InlineData("spiType=\"clothoid\"", "spiType=\"bloss\"", "bloss", false)]
    [InlineData("rot=\"cw\" radius", "rot=\"up\" radius", "clockwise", false)]
    [InlineData("<Start>5000 3000</Start>", "<Start>5000 3001</Start>", "1.000 m", false)]
    [InlineData("<End>5000 3000</End>", "<End>5000</End>", "“End”", false)]
    [InlineData("pntRef=\"last\"", "pntRef=\"lost\"", "“End”", false)]
    [InlineData("length=\"300\"", "length=\"310\"", "past the end point", false)]
    [InlineData("length=\"400\">10800", "length=\"4000\">10800", "runs", true)] // the profile only
    public void Faults_are_told_with_their_place(string right, string wrong, string words, bool kept)
    {
        Assert.Contains(right, Feet);
        var text = Feet.Replace(right, wrong).Replace("</Centre>", "</Center>");
        if (wrong == "<Centre>")
            text = text.Replace("<Centre>", "<Middle>").Replace("</Center>", "</Middle>");
        // A gap of one foot is 0.305 m.
        words = words.Replace("1.000 m", "0.305 m");
        var alignment = LandXmlReader.Read(text).Alignments[0];
        Assert.Equal(kept, alignment.Road is not null);
        if (words.Length > 0 && wrong != "<Centre>")
            Assert.Contains(alignment.Findings, f => f.Message.Contains(words));
    }

    [Theory]
    [InlineData("")]
    [InlineData("<Bridge/>")]
    [InlineData("<LandXML><Alignments>")]
    [InlineData("<!DOCTYPE x [<!ENTITY a \"aaaa\"><!ENTITY b \"&a;&a;&a;\">]><LandXML>&b;</LandXML>")]
    [InlineData("<!DOCTYPE x SYSTEM \"file:///etc/passwd\"><LandXML/>")]
    [InlineData("<LandXML/>")]
    public void What_is_no_road_file_is_refused(string text) =>
        Assert.Contains(LandXmlReader.Read(text).Findings, f => f.Severity == Severity.Error);

    [Fact]
    public void A_written_road_reads_back_the_same()
    {
        var road = LandXmlReader.Read(Feet).Alignments[0].Road!;
        var again = LandXmlReader.Read(LandXmlWriter.Write(road)).Alignments[0];
        Assert.Empty(again.Findings);
        var (a, b) = (new RoadLine(road), new RoadLine(again.Road!));
        for (var i = 0; i <= 100; i++)
        {
            var station = a.StartStation + i * (a.EndStation - a.StartStation) / 100;
            Assert.Equal(0, Point.Distance(a.At(station, 4), b.At(station, 4)), 1e-7);
            Assert.Equal(a.Level(station), b.Level(station), 1e-9);
            Assert.Equal(a.Crossfalls.At(station), b.Crossfalls.At(station));
            Assert.Equal(a.Stationing.Shown(station), b.Stationing.Shown(station), 1e-9);
        }
    }

    /// <summary>PRAVIK_MUTATIONS says how many; a few hundred otherwise. Whatever comes, it is an answer and not an exception.</summary>
    [Fact]
    public void Mutated_files_never_break_the_reader()
    {
        var count = int.TryParse(Environment.GetEnvironmentVariable("PRAVIK_MUTATIONS"), out var n) ? n : 400;
        var random = new Random(11);
        string[] pieces =
        [
            "\"",
            "<",
            ">",
            "NaN",
            "1e308",
            "-1e308",
            "0",
            "-5",
            "INF",
            "</CoordGeom>",
            "<Line/>",
            "&",
            "\0",
            "ü",
            "999999999999999999999",
        ];
        for (var i = 0; i < count; i++)
        {
            var text = new StringBuilder(Feet);
            for (var change = random.Next(1, 6); change > 0; change--)
            {
                var at = random.Next(text.Length);
                switch (random.Next(3))
                {
                    case 0:
                        text.Remove(at, Math.Min(random.Next(1, 30), text.Length - at));
                        break;
                    case 1:
                        text.Insert(at, pieces[random.Next(pieces.Length)]);
                        break;
                    default:
                        text[at] = (char)random.Next(32, 127);
                        break;
                }
            }
            var file = LandXmlReader.Read(text.ToString());
            foreach (var alignment in file.Alignments.Where(a => a.Road is not null))
            {
                var line = new RoadLine(alignment.Road!);
                line.Survey(line.StartStation + 10, 3);
                line.Locate(new(100, 100));
            }
        }
    }

    private static string Alignment(string geometry) =>
        "<LandXML><Units><Metric linearUnit=\"meter\"/></Units><Alignments><Alignment name=\"A\"><CoordGeom>"
        + geometry
        + "</CoordGeom></Alignment></Alignments></LandXML>";

    private static string Spiral(string length, string radius) =>
        Alignment(
            $"<Spiral length=\"{length}\" radiusStart=\"INF\" radiusEnd=\"{radius}\" rot=\"cw\"><Start>0 0</Start><PI>10 0</PI></Spiral>"
        );

    /// <summary>Files made to keep a reader busy are refused in words, at once and within bounds.</summary>
    [Fact]
    public void Files_that_would_go_on_for_ever_are_refused()
    {
        static string Reason(string text)
        {
            var file = LandXmlReader.Read(text);
            return string.Join(' ', file.AllFindings.Select(f => f.Message));
        }
        Assert.Contains("is longer than 100 km", Reason(Spiral("999999999999", "500")));
        Assert.Contains("full circles", Reason(Spiral("90000", "20")));
        Assert.Contains("has no length", Reason(Spiral("1e300", "500")));
        Assert.Contains("no usable point", Reason(Alignment("<Line><Start>0 0</Start><End>1e308 0</End></Line>")));
        var deep = string.Concat(Enumerable.Repeat("<Feature>", 100_000));
        Assert.Contains("more than 64 deep", Reason(Alignment(deep)));
        Assert.Contains("more than 64 deep", Reason($"<LandXML><Other>{deep}"));
        var parts = string.Concat(Enumerable.Repeat("<![CDATA[1 ]]>", 200_000));
        Assert.Contains("no usable point", Reason(Alignment($"<Line><Start>{parts}</Start></Line>")).Replace("element 1 (Line) has ", ""));
        var surface =
            $"<LandXML><Surfaces><Surface><Definition><Pnts><P id=\"1\">{parts}</P></Pnts></Definition></Surface></Surfaces></LandXML>";
        Assert.Contains("1 points", Reason(surface));
        using var stopped = new CancellationTokenSource();
        stopped.Cancel();
        Assert.Throws<OperationCanceledException>(() => LandXmlReader.Read(Feet, stopped.Token));
    }

    [Fact]
    public void Lines_of_one_name_are_numbered()
    {
        const string Line =
            "<PlanFeature name=\"Kerb\"><CoordGeom><Line><Start>0 0</Start><End>0 10</End></Line></CoordGeom></PlanFeature>";
        var text = Alignment("<Line><Start>0 0</Start><End>0 10</End></Line>")
            .Replace("</LandXML>", $"<PlanFeatures>{string.Concat(Enumerable.Repeat(Line, 3000))}</PlanFeatures></LandXML>");
        var names = LandXmlReader.Read(text).Lines.Select(l => l.Name).ToList();
        Assert.Equal(3000, names.Distinct().Count());
        Assert.Equal(["Kerb", "Kerb (2)", "Kerb (3)"], names.Take(3));
    }

    [Fact]
    public void A_list_of_points_without_lines_is_refused()
    {
        var (ground, findings) = GroundPoints.Read(new StringReader(new string('1', 10_000_000)));
        Assert.Null(ground);
        Assert.Contains("longer than 1000 characters", findings[0].Message);
    }
}
