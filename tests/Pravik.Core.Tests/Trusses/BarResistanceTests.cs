using Pravik.Core.Trusses;

namespace Pravik.Core.Tests.Trusses;

/// <summary>Resistances of bars by hand (EN 1993-1-1 6.2.3, 6.3.1), γ_M1 = 1.1.</summary>
public class BarResistanceTests
{
    /// <remarks>
    /// Worked by hand: tube A = 3310 mm², i = 46.65 mm, λ̄ = 1.403, α = 0.21 (0.13 in S460); square of 60 mm, f_y = 255 MPa beyond 40 mm;
    /// plate i = t/√12; angles without fillets, i = 30.5 mm; HEB 200 with the published 78.08 cm² and 2003 cm⁴, curve c about the weak axis.
    /// </remarks>
    [Theory]
    [InlineData("tube", "139.7 × 8", "S355", 5, 1175.04, 444.97, 107.18)]
    [InlineData("tube", "139.7 × 8", "S460 N", 5, 1522.59, 489.02, 107.18)]
    [InlineData("square", "60", "S275", 2, 918.00, 331.34, 115.47)]
    [InlineData("plate", "200 × 20", "S235", 1.5, 940.00, 94.25, 259.81)]
    [InlineData("angles", "2 L 100 × 12", "S355", 3, 1601.76, 630.92, 98.33)]
    [InlineData("i", "HEB 200", "S355", 4, 2771.84, 1312.10, 78.97)]
    public void Each_family_by_hand(
        string family,
        string size,
        string grade,
        double length,
        double tension,
        double compression,
        double slender
    )
    {
        var scheme = TrussScheme.New(new());
        var section = BarCatalogue.Section(scheme, family, size)!;
        var found = BarResistance.Of(section, BarCatalogue.Grade(scheme, grade)!, length, new());
        Assert.Equal(tension, found.Tension / 1e3, 0.0006 * tension);
        Assert.Equal(compression, found.Compression / 1e3, 0.0006 * compression);
        Assert.Equal(slender, found.Slenderness, 0.001 * slender);
    }

    [Theory]
    [InlineData("HEB 200", 78.08, 5696, 2003)]
    [InlineData("HEA 300", 112.5, 18260, 6310)]
    [InlineData("HEB 400", 197.8, 57680, 10820)]
    public void Rolled_shapes_have_the_published_properties(string size, double area, double strong, double weak)
    {
        var section = BarCatalogue.Section(TrussScheme.New(new()), "i", size)!;
        Assert.Equal(area, section.Area * 1e4, 0.001 * area);
        Assert.Equal(strong, section.Axes[0].I * 1e8, 0.002 * strong);
        Assert.Equal(weak, section.Axes[1].I * 1e8, 0.002 * weak);
    }

    [Fact]
    public void A_stocky_bar_is_squashed_and_a_long_one_approaches_Euler()
    {
        var section = BarCatalogue.Section(TrussScheme.New(new()), "tube", "139.7 × 8")!;
        var grade = BarCatalogue.Grades[2];
        Assert.Equal(1, BarResistance.Of(section, grade, 0.3, new()).Reduction);
        var far = BarResistance.Of(section, grade, 60, TestTrusses.Plain);
        var euler = Math.PI * Math.PI * grade.E * section.LeastSecondMoment / 3600;
        Assert.InRange(far.Compression / euler, 0.96, 1);
    }

    [Fact]
    public void Walls_of_class_4_are_told()
    {
        var scheme = TrussScheme.New(new());
        var angles = BarCatalogue.Section(scheme, "angles", "2 L 90 × 10")!;
        Assert.True(angles.IsWholeInCompression(BarCatalogue.Grade(scheme, "S355")!));
        Assert.False(angles.IsWholeInCompression(BarCatalogue.Grade(scheme, "S460 N")!));
    }
}
