using System.Collections.Immutable;
using Pravik.Core.Codes;

namespace Pravik.Core.Traffic;

/// <summary>
/// Load model 1 of EN 1991-2 4.3.2 with its adjustment factors worked in: axle load of the tandem (N) and distributed load (N/m²)
/// of lanes 1 to 3, and the load on the rest of the carriageway.
/// </summary>
public sealed record LoadModel1(ImmutableArray<double> Axle, ImmutableArray<double> Lane, double Rest)
{
    /// <summary>Distance between the two axles of a tandem (m), Figure 4.2a.</summary>
    public const double AxleSpacing = 1.2;

    /// <summary>Distance between the wheels of an axle (m), Figure 4.2a.</summary>
    public const double WheelSpacing = 2.0;

    /// <summary>
    /// Lanes beyond the third carry no tandem; their load and that of the remaining area are taken alike, as the greater of
    /// αq3·q3 and αqr·qr (equal by the recommended values).
    /// </summary>
    public static LoadModel1 Of(NationalValues values) =>
        new(
            [.. Enumerable.Range(1, 3).Select(i => values[$"alphaQ{i}"] * values[$"tandem{i}"])],
            [.. Enumerable.Range(1, 3).Select(i => values[$"alphaq{i}"] * values[$"lane{i}"])],
            Math.Max(values["alphaqr"] * values["remaining"], values["alphaq3"] * values["lane3"])
        );
}
