using Pravik.Core.Checks;
using Pravik.Core.Effects;
using Pravik.Core.Findings;
using Pravik.Core.Models;
using Pravik.Core.Places;
using Pravik.Core.Quantities;
using Pravik.Core.Roads;
using Pravik.Core.Runs;
using Pravik.Core.Sections;
using Pravik.Core.Stages;
using Pravik.Core.Traffic;
using Pravik.Core.Units;
using Pravik.Core.Validation;
using Pravik.Data;
using Pravik.Drawings;
using Pravik.Drawings.Sheets;
using Pravik.Drawings.Views;
using Pravik.Drawings.Writers;
using Pravik.Exchange;
using Pravik.Web.Ledgers;
using Pravik.Web.Runs;

namespace Pravik.Web.Workspaces;

/// <summary>What a bridge is seen with: the ground, the office library, and the other bridges on its road.</summary>
public sealed record Around(Ground? Ground, IReadOnlyList<LibraryRow> Library, IReadOnlyList<Neighbour> Neighbours)
{
    public static Around Nothing { get; } = new(null, [], []);
}

/// <summary>
/// How a project's run stands, its latest results and those before them, results to lay under them, the comparison of its models, and
/// points of the history that can be laid under.
/// </summary>
public sealed record RunsSeen(RunState? State, LatestResults? Latest)
{
    public static RunsSeen Nothing { get; } = new(null, null);

    public LatestResults? Before { get; init; }
    public (BridgeResults Results, string Name)? Other { get; init; }

    /// <summary>Whether what is to be laid under is still being analysed.</summary>
    public bool OtherWaits { get; init; }
    public LatestComparison? Compared { get; init; }
    public RunState? Comparing { get; init; }
    public IReadOnlyList<(int Revision, string Words)> History { get; init; } = [];
}

/// <summary>Puts together what the screen shows from a snapshot, the latest results and the request.</summary>
public sealed class WorkspaceBuilder
{
    private const double BandHeight = 104;
    private const double CaptionHeight = 30;
    private readonly Snapshot snapshot;
    private readonly Around around;
    private readonly Ground? ground;
    private readonly RunState? run;
    private readonly LatestResults? latest;
    private readonly WorkspaceRequest request;
    private readonly BridgeGeometry geometry;
    private readonly UnitSystem units;
    private readonly ResultViews? results;
    private readonly bool current;
    private readonly double station;
    private readonly int girder;
    private readonly string? pick;
    private readonly CheckOutcome? outcome;
    private readonly List<Finding> supportFindings;
    private readonly Lazy<IReadOnlyList<BillItem>> bill;
    private readonly RunsSeen seen;
    private readonly ModelViews? modelViews;

    private WorkspaceBuilder(Snapshot snapshot, Around around, RunsSeen seen, WorkspaceRequest request)
    {
        (this.snapshot, this.around, ground, this.seen, this.request) = (snapshot, around, around.Ground, seen, request);
        (run, geometry) = (seen.State, new(snapshot.Bridge));
        units = UnitSystem.Named(snapshot.Bridge.Basis.Units);
        // Results of another layout of girders and spans do not belong on this bridge, not even as out of date.
        latest = seen.Latest is { } l && Fits(l.Results.Model) ? l : null;
        current = latest?.Hash == InputHash.Of(snapshot.Bridge);
        results = latest is null ? null : new(geometry, latest.Results, units);
        modelViews = latest is null ? null : new(geometry, latest.Results, seen.Other, units, request);
        pick = request.Pick;
        bill = new(() => Bill.Of(geometry, ground));
        supportFindings =
        [
            .. SupportChecks.Check(geometry, ground),
            .. ModelChecks.Expansion(geometry, SupportPlace.All(geometry, ground)),
        ];
        outcome = request.Step == "checks" ? latest?.Results.Find(pick) ?? latest?.Results.Governing : null;
        if (outcome is not null)
            pick = latest!.Results.PathOf(outcome);
        var shown = outcome is null ? request.Girder - 1 : latest!.Results.Points[outcome.Point].Girder;
        girder = Math.Clamp(shown, 0, geometry.Girders.Length - 1);
        var reach = 0.1 * (geometry.LastStation - geometry.FirstStation) + 2;
        // Not quite the middle, so that the cursor stands clear of what is written there.
        var start = geometry.FirstStation + 0.46 * (geometry.LastStation - geometry.FirstStation);
        var (least, most) =
            request.Step == "road"
                ? (geometry.Road.StartStation, geometry.Road.EndStation)
                : (geometry.FirstStation - reach, geometry.LastStation + reach);
        station = Math.Clamp(request.Station is { } s && double.IsFinite(s) ? s : start, least, Math.Max(least, most));
    }

    private bool Fits(ModelResults made) =>
        made.Finished.Mesh.GirderLines.Length == geometry.Girders.Length && made.Finished.Mesh.Spans.Length == geometry.SpanCount;

    public static Workspace Build(Snapshot snapshot, Around around, RunsSeen seen, WorkspaceRequest request) =>
        new WorkspaceBuilder(snapshot, around, seen, request).Build();

    private Workspace Build()
    {
        var layouts = Layouts();
        var layout = layouts.FirstOrDefault(l => l.Id == request.Layout) ?? layouts[0];
        var (views, table) = Sheet(layout.Id);
        return new(
            snapshot.Bridge.Name,
            snapshot.Revision,
            snapshot.Label,
            snapshot.CanUndo,
            snapshot.CanRedo,
            units == UnitSystem.Metric ? "m, kN" : "ft, kip",
            station,
            units.Format(station, QuantityKind.Length),
            request.Step,
            pick,
            Steps(),
            AllFindings(),
            [.. layouts.Select(l => l with { IsActive = l.Id == layout.Id })],
            Controls(),
            views,
            Band(),
            table,
            MakeLedger(),
            Run(),
            [.. geometry.Axes.Select(a => a.Station)]
        );
    }

    private List<LayoutChoice> Layouts() =>
        request.Step switch
        {
            "road" =>
            [
                new("road", "Plan and diagrams", false),
                new("roadPlan", "Plan", false),
                new("roadDiagrams", "Diagrams", false),
                new("surroundings", "Surroundings", false),
            ],
            "axes" =>
            [
                new("planElevation", "Plan and elevation", false),
                new("plan", "Plan", false),
                new("elevation", "Elevation", false),
                new("surroundings", "Surroundings", false),
                new("model", "3D", false),
            ],
            "deck" =>
            [
                new("sectionPlan", "Section and plan", false),
                new("section", "Section", false),
                new("plan", "Plan", false),
                new("model", "3D", false),
            ],
            "girders" =>
            [
                new("planSection", "Plan and section", false),
                new("girder", "Girder", false),
                new("allGirders", "All girders", false),
                new("levels", "Levels", false),
                new("materials", "Materials", false),
                new("section", "Section", false),
                new("model", "3D", false),
            ],
            "substructure" =>
            [
                new("supportElevation", "Support and elevation", false),
                new("support", "Support", false),
                new("planElevation", "Plan and elevation", false),
                new("seats", "Seats", false),
                new("model", "3D", false),
            ],
            "sections" => [new("shape", "Shape and table", false), new("shapeOnly", "Shape", false)],
            "loads" => [new("loads", "Loads on the section", false), new("ownLoads", "Own loads in plan", false)],
            "analysis" =>
            [
                new("results", "Along girders", false),
                new("deflected", "Shape", false),
                new("frame", "Model", false),
                new("stages", "Stages", false),
                new("models", "Three models", false),
                new("balance", "Balance", false),
            ],
            "checks" => [new("check", "Diagram", false), new("traffic", "Traffic on the deck", false)],
            _ => [new("sheet", "General arrangement", false), new("quantities", "Quantities", false)],
        };

    private (IReadOnlyList<ViewPart>, DataTable?) Sheet(string layout)
    {
        var whole = ViewSize.Pixels(request.Width, Math.Max(120, request.Height - CaptionHeight));
        var half = ViewSize.Pixels(request.Width, Math.Max(120, request.Height / 2 - CaptionHeight));
        ViewPart Plan(ViewSize size, TrafficLoading? traffic = null) =>
            Part("plan", PlanView.Draw(geometry, units, size, station, pick, traffic));
        ViewPart Support(ViewSize size) => Part("support", SupportView.Draw(geometry, ground, SupportAxis.Number, units, size, pick));
        ViewPart Section(ViewSize size) =>
            request.Step == "girders" && Math.Abs(SupportAxis.Station - station) < 0.3
                ? Support(size)
                : Preview(size) ?? Part("section", SectionView.Draw(geometry, units, size, station, pick));
        ViewPart RoadPlan(ViewSize size) => Part("road", RoadPlanView.Draw(geometry, units, size, station));
        ViewPart RoadDiagrams(ViewSize size) => Part("profile", RoadDiagramView.Draw(geometry, ground, units, size, station));
        ViewPart Elevation(ViewSize size) => Part("elevation", ElevationView.Draw(geometry, ground, units, size, station, pick));
        return layout switch
        {
            "road" => ([RoadPlan(half), RoadDiagrams(half)], null),
            "roadPlan" => ([RoadPlan(whole)], null),
            "roadDiagrams" => ([RoadDiagrams(whole)], null),
            "surroundings" => (
                [
                    Part(
                        "surroundings",
                        SurroundingsView.Draw(
                            geometry,
                            ground,
                            around.Neighbours.Select(n => new BridgeGeometry(n.Bridge)),
                            units,
                            whole,
                            station
                        )
                    ),
                ],
                null
            ),
            "model" => ([new("model", "In space", "drag to turn, right button to move, wheel to come nearer", "")], null),
            "planElevation" => ([Plan(half), Elevation(half)], null),
            "plan" => ([Plan(whole)], null),
            "elevation" => ([Elevation(whole)], null),
            "sectionPlan" => ([Section(half), Plan(half)], null),
            "section" => ([Section(whole)], null),
            "planSection" => ([Plan(half), Section(half)], null),
            "supportElevation" => ([Support(half), Elevation(half)], null),
            "support" => ([Support(whole)], null),
            "seats" => ([Support(half)], SupportTables.Seats(SupportPlace.All(geometry, ground), units, pick)),
            "quantities" => ([], BillTables.Show(bill.Value, units, snapshot.Bridge.Costs.Currency)),
            "allGirders" => ([Plan(half)], GirderTables.All(geometry, units, pick)),
            "materials" => ([Part("materials", MaterialView.Draw(snapshot.Bridge, units, whole))], null),
            "levels" => ([Elevation(half)], GirderTables.Haunches(geometry, units, pick)),
            "girder" => ([Part("girder", ShapeView.Girder(geometry, units, whole, TypeNumber))], null),
            "shape" => ([Drawn(half)], ShapeTables.Compare(snapshot.Bridge.Sections, units, ShapeNumber)),
            "shapeOnly" => ([Drawn(whole)], null),
            "loads" => (
                [Part("loads", LoadsView.Draw(geometry, units, whole, Math.Clamp(station, geometry.FirstStation, geometry.LastStation)))],
                null
            ),
            "ownLoads" => ([Part("plan", PlanView.DrawLoads(geometry, units, whole, station))], null),
            "results" => OfModel(m => (Along(m), m.Table())),
            "deflected" => OfModel(m => ([Part("frame", m.Shape(whole, station))], null)),
            "frame" => OfModel(m => ([Part("frame", m.Frame(whole, station, pick))], null)),
            "stages" => OfModel(m =>
                (
                    [
                        Part(
                            "stage",
                            StageView.Draw(
                                geometry,
                                m.Results.Steps[Math.Min(StageNumber, m.Results.Steps.Length - 1)],
                                ViewSize.Pixels(request.Width, Math.Max(150, request.Height * 0.54 - CaptionHeight)),
                                station
                            )
                        ),
                    ],
                    m.StageTable(girder, station)
                )
            ),
            "models" => seen.Compared is { } compared
                ? ([], ModelViews.Comparison(compared.Comparison, units, pick))
                : ([new("waiting", "Not yet compared", seen.Comparing?.Doing ?? run?.Doing ?? "the models run by themselves", "")], null),
            "balance" => OfModel(m => ([], m.Balance())),
            "check" => Results(r => ([Diagram(r.CheckDiagram(girder), half, Picked)], r.CheckTable(outcome))),
            "traffic" => Results(r =>
                (
                    [
                        Plan(half, outcome is null ? null : latest!.Results.TrafficBehind(outcome)) with
                        {
                            Title = "Traffic behind the picked value",
                        },
                    ],
                    r.CheckTable(outcome)
                )
            ),
            _ => (
                [
                    Part(
                        "sheet",
                        GeneralArrangement.Draw(
                            geometry,
                            ground,
                            units,
                            current ? latest?.Results : null,
                            DateTime.Now.ToString("yyyy-MM-dd")
                        )
                    ),
                ],
                null
            ),
        };
    }

    /// <summary>The section as it would be with the pattern that is opened, where the unit at the cursor has another; else null.</summary>
    private ViewPart? Preview(ViewSize size)
    {
        var unit = geometry.UnitAt(station);
        if (request.Step != "deck" || DeckLedger.ShownPattern(snapshot.Bridge.Deck, pick) is not { } shown || shown == unit.PatternIndex)
            return null;
        var (deck, name) = (snapshot.Bridge.Deck, snapshot.Bridge.Deck.Patterns[shown].Name);
        var bridge = snapshot.Bridge with
        {
            Parapets = [],
            Deck = deck with { Units = deck.Units.SetItem(unit.Key, new() { Name = unit.Own.Name, Pattern = name }) },
        };
        return Part("section", SectionView.Draw(new(bridge), units, size, station, pick)) with { Title = $"Preview of “{name}”" };
    }

    /// <summary>The section that is picked (<c>/sections/N</c>), or the girders'.</summary>
    private int ShapeNumber =>
        pick?.Split('/') is ["", "sections", var item, ..] && int.TryParse(item, out var i) && i >= 0 && i < snapshot.Bridge.Sections.Length
            ? i
            : Math.Max(0, snapshot.Bridge.Sections.Select(s => s.Name).ToList().IndexOf(geometry.Section.Shape.Name));

    /// <summary>Place of the type of girder that is picked, or of the picked girder's.</summary>
    private int TypeNumber =>
        pick?.Split('/') switch
        {
            ["", "girders", "types", var item, ..] when int.TryParse(item, out var i) && i >= 0 && i < geometry.Sections.Types.Length => i,
            ["", "parts", "girders", var number, "spans", var span]
                when int.TryParse(number, out var n)
                    && int.TryParse(span, out var s)
                    && s >= 1
                    && s <= geometry.SpanCount
                    && geometry.Sections.IsPresent(n, s - 1) => geometry.Sections.TypeIndex(n, s - 1),
            _ => geometry.Sections.TypeIndex(geometry.GirdersIn(0)[0].Number, 0),
        };

    /// <summary>The axis whose support is picked, or the one nearest to the cursor.</summary>
    private AxisPlace SupportAxis =>
        pick?.Split('/') is ["", "parts", "supports" or "axes", var item, ..]
        && geometry.Axes.FirstOrDefault(a => $"{a.Number}" == item) is { } picked
            ? picked
        : pick?.Split('/') is ["", "supports", var key, ..] && geometry.Axes.FirstOrDefault(a => $"{a.Number}" == key) is { } named ? named
        : geometry.Axes.MinBy(a => Math.Abs(a.Station - station))!;

    private MadeSection Shape => new(snapshot.Bridge.Sections[ShapeNumber]);

    private (IReadOnlyList<ViewPart>, DataTable?) Results(Func<ResultViews, (IReadOnlyList<ViewPart>, DataTable?)> make) =>
        results is null ? ([new("waiting", "No results yet", run?.Doing ?? "the analysis starts by itself", "")], null)
        : latest!.Results.Outcomes.IsEmpty ? ([new("waiting", "Nothing is checked", string.Join(". ", latest.Results.Refusals), "")], null)
        : make(results);

    /// <summary>The picked outcome on its diagram: station, effect and words.</summary>
    private (double, double, string)? Picked =>
        outcome is null
            ? null
            : (
                latest!.Results.Points[outcome.Point].Station,
                outcome.Effect,
                $"{units.FormatWithUnit(outcome.Effect, QuantityKind.Moment)} · {QuantityText.Fixed(outcome.Utilisation, 2)}"
            );

    private ViewPart Diagram(Diagram diagram, ViewSize size, (double, double, string)? picked) =>
        Part("diagram", DiagramView.Draw(diagram, units, size, station, picked));

    private static ViewPart Part(string id, Drawing drawing) =>
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

    /// <summary>The section in hand, on which outlines can be drawn: on a grid of 10 mm or half an inch.</summary>
    private ViewPart Drawn(ViewSize size)
    {
        var (path, sections) = ($"/sections/{ShapeNumber}", snapshot.Bridge.Sections);
        var drawing = ShapeView.Draw(Shape, units, size, path);
        var plane = drawing.Plane!;
        var name = Enumerable.Range(1, sections.Length + 1).Select(i => $"Own section {i}").First(n => sections.All(s => s.Name != n));
        var grid = units == UnitSystem.Metric ? 0.01 : 0.0127;
        return Part("shape", drawing) with
        {
            Plane = new(
                plane.X0,
                plane.Y0,
                plane.Scale,
                grid,
                1 / units[QuantityKind.Size].Factor,
                units[QuantityKind.Size].Symbol,
                Shape.Shape.Family == Core.Sections.SectionFamily.Own ? path : null,
                name,
                $"/sections/{sections.Length}"
            ),
        };
    }

    private ViewPart Band() =>
        Part("band", BandView.Draw(geometry, ground, units, ViewSize.Pixels(request.BandWidth, BandHeight), latest?.Results, current));

    private Ledger MakeLedger()
    {
        var steps = new StepLedgers(snapshot.Bridge, geometry, station, around);
        return request.Step switch
        {
            "basis" => steps.Basis(),
            "road" => steps.Road(),
            "axes" => steps.Axes(),
            "deck" => steps.Deck(pick),
            "girders" => steps.Girders(pick),
            "substructure" => new SubstructureLedger(snapshot.Bridge, geometry, ground, new(snapshot.Bridge)).Make(SupportAxis),
            "sections" => new SectionLedger(snapshot.Bridge, new(snapshot.Bridge), around.Library).Make(ShapeNumber),
            "loads" => steps.Loads(),
            "analysis" => new ModelLedger(snapshot.Bridge, new(snapshot.Bridge), run, modelViews, seen.Compared?.Comparison).Show(
                request.Layout ?? "results",
                pick,
                StageNumber
            ),
            "checks" => outcome is not null ? results!.CheckLedger(snapshot.ProjectId, outcome)
            : results is not null ? new("Checks", "nothing is checked", [results.NotChecked])
            : new("Checks", run?.Doing ?? "", []),
            _ => steps.Sheets(bill.Value),
        };
    }

    private IReadOnlyList<SheetControl> Controls() => request.Step == "analysis" ? ModelControls() : [];

    private bool Waits(int revision) => seen.OtherWaits && request.With == $"{revision}";

    private IReadOnlyList<SheetControl> ModelControls()
    {
        if (modelViews is not { } m)
            return [];
        List<Choice> under =
        [
            new("", "nothing"),
            .. seen.Before is { } b ? [new Choice("before", $"the run before (edit {b.Revision})")] : Array.Empty<Choice>(),
            .. seen.History.Select(h => new Choice($"{h.Revision}", Waits(h.Revision) ? $"{h.Words} (being analysed)" : h.Words)),
        ];
        return (request.Layout ?? "results") switch
        {
            "results" => [.. m.Controls("results"), new("with", "Laid under", request.With, under)],
            "stages" =>
            [
                new(
                    "stage",
                    "Stage",
                    $"{StageNumber + 1}",
                    [.. m.Results.Steps.Select(s => new Choice($"{s.Number + 1}", $"{s.Number + 1}  {s.Stage.Name}"))]
                ),
                new("girder", "Girder", $"{girder + 1}", [.. geometry.Girders.Select(g => new Choice($"{g.Number}", g.Name))]),
            ],
            _ => m.Controls(request.Layout ?? ""),
        };
    }

    /// <summary>The stage (from 0) that is picked or chosen.</summary>
    private int StageNumber =>
        Math.Clamp(
            pick?.Split('/') is ["", "actions", "stages", var n, ..] && int.TryParse(n, out var picked) ? picked : request.Stage - 1,
            0,
            snapshot.Bridge.Actions.StagesOf(geometry.SpanCount).Length - 1
        );

    /// <summary>What a model's results show; while there are none, why, and how a model that can move does.</summary>
    private (IReadOnlyList<ViewPart>, DataTable?) OfModel(Func<ModelViews, (IReadOnlyList<ViewPart>, DataTable?)> make)
    {
        if (run is { Refused: { Mode: not null } refused } && run.Hash == InputHash.Of(snapshot.Bridge))
            return ([Part("frame", Mode(refused))], null);
        return modelViews is null
            ? ([new("waiting", "No results yet", run?.Doing ?? "the analysis starts by itself", "")], null)
            : make(modelViews);
    }

    private Drawing Mode(ModelRefusedException refused) =>
        FrameView.Draw(
            refused.Model,
            new()
            {
                Displacements = refused.Mode,
                Moves = true,
                Zoom = request.Zoom,
            },
            units,
            ViewSize.Pixels(request.Width, Math.Max(120, request.Height - CaptionHeight))
        ) with
        {
            Title = "How it can move",
            Note = refused.State,
        };

    /// <summary>Diagrams over each other, or one under the other.</summary>
    private IReadOnlyList<ViewPart> Along(ModelViews m)
    {
        var diagrams = m.Diagrams();
        var height = request.Height * (request.Table == "none" ? 1 : 0.55);
        return
        [
            .. diagrams.Select(
                (d, i) =>
                    Part(
                        $"diagram{i}",
                        DiagramView.Draw(
                            d,
                            units,
                            ViewSize.Pixels(request.Width, Math.Max(130, height / diagrams.Count - CaptionHeight)),
                            station
                        )
                    )
            ),
        ];
    }

    private List<Finding> AllFindings()
    {
        List<Finding> all = [.. snapshot.Findings];
        if (current)
            all.AddRange(latest!.Results.GoverningByGirder().Where(o => !o.Passes).Select(Failing));
        all.AddRange(GroundFindings());
        all.AddRange(supportFindings);
        if (current)
        {
            all.AddRange(ModelChecks.Members(geometry, modelViews!.Results.Finished));
            all.AddRange(modelViews.Results.Warnings.Concat(modelViews.Ranges.Unknown).Select(w => Finding.Warning("/actions", w)));
        }
        if (run is { Status: RunStatus.Failed })
            all.Add(
                run.Refused is null
                    ? Finding.Error("", run.Doing)
                    : Finding.Error("/model/supports", run.Doing, "Nothing can be analysed or checked until it is held.")
            );
        return all;
    }

    private Finding Failing(CheckOutcome o)
    {
        var point = latest!.Results.Points[o.Point];
        var place = $"{geometry.Girders[point.Girder].Name}, span {point.Span + 1}";
        return Finding.Error(
            latest.Results.PathOf(o),
            $"{place}: {o.Name.ToLowerInvariant()} fails with utilisation {QuantityText.Fixed(o.Utilisation, 2)}.",
            "More strands, bars, depth or girders raise the resistance."
        ) with
        {
            Station = point.Station,
        };
    }

    /// <summary>
    /// Whether the ground reaches under every corner of the deck. The ground is kept beside the bridge, so validation cannot see it.
    /// </summary>
    private IEnumerable<Finding> GroundFindings()
    {
        if (snapshot.Bridge.Ground is { } named && ground is null)
            yield return Finding.Warning(
                "/ground",
                $"The ground “{named.Name}” is not held here: bring its file in again on the road step."
            );
        if (ground is null)
            yield break;
        foreach (var (name, place) in geometry.Corners().Where(c => ground.Level(geometry.Road.At(c.Place)) is null))
            yield return Finding.Warning(
                "/ground",
                $"The ground does not reach under the {name} corner of the deck.",
                "Without it nothing can be founded or shown there."
            ) with
            {
                Station = place.Station,
            };
    }

    private List<StepState> Steps()
    {
        StepState Described(string id, string name, params string[] paths) =>
            snapshot.Findings.Concat(supportFindings).Any(f => paths.Any(p => f.Path.StartsWith(p, StringComparison.Ordinal)))
                ? new(id, name, "look", "needs a look")
                : new(id, name, "good", "in order");
        var state =
            results is null ? ("none", "nothing yet")
            : !current ? ("old", "out of date")
            : ("good", "in order");
        return
        [
            Described("road", "Road", "/road", "/ground"),
            Described("axes", "Axes", "/axes", "/crossings"),
            Described("deck", "Deck", "/deck", "/parapets"),
            Described("girders", "Girders", "/girders", "/sections", "/materials"),
            Described("substructure", "Substructure", "/supports", "/bearings"),
            Described("loads", "Loads", "/loads", "/basis"),
            new("analysis", "Analysis", state.Item1, state.Item2),
            !current ? new("checks", "Checks", state.Item1, state.Item2)
            : latest!.Results.Fails ? new("checks", "Checks", "fails", "a check fails")
            : latest.Results.Outcomes.IsEmpty ? new("checks", "Checks", "none", "nothing is checked")
            : new("checks", "Checks", "good", "what is checked passes"),
            new("sheets", "Sheets", "good", "in order"),
        ];
    }

    private RunInfo Run()
    {
        var status = current ? RunStatus.Done : run?.Status ?? RunStatus.Waiting;
        var words = status switch
        {
            RunStatus.Done when latest is { } l => CheckSummary.Of(snapshot.Bridge.Name, l.Results).Words,
            RunStatus.Stopped => run?.Doing.ToLowerInvariant() ?? "stopped",
            RunStatus.Failed => "analysis failed",
            _ => run?.Doing ?? "waiting",
        };
        var name = status == RunStatus.Done && latest!.Results.Fails ? "fails" : status.ToString().ToLowerInvariant();
        var left = status == RunStatus.Done ? $"Not checked yet: {string.Join(", ", latest!.Results.NotChecked)}." : "";
        return new(name, run?.Fraction ?? 0, words, status is RunStatus.Running or RunStatus.Waiting)
        {
            Help = left,
            IsPlain = status == RunStatus.Done && latest!.Results.Outcomes.IsEmpty,
        };
    }
}
