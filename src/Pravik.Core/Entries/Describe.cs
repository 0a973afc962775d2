using Pravik.Core.Bridges;
using Pravik.Core.Units;

namespace Pravik.Core.Entries;

/// <summary>Short ways to describe entries. Patterns are given within the part, see <see cref="Part"/>.</summary>
internal static class Describe
{
    /// <summary>The entries of a part: its pattern goes before theirs, its words after their names.</summary>
    public static IEnumerable<Entry> Part(string pattern, Func<Stars, string> words, params IEnumerable<Entry> entries) =>
        entries.Select(e => e with { Pattern = $"{pattern}/{e.Pattern}", Words = words });

    /// <summary>As <see cref="Part"/>, for what one place has of its own: the part is made when the first value is entered.</summary>
    public static IEnumerable<Entry> OwnPart(string pattern, Func<Stars, string> words, params IEnumerable<Entry> entries) =>
        Part(pattern, words, entries).Select(e => e with { MakesPart = true });

    public static Entry Value(string path, string name, QuantityKind kind, double least, double greatest, string help = "") =>
        new(path, name, EntryKind.Quantity, kind)
        {
            Least = least,
            Greatest = greatest,
            Help = help,
        };

    /// <summary>A value that may be missing.</summary>
    public static Entry Own(string path, string name, QuantityKind kind, double least, double greatest, string help = "") =>
        Value(path, name, kind, least, greatest, help) with
        {
            IsOwn = true,
            IsItem = path.EndsWith('*'),
        };

    /// <summary>A value that follows from others: typing it changes those, whose bounds hold.</summary>
    public static Entry Derived(string path, string name, QuantityKind kind, string help) =>
        new(path, name, EntryKind.Quantity, kind) { Help = help };

    public static Entry Text(string path, string name, int longest = 60, string help = "") =>
        new(path, name, EntryKind.Text) { Longest = longest, Help = help };

    /// <summary>A yes or no, in words.</summary>
    public static Entry Flag(string path, string name, string no, string yes, string help = "") =>
        Choose(path, name, [new("false", no), new("true", yes)], help);

    /// <summary>One of some words that are the same in files and on the screen.</summary>
    public static Entry Pick(string path, string name, IEnumerable<string> values, string help = "") =>
        Choose(path, name, [.. values.Select(v => new Choice(v, v))], help);

    public static Entry Choose(string path, string name, IReadOnlyList<Choice> choices, string help = "") =>
        new(path, name, EntryKind.Choice) { Choices = choices, Help = help };

    /// <summary>One of what the bridge has: its sections, the lines of its road.</summary>
    public static Entry Offer(string path, string name, Func<Bridge, IEnumerable<Choice>> offered, string help = "") =>
        new(path, name, EntryKind.Choice) { Offered = bridge => [.. offered(bridge)], Help = help };

    /// <summary>What has a name and can be superseded, as choices.</summary>
    public static IEnumerable<Choice> Named<T>(IEnumerable<T> things, Func<T, string> name, Func<T, bool>? superseded = null) =>
        things.Select(t => new Choice(name(t), superseded?.Invoke(t) == true ? $"{name(t)} (superseded)" : name(t)));
}
