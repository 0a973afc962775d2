using System.Globalization;

namespace Pravik.Cli.Tests;

/// <summary>The setting-out command, as a process.</summary>
public sealed class SetoutTests : IDisposable
{
    private readonly DirectoryInfo folder = Directory.CreateTempSubdirectory("pravik-setout-");

    public void Dispose() => folder.Delete(true);

    private static double[][] Rows(string csv) =>
        [
            .. csv.Split('\n', StringSplitOptions.RemoveEmptyEntries)
                .Skip(1)
                .Select(l =>
                    l.Split(',').Select(v => v.Length == 0 ? double.NaN : double.Parse(v, CultureInfo.InvariantCulture)).ToArray()
                ),
        ];

    private string File(string content)
    {
        var path = Path.Combine(folder.FullName, "road.xml");
        System.IO.File.WriteAllText(path, content);
        return path;
    }

    /// <summary>North-east at 3-4-5, and an arc of 100 m to the left; a level profile over the first 60 m only.</summary>
    private const string Simple = """
        <LandXML xmlns="http://www.landxml.org/schema/LandXML-1.2" version="1.2"><Units><Metric linearUnit="meter"/></Units><Alignments>
        <Alignment name="A" length="50" staStart="10"><CoordGeom><Line><Start>200 100</Start><End>240 130</End></Line></CoordGeom><Profile><ProfAlign name="P"><PVI>10 5</PVI><PVI>40 5.6</PVI></ProfAlign></Profile></Alignment>
        <Alignment name="B" length="78.5398" staStart="0"><CoordGeom><Curve rot="ccw"><Start>0 0</Start><Center>50 0</Center><End>50 50</End></Curve></CoordGeom></Alignment>
        <Alignment name="C"><CoordGeom><Spiral length="40" rot="cw" radiusStart="INF" radiusEnd="200" spiType="bloss"><Start>0 0</Start><PI>1 0</PI><End>3 3</End></Spiral></CoordGeom></Alignment>
        </Alignments></LandXML>
        """;

    [Fact]
    public void Prints_coordinates_by_station_and_offset()
    {
        var (status, text, _) = Command.Run("setout", File(Simple), "--stations", "10:40:20", "--offsets", "-5,0,5");
        Assert.Equal(0, status);
        Assert.StartsWith("station,offset,x,y,z,azimuth\n10.000000,-5.000000,", text);
        var rows = Rows(text);
        Assert.Equal(9, rows.Length);
        Assert.Equal([10.0, 10, 10, 30, 30, 30, 40, 40, 40], rows.Select(r => r[0]));
        // The direction is (3, 4)/5 in east and north; right of it lies (4, −3)/5.
        Assert.Equal([40, 5, 118 + 4, 224 - 3, 5.6, 36.8698976458], rows[8].Select(v => Math.Round(v, 10)));
        Assert.Equal([30, -5, 112 - 4, 216 + 3, 5.4, 36.8698976458], rows[3].Select(v => Math.Round(v, 10)));
    }

    [Fact]
    public void Takes_the_alignment_that_is_named_and_leaves_levels_empty_where_there_is_no_profile()
    {
        var (status, text, error) = Command.Run(
            "setout",
            File(Simple),
            "--stations",
            "0:78.5398163397:100",
            "--offsets",
            "0,-50",
            "--alignment",
            "B"
        );
        Assert.Equal(0, status);
        var rows = Rows(text);
        Assert.Equal(4, rows.Length);
        Assert.All(rows, r => Assert.True(double.IsNaN(r[4])));
        Assert.Contains("no profile", error);
        // East at first, then north after a quarter turn to the left about (0, 50).
        Assert.Equal(90, rows[0][5], 1e-8);
        Assert.Equal((50.0, 50.0), (Math.Round(rows[2][2], 8), Math.Round(rows[2][3], 8)));
        Assert.Equal(0, Math.IEEERemainder(rows[2][5], 360), 1e-7);
        Assert.Equal((0.0, 50.0), (Math.Round(rows[1][2], 8), Math.Round(rows[1][3], 8)));
    }

    [Theory]
    [InlineData("10:60.1:5", "0", "A", "beyond the road")]
    [InlineData("9.99:20:5", "0", "A", "beyond the road")]
    [InlineData("10:20:0", "0", "A", "greater than 0")]
    [InlineData("20:10:1", "0", "A", "before the first")]
    [InlineData("10:20", "0", "A", "FROM:TO:STEP")]
    [InlineData("10:20:x", "0", "A", "FROM:TO:STEP")]
    [InlineData("10:20:1e-9", "0", "A", "more than")]
    [InlineData("10:20:5", "0,,1", "A", "list of numbers")]
    [InlineData("10:20:5", "NaN", "A", "list of numbers")]
    [InlineData("10:20:5", "0", "Z", "no alignment")]
    [InlineData("10:20:5", "0", "C", "bloss")]
    public void What_cannot_be_set_out_is_refused_with_status_2_and_no_coordinates(
        string stations,
        string offsets,
        string alignment,
        string reason
    )
    {
        var (status, text, error) = Command.Run(
            "setout",
            File(Simple),
            "--stations",
            stations,
            "--offsets",
            offsets,
            "--alignment",
            alignment
        );
        Assert.Equal(2, status);
        Assert.Empty(text);
        Assert.Contains(reason, error);
    }

    [Fact]
    public void An_end_is_met_within_a_thousandth_of_a_millimetre()
    {
        Assert.Equal(0, Command.Run("setout", File(Simple), "--stations", "10:60.0000009:50").Status);
        Assert.Equal(2, Command.Run("setout", File(Simple), "--stations", "10:60.0000011:50").Status);
        Assert.Equal(2, Command.Run("setout", Path.Combine(folder.FullName, "none.xml"), "--stations", "0:1:1").Status);
        Assert.Equal(2, Command.Run("setout", File("{ \"format\": \"else\" }"), "--stations", "0:1:1").Status);
    }

    [Fact]
    public void A_bridge_gives_its_road()
    {
        var road = Rows(Command.Run("setout", Command.Example("sorrel-valley.xml"), "--stations", "0:440:55", "--offsets=-3,3").Out);
        var bridge = Rows(Command.Run("setout", Command.Example("sorrel-brook.json"), "--stations", "0:440:55", "--offsets=-3,3").Out);
        Assert.Equal(18, road.Length);
        foreach (var (a, b) in road.Zip(bridge))
            Assert.All(a.Zip(b), v => Assert.Equal(v.First, v.Second, 1e-8));
    }
}
