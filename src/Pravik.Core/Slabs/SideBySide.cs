using System.Collections.Immutable;

namespace Pravik.Core.Slabs;

/// <summary>Weights put side by side where they do most, each once or not at all, no two closer than a distance.</summary>
/// <remarks>
/// Best of a place: that of the place before, or with one more weight here, that of the last place far enough back. What is kept is the
/// best for each set of weights and number of them in the way: exact on the places given.
/// </remarks>
public static class SideBySide
{
    private const int None = -1;

    /// <summary>A weight (by its number) at a place.</summary>
    public readonly record struct Put(double At, int Weight);

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
        var best = Enumerable.Repeat(double.NegativeInfinity, 1 << weights.Length).ToArray();
        best[0] = 0;
        List<Way> gone = [];
        foreach (var (most, places) in ways)
        {
            gone.Add(new(best, Math.Min(most, weights.Length), places, weights, apart));
            best = gone[^1].Best();
        }
        var set = Array.IndexOf(best, best.Max());
        List<Put> all = [];
        foreach (var way in Enumerable.Reverse(gone))
            set = way.Trace(set, all);
        return (best.Max(), all);
    }

    /// <summary>The best of each set of weights, by their bits, along one way.</summary>
    private sealed class Way
    {
        private readonly IReadOnlyList<(double At, double Value)> places;
        private readonly int sets;

        /// <summary>After so many places, for each number of weights on this way and each set: the sum, and the weight put there.</summary>
        private readonly double[][] sums;
        private readonly int[][] put;
        private readonly int[] back;

        public Way(double[] start, int most, IReadOnlyList<(double At, double Value)> places, ImmutableArray<double> weights, double apart)
        {
            (this.places, sets) = (places, start.Length);
            (sums, put, back) = (new double[places.Count + 1][], new int[places.Count + 1][], new int[places.Count + 1]);
            sums[0] = Enumerable.Repeat(double.NegativeInfinity, (most + 1) * sets).ToArray();
            start.CopyTo(sums[0], 0);
            for (var i = 0; i < places.Count; i++)
            {
                // Places before "back" are far enough: what is best after them goes with a weight here.
                back[i + 1] = back[i];
                while (back[i + 1] < i && places[i].At - places[back[i + 1]].At >= apart - 1e-9)
                    back[i + 1]++;
                sums[i + 1] = (double[])sums[i].Clone();
                put[i + 1] = Enumerable.Repeat(None, sums[i].Length).ToArray();
                if (places[i].Value > 0)
                    PutAt(i, weights);
            }
        }

        private void PutAt(int place, ImmutableArray<double> weights)
        {
            var (before, here, by) = (sums[back[place + 1]], sums[place + 1], put[place + 1]);
            for (var at = sets; at < here.Length; at++)
            {
                for (var w = 0; w < weights.Length; w++)
                {
                    if ((at % sets & 1 << w) == 0)
                        continue;
                    var sum = before[at - sets - (1 << w)] + weights[w] * places[place].Value;
                    if (sum > here[at])
                        (here[at], by[at]) = (sum, w);
                }
            }
        }

        /// <summary>The best sum of each set once the way has been gone through.</summary>
        public double[] Best() => [.. Enumerable.Range(0, sets).Select(set => sums[^1][Fullest(set)])];

        /// <summary>Where the best sum of a set stands, whatever its number on this way.</summary>
        private int Fullest(int set) => Enumerable.Range(0, sums[^1].Length / sets).Select(n => n * sets + set).MaxBy(at => sums[^1][at]);

        /// <summary>Tells what lies on this way where a set is there after it; returns the set before it.</summary>
        public int Trace(int set, List<Put> all)
        {
            var at = Fullest(set);
            var i = places.Count;
            while (i > 0)
            {
                if (put[i][at] is var weight && weight == None)
                {
                    i--;
                    continue;
                }
                all.Add(new(places[i - 1].At, weight));
                (at, i) = (at - sets - (1 << weight), back[i]);
            }
            return at % sets;
        }
    }
}
