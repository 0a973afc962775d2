using System.Collections.Immutable;

namespace Pravik.Core.Trusses;

/// <summary>Keeps the best of all trials of a search: one that passes before one that does not, then the cheaper.</summary>
public sealed class SearchLog
{
    /// <summary>What is within this of a limit, or of a cost, is the same.</summary>
    private const double Rounding = 1e-9;

    /// <summary>How much dearer a model counts for each whole by which its ratios are over their limits.</summary>
    private const double Penalty = 3;

    private readonly List<SearchPoint> history = [];
    private readonly Action<SearchPoint>? tell;
    private readonly CancellationToken stop;
    private (double Cost, double Over) best;
    private int trials;

    /// <summary>A log that begins with a model; <paramref name="order"/> is the charge for each different section.</summary>
    public SearchLog(TrussModel start, double order, Action<SearchPoint>? tell, CancellationToken stop)
    {
        (this.tell, this.stop, Order, Best) = (tell, stop, order, start);
        var results = TrussResults.Of(start);
        best = (Cost(start, order), Over(results));
        Before = new(0, best.Cost, results?.Worst ?? double.PositiveInfinity);
        history.Add(Before);
    }

    /// <summary>Charge for each different section.</summary>
    public double Order { get; }

    /// <summary>The best so far.</summary>
    public TrussModel Best { get; private set; }

    /// <summary>Where it began.</summary>
    public SearchPoint Before { get; }

    /// <summary>Every better one.</summary>
    public ImmutableArray<SearchPoint> History => [.. history];

    /// <summary>Whether the search is to end.</summary>
    public bool IsStopped => stop.IsCancellationRequested;

    /// <summary>Steel of both planes and the charge for each different section.</summary>
    public static double Cost(TrussModel model, double order)
    {
        var steel = 0.0;
        for (var b = 0; b < model.Bars.Length; b++)
            steel += model.Mass(b) * model.Bars[b].Price;
        return TrussCost.Planes * steel + order * TrussCost.Sections(model);
    }

    /// <summary>Tries a model: what it costs, the more the farther it is over its limits in all.</summary>
    public double Merit(TrussModel model)
    {
        trials++;
        var results = TrussResults.Of(model);
        var found = (Cost: Cost(model, Order), Over: Over(results));
        if (results is not null && IsBetter(found, best))
        {
            (best, Best) = (found, model);
            history.Add(new(trials, found.Cost, results.Worst));
        }
        if (trials % 200 == 0)
            tell?.Invoke(history[^1] with { Trials = trials });
        return found.Cost * (1 + Penalty * found.Over);
    }

    private static bool IsBetter((double Cost, double Over) a, (double Cost, double Over) b)
    {
        if (a.Over > Rounding || b.Over > Rounding)
            return a.Over < b.Over - Rounding;
        return a.Cost < b.Cost * (1 - Rounding);
    }

    private static double Over(TrussResults? results) =>
        results is null
            ? double.PositiveInfinity
            : results.Bars.Sum(b => Math.Max(0, b.Ratio - 1)) + Math.Max(0, results.DeflectionRatio - 1);
}
