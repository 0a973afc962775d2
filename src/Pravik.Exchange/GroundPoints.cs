using System.Globalization;
using System.Text;
using NetTopologySuite.Geometries;
using NetTopologySuite.Triangulate;
using Pravik.Core.Findings;
using Pravik.Core.Roads;

namespace Pravik.Exchange;

/// <summary>Ground from surveyed points as CSV: east, north, level in metres on each line, triangulated by Delaunay's rule.</summary>
public static class GroundPoints
{
    private const int MostPoints = 500_000;
    private const int LongestLine = 1000;

    /// <summary>
    /// The ground, or none and the reasons with their lines. A first line that holds no number is a heading; separators are comma,
    /// semicolon, tab
    /// or blank. Points twice at one place count once.
    /// </summary>
    public static (Ground? Ground, IReadOnlyList<Finding> Findings) Read(TextReader text, CancellationToken cancel = default)
    {
        List<Finding> findings = [];
        Dictionary<(double, double), double> levels = [];
        var number = 0;
        while (Line(text) is { } line)
        {
            cancel.ThrowIfCancellationRequested();
            number++;
            if (line.Length > LongestLine)
            {
                findings.Add(
                    Finding.Error($"line {number}", $"Line {number} is longer than {LongestLine} characters: this is no list of points.")
                );
                break;
            }
            if (string.IsNullOrWhiteSpace(line))
                continue;
            var parts = line.Split([',', ';', '\t', ' '], StringSplitOptions.RemoveEmptyEntries);
            var values = parts
                .Take(3)
                .Select(p =>
                    double.TryParse(p, NumberStyles.Float, CultureInfo.InvariantCulture, out var v)
                    && double.IsFinite(v)
                    && Math.Abs(v) < 1e9
                        ? v
                        : (double?)null
                )
                .ToArray();
            if (values is [{ } x, { } y, { } z])
                levels.TryAdd((x, y), z);
            else if (number > 1)
                findings.Add(
                    Finding.Error(
                        $"line {number}",
                        $"Line {number} is not east, north and level: “{(line.Length > 40 ? line[..40] + "…" : line)}”."
                    )
                );
            if (findings.Count >= 10 || levels.Count > MostPoints)
                break;
        }
        if (levels.Count > MostPoints)
            findings.Add(Finding.Error("", $"There are more than {MostPoints} points."));
        if (findings.Count == 0 && levels.Count < 3)
            findings.Add(Finding.Error("", "A ground needs at least three points."));
        if (findings.Count > 0)
            return (null, findings);
        return Triangulate(levels) is { } ground
            ? (ground, [])
            : (null, [Finding.Error("", "All points lie on one line: they span no ground.")]);
    }

    /// <summary>The next line, or its beginning where it is too long; null at the end.</summary>
    private static string? Line(TextReader text)
    {
        if (text.Peek() < 0)
            return null;
        var line = new StringBuilder();
        for (var c = text.Read(); c >= 0 && c != '\n' && line.Length <= LongestLine; c = text.Read())
        {
            if (c != '\r')
                line.Append((char)c);
        }
        return line.ToString();
    }

    private static Ground? Triangulate(Dictionary<(double X, double Y), double> levels)
    {
        var builder = new DelaunayTriangulationBuilder();
        builder.SetSites(levels.Keys.Select(k => new Coordinate(k.X, k.Y)).ToList());
        Dictionary<(double, double), int> numbers = [];
        List<double> coordinates = [];
        foreach (var ((x, y), z) in levels)
        {
            numbers[(x, y)] = coordinates.Count / 3;
            coordinates.AddRange([x, y, z]);
        }
        var triangles = builder
            .GetTriangles(GeometryFactory.Default)
            .Geometries.Select(t => t.Coordinates.Take(3).Select(c => numbers.GetValueOrDefault((c.X, c.Y), -1)).ToArray())
            .Where(t => t.All(n => n >= 0))
            .SelectMany(t => t)
            .ToArray();
        return triangles.Length == 0 ? null : new([.. coordinates], triangles);
    }
}
