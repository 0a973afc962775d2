using System.Collections.Immutable;
using Pravik.Core.Calculations;
using Pravik.Core.Codes;
using Pravik.Core.Members;
using Pravik.Core.Units;

namespace Pravik.Core.Checks.En1992;

/// <summary>A wheel that punches through a strip of slab without links (EN 1992-1-1 6.4).</summary>
/// <remarks>
/// On the perimeter 2·d around the wheel (6.4.2): v_Ed = V_Ed/(u₁·d) against v_Rd,c = max(C_Rd,c·k·(100·ρ_l·f_ck)^⅓, v_min), ρ_l =
/// √(ρ_y·ρ_z) ≤ 0.02 (6.47), d the mean of both directions. At the wheel itself v_Ed = V_Ed/(u₀·d) against 0.4·ν·f_cd (6.4.5(3)). β is 1,
/// axial forces are left out, and so is the shear of all else. Near an edge of the slab the perimeter ends there (Figure 6.15). The bars of
/// that face count which give less.
/// </remarks>
public sealed class Punching : ICheck
{
    private const string Clause = "EN 1992-1-1 6.4.4";
    private const string Check = "punching.wheel";
    private const double MostRatio = 0.02;
    private const double OfStruts = 0.4;

    /// <inheritdoc/>
    public string Id => "punching";

    /// <inheritdoc/>
    public string Subject => "punching by wheels";

    /// <inheritdoc/>
    public bool IsRated => false;

    /// <inheritdoc/>
    public string? Refusal(MemberForm form, Standard standard) => ConcreteMembers.Refusal(form, standard);

    /// <inheritdoc/>
    public IMemberCheck Of(ImmutableArray<Member> members) => new Ready();

    private sealed class Ready : IMemberCheck
    {
        public IEnumerable<CheckOutcome> At(Member member, int place) => Stands(member, place) ? [Worst(member, place).Outcome(null)] : [];

        public CheckOutcome Write(Member member, int place, string check, Calculation calculation) =>
            Worst(member, place).Outcome(calculation);

        private static bool Stands(Member member, int place) =>
            member is { Wheels: { } w }
            && member.Points[place] is { Section: not null, Distance: var x }
            && w.Stand.Any(s => x >= s.From && x <= s.To);

        private static OfWheel Worst(Member member, int place) =>
            member
                .Wheels!.Wheels.SelectMany(w => new[] { true, false }.Select(isSoffit => new OfWheel(member, place, w, isSoffit)))
                .MaxBy(w => w.Utilisation)!;
    }

    /// <summary>A wheel at a place, with the bars of one face.</summary>
    private sealed class OfWheel
    {
        private readonly Member member;
        private readonly MemberPoint point;
        private readonly MemberWheel wheel;
        private readonly bool isSoffit;
        private readonly double depthAlong;
        private readonly double depthAcross;
        private readonly double alongRatio;
        private readonly double acrossRatio;
        private readonly double fck;

        public OfWheel(Member member, int place, MemberWheel wheel, bool isSoffit)
        {
            (this.member, point, this.wheel, this.isSoffit) = (member, member.Points[place], wheel, isSoffit);
            var (section, square) = (point.Section!, member.Wheels!);
            var bars = section.Bars.Where(b => b.IsTop != isSoffit).ToList();
            var area = bars.Sum(b => b.Area);
            var height = area == 0 ? section.Depth / 2 : bars.Sum(b => b.Area * b.Height) / area;
            depthAlong = isSoffit ? section.Depth - height : height;
            depthAcross = section.Depth - (isSoffit ? square.BottomAxis : square.TopAxis);
            alongRatio = area / (section.WebWidth * depthAlong);
            acrossRatio = (isSoffit ? square.Bottom : square.Top) / depthAcross;
            fck = section.Concrete[^1].Concrete.Fck;
        }

        private double Depth => (depthAlong + depthAcross) / 2;

        private double Ratio => Math.Min(MostRatio, Math.Sqrt(alongRatio * acrossRatio));

        private double Size => Math.Min(2, 1 + Math.Sqrt(0.2 / Depth));

        /// <summary>From the middle of the wheel to the nearer end of the strip, the edge of the slab (m).</summary>
        private double ToEdge => Math.Min(point.Distance - member.Points[0].Distance, member.Points[^1].Distance - point.Distance);

        /// <summary>u₁: all around, or open to the edge.</summary>
        private double Perimeter =>
            Math.Min(2 * (wheel.Along + wheel.Across) + 4 * Math.PI * Depth, wheel.Across + wheel.Along + 2 * ToEdge + 2 * Math.PI * Depth);

        private double Least => member.Values["shearLeast"] * Math.Pow(Size, 1.5) * Math.Sqrt(fck / 1e6) * 1e6;

        private double ByReinforcement =>
            member.Values["shearC"] / member.Values["gammaC"] * Size * Math.Cbrt(100 * Ratio * fck / 1e6) * 1e6;

        /// <summary>v_Rd,c (Pa).</summary>
        private double Resistance => Math.Max(ByReinforcement, Least);

        /// <summary>v_Rd,max (Pa).</summary>
        private double Most =>
            OfStruts
            * member.Values["shearNu"]
            * (1 - fck / 250e6)
            * point.Section!.Concrete[^1].Concrete.DesignStrength(member.Values["alphaCc"], member.Values["gammaC"]);

        private double Around => 2 * (wheel.Along + wheel.Across);

        /// <summary>The force that punches (N): the lesser of what both perimeters carry.</summary>
        private double Carried => Math.Min(Resistance * Perimeter * Depth, Most * Around * Depth);

        public double Utilisation => wheel.Force / Carried;

        public CheckOutcome Outcome(Calculation? c)
        {
            if (c is not null)
                Write(c);
            return new(Check, "Punching by a wheel", point.Number, point.Number, wheel.Force, Carried, Utilisation, Clause)
            {
                Kind = QuantityKind.Force,
                State = null,
            };
        }

        private void Write(Calculation c)
        {
            c.Heading("Wheel");
            c.Line("V_Ed", $"{wheel.Name}, with γ_Q", wheel.Force, QuantityKind.Force, "EN 1991-2 4.3");
            c.Line("a", "of the rectangle on the slab, along the strip", wheel.Along, QuantityKind.Size, "EN 1991-2 4.3.6");
            c.Line("b", "of it, square to the strip", wheel.Across, QuantityKind.Size, "EN 1991-2 4.3.6");
            c.Heading($"Resistance, with bars near the {(isSoffit ? "soffit" : "top")}");
            c.Line("d", "mean of both directions", Depth, QuantityKind.Size, "EN 1992-1-1 (6.32)");
            c.Ratio("ρ_l", $"√({100 * alongRatio:0.00} % · {100 * acrossRatio:0.00} %), 0.02 at most", Ratio, 4, "EN 1992-1-1 (6.47)");
            c.Ratio("k", "1 + √(200 mm / d), 2 at most", Size, 3, "EN 1992-1-1 (6.47)");
            c.Line("v_Rd,c", "greater of C_Rd,c k (100 ρ_l f_ck)^⅓ and v_min", Resistance, QuantityKind.SmallStress, "EN 1992-1-1 (6.47)");
            c.Line("u_1", "around the wheel at 2 d, as far as the slab goes", Perimeter, QuantityKind.Length, "EN 1992-1-1 6.4.2");
            c.Line("V_Rd,c", "v_Rd,c u_1 d", Resistance * Perimeter * Depth, QuantityKind.Force, Clause);
            c.Line("V_Rd,max", "0.4 ν f_cd u_0 d, u_0 = 2 (a + b)", Most * Around * Depth, QuantityKind.Force, "EN 1992-1-1 (6.53)");
            c.Heading("Check");
            c.Ratio("V_Ed / V_Rd", CheckWords.Met("V_Ed / V_Rd", Utilisation), Utilisation, 3, Clause);
        }
    }
}
