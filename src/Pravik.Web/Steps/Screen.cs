using Pravik.Core.Bridges;
using Pravik.Core.Checks;
using Pravik.Core.Effects;
using Pravik.Core.Findings;
using Pravik.Core.Models;
using Pravik.Core.Places;
using Pravik.Core.Quantities;
using Pravik.Core.Roads;
using Pravik.Core.Traffic;
using Pravik.Core.Units;
using Pravik.Core.Validation;
using Pravik.Data;
using Pravik.Drawings;
using Pravik.Drawings.Views;
using Pravik.Drawings.Writers;
using Pravik.Exchange;
using Pravik.Web.Ledgers;
using Pravik.Web.Runs;
using Pravik.Web.Workspaces;

namespace Pravik.Web.Steps;

/// <summary>
/// All that a step can show: the bridge as it stands, what is around it, its results, the request, and the drawings that steps share.
/// </summary>
internal sealed class Screen
{
    private const double BandHeight = 104;
    private const double CaptionHeight = 30;
    private readonly Lazy<IReadOnlyList<BillItem>> bill;
    private readonly Lazy<IReadOnlyList<Finding>> supportFindings;

    /// <param name="snapshot">The bridge as it stands.</param>
    /// <param name="around">What is around it.</param>
    /// <param name="seen">Its runs.</param>
    /// <param name="request">What is wanted.</param>
    /// <param name="geometry">Its places, where they are known already.</param>
    public Screen(Snapshot snapshot, Around around, RunsSeen seen, WorkspaceRequest request, BridgeGeometry? geometry = null)
    {
        (Snapshot, Around, Seen, Request) = (snapshot, around, seen, request);
        Geometry = geometry ?? new(snapshot.Bridge);
        Units = UnitSystem.Named(snapshot.Bridge.Basis.Units);
        Rows = new(snapshot.Bridge);
        // Results of another layout of girders and spans do not belong on this bridge, not even as out of date.
        Latest = seen.Latest is { } l && Fits(l.Results.Model) ? l : null;
        IsCurrent = Latest?.Hash == InputHash.Of(snapshot.Bridge);
        Results = Latest is null ? null : new(Geometry, Latest.Results, Units);
        Model = Latest is null ? null : new(Geometry, Latest.Results, seen.Other, Units, request);
        Pick = request.Pick;
        bill = new(() => Core.Quantities.Bill.Of(Geometry, Ground));
        supportFindings = new(() =>
            [.. SupportChecks.Check(Geometry, Ground), .. ModelChecks.Expansion(Geometry, SupportPlace.All(Geometry, Ground))]
        );
        Outcome = request.Step == "checks" ? Latest?.Results.Find(Pick) ?? Latest?.Results.Governing : null;
        if (Outcome is not null)
            Pick = Latest!.Results.PathOf(Outcome);
        var shown = Outcome is null ? new GirderIndex(request.Girder - 1) : Latest!.Results.Points[Outcome.Point].Girder;
        Girder = Math.Clamp(shown, 0, Geometry.Girders.Length - 1);
        Station = StationOf(request);
        Whole = ViewSize.Pixels(request.Width, Math.Max(120, request.Height - CaptionHeight));
        Half = ViewSize.Pixels(request.Width, Math.Max(120, request.Height / 2 - CaptionHeight));
    }

    public Snapshot Snapshot { get; }
    public Around Around { get; }
    public RunsSeen Seen { get; }
    public WorkspaceRequest Request { get; }
    public BridgeGeometry Geometry { get; }
    public UnitSystem Units { get; }

    /// <summary>Makes rows of ledgers.</summary>
    public LedgerRows Rows { get; }
    public Ground? Ground => Around.Ground;

    /// <summary>The latest results that fit this bridge, and whether they are its own.</summary>
    public LatestResults? Latest { get; }
    public bool IsCurrent { get; }
    public ResultViews? Results { get; }
    public ModelViews? Model { get; }

    /// <summary>The path that is picked, and the outcome of a check that it means.</summary>
    public string? Pick { get; }
    public CheckOutcome? Outcome { get; }

    /// <summary>The girder that is shown, from 0.</summary>
    public GirderIndex Girder { get; }
    public double Station { get; }

    /// <summary>Room of the whole sheet, and of half of it.</summary>
    public ViewSize Whole { get; }
    public ViewSize Half { get; }

    public IReadOnlyList<BillItem> Bill => bill.Value;

    /// <summary>Findings about supports, which need the ground and so stand beside those of the bridge alone.</summary>
    public IReadOnlyList<Finding> SupportFindings => supportFindings.Value;

    /// <summary>Room of a part of the sheet's height, at least so many pixels of it.</summary>
    public ViewSize Part(double part, double least) =>
        ViewSize.Pixels(Request.Width, Math.Max(least, Request.Height * part - CaptionHeight));

    /// <summary>Whether a finding is about a value whose path begins so.</summary>
    public bool IsMentioned(IReadOnlyList<string> paths) =>
        Snapshot.Findings.Concat(SupportFindings).Any(f => paths.Any(p => f.Path.StartsWith(p, StringComparison.Ordinal)));

    /// <summary>How results stand that follow from the analysis.</summary>
    public (string Mark, string Word) ResultState =>
        Results is null ? ("none", "nothing yet")
        : !IsCurrent ? ("old", "out of date")
        : ("good", "in order");

    public ViewPart Plan(ViewSize size, PlacedTraffic? traffic = null, (double Station, double Offset)? mark = null) =>
        Drawn("plan", PlanView.Draw(Geometry, Units, size, Station, Pick, traffic, mark));

    public ViewPart Section(ViewSize size) => Drawn("section", SectionView.Draw(Geometry, Units, size, Station, Pick));

    public ViewPart Elevation(ViewSize size) => Drawn("elevation", ElevationView.Draw(Geometry, Ground, Units, size, Station, Pick));

    public ViewPart Support(ViewSize size) => Drawn("support", SupportView.Draw(Geometry, Ground, SupportAxis.Number, Units, size, Pick));

    public ViewPart Surroundings() =>
        Drawn(
            "surroundings",
            SurroundingsView.Draw(Geometry, Ground, Around.Neighbours.Select(n => new BridgeGeometry(n.Bridge)), Units, Whole, Station)
        );

    /// <summary>The place of the model in space, which the browser fetches by itself.</summary>
    public static ViewPart InSpace { get; } = new("model", "In space", "drag to turn, right button to move, wheel to come nearer", "");

    public ViewPart Band() =>
        Drawn("band", BandView.Draw(Geometry, Ground, Units, ViewSize.Pixels(Request.BandWidth, BandHeight), Latest?.Results, IsCurrent));

    /// <summary>What stands in place of what is not there yet, with the reason.</summary>
    public ViewPart Waiting(string title, string? reason = null) =>
        new("waiting", title, reason ?? Seen.State?.Doing ?? "the analysis starts by itself", "");

    /// <summary>The axis whose support is picked, or the one nearest to the cursor.</summary>
    public AxisPlace SupportAxis =>
        Pick?.Split('/') is ["", "parts", "supports" or "axes", var item, ..]
        && Geometry.Axes.FirstOrDefault(a => $"{a.Number}" == item) is { } picked
            ? picked
        : Pick?.Split('/') is ["", "supports", var key, ..] && Geometry.Axes.FirstOrDefault(a => $"{a.Number}" == key) is { } named ? named
        : Geometry.Axes.MinBy(a => Math.Abs(a.Station - Station))!;

    /// <summary>A drawing as a part of the sheet.</summary>
    public static ViewPart Drawn(string id, Drawing drawing) =>
        new(id, drawing.Title, drawing.Note, SvgWriter.Inline(drawing))
        {
            Snaps =
            [
                .. drawing.Snaps.Select(s => new SnapPart(
                    Math.Round(s.At.X, 2),
                    Math.Round(s.At.Y, 2),
                    FormattableString.Invariant($"{s.World.X:R},{s.World.Y:R},{s.World.Z:R}"),
                    s.Name
                )),
            ],
            Stations = drawing.Stations is { } s ? new(s.X0, s.Station0, s.Scale, drawing.Width) : null,
        };

    private bool Fits(ModelResults made) =>
        made.Finished.Mesh.GirderLines.Length == Geometry.Girders.Length && made.Finished.Mesh.Spans.Length == Geometry.SpanCount;

    private double StationOf(WorkspaceRequest request)
    {
        var reach = 0.1 * (Geometry.LastStation - Geometry.FirstStation) + 2;
        // Not quite the middle, so that the cursor stands clear of what is written there.
        var start = Geometry.FirstStation + 0.46 * (Geometry.LastStation - Geometry.FirstStation);
        var (least, most) =
            request.Step == "road"
                ? (Geometry.Road.StartStation, Geometry.Road.EndStation)
                : (Geometry.FirstStation - reach, Geometry.LastStation + reach);
        return Math.Clamp(request.Station is { } s && double.IsFinite(s) ? s : start, least, Math.Max(least, most));
    }
}
