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
        bounds.Between("/girders/count", "Number of girders", girders.Count, 1, 40, QuantityKind.Count);
        bounds.Between("/girders/overhangLeft", "Overhang on the left", girders.OverhangLeft, 0, 10, QuantityKind.Length);
        bounds.Own("/girders/overhangRight", "Overhang on the right", girders.OverhangRight, 0, 10, QuantityKind.Length);
        Spacings("/girders/spacings", girders.Spacings, "", bounds);
        if (girders.Course is { } course)
            Course("/girders/course", course, bridge, bounds);
        if (girders.Depth is { } depth)
            Depth("/girders/depth", "", depth, bounds);
        Spans(bridge, bounds);
        bounds.Between("/girders/endGap", "End gap", girders.EndGap, 0, 1.5, QuantityKind.Size);
        Single(girders, bounds);
        Ranges(bridge, bounds);
        Diaphragms(bridge, bounds);
        Stiffeners(bridge, bounds);
        bounds.Between("/girders/diaphragm/width", "Diaphragm width", girders.Diaphragm.Width, 0.1, 5, QuantityKind.Size);
        bounds.Between("/girders/diaphragm/depth", "Diaphragm depth", girders.Diaphragm.Depth, 0.1, 5, QuantityKind.Size);
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
                bounds.Own($"{path}/count", $"Number of girders in span {key}", own.Count, 1, 40, QuantityKind.Count);
                bounds.Own($"{path}/overhangLeft", $"Overhang on the left in span {key}", own.OverhangLeft, 0, 10, QuantityKind.Length);
                bounds.Own($"{path}/overhangRight", $"Overhang on the right in span {key}", own.OverhangRight, 0, 10, QuantityKind.Length);
                bounds.Own($"{path}/startGap", $"Gap at the beginning of span {key}", own.StartGap, 0, 1.5, QuantityKind.Size);
                bounds.Own($"{path}/endGap", $"Gap at the end of span {key}", own.EndGap, 0, 1.5, QuantityKind.Size);
                Spacings($"{path}/spacings", own.Spacings, $" in span {key}", bounds);
                if (own.Course is { } course)
                    Course($"{path}/course", course, bridge, bounds);
                if (own.Depth is { } depth)
                    Depth($"{path}/depth", $" in span {key}", depth, bounds);
                if (own.Follows is { } follows && (!int.TryParse(follows, out var other) || other is < 1 or > 30))
                    bounds.Error($"{path}/follows", $"“{follows}” is not the number of a span.");
            }
        }
        // A circle is told once every span by itself is sound.
        if (!bounds.HasErrors)
            foreach (var key in girders.Spans.Keys.Where(k => GirderLayout.IsCircular(girders, int.Parse(k) - 1)))
                bounds.Error($"/girders/spans/{key}/follows", $"Span {key} would follow itself in a circle.");
    }

    private static void Spacings(string path, ImmutableArray<double>? list, string where, Bounds bounds)
    {
        if (list is not { } spacings)
            return;
        if (spacings.IsDefault)
            bounds.Error(path, "The list of spacings is missing.");
        else
            for (var i = 0; i < spacings.Length; i++)
                bounds.Between($"{path}/{i}", $"Spacing {i + 1}{where}", spacings[i], 0.1, 20, QuantityKind.Length);
    }

    private static void Course(string path, string course, Bridge bridge, Bounds bounds) =>
        bounds.Among(
            path,
            "What girders follow",
            course,
            [Girders.Straight, Girders.WithRoad, .. bridge.Road.Features.Select(f => f.Name)]
        );

    private static void Depth(string path, string where, DepthLaw law, Bounds bounds)
    {
        if (!Enum.IsDefined(law.Course))
            bounds.Error($"{path}/course", "How the depth goes is not known.");
        bounds.Between($"{path}/start", $"Depth at the first axis{where}", law.Start, 0.1, 10, QuantityKind.Size);
        bounds.Own($"{path}/end", $"Depth at the second axis{where}", law.End, 0.1, 10, QuantityKind.Size);
        bounds.Between($"{path}/middle", $"Depth half way{where}", law.Middle, 0.1, 10, QuantityKind.Size);
        bounds.Between($"{path}/reach", $"Reach of the change of depth{where}", law.Reach, 0.02, 0.5, QuantityKind.Number);
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
                bounds.Own($"{path}/haunch", $"Haunch over the bearings of girder {g}, span {s}", own.Haunch, -0.5, 1, QuantityKind.Size);
                bounds.Own($"{path}/camber", $"Camber of girder {g}, span {s}", own.Camber, -0.3, 0.5, QuantityKind.Size);
                bounds.Own($"{path}/shift", $"Shift of girder {g}, span {s}", own.Shift, -5, 5, QuantityKind.Length);
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
                bounds.Among($"{path}/section", "Section", name, [.. bridge.Sections.Select(s => s.Name)]);
        }
    }

    /// <summary>A part of a span: its number, from where to where.</summary>
    private static void Stretch(string path, string words, int? span, double from, double to, Bounds bounds)
    {
        if (span is < 1 or > 30)
            bounds.Error($"{path}/span", "Spans are counted from 1.");
        bounds.Between($"{path}/from", $"Beginning of {words}", from, 0, 1, QuantityKind.Number);
        bounds.Between($"{path}/to", $"End of {words}", to, 0, 1, QuantityKind.Number);
        if (from >= to)
            bounds.Error($"{path}/to", $"The {words} ends before it begins.");
    }

    private static void Diaphragms(Bridge bridge, Bounds bounds)
    {
        var girders = bridge.Girders;
        for (var i = 0; i < girders.Diaphragms.Length; i++)
        {
            var (placed, path) = (girders.Diaphragms[i], $"/girders/diaphragms/{i}");
            if (placed.Span is < 1 or > 30)
                bounds.Error($"{path}/span", "Spans are counted from 1.");
            if (!Enum.IsDefined(placed.Kind))
                bounds.Error($"{path}/kind", $"The kind of diaphragm {i + 1} is not known.");
            if (!Enum.IsDefined(placed.Stage))
                bounds.Error($"{path}/stage", $"The stage of diaphragm {i + 1} is not known.");
            bounds.Between($"{path}/at", $"Place of diaphragm {i + 1}", placed.At, 0, 1, QuantityKind.Number);
            var shortest = bridge.Axes.Spans.Where((_, span) => placed.IsIn(span)).DefaultIfEmpty(120).Min();
            bounds.Own(
                $"{path}/distance",
                $"Distance of diaphragm {i + 1} from the axis",
                placed.Distance,
                0,
                shortest,
                QuantityKind.Length
            );
            bounds.Between($"{path}/width", $"Width of diaphragm {i + 1}", placed.Width, 0.1, 3, QuantityKind.Size);
            bounds.Between($"{path}/depth", $"Depth of diaphragm {i + 1}", placed.Depth, 0.1, 4, QuantityKind.Size);
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
                && bounds.Among($"{path}/section", "Section", name, [.. bridge.Sections.Select(s => s.Name)])
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

    private static void Stiffeners(Bridge bridge, Bounds bounds)
    {
        for (var i = 0; i < bridge.Girders.Stiffeners.Length; i++)
        {
            var (stiffener, path) = (bridge.Girders.Stiffeners[i], $"/girders/stiffeners/{i}");
            if (!Enum.IsDefined(stiffener.Kind))
                bounds.Error($"{path}/kind", $"The kind of stiffener {i + 1} is not known.");
            Stretch(path, $"stiffener {i + 1}", stiffener.Span, stiffener.From, stiffener.To, bounds);
            bounds.Own($"{path}/spacing", $"Distance between stiffeners {i + 1}", stiffener.Spacing, 0.1, 120, QuantityKind.Length);
            bounds.Between($"{path}/height", $"Height of stiffener {i + 1}", stiffener.Height, 0.05, 0.95, QuantityKind.Number);
            bounds.Between($"{path}/width", $"Width of stiffener {i + 1}", stiffener.Width, 0.02, 1, QuantityKind.Size);
            bounds.Between($"{path}/thickness", $"Thickness of stiffener {i + 1}", stiffener.Thickness, 0.004, 0.1, QuantityKind.Size);
        }
    }
}
