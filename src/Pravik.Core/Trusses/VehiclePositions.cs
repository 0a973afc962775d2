using System.Collections.Immutable;

namespace Pravik.Core.Trusses;

/// <summary>A vehicle at a place, and what it puts on one plane.</summary>
/// <param name="Vehicle">Its number in the scheme, from 0.</param>
/// <param name="IsAhead">Whether it goes from left to right.</param>
/// <param name="Front">Place of its first axle (m).</param>
/// <param name="Loads">Load on each joint of the deck (N), down, without partial factor.</param>
public sealed record VehiclePosition(int Vehicle, bool IsAhead, double Front, ImmutableArray<double> Loads);

/// <summary>Positions of vehicles on the deck, which spans simply from joint to joint.</summary>
public static class VehiclePositions
{
    /// <summary>
    /// Positions among which every effect is greatest and least. Effects of a load on the deck are straight between its joints, so a
    /// vehicle is at its worst with an axle over a joint; one with no axle on the deck is none.
    /// </summary>
    public static ImmutableArray<VehiclePosition> Of(TrussScheme scheme)
    {
        var places = new SitePlaces(scheme.Site);
        List<VehiclePosition> positions = [];
        for (var v = 0; v < scheme.Vehicles.Length; v++)
        {
            var vehicle = scheme.Vehicles[v];
            foreach (var isAhead in new[] { true, false })
            {
                // A vehicle that is the same from both ends needs to go one way only.
                if (!isAhead && IsAlike(vehicle))
                    continue;
                var fronts = new SortedSet<double>();
                foreach (var behind in Behind(vehicle))
                {
                    foreach (var joint in places.Deck)
                        fronts.Add(Math.Round(joint.At.X + (isAhead ? behind : -behind), 9));
                }
                positions.AddRange(fronts.Select(f => new VehiclePosition(v, isAhead, f, Loads(places, vehicle, isAhead, f))));
            }
        }
        return [.. positions];
    }

    /// <summary>Distance of each axle behind the first (m).</summary>
    public static ImmutableArray<double> Behind(TrussVehicle vehicle)
    {
        var at = 0.0;
        return [.. vehicle.Axles.Select((a, i) => at += i == 0 ? 0 : a.Gap)];
    }

    /// <summary>Length from the first axle to the last (m).</summary>
    public static double Length(TrussVehicle vehicle) => vehicle.Axles.Skip(1).Sum(a => a.Gap);

    /// <summary>
    /// What a vehicle in every lane puts on the joints of one plane (N), by the rule of the lever; axles beside the deck do not act.
    /// </summary>
    public static ImmutableArray<double> Loads(SitePlaces places, TrussVehicle vehicle, bool isAhead, double front)
    {
        var loads = new double[places.Deck.Length];
        var (panel, last) = (places.Panel, places.Deck.Length - 1);
        foreach (var (axle, behind) in vehicle.Axles.Zip(Behind(vehicle)))
        {
            var x = front + (isAhead ? -behind : behind);
            if (x < -1e-9 || x > panel * last + 1e-9)
                continue;
            var load = axle.Load * vehicle.Dynamic * places.LaneShare;
            var i = Math.Clamp((int)Math.Floor(x / panel), 0, last - 1);
            var part = Math.Clamp(x / panel - i, 0, 1);
            loads[i] += (1 - part) * load;
            loads[i + 1] += part * load;
        }
        return [.. loads];
    }

    private static bool IsAlike(TrussVehicle vehicle)
    {
        var length = Length(vehicle);
        var axles = Behind(vehicle).Zip(vehicle.Axles, (at, a) => (At: at, a.Load)).ToList();
        return axles
            .Zip(axles.AsEnumerable().Reverse())
            .All(p => Math.Abs(p.First.At - (length - p.Second.At)) < 1e-9 && Math.Abs(p.First.Load - p.Second.Load) < 1e-6);
    }
}
