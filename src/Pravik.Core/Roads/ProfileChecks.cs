using System.Collections.Immutable;

namespace Pravik.Core.Roads;

/// <summary>Whether points make a profile.</summary>
public static class ProfileChecks
{
    /// <summary>Why these points make no profile, with the number of the point (from 1) in the words; null where they do.</summary>
    public static string? Reason(ImmutableArray<ProfilePoint> points) => Problem(points)?.Reason;

    /// <summary>The point (from 0) at which the profile breaks, and why; null where it does not.</summary>
    public static (int Point, string Reason)? Problem(ImmutableArray<ProfilePoint> points)
    {
        for (var i = 1; i < points.Length; i++)
        {
            if (points[i].Station - points[i - 1].Station < 1e-6)
                return (i, $"point {i + 1} at station {points[i].Station:0.###} does not lie beyond the point before it.");
        }
        double used = 0;
        for (var i = 1; i < points.Length; i++)
        {
            var gap = points[i].Station - points[i - 1].Station;
            var before = (points[i].Level - points[i - 1].Level) / gap;
            var after =
                i + 1 < points.Length ? (points[i + 1].Level - points[i].Level) / (points[i + 1].Station - points[i].Station) : before;
            var (back, ahead) = i + 1 < points.Length ? ProfileLine.Reach(points[i], before, after) : (0, 0);
            if (used + back > gap + 1e-6)
                return (
                    i,
                    $"the vertical curve at station {points[i].Station:0.###} runs {used + back - gap:0.###} m into the one before it."
                );
            used = ahead;
        }
        return null;
    }
}
