using System.Collections.Immutable;
using Pravik.Core.Roads;

namespace Pravik.Core.Validation;

/// <summary>The bounds of a road: its line, profile, crossfalls and station equations.</summary>
internal static class RoadValidation
{
    private const int MostElements = 5000;

    /// <summary>JSON can leave out lists and their items.</summary>
    public static void CheckLists(Road road, Bounds bounds)
    {
        List("elements", road.Elements);
        List("points", road.Points);
        List("profile", road.Profile);
        List("crossfalls", road.Crossfalls);
        List("equations", road.Equations);
        List("features", road.Features);
        for (var i = 0; !road.Features.IsDefault && i < road.Features.Length; i++)
        {
            if (
                road.Features[i] is { Elements: { IsDefault: true } or { IsEmpty: true } }
                || road.Features[i]?.Elements.Contains(null!) == true
            )
                bounds.Error($"/road/features/{i}/elements", "The line has no element, or one is missing.");
        }

        void List<T>(string name, ImmutableArray<T> items)
        {
            if (items.IsDefault)
                bounds.Error($"/road/{name}", "This list is missing.");
            else if (items.Length > MostElements)
                bounds.Error($"/road/{name}", $"A road has at most {MostElements} of them; {items.Length} were given.");
            else if (items.Any(i => i is null))
                bounds.Error($"/road/{name}", "An item of this list is missing.");
        }
    }

    public static void Check(Road road, Bounds bounds)
    {
        bounds.Text("/road/name", road.Name);
        bounds.Check("/road/startStation", road.StartStation);
        bounds.Check("/road/startEast", road.StartEast);
        bounds.Check("/road/startNorth", road.StartNorth);
        bounds.Check("/road/azimuth", road.Azimuth);
        bounds.Known("/road/entry", road.Entry);
        if (road.Elements.IsEmpty && road.Entry == LineEntry.Elements)
            bounds.Error("/road/elements", "The line has no element.");
        Elements("/road/elements", road.Elements, bounds);
        Features(road.Features, bounds);
        Points(road, bounds);
        Profile(road.Profile, bounds);
        Rising("crossfalls", "Crossfall", [.. road.Crossfalls.Select(c => c.Station)], bounds);
        for (var i = 0; i < road.Crossfalls.Length; i++)
        {
            bounds.Check($"/road/crossfalls/{i}/left", road.Crossfalls[i].Left);
            bounds.Check($"/road/crossfalls/{i}/right", road.Crossfalls[i].Right);
        }
        Rising("equations", "Station equation", [.. road.Equations.Select(e => e.At)], bounds);
        for (var i = 0; i < road.Equations.Length; i++)
        {
            bounds.Check($"/road/equations/{i}/back", road.Equations[i].Back);
            bounds.Check($"/road/equations/{i}/ahead", road.Equations[i].Ahead);
        }
    }

    /// <summary>Other lines of the road: named differently, and each element sound.</summary>
    private static void Features(ImmutableArray<RoadFeature> features, Bounds bounds)
    {
        for (var i = 0; i < features.Length; i++)
        {
            bounds.Text($"/road/features/{i}/name", features[i].Name);
            if (features.Take(i).Any(f => f.Name == features[i].Name))
                bounds.Error($"/road/features/{i}/name", $"There are two lines named “{features[i].Name}”.");
            if (features[i].Elements[0].Start is null)
                bounds.Error($"/road/features/{i}/elements/0/start", "The first element of a line beside the road needs a start.");
            Elements($"/road/features/{i}/elements", features[i].Elements, bounds);
        }
    }

    private static void Elements(string list, ImmutableArray<RoadElement> elements, Bounds bounds)
    {
        for (var i = 0; i < elements.Length; i++)
        {
            var (element, path) = (elements[i], $"{list}/{i}");
            bounds.Check($"{path}/length", element.Length);
            bounds.Check($"{path}/startRadius", element.StartRadius);
            bounds.Check($"{path}/endRadius", element.EndRadius);
            if (!bounds.HasErrors && LineSegment.Problem(element.Length, element.StartRadius, element.EndRadius) is { } problem)
                bounds.Error($"{path}/length", $"Element {i + 1} {problem}.", "Shorten it, or take a greater radius.");
            if (element.Start is not { } start)
                continue;
            bounds.Check($"{path}/start/east", start.East);
            bounds.Check($"{path}/start/north", start.North);
            bounds.Check($"{path}/start/azimuth", start.Azimuth);
        }
    }

    private static void Points(Road road, Bounds bounds)
    {
        for (var i = 0; i < road.Points.Length; i++)
        {
            var (point, path) = (road.Points[i], $"/road/points/{i}");
            bounds.Check($"{path}/east", point.East);
            bounds.Check($"{path}/north", point.North);
            bounds.Check($"{path}/radius", point.Radius);
            bounds.Check($"{path}/transitionIn", point.TransitionIn);
            bounds.Check($"{path}/transitionOut", point.TransitionOut);
        }
        if (road.Entry == LineEntry.Points && !bounds.HasErrors)
            bounds.Findings.AddRange(LineBuilder.FromPoints(road.Points).Findings);
    }

    private static void Profile(ImmutableArray<ProfilePoint> points, Bounds bounds)
    {
        if (points.IsEmpty)
            bounds.Error("/road/profile", "The road has no profile: a bridge needs at least one level.");
        for (var i = 0; i < points.Length; i++)
        {
            var (point, path) = (points[i], $"/road/profile/{i}");
            bounds.Check($"{path}/station", point.Station);
            bounds.Check($"{path}/level", point.Level);
            bounds.Check($"{path}/curveLength", point.CurveLength);
            bounds.Check($"{path}/curveLengthOut", point.CurveLengthOut);
            bounds.Check($"{path}/radius", point.Radius);
        }
        if (bounds.HasErrors)
            return;
        if (ProfileChecks.Problem(points) is { } problem)
            bounds.Error($"/road/profile/{problem.Point}/station", $"The profile does not hold: {problem.Reason}");
        for (var i = 1; i < points.Length; i++)
        {
            var grade = (points[i].Level - points[i - 1].Level) / (points[i].Station - points[i - 1].Station);
            if (Math.Abs(grade) > 0.3)
                bounds.Error(
                    $"/road/profile/{i}/level",
                    $"Between profile points {i} and {i + 1} the grade would be {grade * 100:0.#} %; up to 30 % is taken."
                );
        }
    }

    private static void Rising(string list, string name, ImmutableArray<double> stations, Bounds bounds)
    {
        for (var i = 0; i < stations.Length; i++)
        {
            bounds.Check($"/road/{list}/{i}/{(list == "equations" ? "at" : "station")}", stations[i]);
            if (i > 0 && stations[i] - stations[i - 1] < 1e-6)
                bounds.Error(
                    $"/road/{list}/{i}/{(list == "equations" ? "at" : "station")}",
                    $"{name} {i + 1} does not lie beyond the one before it."
                );
        }
    }
}
