using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Codes;
using Pravik.Core.Frames;
using Pravik.Core.Models;
using Pravik.Core.Vehicles;

namespace Pravik.Core.Traffic;

/// <summary>Of what a girder takes a share.</summary>
public enum ShareOf
{
    /// <summary>The greatest moment of a span.</summary>
    Sagging,

    /// <summary>The least moment over the support at which a span begins.</summary>
    Hogging,

    /// <summary>The greatest shear at an end of a span.</summary>
    Shear,
}

/// <summary>
/// The share of a lane of HL-93 that a girder takes in the model, beside the factors of AASHTO LRFD 4.6.2.2; factors by number of lanes
/// are in both, the allowance in neither.
/// </summary>
/// <param name="Girder">The girder.</param>
/// <param name="Span">The span.</param>
/// <param name="Of">Of what.</param>
/// <param name="Point">Number of the place among those of effects.</param>
/// <param name="Lane">What one lane does to all girders together (N or Nm).</param>
public sealed record GirderShare(GirderIndex Girder, SpanIndex Span, ShareOf Of, int Point, double Lane)
{
    /// <summary>With one lane loaded in the model, and with as many as are worst.</summary>
    public Distribution InModel { get; init; }

    /// <summary>By the formulas.</summary>
    public Distribution ByFormula { get; init; }

    /// <summary>Outside of which ranges of the formulas the girder lies.</summary>
    public ImmutableArray<string> OutOfRange { get; init; } = [];
}

/// <summary>
/// Finds the shares of girders. The lane's own effect is the extreme of the sum of the influence surfaces of all girders on a row of the
/// mesh: on a skew bridge that row is skew.
/// </summary>
public sealed class GirderShares
{
    private const double Foot = 0.3048;
    private const double Inch = 0.0254;
    private readonly TrafficTarget target;
    private readonly EffectPlaces places;
    private readonly InfluenceSolver solver;
    private readonly DeckLoading deck;
    private readonly Workspace workspace = new();
    private readonly double one;

    private GirderShares(TrafficTarget target, CancellationToken cancel)
    {
        this.target = target;
        places = new(target);
        solver = new(target.Analysis, target.Shares.UnitLoads(), 0, cancel);
        var usual = TrafficModels.Usual(Standard.Lrfd, target.Geometry.Bridge.Basis.Values);
        var still = usual.Static();
        one = usual.Presence[0];
        deck = new(
            target.Geometry,
            target.Model.Mesh,
            [still with { Kinds = [still.Kinds[0] with { Most = 1 }] }, still with { Presence = usual.Presence }]
        );
    }

    /// <summary>Shares of all girders: in every span, at every support within a unit of the deck, and at ends of spans.</summary>
    public static ImmutableArray<GirderShare> Of(TrafficTarget target, CancellationToken cancel = default)
    {
        var finder = new GirderShares(target, cancel);
        return finder.deck.Cells.IsEmpty ? [] : [.. finder.All(cancel)];
    }

    private IEnumerable<GirderShare> All(CancellationToken cancel)
    {
        var geometry = target.Geometry;
        for (var span = 0; span < geometry.SpanCount; span++)
        {
            cancel.ThrowIfCancellationRequested();
            var isJoined = span > 0 && geometry.UnitOf(span - 1) == geometry.UnitOf(span);
            foreach (var share in Worst(span, ShareOf.Sagging, [0.4, 0.5, 0.6]))
                yield return share;
            if (isJoined)
            {
                foreach (var share in Worst(span, ShareOf.Hogging, [0]))
                    yield return share;
            }
            foreach (var share in Worst(span, ShareOf.Shear, [0, 1]))
                yield return share;
        }
    }

    /// <summary>Shares on that of some rows of a span on which a lane does most.</summary>
    private List<GirderShare> Worst(SpanIndex span, ShareOf of, double[] fractions)
    {
        List<GirderShare> worst = [];
        foreach (var fraction in fractions)
        {
            var found = OnRow(span, of, fraction);
            if (found.Count > 0 && (worst.Count == 0 || found[0].Lane > worst[0].Lane))
                worst = found;
        }
        return worst;
    }

    private List<GirderShare> OnRow(SpanIndex span, ShareOf of, double fraction)
    {
        var all = target.Layout.Points.Select((p, number) => (Point: p, Number: number)).Where(p => p.Point.Span == span).ToList();
        if (all.Count == 0)
            return [];
        var row = all.MinBy(p => Math.Abs(p.Point.Fraction - fraction)).Point.Line;
        var on = all.Where(p => p.Point.Line == row && places.Of(Effect(p.Number, of)) is not null).ToList();
        foreach (
            var isGreatest in of == ShareOf.Sagging ? [true]
            : of == ShareOf.Hogging ? [false]
            : new[] { true, false }
        )
        {
            var surfaces = on.Select(p => SurfaceOf(Effect(p.Number, of), isGreatest)).ToList();
            var lane = surfaces.Count == 0 ? 0 : Math.Abs(Extreme(Sum(surfaces), 0, isGreatest, of));
            // Shear has the sign of the end of its span.
            if (lane == 0 || (of == ShareOf.Shear && isGreatest != IsPositive(surfaces, of)))
                continue;
            return
            [
                .. on.Select(
                    (p, i) =>
                    {
                        double Share(int model) => Math.Abs(Extreme(surfaces[i], model, isGreatest, of)) / lane;
                        var input = InputOf(p.Point, of);
                        return new GirderShare(p.Point.Girder, span, of, p.Number, lane)
                        {
                            InModel = new(one * Share(0), Share(1)),
                            ByFormula = of == ShareOf.Shear ? DistributionFactors.Shear(input) : DistributionFactors.Moment(input),
                            OutOfRange = [.. DistributionFactors.OutOfRange(input)],
                        };
                    }
                ),
            ];
        }
        return [];
    }

    private bool IsPositive(List<InfluenceSurface> surfaces, ShareOf of) =>
        Extreme(Sum(surfaces), 0, true, of) >= -Extreme(Sum(surfaces), 0, false, of);

    private int Effect(int point, ShareOf of) => target.Layout.At(point, of == ShareOf.Shear ? GirderEffect.V : GirderEffect.M);

    private InfluenceSurface SurfaceOf(int effect, bool isGreatest)
    {
        var place = places.Of(effect)!;
        return place.Blocks(solver.Ordinates(place.Effects)).SelectMany(b => b.Sought).First(s => s.Effect == effect).Surface(isGreatest);
    }

    private static InfluenceSurface Sum(List<InfluenceSurface> surfaces)
    {
        static double[] Add(IEnumerable<double[]> all) => all.Aggregate((a, b) => [.. a.Zip(b, (x, y) => x + y)]);
        var jumps = surfaces.Select(s => s.Jump).OfType<SurfaceJump>().ToList();
        return new(
            Add(surfaces.Select(s => s.Ordinates)),
            jumps.Count == 0 ? null : new(jumps[0].Row, Add(jumps.Select(j => j.Behind)), Add(jumps.Select(j => j.Ahead)))
        );
    }

    private double Extreme(InfluenceSurface surface, int model, bool isGreatest, ShareOf of)
    {
        var sought = new SoughtEffect(0, surface, surface);
        var block = new EffectBlock([surface], [sought]) { IsOverPier = of == ShareOf.Hogging };
        var place = new PlaceLoading(deck, workspace);
        place.Expect([surface]);
        var value = place.Value(model, block, sought, isGreatest);
        workspace.Clear();
        return value;
    }

    private DistributionInput InputOf(ModelPoint point, ShareOf of)
    {
        var (geometry, span) = (target.Geometry, point.Span);
        var all = geometry.GirdersIn(span);
        var girder = geometry.Girders[point.Girder];
        var (at, offsets) = (all.IndexOf(girder), all.Select(g => g.In(span).MiddleOffset).ToList());
        List<double> gaps = [];
        if (at > 0)
            gaps.Add(offsets[at] - offsets[at - 1]);
        if (at + 1 < all.Length)
            gaps.Add(offsets[at + 1] - offsets[at]);
        var length = girder.SpanLength(span);
        if (of == ShareOf.Hogging && girder.IsIn(span - 1))
            length = (length + girder.SpanLength(span - 1)) / 2;
        var section = target.Model.Sections[point.Girder][target.Model.RowOf(point)]!;
        var fromSlab = section.SlabMiddle - section.Girder.Centroid;
        var stiffness = (section.Girder.SecondMoment + section.Girder.Area * fromSlab * fromSlab) / section.Ratio;
        var middle = (offsets[0] + offsets[^1]) / 2;
        return new(
            gaps.DefaultIfEmpty(0).Average() / Foot,
            length / Foot,
            section.SlabThickness / Inch,
            stiffness / Math.Pow(Inch, 4),
            all.Length,
            Math.Max(Math.Abs(geometry.Axes[span].Skew), Math.Abs(geometry.Axes[span + 1].Skew))
        )
        {
            EdgeDistance = gaps.Count > 1 ? null : EdgeOf(offsets[at], at == 0) / Foot,
            Offsets = [.. offsets.Select(o => (o - middle) / Foot)],
            Offset = (offsets[at] - middle) / Foot,
        };
    }

    /// <summary>From an outer girder outward to the edge of the carriageway (m).</summary>
    private double EdgeOf(double offset, bool isLeft) =>
        isLeft ? offset - target.Geometry.Carriageways[0].From : target.Geometry.Carriageways[^1].To - offset;
}
