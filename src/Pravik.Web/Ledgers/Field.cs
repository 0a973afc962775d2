using Pravik.Core.Units;

namespace Pravik.Web.Ledgers;

/// <summary>How a value is entered.</summary>
public enum EntryKind
{
    Quantity,
    Text,
    Choice,

    /// <summary>Spans in one line: <c>17.4 + 25.8 + 17.4</c> or <c>5*30</c>.</summary>
    Spans,
}

/// <summary>
/// A value of the bridge that can be entered: the pattern of its path (<c>*</c> is any one part), its name and how it is read.
/// </summary>
public sealed record Field(string Pattern, string Name, EntryKind Entry, QuantityKind Quantity = QuantityKind.Number)
{
    /// <summary>Whether it may be missing, so that it follows from elsewhere.</summary>
    public bool IsOwn { get; init; }

    /// <summary>One sentence that says what it is.</summary>
    public string Help { get; init; } = "";

    public IReadOnlyList<Choice> Choices { get; init; } = [];

    public bool Matches(string path)
    {
        var (mine, theirs) = (Pattern.Split('/'), path.Split('/'));
        return mine.Length == theirs.Length && mine.Zip(theirs).All(pair => pair.First == "*" || pair.First == pair.Second);
    }
}

/// <summary>A value that can be chosen, and its words.</summary>
public sealed record Choice(string Value, string Words)
{
    /// <summary>The heading under which it stands in a long list.</summary>
    public string Group { get; init; } = "";
}
