using System.Globalization;
using System.Text;
using Pravik.Core.Findings;
using Pravik.Core.Trusses;
using Pravik.Core.Units;
using Pravik.Data;
using Pravik.Drawings.Reports;
using Pravik.Drawings.Sheets;
using Pravik.Drawings.Writers;
using Pravik.Exchange;
using Pravik.Exchange.Dxf;
using Pravik.Exchange.Frames;
using Pravik.Exchange.Tables;
using Pravik.Web.Pages;
using Pravik.Web.Reports;
using Pravik.Web.Runs;
using Pravik.Web.Trusses;
using Pravik.Web.Workspaces;

namespace Pravik.Web.Endpoints;

/// <summary>What is drawn on a scheme with the pointer.</summary>
/// <param name="Revision">The revision that is seen.</param>
/// <param name="Kind">joint, bars, move or delete.</param>
/// <param name="X">Place along (m) of a new or a moved joint.</param>
/// <param name="Z">Its level (m).</param>
/// <param name="Joints">Ids of joints: that is moved, that are joined in order, that go.</param>
/// <param name="Bars">Bars that go, by their places in the list.</param>
/// <param name="Ends">Places of joints to be joined in order, where there may be no joint yet (m): x and z in turn.</param>
/// <param name="Mirrors">Whether it is done on both sides.</param>
public sealed record DrawRequest(
    int Revision,
    string Kind,
    double? X,
    double? Z,
    string[]? Joints,
    int[]? Bars,
    double[]? Ends,
    bool Mirrors
);

/// <summary>Truss schemes: what documents answer, what is drawn, crossings, searches and results.</summary>
internal static class TrussEndpoints
{
    private static readonly DocumentEndpoints<TrussScheme> Documents = new(
        "trusses",
        "truss",
        "sketch",
        Formats.Truss,
        (http, scheme, path, text) => TrussEntryReader.Read(UserUnits.For(http, scheme), path, text)
    );

    public static void Map(WebApplication app)
    {
        var truss = Documents.Map(app);
        truss.MapPost("/draw", DrawAsync);
        truss.MapPost("/picture", PictureAsync);
        truss.MapGet("/drive.json", DriveAsync);
        truss.MapPost("/run", StartAsync);
        truss.MapDelete("/run", Stop);
        truss.MapGet("/results.json", SummaryAsync);
        truss.MapGet("/table.txt", TableAsync);
        truss.MapGet("/report.pdf", ReportAsync);
        truss.MapGet("/sheet.pdf", SheetAsync);
        truss.MapGet("/sheet.svg", SheetAsync);
        truss.MapGet(
            "/scheme.dxf",
            async (string id, TrussStore store) =>
                await store.FindAsync(id) is { } snapshot
                    ? Results.File(Encoding.ASCII.GetBytes(TrussDxf.Write(snapshot.Document)), "image/vnd.dxf", $"{id}.dxf")
                    : Documents.Missing(id)
        );
        truss.MapGet("/frame.json", FrameAsync);
        truss.MapGet("/cost.csv", CostAsync);
        app.MapGet("/api/pictures/{hash}", Picture);
    }

    /// <summary>
    /// Keeps a picture and lays it under the sketch: as wide as the opening, its upper edge a quarter of that over the road.
    /// </summary>
    private static async Task<IResult> PictureAsync(
        string id,
        int revision,
        string? name,
        HttpRequest http,
        TrussStore store,
        PictureStore pictures,
        RunQueue runs
    )
    {
        if (await store.FindAsync(id) is not { } snapshot)
            return Documents.Missing(id);
        var content = new MemoryStream();
        var isWhole = await CopyAsync(http.Body, content, PictureFile.Longest);
        if (!isWhole)
            return Answers.Refused(Finding.Error("/picture", $"The picture is larger than {PictureFile.Longest >> 20} MB."));
        if (PictureFile.KindOf(content.ToArray()) is null)
            return Answers.Refused(Finding.Error("/picture", "This is no picture that can be laid under: PNG, JPEG or SVG, whole."));
        var site = snapshot.Document.Site;
        var laid = (snapshot.Document.Picture ?? new() { Width = site.Opening, Top = site.Road + site.Opening / 4 }) with
        {
            Hash = pictures.Keep(content.ToArray()),
        };
        var node = Formats.Truss.Node(snapshot.Document with { Picture = laid })["picture"]!.DeepClone();
        var label = $"Picture laid under{(string.IsNullOrWhiteSpace(name) ? "" : $": {name}")}";
        return await Documents.EditedAsync(id, store.EditAsync(id, revision, [new("add", "/picture", node)], label, Author.Of(http)), runs);
    }

    /// <summary>Copies up to a length; false where there is more.</summary>
    private static async Task<bool> CopyAsync(Stream from, MemoryStream to, int most)
    {
        var part = new byte[81920];
        while (await from.ReadAsync(part) is > 0 and var read)
        {
            if (to.Length + read > most)
                return false;
            to.Write(part, 0, read);
        }
        return true;
    }

    /// <summary>A kept picture. Opened by itself it is a file to be kept, not a page.</summary>
    private static IResult Picture(string hash, PictureStore pictures) =>
        pictures.Find(hash) is { } content && PictureFile.KindOf(content) is { } kind
            ? Results.File(content, kind, $"{hash}.{kind.Split('/')[1].Split('+')[0]}")
            : Results.NotFound();

    private static async Task<IResult> DrawAsync(string id, DrawRequest draw, HttpRequest http, TrussStore store, RunQueue runs)
    {
        if (await store.FindAsync(id) is not { } snapshot)
            return Documents.Missing(id);
        if (draw.Revision != snapshot.Revision)
            return Answers.Refused(Finding.Error("", "The scheme was changed meanwhile: look at it, and draw again."));
        var (drawn, label) = Drawn(snapshot.Document, draw);
        var patch = TrussPatch.Between(snapshot.Document, drawn);
        if (patch.Count == 0)
            return Results.Json(new { snapshot.Revision, Label = "Nothing to draw" });
        return await Documents.EditedAsync(id, store.EditAsync(id, draw.Revision, patch, label, Author.Of(http)), runs);
    }

    private static (TrussScheme Scheme, string Label) Drawn(TrussScheme scheme, DrawRequest draw)
    {
        var (x, z) = (draw.X ?? double.NaN, draw.Z ?? double.NaN);
        switch (draw.Kind)
        {
            case "joint" when double.IsFinite(x) && double.IsFinite(z):
                var (made, id) = TrussEdits.Joint(scheme, x, z, draw.Mirrors);
                return (made, $"Joint {id} drawn");
            case "move" when double.IsFinite(x) && double.IsFinite(z) && draw.Joints is [var moved]:
                return (TrussEdits.Move(scheme, moved, x, z, draw.Mirrors), $"Joint {moved} moved");
            case "bars" when draw.Ends is { Length: >= 4 } ends:
                List<string> ids = [];
                for (var i = 0; i + 1 < ends.Length; i += 2)
                {
                    (scheme, var joint) = TrussEdits.Joint(scheme, ends[i], ends[i + 1], draw.Mirrors);
                    ids.Add(joint);
                }
                return (TrussEdits.Join(scheme, ids, TrussEntryReader.Usual(scheme), draw.Mirrors), $"Drawn: {string.Join(" – ", ids)}");
            case "delete":
                var (joints, bars) = (draw.Joints ?? [], draw.Bars ?? []);
                return (
                    TrussEdits.Delete(scheme, joints, bars, draw.Mirrors),
                    $"Taken away: {Words(joints.Length, "joint")}{Words(bars.Length, "bar")}"
                );
            default:
                return (scheme, "");
        }
    }

    private static string Words(int count, string of) =>
        count switch
        {
            0 => "",
            1 => $"1 {of} ",
            _ => $"{count} {of}s ",
        };

    /// <summary>A crossing, for a screen that plays it.</summary>
    private static async Task<IResult> DriveAsync(
        string id,
        string? load,
        string? side,
        string? weight,
        HttpRequest http,
        TrussStore store,
        TrussRuns runs
    )
    {
        if (await store.FindAsync(id) is not { } snapshot)
            return Documents.Missing(id);
        var seen = snapshot with { Document = UserUnits.For(http, snapshot.Document) };
        var run = runs.Of(seen);
        if (run.Results is null)
            return Answers.Refused(Finding.Error("", "The scheme does not stand: see its findings."));
        var (vehicle, isAhead, isHeavy) = DriveStep.Chosen(seen.Document, run.Results, load ?? "", side ?? "", weight ?? "");
        return Results.Json(TrussFilm.Of(seen.Document, run.Drive(vehicle, isAhead, isHeavy)));
    }

    private static async Task<IResult> StartAsync(
        string id,
        [AsParameters] WorkspaceQuery query,
        HttpRequest http,
        TrussStore store,
        TrussRuns runs,
        TrussSearches searches
    )
    {
        if (await store.FindAsync(id) is not { } snapshot)
            return Documents.Missing(id);
        if (runs.Of(snapshot).Results is null)
            return Answers.Refused(Finding.Error("", "The scheme does not stand: see its findings."));
        var units = UnitSystem.Named(UserUnits.For(http, snapshot.Document).Units);
        searches.Begin(id, Documents.ChannelOf(id), snapshot.Document, LighterStep.Options(query.ToRequest(), units));
        return Results.Accepted();
    }

    private static IResult Stop(string id, TrussSearches searches)
    {
        searches.Stop(id);
        return Results.Accepted();
    }

    /// <summary>What the command line writes.</summary>
    private static async Task<IResult> SummaryAsync(string id, TrussStore store, TrussRuns runs)
    {
        if (await store.FindAsync(id) is not { } snapshot)
            return Documents.Missing(id);
        var run = runs.Of(snapshot);
        return run.Results is { } results
            ? Results.Text(TrussSummary.Of(run.Scheme, results).Write(), "application/json")
            : Answers.Refused(Finding.Error("", "The scheme does not stand: see its findings."));
    }

    /// <summary>The report on numbered pages.</summary>
    private static async Task<IResult> ReportAsync(string id, HttpRequest http, TrussStore store, TrussRuns runs)
    {
        if (await store.FindAsync(id) is not { } snapshot)
            return Documents.Missing(id);
        var seen = snapshot with { Document = UserUnits.For(http, snapshot.Document) };
        var scheme = seen.Document;
        var frame = ReportParts.Frame(scheme.Name, TrussReportModel.TitlesOf(scheme), seen.Revision);
        var pages = ReportPages.Of(frame, new TrussReport(runs.Of(seen), UnitSystem.Named(scheme.Units), seen.Findings).Blocks);
        return Results.File(PdfWriter.Write(scheme.Name, pages), "application/pdf", $"{id}-report.pdf");
    }

    /// <summary>The sheet, as the end of the address says.</summary>
    private static async Task<IResult> SheetAsync(string id, HttpRequest http, TrussStore store, TrussRuns runs)
    {
        if (await store.FindAsync(id) is not { } snapshot)
            return Documents.Missing(id);
        var seen = snapshot with { Document = UserUnits.For(http, snapshot.Document) };
        var date = DateTime.Now.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture);
        var sheet = TrussSheet.Draw(seen.Document, runs.Of(seen).Results, UnitSystem.Named(seen.Document.Units), date);
        return http.Path.Value!.EndsWith(".svg", StringComparison.Ordinal)
            ? Results.File(Encoding.UTF8.GetBytes(SvgWriter.File(sheet)), "image/svg+xml", $"{id}.svg")
            : Results.File(PdfWriter.Write(seen.Document.Name, [sheet]), "application/pdf", $"{id}.pdf");
    }

    private static async Task<IResult> FrameAsync(string id, TrussStore store, TrussRuns runs)
    {
        if (await store.FindAsync(id) is not { } snapshot)
            return Documents.Missing(id);
        if (runs.Of(snapshot).Results is null)
            return Answers.Refused(Finding.Error("", "The scheme does not stand: see its findings."));
        using var stream = new MemoryStream();
        FrameWriter.Write(stream, TrussFrame.Of(snapshot.Document));
        return Results.File(stream.ToArray(), "application/json", $"{id}-frame.json");
    }

    /// <summary>The cost line by line.</summary>
    private static async Task<IResult> CostAsync(string id, TrussStore store)
    {
        if (await store.FindAsync(id) is not { } snapshot)
            return Documents.Missing(id);
        var lines = TrussCost.Of(snapshot.Document).Lines;
        TableContent content = new(
            "Cost",
            ["Group", "What", "Amount", "Unit", "Price", "Cost"],
            [.. lines.Select(l => new object?[] { l.Group, l.Words, l.Amount, l.Unit, l.Price, l.Cost })]
        );
        return Answers.Table("csv", content, $"{id}-cost");
    }

    private static async Task<IResult> TableAsync(string id, [AsParameters] WorkspaceQuery query, HttpRequest http, TrussReader reader) =>
        await reader.ReadAsync(id, query.ToRequest() with { Rows = 100_000 }, null, http) is { } work
            ? Answers.TableText(work.Table)
            : Documents.Missing(id);
}
