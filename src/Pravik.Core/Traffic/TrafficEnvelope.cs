using System.Collections.Immutable;
using Pravik.Core.Models;
using Pravik.Core.Vehicles;

namespace Pravik.Core.Traffic;

/// <summary>
/// The greatest and the least value of every effect under a traffic model placed for each of them, with the forces that act together with
/// it at its place, and the loading behind it.
/// </summary>
public sealed class TrafficEnvelope
{
    private readonly double[] greatest;
    private readonly double[] least;
    private readonly double[] togetherGreatest;
    private readonly double[] togetherLeast;
    private readonly PlacedTraffic?[] loadingGreatest;
    private readonly PlacedTraffic?[] loadingLeast;

    internal TrafficEnvelope(EffectLayout layout, TrafficModel? model)
    {
        (Layout, Model) = (layout, model);
        (greatest, least) = (new double[layout.Count], new double[layout.Count]);
        togetherGreatest = new double[layout.Count * EffectLayout.Forces];
        togetherLeast = new double[layout.Count * EffectLayout.Forces];
        (loadingGreatest, loadingLeast) = (new PlacedTraffic?[layout.Count], new PlacedTraffic?[layout.Count]);
        (Greatest, Least) = (new(layout, greatest), new(layout, least));
    }

    /// <summary>The places of the values.</summary>
    public EffectLayout Layout { get; }

    /// <summary>The traffic model; null for footways.</summary>
    public TrafficModel? Model { get; }

    /// <summary>Greatest values of all effects.</summary>
    public EffectValues Greatest { get; }

    /// <summary>Least values of all effects.</summary>
    public EffectValues Least { get; }

    /// <summary>
    /// Forces at the place of an effect under the loading that gives its greatest or least value, in the order of the block.
    /// </summary>
    public ReadOnlySpan<double> Together(int effect, bool isGreatest) =>
        (isGreatest ? togetherGreatest : togetherLeast).AsSpan(effect * EffectLayout.Forces, Layout.TogetherWith(effect).Count);

    /// <summary>The loading behind a value; null where none worsens it, and for footways.</summary>
    public PlacedTraffic? Loading(int effect, bool isGreatest) => (isGreatest ? loadingGreatest : loadingLeast)[effect];

    internal void Set(int effect, bool isGreatest, double value, PlacedTraffic? loading)
    {
        (isGreatest ? greatest : least)[effect] = value;
        (isGreatest ? loadingGreatest : loadingLeast)[effect] = loading;
    }

    internal Span<double> Beside(int effect, bool isGreatest) =>
        (isGreatest ? togetherGreatest : togetherLeast).AsSpan(effect * EffectLayout.Forces, EffectLayout.Forces);
}

/// <summary>Traffic on all effects of the finished bridge.</summary>
/// <param name="Models">Each model that was asked for.</param>
/// <param name="Footways">A load of 1 N/m² on footways.</param>
public sealed record TrafficResults(ImmutableArray<TrafficEnvelope> Models, TrafficEnvelope Footways)
{
    /// <summary>The envelope of a model by its name; null where it was not asked for.</summary>
    public TrafficEnvelope? Find(string name) => Models.FirstOrDefault(m => m.Model!.Name == name);

    /// <summary>The envelope of a model that was asked for.</summary>
    public TrafficEnvelope this[string name] => Find(name) ?? throw new KeyNotFoundException($"No traffic model “{name}”.");
}
