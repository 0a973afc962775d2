using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Pravik.Core.Bridges;
using Pravik.Core.Places;
using Pravik.Core.Quantities;
using Pravik.Core.Runs;
using Pravik.Core.Units;
using Pravik.Data;
using Pravik.Drawings;
using Pravik.Drawings.Views;
using Pravik.Drawings.Writers;
using Pravik.Exchange;
using Pravik.Web.Runs;
using Pravik.Web.Workspaces;

namespace Pravik.Web.Pages;

/// <summary>A value that differs between two points of the history.</summary>
public sealed record ChangedValue(string Name, string Path, string Before, string After);

/// <summary>A figure of both, and by how much it differs.</summary>
public sealed record ComparedFigure(string Name, string Before, string After, string Change)
{
    /// <summary>Whether it is told in words rather than by a number.</summary>
    public bool IsWords { get; init; }
}

/// <summary>
/// Compares two points of a history or two variants: values in words, both shapes over each other, utilisations, quantities and cost side
/// by side. Single differences can be taken over into the bridge as it stands.
/// </summary>
public sealed class CompareModel(ProjectStore store, BridgeHistory edits, GroundStore grounds, RunQueue runs) : PageModel
{
    private const int MostValues = 500;

    /// <summary>A change of a quantity below this part of it is not told.</summary>
    private const double Told = 0.0005;

    /// <summary>The bridge.</summary>
    public string ProjectId { get; private set; } = "";

    /// <summary>The bridge as it stands.</summary>
    public Bridge Bridge { get; private set; } = null!;

    /// <summary>The edit at which it stands.</summary>
    public int Head { get; private set; }

    /// <summary>Revisions that can be chosen.</summary>
    public IReadOnlyList<HistoryEntry> History { get; private set; } = [];

    /// <summary>Variants that can be chosen.</summary>
    public IReadOnlyList<VariantEntry> Variants { get; private set; } = [];

    /// <summary>The older revision.</summary>
    [BindProperty(SupportsGet = true)]
    public int? Before { get; set; }

    /// <summary>The newer revision.</summary>
    [BindProperty(SupportsGet = true)]
    public int? After { get; set; }

    /// <summary>Values that differ.</summary>
    public IReadOnlyList<ChangedValue> Values { get; private set; } = [];

    /// <summary>How many more values differ than are listed.</summary>
    public int MoreValues { get; private set; }

    /// <summary>Worst utilisations of both.</summary>
    public IReadOnlyList<ComparedFigure> Utilisations { get; private set; } = [];

    /// <summary>Quantities that differ, and the cost.</summary>
    public IReadOnlyList<ComparedFigure> Quantities { get; private set; } = [];

    /// <summary>Whether results are still being worked out.</summary>
    public bool Waits { get; private set; }

    /// <summary>Why a difference could not be taken over.</summary>
    [TempData]
    public string? Problem { get; set; }

    /// <summary>Both shapes over each other.</summary>
    public IReadOnlyList<(Drawing Drawing, string Svg)> Drawings { get; private set; } = [];

    /// <summary>Shows the page.</summary>
    public async Task<IActionResult> OnGetAsync(string id)
    {
        if (await store.FindAsync(id) is not { } snapshot)
            return NotFound();
        (ProjectId, Bridge, Head) = (id, snapshot.Bridge, snapshot.Revision);
        (History, Variants) = (await edits.ListAsync(id), await edits.VariantsAsync(id));
        Before ??= History[^1].Revision;
        After ??= snapshot.Revision;
        if (await store.AtAsync(id, Before.Value) is not { } old || await store.AtAsync(id, After.Value) is not { } now)
            return NotFound();
        var units = UnitSystem.Named(UserUnits.For(Request, now).Basis.Units);
        var paths = BridgeEditing.ChangedPaths(old, now);
        MoreValues = Math.Max(0, paths.Count - MostValues);
        Values =
        [
            .. paths
                .Take(MostValues)
                .Select(p => new ChangedValue(
                    ChangeWords.Name(p, now),
                    p,
                    ChangeWords.Value(old, p, units),
                    ChangeWords.Value(now, p, units)
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
        Utilisations = Compare(await ResultsAsync(id, Before.Value, old), await ResultsAsync(id, After.Value, now));
        Quantities = [.. Compare(BillOf(old, was), BillOf(now, geometry), units)];
        return Page();
    }

    /// <summary>Takes a value of one of the compared points over into the bridge as it stands.</summary>
    public async Task<IActionResult> OnPostTakeAsync(string id, int from, string path)
    {
        if (await store.FindAsync(id) is not { } snapshot || await store.AtAsync(id, from) is not { } other)
            return NotFound();
        var (theirs, ours) = (BridgeEditing.ValueAt(other, path), BridgeEditing.ValueAt(snapshot.Bridge, path));
        var operation =
            theirs is null ? "remove"
            : ours is null ? "add"
            : "replace";
        PatchOperation[] patch = [new(operation, path, theirs?.DeepClone())];
        var label = $"{ChangeWords.Name(path, other)} taken from edit {from}";
        var outcome = await store.EditAsync(id, snapshot.Revision, patch, label, Author.Of(Request));
        if (outcome?.Snapshot is { } now)
        {
            await runs.FollowAsync(id, now, outcome);
            if (After == snapshot.Revision)
                After = now.Revision;
            else if (Before == snapshot.Revision)
                Before = now.Revision;
        }
        else
            Problem = outcome?.Refusals.FirstOrDefault()?.Message ?? "It could not be taken over.";
        return RedirectToPage(
            new
            {
                id,
                Before,
                After,
            }
        );
    }

    private async Task<BridgeResults?> ResultsAsync(string id, int revision, Bridge bridge)
    {
        if (runs.Kept(bridge) is { } known)
            return known;
        if (BridgeRun.Refusal(bridge) is not null)
            return null;
        if (revision == Head)
            await runs.RequestAsync(id, revision, bridge);
        else if (!Waits)
            runs.RequestPast(id, revision, bridge);
        Waits = true;
        return null;
    }

    private IReadOnlyList<BillItem> BillOf(Bridge bridge, BridgeGeometry geometry) =>
        Bill.Of(geometry, bridge.Ground is { } g ? grounds.Find(g.Hash) : null);

    /// <summary>Stands for the slab across where girders are numbered: after all of them.</summary>
    private const int OfSlab = int.MaxValue;

    private static IReadOnlyList<ComparedFigure> Compare(BridgeResults? before, BridgeResults? after)
    {
        if (before is null && after is null)
            return [];
        static Dictionary<(int Girder, string Check), double> Worst(BridgeResults? results) =>
            results
                ?.GoverningByGirder()
                .Select(o => (Part: results.Points[o.Point].Girder.Number, Outcome: o))
                .Concat(results.GoverningOfSlabs().Select(s => (Part: OfSlab, s.Outcome)))
                .GroupBy(o => (o.Part, o.Outcome.Name), o => o.Outcome)
                .ToDictionary(g => g.Key, g => g.Max(o => o.Utilisation))
            ?? [];
        static string Show(double? use) => use is { } u ? QuantityText.Fixed(u, 3) : "–";
        var (was, now) = (Worst(before), Worst(after));
        return
        [
            new("All that was checked", before?.Words ?? "not analysed", after?.Words ?? "not analysed", "") { IsWords = true },
            .. was
                .Keys.Union(now.Keys)
                .Order()
                .Select(key =>
                {
                    double? a = was.TryGetValue(key, out var w) ? w : null;
                    double? b = now.TryGetValue(key, out var n) ? n : null;
                    return new ComparedFigure(
                        $"{(key.Girder == OfSlab ? "Slab across" : $"G{key.Girder}")}, {key.Check.ToLowerInvariant()}",
                        Show(a),
                        Show(b),
                        a is null || b is null ? "" : Signed(b.Value - a.Value, 3)
                    );
                }),
        ];
    }

    private static IEnumerable<ComparedFigure> Compare(IReadOnlyList<BillItem> before, IReadOnlyList<BillItem> after, UnitSystem units)
    {
        var (was, now) = (before.ToDictionary(i => i.Key), after.ToDictionary(i => i.Key));
        foreach (var key in was.Keys.Union(now.Keys))
        {
            var (a, b) = (was.GetValueOrDefault(key), now.GetValueOrDefault(key));
            var item = b ?? a!;
            var (x, y) = (a?.Amount ?? 0, b?.Amount ?? 0);
            if (Math.Abs(x - y) <= Told * Math.Max(Math.Abs(x), Math.Abs(y)))
                continue;
            var symbol = item.Kind == QuantityKind.Count ? "no." : units[item.Kind].Symbol;
            var share = x == 0 ? "new" : $"{Signed(100 * (y - x) / x, 1)} %";
            yield return new(
                $"{item.Group}: {item.Words}, {symbol}",
                units.Format(x, item.Kind),
                units.Format(y, item.Kind),
                y == 0 ? "gone" : share
            );
        }
        if (before.Concat(after).Any(i => i.Cost is not null))
        {
            var (x, y) = (before.Sum(i => i.Cost ?? 0), after.Sum(i => i.Cost ?? 0));
            yield return new(
                "Cost of all that have a rate",
                QuantityText.Fixed(x, 0),
                QuantityText.Fixed(y, 0),
                x == 0 ? "" : $"{Signed(100 * (y - x) / x, 1)} %"
            );
        }
    }

    private static string Signed(double value, int digits)
    {
        var text = QuantityText.Fixed(value, digits);
        return value > 0 ? $"+{text}" : text;
    }
}
