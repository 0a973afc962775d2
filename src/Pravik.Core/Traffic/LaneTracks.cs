using Pravik.Core.Models;
using Pravik.Core.Places;

namespace Pravik.Core.Traffic;

/// <summary>
/// Every place of a lane across the carriageways and, for each, every place of its tandem along it that can be the worst: influence
/// is linear between rows, so the worst tandem has a wheel on (just behind or just ahead of) one of them.
/// </summary>
internal sealed class LaneTracks
{
    private readonly Dictionary<long, int> known = [];
    private readonly Func<double, DeckLine> lineAt;

    /// <param name="carriageways">Carriageways from the left.</param>
    /// <param name="laneWidth">Width of a notional lane where it is not another (m).</param>
    /// <param name="lineAt">The line along the deck at an offset.</param>
    public LaneTracks(IReadOnlyList<Carriageway> carriageways, double laneWidth, Func<double, DeckLine> lineAt)
    {
        this.lineAt = lineAt;
        for (var c = 0; c < carriageways.Count; c++)
        {
            var lanes = NotionalLanes.On(carriageways[c].Width, laneWidth);
            var width = Math.Min(lanes.Width, carriageways[c].Width);
            Lanes += lanes.Count;
            foreach (var from in LaneSteps.LeftEdges(carriageways[c], lanes.Count, width))
            {
                var middle = from + width / 2;
                var (left, right) = (Line(middle - LoadModel1.WheelSpacing / 2), Line(middle + LoadModel1.WheelSpacing / 2));
                Tracks.Add(new(c, from, width, left, right));
            }
        }
        Next = LaneSteps.NextClear([.. Tracks.Select(t => (t.From, t.To))]);
    }

    /// <summary>How many notional lanes there are on all carriageways, which are numbered together (EN 1991-2 4.2.4(4)).</summary>
    public int Lanes { get; }

    /// <summary>The lines that wheels run along.</summary>
    public List<DeckLine> Lines { get; } = [];

    /// <summary>Places of a lane, from the left.</summary>
    public List<Track> Tracks { get; } = [];

    /// <summary>For each track the first that lies clear of it to the right.</summary>
    public int[] Next { get; }

    /// <summary>A lane on a carriageway, from an offset, and its two wheel lines.</summary>
    public sealed record Track(int Carriageway, double From, double Width, int LeftLine, int RightLine)
    {
        public double To => From + Width;
    }

    private int Line(double offset)
    {
        var key = (long)Math.Round(offset * 1e6);
        if (known.TryGetValue(key, out var index))
            return index;
        Lines.Add(lineAt(offset));
        return known[key] = Lines.Count - 1;
    }
}
