using Pravik.Core.Checks;
using Pravik.Core.Codes;
using Pravik.Core.Findings;
using Pravik.Core.LoneMembers;
using Pravik.Core.Models;
using static Pravik.Core.Tests.LoneMembers.LoneBeams;

namespace Pravik.Core.Tests.LoneMembers;

/// <summary>Checks of members alone: they are those of bridges, with effects from loads or from tables.</summary>
public class LoneCheckTests
{
    /// <summary>A girder of 0.4 × 1 m with ten strands at 1100 MPa, and a slab of 2 × 0.2 m that is cast on it.</summary>
    private static LoneMember Prestressed =>
        Of(15) with
        {
            Sections = [Rectangle(0.4, 1)],
            Materials = new()
            {
                Concrete = new() { Class = "C50/60" },
                Slab = new() { Class = "C35/45" },
            },
            Slab = new(),
            Strands = new() { EffectiveStress = 1100e6, Rows = [new() { Level = 0.1, Count = 6 }] },
        };

    [Fact]
    public void Strands_press_the_member_alone_and_later_loads_bend_it_with_its_slab()
    {
        var run = new LoneRun(Prestressed.With(Even(20e3)));
        var (force, mid) = (6 * 150e-6 * 1100e6, 7.5);
        var (area, modulus) = (0.4, 0.4 / 6);
        Assert.Equal(-force, run.Effect("Prestress, losses off", GirderEffect.N, mid), 1);
        Assert.Equal(-force * 0.4, run.Effect("Prestress, losses off", GirderEffect.M, mid), 1);
        Assert.Equal(-force / area - force * 0.4 / modulus, run.Effect("Prestress, losses off", GirderEffect.Bottom, mid), 1e3);
        // Straight strands lift it by P·e·L²/(8·EI), less what the force misses where it is being transmitted.
        var lift = force * 0.4 * 225 / (8 * Core.Materials.Concrete.Of(new() { Class = "C50/60" }).Ecm * 0.4 / 12);
        Assert.InRange(run.Effect("Prestress, losses off", GirderEffect.Deflection, mid), 0.98 * lift, lift);
        Assert.Equal(0.2 * 2 * 25e3 * 225 / 8 / modulus, run.Effect("Weight of the slab", GirderEffect.Bottom, mid), 1e3);
        Assert.Equal(0, run.Effect("Weight of the slab", GirderEffect.SlabTop, mid));
        // Later loads act on both: n = E_slab/E, z̄ = (0.4·0.5 + n·0.4·1.1)/(0.4 + n·0.4).
        var n = Core.Materials.Concrete.Of(new() { Class = "C35/45" }).Ecm / Core.Materials.Concrete.Of(new() { Class = "C50/60" }).Ecm;
        var centroid = (0.2 + n * 0.44) / (0.4 + n * 0.4);
        var second = 0.4 / 12 + 0.4 * Math.Pow(centroid - 0.5, 2) + n * (2 * Math.Pow(0.2, 3) / 12 + 0.4 * Math.Pow(1.1 - centroid, 2));
        Assert.Equal(20e3 * 225 / 8 * centroid / second, run.Effect("Case 1", GirderEffect.Bottom, mid), 1e3);
        Assert.Equal(n * 20e3 * 225 / 8 * (centroid - 1.2) / second, run.Effect("Case 1", GirderEffect.SlabTop, mid), 1e3);
        // Prestress takes no part in the effects of the ultimate state.
        Assert.Equal(0, run.Effects.Of(LimitState.Ultimate).Greatest[run.PlaceAt(mid), GirderEffect.N], 1e-6);
        Assert.Contains("release and construction, as the stress after losses is entered", run.Checks.NotChecked);
    }

    /// <summary>
    /// F_Ed = |V_Ed|·cot θ/2 (9.3) at the axis, against six strands whose stress rises over l_pt2 from the end, 0.3 m beyond the support.
    /// </summary>
    [Fact]
    public void Strands_hold_the_soffit_at_the_end_as_far_as_they_are_anchored()
    {
        CheckOutcome End(LoneMember member) =>
            new LoneRun(member).Checks.Outcomes.Where(o => o.Check == "anchorage.end").MaxBy(o => o.Utilisation)!;
        var member = (Prestressed with { Overhang = 0.3, StrutSlope = 2, Bars = [] }).With(Even(20e3));
        var run = new LoneRun(member);
        var outcome = End(member);
        Assert.Equal(run.Greatest(LimitState.Ultimate, GirderEffect.V, 0), outcome.Effect, 1e-3 * outcome.Effect);
        var section = run.Checks.Members[0].Points.First(p => p.Section is not null).Section!;
        var length = Core.Checks.En1992.StrandAnchorage.Of(section.Strands[0], member.Basis.Values).Transmission;
        Assert.InRange(length, 0.4, 2);
        Assert.Equal(6 * 150e-6 * 1100e6 * 0.3 / length, outcome.Resistance, 1.0);
        // Farther beyond the support more is anchored; at its very end nothing.
        Assert.True(End(member with { Overhang = 0.5 }).Resistance > 1.6 * outcome.Resistance);
        Assert.Equal(99, End(member with { Overhang = 0 }).Utilisation);
    }

    /// <summary>
    /// Frequent load model 1 on half a lane, its tandem about the middle: 2·P·a·(3·L² − 4·a²)/(48·EI) with P = 0.5·0.75·300 kN, a = L/2 − 0.6 m, and
    /// 5·q·L⁴/(384·EI) with q = 0.5·0.4·27 kN/m; against L/800. Without a limit it is said that nothing was checked.
    /// </summary>
    [Fact]
    public void Deflection_under_frequent_traffic_by_hand()
    {
        var member = Prestressed with { Slab = null, Traffic = [new() { Model = "LM1", Share = 0.5 }], DeflectionLimit = 800 };
        var run = new LoneRun(member);
        var outcome = run.Checks.Outcomes.Where(o => o.Check == "deflection.traffic").MaxBy(o => o.Utilisation)!;
        var stiffness = Core.Materials.Concrete.Of(new() { Class = "C50/60" }).Ecm * 0.4 / 12;
        var (force, load, a) = (0.5 * 0.75 * 300e3, 0.5 * 0.4 * 27e3, 7.5 - 0.6);
        var deflection = 2 * force * a * (3 * 225 - 4 * a * a) / (48 * stiffness) * 2 / 2 + 5 * load * Math.Pow(15, 4) / (384 * stiffness);
        Assert.Equal(-deflection, outcome.Effect, 5e-3 * deflection);
        Assert.Equal(15.0 / 800, outcome.Resistance, 1e-12);
        Assert.Contains("deflection under frequent traffic", run.Checks.Checked);
        var without = new LoneRun(member with { DeflectionLimit = null }).Checks;
        Assert.Contains("deflections, for which no limit is typed", without.NotChecked);
        var barsAlone = new LoneRun(Of(8).With(Even(5e3)) with { DeflectionLimit = 500 }).Checks;
        Assert.Contains("deflections of members that crack in service", barsAlone.NotChecked);
    }

    [Fact]
    public void More_bars_never_raise_a_utilisation_and_fewer_fail()
    {
        double Worst(int bars, string check)
        {
            var member = Of(8).With(Even(25e3));
            member = member with { Bars = [member.Bars[0] with { Count = bars }, member.Bars[1]] };
            return new LoneRun(member).Checks.Outcomes.Where(o => o.Check == check).Max(o => o.Utilisation);
        }
        foreach (var check in new[] { "bending.sagging", "cracks.soffit", "bars.steel" })
        {
            Assert.True(Worst(4, check) > Worst(5, check));
            Assert.True(Worst(5, check) > Worst(6, check));
        }
        Assert.True(Worst(2, "bending.sagging") > 1);
    }

    [Fact]
    public void Tables_of_effects_give_the_checks_that_the_loads_behind_them_give()
    {
        var loaded = Of(8, 6).With(Even(15e3), Point(5, 30e3));
        var run = new LoneRun(loaded);
        var places = Enumerable.Range(0, run.Places.Places.Length);
        EffectTable Table(LimitState state, bool greatest) =>
            new()
            {
                Name = $"{state} {greatest}",
                State = state,
                M = [.. places.Select(p => run.Effects.Of(state).Side(greatest)[p, GirderEffect.M])],
                V = [.. places.Select(p => run.Effects.Of(state).Side(greatest)[p, GirderEffect.V])],
            };
        LimitState[] states = [LimitState.Ultimate, LimitState.Characteristic, LimitState.Frequent, LimitState.QuasiPermanent];
        var given = new LoneRun(
            loaded with
            {
                Effects = new()
                {
                    At = [.. run.Places.Places.Select(p => p.At)],
                    Combinations = [.. states.SelectMany(s => new[] { Table(s, true), Table(s, false) })],
                },
            }
        );
        Assert.Empty(given.Effects.Cases);
        Assert.Contains("torsion with shear", given.Checks.Checked);
        var alike = given.Checks.Outcomes.Where(o => !o.Check.StartsWith("torsion.", StringComparison.Ordinal)).ToList();
        Assert.Equal(run.Checks.Outcomes.Length, alike.Count);
        foreach (var (a, b) in run.Checks.Outcomes.Zip(alike))
        {
            Assert.Equal(a.Check, b.Check);
            Assert.Equal(a.Utilisation, b.Utilisation, 1e-6);
        }
    }

    [Fact]
    public void A_state_without_tables_is_said_to_be_unchecked()
    {
        var run = new LoneRun(
            Of(8) with
            {
                Effects = new()
                {
                    At = [0, 4, 8],
                    Combinations =
                    [
                        new()
                        {
                            Name = "Ultimate",
                            M = [0, 100e3, 0],
                            T = [20e3, 20e3, 20e3],
                        },
                    ],
                },
            }
        );
        Assert.Contains("the characteristic state, for which no effects are given", run.Checks.NotChecked);
        Assert.Equal(50e3, run.Greatest(LimitState.Ultimate, GirderEffect.M, 2), 1e-3);
        Assert.Contains(run.Checks.Outcomes, o => o.Check == "torsion.weblinks" && o.Utilisation > 0);
    }

    public static TheoryData<string, LoneMember> Wrong =>
        new()
        {
            { "/name", Of(8) with { Name = " " } },
            { "/supports", Of(8) with { Supports = [] } },
            { "/supports", Of(8) with { Supports = [new(), new() { Restraint = Restraint.Free }] } },
            { "/spans/0/length", Of(1e9) },
            { "/supports/1/restraint", Of(8, 8) with { Supports = [new(), new() { Restraint = Restraint.Free }, new()] } },
            { "/materials/concrete/class", Of(8) with { Materials = new() { Concrete = new() { Class = "C200" } } } },
            { "/materials/exposure", Of(8) with { Materials = new() { Exposure = "XQ9" } } },
            { "/bars/0/axisDistance", Of(8) with { Bars = [new() { Count = 4, AxisDistance = -0.02 }] } },
            { "/bars/0/axisDistance", Of(8) with { Bars = [new() { Count = 4, AxisDistance = 0.7 }] } },
            { "/bars/0/count", Of(8) with { Bars = [new() { Count = 30 }] } },
            { "/bars/0/count", Of(8) with { Bars = [new()] } },
            { "/links/0/spacing", Of(8) with { Links = [new() { Spacing = 0.8 }] } },
            {
                "/strands/rows/0/count",
                Of(8) with
                {
                    Strands = new() { EffectiveStress = 1e9, Rows = [new() { Count = 20 }] },
                }
            },
            {
                "/strands/effectiveStress",
                Of(8) with
                {
                    Strands = new() { EffectiveStress = 1.5e9, Rows = [new() { Count = 4 }] },
                }
            },
            {
                "/strands/jackStress",
                Of(8) with
                {
                    Strands = new()
                    {
                        JackStress = 1.6e9,
                        EffectiveStress = 1e9,
                        Rows = [new() { Count = 4 }],
                    },
                }
            },
            {
                "/strands/rows",
                Of(8, 8) with
                {
                    Strands = new() { EffectiveStress = 1e9, Rows = [new() { Count = 4 }] },
                }
            },
            { "/traffic/0/model", Of(8) with { Traffic = [new() { Model = "LM9" }] } },
            { "/traffic/0/model", Of(8) with { Traffic = [new() { Model = "HL-93" }] } },
            { "/cases/0/loads/0/to", Of(8).With(new LoneLoad { From = 5, To = 2 }) },
            { "/cases/0/loads/0/from", Of(8).With(Point(9, 1e3)) },
            {
                "/effects/combinations/0/m",
                Of(8) with
                {
                    Effects = new() { At = [0, 8], Combinations = [new() { Name = "A", M = [1, 2, 3] }] },
                }
            },
            {
                "/effects/at/1",
                Of(8) with
                {
                    Effects = new() { At = [4, 2], Combinations = [new() { Name = "A" }] },
                }
            },
            { "/stretches/0/section", Of(8) with { Stretches = [new() { Section = "Other", To = 2 }] } },
            { "/basis/standard", Of(8) with { Basis = new() { Standard = Standard.Lrfd } } },
        };

    [Theory]
    [MemberData(nameof(Wrong))]
    public void What_is_wrong_is_found_with_its_place(string path, LoneMember member) =>
        Assert.Contains(LoneValidation.Check(member), f => f.Severity >= Severity.Fault && f.Path == path);

    [Fact]
    public void What_is_right_has_no_findings() => Assert.Empty(LoneValidation.Check(Prestressed.With(Even(1e3))));
}
