using Pravik.Core.Bridges;
using Pravik.Core.Calculations;
using Pravik.Core.Checks;
using Pravik.Core.Checks.En1992;
using Pravik.Core.Codes;
using Pravik.Core.Models;
using Pravik.Core.Proposals;
using Pravik.Core.Runs;
using Pravik.Core.Units;

namespace Pravik.Core.Tests.Design;

/// <summary>Stresses of girders and strands against their limits, and strands proposed so that they pass.</summary>
public sealed class ServiceStressTests
{
    private static readonly Bridge Line = Bridge.New("New") with { Model = new() { Kind = ModelKind.Line } };

    private static Bridge With(Func<GirderType, GirderType> type) => Line with { Girders = Line.Girders.Typed(type) };

    private static CheckOutcome Worst(BridgeResults results, string check) =>
        results.Outcomes.Where(o => o.Check == check).MaxBy(o => o.Utilisation)!;

    /// <summary>
    /// At release, by hand in the middle of G3: −17.78 MPa at the soffit by prestress and +3.73 by the weight; with r_sup = 1.05
    /// −17.782·1.05 + 3.730 = −14.94 MPa against 0.6·38 = 22.8 MPa: 0.655. At the top 5.116·1.05 − 4.058 = 1.31 MPa against f_ctm(t) =
    /// 46/58·4.072 = 3.229 MPa: 0.407.
    /// </summary>
    [Fact]
    public void Release_by_hand()
    {
        var results = TestBridges.Run(Line);
        var point = results.Members[2].Points.First(p => p.Section is { } && Math.Abs(results.Points[p.Number].Fraction - 0.5) < 1e-6);
        var faces = ServiceStress.Of(results.Members[2], point, "stress.release").ToList();
        var soffit = faces.Single(f => f.Face == GirderEffect.Bottom && !f.IsGreatest);
        Assert.Equal(-14.94e6, soffit.Stress, 0.02e6);
        Assert.Equal(-22.8e6, soffit.Limit, 1);
        Assert.Equal(0.655, soffit.Utilisation, 2e-3);
        var top = faces.Single(f => f.Face == GirderEffect.GirderTop && f.IsGreatest);
        Assert.Equal(1.31e6, top.Stress, 0.02e6);
        Assert.Equal(0.407, top.Utilisation, 4e-3);
    }

    /// <summary>
    /// The frequent combination at the soffit: what the effects have, and 5 % of prestress less. No tension under XD, whose utilisation is 1
    /// − σ/σ_P: 1 where σ = 0.
    /// </summary>
    [Fact]
    public void Exposure_decides_when_cracks_stay_closed()
    {
        var results = TestBridges.Run(Line);
        var (mild, salt) = (results.Members[2], results.Members[2] with { Exposure = "XD1" });
        var point = mild.Points.First(p => Math.Abs(results.Points[p.Number].Fraction - 0.5) < 1e-6);
        var frequent = ServiceStress.Of(salt, point, "stress.closed").Single();
        var effect = results.Model.Layout.At(point.Number, GirderEffect.Bottom);
        var prestress = mild.Prestress[effect];
        Assert.True(prestress < -10e6);
        Assert.Equal(results.Effects.Of(LimitState.Frequent).Greatest[effect] - 0.05 * prestress, frequent.Stress, 1);
        Assert.Equal(1 - frequent.Stress / prestress, frequent.Utilisation, 1e-9);
        var quasi = ServiceStress.Of(mild, point, "stress.closed").ToList();
        Assert.Equal([0, results.Members[2].Points[9].Section!.Concrete[^1].Concrete.Fctm], quasi.Select(f => f.Limit));
        Assert.True(quasi[0].Stress <= frequent.Stress);
        Assert.Single(ServiceStress.Of(mild with { Exposure = "XC1" }, point, "stress.closed"));
    }

    [Fact]
    public void Weak_concrete_at_release_fails_and_says_so()
    {
        var results = TestBridges.Run(
            Line with
            {
                Girders = Line.Girders with
                {
                    Release = new() { Age = 2, Strength = 20e6 },
                },
            }
        );
        var worst = Worst(results, "stress.release");
        Assert.False(worst.Passes);
        var calculation = new Calculation("", UnitSystem.Metric);
        results.Write(worst, calculation);
        Assert.Contains(calculation.Lines, l => l.Symbol == "η" && l.Value == QuantityText.Fixed(worst.Utilisation, 3));
        Assert.Contains(calculation.Lines, l => l.Formula.Contains("f_ctm(t)", StringComparison.Ordinal));
    }

    /// <summary>What an entered stress leaves unchecked stands among what was not checked.</summary>
    [Fact]
    public void An_entered_stress_leaves_release_out()
    {
        var results = TestBridges.Run(With(t => t with { Strands = t.Strands with { EffectiveStress = 1050e6 } }));
        Assert.DoesNotContain(results.Outcomes, o => o.Check is "stress.release" or "stress.building" or "strands.released");
        Assert.Contains(results.NotChecked, n => n.Contains("release", StringComparison.Ordinal));
        Assert.Contains(results.Outcomes, o => o.Check == "stress.sustained");
    }

    /// <summary>σ_pm∞ and each loss are in the calculation; lines add up to the stress that is checked.</summary>
    [Fact]
    public void Every_loss_stands_in_the_calculation_of_strands()
    {
        var results = TestBridges.Run(Line);
        var outcome = Worst(results, "strands.service");
        var row = StrandStress.Governing(
            results.Members.SelectMany(m => m.Points).Single(p => p.Number == outcome.Point).Section!,
            "strands.service"
        );
        Assert.Equal(row.EffectiveStress, row.Steps.Sum(s => s.Change), 1.0);
        Assert.Equal(1395e6, outcome.Resistance, 1.0);
        var calculation = new Calculation("", UnitSystem.Metric);
        results.Write(outcome, calculation);
        Assert.Equal(row.Steps.Count() - 1, calculation.Lines.Count(l => l.Symbol == "Δσ_p") - 1);
    }

    /// <summary>A proposal from far too few strands passes in the ordinary run, and fewer of the same do not.</summary>
    [Fact]
    public void Proposed_strands_pass_when_the_bridge_is_run_with_them()
    {
        var bare = With(t => t with { Strands = t.Strands with { Rows = [new() { Level = 0.06, Count = 4 }] } });
        Assert.False(TestBridges.Run(bare).Governing!.Passes);
        var proposal = StrandProposal.Of(bare, 0, null, TestBridges.Stores);
        Assert.Equal("", proposal.Why);
        var results = TestBridges.Run(With(t => t with { Strands = t.Strands with { Rows = proposal.Rows } }));
        Assert.True(results.Outcomes.Where(o => o.Check.Split('.')[0] is not ("shear" or "fatigue")).All(o => o.Passes));
        var fewer = proposal.Rows.SetItem(proposal.Rows.Length - 1, proposal.Rows[^1] with { Count = proposal.Rows[^1].Count - 2 });
        Assert.False(TestBridges.Run(With(t => t with { Strands = t.Strands with { Rows = fewer } })).Governing!.Passes);
    }

    [Fact]
    public void Where_no_strands_do_the_check_that_cannot_be_met_is_told()
    {
        var weak = Line with
        {
            Girders = Line.Girders with
            {
                Release = new() { Age = 2, Strength = 10e6 },
            },
        };
        var proposal = StrandProposal.Of(weak, 0, null, TestBridges.Stores);
        Assert.StartsWith("Stress at release cannot be met: stronger concrete", proposal.Why);
        Assert.NotEmpty(proposal.Rows);
    }
}
