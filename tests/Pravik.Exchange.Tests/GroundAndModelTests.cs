using System.Buffers.Binary;
using System.Text.Json;
using Pravik.Core.Places;
using Pravik.Core.Roads;
using Pravik.Core.Solids;
using Pravik.Exchange.Gltf;
using Pravik.Exchange.LandXml;

namespace Pravik.Exchange.Tests;

public class GroundAndModelTests
{
    [Theory]
    [InlineData(",")]
    [InlineData(";")]
    [InlineData("\t")]
    [InlineData("  ")]
    public void Points_of_a_plane_become_ground_of_that_plane(string separator)
    {
        var random = new Random(2);
        var lines = Enumerable
            .Range(0, 300)
            .Select(_ => (X: random.NextDouble() * 90, Y: random.NextDouble() * 60))
            .Append((0, 0))
            .Append((90, 0))
            .Append((90, 60))
            .Append((0, 60))
            .Append((0, 0))
            .Select(p => FormattableString.Invariant($"{p.X:R}|{p.Y:R}|{12 + 0.05 * p.X - 0.1 * p.Y:R}").Replace("|", separator));
        var (ground, findings) = GroundPoints.Read(new StringReader("east north level\n" + string.Join("\n\n", lines)));
        Assert.Empty(findings);
        Assert.Equal(304, ground!.PointCount);
        foreach (var (x, y) in new[] { (1.0, 1.0), (45, 30), (89, 59) })
            Assert.Equal(12 + 0.05 * x - 0.1 * y, ground.Level(new(x, y))!.Value, 1e-9);
        Assert.Null(ground.Level(new(91, 30)));
    }

    [Theory]
    [InlineData("", "three points")]
    [InlineData("1,2,3\n4,5,6", "three points")]
    [InlineData("1,2,3\n4,5\n7,8,9", "Line 2")]
    [InlineData("1,2,3\n4,5,NaN\n7,8,9", "Line 2")]
    [InlineData("0,0,1\n1,1,1\n2,2,1\n3,3,4", "one line")]
    public void Points_that_make_no_ground_are_told(string text, string words)
    {
        var (ground, findings) = GroundPoints.Read(new StringReader(text));
        Assert.Null(ground);
        Assert.Contains(findings, f => f.Message.Contains(words));
    }

    [Fact]
    public void A_ground_comes_back_from_LandXML()
    {
        var ground = new Ground([10, 20, 1.5, 40, 20, 2.5, 40, 60, 3.25, 10, 60, 0.125], [0, 1, 2, 0, 2, 3]);
        var read = LandXmlReader.Read(LandXmlWriter.Write(new(), new("Field", ground))).Grounds.Single();
        Assert.Equal("Field", read.Name);
        Assert.Equal(ground.Coordinates, read.Ground.Coordinates);
        Assert.Equal(ground.Triangles, read.Ground.Triangles);
    }

    /// <summary>
    /// Corners of the slab in the file, put back to the origin it names, against the bridge; single precision near the origin keeps
    /// 0.01 mm.
    /// </summary>
    [Fact]
    public void The_model_holds_every_part_where_it_is()
    {
        var geometry = new BridgeGeometry(
            BridgeJson.Read(File.ReadAllText(Path.Combine(Checkout.Root, "examples", "sorrel-brook.json"))).Bridge!
        );
        var file = GltfWriter.Write(geometry, null);
        Assert.Equal("glTF"u8.ToArray(), file[..4]);
        Assert.Equal(file.Length, BinaryPrimitives.ReadInt32LittleEndian(file.AsSpan(8)));
        var json = BinaryPrimitives.ReadInt32LittleEndian(file.AsSpan(12));
        var document = JsonDocument.Parse(file.AsMemory(20, json)).RootElement;
        var parts = document
            .GetProperty("nodes")
            .EnumerateArray()
            .Select(n => n.GetProperty("extras").GetProperty("part").GetString())
            .ToList();
        Assert.Equal("/parts/units/1", parts[0]);
        Assert.Equal(15, parts.Where(p => p!.StartsWith("/parts/girders/")).Distinct().Count());
        Assert.Contains("/parapets/0", parts);
        var origin = document
            .GetProperty("asset")
            .GetProperty("extras")
            .GetProperty("origin")
            .EnumerateArray()
            .Select(v => v.GetDouble())
            .ToArray();
        var solid = new BridgeSolids(geometry).Slabs().First().Solid;
        for (var i = 0; i < solid.Points.Length; i += 37)
        {
            float Read(int k) => BinaryPrimitives.ReadSingleLittleEndian(file.AsSpan(20 + json + 8 + 12 * i + 4 * k));
            Assert.Equal(solid.Points[i].X, Read(0) + origin[0], 1e-5);
            Assert.Equal(solid.Points[i].Z, Read(1) + origin[2], 1e-5);
            Assert.Equal(solid.Points[i].Y, origin[1] - Read(2), 1e-5);
        }
    }
}
