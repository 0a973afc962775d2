using Pravik.Core.Entries;
using Pravik.Core.Trusses;
using Pravik.Core.Units;
using Pravik.Drawings.Views;
using Pravik.Web.Ledgers;
using Pravik.Web.Steps;
using Pravik.Web.Workspaces;

namespace Pravik.Web.Trusses;

/// <summary>Joints and bars as they are drawn: forms, drawing by hand and by keyboard, what is picked.</summary>
internal static class SketchStep
{
    public static IReadOnlyList<SheetControl> Controls(TrussScreen screen) =>
        [
            new("look", "Pointer", Draws(screen) ? "draw" : "pick", [new("pick", "picks and moves"), new("draw", "draws joints and bars")]),
            new("arrange", "Drawn", screen.Mirrors ? "both" : "one", [new("both", "on both sides alike"), new("one", "as it is")]),
            new("names", "Grid", FormattableString.Invariant($"{screen.Grid:0.####}"), [.. Grids(screen.Units), new("0", "free")]),
            new("with", "Faintly under it", screen.Request.With, [new("", "nothing"), .. Forms.Select(f => new Choice(f.Value, f.Words))]),
        ];

    private static IEnumerable<Choice> Grids(UnitSystem units) =>
        units == UnitSystem.Metric ? Lengths("m", 1, 2, 1, 0.5, 0.25, 0.1, 0.05) : Lengths("ft", 0.3048, 5, 2, 1, 0.5, 0.25);

    /// <summary>Lengths that are round in a unit, as choices in metres.</summary>
    public static IEnumerable<Choice> Lengths(string unit, double metres, params double[] lengths) =>
        lengths.Select(l => new Choice(
            FormattableString.Invariant($"{l * metres:0.####}"),
            FormattableString.Invariant($"{l:0.##} {unit}")
        ));

    private static bool Draws(TrussScreen screen) => screen.Request.Look == "draw";

    private static IReadOnlyList<Choice> Forms => TrussEntries.All.First(e => e.Pattern == "/form/kind").Choices;

    public static SheetContent Sheet(TrussScreen screen, string layout)
    {
        var outline = Forms.Any(f => f.Value == screen.Request.With)
            ? TrussForms.Usual(screen.Scheme, Enum.Parse<FormKind>(screen.Request.With, true))
            : null;
        var mechanism = Moving(screen);
        TrussShown shown = new()
        {
            States = screen.Worst,
            HasNames = true,
            HasNumbers = screen.Picks.IsEmpty,
            Picked = screen.Picks.Parts,
            Grid = screen.Grid,
            Outline = outline,
            Picture = screen.HasPicture ? $"/api/pictures/{screen.Scheme.Picture!.Hash}" : "",
            Movements = mechanism,
            Swings = true,
        };
        var title = mechanism is null ? "Sketch" : "Sketch: it can move as it swings here";
        return new([screen.Side("sketch", screen.Whole, shown, title, Draws(screen), true)]);
    }

    /// <summary>How a scheme that can move moves, a twentieth of the opening at the most; null for one that stands.</summary>
    private static double[]? Moving(TrussScreen screen)
    {
        if (screen.Results is not null || screen.Scheme.Bars.IsEmpty || !screen.Picks.IsEmpty)
            return null;
        var model = TrussModel.Of(screen.Scheme);
        var found = Mechanisms.Of(model);
        return found.IsEmpty ? null : [.. found[0].Movements.Select(m => 0.04 * screen.Scheme.Site.Opening * m)];
    }

    public static Ledger Ledger(TrussScreen screen)
    {
        if (!screen.Picks.Bars.IsEmpty)
            return BarsStep.Ledger(screen);
        var (scheme, rows) = (screen.Scheme, screen.Rows);
        List<LedgerGroup> groups = [];
        if (screen.Picks.Joints is { Length: > 0 } joints)
            groups.AddRange(joints.Take(6).Select(j => Joint(screen, j)));
        if (scheme.Form is not null)
            groups.Add(
                new(
                    "Form",
                    [
                        rows.Entry("/form/kind"),
                        rows.Entry("/form/depth"),
                        rows.Entry("/form/rise"),
                        rows.Entry("/form/isBelow"),
                        rows.Entry("/site/panels"),
                    ]
                )
                {
                    Note = "A value changed here draws the form anew: joints moved by hand go back.",
                }
            );
        groups.Add(Begin(screen));
        groups.Add(
            new(
                "By keyboard",
                [
                    Typed("New joint", TrussEntryReader.NewJoint, "Along and level, as 12.5 ; 3"),
                    Typed("New bars", TrussEntryReader.NewBars, "Joints in order, as D1 J2 D3"),
                ]
            )
            {
                Note =
                    "With the pointer that draws: press for a joint, drag from joint to joint for bars; joints "
                    + "on the way are joined too. Else: drag a joint to move it, "
                    + "drag over an area to pick bars, Shift adds, Delete takes away.",
            }
        );
        groups.Add(Traced(screen));
        groups.Add(BarsStep.Rules(screen));
        groups.Add(
            new(
                "Readings",
                [
                    LedgerRows.Reading("Joints of one’s own", $"{scheme.Joints.Length}"),
                    LedgerRows.Reading("Bars", $"{scheme.Bars.Length}"),
                    LedgerRows.Reading("Different sections", $"{TrussCost.Sections(TrussModel.Of(scheme))}"),
                    LedgerRows.Reading("Worst ratio", screen.Results is { } r ? TrussScreen.Ratio(r.Worst) : "none"),
                    LedgerRows.Reading("Cost", screen.Money(screen.Run.Cost.Total)),
                ]
            )
            {
                Note = screen.Results is null && scheme.Bars.Length > 0 ? "It has to stand before it can be loaded: see the findings." : "",
            }
        );
        return new("Sketch", $"{scheme.Bars.Length} bars", groups);
    }

    /// <summary>A picture under the sketch.</summary>
    private static LedgerGroup Traced(TrussScreen screen)
    {
        LedgerUpload upload = new(
            screen.Scheme.Picture is null ? "Give a picture" : "Give another",
            "picture",
            ".png,.jpg,.jpeg,.svg,image/png,image/jpeg,image/svg+xml"
        );
        if (screen.Scheme.Picture is null)
            return new("Picture to trace", [])
            {
                Upload = upload,
                Note = "PNG, JPEG or SVG, to 4 MB. It lies faintly under the sketch; nothing follows from it.",
            };
        return new(
            "Picture to trace",
            [screen.Rows.Entry("/picture/x"), screen.Rows.Entry("/picture/top"), screen.Rows.Entry("/picture/width")]
        )
        {
            Upload = upload,
            Actions = [new("Take it away", "Picture taken away", [new("add", "/picture")])],
            Note = screen.HasPicture ? "" : "The picture itself is not kept here: the scheme came from elsewhere. Give it again.",
        };
    }

    private static LedgerRow Typed(string name, string path, string help) =>
        new(name, "", "")
        {
            Path = path,
            Entry = "text",
            Help = help,
        };

    private static LedgerGroup Joint(TrussScreen screen, string id)
    {
        var own = screen.Scheme.Joints.Select(j => j.Id).ToList().IndexOf(id);
        var bars = screen.Scheme.Bars.Count(b => b.From == id || b.To == id);
        if (own < 0)
        {
            var site = screen.Places.Joints.First(j => j.Id == id);
            return new(
                $"Joint {id}",
                [
                    LedgerRows.Reading("Given by the site", site.Words),
                    screen.Rows.Reading("Along", site.At.X, QuantityKind.Length),
                    screen.Rows.Reading("Level", site.At.Y, QuantityKind.Length),
                    LedgerRows.Reading("Bars", $"{bars}"),
                ]
            );
        }
        var path = $"/joints/{own}";
        return new(
            $"Joint {id}",
            [
                screen.Rows.Entry($"{path}/id"),
                screen.Rows.Entry($"{path}/x"),
                screen.Rows.Entry($"{path}/z"),
                screen.Rows.Entry($"{path}/locked"),
                LedgerRows.Reading("Bars", $"{bars}"),
                .. Moves(screen, id),
            ]
        )
        {
            Actions =
            [
                new(
                    bars == 0 ? "Take it away" : $"Take it away with its {bars} bars",
                    $"Joint {id} taken away",
                    TrussPatch.Between(screen.Scheme, TrussEdits.Delete(screen.Scheme, [id], [], screen.Mirrors))
                ),
            ],
        };
    }

    /// <summary>Movements of a joint: down under weight, and at its worst under traffic.</summary>
    private static IEnumerable<LedgerRow> Moves(TrussScreen screen, string id)
    {
        if (screen.Results is not { } results)
            yield break;
        var joint = results.Forces.Model.Joints.Select(j => j.Id).ToList().IndexOf(id);
        yield return screen.Rows.Reading("Down under weight", -results.Forces.WeightMovements[2 * joint + 1], QuantityKind.Size);
        var down = results.Forces.Model.Positions.Max(p => p.Loads.Select((l, d) => -l * results.Forces.Movements[d][2 * joint + 1]).Sum());
        yield return screen.Rows.Reading("Down under traffic at most", Math.Max(0, down), QuantityKind.Size);
    }

    private static LedgerGroup Begin(TrussScreen screen)
    {
        List<LedgerAction> actions = [];
        List<string> refused = [];
        foreach (var choice in Forms)
        {
            var form = TrussForms.Usual(screen.Scheme, Enum.Parse<FormKind>(choice.Value, true));
            if (TrussForms.Refusal(screen.Scheme.Site, form) is { Length: > 0 } why)
                refused.Add($"{char.ToUpperInvariant(choice.Words[0])}{choice.Words[1..]}: {why}");
            else
                actions.Add(new(choice.Words, $"Drawn as {choice.Words}", []) { Enters = new(TrussEntryReader.DrawForm, choice.Value) });
        }
        if (!screen.Scheme.Bars.IsEmpty)
            actions.Add(
                new(
                    "clear the sheet",
                    "Sheet cleared",
                    [
                        new("replace", "/form"),
                        new("replace", "/joints", new System.Text.Json.Nodes.JsonArray()),
                        new("replace", "/bars", new System.Text.Json.Nodes.JsonArray()),
                    ]
                )
            );
        return new("Draw a form", []) { Actions = actions, Note = string.Join(" ", refused) };
    }
}
