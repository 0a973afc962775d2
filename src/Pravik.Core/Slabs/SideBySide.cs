using System.Collections.Immutable;

namespace Pravik.Core.Slabs;

/// <summary>Weights put side by side where they do most, each once or not at all, no two closer than a distance.</summary>
/// <remarks>
/// Best of a place: that of the place before, or with one more weight here, that of the last place far enough back. What is kept is the
/// best for each set of weights and number of them in the way: exact on the places given.
/// </remarks>
public static class SideBySide
{
    /// <summary>A weight (by its number) at a place.</summary>
    public readonly record struct Put(double At, int Weight);

    private sealed record Best(double Value, Put Last, Best? Before);

    /// <summary>The greatest sum of weight times value, and where the weights are.</summary>
    /// <param name="ways">Ways from left to right: the most weights on each, its places in order and what a unit does there.</param>
    /// <param name="weights">The weights.</param>
    /// <param name="apart">Least distance of two.</param>
    public static (double Value, IReadOnlyList<Put> Places) Of(
        IReadOnlyList<(int Most, IReadOnlyList<(double At, double Value)> Places)> ways,
        ImmutableArray<double> weights,
        double apart
    )
    {
        // Sets of weights by their bits.
        var start = new Best?[1 << weights.Length];
        start[0] = new(0, default, null);
        foreach (var (most, places) in ways)
            start = Through(start, Math.Min(most, weights.Length), places, weights, apart);
        var best = start.OfType<Best>().MaxBy(b => b.Value)!;
        List<Put> all = [];
        for (var at = best; at.Before is not null; at = at.Before)
            all.Add(at.Last);
        return (best.Value, all);
    }

    /// <summary>The best of each set once a way has been gone through.</summary>
    private static Best?[] Through(
        Best?[] start,
        int most,
        IReadOnlyList<(double At, double Value)> places,
        ImmutableArray<double> weights,
        double apart
    )
    {
        // After each place, for each number of weights on this way and each set.
        var after = new List<Best?[][]> { Enumerable.Range(0, most + 1).Select(n => n == 0 ? start : new Best?[start.Length]).ToArray() };
        for (int i = 0, back = 0; i < places.Count; i++)
        {
            while (back < i && places[i].At - places[back].At >= apart - 1e-9)
                back++;
            // Places before "back" are far enough: what is best after them goes with a weight here.
            var (before, here) = (after[back], after[i].Select(sets => sets.ToArray()).ToArray());
            for (var number = 1; number <= most; number++)
            {
                for (var set = 0; set < start.Length; set++)
                {
                    for (var w = 0; w < weights.Length; w++)
                    {
                        if ((set & (1 << w)) == 0 || before[number - 1][set & ~(1 << w)] is not { } last)
                            continue;
                        var value = last.Value + weights[w] * places[i].Value;
                        if (here[number][set] is not { } known || value > known.Value)
                            here[number][set] = new(value, new(places[i].At, w), last);
                    }
                }
            }
            after.Add(here);
        }
        return [.. Enumerable.Range(0, start.Length).Select(set => after[^1].Select(sets => sets[set]).OfType<Best>().MaxBy(b => b.Value))];
    }
}
