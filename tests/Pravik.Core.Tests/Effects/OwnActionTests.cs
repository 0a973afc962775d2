using Pravik.Core.Bridges;
using Pravik.Core.Codes;
using Pravik.Core.Effects;
using Pravik.Core.Models;
using Pravik.Core.Stages;
using Pravik.Core.Units;

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

    /// <summary>
    /// (6.11b): weights and prestress once, one accidental action at a time, traffic at its frequent value; at the ultimate state it does not
    /// act. Resistances have the factors of accidental situations, 1.2 and 1.0.
    /// </summary>
    [Fact]
    public void Accidental_actions_act_one_at_a_time_against_greater_resistances()
    {
        OwnCase Impact(string name, double force) =>
            new()
            {
                Name = name,
                Action = OwnAction.Accidental,
                Loads = [new() { Station = 20, Value = force }],
            };
        var bridge = Beam with { Actions = Beam.Actions with { Cases = [Impact("Light", 400e3), Impact("Heavy", 900e3)] } };
        var results = TestBridges.Run(bridge);
        var middle = results.Model.Points.IndexOf(results.Model.Points.First(p => Math.Abs(p.Fraction - 0.5) < 1e-9));
        var effect = results.Effects.All[0].Layout.At(middle, GirderEffect.M);
        var parts = results.Effects.Of(LimitState.Accidental).Parts(effect, true).ToList();
        double Factor(string name) => parts.Where(p => p.Of.Name == name).Sum(p => p.Factor);
        Assert.Equal((1, 0, 1), (Factor("Heavy"), Factor("Light"), Factor(CaseNames.Girders)));
        Assert.Equal(1.2, Factor(CaseNames.Surfacing), 1e-12);
        Assert.Equal(1, Factor("Load model 1, frequent"));
        Assert.Equal(900e3 * 20 / 4, parts.Single(p => p.Of.Name == "Heavy").Value, 900e3 * 20 / 4 * 1e-3);
        Assert.DoesNotContain(results.Effects.Of(LimitState.Ultimate).Parts(effect, true), p => p.Of.Name == "Heavy");
        Checks.CheckOutcome Of(string check) => results.Outcomes.Single(o => o.Point == middle && o.Check == check);
        var (accident, usual) = (Of("accidental-bending.sagging"), Of("bending.sagging"));
        Assert.Equal(LimitState.Accidental, accident.State);
        Assert.Equal(results.Effects.Of(LimitState.Accidental).Greatest[effect], accident.Effect, 1e-6 * accident.Effect);
        // Between the factor on steel alone and that on concrete alone.
        Assert.InRange(accident.Resistance / usual.Resistance, 1.02, 1.5 / 1.2);
        Assert.Contains("ultimate bending in accidental situations", results.Checked);
        var calculation = new Calculations.Calculation("accident", UnitSystem.Metric);
        results.Write(accident, calculation);
        Assert.Contains(calculation.Lines, l => l.Clause.Contains("6.11b", StringComparison.Ordinal));
        // Without any nothing is said of them.
        var without = Run(null);
        Assert.Null(without.Effects.Find(BridgeEffects.IdOf(LimitState.Accidental)));
    }

    /// <summary>The range of fatigue is that of the chosen model alone; without one there is none.</summary>
    [Fact]
    public void Fatigue_is_the_range_of_a_load_model_alone()
    {
        var bridge = Beam with { Traffic = Beam.Traffic with { Models = [new() { Name = "FLM3" }] } };
        var results = ModelRun.Run(new(bridge));
        BridgeEffects effects = new(bridge, results);
        var middle = results.Points.IndexOf(results.Points.First(p => Math.Abs(p.Fraction - 0.5) < 1e-9));
        var (range, model) = (effects.Of(LimitState.Fatigue), results.Traffic!["FLM3"]);
        Assert.Equal(model.Greatest[middle, GirderEffect.M], range.Greatest[middle, GirderEffect.M], 1e-6);
        Assert.Equal(model.Least[middle, GirderEffect.V], range.Least[middle, GirderEffect.V], 1e-6);
        Assert.Null(Run(null).Effects.Find(BridgeEffects.IdOf(LimitState.Fatigue)));
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
