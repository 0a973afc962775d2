using Pravik.Core.Checks.En1992;
using Pravik.Core.LoneMembers;
using Pravik.Core.Members;
using static Pravik.Core.Tests.LoneMembers.LoneBeams;

namespace Pravik.Core.Tests.Design;

/// <summary>Axial force against moment at its corners, and strains and stresses over a section, by closed forms and by fibres.</summary>
public sealed class SectionStateTests
{
    private const double Fcd = 17e6;
    private const double Fyd = 500e6 / 1.15;
    private static readonly double Bars = 4 * Math.PI * 1e-4;

    /// <summary>300 × 600 in C30/37 with four bars of 20 mm at 50 mm from either face.</summary>
    private static MemberSection Column =>
        HandMember.Rectangle() with
        {
            Bars =
            [
                new("bars", 0.05, Bars, HandMember.Steel) { Diameter = 0.02 },
                new("bars", 0.55, Bars, HandMember.Steel) { Diameter = 0.02, IsTop = true },
            ],
        };

    /// <summary>
    /// Pressed evenly: f_cd·b·h and the bars at ε_c2, 400 MPa less the concrete they displace. Pulled evenly: 2·A_s·f_yd. About the
    /// middle neither has a moment, and both sides are alike.
    /// </summary>
    [Fact]
    public void Axial_force_and_moment_at_the_corners()
    {
        var line = new BendingResistance(HandMember.Recommended).Interaction(Column, 0.3);
        var pressed = line.MinBy(p => p.Axial);
        Assert.Equal(-(Fcd * 0.18 + 2 * Bars * (400e6 - Fcd)), pressed.Axial, 1e3);
        Assert.Equal(0, pressed.Moment, 200.0);
        var pulled = line.MaxBy(p => p.Axial);
        Assert.Equal(2 * Bars * Fyd, pulled.Axial, 1e3);
        Assert.Equal(0, pulled.Moment, 200.0);
        Assert.Equal(line.Max(p => p.Moment), -line.Min(p => p.Moment), 1.0);
        // Once around: it ends where it began.
        Assert.Equal(line[0].Axial, line[^1].Axial, 1.0);
        Assert.Equal(line[0].Moment, line[^1].Moment, 500.0);
    }

    /// <summary>
    /// Balanced: x = d·ε_cu2/(ε_cu2 + f_yd/E_s), N = 0.8095·f_cd·b·x − A_s·f_cd; M by the parabola's middle at 0.41597·x.
    /// </summary>
    [Fact]
    public void The_balanced_point()
    {
        var x = 0.55 * 3.5 / (3.5 + Fyd / 200e9 * 1e3);
        var concrete = 17.0 / 21 * Fcd * 0.3 * x;
        var axial = concrete - Bars * Fcd;
        var state = new BendingResistance(HandMember.Recommended).At(Column, Bending.Sagging, -axial, 0.3)!;
        Assert.Equal(x, state.NeutralAxis, 1e-6);
        var moment = concrete * (0.3 - 0.4159663 * x) + Bars * (Fyd - Fcd) * 0.25 + Bars * Fyd * 0.25;
        Assert.Equal(moment, state.Moment, 50.0);
        // Beyond it, with the neutral axis outside: more compression, and still in balance.
        var far = new BendingResistance(HandMember.Recommended).At(Column, Bending.Sagging, -3.8e6, 0.3)!;
        Assert.True(far.NeutralAxis > 0.6);
        Assert.Equal(3.8e6, far.Concrete.Sum(c => c.Force) - far.Steel.Sum(s => s.Force), 10.0);
        Assert.Null(new BendingResistance(HandMember.Recommended).At(Column, Bending.Sagging, -5e6, 0.3));
    }

    /// <summary>What the profiles and the steel add up to, fibre by fibre, is the force and the moment that act.</summary>
    [Fact]
    public void Stresses_over_a_section_balance_what_acts()
    {
        var run = new LoneRun(Of(8).With(Even(30e3)));
        var member = run.Checks.Members[0];
        var point = member.Points.MinBy(p => Math.Abs(p.Distance - 4))!;
        var states = new SectionStates(member, point);
        foreach (var (id, _) in SectionStates.Kinds.Where(k => k.Id.EndsWith("sagging", StringComparison.Ordinal)))
        {
            var state = states.Of(id)!;
            Assert.True(state.IsCracked);
            var (force, moment) = (state.Steel.Sum(s => s.Force), state.Steel.Sum(s => s.Force * s.Height));
            // At the resistance bars displace the concrete that they lie in.
            foreach (var steel in state.Steel.Where(_ => id.StartsWith("ultimate", StringComparison.Ordinal)))
            {
                var around = state.Concrete[0].Points.MinBy(p => Math.Abs(p.Height - steel.Height)).Stress;
                (force, moment) = (force - steel.Area * around, moment - steel.Area * around * steel.Height);
            }
            var outline = point.Section!.Concrete[0].Outline;
            var points = state.Concrete[0].Points;
            for (var i = 0; i + 1 < points.Length; i++)
            {
                // Straight between two heights: a trapezium of stress, a hundred fibres each.
                for (var k = 0; k < 100; k++)
                {
                    var t = (k + 0.5) / 100;
                    var y = points[i].Height + t * (points[i + 1].Height - points[i].Height);
                    var f = (points[i].Stress + t * (points[i + 1].Stress - points[i].Stress)) * outline.WidthAt(y);
                    f *= (points[i + 1].Height - points[i].Height) / 100;
                    (force, moment) = (force + f, moment + f * y);
                }
            }
            // Chords of the parabola are a little short; in service stress is straight.
            var tolerance = id.StartsWith("ultimate", StringComparison.Ordinal) ? 5e-3 : 1e-4;
            var scale = state.Steel.Sum(s => Math.Abs(s.Force));
            Assert.Equal(0, (force - state.Axial) / scale, tolerance);
            Assert.Equal(1, (state.Axial * point.AxialHeight - moment) / state.Moment, tolerance);
        }
        Assert.All(states.Acting(), a => Assert.Equal(0, a.Axial, 1e-6));
    }
}
