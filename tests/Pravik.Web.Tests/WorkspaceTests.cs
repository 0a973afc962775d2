using Pravik.Core.Bridges;
using Pravik.Core.Findings;
using Pravik.Core.Places;
using Pravik.Core.Roads;
using Pravik.Core.Runs;
using Pravik.Core.Validation;
using Pravik.Data;
using Pravik.Exchange;
using Pravik.Web.Ledgers;
using Pravik.Web.Runs;
using Pravik.Web.Workspaces;

namespace Pravik.Web.Tests;

/// <summary>What the screen shows of a bridge, its results and the request.</summary>
public class WorkspaceTests
{
    private static readonly Bridge Demo = BridgeJson
        .Read(File.ReadAllText(Path.Combine(Application.Root, "examples", "sorrel-brook.json")))
        .Bridge!;
    private static readonly Lazy<BridgeResults> Results = new(() => BridgeRun.Run(Demo));

    private static Snapshot Of(Bridge bridge, params Finding[] findings) => new("p", 4, "Edited", bridge, [.. findings], true, false);

    private static Workspace Show(
        Bridge bridge,
        bool withResults,
        WorkspaceRequest request,
        Ground? ground = null,
        RunState? run = null,
        params Finding[] findings
    ) =>
        WorkspaceBuilder.Build(
            Of(bridge, findings),
            Around.Nothing with
            {
                Ground = ground,
            },
            new(run, withResults ? new(InputHash.Of(Demo), 4, Results.Value) : null),
            request
        );

    /// <summary>
    /// A bridge of steel: each check has its diagram and no links are proposed for it; its section shows all states, its side the plates.
    /// </summary>
    [Fact]
    public void Girders_of_steel_are_shown_with_their_checks()
    {
        var ellow = BridgeJson.Read(File.ReadAllText(Path.Combine(Application.Root, "examples", "ellow-viaduct.json"))).Bridge!;
        var bridge = ellow with { Axes = ellow.Axes with { Spans = ellow.Axes.Spans[..2] } };
        var results = BridgeRun.Run(bridge);
        Workspace See(string step, string? layout = null, string? pick = null) =>
            WorkspaceBuilder.Build(
                Of(bridge),
                Around.Nothing,
                new(null, new(InputHash.Of(bridge), 4, results)),
                new()
                {
                    Step = step,
                    Layout = layout,
                    Pick = pick,
                }
            );
        var kinds = results.Outcomes.GroupBy(o => o.Check).Select(g => g.MaxBy(o => o.Utilisation)!).ToList();
        Assert.Equal(16, kinds.Count);
        Assert.Equal(["flexure", "webShear"], results.Done.Rated.Select(c => c.Id));
        foreach (var outcome in kinds)
        {
            var shown = See("checks", null, results.PathOf(outcome));
            Assert.Equal(outcome.Name, shown.Ledger!.Title);
            Assert.Contains("<path", shown.Views[0].Svg, StringComparison.Ordinal);
            Assert.DoesNotContain(shown.Ledger.Groups, g => g.Title.Contains("links"));
        }
        var section = See("checks", "section");
        Assert.Contains("steel and bars", section.Views[0].Svg, StringComparison.Ordinal);
        Assert.Contains(section.Ledger!.Groups, g => g.Title == "Section states" && g.Columns.Count == 5);
        Assert.Contains("not proposed", See("checks", "strands").Views[0].Title, StringComparison.Ordinal);
        var side = See("girders", "side");
        Assert.Equal(4, side.Table!.Rows.Count);
        Assert.Contains("22.00 × 2.50", side.Table.Rows[1].Cells);
    }

    private static string State(Workspace workspace, string step) => workspace.Steps.Single(s => s.Id == step).State;

    /// <summary>Results of another edit lie under a check, in its diagram and in a column of the table.</summary>
    [Fact]
    public void Results_of_another_edit_lie_under_a_check()
    {
        RunsSeen Seen(bool isUnder) =>
            new(null, new(InputHash.Of(Demo), 4, Results.Value)) { Other = isUnder ? (Results.Value, "edit 3") : null };
        Workspace With(bool isUnder) => WorkspaceBuilder.Build(Of(Demo), Around.Nothing, Seen(isUnder), new() { Step = "checks" });
        var (plain, under) = (With(false), With(true));
        Assert.DoesNotContain(plain.Table!.Columns, c => c.Name == "edit 3");
        var column = under.Table!.Columns.ToList().FindIndex(c => c.Name == "edit 3");
        Assert.All(under.Table.Rows, r => Assert.Equal(r.Cells[column - 1], r.Cells[column]));
        Assert.DoesNotContain("edit 3", plain.Views[0].Svg, StringComparison.Ordinal);
        Assert.Contains("edit 3", under.Views[0].Svg, StringComparison.Ordinal);
        Assert.Contains(under.Controls.Single().Choices, c => c.Value == "none");
    }

    [Fact]
    public void Without_results_the_screen_waits_and_describes()
    {
        var workspace = Show(Demo, false, new() { Step = "checks" });
        Assert.Equal("none", State(workspace, "checks"));
        Assert.Equal("good", State(workspace, "deck"));
        Assert.Null(workspace.Table);
        Assert.Equal("No results yet", workspace.Views.Single().Title);
        Assert.Equal("waiting", workspace.Run.Status);
    }

    [Fact]
    public void Current_results_are_shown_with_the_worst_picked()
    {
        var workspace = Show(Demo, true, new() { Step = "checks" });
        Assert.Equal("good", State(workspace, "checks"));
        Assert.Equal("done", workspace.Run.Status);
        Assert.Equal(("passes", true), (workspace.Checks.Status, workspace.Checks.IsCurrent));
        Assert.StartsWith("10 checks pass, 0.9", workspace.Checks.Words);
        Assert.EndsWith("not checked yet", workspace.Checks.Words);
        var picked = Assert.Single(workspace.Table!.Rows, r => r.IsPicked);
        Assert.Same(workspace.Table.Rows[0], picked);
        Assert.Equal(Results.Value.Governing!.Utilisation, picked.Use);
        Assert.Contains(workspace.Ledger.Lines, l => l.Symbol == "η");
        var point = Results.Value.Points[Results.Value.Governing!.Point];
        Assert.StartsWith(
            $"/bridges/p/calculation?girder={point.Girder.Number}&span={point.Span.Number}&point={point.Line}&check=",
            workspace.Ledger.PrintAt
        );
    }

    [Fact]
    public void Results_of_another_state_are_out_of_date_and_those_of_another_layout_are_not_shown()
    {
        var thicker = Demo with { Deck = Demo.Deck with { Patterns = [Demo.Deck.Patterns[0] with { Slab = new() { Thickness = 0.24 } }] } };
        var old = Show(thicker, true, new() { Step = "checks" }, run: new("x", RunStatus.Running, 0.4, "Traffic on 100 of 315 points"));
        Assert.Equal("old", State(old, "checks"));
        Assert.Equal(("running", "Traffic on 100 of 315 points", true), (old.Run.Status, old.Run.Words, old.Run.CanStop));
        Assert.False(old.Checks.IsCurrent);
        Assert.Contains("; of edit ", old.Checks.Words);
        Assert.NotNull(old.Table);
        var other = Show(Demo with { Girders = Demo.Girders with { Count = 4 } }, true, new() { Step = "checks" });
        Assert.Equal("none", State(other, "checks"));
        Assert.Null(other.Table);
        // A new name, unit or level leaves results current.
        Assert.Equal("good", State(Show(Demo with { Name = "Renamed" }, true, new()), "checks"));
    }

    [Fact]
    public void Findings_mark_their_step_and_what_fails_is_listed()
    {
        var look = Show(Demo, true, new(), null, null, Finding.Warning("/girders/count", "Look"));
        Assert.Equal("look", State(look, "girders"));
        Assert.Equal("good", State(look, "deck"));
        var failed = Show(Demo, false, new(), run: new("x", RunStatus.Failed, 0, "The grillage can move freely at joint 3."));
        Assert.Contains(failed.Findings, f => f.Severity == Severity.Error && f.Message.Contains("joint 3"));
    }

    /// <summary>Ground under the first half of the bridge only; one that is named but not held; none named.</summary>
    [Fact]
    public void Ground_that_does_not_reach_is_told_corner_by_corner()
    {
        var geometry = new BridgeGeometry(Demo);
        var (a, b) = (geometry.Road.At(90, 0), geometry.Road.At(150, 0));
        var half = new Ground([a.X, a.Y - 40, 38, b.X, b.Y - 40, 38, b.X, b.Y + 40, 38, a.X, a.Y + 40, 38], [0, 1, 2, 0, 2, 3]);
        var told = Show(Demo, true, new(), half).Findings.Where(f => f.Path == "/ground").Select(f => f.Message).ToList();
        Assert.Equal(2, told.Count);
        Assert.Contains("last left", told[0]);
        Assert.Contains("last right", told[1]);
        Assert.Contains("not held here", Assert.Single(Show(Demo, true, new()).Findings).Message);
        Assert.Empty(Show(Demo with { Ground = null }, true, new()).Findings);
    }

    [Theory]
    [InlineData("road", 4)]
    [InlineData("axes", 5)]
    [InlineData("deck", 4)]
    [InlineData("girders", 7)]
    [InlineData("materials", 1)]
    [InlineData("substructure", 5)]
    [InlineData("sections", 2)]
    [InlineData("sheets", 2)]
    [InlineData("analysis", 9)]
    [InlineData("loads", 5)]
    [InlineData("checks", 7)]
    public void Every_layout_of_every_step_shows_something(string step, int count)
    {
        var layouts = Show(Demo, true, new() { Step = step }).Layouts;
        Assert.Equal(count, layouts.Count);
        foreach (var layout in layouts)
        {
            var workspace = Show(
                Demo,
                true,
                new()
                {
                    Step = step,
                    Layout = layout.Id,
                    Station = 133,
                }
            );
            Assert.Equal(layout.Id, Assert.Single(workspace.Layouts, l => l.IsActive).Id);
            Assert.True(workspace.Views.Count > 0 || workspace.Table!.Rows.Count > 10);
            Assert.All(workspace.Views.Where(v => v.Id is not ("model" or "waiting")), v => Assert.Contains("<path", v.Svg));
            Assert.Equal(133, workspace.Station);
        }
    }

    /// <summary>What is kept although it is wrong is drawn on every step, and nothing of it is analysed.</summary>
    [Fact]
    public void A_bridge_with_a_fault_is_drawn_everywhere()
    {
        var girders = Demo.Girders with
        {
            OverhangLeft = 0.1,
            SlabBars = Demo.Girders.SlabBars with { Top = Demo.Girders.SlabBars.Top with { AxisDistance = 0.25 } },
        };
        var faulty = Demo with { Girders = girders };
        Assert.Contains(BridgeValidation.Check(faulty), f => f.Severity == Severity.Fault);
        foreach (var step in Show(faulty, false, new()).Steps)
        {
            foreach (var layout in Show(faulty, false, new() { Step = step.Id }).Layouts)
                Assert.NotNull(Show(faulty, false, new() { Step = step.Id, Layout = layout.Id }).Ledger);
        }
    }

    [Fact]
    public void A_girder_is_added_beside_the_others_where_the_deck_has_become_wide_enough()
    {
        static IReadOnlyList<LedgerAction> Actions(Bridge bridge) =>
            [.. Show(bridge, false, new() { Step = "girders" }).Ledger.Groups.SelectMany(g => g.Actions)];
        static Bridge Do(Bridge bridge, string words) =>
            BridgeEditing.Apply(bridge, Actions(bridge).Single(a => a.Words == words).Patch).Bridge!;
        static double[] Offsets(Bridge bridge) => [.. new BridgeGeometry(bridge).Girders.Select(g => g.In(0).MiddleOffset)];
        var held = Do(Demo, "Hold the girders where they are");
        Assert.DoesNotContain(Actions(held), a => a.Words.StartsWith("Add a girder on", StringComparison.Ordinal));
        foreach (var side in new[] { "right", "left" })
        {
            var wider = BridgeEditing.Apply(held, [new("replace", $"/deck/patterns/0/{side}/0/width", 6.1)]).Bridge!;
            var more = Do(wider, $"Add a girder on the {side}, keep the others");
            Assert.Equal(6, more.Girders.Count);
            var kept = side == "right" ? Offsets(more)[..5] : Offsets(more)[1..];
            Assert.All(Offsets(held).Zip(kept), p => Assert.Equal(p.First, p.Second, 1e-3));
        }
    }

    /// <summary>A tendon is added from end to end, drawn from the side with its force, and comes first where it is picked.</summary>
    [Fact]
    public void Tendons_are_added_drawn_and_picked()
    {
        Workspace Side(Bridge bridge, string? pick = null) =>
            Show(
                bridge,
                false,
                new()
                {
                    Step = "girders",
                    Layout = "side",
                    Pick = pick,
                }
            );
        Assert.Single(Side(Demo).Views);
        var add = Side(Demo).Ledger.Groups.Single(g => g.Title == "Tendons").Actions.Single();
        var one = BridgeEditing.Apply(Demo, add.Patch).Bridge!;
        Assert.DoesNotContain(BridgeValidation.Check(one), f => f.Severity is Severity.Error or Severity.Fault);
        Assert.Equal(2, Side(one).Views.Count);
        Assert.Contains("as it is jacked", Side(one).Views[1].Svg, StringComparison.Ordinal);
        Assert.Contains(Side(one).Ledger.Groups, g => g.Note.Contains("No stage jacks it yet", StringComparison.Ordinal));
        Assert.Equal("Tendon 1", Side(one, "/girders/tendons/0").Ledger.Groups[0].Title);
        var course = Side(one).Ledger.Groups.Single(g => g.Title == "Course of Tendon 1");
        var more = BridgeEditing.Apply(one, course.Actions.Single().Patch).Bridge!;
        Assert.Equal(one.Girders.Tendons[0].Points.Length + 1, more.Girders.Tendons[0].Points.Length);
        Assert.DoesNotContain(BridgeValidation.Check(more), f => f.Severity is Severity.Error or Severity.Fault);
    }

    [Fact]
    public void A_station_off_the_bridge_is_taken_to_its_surroundings_and_nonsense_to_the_middle()
    {
        Assert.InRange(Show(Demo, false, new() { Station = 1e9 }).Station, 172.6, 185);
        Assert.InRange(Show(Demo, false, new() { Station = double.NaN }).Station, 130, 150);
        Assert.Equal(446, Show(Demo, false, new() { Step = "road", Station = 1e9 }).Station, 1e-9);
    }

    [Fact]
    public void A_picked_strip_opens_its_laws()
    {
        var groups = Show(Demo, false, new() { Step = "deck", Pick = "/parts/units/1/left/0" }).Ledger.Groups;
        Assert.Equal("Strip 1 on the left", groups[0].Title);
        Assert.Equal("road", groups[0].Rows.Single(r => r.Path == "/deck/patterns/0/left/0/crossfallLaw").Value);
        Assert.Equal(["Width by place", "Crossfall by place"], groups.Skip(1).Take(2).Select(g => g.Title));
        foreach (
            var odd in new[]
            {
                "/parts/units/1/left/9",
                "/parts/units/1/left/-1",
                "/parts/units/7",
                "/deck/patterns/x",
                "/deck/patterns/-1/left/0",
                "/deck/middle/0",
                "/parts/none",
            }
        )
            Assert.Equal("Strips, left", Show(Demo, false, new() { Step = "deck", Pick = odd }).Ledger.Groups[0].Title);
    }
}
