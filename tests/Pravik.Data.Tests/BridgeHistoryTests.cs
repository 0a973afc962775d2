using Pravik.Core.Bridges;

namespace Pravik.Data.Tests;

public sealed class BridgeHistoryTests : StoreTest
{
    private async Task<(ProjectStore Store, string Id)> BeginAsync(int edits)
    {
        var store = await OpenAsync();
        var id = (await store.CreateAsync(Bridge.New("Bridge"), "Begun", null, "Ada")).ProjectId;
        for (var i = 1; i <= edits; i++)
            await store.EditAsync(id, i, Set("/axes/spans/0", 20 + i), $"Span {20 + i}", i == 2 ? "Ben" : "");
        return (store, id);
    }

    private static double Span(EditOutcome? outcome) => outcome!.Snapshot!.Bridge.Axes.Spans[0];

    [Fact]
    public async Task Redo_follows_the_line_that_was_undone_and_never_another()
    {
        var (store, id) = await BeginAsync(3);
        await store.UndoAsync(id);
        await store.UndoAsync(id);
        // A branch with a later number begins at edit 1; from edit 1 on its own line redo comes back to its own edits.
        await store.GoToAsync(id, 1);
        var branch = await store.EditAsync(id, 1, Set("/axes/spans/0", 30), "Branch");
        Assert.Equal(5, branch!.Snapshot!.Revision);
        Assert.False(branch.Snapshot.CanRedo);
        Assert.Equal(22, Span(await store.GoToAsync(id, 3)));
        Assert.Equal(20, Span(await store.UndoAsync(id)) - 1);
        await store.UndoAsync(id);
        Assert.Equal(21, Span(await store.RedoAsync(id)));
        Assert.Equal(22, Span(await store.RedoAsync(id)));
        Assert.Equal(22, Span(await store.RedoAsync(id)));
        Assert.False((await store.FindAsync(id))!.CanRedo);
    }

    [Fact]
    public async Task A_variant_begins_anywhere_and_has_a_head_of_its_own()
    {
        var (store, id) = await BeginAsync(2);
        Assert.Equal("Main", Assert.Single(await History.VariantsAsync(id)).Name);
        var begun = await History.BeginAsync(id, 1, " Long span ");
        Assert.Equal(20, Span(begun));
        await store.EditAsync(id, 1, Set("/axes/spans/0", 28), "28");
        await store.EditAsync(id, 4, Set("/axes/spans/0", 29), "29");
        await store.UndoAsync(id);
        Assert.Equal(22, Span(await History.ShowAsync(id, 1)));
        Assert.False((await store.FindAsync(id))!.CanRedo);
        // Where it was left, with what was undone there.
        Assert.Equal(28, Span(await History.ShowAsync(id, 2)));
        Assert.Equal(29, Span(await store.RedoAsync(id)));
        Assert.Equal(
            [("Main", 3, false), ("Long span", 5, true)],
            (await History.VariantsAsync(id)).Select(v => (v.Name, v.Head, v.IsShown))
        );
        Assert.Equal("Long span", Assert.Single((await History.ListAsync(id))[0].Variants).Name);
        await OpenAsync();
        Assert.Equal(2, (await History.VariantsAsync(id)).Count);
        Assert.Equal("Long span", Assert.Single(await List.ListAsync()).Variant);
    }

    [Fact]
    public async Task A_closed_variant_stays_in_the_history_and_the_last_one_is_not_closed()
    {
        var (_, id) = await BeginAsync(1);
        await History.BeginAsync(id, 1, "Short");
        Assert.Equal(21, Span(await History.CloseAsync(id, 2)));
        Assert.Equal([false, true], (await History.VariantsAsync(id)).Select(v => v.IsClosed));
        await History.CloseAsync(id, 1);
        Assert.False((await History.VariantsAsync(id))[0].IsClosed);
        Assert.Equal(20, Span(await History.ShowAsync(id, 2)));
        Assert.All(await History.VariantsAsync(id), v => Assert.False(v.IsClosed));
    }

    [Fact]
    public async Task A_variant_without_a_name_of_its_own_or_without_an_edit_is_refused()
    {
        var (_, id) = await BeginAsync(1);
        Assert.Contains("needs a name", (await History.BeginAsync(id, 1, "  "))!.Refusals.Single().Message);
        Assert.Contains("another variant", (await History.BeginAsync(id, 1, "main"))!.Refusals.Single().Message);
        Assert.Contains("no edit 9", (await History.BeginAsync(id, 9, "New"))!.Refusals.Single().Message);
        Assert.Single(await History.VariantsAsync(id));
        Assert.Null(await History.BeginAsync("no-such", 1, "New"));
    }

    [Fact]
    public async Task The_history_knows_who_made_an_edit()
    {
        var (_, id) = await BeginAsync(2);
        Assert.Equal(["Ben", "", "Ada"], (await History.ListAsync(id)).Select(h => h.Author));
    }

    [Fact]
    public async Task The_list_has_spans_kind_and_verdict_and_shelves_lose_nothing()
    {
        var (store, id) = await BeginAsync(2);
        await List.KeepVerdictAsync(id, 3, Verdict.Partly, "ultimate bending passes, 0.80; 10 not checked yet");
        await List.TagAsync(id, " road , A12,road");
        var entry = Assert.Single(await List.ListAsync());
        Assert.Equal((22.0, "Ben"), (Assert.Single(entry.Spans), entry.Author));
        Assert.Matches(@"^\d girders Precast I, single span$", entry.Kind);
        Assert.Equal((Verdict.Partly, Shelf.Current), (entry.Verdict, entry.Shelf));
        Assert.Equal(["road", "A12"], entry.Tags);
        Assert.True(await List.PutAsync(id, Shelf.Deleted));
        Assert.Equal(Shelf.Deleted, Assert.Single(await List.ListAsync()).Shelf);
        Assert.NotNull(await store.FindAsync(id));
        Assert.True(await List.PutAsync(id, Shelf.Current));
        Assert.False(await List.PutAsync("no-such", Shelf.Current));
        // The next edit has not been analysed.
        await store.EditAsync(id, 3, Set("/axes/spans/0", 24), "24");
        Assert.Equal(Verdict.None, Assert.Single(await List.ListAsync()).Verdict);
    }

    [Fact]
    public async Task What_came_with_the_beginning_is_assumed_until_it_is_looked_at()
    {
        var store = await OpenAsync();
        var fresh = (await store.CreateAsync(Bridge.New("Fresh"), "Begun", isAssumed: true)).ProjectId;
        var filed = (await store.CreateAsync(Bridge.New("Filed"), "Brought in from a file")).ProjectId;
        await Assumed.LookAsync(fresh, ["/axes/skew", "deck", ""]);
        await Assumed.LookAsync(filed, ["deck"]);
        var (known, none) = (await Assumed.OfAsync(fresh), await Assumed.OfAsync(filed));
        Assert.True(known.IsAssumed("axes") && known.IsAssumed("axes", "/axes/spans"));
        Assert.False(known.IsAssumed("axes", "/axes/skew") || known.IsAssumed("deck", "/deck/haunch") || known.IsAssumed("deck"));
        Assert.False(none.IsAssumed("axes", "/axes/spans"));
    }
}
