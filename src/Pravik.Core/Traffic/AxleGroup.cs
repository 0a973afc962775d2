using System.Collections.Immutable;
using Pravik.Core.Vehicles;

namespace Pravik.Core.Traffic;

/// <summary>Axles, or single wheels, that keep their distances.</summary>
/// <param name="behind">How far each is behind the leading one (m), in order.</param>
/// <param name="load">Load of each (N), or its share.</param>
/// <param name="wheels">Where the wheels of each stand, right of the vehicle's middle (m); null for what has none of its own.</param>
internal sealed class AxleGroup(double[] behind, double[] load, ImmutableArray<double>[]? wheels = null)
{
    /// <summary>The track that each follows, where these are single wheels; null for axles.</summary>
    public int[]? Track { get; init; }

    /// <summary>How far each axle is behind the leading one (m).</summary>
    public double[] Behind => behind;

    /// <summary>What each carries.</summary>
    public double[] Load => load;

    /// <summary>From the first to the last axle (m).</summary>
    public double Length => behind.Length == 0 ? 0 : behind[^1];

    /// <summary>The same going back: the last axle leads.</summary>
    public AxleGroup Turned() =>
        new(
            [.. behind.Reverse().Select(b => Length - b)],
            [.. load.Reverse()],
            wheels is null ? null : [.. wheels.Reverse().Select(w => w.Reverse().Select(a => -a).ToImmutableArray())]
        );

    /// <summary>Whether another one has the same axles.</summary>
    public bool IsSame(AxleGroup other)
    {
        static bool Alike(IEnumerable<double> a, IEnumerable<double> b) =>
            a.Count() == b.Count() && a.Zip(b).All(p => Math.Abs(p.First - p.Second) < 1e-9);
        return Alike(behind, other.Behind) && Alike(load, other.Load) && Alike(AllWheels, other.AllWheels);
    }

    private IEnumerable<double> AllWheels => wheels?.SelectMany(w => w) ?? [];

    /// <summary>Its single wheels.</summary>
    /// <param name="tracks">The lines that they follow, with the factors of their sides.</param>
    public AxleGroup OnTracks(WheelTracks tracks)
    {
        List<(double Behind, double Load, int Track)> all = [];
        for (var i = 0; i < behind.Length; i++)
        {
            foreach (var track in wheels![i].Select(tracks.TrackOf))
                all.Add((behind[i], load[i] / wheels[i].Length * tracks.Sides[track], track));
        }
        return new([.. all.Select(w => w.Behind)], [.. all.Select(w => w.Load)]) { Track = [.. all.Select(w => w.Track)] };
    }

    /// <summary>What single wheels do to a surface, each by its load.</summary>
    /// <param name="surface">The surface.</param>
    /// <param name="lines">The lines that they follow.</param>
    /// <param name="front">Place of the leading one (m).</param>
    /// <param name="near">A row of the mesh near each of them, to look from; empty for the first.</param>
    /// <param name="longitudinals">Joints on a row of the mesh.</param>
    public double Over(InfluenceSurface surface, FineLine[] lines, double front, ReadOnlySpan<int> near, int longitudinals)
    {
        double sum = 0;
        for (var i = 0; i < behind.Length; i++)
        {
            var wheel = lines[Track![i]].At(front - behind[i], near.IsEmpty ? 0 : near[i]);
            sum += load[i] * wheel.Read(surface, longitudinals);
        }
        return sum;
    }

    /// <summary>In which order its axles, or its wheels, meet stations as it goes ahead.</summary>
    /// <param name="stations">Stations (m), each with its number, for each track in turn; axles meet those of the first.</param>
    public Meeting[] On(params IReadOnlyList<(double Station, int Number)>[] stations)
    {
        Meeting[] all =
        [
            .. behind.SelectMany((b, axle) => stations[Track?[axle] ?? 0].Select(s => new Meeting(s.Station + b, s.Number, axle))),
        ];
        Array.Sort(all, (a, b) => a.Place.CompareTo(b.Place));
        return all;
    }

    /// <summary>Places of the leading axle between which all of it stands among stations, by track as above.</summary>
    public (double From, double To) Within(params IReadOnlyList<(double Station, int Number)>[] stations)
    {
        var (from, to) = (double.NegativeInfinity, double.PositiveInfinity);
        for (var i = 0; i < behind.Length; i++)
        {
            var on = stations[Track?[i] ?? 0];
            (from, to) = (Math.Max(from, on[0].Station + behind[i]), Math.Min(to, on[^1].Station + behind[i]));
        }
        return (from, to);
    }
}

/// <summary>An axle on a station.</summary>
/// <param name="Place">Where the leading axle is then (m).</param>
/// <param name="Number">Number of the station.</param>
/// <param name="Axle">Number of the axle.</param>
internal readonly record struct Meeting(double Place, int Number, int Axle);
