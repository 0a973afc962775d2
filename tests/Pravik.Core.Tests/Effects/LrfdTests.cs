using Pravik.Core.Bridges;
using Pravik.Core.Codes;
using Pravik.Core.Effects;
using Pravik.Core.Findings;
using Pravik.Core.Loads;
using Pravik.Core.Models;
using Pravik.Core.Runs;
using Pravik.Core.Validation;
using Pravik.Core.Vehicles;

namespace Pravik.Core.Tests.Effects;

/// <summary>Combinations of AASHTO LRFD, and own factors of generated combinations.</summary>
public class LrfdTests
{
    private static readonly Bridge Line = TestBridges.OneGirder(24) with
    {
        Model = new() { Kind = ModelKind.Line, Divisions = 20 },
        Basis = new() { Standard = Standard.Lrfd },
        Traffic = new() { Models = [new() { Name = "Permit" }], Vehicles = [new("Permit", Vehicle.Alike(5, 180e3, 1.5))] },
    };

    private static readonly Lazy<BridgeResults> Results = new(() => TestBridges.Run(Line));

    private static (int Effect, BridgeEffects Effects) Midspan()
    {
        var effects = Results.Value.Effects;
        var point = Array.FindIndex([.. Results.Value.Model.Points], p => Math.Abs(p.Fraction - 0.5) < 1e-9);
        return (effects.All[0].Layout.At(point, GirderEffect.M), effects);
    }

    /// <summary>Factors of Table 3.4.1-1 and -2 on what a value is made of; parts add up to it.</summary>
    [Theory]
    [InlineData("strength.I", 1.25, 1.5, 1.75, "HL-93")]
    [InlineData("strength.II", 1.25, 1.5, 1.35, "Permit")]
    [InlineData("strength.IV", 1.5, 1.5, 0, "HL-93")]
    [InlineData("service.II", 1, 1, 1.3, "HL-93")]
    [InlineData("service.III", 1, 1, 0.8, "HL-93")]
    public void A_combination_has_the_factors_of_the_table(string id, double weights, double surfacing, double live, string traffic)
    {
        var (effect, effects) = Midspan();
        var range = effects.Find(new(id))!;
        var parts = range.Parts(effect, true).ToList();
        Assert.Equal(range.Greatest[effect], parts.Sum(p => p.Value), 1e-6 * range.Greatest[effect]);
        double? Of(string name) => parts.Where(p => p.Of.Name == name).Select(p => (double?)p.Factor).SingleOrDefault();
        Assert.Equal(weights, Of(Stages.CaseNames.Girders));
        Assert.Equal(surfacing, Of(Stages.CaseNames.Surfacing));
        Assert.Equal(live, Of(traffic) ?? 0);
    }

    /// <summary>
    /// Wind of 3.8.1 enters Strength III whole, Service IV at three quarters of its speed, Strength V and Service I with that on vehicles.
    /// </summary>
    [Theory]
    [InlineData("strength.III", "", 1)]
    [InlineData("service.IV", "", 0.5625)]
    [InlineData("strength.V", ", with traffic", 1)]
    [InlineData("service.I", ", with traffic in service", 1)]
    public void Wind_enters_as_the_table_says(string id, string words, double factor)
    {
        var effects = Results.Value.Effects;
        var (range, wind) = (effects.Find(new(id))!, effects.All.Single(r => r.Name == Stages.CaseNames.Wind + words));
        // The torsion of the girder at its first place, which wind from the left or from the right makes greatest.
        var effect = range.Layout.At(0, GirderEffect.T);
        Assert.NotEqual(0, wind.Greatest[effect], 1.0);
        Assert.Equal(factor, Math.Abs(range.Parts(effect, true).Single(p => p.Of.Name == wind.Name).Factor), 1e-12);
        Assert.DoesNotContain(
            range.Parts(effect, true),
            p => p.Of.Name != wind.Name && p.Of.Name.StartsWith(Stages.CaseNames.Wind, StringComparison.Ordinal)
        );
    }

    /// <summary>In construction 1.25 or 0.9 on weights, 1.5 on what a stage puts on as a variable case (3.4.2.1).</summary>
    [Fact]
    public void Construction_is_combined_stage_by_stage()
    {
        OwnCase stack = new()
        {
            Name = "Stack",
            Action = OwnAction.Variable,
            Loads = [new() { Station = 12, Value = 100e3 }],
        };
        var stages = Line.Actions.StagesOf(Line.Girders, 1);
        var bridge = Line with
        {
            Actions = Line.Actions with
            {
                Cases = [stack],
                Stages = stages.SetItem(0, stages[0] with { Loads = $"{stages[0].Loads}, Stack".TrimStart(',', ' ') }),
            },
        };
        var effects = TestBridges.Run(bridge).Effects;
        var effect = Midspan().Effect;
        var parts = effects.Find(new("stage1Ultimate"))!.Parts(effect, true).ToList();
        Assert.Equal(1.25, parts.Single(p => p.Of.Name == Stages.CaseNames.Girders).Factor);
        Assert.Equal(1.5, parts.Single(p => p.Of.Name == "Stack").Factor);
        Assert.Equal(
            0.9,
            effects.Find(new("stage1Ultimate"))!.Parts(effect, false).Single(p => p.Of.Name == Stages.CaseNames.Girders).Factor
        );
        Assert.Null(effects.Find(new("stage1Steel")));
    }

    /// <summary>
    /// One axle of the truck at midspan of 24 m and two 14 ft off: 1.75·1.2·(1.33·(32·(6 + 6 − 2.1336) + 8·(6 − 2.1336)) kip m + 0.64 klf over
    /// 24²/8). One lane of a carriageway counts 1.2.
    /// </summary>
    [Fact]
    public void Strength_I_has_the_live_load_by_hand()
    {
        const double kip = 4448.2216152605;
        var (effect, effects) = Midspan();
        var truck = 1.33 * kip * (32 * 6 + (32 + 8) * (6 - 14 * 0.3048 / 2));
        var lane = 0.64 * kip / 0.3048 * 24 * 24 / 8;
        var live = effects.Find(new("strength.I"))!.Parts(effect, true).Single(p => p.Of.Name == "HL-93");
        Assert.Equal(1.75 * 1.2 * (truck + lane), live.Value, 1e-3 * live.Value);
    }

    /// <summary>Two lanes of 24 m: 2·1.00·0.25·72 = 36 kip; of 500 m one lane: 1.2·0.05·(72 + 0.64·1640.42).</summary>
    [Fact]
    public void Braking_by_hand()
    {
        const double kip = 4448.2216152605;
        var usual = TrafficModels.Usual(Standard.Lrfd, Line.Basis.Values);
        Assert.Equal(36 * kip, TrafficForces.BrakingOf(usual, 24, 2), 1.0);
        Assert.Equal(1.2 * 0.05 * (72 + 0.64 * 1640.42) * kip, TrafficForces.BrakingOf(usual, 500, 1), 5.0);
        Assert.Equal(0, TrafficForces.BrakingOf(usual, 24, 0));
    }

    [Fact]
    public void Fatigue_is_the_truck_alone_and_nothing_is_called_checked()
    {
        var (effect, effects) = Midspan();
        var truck = Assert.Single(effects.Find(new("fatigue.I"))!.Parts(effect, true));
        Assert.Equal(1.75, truck.Factor);
        Assert.Equal(0, effects.Find(new("fatigue.I"))!.Least[effect], 1e-6);
        Assert.Empty(Results.Value.Outcomes);
        Assert.False(Results.Value.Passes);
        Assert.Contains(Results.Value.Refusals, r => r.Contains("AASHTO LRFD", StringComparison.Ordinal));
    }

    /// <summary>An own factor changes its combination alone; one that is called wrongly is told and changes nothing.</summary>
    [Fact]
    public void A_factor_of_a_combination_can_be_an_own_one()
    {
        var bridge = Line with { Actions = Line.Actions with { OwnFactors = Line.Actions.OwnFactors.Add("strength.I.traffic", 2) } };
        Assert.Equal(2, GeneratedRules.Of(bridge).Single(r => r.Id == "strength.I").Traffic);
        Assert.Equal(1.35, GeneratedRules.Of(bridge).Single(r => r.Id == "strength.V").Traffic);
        var wrong = Line with { Actions = Line.Actions with { OwnFactors = Line.Actions.OwnFactors.Add("ultimate.traffic.wind", 2) } };
        Assert.Equal(GeneratedRules.Of(Line).AsEnumerable(), GeneratedRules.Of(wrong).AsEnumerable());
        Finding[] Told(Bridge of) =>
            [.. BridgeValidation.Check(of).Where(f => f.Path.StartsWith("/actions/ownFactors", StringComparison.Ordinal))];
        Assert.Single(Told(wrong), f => f.Severity == Severity.Warning);
        var great = Line with { Actions = Line.Actions with { OwnFactors = Line.Actions.OwnFactors.Add("strength.I.traffic", 1e9) } };
        Assert.Single(Told(great), f => f.Severity == Severity.Error);
    }

    [Fact]
    public void A_case_that_enters_nothing_is_told_with_its_load()
    {
        OwnLoad load = new()
        {
            Kind = OwnLoadKind.Line,
            Station = 2,
            ToStation = 12,
            Value = 5e3,
        };
        Bridge With(OwnAction action) =>
            Line with
            {
                Actions = Line.Actions with
                {
                    Cases =
                    [
                        new()
                        {
                            Name = "Pipe",
                            Action = action,
                            Loads = [load],
                        },
                    ],
                },
            };
        Finding[] Told(OwnAction action) => [.. BridgeValidation.Check(With(action)).Where(f => f.Path == "/actions/cases/0/action")];
        Assert.Contains("50.0 kN", Assert.Single(Told(OwnAction.Aside)).Message, StringComparison.Ordinal);
        Assert.Empty(Told(OwnAction.Surfacing));
        var results = TestBridges.Run(With(OwnAction.Surfacing));
        var point = Array.FindIndex([.. results.Model.Points], p => Math.Abs(p.Fraction - 0.5) < 1e-9);
        var effect = results.Effects.All[0].Layout.At(point, GirderEffect.M);
        Assert.Equal(1.5, results.Effects.Find(new("strength.I"))!.Parts(effect, true).Single(p => p.Of.Name == "Pipe").Factor);
    }
}
