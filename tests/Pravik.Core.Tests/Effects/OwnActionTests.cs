using Pravik.Core.Bridges;
using Pravik.Core.Codes;
using Pravik.Core.Effects;
using Pravik.Core.Models;
using Pravik.Core.Stages;

namespace Pravik.Core.Tests.Effects;

/// <summary>Cases of the engineer's own in generated combinations, and surfacing of another thickness.</summary>
public sealed class OwnActionTests
{
    private static readonly Bridge Beam = TestBridges.OneGirder(20) with { Model = new() { Kind = ModelKind.Line } };

    private static (BridgeEffects Effects, ModelResults Results, int Middle) Run(OwnAction? action, double psi0 = 1)
    {
        OwnCase own = new()
        {
            Name = "Crane",
            Action = action ?? OwnAction.Aside,
            Psi0 = psi0,
            Loads = [new() { Station = 20, Value = 200e3 }],
        };
        var bridge = action is null ? Beam : Beam with { Actions = Beam.Actions with { Cases = [own] } };
        var results = ModelRun.Run(new(bridge));
        var middle = results.Points.IndexOf(results.Points.First(p => Math.Abs(p.Fraction - 0.5) < 1e-9));
        return (new(bridge, results), results, middle);
    }

    private static double Ultimate((BridgeEffects Effects, ModelResults Results, int Middle) run) =>
        run.Effects.Of(LimitState.Ultimate).Greatest.Forces(run.Middle).M;

    /// <summary>200 kN half way along 20 m: 1000 kNm, at 1.35 as a permanent action and at 1.5·ψ₀ beside traffic as a variable one.</summary>
    [Theory]
    [InlineData(OwnAction.Permanent, 1, 1.35)]
    [InlineData(OwnAction.Variable, 0.7, 1.05)]
    [InlineData(OwnAction.Variable, 0, 0)]
    [InlineData(OwnAction.Aside, 1, 0)]
    public void An_own_case_enters_as_its_kind_says(OwnAction action, double psi0, double factor)
    {
        var (without, with) = (Run(null), Run(action, psi0));
        var own = with.Results.Find(CaseId.Own(1))!.Effects.Forces(with.Middle).M;
        Assert.Equal(1000e3, own, 1e3);
        Assert.Equal(factor * own, Ultimate(with) - Ultimate(without), 1);
    }

    [Fact]
    public void An_own_variable_action_leads_in_a_combination_of_its_own()
    {
        var run = Run(OwnAction.Variable, 0.3);
        var leading = run.Effects.All.Single(r => r.Id == new CaseId("ultimate.own1"));
        var own = leading
            .Parts(run.Results.Layout.At(run.Middle, GirderEffect.M), true)
            .Single(p => p.Of.Name.Contains("Crane", StringComparison.Ordinal));
        Assert.Equal(1.5, own.Factor, 1e-12);
        Assert.True(leading.Greatest.Forces(run.Middle).M <= Ultimate(run) + 1);
    }

    /// <summary>
    /// Surfacing counts with a fifth more thickness where it worsens and a fifth less where it relieves (EN 1991-1-1 5.2.3(3)), on top of
    /// the factors of permanent actions: 1.35·1.2 and 1.00·0.8.
    /// </summary>
    [Fact]
    public void Surfacing_is_a_fifth_more_or_less_where_that_worsens()
    {
        var run = Run(null);
        var at = run.Results.Layout.At(run.Middle, GirderEffect.M);
        double Factor(LimitState state, bool greatest) =>
            run.Effects.Of(state).Parts(at, greatest).Single(p => p.Of.Name == CaseNames.Surfacing).Factor;
        Assert.Equal(1.35 * 1.2, Factor(LimitState.Ultimate, true), 1e-12);
        Assert.Equal(0.8, Factor(LimitState.Ultimate, false), 1e-12);
        Assert.Equal(1.2, Factor(LimitState.Characteristic, true), 1e-12);
        Assert.Equal(0.8, Factor(LimitState.QuasiPermanent, false), 1e-12);
    }
}
