using System.Collections.Immutable;

namespace Pravik.Core.Traffic;

/// <summary>An axle.</summary>
/// <param name="Load">Its load (N), half of it on each wheel.</param>
/// <param name="Gap">Distance behind the axle before it (m); 0 for the first.</param>
public sealed record Axle(double Load, double Gap)
{
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
    /// <summary>Distance of the wheels of an axle (m).</summary>
    public double WheelSpacing { get; init; } = 2;

    /// <summary>Stretches of line load.</summary>
    public ImmutableArray<Stretch> Stretches { get; init; } = [];

    /// <summary>Whether axles that relieve are left out one by one; else the vehicle acts whole or not at all.</summary>
    public bool OnlyWorsening { get; init; }

    /// <summary>Load of a whole vehicle (N).</summary>
    public double Total => Axles.Sum(a => a.Load) + Stretches.Sum(s => s.Load * s.Length);

    /// <summary>Equal axles at equal distances.</summary>
    public static ImmutableArray<Axle> Alike(int count, double load, double gap) =>
        [.. Enumerable.Range(0, count).Select(i => new Axle(load, i == 0 ? 0 : gap))];

    /// <summary>Axles by their loads and the distances between them.</summary>
    public static ImmutableArray<Axle> Of(double[] loads, double[] gaps) =>
        [.. loads.Select((load, i) => new Axle(load, i == 0 ? 0 : gaps[i - 1]))];
}
