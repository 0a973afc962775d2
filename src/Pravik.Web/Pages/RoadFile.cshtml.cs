using System.Collections.Immutable;
using System.Text.Json.Nodes;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Pravik.Core.Bridges;
using Pravik.Core.Findings;
using Pravik.Core.Places;
using Pravik.Core.Roads;
using Pravik.Core.Units;
using Pravik.Core.Validation;
using Pravik.Data;
using Pravik.Drawings.Views;
using Pravik.Drawings.Writers;
using Pravik.Exchange;
using Pravik.Exchange.LandXml;
using Pravik.Web.Runs;

namespace Pravik.Web.Pages;

/// <summary>Brings in a road file in two steps: what was read and what would move; then accept it or keep the old.</summary>
[RequestSizeLimit(RoadUploads.LongestFile)]
[RequestFormLimits(MultipartBodyLengthLimit = RoadUploads.LongestFile)]
public sealed class RoadFileModel(ProjectStore store, GroundStore grounds, RoadUploads uploads, RunQueue runs) : PageModel
{
    private const double Step = 10;

    /// <summary>A bridge that would move farther than this does not stand on the road that was read (m).</summary>
    private const double Elsewhere = 200;

    /// <summary>The bridge.</summary>
    public string ProjectId { get; private set; } = "";

    /// <summary>The bridge as it stands.</summary>
    public Bridge Bridge { get; private set; } = null!;

    /// <summary>Names the uploaded file while it is looked at.</summary>
    public string? Token { get; private set; }

    /// <summary>Name of the file.</summary>
    public string FileName { get; private set; } = "";

    /// <summary>What was read of it.</summary>
    public RoadFile? Read { get; private set; }

    /// <summary>The road in it that is chosen.</summary>
    public ReadAlignment? Chosen { get; private set; }

    /// <summary>That road as it would be taken.</summary>
    public Road? NewRoad { get; private set; }

    /// <summary>How it differs from the road of the bridge.</summary>
    public IReadOnlyList<RoadChange> Changes { get; private set; } = [];

    /// <summary>Lines of the file beside the chosen alignment.</summary>
    public IReadOnlyList<RoadFeature> Lines { get; private set; } = [];

    /// <summary>Other alignments of the file that pass under the bridge.</summary>
    public IReadOnlyList<Crossing> Crossings { get; private set; } = [];

    /// <summary>What stands in the way of taking it.</summary>
    public IReadOnlyList<string> Problems { get; private set; } = [];

    /// <summary>Name of the chosen alignment.</summary>
    [BindProperty(SupportsGet = true)]
    public string? Alignment { get; set; }

    /// <summary>Name of the chosen profile.</summary>
    [BindProperty(SupportsGet = true)]
    public string? Profile { get; set; }

    /// <summary>Name of the chosen ground.</summary>
    [BindProperty(SupportsGet = true)]
    public string? Ground { get; set; }

    /// <summary>Whether the bridge does not stand on this road yet, so that a comparison would say nothing.</summary>
    public bool IsElsewhere => Changes.Any(c => Math.Abs(c.Along) > Elsewhere || Math.Abs(c.Across) > Elsewhere || c.Level is null);

    /// <summary>Where its first axis is to stand on the road, in the reader's unit; null for half way along.</summary>
    [BindProperty(SupportsGet = true)]
    public double? First { get; set; }

    /// <summary>That station (m).</summary>
    public double FirstStation
    {
        get
        {
            var line = new RoadLine(NewRoad!);
            var length = Bridge.Axes.Spans.Sum();
            return First is { } f ? f * Units[QuantityKind.Length].Factor : Math.Round((line.StartStation + line.EndStation - length) / 2);
        }
    }

    /// <summary>The bridge on the road that was read, seen from above; null where it cannot stand there.</summary>
    public string? Map
    {
        get
        {
            var moved = Bridge with { Road = RoadToTake, Axes = Bridge.Axes with { FirstStation = FirstStation }, Ground = null };
            return BridgeValidation.Check(moved).Any(f => f.Severity == Severity.Error)
                ? null
                : SvgWriter.Inline(SurroundingsView.Draw(new(moved), null, [], Units, ViewSize.Pixels(820, 300), null));
        }
    }

    /// <summary>A bridge needs a level: without a profile in the file the old one stays.</summary>
    private Road RoadToTake => NewRoad!.Profile.IsEmpty ? NewRoad with { Profile = Bridge.Road.Profile } : NewRoad;

    /// <summary>Units of the reader.</summary>
    public UnitSystem Units => UnitSystem.Named(UserUnits.For(Request, Bridge).Basis.Units);

    /// <summary>Shows the page.</summary>
    public async Task<IActionResult> OnGetAsync(string id, string? token)
    {
        if (!await OpenAsync(id))
            return NotFound();
        if (token is not null && !Review(token))
            Problems = ["The file is no longer held. Choose it again."];
        return Page();
    }

    /// <summary>Takes what the form holds.</summary>
    public async Task<IActionResult> OnPostAsync(string id, IFormFile? file)
    {
        if (!await OpenAsync(id))
            return NotFound();
        if (file is null || file.Length == 0)
        {
            Problems = ["Choose a file first."];
            return Page();
        }
        await using var stream = file.OpenReadStream();
        using var limit = CancellationTokenSource.CreateLinkedTokenSource(HttpContext.RequestAborted);
        limit.CancelAfter(RoadUploads.LongestReading);
        string token;
        RoadFile read;
        try
        {
            // Reading takes a thread for as long as it lasts; others go on.
            (token, read) = await Task.Run(() => uploads.Take(Path.GetFileName(file.FileName), stream, limit.Token), limit.Token);
        }
        catch (OperationCanceledException)
        {
            Problems = [$"The file could not be read within {RoadUploads.LongestReading.TotalSeconds:0} seconds. Nothing was taken."];
            return Page();
        }
        if (read.Alignments.IsEmpty && read.Grounds.IsEmpty)
        {
            Problems = [.. read.Findings.Select(f => $"{f.Path} {f.Message}".Trim())];
            return Page();
        }
        return RedirectToPage(new { id, token });
    }

    /// <summary>Takes the chosen road over into the bridge.</summary>
    public async Task<IActionResult> OnPostAcceptAsync(
        string id,
        string? token,
        bool takeRoad,
        bool takeGround,
        string[]? lines,
        string[]? crossings
    )
    {
        if (!await OpenAsync(id))
            return NotFound();
        if (!Review(token))
        {
            Problems = ["The file is no longer held. Choose it again."];
            return Page();
        }
        List<PatchOperation> patch = [];
        if (takeRoad && NewRoad is not null)
        {
            var road = RoadToTake with { Features = Together(Lines.Where(l => lines?.Contains(l.Name) == true)) };
            patch.Add(new("replace", "/road", BridgeJson.Node(road)));
            if (IsElsewhere)
                patch.Add(new("replace", "/axes/firstStation", FirstStation));
        }
        else if (lines?.Length > 0)
            patch.Add(new("replace", "/road/features", BridgeJson.Node(Together(Lines.Where(l => lines.Contains(l.Name))))));
        foreach (var crossing in Crossings.Where(c => crossings?.Contains(c.Name) == true))
        {
            var known = Bridge
                .Crossings.Select((c, i) => (c.Name, i))
                .Where(c => c.Name == crossing.Name)
                .Select(c => (int?)c.i)
                .FirstOrDefault();
            // A newer issue moves what is crossed; its envelope was the engineer's.
            if (known is { } at)
                patch.Add(
                    new(
                        "replace",
                        $"/crossings/{at}",
                        BridgeJson.Node(
                            crossing with
                            {
                                Width = Bridge.Crossings[at].Width,
                                Height = Bridge.Crossings[at].Height,
                                Kind = Bridge.Crossings[at].Kind,
                            }
                        )
                    )
                );
            else
                patch.Add(new("add", "/crossings/-", BridgeJson.Node(crossing)));
        }
        if (takeGround && Read!.Grounds.FirstOrDefault(g => Ground is null || g.Name == Ground) is { } ground)
            patch.Add(
                new(
                    "replace",
                    "/ground",
                    new JsonObject
                    {
                        ["name"] = ground.Name.Length > 120 ? ground.Name[..120] : ground.Name,
                        ["hash"] = grounds.Keep(ground.Ground),
                    }
                )
            );
        if (patch.Count == 0)
        {
            Problems = ["Nothing was chosen: tick what is to be taken."];
            return Page();
        }
        var revision = (await store.FindAsync(id))!.Revision;
        var outcome = await store.EditAsync(
            id,
            revision,
            patch,
            $"{(takeRoad ? takeGround ? "Road and ground" : "Road" : takeGround ? "Ground" : "Lines")} brought in from {FileName}",
            Author.Of(Request)
        );
        if (outcome?.Snapshot is not { } snapshot)
        {
            Problems = [.. outcome?.Refusals.Select(f => $"{f.Message} ({f.Path})") ?? ["The bridge is not there any more."]];
            return Page();
        }
        await runs.FollowAsync(id, snapshot, outcome);
        return Redirect($"/bridges/{id}/road");
    }

    private async Task<bool> OpenAsync(string id)
    {
        if (await store.FindAsync(id) is not { } snapshot)
            return false;
        (ProjectId, Bridge) = (id, snapshot.Bridge);
        return true;
    }

    private bool Review(string? token)
    {
        if (uploads.Find(token) is not { } found)
            return false;
        (Token, FileName, Read) = (token, found.Name, found.File);
        Chosen =
            found.File.Alignments.FirstOrDefault(a => a.Name == Alignment)
            ?? found.File.Alignments.FirstOrDefault(a => a.Road is not null)
            ?? found.File.Alignments.FirstOrDefault();
        NewRoad = Chosen?.With(Chosen.Profiles.Any(p => p.Name == Profile) ? Profile : null);
        if (NewRoad is not null)
            Changes = Compare(NewRoad);
        Lines = [.. found.File.LinesBeside(Chosen?.Name ?? "")];
        Crossings = [.. Passing(found.File)];
        return true;
    }

    /// <summary>Lines of the file, and those of the bridge that the file does not name.</summary>
    private ImmutableArray<RoadFeature> Together(IEnumerable<RoadFeature> taken)
    {
        var list = taken.ToList();
        return [.. list, .. Bridge.Road.Features.Where(f => list.All(l => l.Name != f.Name))];
    }

    private IEnumerable<Crossing> Passing(RoadFile file)
    {
        var road = new RoadLine(NewRoad ?? Bridge.Road);
        var (from, to) = (Bridge.Axes.FirstStation, Bridge.Axes.FirstStation + Bridge.Axes.Spans.Sum());
        return file
            .Alignments.Where(a => a.Road is not null && a.Name != Chosen?.Name)
            .Select(a => Crossing.Of(new(a.Road!), road, from, to))
            .OfType<Crossing>();
    }

    private IReadOnlyList<RoadChange> Compare(Road road)
    {
        var geometry = new BridgeGeometry(Bridge);
        var places = geometry.Axes.Select(a => ($"Axis {a.Name}", a.Station)).ToList();
        for (var s = Math.Ceiling(geometry.FirstStation / Step) * Step; s <= geometry.LastStation; s += Step)
            places.Add(("", s));
        return RoadComparison.Compare(geometry.Road, new RoadLine(road), places.OrderBy(p => p.Item2));
    }
}
