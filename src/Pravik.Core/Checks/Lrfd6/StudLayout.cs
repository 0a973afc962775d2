using Pravik.Core.Bridges;
using Pravik.Core.Calculations;
using Pravik.Core.Members;
using Pravik.Core.Units;

namespace Pravik.Core.Checks.Lrfd6;

/// <summary>
/// How studs lie (AASHTO LRFD 6.10.10.1): h/d ≥ 4, pitch from 6·d to 24 in, or to 48 in on webs of 24 in and more, 4·d across, 1 in to the
/// edge of the flange, 2 in into the slab and below its top.
/// </summary>
internal static class StudLayout
{
    private const string Clause = "AASHTO LRFD 6.10.10.1";
    private const double Inch = SteelGirders.Inch;
    private const double Deep = 24 * Inch;

    /// <summary>The worst of all limits on both sides of a place.</summary>
    public static LimitResult Check(MemberPoint point, Calculation? c)
    {
        if (point.Steel.FirstOrDefault(s => s.Studs is null) is not null)
        {
            c?.Remark("There are no studs here.", Clause);
            return new("Studs, none here", 1, 0, 99, QuantityKind.Count, Clause);
        }
        c?.Heading("How they lie");
        var all = point.Steel.SelectMany(s => Limits(s, s.Studs!)).Select(l => l.Result).ToList();
        if (c is not null)
        {
            foreach (var (symbol, words, result, isMost) in point.Steel.SelectMany(s => Limits(s, s.Studs!)))
                c.Ratio(
                    symbol,
                    $"{words}: at {(isMost ? "most" : "least")} {c.Text(result.Resistance, QuantityKind.Size)}",
                    result.Utilisation,
                    3,
                    Clause,
                    c.Text(result.Effect, QuantityKind.Size)
                );
        }
        return all.Aggregate(LimitResult.Worse);
    }

    private static IEnumerable<(string Symbol, string Words, LimitResult Result, bool IsMost)> Limits(MemberSteel steel, StudZone studs)
    {
        (string, string, LimitResult, bool) Least(string symbol, string words, double value, double least) =>
            (symbol, words, Of(words, value, least, value <= 0 ? 99 : least / value), false);
        (string, string, LimitResult, bool) Most(string symbol, string words, double value, double most) =>
            (symbol, words, Of(words, value, most, value / most), true);
        var (d, flange) = (studs.Diameter, steel.Plates.Top);
        yield return Least("h", "height over four diameters", studs.Height, 4 * d);
        yield return Least("p", "pitch over six diameters", studs.Spacing, 6 * d);
        yield return Most("p", "greatest pitch", studs.Spacing, (steel.Plates.WebDepth >= Deep ? 48 : 24) * Inch);
        if (studs.PerRow > 1)
            yield return Least("s", "across, over four diameters", studs.Across / (studs.PerRow - 1), 4 * d);
        var across = studs.PerRow > 1 ? studs.Across : 0;
        yield return Least("e", "clear to the edge of the flange", (flange.Width - across - d) / 2, Inch);
        yield return Least("h_s", "into the slab", studs.Height - steel.Slab.Haunch, 2 * Inch);
        yield return Least("c", "cover above it", steel.Slab.Haunch + steel.Slab.Thickness - studs.Height, 2 * Inch);
    }

    private static LimitResult Of(string words, double value, double limit, double utilisation) =>
        new($"Studs, {words}", value, limit, utilisation, QuantityKind.Size, Clause);
}
