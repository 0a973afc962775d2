using System.Collections.Immutable;
using Pravik.Core.Sections;
using Pravik.Core.Units;

namespace Pravik.Core.Validation;

/// <summary>The bounds of sections of members: names, families, sizes, own outlines.</summary>
internal static class SectionValidation
{
    public static void CheckLists(ImmutableArray<SectionShape> sections, Bounds bounds)
    {
        if (sections.IsDefaultOrEmpty || sections.Contains(null!))
            bounds.Error("/sections", "A bridge has at least one section in its list, and none may be missing.");
        else if (sections.Length > 100)
            bounds.Error("/sections", "There are at most 100 sections.");
        else
        {
            for (var i = 0; i < sections.Length; i++)
            {
                var s = sections[i];
                if (
                    s.Sizes is null
                    || s.Outlines.IsDefault
                    || s.StressPoints.IsDefault
                    || s.StressPoints.Contains(null!)
                    || s.Outlines.Any(o => o is null || o.Corners.IsDefault || o.Corners.Contains(null!))
                )
                    bounds.Error($"/sections/{i}", "A list of this section, or an item of it, is missing.");
            }
        }
    }

    public static void Check(ImmutableArray<SectionShape> sections, Bounds bounds)
    {
        for (var i = 0; i < sections.Length; i++)
        {
            var (section, path) = (sections[i], $"/sections/{i}");
            bounds.Text($"{path}/name", section.Name);
            if (string.IsNullOrWhiteSpace(section.Name))
                bounds.Error($"{path}/name", "The section needs a name.");
            else if (sections.Take(i).Any(s => s.Name == section.Name))
                bounds.Error($"{path}/name", $"There are two sections named “{section.Name}”.");
            if (!bounds.Among($"{path}/family", section.Family ?? "", [.. SectionFamily.All.Select(f => f.Name)]))
                continue;
            Sizes(section, path, bounds);
        }
    }

    private static void Sizes(SectionShape section, string path, Bounds bounds)
    {
        var family = SectionFamily.Named(section.Family)!;
        var before = bounds.Findings.Count;
        foreach (var size in family.Sizes)
        {
            var value = section.Size(size.Name);
            bounds.Between(
                $"{path}/sizes/{size.Name}",
                size.Words,
                value,
                size.Least,
                size.Greatest,
                size.IsCount ? QuantityKind.Count : QuantityKind.Size
            );
            if (size.IsCount && value != Math.Round(value))
                bounds.Error($"{path}/sizes/{size.Name}", $"{size.Words} is a whole number.");
        }
        foreach (var name in section.Sizes.Keys.Where(n => SectionFamily.All.All(f => f.Sizes.All(s => s.Name != n))))
            bounds.Error($"{path}/sizes/{name}", $"“{name}” is not a size of any family.");
        if (section.Outlines.Length > 30)
            bounds.Error($"{path}/outlines", "A section has at most 30 outlines.");
        for (var i = 0; i < section.Outlines.Length; i++)
        {
            var outline = section.Outlines[i];
            if (outline.Corners.Length is < 3 or > 600)
                bounds.Error($"{path}/outlines/{i}/corners", $"Outline {i + 1} has {outline.Corners.Length} corners; 3 to 600 are taken.");
            bounds.Check($"{path}/outlines/{i}/weight", outline.Weight);
            for (var k = 0; k < outline.Corners.Length; k++)
            {
                bounds.Check($"{path}/outlines/{i}/corners/{k}/x", outline.Corners[k].X);
                bounds.Check($"{path}/outlines/{i}/corners/{k}/y", outline.Corners[k].Y);
            }
        }
        if (section.StressPoints.Length > 50)
            bounds.Error($"{path}/stressPoints", "There are at most 50 stress points.");
        for (var i = 0; i < section.StressPoints.Length; i++)
        {
            bounds.Text($"{path}/stressPoints/{i}/name", section.StressPoints[i].Name);
            bounds.Check($"{path}/stressPoints/{i}/x", section.StressPoints[i].X);
            bounds.Check($"{path}/stressPoints/{i}/y", section.StressPoints[i].Y);
        }
        if (bounds.Findings.Count == before && family.Problem(section) is { } problem)
            bounds.Error(
                problem.Size.StartsWith("outlines", StringComparison.Ordinal) ? $"{path}/{problem.Size}" : $"{path}/sizes/{problem.Size}",
                problem.Message
            );
    }
}
