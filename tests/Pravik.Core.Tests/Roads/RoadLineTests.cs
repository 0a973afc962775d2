using CsCheck;
using Pravik.Core.Geometry;
using Pravik.Core.Roads;

namespace Pravik.Core.Tests.Roads;

public class RoadLineTests
{
    [Fact]
    public void A_quarter_circle_to_the_right_ends_where_geometry_says()
    {
        // From the origin heading north with radius 100 to the right: after a quarter turn at (100, 100), heading east.
        var road = new RoadLine(new() { Azimuth = 0, Radius = 100, Length = 200 });
        var end = road.At(50 * Math.PI);
        Assert.Equal(100, end.X, 1e-12);
        Assert.Equal(100, end.Y, 1e-12);
        Assert.Equal(Math.PI / 2, road.Azimuth(50 * Math.PI), 1e-15);
        // The centre (100, 0) is on the right.
        var centre = road.At(50 * Math.PI, 100);
        Assert.Equal(100, centre.X, 1e-12);
        Assert.Equal(0, centre.Y, 1e-12);
    }

    [Fact]
    public void A_left_curve_mirrors_a_right_one()
    {
        var right = new RoadLine(new() { Azimuth = 0, Radius = 300 }).At(120, 4);
        var left = new RoadLine(new() { Azimuth = 0, Radius = -300 }).At(120, -4);
        Assert.Equal(right.X, -left.X, 1e-12);
        Assert.Equal(right.Y, left.Y, 1e-12);
    }

    [Fact]
    public void Levels_follow_the_grade()
    {
        var road = new RoadLine(new() { StartStation = 100, StartLevel = 44.3, Grade = 0.012 });
        Assert.Equal(44.3 + 0.6, road.Level(150), 1e-12);
    }

    [Fact]
    public void Locating_a_point_gives_back_its_station_and_offset() =>
        Gen.Select(Gen.Double[-3, 3], Gen.Double[-1, 1], Gen.Double[0, 200], Gen.Double[-20, 20]).Sample((azimuth, bend, along, offset) =>
        {
            var radius = Math.Abs(bend) < 0.1 ? (double?)null : 60 / bend;
            var road = new RoadLine(new() { StartStation = 1000, StartEast = 5e5, StartNorth = 2e5, Azimuth = azimuth, Radius = radius, Length = 200 });
            var place = road.Locate(road.At(1000 + along, offset));
            Assert.Equal(1000 + along, place.Station, 1e-7);
            Assert.Equal(offset, place.Offset, 1e-7);
        });

    [Fact]
    public void Points_are_at_equal_distances_along_a_straight() =>
        Assert.Equal(25, Point.Distance(new RoadLine(new() { Azimuth = 1 }).At(10), new RoadLine(new() { Azimuth = 1 }).At(35)), 1e-12);
}
