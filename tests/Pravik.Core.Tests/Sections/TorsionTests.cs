using Pravik.Core.Geometry;
using Pravik.Core.Sections;

namespace Pravik.Core.Tests.Sections;

/// <summary>Torsion constants against closed forms.</summary>
public class TorsionTests
{
    private static SectionPart Box(double width, double height, double weight = 1, bool isVoid = false, double x = 0, double y = 0) =>
        new(
            new([
                new(x - width / 2, y - height / 2),
                new(x + width / 2, y - height / 2),
                new(x + width / 2, y + height / 2),
                new(x - width / 2, y + height / 2),
            ]),
            weight,
            isVoid
        );

    private static SectionPart Round(double radius, int points, bool isVoid = false) =>
        new(
            new(
                Enumerable
                    .Range(0, points)
                    .Select(i => radius * new Point(Math.Cos(2 * Math.PI * i / points), Math.Sin(2 * Math.PI * i / points)))
            ),
            1,
            isVoid
        );

    /// <summary>
    /// Series of Saint-Venant (Timoshenko and Goodier, article 109): 0.140577 for the square, 0.457363 for 2:1, 3.12322 for 10:1, by
    /// the short side.
    /// </summary>
    [Theory]
    [InlineData(1, 0.140577)]
    [InlineData(2, 0.457363)]
    [InlineData(10, 3.12322)]
    public void Rectangles_keep_to_the_series(double ratio, double factor)
    {
        var (lower, upper) = TorsionConstant.Bounds([Box(0.3 * ratio, 0.3)]);
        var exact = factor * Math.Pow(0.3, 4);
        Assert.InRange(exact, lower * (1 - 1e-5), upper * (1 + 1e-5));
        Assert.Equal(exact, (lower + upper) / 2, exact * 1e-3);
    }

    /// <summary>πr⁴/2 of the circle of the same area, which a polygon of 64 corners misses by less than 1e-4.</summary>
    [Fact]
    public void A_circle_and_a_ring_keep_to_the_closed_form()
    {
        var share = 64 * Math.Sin(2 * Math.PI / 64) / (2 * Math.PI);
        var full = Math.PI / 2 * Math.Pow(0.5, 4) * share * share;
        Assert.Equal(full, TorsionConstant.Of([Round(0.5, 64)]), full * 1e-3);
        var ring = full - Math.PI / 2 * Math.Pow(0.4, 4) * share * share;
        Assert.Equal(ring, TorsionConstant.Of([Round(0.5, 64), Round(0.4, 64, true)]), ring * 2e-3);
    }

    /// <summary>A box of thin walls by Bredt, 4A²t/s, and the walls' own s·t³/3 besides.</summary>
    [Fact]
    public void A_thin_box_keeps_to_Bredt()
    {
        const double T = 0.02;
        var bredt = 4 * Math.Pow(1.98 * 0.98, 2) * T / (2 * (1.98 + 0.98)) + 2 * (1.98 + 0.98) * Math.Pow(T, 3) / 3;
        Assert.Equal(bredt, TorsionConstant.Of([Box(2, 1), Box(1.96, 0.96, 1, true)]), bredt * 0.01);
    }

    /// <summary>A welded girder: Σ b·t³/3, less 0.105·t⁴·… at free ends and more where web and flanges meet (within 3 %).</summary>
    [Fact]
    public void A_plate_girder_keeps_to_the_sum_of_its_plates()
    {
        var girder = new SectionPart(
            new([
                new(-0.2, 0),
                new(0.2, 0),
                new(0.2, 0.03),
                new(0.007, 0.03),
                new(0.007, 1.47),
                new(0.25, 1.47),
                new(0.25, 1.5),
                new(-0.25, 1.5),
                new(-0.25, 1.47),
                new(-0.007, 1.47),
                new(-0.007, 0.03),
                new(-0.2, 0.03),
            ])
        );
        var plates = (0.4 * Math.Pow(0.03, 3) + 0.5 * Math.Pow(0.03, 3) + 1.44 * Math.Pow(0.014, 3)) / 3;
        Assert.Equal(plates, TorsionConstant.Of([girder]), plates * 0.04);
    }

    /// <summary>Two halves of a square with weights 1 and 1 are the square; a part twice as stiff all through doubles it.</summary>
    [Fact]
    public void Materials_count_by_their_weights()
    {
        var whole = TorsionConstant.Of([Box(1, 1)]);
        Assert.Equal(whole, TorsionConstant.Of([Box(1, 0.5, y: 0.25), Box(1, 0.5, y: -0.25)]), whole * 2e-3);
        Assert.Equal(2 * whole, TorsionConstant.Of([Box(1, 1, 2)]), whole * 1e-6);
        // A thin stiff layer on a thin strip, one on the other: the stiffness of the strips apart is a lower bound of the two together.
        var (lower, upper) = TorsionConstant.Bounds([Box(2, 0.1, 1, y: 0.05), Box(2, 0.1, 6, y: 0.15)]);
        Assert.InRange(upper / lower, 1, 1.02);
        Assert.True(lower > TorsionConstant.Of([Box(2, 0.1)]) * 7);
    }
}
