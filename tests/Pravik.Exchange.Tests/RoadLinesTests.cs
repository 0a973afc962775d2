using Pravik.Core.Roads;
using Pravik.Exchange.LandXml;

namespace Pravik.Exchange.Tests;

/// <summary>Lines beside roads, and crossfalls from cross-sections.</summary>
public class RoadLinesTests
{
    private static string File(string alignment, string rest = "") =>
        $"""
            <LandXML xmlns="http://www.landxml.org/schema/LandXML-1.2" version="1.2">
              <Units><Metric linearUnit="meter"/></Units>
              <Alignments><Alignment name="Main" length="100" staStart="200"><CoordGeom><Line><Start>0 0</Start><End>0 100</End></Line></CoordGeom>{alignment}</Alignment></Alignments>
              {rest}
            </LandXML>
            """;

    [Fact]
    public void Plan_features_are_lines_beside_the_road_and_a_broken_one_is_told_and_left_out()
    {
        var file = LandXmlReader.Read(
            File(
                "",
                """
                <PlanFeatures>
                  <PlanFeature name="Kerb"><CoordGeom><IrregularLine><Start>-4 0</Start><End>-6 100</End><PntList2D>-4 0 -4 50 -6 100</PntList2D></IrregularLine></CoordGeom></PlanFeature>
                  <PlanFeature name="Kerb"><CoordGeom><Line><Start>5 0</Start><End>5 100</End></Line></CoordGeom></PlanFeature>
                  <PlanFeature name="Torn"><CoordGeom><Line><Start>0 0</Start><End>0 10</End></Line><Line><Start>0 30</Start><End>0 40</End></Line></CoordGeom></PlanFeature>
                </PlanFeatures>
                """
            )
        );
        Assert.Equal(["Kerb", "Kerb (2)"], file.Lines.Select(l => l.Name));
        Assert.Contains(file.Findings, f => f.Path.StartsWith("PlanFeatures/Torn") && f.Message.Contains("20.000 m"));
        Assert.NotNull(file.Alignments[0].Road);
        var road = new RoadLine(file.Alignments[0].Road! with { Features = file.Lines });
        // 4 m south of a road that goes east is to its right; from its middle on the kerb runs out to 6 m.
        Assert.Equal([4, 4, 5, 6], new[] { 200, 230.0, 275, 300 }.Select(s => Math.Round(road.Features[0].OffsetAt(s), 9)));
        Assert.Equal(-5, road.Features[1].OffsetAt(240), 1e-9);
    }

    [Fact]
    public void Other_alignments_can_be_followed_and_lines_come_back_from_a_written_file()
    {
        var road = new Road
        {
            Name = "Main",
            Elements =
            [
                new()
                {
                    Length = 200,
                    StartRadius = 400,
                    EndRadius = 400,
                },
            ],
            Features =
            [
                new()
                {
                    Name = "Edge",
                    Elements =
                    [
                        new() { Length = 80, Start = new(10, 6, Math.PI / 2) },
                        new()
                        {
                            Length = 60,
                            StartRadius = -300,
                            EndRadius = -200,
                            Start = new(90, 6, Math.PI / 2),
                        },
                    ],
                },
            ],
        };
        var file = LandXmlReader.Read(LandXmlWriter.Write(road));
        var (old, again) = (new RoadLine(road), new RoadLine(file.Alignments[0].Road! with { Features = file.Lines }));
        for (var s = 0.0; s < 150; s += 7)
            Assert.Equal(old.Features[0].OffsetAt(s), again.Features[0].OffsetAt(s), 1e-6);
        Assert.Equal(["Edge", "Main"], file.LinesBeside("Other").Select(l => l.Name));
        Assert.Equal(["Edge"], file.LinesBeside("Main").Select(l => l.Name));
    }

    [Fact]
    public void Crossfalls_come_from_design_cross_sections_where_no_superelevation_is_given()
    {
        const string Sections = """
            <CrossSects>
              <CrossSect sta="200"><CrossSectSurf name="ground"/><DesignCrossSectSurf name="finished"><CrossSectPnt>-4 9.9</CrossSectPnt><CrossSectPnt>-0.1 10.3</CrossSectPnt><CrossSectPnt>0 10</CrossSectPnt><CrossSectPnt>3.5 9.93</CrossSectPnt></DesignCrossSectSurf></CrossSect>
              <CrossSect sta="260"><DesignCrossSectSurf name="finished"><CrossSectPnt>-4 10.16</CrossSectPnt><CrossSectPnt>0 10</CrossSectPnt><CrossSectPnt>3.5 9.86</CrossSectPnt></DesignCrossSectSurf></CrossSect>
              <CrossSect sta="280"><DesignCrossSectSurf name="finished"><CrossSectPnt>1 10</CrossSectPnt></DesignCrossSectSurf></CrossSect>
            </CrossSects>
            """;
        var alignment = LandXmlReader.Read(File(Sections)).Alignments[0];
        Assert.Equal([200.0, 260], alignment.Road!.Crossfalls.Select(c => c.Station));
        var (left, right) = new RoadLine(alignment.Road).Crossfalls.At(230);
        Assert.Equal((-0.025 + 0.04) / 2, left, 1e-12);
        Assert.Equal((-0.02 - 0.04) / 2, right, 1e-12);
        Assert.Contains(alignment.Findings, f => f.Message.Contains("2 design cross-sections"));
        Assert.Contains(
            LandXmlReader.Read(File("<CrossSects><CrossSect sta=\"1\"/></CrossSects>")).Alignments[0].Findings,
            f => f.Message.Contains("no crossfalls")
        );
    }
}
