using Pravik.Core.Sections;
using Pravik.Drawings.Views;
using Pravik.Web.Ledgers;
using Pravik.Web.Steps;
using Pravik.Web.Workspaces;

namespace Pravik.Web.Members;

/// <summary>A step of the work on a member alone.</summary>
/// <param name="Id">Its name in addresses and requests.</param>
/// <param name="Name">Its name in words.</param>
/// <param name="Paths">Beginnings of the paths of values that are entered here.</param>
/// <param name="Layouts">At least one.</param>
/// <param name="Sheet">What the sheet shows in a layout.</param>
/// <param name="Ledger">What the ledger shows.</param>
internal sealed record MemberStep(
    string Id,
    string Name,
    IReadOnlyList<string> Paths,
    IReadOnlyList<StepLayout> Layouts,
    Func<MemberScreen, string, SheetContent> Sheet,
    Func<MemberScreen, Ledger> Ledger
)
{
    /// <summary>Controls over the sheet.</summary>
    public Func<MemberScreen, IReadOnlyList<SheetControl>> Controls { get; init; } = _ => [];
}

/// <summary>The steps of a member alone, in order.</summary>
internal static class MemberSteps
{
    private static readonly IReadOnlyList<StepLayout> One = [new("both", "Side and section")];

    public static IReadOnlyList<MemberStep> All { get; } =
    [
        new("basis", "Basis", ["/name", "/basis"], One, (s, _) => new([s.Elevation(s.Half), s.Section(s.Half)]), MemberLedgers.Basis),
        new(
            "spans",
            "Spans",
            ["/spans", "/supports", "/overhang"],
            One,
            (s, _) => new([s.Elevation(s.Half), s.Section(s.Half)]),
            MemberLedgers.Spans
        ),
        new(
            "section",
            "Section",
            ["/sections", "/stretches", "/materials", "/slab", "/unitWeight"],
            One,
            (s, _) => new([Shape(s), s.Elevation(s.Half)]),
            MemberLedgers.Section
        ),
        new(
            "bars",
            "Bars",
            ["/bars", "/links", "/strands", "/release", "/time", "/strutSlope", "/topSurface", "/leavesOutTorsion", "/deflectionLimit"],
            One,
            (s, _) => new([s.Elevation(s.Half), s.Section(s.Half)]),
            MemberLedgers.Bars
        ),
        new(
            "loading",
            "Loads",
            ["/cases", "/traffic", "/heating", "/cooling", "/effects"],
            One,
            (s, _) => new([s.Elevation(s.Whole, MemberLedgers.Case(s))]),
            MemberLedgers.Loads
        ),
        new(
            "effects",
            "Effects",
            ["/parts/effects"],
            [new("effects", "Along the member"), new("camber", "Deflections"), new("reactions", "Reactions")],
            (s, layout) =>
                layout switch
                {
                    "reactions" => MemberViews.Reactions(s),
                    "camber" => MemberCamber.Sheet(s),
                    _ => MemberViews.Effects(s),
                },
            MemberViews.EffectLedger
        )
        {
            Controls = MemberViews.Controls,
        },
        new(
            "checks",
            "Checks",
            ["/parts/results"],
            [new("check", "Diagram"), new("section", "Section")],
            (s, layout) => layout == "section" && MemberViews.SectionAt(s) is { } at ? at.Sheet(s.Half) : MemberViews.Checks(s),
            s => s.Request.Layout == "section" && MemberViews.SectionAt(s) is { } at ? at.Ledger : MemberViews.CheckLedger(s)
        )
        {
            Controls = s => s.Request.Layout == "section" && MemberViews.SectionAt(s) is { } at ? at.Controls : [],
        },
    ];

    /// <summary>The step of a name; the spans where there is none.</summary>
    public static MemberStep Named(string id) => All.FirstOrDefault(s => s.Id == id) ?? All[1];

    /// <summary>To which step a value belongs, by the beginning of its path.</summary>
    public static IReadOnlyDictionary<string, string> Places { get; } =
        All.SelectMany(s => s.Paths.Select(p => (p, s.Id))).ToDictionary(p => p.p, p => p.Id);

    /// <summary>The section that is picked, or the one at the cursor.</summary>
    public static int Picked(MemberScreen screen)
    {
        var named = screen.Pick?.Split('/') is ["", "sections", var number, ..] && int.TryParse(number, out var i) ? i : -1;
        var sections = screen.Member.Sections;
        return named >= 0 && named < sections.Length
            ? named
            : Math.Max(0, sections.IndexOf(sections.First(s => s.Name == screen.Sections.MadeAt(screen.Station).Shape.Name)));
    }

    private static ViewPart Shape(MemberScreen screen) =>
        Screen.Drawn("shape", ShapeView.Draw(new MadeSection(screen.Member.Sections[Picked(screen)]), screen.Units, screen.Half));
}
