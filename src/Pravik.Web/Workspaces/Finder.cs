using System.Runtime.CompilerServices;
using Pravik.Core.Bridges;
using Pravik.Core.Places;
using Pravik.Data;
using Pravik.Web.Steps;

namespace Pravik.Web.Workspaces;

/// <summary>Something that can be gone to: a value (its path is focused) or a part (it is picked).</summary>
public sealed record FoundPlace(string Words, string Where, string Step, string? Path, string? Pick);

/// <summary>Finds values and parts by name.</summary>
public static class Finder
{
    private const int Most = 12;

    /// <summary>All places of the bridges that are being searched: the text changes with each key, the bridge does not.</summary>
    private static readonly ConditionalWeakTable<Bridge, IReadOnlyList<FoundPlace>> Known = [];

    /// <summary>Values and parts whose words hold all that was typed.</summary>
    public static IReadOnlyList<FoundPlace> Find(Snapshot snapshot, string text)
    {
        var words = text.Split(' ', StringSplitOptions.RemoveEmptyEntries);
        if (words.Length == 0)
            return [];
        return
        [
            .. Known
                .GetValue(snapshot.Bridge, _ => [.. Everything(snapshot)])
                .Where(p => words.All(w => $"{p.Words} {p.Where} {p.Step}".Contains(w, StringComparison.OrdinalIgnoreCase)))
                .Take(Most),
        ];
    }

    private static IEnumerable<FoundPlace> Everything(Snapshot snapshot)
    {
        var geometry = new BridgeGeometry(snapshot.Bridge);
        foreach (var axis in geometry.Axes)
            yield return new($"Axis {axis.Name}", "axes", "axes", null, PartPath.Axis(axis));
        foreach (var (girder, span) in geometry.Pieces)
        {
            yield return new($"{girder.Name}, span {span + 1}", "girder", "girders", null, PartPath.Girder(girder, span));
        }
        foreach (var step in StepCatalog.All.Where(s => s.Id is not ("checks" or "analysis")))
        {
            var screen = new Screen(snapshot, Around.Nothing, RunsSeen.Nothing, new() { Step = step.Id }, geometry);
            var ledger = step.Ledger(screen);
            foreach (var group in ledger.Groups)
            {
                foreach (var row in group.Rows.Where(r => r.Path is not null))
                    yield return new(row.Name, group.Title, step.Id, row.Path, null);
            }
        }
    }
}
