using Pravik.Core.Places;

namespace Pravik.Core.Traffic;

/// <summary>Where lanes may begin across a carriageway, and which lie clear of each other.</summary>
internal static class LaneSteps
{
    /// <summary>From one place across to the next (m).</summary>
    public const double Step = 0.25;

    /// <summary>Places across closer than this are one (m).</summary>
    private const double Near = 0.01;

    /// <summary>
    /// Left edges of a lane: packed from both kerbs, where a wheel stands on a line of the mesh, beside a lane there, and in steps from the
    /// left kerb; or the two halves of a carriageway that just holds two. Between lines of the mesh the effect of a vehicle at its worst
    /// along bends down nowhere as it moves across: its tops are where a wheel stands on one.
    /// </summary>
    /// <param name="carriageway">The carriageway.</param>
    /// <param name="count">How many lanes it has.</param>
    /// <param name="width">Width of a lane (m).</param>
    /// <param name="onLines">Left edges with a wheel on a line of the mesh (offsets from the road line, m).</param>
    public static IEnumerable<double> LeftEdges(Carriageway carriageway, int count, double width, IEnumerable<double> onLines)
    {
        var room = Math.Max(0, carriageway.Width - width);
        if (count == 2 && width * 2 >= carriageway.Width - 1e-9)
            return new[] { 0, room }.Distinct().Select(p => carriageway.From + p);
        var packed = Enumerable.Range(0, count).SelectMany(i => new[] { i * width, room - i * width });
        var onLine = onLines.Select(o => o - carriageway.From).SelectMany(o => new[] { o, o - width, o + width });
        var steps = Enumerable.Range(0, (int)Math.Floor(room / Step + 1e-9) + 1).Select(i => i * Step);
        return Apart(packed.Concat(onLine).Concat(steps), room).Select(p => carriageway.From + p);
    }

    /// <summary>
    /// Left edges of a lane that is alone: where a wheel stands on a line of the mesh, and at both kerbs. Where lines are parallel its
    /// effect is greatest at one of them.
    /// </summary>
    public static IEnumerable<double> OnLines(Carriageway carriageway, double width, IEnumerable<double> onLines)
    {
        var room = Math.Max(0, carriageway.Width - width);
        return Apart(onLines.Select(o => o - carriageway.From).Prepend(room).Prepend(0), room).Select(p => carriageway.From + p);
    }

    /// <summary>Those places within bounds that are not the same as one before, in order.</summary>
    private static SortedSet<double> Apart(IEnumerable<double> places, double room)
    {
        SortedSet<double> all = [];
        foreach (var place in places.Where(p => p >= -1e-9 && p <= room + 1e-9))
        {
            if (all.GetViewBetween(place - Near, place + Near).Count == 0)
                all.Add(place);
        }
        return all;
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
