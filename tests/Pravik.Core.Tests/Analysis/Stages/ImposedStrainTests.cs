using Pravik.Core.Bridges;
using Pravik.Core.Effects;
using Pravik.Core.Loads;
using Pravik.Core.Materials;
using Pravik.Core.Models;
using Pravik.Core.Places;
using Pravik.Core.Sections;

namespace Pravik.Core.Tests.Analysis.Stages;

/// <summary>Temperature through the depth, wind, creep and shrinkage against closed forms and the standards' own figures.</summary>
public sealed class ImposedStrainTests
{
    private static readonly MadeSection Block = new(
        new()
        {
            Name = "Block",
            Family = SectionFamily.Own,
            Outlines =
            [
                new() { Corners = [new() { X = 0, Y = 0 }, new() { X = 0.5, Y = 0 }, new() { X = 0.5, Y = 1 }, new() { X = 0, Y = 1 }] },
            ],
        }
    );

    private static LayeredSection Plain => new(Block.Bending, Block.Bending, 0, 0, 0, 0, 1, 30e9);

    /// <summary>
    /// A strain that grows with the square of the height in a rectangle of depth 1: ε = ⅓, κ = −∫z²·(z − ½) dz·12 = −1; what stays is
    /// z² − z + ¹⁄₆ with its sign changed.
    /// </summary>
    [Fact]
    public void A_parabola_of_strain_in_a_rectangle()
    {
        var free = new ImposedStrain(Plain, Block, z => 1e-4 * z * z, _ => 0);
        Assert.Equal(1e-4 / 3, free.Whole.Axial, 1e-15);
        Assert.Equal(-1e-4, free.Whole.Curvature, 1e-15);
        foreach (var z in new[] { 0, 0.3, 0.5, 1.0 })
            Assert.Equal(-30e9 * 1e-4 * (z * z - z + 1.0 / 6), free.GirderStress(z), 1e-3);
        var (force, moment) = free.Rest();
        Assert.Equal(0, force, 1e-3);
        Assert.Equal(0, moment, 1e-3);
    }

    /// <summary>
    /// Figure 6.2c with Table B.3 for a depth of 1 m and 100 mm of surfacing: 13.5 K to 3 K over 0.15 m, to nothing over 0.25 m; 2.5 K at
    /// the soffit over 0.2 m.
    /// </summary>
    [Fact]
    public void Heating_of_a_rectangle_by_hand()
    {
        var profile = TemperatureProfile.Heating(1.0, 0.1);
        Assert.Equal([13.5, 3, 0, 0, 2.5], new[] { 1, 0.85, 0.60, 0.2, 0 }.Select(profile.AtHeight), (a, b) => Math.Abs(a - b) < 1e-12);
        var free = new ImposedStrain(Plain, Block, z => 1e-5 * profile.AtHeight(z), _ => 0, profile.Corners);
        // ∫T dz by trapezia, and ∫T·(½ − z) dz piece by piece.
        var area = (13.5 + 3) / 2.0 * 0.15 + 3 * 0.25 / 2 + 2.5 * 0.2 / 2;
        var moment =
            -(3 * 0.15 * (0.5 - 0.075) + 10.5 * 0.15 / 2 * (0.5 - 0.05))
            - 3 * 0.25 / 2 * (0.35 - 0.25 / 3)
            + 2.5 * 0.2 / 2 * (0.5 - 0.2 / 3);
        Assert.Equal(1e-5 * area, free.Whole.Axial, 1e-14);
        Assert.Equal(1e-5 * moment * 12, free.Whole.Curvature, 1e-14);
        var cool = TemperatureProfile.Cooling(1.5, 0.1);
        Assert.Equal(
            [-8.4, -0.5, 0, 0, -1.0, -6.5],
            new[] { 1.5, 1.25, 1.05, 0.45, 0.25, 0 }.Select(cool.AtHeight),
            (a, b) => Math.Abs(a - b) < 1e-12
        );
    }

    /// <summary>
    /// In a simple span a temperature difference bends and does not strain; joined over a pier the restrained part is 1.5·EI·κ at the
    /// pier of two equal spans.
    /// </summary>
    [Fact]
    public void A_temperature_difference_on_two_spans()
    {
        var bridge = TestBridges.OneGirder(20, 20) with { Model = new() { Kind = ModelKind.Line } };
        var results = ModelRun.Run(new(bridge));
        var section = results.Finished.Sections[0][3]!;
        var geometry = new BridgeGeometry(bridge);
        var made = geometry.SectionOf(geometry.Girders[0], 0);
        var profile = TemperatureProfile.Heating(section.SlabMiddle + section.SlabThickness / 2, bridge.Deck.Patterns[0].Surfacing);
        var free = new ImposedStrain(section, made, z => 1e-5 * profile.AtHeight(z), z => 1e-5 * profile.AtHeight(z), profile.Corners);
        var exact = -1.5 * section.Modulus * section.Composite.SecondMoment * free.Whole.Curvature;
        Assert.True(exact > 0, "warm on top, the girder hogs freely, and is held down by sagging moments");
        Assert.Equal(
            exact,
            results.Find(new("heating"))!.Effects.Forces(results.Points.IndexOf(results.Points.First(p => p.Span == 1))).M,
            2e-3 * exact
        );
        Assert.Equal(0, free.Rest(profile.Corners).Force, 10.0);
    }

    /// <summary>EN 1992-1-1 Table 3.2, cement N: nominal drying shrinkage in ‰.</summary>
    [Theory]
    [InlineData("C20/25", 0.80, 0.30)]
    [InlineData("C20/25", 0.40, 0.58)]
    [InlineData("C40/50", 0.60, 0.38)]
    [InlineData("C60/75", 0.80, 0.19)]
    [InlineData("C80/95", 0.20, 0.30)]
    public void Nominal_drying_shrinkage_of_the_table(string name, double humidity, double expected) =>
        Assert.Equal(expected, 1000 * new Shrinkage(Concrete.Of(new() { Class = name }), humidity, 0.2, "N").NominalDrying, 0.0051);

    /// <summary>EN 1992-1-1 Annex B worked through by hand for C30/37, cement N.</summary>
    [Fact]
    public void Creep_of_annex_b()
    {
        var concrete = Concrete.Of(new() { Class = "C30/37" });
        // RH 50 %, h₀ = 200 mm: φ_RH = (1 + 0.5/(0.1·5.8480)·0.9440)·0.9837 = 1.7777; 1.7777·2.7253·0.4884.
        Assert.Equal(2.366, new Creep(concrete, 0.5, 0.2, "N").Notional(28), 2e-3);
        // f_cm = 38: α1 = 0.9440, α2 = 0.9837, α3 = 0.9597; φ_RH = (1 + 0.2/(0.1·6.6943)·0.9440)·0.9837 = 1.2611; β(f) = 2.7253; β(28)
        // = 0.4884; φ0 = 1.6787.
        var outside = new Creep(concrete, 0.8, 0.3, "N");
        Assert.Equal(1.6787, outside.Notional(28), 5e-4);
        // β_H = 1.5·(1 + 0.96¹⁸)·300 + 250·0.9597 = 905.7; φ(393, 28) = 1.6787·(365/1270.7)^0.3.
        Assert.Equal(1.6787 * Math.Pow(365 / (365 + 905.7), 0.3), outside.At(393, 28), 1e-3);
        Assert.Equal(0, outside.At(28, 28));
        Assert.True(new Creep(concrete, 0.8, 0.3, "R").At(1e4, 7) < new Creep(concrete, 0.8, 0.3, "S").At(1e4, 7));
    }

    /// <summary>EN 1991-1-4 Table 8.2 at its corners, and the force for 24 m/s.</summary>
    [Fact]
    public void Wind_factors_of_the_table()
    {
        Assert.Equal(6.7, DeckWind.FactorOf(0.5, 10), 12);
        Assert.Equal(3.6, DeckWind.FactorOf(4, 20), 12);
        Assert.Equal(8.3, DeckWind.FactorOf(0.2, 50), 12);
        Assert.Equal((3.6 + 4.5) / 2, DeckWind.FactorOf(6, 35), 12);
        Assert.Equal(360e3 + 2.7e3 * 50, TrafficForces.Braking(50, new Basis().Values), 6);
        Assert.Equal(900e3, TrafficForces.Braking(500, new Basis().Values), 6);
    }
}
