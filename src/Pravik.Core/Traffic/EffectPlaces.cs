using Pravik.Core.Frames;
using Pravik.Core.Models;

namespace Pravik.Core.Traffic;

/// <summary>An effect, and the surfaces that give its greatest and its least value: the same but for shear beside a joint.</summary>
/// <param name="Effect">Its number in the layout.</param>
/// <param name="Greatest">Surface for the greatest value.</param>
/// <param name="Least">Surface for the least value.</param>
internal sealed record SoughtEffect(int Effect, InfluenceSurface Greatest, InfluenceSurface Least)
{
    /// <summary>Its number among the forces of its block; −1 where it is none of them.</summary>
    public int Own { get; init; } = -1;

    /// <summary>Another effect of which it is a multiple, which has the same loadings; null for none.</summary>
    public (int Effect, double Factor)? Multiple { get; init; }

    /// <summary>The surface for a value.</summary>
    public InfluenceSurface Surface(bool isGreatest) => isGreatest ? Greatest : Least;
}

/// <summary>The effects of a point, a seat, an end of a member or a place of the slab.</summary>
/// <param name="Forces">Surfaces of the forces that act together there.</param>
/// <param name="Sought">Its effects.</param>
internal sealed record EffectBlock(InfluenceSurface[] Forces, List<SoughtEffect> Sought)
{
    /// <summary>Whether loads for hogging moments and reactions of piers apply to all of them.</summary>
    public bool IsOverPier { get; init; }

    /// <summary>The bending moment of a girder, to whose least value they apply; −1 for none.</summary>
    public int Bending { get; init; } = -1;

    /// <summary>From this effect on they apply to none.</summary>
    public int Beyond { get; init; } = int.MaxValue;

    /// <summary>Whether they apply to a value.</summary>
    public bool AppliesOverPier(int effect, bool isGreatest) => (IsOverPier && effect < Beyond) || (!isGreatest && effect == Bending);
}

/// <summary>A place on the bridge at which effects are read from the same few surfaces.</summary>
/// <param name="Effects">Functionals of the surfaces.</param>
/// <param name="Blocks">Makes the blocks of the place from the ordinates of each functional.</param>
internal sealed record EffectPlace(FrameEffect[] Effects, Func<double[][], IEnumerable<EffectBlock>> Blocks);

/// <summary>The places of all effects of a bridge, finished or in part, by the layout of the finished one.</summary>
internal sealed class EffectPlaces(TrafficTarget target)
{
    private const int V = (int)GirderEffect.V;
    private readonly BridgeModel model = target.Model;
    private readonly EffectLayout layout = target.Layout;
    private readonly ModelEffects effects = target.Effects;

    /// <summary>Where an effect of the layout has its place; null where nothing stands there.</summary>
    public EffectPlace? Of(int effect)
    {
        var from = layout.TogetherWith(effect).From;
        if (from < layout.AtSeat(0))
            return Point(from / EffectLayout.OfPoint);
        if (from < layout.AtEnd(0, false))
            return SeatAt((from - layout.AtSeat(0)) / EffectLayout.OfSeat);
        if (from >= layout.AtSlab(0))
            return Slab((from - layout.AtSlab(0)) / EffectLayout.OfSlab);
        var number = (from - layout.AtEnd(0, false)) / (2 * EffectLayout.OfEnd);
        var member = Enumerable.Range(0, model.Others.Length).FirstOrDefault(m => NumberOf(m) == number, -1);
        return member < 0 ? null : Member(member, number);
    }

    /// <summary>All places at which effects are wanted.</summary>
    /// <param name="wanted">Whether an effect of the layout is wanted; null for all.</param>
    public IEnumerable<EffectPlace> Wanted(Func<int, bool>? wanted)
    {
        bool Is(int from, int count) => wanted is null || Enumerable.Range(from, count).Any(wanted);
        for (var p = 0; p < layout.Points.Length; p++)
        {
            if (Is(layout.At(p, GirderEffect.N), EffectLayout.OfPoint) && Point(p) is { } point)
                yield return point;
        }
        for (var s = 0; s < model.Seats.Length; s++)
        {
            if (SeatOf(s) is { } number && Is(layout.AtSeat(number), EffectLayout.OfSeat))
                yield return Seat(s, number);
        }
        for (var m = 0; m < model.Others.Length; m++)
        {
            if (NumberOf(m) is { } number && Is(layout.AtEnd(number, false), 2 * EffectLayout.OfEnd))
                yield return Member(m, number);
        }
        for (var p = 0; p < layout.Slab.Length; p++)
        {
            if (Is(layout.AtSlab(p), EffectLayout.OfSlab))
                yield return Slab(p);
        }
    }

    /// <summary>The member of the finished bridge that a member of this model is; null for one that goes again.</summary>
    private int? NumberOf(int member) => layout.MemberNamed(model.Others[member].Name);

    /// <summary>The same of a seat.</summary>
    private int? SeatOf(int seat) => layout.SeatNamed(model.Frame.Nodes[model.Seats[seat].Node].Id);

    private EffectPlace? SeatAt(int number)
    {
        var seat = Enumerable.Range(0, model.Seats.Length).FirstOrDefault(s => SeatOf(s) == number, -1);
        return seat < 0 ? null : Seat(seat, number);
    }

    /// <summary>Forces at a point, shear from both sides too, deflection, and stresses, which follow from forces.</summary>
    private EffectPlace? Point(int point)
    {
        var place = layout.Points[point];
        if (!effects.Stands(place))
            return null;
        FrameEffect[] all =
        [
            .. Enumerable.Range(0, EffectLayout.Forces).Select(c => effects.Force(point, c)),
            effects.Force(point, V, ModelEffects.Side.Behind),
            effects.Force(point, V, ModelEffects.Side.Ahead),
            effects.Deflection(point),
        ];
        return new(all, ordinates => [OfPoint(point, [.. ordinates.Select(o => new InfluenceSurface(o))])]);
    }

    private EffectBlock OfPoint(int point, InfluenceSurface[] surfaces)
    {
        var (from, forces) = (layout.At(point, GirderEffect.N), surfaces[..EffectLayout.Forces]);
        var (behind, ahead) = (surfaces[^3], surfaces[^2]);
        if (SurfaceJump.OfShear(model, target.Shares, layout.Points[point]) is { } jump)
            behind = ahead = forces[V] = forces[V] with { Jump = jump };
        var sought = ForcesFrom(from, forces);
        sought[V] = sought[V] with { Greatest = behind, Least = ahead };
        var (axial, moment) = (forces[(int)GirderEffect.N], forces[(int)GirderEffect.M]);
        for (var face = GirderEffect.Bottom; face <= GirderEffect.SlabTop; face++)
        {
            var (ofN, ofM) = effects.StressFactors(point, face);
            if (ofN == 0 && ofM == 0)
                continue;
            var stress = Sum(axial, ofN, moment, ofM);
            sought.Add(
                new(layout.At(point, face), stress, stress)
                {
                    Multiple = ofN != 0 && !axial.IsNothing ? null : (layout.At(point, GirderEffect.M), ofM),
                }
            );
        }
        sought.Add(new(layout.At(point, GirderEffect.Deflection), surfaces[^1], surfaces[^1]));
        return new(forces, sought) { Bending = layout.At(point, GirderEffect.M) };
    }

    private EffectPlace Seat(int seat, int number)
    {
        FrameEffect[] all = [.. Enumerable.Range(0, EffectLayout.OfSeat).Select(c => effects.Seat(seat, c))];
        return new(
            all,
            ordinates =>
            {
                InfluenceSurface[] forces = [.. ordinates.Select(o => new InfluenceSurface(o))];
                return
                [
                    new(forces, ForcesFrom(layout.AtSeat(number), forces))
                    {
                        IsOverPier = IsOverPier(seat),
                        Beyond = layout.AtSeat(number) + EffectLayout.SeatForces,
                    },
                ];
            }
        );
    }

    /// <summary>Whether a bearing stands between spans that are joined; elsewhere it is as at an abutment.</summary>
    private bool IsOverPier(int seat)
    {
        var (axis, geometry) = (model.Seats[seat].Axis.Value, target.Geometry);
        return axis > 0 && axis < geometry.SpanCount && geometry.UnitOf(axis - 1) == geometry.UnitOf(axis);
    }

    private EffectPlace Slab(int place)
    {
        FrameEffect[] all = [.. Enumerable.Range(0, EffectLayout.OfSlab).Select(c => effects.Slab(place, (SlabEffect)c))];
        return new(
            all,
            ordinates =>
            {
                InfluenceSurface[] forces = [.. ordinates.Select(o => new InfluenceSurface(o))];
                return [new(forces, ForcesFrom(layout.AtSlab(place), forces))];
            }
        );
    }

    private EffectPlace Member(int member, int number)
    {
        const int M = (int)GirderEffect.M;
        const int Mz = (int)GirderEffect.Mz;
        var beam = model.Others[member].Beam;
        var isOverPier = model.Others[member].Kind is MemberKind.Crosshead or MemberKind.Column;
        FrameEffect[] all =
        [
            .. Enumerable.Range(0, EffectLayout.OfEnd).Select(c => ModelEffects.End(beam, c, false)),
            ModelEffects.End(beam, M, true),
            ModelEffects.End(beam, Mz, true),
        ];
        return new(all, Blocks);

        IEnumerable<EffectBlock> Blocks(double[][] ordinates)
        {
            InfluenceSurface[] surfaces = [.. ordinates.Select(o => new InfluenceSurface(o))];
            var forces = surfaces[..EffectLayout.OfEnd];
            yield return new(forces, ForcesFrom(layout.AtEnd(number, false), forces)) { IsOverPier = isOverPier };
            // Without loads on the member itself all but the moments are the same at both ends.
            InfluenceSurface[] there = [.. forces];
            (there[M], there[Mz]) = (surfaces[EffectLayout.OfEnd], surfaces[EffectLayout.OfEnd + 1]);
            yield return new(there, ForcesFrom(layout.AtEnd(number, true), there)) { IsOverPier = isOverPier };
        }
    }

    private static List<SoughtEffect> ForcesFrom(int from, InfluenceSurface[] forces) =>
        [.. forces.Select((f, c) => new SoughtEffect(from + c, f, f) { Own = c })];

    private static InfluenceSurface Sum(InfluenceSurface a, double ofA, InfluenceSurface b, double ofB)
    {
        var sum = new double[a.Ordinates.Length];
        for (var i = 0; i < sum.Length; i++)
            sum[i] = ofA * a.Ordinates[i] + ofB * b.Ordinates[i];
        return new(sum);
    }
}
