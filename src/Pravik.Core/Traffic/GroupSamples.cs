namespace Pravik.Core.Traffic;

/// <summary>
/// What a group of axles does to a profile, place by place as it goes ahead: straight between the samples, 0 before the first and behind
/// the last.
/// </summary>
internal sealed class GroupSamples
{
    private double[] place = new double[256];
    private double[] value = new double[256];

    /// <summary>How many samples there are.</summary>
    public int Count { get; private set; }

    /// <summary>Places of the leading axle (m), as many as there are samples.</summary>
    public double[] Place => place;

    /// <summary>The value at each.</summary>
    public double[] Value => value;

    /// <summary>Goes over a profile.</summary>
    /// <param name="group">The axles.</param>
    /// <param name="order">Their meetings with its stations.</param>
    /// <param name="profile">The profile.</param>
    /// <param name="crossings">Places between its stations at which its slope changes.</param>
    public void Take(AxleGroup group, Meeting[] order, ProfileChanges profile, List<(double Station, double Kink)> crossings)
    {
        Count = 0;
        Ensure(2 * (order.Length + crossings.Count * group.Load.Length) + 2);
        if (order.Length == 0)
            return;
        var extra = Extra(group, crossings);
        double sum = 0,
            slope = 0,
            at = order[0].Place;
        var (k, e) = (0, 0);
        while (k < order.Length || e < extra.Length)
        {
            var isExtra = e < extra.Length && (k == order.Length || extra[e].Place < order[k].Place);
            var here = isExtra ? extra[e].Place : order[k].Place;
            if (here > at + GroupSweep.Tiny)
            {
                // Where it does not jump one sample stands for both sides.
                if (Count == 0 || sum != value[Count - 1])
                    Add(at + GroupSweep.Nudge, sum);
                sum += slope * (here - at);
                Add(here - GroupSweep.Nudge, sum);
                at = here;
            }
            if (isExtra)
                slope += extra[e++].Kink;
            else
            {
                var meeting = order[k++];
                sum += group.Load[meeting.Axle] * profile.Jump[meeting.Number];
                slope += group.Load[meeting.Axle] * profile.Kink[meeting.Number];
            }
        }
    }

    /// <summary>The greatest of the values times a sign, at least 0.</summary>
    public double Most(int sign)
    {
        double most = 0;
        foreach (var sample in value.AsSpan(0, Count))
            most = Math.Max(most, sign * sample);
        return most;
    }

    /// <summary>Reads values at places in rising order.</summary>
    public Reader Read() => new(this);

    /// <summary>Goes along samples; each place is asked for behind the one before.</summary>
    public struct Reader(GroupSamples of)
    {
        private int next;

        /// <summary>The value at a place.</summary>
        public double At(double at)
        {
            var place = of.place;
            while (next < of.Count && place[next] < at)
                next++;
            if (next == of.Count || (next == 0 && at < place[0]))
                return 0;
            if (place[next] == at)
                return of.value[next];
            var part = (at - place[next - 1]) / (place[next] - place[next - 1]);
            return of.value[next - 1] + part * (of.value[next] - of.value[next - 1]);
        }
    }

    private static (double Place, double Kink)[] Extra(AxleGroup group, List<(double Station, double Kink)> crossings)
    {
        if (crossings.Count == 0)
            return [];
        var extra = new (double Place, double Kink)[crossings.Count * group.Load.Length];
        var count = 0;
        foreach (var (station, kink) in crossings)
        {
            for (var i = 0; i < group.Load.Length; i++)
                extra[count++] = (station + group.Behind[i], group.Load[i] * kink);
        }
        Array.Sort(extra, (a, b) => a.Place.CompareTo(b.Place));
        return extra;
    }

    private void Add(double at, double sum) => (place[Count], value[Count++]) = (at, sum);

    private void Ensure(int count)
    {
        if (place.Length < count)
            (place, value) = (new double[count], new double[count]);
    }
}
