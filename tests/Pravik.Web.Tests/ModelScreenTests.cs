using System.Text.Json;
using Pravik.Core.Bridges;
using Pravik.Core.Effects;
using Pravik.Core.Findings;
using Pravik.Core.Places;
using Pravik.Core.Runs;
using Pravik.Core.Stages;
using Pravik.Data;
using Pravik.Exchange;
using Pravik.Web.Ledgers;
using Pravik.Web.Runs;
using Pravik.Web.Workspaces;

namespace Pravik.Web.Tests;

/// <summary>What the analysis step shows of a bridge's model.</summary>
public class ModelScreenTests
{
    private static readonly Bridge Demo = BridgeJson
        .Read(File.ReadAllText(Path.Combine(Application.Root, "examples", "sorrel-brook.json")))
        .Bridge! with
    {
        Actions = new()
        {
            Cases = [new() { Name = "Crane", Loads = [new() { Station = 140, Value = 200e3 }] }],
            Combinations =
            [
                new()
                {
                    Name = "Crane and all",
                    Terms = [new() { Case = CaseNames.Permanent, Factor = 1.35 }, new() { Case = "Crane", Factor = 1.5 }],
                },
                new()
                {
                    Name = "Either",
                    IsEnvelope = true,
                    Terms = [new() { Case = "Crane" }, new() { Case = "Crane and all" }, new() { Case = "gone" }],
                },
            ],
        },
    };

    private static readonly Lazy<BridgeResults> Results = new(() => BridgeRun.Run(Demo));
    private static readonly Lazy<BridgeResults> Shells = new(() =>
        BridgeRun.Run(Demo with { Model = Demo.Model with { Kind = ModelKind.Shells, Supports = ModelSupports.Substructure } })
    );

    private static Workspace Show(
        WorkspaceRequest request,
        BridgeResults? results = null,
        (BridgeResults, string)? other = null,
        ModelComparison? compared = null
    )
    {
        var hash = InputHash.Of(Demo);
        var seen = new RunsSeen(new(hash, RunStatus.Done, 1, "Results are current"), new(hash, 4, results ?? Results.Value))
        {
            Other = other,
            Compared = compared is null ? null : new(hash, compared),
            History = [(3, "edit 3: before")],
        };
        return WorkspaceBuilder.Build(Snapshot, Around.Nothing, seen, request with { Step = "analysis" });
    }

    private static Snapshot Snapshot => new("p", 4, "Edited", Demo, [], true, false);

    [Theory]
    [InlineData("results")]
    [InlineData("deflected")]
    [InlineData("frame")]
    [InlineData("stages")]
    [InlineData("balance")]
    public void Every_layout_of_the_model_shows_something(string layout)
    {
        foreach (var results in new[] { Results.Value, Shells.Value })
        {
            var workspace = Show(
                new()
                {
                    Layout = layout,
                    Station = 133,
                    Names = "members",
                    Motion = "moving",
                },
                results
            );
            Assert.Equal(layout, Assert.Single(workspace.Layouts, l => l.IsActive).Id);
            Assert.All(workspace.Views, v => Assert.Contains("<path", v.Svg));
            Assert.True(workspace.Views.Count > 0 || workspace.Table!.Rows.Count > 15);
            Assert.NotEmpty(workspace.Ledger.Groups);
        }
    }

    /// <summary>A finding marks the step at which its value is looked for, those of sections and of the basis too.</summary>
    [Theory]
    [InlineData("/sections/0/sizes/depth", "girders")]
    [InlineData("/materials/slab/class", "materials")]
    [InlineData("/basis/nationalSet", "basis")]
    [InlineData("/actions/stages/0", "loads")]
    [InlineData("/crossings/0", "axes")]
    [InlineData("/bearings/0/height", "substructure")]
    public void A_finding_marks_its_step(string path, string step)
    {
        var told = Snapshot with { Findings = [Finding.Warning(path, "Look here.")] };
        var steps = WorkspaceBuilder.Build(told, Around.Nothing, RunsSeen.Nothing, new()).Steps;
        Assert.Equal([step], steps.Where(s => s.State == "look").Select(s => s.Id));
    }

    public static TheoryData<string, Func<Bridge, Bridge>> Edits =>
        new()
        {
            { "spans", b => b with { Axes = b.Axes with { Spans = [18, 21.5, 21.5] } } },
            { "long spans", b => b with { Axes = b.Axes with { Spans = [17.4, 40, 17.4] } } },
            { "skew", b => b with { Axes = b.Axes with { Skew = 0 } } },
            { "stages", b => b with { Actions = b.Actions with { Stages = [Stage.Usual(3)[0], Stage.Usual(3)[1]] } } },
            { "cases", b => b with { Actions = b.Actions with { Cases = [], Combinations = [] } } },
            { "settlements", b => b with { Actions = b.Actions with { Settlement = 0 } } },
            { "girder", b => b with { Girders = b.Girders with { Own = b.Girders.Own.SetItem("5-2", new() { Absent = true }) } } },
            { "kind", b => b with { Model = b.Model with { Kind = ModelKind.Shells, Between = 3 } } },
            { "pieces", b => b with { Model = b.Model with { Divisions = 8 } } },
            { "tendon", b => b with { Girders = b.Girders with { Tendons = [new()] } } },
        };

    /// <summary>Until new results are in, those of before the edit are shown, as out of date, on the bridge as it is now.</summary>
    [Theory]
    [MemberData(nameof(Edits))]
    public void Results_of_before_an_edit_are_shown_until_new_ones_are_in(string name, Func<Bridge, Bridge> edit)
    {
        var edited = Snapshot with { Bridge = edit(Demo) };
        var seen = new RunsSeen(new(InputHash.Of(edited.Bridge), RunStatus.Running, 0.3, name), new("before", 3, Results.Value));
        Workspace On(string step, string? layout = null, int stage = 1)
        {
            var request = new WorkspaceRequest
            {
                Step = step,
                Layout = layout,
                Stage = stage,
                Names = "members",
            };
            return WorkspaceBuilder.Build(edited, Around.Nothing, seen, request);
        }
        foreach (var step in On("basis").Steps.Select(s => s.Id).Append("sections"))
        {
            foreach (var layout in On(step).Layouts.Select(l => l.Id))
            {
                for (var stage = 1; stage <= (layout == "stages" ? 7 : 1); stage++)
                {
                    var workspace = On(step, layout, stage);
                    Assert.True(workspace.Views.Count > 0 || workspace.Table is not null, $"{step} {layout}");
                    Assert.Equal("old", workspace.Steps.Single(s => s.Id == "analysis").State);
                    // As it goes to the screen: no number that JSON cannot hold.
                    JsonSerializer.Serialize(workspace);
                }
            }
        }
    }

    [Fact]
    public void A_model_that_is_not_solved_yet_says_what_it_does()
    {
        var seen = RunsSeen.Nothing with { State = new("x", RunStatus.Running, 0.3, "Creep and shrinkage") };
        var workspace = WorkspaceBuilder.Build(Snapshot, Around.Nothing, seen, new() { Step = "analysis", Layout = "results" });
        Assert.Equal("Creep and shrinkage", Assert.Single(workspace.Views).Note);
        Assert.Equal("running", workspace.Run.Status);
        Assert.True(workspace.Run.CanStop);
    }

    /// <summary>
    /// Girders stay chosen when the case changes; a case stays when another effect is wanted; what does not exist falls back.
    /// </summary>
    [Fact]
    public void Diagrams_follow_what_is_chosen()
    {
        var one = Show(
            new()
            {
                Layout = "results",
                Girders = "3",
                Show = "heating",
                Quantity = "bottom",
            }
        );
        Assert.StartsWith("G3, stress at the soffit", Assert.Single(one.Views).Title);
        Assert.Equal(Results.Value.Points.Count(p => p.Girder == 2), one.Table!.Rows.Count);
        Assert.Equal(5, Show(new() { Layout = "results", Arrange = "under" }).Views.Count);
        Assert.Contains(
            "Ultimate, all combinations",
            Show(
                new()
                {
                    Layout = "results",
                    Show = "nonsense",
                    Quantity = "nonsense",
                    Girders = "99",
                }
            ).Table!.Title
        );
        // An envelope has two columns of values, its own quantity's.
        Assert.Equal(5, Show(new() { Layout = "results", Show = "temperature" }).Table!.Columns.Count);
        Assert.NotEqual(
            Show(
                new()
                {
                    Layout = "results",
                    Show = "heating",
                    Fixed = "same",
                }
            )
                .Views[0]
                .Svg,
            Show(new() { Layout = "results", Show = "heating" }).Views[0].Svg
        );
        Assert.Contains("edit 3", Show(new() { Layout = "results", Girders = "1" }, other: (Shells.Value, "edit 3")).Views[0].Svg);
    }

    [Fact]
    public void Own_combinations_add_up_and_name_what_they_do_not_find()
    {
        var effects = Results.Value.Effects;
        double At(string id, bool greatest = true) => effects.Find(new(id))!.Side(greatest).Forces(31).M;
        Assert.Equal(1.35 * At("permanent") + 1.5 * At("own1"), At("combination1"), 1e-6);
        Assert.Equal(Math.Max(At("own1"), At("combination1")), At("combination2"), 1e-6);
        Assert.Equal(Math.Min(At("own1"), At("combination1")), At("combination2", false), 1e-6);
        Assert.Contains("gone", Assert.Single(effects.Unknown));
        // Each support adds only where it worsens.
        Assert.Equal(Enumerable.Range(1, 4).Sum(a => Math.Max(0, At($"settlement{a}"))), At("settlements"), 1e-6);
        Assert.Equal(-At("windBoth"), At("windBoth", false), 1e-6);
        // Every name that a term can give is that of a range.
        var known = effects.All.Select(r => r.Name).ToHashSet();
        Assert.All(RangeNames.All(Demo, 2), n => Assert.Contains(n, known));
    }

    [Fact]
    public void The_stage_table_adds_up_and_the_balance_sheet_speaks()
    {
        var rows = Show(
            new()
            {
                Layout = "stages",
                Stage = 2,
                Girder = 2,
            }
        ).Table!.Rows;
        var sums = rows.Where(r => r.Cells[2] == "Sum so far").ToList();
        Assert.Equal(6, sums.Count);
        Assert.Equal(
            rows.Where(r => r.Cells[2] != "Sum so far" && r.Cells[0] != "after").Sum(r => r.Sort[5]!.Value),
            sums[^1].Sort[5]!.Value,
            1e-3
        );
        var balance = Show(new() { Layout = "balance" });
        Assert.Contains("comes back at the supports", balance.Ledger.Groups[0].Note);
        Assert.All(balance.Table!.Rows, r => Assert.True(r.Sort[6] < 1e-8));
    }

    [Fact]
    public void Compared_models_say_why_they_differ()
    {
        var comparison = ModelComparison.Of(new BridgeGeometry(Demo));
        var table = Show(new() { Layout = "models" }, compared: comparison).Table!;
        Assert.Equal(comparison.Values.Length, table.Rows.Count + table.Left);
        Assert.Equal(DataTable.Window, table.Rows.Count);
        var picked = Show(new() { Layout = "models", Pick = table.Rows[0].Pick }, compared: comparison).Ledger.Groups[0];
        Assert.Contains("all girders together", picked.Note);
        Assert.Contains(
            Show(new() { Layout = "models", Rows = int.MaxValue }, compared: comparison).Table!.Rows,
            r => r.Cells[^1] == "agree"
        );
    }

    /// <summary>The first value typed into a usual stage makes the stages the bridge's own, with that value.</summary>
    [Fact]
    public void A_value_typed_into_a_usual_stage_makes_the_stages_own()
    {
        var reading = EntryReader.Read(Demo, "/actions/stages/1/props", "2");
        var edited = BridgeEditing.Apply(Demo, reading.Patch).Bridge!;
        Assert.Equal("2", edited.Actions.Stages!.Value[1].Props);
        Assert.Equal("Girders set", edited.Actions.Stages.Value[0].Name);
        // Loads take the unit of their kind, terms the names that there are.
        Assert.Equal(
            250e3,
            BridgeEditing
                .Apply(Demo, EntryReader.Read(Demo, "/actions/cases/0/loads/0/value", "250").Patch)
                .Bridge!.Actions.Cases[0]
                .Loads[0]
                .Value
        );
        Assert.Null(EntryReader.Read(Demo, "/actions/combinations/0/terms/0/case", CaseNames.Wind).Error);
        Assert.NotNull(EntryReader.Read(Demo, "/actions/combinations/0/terms/0/case", "nothing of the kind").Error);
        Assert.Equal(
            0.02,
            BridgeEditing.Apply(Demo, EntryReader.Read(Demo, "/actions/settlements/2", "20").Patch).Bridge!.Actions.Settlements["2"]
        );
    }

    [Fact]
    public void Bearings_that_all_hold_are_a_finding()
    {
        var held = Demo with
        {
            Supports = System.Collections.Immutable.ImmutableSortedDictionary<string, Core.Bridges.Support>.Empty.AddRange(
                Enumerable
                    .Range(1, 4)
                    .Select(a =>
                        KeyValuePair.Create(
                            $"{a}",
                            new Core.Bridges.Support
                            {
                                Choices = System.Collections.Immutable.ImmutableSortedDictionary<string, string>.Empty.Add(
                                    "bearing",
                                    "Fixed"
                                ),
                            }
                        )
                    )
            ),
        };
        var findings = WorkspaceBuilder.Build(Snapshot with { Bridge = held }, Around.Nothing, RunsSeen.Nothing, new()).Findings;
        Assert.Contains(findings, f => f.Message.Contains("cannot expand", StringComparison.Ordinal));
        Assert.DoesNotContain(Show(new()).Findings, f => f.Message.Contains("cannot expand", StringComparison.Ordinal));
    }
}
