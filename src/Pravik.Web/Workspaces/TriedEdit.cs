using Pravik.Core.Findings;
using Pravik.Data;
using Pravik.Exchange;
using Pravik.Web.Ledgers;

namespace Pravik.Web.Workspaces;

/// <summary>An edit that is tried while it is typed, before it is made.</summary>
internal static class TriedEdit
{
    /// <summary>A document as it would be after an edit; as it is where the edit would be refused.</summary>
    /// <param name="kept">The document as it is.</param>
    /// <param name="trial">The edit; null for none.</param>
    /// <param name="format">How it is read and written.</param>
    /// <param name="read">Turns what was typed into an edit.</param>
    public static DocumentSnapshot<T> On<T>(
        DocumentSnapshot<T> kept,
        Trial? trial,
        DocumentFormat<T> format,
        Func<T, string, string?, EntryReading> read
    )
        where T : class
    {
        if (trial is null)
            return kept;
        var reading = trial.Patch is null ? read(kept.Document, trial.Path, trial.Text) : null;
        if (reading?.Error is not null)
            return kept;
        var edited = format.Edit(format.Node(kept.Document), trial.Patch ?? reading!.Patch);
        return edited.Document is { } document && edited.Findings.All(f => f.Severity < Severity.Error)
            ? kept with
            {
                Document = document,
                Findings = edited.Findings,
            }
            : kept;
    }
}
