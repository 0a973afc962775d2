namespace Pravik.Core.Bridges;

/// <summary>What a bridge is, in a few words for a list.</summary>
public static class BridgeDescription
{
    /// <summary>Its kind, as in “5 girders Precast I, continuous” or “6 girders Plate girder, parted at 1 joint”.</summary>
    public static string Kind(Bridge bridge)
    {
        var sections = bridge.Girders.Types.Select(t => t.Section ?? bridge.Sections[0].Name).Distinct().ToList();
        var joints = bridge.Axes.Own.Values.Count(a => a.Kind == AxisKind.Joint);
        var course =
            bridge.Axes.Spans.Length == 1 ? "single span"
            : joints == 0 ? "continuous"
            : joints == 1 ? "parted at 1 joint"
            : $"parted at {joints} joints";
        var girders = bridge.Girders.Count == 1 ? "1 girder" : $"{bridge.Girders.Count} girders";
        return $"{girders} {string.Join(" and ", sections)}, {course}";
    }
}
