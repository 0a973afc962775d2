using System.Text;
using Pravik.Core.Bridges;
using Pravik.Core.Findings;
using Pravik.Core.Places;
using Pravik.Core.Quantities;
using Pravik.Core.Roads;
using Pravik.Core.Units;
using Pravik.Data;
using Pravik.Drawings;
using Pravik.Drawings.Reports;
using Pravik.Drawings.Sheets;
using Pravik.Drawings.Views;
using Pravik.Drawings.Writers;
using Pravik.Exchange;
using Pravik.Exchange.Frames;
using Pravik.Exchange.Gltf;
using Pravik.Exchange.LandXml;
using Pravik.Web.Reports;
using Pravik.Web.Runs;
using Pravik.Web.Workspaces;

namespace Pravik.Web.Endpoints;

/// <summary>What a bridge can be taken away as: its document, road, solids, model, tables and sheets.</summary>
internal static class FileEndpoints
{
    private const double PictureWidth = 220;
    private const double PictureHeight = 64;

    public static void Map(RouteGroupBuilder bridge)
    {
        bridge.MapGet("/bridge.json", Document);
        bridge.MapGet("/picture.svg", Picture);
        bridge.MapGet("/road.xml", Road);
        bridge.MapGet("/model.glb", Solids);
        bridge.MapGet("/model.json", Model);
        bridge.MapGet("/model-table.{format}", ModelTable);
        bridge.MapGet("/quantities.{format}", Quantities);
        bridge.MapGet("/general-arrangement.{format}", Sheet);
        bridge.MapGet("/report.pdf", Report);
    }

    private static async Task<IResult> Document(string id, ProjectStore store)
    {
        if (await store.FindAsync(id) is not { } s)
            return Answers.NoSuchBridge(id);
        return Results.File(
            Encoding.UTF8.GetBytes(BridgeJson.WriteIndented(s.Bridge)),
            "application/json",
            $"{Answers.FileName(s.Bridge)}.json"
        );
    }

    /// <summary>A small picture of a revision. A revision never changes, so a browser keeps it.</summary>
    private static async Task<IResult> Picture(string id, int revision, HttpResponse response, ProjectStore store, GroundStore grounds)
    {
        if (await store.AtAsync(id, revision) is not { } bridge)
            return Answers.NoSuchBridge(id);
        response.Headers.CacheControl = "private, max-age=31536000, immutable";
        var ground = bridge.Ground is { } g ? grounds.Find(g.Hash) : null;
        return Results.Text(SvgWriter.Inline(PictureOf(bridge, ground)), "image/svg+xml");
    }

    /// <summary>The picture by which a bridge is known in lists.</summary>
    internal static Drawing PictureOf(Bridge bridge, Ground? ground) =>
        ElevationView.Picture(new(bridge), ground, ViewSize.Pixels(PictureWidth, PictureHeight));

    private static async Task<IResult> Road(string id, ProjectStore store, GroundStore grounds)
    {
        if (await store.FindAsync(id) is not { } s)
            return Answers.NoSuchBridge(id);
        var ground = Answers.GroundOf(s, grounds) is { } found ? new NamedGround(s.Bridge.Ground!.Name, found) : null;
        var text = LandXmlWriter.Write(s.Bridge.Road, ground);
        return Results.File(Encoding.UTF8.GetBytes(text), "application/xml", $"{Answers.FileName(s.Bridge)}-road.xml");
    }

    private static async Task<IResult> Solids(string id, ProjectStore store, GroundStore grounds)
    {
        if (await store.FindAsync(id) is not { } s)
            return Answers.NoSuchBridge(id);
        return Results.File(
            GltfWriter.Write(new(s.Bridge), Answers.GroundOf(s, grounds)),
            "model/gltf-binary",
            $"{Answers.FileName(s.Bridge)}.glb"
        );
    }

    private static async Task<IResult> Model(string id, ProjectStore store, RunQueue runs)
    {
        if (await store.FindAsync(id) is not { } s)
            return Answers.NoSuchBridge(id);
        if (runs.Kept(s.Bridge) is not { } results)
            return Answers.Refused(Finding.Error("/model", Answers.NotYet));
        using var memory = new MemoryStream();
        FrameWriter.Write(memory, results.Model.Exported);
        return Results.File(memory.ToArray(), "application/json", $"{Answers.FileName(s.Bridge)}-model.json");
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
            return Answers.NoSuchBridge(id);
        if (runs.Kept(kept.Bridge) is not { } results)
            return Answers.Refused(Finding.Error("/model", Answers.NotYet));
        var snapshot = UserUnits.For(http, kept);
        var units = UnitSystem.Named(snapshot.Bridge.Basis.Units);
        var views = new ModelViews(new(snapshot.Bridge), results, null, units, query.ToRequest());
        if (views.Content() is not { } content)
            return Answers.Refused(Finding.Error("", "No table is shown."));
        return Answers.Table(format, content, $"{Answers.FileName(snapshot.Bridge)}-results");
    }

    private static async Task<IResult> Quantities(string id, string format, HttpRequest http, ProjectStore store, GroundStore grounds)
    {
        if (await store.FindAsync(id) is not { } kept)
            return Answers.NoSuchBridge(id);
        var snapshot = UserUnits.For(http, kept);
        var content = BillTables.Content(
            Bill.Of(new(snapshot.Bridge), Answers.GroundOf(snapshot, grounds)),
            UnitSystem.Named(snapshot.Bridge.Basis.Units),
            snapshot.Bridge.Costs.Currency
        );
        return Answers.Table(format, content, $"{Answers.FileName(snapshot.Bridge)}-quantities");
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
            return Answers.NoSuchBridge(id);
        var drawing = GeneralArrangement.Draw(
            new BridgeGeometry(snapshot.Bridge),
            Answers.GroundOf(snapshot, grounds),
            UnitSystem.Named(UserUnits.For(http, snapshot.Bridge).Basis.Units),
            runs.Kept(snapshot.Bridge),
            DateTime.Now.ToString("yyyy-MM-dd")
        );
        var name = Answers.FileName(snapshot.Bridge) + "-general-arrangement";
        return format switch
        {
            "pdf" => Results.File(PdfWriter.Write(snapshot.Bridge.Name, [drawing]), "application/pdf", $"{name}.pdf"),
            "svg" => Results.File(Encoding.UTF8.GetBytes(SvgWriter.File(drawing)), "image/svg+xml", $"{name}.svg"),
            _ => Results.Json(new Refusal([Finding.Error("", "Sheets come as pdf or svg.")], []), statusCode: 404),
        };
    }

    /// <summary>The report on a bridge as it stands, on pages.</summary>
    private static async Task<IResult> Report(string id, HttpRequest http, ProjectStore store, GroundStore grounds, RunQueue runs)
    {
        if (await store.FindAsync(id) is not { } snapshot)
            return Answers.NoSuchBridge(id);
        if (runs.Kept(snapshot.Bridge) is not { } results)
            return Answers.Refused(Finding.Error("/checks", Answers.NotYet));
        var units = UnitSystem.Named(UserUnits.For(http, snapshot.Bridge).Basis.Units);
        var report = new BridgeReport(new(snapshot.Bridge), Answers.GroundOf(snapshot, grounds), results, units, snapshot.Findings);
        var name = snapshot.Bridge.Name;
        var frame = ReportParts.Frame(name, snapshot.Bridge.Basis.Titles, snapshot.Revision);
        var pages = ReportPages.Of(frame, report.Blocks);
        return Results.File(PdfWriter.Write(name, pages), "application/pdf", $"{Answers.FileName(snapshot.Bridge)}-report.pdf");
    }
}
