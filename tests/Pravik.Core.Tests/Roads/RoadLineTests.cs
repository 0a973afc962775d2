using System.Collections.Immutable;
using CsCheck;
using Pravik.Core.Geometry;
using Pravik.Core.Roads;

namespace Pravik.Core.Tests.Roads;

public class RoadLineTests
{
    private static RoadLine Line(double azimuth, params RoadElement[] elements) =>
        new(new() { Azimuth = azimuth, Elements = [.. elements] });

    private static RoadElement Arc(double length, double? radius) =>
        new()
        {
            Length = length,
            StartRadius = radius,
            EndRadius = radius,
        };

    [Fact]
    public void A_quarter_circle_to_the_right_ends_where_geometry_says()
    {
        // From the origin heading north with radius 100 to the right: after a quarter turn at (100, 100), heading east; centre (100, 0).
        var road = Line(0, Arc(200, 100));
        var end = road.At(50 * Math.PI);
        Assert.Equal(100, end.X, 1e-12);
        Assert.Equal(100, end.Y, 1e-12);
        Assert.Equal(Math.PI / 2, road.Azimuth(50 * Math.PI), 1e-15);
        Assert.Equal(0, (road.At(50 * Math.PI, 100) - new Point(100, 0)).Length, 1e-12);
        var left = Line(0, Arc(200, -100)).At(120, -4);
        Assert.Equal(0, (road.At(120, 4) - new Point(-left.X, left.Y)).Length, 1e-12);
    }

    /// <summary>Straight from azimuth 90°, clothoid of 80 m to radius 300 m turning left: ends at (79.857895, 3.551043).</summary>
    [Fact]
    public void A_clothoid_ends_at_its_known_point()
    {
        var end = Line(Math.PI / 2, new RoadElement { Length = 80, EndRadius = -300 }).At(80);
        Assert.Equal(79.857895, end.X, 5e-7);
        Assert.Equal(3.551043, end.Y, 5e-7);
    }

    /// <summary>
    /// The series of the Fresnel integrals: x = Σ (−1)ⁿ τ²ⁿ·l/((4n + 1)(2n)!), y = Σ (−1)ⁿ τ²ⁿ⁺¹·l/((4n + 3)(2n + 1)!), τ = l²/(2A²).
    /// </summary>
    [Theory]
    [InlineData(80, 300)]
    [InlineData(200, 40)]
    [InlineData(12, 900)]
    [InlineData(300, 60)]
    public void Clothoids_agree_with_their_series(double length, double radius)
    {
        var road = Line(0, new RoadElement { Length = length, EndRadius = radius });
        foreach (var part in new[] { 0.1, 0.5, 0.83, 1 })
        {
            var l = part * length;
            var tau = l * l / (2 * length * radius);
            double x = 0,
                y = 0,
                term = 1;
            for (var n = 0; n < 40; n++, term *= -tau * tau / (2 * n * (2 * n - 1)))
            {
                x += term * l / (4 * n + 1);
                y += term * tau / (2 * n + 1) * l / (4 * n + 3);
            }
            Assert.Equal(0, (road.At(l) - new Point(y, x)).Length, 1e-9);
        }
    }

    [Fact]
    public void A_clothoid_run_backwards_is_the_same_curve()
    {
        var there = Line(
            0.3,
            new RoadElement
            {
                Length = 120,
                StartRadius = 500,
                EndRadius = -200,
            }
        ).Line.Segments[0];
        var back = new LineSegment(0, 120, there.End, there.EndAzimuth + Math.PI, -there.EndCurvature, -there.StartCurvature);
        for (var s = 0.0; s <= 120; s += 15)
            Assert.Equal(0, (there.At(s) - back.At(120 - s)).Length, 1e-11);
    }

    /// <summary>A compound and reverse line that turns by more than a whole turn.</summary>
    private static RoadLine Winding { get; } =
        Line(
            1,
            Arc(50, null),
            new() { Length = 60, EndRadius = 120 },
            Arc(400, 120),
            new()
            {
                Length = 40,
                StartRadius = 120,
                EndRadius = 70,
            },
            Arc(200, 70),
            new()
            {
                Length = 90,
                StartRadius = 70,
                EndRadius = -150,
            },
            Arc(100, -150),
            new() { Length = 50, StartRadius = -150 },
            Arc(80, null)
        );

    [Fact]
    public void Locating_a_point_near_the_line_gives_back_its_place() =>
        Gen.Select(Gen.Double[0.001, 0.999], Gen.Double[-18, 18])
            .Sample(
                (part, offset) =>
                {
                    var station = part * Winding.EndStation;
                    var point = Winding.At(station, offset);
                    var place = Winding.Locate(point);
                    // Where the line winds over itself another branch may be nearer.
                    if (Math.Abs(place.Offset) < Math.Abs(offset) - 1e-6)
                        return;
                    Assert.Equal(0, (Winding.At(place.Station, place.Offset) - point).Length, 1e-6);
                    Assert.Equal(station, place.Station, 1e-6);
                    Assert.Equal(offset, place.Offset, 1e-6);
                }
            );

    [Fact]
    public void Of_several_branches_the_nearest_is_located()
    {
        Assert.True(Winding.Azimuth(Winding.EndStation) - 1 > 2 * Math.PI * 0.5 && Math.Abs(Winding.Azimuth(710) - 1) > 2 * Math.PI);
        var random = new Random(3);
        for (var i = 0; i < 200; i++)
        {
            var point = new Point(random.NextDouble() * 500 - 150, random.NextDouble() * 500 - 250);
            var place = Winding.Locate(point);
            var least = Enumerable.Range(0, 10701).Min(k => Point.Distance(point, Winding.At(k * 0.1)));
            if (place.Beyond == 0)
                Assert.InRange(Math.Abs(place.Offset), 0, least + 1e-6);
        }
    }

    [Fact]
    public void Beyond_its_ends_the_line_goes_on_straight_and_says_so()
    {
        var end = Winding.EndStation;
        Assert.Equal(7, Winding.Locate(Winding.At(end + 7, 3)).Beyond, 1e-9);
        Assert.Equal(-7, Winding.Locate(Winding.At(-7, 3)).Beyond, 1e-9);
        Assert.Equal(end + 7, Winding.Locate(Winding.At(end + 7, 3)).Station, 1e-9);
        Assert.Equal(0, Winding.Locate(Winding.At(end + 5e-7)).Beyond);
    }

    /// <summary>
    /// Two curves with unequal transitions. Straights lie on the tangents and the end is the last point, which only holds where tangent
    /// lengths, shifts and arcs are right; for a plain arc the tangent is R·tan(Δ/2).
    /// </summary>
    [Fact]
    public void A_line_from_intersection_points_ends_at_the_last_one()
    {
        ImmutableArray<IntersectionPoint> points =
        [
            new() { East = 1000, North = 500 },
            new()
            {
                East = 1300,
                North = 540,
                Radius = 260,
                TransitionIn = 60,
                TransitionOut = 85,
            },
            new()
            {
                East = 1560,
                North = 330,
                Radius = 180,
                TransitionIn = 40,
            },
            new()
            {
                East = 1900,
                North = 400,
                Radius = 600,
            },
            new() { East = 2200, North = 420 },
        ];
        var road = new Road { Entry = LineEntry.Points, Points = points };
        var (elements, findings) = LineBuilder.FromPoints(points);
        Assert.Empty(findings);
        var pieces = LineBuilder.Chain(0, new(1000, 500), 0, elements);
        for (var i = 1; i < pieces.Length; i++)
        {
            Assert.Equal(0, (pieces[i].Start - pieces[i - 1].End).Length, 1e-8);
            Assert.Equal(0, Math.IEEERemainder(pieces[i].StartAzimuth - pieces[i - 1].EndAzimuth, 2 * Math.PI), 1e-10);
            if (i < 6)
                Assert.Equal(pieces[i - 1].EndCurvature, pieces[i].StartCurvature, 1e-12);
        }
        Assert.Equal(0, (new RoadLine(road).Line.Segments[^1].End - new Point(2200, 420)).Length, 1e-8);
        Assert.Contains(
            LineBuilder.FromPoints(points.SetItem(2, points[2] with { Radius = 900 })).Findings,
            f => f.Message.Contains("smaller radius")
        );
        Assert.Contains(
            LineBuilder.FromPoints(points.SetItem(1, points[1] with { TransitionIn = 400 })).Findings,
            f => f.Path == "/road/points/1/transitionIn"
        );
    }

    /// <summary>
    /// Crest of +4 % to −2 % over 120 m about (500, 60): level at the point 60 − 6 %·120/8; high point 80 m after the start.
    /// </summary>
    [Fact]
    public void A_parabola_has_its_level_its_grades_and_its_high_point()
    {
        var profile = new ProfileLine([
            new() { Station = 300, Level = 52 },
            new()
            {
                Station = 500,
                Level = 60,
                CurveLength = 120,
            },
            new() { Station = 700, Level = 56 },
        ]);
        Assert.Equal(60 - 0.06 * 120 / 8, profile.Level(500), 1e-12);
        Assert.Equal(0.04, profile.Grade(440), 1e-12);
        Assert.Equal(-0.02, profile.Grade(560), 1e-12);
        Assert.Equal(0.01, profile.Grade(500), 1e-12);
        var high = Assert.Single(profile.Extremes());
        Assert.Equal(520, high.Station, 1e-9);
        Assert.Equal(57.6 + 0.04 * 80 / 2, high.Level, 1e-9);
        Assert.True(high.IsHigh);
        Assert.Equal(52 - 0.04 * 10, profile.Level(290), 1e-12);
    }

    [Theory]
    [InlineData(80, 30.0, null)]
    [InlineData(0, null, 2500.0)]
    public void Unequal_and_circular_curves_are_tangent_at_both_ends(double length, double? after, double? radius)
    {
        var point = new ProfilePoint
        {
            Station = 500,
            Level = 60,
            CurveLength = length,
            CurveLengthOut = after,
            Radius = radius,
        };
        foreach (var lastLevel in new[] { 52.0, 80 })
        {
            var profile = new ProfileLine([new() { Station = 300, Level = 56 }, point, new() { Station = 700, Level = lastLevel }]);
            var (back, ahead) = ProfileLine.Reach(point, 0.02, (lastLevel - 60) / 200);
            foreach (
                var (station, level, grade) in new[]
                {
                    (500 - back, 60 - 0.02 * back, 0.02),
                    (500 + ahead, 60 + (lastLevel - 60) / 200 * ahead, (lastLevel - 60) / 200),
                }
            )
            {
                foreach (var side in new[] { -1e-7, 1e-7 })
                {
                    Assert.Equal(level, profile.Level(station + side), 1e-8);
                    Assert.Equal(grade, profile.Grade(station + side), 1e-8);
                }
            }
            Assert.Equal(profile.Grade(500 - 1e-7), profile.Grade(500 + 1e-7), 1e-7);
            if (radius is not { } r)
                continue;
            // A circle keeps its distance from its centre.
            var sense = lastLevel > 64 ? 1 : -1;
            var angle = Math.Atan(0.02);
            var (x, y) = (500 - back - sense * r * Math.Sin(angle), 60 - 0.02 * back + sense * r * Math.Cos(angle));
            for (var s = 500 - back; s <= 500 + ahead; s += 5)
                Assert.Equal(r, Math.Sqrt((s - x) * (s - x) + Math.Pow(profile.Level(s) - y, 2)), 1e-7);
        }
    }

    [Fact]
    public void Level_azimuth_and_crossfall_are_surveyed_outward()
    {
        var road = new RoadLine(
            new()
            {
                Azimuth = -0.1,
                Profile = [new() { Station = 0, Level = 10 }, new() { Station = 200, Level = 12 }],
                Crossfalls =
                [
                    new()
                    {
                        Station = 50,
                        Left = -0.025,
                        Right = -0.025,
                    },
                    new()
                    {
                        Station = 100,
                        Left = 0.035,
                        Right = -0.045,
                    },
                ],
            }
        );
        Assert.Equal(10.75 + 4 * 0.005, road.Survey(75, -4).Z!.Value, 1e-12);
        Assert.Equal(10.75 - 4 * 0.035, road.Survey(75, 4).Z!.Value, 1e-12);
        Assert.Equal(2 * Math.PI - 0.1, road.Survey(75, 4).Azimuth, 1e-12);
        Assert.Null(new RoadLine(new() { Profile = [] }).Survey(75, 4).Z);
    }

    [Fact]
    public void Station_equations_lead_there_and_back()
    {
        var stations = new Stationing([
            new()
            {
                At = 150,
                Back = 150,
                Ahead = 200,
            },
            new()
            {
                At = 300,
                Back = 350,
                Ahead = 320,
            },
        ]);
        Assert.Equal(149, stations.Shown(149));
        Assert.Equal(200, stations.Shown(150));
        Assert.Equal(340, stations.Shown(320));
        Assert.Empty(stations.Running(180));
        Assert.Equal([280, 310], stations.Running(330).Select(s => Math.Round(s, 9)));
    }

    [Fact]
    public void Set_out_stations_always_hold_the_last()
    {
        Assert.Equal([0, 3, 6, 9, 10], SetOut.Stations(0, 10, 3).Stations!);
        Assert.Equal([0, 5, 10], SetOut.Stations(0, 10, 5).Stations!);
        Assert.Equal([0, 0.1, 0.2, 0.3], SetOut.Stations(0, 0.3, 0.1).Stations!.Select(s => Math.Round(s, 12)));
        Assert.Equal([7], SetOut.Stations(7, 7, 1).Stations!);
        Assert.NotNull(SetOut.Stations(0, 10, 0).Reason);
        Assert.NotNull(SetOut.Stations(0, 1e9, 1e-3).Reason);
        Assert.NotNull(SetOut.Stations(10, 0, 1).Reason);
    }

    [Fact]
    public void Ground_is_linear_in_triangles_and_nothing_outside()
    {
        var ground = new Ground([0, 0, 10, 20, 0, 12, 20, 20, 16, 0, 20, 14], [0, 1, 2, 0, 2, 3]);
        Gen.Select(Gen.Double[0, 20], Gen.Double[0, 20])
            .Sample((x, y) => Assert.Equal(10 + 0.1 * x + 0.2 * y, ground.Level(new(x, y))!.Value, 1e-9));
        Assert.Null(ground.Level(new(20.1, 5)));
        Assert.Null(ground.Level(new(-0.1, 5)));
    }
}
