namespace Pravik.Core.Checks.Lrfd6;

/// <summary>What all checks to AASHTO LRFD section 6 share.</summary>
internal static class SteelGirders
{
    /// <summary>φ_f and φ_v of AASHTO LRFD 6.5.4.2.</summary>
    public const double Phi = 1;

    /// <summary>Units in which some of its formulas are written (Pa, m).</summary>
    public const double Ksi = 6.894757293168e6;

    /// <summary>An inch (m).</summary>
    public const double Inch = 0.0254;
}
