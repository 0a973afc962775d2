using System.Collections.Immutable;
using Pravik.Core.Effects;
using Pravik.Core.Models;
using Pravik.Core.Places;

namespace Pravik.Core.Members;

/// <summary>The girders of a bridge as members.</summary>
public static class GirderMembers
{
    /// <summary>Every girder line as a member, with its places in the order of the effects.</summary>
    public static ImmutableArray<Member> Of(BridgeGeometry geometry, BridgeEffects effects, ImmutableArray<ModelPoint> points)
    {
        var sections = new GirderMemberSections(geometry);
        var (form, values) = (FormOf(geometry), geometry.Bridge.Basis.Values);
        return
        [
            .. points
                .Select((point, number) => (Point: point, Number: number))
                .GroupBy(p => p.Point.Girder)
                .Select(along => new Member(
                    geometry.Girders[along.Key].Name,
                    form,
                    [.. along.Select(p => At(p.Point, p.Number))],
                    effects.Of,
                    values,
                    geometry.Bridge.Girders.StrutSlope
                )),
        ];

        MemberPoint At(ModelPoint p, int number) =>
            new(
                number,
                p.Span.Value,
                p.Distance,
                p.Station,
                form == MemberForm.PretensionedWithSlab ? sections.At(p) : null,
                effects.HeightOfAxial(p)
            );
    }

    /// <summary>How the girders of a bridge are made.</summary>
    public static MemberForm FormOf(BridgeGeometry geometry) =>
        geometry.SectionsInUse.Any(s => s.IsSteel) ? MemberForm.Steel
        : geometry.Bridge.Girders.CastInPlace ? MemberForm.CastInPlace
        : geometry.RunsOn ? MemberForm.RunsOnOverPiers
        : MemberForm.PretensionedWithSlab;
}
