using System.Collections.Immutable;

namespace Pravik.Core.Materials;

/// <summary>
/// Classes of exposure (EN 206, EN 1992-1-1 Table 4.1), and what they ask of prestressed members (EN 1992-2 Table 7.101N).
/// </summary>
public static class ExposureClass
{
    /// <summary>The classes, from dry to sea.</summary>
    public static readonly ImmutableArray<string> All = ["X0", "XC1", "XC2", "XC3", "XC4", "XD1", "XD2", "XD3", "XS1", "XS2", "XS3"];

    /// <summary>Whether concrete near strands stays in compression under the frequent combination: chlorides.</summary>
    public static bool StaysClosedWhenFrequent(string exposure) => exposure.StartsWith("XD", StringComparison.Ordinal) || IsSea(exposure);

    /// <summary>Whether it stays in compression under the quasi-permanent combination at least.</summary>
    public static bool StaysClosed(string exposure) => exposure is "XC2" or "XC3" or "XC4" || StaysClosedWhenFrequent(exposure);

    private static bool IsSea(string exposure) => exposure.StartsWith("XS", StringComparison.Ordinal);
}
