using Pravik.Core.Materials;
using Pravik.Core.Units;
using static Pravik.Core.Entries.Describe;

namespace Pravik.Core.Entries;

/// <summary>Materials: classes, own values and own stress-strain lines.</summary>
internal static class MaterialEntries
{
    public static IEnumerable<Entry> All =>
        [
            Pick(
                "/materials/exposure",
                "Exposure",
                ExposureClass.All,
                "Of girders and deck (EN 206): by it cracks are kept closed (EN 1992-2 Table 7.101N)."
            ),
            .. Part("/materials/slab", _ => "of the slab's concrete", Grade),
            .. Part("/materials/support", _ => "of the supports' concrete", Grade),
            .. Part("/materials/reinforcement", _ => "of the bars", Reinforcement),
            .. Part("/materials/strand", _ => "of strands", Strand),
            .. Part("/materials/structural", _ => "of structural steel", Structural),
            .. new[] { ("slab", "the slab"), ("support", "supports"), ("reinforcement", "bars"), ("strand", "strands") }.SelectMany(m =>
                Part($"/materials/{m.Item1}/line/*", s => $"of point {s.Number(0)}, {m.Item2}", LinePoint)
            ),
        ];

    /// <summary>A point of an own stress-strain line; bounds hold for the line as a whole.</summary>
    public static IEnumerable<Entry> LinePoint =>
        [
            new("strain", "Strain", EntryKind.Quantity, QuantityKind.Strain),
            new("stress", "Stress", EntryKind.Quantity, QuantityKind.Stress),
        ];

    /// <summary>A grade of concrete.</summary>
    public static IEnumerable<Entry> Grade =>
        [
            Pick(
                "class",
                "Class",
                Concrete.Classes,
                "Strength class of EN 1992-1-1 Table 3.1, or specified strength of AASHTO LRFD. What follows from it is grey and "
                    + "can be replaced."
            ),
            Own("ecm", "E_cm", QuantityKind.Stress, 5e9, 80e9, "Secant modulus, 22 (f_cm/10)^0.3 GPa (Table 3.1)."),
            Own("fctm", "f_ctm", QuantityKind.Stress, 0.5e6, 10e6, "Mean tensile strength (Table 3.1)."),
            Own("epsilonC2", "ε_c2", QuantityKind.Strain, 0.001, 0.0035, "Strain at the end of the parabola (Table 3.1)."),
            Own("epsilonCu2", "ε_cu2", QuantityKind.Strain, 0.002, 0.006, "Ultimate strain (Table 3.1)."),
            Own("exponent", "n", QuantityKind.Number, 1, 3, "Exponent of the parabola (Table 3.1)."),
        ];

    private static IEnumerable<Entry> Reinforcement =>
        [
            Pick("class", "Class", ReinforcingSteel.Classes, "Class of EN 10080 by strength and ductility, or AASHTO grade."),
            Own("fyk", "f_yk", QuantityKind.Stress, 200e6, 1000e6, "Characteristic yield strength."),
            Own("es", "E_s", QuantityKind.Stress, 150e9, 220e9, "Modulus of elasticity."),
            Choose(
                "branch",
                "Beyond yield",
                [new("level", "level"), new("rising", "rising")],
                "Level without strain limit, or rising to k f_yk at ε_uk, used to 0.9 ε_uk (EN 1992-1-1 3.2.7(2))."
            ) with
            {
                Subject = "Branch beyond yield",
            },
            Own("epsilonUk", "ε_uk", QuantityKind.Strain, 0.01, 0.2, "Strain at greatest force, by ductility class (Table C.1)."),
            Own("ratio", "k", QuantityKind.Number, 1, 1.5, "Tensile over yield strength, by ductility class (Table C.1)."),
        ];

    private static IEnumerable<Entry> Strand =>
        [
            Pick("type", "Strand", PrestressingSteel.Types, "Type and diameter of the seven-wire strand.") with
            {
                Subject = "Type",
            },
            Own("area", "Area", QuantityKind.SmallArea, 10e-6, 500e-6, "Area of one strand."),
            Own("fpk", "f_pk", QuantityKind.Stress, 1000e6, 2500e6, "Characteristic tensile strength."),
            Own("fp01k", "f_p0.1k", QuantityKind.Stress, 800e6, 2300e6, "Characteristic 0.1 % proof strength."),
            Own("ep", "E_p", QuantityKind.Stress, 150e9, 220e9, "Modulus of elasticity."),
            Choose(
                "branch",
                "Beyond f_pd",
                [new("rising", "rising"), new("level", "level")],
                "Rising to f_pk/γ_S, used to a strain of 20 ‰, or level (EN 1992-1-1 3.3.6(7))."
            ) with
            {
                Subject = "Branch beyond f_pd",
            },
            Value(
                "relaxationClass",
                "Relaxation class",
                QuantityKind.Count,
                1,
                3,
                "1 ordinary, 2 low relaxation, 3 hot rolled bars (EN 1992-1-1 3.3.2(4))."
            ),
            Own(
                "rho1000",
                "ρ_1000",
                QuantityKind.Number,
                0,
                0.2,
                "Part of the stress lost after 1000 hours at 0.7 f_p: 0.08, 0.025 or 0.04 by class (3.3.2(6))."
            ),
        ];

    private static IEnumerable<Entry> Structural =>
        [
            Pick("class", "Grade", StructuralSteel.Classes, "EN 1993-1-1 Table 3.1, or AASHTO M 270."),
            Own("fy", "f_y", QuantityKind.Stress, 150e6, 1000e6, "Yield strength to 40 mm; an own value holds for every thickness."),
            Own("fu", "f_u", QuantityKind.Stress, 200e6, 1300e6, "Tensile strength."),
            Own("e", "E", QuantityKind.Stress, 150e9, 230e9, "Modulus of elasticity."),
        ];
}
