using System.Collections.Immutable;
using Pravik.Core.Calculations;
using Pravik.Core.Codes;
using Pravik.Core.Members;
using Pravik.Core.Models;
using Pravik.Core.Units;

namespace Pravik.Core.Checks.En1992;

/// <summary>What links a place needs.</summary>
/// <param name="PerLength">Least area of legs per length A_sw/s (m²/m).</param>
/// <param name="MostSpacing">Greatest distance of links (m).</param>
/// <param name="Refusal">What is not carried, however many links there are, and what would help; null where links do.</param>
public readonly record struct LinkNeed(double PerLength, double MostSpacing, string? Refusal)
{
    /// <summary>What all checks that count on links ask of a place; null where the section has no links to be made of.</summary>
    public static LinkNeed? Of(Member member, int place)
    {
        if (UltimateShear.Needs(member, place) is not { } shear)
            return null;
        var (across, torsion) = (InterfaceShear.Needs(member, place), UltimateTorsion.Needs(member, place));
        return shear with
        {
            PerLength = Math.Max(shear.PerLength, Math.Max(across, torsion.PerLength)),
            Refusal = shear.Refusal ?? torsion.Refusal ?? (double.IsInfinity(across) ? InterfaceShear.NotCarried : null),
        };
    }
}

/// <summary>
/// Ultimate shear of members with the moment and axial force beside it, the struts at the ends, and the least links (EN 1992-1-1 6.2,
/// 9.2.2).
/// </summary>
public sealed class UltimateShear : ICheck
{
    private const string Clause = "EN 1992-1-1 6.2";
    private const double NoResistance = 99;

    /// <inheritdoc/>
    public string Id => "shear";

    /// <inheritdoc/>
    public string Subject => "ultimate shear";

    /// <inheritdoc/>
    public string? Refusal(MemberForm form, Standard standard) => ConcreteMembers.Refusal(form, standard);

    /// <inheritdoc/>
    public IMemberCheck Of(ImmutableArray<Member> members) => new Ready();

    /// <summary>What is sought at a place.</summary>
    private enum Sense
    {
        /// <summary>Shear against what the section carries.</summary>
        Links,

        /// <summary>Shear at the end of a girder against its struts.</summary>
        Struts,

        /// <summary>Links against the least.</summary>
        Least,
    }

    private sealed class Ready : IMemberCheck
    {
        public IEnumerable<CheckOutcome> At(Member member, int place) =>
            Senses(member, place).Select(s => new OfPlace(member, place).Check(s, null));

        public CheckOutcome Write(Member member, int place, string check, Calculation calculation) =>
            new OfPlace(member, place).Check(Senses(member, place).First(s => check == IdOf(s)), calculation);

        /// <summary>Nothing over a pier, where no girder is; struts at the first and last place of a girder.</summary>
        private static IEnumerable<Sense> Senses(Member member, int place)
        {
            if (member.Points[place].Section is not { IsInterrupted: false } section)
                yield break;
            yield return Sense.Links;
            if (ActingShear.EndOf(member, place) is not null)
                yield return Sense.Struts;
            if (section.Links is not null)
                yield return Sense.Least;
        }
    }

    /// <summary>What links a place of a member needs; null where shear is not checked or the section has no links to be made of.</summary>
    public static LinkNeed? Needs(Member member, int place) =>
        member.Points[place].Section is { IsInterrupted: false, Links: not null } ? new OfPlace(member, place).Needs() : null;

    private static string IdOf(Sense sense) =>
        sense switch
        {
            Sense.Links => "shear.links",
            Sense.Struts => "shear.struts",
            _ => "shear.least",
        };

    /// <summary>The checks of one place.</summary>
    private readonly struct OfPlace(Member member, int place)
    {
        private readonly MemberPoint point = member.Points[place];

        public CheckOutcome Check(Sense sense, Calculation? calculation)
        {
            if (sense == Sense.Least)
                return Least(calculation);
            var end = ActingShear.EndOf(member, place);
            var best = default((ActingShear Acting, ShearResistance Resistance, double Use)?);
            foreach (var isGreatest in new[] { true, false })
            {
                var acting = ActingShear.Of(member, point, isGreatest);
                var resistance = ResistanceBeside(acting);
                if (sense == Sense.Struts)
                    resistance = ResistanceBeside(acting, 0.5 * resistance.Depth * member.StrutSlope);
                if (end is not null)
                    acting = acting.Nearer(member, end, sense == Sense.Struts ? GirderEnd(end) : resistance.Depth);
                var use = Use(acting.Shear, sense == Sense.Struts ? resistance.Struts : resistance.Resistance);
                if (best is null || use > best.Value.Use)
                    best = (acting, resistance, use);
            }
            var (found, of, utilisation) = best!.Value;
            var carried = sense == Sense.Struts ? of.Struts : of.Resistance;
            if (calculation is not null)
                Write(calculation, found, of, sense, utilisation);
            return new(
                IdOf(sense),
                sense == Sense.Struts ? "Ultimate shear, struts at the end" : "Ultimate shear",
                point.Number,
                found.At.Number,
                found.Shear,
                Math.Sign(found.Shear) * carried,
                utilisation,
                Clause
            )
            {
                Axial = found.Axial,
                Leads = GirderEffect.V,
                IsGreatest = found.IsGreatest,
                Kind = QuantityKind.Force,
                Towards = found.Towards,
            };
        }

        private static double Use(double shear, double resistance) =>
            shear == 0 ? 0
            : resistance <= 0 ? NoResistance
            : Math.Min(NoResistance, Math.Abs(shear) / resistance);

        private ShearResistance ResistanceBeside(ActingShear acting, double transmittedAt = double.PositiveInfinity) =>
            new(point.Section!, member.Values, member.StrutSlope, acting.Moment >= 0, acting.Axial, transmittedAt);

        /// <summary>What links must be here: A_sw/s (m²/m), the greatest distance (m), and whether struts carry the shear at all.</summary>
        public LinkNeed Needs()
        {
            var (least, most, refusal) = (0.0, double.PositiveInfinity, default(string));
            var end = ActingShear.EndOf(member, place);
            foreach (var isGreatest in new[] { true, false })
            {
                var acting = ActingShear.Of(member, point, isGreatest);
                var resistance = ResistanceBeside(acting);
                acting = acting.Nearer(member, end, resistance.Depth);
                var shear = Math.Abs(acting.Shear);
                least = Math.Max(least, resistance.LeastLinks * point.Section!.WebWidth);
                if (shear > resistance.Concrete)
                    least = Math.Max(least, resistance.LinksFor(shear));
                if (shear > resistance.Concrete && shear > resistance.Struts)
                    refusal = "the struts do not carry the shear: a thicker web, stronger concrete or steeper struts would help.";
                most = Math.Min(most, resistance.MostSpacing);
            }
            return new(least, most, refusal);
        }

        /// <summary>From the end of the span to the end of the girder (m).</summary>
        private double GirderEnd(MemberPoint end) => Math.Max(0, Math.Abs(point.Distance - end.Distance) - point.Section!.FromEnd);

        private CheckOutcome Least(Calculation? c)
        {
            var resistance = ResistanceBeside(ActingShear.Of(member, point, true));
            var (ratio, least) = (resistance.LinkRatio, resistance.LeastLinks);
            var spacing = point.Section!.Links!.Spacing / resistance.MostSpacing;
            var utilisation = Math.Max(ratio > 0 ? Math.Min(NoResistance, least / ratio) : NoResistance, spacing);
            if (c is not null)
            {
                c.Heading("Least links");
                c.Ratio("ρ_w", $"A_sw / (s b_w), {point.Section.Links.Words}", ratio, 5, "EN 1992-1-1 (9.4)");
                c.Ratio("ρ_w,min", $"{member.Values["leastLinks"]:0.##} √f_ck / f_yk", least, 5, "EN 1992-1-1 (9.5N)");
                c.Line("s", "distance of links", point.Section.Links.Spacing, QuantityKind.Size, "entered");
                c.Line("s_max", $"{member.Values["linkSpacing"]:0.##} d", resistance.MostSpacing, QuantityKind.Size, "EN 1992-1-1 (9.6N)");
                c.Ratio("η", "max(ρ_w,min / ρ_w, s / s_max) ≤ 1", utilisation, 3, "EN 1992-1-1 9.2.2");
            }
            return new("shear.least", "Least links", point.Number, point.Number, least, ratio, utilisation, "EN 1992-1-1 9.2.2")
            {
                Leads = GirderEffect.V,
                IsGreatest = true,
                Kind = QuantityKind.Number,
            };
        }

        private void Write(Calculation c, ActingShear acting, ShearResistance resistance, Sense sense, double utilisation)
        {
            acting.Write(c, member, sense == Sense.Struts ? "at the end of the girder" : "at d from the axis");
            c.Line("M_Ed", "beside it: its sign says which face is in tension", acting.Moment, QuantityKind.Moment, "");
            resistance.Write(c);
            c.Heading("Check");
            var carried = sense == Sense.Struts ? resistance.Struts : resistance.Resistance;
            c.Ratio(
                "η",
                sense == Sense.Struts ? "|V_Ed| / V_Rd,max ≤ 1" : "|V_Ed| / max(V_Rd,c, min(V_Rd,s, V_Rd,max)) ≤ 1",
                utilisation,
                3,
                Clause,
                $"{c.Text(acting.Shear, QuantityKind.Force)} / {c.Text(carried, QuantityKind.Force)}"
            );
            c.Remark(
                "The whole shear is set against the composite section. Left out, on the safe side: what deflected strands carry by their "
                    + "slope, loads near supports (6.2.3(8)), uncracked stretches (6.4). The tension force that shear adds is in the shift "
                    + "of moments of ultimate bending (9.2.1.3). Torsion is checked with it apart.",
                Clause
            );
        }
    }
}
