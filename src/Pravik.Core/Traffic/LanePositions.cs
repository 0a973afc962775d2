using System.Collections.Immutable;
using Pravik.Core.Models;
using Pravik.Core.Places;

namespace Pravik.Core.Traffic;

/// <summary>Every place that a lane of a traffic model can take across the deck, and the lines along which wheels run within it.</summary>
internal sealed class LanePositions
{
    private readonly Dictionary<long, int> known = [];
    private readonly Func<double, DeckLine> lineAt;

    /// <param name="model">The traffic model.</param>
    /// <param name="carriageways">Carriageways from the left.</param>
    /// <param name="lineAt">The line along the deck at an offset.</param>
    public LanePositions(TrafficModel model, IReadOnlyList<Carriageway> carriageways, Func<double, DeckLine> lineAt)
    {
        this.lineAt = lineAt;
        double[] spacings = [.. model.Kinds.SelectMany(k => k.Loads).Select(l => l.Vehicle?.WheelSpacing ?? Rails).Distinct()];
        if (model.Rule == LaneRule.Track)
        {
            Lanes = 1;
            All.Add(new(-1, -model.LaneWidth / 2, model.LaneWidth, [.. spacings.Select(s => Run(0, s))]));
        }
        else
            for (var c = 0; c < carriageways.Count; c++)
                AddOn(c, carriageways[c], model, spacings);
        Next = LaneSteps.NextClear([.. All.Select(p => (p.From, p.To))]);
    }

    /// <summary>Distance of rails, for line loads without a vehicle (m).</summary>
    private const double Rails = 1.5;

    /// <summary>Two wheel lines by number in <see cref="Lines"/>: the offset of their middle, and their distance (m).</summary>
    public sealed record WheelRun(double Middle, double Spacing, int Left, int Right);

    /// <summary>A lane on a carriageway from an offset, over a width (m), and where wheels may run.</summary>
    public sealed record Position(int Carriageway, double From, double Width, ImmutableArray<WheelRun> Runs)
    {
        public double To => From + Width;
    }

    /// <summary>How many lanes there are on all carriageways.</summary>
    public int Lanes { get; private set; }

    /// <summary>Lines that wheels run along.</summary>
    public List<DeckLine> Lines { get; } = [];

    /// <summary>Places of a lane, from the left.</summary>
    public List<Position> All { get; } = [];

    /// <summary>For each place the first that lies clear of it to the right.</summary>
    public int[] Next { get; }

    private void AddOn(int number, Carriageway carriageway, TrafficModel model, double[] spacings)
    {
        var lanes = On(carriageway.Width, model);
        var width = Math.Min(lanes.Width, carriageway.Width);
        Lanes += lanes.Count;
        foreach (var from in LaneSteps.LeftEdges(carriageway, lanes.Count, width))
            All.Add(new(number, from, width, [.. spacings.SelectMany(s => Middles(from, width, s, model.Margin).Select(m => Run(m, s)))]));
    }

    /// <summary>
    /// Number and width of lanes: notional lanes, or design lanes: Int(w/12 ft) of 12 ft, two halves between 20 and 24 ft, one where
    /// there is less.
    /// </summary>
    private static (int Count, double Width) On(double width, TrafficModel model)
    {
        if (model.Rule == LaneRule.Notional)
        {
            var notional = NotionalLanes.On(width, model.LaneWidth);
            return (notional.Count, notional.Width);
        }
        const double TwentyFeet = 6.096;
        if (width >= TwentyFeet - 1e-9 && width < 2 * model.LaneWidth - 1e-9)
            return (2, width / 2);
        return (Math.Max(1, (int)Math.Floor(width / model.LaneWidth + 1e-9)), model.LaneWidth);
    }

    /// <summary>In the middle of the lane, or also as far to both sides as the margin lets wheels go.</summary>
    private static IEnumerable<double> Middles(double from, double width, double spacing, double? margin)
    {
        var middle = from + width / 2;
        yield return middle;
        if (margin is not { } least || width / 2 - least - spacing / 2 is not (> 1e-6 and var aside))
            yield break;
        yield return middle - aside;
        yield return middle + aside;
    }

    private WheelRun Run(double middle, double spacing) => new(middle, spacing, Line(middle - spacing / 2), Line(middle + spacing / 2));

    private int Line(double offset)
    {
        var key = (long)Math.Round(offset * 1e6);
        if (known.TryGetValue(key, out var index))
            return index;
        Lines.Add(lineAt(offset));
        return known[key] = Lines.Count - 1;
    }
}
