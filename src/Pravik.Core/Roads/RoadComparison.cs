namespace Pravik.Core.Roads;

/// <summary>
/// How a newer issue of a road differs at a station of the old one: the old line's point lies <c>Along</c> further (or less) along the
/// new line and
/// <c>Across</c> to the right of it; level and crossfalls there, new less old (null where one of the two has no level).
/// </summary>
public sealed record RoadChange(string Place, double Station, double Along, double Across, double? Level, double Left, double Right)
{
    /// <summary>Whether both roads are the same.</summary>
    public bool IsNothing =>
        Math.Abs(Along) < 5e-4 && Math.Abs(Across) < 5e-4 && Math.Abs(Level ?? 0) < 5e-4 && Math.Abs(Left) < 5e-6 && Math.Abs(Right) < 5e-6;
}

/// <summary>Compares two issues of a road.</summary>
public static class RoadComparison
{
    /// <summary>
    /// Changes at places of the old road. The level is compared where the old point lies on the new line, not at equal stations.
    /// </summary>
    public static IReadOnlyList<RoadChange> Compare(RoadLine before, RoadLine after, IEnumerable<(string Place, double Station)> places) =>
        [
            .. places.Select(place =>
            {
                var (old, there) = (before.Survey(place.Station, 0), after.Locate(before.At(place.Station)));
                var renewed = after.Survey(there.Station, 0);
                var ((oldLeft, oldRight), (left, right)) = (before.Crossfalls.At(place.Station), after.Crossfalls.At(there.Station));
                return new RoadChange(
                    place.Place,
                    place.Station,
                    there.Station - place.Station,
                    there.Offset,
                    renewed.Z - old.Z,
                    left - oldLeft,
                    right - oldRight
                );
            }),
        ];
}
