using Pravik.Core.Checks.Lrfd6;
using Pravik.Core.Members;
using Pravik.Core.Sections;

namespace Pravik.Core.Tests.Design;

/// <summary>Steel girders against AASHTO LRFD 6.10, worked by hand; kN, m and MPa where not said otherwise.</summary>
public class SteelTests
{
    private const double Fy = HandSteel.Fy;
    private const double E = HandSteel.E;

    /// <summary>A top flange that does not govern.</summary>
    private static readonly Flange Strong = new(0.6, 0.06);

    /// <summary>A, z̄ and I of steel with the slab over n and over 3n, and with bars, by the parallel axis theorem about the soffit.</summary>
    [Theory]
    [InlineData(SteelState.ShortTerm, 2.5 * 0.2 / 8, 0.2)]
    [InlineData(SteelState.LongTerm, 2.5 * 0.2 / 24, 0.2)]
    [InlineData(SteelState.Cracked, 5e-3, 0)]
    [InlineData(SteelState.Bare, 0, 0)]
    public void Section_states_are_those_of_transformed_areas(SteelState state, double area, double height)
    {
        var (steel, level) = (new HandSteel(), 1.565 + 0.15);
        var plain = steel.Plain();
        var whole = plain.Area + area;
        var centroid = (plain.Area * plain.Centroid + area * level) / whole;
        var aboutSoffit =
            plain.SecondMoment + plain.Area * plain.Centroid * plain.Centroid + area * height * height / 12 + area * level * level;
        var section = steel.Section().In(state);
        Assert.Equal(whole, section.Area, 1e-9);
        Assert.Equal(centroid, section.Centroid, 1e-9);
        Assert.Equal(aboutSoffit - whole * centroid * centroid, section.SecondMoment, 1e-9);
    }

    /// <summary>
    /// Forces: bottom 6.900, web 7.245, top 3.450, slab 0.85·30·2.5·0.2 = 12.750 MN. Steel 17.595 is more than the slab: the axis lies
    /// where it halves the sum, 30.345/2 = 15.1725 from the bottom: past the web’s 14.145, 1.0275/3.450 of the way up the top flange.
    /// </summary>
    [Fact]
    public void A_compact_section_has_its_plastic_moment()
    {
        var steel = new HandSteel { OnBare = 1e6, Live = 4e6 };
        var axis = 1.54 + 0.025 * (1.0275 / 3.450);
        var moment =
            6.9 * (axis - 0.02)
            + 7.245 * (axis - 0.79)
            + 1.0275 * (axis - 1.54) / 2
            + (3.45 - 1.0275) * (1.565 - axis) / 2
            + 12.75 * (1.715 - axis);
        var depth = 1.815 - axis;
        var outcome = steel.Of(new Flexure(), "sagging");
        Assert.Equal(5e6, outcome.Effect, 1e-3);
        // One span, so that 1.3 R_h M_y does not apply.
        Assert.Equal(1e6 * moment * (1.07 - 0.7 * depth / 1.815), outcome.Resistance, 1);
        Assert.Equal(depth / (0.42 * 1.815), steel.Of(new Flexure(), "ductility").Utilisation, 1e-9);
    }

    /// <summary>Curved: stresses of each moment by its own section, the bottom flange with a third of 10th·M·L²/(R·D)/(t·b²/6).</summary>
    [Fact]
    public void A_curved_girder_is_not_compact()
    {
        var steel = new HandSteel
        {
            OnBare = 2e6,
            OnSlow = 1e6,
            Live = 3e6,
            Curvature = 1 / 300.0,
            Unbraced = new(0, 5),
        };
        var section = steel.Section();
        double Bottom(SteelState state, double moment) => section.In(state) is var s ? moment * s.Centroid / s.SecondMoment : 0;
        var stress = Bottom(SteelState.Bare, 2e6) + Bottom(SteelState.LongTerm, 1e6) + Bottom(SteelState.ShortTerm, 3e6);
        var sideways = 6e6 * 25 / (10 * 300 * 1.5) / (0.04 * 0.5 * 0.5 / 6);
        var outcome = steel.Of(new Flexure(), "sagging");
        Assert.Equal("Flexure, sagging, bottom flange", outcome.Name);
        Assert.Equal(stress + sideways / 3, outcome.Effect, 1);
        Assert.Equal(Fy, outcome.Resistance, 1);
        // Service II: half of it, and 0.95 of F_y.
        var service = steel.Of(new ServiceTwo(), "sagging");
        Assert.Equal((stress + sideways / 2) / (0.95 * Fy), service.Utilisation, 1e-9);
    }

    /// <summary>
    /// Hogging: with D_c of steel and bars r_t = b/√(12(1 + D_c·t_w/(3·b·t))), L_p = r_t·√(E/F_y), L_r = π·r_t·√(E/(0.7·F_y)); on a place
    /// alone the moment is even, C_b = 1.
    /// </summary>
    [Theory]
    [InlineData(3.0)]
    [InlineData(7.0)]
    [InlineData(20.0)]
    public void A_bottom_flange_in_compression_buckles_between_braces(double length)
    {
        var steel = new HandSteel
        {
            OnBare = -2e6,
            Live = -3e6,
            Web = 0.02,
            Top = Strong,
            Unbraced = new(0, length),
        };
        var section = steel.Section();
        var inWeb = section.In(SteelState.Cracked).Centroid - 0.04;
        var radius = 0.5 / Math.Sqrt(12 * (1 + inWeb * 0.02 / (3 * 0.5 * 0.04)));
        var (plastic, elastic) = (radius * Math.Sqrt(E / Fy), Math.PI * radius * Math.Sqrt(E / (0.7 * Fy)));
        var expected =
            length <= plastic ? Fy
            : length <= elastic ? (1 - 0.3 * (length - plastic) / (elastic - plastic)) * Fy
            : Math.PI * Math.PI * E / Math.Pow(length / radius, 2);
        double Bottom(SteelState state, double moment) => section.In(state) is var s ? moment * s.Centroid / s.SecondMoment : 0;
        var outcome = steel.Of(new Flexure(), "hogging");
        Assert.Equal(Bottom(SteelState.Bare, -2e6) + Bottom(SteelState.Cracked, -3e6), outcome.Effect, 1);
        Assert.Equal(-expected, outcome.Resistance, 1);
    }

    /// <summary>
    /// 400 × 15: λ_f = 13.33 lies between 0.38·√(E/F_y) = 9.149 and 0.56·√(E/(0.7·F_y)) = 16.116; a web of 30 mm sheds nothing.
    /// </summary>
    [Fact]
    public void A_thin_flange_buckles_locally()
    {
        var steel = new HandSteel
        {
            Live = -1e6,
            Web = 0.03,
            Top = Strong,
            Bottom = new(0.4, 0.015),
            Unbraced = new(0, 0.5),
        };
        var (plastic, elastic) = (0.38 * Math.Sqrt(E / Fy), 0.56 * Math.Sqrt(E / (0.7 * Fy)));
        var expected = (1 - 0.3 * (0.4 / 0.03 - plastic) / (elastic - plastic)) * Fy;
        Assert.Equal(-expected, steel.Of(new Flexure(), "hogging").Resistance, 1);
    }

    /// <summary>A web of 7 mm: 2·D_c/t_w beyond λ_rw sheds load to the flange, R_b = 1 − a/(1200 + 300·a)·(2·D_c/t_w − λ_rw).</summary>
    [Fact]
    public void A_slender_web_sheds_load_to_the_flange()
    {
        var steel = new HandSteel
        {
            Live = -1e6,
            Web = 0.007,
            Top = Strong,
            Unbraced = new(0, 0.5),
        };
        var inWeb = steel.Section().In(SteelState.Cracked).Centroid - 0.04;
        var (slender, share) = (2 * inWeb / 0.007, 2 * inWeb * 0.007 / (0.5 * 0.04));
        var limit = Math.Clamp(3.1 + 5 / share, 4.6, 5.7) * Math.Sqrt(E / Fy);
        Assert.True(slender > limit);
        var shed = 1 - share / (1200 + 300 * share) * (slender - limit);
        Assert.Equal(-shed * Fy, steel.Of(new Flexure(), "hogging").Resistance, 1);
    }

    /// <summary>
    /// D/t_w = 107.14, V_p = 0.58·345·1.5·0.014 = 4.2021 MN. d_o 2 m: k = 5 + 5/(4/3)² = 7.8125, √(E·k/F_y) = 67.30; 107.14 is above 1.40
    /// of it (94.2): C = 1.57/107.14²·4528.99 = 0.6194. Web over flanges: 2·21000/30000 = 1.4: field 0.87·(1 − C)/√(1 + (4/3)²).
    /// </summary>
    [Theory]
    [InlineData(2.0, false, 7.8125, 0.87 * 0.6)]
    [InlineData(2.0, true, 7.8125, 0.0)]
    [InlineData(5.0, false, 5.0, 0.0)]
    [InlineData(2.5, true, 5.0, 0.0)]
    public void Shear_of_a_web_by_panel(double panel, bool isEnd, double k, double field)
    {
        var steel = new HandSteel
        {
            Shear = -1e6,
            Panel = new(0, panel),
            IsEndPanel = isEnd,
        };
        var slender = 1.5 / 0.014;
        var ratio = 1.57 / (slender * slender) * (E * k / Fy);
        var expected = 0.58 * Fy * 1.5 * 0.014 * (ratio + field * (1 - ratio));
        var outcome = steel.Of(new WebShear()).Single();
        Assert.Equal(-expected, outcome.Resistance, 1);
        Assert.Equal(1e6 / expected, outcome.Utilisation, 1e-9);
    }

    /// <summary>A stocky web yields, and one between buckles inelastically.</summary>
    [Theory]
    [InlineData(0.030, 1)]
    [InlineData(0.018, 1.12)]
    public void Shear_of_thicker_webs(double web, double factor)
    {
        var steel = new HandSteel
        {
            Shear = 1e6,
            Web = web,
            Panel = new(0, 9),
        };
        var (slender, root) = (1.5 / web, Math.Sqrt(5 * E / Fy));
        var ratio = slender <= 1.12 * root ? 1 : factor / slender * root;
        Assert.InRange(slender / root, factor == 1 ? 0 : 1.12, factor == 1 ? 1.12 : 1.62);
        if (slender > 1.4 * root)
            ratio = 1.57 / (slender * slender) * root * root;
        Assert.Equal(0.58 * Fy * 1.5 * web * ratio, steel.Of(new WebShear()).Single().Resistance, 1);
    }

    /// <summary>
    /// Built: 1.4·M on the steel alone; the top flange in compression over 6 m, its web by the elastic axis of the steel.
    /// </summary>
    [Fact]
    public void While_it_is_built_the_steel_stands_alone()
    {
        var steel = new HandSteel
        {
            OnBare = 1e6,
            Live = 1e6,
            Unbraced = new(0, 6),
        };
        var plain = steel.Plain();
        var inWeb = 1.54 - plain.Centroid;
        var radius = 0.4 / Math.Sqrt(12 * (1 + inWeb * 0.014 / (3 * 0.4 * 0.025)));
        var (plastic, elastic) = (radius * Math.Sqrt(E / Fy), Math.PI * radius * Math.Sqrt(E / (0.7 * Fy)));
        Assert.InRange(6, plastic, elastic);
        var lateral = (1 - 0.3 * (6 - plastic) / (elastic - plastic)) * Fy;
        Assert.True(0.4 / 0.05 < 0.38 * Math.Sqrt(E / Fy));
        var stress = 1.4e6 * (plain.Depth - plain.Centroid) / plain.SecondMoment;
        var outcome = steel.Of(new Construction()).Single();
        Assert.Equal("While built, top flange, buckling", outcome.Name);
        Assert.Equal(-stress, outcome.Effect, 1);
        Assert.Equal(-lateral, outcome.Resistance, 1);
    }

    /// <summary>The web of 7 mm is beyond D/t_w = 150; a flange of 200 × 25 is narrower than D/6 = 250.</summary>
    [Fact]
    public void Proportions_are_held()
    {
        Assert.Equal(
            1500 / 7.0 / 150,
            new HandSteel { Web = 0.007 }
                .Of(new Proportions())
                .Single()
                .Utilisation,
            1e-9
        );
        var narrow = new HandSteel { Top = new(0.2, 0.025), Bottom = new(0.3, 0.04) }
            .Of(new Proportions())
            .Single();
        Assert.Equal((250 / 200.0, "Proportions: width of the top flange"), (Math.Round(narrow.Utilisation, 9), narrow.Name));
        Assert.True(new HandSteel().Of(new Proportions()).Single().Passes);
    }

    /// <summary>
    /// Category C' 40 mm above the soffit: +600 kNm on the slab at n, −200 kNm on the bars. Infinite: 1.75·Δf against 12 ksi; 900 trucks
    /// a day for 75 years: N = 365·75·900 = 24.64 million, 0.8·Δf against (44·10⁸/N)^⅓ ksi = 5.632 ksi. Compression that always presses
    /// it more than the truck pulls needs no check.
    /// </summary>
    [Fact]
    public void A_detail_tires_by_its_range_of_stress()
    {
        const double Ksi = 6.894757293168e6;
        var steel = new HandSteel { Truck = (6e5, -2e5, 0, 0), OnBare = 1e6 };
        var section = steel.Section();
        double Stress(SteelState state, double moment) => section.In(state) is var s ? moment * (s.Centroid - 0.04) / s.SecondMoment : 0;
        var range = Stress(SteelState.ShortTerm, 6e5) - Stress(SteelState.Cracked, -2e5);
        Assert.Equal(1.75 * range / (12 * Ksi), steel.Of(new DetailFatigue()).Single().Utilisation, 1e-9);
        var finite = 0.8 * range / (Ksi * Math.Cbrt(44e8 / (365.0 * 75 * 900)));
        Assert.Equal(finite, (steel with { Trucks = 900 }).Of(new DetailFatigue()).Single().Utilisation, 1e-9);
        // A million trucks a day: infinite life is kinder.
        Assert.Equal(1.75 * range / (12 * Ksi), (steel with { Trucks = 1e6 }).Of(new DetailFatigue()).Single().Utilisation, 1e-9);
        Assert.Equal(0, (steel with { OnBare = -9e6 }).Of(new DetailFatigue()).Single().Utilisation);
    }

    /// <summary>
    /// Three studs of 22 mm every 250 mm: V_sr = ΔV·Q/I of the slab at n, Z_r = 5.5·d² (kip, in), 1.75·V_sr·p over 3·Z_r. A curved girder
    /// adds A_bot·Δσ·L/(w·R) at right angles.
    /// </summary>
    [Theory]
    [InlineData(0.0)]
    [InlineData(0.005)]
    public void Studs_tire_by_their_pitch(double curvature)
    {
        var steel = new HandSteel
        {
            Truck = (6e5, 0, 3e5, -1e5),
            Studs = new() { Diameter = 0.022, Spacing = 0.25 },
            Curvature = curvature,
        };
        var s = steel.Section().In(SteelState.ShortTerm);
        var along = 4e5 * (2.5 * 0.2 / 8) * (1.715 - s.Centroid) / s.SecondMoment;
        var across = 0.5 * 0.04 * (6e5 * s.Centroid / s.SecondMoment) * 3 * curvature / 1.2192;
        var single = 5.5 * 4448.2216 * Math.Pow(0.022 / 0.0254, 2);
        var outcome = steel.Of(new Studs(), "fatigue");
        Assert.Equal(1.75 * Math.Sqrt(along * along + across * across) * 0.25 / (3 * single), outcome.Utilisation, 1e-6);
    }

    /// <summary>150 mm high, 22 mm thick, 125 mm apart in a flange of 400: 150/88, 250/132 …; 50 mm of haunch leave 100 mm in the slab.</summary>
    [Fact]
    public void Studs_lie_within_their_limits()
    {
        CheckLayout(new(), Math.Max(0.0508 / 0.1, Math.Max(4 * 0.022 / 0.15, Math.Max(4 * 0.022 / 0.125, 6 * 0.022 / 0.25))), true);
        // Wider than the flange: nothing is left to its edge.
        CheckLayout(new() { Across = 0.4 }, 99, false);
        CheckLayout(new() { Height = 0.08 }, 4 * 0.022 / 0.08, false);

        static void CheckLayout(Core.Bridges.StudZone zone, double utilisation, bool passes)
        {
            var outcome = new HandSteel { Studs = zone }.Of(new Studs(), "layout");
            Assert.True(passes ? outcome.Passes : !outcome.Passes, outcome.Name);
            Assert.InRange(outcome.Utilisation, utilisation - 1e-9, passes ? 1 : 99);
        }
    }

    /// <summary>
    /// D 1.5 m, d_o 2 m: J = 0.5, I_t1 = 1.5·0.014³·0.5; 130 × 10 on one side: F_crs above F_y, ρ_t = 1, I_t2 = 1.5⁴/40·(F_y/E)^1.5, I_t =
    /// 0.01·0.13³/3. Width: a quarter of 500 mm. The field is needed whole at V_n, and not at all at V_cr.
    /// </summary>
    [Theory]
    [InlineData(1.0)]
    [InlineData(0.5)]
    [InlineData(0.0)]
    public void A_transverse_stiffener_holds_the_tension_field(double part)
    {
        var web = new HandSteel { Shear = 1 }
            .Of(new WebShear())
            .Single()
            .Resistance;
        var buckling = 0.58 * Fy * 1.5 * 0.014 * (1.57 * Math.Pow(0.014 / 1.5, 2) * E * 7.8125 / Fy);
        var steel = new HandSteel
        {
            Shear = buckling + part * (web - buckling),
            Upright = new()
            {
                Width = 0.13,
                Thickness = 0.01,
                BothSides = false,
            },
        };
        var (first, second) = (1.5 * Math.Pow(0.014, 3) * 0.5, Math.Pow(1.5, 4) / 40 * Math.Pow(Fy / E, 1.5));
        var stiffness = (first + part * (second - first)) / (0.01 * Math.Pow(0.13, 3) / 3);
        var worst = Math.Max(stiffness, Math.Max(0.125 / 0.13, 0.13 / 0.16));
        Assert.Equal(worst, steel.Of(new Stiffeners(), "transverse").Utilisation, 1e-9);
    }

    /// <summary>Two plates of 190 × 25: bearing on 164.6 mm each, the column with 252 mm of web over 1.125 m.</summary>
    [Fact]
    public void Stiffeners_over_a_bearing_carry_it()
    {
        var steel = new HandSteel
        {
            Shear = 3e6,
            OverBearing = new() { Width = 0.19, Thickness = 0.025 },
        };
        var bearing = 1.4 * 2 * 0.1646 * 0.025 * Fy;
        var area = 2 * 0.19 * 0.025 + 18 * 0.014 * 0.014;
        var second = 0.025 * Math.Pow(0.394, 3) / 12 + (0.252 - 0.025) * Math.Pow(0.014, 3) / 12;
        var elastic = Math.PI * Math.PI * E * second / (1.125 * 1.125);
        var column = 0.95 * Math.Pow(0.658, Fy * area / elastic) * Fy * area;
        var outcome = steel.Of(new Stiffeners(), "bearing");
        Assert.Equal(Math.Max(3e6 / column, 3e6 / bearing), outcome.Utilisation, 1e-9);
    }

    /// <summary>Bars of 5000 mm² in a slab of 2.5 × 0.2 m: 1 % of it is 5000 mm²; asked for where it would crack.</summary>
    [Fact]
    public void A_pulled_slab_has_its_bars()
    {
        Assert.Empty(new HandSteel { Live = 1e6 }.Of(new SlabOverPiers()));
        Assert.Equal(
            1,
            new HandSteel { Live = -4e6 }
                .Of(new SlabOverPiers())
                .Single()
                .Utilisation,
            1e-9
        );
    }

    /// <summary>Thicker flanges never resist less, longer lengths between braces never more; nothing acts, nothing is asked.</summary>
    [Fact]
    public void Resistances_are_monotone()
    {
        double Hogging(HandSteel steel) => steel.Of(new Flexure(), "hogging").Utilisation;
        var steel = new HandSteel { Live = -5e6, OnBare = -1e6 };
        var lengths = Enumerable.Range(1, 30).Select(l => Hogging(steel with { Unbraced = new(0, l) })).ToList();
        Assert.Equal(lengths.Order(), lengths);
        var plates = Enumerable.Range(0, 20).Select(i => Hogging(steel with { Bottom = new(0.5, 0.02 + 0.003 * i) })).ToList();
        Assert.Equal(plates.OrderDescending(), plates);
        Assert.Equal(
            ["flexure.ductility"],
            new HandSteel { Live = 1e-9 }
                .Of(new Flexure())
                .Where(o => o.Utilisation > 1e-9)
                .Select(o => o.Check)
        );
        Assert.Empty(new HandSteel().Of(new Flexure()));
    }
}
