using Pravik.Core.Places;
using Pravik.Core.Plates;

namespace Pravik.Core.Slabs;

/// <summary>A vehicle that hits a parapet, half way along a span (EN 1991-2 4.7.3.3): an accidental action on the slab.</summary>
/// <remarks>
/// The force acts outward 0.1 m below the parapet’s top or 1.0 m above the surface, whichever is lower, on 0.5 m; beside it the wheels of
/// an axle of 0.75·α_Q1·Q_1k next to the parapet. The couple about the slab’s middle enters over the width of the parapet, spread at 45°
/// down to it along the bridge, and bends the slab with the wheels; the force itself pulls it, spread at 45° from the parapet. The slab is
/// looked at inside of the traffic face, not under the parapet. No other variable action goes with it (6.11b).
/// </remarks>
internal sealed class ParapetImpact(SlabCut cut, ParapetLine parapet, SlabTraffic traffic)
{
    private const double Length = 0.5;
    private const double BelowTop = 0.1;
    private const double Highest = 1.0;
    private const double Gauge = 2;
    private const double Wheel = 0.4;

    private double Face => parapet.Face(cut.Station);

    /// <summary>From the slab's middle up to the parapet's foot (m).</summary>
    private double Below => cut.Section.Surface(Face) - cut.Section.SlabTop(Face) + cut.Section.Thickness(Face) / 2;

    /// <summary>From the slab's middle up to the force (m).</summary>
    public double Arm => Math.Min(parapet.Profile.Height - BelowTop, Highest) + Below;

    /// <summary>Name of the parapet, as its combination begins.</summary>
    public string Name => $"{(parapet.Side < 0 ? "Left" : "Right")} parapet hit";

    /// <summary>Whether the slab is looked at at an offset: inside of the traffic face.</summary>
    public bool IsInside(double at) => parapet.Side * (Face - at) >= 0;

    /// <summary>What pulls the slab at an offset (N/m).</summary>
    public double Pull(double at) => IsInside(at) ? parapet.Impact / (Length + 2 * Math.Abs(Face - at)) : 0;

    /// <summary>What the couple and the wheels do to a moment (Nm/m).</summary>
    public double Moment(PlateSurface surface)
    {
        var (spread, values) = (traffic.Spread, cut.Bridge.Basis.Values);
        var wheel = values["impactAxle"] * values["alphaQ1"] * values["tandem1"] / 2;
        // The outer wheel stands against the parapet.
        var outer = Face - parapet.Side * Wheel / 2;
        var back = Face + parapet.Side * parapet.Profile.Width;
        var force = surface.OfCouple(0, Length + 2 * Below).Mean(Math.Min(Face, back), Math.Max(Face, back));
        var wheels = surface.OfLoad(0, Wheel + spread);
        double Of(double at) => wheel * wheels.Mean(at - (Wheel + spread) / 2, at + (Wheel + spread) / 2);
        return parapet.Side * parapet.Impact * Arm * force + Of(outer) + Of(outer - parapet.Side * Gauge);
    }
}
