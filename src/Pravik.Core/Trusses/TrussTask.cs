using System.Collections.Immutable;

namespace Pravik.Core.Trusses;

/// <summary>By what designs of a task are ranked.</summary>
public enum TaskScore
{
    /// <summary>Least cost of those that pass.</summary>
    Cost,

    /// <summary>Least of the greatest ratios.</summary>
    Ratio,

    /// <summary>Cost times the greatest ratio, of those that pass: cheap with something in hand.</summary>
    Both,
}

/// <summary>A task: what a design has to keep to. The site of its scheme is part of it, and stands.</summary>
public sealed record TrussTask
{
    /// <summary>Name, by which designs of one task are known to belong together.</summary>
    public string Name { get; init; } = "";

    /// <summary>What is asked for, in words.</summary>
    public string Text { get; init; } = "";

    /// <summary>Most joints beside those of the site; null for any number.</summary>
    public int? MostJoints { get; init; }

    /// <summary>Most bars; null for any number.</summary>
    public int? MostBars { get; init; }

    /// <summary>Most different sections; null for any number.</summary>
    public int? MostSections { get; init; }

    /// <summary>Grades that may be used; empty for all.</summary>
    public ImmutableArray<string> Grades { get; init; } = [];

    /// <summary>Families that may be used; empty for all.</summary>
    public ImmutableArray<string> Families { get; init; } = [];

    /// <summary>Most that it may cost; null for any cost.</summary>
    public double? MostCost { get; init; }

    /// <summary>By what designs are ranked.</summary>
    public TaskScore Score { get; init; }

    /// <summary>What a scheme does not keep to, in words with the path where it shows.</summary>
    public static IEnumerable<(string Path, string Words)> Broken(TrussScheme scheme)
    {
        if (scheme.Task is not { } task)
            yield break;
        var sections = scheme.Bars.Select(b => (b.Family, b.Size, b.Grade)).Distinct().Count();
        if (scheme.Joints.Length > task.MostJoints)
            yield return ("/joints", $"The task allows {task.MostJoints} joints beside the site’s; there are {scheme.Joints.Length}.");
        if (scheme.Bars.Length > task.MostBars)
            yield return ("/bars", $"The task allows {task.MostBars} bars; there are {scheme.Bars.Length}.");
        if (sections > task.MostSections)
            yield return ("/bars", $"The task allows {task.MostSections} different sections; there are {sections}.");
        for (var i = 0; i < scheme.Bars.Length; i++)
        {
            var bar = scheme.Bars[i];
            if (!task.Grades.IsEmpty && !task.Grades.Contains(bar.Grade))
                yield return ($"/bars/{i}/grade", $"The task allows {string.Join(", ", task.Grades)}; bar {i + 1} is of {bar.Grade}.");
            if (!task.Families.IsEmpty && !task.Families.Contains(bar.Family))
                yield return (
                    $"/bars/{i}/family",
                    $"The task does not allow {TrussCost.FamilyWords(bar.Family).ToLowerInvariant()}s; bar {i + 1} is one."
                );
        }
        if (TrussCost.Of(scheme).Total is var cost && cost > task.MostCost)
            yield return ("/bars", $"The task allows a cost of {task.MostCost:#,0}; it is {cost:#,0}.");
    }
}
