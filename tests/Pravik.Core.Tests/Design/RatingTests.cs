using Pravik.Core.Bridges;
using Pravik.Core.Checks;
using Pravik.Core.Models;
using Pravik.Core.Vehicles;

namespace Pravik.Core.Tests.Design;

/// <summary>Rating factors: by hand, against the bridge with traffic as many times as heavy, and of traffic that nothing resists.</summary>
public class RatingTests
{
    private static readonly Vehicle Permit = new("Permit", Vehicle.Alike(6, 120e3, 1.5)) { Dynamic = 1.1 };

    /// <summary>A simple span of a straight deck with four girders.</summary>
    private static Bridge Loaded(double times = 1, params string[] models)
    {
        var bridge = TestBridges.Symmetric(0, 22);
        var heavy = Permit with { Axles = [.. Permit.Axles.Select(a => a with { Load = times * a.Load })] };
        return bridge with
        {
            Model = bridge.Model with { Divisions = 10 },
            Girders = bridge.Girders.Typed(t => t with { Links = [new() { Diameter = 0.016, Spacing = 0.08 }] }) with { StrutSlope = 1.2 },
            Traffic = new() { Vehicles = [heavy], Models = [.. models.Prepend("Permit").Select(m => new TrafficUse { Name = m })] },
        };
    }

    private static IReadOnlyList<RatedCheck> Rated(Bridge bridge)
    {
        var results = TestBridges.Run(bridge);
        results.Rate();
        return results.Ratings!;
    }

    private static RatedCheck Least(IEnumerable<RatedCheck> rated, string traffic) => rated.First(r => r.Basis.Traffic == traffic);

    /// <summary>
    /// In a simple span on bearings that move there is no axial force, so that the resistance does not depend on the traffic: (C − D)/(γ·L).
    /// </summary>
    [Fact]
    public void A_factor_is_what_the_resistance_leaves_over_the_traffic()
    {
        var results = TestBridges.Run(Loaded());
        results.Rate();
        var least = Least(results.Ratings!.Where(r => r.Outcome.Check == "bending.sagging"), "Permit");
        var effect = results.Model.Layout.At(least.Outcome.Source, GirderEffect.M);
        var permanent = results.Effects.PermanentAtUltimate().Greatest[effect];
        var traffic = results.Model.Traffic!["Permit"].Greatest[effect];
        Assert.Equal((least.Outcome.Resistance - permanent) / (1.35 * traffic), least.Factor, 2e-3 * least.Factor);
        Assert.Equal(1, least.Outcome.Utilisation, 1e-4);
        // No other place of a girder allows less.
        Assert.Equal(results.Ratings!.Min(r => r.Factor), results.Ratings![0].Factor);
    }

    /// <summary>
    /// The same for the struts at the end of a girder, with shears straight between the end of the span and the place: what stands beside
    /// the factor gives it.
    /// </summary>
    [Fact]
    public void Struts_at_the_end_are_rated_by_the_shear_there()
    {
        var results = TestBridges.Run(Loaded());
        results.Rate();
        var least = Least(results.Ratings!.Where(r => r.Outcome.Check == "shear.struts"), "Permit");
        var (outcome, to) = (least.Outcome, least.Outcome.Towards!.Value);
        double At(Core.Effects.EffectRange range)
        {
            double Of(int point) => range.Side(outcome.IsGreatest)[results.Model.Layout.At(point, GirderEffect.V)];
            return Of(outcome.Source) + to.Part * (Of(to.Point) - Of(outcome.Source));
        }
        var (permanent, traffic) = (At(least.Basis.Others), least.Basis.Factor * At(least.Basis.Load));
        Assert.Equal((outcome.Resistance - permanent) / traffic, least.Factor, 2e-3 * least.Factor);
    }

    /// <summary>A vehicle that is as many times as heavy as its factor says has the factor 1.</summary>
    [Fact]
    public void Traffic_made_as_heavy_as_it_may_be_has_the_factor_one()
    {
        var factor = Least(Rated(Loaded()), "Permit").Factor;
        Assert.InRange(factor, 0.5, 10);
        Assert.Equal(1, Least(Rated(Loaded(factor)), "Permit").Factor, 1e-3);
        Assert.Equal(factor / 2, Least(Rated(Loaded(2)), "Permit").Factor, 1e-3 * factor);
    }

    /// <summary>Inventory and operating differ by their factors on the live load, 1.75 and 1.35.</summary>
    [Fact]
    public void Design_lanes_are_rated_for_inventory_and_operating()
    {
        var rated = Rated(Loaded(1, "HL-93", "LM71"));
        double Of(string rule) => rated.First(r => r.Basis is { Traffic: "HL-93" } && r.Basis.Rule == rule).Factor;
        Assert.Equal(1.75 / 1.35, Of("operating") / Of("inventory"), 1e-3);
        Assert.Equal(1.45, Least(rated, "LM71").Basis.Factor);
        Assert.Contains(rated, r => r.Basis.Traffic == "LM1");
    }

    /// <summary>Where permanent actions fail alone nothing may drive.</summary>
    [Fact]
    public void Nothing_may_drive_where_permanent_actions_fail_alone()
    {
        var weak = Loaded() with { Loads = new() { SurfacingWeight = 24e3 * 14 } };
        Assert.Equal(0, Rated(weak)[0].Factor);
    }
}
