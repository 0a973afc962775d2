namespace Pravik.Core.Numerics;

/// <summary>
/// An order of unknowns that keeps a sparse symmetric matrix within a narrow band: reverse Cuthill–McKee (George and Liu, Computer
/// Solution of
/// Large Sparse Positive Definite Systems, 1981, chapter 4), begun at an end of a longest way through the graph.
/// </summary>
public static class CuthillMcKee
{
    /// <summary>Position of each unknown in the order. Parts of the graph that do not hang together follow one another.</summary>
    /// <param name="neighbours">For each unknown those that it is coupled with.</param>
    public static int[] Positions(IReadOnlyList<IReadOnlyCollection<int>> neighbours)
    {
        var (order, seen) = (new List<int>(neighbours.Count), new bool[neighbours.Count]);
        for (var i = 0; i < neighbours.Count; i++)
        {
            if (!seen[i])
                order.AddRange(Walk(Far(Far(i)), seen));
        }
        var positions = new int[order.Count];
        for (var i = 0; i < order.Count; i++)
            positions[order[i]] = order.Count - 1 - i;
        return positions;

        int Far(int start) => Walk(start, new bool[neighbours.Count])[^1];

        List<int> Walk(int start, bool[] visited)
        {
            List<int> found = [start];
            visited[start] = true;
            for (var next = 0; next < found.Count; next++)
            {
                foreach (var n in neighbours[found[next]].Where(n => !visited[n]).OrderBy(n => neighbours[n].Count).ToList())
                {
                    visited[n] = true;
                    found.Add(n);
                }
            }
            return found;
        }
    }
}
