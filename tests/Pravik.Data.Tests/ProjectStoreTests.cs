using System.Text.Json.Nodes;
using Microsoft.Data.Sqlite;
using Pravik.Core.Bridges;
using Pravik.Core.Runs;
using Pravik.Exchange;

namespace Pravik.Data.Tests;

public sealed class ProjectStoreTests : StoreTest
{
    [Fact]
    public async Task Every_edit_is_a_revision_that_survives_a_restart()
    {
        var store = await OpenAsync();
        var id = (await store.CreateAsync(Bridge.New("Bridge"), "Begun")).ProjectId;
        var edited = await store.EditAsync(id, 1, Set("/axes/spans/0", 21), "Span 1 set to 21 m");
        Assert.Equal(2, edited!.Snapshot!.Revision);

        var again = await OpenAsync();
        var found = (await again.FindAsync(id))!;
        Assert.Equal(21, found.Bridge.Axes.Spans[0]);
        Assert.Equal(["Span 1 set to 21 m", "Begun"], (await History.ListAsync(id)).Select(h => h.Label));
        Assert.Equal(20, (await again.AtAsync(id, 1))!.Axes.Spans[0]);
        Assert.Equal("Bridge", (await List.ListAsync()).Single().Name);
    }

    /// <summary>A database of the version before migrations, with a bridge in version 3 of the format.</summary>
    [Fact]
    public async Task A_database_made_before_migrations_comes_along_whole()
    {
        await using (var old = new SqliteConnection($"Data Source={File}"))
        {
            await old.OpenAsync();
            await using var make = old.CreateCommand();
            make.CommandText = await System.IO.File.ReadAllTextAsync(Path.Combine(AppContext.BaseDirectory, "before-migrations.sql"));
            await make.ExecuteNonQueryAsync();
        }
        await OpenAsync();
        // The second opening finds nothing left to do.
        var store = await OpenAsync();
        var entry = Assert.Single(await List.ListAsync());
        Assert.Equal(("Fern Gill bridge", 14), (entry.Name, entry.Revision));
        var type = Assert.Single((await store.FindAsync(entry.Id))!.Bridge.Girders.Types);
        Assert.Equal(("C45/55", 8), (type.Concrete.Class, type.Strands.Rows[1].Count));
        Assert.Equal("Before the widening", (await History.ListAsync(entry.Id)).Single(h => h.Revision == 2).Name);
        Assert.Single(await new LibraryStore(new Contexts(File)).ListAsync());
        var edited = await store.EditAsync(entry.Id, 14, [new("replace", "/name", JsonValue.Create("Fern bridge"))], "Renamed");
        Assert.Equal(15, edited!.Snapshot!.Revision);
        Assert.Equal("Fern bridge", (await List.ListAsync()).Single().Name);
    }

    [Fact]
    public async Task Undo_and_redo_walk_the_history_and_lose_nothing()
    {
        var store = await OpenAsync();
        var id = (await store.CreateAsync(Bridge.New("Bridge"), "Begun")).ProjectId;
        for (var i = 0; i < 5; i++)
            await store.EditAsync(id, i + 1, Set("/axes/spans/0", 21 + i), $"edit {i}");
        for (var i = 0; i < 9; i++)
            await store.UndoAsync(id);
        var first = (await store.FindAsync(id))!;
        Assert.Equal((20.0, false, true), (first.Bridge.Axes.Spans[0], first.CanUndo, first.CanRedo));
        await store.RedoAsync(id);
        await store.RedoAsync(id);
        Assert.Equal(22, (await store.FindAsync(id))!.Bridge.Axes.Spans[0]);

        // An edit after undo begins a branch; the other one stays in the history and can be gone back to.
        var branch = (await store.EditAsync(id, 3, Set("/axes/spans/0", 30), "branch"))!.Snapshot!;
        Assert.Equal((7, false), (branch.Revision, branch.CanRedo));
        Assert.Equal(25, (await store.GoToAsync(id, 6))!.Snapshot!.Bridge.Axes.Spans[0]);
        Assert.Equal(7, (await History.ListAsync(id)).Count);
    }

    [Fact]
    public async Task Two_people_editing_different_values_both_succeed_and_the_same_value_conflicts()
    {
        var store = await OpenAsync();
        var id = (await store.CreateAsync(Bridge.New("Bridge"), "Begun")).ProjectId;
        await store.EditAsync(id, 1, Set("/axes/spans/0", 22), "one");
        var apart = await store.EditAsync(id, 1, Set("/deck/patterns/0/slab/thickness", 0.25), "two");
        Assert.Equal((22.0, 0.25), (apart!.Snapshot!.Bridge.Axes.Spans[0], apart.Snapshot.Bridge.Deck.Patterns[0].Slab.Thickness));

        var same = (await store.EditAsync(id, 1, Set("/axes/spans/0", 18), "three"))!;
        Assert.Null(same.Snapshot);
        Assert.Equal(new Conflict("/axes/spans/0", "22", "18"), same.Conflicts.Single());
        Assert.Equal(22, (await store.FindAsync(id))!.Bridge.Axes.Spans[0]);
    }

    [Fact]
    public async Task A_bad_edit_leaves_the_last_good_state()
    {
        var store = await OpenAsync();
        var id = (await store.CreateAsync(Bridge.New("Bridge"), "Begun")).ProjectId;
        var outcome = (await store.EditAsync(id, 1, Set("/axes/skew", 1.3), "too much"))!;
        Assert.Equal("/axes/skew", outcome.Refusals.Single().Path);
        Assert.Equal(1, (await store.FindAsync(id))!.Revision);
        Assert.NotEmpty((await store.EditAsync(id, 99, Set("/axes/skew", 0.1), "from nowhere"))!.Refusals);
        Assert.Null(await store.EditAsync("no-such", 1, Set("/axes/skew", 0.1), ""));
        Assert.Null(await store.FindAsync("no-such"));
    }

    [Fact]
    public async Task What_checks_say_is_kept_under_its_input_hash()
    {
        await OpenAsync();
        var summary = CheckSummary.Of("Bridge", BridgeRun.Run(Bridge.New("Bridge")));
        await Summaries.KeepAsync("abc", summary);
        await Summaries.KeepAsync("abc", summary);
        await OpenAsync();
        Assert.Equal(summary.Words, (await Summaries.FindAsync("abc"))!.Words);
        Assert.Null(await Summaries.FindAsync("abd"));
    }

    [Fact]
    public async Task Edits_at_the_same_time_are_taken_one_after_another()
    {
        var store = await OpenAsync();
        var id = (await store.CreateAsync(Bridge.New("Bridge"), "Begun")).ProjectId;
        string[] paths = ["/deck/patterns/0/slab/thickness", "/deck/patterns/0/surfacing", "/deck/haunch", "/loads/surfacingWeight"];
        double[] values = [0.24, 0.09, 0.05, 2e3];
        var outcomes = await Task.WhenAll(paths.Select((p, i) => store.EditAsync(id, 1, Set(p, values[i]), p)));
        Assert.All(outcomes, o => Assert.NotNull(o!.Snapshot));
        var bridge = (await store.FindAsync(id))!;
        Assert.Equal(5, bridge.Revision);
        Assert.Equal(
            (0.24, 0.09, 0.05, 2e3),
            (
                bridge.Bridge.Deck.Patterns[0].Slab.Thickness,
                bridge.Bridge.Deck.Patterns[0].Surfacing,
                bridge.Bridge.Deck.Haunch,
                bridge.Bridge.Loads.SurfacingWeight
            )
        );
    }

    [Fact]
    public async Task A_point_of_the_history_is_named_renamed_and_unnamed()
    {
        var store = await OpenAsync();
        var id = (await store.CreateAsync(Bridge.New("Bridge"), "Begun")).ProjectId;
        await store.EditAsync(id, 1, Set("/deck/haunch", 0.04), "Haunch");
        async Task<string?> Name(int revision) => (await History.ListAsync(id)).Single(h => h.Revision == revision).Name;
        Assert.True(await History.NameAsync(id, 1, "  As tendered "));
        Assert.Equal("As tendered", await Name(1));
        Assert.True(await History.NameAsync(id, 1, new string('x', 100)));
        Assert.Equal(60, (await Name(1))!.Length);
        Assert.Null(await Name(2));
        Assert.True(await History.NameAsync(id, 1, ""));
        Assert.Null(await Name(1));
        Assert.False(await History.NameAsync(id, 9, "none"));
        // A second start finds everything in its place.
        await History.NameAsync(id, 2, "Kept");
        await OpenAsync();
        Assert.Equal("Kept", (await History.ListAsync(id))[0].Name);
    }

    /// <summary>
    /// Bridges on one road have one road: what is edited in one is an edit of the other, undone with it, and refused where the other
    /// would not hold.
    /// </summary>
    [Fact]
    public async Task Bridges_on_one_road_follow_it_together()
    {
        var store = await OpenAsync();
        var id = (await store.CreateAsync(Bridge.New("First"), "Begun")).ProjectId;
        var added = (await store.AddOnRoadAsync(id, "Second"))!.Snapshot!;
        Assert.Equal(20 + 20 + 30, added.Bridge.Axes.FirstStation);
        Assert.Equal("First", Assert.Single(await store.NeighboursAsync(added.ProjectId)).Bridge.Name);
        Assert.Empty(await store.NeighboursAsync("nobody"));

        var raised = (await store.EditAsync(id, 1, Set("/road/profile/0/level", 12), "Raised"))!;
        Assert.Equal(added.ProjectId, Assert.Single(raised.Followers).ProjectId);
        Assert.Equal(12, (await store.FindAsync(added.ProjectId))!.Bridge.Road.Profile[0].Level);
        Assert.Equal("Road as in First", (await History.ListAsync(added.ProjectId))[0].Label);
        // An edit that is no edit of the road stays with its bridge.
        Assert.Empty((await store.EditAsync(id, 2, Set("/axes/spans/0", 21), "Span"))!.Followers);
        await store.UndoAsync(id);
        await store.UndoAsync(id);
        Assert.Equal(0, (await store.FindAsync(added.ProjectId))!.Bridge.Road.Profile[0].Level);

        // A bend so tight that the second bridge, which lies on it, would fold.
        PatchOperation[] bend =
        [
            new("replace", "/road/elements", JsonNode.Parse("""[{ "length": 60 }, { "length": 40, "startRadius": 5, "endRadius": 5 }]""")),
        ];
        var refused = (await store.EditAsync(id, 1, bend, "Bend"))!;
        Assert.Null(refused.Snapshot);
        Assert.Contains(refused.Refusals, f => f.Message.StartsWith("Second, which stands on this road too"));
        Assert.Equal(1, (await store.FindAsync(id))!.Revision);
        // Nothing of it stays in memory: the number that it would have had goes to another edit.
        var second = (await store.FindAsync(added.ProjectId))!.Revision;
        Assert.NotNull((await store.EditAsync(added.ProjectId, second, Set("/road/profile/0/level", 9), "Raised"))!.Snapshot);
        var first = (await store.FindAsync(id))!.Bridge;
        Assert.Equal((9, null), (first.Road.Profile[0].Level, first.Road.Elements[^1].StartRadius));
    }

    [Fact]
    public async Task The_library_keeps_replaces_marks_and_takes_away()
    {
        await OpenAsync();
        var library = new LibraryStore(new Contexts(File));
        LibraryItem Item(double thickness) =>
            new(
                LibraryJson.Pattern,
                "Rural",
                false,
                BridgeJson.Node(
                    new DeckPattern
                    {
                        Name = "Rural",
                        Slab = new() { Thickness = thickness },
                    }
                )
            );
        Assert.False(await library.KeepAsync(Item(0.22)));
        Assert.True(await library.KeepAsync(Item(0.25)));
        await library.KeepAsync(new(LibraryJson.Profile, "Rural", false, BridgeJson.Node(new OwnProfile { Name = "Rural" })));
        await library.MarkAsync(LibraryJson.Pattern, "Rural", true);
        var rows = await library.ListAsync();
        Assert.Equal([(LibraryJson.Pattern, true), (LibraryJson.Profile, false)], rows.Select(r => (r.Kind, r.Superseded)));
        Assert.Equal(0.25, rows[0].Value["slab"]!["thickness"]!.GetValue<double>());
        await library.TakeAwayAsync(LibraryJson.Pattern, "Rural");
        Assert.Equal(LibraryJson.Profile, Assert.Single(await library.ListAsync()).Kind);
    }

    /// <summary>Edits of several people are worked out side by side; each is taken once, on what was there before it.</summary>
    [Fact]
    public async Task Edits_at_once_are_all_taken_and_none_twice()
    {
        var store = await OpenAsync();
        var id = (await store.CreateAsync(Bridge.New("Many hands"), "Begun")).ProjectId;
        string[] paths = ["/deck/haunch", "/deck/jointGap", "/deck/endOverhang", "/axes/firstStation", "/loads/wetConcrete"];
        var outcomes = await Task.WhenAll(
            paths.Select((p, i) => Task.Run(() => store.EditAsync(id, 1, Set(p, 0.1 + i * 0.01), $"Edit {i}")))
        );
        Assert.All(outcomes, o => Assert.NotNull(o!.Snapshot));
        Assert.Equal([2, 3, 4, 5, 6], outcomes.Select(o => o!.Snapshot!.Revision).Order());
        var now = (await store.FindAsync(id))!.Bridge;
        Assert.Equal((0.1, 0.11, 0.12), (now.Deck.Haunch, now.Deck.JointGap, Math.Round(now.Deck.EndOverhang, 9)));
        Assert.Equal((0.13, 0.14), (now.Axes.FirstStation, Math.Round(now.Loads.WetConcrete, 9)));
        // One value, two people: one of them is told.
        var same = await Task.WhenAll(
            Enumerable.Range(0, 4).Select(i => Task.Run(() => store.EditAsync(id, 6, Set("/deck/haunch", 0.2 + i * 0.01), "x")))
        );
        Assert.Single(same, o => o!.Snapshot is not null);
        Assert.Equal(3, same.Count(o => o!.Conflicts.Length == 1));
    }

    [Fact]
    public async Task Bridges_in_memory_are_bounded_and_the_same_as_in_the_store()
    {
        var store = await OpenAsync();
        var id = (await store.CreateAsync(Bridge.New("Long history"), "Begun")).ProjectId;
        for (var i = 1; i <= BridgeCache.Most + 20; i++)
            Assert.NotNull((await store.EditAsync(id, i, Set("/axes/firstStation", i), "x"))!.Snapshot);
        Assert.Equal(1, (await store.AtAsync(id, 2))!.Axes.FirstStation);
        Assert.Equal(BridgeCache.Most + 20, (await (await OpenAsync()).FindAsync(id))!.Bridge.Axes.FirstStation);
    }
}
