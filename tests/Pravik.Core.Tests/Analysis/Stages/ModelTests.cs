using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Effects;
using Pravik.Core.Models;
using Pravik.Core.Places;
using Pravik.Core.Stages;
using Pravik.Core.Validation;

namespace Pravik.Core.Tests.Analysis.Stages;

/// <summary>Models made of bridges, against statics, against each other and against the everyday grillage.</summary>
public sealed class ModelTests
{
    private static ModelResults Run(Bridge bridge) => ModelRun.Run(new(bridge));

    private static Bridge With(Bridge bridge, ModelKind kind, ModelSupports supports = ModelSupports.Simple, int divisions = 20) =>
        bridge with
        {
            Model = bridge.Model with { Kind = kind, Supports = supports, Divisions = divisions },
        };

    private static double At(ModelResults results, string id, int girder, int span, double fraction, Func<SectionForces, double> of)
    {
        var i = results.Points.IndexOf(
            results.Points.First(p => p.Girder == girder && p.Span == span && Math.Abs(p.Fraction - fraction) < 1e-9)
        );
        // Creep and shrinkage come in intervals of time, numbered.
        return results.Cases.Where(c => c.Id.Value.TrimEnd([.. "0123456789"]) == id || c.Id.Value == id).Sum(c => of(c.Effects.Forces(i)));
    }

    [Theory]
    [InlineData(ModelKind.Line, 0.001)]
    [InlineData(ModelKind.Grillage, 0.001)]
    [InlineData(ModelKind.Shells, 0.004)]
    public void Bare_girders_are_simple_spans_in_every_model(ModelKind kind, double tolerance)
    {
        var geometry = new BridgeGeometry(With(TestBridges.OneType, kind));
        var results = ModelRun.Run(geometry);
        foreach (var (girder, span) in geometry.Pieces)
        {
            var (w, l) = (geometry.GirderWeight(girder, span), girder.SpanLength(span));
            // From bearing to bearing; half way between the axes.
            var (start, end) = Reading.Insets(geometry, girder, span);
            var exact = w * (l / 2 - start) * (l / 2 - end) / 2;
            Assert.Equal(exact, At(results, "stage1.1", girder.Number - 1, span, 0.5, f => f.M), tolerance * w * l * l / 8);
            Assert.Equal(0, At(results, "stage1.1", girder.Number - 1, span, 0, f => f.M), 2 * tolerance * w * l * l / 8);
        }
    }

    /// <summary>On one span the moments of all girders together are those of statics, whatever the model.</summary>
    [Theory]
    [InlineData(0)]
    [InlineData(15)]
    public void All_girders_together_carry_what_statics_says(double skew)
    {
        var bridge = TestBridges.Symmetric(skew * Math.PI / 180, 20);
        var own = bridge with
        {
            Actions = new()
            {
                Cases =
                [
                    new()
                    {
                        Name = "Axle",
                        Loads =
                        [
                            new()
                            {
                                Kind = OwnLoadKind.Line,
                                Station = 40,
                                Offset = -1,
                                ToStation = 40,
                                ToOffset = 1,
                                Value = 200e3,
                            },
                        ],
                    },
                ],
            },
        };
        double Sum(ModelKind kind)
        {
            var results = Run(With(own, kind));
            return Enumerable.Range(0, 4).Sum(g => At(results, "own1", g, 0, 0.5, f => f.M));
        }
        // 400 kN half way: M = PL/4 at that place, less a little in the row of a skew bridge, which other girders meet before and
        // behind it.
        var exact = 400e3 * 20 / 4;
        Assert.Equal(exact, Sum(ModelKind.Line), (skew == 0 ? 0.001 : 0.02) * exact);
        Assert.Equal(exact, Sum(ModelKind.Grillage), (skew == 0 ? 0.001 : 0.02) * exact);
        Assert.Equal(exact, Sum(ModelKind.Shells), (skew == 0 ? 0.012 : 0.04) * exact);
    }

    [Theory]
    [InlineData(ModelKind.Line)]
    [InlineData(ModelKind.Grillage)]
    [InlineData(ModelKind.Shells)]
    public void Every_case_balances(ModelKind kind)
    {
        foreach (var supports in Enum.GetValues<ModelSupports>())
        {
            var results = Run(With(TestBridges.OneType, kind, supports));
            Assert.All(
                results.Cases,
                c =>
                    Assert.True(
                        c.Account.Imbalance < (kind == ModelKind.Shells ? 1e-7 : 1e-8),
                        $"{supports} {c.Name}: {c.Account.Imbalance:0.0e+0}"
                    )
            );
            // What the seats carry upright is what is put on, but for what goes into the ground through other joints.
            foreach (var c in results.Cases.Where(c => c.Stage is not null))
                Assert.Equal(c.Account.Load, c.Up(), 1e-6 * Math.Max(1e5, Math.Abs(c.Account.Load)));
        }
    }

    /// <summary>
    /// The three agree on the demo: all girders together within 3 % of the grillage's greatest, and single ones as far as sharing goes.
    /// </summary>
    [Fact]
    public void The_three_models_of_the_demo_agree()
    {
        var comparison = ModelComparison.Of(new BridgeGeometry(TestBridges.OneType));
        foreach (var v in comparison.Values)
        {
            if (v.Effect is ComparedEffect.SaggingMoment or ComparedEffect.Shear)
            {
                Assert.Equal(v.GrillageSum, v.ShellsSum, 0.06 * 5 * v.Greatest);
                Assert.Equal(v.GrillageSum, v.LineSum, 0.06 * 5 * v.Greatest);
            }
            if (v.Load is "Girders" || v.Load.StartsWith("Slab", StringComparison.Ordinal))
                Assert.True(v.Worst < 0.01, $"{v}");
            Assert.Equal(v.Worst > ModelComparison.Limit, v.Reason(ModelComparison.Limit) is not null);
            Assert.True(Math.Abs(v.ShellsDifference) < 0.25, $"{v}");
        }
    }

    /// <summary>
    /// Imposed strains: with shells, layers strain by themselves; with a grillage, the composite section does. All girders together
    /// must answer alike.
    /// </summary>
    [Theory]
    [InlineData("creep", 0.03)]
    [InlineData("shrinkage", 0.04)]
    [InlineData("heating", 0.03)]
    [InlineData("settlement2", 0.02)]
    public void Shells_and_grillage_answer_alike_to_imposed_strains(string id, double tolerance)
    {
        var (grillage, shells) = (grillageOfDemo.Value, shellsOfDemo.Value);
        foreach (var (span, fraction) in new[] { (1, 0.5), (1, 0.0), (0, 0.5) })
        {
            double Sum(ModelResults r) => Enumerable.Range(0, 5).Sum(g => At(r, id, g, span, fraction, f => f.M));
            var greatest = Math.Abs(Enumerable.Range(0, 5).Sum(g => At(grillage, id, g, 1, 0, f => f.M)));
            Assert.Equal(Sum(grillage), Sum(shells), tolerance * greatest);
        }
    }

    private static readonly Lazy<ModelResults> grillageOfDemo = new(() => Run(With(TestBridges.OneType, ModelKind.Grillage)));
    private static readonly Lazy<ModelResults> shellsOfDemo = new(() => Run(With(TestBridges.OneType, ModelKind.Shells)));

    /// <summary>On a level deck: a crown of shells grows upward with warmth, which rigid supports feel.</summary>
    [Theory]
    [InlineData(ModelKind.Grillage)]
    [InlineData(ModelKind.Shells)]
    public void A_deck_that_is_free_to_expand_has_no_reactions_from_it(ModelKind kind)
    {
        var bridge = TestBridges.Symmetric(0.3, 20, 20);
        var pattern = bridge.Deck.Patterns[0];
        ImmutableArray<Strip> Level(ImmutableArray<Strip> strips) => [.. strips.Select(s => s with { Crossfall = 0 })];
        var level = bridge with
        {
            Deck = bridge.Deck with { Patterns = [pattern with { Left = Level(pattern.Left), Right = Level(pattern.Right) }] },
        };
        Assert.All(Run(With(level, kind)).Find(CaseId.Expansion)!.Seats(), r => Assert.Equal(0.0, r.Up, 50.0));
    }

    [Fact]
    public void A_settled_pier_bends_a_beam_of_two_equal_spans()
    {
        var bridge = TestBridges.OneGirder(20, 20) with
        {
            Actions = new()
            {
                Settlement = 0,
                Settlements = new Dictionary<string, double> { ["2"] = 0.012 }.ToImmutableSortedDictionary(),
            },
        };
        var results = Run(With(bridge, ModelKind.Line));
        var section = results.Finished.Sections[0][0]!;
        // M = 3·E·I·δ/L², sagging over the pier that goes down.
        var exact = 3 * section.Modulus * section.Composite.SecondMoment * 0.012 / 400;
        Assert.Equal(exact, At(results, "settlement2", 0, 0, 1, f => f.M), 1e-3 * exact);
        Assert.Equal(exact / 2, At(results, "settlement2", 0, 0, 0.5, f => f.M), 1e-3 * exact);
    }

    [Fact]
    public void Uniform_temperature_moves_a_bridge_and_strains_one_that_is_held_at_both_ends()
    {
        var free = Run(With(TestBridges.OneGirder(20), ModelKind.Line)).Find(new("expansion"))!;
        Assert.All(free.AllForces(), f => Assert.Equal(0, f.N, 1.0));
        var held = TestBridges.OneGirder(20) with
        {
            Supports = new Dictionary<string, Support> { ["1"] = Bearing("Fixed"), ["2"] = Bearing("Fixed") }.ToImmutableSortedDictionary(),
        };
        var results = Run(With(held, ModelKind.Line, ModelSupports.Bearings));
        var section = results.Finished.Sections[0][5]!;
        // Held below its centroid at both ends, the girder bends as well: H = αΔT·L/(L/EA + L·e²/EI) with e from the centroid to the
        // soffit.
        var (ea, ei, e) = (
            section.Modulus * section.Composite.Area,
            section.Modulus * section.Composite.SecondMoment,
            section.Composite.Centroid
        );
        var exact = -1e-5 * 27 / (1 / ea + e * e / ei);
        Assert.Equal(exact, At(results, "expansion", 0, 0, 0.5, f => f.N), 0.02 * Math.Abs(exact));
    }

    private static Support Bearing(string name) =>
        new() { Choices = new Dictionary<string, string> { ["bearing"] = name }.ToImmutableSortedDictionary() };

    /// <summary>Braking goes to the piers by their stiffness, and into the ground whole.</summary>
    [Fact]
    public void Piers_bend_as_cantilevers_under_braking()
    {
        var bridge = TestBridges.OneGirder(20, 20) with
        {
            Supports = new Dictionary<string, Support>
            {
                ["1"] = Bearing("Guided along"),
                ["2"] = Bearing("Fixed") with
                {
                    Choices = new Dictionary<string, string>
                    {
                        ["bearing"] = "Fixed",
                        ["pier"] = "columns",
                        ["foundation"] = "pad",
                        ["soil"] = "fixed",
                    }.ToImmutableSortedDictionary(),
                    Sizes = new Dictionary<string, double>
                    {
                        ["columns"] = 1,
                        ["columnWidth"] = 1.2,
                        ["height"] = 9,
                    }.ToImmutableSortedDictionary(),
                },
                ["3"] = Bearing("Guided along"),
            }.ToImmutableSortedDictionary(),
            Actions = new() { Braking = 300e3 },
        };
        var results = Run(With(bridge, ModelKind.Line, ModelSupports.Substructure));
        var braking = results.Find(new("braking"))!;
        Assert.Equal(-300e3, braking.Seats(s => s.Axis == 1).Sum(r => r.Along), 300.0);
        Assert.Equal(-300e3, braking.Account.Reacted[0], 1);
        // Forces in the column: the whole shear, and the moment at its foot that the shear has over its height from the bearing.
        var members = results.Layout.Members;
        var foot = braking.Effects.End(
            Array.FindLastIndex([.. members], m => m.Name.StartsWith("A2 column", StringComparison.Ordinal)),
            false
        );
        Assert.Equal(300e3, Math.Abs(foot.V), 1);
        var frame = results.Finished.Frame;
        var height = frame.Nodes.First(n => n.Id == "B2-G1").At.Z - frame.Nodes.First(n => n.Id == "A2 column 1 4").At.Z;
        Assert.Equal(300e3 * height, Math.Abs(foot.M), 0.001 * 300e3 * height);
    }

    [Fact]
    public void Bearings_that_hold_nothing_along_are_named()
    {
        var bridge = TestBridges.OneGirder(20) with
        {
            Supports = new Dictionary<string, Support>
            {
                ["1"] = Bearing("Guided along"),
                ["2"] = Bearing("Guided along"),
            }.ToImmutableSortedDictionary(),
        };
        Assert.NotEmpty(Run(With(bridge, ModelKind.Line)).Cases);
        var refused = Assert.Throws<ModelRefusedException>(() => Run(With(bridge, ModelKind.Line, ModelSupports.Bearings)));
        Assert.Contains("can move", refused.Message, StringComparison.Ordinal);
        Assert.NotNull(refused.Mode);
    }

    [Fact]
    public void A_change_of_loads_does_not_factorise_again()
    {
        var factors = new FactorStore();
        var bridge = With(TestBridges.OneType, ModelKind.Grillage);
        Assert.All(ModelRun.Run(new(bridge), factors: factors).Efforts, e => Assert.False(e.Reused));
        var heavier = bridge with
        {
            Loads = bridge.Loads with { SurfacingWeight = 30e3 },
            Girders = bridge.Girders.Typed(t => t with { Strands = t.Strands with { EffectiveStress = 900e6 } }),
        };
        Assert.All(ModelRun.Run(new(heavier), factors: factors).Efforts, e => Assert.True(e.Reused));
        Assert.Contains(
            ModelRun
                .Run(
                    new(bridge with { Girders = bridge.Girders.Typed(t => t with { Concrete = new() { Class = "C50/60" } }) }),
                    factors: factors
                )
                .Efforts,
            e => !e.Reused
        );
    }

    [Fact]
    public void Changes_by_hand_stay_and_those_without_a_part_are_told()
    {
        var bridge = With(TestBridges.Symmetric(0, 20), ModelKind.Grillage);
        ModelResults Changed(params ModelChange[] changes) => Run(bridge with { Model = bridge.Model with { Changes = [.. changes] } });
        var plain = Changed();
        double Deflection(ModelResults r) => r.Cases.First(c => c.Name == "Surfacing").Effects[10, GirderEffect.Deflection];
        Assert.True(
            Deflection(
                Changed(
                    new ModelChange
                    {
                        Kind = ModelChangeKind.Stiffness,
                        Part = "G1-9",
                        Factor = 0.1,
                    }
                )
            ) < Deflection(plain)
        );
        Assert.Equal(
            0,
            Deflection(
                Changed(
                    new ModelChange
                    {
                        Kind = ModelChangeKind.Restrain,
                        Part = "G1-10",
                        Directions = "uz",
                    }
                )
            ),
            1e-12
        );
        var like = Changed(
            new ModelChange
            {
                Kind = ModelChangeKind.Section,
                Part = "G1-9",
                Like = "T1-5",
            }
        ).Finished.Frame;
        Assert.Equal(like.Beams.First(b => b.Id == "T1-5").Section, like.Beams.First(b => b.Id == "G1-9").Section);
        Assert.Equal(
            plain.Finished.Frame.Beams.Length - 1,
            Changed(new ModelChange { Kind = ModelChangeKind.Delete, Part = "T1-5" }).Finished.Frame.Beams.Length
        );
        Assert.Contains(
            Changed(new ModelChange { Kind = ModelChangeKind.Delete, Part = "T9999" }).Warnings,
            w => w.Contains("T9999", StringComparison.Ordinal)
        );
    }

    /// <summary>A deck parted over its pier: nothing is joined there, no moment passes, and each half is the bridge of one span.</summary>
    [Theory]
    [InlineData(ModelKind.Grillage)]
    [InlineData(ModelKind.Shells)]
    public void Nothing_passes_over_a_joint_of_the_deck(ModelKind kind)
    {
        var parted = TestBridges.Symmetric(0, 20, 20) is var b
            ? b with
            {
                Axes = b.Axes with
                {
                    Own = new Dictionary<string, AxisOwn> { ["2"] = new() { Kind = AxisKind.Joint } }.ToImmutableSortedDictionary(),
                },
            }
            : null!;
        var results = Run(With(Reading.OnAxes(parted), kind));
        var one = Run(With(Reading.OnAxes(TestBridges.Symmetric(0, 20)), kind));
        Assert.DoesNotContain(results.Cases, c => c.Name.StartsWith("Pour", StringComparison.Ordinal));
        double Middle(ModelResults r, string name, int span) =>
            r
                .Cases.First(c => c.Name == name)
                .Effects.Forces(r.Points.IndexOf(r.Points.First(p => p.Girder == 1 && p.Span == span && Math.Abs(p.Fraction - 0.5) < 1e-9)))
                .M;
        foreach (var name in new[] { CaseNames.Girders, CaseNames.Surfacing })
            Assert.Equal(Middle(one, name, 0), Middle(results, name, 1), 1e-3 * Math.Abs(Middle(one, name, 0)));
    }

    [Fact]
    public void Own_loads_off_the_deck_are_told()
    {
        Bridge With(double station, double offset) =>
            TestBridges.Symmetric(0, 20) with
            {
                Actions = new() { Cases = [new() { Name = "Crane", Loads = [new() { Station = station, Offset = offset }] }] },
            };
        Assert.Contains(BridgeValidation.Check(With(70, 0)), f => f.Message.Contains("off the deck", StringComparison.Ordinal));
        Assert.Contains(BridgeValidation.Check(With(40, 30)), f => f.Message.Contains("off the deck", StringComparison.Ordinal));
        Assert.DoesNotContain(BridgeValidation.Check(With(40, 1)), f => f.Message.Contains("off the deck", StringComparison.Ordinal));
    }

    /// <summary>Own loads reach the supports whole, wherever they lie; a patch weighs its area.</summary>
    [Theory]
    [InlineData(OwnLoadKind.Point, 250e3)]
    [InlineData(OwnLoadKind.Line, 250e3 * 5)]
    [InlineData(OwnLoadKind.Patch, 250e3 * 4 * 3)]
    public void Own_loads_are_whole(OwnLoadKind kind, double total)
    {
        var load = new OwnLoad
        {
            Kind = kind,
            Station = 40,
            Offset = -1,
            ToStation = 44,
            ToOffset = 2,
            Value = 250e3,
        };
        var results = Run(
            With(
                TestBridges.Symmetric(0, 20) with
                {
                    Actions = new() { Cases = [new() { Name = "Crane", Loads = [load] }] },
                },
                ModelKind.Grillage
            )
        );
        Assert.Equal(total, results.Find(new("own1"))!.Account.Load, 1e-6 * total);
        Assert.Equal(total, results.Find(CaseId.Own(1))!.Up(), 1e-6 * total);
    }
}
