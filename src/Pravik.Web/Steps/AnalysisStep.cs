using Pravik.Core.Bridges;
using Pravik.Core.Entries;
using Pravik.Core.Stages;
using Pravik.Core.Traffic;
using Pravik.Drawings;
using Pravik.Drawings.Views;
using Pravik.Exchange;
using Pravik.Web.Ledgers;
using Pravik.Web.Workspaces;

namespace Pravik.Web.Steps;

/// <summary>The model of the bridge and what it answers.</summary>
internal sealed class AnalysisStep : IStep
{
    public string Id => "analysis";

    public string Name => "Analysis";

    public bool HasValues => false;

    public IReadOnlyList<StepLayout> Layouts { get; } =
    [
        new("results", "Along girders"),
        new("loading", "Loading"),
        new("influence", "Influence"),
        new("deflected", "Shape"),
        new("frame", "Model"),
        new("stages", "Stages"),
        new("models", "Three models"),
        new("shares", "Distribution"),
        new("balance", "Balance"),
    ];

    public IReadOnlyList<string> Paths { get; } = ["/model"];

    public SheetContent Sheet(Screen screen, string layout) =>
        layout switch
        {
            "loading" => OfModel(screen, m => Loading(screen, new(screen, m))),
            "influence" => OfModel(screen, m => new InfluenceViews(screen, m).Sheet()),
            "deflected" => OfModel(screen, m => new([Screen.Drawn("frame", m.Shape(screen.Whole, screen.Station))])),
            "frame" => OfModel(screen, m => new([Screen.Drawn("frame", m.Frame(screen.Whole, screen.Station, screen.Pick))])),
            "stages" => OfModel(screen, m => new([Stage(screen, m)], m.StageTable(screen.Girder, screen.Station))),
            "models" => screen.Seen.Compared is { } compared
                ? new([], ModelViews.Comparison(compared.Comparison, screen.Units, screen.Pick))
                : new([screen.Waiting("Not yet compared", screen.Seen.Comparing?.Doing)]),
            "shares" => OfModel(screen, m => SharesTables.Sheet(screen, m.Results)),
            "balance" => OfModel(screen, m => new([], m.Balance())),
            _ => OfModel(screen, m => new(Along(screen, m), m.Table())),
        };

    public Ledger Ledger(Screen screen) =>
        screen switch
        {
            { Request.Layout: "loading", Model: { } m } => new LoadingViews(screen, m).Ledger(),
            { Request.Layout: "influence", Model: { } m } => new InfluenceViews(screen, m).Ledger(),
            { Request.Layout: "shares" } => SharesTables.Ledger(),
            _ => OfModel(screen),
        };

    private static SheetContent Loading(Screen screen, LoadingViews loading) =>
        new([screen.Plan(screen.Part(0.55, 200), loading.Traffic ?? PlacedTraffic.None, loading.OnDeck)], loading.Table());

    private static Ledger OfModel(Screen screen) =>
        new ModelLedger(
            screen.Snapshot.Bridge,
            screen.Rows,
            screen.Seen.State,
            screen.Model,
            screen.Seen.Compared?.Comparison,
            NextSlabPlace(screen)
        ).Show(screen.Request.Layout ?? "results", screen.Pick, StageNumber(screen));

    /// <summary>Where a place of the slab is added: at the cursor, half way from the girder that is looked at to the next one.</summary>
    private static SlabPlace NextSlabPlace(Screen screen)
    {
        var (all, one) = (screen.Geometry.Girders, (int)screen.Girder);
        var other = one + 1 < all.Length ? one + 1 : Math.Max(0, one - 1);
        var offset = new[] { one, other }.Average(g => screen.Geometry.GirderOffsetAt(all[g], screen.Station) ?? 0);
        return new() { Station = Math.Round(screen.Station, 2), Offset = Math.Round(offset, 3) };
    }

    public StepState State(Screen screen) => new(Id, Name, screen.ResultState.Mark, screen.ResultState.Word);

    public IReadOnlyList<SheetControl> Controls(Screen screen)
    {
        if (screen.Model is not { } m)
            return [];
        List<Choice> under =
        [
            new("", "nothing"),
            .. screen.Seen.Before is { } b ? [new Choice("before", $"the run before (edit {b.Revision})")] : Array.Empty<Choice>(),
            .. Past(screen),
        ];
        return (screen.Request.Layout ?? "results") switch
        {
            "loading" => new LoadingViews(screen, m).Controls,
            "influence" => new InfluenceViews(screen, m).Controls,
            "results" => [.. m.Controls("results"), new("with", "Laid under", screen.Request.With, under)],
            "stages" =>
            [
                new(
                    "stage",
                    "Stage",
                    $"{StageNumber(screen) + 1}",
                    [.. m.Results.Steps.Select(s => new Choice($"{s.Index.Number}", $"{s.Index.Number}  {s.Stage.Name}"))]
                ),
                new(
                    "girder",
                    "Girder",
                    $"{screen.Girder + 1}",
                    [.. screen.Geometry.Girders.Select(g => new Choice($"{g.Number}", g.Name))]
                ),
            ],
            _ => m.Controls(screen.Request.Layout ?? ""),
        };
    }

    /// <summary>Edits whose results can be laid under.</summary>
    public static IEnumerable<Choice> Past(Screen screen) =>
        screen.Seen.History.Select(h => new Choice($"{h.Revision}", Waits(screen, h.Revision) ? $"{h.Words} (being analysed)" : h.Words));

    /// <summary>The stage (from 0) that is picked or chosen.</summary>
    private static int StageNumber(Screen screen) =>
        Math.Clamp(
            screen.Pick?.Split('/') is ["", "actions", "stages", var n, ..] && int.TryParse(n, out var picked)
                ? picked
                : screen.Request.Stage - 1,
            0,
            screen.Snapshot.Bridge.Actions.StagesOf(screen.Snapshot.Bridge.Girders, screen.Geometry.SpanCount).Length - 1
        );

    private static bool Waits(Screen screen, int revision) => screen.Seen.OtherWaits && screen.Request.With == $"{revision}";

    private static ViewPart Stage(Screen screen, ModelViews m)
    {
        var step = m.Results.Steps[Math.Min(StageNumber(screen), m.Results.Steps.Length - 1)];
        return Screen.Drawn("stage", StageView.Draw(screen.Geometry, step, screen.Part(0.54, 150), screen.Station));
    }

    /// <summary>What a model's results show; while there are none, why, and how a model that can move does.</summary>
    private static SheetContent OfModel(Screen screen, Func<ModelViews, SheetContent> make)
    {
        if (screen.Seen.State is { Refused: { Mode: not null } refused } run && run.Hash == InputHash.Of(screen.Snapshot.Bridge))
            return new([Screen.Drawn("frame", Mode(screen, refused))]);
        return screen.Model is null ? new([screen.Waiting("No results yet")]) : make(screen.Model);
    }

    private static Drawing Mode(Screen screen, ModelRefusedException refused) =>
        FrameView.Draw(
            refused.Model,
            new()
            {
                Displacements = refused.Mode,
                Moves = true,
                Zoom = screen.Request.Zoom,
            },
            screen.Units,
            screen.Whole
        ) with
        {
            Title = "How it can move",
            Note = refused.State,
        };

    /// <summary>Diagrams over each other, or one under the other.</summary>
    private static IReadOnlyList<ViewPart> Along(Screen screen, ModelViews m)
    {
        var diagrams = m.Diagrams();
        var share = (screen.Request.Table == "none" ? 1 : 0.55) / diagrams.Count;
        return
        [
            .. diagrams.Select(
                (d, i) => Screen.Drawn($"diagram{i}", DiagramView.Draw(d, screen.Units, screen.Part(share, 130), screen.Station))
            ),
        ];
    }
}
