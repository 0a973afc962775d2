namespace Pravik.Core.Checks.Lrfd6;

/// <summary>What AASHTO LRFD section 6 takes alike in all checks.</summary>
internal static class SteelGirders
{
    /// <summary>φ_f and φ_v of AASHTO LRFD 6.5.4.2.</summary>
    public const double Phi = 1;
}
