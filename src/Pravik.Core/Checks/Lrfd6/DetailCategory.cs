namespace Pravik.Core.Checks.Lrfd6;

/// <summary>
/// A fatigue category: A of the line N = A/Δf³ (Pa³) and the threshold below which cycles do no harm (Pa); AASHTO LRFD Tables 6.6.1.2.5-1
/// and -3.
/// </summary>
internal sealed record DetailCategory(string Name, double Constant, double Threshold)
{
    private static readonly DetailCategory[] All =
    [
        Of("A", 250, 24),
        Of("B", 120, 16),
        Of("B'", 61, 12),
        Of("C", 44, 10),
        Of("C'", 44, 12),
        Of("D", 22, 7),
        Of("E", 11, 4.5),
        Of("E'", 3.9, 2.6),
    ];

    /// <summary>The category of a name; validation refuses others.</summary>
    public static DetailCategory Named(string name) => All.First(c => c.Name == name);

    /// <summary>(A/N)^⅓ (Pa).</summary>
    public double RangeAt(double cycles) => Math.Cbrt(Constant / cycles);

    private static DetailCategory Of(string name, double hundredMillions, double threshold) =>
        new(name, hundredMillions * 1e8 * Math.Pow(SteelGirders.Ksi, 3), threshold * SteelGirders.Ksi);
}
