using System.Collections.Immutable;
using Pravik.Core.Roads;
using Pravik.Core.Units;

namespace Pravik.Core.Validation;

/// <summary>The bounds of a road: its line, profile, crossfalls and station equations.</summary>
internal static class RoadValidation
{
    private const int MostElements = 5000;
    private const double GreatestCrossfall = 0.15;

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
        bounds.Text("/road/name", "The road's name", road.Name, 120);
        bounds.Between("/road/startStation", "The road's first station", road.StartStation, -1e6, 1e6, QuantityKind.Length);
        bounds.Between("/road/startEast", "Easting", road.StartEast, -1e8, 1e8, QuantityKind.Length);
        bounds.Between("/road/startNorth", "Northing", road.StartNorth, -1e8, 1e8, QuantityKind.Length);
        bounds.Between("/road/azimuth", "Azimuth", road.Azimuth, -4 * Math.PI, 4 * Math.PI, QuantityKind.Angle);
        if (!Enum.IsDefined(road.Entry))
            bounds.Error("/road/entry", "The line is entered as elements or as points.");
        if (road.Elements.IsEmpty && road.Entry == LineEntry.Elements)
            bounds.Error("/road/elements", "The line has no element.");
        Elements("/road/elements", road.Elements, bounds);
        Features(road.Features, bounds);
        Points(road, bounds);
        Profile(road.Profile, bounds);
        Rising("crossfalls", "Crossfall", [.. road.Crossfalls.Select(c => c.Station)], bounds);
        for (var i = 0; i < road.Crossfalls.Length; i++)
        {
            bounds.Between(
                $"/road/crossfalls/{i}/left",
                $"Crossfall {i + 1} left",
                road.Crossfalls[i].Left,
                -GreatestCrossfall,
                GreatestCrossfall,
                QuantityKind.Slope
            );
            bounds.Between(
                $"/road/crossfalls/{i}/right",
                $"Crossfall {i + 1} right",
                road.Crossfalls[i].Right,
                -GreatestCrossfall,
                GreatestCrossfall,
                QuantityKind.Slope
            );
        }
        Rising("equations", "Station equation", [.. road.Equations.Select(e => e.At)], bounds);
    }

    /// <summary>Other lines of the road: named differently, and each element sound.</summary>
    private static void Features(ImmutableArray<RoadFeature> features, Bounds bounds)
    {
        for (var i = 0; i < features.Length; i++)
        {
            bounds.Text($"/road/features/{i}/name", "The name of the line", features[i].Name, 120);
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
            bounds.Between($"{path}/length", $"Length of element {i + 1}", element.Length, 1e-6, 100e3, QuantityKind.Length);
            Radius($"{path}/startRadius", $"Radius at the start of element {i + 1} (without sign)", element.StartRadius);
            Radius($"{path}/endRadius", $"Radius at the end of element {i + 1} (without sign)", element.EndRadius);
            if (element.Start is not { } start)
                continue;
            bounds.Between($"{path}/start/east", $"Easting of element {i + 1}", start.East, -1e8, 1e8, QuantityKind.Length);
            bounds.Between($"{path}/start/north", $"Northing of element {i + 1}", start.North, -1e8, 1e8, QuantityKind.Length);
            bounds.Between($"{path}/start/azimuth", $"Azimuth of element {i + 1}", start.Azimuth, -100, 100, QuantityKind.Angle);
        }

        void Radius(string path, string name, double? radius)
        {
            if (radius is { } r)
                bounds.Between(path, name, Math.Abs(r), 5, 1e7, QuantityKind.Length);
        }
    }

    private static void Points(Road road, Bounds bounds)
    {
        for (var i = 0; i < road.Points.Length; i++)
        {
            var (point, path) = (road.Points[i], $"/road/points/{i}");
            bounds.Between($"{path}/east", $"Easting of point {i + 1}", point.East, -1e8, 1e8, QuantityKind.Length);
            bounds.Between($"{path}/north", $"Northing of point {i + 1}", point.North, -1e8, 1e8, QuantityKind.Length);
            bounds.Own($"{path}/radius", $"Radius at point {i + 1}", point.Radius, 5, 1e7, QuantityKind.Length);
            bounds.Between($"{path}/transitionIn", $"Transition into point {i + 1}", point.TransitionIn, 0, 10e3, QuantityKind.Length);
            bounds.Between($"{path}/transitionOut", $"Transition out of point {i + 1}", point.TransitionOut, 0, 10e3, QuantityKind.Length);
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
            bounds.Between($"{path}/station", $"Station of profile point {i + 1}", point.Station, -1e6, 2e6, QuantityKind.Length);
            bounds.Between($"{path}/level", $"Level of profile point {i + 1}", point.Level, -500, 9000, QuantityKind.Length);
            bounds.Between(
                $"{path}/curveLength",
                $"Vertical curve at profile point {i + 1}",
                point.CurveLength,
                0,
                10e3,
                QuantityKind.Length
            );
            bounds.Own(
                $"{path}/curveLengthOut",
                $"Vertical curve after profile point {i + 1}",
                point.CurveLengthOut,
                0,
                10e3,
                QuantityKind.Length
            );
            bounds.Own(
                $"{path}/radius",
                $"Radius of the vertical curve at profile point {i + 1}",
                point.Radius,
                10,
                1e7,
                QuantityKind.Length
            );
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
            bounds.Between(
                $"/road/{list}/{i}/{(list == "equations" ? "at" : "station")}",
                $"Station of {name.ToLowerInvariant()} {i + 1}",
                stations[i],
                -1e6,
                2e6,
                QuantityKind.Length
            );
            if (i > 0 && stations[i] - stations[i - 1] < 1e-6)
                bounds.Error(
                    $"/road/{list}/{i}/{(list == "equations" ? "at" : "station")}",
                    $"{name} {i + 1} does not lie beyond the one before it."
                );
        }
    }
}
