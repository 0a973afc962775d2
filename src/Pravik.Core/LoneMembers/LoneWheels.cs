using System.Collections.Immutable;

namespace Pravik.Core.LoneMembers;

/// <summary>Wheels that may punch through a strip of slab, and its bars square to the strip.</summary>
public sealed record LoneWheels
{
    /// <summary>Wheels, each by itself.</summary>
    public ImmutableArray<LoneWheel> Wheels { get; init; } = [];

    /// <summary>Where along the member the middle of a wheel may stand, from its beginning (m): pairs of first and last place.</summary>
    public ImmutableArray<WheelStand> Stand { get; init; } = [];

    /// <summary>Area of bars square to the strip near the soffit (m²/m).</summary>
    public double Bottom { get; init; }

    /// <summary>From the soffit to their axis (m).</summary>
    public double BottomAxis { get; init; } = 0.05;

    /// <summary>Area near the top (m²/m).</summary>
    public double Top { get; init; }

    /// <summary>From the top to their axis (m).</summary>
    public double TopAxis { get; init; } = 0.05;
}

/// <summary>A wheel on the slab.</summary>
public sealed record LoneWheel
{
    /// <summary>Name.</summary>
    public string Name { get; init; } = "Wheel";

    /// <summary>Its force, characteristic (N).</summary>
    public double Force { get; init; } = 150e3;

    /// <summary>Length along the member over which it presses on the slab (m).</summary>
    public double Along { get; init; } = 0.4;

    /// <summary>Width of that (m).</summary>
    public double Across { get; init; } = 0.4;
}

/// <summary>A stretch along a member on which wheels may stand.</summary>
public sealed record WheelStand
{
    /// <summary>Where it begins (m).</summary>
    public double From { get; init; }

    /// <summary>Where it ends (m).</summary>
    public double To { get; init; }
}
