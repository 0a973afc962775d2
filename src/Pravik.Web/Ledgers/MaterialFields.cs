using Pravik.Core.Materials;
using Pravik.Core.Units;
using static Pravik.Web.Ledgers.Fields;

namespace Pravik.Web.Ledgers;

/// <summary>Values of materials that can be entered, by path.</summary>
internal static class MaterialFields
{
    public static IReadOnlyList<Field> All { get; } =
    [
        .. new[] { "slab", "support" }.SelectMany(part => Grade($"/materials/{part}")),
        Pick(
            "/materials/reinforcement/class",
            "Class",
            ReinforcingSteel.Classes,
            "Class of EN 10080 by strength and ductility, or AASHTO grade."
        ),
        Own("/materials/reinforcement/fyk", "f_yk", QuantityKind.Stress, "Characteristic yield strength."),
        Own("/materials/reinforcement/es", "E_s", QuantityKind.Stress, "Modulus of elasticity."),
        Pick("/materials/strand/type", "Strand", PrestressingSteel.Types, "Type and diameter of the seven-wire strand."),
        Own("/materials/strand/area", "Area", QuantityKind.SmallArea, "Area of one strand."),
        Own("/materials/strand/fpk", "f_pk", QuantityKind.Stress, "Characteristic tensile strength."),
        Own("/materials/strand/fp01k", "f_p0.1k", QuantityKind.Stress, "Characteristic 0.1 % proof strength."),
        Own("/materials/strand/ep", "E_p", QuantityKind.Stress, "Modulus of elasticity."),
        new("/materials/reinforcement/branch", "Beyond yield", EntryKind.Choice)
        {
            Choices = [new("level", "level"), new("rising", "rising")],
            Help = "Level without strain limit, or rising to k f_yk at ε_uk, used to 0.9 ε_uk (EN 1992-1-1 3.2.7(2)).",
        },
        Own("/materials/reinforcement/epsilonUk", "ε_uk", QuantityKind.Strain, "Strain at greatest force, by ductility class (Table C.1)."),
        Own("/materials/reinforcement/ratio", "k", QuantityKind.Number, "Tensile over yield strength, by ductility class (Table C.1)."),
        new("/materials/strand/branch", "Beyond f_pd", EntryKind.Choice)
        {
            Choices = [new("rising", "rising"), new("level", "level")],
            Help = "Rising to f_pk/γ_S, used to a strain of 20 ‰, or level (EN 1992-1-1 3.3.6(7)).",
        },
        Q(
            "/materials/strand/relaxationClass",
            "Relaxation class",
            QuantityKind.Count,
            "1 ordinary, 2 low relaxation, 3 hot rolled bars (EN 1992-1-1 3.3.2(4))."
        ),
        Own(
            "/materials/strand/rho1000",
            "ρ_1000",
            QuantityKind.Number,
            "Part of the stress lost after 1000 hours at 0.7 f_p: 0.08, 0.025 or 0.04 by class (3.3.2(6))."
        ),
        Pick("/materials/structural/class", "Grade", StructuralSteel.Classes, "EN 1993-1-1 Table 3.1, or AASHTO M 270."),
        Own("/materials/structural/fy", "f_y", QuantityKind.Stress, "Yield strength to 40 mm; an own value holds for every thickness."),
        Own("/materials/structural/fu", "f_u", QuantityKind.Stress, "Tensile strength."),
        Own("/materials/structural/e", "E", QuantityKind.Stress, "Modulus of elasticity."),
        .. new[] { "slab", "support", "reinforcement", "strand" }.SelectMany(part => Line($"/materials/{part}")),
    ];

    /// <summary>An own stress-strain line.</summary>
    internal static IEnumerable<Field> Line(string path) =>
        [Q($"{path}/line/*/strain", "Strain", QuantityKind.Strain), Q($"{path}/line/*/stress", "Stress", QuantityKind.Stress)];

    /// <summary>A grade of concrete.</summary>
    internal static IEnumerable<Field> Grade(string path) =>
        [
            Pick(
                $"{path}/class",
                "Class",
                Concrete.Classes,
                "Strength class of EN 1992-1-1 Table 3.1, or specified strength of AASHTO LRFD. What follows from it is grey and "
                    + "can be replaced."
            ),
            Own($"{path}/ecm", "E_cm", QuantityKind.Stress, "Secant modulus, 22 (f_cm/10)^0.3 GPa (Table 3.1)."),
            Own($"{path}/fctm", "f_ctm", QuantityKind.Stress, "Mean tensile strength (Table 3.1)."),
            Own($"{path}/epsilonC2", "ε_c2", QuantityKind.Strain, "Strain at the end of the parabola (Table 3.1)."),
            Own($"{path}/epsilonCu2", "ε_cu2", QuantityKind.Strain, "Ultimate strain (Table 3.1)."),
            Own($"{path}/exponent", "n", QuantityKind.Number, "Exponent of the parabola (Table 3.1)."),
        ];
}
