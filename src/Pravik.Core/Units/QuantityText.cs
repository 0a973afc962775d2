using System.Globalization;

namespace Pravik.Core.Units;

/// <summary>Prints quantities. An entered value keeps all its digits; a reading has the decimals of its unit.</summary>
public static class QuantityText
{
    /// <summary>
    /// An entered SI value in the unit of <paramref name="system"/>: at least the unit's decimals, more where the value has
    /// more, to 12 significant digits (the rounding hides only the last bits of the unit conversion).
    /// </summary>
    public static string Entered(double si, QuantityKind kind, UnitSystem system)
    {
        if (!(Math.Abs(si) < 1e25))
            return Fixed(si, 0);
        var unit = system[kind];
        var exact = decimal.Parse(
            (si / unit.Factor).ToString("G12", CultureInfo.InvariantCulture),
            NumberStyles.Float,
            CultureInfo.InvariantCulture
        );
        var decimals = Math.Max(unit.Decimals, (decimal.GetBits(exact / 1.000000000000000000000000000000m)[3] >> 16) & 0x7F);
        return Minus(exact.ToString("F" + decimals, CultureInfo.InvariantCulture));
    }

    /// <summary>Width and thickness of a plate with all their digits, as in “18.00 × 0.625”.</summary>
    public static string Plate(double width, double thickness, UnitSystem system) =>
        $"{Entered(width, QuantityKind.Size, system)} × {Entered(thickness, QuantityKind.Size, system)}";

    /// <summary>A number with the given decimals, a true minus sign and no negative zero.</summary>
    public static string Fixed(double value, int decimals)
    {
        if (!double.IsFinite(value))
            return value > 0 ? "∞"
                : value < 0 ? "−∞"
                : "–";
        var text = value.ToString("F" + decimals, CultureInfo.InvariantCulture);
        if (text.StartsWith('-') && text.All(c => c is '-' or '0' or '.'))
            text = text[1..];
        return Minus(text);
    }

    /// <summary>A number with so many figures that count, and no more than 9 decimals.</summary>
    public static string Significant(double value, int figures) =>
        Fixed(value, value == 0 ? 0 : (int)Math.Clamp(figures - 1 - Math.Floor(Math.Log10(Math.Abs(value))), 0, 9));

    private static string Minus(string text) => text.Replace('-', '−');
}
