using Pravik.Core.Calculations;
using Pravik.Core.Codes;
using Pravik.Core.Members;
using Pravik.Core.Models;
using Pravik.Core.Units;

namespace Pravik.Core.Checks.Lrfd6;

/// <summary>
/// Strength of studs (AASHTO LRFD 6.10.10.4): between the greatest sagging moment of a span and an end n·φ_sc·Q_n against P = √(P_p² +
/// F_p²), P_p the lesser of 0.85·f′_c·b·t and ΣF_y·A; to an inner support P_p + P_n, P_n within 0.45·f′_c·b·t; F = P·L/R in a curved
/// girder. Q_n = 0.5·A_sc·√(f′_c·E_c) ≤ A_sc·F_u, F_u 60 ksi (6.4.4).
/// </summary>
internal sealed class StudStrength
{
    private const string Clause = "AASHTO LRFD 6.10.10.4";
    private const double Phi = 0.85;
    private const double Tensile = 60 * SteelGirders.Ksi;
    private readonly Member member;
    private readonly int[] places;

    private StudStrength(Member member, int[] places, int place) => (this.member, this.places, Place) = (member, places, place);

    /// <summary>The place of the greatest sagging moment.</summary>
    public int Place { get; }

    /// <summary>That of a span; null where nothing sags.</summary>
    public static StudStrength? Of(Member member, int span)
    {
        var range = member.Effects(LimitState.Ultimate);
        double Moment(int place) => range.Greatest[range.Layout.At(member.Points[place].Number, GirderEffect.M)];
        int[] places =
        [
            .. Enumerable.Range(0, member.Points.Length).Where(p => member.Points[p].Span == span && !member.Points[p].Steel.IsEmpty),
        ];
        if (places.Length < 3)
            return null;
        var most = places.MaxBy(Moment);
        return Moment(most) > 0 && most != places[0] && most != places[^1] ? new(member, places, most) : null;
    }

    /// <summary>The worse side.</summary>
    public LimitResult Check(Calculation? c)
    {
        var (before, after) = (Side(-1, null), Side(1, null));
        return Side(before.Utilisation >= after.Utilisation ? -1 : 1, c);
    }

    private LimitResult Side(int step, Calculation? c)
    {
        var (here, end) = (member.Points[Place], member.Points[step < 0 ? places[0] : places[^1]]);
        var (steel, over) = (here.Steel[0], end.Steel[0]);
        var isInner = member.Points.Any(p => step < 0 ? p.Span < here.Span : p.Span > here.Span);
        var crushed = 0.85 * Slab(steel);
        var (sagging, hogging) = (Math.Min(crushed, Yield(steel)), isInner ? Math.Min(0.45 * Slab(over), Yield(over)) : 0);
        var (along, length) = (sagging + hogging, Math.Abs(end.Distance - here.Distance));
        var across = along * length * Math.Abs(steel.IsCurved ? steel.Curvature : 0);
        var force = Math.Sqrt(along * along + across * across);
        var (count, single) = (
            Count(here.Distance, end.Distance),
            Least(Math.Min(here.Distance, end.Distance), Math.Max(here.Distance, end.Distance))
        );
        var resistance = count * Phi * single;
        var utilisation = resistance == 0 ? 99 : force / resistance;
        if (c is not null)
        {
            c.Heading("Force in the slab");
            c.Remark(
                $"From the greatest sagging moment to the {(isInner ? "inner support" : "end")} {(step < 0 ? "behind" : "ahead")}.",
                Clause
            );
            c.Line("0.85 f'_c b t", "slab", crushed, QuantityKind.Force, Clause);
            c.Line("Σ F_y A", "steel", Yield(steel), QuantityKind.Force, Clause);
            c.Line("P_p", "the lesser", sagging, QuantityKind.Force, Clause);
            if (isInner)
                c.Line("P_n", "over the support, the lesser of 0.45 f'_c b t and Σ F_y A", hogging, QuantityKind.Force, Clause);
            c.Line("L", "length along the girder", length, QuantityKind.Length, Clause);
            if (across > 0)
                c.Line("F", "(P_p + P_n) L / R", across, QuantityKind.Force, Clause);
            c.Line("P", "√((P_p + P_n)² + F²)", force, QuantityKind.Force, Clause);
            c.Heading("Studs");
            c.Line("Q_n", "0.5 A_sc √(f'_c E_c), within A_sc F_u, F_u 60 ksi", single, QuantityKind.Force, "AASHTO LRFD 6.10.10.4.3");
            c.Ratio("n", "studs on the way", count, 0, Clause);
            c.Line("n φ_sc Q_n", "φ_sc = 0.85", resistance, QuantityKind.Force, "AASHTO LRFD 6.5.4.2");
        }
        return new("Studs, strength", force, resistance, utilisation, QuantityKind.Force, Clause);
    }

    private static double Slab(MemberSteel steel) => steel.Slab.Strength * steel.Slab.Width * steel.Slab.Thickness;

    private static double Yield(MemberSteel steel) =>
        steel.FlangeYield(true) * steel.Plates.Top.Area
        + steel.FlangeYield(false) * steel.Plates.Bottom.Area
        + steel.WebYield * steel.Plates.WebArea;

    /// <summary>Studs between two places: rows by the zones between one place and the next, whole ones.</summary>
    private int Count(double a, double b)
    {
        var (from, to, rows) = (Math.Min(a, b), Math.Max(a, b), 0.0);
        foreach (var (one, next) in places.Zip(places.Skip(1), (x, y) => (member.Points[x], member.Points[y])))
        {
            var length = Math.Min(to, next.Distance) - Math.Max(from, one.Distance);
            if (length > 0 && one.Steel[^1].Studs is { } studs)
                rows += studs.PerRow * length / studs.Spacing;
        }
        return (int)Math.Floor(rows + 1e-9);
    }

    private double Least(double from, double to) =>
        places
            .Select(p => member.Points[p])
            .Where(p => p.Distance >= from && p.Distance <= to)
            .SelectMany(p => p.Steel)
            .Where(s => s.Studs is not null)
            .Select(Single)
            .Append(double.PositiveInfinity)
            .Min()
            is var least
        && double.IsFinite(least)
            ? least
            : 0;

    private static double Single(MemberSteel steel)
    {
        var area = Math.PI * steel.Studs!.Diameter * steel.Studs.Diameter / 4;
        return Math.Min(0.5 * area * Math.Sqrt(steel.Slab.Strength * steel.Steel.E / steel.Slab.Ratio), area * Tensile);
    }
}
