using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Codes;
using Pravik.Core.Models;
using Pravik.Core.Places;
using Pravik.Core.Roads;
using Pravik.Core.Stages;
using Pravik.Core.Units;

namespace Pravik.Core.Effects;

/// <summary>What is compared between models.</summary>
public enum ComparedEffect
{
    /// <summary>Greatest moment in a span.</summary>
    SaggingMoment,

    /// <summary>Least moment over a support.</summary>
    HoggingMoment,

    /// <summary>Greatest shear.</summary>
    Shear,

    /// <summary>Reaction of a support.</summary>
    Reaction,

    /// <summary>Deflection.</summary>
    Deflection,
}

/// <summary>
/// An effect of a load in one girder by the three models (N, Nm, m), with their values summed over all girders at that place. A
/// difference is told as a part of the greatest value of its kind anywhere in the grillage.
/// </summary>
public sealed record ComparedValue(
    string Load,
    ComparedEffect Effect,
    GirderIndex Girder,
    string Place,
    double Line,
    double Grillage,
    double Shells,
    double Greatest
)
{
    /// <summary>Sum of all line girders there.</summary>
    public double LineSum { get; init; }

    /// <summary>Sum of all girders of the grillage there.</summary>
    public double GrillageSum { get; init; }

    /// <summary>Sum of all girders of the shell model there.</summary>
    public double ShellsSum { get; init; }

    /// <summary>Line girders against the grillage, as a part of the greatest.</summary>
    public double LineDifference => Part(Line - Grillage);

    /// <summary>Shells against the grillage, as a part of the greatest.</summary>
    public double ShellsDifference => Part(Shells - Grillage);

    /// <summary>The effect in words, and the kind of its unit.</summary>
    public (string Words, QuantityKind Kind) Named =>
        Effect switch
        {
            ComparedEffect.SaggingMoment => ("sagging moment", QuantityKind.Moment),
            ComparedEffect.HoggingMoment => ("hogging moment", QuantityKind.Moment),
            ComparedEffect.Shear => ("shear", QuantityKind.Force),
            ComparedEffect.Reaction => ("reaction", QuantityKind.Force),
            _ => ("deflection", QuantityKind.Size),
        };

    /// <summary>The larger of both, without sign.</summary>
    public double Worst => Math.Max(Math.Abs(LineDifference), Math.Abs(ShellsDifference));

    /// <summary>Whether all girders together agree within 2 %, so that models differ only in how they share.</summary>
    public bool OnlyShared => Effect != ComparedEffect.Deflection && Math.Max(Math.Abs(Total(LineSum)), Math.Abs(Total(ShellsSum))) <= 0.02;

    private double Total(double sum) => GrillageSum == 0 ? 0 : sum / GrillageSum - 1;

    private double Part(double difference) => Greatest > 0 ? difference / Greatest : 0;

    /// <summary>Why models differ here by more than a part, from what they agree in: null where they do not.</summary>
    public string? Reason(double limit)
    {
        if (Worst <= limit)
            return null;
        List<string> why = [];
        if (Math.Abs(LineDifference) > limit)
            why.Add(
                Explain(
                    "Line girders",
                    LineDifference,
                    LineSum,
                    "a line girder takes its fixed share, the deck hands load from girder to girder as they bend"
                )
            );
        if (Math.Abs(ShellsDifference) > limit)
            why.Add(
                Explain(
                    "Shells",
                    ShellsDifference,
                    ShellsSum,
                    "slab and girders of the shell model share by their true stiffness across, and diaphragms over the supports "
                        + "have the slab for a flange"
                )
            );
        return string.Join(" ", why);
    }

    private string Explain(string model, double difference, double sum, string sharing)
    {
        var total = Total(sum);
        var together = $"all girders together {(Math.Abs(total) < 0.0005 ? "agree" : $"differ by {100 * total:+0.0;−0.0} %")}";
        return Effect is not ComparedEffect.Deflection && Math.Abs(total) <= 0.02
                ? $"{model} {100 * difference:+0.0;−0.0} %: the load is shared otherwise ({together}): {sharing}."
            : Effect is ComparedEffect.Deflection
                ? $"{model} {100 * difference:+0.0;−0.0} %: stiffness counts here, and sharing ({together}); effective width is "
                    + $"smaller than the slab's true one, and {sharing}."
            : $"{model} {100 * difference:+0.0;−0.0} %, {together}: stiffness along the bridge differs, so that moments over the "
                + $"piers do, and what lies between follows; {sharing}.";
    }
}

/// <summary>The same bridge by three models.</summary>
public sealed record ModelComparison(ImmutableArray<ComparedValue> Values)
{
    /// <summary>A difference above this part is told with its reason.</summary>
    public const double Limit = 0.05;

    /// <summary>Values that differ by more than <see cref="Limit"/>.</summary>
    public IEnumerable<ComparedValue> Differing => Values.Where(v => v.Worst > Limit).OrderByDescending(v => v.Worst);

    /// <summary>
    /// Runs all three with the bridge's own refinement and supports, and compares them load by load. Throws as <see cref="ModelRun"/>
    /// does.
    /// </summary>
    public static ModelComparison Of(
        BridgeGeometry geometry,
        Ground? ground = null,
        FactorStore? factors = null,
        Action<double, string>? report = null,
        CancellationToken cancel = default
    )
    {
        var kept = factors ?? new();
        ModelResults Run(ModelKind kind, int number) =>
            ModelRun.Run(
                geometry,
                geometry.Bridge.Model with
                {
                    Kind = kind,
                    Changes = [],
                },
                ground,
                kept,
                (f, what) => report?.Invoke((number + f) / 3, what),
                withTraffic: false,
                cancel: cancel
            );
        return Of(geometry, Run(ModelKind.Line, 0), Run(ModelKind.Grillage, 1), Run(ModelKind.Shells, 2));
    }

    /// <summary>Compares results that are there already.</summary>
    public static ModelComparison Of(BridgeGeometry geometry, ModelResults line, ModelResults grillage, ModelResults shells)
    {
        var all = ImmutableArray.CreateBuilder<ComparedValue>();
        foreach (var load in grillage.Cases.Where(c => IsCompared(c)))
        {
            var results = new[] { line, grillage, shells }.Select(r => r.Cases.First(c => c.Id == load.Id)).ToArray();
            all.AddRange(AlongGirders(geometry, grillage, load.Name, results));
            all.AddRange(Reactions(geometry, load.Name, results));
        }
        return new(all.ToImmutable());
    }

    private static bool IsCompared(ActionResult c) =>
        c.Secondary is null
        && !c.IsPassing
        && c.Kind is ActionKind.Permanent or ActionKind.Surfacing or ActionKind.Variable or ActionKind.Aside;

    private static IEnumerable<ComparedValue> AlongGirders(
        BridgeGeometry geometry,
        ModelResults grillage,
        string load,
        ActionResult[] results
    )
    {
        (ComparedEffect Effect, GirderEffect Of)[] kinds =
        [
            (ComparedEffect.SaggingMoment, GirderEffect.M),
            (ComparedEffect.HoggingMoment, GirderEffect.M),
            (ComparedEffect.Shear, GirderEffect.V),
            (ComparedEffect.Deflection, GirderEffect.Deflection),
        ];
        var points = grillage.Points;
        foreach (var (effect, of) in kinds)
        {
            var greatest = Enumerable.Range(0, points.Length).Max(i => Math.Abs(results[1].Effects[i, of]));
            foreach (var girder in geometry.Girders)
            {
                for (var span = 0; span < geometry.SpanCount; span++)
                {
                    foreach (var (i, place) in Places(effect, points, girder.Number - 1, span, results[1].Effects))
                    {
                        double Sum(ActionResult r) => geometry.Girders.Sum(g => r.Effects[Same(points, i, g.Number - 1), of]);
                        yield return new(
                            load,
                            effect,
                            girder.Number,
                            place,
                            results[0].Effects[i, of],
                            results[1].Effects[i, of],
                            results[2].Effects[i, of],
                            greatest
                        )
                        {
                            LineSum = Sum(results[0]),
                            GrillageSum = Sum(results[1]),
                            ShellsSum = Sum(results[2]),
                        };
                    }
                }
            }
        }
    }

    /// <summary>The point of the same row on another girder: points stand girder by girder.</summary>
    private static int Same(ImmutableArray<ModelPoint> points, int i, GirderIndex girder) =>
        i + (girder - points[i].Girder) * points.Count(p => p.Girder == 0);

    /// <summary>
    /// Where an effect is compared: where the grillage has it greatest in the span, and for hogging and shear at its ends.
    /// </summary>
    private static IEnumerable<(int Point, string Place)> Places(
        ComparedEffect effect,
        ImmutableArray<ModelPoint> points,
        GirderIndex girder,
        SpanIndex span,
        EffectValues of
    )
    {
        List<int> here = [.. Enumerable.Range(0, points.Length).Where(i => points[i].Girder == girder && points[i].Span == span)];
        if (effect is ComparedEffect.Shear or ComparedEffect.HoggingMoment)
        {
            // A piece away from the support, where the force itself enters.
            foreach (var (i, place) in new[] { (here[1], $"start of span {span + 1}"), (here[^2], $"end of span {span + 1}") })
            {
                if (effect == ComparedEffect.Shear || of[i, GirderEffect.M] < 0)
                    yield return (i, place);
            }
            yield break;
        }
        var middle = here.MaxBy(i => effect == ComparedEffect.Deflection ? -of[i, GirderEffect.Deflection] : of[i, GirderEffect.M]);
        yield return (middle, $"span {span + 1} at {points[middle].Fraction:0.00}");
    }

    private static IEnumerable<ComparedValue> Reactions(BridgeGeometry geometry, string load, ActionResult[] results)
    {
        double Up(ActionResult r, Func<SeatPlace, bool> which)
        {
            var all = r.Effects.Layout.Seats;
            return Enumerable.Range(0, all.Length).Where(i => which(all[i])).Sum(i => r.Effects.Seat(i).Up);
        }
        double At(ActionResult r, AxisIndex axis, GirderIndex girder) => Up(r, s => s.Axis == axis && s.Girder == girder);
        double Sum(ActionResult r, AxisIndex axis) => Up(r, s => s.Axis == axis);
        var seats = results[1].Effects.Layout.Seats.Select(s => (s.Axis, s.Girder)).Distinct().ToList();
        if (seats.Count == 0)
            yield break;
        var greatest = seats.Max(s => Math.Abs(At(results[1], s.Axis, s.Girder)));
        foreach (var (axis, girder) in seats)
        {
            yield return new(
                load,
                ComparedEffect.Reaction,
                girder + 1,
                $"axis {geometry.Axes[axis].Name}",
                At(results[0], axis, girder),
                At(results[1], axis, girder),
                At(results[2], axis, girder),
                greatest
            )
            {
                LineSum = Sum(results[0], axis),
                GrillageSum = Sum(results[1], axis),
                ShellsSum = Sum(results[2], axis),
            };
        }
    }
}
