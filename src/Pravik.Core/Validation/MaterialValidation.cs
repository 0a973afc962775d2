using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Materials;
using Pravik.Core.Units;

namespace Pravik.Core.Validation;

/// <summary>The bounds of materials: classes, own values and own stress-strain lines.</summary>
internal static class MaterialValidation
{
    /// <param name="materials">The materials in use.</param>
    /// <param name="types">Types of girders, each with concrete of its own.</param>
    /// <param name="bounds">Where problems are told.</param>
    public static void Check(MaterialSet materials, ImmutableArray<GirderType> types, Bounds bounds)
    {
        var concretes = types
            .Select((t, i) => (Path: $"/girders/types/{i}/concrete", Grade: t.Concrete))
            .Append(("/materials/slab", materials.Slab))
            .Append(("/materials/support", materials.Support));
        foreach (var (path, grade) in concretes)
        {
            bounds.Among($"{path}/class", "Concrete class", grade.Class ?? "", [.. Concrete.Classes]);
            bounds.Own($"{path}/fctm", "Tensile strength", grade.Fctm, 0.5e6, 10e6, QuantityKind.Stress);
            bounds.Own($"{path}/ecm", "Modulus of elasticity", grade.Ecm, 5e9, 80e9, QuantityKind.Stress);
            bounds.Own($"{path}/epsilonC2", "Strain at the end of the parabola", grade.EpsilonC2, 0.001, 0.0035, QuantityKind.Strain);
            bounds.Own($"{path}/epsilonCu2", "Ultimate strain", grade.EpsilonCu2, 0.002, 0.006, QuantityKind.Strain);
            bounds.Own($"{path}/exponent", "Exponent of the parabola", grade.Exponent, 1, 3, QuantityKind.Number);
            Line(path, grade.Line, bounds);
            if (grade.EpsilonC2 > grade.EpsilonCu2)
                bounds.Error($"{path}/epsilonC2", "The parabola ends beyond the ultimate strain.");
        }
        bounds.Among(
            "/materials/reinforcement/class",
            "Reinforcement class",
            materials.Reinforcement.Class ?? "",
            [.. ReinforcingSteel.Classes]
        );
        bounds.Own("/materials/reinforcement/fyk", "Yield strength", materials.Reinforcement.Fyk, 200e6, 1000e6, QuantityKind.Stress);
        bounds.Own("/materials/reinforcement/es", "Modulus of elasticity", materials.Reinforcement.Es, 150e9, 220e9, QuantityKind.Stress);
        bounds.Own(
            "/materials/reinforcement/epsilonUk",
            "Strain at greatest force",
            materials.Reinforcement.EpsilonUk,
            0.01,
            0.2,
            QuantityKind.Strain
        );
        bounds.Own(
            "/materials/reinforcement/ratio",
            "Ratio of tensile to yield strength",
            materials.Reinforcement.Ratio,
            1,
            1.5,
            QuantityKind.Number
        );
        if (!Enum.IsDefined(materials.Reinforcement.Branch))
            bounds.Error("/materials/reinforcement/branch", "The branch beyond yield is not known.");
        Line("/materials/reinforcement", materials.Reinforcement.Line, bounds);
        bounds.Among("/materials/structural/class", "Structural steel", materials.Structural.Class ?? "", [.. StructuralSteel.Classes]);
        bounds.Own("/materials/structural/fy", "Yield strength", materials.Structural.Fy, 150e6, 1000e6, QuantityKind.Stress);
        bounds.Own("/materials/structural/fu", "Tensile strength", materials.Structural.Fu, 200e6, 1300e6, QuantityKind.Stress);
        bounds.Own("/materials/structural/e", "Modulus of elasticity", materials.Structural.E, 150e9, 230e9, QuantityKind.Stress);
        var strand = materials.Strand;
        bounds.Between("/materials/strand/relaxationClass", "Relaxation class", strand.RelaxationClass, 1, 3, QuantityKind.Count);
        bounds.Own("/materials/strand/rho1000", "Relaxation after 1000 hours", strand.Rho1000, 0, 0.2, QuantityKind.Number);
        if (!Enum.IsDefined(strand.Branch))
            bounds.Error("/materials/strand/branch", "The branch beyond the proof strength is not known.");
        Line("/materials/strand", strand.Line, bounds);
        bounds.Among("/materials/strand/type", "Strand", strand.Type ?? "", [.. PrestressingSteel.Types]);
        bounds.Own("/materials/strand/area", "Area of a strand", strand.Area, 10e-6, 500e-6, QuantityKind.SmallArea);
        bounds.Own("/materials/strand/fpk", "Tensile strength", strand.Fpk, 1000e6, 2500e6, QuantityKind.Stress);
        bounds.Own("/materials/strand/fp01k", "Proof strength", strand.Fp01k, 800e6, 2300e6, QuantityKind.Stress);
        bounds.Own("/materials/strand/ep", "Modulus of elasticity", strand.Ep, 150e9, 220e9, QuantityKind.Stress);
        if (bounds.HasErrors)
            return;
        var steel = PrestressingSteel.Of(strand);
        var structural = StructuralSteel.Of(materials.Structural);
        if (structural.Fy > structural.Fu)
            bounds.Error("/materials/structural/fy", "The yield strength is above the tensile strength.");
        if (steel.Fp01k > steel.Fpk)
            bounds.Error("/materials/strand/fp01k", "The proof strength is above the tensile strength.");
    }

    private static void Line(string path, ImmutableArray<LinePoint>? line, Bounds bounds)
    {
        if (line is { } own && StressLine.Problem(own) is { } problem)
            bounds.Error($"{path}/line", $"The stress-strain line cannot be taken: {problem}.");
    }
}
