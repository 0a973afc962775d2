using Pravik.Core.Entries;
using Pravik.Core.Members;
using Pravik.Core.Units;
using Pravik.Drawings.Views;
using Pravik.Web.Ledgers;
using Pravik.Web.Workspaces;

namespace Pravik.Web.Steps;

/// <summary>Checks to code, with the calculation and the traffic behind each.</summary>
internal sealed class ChecksStep : IStep
{
    public string Id => "checks";

    public string Name => "Checks";

    public bool HasValues => false;

    public IReadOnlyList<StepLayout> Layouts { get; } =
    [
        new("check", "Diagram"),
        new("section", "Section"),
        new("slab", "Slab across"),
        new("camber", "Camber"),
        new("traffic", "Traffic on the deck"),
        new("rating", "Rating"),
        new("strands", "Steel proposed"),
    ];

    public IReadOnlyList<string> Paths { get; } = ["/parts/results"];

    public SheetContent Sheet(Screen screen, string layout)
    {
        if (screen.Results is not { } results)
            return new([screen.Waiting("No results yet")]);
        if (layout == "camber")
            return new CamberViews(screen, screen.Latest!.Results).Sheet();
        if (layout == "slab")
            return SlabViews.Of(screen)?.Sheet()
                ?? new([screen.Waiting("The slab across is not checked", SlabViews.Refusal(screen.Latest!.Results))]);
        if (screen.Latest!.Results.Outcomes.IsEmpty)
            return new([screen.Waiting("Nothing is checked", string.Join(". ", screen.Latest.Results.Refusals))]);
        if (layout == "rating")
            return screen.Latest.Results.Ratings is { } rated
                ? new([Screen.Drawn("rating", RatingView.Draw(RatingTables.Bars(rated), screen.Half))], RatingTables.Of(rated, screen))
                : new([screen.Waiting("Not yet rated", screen.IsCurrent ? "traffic is being rated" : "results are out of date")]);
        if (layout == "strands" && IsOfSteel(screen))
            return new([screen.Waiting("Plates are not proposed yet", "bars and strands are, in girders of concrete")]);
        if (layout == "strands")
            return IsCast(screen) ? BarTables.Sheet(screen) : StrandTables.Sheet(screen);
        if (layout == "section")
            return SteelAt(screen) is { } steel ? steel.Sheet(screen)
                : SectionAt(screen) is { } at ? at.Sheet(screen.Half)
                : new([screen.Waiting("No section here", "checks see no concrete of this girder")]);
        var before = layout == "check" ? screen.Seen.Other : null;
        var table = results.CheckTable(screen.Outcome, before);
        if (layout == "traffic")
        {
            var behind = screen.Outcome is null ? null : screen.Latest.Results.TrafficBehind(screen.Outcome);
            return new([screen.Plan(screen.Half, behind) with { Title = "Traffic behind the picked value" }], table);
        }
        var diagram = DiagramView.Draw(
            results.CheckDiagram(screen.Girder, screen.Outcome, before),
            screen.Units,
            screen.Half,
            screen.Station,
            Picked(screen)
        );
        return new([Screen.Drawn("diagram", diagram)], table);
    }

    public Ledger Ledger(Screen screen) =>
        screen.Request.Layout == "rating" && screen.Results is not null ? RatingTables.Ledger(screen)
        : screen.Request.Layout == "slab" && SlabViews.Of(screen) is { } slab ? slab.Ledger()
        : screen.Request.Layout == "strands" && screen.Outcome is not null && !IsOfSteel(screen)
            ? (IsCast(screen) ? BarTables.Ledger(screen) : StrandTables.Ledger(screen))
        : screen.Request.Layout == "camber" && screen.Latest is { } latest ? new CamberViews(screen, latest.Results).Ledger
        : screen.Request.Layout == "section" && SteelAt(screen) is { } steel ? steel.Ledger
        : screen.Request.Layout == "section" && SectionAt(screen) is { } at ? at.Ledger
        : screen.Outcome is not null ? screen.Results!.CheckLedger(screen.Snapshot.ProjectId, screen.Outcome)
        : screen.Results is not null ? new("Checks", "nothing is checked", [screen.Results.NotChecked])
        : new("Checks", screen.Seen.State?.Doing ?? "", []);

    private static bool IsOfSteel(Screen screen) => screen.Latest?.Results.Members.Any(m => m.Form == MemberForm.Steel) == true;

    /// <summary>Whether bars are proposed instead of strands.</summary>
    private static bool IsCast(Screen screen) => screen.Snapshot.Bridge.Girders.CastInPlace;

    public IReadOnlyList<SheetControl> Controls(Screen screen) =>
        (screen.Request.Layout ?? "check") switch
        {
            "section" when SteelAt(screen) is { } steel => steel.Controls,
            "section" when SectionAt(screen) is { } at => at.Controls,
            "check" when screen.Outcome is not null => [new("with", "Laid under", screen.Request.With, [.. Under(screen)])],
            _ => [],
        };

    /// <summary>Results that can be laid under those of now.</summary>
    private static IEnumerable<Choice> Under(Screen screen)
    {
        yield return new("", screen.Seen.Before is { } b ? $"the run before (edit {b.Revision})" : "the run before");
        yield return new("none", "nothing");
        foreach (var past in AnalysisStep.Past(screen))
            yield return past;
    }

    /// <summary>The section of the girder that is looked at, nearest to the cursor; null where checks see none.</summary>
    private static SectionViews? SectionAt(Screen screen)
    {
        if (screen.Latest?.Results is not { Outcomes.IsEmpty: false } results)
            return null;
        var member = results.Members[screen.Girder];
        return SectionViews.Nearest(member, screen.Station) is { } point
            ? new(member, point, Place(screen, member, point), screen.Units, screen.Request.Show)
            : null;
    }

    /// <summary>The same of a girder of steel.</summary>
    private static SteelSectionViews? SteelAt(Screen screen)
    {
        if (screen.Latest?.Results is not { Outcomes.IsEmpty: false } results)
            return null;
        var member = results.Members[screen.Girder];
        return SteelSectionViews.Nearest(member, screen.Station) is { } point
            ? new(member, point, Place(screen, member, point), screen.Units, screen.Request.Show)
            : null;
    }

    private static string Place(Screen screen, Member member, MemberPoint point) =>
        $"{member.Name} at station {screen.Units.Format(point.Station, QuantityKind.Length)}";

    public StepState State(Screen screen) =>
        !screen.IsCurrent ? new(Id, Name, screen.ResultState.Mark, screen.ResultState.Word)
        : screen.Latest!.Results.Fails ? new(Id, Name, "fails", "a check fails")
        : screen.Latest.Results.Outcomes.IsEmpty ? new(Id, Name, "none", "nothing is checked")
        : new(Id, Name, "good", "what is checked passes");

    /// <summary>The picked outcome on its diagram: station, effect and words.</summary>
    private static (double, double, string)? Picked(Screen screen)
    {
        if (screen.Outcome is not { } outcome)
            return null;
        var effect = ResultViews.Value(outcome.Effect, outcome, screen.Units);
        var station = screen.Latest!.Results.Points[outcome.Point].Station;
        return (
            station,
            CheckDiagrams.IsDrawnAsRatio(outcome) ? outcome.Utilisation
            : outcome.Kind is QuantityKind.Force or QuantityKind.Size ? Math.Abs(outcome.Effect)
            : outcome.Effect,
            $"{effect} · {QuantityText.Fixed(outcome.Utilisation, 2)}"
        );
    }
}
