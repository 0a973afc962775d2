using System.Collections.Immutable;
using Pravik.Core.Places;
using Pravik.Core.Vehicles;

namespace Pravik.Core.Traffic;

/// <summary>An arrangement of a model's lanes that can be looked at: where each lies, by its number.</summary>
/// <param name="Name">What it is, in words.</param>
/// <param name="All">Number, offset of the left edge, and width (m) of each lane, from the left.</param>
public sealed record LaneScheme(string Name, ImmutableArray<(int Number, double From, double Width)> All)
{
    /// <summary>
    /// The lanes of every carriageway packed from the left, from the right and about the middle, numbered from either side. They are
    /// among those of which the worst is sought, which lie anywhere.
    /// </summary>
    public static ImmutableArray<LaneScheme> Of(TrafficModel model, IReadOnlyList<Carriageway> carriageways)
    {
        if (model.Rule == LaneRule.Track)
            return
            [
                new(
                    model.Tracks is [0] ? "the track along the road line" : "all tracks",
                    [.. model.Tracks.Order().Select((t, i) => (i + 1, t - model.LaneWidth / 2, model.LaneWidth))]
                ),
            ];
        if (model.Kinds.IsEmpty)
            return [new("no lanes: the whole carriageway is loaded", [])];
        var fixedLanes = model.Kinds.SelectMany(k => k.Lanes).Distinct().OrderBy(l => l.From).ToList();
        if (fixedLanes.Count > 0)
            return [new("own lanes", [.. fixedLanes.Select((l, i) => (i + 1, l.From, l.Width))])];
        var all = ImmutableArray.CreateBuilder<LaneScheme>();
        foreach (var (words, part) in new[] { ("left", 0.0), ("right", 1), ("middle", 0.5) })
        {
            List<(double From, double Width)> lanes = [.. carriageways.SelectMany(c => Packed(model, c, part))];
            var left = Numbered(lanes, false);
            all.Add(new($"{words}, lane 1 on the left", left));
            if (lanes.Count > 1)
                all.Add(new($"{words}, lane 1 on the right", Numbered(lanes, true)));
        }
        return [.. all.DistinctBy(s => string.Join(' ', s.All))];
    }

    /// <summary>How many lanes a width of carriageway has, and how wide they are (m).</summary>
    public static (int Count, double Width) Lanes(double width, TrafficModel model) => LanePositions.On(width, model);

    private static IEnumerable<(double From, double Width)> Packed(TrafficModel model, Carriageway carriageway, double part)
    {
        var (count, full) = LanePositions.On(carriageway.Width, model);
        var width = Math.Min(full, carriageway.Width);
        var from = carriageway.From + part * Math.Max(0, carriageway.Width - count * width);
        return Enumerable.Range(0, count).Select(i => (from + i * width, width));
    }

    private static ImmutableArray<(int, double, double)> Numbered(List<(double From, double Width)> lanes, bool fromRight) =>
        [.. lanes.Select((l, i) => (fromRight ? lanes.Count - i : i + 1, l.From, l.Width))];

    /// <summary>The model in these lanes, with the middle of each vehicle at a station.</summary>
    public PlacedTraffic At(TrafficModel model, double station)
    {
        PlacedLane Lane((int Number, double From, double Width) lane)
        {
            // Lanes beyond the kinds that the model has carry its rest alone.
            var kind = model.Kinds.Length == 1 ? model.Kinds[0] : model.Kinds.ElementAtOrDefault(lane.Number - 1);
            var load =
                kind is null || (model.Kinds.Length == 1 && lane.Number > kind.Most)
                    ? new LaneLoad("rest") { Area = model.Rest }
                    : kind.Loads[0];
            var placed = load.Vehicle is { } v ? new PlacedVehicle(v, 0, station + v.Length / 2, 1) { Gap = v.SoughtGap } : null;
            return new(lane.Number, lane.From, lane.Width, load) { Vehicle = placed, Offset = lane.From + lane.Width / 2 };
        }
        return new(0, 0, 1, model.Rest, [.. All.Select(Lane)]);
    }
}
