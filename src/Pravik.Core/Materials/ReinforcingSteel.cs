namespace Pravik.Core.Materials;

/// <summary>Reinforcement as entered: its class and own values (Pa).</summary>
public sealed record ReinforcementGrade
{
    public string Class { get; init; } = "B500B";
    public double? Fyk { get; init; }
    public double? Es { get; init; }
}

/// <summary>Reinforcing steel (Pa). EN 1992-1-1 3.2 and Annex C.</summary>
public sealed record ReinforcingSteel(string Class, double Fyk, double Es)
{
    private static readonly Dictionary<string, double> Strengths = new()
    {
        ["B400B"] = 400e6,
        ["B400C"] = 400e6,
        ["B500A"] = 500e6,
        ["B500B"] = 500e6,
        ["B500C"] = 500e6,
        ["B600B"] = 600e6,
    };

    public static IReadOnlyList<string> Classes { get; } = [.. Strengths.Keys];

    /// <summary>Throws <see cref="ArgumentException"/> for an unknown class.</summary>
    public static ReinforcingSteel Of(ReinforcementGrade grade) =>
        Strengths.TryGetValue(grade.Class, out var fyk)
            ? new(grade.Class, grade.Fyk ?? fyk, grade.Es ?? 200e9)
            : throw new ArgumentException($"{grade.Class} is not a known reinforcement class.", nameof(grade));

    /// <summary>Design stress at a strain, tension positive: elastic to fyd = fyk/γS, then level without strain limit (3.2.7(2)b).</summary>
    public double Stress(double strain, double gammaS)
    {
        var fyd = Fyk / gammaS;
        return Math.Clamp(Es * strain, -fyd, fyd);
    }
}
