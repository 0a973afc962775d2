using Pravik.Core.Bridges;
using Pravik.Core.Codes;
using Pravik.Core.Effects;
using Pravik.Core.Models;
using Pravik.Core.Places;
using Pravik.Core.Stages;

namespace Pravik.Core.Tests.Analysis.Stages;

/// <summary>Props that push and do not pull, wet concrete that passes, and the intervals of creep.</summary>
public sealed class ContactTests
{
    private const double Span = 20;

    private static Stage Of(string name, double day, Func<Stage, Stage> what) => what(new() { Name = name, Day = day });

    private static Bridge Beam(Func<Girders, Girders> girders, params Stage[] stages) =>
        Reading.OnAxes(TestBridges.OneGirder(Span)) with
        {
            Girders = girders(Reading.OnAxes(TestBridges.OneGirder(Span)).Girders),
            Model = new() { Kind = ModelKind.Line },
            Actions = new() { Stages = [.. stages] },
        };

    private static int Middle(ModelResults results) => results.Points.IndexOf(results.Points.First(p => p.Fraction is > 0.49 and < 0.51));

    /// <summary>Girders set on props bear their weight and the transfer of prestress alone; the prop takes its part of the slab.</summary>
    [Fact]
    public void Weight_and_transfer_act_before_a_prop_touches()
    {
        var results = ModelRun.Run(
            new(
                Beam(
                    g => g,
                    Of("Girders on props", 28, s => s with { Girders = "all", Props = "all" }),
                    Of("Slab", 60, s => s with { Pours = "all" }),
                    Of("Props away", 80, s => s with { Releases = "all" })
                )
            ),
            withTraffic: false
        );
        var i = Middle(results);
        var girders = results.Cases.Single(c => c.Name == CaseNames.Girders);
        Assert.Equal(girders.Account.Load * Span / 8, girders.Effects.Forces(i).M, 1e-3 * girders.Account.Load * Span / 8);
        var prestress = results.Cases.Single(c => c.Kind == ActionKind.Prestress);
        Assert.Equal(0, prestress.Secondary!.Forces(i).M, 1);
        // 5·w·L/8 of the slab, which acts on the composite section when the prop goes.
        var (slab, away) = (
            results.Cases.First(c => c.Name.StartsWith("Slab", StringComparison.Ordinal)),
            results.Cases.Single(c => c.Name == CaseNames.PropsAway)
        );
        Assert.Equal(5.0 / 8 * slab.Account.Load, away.Account.Load, 2e-3 * slab.Account.Load);
        Assert.DoesNotContain(results.Warnings, w => w.Contains("pull"));
    }

    /// <summary>A tendon that lifts the girder off its prop: the prop lets go, and everything is as if it had never stood there.</summary>
    [Fact]
    public void A_prop_that_would_pull_lets_go_and_is_told()
    {
        var tendon = new Tendon
        {
            Name = "Cable",
            Strands = 30,
            EffectiveStress = 1100e6,
            Points = [new() { Level = 0.6 }, new() { At = 0.5, Level = 0.1 }, new() { At = 1, Level = 0.6 }],
        };
        Bridge With(string props) =>
            Beam(
                g => g.Typed(t => t with { Strands = new() { Rows = [] } }) with { Tendons = [tendon] },
                Of("Girders", 28, s => s with { Girders = "all", Props = props }),
                Of("Cable stressed", 40, s => s with { Loads = "Cable" }),
                Of("Slab", 60, s => s with { Pours = "all" })
            );
        var (propped, free) = (ModelRun.Run(new(With("all")), withTraffic: false), ModelRun.Run(new(With("")), withTraffic: false));
        Assert.Contains(propped.Warnings, w => w.Contains("prop under G1 in span 1 would pull in stage 2"));
        double Moment(ModelResults run) =>
            run.Cases.Where(c => c.Stage is not null && !c.IsPassing).Sum(c => c.Effects.Forces(Middle(run)).M);
        Assert.Equal(Moment(free), Moment(propped), 1e-6 * Math.Abs(Moment(free)));
        Assert.DoesNotContain(free.Warnings, w => w.Contains("pull"));
    }

    /// <summary>1 kN/m³ more than the 25 of hardened concrete (EN 1991-1-1 Table A.1), in the stage of the pour and not after it.</summary>
    [Fact]
    public void Wet_concrete_weighs_more_until_it_is_hard()
    {
        var bridge = Reading.OnAxes(TestBridges.OneGirder(Span));
        var results = ModelRun.Run(new(bridge), withTraffic: false);
        var (slab, wet) = (
            results.Cases.First(c => c.Name.StartsWith("Slab", StringComparison.Ordinal)),
            results.Cases.Single(c => c.IsPassing)
        );
        var i = Middle(results);
        Assert.Equal(slab.Effects.Forces(i).M / 25, wet.Effects.Forces(i).M, 1e-6 * wet.Effects.Forces(i).M);
        var effects = new BridgeEffects(bridge, results);
        double UpTo(int number) => effects.Find(CaseId.UpTo(number - 1))!.Greatest.Forces(i).M;
        Assert.Equal(slab.Effects.Forces(i).M + wet.Effects.Forces(i).M, UpTo(2) - UpTo(1), 1e-6 * Math.Abs(UpTo(2)));
        var edges = results.Cases.Single(c => c.Name == CaseNames.Edges).Effects.Forces(i).M;
        Assert.Equal(edges - wet.Effects.Forces(i).M, UpTo(3) - UpTo(2), 1e-6 * Math.Abs(UpTo(2)));
        // None of it is left in the combinations.
        Assert.DoesNotContain(
            effects.Of(LimitState.Ultimate).Parts(results.Layout.At(i, GirderEffect.M), true),
            p => p.Of.Name == wet.Name
        );
    }

    [Fact]
    public void Creep_runs_from_when_the_first_slab_is_stiff_interval_by_interval()
    {
        var bridge = TestBridges.Symmetric(0, 20, 20);
        var steps = Staging.Steps(bridge);
        var intervals = LongTerm.Intervals(steps, 2, 30_000);
        // Girders 28, slab 60, over the pier 67, edges 90: stiff from the stage that follows the pour.
        Assert.Equal([(1, 67.0, 90.0), (2, 90.0, 30_000.0)], intervals.Select(i => (i.Number, i.From, i.To)));
        Assert.Equal([false, true], intervals.Select(i => i.State.Joined[1]));
        // What shrinks in the intervals is what shrinks from the first day on to the last.
        var told = ModelRun.Run(new(bridge), withTraffic: false).TimeValues;
        var shrunk = told.Where(t => t.Symbol == "ε_cs,girder").Sum(t => t.Value);
        var geometry = new BridgeGeometry(bridge);
        var size = 2 * geometry.Section.Properties.GrossArea / geometry.Section.Properties.Perimeter;
        var concrete = Core.Materials.Concrete.Of(bridge.Girders.Types[0].Concrete);
        var law = new Core.Materials.Shrinkage(concrete, bridge.Actions.Humidity, size, bridge.Actions.Cement);
        Assert.Equal(1000 * (law.At(bridge.Actions.LastDay) - law.At(67)), shrunk, 1e-9);
    }
}
