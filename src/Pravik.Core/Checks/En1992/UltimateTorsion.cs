using System.Collections.Immutable;
using Pravik.Core.Calculations;
using Pravik.Core.Codes;
using Pravik.Core.Members;
using Pravik.Core.Models;
using Pravik.Core.Units;

namespace Pravik.Core.Checks.En1992;

/// <summary>
/// Ultimate torsion of webs with the shear beside it: struts, links, and the pull along the tension chord beside bending (EN 1992-1-1 6.3).
/// Greatest shear and greatest torsion count as if they acted at once where that passes, which is safe, else as they act together.
/// </summary>
public sealed class UltimateTorsion : ICheck
{
    private const string Clause = "EN 1992-1-1 6.3.2";
    private const string OfStruts = "torsion.webstruts";
    private const string OfLinks = "torsion.weblinks";
    private const string OfChord = "torsion.chord";
    private const double NoResistance = 99;

    /// <inheritdoc/>
    public string Id => "torsion";

    /// <inheritdoc/>
    public string Subject => "torsion with shear";

    /// <inheritdoc/>
    public string? Refusal(MemberForm form, Standard standard) => ConcreteMembers.Refusal(form, standard);

    /// <inheritdoc/>
    public IMemberCheck Of(ImmutableArray<Member> members) => new Ready(members);

    /// <summary>A_sw/s that shear and torsion need at a place together (m²/m), and what is not carried, if anything is.</summary>
    public static (double PerLength, string? Refusal) Needs(Member member, int place)
    {
        if (!IsChecked(member, place))
            return (0, null);
        var struts = Worst(member, place, OfStruts);
        var links = Worst(member, place, OfLinks);
        return (
            links.Tube.OfConcrete(links.Torsion, links.Shear) > 1 ? links.Tube.LinksFor(links.Torsion, links.Shear) : 0,
            struts.Tube.OfStruts(struts.Torsion, struts.Shear) > 1
                ? "the struts do not carry shear with torsion: a thicker web, stronger concrete or steeper struts would help."
                : null
        );
    }

    /// <summary>What governs: both as if at once where that passes, which is quick; else what does act together.</summary>
    private static Pair Worst(Member member, int place, string id)
    {
        var bound = AtOnce(member, place).MaxBy(p => Use(id, p))!;
        return Use(id, bound) <= 1 ? bound : Together(member, place).MaxBy(p => Use(id, p))!;
    }

    private static double Use(string id, Pair pair)
    {
        if (id == OfStruts)
            return Math.Min(NoResistance, pair.Tube.OfStruts(pair.Torsion, pair.Shear));
        return Math.Min(Math.Min(NoResistance, pair.Tube.OfConcrete(pair.Torsion, pair.Shear)), OverLinks(pair));
    }

    private static double OverLinks(Pair pair) =>
        pair.Resistance.LinksPerLength > 0
            ? Math.Min(NoResistance, pair.Tube.LinksFor(pair.Torsion, pair.Shear) / pair.Resistance.LinksPerLength)
            : NoResistance;

    private static bool IsChecked(Member member, int place) =>
        member.LeavesOutTorsion is null && member.Points[place].Section is { IsInterrupted: false, WebTorsion: > 0 };

    /// <summary>A shear and a torsion that act together, of which one is at its greatest or least.</summary>
    private sealed record Pair(
        double Shear,
        double Torsion,
        GirderEffect Leads,
        bool IsGreatest,
        WebTorsion Tube,
        ShearResistance Resistance
    )
    {
        public (int Point, double Part)? Towards { get; init; }

        /// <summary>Whether both are greatest and need not act at once.</summary>
        public bool IsAtOnce { get; init; }
    }

    /// <summary>
    /// What acts at a place, quickly and not too little: the greatest and the least shear, each with the greatest torsion as if both acted
    /// at once.
    /// </summary>
    private static ImmutableArray<Pair> AtOnce(Member member, int place)
    {
        var torsion = Greatest(member, member.Points[place]);
        return [OfShear(member, place, true, torsion), OfShear(member, place, false, torsion)];
    }

    /// <summary>The greatest torsion at a place, with its sign (Nm).</summary>
    private static double Greatest(Member member, MemberPoint point)
    {
        var ultimate = member.Effects(LimitState.Ultimate);
        var effect = ultimate.Layout.At(point.Number, GirderEffect.T);
        var (most, least) = (ultimate.Greatest[effect], ultimate.Least[effect]);
        return Math.Abs(most) >= Math.Abs(least) ? most : least;
    }

    /// <summary>What does act together: shear and torsion in turn at their greatest and least.</summary>
    private static ImmutableArray<Pair> Together(Member member, int place) =>
        [
            OfShear(member, place, true, null),
            OfShear(member, place, false, null),
            OfTorsion(member, place, true),
            OfTorsion(member, place, false),
        ];

    private static Pair OfShear(Member member, int place, bool greatest, double? torsion)
    {
        var lead = ActingShear.Of(member, member.Points[place], greatest);
        var (tube, resistance) = Tube(member, place, lead.Moment, lead.Axial);
        var nearer = lead.Nearer(member, ActingShear.EndOf(member, place), resistance.Depth);
        return new(nearer.Shear, torsion ?? lead.Torsion, GirderEffect.V, greatest, tube, resistance)
        {
            Towards = nearer.Towards,
            IsAtOnce = torsion is not null,
        };
    }

    private static Pair OfTorsion(Member member, int place, bool greatest)
    {
        var ultimate = member.Effects(LimitState.Ultimate);
        var effect = ultimate.Layout.At(member.Points[place].Number, GirderEffect.T);
        var beside = ultimate.Together(effect, greatest);
        var (tube, resistance) = Tube(member, place, beside[(int)GirderEffect.M], beside[(int)GirderEffect.N]);
        return new(beside[(int)GirderEffect.V], ultimate.Side(greatest)[effect], GirderEffect.T, greatest, tube, resistance);
    }

    private static (WebTorsion, ShearResistance) Tube(Member member, int place, double moment, double axial)
    {
        var section = member.Points[place].Section!;
        var resistance = new ShearResistance(section, member.Values, member.StrutSlope, moment >= 0, axial);
        var fctd = 0.7 * section.Concrete[^1].Concrete.Fctm / member.Values["gammaC"];
        return (new(section, resistance, member.StrutSlope, fctd), resistance);
    }

    private sealed class Ready(ImmutableArray<Member> members) : IMemberCheck
    {
        private readonly IMemberCheck bending = new UltimateBending().Of(members);

        public IEnumerable<string> LeftOut => members.Select(m => m.LeavesOutTorsion).OfType<string>().Distinct();

        public IEnumerable<CheckOutcome> At(Member member, int place) =>
            IsChecked(member, place)
                ? [Web(member, place, OfStruts, null), Web(member, place, OfLinks, null), Chord(member, place, null)]
                : [];

        public CheckOutcome Write(Member member, int place, string check, Calculation calculation) =>
            check == OfChord ? Chord(member, place, calculation) : Web(member, place, check, calculation);

        private static CheckOutcome Web(Member member, int place, string id, Calculation? c)
        {
            var (number, pair) = (member.Points[place].Number, Worst(member, place, id));
            var use = Use(id, pair);
            if (c is not null)
                WriteWeb(c, member, member.Points[place], id, pair, use);
            var name = id == OfStruts ? "Torsion with shear, struts" : "Torsion with shear, links";
            return new(id, name, number, number, pair.Torsion, use > 0 ? pair.Torsion / use : 0, use, Clause)
            {
                Leads = pair.Leads,
                IsGreatest = pair.IsGreatest,
            };
        }

        private static void WriteWeb(Calculation c, Member member, MemberPoint point, string id, Pair pair, double use)
        {
            var ultimate = member.Effects(LimitState.Ultimate);
            var effect = ultimate.Layout.At(point.Number, pair.Leads);
            var combination = ultimate.Governing(effect, pair.IsGreatest);
            var (symbol, kind) = pair.Leads == GirderEffect.V ? ("V", QuantityKind.Force) : ("T", QuantityKind.Moment);
            c.Heading("Effect");
            c.Remark($"Combination: {combination.Name}.", combination.Clause);
            EffectLines.Write(c, combination, effect, pair.IsGreatest, symbol, kind);
            c.Line("T_Ed", TorsionWords(pair), pair.Torsion, QuantityKind.Moment, combination.Clause);
            var words =
                pair.Towards is not null ? "at d from the axis"
                : pair.Leads == GirderEffect.V ? "sum"
                : "beside the torsion";
            c.Line("V_Ed", words, pair.Shear, QuantityKind.Force, combination.Clause);
            pair.Resistance.Write(c);
            pair.Tube.Write(c, pair.Torsion);
            c.Heading("Check");
            if (id == OfStruts)
                c.Ratio("η", CheckWords.Met("T_w / T_Rd,max + |V_Ed| / V_Rd,max", use), use, 3, "EN 1992-1-1 (6.29)");
            else
            {
                var concrete = pair.Tube.OfConcrete(pair.Torsion, pair.Shear);
                c.Ratio("η_c", "T_w / T_Rd,c + |V_Ed| / V_Rd,c: at most 1 where the least links do", concrete, 3, "EN 1992-1-1 (6.31)");
                if (double.IsFinite(pair.Tube.LinksFor(pair.Torsion, pair.Shear)))
                    c.Line(
                        "A_sw/s",
                        "of all legs, for V_Ed, and T_w / (2 A_k f_ywd cot θ) in each outer one, or in each web; area per metre",
                        pair.Tube.LinksFor(pair.Torsion, pair.Shear),
                        QuantityKind.SmallArea,
                        "EN 1992-1-1 (6.8), 6.3.2(2)"
                    );
                c.Ratio("η_s", "over what is there", OverLinks(pair), 3, Clause);
                c.Ratio("η", CheckWords.Met("min(η_c, η_s)", use), use, 3, Clause);
            }
            Remark(c);
        }

        private static string TorsionWords(Pair pair) =>
            pair.IsAtOnce ? "greatest at this place, as if both acted at once"
            : pair.Leads == GirderEffect.T ? "sum"
            : "beside the shear";

        /// <summary>The tension chord with half of what torsion pulls along the web, beside bending.</summary>
        private CheckOutcome Chord(Member member, int place, Calculation? c)
        {
            var (point, pair) = (member.Points[place], AtOnce(member, place)[0]);
            var added = pair.Tube.Along(pair.Torsion) / 2 * pair.Resistance.Lever;
            double Use(CheckOutcome o) =>
                o.Utilisation == 0 ? 0
                : o.Resistance == 0 ? NoResistance
                : Math.Min(NoResistance, (Math.Abs(o.Effect) + added) / Math.Abs(o.Resistance));
            var worst = bending.At(member, place).MaxBy(Use)!;
            var use = Use(worst);
            if (c is not null)
            {
                bending.Write(member, place, worst.Check, c);
                c.Heading("With torsion");
                c.Line("T_Ed", "greatest at this place, without its sign", Math.Abs(pair.Torsion), QuantityKind.Moment, Clause);
                pair.Tube.Write(c, pair.Torsion);
                c.Line("ΔF", "T_w cot θ u_k / (2 A_k)", pair.Tube.Along(pair.Torsion), QuantityKind.Force, "EN 1992-1-1 (6.28)");
                c.Line("ΔM", "ΔF / 2 · z, half of it in the tension chord", added, QuantityKind.Moment, "EN 1992-1-1 6.3.2(3)");
                c.Ratio("η", CheckWords.Met("(|M_Ed| + ΔM) / |M_Rd|", use), use, 3, "EN 1992-1-1 6.3.2(3)");
                Remark(c);
            }
            return new(
                OfChord,
                "Torsion with bending, tension chord",
                point.Number,
                worst.Source,
                Math.Sign(worst.Effect) * (Math.Abs(worst.Effect) + added),
                worst.Resistance,
                use,
                "EN 1992-1-1 6.3.2(3)"
            )
            {
                Axial = worst.Axial,
                Leads = worst.Leads,
                IsGreatest = worst.IsGreatest,
            };
        }

        private static void Remark(Calculation c)
        {
            c.Remark(
                "The web, or what is around voids, takes its part; flanges and slab take theirs, which is not checked, nor are bars across "
                    + "under and over voids. Links must be closed. The cover to bars "
                    + "along the web is not entered: t_ef is A / u whatever it is. The torsion of the model is that of uncracked members.",
                Clause
            );
        }
    }
}
