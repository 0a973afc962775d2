using Pravik.Core.Calculations;
using Pravik.Core.Codes;
using Pravik.Core.Members;
using Pravik.Core.Units;

namespace Pravik.Core.Checks.En1992;

/// <summary>The lines by which an ultimate bending resistance is explained.</summary>
internal sealed class BendingCalculation(Calculation c, MemberSection section, NationalValues values)
{
    /// <summary>Writes a resistance beside an axial force (N) at a height (m); null where there is none.</summary>
    public void Write(UltimateState? state, Bending bending, double axial, double reference)
    {
        c.Heading("Section");
        section.Origin?.Invoke(c);
        WriteMaterials();
        c.Heading(bending == Bending.Sagging ? "Resistance, sagging" : "Resistance, hogging");
        if (state is null)
            c.Remark(
                "Even compressed over its whole depth the concrete cannot balance steel and axial force, or no steel is left beside it: "
                    + "no resistance is given.",
                "EN 1992-1-1 6.1"
            );
        else
            WriteState(state, axial, reference);
    }

    private void WriteMaterials()
    {
        var (pier, slab, lower) = (section.IsInterrupted, section.Concrete[0].Concrete, section.Concrete[^1].Concrete);
        var bars = section.Bars[0].Steel;
        c.Heading("Materials");
        c.Line(
            "f_cd,slab",
            $"α_cc f_ck / γ_C, {slab.Class}",
            slab.DesignStrength(values["alphaCc"], values["gammaC"]),
            QuantityKind.Stress,
            "EN 1992-1-1 3.1.6(1), EN 1992-2 3.1.6(101)",
            $"{values["alphaCc"]:0.00} · {c.Text(slab.Fck, QuantityKind.Stress)} / {values["gammaC"]:0.00}"
        );
        c.Line(
            "f_cd,girder",
            pier ? $"at the pier the soffit is the diaphragm, {lower.Class}" : $"α_cc f_ck / γ_C, {lower.Class}",
            lower.DesignStrength(values["alphaCc"], values["gammaC"]),
            QuantityKind.Stress,
            "EN 1992-1-1 3.1.6(1), EN 1992-2 3.1.6(101)",
            $"{values["alphaCc"]:0.00} · {c.Text(lower.Fck, QuantityKind.Stress)} / {values["gammaC"]:0.00}"
        );
        if (pier)
            c.Remark("Between the girder ends over the pier no strand passes: slab bars and bars over the pier carry the tension.");
        c.Line(
            "f_yd",
            $"f_yk / γ_S, {bars.Class}",
            bars.Fyk / values["gammaS"],
            QuantityKind.Stress,
            bars.Clause,
            $"{c.Text(bars.Fyk, QuantityKind.Stress)} / {values["gammaS"]:0.00}"
        );
        if (section.Strands.FirstOrDefault() is { } strands)
            WriteStrands(strands);
    }

    private void WriteStrands(MemberStrands of)
    {
        var (strand, area) = (of.Steel, section.Strands.Sum(r => BendingResistance.AnchoredArea(r, values)));
        if (area == 0)
            return;
        var all = section.Strands.Sum(r => r.Area);
        c.Line(
            "f_pd",
            $"f_p0.1k / γ_S, {strand.Type}",
            strand.Fp01k / values["gammaS"],
            QuantityKind.Stress,
            "EN 1992-1-1 3.3.6(6)",
            $"{c.Text(strand.Fp01k, QuantityKind.Stress)} / {values["gammaS"]:0.00}"
        );
        if (area < all * (1 - 1e-9))
            StrandAnchorage.Of(of, values).Write(c);
        c.Line(
            "A_p",
            $"{area / strand.Area:0.#} strands as far as they are anchored here",
            area,
            QuantityKind.SmallArea,
            "EN 1992-1-1 8.10.2.3",
            $"{area / strand.Area:0.###} · {c.Text(strand.Area, QuantityKind.SmallArea)}"
        );
        c.Line(
            "ε_p0",
            "σ_p,eff / E_p, strain before loading",
            of.EffectiveStress / strand.Ep,
            QuantityKind.Strain,
            "EN 1992-1-1 6.1(2)",
            $"{c.Text(of.EffectiveStress, QuantityKind.Stress)} / {c.Text(strand.Ep, QuantityKind.Stress)}"
        );
    }

    private void WriteState(UltimateState state, double axial, double reference)
    {
        c.Line("x", "depth of the compressed zone, from Σ F_s − Σ F_c = N_Ed", state.NeutralAxis, QuantityKind.Size, "EN 1992-1-1 6.1(2)");
        c.Line(
            "ε_c",
            "κ x, strain of the compressed face",
            state.FaceStrain,
            QuantityKind.Strain,
            "EN 1992-1-1 3.1.7(1)",
            $"limit {c.Text(section.Concrete[0].Concrete.EpsilonCu2, QuantityKind.Strain)}"
        );
        foreach (var (layer, i) in state.Steel.Select((s, i) => (s, i + 1)))
        {
            c.Line(
                $"ε_s{i}",
                $"{layer.Layer.Name}: ε_0 + κ (d − x)",
                layer.Strain,
                QuantityKind.Strain,
                "EN 1992-1-1 6.1(2)",
                $"height {c.Text(layer.Layer.Height, QuantityKind.Size)}"
            );
            c.Line(
                $"F_s{i}",
                $"A σ, σ = {c.Text(layer.Stress, QuantityKind.Stress)}",
                layer.Force,
                QuantityKind.Force,
                layer.Layer.InitialStrain > 0 ? "EN 1992-1-1 3.3.6(7)" : section.Bars[0].Steel.Clause,
                $"A = {c.Text(layer.Layer.Area, QuantityKind.SmallArea)}"
            );
        }
        foreach (var part in state.Concrete)
            c.Line(
                $"F_c,{part.Part.Name}",
                $"compression in the {part.Part.Name}, at height {c.Text(part.Height, QuantityKind.Size)}",
                part.Force,
                QuantityKind.Force,
                "EN 1992-1-1 3.1.7(1)"
            );
        c.Line(
            "M_Rd",
            "Σ F_c z_c − Σ F_s z_s + N_Ed z_N, about the height of N_Ed",
            state.Moment,
            QuantityKind.Moment,
            "EN 1992-1-1 6.1(2)",
            $"N_Ed = {c.Text(axial, QuantityKind.Force)}, z_N = {c.Text(reference, QuantityKind.Size)} above the soffit"
        );
    }
}
