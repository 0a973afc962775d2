using System.Diagnostics;
using System.Text;
using Pravik.Core.Bridges;
using Pravik.Core.Places;
using Pravik.Core.Roads;
using Pravik.Core.Units;
using Pravik.Drawings.Views;
using Pravik.Drawings.Writers;
using Pravik.Exchange.LandXml;

namespace Pravik.Bench;

/// <summary>
/// A made-up road of 30 km with 2,000 elements over a ground of 500,000 triangles: reading the file, and station queries.
/// </summary>
internal static class Roads
{
    public static void Measure()
    {
        var road = new Road
        {
            Name = "Long road",
            Elements = [.. Enumerable.Range(0, 500).SelectMany(Four)],
            Profile =
            [
                .. Enumerable
                    .Range(0, 151)
                    .Select(i => new ProfilePoint
                    {
                        Station = i * 200,
                        Level = 50 + 3 * Math.Sin(i),
                        CurveLength = i is 0 or 150 ? 0 : 80,
                    }),
            ],
        };
        var text = Encoding.UTF8.GetBytes(LandXmlWriter.Write(road, new("Plain", Grid(501, 501))));
        Reference.Product();
        var reference = Time(() => Reference.Product());
        RoadFile file = null!;
        var read = Time(() => file = LandXmlReader.Read(new MemoryStream(text)));
        var line = new RoadLine(file.Alignments[0].Road!);
        var random = new Random(5);
        var stations = Enumerable.Range(0, 200_000).Select(_ => random.NextDouble() * line.EndStation).ToArray();
        double sum = 0;
        Array.ForEach(stations, s => sum += line.Survey(s, 3).X);
        var survey = Time(() => Array.ForEach(stations, s => sum += line.Survey(s, 3).X));
        var points = stations.Take(20_000).Select(s => line.At(s, 12)).ToArray();
        Array.ForEach(points, p => sum += line.Locate(p).Station);
        var locate = Time(() => Array.ForEach(points, p => sum += line.Locate(p).Station));
        var ground = file.Grounds[0].Ground;
        var level = Time(() => Array.ForEach(points, p => sum += ground.Level(new(Math.Abs(p.X) % 9000, Math.Abs(p.Y) % 9000)) ?? 0));
        var geometry = new BridgeGeometry(
            Bridge.New("On the road") with
            {
                Road = road,
                Axes = new() { FirstStation = 300, Spans = [30.0, 30, 30] },
            }
        );
        double Draw() =>
            Time(() =>
                sum += SvgWriter.Inline(SurroundingsView.Draw(geometry, ground, [], UnitSystem.Metric, ViewSize.Pixels(960, 560))).Length
            );
        Draw();
        var surroundings = Draw();
        Console.WriteLine(
            $"Road of {line.EndStation / 1000:0.0} km, {line.Line.Segments.Length} elements, ground of {ground.TriangleCount} "
                + $"triangles, file of {text.Length / 1e6:0.0} MB ({sum:0})"
        );
        string Micro(string what, double time, int count) => $"{what.PadRight(58)} {(time * 1000 / count).ToString("0.00").PadLeft(7)} µs";
        Console.WriteLine(Reference.Line("read the file", read, reference));
        Console.WriteLine(Micro("station and offset to x, y, z", survey, stations.Length));
        Console.WriteLine(Micro("x, y to station and offset", locate, points.Length));
        Console.WriteLine(Micro("level of the ground", level, points.Length));
        Console.WriteLine(Reference.Line("plan of the bridge's surroundings", surroundings, reference));
    }

    private static IEnumerable<RoadElement> Four(int i)
    {
        var radius = i % 2 == 0 ? 400.0 : -400;
        return
        [
            new() { Length = 12 },
            new() { Length = 15, EndRadius = radius },
            new()
            {
                Length = 18,
                StartRadius = radius,
                EndRadius = radius,
            },
            new() { Length = 15, StartRadius = radius },
        ];
    }

    private static Ground Grid(int columns, int rows)
    {
        var points = new double[3 * columns * rows];
        List<int> triangles = [];
        for (var r = 0; r < rows; r++)
        {
            for (var c = 0; c < columns; c++)
            {
                var n = r * columns + c;
                (points[3 * n], points[3 * n + 1], points[3 * n + 2]) = (c * 20, r * 20, 40 + 5 * Math.Sin(c * 0.1) * Math.Cos(r * 0.13));
                if (r > 0 && c > 0)
                    triangles.AddRange([n - columns - 1, n - columns, n, n - columns - 1, n, n - 1]);
            }
        }
        return new(points, [.. triangles]);
    }

    private static double Time(Action work)
    {
        var clock = Stopwatch.StartNew();
        work();
        return clock.Elapsed.TotalMilliseconds;
    }
}
