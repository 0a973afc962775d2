using Pravik.Core.Trusses;
using static Pravik.Core.Tests.Trusses.TestTrusses;

namespace Pravik.Core.Tests.Trusses;

/// <summary>Each cause of a truss that can move is named, and what is offered holds it.</summary>
public class MechanismTests
{
    private static readonly TrussScheme Sound = Drawn(Site(24, 6), FormKind.Pratt, 4);

    private static Mechanism Only(TrussScheme scheme)
    {
        var model = TrussModel.Of(scheme);
        Assert.False(TrussSolver.TryFactorise(model, out _));
        var mechanism = Assert.Single(Mechanisms.Of(model));
        // No bar changes its length by the movement, and a bar where it is offered makes it stand.
        foreach (var bar in model.Bars)
        {
            var along = model.Joints[bar.To].At - model.Joints[bar.From].At;
            var change =
                along.X * (mechanism.Movements[2 * bar.To] - mechanism.Movements[2 * bar.From])
                + along.Y * (mechanism.Movements[2 * bar.To + 1] - mechanism.Movements[2 * bar.From + 1]);
            Assert.Equal(0, change, 6);
        }
        var (from, to) = mechanism.Bar!.Value;
        var added = scheme.Bars[0] with { From = model.Joints[from].Id, To = model.Joints[to].Id };
        Assert.True(TrussSolver.TryFactorise(TrussModel.Of(scheme with { Bars = scheme.Bars.Add(added) }), out _));
        return mechanism;
    }

    private static TrussScheme Without(string from, string to) =>
        Sound with
        {
            Bars = Sound.Bars.RemoveAt(Bar(TrussModel.Of(Sound), from, to)),
        };

    private static TrussScheme With(TrussJoint joint, params string[] to) =>
        Sound with
        {
            Joints = Sound.Joints.Add(joint),
            Bars = Sound.Bars.AddRange(to.Select(t => Sound.Bars[0] with { From = joint.Id, To = t })),
        };

    private static string[] Named(TrussScheme scheme, Mechanism mechanism) =>
        [.. mechanism.Joints.Select(j => TrussModel.Of(scheme).Joints[j].Id).Order()];

    [Fact]
    public void A_panel_without_a_diagonal_leans()
    {
        var scheme = Without("J2", "D3");
        var found = Only(scheme);
        Assert.Equal(MovesBecause.Leans, found.Why);
        Assert.Equal(["D2", "D3", "J2", "J3"], Named(scheme, found));
    }

    [Fact]
    public void A_joint_between_two_bars_in_line_is_named()
    {
        var scheme = With(
            new()
            {
                Id = "K1",
                X = 6,
                Z = 4,
            },
            "J1",
            "J2"
        );
        Assert.Equal(MovesBecause.InLine, Only(scheme with { Bars = scheme.Bars.RemoveAt(Bar(TrussModel.Of(scheme), "J1", "J2")) }).Why);
    }

    [Fact]
    public void A_joint_on_one_bar_or_on_none_is_named()
    {
        var one = With(
            new()
            {
                Id = "K1",
                X = 12,
                Z = 7,
            },
            "J3"
        );
        Assert.Equal(MovesBecause.OneBar, Only(one).Why);
        var none = With(
            new()
            {
                Id = "K1",
                X = 12,
                Z = 7,
            }
        );
        var found = Mechanisms.Of(TrussModel.Of(none));
        Assert.Equal(MovesBecause.NotJoined, found[0].Why);
        Assert.Equal("No bar reaches joint K1.", found[0].Words(TrussModel.Of(none)));
        Assert.Equal(2, found.Length);
    }

    [Fact]
    public void Too_few_supports_are_named()
    {
        // With springings the ends of the deck are held upright alone: without a bar to a springing all of it can slide.
        var scheme = Sound with
        {
            Site = Sound.Site with { Springings = 6 },
        };
        var found = Only(scheme);
        Assert.Equal(MovesBecause.NotHeld, found.Why);
        Assert.Equal(Sound.Joints.Length + 7, found.Joints.Length);
    }

    [Fact]
    public void Findings_tell_every_mechanism_with_its_repair()
    {
        var scheme = Without("J2", "D3");
        scheme = scheme with { Bars = scheme.Bars.RemoveAt(Bar(TrussModel.Of(scheme), "D3", "J4")), Grades = [] };
        scheme = scheme with { Bars = [.. scheme.Bars.Select(b => b with { Grade = "S355" })] };
        var found = Faults(scheme).ToList();
        Assert.Equal(2, found.Count);
        Assert.All(found, f => Assert.Equal("/bars/-", f.Repair!.Patch[0].Path));
    }
}
