using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Pravik.Core.Bridges;
using Pravik.Core.Places;
using Pravik.Core.Roads;
using Pravik.Core.Units;
using Pravik.Data;
using Pravik.Exchange.Tables;

namespace Pravik.Web.Pages;

/// <summary>A point of the setting-out table.</summary>
public sealed record SetOutRow(string Name, double Station, double Offset, RoadPoint At);

/// <summary>Coordinates of the road by station and offset, of the deck's edges, and of the axes.</summary>
public sealed class SetOutModel(ProjectStore store) : PageModel
{
    private const int MostRows = 5000;

    /// <summary>The bridge.</summary>
    public string ProjectId { get; private set; } = "";

    /// <summary>The bridge as it stands.</summary>
    public Bridge Bridge { get; private set; } = null!;

    /// <summary>The edit at which it stands.</summary>
    public int Revision { get; private set; }

    /// <summary>The points set out.</summary>
    public IReadOnlyList<SetOutRow> Rows { get; private set; } = [];

    /// <summary>What is wrong with the values asked for.</summary>
    public string? Problem { get; private set; }

    /// <summary>Units of the reader.</summary>
    public UnitSystem Units => UnitSystem.Named(UserUnits.For(Request, Bridge).Basis.Units);

    /// <summary>Along which line: the road, an axis, an edge.</summary>
    [BindProperty(SupportsGet = true)]
    public string Line { get; set; } = "road";

    /// <summary>First station, as typed.</summary>
    [BindProperty(SupportsGet = true)]
    public string? From { get; set; }

    /// <summary>Last station, as typed.</summary>
    [BindProperty(SupportsGet = true)]
    public string? To { get; set; }

    /// <summary>Distance of points, as typed.</summary>
    [BindProperty(SupportsGet = true)]
    public string? Step { get; set; }

    /// <summary>Offsets, as typed.</summary>
    [BindProperty(SupportsGet = true)]
    public string? Offsets { get; set; }

    /// <summary>Shows the page.</summary>
    public async Task<IActionResult> OnGetAsync(string id, string? format)
    {
        if (await store.FindAsync(id) is not { } snapshot)
            return NotFound();
        (ProjectId, Bridge, Revision) = (id, snapshot.Bridge, snapshot.Revision);
        var geometry = new BridgeGeometry(Bridge);
        From ??= Units.Format(geometry.FirstStation, QuantityKind.Length);
        To ??= Units.Format(geometry.LastStation, QuantityKind.Length);
        Step = string.IsNullOrWhiteSpace(Step) ? "5 m" : Step;
        Offsets ??= "0";
        Rows = Line == "axes" ? Axes(geometry) : Stations(geometry);
        return format == "csv" && Problem is null ? File(TableFiles.Csv(Content()), "text/csv", "setting-out.csv") : Page();
    }

    private IReadOnlyList<SetOutRow> Axes(BridgeGeometry geometry) =>
        [
            .. geometry.Axes.SelectMany(axis =>
                new[]
                {
                    ("left edge", geometry.EdgesOn(axis).Left),
                    ("road line", new(axis.Station, 0, 0)),
                    ("right edge", geometry.EdgesOn(axis).Right),
                }.Select(place => new SetOutRow(
                    $"Axis {axis.Name}, {place.Item1}",
                    place.Item2.Station,
                    place.Item2.Offset,
                    geometry.Road.Survey(place.Item2.Station, place.Item2.Offset)
                ))
            ),
        ];

    private IReadOnlyList<SetOutRow> Stations(BridgeGeometry geometry)
    {
        if (Read(From, "From") is not { } from || Read(To, "To") is not { } to || Read(Step, "Step") is not { } step)
            return [];
        var offsets = new List<double>();
        foreach (var part in Line == "edges" ? [] : (Offsets ?? "").Split(';', ','))
        {
            if (Read(part, "Offset") is not { } offset)
                return [];
            offsets.Add(offset);
        }
        var (stations, reason) = SetOut.Stations(from, to, step);
        if (stations is not null && (long)stations.Count * Math.Max(2, offsets.Count) > MostRows)
            reason = $"that would be more than {MostRows} points";
        foreach (var end in new[] { from, to })
        {
            if (SetOut.OnRoad(geometry.Road, end) is null)
                reason ??=
                    $"station {Units.Format(end, QuantityKind.Length)} lies beyond the road, which runs from "
                    + $"{Units.Format(geometry.Road.StartStation, QuantityKind.Length)} to "
                    + $"{Units.FormatWithUnit(geometry.Road.EndStation, QuantityKind.Length)}";
        }
        if (reason is not null || stations is null)
        {
            Problem = $"These stations cannot be set out: {reason}.";
            return [];
        }
        return
        [
            .. stations.SelectMany(s =>
                Line == "edges"
                    ? new[] { Row("left edge", s, geometry.LeftEdge(s)), Row("right edge", s, geometry.RightEdge(s)) }
                    : [.. offsets.Select(o => Row("", s, o))]
            ),
        ];

        SetOutRow Row(string name, double station, double offset) => new(name, station, offset, geometry.Road.Survey(station, offset));
    }

    private double? Read(string? text, string name)
    {
        var parsed = QuantityParser.Parse(text, QuantityKind.Length, Units);
        if (parsed.IsValid)
            return parsed.Value;
        Problem = $"{name}: {parsed.Error}.";
        return null;
    }

    private TableContent Content() =>
        new(
            "Setting out",
            ["name", "station", "offset", "x", "y", "z", "azimuth"],
            [
                .. Rows.Select(r =>
                    (IReadOnlyList<object?>)
                        [
                            r.Name,
                            Math.Round(r.Station, 6),
                            Math.Round(r.Offset, 6),
                            Math.Round(r.At.X, 6),
                            Math.Round(r.At.Y, 6),
                            r.At.Z is { } z ? Math.Round(z, 6) : null,
                            Math.Round(r.At.Azimuth * 180 / Math.PI, 8),
                        ]
                ),
            ]
        );
}
