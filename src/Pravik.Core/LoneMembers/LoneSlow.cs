using System.Collections.Immutable;
using Pravik.Core.Codes;
using Pravik.Core.Effects;
using Pravik.Core.Members;
using Pravik.Core.Models;

namespace Pravik.Core.LoneMembers;

/// <summary>Creep, shrinkage and losses of prestress of a member alone as cases, interval by interval.</summary>
internal sealed class LoneSlow(
    LonePlaces places,
    EffectLayout layout,
    LoneModel whole,
    LoneLosses losses,
    IReadOnlyList<LoneCaseRange> before
)
{
    private const string Later = "Creep, shrinkage and losses";

    /// <summary>Adds the cases of all intervals, and returns the intervals.</summary>
    public ImmutableArray<SlowInterval> AddTo(List<LoneCaseRange> cases)
    {
        var intervals = losses.Follow([.. Lasting()]);
        foreach (var interval in intervals)
        {
            void Put(
                ActionKind kind,
                string what,
                Func<SlowEffects, SlowStress> stress,
                Func<SlowEffects, (double, double)>? forces = null
            ) => cases.Add(Case(kind, $"{what}, day {interval.From:0.#} to {interval.To:0.#}", interval, stress, forces));
            Put(ActionKind.Creep, "Creep", e => e.Creep);
            Put(ActionKind.Shrinkage, "Shrinkage", e => e.Shrinkage);
            Put(ActionKind.Losses, "Losses of prestress", e => e.Losses, e => (e.Axial, e.Moment));
        }
        return intervals;
    }

    /// <summary>Permanent loads after release, each since its day.</summary>
    private IEnumerable<LastingLoad> Lasting()
    {
        // The first case is its own weight, which was there at release.
        foreach (var c in before.Skip(1).Where(c => c.Kind is ActionKind.Permanent or ActionKind.Surfacing))
        {
            var isEarly = IsBeforeSlab(c);
            yield return new(
                isEarly ? losses.CastOn ?? losses.LoadedOn : losses.LoadedOn,
                !isEarly,
                p => c.Range.Greatest[p, GirderEffect.M]
            );
        }
    }

    /// <summary>Whether the member carries a case alone: its slab, and what is put on before it is stiff.</summary>
    private static bool IsBeforeSlab(LoneCaseRange c) => c.Own?.BeforeSlab ?? c.Kind == ActionKind.Permanent;

    private LoneCaseRange Case(
        ActionKind kind,
        string name,
        SlowInterval interval,
        Func<SlowEffects, SlowStress> stress,
        Func<SlowEffects, (double Axial, double Moment)>? forces
    )
    {
        var answer = whole.Solve([whole.Bent(name, places.InPieces(p => stress(interval.Places[p]).Curvature))])[0];
        var values = new double[layout.Count];
        for (var p = 0; p < interval.Places.Length; p++)
        {
            var (effects, of) = (interval.Places[p], stress(interval.Places[p]));
            (values[layout.At(p, GirderEffect.N)], values[layout.At(p, GirderEffect.M)]) = forces?.Invoke(effects) ?? (0, 0);
            values[layout.At(p, GirderEffect.Bottom)] = of.Bottom;
            values[layout.At(p, GirderEffect.GirderTop)] = of.Top;
            values[layout.At(p, GirderEffect.SlabTop)] = of.SlabTop;
            values[layout.At(p, GirderEffect.Deflection)] = answer.Effects[p, GirderEffect.Deflection];
        }
        var own = new EffectValues(layout, values);
        return new(kind, EffectRange.Of(name, own), answer with { Effects = own });
    }

    private static bool IsSlow(LoneCaseRange c) => c.Kind is ActionKind.Creep or ActionKind.Shrinkage or ActionKind.Losses;

    /// <summary>What time does, that of the last interval where it worsens.</summary>
    public static IEnumerable<(double, EffectRange)> Terms(IReadOnlyList<LoneCaseRange> cases, EffectLayout layout)
    {
        List<(double, EffectRange)> all = [.. cases.Where(IsSlow).Select(c => (1.0, c.Range))];
        var last = EffectRange.Sum(Later, all[^OfInterval..], layout);
        return [.. all.SkipLast(OfInterval), (1, EffectRange.OrNothing(Later, [(1, last)]))];
    }

    /// <summary>Cases of an interval: creep, shrinkage, losses.</summary>
    private const int OfInterval = 3;

    /// <summary>The release of strands, the casting of a slab, and when permanent loads are on, each with what acts then.</summary>
    public static ImmutableArray<MemberStage> Stages(
        LoneMember member,
        EffectLayout layout,
        LoneLosses losses,
        IReadOnlyList<LoneCaseRange> cases
    )
    {
        List<LoneCaseRange> slow = [.. cases.Where(IsSlow)];
        List<LoneCaseRange> permanent = [.. cases.Skip(1).Where(c => c.Kind is ActionKind.Permanent or ActionKind.Surfacing)];
        var prestress = cases.First(c => c.Kind == ActionKind.Prestress);
        var atRelease = Stage("At release", member.Release.Age, [cases[0]], []) with { IsRelease = true };
        var loaded = Stage(
            "After all permanent loads",
            losses.LoadedOn,
            [cases[0], .. permanent],
            [.. slow.SkipLast(losses.LoadedOn < member.Time.LastDay ? OfInterval : 0)]
        );
        if (losses.CastOn is not { } cast)
            return [atRelease, loaded];
        var early = cases.Where(c => c.Kind == ActionKind.Variable && c.Own is { BeforeSlab: true });
        var casting = Stage(
            "Slab cast",
            cast,
            [cases[0], .. permanent.Where(IsBeforeSlab)],
            [.. slow.Take(OfInterval)],
            [.. early.Select(c => EffectRange.OrNothing(c.Range.Name, [(1, c.Range)]))]
        );
        return [atRelease, casting, loaded];

        MemberStage Stage(
            string name,
            double day,
            IReadOnlyList<LoneCaseRange> weights,
            IReadOnlyList<LoneCaseRange> time,
            IReadOnlyList<EffectRange>? others = null
        ) =>
            new(
                name,
                day,
                EffectRange.Sum(
                    name,
                    [.. weights.Append(prestress).Concat(time).Select(c => (1.0, c.Range)), .. (others ?? []).Select(o => (1.0, o))],
                    layout
                ),
                EffectValues.Sum(
                    layout,
                    time.Where(c => c.Kind == ActionKind.Losses).Append(prestress).Select(c => (1.0, c.Range.Greatest))
                )
            );
    }
}
