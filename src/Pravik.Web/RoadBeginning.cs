using Pravik.Core.Bridges;
using Pravik.Core.Roads;
using Pravik.Data;
using Pravik.Exchange.LandXml;

namespace Pravik.Web;

/// <summary>Puts a new bridge on a road that was read from a file.</summary>
internal static class RoadBeginning
{
    /// <summary>
    /// The bridge half way along the road, with the road's first profile where it has one, and the ground where the file holds one.
    /// </summary>
    public static Bridge On(Bridge bridge, Road road, NamedGround? ground, GroundStore grounds)
    {
        if (road.Profile.IsEmpty)
            road = road with { Profile = bridge.Road.Profile };
        var line = new RoadLine(road);
        var middle = (line.StartStation + line.EndStation) / 2;
        return bridge with
        {
            Road = road,
            Axes = bridge.Axes with { FirstStation = Math.Round(middle - bridge.Axes.Spans.Sum() / 2, 1) },
            Ground = ground is null ? null : new(ground.Name.Length > 120 ? ground.Name[..120] : ground.Name, grounds.Keep(ground.Ground)),
        };
    }
}
