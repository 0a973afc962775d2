using Pravik.Core.Bridges;
using Pravik.Core.Findings;
using Pravik.Core.Models;
using Pravik.Core.Runs;
using Pravik.Core.Validation;

namespace Pravik.Core.Tests.Analysis.Stages;

/// <summary>Bridges cast in place on falsework: what they carry when it is struck, and what is told of wrong entries.</summary>
public sealed class CastInPlaceTests
{
    private const double Span = 20;

    private static Bridge Cast(params double[] spans) =>
        TestBridges.OneGirder(spans) is var bridge
            ? bridge with
            {
                Girders = bridge.Girders with
                {
                    CastInPlace = true,
                    RunsOn = true,
                    EndGap = 0,
                    Types =
                    [
                        new()
                        {
                            Strands = new() { Rows = [] },
                            Bars = [new() { Count = 8, Diameter = 0.032 }],
                            Links = [new() { Diameter = 0.016, Spacing = 0.1 }],
                        },
                    ],
                },
                Model = new() { Kind = ModelKind.Line },
            }
            : null!;

    private static (double AtMiddle, double AtPier, double Weight) Moments(BridgeResults results, string name)
    {
        var found = results.Model.Cases.Single(c => c.Name.StartsWith(name, StringComparison.Ordinal));
        double At(int span, double fraction) =>
            found.Effects[
                results.Points.Select((p, i) => (p, i)).First(p => p.p.Span == span && Math.Abs(p.p.Fraction - fraction) < 1e-9).i,
                GirderEffect.M
            ];
        return (At(0, 0.5), At(0, 1), found.Account.Load);
    }

    /// <summary>Struck, a simple span has w·l²/8 half way, of girder and slab; nothing weighs before.</summary>
    [Theory]
    [InlineData("Girders")]
    [InlineData("Slab, falsework struck")]
    public void A_simple_span_carries_its_weight_when_it_is_struck(string name)
    {
        var results = TestBridges.Run(Cast(Span));
        var (middle, _, weight) = Moments(results, name);
        Assert.True(weight > 50e3);
        Assert.Equal(weight * Span / 8, middle, 2e-3 * middle);
        Assert.DoesNotContain(results.Model.Cases, c => c.Stage is { } s && s == 0);
    }

    /// <summary>Two spans cast in one: −w·l²/8 over the pier and w·l²/16 half way, though the slab of usual stages would come later.</summary>
    [Fact]
    public void Two_spans_in_one_are_continuous_from_the_start()
    {
        var (middle, pier, weight) = Moments(TestBridges.Run(Cast(Span, Span)), "Girders");
        var w = weight / (2 * Span);
        Assert.Equal(-w * Span * Span / 8, pier, 4e-3 * -pier);
        Assert.Equal(w * Span * Span / 16, middle, 8e-3 * middle);
    }

    /// <summary>Three spans alike about the middle, straight and level across: what is at one end is at the other.</summary>
    [Fact]
    public void The_bridge_over_the_canal_passes_and_is_alike_about_its_middle()
    {
        var results = TestBridges.Run(TestBridges.Read("osier-cut.json"));
        Assert.False(results.Fails);
        Assert.NotEmpty(results.Outcomes);
        foreach (var check in results.Outcomes.Where(o => o.Utilisation > 0.1).GroupBy(o => o.Check))
        {
            double Worst(int span) => check.Where(o => results.Points[o.Point].Span == span).Max(o => o.Utilisation);
            Assert.Equal(Worst(0), Worst(2), 0.01);
        }
    }

    /// <summary>Concrete is as old as it is: everything a month later changes nothing, with creep, shrinkage, tendons and their losses.</summary>
    [Fact]
    public void A_month_later_all_is_the_same()
    {
        var bridge = TestBridges.Read("plover-gate.json");
        var later = bridge with
        {
            Actions = bridge.Actions with
            {
                Stages = [.. bridge.Actions.Stages!.Value.Select(s => s with { Day = s.Day + 30 })],
                LastDay = bridge.Actions.LastDay + 30,
            },
        };
        var (one, other) = (TestBridges.Run(bridge).Outcomes, TestBridges.Run(later).Outcomes);
        Assert.Equal(one.Length, other.Length);
        Assert.All(one.Zip(other), o => Assert.Equal(o.First.Utilisation, o.Second.Utilisation, 1e-9));
    }

    /// <summary>The example is checked in all that bars ask for, and passes; without strands nothing of strands is told.</summary>
    [Fact]
    public void The_voided_slab_is_checked_and_passes()
    {
        var results = TestBridges.Run(TestBridges.Read("clover-drove.json"));
        Assert.False(results.Fails);
        Assert.Equal(
            [
                "ultimate bending",
                "ultimate shear",
                "torsion with shear",
                "anchorage at end supports",
                "stresses of concrete and bars in service",
                "crack widths and least steel along",
                "steel against sudden failure",
                "fatigue along",
            ],
            results.Checked
        );
        Assert.DoesNotContain(results.NotChecked, n => n.Contains("strands", StringComparison.Ordinal));
        // Continuous over the pier: no place is interrupted, and what is checked there is the whole section.
        Assert.All(results.Members[0].Points, p => Assert.False(p.Section?.IsInterrupted ?? false));
        Assert.Equal(2, results.Members[0].Points.Count(p => p.Section is null));
    }

    [Fact]
    public void Bad_bars_and_stages_are_told_with_their_place()
    {
        IEnumerable<Finding> Of(Func<Bridge, Bridge> change) => BridgeValidation.Check(change(Cast(Span)));
        IEnumerable<string> OfBars(BarRow row) =>
            Of(b => b with { Girders = b.Girders.Typed(t => t with { Bars = [row] }) }).Select(f => f.Path);
        Assert.Contains("/girders/types/0/bars/0/count", OfBars(new() { Count = 60, Diameter = 0.04 }));
        Assert.Contains("/girders/types/0/bars/0/count", OfBars(new() { Count = -1 }));
        Assert.Contains("/girders/types/0/bars/0/level", OfBars(new() { Level = 4 }));
        Assert.Contains("/girders/types/0/bars/0/diameter", OfBars(new() { Diameter = double.NaN }));
        Assert.Contains("/girders/types/0/bars/0/to", OfBars(new() { From = 0.6, To = 0.4 }));

        IEnumerable<string> OfStages(params Stage[] stages) =>
            Of(b => b with { Actions = b.Actions with { Stages = [.. stages] } }).Select(f => f.Path);
        var (cast, struck) = (Stage.UsualInPlace[0], Stage.UsualInPlace[1]);
        Assert.DoesNotContain("/actions/stages", OfStages(cast, struck, new() { Loads = "edges, surfacing" }));
        Assert.Contains("/actions/stages/0/releases", OfStages(cast with { Releases = "all" }));
        Assert.Contains("/actions/stages", OfStages(cast));
        Assert.Contains("/actions/stages/0/pours", OfStages(cast with { Pours = "" }, struck));
        Assert.Contains("/actions/stages/2/releases", OfStages(cast, struck, struck));
        Assert.Contains("/actions/stages/1/loads", OfStages(cast, new() { Loads = "edges" }, struck));
    }
}
