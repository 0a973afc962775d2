using Pravik.Core.LoneMembers;

namespace Pravik.Data.Tests;

public sealed class MemberStoreTests : StoreTest
{
    private async Task<(MemberStore Store, string Id)> BeginAsync()
    {
        await OpenAsync();
        var contexts = new Contexts(File);
        var store = new MemberStore(contexts, new(contexts));
        return (store, (await store.CreateAsync(LoneMember.New([8, 6]), "Begun", null, "Ada")).Id);
    }

    private static double Span(DocumentOutcome<LoneMember>? outcome) => outcome!.Snapshot!.Document.Spans[0].Length;

    [Fact]
    public async Task Edits_are_kept_undone_and_redone_along_their_line()
    {
        var (store, id) = await BeginAsync();
        Assert.Equal(9, Span(await store.EditAsync(id, 1, Set("/spans/0/length", 9), "9", "Ben")));
        Assert.Equal(10, Span(await store.EditAsync(id, 2, Set("/spans/0/length", 10), "10")));
        Assert.Equal(9, Span(await store.UndoAsync(id)));
        Assert.Equal(8, Span(await store.UndoAsync(id)));
        Assert.Equal(8, Span(await store.UndoAsync(id)));
        Assert.Equal(9, Span(await store.RedoAsync(id)));
        Assert.Equal(11, Span(await store.EditAsync(id, 2, Set("/spans/0/length", 11), "11")));
        Assert.False((await store.FindAsync(id))!.CanRedo);
        Assert.Equal(10, Span(await store.GoToAsync(id, 3)));
        Assert.Equal(10, Span(await store.GoToAsync(id, 99)));
        Assert.Equal([4, 3, 2, 1], (await store.HistoryAsync(id)).Select(h => h.Revision));
        Assert.Equal("Ben", (await store.HistoryAsync(id))[2].Author);
        Assert.Equal("10 + 6", Assert.Single(await store.ListAsync()).Words);
    }

    [Fact]
    public async Task An_edit_against_an_older_revision_is_taken_unless_both_changed_the_same()
    {
        var (store, id) = await BeginAsync();
        await store.EditAsync(id, 1, Set("/spans/0/length", 9), "9");
        var other = await store.EditAsync(id, 1, Set("/spans/1/length", 7), "7");
        Assert.Equal((9, 7), (other!.Snapshot!.Document.Spans[0].Length, other.Snapshot.Document.Spans[1].Length));
        var same = await store.EditAsync(id, 1, Set("/spans/0/length", 12), "12");
        Assert.Null(same!.Snapshot);
        Assert.Equal(("/spans/0/length", "9", "12"), same.Conflicts.Select(c => (c.Path, c.Theirs, c.Yours)).Single());
    }

    [Fact]
    public async Task What_is_refused_leaves_nothing_and_what_is_deleted_comes_back()
    {
        var (store, id) = await BeginAsync();
        Assert.Contains((await store.EditAsync(id, 1, Set("/spans/0/length", 1e9), "far"))!.Refusals, f => f.Path == "/spans/0/length");
        Assert.NotEmpty((await store.EditAsync(id, 1, Set("/nothing/here", 1), "no"))!.Refusals);
        Assert.NotEmpty((await store.EditAsync(id, 7, Set("/spans/0/length", 9), "no"))!.Refusals);
        Assert.Equal(1, (await store.FindAsync(id))!.Revision);
        Assert.Null(await store.EditAsync("none", 1, Set("/spans/0/length", 9), "no"));
        await store.DeleteAsync(id, true);
        Assert.True(Assert.Single(await store.ListAsync()).IsDeleted);
        await store.DeleteAsync(id, false);
        Assert.False(Assert.Single(await store.ListAsync()).IsDeleted);
    }
}
