using Pravik.Core.Materials;

namespace Pravik.Core.Tests.Materials;

public class MaterialTests
{
    /// <summary>
    /// EN 1992-1-1 Table 3.1 as printed: fcm (MPa), fctm (one decimal), Ecm (GPa), εc2, εcu2 (‰, one decimal) and n (one decimal).
    /// The rounded table can differ by one in its last figure from the formulas beside it; C12/15 has Ecm 27 and C40/50 35.
    /// </summary>
    [Theory]
    [InlineData("C12/15", 20, 1.6, 27, 2.0, 3.5, 2.0)]
    [InlineData("C16/20", 24, 1.9, 29, 2.0, 3.5, 2.0)]
    [InlineData("C20/25", 28, 2.2, 30, 2.0, 3.5, 2.0)]
    [InlineData("C25/30", 33, 2.6, 31, 2.0, 3.5, 2.0)]
    [InlineData("C30/37", 38, 2.9, 33, 2.0, 3.5, 2.0)]
    [InlineData("C35/45", 43, 3.2, 34, 2.0, 3.5, 2.0)]
    [InlineData("C40/50", 48, 3.5, 35, 2.0, 3.5, 2.0)]
    [InlineData("C45/55", 53, 3.8, 36, 2.0, 3.5, 2.0)]
    [InlineData("C50/60", 58, 4.1, 37, 2.0, 3.5, 2.0)]
    [InlineData("C55/67", 63, 4.2, 38, 2.2, 3.1, 1.75)]
    [InlineData("C60/75", 68, 4.4, 39, 2.3, 2.9, 1.6)]
    [InlineData("C70/85", 78, 4.6, 41, 2.4, 2.7, 1.45)]
    [InlineData("C80/95", 88, 4.8, 42, 2.5, 2.6, 1.4)]
    [InlineData("C90/105", 98, 5.0, 44, 2.6, 2.6, 1.4)]
    public void Concrete_agrees_with_the_table_of_the_standard(string name, double fcm, double fctm, double ecm, double epsilonC2, double epsilonCu2, double exponent)
    {
        var concrete = Concrete.Of(new() { Class = name });
        Assert.Equal(fcm, concrete.Fcm / 1e6, 1e-9);
        Assert.Equal(fctm, concrete.Fctm / 1e6, 0.051);
        Assert.Equal(ecm, concrete.Ecm / 1e9, 0.6);
        Assert.Equal(epsilonC2, concrete.EpsilonC2 * 1e3, 0.051);
        Assert.Equal(epsilonCu2, concrete.EpsilonCu2 * 1e3, 0.051);
        Assert.Equal(exponent, concrete.Exponent, 0.051);
    }

    [Fact]
    public void Own_values_replace_derived_ones() => Assert.Equal(30e9, Concrete.Of(new() { Ecm = 30e9 }).Ecm);

    [Fact]
    public void Unknown_classes_are_refused()
    {
        Assert.Throws<ArgumentException>(() => Concrete.Of(new() { Class = "C36/46" }));
        Assert.Throws<ArgumentException>(() => ReinforcingSteel.Of(new() { Class = "B501" }));
        Assert.Throws<ArgumentException>(() => PrestressingSteel.Of(new() { Type = "string" }));
    }

    [Fact]
    public void The_parabola_rectangle_runs_through_its_points()
    {
        var concrete = Concrete.Of(new() { Class = "C35/45" });
        Assert.Equal(0, concrete.Stress(-0.001, 20e6));
        Assert.Equal(15e6, concrete.Stress(0.001, 20e6), 1e-3); // 1 − (1 − ½)² = ¾
        Assert.Equal(20e6, concrete.Stress(0.002, 20e6), 1e-3);
        Assert.Equal(20e6, concrete.Stress(0.0035, 20e6), 1e-3);
    }

    [Fact]
    public void Strand_stress_rises_to_the_tensile_strength_at_its_characteristic_strain()
    {
        var strand = PrestressingSteel.Of(new());
        var yield = strand.Fp01k / 1.15 / strand.Ep;
        Assert.Equal(strand.Fp01k / 1.15, strand.Stress(yield, 1.15), 1);
        Assert.Equal(strand.Fpk / 1.15, strand.Stress(0.02 / 0.9, 1.15), 1);
        Assert.Equal(-strand.Stress(0.01, 1.15), strand.Stress(-0.01, 1.15), 1e-6);
    }
}
