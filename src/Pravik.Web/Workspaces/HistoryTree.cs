using Pravik.Data;

namespace Pravik.Web.Workspaces;

/// <summary>
/// A line of the history as a tree: the column in which its edit stands, columns whose lines pass by, and those that begin at it from
/// above, which are the lines of later edits made on it.
/// </summary>
public sealed record HistoryLine(HistoryEntry Entry, int Column, IReadOnlyList<int> Passing, IReadOnlyList<int> Children);

/// <summary>The history drawn as the tree that it is, newest edit first: each line of work has a column.</summary>
public static class HistoryTree
{
    /// <summary>The lines of a history whose entries stand newest first.</summary>
    public static IReadOnlyList<HistoryLine> Of(IReadOnlyList<HistoryEntry> history)
    {
        // Of each open column the edit to which its line leads down; 0 where the column is free.
        var open = new List<int>();
        var lines = new List<HistoryLine>();
        foreach (var entry in history)
        {
            var children = Enumerable.Range(0, open.Count).Where(c => open[c] == entry.Revision).ToList();
            int column;
            if (children.Count > 0)
                column = children[0];
            else if (open.IndexOf(0) is var free and >= 0)
                column = free;
            else
            {
                column = open.Count;
                open.Add(0);
            }
            foreach (var child in children)
                open[child] = 0;
            var passing = Enumerable.Range(0, open.Count).Where(c => open[c] != 0).ToList();
            open[column] = entry.Parent;
            lines.Add(new(entry, column, passing, children));
        }
        return lines;
    }
}
