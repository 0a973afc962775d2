using System.Collections.Immutable;
using Pravik.Core.Vehicles;

namespace Pravik.Core.Bridges;

/// <summary>What drives on the bridge beside load model 1, and vehicles of the project's own.</summary>
public sealed record TrafficChoices
{
    /// <summary>Models and own vehicles that act, by name; load model 1 with footways always does.</summary>
    public ImmutableArray<TrafficUse> Models { get; init; } = [];

    /// <summary>Where traffic may drive, in place of what is found between kerbs and restraint systems; empty for that.</summary>
    public ImmutableArray<TypedCarriageway> Carriageways { get; init; } = [];

    /// <summary>Speed of road traffic (m/s), by which AASHTO LRFD has centrifugal forces; null for none of them.</summary>
    public double? Speed { get; init; }

    /// <summary>The part of its load by which a right wheel of road traffic has more and a left one less, as on a curve.</summary>
    public double Uneven { get; init; }

    /// <summary>Railway tracks.</summary>
    public RailChoices Rail { get; init; } = new();

    /// <summary>The project's own vehicles, each with a name that no model has.</summary>
    public ImmutableArray<Vehicle> Vehicles { get; init; } = [];
}

/// <summary>A traffic model or own vehicle that acts.</summary>
public sealed record TrafficUse
{
    /// <summary>Its name.</summary>
    public string Name { get; init; } = "LM2";

    /// <summary>Lanes in which alone it goes; empty for anywhere on the carriageways.</summary>
    public ImmutableArray<TypedLane> Lanes { get; init; } = [];

    /// <summary>Least distance of a wheel from the edge of its lane (m); null for that of the model, which may be its middle.</summary>
    public double? Margin { get; init; }

    /// <summary>
    /// Factor on its vehicles for dynamics, in place of that of the model; null for that. A special vehicle at normal speed has
    /// 1.40 − L/500 ≥ 1 (EN 1991-2 Annex A), with L the influence length (m).
    /// </summary>
    public double? Dynamic { get; init; }

    /// <summary>A model as it is used here.</summary>
    public TrafficModel Of(TrafficModel model)
    {
        var placed = model.In([.. Lanes.Select(l => new FixedLane(l.From, l.Width))], Margin);
        return Dynamic is { } factor ? placed.With(factor) : placed;
    }
}

/// <summary>A lane that is put somewhere by hand.</summary>
public sealed record TypedLane
{
    /// <summary>Offset of its left edge from the road line (m), positive to the right.</summary>
    public double From { get; init; } = -1.5;

    /// <summary>Its width (m).</summary>
    public double Width { get; init; } = 3;
}
