using Pravik.Core.Findings;
using Pravik.Core.Units;

namespace Pravik.Core.Validation;

/// <summary>Collects findings about values outside their bounds, worded in the units of the project.</summary>
internal sealed class Bounds(UnitSystem units)
{
    public List<Finding> Findings { get; } = [];

    /// <summary>
    /// An error unless <paramref name="value"/> is finite and lies in [<paramref name="least"/>, <paramref name="greatest"/>].
    /// </summary>
    public bool Between(string path, string name, double value, double least, double greatest, QuantityKind kind)
    {
        if (value >= least && value <= greatest)
            return true;
        string Show(double si) => $"{QuantityText.Entered(si, kind, units)} {units[kind].Symbol}".TrimEnd();
        Findings.Add(Finding.Error(path, $"{name} must lie between {Show(least)} and {Show(greatest)}; {Show(value)} was given."));
        return false;
    }

    /// <summary>As <see cref="Between"/> where an own value may be missing.</summary>
    public void Own(string path, string name, double? value, double least, double greatest, QuantityKind kind)
    {
        if (value is { } own)
            Between(path, name, own, least, greatest, kind);
    }

    public bool Among(string path, string name, string value, IReadOnlyCollection<string> known)
    {
        if (known.Contains(value))
            return true;
        Findings.Add(Finding.Error(path, $"{name} “{Short(value)}” is not known. Known are {string.Join(", ", known)}."));
        return false;
    }

    public void Text(string path, string name, string? value, int longest)
    {
        if (value is null)
            Findings.Add(Finding.Error(path, $"{name} may be empty, but not missing."));
        else if (value.Length > longest)
            Findings.Add(Finding.Error(path, $"{name} has at most {longest} characters; {value.Length} were given."));
        else if (value.Any(char.IsControl))
            Findings.Add(Finding.Error(path, $"{name} has a control character in it."));
    }

    public void Error(string path, string message, string? why = null) => Findings.Add(Finding.Error(path, message, why));

    public void Warning(string path, string message, string? why = null, double? station = null) =>
        Findings.Add(Finding.Warning(path, message, why) with { Station = station });

    public bool HasErrors => Findings.Any(f => f.Severity == Severity.Error);

    private static string Short(string text) => text.Length <= 40 ? text : text[..40] + "…";
}
