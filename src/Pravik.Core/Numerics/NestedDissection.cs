namespace Pravik.Core.Numerics;

/// <summary>
/// An order of elimination that keeps fill small: the graph is cut in two by a small separator, which comes last, and both halves likewise.
/// </summary>
/// <remarks>
/// George, Nested dissection of a regular finite element mesh, SIAM J. Numer. Anal. 10 (1973). Where vertices have places, the cut runs
/// square to the longest of three directions of the part; it is set
/// against the smallest level of a breadth-first search near the middle, and the smaller separator is taken. Parts of at most 32
/// vertices, and parts that no level divides, are ordered from
/// the rim inward.
/// </remarks>
public sealed class NestedDissection
{
    private const int Leaf = 32;
    private readonly int[][] neighbours;
    private readonly double[]? places;
    private readonly int[] part;
    private readonly int[] level;
    private readonly List<int> order;
    private int parts;

    private NestedDissection(int[][] neighbours, double[]? places)
    {
        (this.neighbours, this.places) = (neighbours, places);
        (part, level, order) = (new int[neighbours.Length], new int[neighbours.Length], new(neighbours.Length));
    }

    /// <summary>Vertices in the order in which they are eliminated.</summary>
    /// <param name="neighbours">Neighbours of every vertex, without itself.</param>
    /// <param name="places">x, y, z of every vertex one after the other, or null.</param>
    public static int[] Order(int[][] neighbours, double[]? places = null)
    {
        var search = new NestedDissection(neighbours, places);
        search.Divide([.. Enumerable.Range(0, neighbours.Length)]);
        return [.. search.order];
    }

    /// <summary>Divides a part piece by piece, as far as it is not in one.</summary>
    private void Divide(int[] vertices)
    {
        var mine = Mark(vertices);
        List<List<int>> pieces = [];
        foreach (var v in vertices)
        {
            if (part[v] != mine)
                continue;
            var reached = Levels(v, mine);
            pieces.Add(reached);
            // Found once is enough.
            foreach (var r in reached)
                part[r] = 0;
        }
        foreach (var piece in pieces)
            DividePiece([.. piece], piece);
    }

    private void DividePiece(int[] vertices, List<int> reached)
    {
        var mine = Mark(vertices);
        if (vertices.Length <= Leaf)
        {
            reached.Reverse();
            order.AddRange(reached);
            return;
        }
        // From a vertex at the rim.
        var far = Levels(reached[^1], mine);
        var sides = Smaller(ByPlace(vertices, mine), ByLevel(far, mine));
        if (sides is not { } cut)
        {
            far.Reverse();
            order.AddRange(far);
            return;
        }
        Divide(cut.Left);
        Divide(cut.Right);
        order.AddRange(cut.Separator);
    }

    private int Mark(int[] vertices)
    {
        parts++;
        foreach (var v in vertices)
            part[v] = parts;
        return parts;
    }

    /// <summary>Vertices of a part in order of their distance from one, with their levels.</summary>
    private List<int> Levels(int start, int mine)
    {
        List<int> queue = [start];
        // Levels of vertices not reached yet are marked by their part's number, negative.
        part[start] = -mine;
        level[start] = 0;
        for (var i = 0; i < queue.Count; i++)
        {
            foreach (var next in neighbours[queue[i]])
            {
                if (part[next] != mine)
                    continue;
                part[next] = -mine;
                level[next] = level[queue[i]] + 1;
                queue.Add(next);
            }
        }
        foreach (var v in queue)
            part[v] = mine;
        return queue;
    }

    private readonly record struct Cut(int[] Left, int[] Right, int[] Separator);

    /// <summary>The cut that costs less: its separator's size, more where the halves are uneven.</summary>
    private static Cut? Smaller(Cut? a, Cut? b)
    {
        if (a is not { } first || b is not { } second)
            return a ?? b;
        return Cost(first) <= Cost(second) ? first : second;
        static double Cost(Cut cut) =>
            cut.Separator.Length * (1 + Math.Abs(cut.Left.Length - cut.Right.Length) / (double)(cut.Left.Length + cut.Right.Length));
    }

    private Cut? ByPlace(int[] vertices, int mine)
    {
        if (places is null)
            return null;
        var axis = Enumerable.Range(0, 3).MaxBy(a => vertices.Max(v => places[3 * v + a]) - vertices.Min(v => places[3 * v + a]));
        var keys = Array.ConvertAll(vertices, v => places[3 * v + axis]);
        var sorted = (int[])vertices.Clone();
        Array.Sort(keys, sorted);
        // Vertices in one place across the cut stay on one side, so that the separator is straight.
        var middle = vertices.Length / 2;
        var (low, high) = (middle, middle);
        while (low > 0 && keys[middle] - keys[low - 1] < 1e-9)
            low--;
        while (high < keys.Length && keys[high] - keys[middle] < 1e-9)
            high++;
        middle = middle - low < high - middle ? low : high;
        return middle == 0 || middle == keys.Length ? null : Parted(sorted, middle, mine);
    }

    private Cut? ByLevel(List<int> far, int mine)
    {
        var last = level[far[^1]];
        if (last < 2)
            return null;
        var counts = new int[last + 1];
        foreach (var v in far)
            counts[level[v]]++;
        var (best, cost, before) = (-1, double.PositiveInfinity, 0);
        for (var l = 0; l <= last; l++)
        {
            var after = far.Count - before - counts[l];
            if (
                l > 0
                && l < last
                && Math.Min(before, after) > far.Count / 8
                && counts[l] * (1 + Math.Abs(before - after) / (double)far.Count) is var here
                && here < cost
            )
                (best, cost) = (l, here);
            before += counts[l];
        }
        if (best < 0)
            return null;
        return Parted([.. far], far.FindLastIndex(v => level[v] == best) + 1, mine);
    }

    /// <summary>The first so many vertices against the rest; of the first, those with a neighbour among the rest part them.</summary>
    private Cut? Parted(int[] sorted, int first, int mine)
    {
        for (var i = first; i < sorted.Length; i++)
            part[sorted[i]] = -mine;
        var left = new List<int>(first);
        var separator = new List<int>();
        for (var i = 0; i < first; i++)
            (Array.Exists(neighbours[sorted[i]], n => part[n] == -mine) ? separator : left).Add(sorted[i]);
        for (var i = first; i < sorted.Length; i++)
            part[sorted[i]] = mine;
        return left.Count == 0 || sorted.Length == first ? null : new([.. left], sorted[first..], [.. separator]);
    }
}
