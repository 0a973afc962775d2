using Pravik.Core.Bridges;
using Pravik.Core.Effects;
using Pravik.Core.Models;
using Pravik.Core.Places;
using Pravik.Core.Stages;
using Pravik.Core.Validation;

namespace Pravik.Core.Tests.Effects;

/// <summary>Moments of the slab per metre at chosen places of models with shells.</summary>
public sealed class SlabPlaceTests
{
    private const double Middle = 42;

    /// <summary>10 kN/m along the whole deck at some offsets.</summary>
    private static Bridge Deck(double skew, double[] offsets, params SlabPlace[] places)
    {
        var bridge = TestBridges.Symmetric(skew, 24);
        var lines = offsets.Select(offset => new OwnLoad
        {
            Kind = OwnLoadKind.Line,
            Station = 30,
            ToStation = 54,
            Offset = offset,
            ToOffset = offset,
            Value = 10e3,
        });
        return bridge with
        {
            Model = bridge.Model with { Kind = ModelKind.Shells, Divisions = 24, Between = 8, SlabPlaces = [.. places] },
            Actions = bridge.Actions with
            {
                Cases =
                [
                    new()
                    {
                        Name = "Line",
                        Action = OwnAction.Counted,
                        Loads = [.. lines],
                    },
                ],
            },
        };
    }

    private static Func<int, SlabEffect, double> Solved(Bridge bridge)
    {
        var results = ModelRun.Run(new(bridge), withTraffic: false);
        var effects = results.Find(CaseId.Own(1))!.Effects;
        return (place, effect) => effects[results.Layout.AtSlab(place) + (int)effect];
    }

    private static SlabPlace At(double offset, double station = Middle) => new() { Station = station, Offset = offset };

    /// <summary>
    /// A load of p along the left edge, and the overhang from y₀ to it, a wide: m_across(y₀) = −p·a + ∂/∂x ∫(m_twist − (y − y₀)·v_along)dy
    /// and v_across(y₀) = p + ∂/∂x ∫v_along dy, y to the left; over two shells along and three across.
    /// </summary>
    [Fact]
    public void The_overhang_is_in_equilibrium()
    {
        const double P = 10e3;
        const double Width = 0.25;
        var edge = new BridgeGeometry(TestBridges.Symmetric(0, 24)).LeftEdge(Middle);
        double[] across = [0.5 * Width, 1.5 * Width, 2.5 * Width];
        SlabPlace[] behind = [.. across.Select(y => At(edge + y, Middle - 1))];
        SlabPlace[] ahead = [.. across.Select(y => At(edge + y, Middle + 1))];
        SlabPlace[] root = [At(edge + 3 * Width, Middle - 0.5), At(edge + 3 * Width, Middle + 0.5)];
        var value = Solved(Deck(0, [edge], [.. behind, .. ahead, .. root]));
        double Grown(int i, SlabEffect effect) => (value(i + 3, effect) - value(i, effect)) / 2 * Width;
        double Root(SlabEffect effect) => (value(6, effect) + value(7, effect)) / 2;
        var (a, moment, shear) = (3 * Width, -P * 3 * Width, P);
        for (var i = 0; i < across.Length; i++)
        {
            moment += Grown(i, SlabEffect.Twist) - (a - across[i]) * Grown(i, SlabEffect.ShearAlong);
            shear += Grown(i, SlabEffect.ShearAlong);
        }
        Assert.Equal(moment, Root(SlabEffect.Across), 0.01 * P * a);
        Assert.Equal(shear, Root(SlabEffect.ShearAcross), 0.01 * P);
    }

    /// <summary>A deck and a load that are the same on both sides: so are the moments, and their twist and shear across change sign.</summary>
    [Fact]
    public void What_is_symmetric_stays_so()
    {
        var value = Solved(Deck(0, [0], At(-1.1, 38), At(1.1, 38), At(0, Middle)));
        foreach (var effect in new[] { SlabEffect.Along, SlabEffect.Across, SlabEffect.ShearAlong })
            Assert.Equal(value(0, effect), value(1, effect), 1.0);
        foreach (var effect in new[] { SlabEffect.Twist, SlabEffect.ShearAcross })
            Assert.Equal(value(0, effect), -value(1, effect), 1.0);
        // Under the load the slab sags across between its girders, about p·s/4 less what it is held by.
        Assert.InRange(value(2, SlabEffect.Across), 1e3, 10e3);
    }

    /// <summary>Between the middles of shells values run on as a line, and none jumps at a mesh line.</summary>
    [Fact]
    public void Values_run_on_from_shell_to_shell()
    {
        const double Little = 1e-6;
        SlabPlace[] beside = [At(0, Middle - Little), At(0, Middle + Little), At(-Little, 41.6), At(Little, 41.6)];
        var value = Solved(Deck(0.35, [0.3], [.. beside, At(0.4, 41.4), At(0.4, 41.5), At(0.4, 41.6)]));
        foreach (var effect in Enum.GetValues<SlabEffect>())
        {
            Assert.Equal(value(0, effect), value(1, effect), 2.0);
            Assert.Equal(value(2, effect), value(3, effect), 2.0);
            Assert.Equal(value(5, effect), (value(4, effect) + value(6, effect)) / 2, 1e-6);
        }
    }

    [Fact]
    public void A_place_off_the_deck_or_without_shells_is_told()
    {
        var bridge = Deck(0, [0], At(60));
        var finding = Assert.Single(BridgeValidation.Check(bridge), f => f.Path == "/model/slabPlaces/0/station");
        Assert.Contains("off the deck", finding.Message, StringComparison.Ordinal);
        var grillage = bridge with { Model = bridge.Model with { Kind = ModelKind.Grillage } };
        Assert.Contains(BridgeValidation.Check(grillage), f => f.Path == "/model/kind");
        Assert.True(ModelRun.Run(new(grillage), withTraffic: false).Layout.Slab.IsEmpty);
    }
}
