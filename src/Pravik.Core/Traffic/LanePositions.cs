using System.Collections.Immutable;
using Pravik.Core.Places;
using Pravik.Core.Vehicles;

namespace Pravik.Core.Traffic;

/// <summary>Every place that a lane of a traffic model can take across the deck, and where wheels run within it.</summary>
internal sealed class LanePositions
{
    /// <summary>Distance of rails, for line loads without a vehicle (m).</summary>
    private const double Rails = 1.5;

    /// <param name="model">The traffic model.</param>
    /// <param name="carriageways">Carriageways from the left.</param>
    /// <param name="runAt">The number of the run of wheels about an offset, by their distance.</param>
    public LanePositions(TrafficModel model, IReadOnlyList<Carriageway> carriageways, Func<double, double, int> runAt)
    {
        double[] spacings = [.. model.Kinds.SelectMany(k => k.Loads).Select(SpacingOf).Distinct()];
        if (model.Rule == LaneRule.Track)
        {
            Lanes = model.Tracks.Length;
            double[] asides = model.Aside == 0 ? [0] : [0, -model.Aside, model.Aside];
            foreach (var track in model.Tracks.Order())
            {
                var runs = spacings.SelectMany(s => asides.Select(a => (s, runAt(track + a, s))));
                All.Add(new(-1, track - model.LaneWidth / 2, model.LaneWidth, [.. runs]));
            }
        }
        else
        {
            for (var c = 0; c < carriageways.Count; c++)
                AddOn(c, carriageways[c], model, spacings, runAt);
        }
        Next = LaneSteps.NextClear([.. All.Select(p => (p.From, p.To))]);
    }

    /// <summary>Distance of the wheels of a load.</summary>
    public static double SpacingOf(LaneLoad load) => load.Vehicle?.WheelSpacing ?? Rails;

    /// <summary>A lane on a carriageway from an offset, over a width (m), and the runs that wheels may take, by their distance.</summary>
    public sealed record Position(int Carriageway, double From, double Width, ImmutableArray<(double Spacing, int Run)> Runs)
    {
        public double To => From + Width;
    }

    /// <summary>How many lanes there are on all carriageways.</summary>
    public int Lanes { get; private set; }

    /// <summary>Places of a lane, from the left.</summary>
    public List<Position> All { get; } = [];

    /// <summary>For each place the first that lies clear of it to the right.</summary>
    public int[] Next { get; }

    private void AddOn(int number, Carriageway carriageway, TrafficModel model, double[] spacings, Func<double, double, int> runAt)
    {
        var lanes = On(carriageway.Width, model);
        var width = Math.Min(lanes.Width, carriageway.Width);
        Lanes += lanes.Count;
        foreach (var from in LaneSteps.LeftEdges(carriageway, lanes.Count, width))
        {
            var runs = spacings.SelectMany(s => Middles(from, width, s, model.Margin).Select(m => (s, runAt(m, s))));
            All.Add(new(number, from, width, [.. runs]));
        }
    }

    /// <summary>
    /// Number and width of lanes: notional lanes, or design lanes: Int(w/12 ft) of 12 ft, two halves between 20 and 24 ft, one where
    /// there is less.
    /// </summary>
    public static (int Count, double Width) On(double width, TrafficModel model)
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
}
