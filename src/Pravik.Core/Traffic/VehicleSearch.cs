using Pravik.Core.Vehicles;

namespace Pravik.Core.Traffic;

/// <summary>Where a vehicle is worst: its value per load, and the places of the leading axles of its groups, going ahead.</summary>
/// <param name="Value">The sum of ordinates, each times its axle's share; 0 where it is nowhere worse than nothing.</param>
/// <param name="Lead">Station of the leading axle.</param>
/// <param name="Second">Station of the leading axle of the second group; not a number for none.</param>
/// <param name="IsTurned">Whether the vehicle goes back, with its last axle leading as seen here.</param>
internal readonly record struct VehicleExtreme(double Value, double Lead, double Second, bool IsTurned)
{
    /// <summary>Nowhere.</summary>
    public static VehicleExtreme None { get; } = new(0, double.NaN, double.NaN, false);
}

/// <summary>A shape, ahead or back, and the order in which its groups meet the stations of a profile.</summary>
internal sealed record VehicleWay(VehicleShape Shape, Meeting[] Lead, Meeting[]? Second, bool IsTurned)
{
    /// <summary>A shape going ahead, and back where that is another thing.</summary>
    public static VehicleWay[] Of(VehicleShape shape, IReadOnlyList<(double Station, int Number)> stations) =>
        Of(shape, way => new(way, way.Lead.On(stations), way.Second?.On(stations), false));

    /// <summary>The same by its wheels.</summary>
    /// <param name="shape">The shape.</param>
    /// <param name="tracks">The lines that wheels follow.</param>
    /// <param name="rows">What each of them meets.</param>
    /// <param name="staysOnDeck">Whether it acts only where all of it stands on the deck.</param>
    public static VehicleWay[] Of(VehicleShape shape, WheelTracks tracks, (double Station, int Number)[][] rows, bool staysOnDeck) =>
        Of(
            shape,
            way =>
            {
                var wheels = way.OnTracks(tracks);
                var made = new VehicleWay(wheels, wheels.Lead.On(rows), wheels.Second?.On(rows), false);
                return staysOnDeck ? made with { Within = wheels.Lead.Within(rows) } : made;
            }
        );

    private static VehicleWay[] Of(VehicleShape shape, Func<VehicleShape, VehicleWay> one) =>
        shape.IsSymmetric ? [one(shape)] : [one(shape), one(shape.Turned()) with { IsTurned = true }];

    /// <summary>The meetings of its leading group as steps from one to the next, for profiles that are swept side by side.</summary>
    public SweepSteps? Steps { get; init; }

    /// <summary>Places of the leading axle that it may take (m).</summary>
    public (double From, double To) Within { get; init; } = (double.NegativeInfinity, double.PositiveInfinity);
}

/// <summary>
/// Finds where a vehicle is worst on a profile. Its effect is straight between places at which one of its axles meets a station of the
/// profile, so the worst is at one of them; with a gap that is sought, both groups are at such places, or one is and the gap is at an end.
/// </summary>
internal sealed class VehicleSearch
{
    private readonly GroupSamples lead = new();
    private readonly GroupSamples second = new();
    private readonly List<(double Station, double Kink)> crossings = [];
    private ProfileChanges part = new(new double[128], new double[128]);
    private int[] queue = new int[256];

    /// <summary>Where a vehicle that acts whole is worst.</summary>
    public VehicleExtreme WholeAt(VehicleWay[] ways, ProfileChanges profile, int sign)
    {
        crossings.Clear();
        return Worst(ways, profile, sign);
    }

    /// <summary>Where a vehicle is worst of which only axles that worsen act.</summary>
    public VehicleExtreme OnlyWorsening(VehicleWay[] ways, double[] stations, double[] behind, double[] ahead, int sign)
    {
        crossings.Clear();
        if (part.Jump.Length < stations.Length)
            part = new(new double[stations.Length], new double[stations.Length]);
        ProfileSteps.Find(stations, behind, ahead, sign > 0 ? ProfilePart.Above : ProfilePart.Below, part.Jump, part.Kink, crossings);
        return Worst(ways, part, sign);
    }

    private VehicleExtreme Worst(VehicleWay[] ways, ProfileChanges profile, int sign)
    {
        var worst = VehicleExtreme.None;
        foreach (var way in ways)
        {
            var found = WorstOf(way, profile, sign, sign * worst.Value);
            if (sign * found.Value > sign * worst.Value * (1 + 1e-12))
                worst = found;
        }
        return worst;
    }

    /// <summary>Where a shape is worst in one direction, if it is worse than what is known.</summary>
    private VehicleExtreme WorstOf(VehicleWay way, ProfileChanges profile, int sign, double known)
    {
        lead.Take(way.Shape.Lead, way.Lead, profile, crossings);
        if (way.Second is null)
            return Alone(way, sign);
        second.Take(way.Shape.Second!, way.Second, profile, crossings);
        return lead.Count == 0 ? VehicleExtreme.None : Pair(way, sign, known);
    }

    /// <summary>One group, from its samples.</summary>
    private VehicleExtreme Alone(VehicleWay way, int sign)
    {
        var (best, at) = (0.0, -1);
        for (var i = 0; i < lead.Count; i++)
        {
            if (sign * lead.Value[i] > best)
                (best, at) = (sign * lead.Value[i], i);
        }
        // What is left of the other sign behind the last axle is rounding.
        return at < 0 || best <= GroupSweep.Rounding * lead.Most(-sign)
            ? VehicleExtreme.None
            : new(sign * best, lead.Place[at], double.NaN, way.IsTurned);
    }

    /// <summary>
    /// Both groups, the second between the least and the greatest gap behind the first. A place of one of them is looked at only where it
    /// and the greatest of the other come to more than what is known.
    /// </summary>
    private VehicleExtreme Pair(VehicleWay way, int sign, double known)
    {
        var (near, far) = (way.Shape.Lead.Length + way.Shape.Gap, way.Shape.Lead.Length + way.Shape.MostGap);
        var (place, value, own, ofOwn) = (lead.Place, lead.Value, second.Place, second.Value);
        var (most, mostOfOwn) = (lead.Most(sign), second.Most(sign));
        var (best, atLead, atSecond) = (known, double.NaN, double.NaN);
        void Try(double sum, double first, double other)
        {
            if (sum > best)
                (best, atLead, atSecond) = (sum, first, other);
        }
        // The worst places of the second group within reach of the first, in falling order, as the first goes ahead.
        if (queue.Length < second.Count)
            queue = new int[own.Length];
        int head = 0,
            tail = 0,
            next = 0;
        var (close, apart) = (second.Read(), second.Read());
        for (var i = 0; i < lead.Count; i++)
        {
            for (; next < second.Count && own[next] <= place[i] - near; next++)
            {
                while (tail > head && sign * ofOwn[queue[tail - 1]] <= sign * ofOwn[next])
                    tail--;
                queue[tail++] = next;
            }
            if (sign * value[i] + mostOfOwn <= best)
                continue;
            while (head < tail && own[queue[head]] < place[i] - far)
                head++;
            if (head < tail)
                Try(sign * (value[i] + ofOwn[queue[head]]), place[i], own[queue[head]]);
            Try(sign * (value[i] + close.At(place[i] - near)), place[i], place[i] - near);
            // Without an end to the gap the second may stand before the deck, or the first beyond it.
            if (double.IsFinite(far))
                Try(sign * (value[i] + apart.At(place[i] - far)), place[i], place[i] - far);
            else
                Try(sign * value[i], place[i], Math.Min(place[i] - near, own[0] - 1));
        }
        (close, apart) = (lead.Read(), lead.Read());
        for (var j = 0; j < second.Count; j++)
        {
            if (sign * ofOwn[j] + most <= best)
                continue;
            Try(sign * (close.At(own[j] + near) + ofOwn[j]), own[j] + near, own[j]);
            if (double.IsFinite(far))
                Try(sign * (apart.At(own[j] + far) + ofOwn[j]), own[j] + far, own[j]);
            else
                Try(sign * ofOwn[j], Math.Max(own[j] + near, place[lead.Count - 1] + 1), own[j]);
        }
        return double.IsNaN(atLead) ? VehicleExtreme.None : new(sign * best, atLead, atSecond, way.IsTurned);
    }
}
