using Pravik.Core.Bridges;
using Pravik.Core.LoneMembers;
using Pravik.Core.Trusses;
using Pravik.Core.Units;
using Pravik.Data;

namespace Pravik.Web;

/// <summary>
/// The units in which a person sees and types values, kept in a cookie of the browser. Without one those of the project hold; the project
/// itself does not change.
/// </summary>
public static class UserUnits
{
    /// <summary>Name of the cookie.</summary>
    public const string Cookie = "pravik-units";

    /// <summary>The bridge as this person is to see it.</summary>
    public static Bridge For(HttpRequest request, Bridge bridge) =>
        Chosen(request, bridge.Basis) is { } basis ? bridge with { Basis = basis } : bridge;

    /// <summary>The member as this person is to see it.</summary>
    public static LoneMember For(HttpRequest request, LoneMember member) =>
        Chosen(request, member.Basis) is { } basis ? member with { Basis = basis } : member;

    /// <summary>The truss scheme as this person is to see it.</summary>
    public static TrussScheme For(HttpRequest request, TrussScheme scheme) =>
        Chosen(request, new() { Units = scheme.Units }) is { } basis ? scheme with { Units = basis.Units } : scheme;

    /// <summary>The basis in the units that the reader chose; null where those are its own, or none were chosen.</summary>
    private static Basis? Chosen(HttpRequest request, Basis basis) =>
        request.Cookies[Cookie] is { } name
        && (name == UnitSystem.Metric.Name || name == UnitSystem.UsCustomary.Name)
        && name != basis.Units
            ? basis with
            {
                Units = name,
            }
            : null;

    /// <summary>The bridge in the units that the reader chose.</summary>
    public static Snapshot For(HttpRequest request, Snapshot snapshot) => snapshot with { Bridge = For(request, snapshot.Bridge) };
}
