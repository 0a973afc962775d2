using System.Collections.Immutable;

namespace Pravik.Core.Plates;

/// <summary>Ordinates on the lines of a plate, straight between them.</summary>
public sealed class PlateOrdinates
{
    private readonly ImmutableArray<PlateLine> lines;
    private readonly double[] values;
    private readonly double[] until;

    internal PlateOrdinates(ImmutableArray<PlateLine> lines, double[] values)
    {
        (this.lines, this.values, until) = (lines, values, new double[values.Length]);
        for (var i = 1; i < values.Length; i++)
            until[i] = until[i - 1] + (lines[i].At - lines[i - 1].At) * (values[i - 1] + values[i]) / 2;
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
        return b - a < 1e-9 ? At((from + to) / 2) : (Until(b) - Until(a)) / (b - a);
    }

    /// <summary>∫ from the left edge to a place.</summary>
    private double Until(double at)
    {
        var (i, t) = Place(at);
        return until[i] + t * (lines[i + 1].At - lines[i].At) * (values[i] * (2 - t) + values[i + 1] * t) / 2;
    }

    private (int Line, double Part) Place(double at)
    {
        var (low, high) = (0, lines.Length - 1);
        while (high - low > 1)
        {
            var middle = (low + high) / 2;
            if (lines[middle].At <= at)
                low = middle;
            else
                high = middle;
        }
        return (low, Math.Clamp((at - lines[low].At) / (lines[high].At - lines[low].At), 0, 1));
    }
}
