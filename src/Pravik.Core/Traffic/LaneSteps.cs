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
    /// The same of places on lines of the mesh that do not keep their offsets: what is missed is found when lanes are moved in fine steps.
    /// </summary>
    private const double NearAskew = 0.06;

    /// <summary>
    /// Left edges of a lane: packed from both kerbs, where a wheel stands on a line of the mesh, beside a lane there, and in steps from the
    /// left kerb; or the two halves of a carriageway that just holds two. Between lines of the mesh the effect of a vehicle at its worst
    /// along bends down nowhere as it moves across: its tops are where a wheel stands on one.
    /// </summary>
    /// <param name="carriageway">The carriageway.</param>
    /// <param name="count">How many lanes it has.</param>
    /// <param name="width">Width of a lane (m).</param>
    /// <param name="onLines">Left edges with a wheel on a line of the mesh (offsets from the road line, m).</param>
    /// <param name="isParallel">Whether lines of the mesh keep their offsets.</param>
    public static IEnumerable<double> LeftEdges(
        Carriageway carriageway,
        int count,
        double width,
        IEnumerable<double> onLines,
        bool isParallel
    )
    {
        var room = Math.Max(0, carriageway.Width - width);
        if (count == 2 && width * 2 >= carriageway.Width - 1e-9)
            return new[] { 0, room }.Distinct().Select(p => carriageway.From + p);
        var packed = Enumerable.Range(0, count).SelectMany(i => new[] { i * width, room - i * width });
        var onLine = onLines.Select(o => o - carriageway.From).SelectMany(o => new[] { o, o - width, o + width });
        var steps = Enumerable.Range(0, (int)Math.Floor(room / Step + 1e-9) + 1).Select(i => i * Step);
        var all = Apart(packed, room, Near);
        // Where lines keep their offsets their places are the tops, else steps do as well.
        foreach (var (places, near) in isParallel ? new[] { (onLine, Near), (steps, Near) } : [(steps, Near), (onLine, NearAskew)])
            Add(all, places, room, near);
        return all.Select(p => carriageway.From + p);
    }

    /// <summary>
    /// Left edges of a lane that is alone: where a wheel stands on a line of the mesh, and at both kerbs. Where lines are parallel its
    /// effect is greatest at one of them.
    /// </summary>
    public static IEnumerable<double> OnLines(Carriageway carriageway, double width, IEnumerable<double> onLines)
    {
        var room = Math.Max(0, carriageway.Width - width);
        return Apart(onLines.Select(o => o - carriageway.From).Prepend(room).Prepend(0), room, Near).Select(p => carriageway.From + p);
    }

    /// <summary>Those places within bounds that are not the same as one before, in order.</summary>
    private static SortedSet<double> Apart(IEnumerable<double> places, double room, double near)
    {
        SortedSet<double> all = [];
        Add(all, places, room, near);
        return all;
    }

    private static void Add(SortedSet<double> all, IEnumerable<double> places, double room, double near)
    {
        foreach (var place in places.Where(p => p >= -1e-9 && p <= room + 1e-9))
        {
            if (all.GetViewBetween(place - near, place + near).Count == 0)
                all.Add(place);
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
