using System.Collections.Immutable;
using System.Text.Json.Serialization;
using Pravik.Core.Units;

namespace Pravik.Core.Vehicles;

/// <summary>An axle.</summary>
/// <param name="Load">Its load (N), the same part of it on each wheel.</param>
/// <param name="Gap">Distance behind the axle before it (m); 0 for the first. Wheels in one line across that carry different loads are
/// axles in one place.</param>
public sealed record Axle(double Load, double Gap)
{
    /// <summary>Where its wheels stand, right of the vehicle's middle as it goes (m); empty for two at the vehicle's distance.</summary>
    public ImmutableArray<double> Wheels { get; init; } = [];

    /// <summary>The greatest distance where the worst one from <see cref="Gap"/> on is sought; infinite for any.</summary>
    public double? MostGap { get; init; }
}

/// <summary>A load along the vehicle, whole: N/m, from a distance behind the first axle, over a length (m).</summary>
public sealed record Stretch(double Load, double From, double Length);

/// <summary>
/// What drives: axles and stretches of line load that move together. At most one gap is sought; what stands before and behind the bridge
/// does not act.
/// </summary>
/// <param name="Name">Name.</param>
/// <param name="Axles">Axles from the first to the last.</param>
public sealed record Vehicle(string Name, ImmutableArray<Axle> Axles)
{
    /// <summary>Distance of the two wheels of an axle without wheels of its own (m).</summary>
    public double WheelSpacing { get; init; } = 2;

    /// <summary>Whether it acts only where all of it stands on the deck; else what stands before and behind the deck is left out.</summary>
    public bool StaysOnDeck { get; init; }

    /// <summary>Where the wheels of an axle stand, right of its middle (m).</summary>
    public ImmutableArray<double> WheelsOf(Axle axle) => axle.Wheels.IsEmpty ? [-WheelSpacing / 2, WheelSpacing / 2] : axle.Wheels;

    /// <summary>From its middle to the outermost wheel (m).</summary>
    [JsonIgnore]
    public double HalfWidth => Axles.SelectMany(a => WheelsOf(a)).Select(Math.Abs).DefaultIfEmpty(WheelSpacing / 2).Max();

    /// <summary>Whether all axles have wheels in the same places, alike on both sides.</summary>
    [JsonIgnore]
    public bool HasAlikeWheels =>
        Axles.IsEmpty || (Axles.All(a => IsAlike(WheelsOf(a), 1)) && IsAlike([.. WheelsOf(Axles[0]).Reverse()], -1));

    private bool IsAlike(ImmutableArray<double> wheels, int sign)
    {
        var first = WheelsOf(Axles[0]);
        return wheels.Length == first.Length && wheels.Zip(first).All(p => Math.Abs(sign * p.First - p.Second) < 1e-6);
    }

    /// <summary>Stretches of line load.</summary>
    public ImmutableArray<Stretch> Stretches { get; init; } = [];

    /// <summary>Whether axles that relieve are left out one by one; else the vehicle acts whole or not at all.</summary>
    public bool OnlyWorsening { get; init; }

    /// <summary>Factor on its load for dynamics, as an own vehicle.</summary>
    public double Dynamic { get; init; } = 1;

    /// <summary>Load of all axles (N).</summary>
    [JsonIgnore]
    public double AxleLoad => Axles.Sum(a => a.Load);

    /// <summary>Load of a whole vehicle (N).</summary>
    [JsonIgnore]
    public double Total => AxleLoad + Stretches.Sum(s => s.Load * s.Length);

    /// <summary>From its first axle or load to its last, where a gap is sought with its least (m).</summary>
    [JsonIgnore]
    public double Length => Math.Max(Axles.Sum(a => a.Gap), Stretches.Select(s => s.From + s.Length).DefaultIfEmpty(0).Max());

    /// <summary>The least of a gap that is sought (m); 0 for none.</summary>
    [JsonIgnore]
    public double SoughtGap => Axles.FirstOrDefault(a => a.MostGap is not null)?.Gap ?? 0;

    /// <summary>Its axles in words: how many of which load.</summary>
    public string InWords(UnitSystem units)
    {
        var force = units[QuantityKind.Force];
        string Load(double load) => QuantityText.Fixed(load / force.Factor, 0);
        List<string> groups = [];
        var i = 0;
        while (i < Axles.Length)
        {
            var next = i;
            while (next < Axles.Length && Math.Abs(Axles[next].Load - Axles[i].Load) < 1)
                next++;
            groups.Add(next - i == 1 ? Load(Axles[i].Load) : $"{next - i} × {Load(Axles[i].Load)}");
            i = next;
        }
        return Axles.IsEmpty ? "" : $"axles {string.Join(" + ", groups)} {force.Symbol}";
    }

    /// <summary>Equal axles at equal distances.</summary>
    public static ImmutableArray<Axle> Alike(int count, double load, double gap) =>
        [.. Enumerable.Range(0, count).Select(i => new Axle(load, i == 0 ? 0 : gap))];

    /// <summary>Axles by their loads and the distances between them.</summary>
    public static ImmutableArray<Axle> Of(double[] loads, double[] gaps) =>
        [.. loads.Select((load, i) => new Axle(load, i == 0 ? 0 : gaps[i - 1]))];
}
