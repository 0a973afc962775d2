using System.Collections.Immutable;
using Pravik.Core.Calculations;
using Pravik.Core.Codes;
using Pravik.Core.Effects;
using Pravik.Core.Models;
using Pravik.Core.Places;
using Pravik.Core.Units;

namespace Pravik.Core.Checks.En1992;

/// <summary>Ultimate bending of prestressed composite girders, both ways, by strain compatibility (EN 1992-1-1 6.1).</summary>
public sealed class UltimateBending : ICheck
{
    /// <summary>The clause that the check follows.</summary>
    public const string Clause = "EN 1992-1-1 6.1";

    /// <inheritdoc/>
    public string Id => "bending";

    /// <inheritdoc/>
    public string Subject => "ultimate bending";

    /// <inheritdoc/>
    public string? Refusal(BridgeGeometry geometry) =>
        geometry.SectionsInUse.Any(s => s.IsSteel) ? "Not checked: girders of steel"
        : geometry.Bridge.Girders.CastInPlace ? "Not checked: girders cast in place"
        : geometry.RunsOn ? "Not checked: girders that run on over piers in one piece"
        : null;

    /// <inheritdoc/>
    public IPointCheck Of(BridgeGeometry geometry, BridgeEffects effects) => new OfGirders(geometry, effects);

    private sealed class OfGirders(BridgeGeometry geometry, BridgeEffects effects) : IPointCheck
    {
        private const double NoResistance = 99;

        private readonly double strutSlope = geometry.Bridge.Girders.StrutSlope;
        private readonly EffectRange ultimate = effects.Of(LimitState.Ultimate);
        private readonly GirderBending bending = new(geometry, geometry.Bridge.Basis.Values);
        private readonly ImmutableArray<ModelPoint> points = effects.Of(LimitState.Ultimate).Layout.Points;

        public IEnumerable<CheckOutcome> At(int point) =>
            bending.Applies(points[point]) ? [Check(point, Bending.Sagging, null), Check(point, Bending.Hogging, null)] : [];

        public CheckOutcome Write(int point, string check, Calculation calculation) =>
            Check(point, check.EndsWith("hogging", StringComparison.Ordinal) ? Bending.Hogging : Bending.Sagging, calculation);

        private CheckOutcome Check(int point, Bending side, Calculation? calculation)
        {
            var sagging = side == Bending.Sagging;
            // Over a pier what comes from girders alone stops at their bearings; the rest is as great there as it gets.
            var shift = bending.IsOverPier(points[point]) ? 0 : 0.9 * bending.Depth(points[point]) * strutSlope / 2;
            var (effect, from) = Shifted(point, shift, sagging);
            calculation?.Heading("Effect");
            if (calculation is not null)
                WriteEffect(calculation, point, from, shift, effect, sagging);
            var state = bending.At(points[point], side, calculation);
            var sign = sagging ? 1 : -1;
            var resistance = sign * (state?.Moment ?? 0);
            var utilisation =
                sign * effect <= 0 ? 0
                : sign * resistance <= 0 ? NoResistance
                : Math.Min(NoResistance, effect / resistance);
            if (calculation is { } c)
            {
                c.Heading("Check");
                c.Ratio(
                    "η",
                    utilisation <= 1 ? "M_Ed / M_Rd ≤ 1, passes" : "M_Ed / M_Rd > 1, fails",
                    utilisation,
                    3,
                    Clause,
                    $"{c.Text(effect, QuantityKind.Moment)} / {c.Text(resistance, QuantityKind.Moment)}"
                );
                c.Remark(
                    "The whole moment is set against the composite section; the strain that the girder has when the slab is cast "
                        + "is left out, as is usual. "
                        + "Axial force in the girder is left out.",
                    Clause
                );
                c.Remark(CheckWords.Missing(CheckCatalog.NotYet));
            }
            var name = sagging ? "Ultimate bending, sagging" : "Ultimate bending, hogging";
            return new($"bending.{(sagging ? "sagging" : "hogging")}", name, point, from, effect, resistance, utilisation, Clause);
        }

        /// <summary>
        /// The worst moment within the shift of the tension force on either side, in the same span, and where it stands (EN 1992-1-1
        /// 9.2.1.3(2)); straight between points.
        /// </summary>
        private (double Moment, int From) Shifted(int point, double shift, bool greatest)
        {
            var (moments, here) = (ultimate.Side(greatest), points[point]);
            double At(int i) => moments[i, GirderEffect.M];
            bool Worse(double a, double b) => greatest ? a > b : a < b;
            var (worst, from) = (At(point), point);
            foreach (var step in new[] { -1, 1 })
            {
                for (var i = point + step; i >= 0 && i < points.Length; i += step)
                {
                    if (points[i].Girder != here.Girder || points[i].Span != here.Span)
                        break;
                    var (before, distance) = (points[i - step], Math.Abs(points[i].Distance - here.Distance));
                    var part = Math.Min(
                        1,
                        (shift - Math.Abs(before.Distance - here.Distance)) / Math.Abs(points[i].Distance - before.Distance)
                    );
                    var moment = At(i - step) + part * (At(i) - At(i - step));
                    if (Worse(moment, worst))
                        (worst, from) = (moment, i);
                    if (distance >= shift)
                        break;
                }
            }
            return (worst, from);
        }

        private void WriteEffect(Calculation c, int point, int from, double shift, double effect, bool greatest)
        {
            var (at, quantity) = (ultimate.Layout.At(from, GirderEffect.M), QuantityKind.Moment);
            var combination = ultimate.Governing(at, greatest);
            c.Remark($"Combination: {combination.Name}.", combination.Clause);
            var number = 0;
            foreach (var part in combination.Parts(at, greatest).Where(p => p.Value != 0))
                c.Line(
                    $"M_{++number}",
                    $"{part.Of.Name}, factor {QuantityText.Fixed(part.Factor, 3)}",
                    part.Value,
                    quantity,
                    combination.Clause
                );
            var sum = ultimate.Side(greatest)[at];
            c.Line("M_E", $"Σ at station {c.Text(points[from].Station, QuantityKind.Length)}", sum, quantity, combination.Clause);
            if (shift > 0)
                c.Line("a_l", $"z cot θ / 2, z = 0.9 h, cot θ = {strutSlope:0.##}", shift, QuantityKind.Length, "EN 1992-1-1 (9.2)");
            var words = from == point ? "no worse moment lies within a_l" : "the moment within a_l of the section, straight between places";
            c.Line("M_Ed", words, effect, quantity, "EN 1992-1-1 9.2.1.3(2)");
        }
    }
}
