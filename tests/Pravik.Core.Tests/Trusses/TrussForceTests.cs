using CsCheck;
using Pravik.Core.Calculations;
using Pravik.Core.Frames;
using Pravik.Core.Trusses;
using Pravik.Core.Units;
using static Pravik.Core.Tests.Trusses.TestTrusses;

namespace Pravik.Core.Tests.Trusses;

/// <summary>Forces in bars by joints, by sections and by the force method; influence lines; equilibrium.</summary>
public class TrussForceTests
{
    private const int Digits = 9;

    [Fact]
    public void Warren_of_two_panels_by_joints()
    {
        // 12 m, 3 m deep: diagonals at 45 degrees. Load at the middle: half of it to each support.
        var forces = Forces(Drawn(Site(12, 2), FormKind.Warren, 3));
        Assert.Equal(-Math.Sqrt(0.5), Unit(forces, 1, "D0", "J1"), Digits);
        Assert.Equal(0.5, Unit(forces, 1, "D0", "D1"), Digits);
        Assert.Equal(-1, Unit(forces, 1, "J1", "J2"), Digits);
        Assert.Equal(Math.Sqrt(0.5), Unit(forces, 1, "J1", "D1"), Digits);
    }

    [Fact]
    public void Pratt_of_four_panels_by_sections()
    {
        // Panels of 5 m, 4 m deep; load at D2, R = 0.5. Chords by moments about D2 and J1, the diagonal by shear.
        var forces = Forces(Drawn(Site(20, 4), FormKind.Pratt, 4));
        var slope = Math.Sqrt(41) / 4;
        Assert.Equal(-0.5 * 10 / 4, Unit(forces, 2, "J1", "J2"), Digits);
        Assert.Equal(0.5 * 5 / 4, Unit(forces, 2, "D1", "D2"), Digits);
        Assert.Equal(0.5 * slope, Unit(forces, 2, "J1", "D2"), Digits);
        Assert.Equal(-0.5 * slope, Unit(forces, 2, "D0", "J1"), Digits);
        Assert.Equal(0, Unit(forces, 2, "D1", "J1"), Digits);
        Assert.Equal(1, Unit(forces, 1, "D1", "J1"), Digits);
    }

    [Fact]
    public void Halves_of_a_K_share_the_shear()
    {
        // Panels of 4 m, 6 m deep: half diagonals 3 up and 4 along. Load at D3: shear of 0.5 in the second panel.
        var scheme = Drawn(Site(24, 6), FormKind.K, 6);
        var middle = scheme.Joints.First(j => j is { X: 8, Z: 3 }).Id;
        var above = scheme.Joints.First(j => j is { X: 4, Z: 6 }).Id;
        var forces = Forces(scheme);
        Assert.Equal(0.25 / 0.6, Unit(forces, 3, above, middle), Digits);
        Assert.Equal(-0.25 / 0.6, Unit(forces, 3, "D1", middle), Digits);
    }

    [Fact]
    public void Influence_lines_of_a_Warren_by_hand()
    {
        // 24 m in four panels, 4 m deep. Chord over D2: −M/h of a simple beam; first diagonal by the shear of the first panel.
        var forces = Forces(Drawn(Site(24, 4), FormKind.Warren, 4));
        double[] chord = [0, -0.75, -1.5, -0.75, 0];
        double[] diagonal = [0, -0.75, -0.5, -0.25, 0];
        for (var d = 0; d <= 4; d++)
        {
            Assert.Equal(chord[d], Unit(forces, d, "J2", "J3"), Digits);
            Assert.Equal(diagonal[d] * 5 / 4, Unit(forces, d, "D0", "J1"), Digits);
        }
    }

    [Fact]
    public void Crossed_panel_by_the_force_method()
    {
        // 4 by 3, six bars of one section, load down at C over the roller. Base without BD: BC = −1. A unit in BD gives 1 in AC, −0.8 in the
        // long and −0.6 in the short sides, so X = −Σ N0·n·L / Σ n²·L = −1.8/17.28.
        var section = BarCatalogue.Families[1].Sections[0];
        var grade = BarCatalogue.Grades[2];
        (int, int)[] pairs = [(0, 1), (1, 2), (2, 3), (3, 0), (0, 2), (1, 3)];
        TrussModel model = new()
        {
            Joints = [Joint("A", 0, 0, JointHold.Both), Joint("B", 4, 0, JointHold.Upright), Joint("C", 4, 3), Joint("D", 0, 3)],
            Bars = [.. pairs.Select(p => new ModelBar(p.Item1, p.Item2, section, grade))],
            Deck = [2],
            DeckWeight = [0],
            Positions = [],
            Rules = Plain,
        };
        var forces = TrussForces.Of(model)!.Influence[0];
        var x = -1.8 / 17.28;
        double[] expected = [-0.8 * x, -1 - 0.6 * x, -0.8 * x, -0.6 * x, x, x];
        for (var b = 0; b < 6; b++)
            Assert.Equal(expected[b], forces[b], Digits);
    }

    [Theory]
    [InlineData(FormKind.DeckArch)]
    [InlineData(FormKind.Stayed)]
    [InlineData(FormKind.K)]
    public void Forces_and_movements_agree_with_the_solver_of_frames(FormKind kind)
    {
        var site = Site(48, 8) with { DeckWeight = 4000 };
        site = kind switch
        {
            FormKind.DeckArch => site with { Springings = 10 },
            FormKind.Stayed => site with { LeftAnchor = 14, RightAnchor = 12 },
            _ => site,
        };
        var scheme = TrussForms
            .Draw(
                TrussScheme.New(site),
                new()
                {
                    Kind = kind,
                    Depth = kind == FormKind.Stayed ? 11 : 2,
                    Rise = 3,
                }
            )
            .Scheme!;
        var frame = TrussFrame.Of(scheme);
        var results = new FrameAnalysis(frame).Solve();
        var forces = Forces(scheme);
        var most = forces.Model.Positions.MaxBy(p => p.Loads.Sum())!;
        double[][] expected = [forces.Weight, forces.Under(most.Loads.AsSpan())];
        double[][] moves = [forces.WeightMovements, forces.MovementsUnder(most.Loads.AsSpan())];
        for (var c = 0; c < 2; c++)
        {
            for (var b = 0; b < expected[c].Length; b++)
                Assert.Equal(expected[c][b], results.Cases[c].Beams[b].N[0], 1e-6 * expected[c].Max(Math.Abs));
            for (var j = 0; j < forces.Model.Joints.Length; j++)
                Assert.Equal(moves[c][2 * j + 1], results.Cases[c].Displacements[j][2], 1e-6 * moves[c].Max(Math.Abs));
        }
    }

    [Fact]
    public void Every_form_stands_and_its_reactions_balance_what_loads_it()
    {
        var forms = Gen.Enum<FormKind>().Select(Gen.Int[4, 13], Gen.Double[2, 8], Gen.Bool);
        forms.Sample(
            (kind, panels, depth, isBelow) =>
            {
                var site = Site(6.0 * panels, panels) with { Springings = 30, LeftAnchor = 20, RightAnchor = 20 };
                TrussForm form = new()
                {
                    Kind = kind,
                    Depth = depth,
                    Rise = depth / 2,
                    IsBelow = isBelow && kind is not (FormKind.Bowstring or FormKind.Stayed),
                };
                var site2 = kind == FormKind.DeckArch ? site : site with { Springings = null };
                var scheme = TrussForms.Draw(TrussScheme.New(site2 with { DeckWeight = 5000 }), form).Scheme!;
                Assert.Empty(Faults(scheme));
                var forces = Forces(scheme);
                double[] loads = [.. Enumerable.Range(0, panels + 1).Select(i => 1000.0 * (i + 1))];
                var reactions = forces.Reactions(loads, 1.35);
                var up = reactions.Sum(r => r.Up);
                var weight = -TrussForces.WeightLoads(forces.Model).Where((_, i) => i % 2 == 1).Sum();
                Assert.Equal(loads.Sum() + 1.35 * weight, up, 1e-6 * up);
                Assert.Equal(0, reactions.Sum(r => r.Along), 1e-6 * up);
            },
            iter: 60
        );
    }

    [Fact]
    public void The_calculation_of_a_bar_leads_to_its_results()
    {
        // Two panels of 6 m and 3 m deep: 20 kN/m² on 7 m wide, half of it to a plane; one axle of 100 kN in each of two lanes.
        var scheme = Drawn(Site(12, 2) with { DeckWeight = 20e3 }, FormKind.Warren, 3) with
        {
            Rules = Plain with { Permanent = 1.35, Traffic = 1.5 },
            Vehicles = [new() { Axles = [new(100e3, 0)] }],
        };
        var results = TrussResults.Of(TrussModel.Of(scheme))!;
        var calculation = new Calculation("", UnitSystem.Metric);
        BarCalculation.Write(scheme, results, Bar(results.Forces.Model, "D0", "J1"), calculation);
        string Value(string symbol) => calculation.Lines.First(l => l.Symbol == symbol).Value.Replace('−', '-');
        // The middle joint bears 20·3.5·6 = 420 kN, half of it goes to each end: √2·210. Of the axle √2·50 where it stands on the middle.
        Assert.Equal(-Math.Sqrt(2) * 210, double.Parse(Value("N_G")), 0.05);
        Assert.Equal(-Math.Sqrt(2) * 50, double.Parse(Value("N_Q,c")), 0.05);
        Assert.Equal(-Math.Sqrt(2) * (1.35 * 210 + 1.5 * 50), double.Parse(Value("N_Ed,c")), 0.05);
        var ratio = double.Parse(Value("N_Ed,c")) / -double.Parse(Value("N_b,Rd"));
        Assert.Equal(ratio, double.Parse(Value("N_Ed,c/N_b,Rd")), 2e-3);
        Assert.DoesNotContain(calculation.Lines, l => l.Symbol == "N_Ed,t");
    }

    [Fact]
    public void Positions_of_a_vehicle_hold_the_worst_of_a_fine_sweep()
    {
        var scheme = Drawn(Site(40, 8), FormKind.Parker, 6, 2) with
        {
            Vehicles = [new() { Axles = [new(60e3, 0), new(90e3, 3.6), new(90e3, 1.3)] }],
        };
        var results = TrussResults.Of(TrussModel.Of(scheme))!;
        var places = new SitePlaces(scheme.Site);
        var (most, least) = (new double[results.Bars.Length], new double[results.Bars.Length]);
        foreach (var isAhead in new[] { true, false })
        {
            for (var x = -6.0; x <= 46; x += 0.01)
            {
                var at = results.Forces.Under(VehiclePositions.Loads(places, scheme.Vehicles[0], isAhead, x).AsSpan());
                for (var b = 0; b < at.Length; b++)
                    (most[b], least[b]) = (Math.Max(most[b], at[b]), Math.Min(least[b], at[b]));
            }
        }
        for (var b = 0; b < most.Length; b++)
        {
            Assert.InRange(results.Bars[b].Most, most[b] - 1e-3, most[b] * 1.002 + 1e-3);
            Assert.InRange(-results.Bars[b].Least, -least[b] - 1e-3, -least[b] * 1.002 + 1e-3);
        }
    }
}
