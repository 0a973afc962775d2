using Pravik.Core.Bridges;
using Pravik.Core.Geometry;
using Pravik.Core.Roads;

namespace Pravik.Core.Tests.Roads;

public class ContoursTests
{
    /// <summary>A ground on a grid of the levels that a function gives.</summary>
    private static Ground Of(int cells, double size, Func<double, double, double> level)
    {
        var (points, triangles) = (new List<double>(), new List<int>());
        for (var j = 0; j <= cells; j++)
        {
            for (var i = 0; i <= cells; i++)
                points.AddRange([i * size / cells, j * size / cells, level(i * size / cells, j * size / cells)]);
        }
        for (var j = 0; j < cells; j++)
        {
            for (var i = 0; i < cells; i++)
            {
                var p = j * (cells + 1) + i;
                triangles.AddRange([p, p + 1, p + cells + 2, p, p + cells + 2, p + cells + 1]);
            }
        }
        return new([.. points], [.. triangles]);
    }

    [Theory]
    [InlineData(20)]
    [InlineData(150)]
    public void Contours_of_a_plane_are_straight_lines_at_their_levels(int cells)
    {
        // 45,000 triangles are read on a grid first; on a plane that makes no difference.
        var contours = Contours.Of(Of(cells, 100, (x, y) => 5 + 0.1 * x + 0.03), new(0, 0), new(100, 100), 2);
        Assert.Equal([6.0, 8, 10, 12, 14], contours.Select(c => c.Level));
        Assert.All(contours, c => Assert.All(c.Points, p => Assert.Equal((c.Level - 5.03) / 0.1, p.X, 1e-9)));
        Assert.All(contours, c => Assert.Equal(100, c.Points.Max(p => p.Y) - c.Points.Min(p => p.Y), 1e-9));
    }

    [Fact]
    public void Contours_of_a_hill_close_and_only_those_in_the_box_are_given()
    {
        var hill = Of(60, 120, (x, y) => 30 - Math.Sqrt((x - 60) * (x - 60) + (y - 60) * (y - 60)) / 2);
        var ring = Assert.Single(Contours.Of(hill, new(0, 0), new(120, 120), 5), c => c.Level == 20);
        Assert.Equal(ring.Points[0], ring.Points[^1]);
        Assert.All(ring.Points, p => Assert.Equal(20, Point.Distance(p, new(60, 60)), 0.5));
        Assert.DoesNotContain(Contours.Of(hill, new(0, 0), new(20, 20), 5), c => c.Level > 12);
    }

    [Theory]
    [InlineData(0, 0.01)]
    [InlineData(5, 0.5)]
    [InlineData(11.9, 1)]
    [InlineData(20, 2)]
    [InlineData(700, 100)]
    public void The_interval_is_round(double height, double interval) => Assert.Equal(interval, Contours.Interval(height), 1e-12);

    /// <summary>A lane going north-west, 45° to a road that goes east, passes under it at x = 60 with a grade of 2 %.</summary>
    [Theory]
    [InlineData(false)]
    [InlineData(true)]
    public void A_road_that_passes_under_gives_place_direction_and_level(bool reversed)
    {
        var road = new RoadLine(TestBridges.Straight(120));
        var lane = new Road
        {
            Name = "Lane",
            StartEast = reversed ? 10 : 110,
            StartNorth = reversed ? 50 : -50,
            Azimuth = reversed ? 3 * Math.PI / 4 : -Math.PI / 4,
            Elements = [new() { Length = 100 * Math.Sqrt(2) }],
            Profile = [new() { Station = 0, Level = 10 }, new() { Station = 100, Level = 12 }],
        };
        var crossing = Crossing.Of(new(lane), road, 20, 90)!;
        Assert.Equal(60, crossing.Station, 1e-6);
        Assert.Equal(10 + 0.02 * 50 * Math.Sqrt(2), crossing.Level, 1e-6);
        // From the line square to the road, pointing south, to the lane's line, pointing south-east: anticlockwise from above.
        Assert.Equal(-Math.PI / 4, crossing.Skew, 1e-9);
        // Its grade to the right, to the south: the lane going north-west climbs, so that it falls to the right.
        Assert.Equal(reversed ? 0.02 : -0.02, crossing.Grade, 1e-9);
        Assert.Null(Crossing.Of(new(lane), road, 70, 90));
        Assert.Null(Crossing.Of(new(lane with { Profile = [] }), road, 20, 90));
    }
}
