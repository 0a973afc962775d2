using System.Collections.Immutable;

namespace Pravik.Core.Plates;

/// <summary>Ordinates on the lines of a plate, straight between them.</summary>
public sealed class PlateOrdinates
{
    private readonly ImmutableArray<PlateLine> lines;
    private readonly double[] values;

    /// <summary>∫ of what lies above zero, and of what lies below it, from the left edge to each line.</summary>
    private readonly double[] above;
    private readonly double[] below;

    internal PlateOrdinates(ImmutableArray<PlateLine> lines, double[] values)
    {
        (this.lines, this.values, above, below) = (lines, values, new double[values.Length], new double[values.Length]);
        for (var i = 1; i < values.Length; i++)
        {
            var (width, from, to) = (lines[i].At - lines[i - 1].At, values[i - 1], values[i]);
            (above[i], below[i]) = (above[i - 1] + Above(width, from, to), below[i - 1] - Above(width, -from, -to));
        }
    }

    /// <summary>The ordinate on a line.</summary>
    public double this[int line] => values[line];

    /// <summary>The ordinate at a place across; the edge's beyond it.</summary>
    public double At(double at)
    {
        var (i, t) = Place(at);
        return values[i] * (1 - t) + values[i + 1] * t;
    }

    /// <summary>The mean between two places across; what lies beyond an edge is left out.</summary>
    public double Mean(double from, double to)
    {
        var (a, b) = (Math.Max(from, lines[0].At), Math.Min(to, lines[^1].At));
        return b - a < 1e-9 ? At((from + to) / 2) : (Above(b) + Below(b) - Above(a) - Below(a)) / (b - a);
    }

    /// <summary>∫ between two places across of what lies above zero; what lies beyond an edge is left out.</summary>
    public double Above(double from, double to) => Above(Math.Min(to, lines[^1].At)) - Above(Math.Max(from, lines[0].At));

    /// <summary>∫ between two places across of what lies below zero, negative.</summary>
    public double Below(double from, double to) => Below(Math.Min(to, lines[^1].At)) - Below(Math.Max(from, lines[0].At));

    private double Above(double at)
    {
        var (i, t) = Place(at);
        return above[i] + Above(t * (lines[i + 1].At - lines[i].At), values[i], values[i] + t * (values[i + 1] - values[i]));
    }

    private double Below(double at)
    {
        var (i, t) = Place(at);
        return below[i] - Above(t * (lines[i + 1].At - lines[i].At), -values[i], -values[i] - t * (values[i + 1] - values[i]));
    }

    /// <summary>∫ of what a straight line from one value to another has above zero.</summary>
    private static double Above(double width, double from, double to)
    {
        var (greater, less) = (Math.Max(from, to), Math.Min(from, to));
        return greater <= 0 ? 0
            : less >= 0 ? width * (from + to) / 2
            : width * greater * greater / (greater - less) / 2;
    }

    private (int Line, double Part) Place(double at)
    {
        // Lines lie about evenly: the search begins where the place would be if they did.
        var (last, part) = (lines.Length - 2, (at - lines[0].At) / (lines[^1].At - lines[0].At));
        var low = Math.Clamp((int)(part * last), 0, last);
        while (low > 0 && lines[low].At > at)
            low--;
        while (low < last && lines[low + 1].At <= at)
            low++;
        return (low, Math.Clamp((at - lines[low].At) / (lines[low + 1].At - lines[low].At), 0, 1));
    }
}
