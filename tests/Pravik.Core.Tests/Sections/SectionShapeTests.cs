using System.Collections.Immutable;
using Pravik.Core.Sections;

namespace Pravik.Core.Tests.Sections;

/// <summary>Properties of families and own outlines against closed forms and published values.</summary>
public class SectionShapeTests
{
    private static MadeSection Made(string family, params (string Name, double Value)[] sizes) =>
        new(new() { Family = family, Sizes = sizes.ToImmutableSortedDictionary(s => s.Name, s => s.Value) });

    private static OwnOutline Outline(bool isVoid, double weight, params (double X, double Y)[] corners) =>
        new()
        {
            IsVoid = isVoid,
            Weight = weight,
            Corners = [.. corners.Select(c => new SectionCorner { X = c.X, Y = c.Y })],
        };

    private static OwnOutline Box(double left, double bottom, double right, double top, bool isVoid = false, double weight = 1) =>
        Outline(isVoid, weight, (left, bottom), (right, bottom), (right, top), (left, top));

    private static MadeSection Own(params OwnOutline[] outlines) => new(new() { Family = SectionFamily.Own, Outlines = [.. outlines] });

    /// <summary>
    /// PCI Bridge Design Manual, Appendix B: area (in²), centroid above the bottom (in), second moment (in⁴, there to four or five
    /// digits).
    /// </summary>
    [Theory]
    [InlineData("AASHTO type II", 369, 15.83, 50_980)]
    [InlineData("AASHTO type III", 560, 20.27, 125_390)]
    [InlineData("AASHTO type IV", 789, 24.73, 260_730)]
    [InlineData("AASHTO type V", 1013, 31.96, 521_180)]
    [InlineData("AASHTO type VI", 1085, 36.38, 733_320)]
    public void Published_shapes_have_their_published_properties(string name, double area, double centroid, double second)
    {
        const double Inch = 0.0254;
        var p = new MadeSection(StandardSections.All.Single(s => s.Name == name)).Properties;
        Assert.Equal(area, p.Area / (Inch * Inch), 0.5);
        Assert.Equal(centroid, (p.Centroid.Y - p.Bottom) / Inch, 0.005);
        Assert.Equal(second, p.Ix / Math.Pow(Inch, 4), 1e-4 * second);
    }

    [Fact]
    public void A_rectangle_keeps_to_its_closed_forms()
    {
        var p = Made("rectangle", ("width", 0.4), ("depth", 0.9)).Properties;
        Assert.Equal(0.36, p.Area, 1e-14);
        Assert.Equal(0.4 * Math.Pow(0.9, 3) / 12, p.Ix, 1e-14);
        Assert.Equal(0.9 * Math.Pow(0.4, 3) / 12, p.Iy, 1e-14);
        Assert.Equal(0.4 * 0.81 / 6, p.TopModulus, 1e-14);
        Assert.Equal(0.9 * 0.16 / 6, p.RightModulus, 1e-14);
        Assert.Equal(0.4 * 0.81 / 4, p.PlasticModulus, 1e-9);
        Assert.Equal(0.9 * 0.16 / 4, p.PlasticModulusVertical, 1e-9);
        Assert.Equal(0.36 * 5 / 6, p.VerticalShearArea, 1e-9);
        Assert.Equal(0.36 * 5 / 6, p.HorizontalShearArea, 1e-9);
        Assert.Equal(2.6, p.Perimeter, 1e-14);
    }

    /// <summary>Circles are polygons of the circle's area: second moments and the form factor for shear, 9/10, to 1e-3.</summary>
    [Fact]
    public void A_circle_keeps_to_its_closed_forms()
    {
        var p = Made("round", ("diameter", 1.2)).Properties;
        Assert.Equal(Math.PI * 0.36, p.Area, 1e-12);
        Assert.Equal(Math.PI / 4 * Math.Pow(0.6, 4), p.Ix, 1e-3 * p.Ix);
        Assert.Equal(0.9 * p.Area, p.VerticalShearArea, 2e-3 * p.Area);
        Assert.Equal(Math.Pow(1.2, 3) / 6, p.PlasticModulus, 1e-3 * p.PlasticModulus);
    }

    /// <summary>A welded girder: plates by Steiner; the shear area of a thin web is close to the web's own.</summary>
    [Fact]
    public void A_plate_girder_is_the_sum_of_its_plates()
    {
        var p = Made(
            "plateGirder",
            ("depth", 1.5),
            ("topWidth", 0.4),
            ("topThickness", 0.03),
            ("web", 0.015),
            ("bottomWidth", 0.6),
            ("bottomThickness", 0.04)
        ).Properties;
        (double B, double T, double Y)[] plates = [(0.6, 0.04, 0.02), (0.015, 1.43, 0.755), (0.4, 0.03, 1.485)];
        var area = plates.Sum(q => q.B * q.T);
        var centre = plates.Sum(q => q.B * q.T * q.Y) / area;
        Assert.Equal(area, p.Area, 1e-12);
        Assert.Equal(centre, p.Centroid.Y, 1e-12);
        Assert.Equal(plates.Sum(q => q.B * Math.Pow(q.T, 3) / 12 + q.B * q.T * Math.Pow(q.Y - centre, 2)), p.Ix, 1e-12);
        Assert.InRange(p.VerticalShearArea / (0.015 * 1.5), 0.85, 1.0);
        // The plastic axis halves the area, here within the web.
        var axis = 0.04 + (area / 2 - 0.6 * 0.04) / 0.015;
        var plastic =
            plates.Where(q => q.T < 1).Sum(q => q.B * q.T * Math.Abs(q.Y - axis))
            + 0.015 / 2 * (Math.Pow(axis - 0.04, 2) + Math.Pow(1.47 - axis, 2));
        Assert.Equal(plastic, p.PlasticModulus, 1e-9);
    }

    /// <summary>Roots of a rolled section: 4·(1 − π/4)·r² besides its three plates.</summary>
    [Fact]
    public void A_rolled_section_has_its_roots()
    {
        var p = Made("rolled", ("depth", 0.6), ("width", 0.22), ("flange", 0.019), ("web", 0.012), ("radius", 0.024)).Properties;
        Assert.Equal(2 * 0.22 * 0.019 + 0.562 * 0.012 + (4 - Math.PI) * 0.024 * 0.024, p.Area, 1e-12);
        Assert.Equal(0.3, p.Centroid.Y, 1e-12);
    }

    /// <summary>An L of 2 × 1 with legs 0.2 wide: Ixy by its two rectangles; the invariants of the tensor; turned principal axes.</summary>
    [Fact]
    public void Principal_axes_of_an_angle_are_those_of_its_rectangles()
    {
        var p = Own(Outline(false, 1, (0, 0), (1, 0), (1, 0.2), (0.2, 0.2), (0.2, 2), (0, 2))).Properties;
        (double A, double X, double Y)[] legs = [(0.2, 0.5, 0.1), (0.36, 0.1, 1.1)];
        var (x, y) = (legs.Sum(l => l.A * l.X) / 0.56, legs.Sum(l => l.A * l.Y) / 0.56);
        var ixy = legs.Sum(l => l.A * (l.X - x) * (l.Y - y));
        Assert.Equal(ixy, p.Ixy, 1e-12);
        var (greater, lesser, angle) = p.Principal;
        Assert.Equal(p.Ix + p.Iy, greater + lesser, 1e-12);
        Assert.Equal(p.Ix * p.Iy - ixy * ixy, greater * lesser, 1e-12);
        Assert.Equal(Math.Tan(2 * angle), -2 * ixy / (p.Ix - p.Iy), 1e-9);
        // I about the axis at that angle, by turning the tensor, is the greater one.
        var (c, s) = (Math.Cos(angle), Math.Sin(angle));
        Assert.Equal(greater, p.Ix * c * c + p.Iy * s * s - 2 * p.Ixy * s * c, 1e-12);
    }

    [Fact]
    public void A_box_of_two_materials_is_transformed_by_its_weights()
    {
        // Steel of ratio 6 below, 0.1 × 0.02, under a concrete block of 0.4 × 0.3 with a void of 0.2 × 0.1.
        var section = Own(Box(-0.05, 0, 0.05, 0.02, weight: 6), Box(-0.2, 0.02, 0.2, 0.32), Box(-0.1, 0.12, 0.1, 0.22, true));
        var p = section.Properties;
        var area = 6 * 0.002 + 0.12 - 0.02;
        var centre = (6 * 0.002 * 0.01 + 0.12 * 0.17 - 0.02 * 0.17) / area;
        Assert.Equal(area, p.Area, 1e-14);
        Assert.Equal(0.102, p.GrossArea, 1e-14);
        Assert.Equal(centre, p.Centroid.Y, 1e-14);
        var ix =
            6 * (0.1 * Math.Pow(0.02, 3) / 12 + 0.002 * Math.Pow(0.01 - centre, 2))
            + 0.4 * Math.Pow(0.3, 3) / 12
            - 0.2 * Math.Pow(0.1, 3) / 12
            + 0.1 * Math.Pow(0.17 - centre, 2);
        Assert.Equal(ix, p.Ix, 1e-14);
        Assert.False(section.Contains(new(0, 0.17)));
        Assert.True(section.Contains(new(0.15, 0.17)));
    }

    /// <summary>A void takes away what surrounds it: a hollow block twice as stiff all through has twice every property.</summary>
    [Fact]
    public void Voids_count_with_the_weight_of_what_surrounds_them()
    {
        ShapeProperties Hollow(double weight) => Own(Box(-0.3, 0, 0.3, 0.9, weight: weight), Box(-0.2, 0.1, 0.2, 0.6, true)).Properties;
        var (one, two) = (Hollow(1), Hollow(2));
        foreach (
            var (single, twice) in new[]
            {
                (one.Area, two.Area),
                (one.Ix, two.Ix),
                (one.Iy, two.Iy),
                (one.VerticalShearArea, two.VerticalShearArea),
                (one.HorizontalShearArea, two.HorizontalShearArea),
                (one.PlasticModulus, two.PlasticModulus),
                (one.PlasticModulusVertical, two.PlasticModulusVertical),
            }
        )
            Assert.Equal(2 * single, twice, 1e-9 * single);
        Assert.Equal(2 * one.J, two.J, 1e-6 * one.J);
        // About the vertical axis the plastic modulus is that of two rectangles, outer less inner.
        Assert.Equal(0.9 * 0.36 / 4 - 0.5 * 0.16 / 4, one.PlasticModulusVertical, 1e-9);
    }

    /// <summary>Outlines with their voids cut in keep the area; a keyhole never crosses another void.</summary>
    [Theory]
    [InlineData("voidedSlab")]
    [InlineData("box")]
    [InlineData("steelBox")]
    public void Solids_of_hollow_sections_keep_their_area(string family)
    {
        var section = Made(family);
        var solid = Assert.Single(section.Solids);
        Assert.Equal(section.Properties.GrossArea, solid.Moments().Area, 1e-12);
    }

    /// <summary>
    /// Every family as it comes fits together, has the depth it says, and bounds of its torsion constant within 2 % of each other.
    /// </summary>
    [Fact]
    public void Every_family_is_sound_as_it_comes()
    {
        foreach (var family in SectionFamily.All.Where(f => f.Name != SectionFamily.Own))
        {
            var shape = new SectionShape { Family = family.Name };
            Assert.Null(family.Problem(shape));
            var section = new MadeSection(shape);
            var p = section.Properties;
            Assert.Equal(shape.Size(family.Sizes.Any(s => s.Name == "depth") ? "depth" : "diameter"), section.Depth, 2e-3 * section.Depth);
            if (family.Name != "angle")
                Assert.Equal(0, p.Centroid.X, 1e-9);
            Assert.InRange(p.TorsionError, -1e-9, 0.02);
            Assert.InRange(p.J, 0, p.Ix + p.Iy);
            Assert.InRange(p.VerticalShearArea, 0.05 * p.Area, 0.91 * p.Area);
        }
    }

    /// <summary>Turning a section moves nothing but its axes: area, J, sum of second moments.</summary>
    [Fact]
    public void Turning_a_section_leaves_its_invariants()
    {
        (double X, double Y)[] corners = [(0, 0), (0.9, 0.1), (1.1, 0.6), (0.5, 0.35), (0.2, 0.8)];
        var straight = Own(Outline(false, 1, corners)).Properties;
        var (c, s) = (Math.Cos(0.7), Math.Sin(0.7));
        var turned = Own(Outline(false, 1, [.. corners.Select(p => (c * p.X - s * p.Y, s * p.X + c * p.Y))])).Properties;
        Assert.Equal(straight.Area, turned.Area, 1e-12);
        Assert.Equal(straight.Principal.Greater, turned.Principal.Greater, 1e-12);
        Assert.Equal(straight.Principal.Lesser, turned.Principal.Lesser, 1e-12);
        Assert.Equal(straight.J, turned.J, 5e-3 * straight.J);
    }

    [Fact]
    public void Stress_points_have_the_moduli_of_their_place()
    {
        var p = Made("rectangle", ("width", 0.4), ("depth", 0.9)).Properties;
        var at = p.At([new("corner", 0.2, 0.9), new("axis", 0, 0.45)]);
        Assert.Equal(p.TopModulus, at[0].Horizontal, 1e-14);
        Assert.Equal(p.RightModulus, at[0].Vertical, 1e-14);
        Assert.True(double.IsInfinity(at[1].Horizontal));
    }
}
