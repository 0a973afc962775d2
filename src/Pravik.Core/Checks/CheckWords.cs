namespace Pravik.Core.Checks;

/// <summary>What checks say, in words: said alike on the screen, in print, in files and on the command line.</summary>
public static class CheckWords
{
    /// <summary>What passes or fails, as in “ultimate bending passes, 0.95; 10 not checked yet”.</summary>
    /// <param name="done">What was checked.</param>
    /// <param name="missing">What was not, reasons first.</param>
    /// <param name="utilisation">The worst; null where nothing was checked.</param>
    /// <param name="fails">Whether anything fails.</param>
    public static string Verdict(IEnumerable<string> done, IReadOnlyList<string> missing, double? utilisation, bool fails)
    {
        var count = missing.Count == 0 ? "" : $"; {missing.Count} not checked yet";
        return utilisation is { } worst
                ? FormattableString.Invariant($"{string.Join(", ", done)} {(fails ? "fails" : "passes")}, {worst:0.00}{count}")
            : missing.Count > 0 && missing[0].StartsWith("Not checked", StringComparison.Ordinal) ? missing[0].ToLowerInvariant()
            : "nothing checked";
    }

    /// <summary>What is not checked yet, in one sentence.</summary>
    public static string Missing(IEnumerable<string> missing) => $"Not checked yet: {string.Join(", ", missing)}.";
}
