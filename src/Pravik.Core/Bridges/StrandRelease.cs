using Pravik.Core.Materials;

namespace Pravik.Core.Bridges;

/// <summary>How pretensioned girders are made: when their strands are released, and how the concrete is cured until then.</summary>
public sealed record StrandRelease
{
    /// <summary>Age of the concrete at release (days).</summary>
    public double Age { get; init; } = 3;

    /// <summary>f_ck(t) at release (Pa); null for what its age and curing give.</summary>
    public double? Strength { get; init; }

    /// <summary>Temperature of heat curing (°C); 20 for none.</summary>
    public double HeatTemperature { get; init; } = 20;

    /// <summary>Hours at that temperature.</summary>
    public double HeatHours { get; init; }

    /// <summary>
    /// Hours of relaxation from stressing to a day, heat counted by its equivalent, at most those of the final value (EN 1992-1-1 3.3.2(8),
    /// 10.3.2.1).
    /// </summary>
    public double RelaxedHours(double day) =>
        Math.Min(LongestRelaxation, 24 * day + PrestressingSteel.HeatHours(HeatTemperature, HeatHours));

    private const double LongestRelaxation = 500_000;
}
