using Pravik.Core.Models;

namespace Pravik.Core.Traffic;

/// <summary>
/// The greatest and the least value of every effect under a kind of traffic load placed for each of them, with the forces that act
/// together with it at its place.
/// </summary>
public sealed class TrafficEnvelope
{
    private readonly double[] greatest;
    private readonly double[] least;
    private readonly double[] togetherGreatest;
    private readonly double[] togetherLeast;
    private readonly TrafficLoading?[] loadingGreatest;
    private readonly TrafficLoading?[] loadingLeast;

    internal TrafficEnvelope(EffectLayout layout, TrafficWeights weights)
    {
        (Layout, Weights) = (layout, weights);
        (greatest, least) = (new double[layout.Count], new double[layout.Count]);
        togetherGreatest = new double[layout.Count * EffectLayout.Forces];
        togetherLeast = new double[layout.Count * EffectLayout.Forces];
        (loadingGreatest, loadingLeast) = (new TrafficLoading?[layout.Count], new TrafficLoading?[layout.Count]);
        (Greatest, Least) = (new(layout, greatest), new(layout, least));
    }

    /// <summary>The places of the values.</summary>
    public EffectLayout Layout { get; }

    /// <summary>Factors on tandems and on distributed loads that are in the values.</summary>
    public TrafficWeights Weights { get; }

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
    public TrafficLoading? Loading(int effect, bool isGreatest) => (isGreatest ? loadingGreatest : loadingLeast)[effect];

    internal void Set(int effect, bool isGreatest, double value, TrafficLoading? loading)
    {
        (isGreatest ? greatest : least)[effect] = value;
        (isGreatest ? loadingGreatest : loadingLeast)[effect] = loading;
    }

    internal Span<double> Beside(int effect, bool isGreatest) =>
        (isGreatest ? togetherGreatest : togetherLeast).AsSpan(effect * EffectLayout.Forces, EffectLayout.Forces);
}

/// <summary>Traffic on all effects of the finished bridge.</summary>
/// <param name="Characteristic">Load model 1.</param>
/// <param name="Frequent">The same with ψ₁ on its parts.</param>
/// <param name="Beside">The same with ψ₀, as it stands beside another leading action.</param>
/// <param name="QuasiPermanent">The same with ψ₂.</param>
/// <param name="Footways">A load of 1 N/m² on footways.</param>
public sealed record TrafficResults(
    TrafficEnvelope Characteristic,
    TrafficEnvelope Frequent,
    TrafficEnvelope Beside,
    TrafficEnvelope QuasiPermanent,
    TrafficEnvelope Footways
);
