using System.Collections.Immutable;

namespace Pravik.Core.Materials;

/// <summary>
/// A point of an own stress-strain line: strain and characteristic stress (Pa), both positive, in compression for concrete and in
/// tension for steel.
/// </summary>
public sealed record LinePoint
{
    /// <summary>Strain.</summary>
    public double Strain { get; init; }

    /// <summary>Stress (Pa).</summary>
    public double Stress { get; init; }
}

/// <summary>How a steel goes on beyond its yield or proof strength.</summary>
public enum Branch
{
    /// <summary>It stays at the design strength.</summary>
    Level,

    /// <summary>It rises to the tensile strength.</summary>
    Rising,
}

/// <summary>Own stress-strain lines: straight between points, from the origin to the last point and level beyond it.</summary>
public static class StressLine
{
    /// <summary>Characteristic stress at a strain of at least 0; at the last point's and beyond, its stress.</summary>
    public static double At(ImmutableArray<LinePoint> line, double strain)
    {
        var (before, stress) = (0.0, 0.0);
        foreach (var point in line)
        {
            if (strain <= point.Strain)
                return stress + (strain - before) / (point.Strain - before) * (point.Stress - stress);
            (before, stress) = (point.Strain, point.Stress);
        }
        return stress;
    }

    /// <summary>
    /// Why a line cannot be taken, or null: it has 2 to 30 points, strains rise from above 0, stresses are not negative and the first
    /// rises from the origin.
    /// </summary>
    public static string? Problem(ImmutableArray<LinePoint> line)
    {
        if (line.IsDefault || line.Contains(null!))
            return "a point is missing";
        if (line.Length is < 2 or > 30)
            return $"it has 2 to 30 points; {line.Length} were given";
        for (var i = 0; i < line.Length; i++)
        {
            if (
                !double.IsFinite(line[i].Strain)
                || !double.IsFinite(line[i].Stress)
                || line[i].Strain > 0.5
                || line[i].Stress is < 0 or > 3e9
            )
                return $"point {i + 1} lies outside strains to 0.5 and stresses to 3000 MPa";
            if (line[i].Strain <= (i == 0 ? 0 : line[i - 1].Strain))
                return $"strains must rise from point to point, from above 0; point {i + 1} does not";
        }
        return line[0].Stress > 0 ? null : "the first point needs a stress";
    }
}
