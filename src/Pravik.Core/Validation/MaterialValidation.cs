using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Materials;

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
            bounds.Among($"{path}/class", grade.Class ?? "", [.. Concrete.Classes]);
            bounds.Check($"{path}/fctm", grade.Fctm);
            bounds.Check($"{path}/ecm", grade.Ecm);
            bounds.Check($"{path}/epsilonC2", grade.EpsilonC2);
            bounds.Check($"{path}/epsilonCu2", grade.EpsilonCu2);
            bounds.Check($"{path}/exponent", grade.Exponent);
            Line(path, grade.Line, bounds);
            if (grade.EpsilonC2 > grade.EpsilonCu2)
                bounds.Error($"{path}/epsilonC2", "The parabola ends beyond the ultimate strain.");
        }
        bounds.Among("/materials/exposure", materials.Exposure ?? "", [.. ExposureClass.All]);
        bounds.Among("/materials/reinforcement/class", materials.Reinforcement.Class ?? "", [.. ReinforcingSteel.Classes]);
        bounds.Check("/materials/reinforcement/fyk", materials.Reinforcement.Fyk);
        bounds.Check("/materials/reinforcement/es", materials.Reinforcement.Es);
        bounds.Check("/materials/reinforcement/epsilonUk", materials.Reinforcement.EpsilonUk);
        bounds.Check("/materials/reinforcement/ratio", materials.Reinforcement.Ratio);
        bounds.Known("/materials/reinforcement/branch", materials.Reinforcement.Branch);
        Line("/materials/reinforcement", materials.Reinforcement.Line, bounds);
        bounds.Among("/materials/structural/class", materials.Structural.Class ?? "", [.. StructuralSteel.Classes]);
        bounds.Check("/materials/structural/fy", materials.Structural.Fy);
        bounds.Check("/materials/structural/fu", materials.Structural.Fu);
        bounds.Check("/materials/structural/e", materials.Structural.E);
        var strand = materials.Strand;
        bounds.Check("/materials/strand/relaxationClass", strand.RelaxationClass);
        bounds.Check("/materials/strand/rho1000", strand.Rho1000);
        bounds.Known("/materials/strand/branch", strand.Branch);
        Line("/materials/strand", strand.Line, bounds);
        bounds.Among("/materials/strand/type", strand.Type ?? "", [.. PrestressingSteel.Types]);
        bounds.Check("/materials/strand/area", strand.Area);
        bounds.Check("/materials/strand/fpk", strand.Fpk);
        bounds.Check("/materials/strand/fp01k", strand.Fp01k);
        bounds.Check("/materials/strand/ep", strand.Ep);
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
