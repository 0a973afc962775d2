using Pravik.Core.Bridges;
using Pravik.Core.Units;

namespace Pravik.Core.Entries;

/// <summary>How a value is entered.</summary>
public enum EntryKind
{
    /// <summary>A number with a unit.</summary>
    Quantity,

    /// <summary>A text.</summary>
    Text,

    /// <summary>One of several words; also yes and no.</summary>
    Choice,

    /// <summary>Lengths in one line: <c>17.4 + 25.8 + 17.4</c> or <c>5*30</c>.</summary>
    Spans,

    /// <summary>Places across in one line: <c>-1.5 0 1.5</c>.</summary>
    Places,
}

/// <summary>
/// A value of the bridge that can be entered, described once: where it stands, what it is called, its unit, bounds and help. Screen, reader
/// of what was typed, history and validation all take it from here.
/// </summary>
/// <param name="Pattern">Path in the document as a JSON Pointer; <c>*</c> is any one part.</param>
/// <param name="Name">Name beside the field.</param>
/// <param name="Kind">How it is entered.</param>
/// <param name="Quantity">Kind of quantity: its unit and how many digits are shown.</param>
public sealed record Entry(string Pattern, string Name, EntryKind Kind, QuantityKind Quantity = QuantityKind.Number)
{
    private readonly string? subject;

    /// <summary>The name as it begins a sentence, where the one beside the field needs its heading to be understood.</summary>
    public string Subject
    {
        get => subject ?? Name;
        init => subject = value;
    }

    /// <summary>Least value that is taken (SI); minus infinity where other values bound it.</summary>
    public double Least { get; init; } = double.NegativeInfinity;

    /// <summary>Greatest value that is taken (SI).</summary>
    public double Greatest { get; init; } = double.PositiveInfinity;

    /// <summary>Whether the bounds hold for the size without its sign, as for radii that turn left or right.</summary>
    public bool IsBoundBySize { get; init; }

    /// <summary>The most characters of a text.</summary>
    public int Longest { get; init; } = 60;

    /// <summary>Whether it may be missing, so that it follows from elsewhere.</summary>
    public bool IsOwn { get; init; }

    /// <summary>The word that stands for a missing value: it is shown in its place, and can be typed.</summary>
    public string Blank { get; init; } = "";

    /// <summary>One sentence that says what it is.</summary>
    public string Help { get; init; } = "";

    /// <summary>What can be chosen, the same for every bridge.</summary>
    public IReadOnlyList<Choice> Choices { get; init; } = [];

    /// <summary>What can be chosen in a bridge, where that depends on it; null where it does not.</summary>
    public Func<Bridge, IReadOnlyList<Choice>>? Offered { get; init; }

    /// <summary>The entry as a bridge makes it, where name or unit depend on it; its answer is null where there is no such entry.</summary>
    public Func<Entry, Stars, Entry?>? Shaped { get; init; }

    /// <summary>To which part of the bridge it belongs, in words that go on a name: “of element 3”.</summary>
    public Func<Stars, string> Words { get; init; } = _ => "";

    /// <summary>Whether the part that it belongs to is made when a value is entered in it.</summary>
    public bool MakesPart { get; init; }

    /// <summary>Whether it is an item of a dictionary, which is added and removed rather than replaced.</summary>
    public bool IsItem { get; init; }

    /// <summary>Whether it is the entry at a path, given in its parts: a star stands for any one.</summary>
    public bool IsAt(string[] path)
    {
        var pattern = Pattern.Split('/');
        return pattern.Length == path.Length && pattern.Zip(path).All(p => p.First == "*" || p.First == p.Second);
    }

    /// <summary>Name and part: “Length of element 3”.</summary>
    public string Label(string path, Bridge? bridge = null) => $"{Subject} {Words(StarsOf(path, bridge))}".TrimEnd();

    /// <summary>What stands at the stars of the pattern in a path.</summary>
    public Stars StarsOf(string path, Bridge? bridge = null) =>
        new(bridge, [.. Pattern.Split('/').Zip(path.Split('/')).Where(pair => pair.First == "*").Select(pair => pair.Second)]);
}

/// <summary>A value that can be chosen, and its words.</summary>
public sealed record Choice(string Value, string Words)
{
    /// <summary>The heading under which it stands in a long list.</summary>
    public string Group { get; init; } = "";
}

/// <summary>What a path has in place of the stars of a pattern: numbers of items, counted from 0, and keys.</summary>
/// <param name="Bridge">The bridge, where one is at hand.</param>
/// <param name="Values">The parts of the path, in order.</param>
public readonly record struct Stars(Bridge? Bridge, IReadOnlyList<string> Values)
{
    /// <summary>The key at a star.</summary>
    public string this[int star] => Values[star];

    /// <summary>The number of an item as people count, from 1.</summary>
    public string Number(int star) => int.TryParse(Values[star], out var index) ? $"{index + 1}" : Values[star];

    /// <summary>The item of a list at a star, or null where there is none.</summary>
    public T? Of<T>(int star, IReadOnlyList<T> list)
        where T : class => int.TryParse(Values[star], out var index) && index >= 0 && index < list.Count ? list[index] : null;
}
