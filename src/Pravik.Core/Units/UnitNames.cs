namespace Pravik.Core.Units;

/// <summary>A unit as it may be typed.</summary>
internal sealed record UnitName(string Name, string Dimension, double Factor);

/// <summary>The names of units that an entry may carry, with their dimension and size in SI base units.</summary>
internal static class UnitNames
{
    private const double Foot = 0.3048;
    private const double Pound = 4.4482216152605;

    private static readonly UnitName[] All =
    [
        new("mm²", "area", 1e-6),
        new("mm2", "area", 1e-6),
        new("cm²", "area", 1e-4),
        new("cm2", "area", 1e-4),
        new("m²", "area", 1),
        new("m2", "area", 1),
        new("in²", "area", Foot * Foot / 144),
        new("in2", "area", Foot * Foot / 144),
        new("kN/m²", "stress", 1e3),
        new("kN/m2", "stress", 1e3),
        new("N/mm²", "stress", 1e6),
        new("N/mm2", "stress", 1e6),
        new("kPa", "stress", 1e3),
        new("MPa", "stress", 1e6),
        new("GPa", "stress", 1e9),
        new("Pa", "stress", 1),
        new("ksi", "stress", 1000 * Pound * 144 / (Foot * Foot)),
        new("psi", "stress", Pound * 144 / (Foot * Foot)),
        new("ksf", "stress", 1000 * Pound / (Foot * Foot)),
        new("psf", "stress", Pound / (Foot * Foot)),
        new("kN/m³", "weight", 1e3),
        new("kN/m3", "weight", 1e3),
        new("kcf", "weight", 1000 * Pound / (Foot * Foot * Foot)),
        new("pcf", "weight", Pound / (Foot * Foot * Foot)),
        new("kN/m", "line", 1e3),
        new("N/m", "line", 1),
        new("kip/ft", "line", 1000 * Pound / Foot),
        new("plf", "line", Pound / Foot),
        new("kNm", "moment", 1e3),
        new("kip-ft", "moment", 1000 * Pound * Foot),
        new("kN", "force", 1e3),
        new("MN", "force", 1e6),
        new("N", "force", 1),
        new("kip", "force", 1000 * Pound),
        new("lb", "force", Pound),
        new("deg", "angle", Math.PI / 180),
        new("°", "angle", Math.PI / 180),
        new("rad", "angle", 1),
        new("gon", "angle", Math.PI / 200),
        new("%", "ratio", 0.01),
        new("‰", "ratio", 0.001),
        new("km", "length", 1000),
        new("mm", "length", 1e-3),
        new("cm", "length", 1e-2),
        new("m", "length", 1),
        new("ft", "length", Foot),
        new("in", "length", Foot / 12),
        new("'", "length", Foot),
        new("\"", "length", Foot / 12),
    ];

    private static readonly UnitName[] LongestFirst = [.. All.OrderByDescending(u => u.Name.Length)];

    /// <summary>The longest unit name standing at <paramref name="at"/>, or null. A letter after the name means another word.</summary>
    public static UnitName? Match(string text, int at) =>
        LongestFirst.FirstOrDefault(unit =>
            string.CompareOrdinal(text, at, unit.Name, 0, unit.Name.Length) == 0
            && !(char.IsLetter(unit.Name[^1]) && at + unit.Name.Length < text.Length && char.IsLetter(text[at + unit.Name.Length]))
        );

    public static string DimensionOf(QuantityKind kind) =>
        kind switch
        {
            QuantityKind.Length or QuantityKind.Size or QuantityKind.CrackWidth => "length",
            QuantityKind.Angle => "angle",
            QuantityKind.Slope or QuantityKind.Strain => "ratio",
            QuantityKind.Area or QuantityKind.SectionArea or QuantityKind.SmallArea => "area",
            QuantityKind.Force or QuantityKind.SlabMoment => "force",
            QuantityKind.Moment => "moment",
            QuantityKind.LineLoad => "line",
            QuantityKind.AreaLoad or QuantityKind.Stress or QuantityKind.SmallStress => "stress",
            QuantityKind.UnitWeight => "weight",
            QuantityKind.Speed => "speed",
            _ => "none",
        };
}
