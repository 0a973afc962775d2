using Pravik.Core.Places;

namespace Pravik.Core.Traffic;

/// <summary>Where lanes may begin across a carriageway, and which lie clear of each other.</summary>
internal static class LaneSteps
{
    /// <summary>From one place across to the next (m).</summary>
    public const double Step = 0.25;

    /// <summary>Left edges of a lane: in steps from both kerbs, or the two halves of a carriageway that just holds two.</summary>
    /// <param name="carriageway">The carriageway.</param>
    /// <param name="count">How many lanes it has.</param>
    /// <param name="width">Width of a lane (m).</param>
    public static IEnumerable<double> LeftEdges(Carriageway carriageway, int count, double width)
    {
        var room = Math.Max(0, carriageway.Width - width);
        var fromLeft = Enumerable.Range(0, (int)Math.Floor(room / Step + 1e-9) + 1).Select(i => i * Step);
        var halves = count == 2 && width * 2 >= carriageway.Width - 1e-9;
        double[] all = halves ? [0, room] : [.. fromLeft.Concat(fromLeft.Select(p => room - p)).Order()];
        var last = double.NegativeInfinity;
        foreach (var position in all)
        {
            if (position - last < 1e-6)
                continue;
            last = position;
            yield return carriageway.From + position;
        }
    }

    /// <summary>For each lane, ordered by their left edges, the first that lies clear of it to its right.</summary>
    public static int[] NextClear(IReadOnlyList<(double From, double To)> lanes)
    {
        var next = new int[lanes.Count];
        for (var i = 0; i < lanes.Count; i++)
        {
            next[i] = i + 1;
            while (next[i] < lanes.Count && lanes[next[i]].From < lanes[i].To - 1e-6)
                next[i]++;
        }
        return next;
    }
}
