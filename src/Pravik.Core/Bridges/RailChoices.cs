using System.Collections.Immutable;
using System.Text.Json.Serialization;
using Pravik.Core.Vehicles;

namespace Pravik.Core.Bridges;

/// <summary>How carefully a track is kept, for the dynamic factor of EN 1991-2 6.4.5.2.</summary>
public enum TrackCare
{
    /// <summary>No dynamic factor is applied.</summary>
    None,

    /// <summary>Carefully maintained track: Φ₂.</summary>
    Careful,

    /// <summary>Track with standard maintenance: Φ₃.</summary>
    Standard,
}

/// <summary>A railway track along the bridge.</summary>
public sealed record Track
{
    /// <summary>Offset of its centre line from the road line, positive to the right (m).</summary>
    public double Offset { get; init; }
}

/// <summary>Railway tracks, and factors on what goes there.</summary>
public sealed record RailChoices
{
    /// <summary>Tracks; none for one along the road line.</summary>
    public ImmutableArray<Track> Tracks { get; init; } = [];

    /// <summary>α on load model 71 and SW/0 (EN 1991-2 6.3.2(3)).</summary>
    public double Alpha { get; init; } = 1;

    /// <summary>Which dynamic factor is applied.</summary>
    public TrackCare Care { get; init; }

    /// <summary>Whether nothing is chosen: one track along the road line, without factors.</summary>
    [JsonIgnore]
    public bool IsUsual => Tracks.IsEmpty && Alpha == 1 && Care == TrackCare.None && Dynamic is null && Bed == new TrackBed();

    /// <summary>Greatest speed on the line (m/s), for centrifugal forces; null for none of them.</summary>
    public double? Speed { get; init; }

    /// <summary>Top of the rails above the deck's surface (m).</summary>
    public double Level { get; init; } = 0.7;

    /// <summary>Distance of the middles of the rails (m).</summary>
    public double Gauge { get; init; } = 1.5;

    /// <summary>Depth of ballast from under the sleepers to the deck’s surface (m); null for loads where the rails are.</summary>
    public double? Ballast { get; init; }

    /// <summary>Length of a sleeper, across the track (m).</summary>
    public double SleeperLength { get; init; } = 2.6;

    /// <summary>Width of a sleeper, along the track (m).</summary>
    public double SleeperWidth { get; init; } = 0.28;

    /// <summary>How the track brings loads to the deck.</summary>
    [JsonIgnore]
    public TrackBed Bed =>
        new()
        {
            Gauge = Gauge,
            Sleepers = Sleepers,
            Ballast = Ballast,
            SleeperLength = SleeperLength,
            SleeperWidth = SleeperWidth,
        };

    /// <summary>
    /// Spacing of sleepers (m), over three of which the rail distributes an axle: a quarter, a half, a quarter (EN 1991-2 6.3.6.1); null
    /// for axles as points.
    /// </summary>
    public double? Sleepers { get; init; }

    /// <summary>The dynamic factor in place of Φ; null for that of <see cref="Care"/>.</summary>
    public double? Dynamic { get; init; }
}
