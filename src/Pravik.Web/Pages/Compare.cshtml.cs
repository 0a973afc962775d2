using System.Text.Json.Nodes;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Pravik.Core.Bridges;
using Pravik.Core.Entries;
using Pravik.Core.Places;
using Pravik.Core.Units;
using Pravik.Data;
using Pravik.Drawings;
using Pravik.Drawings.Views;
using Pravik.Drawings.Writers;
using Pravik.Exchange;

namespace Pravik.Web.Pages;

/// <summary>A value that differs between two points of the history.</summary>
public sealed record ChangedValue(string Name, string Path, string Before, string After);

/// <summary>Compares two points of the history: which values changed, and both shapes drawn over each other.</summary>
public sealed class CompareModel(ProjectStore store) : PageModel
{
    private const int MostValues = 500;

    /// <summary>The bridge.</summary>
    public string ProjectId { get; private set; } = "";

    /// <summary>The bridge as it stands.</summary>
    public Bridge Bridge { get; private set; } = null!;

    /// <summary>Revisions that can be chosen.</summary>
    public IReadOnlyList<HistoryEntry> History { get; private set; } = [];

    /// <summary>The older revision.</summary>
    public int Before { get; private set; }

    /// <summary>The newer revision.</summary>
    public int After { get; private set; }

    /// <summary>Values that differ.</summary>
    public IReadOnlyList<ChangedValue> Values { get; private set; } = [];

    /// <summary>Both shapes over each other.</summary>
    public IReadOnlyList<(Drawing Drawing, string Svg)> Drawings { get; private set; } = [];

    /// <summary>Shows the page.</summary>
    public async Task<IActionResult> OnGetAsync(string id, int? before, int? after)
    {
        if (await store.FindAsync(id) is not { } snapshot)
            return NotFound();
        (ProjectId, History) = (id, await store.HistoryAsync(id));
        (Before, After) = (before ?? History[^1].Revision, after ?? snapshot.Revision);
        if (await store.AtAsync(id, Before) is not { } old || await store.AtAsync(id, After) is not { } now)
            return NotFound();
        Bridge = now;
        var units = UnitSystem.Named(UserUnits.For(Request, now).Basis.Units);
        Values =
        [
            .. BridgeEditing
                .ChangedPaths(old, now)
                .Take(MostValues)
                .Select(p => new ChangedValue(
                    EntryCatalog.At(p)?.Label(p, now) ?? p.Split('/')[^1],
                    p,
                    Show(old, p, units),
                    Show(now, p, units)
                )),
        ];
        var (was, geometry) = (new BridgeGeometry(old), new BridgeGeometry(now));
        var size = ViewSize.Pixels(900, 300);
        var middle = geometry.Axes[geometry.SpanCount / 2].Station / 2 + geometry.Axes[geometry.SpanCount / 2 + 1].Station / 2;
        Drawings =
        [
            .. new[]
            {
                PlanView.Compare(geometry, was, units, size),
                ElevationView.Compare(geometry, was, units, size),
                SectionView.Compare(geometry, was, units, size, middle),
            }.Select(d => (d, SvgWriter.Inline(d))),
        ];
        return Page();
    }

    private static string Show(Bridge bridge, string path, UnitSystem units)
    {
        var node = BridgeEditing.ValueAt(bridge, path);
        if (
            node is JsonValue value
            && value.GetValueKind() == System.Text.Json.JsonValueKind.Number
            && EntryCatalog.At(path) is { Kind: EntryKind.Quantity } field
        )
            return $"{QuantityText.Entered(value.GetValue<double>(), field.Quantity, units)} {units[field.Quantity].Symbol}".TrimEnd();
        var text = node?.ToJsonString() ?? "none";
        return text.Length <= 120 ? text.Trim('"') : $"{text[..120]}…";
    }
}
