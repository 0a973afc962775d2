using System.Numerics;
using System.Runtime.CompilerServices;

namespace Pravik.Core.Traffic;

/// <summary>What is sought of profiles side by side: greatest values, and least ones times −1.</summary>
internal readonly record struct BothSigns(Vector<float> Above, Vector<float> Below)
{
    /// <summary>The greater of each.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public static BothSigns Max(BothSigns a, BothSigns b) => new(Vector.MaxNative(a.Above, b.Above), Vector.MaxNative(a.Below, b.Below));

    /// <summary>Whether any of them is greater than another's.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public bool ExceedsAny(BothSigns other) => Vector.GreaterThanAny(Above, other.Above) || Vector.GreaterThanAny(Below, other.Below);

    public static BothSigns operator +(BothSigns a, BothSigns b) => new(a.Above + b.Above, a.Below + b.Below);
}

/// <summary>Profiles side by side: just behind and just ahead of each station, and whether any of them jumps there.</summary>
internal readonly record struct BlockProfiles(Vector<float>[] Behind, Vector<float>[] Ahead, bool[] Jumps)
{
    /// <summary>The sum over axles of load and value; with axles that relieve left out, for each sign of those that worsen.</summary>
    public BothSigns Sum(ReadOnlySpan<AxleReading> axles, double[] loads, bool isOnlyWorsening)
    {
        var (above, below) = (Vector<float>.Zero, Vector<float>.Zero);
        for (var axle = 0; axle < axles.Length; axle++)
        {
            var (station, part) = axles[axle];
            if (station >= Jumps.Length)
                continue;
            var from = Ahead[station];
            var value = Vector.FusedMultiplyAdd(new Vector<float>((float)part), Behind[station + 1] - from, from);
            value *= new Vector<float>((float)loads[axle]);
            var worse = isOnlyWorsening ? Vector.MaxNative(value, Vector<float>.Zero) : value;
            above += worse;
            below += isOnlyWorsening ? worse - value : -value;
        }
        return new(above, below);
    }
}

/// <summary>
/// Finds how much vehicles with axles that are left out, or with a gap that is sought, do to a few profiles side by side. Between stops of
/// an axle on a station their effect is straight, or bends up where an axle begins to worsen: the greatest is at a stop. Places are not
/// told: they are sought by <see cref="VehicleSearch"/> for those values of which they are asked for. In single precision.
/// </summary>
internal sealed class BlockSearch
{
    private readonly Samples lead = new();
    private readonly Samples ofItsOwn = new();
    private Samples second;
    private BothSigns[] most = [];

    public BlockSearch() => second = ofItsOwn;

    /// <summary>What a group does at its stops, just behind and just ahead of each.</summary>
    private sealed class Samples
    {
        private BlockProfiles profiles;
        private bool isOnlyWorsening;
        private BothSigns[] behind = [];
        private BothSigns[] ahead = [];
        private GroupStops? stops;

        public int Count { get; private set; }

        /// <summary>The greatest of both sides at a stop.</summary>
        public BothSigns Most(int stop) => BothSigns.Max(behind[stop], ahead[stop]);

        /// <summary>The greatest anywhere, at least 0.</summary>
        public BothSigns Greatest()
        {
            var greatest = default(BothSigns);
            for (var i = 0; i < Count; i++)
                greatest = BothSigns.Max(greatest, Most(i));
            return greatest;
        }

        public void Take(GroupStops taken, BlockProfiles on, bool onlyWorsening)
        {
            (stops, profiles, isOnlyWorsening, Count) = (taken, on, onlyWorsening, taken.Place.Length);
            if (behind.Length < Count)
                (behind, ahead) = (new BothSigns[Count], new BothSigns[Count]);
            for (var i = 0; i < Count; i++)
            {
                behind[i] = Sum(stops.Axles, i, true);
                ahead[i] = stops.IsParted(i, profiles.Jumps) ? Sum(stops.Axles, i, false) : behind[i];
            }
        }

        /// <summary>The greatest at a stop with other axles beside, all just behind their places or all just ahead.</summary>
        public BothSigns With(AxleReadings others, int stop)
        {
            var one = behind[stop] + Sum(others, stop, true);
            return stops!.IsParted(stop, profiles.Jumps) ? BothSigns.Max(one, ahead[stop] + Sum(others, stop, false)) : one;
        }

        private BothSigns Sum(AxleReadings axles, int place, bool isBehind) =>
            profiles.Sum(axles.At(place, isBehind), axles.Load, isOnlyWorsening);
    }

    /// <summary>The greatest values of each profile, at least those that are known.</summary>
    public BothSigns Greatest(StopsOfWay way, BlockProfiles profiles, bool isOnlyWorsening, BothSigns known)
    {
        lead.Take(way.Lead, profiles, isOnlyWorsening);
        var ofLead = lead.Greatest();
        if (way.Pair is not { } pair)
            return BothSigns.Max(known, ofLead);
        second = pair.IsAlike ? lead : ofItsOwn;
        if (!pair.IsAlike)
            second.Take(pair.Second, profiles, isOnlyWorsening);
        var ofSecond = second.Greatest();
        // What costs least comes first: the more is known, the fewer places are looked at beside each other.
        var best = pair.HasEnd ? Between(pair, known) : Apart(pair, known);
        best = With(lead, pair.NearOfLead, ofSecond, With(second, pair.NearOfSecond, ofLead, best));
        return pair.HasEnd ? With(lead, pair.FarOfLead!, ofSecond, With(second, pair.FarOfSecond!, ofLead, best)) : best;
    }

    /// <summary>A group at its stops with the other beside it, where both can come to more than what is known.</summary>
    private static BothSigns With(Samples of, AxleReadings others, BothSigns mostOfOthers, BothSigns best)
    {
        for (var i = 0; i < of.Count; i++)
        {
            if ((of.Most(i) + mostOfOthers).ExceedsAny(best))
                best = BothSigns.Max(best, of.With(others, i));
        }
        return best;
    }

    /// <summary>Both groups at a stop of their own, with a gap between its bounds.</summary>
    private BothSigns Between(PairStops pair, BothSigns best)
    {
        for (var i = 0; i < lead.Count; i++)
        {
            var (from, to) = pair.Between[i];
            if (from >= to)
                continue;
            var other = second.Most(from);
            for (var j = from + 1; j < to; j++)
                other = BothSigns.Max(other, second.Most(j));
            best = BothSigns.Max(best, lead.Most(i) + other);
        }
        return best;
    }

    /// <summary>The same with a gap that has no end: either group may also be alone on the deck.</summary>
    private BothSigns Apart(PairStops pair, BothSigns best)
    {
        if (most.Length < second.Count + 1)
            most = new BothSigns[second.Count + 1];
        most[0] = default;
        for (var j = 0; j < second.Count; j++)
            most[j + 1] = BothSigns.Max(most[j], second.Most(j));
        best = BothSigns.Max(best, most[second.Count]);
        for (var i = 0; i < lead.Count; i++)
            best = BothSigns.Max(best, lead.Most(i) + most[pair.Between[i].To]);
        return best;
    }
}
