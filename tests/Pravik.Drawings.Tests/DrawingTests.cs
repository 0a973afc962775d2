using System.Collections.Immutable;
using System.Text;
using System.Xml.Linq;
using Pravik.Core.Bridges;
using Pravik.Core.Places;
using Pravik.Core.Roads;
using Pravik.Core.Units;
using Pravik.Drawings.Sheets;
using Pravik.Drawings.Views;
using Pravik.Drawings.Writers;

namespace Pravik.Drawings.Tests;

public class DrawingTests
{
    private static readonly Bridge Bridge = Bridge.New("Meadow & Mill “bridge”") with
    {
        Axes = new()
        {
            FirstStation = 30,
            Spans = [18, 24.5],
            Skew = 0.2,
        },
        Basis = new()
        {
            Titles = new() { Project = "A <project>", Number = "MM-1" },
        },
    };

    private static readonly BridgeGeometry Geometry = new(Bridge);

    /// <summary>The same with a shorter first span and shallower girders: inside the other.</summary>
    private static readonly BridgeGeometry Shorter = new(
        Bridge with
        {
            Axes = Bridge.Axes with { Spans = [17, 24.5] },
            Sections = [new() { Sizes = ImmutableSortedDictionary<string, double>.Empty.Add("depth", 1.1) }],
        }
    );

    private static readonly Bridge Winding = Bridge with
    {
        Road = new()
        {
            Entry = LineEntry.Points,
            Points =
            [
                new() { East = 0, North = 0 },
                new()
                {
                    East = 120,
                    North = 10,
                    Radius = 150,
                    TransitionIn = 20,
                    TransitionOut = 20,
                },
                new() { East = 200, North = 90 },
            ],
            Profile =
            [
                new() { Station = 0, Level = 5 },
                new()
                {
                    Station = 80,
                    Level = 6,
                    CurveLength = 40,
                },
                new() { Station = 220, Level = 4 },
            ],
            Crossfalls =
            [
                new()
                {
                    Station = 20,
                    Left = -0.025,
                    Right = -0.025,
                },
                new()
                {
                    Station = 60,
                    Left = -0.04,
                    Right = 0.04,
                },
            ],
        },
    };

    /// <summary>Level ground at −4 m under all of the road.</summary>
    private static readonly Ground Plain = new([-50, -50, -4, 300, -50, -4, 300, 80, -4, -50, 80, -4], [0, 1, 2, 0, 2, 3]);
    private static readonly ViewSize Size = ViewSize.Pixels(960, 300);

    public static TheoryData<string, Drawing> Views =>
        new()
        {
            { "plan", PlanView.Draw(Geometry, UnitSystem.Metric, Size, 40) },
            {
                "curved plan",
                PlanView.Draw(
                    new(
                        Bridge with
                        {
                            Road = new()
                            {
                                Elements =
                                [
                                    new()
                                    {
                                        Length = 200,
                                        StartRadius = -180,
                                        EndRadius = -180,
                                    },
                                ],
                            },
                        }
                    ),
                    UnitSystem.Metric,
                    Size,
                    40
                )
            },
            { "section", SectionView.Draw(Geometry, UnitSystem.Metric, Size, 40) },
            { "section beyond the bridge", SectionView.Draw(Geometry, UnitSystem.Metric, Size, 5) },
            { "elevation", ElevationView.Draw(Geometry, null, UnitSystem.UsCustomary, Size, 40) },
            { "elevation with ground", ElevationView.Draw(Geometry, Plain, UnitSystem.Metric, Size, 40) },
            { "road", RoadPlanView.Draw(Geometry, UnitSystem.Metric, Size, 40) },
            { "road by points", RoadPlanView.Draw(new(Winding), UnitSystem.Metric, Size, 80) },
            { "road diagrams", RoadDiagramView.Draw(Geometry, Plain, UnitSystem.Metric, Size, 40) },
            { "road diagrams without ground", RoadDiagramView.Draw(new(Winding), null, UnitSystem.UsCustomary, Size, 80) },
            { "band with ground", BandView.Draw(Geometry, Plain, UnitSystem.Metric, ViewSize.Pixels(1280, 104), null, false) },
            { "comparison of plans", PlanView.Compare(Geometry, Shorter, UnitSystem.Metric, Size) },
            { "comparison of elevations", ElevationView.Compare(Geometry, Shorter, UnitSystem.Metric, Size) },
            { "comparison of sections", SectionView.Compare(Geometry, Shorter, UnitSystem.Metric, Size, 40) },
            { "loads", LoadsView.Draw(Geometry, UnitSystem.Metric, ViewSize.Pixels(960, 580), 40) },
            { "girder", ShapeView.Girder(Geometry, UnitSystem.Metric, ViewSize.Pixels(960, 580)) },
            { "abutment", SupportView.Draw(Geometry, Plain, 1, UnitSystem.Metric, Size) },
            { "pier without ground", SupportView.Draw(Geometry, null, 2, UnitSystem.UsCustomary, Size, "/parts/supports/2") },
            { "section", ShapeView.Draw(new(new() { Family = "steelBox" }), UnitSystem.Metric, Size) },
            { "materials", MaterialView.Draw(Bridge, UnitSystem.UsCustomary, Size) },
            { "band", BandView.Draw(Geometry, null, UnitSystem.Metric, ViewSize.Pixels(1280, 104), null, false) },
            { "sheet", GeneralArrangement.Draw(Geometry, null, UnitSystem.Metric, null, "2026-11-24") },
        };

    [Theory]
    [MemberData(nameof(Views))]
    public void Every_mark_lies_on_the_paper_and_the_file_is_sound_xml(string name, Drawing drawing)
    {
        Assert.NotEmpty(name);
        foreach (var mark in drawing.Marks)
        {
            var points = mark switch
            {
                Stroke s => s.Points,
                Disc d => [d.Centre],
                Label l => [l.At],
                _ => ImmutableArray<Core.Geometry.Point>.Empty,
            };
            Assert.All(
                points,
                p =>
                {
                    Assert.InRange(p.X, -0.5, drawing.Width + 0.5);
                    Assert.InRange(p.Y, -0.5, drawing.Height + 0.5);
                }
            );
        }
        var svg = XDocument.Parse(SvgWriter.File(drawing));
        Assert.Equal("svg", svg.Root!.Name.LocalName);
        Assert.Contains(drawing.Marks.OfType<Label>(), l => svg.Root.Value.Contains(l.Text, StringComparison.Ordinal));
    }

    [Fact]
    public void Dimensions_show_the_values_of_the_bridge()
    {
        var texts = PlanView.Draw(Geometry, UnitSystem.Metric, Size).Marks.OfType<Label>().Select(l => l.Text).ToList();
        Assert.Contains("18.000", texts);
        Assert.Contains("24.500", texts);
        var section = SectionView.Draw(Geometry, UnitSystem.Metric, Size, 40).Marks.OfType<Label>().Select(l => l.Text).ToList();
        Assert.Contains("10.900", section);
        Assert.Equal(4, section.Count(t => t == "2.250"));
    }

    [Fact]
    public void Plan_is_drawn_to_the_scale_it_names()
    {
        var drawing = PlanView.Draw(Geometry, UnitSystem.Metric, Size);
        var scale = double.Parse(drawing.Note.Split(':')[1]);
        // The two edges of the deck are 10.9 m apart, square to the road.
        var outline = drawing.Marks.OfType<Stroke>().Single(s => s.Closed && s.Pen == Pen.Cut);
        Assert.Equal(10.9 * 1000 / scale, outline.Points.Max(p => p.Y) - outline.Points.Min(p => p.Y), 1e-6);
    }

    [Fact]
    public void Labels_of_a_diagram_do_not_lie_on_each_other()
    {
        Series Line(double at) => new($"line {at}", [(0, 0), (10, at), (20, 0)], Pen.Active) { Peaks = true };
        var diagram = new Diagram(
            "Test",
            QuantityKind.Moment,
            true,
            [Line(5.00e6), Line(5.01e6), Line(5.02e6), Line(5.03e6)],
            [new("1", 0), new("2", 20)]
        );
        var labels = DiagramView
            .Draw(diagram, UnitSystem.Metric, Size, 10)
            .Marks.OfType<Label>()
            .Where(l => l is { Kind: TextKind.Number, Halo: true })
            .ToList();
        Assert.True(labels.Count >= 4);
        for (var i = 0; i < labels.Count; i++)
        {
            for (var j = i + 1; j < labels.Count; j++)
                Assert.True(
                    Math.Abs(labels[i].At.Y - labels[j].At.Y) > 2.5 || Math.Abs(labels[i].At.X - labels[j].At.X) > 8,
                    $"{labels[i].Text} and {labels[j].Text}"
                );
        }
    }

    [Fact]
    public void The_sheet_becomes_a_pdf_with_its_fonts()
    {
        var pdf = PdfWriter.Write("Title", [GeneralArrangement.Draw(Geometry, null, UnitSystem.Metric, null, "2026-11-24")]);
        Assert.Equal("%PDF", Encoding.ASCII.GetString(pdf, 0, 4));
        var text = Encoding.Latin1.GetString(pdf);
        Assert.Contains("Barlow", text);
        Assert.Contains("/MediaBox [0 0 1190.", text); // A3: 420 mm are 1190.55 points, kept to a 300th of an inch
    }

    /// <summary>A point that measuring catches lies on the paper where its place in space says, at the drawing's scale.</summary>
    [Fact]
    public void Points_to_measure_from_are_where_they_are_drawn()
    {
        var section = SectionView.Draw(Geometry, UnitSystem.Metric, Size, 40);
        var scale = 1000.0 / int.Parse(section.Note.Split("1 : ")[1]);
        var origin = section.Snaps.Single(s => s.Name == "road line");
        Assert.True(section.Snaps.Length > 60);
        foreach (var snap in section.Snaps)
        {
            var place = Geometry.Road.Locate(new(snap.World.X, snap.World.Y));
            Assert.Equal(40, place.Station, 1e-9);
            Assert.Equal(origin.At.X + scale * place.Offset, snap.At.X, 1e-6);
            Assert.Equal(origin.At.Y - scale * (snap.World.Z - origin.World.Z), snap.At.Y, 1e-6);
        }
        var plan = PlanView.Draw(Geometry, UnitSystem.Metric, Size, 40);
        var (a, b) = (plan.Snaps[0], plan.Snaps[^1]);
        var apart = Math.Sqrt(Math.Pow(a.World.X - b.World.X, 2) + Math.Pow(a.World.Y - b.World.Y, 2));
        Assert.Equal(apart * 1000 / int.Parse(plan.Note.Split("1 : ")[1]), Core.Geometry.Point.Distance(a.At, b.At), 1e-6);
    }

    [Fact]
    public void The_elevation_says_where_there_is_no_ground()
    {
        static bool Says(Drawing drawing, string words) => drawing.Marks.OfType<Label>().Any(l => l.Text == words);
        Assert.True(Says(ElevationView.Draw(Geometry, null, UnitSystem.Metric, Size), "no ground given"));
        Assert.False(Says(ElevationView.Draw(Geometry, Plain, UnitSystem.Metric, Size), "no ground given"));
        var elsewhere = new Ground([900, 900, 0, 950, 900, 0, 950, 950, 0], [0, 1, 2]);
        Assert.True(Says(ElevationView.Draw(Geometry, elsewhere, UnitSystem.Metric, Size), "the ground does not reach here"));
        Assert.True(Says(RoadDiagramView.Draw(Geometry, null, UnitSystem.Metric, Size), "no ground given"));
    }

    [Fact]
    public void A_sheet_names_the_skew_of_every_axis_where_they_differ()
    {
        string Note(Bridge bridge) =>
            GeneralArrangement
                .Draw(new(bridge), null, UnitSystem.Metric, null, "2026-11-24")
                .Marks.OfType<Label>()
                .Single(l => l.Text.StartsWith("2  ", StringComparison.Ordinal))
                .Text;
        Assert.StartsWith("2  Skew 11.46 ° at every axis", Note(Bridge));
        Assert.StartsWith(
            "2  Skew 11.46 °, but 5.73 ° at axis 2",
            Note(Bridge with { Axes = Bridge.Axes with { Own = Bridge.Axes.Own.Add("2", new() { Skew = 0.1 }) } })
        );
    }

    [Fact]
    public void The_road_diagram_reads_radius_level_and_crossfall_at_the_cursor()
    {
        var texts = RoadDiagramView
            .Draw(new(Winding), null, UnitSystem.Metric, Size, 80)
            .Marks.OfType<Label>()
            .Select(l => l.Text)
            .ToList();
        Assert.Contains("R 150.000 left", texts);
        Assert.Contains("−4.00", texts);
        Assert.Contains("4.00", texts);
        Assert.Contains(UnitSystem.Metric.Format(new BridgeGeometry(Winding).Road.Level(80), QuantityKind.Length), texts);
    }
}
