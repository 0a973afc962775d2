using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Entries;
using Pravik.Core.Findings;
using Pravik.Core.Units;

namespace Pravik.Core.Validation;

/// <summary>
/// Collects findings about values outside the bounds that their entries describe, worded in the units of the project. Paths are those of
/// entries; where a value stands elsewhere, as in a library, <c>entry</c> is the path at which it is described.
/// </summary>
internal sealed class Bounds(UnitSystem units, Bridge? bridge = null)
{
    public List<Finding> Findings { get; } = [];

    public bool HasFaults => Findings.Any(f => f.Severity == Severity.Fault);

    public bool HasErrors => Findings.Any(f => f.Severity == Severity.Error);

    /// <summary>
    /// An error unless the value is finite and lies within the bounds of its entry, or is an own value that is missing.
    /// <paramref name="greatest"/> replaces the entry's bound where another value sets a closer one.
    /// </summary>
    public bool Check(string path, double? value, double? greatest = null, string? entry = null)
    {
        var described = Described(entry ?? path);
        if (value is not { } given)
            return true;
        var (own, most) = (described.IsBoundBySize ? Math.Abs(given) : given, greatest ?? described.Greatest);
        if (own >= described.Least && own <= most)
            return true;
        var name = $"{Label(entry ?? path)}{(described.IsBoundBySize ? ", without its sign," : "")}";
        return Between(path, name, own, described.Least, most, Quantity(entry ?? path, described));
    }

    /// <summary>
    /// An error unless <paramref name="value"/> is finite and lies in [<paramref name="least"/>, <paramref name="greatest"/>]; for values
    /// whose names and bounds a family gives.
    /// </summary>
    public bool Between(string path, string name, double value, double least, double greatest, QuantityKind kind)
    {
        if (value >= least && value <= greatest)
            return true;
        string Show(double si) => $"{QuantityText.Entered(si, kind, units)} {units[kind].Symbol}".TrimEnd();
        Error(path, $"{name} must lie between {Show(least)} and {Show(greatest)}; {Show(value)} was given.");
        return false;
    }

    /// <summary>An error unless the word is one of those known; null where an own choice is missing.</summary>
    public bool Among(string path, string? value, IReadOnlyCollection<string> known, string? entry = null)
    {
        if (value is null ? Described(entry ?? path).IsOwn : known.Contains(value))
            return true;
        Error(path, $"{Label(entry ?? path)}: “{Short(value ?? "")}” is not known. Known are {string.Join(", ", known)}.");
        return false;
    }

    /// <summary>An error where a file holds a number in place of one of the words of an entry.</summary>
    public void Known(string path, Enum? value, string? entry = null)
    {
        if (value is not null && !Enum.IsDefined(value.GetType(), value))
            Error(path, $"{Label(entry ?? path)} is not known.");
    }

    /// <summary>An error where a text is missing, too long, or holds control characters.</summary>
    public void Text(string path, string? value, string? entry = null)
    {
        var described = Described(entry ?? path);
        if (value is null && described.IsOwn)
            return;
        Text(path, Label(entry ?? path), value, described.Longest);
        if (value is "" && described.IsOwn)
            Error(path, $"{Label(entry ?? path)} has at least one character.");
    }

    /// <summary>As above for a text that is not an entry.</summary>
    public void Text(string path, string name, string? value, int longest)
    {
        if (value is null)
            Error(path, $"{name} may be empty, but not missing.");
        else if (value.Length > longest)
            Error(path, $"{name} has at most {longest} characters; {value.Length} were given.");
        else if (value.Any(char.IsControl))
            Error(path, $"{name} has a control character in it.");
    }

    /// <summary>An error where a list or one of its items is missing, as JSON can leave it, or where it is too long.</summary>
    public void List<T>(string path, ImmutableArray<T> list, int most)
    {
        if (list.IsDefault || list.Contains(default!))
            Error(path, "This list, or one of its items, is missing.");
        else if (list.Length > most)
            Error(path, $"There are at most {most}; {list.Length} were given.");
    }

    public void Error(string path, string message, string? why = null) => Findings.Add(Finding.Error(path, message, why));

    /// <summary>What is wrong and can be kept and drawn, with what mends it.</summary>
    /// <remarks>Told once of a value, however many places it shows at.</remarks>
    public void Fault(string path, string message, Repair? repair = null)
    {
        if (Findings.Any(f => f.Severity == Severity.Fault && f.Path == path))
            return;
        Findings.Add(
            Finding.Fault(path, message, "It is drawn as it is; nothing is analysed or checked until this is mended.") with
            {
                Repair = repair,
            }
        );
    }

    public void Warning(string path, string message, string? why = null, double? station = null) =>
        Findings.Add(Finding.Warning(path, message, why) with { Station = station });

    private static Entry Described(string path) =>
        EntryCatalog.At(path) ?? throw new ArgumentException($"{path} is not an entry.", nameof(path));

    private string Label(string path) => Described(path).Label(path, bridge);

    /// <summary>The kind of quantity where the bridge decides it.</summary>
    private QuantityKind Quantity(string path, Entry described) =>
        bridge is not null && described.Shaped is { } shaped
            ? shaped(described, described.StarsOf(path, bridge))?.Quantity ?? described.Quantity
            : described.Quantity;

    private static string Short(string text) => text.Length <= 40 ? text : text[..40] + "…";
}
