using Pravik.Core.Codes;
using Pravik.Core.Models;
using Pravik.Core.Places;
using Pravik.Core.Runs;
using Pravik.Core.Stages;

namespace Pravik.Core.Tests.Effects;

/// <summary>Generated combinations against hand sums with the factors of EN 1990 Tables A2.1 and A2.4(B) written out.</summary>
public sealed class CombinationTests
{
    private static readonly BridgeResults Demo = TestBridges.Run(TestBridges.OneType);
    private static readonly int Middle = Demo.Points.IndexOf(
        Demo.Points.First(p => p is { Girder.Value: 2, Span.Value: 1 } && Math.Abs(p.Fraction - 0.5) < 1e-9)
    );

    private static double At(string id, bool greatest = true) => Demo.Effects.Find(new(id))!.Side(greatest).Forces(Middle).M;

    private static double Of(ActionResult c) => c.Effects.Forces(Middle).M;

    private static IEnumerable<ActionResult> Slow => Demo.Model.Cases.Where(c => c.Kind is ActionKind.Creep or ActionKind.Shrinkage);

    /// <summary>Weights at their factor, surfacing a fifth more, prestress' part asked for, the last interval only where it worsens.</summary>
    private static double Permanent(double weights, Func<ActionResult, double> prestress)
    {
        var last = Slow.Max(c => c.Day);
        return Demo.Model.Cases.Where(c => c is { Kind: ActionKind.Permanent, IsPassing: false }).Sum(c => weights * Of(c))
            + Demo.Model.Cases.Where(c => c.Kind == ActionKind.Surfacing).Sum(c => weights * 1.2 * Of(c))
            + Demo.Model.Cases.Where(c => c.Kind == ActionKind.Prestress).Sum(prestress)
            + Slow.Where(c => c.Day < last).Sum(Of)
            + Math.Max(0, Slow.Where(c => c.Day == last).Sum(Of));
    }

    [Fact]
    public void Ultimate_with_traffic_leading_is_the_hand_sum()
    {
        Assert.All(Demo.Model.Cases.Where(c => c.Kind is ActionKind.Permanent && !c.IsPassing), c => Assert.True(Of(c) > -1));
        var exact =
            Permanent(1.35, c => c.Secondary!.Forces(Middle).M)
            + 1.2 * At("settlements")
            + 1.35 * At("trafficGroup1a")
            + 1.5 * 0.6 * At("temperature");
        Assert.Equal(exact, At("ultimate.traffic"), 1e-3 * exact);
        Assert.True(At("ultimate") >= At("ultimate.traffic"));
    }

    [Fact]
    public void Characteristic_with_traffic_leading_takes_all_of_prestress()
    {
        var exact = Permanent(1, Of) + At("settlements") + At("trafficGroup1a") + 0.6 * At("temperature");
        Assert.Equal(exact, At("characteristic.traffic"), 1e-3 * Math.Abs(At("trafficGroup1a")));
    }

    [Fact]
    public void What_stands_together_with_a_greatest_moment_adds_up_to_it()
    {
        var effect = Demo.Model.Layout.At(Middle, GirderEffect.M);
        var ultimate = Demo.Effects.Of(LimitState.Ultimate);
        Assert.Equal(At("ultimate"), ultimate.Parts(effect, true).Sum(p => p.Value), 1.0);
        // Factors are those of the code, not loads.
        Assert.All(ultimate.Parts(effect, true), p => Assert.InRange(p.Factor, 0.1, 1.62));
    }

    /// <summary>Every unit brakes by itself, with its own length; a deck in one has one case.</summary>
    [Fact]
    public void Each_unit_brakes_by_itself() =>
        Assert.Equal(new BridgeGeometry(TestBridges.OneType).Units.Length, Demo.Model.Cases.Count(c => c.Kind == ActionKind.Braking));
}
