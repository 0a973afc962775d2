using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Codes;
using Pravik.Core.Effects;
using Pravik.Core.Models;
using Pravik.Core.Places;
using Pravik.Core.Stages;
using Pravik.Core.Traffic;

namespace Pravik.Core.Members;

/// <summary>The girders of a bridge as members.</summary>
public static class GirderMembers
{
    /// <summary>Every girder line as a member, with its places in the order of the effects.</summary>
    public static ImmutableArray<Member> Of(BridgeGeometry geometry, BridgeEffects effects, ModelResults results)
    {
        var sections = new GirderMemberSections(geometry, results.Strands, results.Tendons);
        var (form, values) = (FormOf(geometry), geometry.Bridge.Basis.Values);
        var steel = form == MemberForm.Steel ? new GirderSteel(geometry, results) : null;
        var bearings = new Dictionary<AxisIndex, SupportPlace>();
        var stages = StagesOf(form, geometry.Bridge, effects, results);
        return
        [
            .. results
                .Points.Select((point, number) => (Point: point, Number: number))
                .GroupBy(p => p.Point.Girder)
                .Select(along => new Member(
                    geometry.Girders[along.Key].Name,
                    form == MemberForm.PostTensioned && !along.Any(p => results.Tendons.AreAt(p.Number)) ? MemberForm.CastInPlace : form,
                    [.. along.Select(p => At(p.Point, p.Number))],
                    effects.Of,
                    values,
                    geometry.Bridge.Girders.StrutSlope
                )
                {
                    Stages = stages,
                    FrequentTraffic = effects.FrequentTraffic,
                    Lorries = LorriesOf(results),
                    DeflectionLimit = geometry.Bridge.Girders.DeflectionLimit,
                    Accidental = effects.Find(BridgeEffects.IdOf(LimitState.Accidental)),
                    Prestress = effects.PrestressIn(_ => true),
                    LeavesOutTorsion = geometry.Bridge.Girders.LeavesOutTorsion ? Member.TorsionByCompatibility : null,
                    ToBearing = p => ToBearing(geometry, results.Points[p.Number], bearings),
                    Fatigue = geometry.Bridge.Girders.Fatigue,
                    StateOf = (id, number) => steel?.StateOf(id, results.Points[number]) ?? SteelState.ShortTerm,
                    Exposure = geometry.Bridge.Materials.Exposure,
                }),
        ];

        MemberPoint At(ModelPoint p, int number) =>
            new(
                number,
                p.Span.Value,
                p.Distance,
                p.Station,
                form is MemberForm.Steel or MemberForm.RunsOnOverPiers ? null : sections.At(p, number),
                effects.HeightOfAxial(p)
            )
            {
                Steel = steel?.At(p) ?? [],
            };
    }

    /// <summary>Passages of lorries, where they were followed; null elsewhere.</summary>
    private static Func<int, GirderEffect, IReadOnlyList<PassageCycles>>? LorriesOf(ModelResults results) =>
        results.Traffic is { HasLorries: true } traffic ? (point, effect) => traffic.Lorries(results.Layout.At(point, effect)) : null;

    /// <summary>
    /// From the nearer end of a girder to the front of its bearing at the axis there (m); null without a bearing of its own, or where the
    /// girder ends short of it.
    /// </summary>
    private static double? ToBearing(BridgeGeometry geometry, ModelPoint point, Dictionary<AxisIndex, SupportPlace> known)
    {
        var (span, girder, atStart) = (point.Span, geometry.Girders[point.Girder], point.Fraction < 0.5);
        var axis = atStart ? span.FirstAxis : span.LastAxis;
        SupportPlace? support;
        lock (known)
        {
            if (!known.TryGetValue(axis, out support))
                known[axis] = support = new(geometry, null, geometry.Axes[axis]);
        }
        if (support.Bearings.FirstOrDefault(b => b.Girder == girder && b.Span == span) is not { } bearing)
            return null;
        var (from, to) = geometry.EndsOf(girder, span);
        var front = (atStart ? bearing.Fraction - from : to - bearing.Fraction) * girder.SpanLength(span) + bearing.Type.Length / 2;
        return front > 0 ? front : null;
    }

    /// <summary>
    /// The release of strands, then every stage, each with what drives in it; with tendons alone the stages from the first of them on, of
    /// girders of steel all stages.
    /// </summary>
    private static ImmutableArray<MemberStage> StagesOf(MemberForm form, Bridge bridge, BridgeEffects effects, ModelResults results)
    {
        var (strands, tendons) = (results.Strands.WorksOut, bridge.Girders.CastInPlace && results.Tendons.WorksOut);
        var first = strands ? 0 : results.Tendons.First;
        // Girders cast in place are as old as what was cast last.
        var made = strands ? 0 : CastLast(results.Steps);
        if (form != MemberForm.Steel && ((!strands && !tendons) || first is null))
            return [];
        var after = results
            .Steps.Where(s => first is null || s.Stage.Day >= first)
            .Select(s => new MemberStage(
                CaseNames.After(s.Stage),
                s.Stage.Day - made,
                effects.After(s),
                effects.PrestressIn(c => c.IsThereAfter(s))
            ));
        if (!strands)
            return [.. after];
        var release = bridge.Girders.Release.Age;
        return [new("At release", release, effects.AtRelease, effects.PrestressIn(c => c.IsAtRelease)) { IsRelease = true }, .. after];
    }

    /// <summary>The last day on which girders are cast in place.</summary>
    internal static double CastLast(IEnumerable<StageStep> steps) =>
        steps.Where(s => s.NewGirders.Length > 0).Select(s => s.Stage.Day).DefaultIfEmpty(0).Max();

    /// <summary>How the girders of a bridge are made.</summary>
    public static MemberForm FormOf(BridgeGeometry geometry) =>
        geometry.SectionsInUse.Any(s => s.IsSteel) ? MemberForm.Steel
        : geometry.Bridge.Girders.CastInPlace
            ? (geometry.Bridge.Girders.Tendons.IsEmpty ? MemberForm.CastInPlace : MemberForm.PostTensioned)
        : geometry.RunsOn ? MemberForm.RunsOnOverPiers
        : MemberForm.PretensionedWithSlab;
}
