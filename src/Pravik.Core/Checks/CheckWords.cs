namespace Pravik.Core.Checks;

/// <summary>What checks say, in words: said alike on the screen, in print, in files and on the command line.</summary>
public static class CheckWords
{
    /// <summary>
    /// What passes, or what fails worst, as in “2 checks pass, 0.95; 10 not checked yet”.
    /// </summary>
    /// <param name="done">What was checked.</param>
    /// <param name="missing">What was not, reasons first.</param>
    /// <param name="worst">The check with the greatest utilisation, by name; null where nothing was checked.</param>
    public static string Verdict(IReadOnlyList<string> done, IReadOnlyList<string> missing, (string Name, double Utilisation)? worst)
    {
        var count = missing.Count == 0 ? "" : $"; {missing.Count} not checked yet";
        var all = done.Count > 1 ? $"{done.Count} checks pass" : $"{string.Join("", done)} passes";
        return worst is { } of
                ? FormattableString.Invariant(
                    $"{(of.Utilisation > 1 ? $"{of.Name.ToLowerInvariant()} fails" : all)}, {of.Utilisation:0.00}{count}"
                )
            : missing.Count > 0 && missing[0].StartsWith("Not checked", StringComparison.Ordinal) ? missing[0].ToLowerInvariant()
            : "nothing checked";
    }

    /// <summary>A ratio against 1, and whether it is met, as in “σ / σ_lim ≤ 1, passes”.</summary>
    public static string Met(string ratio, double utilisation) => utilisation <= 1 ? $"{ratio} ≤ 1, passes" : $"{ratio} > 1, fails";

    /// <summary>What was checked and what was not yet, in two sentences.</summary>
    public static string Covered(IEnumerable<string> done, IEnumerable<string> missing) =>
        $"Checked: {string.Join(", ", done)}. {Missing(missing)}";

    /// <summary>What is not checked yet, in one sentence.</summary>
    public static string Missing(IEnumerable<string> missing) => $"Not checked yet: {string.Join(", ", missing)}.";
}
