namespace Pravik.Core.Trusses;

/// <summary>
/// Which sections to order so that steel and charges cost least, where it is known which section carries which group of bars: a problem of
/// where to open facilities, by taking up, giving up and exchanging one at a time (Kuehn and Hamburger, Management Science 9, 1963).
/// </summary>
/// <param name="lengths">Length of each group (m).</param>
/// <param name="prices">Cost of a metre of each section.</param>
/// <param name="carries">Whether a group is carried by a section.</param>
/// <param name="order">Charge for each section that is ordered.</param>
/// <param name="most">Most sections.</param>
internal sealed class Palettes(double[] lengths, double[] prices, bool[][] carries, double order, int most)
{
    /// <summary>The section of each group; null where some group is carried by none.</summary>
    /// <param name="used">Sections that are used now.</param>
    public int[]? Best(IEnumerable<int> used)
    {
        var all = Enumerable.Range(0, prices.Length).ToArray();
        if (carries.Any(c => !c.Contains(true)))
            return null;
        List<HashSet<int>> starts =
        [
            [.. used],
        ];
        if (all.FirstOrDefault(c => carries.All(g => g[c]), -1) is >= 0 and var whole)
            starts.Add([whole]);
        var best = starts.Select(s => Improved(s, all)).MinBy(s => s.Cost);
        return double.IsFinite(best.Cost) ? [.. carries.Select((_, g) => Of(best.Palette, g))] : null;
    }

    private (HashSet<int> Palette, double Cost) Improved(HashSet<int> palette, int[] all)
    {
        var cost = Cost(palette);
        while (true)
        {
            var (next, least) = (palette, cost);
            foreach (var tried in Around(palette, all))
            {
                var there = Cost(tried);
                if (there < least * (1 - 1e-12) || (double.IsPositiveInfinity(least) && double.IsFinite(there)))
                    (next, least) = (tried, there);
            }
            if (next == palette)
                return (palette, cost);
            (palette, cost) = (next, least);
        }
    }

    private static IEnumerable<HashSet<int>> Around(HashSet<int> palette, int[] all)
    {
        foreach (var gone in palette.Order().ToArray())
        {
            HashSet<int> without = [.. palette.Where(p => p != gone)];
            yield return without;
            foreach (var other in all.Where(c => !palette.Contains(c)))
                yield return [.. without, other];
        }
        foreach (var other in all.Where(c => !palette.Contains(c)))
            yield return [.. palette, other];
    }

    /// <summary>Steel and charges; too many sections, or a group that none carries, cost more than anything.</summary>
    private double Cost(HashSet<int> palette)
    {
        if (palette.Count > most)
            return double.PositiveInfinity;
        var cost = order * palette.Count;
        for (var g = 0; g < lengths.Length; g++)
        {
            var section = Of(palette, g);
            if (section < 0)
                return double.PositiveInfinity;
            cost += lengths[g] * prices[section];
        }
        return cost;
    }

    /// <summary>The cheapest section of a palette that carries a group; −1 for none.</summary>
    private int Of(HashSet<int> palette, int group)
    {
        var best = -1;
        foreach (var c in palette)
        {
            if (carries[group][c] && (best < 0 || prices[c] < prices[best] || (prices[c] == prices[best] && c < best)))
                best = c;
        }
        return best;
    }
}
