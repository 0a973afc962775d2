using Pravik.Core.Bridges;
using Pravik.Core.Codes;
using Pravik.Core.Places;
using Pravik.Core.Roads;

namespace Pravik.Core.Loads;

/// <summary>Wind across the deck, span by span (EN 1991-1-4 section 8, the simplified method of 8.3.2).</summary>
/// <remarks>
/// F_x = ½·ρ·v_b²·C·A_ref, ρ = 1.25 kg/m³, C of Table 8.2 by b/d_tot and the height of the deck above the lowest ground or water. A_ref
/// by 8.3.1(4): the front girder and slab, the edge beam or footway that stands above it, 0.3 m for each open parapet and the whole
/// height of each solid one; with traffic 2 m above the carriageway instead (8.3.1(5)). F_z = ±0.9·q_p·b at b/4 from the middle
/// (8.3.3), q_p = ½·ρ·v_b²·c_e with the c_e on which the table rests, C/1.3 of wide decks.
/// </remarks>
public sealed class DeckWind
{
    private const double Density = 1.25;
    private const double OpenParapet = 0.3;
    private const double TrafficHeight = 2.0;
    private const double LiftFactor = 0.9;
    private const double WideDeck = 1.3;
    private readonly BridgeGeometry geometry;
    private readonly Actions actions;
    private readonly NationalValues values;

    /// <param name="geometry">The bridge.</param>
    /// <param name="ground">The ground below it; null where none is given.</param>
    public DeckWind(BridgeGeometry geometry, Ground? ground)
    {
        (this.geometry, actions, values) = (geometry, geometry.Bridge.Actions, geometry.Bridge.Basis.Values);
        Height = actions.WindHeight ?? HeightAbove(ground);
    }

    /// <summary>
    /// Height of the deck above the lowest ground (m); null where there is no ground and none is given: 20 m or less is taken.
    /// </summary>
    public double? Height { get; }

    /// <summary>Wind on a span: the force across per metre (N/m) and its level below the road line, and the lift per metre.</summary>
    public sealed record OnSpan(double Factor, double Depth, double Across, double Below, double Lift, double Width);

    /// <summary>Wind on a span, on the deck alone or on deck and traffic.</summary>
    public OnSpan Of(SpanIndex span, bool withTraffic)
    {
        var station = (geometry.Axes[span].Station + geometry.Axes[span + 1].Station) / 2;
        var width = geometry.RightEdge(station) - geometry.LeftEdge(station);
        var (below, above) = Extent(span, station, withTraffic);
        var depth = below + above;
        var factor = actions.WindFactor ?? FactorOf(width / depth, Height ?? 0);
        var velocity = withTraffic ? Math.Min(actions.WindVelocity, values["windWithTraffic"]) : actions.WindVelocity;
        var pressure = Density / 2 * velocity * velocity;
        var exposure = FactorOf(4, Height ?? 0) / WideDeck;
        return new(factor, depth, pressure * factor * depth, (below - above) / 2, LiftFactor * pressure * exposure * width, width);
    }

    /// <summary>How far the area reaches below and above the road line (m).</summary>
    private (double Below, double Above) Extent(SpanIndex span, double station, bool withTraffic)
    {
        var (unit, section) = (geometry.UnitOf(span), geometry.UnitOf(span).Shape.At(station));
        var girders = geometry.GirdersIn(span).Max(g => geometry.SectionOf(g, span).Depth + geometry.SlabThickness(g, span, 0.5));
        var below = girders + geometry.Haunch(span) + unit.Pattern.Surfacing;
        if (withTraffic)
            return (below, TrafficHeight);
        var edges = section.Strips.Max(s => Math.Max(s.SurfaceFrom, s.SurfaceTo));
        var parapets = ParapetLine
            .All(geometry)
            .Where(p => p.Unit == unit && p.Covers(station))
            .Sum(p => p.Profile.Posts is null ? p.Profile.Height : OpenParapet);
        return (below, Math.Max(0, edges) + parapets);
    }

    private double? HeightAbove(Ground? ground)
    {
        if (ground is null)
            return null;
        var heights = geometry
            .Stations(20)
            .Select(s => ground.Level(geometry.Road.At(s)) is { } level ? geometry.Road.Level(s) - level : (double?)null)
            .OfType<double>()
            .ToList();
        return heights.Count == 0 ? null : heights.Max();
    }

    /// <summary>Depths over widths at which the factors of Table 8.2 stand, and heights of the deck.</summary>
    private static readonly (double From, double To) Slenderness = (0.5, 4);
    private static readonly (double Height, double Low, double High) Near = (20, 6.7, 3.6);
    private static readonly (double Height, double Low, double High) Far = (50, 8.3, 4.5);

    /// <summary>Factor C of Table 8.2 by b/d_tot and height (m), straight between its entries and those of its ends beyond.</summary>
    public static double FactorOf(double slenderness, double height)
    {
        var t = Math.Clamp((slenderness - Slenderness.From) / (Slenderness.To - Slenderness.From), 0, 1);
        var up = Math.Clamp((height - Near.Height) / (Far.Height - Near.Height), 0, 1);
        double At((double Height, double Low, double High) row) => row.Low + t * (row.High - row.Low);
        return At(Near) + up * (At(Far) - At(Near));
    }
}
