using Pravik.Core.Findings;
using Pravik.Core.Places;
using Pravik.Core.Units;
using Pravik.Data;
using Pravik.Web.Workspaces;

namespace Pravik.Web.Endpoints;

/// <summary>What the screen shows of a bridge: a step with its drawings and ledger, parts and values by name, and distances.</summary>
internal static class WorkspaceEndpoints
{
    public static void Map(RouteGroupBuilder bridge)
    {
        bridge.MapGet("/workspace", Show);
        bridge.MapGet("/table.txt", Table);
        bridge.MapGet("/find", Find);
        bridge.MapGet("/measure", Measure);
    }

    private static async Task<IResult> Find(string id, string? text, ProjectStore store) =>
        await store.FindAsync(id) is { } s ? Results.Json(Finder.Find(s, text ?? "")) : Answers.NoSuchBridge(id);

    /// <summary>
    /// The screen as JSON; with an entry to preview (<c>?entry=path&amp;text=…</c>) as it would be after it.
    /// </summary>
    private static async Task<IResult> Show(
        string id,
        [AsParameters] WorkspaceQuery query,
        string? entry,
        string? text,
        HttpRequest http,
        WorkspaceReader reader
    )
    {
        var reading = await reader.ReadAsync(id, query.ToRequest(), entry is null ? null : new(entry, text), http);
        if (reading.IsMissing)
            return Answers.NoSuchBridge(id);
        return reading.Workspace is { } workspace ? Results.Json(workspace) : Answers.Refused([.. reading.Errors]);
    }

    /// <summary>All rows of the table that a screen shows, columns parted by tabs, as spreadsheets take it.</summary>
    private static async Task<IResult> Table(string id, [AsParameters] WorkspaceQuery query, HttpRequest http, WorkspaceReader reader)
    {
        var reading = await reader.ReadAsync(id, query.ToRequest() with { Rows = int.MaxValue }, null, http);
        if (reading.IsMissing)
            return Answers.NoSuchBridge(id);
        return Answers.TableText(reading.Workspace?.Table);
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
