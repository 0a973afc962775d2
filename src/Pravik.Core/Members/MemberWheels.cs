using System.Collections.Immutable;

namespace Pravik.Core.Members;

/// <summary>
/// A wheel that stands on a slab: what it weighs at the ultimate state, and the rectangle over which it presses on the slab.
/// </summary>
/// <param name="Name">It in words.</param>
/// <param name="Force">Design value of its force (N).</param>
/// <param name="Along">Length of the rectangle along the member (m).</param>
/// <param name="Across">Its width (m).</param>
public sealed record MemberWheel(string Name, double Force, double Along, double Across);

/// <summary>Wheels that may punch through a strip of slab, and its bars square to the member.</summary>
public sealed record MemberWheels
{
    /// <summary>Wheels, each by itself.</summary>
    public ImmutableArray<MemberWheel> Wheels { get; init; } = [];

    /// <summary>Where along the member the middle of a wheel may stand (m).</summary>
    public ImmutableArray<(double From, double To)> Stand { get; init; } = [];

    /// <summary>Area of bars square to the member near the soffit (m²/m).</summary>
    public double Bottom { get; init; }

    /// <summary>From the soffit to their axis (m).</summary>
    public double BottomAxis { get; init; }

    /// <summary>Area near the top (m²/m).</summary>
    public double Top { get; init; }

    /// <summary>From the top to their axis (m).</summary>
    public double TopAxis { get; init; }
}
