using Pravik.Core.Bridges;
using Pravik.Core.Codes;
using Pravik.Core.Effects;
using Pravik.Core.Findings;
using Pravik.Core.Loads;
using Pravik.Core.Materials;
using Pravik.Core.Models;
using Pravik.Core.Places;
using Pravik.Core.Stages;
using Pravik.Core.Validation;

namespace Pravik.Core.Tests.Analysis.Stages;

/// <summary>Construction stages and what comes with time, against calculations by hand.</summary>
public sealed class StageTests
{
    private const double Span = 20;

    private static Bridge Beam(params Stage[] stages) =>
        Reading.OnAxes(TestBridges.OneGirder(Span)) with
        {
            Model = new() { Kind = ModelKind.Line },
            Actions = new() { Stages = [.. stages] },
        };

    private static int Middle(ModelResults results, int span = 0) =>
        results.Points.IndexOf(results.Points.First(p => p.Span == span && Math.Abs(p.Fraction - 0.5) < 1e-9));

    private static readonly Stage Girders = new()
    {
        Name = "Girders",
        Day = 28,
        Girders = "all",
    };

    [Fact]
    public void Unpropped_slab_bends_the_girder_alone_and_later_load_the_composite_one()
    {
        var bridge = Beam(
            Girders,
            new()
            {
                Name = "Slab",
                Day = 60,
                Pours = "1",
            },
            new()
            {
                Name = "Later",
                Day = 90,
                Loads = "edges, surfacing",
            }
        );
        var geometry = new BridgeGeometry(bridge);
        var results = ModelRun.Run(geometry);
        var (bare, whole) = (results.Models[0].Sections[0][0]!.Girder, results.Finished.Sections[0][0]!.Composite);
        var slab = results.Cases.First(c => c.Name.StartsWith("Slab", StringComparison.Ordinal));
        var i = Middle(results);
        var moment = slab.Account.Load * Span / 8;
        Assert.Equal(moment, slab.Effects.Forces(i).M, 1e-3 * moment);
        Assert.Equal(
            moment * bare.Centroid / bare.SecondMoment,
            slab.Effects.Stresses(i).Bottom,
            1e-3 * moment * bare.Centroid / bare.SecondMoment
        );
        Assert.Equal(0, slab.Effects.Stresses(i).SlabTop);
        var later = results.Cases.First(c => c.Name == "Surfacing");
        moment = later.Account.Load * Span / 8;
        Assert.Equal(
            moment * whole.Centroid / whole.SecondMoment,
            later.Effects.Stresses(i).Bottom,
            3e-3 * moment * whole.Centroid / whole.SecondMoment
        );
        Assert.True(later.Effects.Stresses(i).SlabTop < 0);
        Assert.Equal(
            5.0 / 384 * slab.Account.Load * Math.Pow(Span, 3) / (results.Models[0].Sections[0][0]!.Modulus * bare.SecondMoment),
            -slab.Effects[i, GirderEffect.Deflection],
            1e-5
        );
    }

    /// <summary>
    /// Propped half way, the girder carries the wet slab over two spans of L/2: M = −w(L/2)²/8 over the prop, which takes 5wL/8. Taken
    /// away, that force acts on the composite section: in all M = wL²/8, of which −wL²/32 is in the girder alone
    /// and 5wL²/32 in the composite section.
    /// </summary>
    [Fact]
    public void Props_hand_their_force_to_the_composite_section()
    {
        var bridge = Beam(
            Girders,
            new()
            {
                Name = "Slab on props",
                Day = 60,
                Props = "1",
                Pours = "1",
            },
            new()
            {
                Name = "Props away",
                Day = 80,
                Releases = "1",
            },
            new()
            {
                Name = "Later",
                Day = 90,
                Loads = "edges, surfacing",
            }
        );
        var results = ModelRun.Run(new(bridge));
        var (slab, away) = (
            results.Cases.First(c => c.Name.StartsWith("Slab", StringComparison.Ordinal)),
            results.Cases.First(c => c.Name == "Props taken away")
        );
        var (i, wl) = (Middle(results), slab.Account.Load);
        Assert.Equal(-wl * Span / 32, slab.Effects.Forces(i).M, 1e-3 * wl * Span / 8);
        Assert.Equal(5 * wl * Span / 32, away.Effects.Forces(i).M, 1e-3 * wl * Span / 8);
        var (bare, whole) = (results.Models[0].Sections[0][0]!.Girder, results.Finished.Sections[0][0]!.Composite);
        var expected = -wl * Span / 32 * bare.Centroid / bare.SecondMoment + 5 * wl * Span / 32 * whole.Centroid / whole.SecondMoment;
        Assert.Equal(expected, slab.Effects.Stresses(i).Bottom + away.Effects.Stresses(i).Bottom, 2e-3 * Math.Abs(expected));
        Assert.Equal(0, away.Up() - 5 * wl / 8, 1e-6 * wl);
    }

    [Fact]
    public void Prestress_of_a_simple_span_has_no_secondary_part_and_one_of_a_continuous_girder_has()
    {
        var results = ModelRun.Run(new(Beam(Girders, new() { Pours = "1", Day = 60 }, new() { Day = 90, Loads = "edges, surfacing" })));
        var prestress = results.Cases.First(c => c.Name == "Prestress");
        var (bridge, i) = (Beam(), Middle(results));
        var force =
            bridge.Girders.Types[0].Strands.Rows.Sum(r => r.Count)
            * PrestressingSteel.Of(bridge.Materials.Strand).Area
            * bridge.Girders.Types[0].Strands.EffectiveStress!.Value;
        var level =
            bridge.Girders.Types[0].Strands.Rows.Sum(r => r.Count * r.Level) / bridge.Girders.Types[0].Strands.Rows.Sum(r => r.Count);
        for (var p = 0; p < results.Points.Length; p++)
            Assert.Equal(0, prestress.Secondary!.Forces(p).M, 1e-6 * force);
        Assert.Equal(-force, prestress.Effects.Forces(i).N, 1e-9 * force);
        var centroid = results.Models[0].Sections[0][0]!.Girder.Centroid;
        Assert.Equal(-force * (centroid - level), prestress.Effects.Forces(i).M, 1e-9 * force);
        // Camber of a free girder under P·e over its length between the gaps.
        var section = results.Models[0].Sections[0][0]!;
        var camber = force * (centroid - level) * Span * Span / 8 / (section.Modulus * section.Girder.SecondMoment);
        Assert.Equal(camber, prestress.Effects[i, GirderEffect.Deflection], 0.01 * camber);
        // Joined first, then prestressed: not how such girders are built, but it must bend the pair about its pier by 1.5·P·e.
        var pair = TestBridges.OneGirder(Span, Span) with
        {
            Model = new() { Kind = ModelKind.Line },
        };
        var joined = ModelRun.Run(
            new(
                pair with
                {
                    Girders = pair.Girders with { EndGap = 0 },
                    Actions = new()
                    {
                        Stages =
                        [
                            new()
                            {
                                Name = "Whole",
                                Girders = "all",
                                Joins = "all",
                                Day = 28,
                            },
                            new() { Day = 90 },
                        ],
                    },
                }
            )
        );
        Assert.Equal(
            0,
            joined
                .Cases.First(c => c.Name == "Prestress")
                .Secondary!.Forces(joined.Points.IndexOf(joined.Points.First(p => p.Span == 1)))
                .M,
            1e-3 * force
        );
    }

    /// <summary>
    /// Two simple spans of one section and one kind of concrete, joined on day t₁. Let M_el be the moment over the pier of the
    /// structure cast in one, −wL²/8. Free creep after t₁ turns each girder's end over the pier by Δφ·θ, θ = wL³/24EI, in opposite
    /// senses. A moment M_r
    /// that grows meanwhile turns it back by M_r·L/(3EI)·(1 + χφ). Both ends stay together: Δφ·wL³/24EI + M_r·L·(1 + χφ)/(3EI) = 0, so
    /// M_r = −Δφ/(1 + χφ)·wL²/8 = Δφ/(1 + χφ)·M_el; with Δφ = φ this is φ/(1 + χφ). Here Δφ = φ(t, t_g) − φ(t₁, t_g) for weight
    /// that acts since t_g, and φ = φ(t, t₁).
    /// </summary>
    [Fact]
    public void Creep_after_joining_moves_moments_towards_those_of_the_structure_cast_in_one()
    {
        var pair = Reading.OnAxes(TestBridges.OneGirder(Span, Span)) with
        {
            Model = new() { Kind = ModelKind.Line, Divisions = 40 },
        };
        var bridge = pair with
        {
            Girders = pair.Girders.Typed(t => t with { Strands = new() { Rows = [] } }),
            Actions = new()
            {
                Stages =
                [
                    new()
                    {
                        Name = "Girders",
                        Day = 28,
                        Girders = "all",
                    },
                    new()
                    {
                        Name = "Joined",
                        Day = 60,
                        Joins = "all",
                    },
                    new() { Name = "Stiff", Day = 67 },
                ],
            },
        };
        var geometry = new BridgeGeometry(bridge);
        var results = ModelRun.Run(geometry);
        var section = geometry.SectionOf(geometry.Girders[0], 0);
        var creep = new Creep(
            Concrete.Of(bridge.Girders.Types[0].Concrete),
            bridge.Actions.Humidity,
            2 * section.Properties.GrossArea / section.Properties.Perimeter,
            bridge.Actions.Cement
        );
        var (delta, phi) = (creep.At(36500, 28) - creep.At(67, 28), creep.At(36500, 67));
        var inOne = -geometry.GirderWeight(geometry.Girders[0], 0) * Span * Span / 8;
        var pier = results.Points.IndexOf(results.Points.First(p => p.Span == 1));
        var moved = results.Find(CaseId.Creep(1))!.Effects;
        Assert.Equal(delta / (1 + 0.8 * phi) * inOne, moved.Forces(pier).M, 2e-3 * Math.Abs(inOne));
        // Restraint runs straight to nothing at the ends.
        Assert.Equal(moved.Forces(pier).M / 2, moved.Forces(Middle(results)).M, 1e-3 * Math.Abs(inOne));
        // Shrinkage of one concrete restrains nothing in girders that are free to shorten.
        Assert.Equal(0, results.Find(CaseId.Shrinkage(1))!.Effects.Forces(pier).M, 1e-3 * Math.Abs(inOne));
    }

    /// <summary>Prestress makes girders creep upward: joined, they get sagging moments over the pier.</summary>
    [Fact]
    public void Creep_of_prestress_sags_over_the_pier_and_that_of_weight_hogs()
    {
        var results = ModelRun.Run(new(TestBridges.OneType));
        var pier = results.Points.IndexOf(results.Points.First(p => p.Girder == 2 && p.Span == 1));
        double Creep(Func<Bridge, Bridge> edit) =>
            ModelRun.Run(new(edit(TestBridges.OneType)), withTraffic: false).Sum(ActionKind.Creep, pier);
        var without = Creep(b => b with { Girders = b.Girders.Typed(t => t with { Strands = t.Strands with { EffectiveStress = 0 } }) });
        Assert.True(without < 0, $"{without}");
        Assert.True(results.Sum(ActionKind.Creep, pier) > without);
        Assert.True(results.Find(CaseId.Creep(2))!.Account.Imbalance < 1e-8);
    }

    /// <summary>
    /// A slab that shrinks over a girder which does not: N = Ē_s·A_s·ε in the slab while held, let go on the composite section, which
    /// sags.
    /// </summary>
    [Fact]
    public void Differential_shrinkage_against_the_hand_calculation()
    {
        var results = ModelRun.Run(new(Beam(Girders, new() { Day = 60, Pours = "1" }, new() { Day = 90, Loads = "edges, surfacing" })));
        var (shrinkage, i) = (results.Find(CaseId.Shrinkage(1))!, Middle(results));
        var section = results.Models[shrinkage.Model].Sections[0][0]!;
        double Value(string symbol) => results.TimeValues.First(v => v.Symbol == symbol).Value / 1000;
        var (girder, slab) = (-Value("ε_cs,girder"), -Value("ε_cs,slab"));
        var (area, haunch) = (
            section.Ratio * section.SlabWidth * section.SlabThickness,
            section.Ratio * section.HaunchWidth * section.Haunch
        );
        var whole = section.Composite;
        var axial = (girder * section.Girder.Area + slab * (area + haunch)) / whole.Area;
        var curvature =
            (
                girder * section.Girder.Area * (whole.Centroid - section.Girder.Centroid)
                + slab
                    * (area * (whole.Centroid - section.SlabMiddle) + haunch * (whole.Centroid - section.Girder.Depth - section.Haunch / 2))
            ) / whole.SecondMoment;
        Assert.Equal(section.Modulus * (axial + curvature * whole.Centroid - girder), shrinkage.Effects.Stresses(i).Bottom, 1e3);
        Assert.Equal(
            -curvature * Span * Span / 8,
            shrinkage.Effects[i, GirderEffect.Deflection],
            1e-3 * Math.Abs(curvature) * Span * Span / 8
        );
        Assert.True(shrinkage.Effects.Stresses(i).SlabTop > 0, "a slab that shrinks more is in tension");
    }

    [Theory]
    [InlineData("1", "", "", "never set")]
    [InlineData("all", "all", "surfacing", "not stiff")]
    [InlineData("all", "x", "", "does not name")]
    [InlineData("all", "all", "snow", "not a load")]
    public void Bad_stages_are_refused_with_their_place(string girders, string pours, string loads, string reason)
    {
        var bridge = TestBridges.OneGirder(Span, Span) with
        {
            Actions = new()
            {
                Stages =
                [
                    new()
                    {
                        Girders = girders,
                        Pours = pours,
                        Loads = loads,
                    },
                ],
            },
        };
        var finding = Assert.Single(
            BridgeValidation.Check(bridge),
            f => f.Severity == Severity.Error && f.Message.Contains(reason, StringComparison.Ordinal)
        );
        Assert.StartsWith("/actions/stages", finding.Path, StringComparison.Ordinal);
    }

    [Fact]
    public void Slabs_cast_span_by_span_put_later_pours_on_what_is_stiff()
    {
        var demo = TestBridges.OneType;
        var results = ModelRun.Run(new(demo with { Actions = new() { Stages = Stage.SpanBySpan(3) } }));
        Assert.Equal(
            ["Slab, cast in span 1", "Slab, cast in span 2", "Slab, cast in span 3"],
            results.Cases.Where(c => c.Name.StartsWith("Slab", StringComparison.Ordinal)).Select(c => c.Name)
        );
        // Simple spans: a pour bends its own span only, and on the bare girder.
        var second = results.Cases.First(c => c.Name == "Slab, cast in span 2");
        var inOne = ModelRun.Run(new(demo)).Cases.First(c => c.Name.StartsWith("Slab", StringComparison.Ordinal));
        for (var i = 0; i < results.Points.Length; i++)
            Assert.Equal(
                results.Points[i].Span == 1 ? inOne.Effects.Forces(i).M : 0,
                second.Effects.Forces(i).M,
                0.01 * Math.Abs(inOne.Effects.Forces(i).M) + 2e3
            );
    }

    /// <summary>
    /// A plate girder in one piece over two spans is continuous from the first: −wL²/8 over the pier under its own weight, in the
    /// section of steel alone; and steel neither creeps nor shrinks.
    /// </summary>
    [Fact]
    public void Girders_of_steel_in_one_piece_are_continuous_from_the_first()
    {
        var bridge = Reading.OnAxes(TestBridges.OneGirder(Span, Span)) with { Model = new() { Kind = ModelKind.Line } };
        bridge = bridge with
        {
            Sections = [new() { Name = "Plate girder", Family = "plateGirder" }],
            Girders = bridge.Girders with { RunsOn = true },
        };
        var geometry = new BridgeGeometry(bridge);
        Assert.Null(ModelRun.Refusal(bridge));
        var results = ModelRun.Run(geometry);
        var (pier, girders) = (
            results.Points.IndexOf(results.Points.First(p => p.Span == 1)),
            results.Cases.First(c => c.Name == CaseNames.Girders)
        );
        var exact = -geometry.GirderWeight(geometry.Girders[0], 0) * Span * Span / 8;
        Assert.Equal(exact, girders.Effects.Forces(pier).M, 1e-3 * -exact);
        var section = results.Models[1].Sections[0][0]!;
        Assert.Equal(StructuralSteel.Of(bridge.Materials.Structural).E, section.Modulus);
        Assert.Equal(
            exact * section.Girder.Centroid / section.Girder.SecondMoment,
            girders.Effects.Stresses(pier).Bottom,
            2e-3 * -exact * section.Girder.Centroid / section.Girder.SecondMoment
        );
        Assert.DoesNotContain(results.Cases, c => c.Name == CaseNames.Prestress);
        // A slab warmer than the steel: what the free section would curve by is held over the pier of two equal spans.
        var whole = results.Finished.Sections[0][5]!;
        var made = geometry.SectionOf(geometry.Girders[0], 0);
        var strain = TemperatureProfile.Strain(whole, true, geometry.Units[0].Pattern.Surfacing, true, ModelBuilder.Expansion);
        var curvature = new ImposedStrain(whole, made, strain.Girder, strain.Slab, strain.Corners).Whole.Curvature;
        Assert.True(curvature < 0, "warm on top, it hogs");
        Assert.Equal(
            -1.5 * whole.Modulus * whole.Composite.SecondMoment * curvature,
            results.Find(CaseId.Heating)!.Effects.Forces(pier).M,
            3e-3 * 1.5 * whole.Modulus * whole.Composite.SecondMoment * -curvature
        );
        Assert.Equal(0, results.TimeValues.Count(v => double.IsNaN(v.Value)));
    }

    /// <summary>
    /// A parabolic tendon that runs on over the pier of two equal spans, anchored in the centroid and there over the pier too, hangs by
    /// f: it lifts with w = 8Pf/L², whose moment over the pier is +wL²/8 = P·f on a beam of two spans. Its
    /// eccentricity over the pier being 0, all of that is secondary. Where a girder's centroid lies e higher than the anchorage, the
    /// even moment −P·e over both spans adds 1.5·P·e over the pier.
    /// </summary>
    [Theory]
    [InlineData(ModelKind.Line)]
    [InlineData(ModelKind.Grillage)]
    [InlineData(ModelKind.Shells)]
    public void A_tendon_over_a_pier_has_the_secondary_moment_of_its_lift(ModelKind kind)
    {
        var pair = TestBridges.Symmetric(0, Span, Span);
        pair = pair with
        {
            Model = new() { Kind = kind, Divisions = 40 },
            Girders = pair.Girders.Typed(t => t with { Strands = new() { Rows = [] } }),
        };
        var centroid = ModelRun.Run(new(pair)).Finished.Sections[0][5]!.Composite.Centroid;
        const double Sag = 0.4;
        var bridge = pair with
        {
            Girders = pair.Girders with
            {
                Tendons =
                [
                    new()
                    {
                        Name = "Cable",
                        EffectiveStress = 1100e6,
                        Points =
                        [
                            new() { Level = centroid },
                            new() { At = 0.5, Level = centroid - Sag },
                            new()
                            {
                                At = 1,
                                Level = centroid,
                                Kink = true,
                            },
                            new()
                            {
                                Span = 2,
                                At = 0.5,
                                Level = centroid - Sag,
                            },
                            new()
                            {
                                Span = 2,
                                At = 1,
                                Level = centroid,
                            },
                        ],
                    },
                ],
            },
            Actions = new()
            {
                Stages = [.. Stage.Usual(2).Select(s => s.Name == "Edges and parapets" ? s with { Loads = "edges, Cable" } : s)],
            },
        };
        Assert.DoesNotContain(BridgeValidation.Check(bridge), f => f.Severity == Severity.Error);
        var results = ModelRun.Run(new(bridge));
        var (cable, pier) = (results.Cases.First(c => c.Name == "Cable"), results.Points.IndexOf(results.Points.First(p => p.Span == 1)));
        var pull = 12 * PrestressingSteel.Of(bridge.Materials.Strand).Area * 1100e6;
        var (girders, sections) = (results.Finished.GirderBeams.Length, results.Finished.Sections);
        var each = results.Points.Length / girders;
        for (var g = 0; g < girders; g++)
        {
            var exact = pull * (Sag + 1.5 * (sections[g][5]!.Composite.Centroid - centroid));
            Assert.Equal(exact, cable.Secondary!.Forces(pier + g * each).M, (kind == ModelKind.Line ? 2e-3 : 0.01) * exact);
        }
        // Nothing holds the deck along: what is left of axial forces is shared among girders, and none in all.
        Assert.Equal(0, Enumerable.Range(0, girders).Sum(g => cable.Secondary!.Forces(pier - 20 + g * each).N), 0.02 * pull);
        var middle = results.Points.IndexOf(results.Points.First(p => Math.Abs(p.Fraction - 0.5) < 1e-9));
        Assert.Equal(-pull * Sag, cable.Effects.Forces(middle).M - cable.Secondary!.Forces(middle).M, 1e-6 * pull);
        Assert.Contains(
            BridgeValidation.Check(bridge with { Actions = new() }),
            f => f.Message.Contains("“Cable” is put on in no stage", StringComparison.Ordinal)
        );
    }
}
