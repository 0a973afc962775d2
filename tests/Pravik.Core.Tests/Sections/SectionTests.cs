using System.Collections.Immutable;
using Pravik.Core.Sections;

namespace Pravik.Core.Tests.Sections;

public class SectionTests
{
    [Fact]
    public void An_I_section_is_the_sum_of_its_rectangles()
    {
        // Without slopes: top 0.8 × 0.12, web 0.18 × 0.86, bottom 0.65 × 0.22, depth 1.2.
        var section = new MadeSection(
            new() { Sizes = ImmutableSortedDictionary<string, double>.Empty.Add("topTaper", 0).Add("bottomTaper", 0) }
        ).Bending;
        double[] areas = [0.8 * 0.12, 0.18 * 0.86, 0.65 * 0.22];
        double[] heights = [1.14, 0.65, 0.11];
        double[] own = [0.8 * Math.Pow(0.12, 3) / 12, 0.18 * Math.Pow(0.86, 3) / 12, 0.65 * Math.Pow(0.22, 3) / 12];
        var area = areas.Sum();
        var centroid = areas.Zip(heights, (a, z) => a * z).Sum() / area;
        var second = Enumerable.Range(0, 3).Sum(i => own[i] + areas[i] * Math.Pow(heights[i] - centroid, 2));
        Assert.Equal(area, section.Area, 1e-14);
        Assert.Equal(centroid, section.Centroid, 1e-14);
        Assert.Equal(second, section.SecondMoment, 1e-14);
        Assert.Equal(second / (1.2 - centroid), section.TopModulus, 1e-14);
    }

    [Fact]
    public void Torsion_constant_of_a_rectangle_agrees_with_the_series()
    {
        Assert.Equal(0.140577, Rectangle.TorsionConstant(1, 1), 0.0003);
        Assert.Equal(0.457363, Rectangle.TorsionConstant(2, 1), 0.001);
        Assert.Equal(1.0 / 3, Rectangle.TorsionConstant(1000, 1) / 1000, 0.001);
    }

    [Fact]
    public void Composite_properties_agree_with_a_hand_calculation()
    {
        // Girder A = 0.5, z = 0.5, I = 0.06, depth 1; slab 2 × 0.2 directly on it, ratio 0.8: A = 0.5 + 0.32 = 0.82;
        // z = (0.25 + 0.32·1.1)/0.82 = 0.734146; I = 0.06 + 0.5·(0.234146)² + 0.8·2·0.2³/12 + 0.32·(0.365854)² = 0.131311.
        var composite = CompositeSection.Of(new(0.5, 0.5, 0.06, 1), 2, 0.2, 0, 0.8, 0.8);
        Assert.Equal(0.82, composite.Area, 1e-12);
        Assert.Equal(0.734146, composite.Centroid, 1e-6);
        Assert.Equal(0.131311, composite.SecondMoment, 1e-6);
        Assert.Equal(1.2, composite.Depth, 1e-12);
    }

    [Theory]
    [InlineData(1.0, 18.0, 1.0)] // 0.2·1 + 0.1·18 = 2.0 is more than there is
    [InlineData(3.0, 6.0, 1.2)] // 0.2·3 + 0.1·6 = 1.2 = 0.2·6
    [InlineData(4.0, 5.0, 1.0)] // 0.2·4 + 0.1·5 = 1.3, limited to 0.2·5
    [InlineData(3.0, 12.0, 1.8)] // 0.2·3 + 0.1·12
    public void Effective_width_of_one_side_follows_its_limits(double available, double length, double expected) =>
        Assert.Equal(expected, EffectiveWidth.OneSide(available, length), 1e-12);

    [Fact]
    public void Distances_between_zero_moments_follow_figure_5_2()
    {
        double[] spans = [17.4, 25.8, 17.4];
        Assert.Equal(0.85 * 17.4, EffectiveWidth.ZeroMomentLength(spans, 0), 1e-12);
        Assert.Equal(0.7 * 25.8, EffectiveWidth.ZeroMomentLength(spans, 1), 1e-12);
        Assert.Equal(0.15 * 43.2, EffectiveWidth.ZeroMomentLengthAtPier(spans, 1), 1e-12);
        Assert.Equal(20, EffectiveWidth.ZeroMomentLength([20.0], 0));
        Assert.False(EffectiveWidth.IsNearPier(3, 0, 0.0));
        Assert.True(EffectiveWidth.IsNearPier(3, 0, 0.9));
    }
}
