using Pravik.Data;

namespace Pravik.Web.Ledgers;

/// <summary>What the office keeps as current and a bridge has not, to be copied into it.</summary>
internal static class FromLibrary
{
    /// <summary>A button for each item of a kind.</summary>
    /// <param name="library">The office library.</param>
    /// <param name="kind">The kind of item.</param>
    /// <param name="has">Whether the bridge has one of that name.</param>
    /// <param name="words">What the history says before “from the office library”.</param>
    /// <param name="path">The list to which it is added.</param>
    public static IEnumerable<LedgerAction> Actions(
        IEnumerable<LibraryRow> library,
        string kind,
        Func<string, bool> has,
        Func<string, string> words,
        string path
    ) =>
        library
            .Where(r => r.Kind == kind && !r.Superseded && !has(r.Name))
            .Select(r => new LedgerAction(r.Name, $"{words(r.Name)} from the office library", [new("add", $"{path}/-", r.Value)]));

    /// <summary>The buttons under their heading; none where there are none.</summary>
    public static IEnumerable<LedgerGroup> Group(IEnumerable<LedgerAction> actions, string note = "") =>
        actions.ToList() is { Count: > 0 } all ? [new("From the office library", []) { Actions = all, Note = note }] : [];
}
