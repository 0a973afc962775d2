using System.Collections.Immutable;
using Pravik.Core.Bridges;
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
    private readonly int number;
    private readonly TrafficDetails details;

    internal TrafficEnvelope(EffectLayout layout, TrafficModel? model, int number, TrafficDetails details)
    {
        (Layout, Model, this.number, this.details) = (layout, model, number, details);
        (greatest, least) = (new double[layout.Count], new double[layout.Count]);
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

    /// <summary>Whether the model has no loads.</summary>
    internal bool IsNothing => Model is { Kinds.IsEmpty: true, Rest: 0 };

    internal double this[int effect, bool isGreatest]
    {
        get => (isGreatest ? greatest : least)[effect];
        set => (isGreatest ? greatest : least)[effect] = value;
    }

    /// <summary>
    /// Forces at the place of an effect under the loading that gives its greatest or least value, in the order of the block.
    /// </summary>
    public ReadOnlySpan<double> Together(int effect, bool isGreatest)
    {
        var count = Layout.TogetherWith(effect).Count;
        return IsZero(effect, isGreatest) ? new double[count] : details.Of(number, effect, isGreatest).Together.AsSpan(0, count);
    }

    /// <summary>The loading behind a value; null where none worsens it, and for footways.</summary>
    public PlacedTraffic? Loading(int effect, bool isGreatest) =>
        IsZero(effect, isGreatest) ? null : details.Of(number, effect, isGreatest).Loading;

    /// <summary>
    /// The loading behind a value as loads of a case, all its factors in them: put on the bridge they give the value.
    /// </summary>
    public IReadOnlyList<OwnLoad> Loads(int effect, bool isGreatest) =>
        IsZero(effect, isGreatest) ? [] : details.Loads(number, effect, isGreatest);

    /// <summary>
    /// The cycles of an effect as each vehicle of the model passes alone, in the lane in which the effect ranges most; none of models that
    /// load several lanes, of trains, and of vehicles whose axles are left out or whose distances are sought.
    /// </summary>
    public IReadOnlyList<PassageCycles> Cycles(int effect) => Model is null ? [] : details.Cycles(number, effect);

    private bool IsZero(int effect, bool isGreatest) => this[effect, isGreatest] == 0;
}

/// <summary>Traffic on all effects of the finished bridge.</summary>
public sealed class TrafficResults
{
    private readonly TrafficDetails details;
    private readonly IReadOnlyDictionary<int, IReadOnlyList<PassageCycles>> passages;

    internal TrafficResults(
        ImmutableArray<TrafficEnvelope> models,
        TrafficEnvelope footways,
        TrafficDetails details,
        IReadOnlyDictionary<int, IReadOnlyList<PassageCycles>> passages
    ) => (Models, Footways, this.details, this.passages) = (models, footways, details, passages);

    /// <summary>Whether the lorries of fatigue load model 4 were followed.</summary>
    public bool HasLorries => passages.Count > 0;

    /// <summary>
    /// The cycles of a moment or a shear of a girder as each lorry of fatigue load model 4 passes alone, in the lane in which it ranges
    /// most; none of other effects.
    /// </summary>
    public IReadOnlyList<PassageCycles> Lorries(int effect) => passages.GetValueOrDefault(effect, []);

    /// <summary>Each model that was asked for.</summary>
    public ImmutableArray<TrafficEnvelope> Models { get; }

    /// <summary>A load of 1 N/m² on footways.</summary>
    public TrafficEnvelope Footways { get; }

    /// <summary>Shares of girders in a lane of HL-93; none under other standards.</summary>
    public ImmutableArray<GirderShare> Shares { get; internal set; } = [];

    /// <summary>The influence surface of an effect, as its greatest or least value is sought on; null where nothing stands.</summary>
    public InfluenceSurface? Surface(int effect, bool isGreatest = true) => details.Surface(effect, isGreatest);

    /// <summary>About how much memory they take (bytes).</summary>
    public long Bytes => details.Bytes + 16L * Footways.Layout.Count * (Models.Length + 1);

    /// <summary>The envelope of a model by its name; null where it was not asked for.</summary>
    public TrafficEnvelope? Find(string name) => Models.FirstOrDefault(m => m.Model!.Name == name);

    /// <summary>The envelope of a model that was asked for.</summary>
    public TrafficEnvelope this[string name] => Find(name) ?? throw new KeyNotFoundException($"No traffic model “{name}”.");
}
