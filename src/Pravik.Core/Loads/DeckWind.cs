using Pravik.Core.Bridges;
using Pravik.Core.Codes;
using Pravik.Core.Places;
using Pravik.Core.Roads;

namespace Pravik.Core.Loads;

/// <summary>On what wind blows.</summary>
public enum WindOn
{
    /// <summary>The deck alone.</summary>
    Deck,

    /// <summary>Deck and traffic; of AASHTO LRFD at Strength V.</summary>
    DeckAndTraffic,

    /// <summary>Deck and traffic at Service I of AASHTO LRFD.</summary>
    InService,
}

/// <summary>
/// Wind across the deck, span by span (EN 1991-1-4 section 8, the simplified method of 8.3.2; or AASHTO LRFD 3.8).
/// </summary>
/// <remarks>
/// By EN 1991-1-4: F_x = ½·ρ·v_b²·C·A_ref, ρ = 1.25 kg/m³, C of Table 8.2 by b/d_tot and the height of the deck above the lowest ground or
/// water. A_ref by 8.3.1(4): the front girder and slab, the edge beam or footway that stands above it, 0.3 m for each open parapet and
/// the whole height of each solid one; with traffic 2 m above the carriageway instead (8.3.1(5)). F_z = ±0.9·q_p·b at b/4 from the middle
/// (8.3.3), q_p = ½·ρ·v_b²·c_e with the c_e on which the table rests, C/1.3 of wide decks.
/// By AASHTO LRFD: P = 2.56·10⁻⁶·V²·K_Z·G·C_D (ksf, mph), G = 1, C_D = 1.3 on the windward face (Table 3.8.1.2.1-2), on the same area
/// without traffic: V the design wind and K_Z of the exposure on the deck alone, where 0.020 ksf lift the deck at its windward quarter
/// (3.8.2); V = 80 mph at Strength V and 70 mph at Service I with K_Z = 1, and 0.10 klf on vehicles at 6 ft (3.8.1.3). Wind askew to the
/// bridge is left out.
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
    /// Height of the deck above the lowest ground (m); null where there is no ground and none is given: 20 m or less is taken, 33 ft
    /// under AASHTO LRFD.
    /// </summary>
    public double? Height { get; }

    /// <summary>Wind on a span: the force across per metre (N/m) and its level below the road line, and the lift per metre.</summary>
    public sealed record OnSpan(double Factor, double Depth, double Across, double Below, double Lift, double Width);

    /// <summary>On what it blows, by the family of standards.</summary>
    public IEnumerable<WindOn> Kinds =>
        IsLrfd ? [WindOn.Deck, WindOn.DeckAndTraffic, WindOn.InService] : [WindOn.Deck, WindOn.DeckAndTraffic];

    private bool IsLrfd => geometry.Bridge.Basis.Standard == Standard.Lrfd;

    /// <summary>Wind on a span.</summary>
    public OnSpan Of(SpanIndex span, WindOn on)
    {
        var station = (geometry.Axes[span].Station + geometry.Axes[span + 1].Station) / 2;
        var width = geometry.RightEdge(station) - geometry.LeftEdge(station);
        var withTraffic = on != WindOn.Deck;
        var (below, above) = Extent(span, station, withTraffic && !IsLrfd);
        var depth = below + above;
        if (IsLrfd)
            return ByLrfd(on, below, above, width);
        var factor = actions.WindFactor ?? FactorOf(width / depth, Height ?? 0);
        var velocity = withTraffic ? Math.Min(actions.WindVelocity, values["windWithTraffic"]) : actions.WindVelocity;
        var pressure = Density / 2 * velocity * velocity;
        var exposure = FactorOf(4, Height ?? 0) / WideDeck;
        return new(factor, depth, pressure * factor * depth, (below - above) / 2, LiftFactor * pressure * exposure * width, width);
    }

    private OnSpan ByLrfd(WindOn on, double below, double above, double width)
    {
        var (depth, factor) = (below + above, actions.WindFactor ?? LrfdFactor);
        var speed = on switch
        {
            WindOn.Deck => actions.WindVelocity,
            WindOn.DeckAndTraffic => StrengthV,
            _ => ServiceI,
        };
        var rise = on == WindOn.Deck ? Rise(actions.WindExposure, Height ?? 0) : 1;
        var across = LrfdPressure * speed * speed * rise * factor * depth;
        if (on == WindOn.Deck)
            return new(factor, depth, across, (below - above) / 2, LrfdLift * width, width);
        // The resultant of wind on the deck and on vehicles, below the road.
        var level = (across * (below - above) / 2 - OnVehicles * VehicleHeight) / (across + OnVehicles);
        return new(factor, depth, across + OnVehicles, level, 0, width);
    }

    private const double MilePerHour = 0.44704;
    private const double StrengthV = 80 * MilePerHour;
    private const double ServiceI = 70 * MilePerHour;
    private const double LrfdFactor = 1.3;
    private const double SquareFoot = 0.3048 * 0.3048;

    /// <summary>2.56·10⁻⁶ ksf/mph² in Pa/(m/s)².</summary>
    private const double LrfdPressure = 2.56e-3 * PoundForce / SquareFoot / (MilePerHour * MilePerHour);

    private const double PoundForce = 4.4482216152605;

    /// <summary>0.020 ksf (Pa).</summary>
    private const double LrfdLift = 20 * PoundForce / SquareFoot;

    /// <summary>0.10 klf (N/m), and the height above the road at which it acts (m).</summary>
    private const double OnVehicles = 100 * PoundForce / 0.3048;
    private const double VehicleHeight = 6 * 0.3048;

    /// <summary>
    /// K_Z by the height above ground or water (AASHTO LRFD 3.8.1.2.1-2 to -4): [2.5·ln(Z/z₀) + a]²/b, Z in feet, at least 33.
    /// </summary>
    /// <param name="exposure">The category of exposure.</param>
    /// <param name="height">The height (m).</param>
    public static double Rise(WindExposure exposure, double height)
    {
        var (roughness, add, over) = exposure switch
        {
            WindExposure.B => (0.9834, 6.87, 345.6),
            WindExposure.C => (0.0984, 7.35, 478.4),
            _ => (0.0164, 7.65, 616.1),
        };
        return Math.Pow(2.5 * Math.Log(Math.Max(33, height / 0.3048) / roughness) + add, 2) / over;
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
