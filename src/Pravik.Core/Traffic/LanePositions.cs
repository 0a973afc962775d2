using System.Collections.Immutable;
using Pravik.Core.Places;
using Pravik.Core.Vehicles;

namespace Pravik.Core.Traffic;

/// <summary>Every place that a lane of a traffic model can take across the deck, and where wheels run within it.</summary>
internal sealed class LanePositions
{
    /// <summary>Lines of loads along a lane that no vehicle carries.</summary>
    private static readonly Vehicle NoVehicle = new("none", []);
    private readonly MeshAcross across;

    /// <param name="model">The traffic model.</param>
    /// <param name="carriageways">Carriageways from the left.</param>
    /// <param name="across">How the lines of the mesh lie.</param>
    /// <param name="runAt">The number of the run of wheels about an offset, by their tracks.</param>
    public LanePositions(
        TrafficModel model,
        IReadOnlyList<Carriageway> carriageways,
        MeshAcross across,
        Func<double, WheelTracks, int> runAt
    )
    {
        this.across = across;
        if (model.Rule == LaneRule.Track)
        {
            WheelTracks[] tracks = [.. model.Kinds.SelectMany(k => k.Loads).Select(l => TracksOf(model, l)).Distinct()];
            Lanes = model.Tracks.Length;
            double[] asides = model.Aside == 0 ? [0] : [0, -model.Aside, model.Aside];
            foreach (var track in model.Tracks.Order())
            {
                var runs = tracks.SelectMany(t => asides.Select(a => (new Wheels(t, null), runAt(track + a, t))));
                All.Add(new(-1, track - model.LaneWidth / 2, model.LaneWidth, [.. runs]));
            }
        }
        else
        {
            foreach (var free in FreeKinds(model))
            {
                for (var c = 0; c < carriageways.Count; c++)
                    AddOn(c, carriageways[c], model, free, runAt);
            }
            var count = carriageways.Sum(c => On(c.Width, model).Count);
            Lanes = model.Kinds.Any(k => k.Lanes.IsEmpty) ? count : 0;
            var fixedLanes = model.Kinds.SelectMany((k, number) => k.Lanes.Select(l => (Kind: number, Lane: l))).ToList();
            Lanes += fixedLanes.Select(l => l.Lane).Distinct().Count();
            foreach (var (kind, lane) in fixedLanes)
                AddFixed(kind, lane, carriageways, WheelsOf(model, model.Kinds[kind]), runAt);
            All.Sort((a, b) => a.From.CompareTo(b.From));
        }
        Next = LaneSteps.NextClear([.. All.Select(p => (p.From, p.To))]);
    }

    /// <summary>The lines that the wheels of a load follow.</summary>
    public static WheelTracks TracksOf(TrafficModel model, LaneLoad load) =>
        model.Rule == LaneRule.Track ? WheelTracks.Even(model.Rails) : WheelTracks.Of(load.Vehicle ?? NoVehicle, model.Uneven);

    /// <summary>Wheels of vehicles in lanes: their tracks, and how near they come to the edge (m); null for the middle alone.</summary>
    public readonly record struct Wheels(WheelTracks Tracks, double? Margin);

    /// <summary>What lies anywhere: the wheels of kinds that are one lane wide, and of each that is wider.</summary>
    private readonly record struct Free(int Kind, int Wide, Wheels[] Wheels);

    private static IEnumerable<Free> FreeKinds(TrafficModel model)
    {
        var usual = model.Kinds.Where(k => k.Lanes.IsEmpty && k.Wide == 1).SelectMany(k => WheelsOf(model, k)).Distinct().ToArray();
        if (usual.Length > 0)
            yield return new(-1, 1, usual);
        for (var k = 0; k < model.Kinds.Length; k++)
        {
            if (model.Kinds[k].Lanes.IsEmpty && model.Kinds[k].Wide > 1)
                yield return new(k, model.Kinds[k].Wide, [.. WheelsOf(model, model.Kinds[k]).Distinct()]);
        }
    }

    /// <summary>The wheels of the vehicles in a kind of lane.</summary>
    public static IEnumerable<Wheels> WheelsOf(TrafficModel model, LaneKind kind) => kind.Loads.Select(l => WheelsOf(model, kind, l));

    /// <summary>The wheels of a load in a kind of lane.</summary>
    public static Wheels WheelsOf(TrafficModel model, LaneKind kind, LaneLoad load) =>
        new(TracksOf(model, load), model.Rule == LaneRule.Track ? null : kind.Margin ?? model.Margin);

    /// <summary>A lane on a carriageway from an offset, over a width (m), and the runs that wheels may take.</summary>
    public sealed record Position(int Carriageway, double From, double Width, ImmutableArray<(Wheels Wheels, int Run)> Runs)
    {
        public double To => From + Width;

        /// <summary>The kind of lane that alone may lie here; −1 for those that lie anywhere.</summary>
        public int Kind { get; init; } = -1;

        /// <summary>Whether a kind of lane may lie here.</summary>
        public bool Takes(int kind, LaneKind of) => of.Lanes.IsEmpty && of.Wide == 1 ? Kind < 0 : Kind == kind;
    }

    /// <summary>How many lanes there are on all carriageways.</summary>
    public int Lanes { get; private set; }

    /// <summary>Places of a lane, from the left.</summary>
    public List<Position> All { get; } = [];

    /// <summary>For each place the first that lies clear of it to the right.</summary>
    public int[] Next { get; }

    private void AddFixed(
        int kind,
        FixedLane lane,
        IReadOnlyList<Carriageway> carriageways,
        IEnumerable<Wheels> wheels,
        Func<double, WheelTracks, int> runAt
    )
    {
        var on = Enumerable.Range(0, carriageways.Count).FirstOrDefault(c => carriageways[c].Contains(lane.From + lane.Width / 2), -1);
        var runs = wheels.Distinct().SelectMany(w => Middles([lane.From], lane.Width, w).Select(m => (w, runAt(m, w.Tracks))));
        All.Add(new(on, lane.From, lane.Width, [.. runs]) { Kind = kind });
    }

    private void AddOn(int number, Carriageway carriageway, TrafficModel model, Free free, Func<double, WheelTracks, int> runAt)
    {
        var (lanes, wheels) = (On(carriageway.Width, model), free.Wheels);
        if (lanes.Count < free.Wide)
            return;
        var width = Math.Min(free.Wide * lanes.Width, carriageway.Width);
        // A vehicle with a margin finds its place within the lane.
        var onLines = wheels.Where(w => w.Margin is null).SelectMany(w => OnLines(w.Tracks)).Select(m => m - width / 2);
        double[] edges =
        [
            .. IsOneVehicle(model) && across.IsParallel
                ? LaneSteps.OnLines(carriageway, width, onLines)
                : LaneSteps.LeftEdges(carriageway, lanes.Count / free.Wide, width, onLines, across.IsParallel),
        ];
        var middles = wheels.ToDictionary(w => w, w => Middles(edges, width, w));
        foreach (var from in edges)
        {
            var runs = wheels.SelectMany(w => Within(middles[w], from, width, w).Select(m => (w, runAt(m, w.Tracks))));
            All.Add(new(number, from, width, [.. runs]) { Kind = free.Kind });
        }
    }

    /// <summary>Whether a vehicle, in the middle of its lane, is all that a model has.</summary>
    private static bool IsOneVehicle(TrafficModel model) =>
        model is { Rest: 0, Margin: null, Kinds: [{ Most: 1, Margin: null } kind] }
        && kind.Loads.All(l => l is { Vehicle.Stretches.IsEmpty: true, Area: 0, Line: 0 });

    /// <summary>Number and width of lanes: notional lanes, or design lanes.</summary>
    public static (int Count, double Width) On(double width, TrafficModel model)
    {
        if (model.Rule == LaneRule.Notional)
        {
            var notional = NotionalLanes.On(width, model.LaneWidth);
            return (notional.Count, notional.Width);
        }
        return DesignLanes.On(width, model.LaneWidth);
    }

    /// <summary>
    /// Where the middles of vehicles go, for lanes at all places: in the middle of each, or as far to both sides as the margin lets wheels
    /// go, and in steps between.
    /// </summary>
    private List<double> Middles(double[] edges, double width, Wheels wheels)
    {
        var aside = Aside(width, wheels);
        if (aside == 0)
            return [.. edges.Select(e => e + width / 2)];
        List<double> middles = [];
        foreach (var middle in edges.SelectMany(e => new[] { e + width / 2 - aside, e + width / 2 + aside }).Order())
        {
            var gap = middles.Count == 0 ? 0 : middle - middles[^1];
            var steps = gap > 2 * aside + 1e-9 ? 1 : (int)Math.Ceiling(gap / LaneSteps.Step - 1e-9);
            for (var i = steps - 1; i > 0; i--)
                middles.Add(middle - gap * i / steps);
            if (middles.Count == 0 || gap > 1e-6)
                middles.Add(middle);
        }
        var found = middles.Count;
        foreach (var middle in OnLines(wheels.Tracks).Where(m => m > middles[0] && m < middles[found - 1]))
        {
            if (!middles.Exists(m => Math.Abs(m - middle) < 1e-3))
                middles.Add(middle);
        }
        return middles;
    }

    /// <summary>Middles of vehicles of which a wheel stands on a line of the mesh.</summary>
    private IEnumerable<double> OnLines(WheelTracks tracks) => across.Lines.SelectMany(o => tracks.Across.Select(a => o - a));

    /// <summary>Those of them that a vehicle in a lane may take.</summary>
    private static IEnumerable<double> Within(List<double> middles, double from, double width, Wheels wheels)
    {
        var (middle, aside) = (from + width / 2, Aside(width, wheels));
        return middles.Where(m => Math.Abs(m - middle) <= aside + 1e-9);
    }

    /// <summary>How far from the middle of its lane a vehicle may go (m).</summary>
    private static double Aside(double width, Wheels wheels) =>
        wheels.Margin is { } least && width / 2 - least - wheels.Tracks.Half is > 1e-6 and var aside ? aside : 0;
}
