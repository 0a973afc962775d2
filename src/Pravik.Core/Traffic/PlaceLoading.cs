namespace Pravik.Core.Traffic;

/// <summary>Loads the surfaces of one place; what is found on one of them is found once.</summary>
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
        var print = loading.FootprintOf(placed, Load(sought.Surface(isGreatest)).AdverseTo(isGreatest));
        return new(placed, Together(block, sought, isGreatest, other => loading.Over(print, other), placed.Value));
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
