using System.Collections.Immutable;

namespace Pravik.Core.Roads;

/// <summary>
/// Crossfalls along the road, linear between entries; the first and last hold beyond them. Without entries the road is level across.
/// </summary>
public sealed class CrossfallLine(ImmutableArray<Crossfall> entries)
{
    private readonly double[] stations = [.. entries.Select(e => e.Station)];

    /// <summary>Whether crossfalls were entered.</summary>
    public bool IsGiven => entries.Length > 0;

    /// <summary>Rise per metre outward, left and right of the road line.</summary>
    public (double Left, double Right) At(double station)
    {
        if (entries.Length == 0)
            return (0, 0);
        var after = Array.BinarySearch(stations, station);
        if (after < 0)
            after = ~after;
        if (after == 0)
            return (entries[0].Left, entries[0].Right);
        if (after == entries.Length)
            return (entries[^1].Left, entries[^1].Right);
        var (a, b) = (entries[after - 1], entries[after]);
        var t = (station - a.Station) / (b.Station - a.Station);
        return (a.Left + t * (b.Left - a.Left), a.Right + t * (b.Right - a.Right));
    }
}
