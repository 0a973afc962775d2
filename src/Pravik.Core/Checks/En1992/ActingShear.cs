using Pravik.Core.Calculations;
using Pravik.Core.Codes;
using Pravik.Core.Members;
using Pravik.Core.Models;
using Pravik.Core.Units;

namespace Pravik.Core.Checks.En1992;

/// <summary>The greatest or least ultimate shear at a place of a member, with what acts beside it.</summary>
/// <param name="Shear">V_Ed (N).</param>
/// <param name="Moment">The moment beside it (Nm).</param>
/// <param name="Axial">The axial force beside it (N, tension positive).</param>
/// <param name="Torsion">The torsional moment beside it (Nm).</param>
/// <param name="IsGreatest">Whether it is the greatest.</param>
/// <param name="At">The place whose shear it is.</param>
internal readonly record struct ActingShear(double Shear, double Moment, double Axial, double Torsion, bool IsGreatest, MemberPoint At)
{
    /// <summary>The end towards which the shear is taken, and how far of the way.</summary>
    public (int Point, double Part)? Towards { get; init; }

    /// <summary>V_pd, what tendons carry by their slope: part of the shear already (N).</summary>
    public double Tendons { get; init; }

    /// <summary>
    /// The shear at a place. Effects hold prestress by its moments; a tendon that rises ahead with a slope s adds P·s to the shear of the
    /// concrete, P after all losses (EN 1992-1-1 6.2.1).
    /// </summary>
    public static ActingShear Of(Member member, MemberPoint at, bool isGreatest)
    {
        var ultimate = member.Effects(LimitState.Ultimate);
        var effect = ultimate.Layout.At(at.Number, GirderEffect.V);
        var beside = ultimate.Together(effect, isGreatest);
        double Beside(GirderEffect what) => beside[(int)what];
        var tendons = at.Section?.Strands.Sum(s => s.Duct is { } d ? s.Area * s.EffectiveStress * d.Slope : 0) ?? 0;
        return new(
            ultimate.Side(isGreatest)[effect] + tendons,
            Beside(GirderEffect.M),
            Beside(GirderEffect.N),
            Beside(GirderEffect.T),
            isGreatest,
            at
        )
        {
            Tendons = tendons,
        };
    }

    /// <summary>The end of the span next to a place, beyond which no girder stands; null where the girder goes on.</summary>
    public static MemberPoint? EndOf(Member member, int place)
    {
        foreach (var next in new[] { place - 1, place + 1 })
        {
            if (
                next >= 0
                && next < member.Points.Length
                && member.Points[next].Span == member.Points[place].Span
                && member.Points[next].Section is not { IsInterrupted: false }
            )
                return member.Points[next];
        }
        return null;
    }

    /// <summary>
    /// The shear nearer the end of the span than its place, where it is greater: straight between both. What lies nearer to the axis than
    /// <paramref name="fromAxis"/> (m) goes straight to the bearing (EN 1992-1-1 6.2.1(8)).
    /// </summary>
    public ActingShear Nearer(Member member, MemberPoint? end, double fromAxis)
    {
        var away = end is null ? 0 : Math.Abs(At.Distance - end.Distance);
        if (end is null || fromAxis >= away)
            return this;
        // Beyond the end of a girder no tendon is known: it is taken as it is here.
        var known = Of(member, end, IsGreatest);
        var (there, part) = (known.Shear - known.Tendons + Tendons, 1 - fromAxis / away);
        var shear = Shear + part * (there - Shear);
        return Math.Abs(shear) > Math.Abs(Shear) ? this with { Shear = shear, Towards = (end.Number, part) } : this;
    }

    /// <summary>Writes of what it is made.</summary>
    public void Write(Calculation c, Member member, string nearer)
    {
        var ultimate = member.Effects(LimitState.Ultimate);
        var effect = ultimate.Layout.At(At.Number, GirderEffect.V);
        var combination = ultimate.Governing(effect, IsGreatest);
        c.Heading("Effect");
        c.Remark($"Combination: {combination.Name}.", combination.Clause);
        EffectLines.Write(c, combination, effect, IsGreatest, "V", QuantityKind.Force);
        var station = c.Text(At.Station, QuantityKind.Length);
        c.Line("V_E", $"Σ at station {station}", ultimate.Side(IsGreatest)[effect], QuantityKind.Force, combination.Clause);
        if (Tendons != 0)
            c.Line(
                "V_p",
                "Σ P tan α of tendons after all losses, rising ahead positive",
                Tendons,
                QuantityKind.Force,
                "EN 1992-1-1 6.2.1(1)"
            );
        var words = Towards is null
            ? (Tendons == 0 ? "as above" : "V_E + V_p")
            : $"{nearer}, straight between the end of the span and this place";
        c.Line("V_Ed", words, Shear, QuantityKind.Force, "EN 1992-1-1 6.2.1(8)");
    }
}
