using Pravik.Core.Trusses;
using Pravik.Core.Units;
using Pravik.Drawings.Views;
using Pravik.Web.Ledgers;
using Pravik.Web.Steps;
using Pravik.Web.Workspaces;

namespace Pravik.Web.Trusses;

/// <summary>Designs of one task, or over the same opening, ranked.</summary>
internal static class CompareStep
{
    public static SheetContent Sheet(TrussScreen screen, string layout)
    {
        var ranked = Ranked(screen);
        List<(TrussScheme, string)> shown = [.. ranked.Take(8).Select((d, i) => (d.Scheme, $"{i + 1}. {d.Scheme.Name}"))];
        var size = ViewSize.Pixels(screen.Request.Width, shown.Count > 4 ? 240 : 120);
        return new([Screen.Drawn("designs", TrussSideView.Gallery(shown, size))], Table(screen, ranked));
    }

    /// <summary>Those that pass first, by the score of the task; then the others by how far they are over.</summary>
    private static List<TrussDesign> Ranked(TrussScreen screen) =>
        [
            .. screen
                .Designs.OrderBy(d => !Passes(d))
                .ThenBy(d => Passes(d) ? Score(screen, d) : d.Run.Results?.Worst ?? double.MaxValue)
                .ThenBy(d => d.Id),
        ];

    private static bool Passes(TrussDesign design) => design.Run.Results is { Worst: <= 1 };

    private static double Score(TrussScreen screen, TrussDesign design)
    {
        var worst = design.Run.Results?.Worst ?? double.MaxValue;
        return (screen.Scheme.Task?.Score ?? TaskScore.Cost) switch
        {
            TaskScore.Cost => design.Run.Cost.Total,
            TaskScore.Ratio => worst,
            _ => design.Run.Cost.Total * worst,
        };
    }

    private static DataTable Table(TrussScreen screen, List<TrussDesign> ranked) =>
        new(
            screen.Scheme.Task is { } task ? $"Designs of the task {task.Name}" : "Designs over this opening",
            [
                new("Rank", true),
                new("Design", false),
                new("Author", false),
                new("Cost", true),
                new("Mass of both planes, kg", true),
                new("Bars", true),
                new("Sections", true),
                new("Utilisation", true),
                new("Result", false),
            ],
            [
                .. ranked.Select(
                    (d, i) =>
                    {
                        var model = TrussModel.Of(d.Scheme);
                        var mass = TrussCost.Planes * Enumerable.Range(0, model.Bars.Length).Sum(model.Mass);
                        var (sections, worst) = (TrussCost.Sections(model), d.Run.Results?.Worst);
                        return new TableRow(
                            [
                                Passes(d) ? $"{i + 1}" : "–",
                                d.Scheme.Name,
                                d.Scheme.Author,
                                screen.Money(d.Run.Cost.Total),
                                QuantityText.Fixed(mass, 0),
                                $"{d.Scheme.Bars.Length}",
                                $"{sections}",
                                worst is { } w ? TrussScreen.Ratio(w) : "none",
                                Passes(d) ? "passes"
                                : worst is null ? "does not stand, or breaks the task"
                                : "fails",
                            ],
                            [i + 1, null, null, d.Run.Cost.Total, mass, d.Scheme.Bars.Length, sections, worst, null],
                            null,
                            worst,
                            d.Id == screen.Snapshot.Id
                        );
                    }
                ),
            ]
        );

    public static Ledger Ledger(TrussScreen screen)
    {
        var ranked = Ranked(screen);
        return new(
            "Compare",
            ranked.Count == 1 ? "1 design" : $"{ranked.Count} designs",
            [
                new(
                    screen.Scheme.Task is { } task ? $"Task: {task.Name}" : "Same opening and road level",
                    [
                        .. ranked.Select(
                            (d, i) => new LedgerRow($"{i + 1}. {d.Scheme.Name}", "open", "") { Opens = $"/trusses/{d.Id}/sketch" }
                        ),
                    ]
                )
                {
                    Note =
                        screen.Scheme.Task?.Text
                        ?? "Schemes that are kept here over the same opening. Those that pass stand first, the cheapest before the others.",
                },
            ]
        );
    }
}
