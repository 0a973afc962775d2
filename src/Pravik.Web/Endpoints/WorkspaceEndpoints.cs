using Pravik.Core.Findings;
using Pravik.Core.Places;
using Pravik.Core.Units;
using Pravik.Data;
using Pravik.Exchange;
using Pravik.Web.Ledgers;
using Pravik.Web.Runs;
using Pravik.Web.Workspaces;

namespace Pravik.Web.Endpoints;

/// <summary>What the screen shows of a bridge: a step with its drawings and ledger, parts and values by name, and distances.</summary>
internal static class WorkspaceEndpoints
{
    public static void Map(RouteGroupBuilder bridge)
    {
        bridge.MapGet("/workspace", Show);
        bridge.MapGet("/find", Find);
        bridge.MapGet("/measure", Measure);
    }

    private static async Task<IResult> Find(string id, string? text, ProjectStore store) =>
        await store.FindAsync(id) is { } s ? Results.Json(Finder.Find(s, text ?? "")) : Answers.NoSuchBridge(id);

    /// <summary>
    /// The screen; with an entry to preview (<c>?entry=path&amp;text=…</c>) as it would be after it, without keeping anything or
    /// starting an analysis.
    /// </summary>
    private static async Task<IResult> Show(
        string id,
        [AsParameters] WorkspaceQuery query,
        string? entry,
        string? text,
        HttpRequest http,
        ProjectStore store,
        GroundStore grounds,
        LibraryStore library,
        RunQueue runs
    )
    {
        if (await store.FindAsync(id) is not { } kept)
            return Answers.NoSuchBridge(id);
        var snapshot = UserUnits.For(http, kept);
        var around = new Around(Answers.GroundOf(snapshot, grounds), await library.ListAsync(), await store.NeighboursAsync(id));
        if (entry is not null)
        {
            var reading = EntryReader.Read(snapshot.Bridge, entry, text);
            if (reading.Error is { } error)
                return Answers.Refused(Finding.Error(entry, error));
            var edited = BridgeEditing.Apply(snapshot.Bridge, reading.Patch);
            if (edited.Bridge is not { } bridge)
                return Results.Json(new Refusal([.. edited.Errors], []), statusCode: 422);
            return Results.Json(
                WorkspaceBuilder.Build(
                    snapshot with
                    {
                        Bridge = bridge,
                        Findings = edited.Findings,
                    },
                    around,
                    new(runs.State(id), runs.Latest(id)),
                    query.ToRequest()
                )
            );
        }
        await runs.RequestAsync(id, kept.Revision, kept.Bridge);
        var request = query.ToRequest();
        return Results.Json(WorkspaceBuilder.Build(snapshot, around, await SeeAsync(id, kept, request, store, runs), request));
    }

    /// <summary>The runs as a screen wants to see them; comparisons and older edits run when a layout asks for them.</summary>
    private static async Task<RunsSeen> SeeAsync(string id, Snapshot kept, WorkspaceRequest request, ProjectStore store, RunQueue runs)
    {
        var seen = new RunsSeen(runs.State(id), runs.Latest(id));
        if (request.Step != "analysis")
            return seen;
        if (request.Layout == "models")
            runs.RequestComparison(id, kept.Revision, kept.Bridge);
        var history = (await store.HistoryAsync(id))
            .Where(h => !h.IsHead)
            .Take(12)
            .Select(h => (h.Revision, $"edit {h.Revision}: {h.Name ?? h.Label}"))
            .ToList();
        seen = seen with
        {
            State = runs.State(id),
            Before = runs.Before(id),
            Compared = runs.Compared(id) is { } c && c.Hash == InputHash.Of(kept.Bridge) ? c : null,
            Comparing = runs.ComparisonState(id),
            History = history,
        };
        if (request.With == "before" && seen.Before is { } before)
            return seen with { Other = (before.Results, $"edit {before.Revision}") };
        if (!int.TryParse(request.With, out var revision) || await store.AtAsync(id, revision) is not { } past)
            return seen;
        return runs.RequestPast(id, revision, past) && runs.Kept(past) is { } found
            ? seen with
            {
                Other = (found, $"edit {revision}"),
            }
            : seen with
            {
                OtherWaits = true,
            };
    }

    /// <summary>The distances between two points given as <c>x,y,z</c>, in words and the units of whoever asks.</summary>
    private static async Task<IResult> Measure(string id, string? a, string? b, HttpRequest http, ProjectStore store)
    {
        if (await store.FindAsync(id) is not { } snapshot)
            return Answers.NoSuchBridge(id);
        if (Place(a) is not { } from || Place(b) is not { } to)
            return Answers.Refused(Finding.Error("", "Two points are needed, each as x,y,z in metres."));
        var units = UnitSystem.Named(UserUnits.For(http, snapshot.Bridge).Basis.Units);
        var between = Measurement.Between(new(snapshot.Bridge.Road), from, to);
        string Text(double length) => units.FormatWithUnit(length, QuantityKind.Length);
        return Results.Json(
            new[]
            {
                new { name = "Plan", value = Text(between.Plan) },
                new { name = "Slope", value = Text(between.Slope) },
                new { name = "Vertical", value = Text(between.Vertical) },
                new { name = "Along the road", value = Text(between.Along) },
                new { name = "Square to it", value = Text(between.Square) },
                new { name = "From", value = $"{Text(between.From.Station)}, {Text(between.From.Offset)}" },
                new { name = "To", value = $"{Text(between.To.Station)}, {Text(between.To.Offset)}" },
            }
        );

        static Core.Geometry.Point3? Place(string? text)
        {
            var parts = (text ?? "")
                .Split(',')
                .Select(p =>
                    double.TryParse(p, System.Globalization.CultureInfo.InvariantCulture, out var v)
                    && double.IsFinite(v)
                    && Math.Abs(v) < 1e9
                        ? v
                        : (double?)null
                )
                .ToArray();
            return parts is [{ } x, { } y, { } z] ? new(x, y, z) : null;
        }
    }
}
