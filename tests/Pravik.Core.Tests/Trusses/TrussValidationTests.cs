using Pravik.Core.Findings;
using Pravik.Core.Trusses;
using static Pravik.Core.Tests.Trusses.TestTrusses;

namespace Pravik.Core.Tests.Trusses;

/// <summary>What is wrong is told with its place and reason, and with a repair where there is one.</summary>
public class TrussValidationTests
{
    private static readonly TrussScheme Sound = TrussForms.Draw(TrussScheme.New(new()), new() { Kind = FormKind.Pratt, Depth = 5 }).Scheme!;

    private static void Tells(TrussScheme scheme, Severity severity, string path, string words, bool hasRepair = false)
    {
        var found = TrussValidation.Check(scheme).FirstOrDefault(f => f.Path == path && f.Severity == severity);
        Assert.NotNull(found);
        Assert.Contains(words, found.Message);
        Assert.Equal(hasRepair, found.Repair is not null);
    }

    private static TrussScheme WithJoint(double x, double z, string id = "K1") =>
        Sound with
        {
            Joints = Sound.Joints.Add(
                new()
                {
                    Id = id,
                    X = x,
                    Z = z,
                }
            ),
        };

    private static TrussScheme WithBar(string from, string to) =>
        Sound with
        {
            Bars = Sound.Bars.Add(Sound.Bars[0] with { From = from, To = to }),
        };

    [Fact]
    public void A_sound_scheme_has_no_findings_that_stop_it() => Assert.Empty(Faults(Sound));

    [Fact]
    public void Joints_lie_where_they_can()
    {
        var (joint, bar) = ("/joints/7", "/bars/29");
        Tells(WithJoint(20, -20), Severity.Fault, joint, "lies in the ground, which is at −13", true);
        var clear = Sound.Site with { Clearance = new(10, 30, -6) };
        Tells(WithJoint(20, -8) with { Site = clear }, Severity.Fault, joint, "clearance", true);
        Tells(WithJoint(20, 5.001), Severity.Fault, joint, "lies on joint J4", true);
        Tells(WithJoint(20, 3), Severity.Warning, "/joints", "No bracing fits between the planes over the road at K1");
        Tells(Sound with { Site = Sound.Site with { Planes = PlanePlace.Under } }, Severity.Fault, "/joints/0", "room of vehicles", true);
        Tells(WithJoint(20, -3, "D7"), Severity.Error, joint + "/id", "the site gives");
        Tells(WithJoint(20, -3, "J1"), Severity.Error, joint + "/id", "two joints named J1");
        Tells(WithJoint(20, -3, "no good"), Severity.Error, joint + "/id", "letters and digits");
        Tells(WithBar("D1", "D1"), Severity.Fault, bar, "no length", true);
        Tells(WithBar("D1", "D0"), Severity.Fault, bar, "another bar does already", true);
        Tells(WithBar("D1", "X9"), Severity.Fault, bar, "X9", true);
        Tells(WithBar("D1", "D3"), Severity.Fault, bar, "runs over joint D2", true);
    }

    [Fact]
    public void Bars_keep_out_of_ground_and_clearance()
    {
        var hill = WithJoint(10, -4) with
        {
            Site = Sound.Site with { Ground = [new(-9, 0), new(0, -9), new(18, -9), new(20, -2), new(22, -9), new(50, -9)] },
        };
        hill = hill with
        {
            Joints = hill.Joints.Add(
                new()
                {
                    Id = "K2",
                    X = 30,
                    Z = -4,
                }
            ),
        };
        Tells(
            hill with
            {
                Bars = hill.Bars.Add(hill.Bars[0] with { From = "K1", To = "K2" }),
            },
            Severity.Fault,
            "/bars/29",
            "through the ground"
        );
        var low = WithJoint(4, -3) with { Site = Sound.Site with { Clearance = new(10, 30, -1) } };
        low = low with
        {
            Joints = low.Joints.Add(
                new()
                {
                    Id = "K2",
                    X = 35,
                    Z = -3,
                }
            ),
        };
        Tells(
            low with
            {
                Bars = low.Bars.Add(low.Bars[0] with { From = "K1", To = "K2" }),
            },
            Severity.Fault,
            "/bars/29",
            "crosses the clearance"
        );
    }

    [Fact]
    public void Values_have_bounds()
    {
        Tells(Sound with { Site = Sound.Site with { Opening = 2000 } }, Severity.Error, "/site/opening", "must lie between");
        Tells(Sound with { Site = Sound.Site with { Road = double.NaN } }, Severity.Error, "/site/road", "must lie between");
        Tells(Sound with { Prices = Sound.Prices.Add("order", -5) }, Severity.Error, "/prices/order", "must lie between 0");
        Tells(Sound with { Prices = Sound.Prices.Add("gold", 5) }, Severity.Error, "/prices/gold", "no such price");
        Tells(Sound with { Bars = [.. Enumerable.Repeat(Sound.Bars[0], 100_000)] }, Severity.Error, "/bars", "at most 1000; 100000");
        Tells(Sound with { Site = Sound.Site with { Panels = 5 } }, Severity.Fault, "/site/panels", "spans 5.000 m at most", true);
        Tells(
            Sound with
            {
                Vehicles = [new() { Axles = [new(1e5, 0), new(1e5, 60)] }],
            },
            Severity.Warning,
            "/vehicles/0",
            "longer than the opening"
        );
        Tells(Sound with { Vehicles = [] }, Severity.Fault, "/vehicles", "Nothing drives over it");
        Tells(
            Sound with
            {
                Site = Sound.Site with { Ground = [new(0, 0), new(-1, 0)] },
            },
            Severity.Error,
            "/site/ground/1/x",
            "left to right"
        );
        Tells(Sound with { Site = Sound.Site with { Pier = new(20, -14) } }, Severity.Fault, "/site/pier/top", "in the ground");
        var steel = Sound with
        {
            Bars = Sound.Bars.SetItem(3, Sound.Bars[3] with { Family = "angles", Size = "2 L 90 × 10", Grade = "S460 N" }),
        };
        Tells(steel, Severity.Fault, "/bars/3/grade", "class 4", true);
    }

    [Fact]
    public void A_task_is_kept_to()
    {
        TrussTask task = new()
        {
            Name = "T",
            MostJoints = 6,
            MostBars = 29,
            Grades = ["S235"],
            MostCost = 1000,
        };
        var found = Faults(Sound with { Task = task }).ToList();
        Assert.Contains(found, f => f.Message.Contains("allows 6 joints"));
        Assert.DoesNotContain(found, f => f.Message.Contains("29 bars"));
        Assert.Contains(found, f => f.Path == "/bars/0/grade");
        Assert.Contains(found, f => f.Message.Contains("allows a cost of 1,000"));
    }
}
