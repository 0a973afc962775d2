using System.Collections.Immutable;
using System.Globalization;

namespace Pravik.Core.Vehicles;

/// <summary>The lines that the wheels of a vehicle follow, from the left, as many on the one side of its middle as on the other.</summary>
public sealed class WheelTracks : IEquatable<WheelTracks>
{
    private const int Digits = 6;
    private readonly string key;

    private WheelTracks(IEnumerable<double> across, Func<double, double> share, double uneven)
    {
        Across = [.. across.SelectMany(a => new[] { a, -a }).Select(a => Math.Round(a, Digits) + 0.0).Distinct().Order()];
        Sides = [.. Across.Select(a => 1 + Math.Sign(a) * uneven)];
        Weights = [.. Across.Zip(Sides).Select(t => share(t.First) * t.Second)];
        key = string.Join(' ', Across.Concat(Sides).Concat(Weights).Select(v => v.ToString("g9", CultureInfo.InvariantCulture)));
    }

    /// <summary>Where they lie, right of the middle (m).</summary>
    public ImmutableArray<double> Across { get; }

    /// <summary>
    /// The factor on wheels of each: 1 − u on the left and 1 + u on the right where wheels are unevenly loaded, as by the moment of the
    /// centrifugal force; the load of an axle with wheels alike on both sides stays.
    /// </summary>
    public ImmutableArray<double> Sides { get; }

    /// <summary>The share of the whole load that each carries.</summary>
    public ImmutableArray<double> Weights { get; }

    /// <summary>From the middle to the outermost (m).</summary>
    public double Half => Across[^1];

    /// <summary>Two lines, alike.</summary>
    /// <param name="spacing">Their distance (m).</param>
    /// <param name="uneven">The part of its load by which a right wheel has more and a left one less.</param>
    public static WheelTracks Pair(double spacing, double uneven = 0) => new([spacing / 2], _ => 0.5, uneven);

    /// <summary>Lines that carry the same share each.</summary>
    /// <param name="across">Where they lie, right of the middle (m): as many on the one side as on the other.</param>
    public static WheelTracks Even(ImmutableArray<double> across) => new(across, _ => 1.0 / across.Length, 0);

    /// <summary>The lines of a vehicle.</summary>
    /// <param name="vehicle">The vehicle.</param>
    /// <param name="uneven">The part of its load by which a right wheel has more and a left one less.</param>
    public static WheelTracks Of(Vehicle vehicle, double uneven = 0)
    {
        if (vehicle.Axles.IsEmpty)
            return Pair(vehicle.WheelSpacing, uneven);
        Dictionary<double, double> shares = [];
        foreach (var axle in vehicle.Axles)
        {
            var wheels = vehicle.WheelsOf(axle);
            foreach (var across in wheels.Select(a => Math.Round(a, Digits) + 0.0))
                shares[across] = shares.GetValueOrDefault(across) + axle.Load / wheels.Length / vehicle.AxleLoad;
        }
        return new(shares.Keys, a => shares.GetValueOrDefault(a), uneven);
    }

    /// <summary>The track of a wheel, by its place right of the middle (m).</summary>
    public int TrackOf(double across) => Across.IndexOf(Math.Round(across, Digits) + 0.0);

    /// <inheritdoc />
    public bool Equals(WheelTracks? other) => key == other?.key;

    /// <inheritdoc />
    public override bool Equals(object? obj) => Equals(obj as WheelTracks);

    /// <inheritdoc />
    public override int GetHashCode() => key.GetHashCode(StringComparison.Ordinal);
}
