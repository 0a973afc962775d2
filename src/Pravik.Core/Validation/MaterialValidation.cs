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
        Concretes(concretes, bounds);
        bounds.Among("/materials/exposure", materials.Exposure ?? "", [.. ExposureClass.All]);
        Bars(materials.Reinforcement, bounds);
        bounds.Among("/materials/structural/class", materials.Structural.Class ?? "", [.. StructuralSteel.Classes]);
        bounds.Check("/materials/structural/fy", materials.Structural.Fy);
        bounds.Check("/materials/structural/fu", materials.Structural.Fu);
        bounds.Check("/materials/structural/e", materials.Structural.E);
        Strand(materials.Strand, bounds);
        if (bounds.HasErrors)
            return;
        var structural = StructuralSteel.Of(materials.Structural);
        if (structural.Fy > structural.Fu)
            bounds.Error("/materials/structural/fy", "The yield strength is above the tensile strength.");
    }

    /// <summary>Concretes by their paths; where those are not entries of a bridge, the path of one that is.</summary>
    public static void Concretes(IEnumerable<(string Path, ConcreteGrade Grade)> concretes, Bounds bounds, string? entry = null)
    {
        foreach (var (path, grade) in concretes)
        {
            bounds.Among($"{path}/class", grade.Class ?? "", [.. Concrete.Classes], Of(path, "class"));
            bounds.Check($"{path}/fctm", grade.Fctm, entry: Of(path, "fctm"));
            bounds.Check($"{path}/ecm", grade.Ecm, entry: Of(path, "ecm"));
            bounds.Check($"{path}/epsilonC2", grade.EpsilonC2, entry: Of(path, "epsilonC2"));
            bounds.Check($"{path}/epsilonCu2", grade.EpsilonCu2, entry: Of(path, "epsilonCu2"));
            bounds.Check($"{path}/exponent", grade.Exponent, entry: Of(path, "exponent"));
            Line(path, grade.Line, bounds);
            if (grade.EpsilonC2 > grade.EpsilonCu2)
                bounds.Error($"{path}/epsilonC2", "The parabola ends beyond the ultimate strain.");
        }

        string Of(string path, string name) => $"{entry ?? path}/{name}";
    }

    /// <summary>Bars.</summary>
    public static void Bars(ReinforcementGrade bars, Bounds bounds)
    {
        bounds.Among("/materials/reinforcement/class", bars.Class ?? "", [.. ReinforcingSteel.Classes]);
        bounds.Check("/materials/reinforcement/fyk", bars.Fyk);
        bounds.Check("/materials/reinforcement/es", bars.Es);
        bounds.Check("/materials/reinforcement/epsilonUk", bars.EpsilonUk);
        bounds.Check("/materials/reinforcement/ratio", bars.Ratio);
        bounds.Known("/materials/reinforcement/branch", bars.Branch);
        Line("/materials/reinforcement", bars.Line, bounds);
    }

    /// <summary>Strands and tendons.</summary>
    public static void Strand(StrandGrade strand, Bounds bounds)
    {
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
        if (steel.Fp01k > steel.Fpk)
            bounds.Error("/materials/strand/fp01k", "The proof strength is above the tensile strength.");
    }

    private static void Line(string path, ImmutableArray<LinePoint>? line, Bounds bounds)
    {
        if (line is { } own && StressLine.Problem(own) is { } problem)
            bounds.Error($"{path}/line", $"The stress-strain line cannot be taken: {problem}.");
    }
}
