using Pravik.Core.Calculations;
using Pravik.Core.Entries;

namespace Pravik.Web.Ledgers;

/// <summary>A patch that a button applies, with the words for the history.</summary>
public sealed record LedgerAction(string Words, string Label, IReadOnlyList<Exchange.PatchOperation> Patch)
{
    /// <summary>Path of what the button keeps in the office library, in place of a patch.</summary>
    public string? Saves { get; init; }

    /// <summary>The step to which the button leads, in place of a patch.</summary>
    public string? Goes { get; init; }

    /// <summary>The entry that the button types, in place of a patch that would be large.</summary>
    public LedgerTyped? Enters { get; init; }

    /// <summary>Whether the button asks for the name of a new bridge on the same road, in place of a patch.</summary>
    public bool AsksNeighbour { get; init; }
}

/// <summary>What a button types, and into which entry.</summary>
public sealed record LedgerTyped(string Path, string Text);

/// <summary>
/// A row: name, value as text, unit, and where it comes from. Rows with a path can be typed into. An own value that is missing shows
/// the inherited one.
/// </summary>
public sealed record LedgerRow(string Name, string Value, string Unit)
{
    /// <summary>Path of the entry; null for a reading.</summary>
    public string? Path { get; init; }

    /// <summary>Kind of entry: quantity, text, choice, spans or reading.</summary>
    public string Entry { get; init; } = "reading";

    /// <summary>What it is, and its bounds.</summary>
    public string Help { get; init; } = "";

    /// <summary>What can be chosen.</summary>
    public IReadOnlyList<Choice> Choices { get; init; } = [];

    /// <summary>Whether the value is the project's own where it could be inherited.</summary>
    public bool IsOwn { get; init; }

    /// <summary>Whether the value shown follows from elsewhere.</summary>
    public bool IsInherited { get; init; }

    /// <summary>Whether it came with a template or as a default and nobody has typed it or looked at it.</summary>
    public bool IsAssumed { get; init; }

    /// <summary>Whether it has an own value that can be given back.</summary>
    public bool CanGiveBack => IsOwn && Path is not null;

    /// <summary>Address of a page that a click opens.</summary>
    public string? Opens { get; init; }

    /// <summary>Opens this part when clicked.</summary>
    public string? Picks { get; init; }
}

/// <summary>A file that is given to the document.</summary>
/// <param name="Words">What it is.</param>
/// <param name="To">Where it goes, under the address of the document.</param>
/// <param name="Kinds">Which kinds the browser offers.</param>
public sealed record LedgerUpload(string Words, string To, string Kinds);

/// <summary>Rows under a heading, drawn as a list or, with columns, as a small table with one row of cells each.</summary>
public sealed record LedgerGroup(string Title, IReadOnlyList<LedgerRow> Rows)
{
    /// <summary>Buttons under the group.</summary>
    public IReadOnlyList<LedgerAction> Actions { get; init; } = [];

    /// <summary>A file that can be given here; null for none.</summary>
    public LedgerUpload? Upload { get; init; }

    /// <summary>Headings of a table; the rows of the group then hold the cells row by row, each as long as this list.</summary>
    public IReadOnlyList<string> Columns { get; init; } = [];

    /// <summary>For tables: what the button at the end of each row does.</summary>
    public IReadOnlyList<LedgerAction> RowActions { get; init; } = [];

    /// <summary>A sentence under the heading.</summary>
    public string Note { get; init; } = "";
}

/// <summary>A line of calculation as the ledger shows it.</summary>
public sealed record LedgerLine(
    string Symbol,
    string Formula,
    string Numbers,
    string Value,
    string Unit,
    string Clause,
    bool IsHeading,
    bool IsRemark
)
{
    /// <summary>The lines of a calculation.</summary>
    public static IReadOnlyList<LedgerLine> Of(Calculation calculation) =>
        [
            .. calculation.Lines.Select(l => new LedgerLine(
                l.Symbol,
                l.Formula,
                l.Numbers,
                l.Value,
                l.Unit,
                l.Clause,
                l.IsHeading,
                l.IsRemark
            )),
        ];
}

/// <summary>The ledger of a step or of a picked part.</summary>
public sealed record Ledger(string Title, string Subtitle, IReadOnlyList<LedgerGroup> Groups)
{
    /// <summary>Lines of a calculation.</summary>
    public IReadOnlyList<LedgerLine> Lines { get; init; } = [];

    /// <summary>The value to go to when the part was picked, or null.</summary>
    public string? Focus { get; init; }

    /// <summary>How many of its values are assumed.</summary>
    public int Assumed => Groups.Sum(g => g.Rows.Count(r => r.IsAssumed));

    /// <summary>What to do first, where a bridge begins: a step and words each.</summary>
    public IReadOnlyList<(string Step, string Words)> Opening { get; init; } = [];

    /// <summary>Where the printable calculation is, or null.</summary>
    public string? PrintAt { get; init; }
}
