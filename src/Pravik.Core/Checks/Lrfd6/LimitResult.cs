using Pravik.Core.Units;

namespace Pravik.Core.Checks.Lrfd6;

/// <summary>What one limit comes to: an effect against a resistance.</summary>
/// <param name="Name">What is looked at, in words.</param>
/// <param name="Effect">Effect, signs as in its outcome.</param>
/// <param name="Resistance">Resistance, or the limit.</param>
/// <param name="Utilisation">Effect over resistance, or the other way round where the limit is a least one.</param>
/// <param name="Kind">What both are measured in.</param>
/// <param name="Clause">Where it is asked for.</param>
internal sealed record LimitResult(string Name, double Effect, double Resistance, double Utilisation, QuantityKind Kind, string Clause)
{
    /// <summary>It as the outcome of a check at a point (by its number), told along its calculation alone.</summary>
    public CheckOutcome At(string check, int point) =>
        new(check, Name, point, point, Effect, Resistance, Utilisation, Clause) { Kind = Kind, State = null };

    /// <summary>The greater of two.</summary>
    public static LimitResult Worse(LimitResult a, LimitResult b) => a.Utilisation >= b.Utilisation ? a : b;
}
