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
    public void Concrete_agrees_with_the_table_of_the_standard(
        string name,
        double fcm,
        double fctm,
        double ecm,
        double epsilonC2,
        double epsilonCu2,
        double exponent
    )
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

    /// <summary>
    /// Grades of AASHTO LRFD in their own units: Ec = 120,000·0.145²·4^0.33 = 3,987 ksi and 120,000·0.1485²·8.5^0.33 = 5,362 ksi; f'c,
    /// fy and fpu as named.
    /// </summary>
    [Fact]
    public void Grades_of_aashto_have_their_values()
    {
        const double Ksi = 6894757.293;
        Assert.Equal(3987, Concrete.Of(new() { Class = "4 ksi" }).Ecm / Ksi, 1.0);
        Assert.Equal(5362, Concrete.Of(new() { Class = "8.5 ksi" }).Ecm / Ksi, 1.0);
        Assert.Equal(8.5, Concrete.Of(new() { Class = "8.5 ksi" }).Fck / Ksi, 1e-9);
        Assert.Equal(
            (60.0, 29000.0),
            (
                Math.Round(ReinforcingSteel.Of(new() { Class = "Grade 60" }).Fyk / Ksi, 6),
                Math.Round(ReinforcingSteel.Of(new() { Class = "Grade 60" }).Es / Ksi, 3)
            )
        );
        var strand = PrestressingSteel.Of(new() { Type = "Grade 270, 0.6 in" });
        Assert.Equal([270, 243, 28500], new[] { strand.Fpk, strand.Fp01k, strand.Ep }.Select(v => Math.Round(v / Ksi, 3)));
        Assert.Equal(0.217, strand.Area / 0.0254 / 0.0254, 5e-4);
        Assert.Equal(
            (50.0, 70.0),
            (
                Math.Round(StructuralSteel.Of(new() { Class = "Grade 50W" }).Fy / Ksi, 6),
                Math.Round(StructuralSteel.Of(new() { Class = "Grade 50W" }).Fu / Ksi, 6)
            )
        );
    }

    /// <summary>EN 1993-1-1 Table 3.1: S355 has 355 and 510 MPa to 40 mm, 335 and 470 to 80 mm.</summary>
    [Fact]
    public void Structural_steel_is_weaker_in_thick_plates()
    {
        var steel = StructuralSteel.Of(new());
        Assert.Equal((355e6, 335e6, 510e6, 470e6), (steel.Yield(0.04), steel.Yield(0.041), steel.Fu, steel.FuThick));
        Assert.Equal(300e6, StructuralSteel.Of(new() { Fy = 300e6 }).Yield(0.06));
        Assert.Throws<ArgumentException>(() => StructuralSteel.Of(new() { Class = "S1" }));
    }

    /// <summary>
    /// EN 1992-1-1 (3.28) to (3.30) by hand at 0.7 of the tensile strength after 500 000 h, (500)^0.225 = 4.048: class 1
    /// 5.39·8·e^4.69·4.048·10⁻⁵ = 0.190, class 2 0.66·2.5·e^6.37·… = 0.0390,
    /// class 3 1.98·4·e^5.6·… = 0.0867. After 1000 h the formulas give 0.5867, 0.3855 and 0.5354 of ρ1000, which is told for the strength
    /// that strand has in truth.
    /// </summary>
    [Theory]
    [InlineData(1, 0.190, 0.08, 0.5867)]
    [InlineData(2, 0.0390, 0.025, 0.3855)]
    [InlineData(3, 0.0867, 0.04, 0.5354)]
    public void Relaxation_follows_its_class(int relaxationClass, double final, double rho, double early)
    {
        var strand = PrestressingSteel.Of(new() { RelaxationClass = relaxationClass });
        Assert.Equal(final, strand.Relaxation(0.7, 500_000), 0.005 * final);
        Assert.Equal(rho, strand.Rho1000);
        Assert.Equal(early, strand.Relaxation(0.7, 1000) / rho, 2e-4);
    }

    /// <summary>Bars of class B: k = 1.08 at εuk = 5 %, used to 0.9·εuk; level without limit.</summary>
    [Fact]
    public void Bars_stay_level_or_rise()
    {
        var (level, rising) = (ReinforcingSteel.Of(new()), ReinforcingSteel.Of(new() { Branch = Branch.Rising }));
        Assert.Equal((500e6 / 1.15, double.PositiveInfinity), (level.Stress(0.04, 1.15), level.StrainLimit));
        Assert.Equal(1.08 * 500e6 / 1.15, rising.Stress(0.05, 1.15), 1);
        Assert.Equal(0.045, rising.StrainLimit, 1e-12);
        Assert.Equal(500e6 / 1.15, rising.Stress(500e6 / 1.15 / 200e9, 1.15), 1);
        Assert.Equal(-rising.Stress(0.02, 1.15), rising.Stress(-0.02, 1.15));
    }

    /// <summary>
    /// An own line drawn through the parabola's points gives nearly its stresses; between points it is straight, beyond the last level.
    /// </summary>
    [Fact]
    public void Own_lines_take_the_place_of_laws()
    {
        var law = Concrete.Of(new());
        var line = Enumerable
            .Range(1, 40)
            .Select(i => i * 0.0035 / 40)
            .Select(e => new LinePoint { Strain = e, Stress = law.Stress(e, law.Fck) });
        var own = Concrete.Of(new() { Line = [.. line] });
        for (var e = 0.0; e <= 0.0035; e += 0.0001)
            Assert.Equal(law.Stress(e, 20e6), own.Stress(e, 20e6), 0.02e6);
        Assert.Equal(0.0035, own.EpsilonCu2, 1e-12);
        var bars = ReinforcingSteel.Of(
            new() { Line = [new() { Strain = 0.002, Stress = 400e6 }, new() { Strain = 0.03, Stress = 460e6 }] }
        );
        Assert.Equal([200e6, 430e6, 460e6, -200e6], new[] { 0.001, 0.016, 0.05, -0.001 }.Select(e => Math.Round(bars.Stress(e, 1))));
        Assert.Equal(0.03, bars.StrainLimit);
        Assert.Equal(400e6 / 1.15, bars.Stress(0.002, 1.15), 1);
        Assert.NotNull(StressLine.Problem([new() { Strain = 0.002, Stress = 1e6 }, new() { Strain = 0.001, Stress = 2e6 }]));
        Assert.NotNull(StressLine.Problem([new() { Strain = 0.002, Stress = 1e6 }]));
    }
}
