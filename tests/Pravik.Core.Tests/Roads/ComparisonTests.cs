using Pravik.Core.Roads;

namespace Pravik.Core.Tests.Roads;

public class ComparisonTests
{
    private static readonly Road Old = TestBridges.Arc(300, 400) with
    {
        Profile = [new() { Station = 0, Level = 10 }, new() { Station = 300, Level = 16 }],
        Crossfalls =
        [
            new()
            {
                Station = 0,
                Left = -0.025,
                Right = -0.025,
            },
        ],
    };

    private static RoadChange At(Road renewed, double station) => RoadComparison.Compare(new(Old), new(renewed), [("", station)])[0];

    [Fact]
    public void The_same_road_does_not_move()
    {
        foreach (var station in new[] { 0, 77.7, 300 })
            Assert.True(At(Old with { Name = "Issue B" }, station).IsNothing);
    }

    /// <summary>
    /// The new line begins 2 m further ahead and 0.5 m to the left of the old one, on the same curve: concentric, so that the shift
    /// stays.
    /// </summary>
    [Fact]
    public void A_shifted_line_is_told_along_and_across()
    {
        var line = new RoadLine(Old);
        var start = line.At(2, -0.5);
        var renewed = Old with
        {
            StartEast = start.X,
            StartNorth = start.Y,
            Azimuth = line.Azimuth(2),
            Elements =
            [
                new()
                {
                    Length = 280,
                    StartRadius = 400.5,
                    EndRadius = 400.5,
                },
            ],
        };
        var change = At(renewed, 150);
        Assert.Equal(0.5, change.Across, 1e-9);
        Assert.Equal((150 - 2) * 400.5 / 400 - 150, change.Along, 1e-9);
    }

    [Fact]
    public void Levels_and_crossfalls_are_compared_where_the_point_lies()
    {
        var change = At(
            Old with
            {
                Profile = [new() { Station = 0, Level = 10.2 }, new() { Station = 300, Level = 15.8 }],
                Crossfalls =
                [
                    new()
                    {
                        Station = 0,
                        Left = 0.03,
                        Right = -0.03,
                    },
                ],
            },
            75
        );
        Assert.Equal(0.1, change.Level!.Value, 1e-9);
        Assert.Equal((0.055, -0.005), (Math.Round(change.Left, 9), Math.Round(change.Right, 9)));
        Assert.False(change.IsNothing);
        Assert.Null(At(Old with { Profile = [] }, 75).Level);
    }

    [Fact]
    public void Crossfalls_hold_their_ends_and_run_straight_between()
    {
        var line = new CrossfallLine([
            new()
            {
                Station = 10,
                Left = -0.02,
                Right = -0.03,
            },
            new()
            {
                Station = 30,
                Left = 0.04,
                Right = -0.05,
            },
        ]);
        Assert.Equal((-0.02, -0.03), line.At(-100));
        Assert.Equal((0.04, -0.05), line.At(31));
        var (left, right) = line.At(20);
        Assert.Equal((0.01, -0.04), (Math.Round(left, 12), Math.Round(right, 12)));
        Assert.Equal((0, 0), new CrossfallLine([]).At(5));
        Assert.False(new CrossfallLine([]).IsGiven);
    }

    [Fact]
    public void A_table_of_setting_out_has_its_digits_and_no_negative_zero()
    {
        var road = new RoadLine(
            new()
            {
                Azimuth = 2 * Math.PI,
                Elements = [new() { Length = 10 }],
                Profile = [new() { Level = -0.0000000001 }],
            }
        );
        Assert.Equal(
            "station,offset,x,y,z,azimuth\n0.000000,-1.000000,-1.000000000,0.000000000,0.000000000,0.0000000000\n10.000000,-1.000000,-1.000000000,10.000000000,0.000000000,0.0000000000\n",
            Csv(road, [-1e-7, 10], [-1]).Replace("-0.000000,-1", "0.000000,-1")
        );
        Assert.Throws<ArgumentOutOfRangeException>(() => Csv(road, [10.1], [0]));
    }

    [Fact]
    public void Profiles_that_do_not_hold_are_told_with_their_point()
    {
        ProfilePoint P(double station, double level, double curve = 0) =>
            new()
            {
                Station = station,
                Level = level,
                CurveLength = curve,
            };
        Assert.Null(ProfileChecks.Problem([P(0, 1), P(50, 2, 40), P(100, 1, 40), P(150, 3)]));
        Assert.Equal(2, ProfileChecks.Problem([P(0, 1), P(50, 2, 60), P(100, 1, 60), P(150, 3)])!.Value.Point);
        Assert.Equal(1, ProfileChecks.Problem([P(0, 1), P(20, 2, 60), P(100, 1)])!.Value.Point);
        Assert.Contains("does not lie beyond", ProfileChecks.Reason([P(0, 1), P(0, 2)]));
        Assert.Throws<ArgumentException>(() => new ProfileLine([]));
    }

    private static string Csv(RoadLine road, double[] stations, double[] offsets)
    {
        var text = new StringWriter();
        SetOut.WriteCsv(text, road, stations, offsets);
        return text.ToString();
    }
}
