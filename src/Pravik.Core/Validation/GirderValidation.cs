using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Places;
using Pravik.Core.Sections;
using Pravik.Core.Units;

namespace Pravik.Core.Validation;

/// <summary>The bounds of what is entered for girders: layout, depth, ranges, single girders, diaphragms and stiffeners.</summary>
internal static class GirderValidation
{
    public static void CheckLists(Girders girders, Bounds bounds)
    {
        List("diaphragms", girders.Diaphragms);
        List("ranges", girders.Ranges);
        List("stiffeners", girders.Stiffeners);
        List("studs", girders.Studs);
        if (girders.Fatigue is null)
            bounds.Error("/girders/fatigue", "Fatigue of steel is missing.");
        else
            List("fatigue/details", girders.Fatigue.Details);

        void List<T>(string name, ImmutableArray<T> list)
        {
            if (list.IsDefault || list.Contains(default!))
                bounds.Error($"/girders/{name}", $"The list of {name}, or one of them, is missing.");
            else if (list.Length > 100)
                bounds.Error($"/girders/{name}", $"There are at most 100 {name}.");
        }
    }

    public static void Sizes(Bridge bridge, Bounds bounds)
    {
        var girders = bridge.Girders;
        bounds.Check("/girders/count", girders.Count);
        bounds.Check("/girders/overhangLeft", girders.OverhangLeft);
        bounds.Check("/girders/overhangRight", girders.OverhangRight);
        Spacings("/girders/spacings", girders.Spacings, bounds);
        if (girders.Course is { } course)
            Course("/girders/course", course, bridge, bounds);
        if (girders.Depth is { } depth)
            Depth("/girders/depth", depth, bounds);
        Spans(bridge, bounds);
        bounds.Check("/girders/endGap", girders.EndGap);
        Single(girders, bounds);
        Ranges(bridge, bounds);
        Diaphragms(bridge, bounds);
        Stiffeners(bridge, bounds);
        Studs(bridge.Girders, bounds);
        Fatigue(bridge.Girders.Fatigue, bounds);
        bounds.Check("/girders/diaphragm/width", girders.Diaphragm.Width);
        bounds.Check("/girders/diaphragm/depth", girders.Diaphragm.Depth);
        if (!bounds.HasErrors)
            Layouts(bridge, bounds);
    }

    /// <summary>
    /// What holds in each span taken together: counts against spacings, girders that are left, courses of depth against sections.
    /// </summary>
    private static void Layouts(Bridge bridge, Bounds bounds)
    {
        var girders = bridge.Girders;
        var sections = new Lazy<GirderSections>(() => new(bridge, GirderLayout.All(bridge)));
        for (var span = 0; span < bridge.Axes.Spans.Length; span++)
        {
            var (layout, where) = (GirderLayout.Of(girders, span, bridge.Axes.Spans.Length), $" in span {span + 1}");
            if (!layout.Spacings.IsEmpty && layout.Spacings.Length != layout.Count - 1)
                bounds.Error(
                    GirderLayout.PathOf(girders, span, "spacings", l => l.Spacings is not null),
                    $"{layout.Count} girders have {layout.Count - 1} spacings between them{where}; {layout.Spacings.Length} were given."
                );
            if (Enumerable.Range(1, layout.Count).All(n => girders.Own.GetValueOrDefault(HaunchLine.Key(n, span))?.Absent == true))
                bounds.Error($"/girders/own/{HaunchLine.Key(1, span)}/absent", $"No girder is left{where}.");
            if (layout.RunsOn && bridge.Axes.Own.GetValueOrDefault($"{span + 2}")?.Kind == AxisKind.Joint)
                bounds.Error(
                    GirderLayout.PathOf(girders, span, "runsOn", l => l.RunsOn is not null),
                    $"Girders cannot run on over axis {span + 2}: the deck has a joint there."
                );
            if (layout.Depth is not { } law || bounds.HasErrors)
                continue;
            var path = GirderLayout.PathOf(girders, span, "depth", l => l.Depth is not null);
            if (
                law.Course == DepthCourse.Arc
                && Math.Max(Math.Abs(law.Start - law.Middle), Math.Abs((law.End ?? law.Start) - law.Middle))
                    > law.Reach * bridge.Axes.Spans[span]
            )
                bounds.Error($"{path}/reach", $"An arc cannot rise that much over its reach{where}.");
            foreach (var shape in sections.Value.UsedIn(span).Select(u => u.Section.Shape).Distinct())
            {
                if (SectionFamily.Named(shape.Family)!.Sizes.All(s => s.Name != "depth"))
                    bounds.Error(
                        path,
                        $"The section “{shape.Name}” has no depth that could change along the girder{where}. Take one of a family "
                            + "with a depth."
                    );
                else if (
                    new[] { law.Least, law.Greatest }
                        .Select(d => (Depth: d, Problem: SectionFamily.Named(shape.Family)!.Problem(MadeSection.Deep(shape, d))))
                        .FirstOrDefault(p => p.Problem is not null) is
                    { Problem: { } problem } at
                )
                    bounds.Error(
                        $"{path}/{(at.Depth == law.Middle ? "middle" : "start")}",
                        $"“{shape.Name}” cannot be "
                            + $"{QuantityText.Entered(at.Depth, QuantityKind.Size, UnitSystem.Named(bridge.Basis.Units))} "
                            + $"{UnitSystem.Named(bridge.Basis.Units)[QuantityKind.Size].Symbol} deep{where}: {problem.Message}"
                    );
            }
            // The same fault in other spans needs no second word.
            if (bounds.HasErrors)
                return;
        }
    }

    private static void Spans(Bridge bridge, Bounds bounds)
    {
        var girders = bridge.Girders;
        foreach (var (key, own) in girders.Spans)
        {
            var path = $"/girders/spans/{key}";
            if (!int.TryParse(key, out var span) || $"{span}" != key || span is < 1 or > 30)
                bounds.Error(path, $"“{key}” is not the number of a span.");
            else if (own is null)
                bounds.Error(path, "This part is missing.");
            else
            {
                bounds.Check($"{path}/count", own.Count);
                bounds.Check($"{path}/overhangLeft", own.OverhangLeft);
                bounds.Check($"{path}/overhangRight", own.OverhangRight);
                bounds.Check($"{path}/startGap", own.StartGap);
                bounds.Check($"{path}/endGap", own.EndGap);
                Spacings($"{path}/spacings", own.Spacings, bounds);
                if (own.Course is { } course)
                    Course($"{path}/course", course, bridge, bounds);
                if (own.Depth is { } depth)
                    Depth($"{path}/depth", depth, bounds);
                if (own.Follows is { } follows && (!int.TryParse(follows, out var other) || other is < 1 or > 30))
                    bounds.Error($"{path}/follows", $"“{follows}” is not the number of a span.");
            }
        }
        // A circle is told once every span by itself is sound.
        if (!bounds.HasErrors)
            foreach (var key in girders.Spans.Keys.Where(k => GirderLayout.IsCircular(girders, int.Parse(k) - 1)))
                bounds.Error($"/girders/spans/{key}/follows", $"Span {key} would follow itself in a circle.");
    }

    private static void Spacings(string path, ImmutableArray<double>? list, Bounds bounds)
    {
        if (list is not { } spacings)
            return;
        if (spacings.IsDefault)
            bounds.Error(path, "The list of spacings is missing.");
        else
            for (var i = 0; i < spacings.Length; i++)
                bounds.Check($"{path}/{i}", spacings[i]);
    }

    private static void Course(string path, string course, Bridge bridge, Bounds bounds) =>
        bounds.Among(path, course, [Girders.Straight, Girders.WithRoad, .. bridge.Road.Features.Select(f => f.Name)]);

    /// <summary>A law of depth at a path; where it is no entry of a bridge, <paramref name="entry"/> is one that is.</summary>
    public static void Depth(string path, DepthLaw law, Bounds bounds, string? entry = null)
    {
        entry ??= path;
        bounds.Known($"{path}/course", law.Course, $"{entry}/course");
        bounds.Check($"{path}/start", law.Start, entry: $"{entry}/start");
        bounds.Check($"{path}/end", law.End, entry: $"{entry}/end");
        bounds.Check($"{path}/middle", law.Middle, entry: $"{entry}/middle");
        bounds.Check($"{path}/reach", law.Reach, entry: $"{entry}/reach");
    }

    private static void Single(Girders girders, Bounds bounds)
    {
        foreach (var (key, own) in girders.Own)
        {
            var path = $"/girders/own/{key}";
            if (
                key.Split('-') is not [var girder, var span]
                || !int.TryParse(girder, out var g)
                || !int.TryParse(span, out var s)
                || $"{g}-{s}" != key
                || g is < 1 or > 40
                || s is < 1 or > 30
            )
                bounds.Error(path, $"“{key}” is not the number of a girder and of a span, as in 3-2.");
            else if (own is null)
                bounds.Error(path, "This part is missing.");
            else
            {
                bounds.Check($"{path}/haunch", own.Haunch);
                bounds.Check($"{path}/camber", own.Camber);
                bounds.Check($"{path}/shift", own.Shift);
            }
        }
    }

    private static void Ranges(Bridge bridge, Bounds bounds)
    {
        for (var i = 0; i < bridge.Girders.Ranges.Length; i++)
        {
            var (range, path) = (bridge.Girders.Ranges[i], $"/girders/ranges/{i}");
            Stretch(path, $"range {i + 1}", range.Span, range.From, range.To, bounds);
            if (range.Section is { } name)
                bounds.Among($"{path}/section", name, [.. bridge.Sections.Select(s => s.Name)]);
        }
    }

    /// <summary>A part of a span: its number, from where to where.</summary>
    private static void Stretch(string path, string words, int? span, double from, double to, Bounds bounds)
    {
        bounds.Check($"{path}/span", span);
        bounds.Check($"{path}/from", from);
        bounds.Check($"{path}/to", to);
        if (from >= to)
            bounds.Error($"{path}/to", $"The {words} ends before it begins.");
    }

    private static void Diaphragms(Bridge bridge, Bounds bounds)
    {
        var girders = bridge.Girders;
        for (var i = 0; i < girders.Diaphragms.Length; i++)
        {
            var (placed, path) = (girders.Diaphragms[i], $"/girders/diaphragms/{i}");
            bounds.Check($"{path}/span", placed.Span);
            bounds.Known($"{path}/kind", placed.Kind);
            bounds.Known($"{path}/stage", placed.Stage);
            bounds.Check($"{path}/at", placed.At);
            var shortest = bridge.Axes.Spans.Where((_, span) => placed.IsIn(span)).DefaultIfEmpty(120).Min();
            bounds.Check($"{path}/distance", placed.Distance, greatest: shortest);
            bounds.Check($"{path}/width", placed.Width);
            bounds.Check($"{path}/depth", placed.Depth);
            var most = girders.Spans.Values.Select(s => s.Count ?? 0).Append(girders.Count).Max();
            if (
                (placed.FirstBay ?? 1) < 1
                || (placed.FirstBay ?? 1) > (placed.LastBay ?? Math.Max(1, most - 1))
                || placed.LastBay > most - 1
            )
                bounds.Error($"{path}/lastBay", $"There are {most - 1} bays between {most} girders, counted from the left.");
            if (placed.Kind == DiaphragmKind.Concrete)
                continue;
            if (
                placed.Section is { } name
                && bounds.Among($"{path}/section", name, [.. bridge.Sections.Select(s => s.Name)])
                && !SectionFamily.IsSteel(bridge.Sections.First(s => s.Name == name))
            )
                bounds.Error($"{path}/section", $"Bars of diaphragm {i + 1} are of steel; “{name}” is of concrete.");
            else if (!bridge.Sections.Any(SectionFamily.IsSteel))
                bounds.Error(
                    $"{path}/kind",
                    $"Diaphragm {i + 1} is of steel, and the bridge has no section of steel for its bars. Add one to the design sections."
                );
        }
    }

    private static void Studs(Girders girders, Bounds bounds)
    {
        for (var i = 0; i < girders.Studs.Length; i++)
        {
            var (zone, path) = (girders.Studs[i], $"/girders/studs/{i}");
            Stretch(path, $"stud zone {i + 1}", zone.Span, zone.From, zone.To, bounds);
            bounds.Check($"{path}/perRow", zone.PerRow);
            bounds.Check($"{path}/spacing", zone.Spacing);
            bounds.Check($"{path}/diameter", zone.Diameter);
            bounds.Check($"{path}/height", zone.Height);
            bounds.Check($"{path}/across", zone.Across);
        }
    }

    private static void Fatigue(SteelFatigue fatigue, Bounds bounds)
    {
        bounds.Check("/girders/fatigue/trucksADay", fatigue.TrucksADay);
        bounds.Check("/girders/fatigue/years", fatigue.Years);
        for (var i = 0; i < fatigue.Details.Length; i++)
        {
            var (detail, path) = (fatigue.Details[i], $"/girders/fatigue/details/{i}");
            bounds.Among($"{path}/category", detail.Category, FatigueDetail.Categories);
            bounds.Check($"{path}/level", detail.Level);
            Stretch(path, $"fatigue detail {i + 1}", detail.Span, detail.From, detail.To, bounds);
        }
    }

    private static void Stiffeners(Bridge bridge, Bounds bounds)
    {
        for (var i = 0; i < bridge.Girders.Stiffeners.Length; i++)
        {
            var (stiffener, path) = (bridge.Girders.Stiffeners[i], $"/girders/stiffeners/{i}");
            bounds.Known($"{path}/kind", stiffener.Kind);
            Stretch(path, $"stiffener {i + 1}", stiffener.Span, stiffener.From, stiffener.To, bounds);
            bounds.Check($"{path}/spacing", stiffener.Spacing);
            bounds.Check($"{path}/height", stiffener.Height);
            bounds.Check($"{path}/width", stiffener.Width);
            bounds.Check($"{path}/thickness", stiffener.Thickness);
        }
    }
}
