using System.Collections.Immutable;
using System.Text;
using System.Xml.Linq;
using Pravik.Core.Bridges;
using Pravik.Core.Units;
using Pravik.Drawings.Sheets;
using Pravik.Drawings.Views;
using Pravik.Drawings.Writers;

namespace Pravik.Drawings.Tests;

public class DrawingTests
{
    private static readonly Bridge Bridge = Bridge.New("Meadow & Mill “bridge”") with
    {
        Axes = new() { FirstStation = 30, Spans = [18, 24.5], Skew = 0.2 },
        Basis = new() { Titles = new() { Project = "A <project>", Number = "MM-1" } },
    };

    private static readonly BridgeGeometry Geometry = new(Bridge);
    private static readonly ViewSize Size = ViewSize.Pixels(960, 300);

    public static TheoryData<string, Drawing> Views => new()
    {
        { "plan", PlanView.Draw(Geometry, UnitSystem.Metric, Size, 40) },
        { "curved plan", PlanView.Draw(new(Bridge with { Road = new() { Elements = [new() { Length = 200, StartRadius = -180, EndRadius = -180 }] } }), UnitSystem.Metric, Size, 40) },
        { "section", SectionView.Draw(Geometry, UnitSystem.Metric, Size, 40) },
        { "section beyond the bridge", SectionView.Draw(Geometry, UnitSystem.Metric, Size, 5) },
        { "elevation", ElevationView.Draw(Geometry, null, UnitSystem.UsCustomary, Size, 40) },
        { "loads", LoadsView.Draw(Geometry, UnitSystem.Metric, ViewSize.Pixels(960, 580), 40) },
        { "girder", GirderShapeView.Draw(Geometry, UnitSystem.Metric, ViewSize.Pixels(960, 580)) },
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
            var points = mark switch { Stroke s => s.Points, Disc d => [d.Centre], Label l => [l.At], _ => ImmutableArray<Core.Geometry.Point>.Empty };
            Assert.All(points, p =>
            {
                Assert.InRange(p.X, -0.5, drawing.Width + 0.5);
                Assert.InRange(p.Y, -0.5, drawing.Height + 0.5);
            });
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
        var diagram = new Diagram("Test", QuantityKind.Moment, true, [Line(5.00e6), Line(5.01e6), Line(5.02e6), Line(5.03e6)], [new("1", 0), new("2", 20)]);
        var labels = DiagramView.Draw(diagram, UnitSystem.Metric, Size, 10).Marks.OfType<Label>().Where(l => l is { Kind: TextKind.Number, Halo: true }).ToList();
        Assert.True(labels.Count >= 4);
        for (var i = 0; i < labels.Count; i++)
        {
            for (var j = i + 1; j < labels.Count; j++) Assert.True(Math.Abs(labels[i].At.Y - labels[j].At.Y) > 2.5 || Math.Abs(labels[i].At.X - labels[j].At.X) > 8, $"{labels[i].Text} and {labels[j].Text}");
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
}
