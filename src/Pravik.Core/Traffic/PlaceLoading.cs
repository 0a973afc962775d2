using Pravik.Core.Bridges;

namespace Pravik.Core.Traffic;

/// <summary>Loads the surfaces of one place, or of two; what is found on one of them is found once.</summary>
internal sealed class PlaceLoading(DeckLoading deck, Workspace workspace)
{
    private readonly Dictionary<InfluenceSurface, LoadedSurface> loaded = new(ReferenceEqualityComparer.Instance);
    private readonly List<LoadedSurface> waiting = [];

    /// <summary>Surfaces that will be loaded, so that they are searched together.</summary>
    public void Expect(IEnumerable<InfluenceSurface> surfaces)
    {
        foreach (var surface in surfaces.Where(s => !s.IsNothing))
            Load(surface);
    }

    private LoadedSurface Load(InfluenceSurface surface) =>
        loaded.TryGetValue(surface, out var known) ? known : loaded[surface] = new(deck, surface, workspace, waiting);

    private ModelLoading.Sought Sought(EffectBlock block, SoughtEffect sought, bool isGreatest) =>
        new(Load(sought.Surface(isGreatest)), isGreatest, block.AppliesOverPier(sought.Effect, isGreatest));

    /// <summary>The greatest or the least value of an effect under a model.</summary>
    public double Value(int model, EffectBlock block, SoughtEffect sought, bool isGreatest) =>
        deck.Models[model].Value(Sought(block, sought, isGreatest), workspace);

    /// <summary>The same under 1 N/m² on footways.</summary>
    public double ValueOnFootways(SoughtEffect sought, bool isGreatest) =>
        Load(sought.Surface(isGreatest)).AdverseTo(isGreatest).OnFootways;

    /// <summary>The loading behind such a value, and the forces of the block under it.</summary>
    public TrafficDetail Detail(int model, EffectBlock block, SoughtEffect sought, bool isGreatest)
    {
        var loading = deck.Models[model];
        var placed = loading.Worst(Sought(block, sought, isGreatest), workspace);
        var print = new LoadingFootprint(deck, placed, Load(sought.Surface(isGreatest)).AdverseTo(isGreatest));
        return new(placed, Together(block, sought, isGreatest, print.Over, placed.Value));
    }

    /// <summary>The forces of the block under the load on footways behind a value.</summary>
    public TrafficDetail OnFootways(EffectBlock block, SoughtEffect sought, bool isGreatest)
    {
        var adverse = Load(sought.Surface(isGreatest)).AdverseTo(isGreatest);
        double On(LoadedSurface other)
        {
            var (sum, integrals) = (0.0, adverse.Of(other));
            foreach (var (line, width) in deck.Footways)
                sum += width * integrals[line - deck.FirstCell];
            return sum;
        }
        return new(null, Together(block, sought, isGreatest, On, adverse.OnFootways));
    }

    /// <summary>
    /// A loading as loads of a case: wheels as points, what lies along wheels as lines, and what lies on adverse parts of lanes and of the
    /// rest as a line in the middle of each cell.
    /// </summary>
    public IEnumerable<OwnLoad> Loads(int model, EffectBlock block, SoughtEffect sought, bool isGreatest)
    {
        var (loading, surface) = (deck.Models[model], Load(sought.Surface(isGreatest)));
        var placed = loading.Worst(Sought(block, sought, isGreatest), workspace);
        foreach (var lane in placed.Lanes.Where(l => l.Vehicle is not null))
        {
            var factor = placed.Presence * lane.Load.Factor * lane.Load.Dynamic;
            foreach (var (station, offset, load) in lane.Wheels)
            {
                // Wheels off the deck bear on nothing of it.
                if (load != 0 && deck.Fine.At(offset).At(station, 0).Row >= 0)
                    yield return Point(station, offset, factor * load);
            }
            if (lane.Vehicle!.Lines.IsEmpty)
                continue;
            var (tracks, middle) = (deck.Runs[lane.Run].Tracks, deck.Runs[lane.Run].Middle);
            foreach (var line in lane.Vehicle.Lines)
            {
                for (var t = 0; t < tracks.Across.Length; t++)
                {
                    var offset = middle + tracks.Across[t];
                    yield return Line(line.From, offset, line.To, offset, factor * tracks.Weights[t] * line.Load);
                }
            }
        }
        var print = new LoadingFootprint(deck, placed, surface.AdverseTo(isGreatest));
        for (var i = 0; i < print.Cells.Length; i++)
        {
            foreach (var line in OnAdverse(surface, deck.FirstCell + i, isGreatest, print.Cells[i]))
                yield return line;
        }
    }

    /// <summary>The cycles of one passage of each vehicle of a model.</summary>
    public IReadOnlyList<PassageCycles> Cycles(int model, SoughtEffect sought) =>
        [.. deck.Models[model].Cycles(Load(sought.Surface(true)))];

    /// <summary>
    /// The cycles of vehicles that are followed, on the line along which the surface ranges most; of shear on that side of its place where
    /// they are greater.
    /// </summary>
    public IReadOnlyList<PassageCycles> Follow(int model, SoughtEffect sought)
    {
        var (one, other) = (sought.Surface(true), sought.Surface(false));
        var cycles = deck.Models[model].Follow(Load(one));
        return ReferenceEquals(one, other)
            ? cycles
            :
            [
                .. cycles.Zip(
                    deck.Models[model].Follow(Load(other)),
                    (a, b) => b.Ranges.FirstOrDefault() > a.Ranges.FirstOrDefault() ? b : a
                ),
            ];
    }

    /// <summary>The load of 1 N/m² on footways as loads of a case.</summary>
    public IEnumerable<OwnLoad> LoadsOnFootways(SoughtEffect sought, bool isGreatest)
    {
        var surface = Load(sought.Surface(isGreatest));
        return deck.Footways.SelectMany(f => OnAdverse(surface, f.Line, isGreatest, f.Width));
    }

    private IEnumerable<OwnLoad> OnAdverse(LoadedSurface surface, int line, bool isGreatest, double load) =>
        load == 0
            ? []
            : surface
                .AlongCell(line)
                .AdverseParts(isGreatest ? 1 : -1)
                .Where(p => p.To - p.From > 1e-9)
                .Select(p => Line(p.From, deck.OffsetAt(line, p.From), p.To, deck.OffsetAt(line, p.To), load));

    private static OwnLoad Point(double station, double offset, double load) =>
        new()
        {
            Kind = OwnLoadKind.Point,
            Station = station,
            Offset = offset,
            ToStation = station,
            ToOffset = offset,
            Value = load,
        };

    private static OwnLoad Line(double from, double offset, double to, double toOffset, double load) =>
        new()
        {
            Kind = OwnLoadKind.Line,
            Station = from,
            Offset = Math.Round(offset, 9),
            ToStation = to,
            ToOffset = Math.Round(toOffset, 9),
            Value = load,
        };

    private double[] Together(EffectBlock block, SoughtEffect sought, bool isGreatest, Func<LoadedSurface, double> under, double own)
    {
        var together = new double[block.Forces.Length];
        for (var c = 0; c < together.Length; c++)
            together[c] = block.Forces[c].IsNothing ? 0 : under(Load(block.Forces[c]));
        // Shear read on one side is the value itself.
        if (sought.Own >= 0 && block.Forces[sought.Own] != sought.Surface(isGreatest))
            together[sought.Own] = own;
        return together;
    }
}
