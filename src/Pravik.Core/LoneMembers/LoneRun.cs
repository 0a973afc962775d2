using System.Collections.Immutable;
using Pravik.Core.Checks;
using Pravik.Core.Codes;
using Pravik.Core.Members;
using Pravik.Core.Models;

namespace Pravik.Core.LoneMembers;

/// <summary>A member alone with all that follows from it: what acts, and the checks.</summary>
public sealed class LoneRun
{
    /// <summary>Utilisations up to this are what is left of effects that are 0.</summary>
    private const double Rounding = 1e-9;

    /// <summary>
    /// Throws <see cref="Frames.FrameRefusedException"/> where the member can move, <see cref="OperationCanceledException"/> when
    /// cancelled.
    /// </summary>
    /// <param name="member">A member in which <see cref="LoneValidation"/> finds no error.</param>
    /// <param name="cancel">Stops it.</param>
    public LoneRun(LoneMember member, CancellationToken cancel = default)
    {
        (Member, Places) = (member, new(member));
        Sections = new(member, Places);
        Effects = new(member, Places, Sections);
        var (form, values) = (FormOf(member), member.Basis.Values);
        ImmutableArray<MemberPoint> points =
        [
            .. Places.Points.Select(
                (p, number) =>
                {
                    var place = Places.Places[number];
                    var axial = Sections.Whole(Sections.MadeAt(place)).Centroid;
                    return new MemberPoint(number, place.Span, p.Distance, place.At, Sections.At(place, Effects.Losses), axial);
                }
            ),
        ];
        var checkedMember = new Member(member.Name, form, points, Effects.Of, values, member.StrutSlope)
        {
            FrequentTraffic = Effects.FrequentTraffic,
            Stages = Effects.Stages,
            DeflectionLimit = member.DeflectionLimit,
            Accidental = Effects.States.GetValueOrDefault(LimitState.Accidental),
            Prestress = member.Effects is null ? Effects.Prestress : EffectValues.None(Effects.Layout),
            LeavesOutTorsion =
                member.LeavesOutTorsion ? Members.Member.TorsionByCompatibility
                : member.Effects is null ? "torsion, as no load on a member alone lies beside its axis"
                : null,
            ToBearing = _ => member.Overhang >= 0 ? member.Overhang : null,
            Wheels = WheelsOf(member),
            Exposure = member.Materials.Exposure,
        };
        Checks = new([checkedMember], form, member.Basis.Standard, [.. NotCovered(member)], cancel: cancel);
    }

    /// <summary>Effects that are told of a member.</summary>
    public static ImmutableArray<GirderEffect> Shown { get; } =
    [GirderEffect.N, GirderEffect.V, GirderEffect.T, GirderEffect.M, GirderEffect.Deflection];

    /// <summary>The member.</summary>
    public LoneMember Member { get; }

    /// <summary>Its places.</summary>
    public LonePlaces Places { get; }

    /// <summary>Its sections.</summary>
    public LoneSections Sections { get; }

    /// <summary>What acts.</summary>
    public LoneEffects Effects { get; }

    /// <summary>The checks.</summary>
    public CheckedMembers Checks { get; }

    /// <summary>For each span and check, the outcome with the greatest utilisation: the worst first.</summary>
    public IReadOnlyList<CheckOutcome> GoverningBySpan() =>
        [
            .. Checks
                .Outcomes.Where(o => o.Utilisation > Rounding)
                .GroupBy(o => (Places.Places[o.Point].Span, o.Check))
                .Select(group => group.MaxBy(o => o.Utilisation)!)
                .OrderByDescending(o => o.Utilisation),
        ];

    /// <summary>How a member is made, as far as checks differ by it.</summary>
    public static MemberForm FormOf(LoneMember member) => member.HasStrands ? MemberForm.PretensionedWithSlab : MemberForm.CastInPlace;

    /// <summary>Its wheels with the partial factor of road traffic.</summary>
    private static MemberWheels? WheelsOf(LoneMember member) =>
        member.Wheels is not { Wheels.IsEmpty: false } w
            ? null
            : new()
            {
                Wheels =
                [
                    .. w.Wheels.Select(l => new MemberWheel(l.Name, member.Basis.Values["gammaQtraffic"] * l.Force, l.Along, l.Across)),
                ],
                Stand = [.. w.Stand.Select(s => (s.From, s.To))],
                Bottom = w.Bottom,
                BottomAxis = w.BottomAxis,
                Top = w.Top,
                TopAxis = w.TopAxis,
            };

    /// <summary>What of a member no check covers, and what was not counted, in words.</summary>
    private static IEnumerable<string> NotCovered(LoneMember member)
    {
        if (member.Effects is { } tables)
        {
            // Most members have no accidental actions.
            foreach (var state in EffectTables.States.Where(s => s != LimitState.Accidental))
            {
                if (!tables.Combinations.Any(t => t.State == state))
                    yield return $"the {state.Words().ToLowerInvariant()} state, for which no effects are given";
            }
            yield break;
        }
        if (member.HasStrands && !member.WorksOutLosses)
            yield return "creep and shrinkage of slab and member against each other";
    }
}
