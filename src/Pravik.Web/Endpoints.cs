using System.Text;
using System.Text.Json;
using Pravik.Core.Bridges;
using Pravik.Core.Findings;
using Pravik.Core.Places;
using Pravik.Core.Quantities;
using Pravik.Core.Units;
using Pravik.Data;
using Pravik.Drawings.Sheets;
using Pravik.Drawings.Writers;
using Pravik.Exchange;
using Pravik.Exchange.Frames;
using Pravik.Exchange.Gltf;
using Pravik.Exchange.LandXml;
using Pravik.Exchange.Tables;
using Pravik.Web.Ledgers;
using Pravik.Web.Runs;
using Pravik.Web.Workspaces;

namespace Pravik.Web;

/// <summary>A typed entry: what was typed into the field of a path, and the revision that was on screen.</summary>
public sealed record EntryRequest(int Revision, string Path, string? Text);

/// <summary>The path of what is to be kept in the office library.</summary>
public sealed record KeepRequest(string? Path);

/// <summary>A name for a point of the history; empty takes it away.</summary>
public sealed record NameRequest(string? Name);

/// <summary>The answer to an edit that was not taken.</summary>
public sealed record Refusal(IReadOnlyList<Finding> Findings, IReadOnlyList<Conflict> Conflicts);

/// <summary>The interface for programs, used by the screen too.</summary>
public static class Endpoints
{
    private const string NotYet = "The bridge has not been analysed yet: wait until its results are current.";
    private static readonly JsonSerializerOptions PatchOptions = new(JsonSerializerDefaults.Web) { MaxDepth = 16 };

    public static void MapPravik(this WebApplication app)
    {
        app.MapPost("/api/bridges", Import);
        var bridge = app.MapGroup("/api/bridges/{id}");
        bridge.MapGet("/workspace", Show);
        bridge.MapPatch("/", Patch);
        bridge.MapPost("/entries", Enter);
        bridge.MapPost("/undo", (string id, ProjectStore store, RunQueue runs) => Answer(id, store.UndoAsync(id), runs));
        bridge.MapPost("/redo", (string id, ProjectStore store, RunQueue runs) => Answer(id, store.RedoAsync(id), runs));
        bridge.MapPost(
            "/revisions/{revision:int}",
            (string id, int revision, ProjectStore store, RunQueue runs) => Answer(id, store.GoToAsync(id, revision), runs)
        );
        bridge.MapPut(
            "/revisions/{revision:int}/name",
            async (string id, int revision, NameRequest named, ProjectStore store) =>
                await store.NameAsync(id, revision, named?.Name ?? "") ? Results.NoContent() : NoSuchBridge(id)
        );
        bridge.MapGet("/history", async (string id, ProjectStore store) => Results.Json(await store.HistoryAsync(id)));
        bridge.MapGet(
            "/find",
            async (string id, string? text, ProjectStore store) =>
                await store.FindAsync(id) is { } s ? Results.Json(Finder.Find(s, text ?? "")) : NoSuchBridge(id)
        );
        bridge.MapGet(
            "/events",
            (string id, RunQueue runs, CancellationToken cancel) => TypedResults.ServerSentEvents(runs.Events.ListenAsync(id, cancel))
        );
        bridge.MapPost(
            "/run",
            async (string id, ProjectStore store, RunQueue runs) =>
            {
                if (await store.FindAsync(id) is not { } snapshot)
                    return NoSuchBridge(id);
                await runs.RequestAsync(id, snapshot.Revision, snapshot.Bridge, again: true);
                return Results.NoContent();
            }
        );
        bridge.MapDelete(
            "/run",
            async (string id, RunQueue runs) =>
            {
                await runs.StopAsync(id);
                return Results.NoContent();
            }
        );
        bridge.MapGet("/model-table.{format}", ModelTable);
        bridge.MapGet(
            "/model.json",
            async (string id, ProjectStore store, RunQueue runs) =>
            {
                if (await store.FindAsync(id) is not { } s)
                    return NoSuchBridge(id);
                if (runs.Kept(s.Bridge) is not { } results)
                    return Refused(Finding.Error("/model", NotYet));
                using var memory = new MemoryStream();
                FrameWriter.Write(memory, results.Model.Exported);
                return Results.File(memory.ToArray(), "application/json", $"{FileName(s.Bridge)}-model.json");
            }
        );
        bridge.MapGet(
            "/bridge.json",
            async (string id, ProjectStore store) =>
                await store.FindAsync(id) is { } s
                    ? Results.File(
                        Encoding.UTF8.GetBytes(BridgeJson.WriteIndented(s.Bridge)),
                        "application/json",
                        $"{FileName(s.Bridge)}.json"
                    )
                    : NoSuchBridge(id)
        );
        bridge.MapGet(
            "/road.xml",
            async (string id, ProjectStore store, GroundStore grounds) =>
            {
                if (await store.FindAsync(id) is not { } s)
                    return NoSuchBridge(id);
                var ground = GroundOf(s, grounds) is { } found ? new NamedGround(s.Bridge.Ground!.Name, found) : null;
                return Results.File(
                    Encoding.UTF8.GetBytes(LandXmlWriter.Write(s.Bridge.Road, ground)),
                    "application/xml",
                    $"{FileName(s.Bridge)}-road.xml"
                );
            }
        );
        bridge.MapPost("/library", Keep);
        bridge.MapPost(
            "/neighbours",
            async (string id, NameRequest named, ProjectStore store) =>
            {
                if (named?.Name?.Trim() is not { Length: > 0 and <= 120 } name)
                    return Refused(Finding.Error("/name", "The new bridge needs a name of at most 120 characters."));
                if (await store.AddOnRoadAsync(id, name) is not { } outcome)
                    return NoSuchBridge(id);
                return outcome.Snapshot is { } added
                    ? Results.Created($"/bridges/{added.ProjectId}/axes", new { id = added.ProjectId })
                    : Refused([.. outcome.Refusals]);
            }
        );
        app.MapGet(
            "/api/library.json",
            async (LibraryStore library) =>
                Results.File(
                    Encoding.UTF8.GetBytes(
                        LibraryJson.Write((await library.ListAsync()).Select(r => new LibraryItem(r.Kind, r.Name, r.Superseded, r.Value)))
                    ),
                    "application/json",
                    "office-library.json"
                )
        );
        bridge.MapGet("/measure", Measure);
        bridge.MapGet(
            "/model.glb",
            async (string id, ProjectStore store, GroundStore grounds) =>
                await store.FindAsync(id) is { } s
                    ? Results.File(GltfWriter.Write(new(s.Bridge), GroundOf(s, grounds)), "model/gltf-binary", $"{FileName(s.Bridge)}.glb")
                    : NoSuchBridge(id)
        );
        bridge.MapGet("/general-arrangement.{format}", Sheet);
        bridge.MapGet(
            "/quantities.{format}",
            async (string id, string format, HttpRequest http, ProjectStore store, GroundStore grounds) =>
            {
                if (await store.FindAsync(id) is not { } kept)
                    return NoSuchBridge(id);
                var snapshot = UserUnits.For(http, kept);
                var content = BillTables.Content(
                    Bill.Of(new(snapshot.Bridge), GroundOf(snapshot, grounds)),
                    UnitSystem.Named(snapshot.Bridge.Basis.Units),
                    snapshot.Bridge.Costs.Currency
                );
                return format switch
                {
                    "csv" => Results.File(TableFiles.Csv(content), "text/csv", $"{FileName(snapshot.Bridge)}-quantities.csv"),
                    "xlsx" => Results.File(
                        TableFiles.Spreadsheet(content),
                        "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet",
                        $"{FileName(snapshot.Bridge)}-quantities.xlsx"
                    ),
                    _ => Results.NotFound(),
                };
            }
        );
    }

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
            return NoSuchBridge(id);
        var snapshot = UserUnits.For(http, kept);
        var around = new Around(GroundOf(snapshot, grounds), await library.ListAsync(), await store.NeighboursAsync(id));
        if (entry is not null)
        {
            var reading = EntryReader.Read(snapshot.Bridge, entry, text);
            if (reading.Error is { } error)
                return Refused(Finding.Error(entry, error));
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

    /// <summary>The table of a model's results as a file, for the same query as the screen's.</summary>
    private static async Task<IResult> ModelTable(
        string id,
        string format,
        [AsParameters] WorkspaceQuery query,
        HttpRequest http,
        ProjectStore store,
        RunQueue runs
    )
    {
        if (await store.FindAsync(id) is not { } kept)
            return NoSuchBridge(id);
        if (runs.Kept(kept.Bridge) is not { } results)
            return Refused(Finding.Error("/model", NotYet));
        var snapshot = UserUnits.For(http, kept);
        var units = UnitSystem.Named(snapshot.Bridge.Basis.Units);
        var views = new ModelViews(new(snapshot.Bridge), results, null, units, query.ToRequest());
        if (views.Content() is not { } content)
            return Refused(Finding.Error("", "No table is shown."));
        return format switch
        {
            "csv" => Results.File(TableFiles.Csv(content), "text/csv", $"{FileName(snapshot.Bridge)}-results.csv"),
            "xlsx" => Results.File(
                TableFiles.Spreadsheet(content),
                "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet",
                $"{FileName(snapshot.Bridge)}-results.xlsx"
            ),
            _ => Results.NotFound(),
        };
    }

    private static async Task<IResult> Patch(string id, int? revision, string? label, HttpRequest http, ProjectStore store, RunQueue runs)
    {
        if (revision is null)
            return Refused(Finding.Error("", "The revision that was edited is missing (?revision=N)."));
        List<PatchOperation>? patch;
        try
        {
            patch = await JsonSerializer.DeserializeAsync<List<PatchOperation>>(http.Body, PatchOptions);
        }
        catch (Exception problem) when (problem is JsonException or BadHttpRequestException)
        {
            return Refused(Finding.Error("", $"The patch is not a JSON Patch: {problem.Message}"));
        }
        if (patch is null || patch.Any(p => p?.Op is null || p.Path is null))
            return Refused(Finding.Error("", "The patch is not a JSON Patch: each operation needs “op” and “path”."));
        return await Answer(id, store.EditAsync(id, revision.Value, patch, string.IsNullOrWhiteSpace(label) ? "Edited" : label), runs);
    }

    private static async Task<IResult> Enter(string id, EntryRequest entry, HttpRequest http, ProjectStore store, RunQueue runs)
    {
        if (await store.FindAsync(id) is not { } snapshot)
            return NoSuchBridge(id);
        var reading = EntryReader.Read(UserUnits.For(http, snapshot.Bridge), entry.Path ?? "", entry.Text);
        if (reading.Error is { } error)
            return Refused(Finding.Error(entry.Path ?? "", error));
        return await Answer(id, store.EditAsync(id, entry.Revision, reading.Patch, reading.Label), runs);
    }

    /// <summary>The distances between two points given as <c>x,y,z</c>, in words and the units of whoever asks.</summary>
    private static async Task<IResult> Measure(string id, string? a, string? b, HttpRequest http, ProjectStore store)
    {
        if (await store.FindAsync(id) is not { } snapshot)
            return NoSuchBridge(id);
        if (Place(a) is not { } from || Place(b) is not { } to)
            return Refused(Finding.Error("", "Two points are needed, each as x,y,z in metres."));
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

    /// <summary>Keeps a pattern or an own profile of a bridge in the office library.</summary>
    private static async Task<IResult> Keep(string id, KeepRequest what, ProjectStore store, LibraryStore library)
    {
        if (await store.FindAsync(id) is not { } snapshot)
            return NoSuchBridge(id);
        var path = what?.Path ?? "";
        var kind =
            path.StartsWith("/deck/patterns/", StringComparison.Ordinal) ? LibraryJson.Pattern
            : path.StartsWith("/profiles/", StringComparison.Ordinal) ? LibraryJson.Profile
            : path.StartsWith("/sections/", StringComparison.Ordinal) ? LibraryJson.Section
            : path == "/basis" ? LibraryJson.NationalSet
            : "";
        var (item, findings) = LibraryJson.Item(
            kind,
            kind.Length == 0 ? null
                : kind == LibraryJson.NationalSet ? BridgeJson.Node(OfficeSet.Of(snapshot.Bridge))
                : BridgeEditing.ValueAt(snapshot.Bridge, path),
            false
        );
        if (item is null)
            return Refused([.. findings]);
        var replaced = await library.KeepAsync(item);
        return Results.Json(
            new { words = replaced ? $"“{item.Name}” replaced in the office library." : $"“{item.Name}” is in the office library." }
        );
    }

    private static async Task<IResult> Import(HttpRequest http, ProjectStore store)
    {
        using var reader = new StreamReader(http.Body);
        var text = new char[BridgeJson.LongestDocument + 1];
        var length = await reader.ReadBlockAsync(text);
        var reading = BridgeJson.Read(new string(text, 0, length));
        if (reading.Bridge is not { } bridge)
            return Results.Json(new Refusal([.. reading.Errors], []), statusCode: 422);
        var snapshot = await store.CreateAsync(bridge, "Brought in from a file");
        return Results.Created($"/bridges/{snapshot.ProjectId}/axes", new { id = snapshot.ProjectId });
    }

    private static async Task<IResult> Sheet(
        string id,
        string format,
        HttpRequest http,
        ProjectStore store,
        GroundStore grounds,
        RunQueue runs
    )
    {
        if (await store.FindAsync(id) is not { } snapshot)
            return NoSuchBridge(id);
        var drawing = GeneralArrangement.Draw(
            new BridgeGeometry(snapshot.Bridge),
            GroundOf(snapshot, grounds),
            UnitSystem.Named(UserUnits.For(http, snapshot.Bridge).Basis.Units),
            runs.Kept(snapshot.Bridge),
            DateTime.Now.ToString("yyyy-MM-dd")
        );
        var name = FileName(snapshot.Bridge) + "-general-arrangement";
        return format switch
        {
            "pdf" => Results.File(PdfWriter.Write(snapshot.Bridge.Name, [drawing]), "application/pdf", $"{name}.pdf"),
            "svg" => Results.File(Encoding.UTF8.GetBytes(SvgWriter.File(drawing)), "image/svg+xml", $"{name}.svg"),
            _ => Results.Json(new Refusal([Finding.Error("", "Sheets come as pdf or svg.")], []), statusCode: 404),
        };
    }

    private static Core.Roads.Ground? GroundOf(Snapshot snapshot, GroundStore grounds) =>
        snapshot.Bridge.Ground is { } g ? grounds.Find(g.Hash) : null;

    private static async Task<IResult> Answer(string id, Task<EditOutcome?> work, RunQueue runs)
    {
        if (await work is not { } outcome)
            return NoSuchBridge(id);
        if (outcome.Snapshot is not { } snapshot)
            return Results.Json(new Refusal(outcome.Refusals, outcome.Conflicts), statusCode: outcome.Conflicts.Length > 0 ? 409 : 422);
        await runs.RequestAsync(id, snapshot.Revision, snapshot.Bridge);
        runs.Events.TellEdit(id);
        await runs.FollowAsync(outcome);
        return Results.Json(new { snapshot.Revision, snapshot.Label });
    }

    private static IResult Refused(params Finding[] findings) => Results.Json(new Refusal(findings, []), statusCode: 422);

    private static IResult NoSuchBridge(string id) =>
        Results.Json(new Refusal([Finding.Error("", $"There is no bridge “{id}”.")], []), statusCode: 404);

    private static string FileName(Bridge bridge)
    {
        var name = new string([.. bridge.Name.ToLowerInvariant().Select(c => char.IsAsciiLetterOrDigit(c) ? c : '-')]).Trim('-');
        return name.Length == 0 ? "bridge" : name;
    }
}

/// <summary>The query of a workspace request; what is missing has its default.</summary>
public sealed record WorkspaceQuery(
    string? Step,
    string? Layout,
    double? Station,
    string? Pick,
    int? Girder,
    double? Width,
    double? Height,
    double? BandWidth,
    string? Show,
    string? Quantity,
    string? Girders,
    string? Arrange,
    string? Fixed,
    double? Zoom,
    string? Table,
    string? With,
    string? Drawn,
    string? Look,
    string? Names,
    string? Motion,
    string? Load,
    int? Stage
)
{
    public WorkspaceRequest ToRequest()
    {
        var usual = new WorkspaceRequest();
        double Room(double? asked, double otherwise) => asked is { } a && double.IsFinite(a) ? Math.Clamp(a, 200, 6000) : otherwise;
        return usual with
        {
            Step = Step ?? usual.Step,
            Layout = Layout,
            Station = Station,
            Pick = Pick,
            Girder = Girder ?? usual.Girder,
            Width = Room(Width, usual.Width),
            Height = Room(Height, usual.Height),
            BandWidth = Room(BandWidth, usual.BandWidth),
            Show = Show ?? usual.Show,
            Quantity = Quantity ?? usual.Quantity,
            Girders = Girders ?? usual.Girders,
            Arrange = Arrange ?? usual.Arrange,
            Fixed = Fixed ?? usual.Fixed,
            Zoom = Zoom is { } z && double.IsFinite(z) ? Math.Clamp(z, 0.05, 50) : usual.Zoom,
            Table = Table ?? usual.Table,
            With = With ?? usual.With,
            Drawn = Drawn ?? usual.Drawn,
            Look = Look ?? usual.Look,
            Names = Names ?? usual.Names,
            Motion = Motion ?? usual.Motion,
            Load = Load ?? usual.Load,
            Stage = Stage ?? usual.Stage,
        };
    }
}
