using System.Collections.Immutable;
using Pravik.Core.Calculations;
using Pravik.Core.Codes;
using Pravik.Core.Members;
using Pravik.Core.Models;
using Pravik.Core.Units;

namespace Pravik.Core.Checks.En1992;

/// <summary>
/// Shear between a girder and the slab that is cast on it, under the ultimate combinations (EN 1992-1-1 6.2.5, EN 1992-2 6.2.5(105)).
/// </summary>
/// <remarks>
/// v_Edi = β·|V_Ed|/(z·b_i) ≤ v_Rdi = c·f_ctd + μ·σ_n + ρ·μ·f_yd ≤ 0.5·ν·f_cd (6.24, 6.25), ρ = A_sw/(s·b_i) of upright links that
/// cross the face and are anchored on both sides, f_ctd = α_ct·f_ctk,0.05/γ_C with α_ct = 1, f_ctk,0.05 = 0.7·f_ctm,
/// ν = 0.6·(1 − f_ck/250 MPa), both
/// concretes taken as the weaker. Assumed, on the safe side: β = 1 (all of the flange's force comes from the slab), σ_n = 0, z = 0.9·d.
/// </remarks>
public sealed class InterfaceShear : ICheck
{
    private const string CheckId = "interface.slab";
    private const string Clause = "EN 1992-1-1 6.2.5";
    private const string Title = "Interface of girder and slab";
    private const double NoResistance = 99;

    /// <summary>Why no links do, and what would help.</summary>
    public const string NotCarried =
        "the face to the slab is too narrow for its shear: a wider top of the girder, a deeper section or stronger concrete would help.";

    /// <inheritdoc/>
    public string Id => "interface";

    /// <inheritdoc/>
    public string Subject => "interface between girder and slab";

    /// <inheritdoc/>
    public string? Refusal(MemberForm form, Standard standard) => ConcreteMembers.Refusal(form, standard);

    /// <inheritdoc/>
    public IMemberCheck Of(ImmutableArray<Member> members) => new Ready();

    /// <summary>
    /// A_sw/s of the links that must cross the face at a place (m²/m), infinite where its struts do not carry the shear; 0 where no slab
    /// lies on the member.
    /// </summary>
    public static double Needs(Member member, int place) =>
        member.Points[place].Section is { IsInterrupted: false, Joint: not null } ? Both(member, place).Max(a => a.Need) : 0;

    private static IEnumerable<Face> Both(Member member, int place) => [new Face(member, place, true), new Face(member, place, false)];

    private sealed class Ready : IMemberCheck
    {
        public IEnumerable<CheckOutcome> At(Member member, int place) =>
            member.Points[place].Section is { IsInterrupted: false, Joint: not null } ? [Outcome(member, Worst(member, place))] : [];

        public CheckOutcome Write(Member member, int place, string check, Calculation calculation)
        {
            var worst = Worst(member, place);
            worst.Write(calculation);
            return Outcome(member, worst);
        }

        private static Face Worst(Member member, int place) => Both(member, place).MaxBy(a => a.Utilisation)!;

        private static CheckOutcome Outcome(Member member, Face face) =>
            new(CheckId, Title, face.Place, face.Acting.At.Number, face.Stress, face.Resistance, face.Utilisation, Clause)
            {
                Axial = face.Acting.Axial,
                Leads = GirderEffect.V,
                IsGreatest = face.Acting.IsGreatest,
                Kind = QuantityKind.SmallStress,
                Towards = face.Acting.Towards,
            };
    }

    /// <summary>The face at a place under the greatest or the least shear.</summary>
    private sealed class Face
    {
        private readonly Member member;
        private readonly MemberSection section;
        private readonly MemberJoint joint;
        private readonly ShearResistance shear;
        private readonly double fctd;
        private readonly double fcd;

        public Face(Member member, int place, bool isGreatest)
        {
            this.member = member;
            (section, joint) = (member.Points[place].Section!, member.Points[place].Section!.Joint!);
            var here = ActingShear.Of(member, member.Points[place], isGreatest);
            shear = new(section, member.Values, member.StrutSlope, here.Moment >= 0, here.Axial);
            Acting = here.Nearer(member, ActingShear.EndOf(member, place), shear.Depth);
            Place = member.Points[place].Number;
            fctd = 0.7 * joint.Weaker.Fctm / member.Values["gammaC"];
            fcd = joint.Weaker.DesignStrength(member.Values["alphaCc"], member.Values["gammaC"]);
        }

        public int Place { get; }

        public ActingShear Acting { get; }

        /// <summary>v_Edi (Pa).</summary>
        public double Stress => Math.Abs(Acting.Shear) / (shear.Lever * joint.Width);

        private double Cohesion => member.Values["interfaceCohesion"] * joint.Surface.Cohesion * fctd;

        private double Most => 0.5 * member.Values["shearNu"] * (1 - joint.Weaker.Fck / 250e6) * fcd;

        private double Ratio => section.Links is { } links ? links.Area / (links.Spacing * joint.Width) : 0;

        private double Fyd => section.Links is { } links ? links.Steel.Fyk / member.Values["gammaS"] : 0;

        /// <summary>v_Rdi (Pa).</summary>
        public double Resistance => Math.Min(Most, Cohesion + Ratio * joint.Surface.Friction * Fyd);

        public double Utilisation =>
            Stress == 0 ? 0
            : Resistance <= 0 ? NoResistance
            : Math.Min(NoResistance, Stress / Resistance);

        /// <summary>A_sw/s that gives as much as is asked (m²/m).</summary>
        public double Need =>
            Stress <= Cohesion ? 0
            : Stress > Most || Fyd == 0 ? double.PositiveInfinity
            : (Stress - Cohesion) * joint.Width / (joint.Surface.Friction * Fyd);

        public void Write(Calculation c)
        {
            Acting.Write(c, member, "at d from the axis");
            c.Heading("Face");
            section.Origin?.Invoke(c);
            c.Line("b_i", "width of the face, the top of the girder", joint.Width, QuantityKind.Size, Clause);
            c.Line("z", "0.9 d", shear.Lever, QuantityKind.Size, "EN 1992-1-1 6.2.3(1)");
            c.Line("v_Edi", "β |V_Ed| / (z b_i), β = 1", Stress, QuantityKind.SmallStress, "EN 1992-1-1 (6.24)");
            c.Heading("Resistance");
            var surface = joint.Surface;
            c.Ratio(
                "c",
                $"{surface.Name}, times {member.Values["interfaceCohesion"]:0.##} under traffic",
                member.Values["interfaceCohesion"] * surface.Cohesion,
                3,
                "EN 1992-2 6.2.5(105)"
            );
            c.Ratio("μ", surface.Name, surface.Friction, 2, "EN 1992-1-1 6.2.5(2)");
            c.Line(
                "f_ctd",
                $"α_ct 0.7 f_ctm / γ_C, α_ct = 1, of {joint.Weaker.Class}",
                fctd,
                QuantityKind.SmallStress,
                "EN 1992-1-1 3.1.6(2)"
            );
            var words = section.Links?.Words ?? "no links";
            c.Ratio("ρ", $"A_sw / (s b_i), {words}", Ratio, 5, "EN 1992-1-1 6.2.5(1)");
            c.Line("0.5 ν f_cd", "struts in the weaker concrete", Most, QuantityKind.SmallStress, "EN 1992-1-1 (6.25)");
            c.Line("v_Rdi", "c f_ctd + μ ρ f_yd ≤ 0.5 ν f_cd", Resistance, QuantityKind.SmallStress, "EN 1992-1-1 (6.25)");
            c.Heading("Check");
            c.Ratio("η", CheckWords.Met("v_Edi / v_Rdi", Utilisation), Utilisation, 3, Clause);
            c.Remark(
                "The whole shear acts on the face, also what the girder carried alone. Left out, on the safe side: compression across "
                    + "the face, and the part of the flange’s force that is in the girder. Links must be anchored in the slab.",
                Clause
            );
        }
    }
}
