namespace Pravik.Core.Traffic;

/// <summary>Counts the cycles of a history by rainflow.</summary>
public static class Rainflow
{
    /// <summary>
    /// The ranges of all whole cycles of a history that is repeated, falling (ASTM E1049, repeating histories: begun at its greatest value,
    /// of four turning points the inner two are a cycle where no neighbouring range is less).
    /// </summary>
    /// <param name="history">Values in order; the last is followed by the first.</param>
    public static double[] Ranges(IReadOnlyList<double> history)
    {
        if (history.Count == 0)
            return [];
        var top = 0;
        for (var i = 1; i < history.Count; i++)
            top = history[i] > history[top] ? i : top;
        List<double> open = [];
        List<double> ranges = [];
        for (var i = 0; i <= history.Count; i++)
        {
            if (!Turn(open, history[top + i < history.Count ? top + i : top + i - history.Count]))
                continue;
            while (open.Count >= 4)
            {
                var (before, inner, after) = (Range(open, 4), Range(open, 3), Range(open, 2));
                if (inner > before || inner > after)
                    break;
                ranges.Add(inner);
                open.RemoveRange(open.Count - 3, 2);
            }
        }
        // From the greatest value down to the least and back: the last one.
        if (open.Count >= 2)
            ranges.Add(open.Max() - open.Min());
        return [.. ranges.Where(r => r > 0).OrderDescending()];
    }

    /// <summary>The range from a value, counted from the end, to the next.</summary>
    private static double Range(List<double> of, int fromEnd) => Math.Abs(of[^fromEnd] - of[^(fromEnd - 1)]);

    /// <summary>Adds a value, in place of the last where that is no turning point; returns whether anything changed.</summary>
    private static bool Turn(List<double> to, double value)
    {
        if (to.Count > 0 && to[^1] == value)
            return false;
        if (to.Count > 1 && (value - to[^1]) * (to[^1] - to[^2]) > 0)
            to[^1] = value;
        else
            to.Add(value);
        return true;
    }
}

/// <summary>What one passage of a vehicle, alone, does to an effect.</summary>
/// <param name="Vehicle">Its name.</param>
/// <param name="Offset">Offset of its middle, where the greatest range is the worst (m).</param>
/// <param name="Ranges">Ranges of the cycles, falling.</param>
public sealed record PassageCycles(string Vehicle, double Offset, double[] Ranges)
{
    /// <summary>The greatest value in the passage, 0 or more.</summary>
    public double Greatest { get; init; }

    /// <summary>The least value, 0 or less.</summary>
    public double Least { get; init; }

    /// <summary>The range of one cycle that does the damage of all, (Σ Δᵐ)^(1/m).</summary>
    public double Equivalent(double exponent) => Math.Pow(Ranges.Sum(r => Math.Pow(r, exponent)), 1 / exponent);
}
