namespace Pravik.Core.Units;

/// <summary>A unit of measurement: its symbol, its size in SI base units and the least decimals shown.</summary>
public sealed record Unit(string Symbol, double Factor, int Decimals);

/// <summary>The units in which a kind of quantity is shown and, where the entry names none, typed.</summary>
/// <remarks>US values: 1 ft = 0.3048 m, 1 lbf = 4.4482216152605 N (NIST SP 811, exact definitions).</remarks>
public sealed class UnitSystem
{
    private const double Foot = 0.3048;
    private const double Kip = 4448.2216152605;
    private readonly IReadOnlyDictionary<QuantityKind, Unit> units;

    private UnitSystem(string name, IReadOnlyDictionary<QuantityKind, Unit> units)
    {
        Name = name;
        this.units = units;
    }

    /// <summary>m, mm, kN, MPa.</summary>
    public static UnitSystem Metric { get; } =
        new(
            "metric",
            Common(
                new()
                {
                    [QuantityKind.Length] = new("m", 1, 3),
                    [QuantityKind.Size] = new("mm", 1e-3, 0),
                    [QuantityKind.Area] = new("m²", 1, 3),
                    [QuantityKind.SmallArea] = new("mm²", 1e-6, 0),
                    [QuantityKind.CrackWidth] = new("mm", 1e-3, 2),
                    [QuantityKind.SectionArea] = new("m²", 1, 4),
                    [QuantityKind.SecondMoment] = new("m⁴", 1, 5),
                    [QuantityKind.Modulus] = new("m³", 1, 5),
                    [QuantityKind.Volume] = new("m³", 1, 2),
                    [QuantityKind.Mass] = new("t", 1e3, 2),
                    [QuantityKind.Force] = new("kN", 1e3, 1),
                    [QuantityKind.Moment] = new("kNm", 1e3, 0),
                    [QuantityKind.SlabMoment] = new("kNm/m", 1e3, 1),
                    [QuantityKind.LineLoad] = new("kN/m", 1e3, 2),
                    [QuantityKind.AreaLoad] = new("kN/m²", 1e3, 2),
                    [QuantityKind.UnitWeight] = new("kN/m³", 1e3, 1),
                    [QuantityKind.Speed] = new("km/h", 1 / 3.6, 0),
                    [QuantityKind.Stress] = new("MPa", 1e6, 1),
                    [QuantityKind.SmallStress] = new("MPa", 1e6, 2),
                }
            )
        );

    /// <summary>ft, in, kip, ksi.</summary>
    public static UnitSystem UsCustomary { get; } =
        new(
            "us",
            Common(
                new()
                {
                    [QuantityKind.Length] = new("ft", Foot, 2),
                    [QuantityKind.Size] = new("in", Foot / 12, 2),
                    [QuantityKind.Area] = new("ft²", Foot * Foot, 2),
                    [QuantityKind.SmallArea] = new("in²", Foot * Foot / 144, 3),
                    [QuantityKind.CrackWidth] = new("in", Foot / 12, 4),
                    [QuantityKind.SectionArea] = new("in²", Foot * Foot / 144, 1),
                    [QuantityKind.SecondMoment] = new("in⁴", Foot * Foot * Foot * Foot / (144 * 144), 0),
                    [QuantityKind.Modulus] = new("in³", Foot * Foot * Foot / 1728, 0),
                    [QuantityKind.Volume] = new("yd³", 27 * Foot * Foot * Foot, 2),
                    [QuantityKind.Mass] = new("lb", 0.45359237, 0),
                    [QuantityKind.Force] = new("kip", Kip, 1),
                    [QuantityKind.Moment] = new("kip-ft", Kip * Foot, 0),
                    [QuantityKind.SlabMoment] = new("kip-ft/ft", Kip, 2),
                    [QuantityKind.LineLoad] = new("kip/ft", Kip / Foot, 3),
                    [QuantityKind.AreaLoad] = new("ksf", Kip / (Foot * Foot), 3),
                    [QuantityKind.UnitWeight] = new("kcf", Kip / (Foot * Foot * Foot), 3),
                    [QuantityKind.Speed] = new("mph", 0.44704, 0),
                    [QuantityKind.Stress] = new("ksi", Kip / (Foot * Foot) * 144, 2),
                    [QuantityKind.SmallStress] = new("ksi", Kip / (Foot * Foot) * 144, 3),
                }
            )
        );

    /// <summary>Name in files.</summary>
    public string Name { get; }

    /// <summary>The unit of a kind of quantity.</summary>
    public Unit this[QuantityKind kind] => units[kind];

    /// <summary>The system called <paramref name="name"/> (<c>metric</c> or <c>us</c>); metric for any other name.</summary>
    public static UnitSystem Named(string? name) => name == UsCustomary.Name ? UsCustomary : Metric;

    /// <summary>Text of an SI value with its usual decimals and no unit, for readings and results.</summary>
    public string Format(double si, QuantityKind kind)
    {
        var unit = units[kind];
        return QuantityText.Fixed(si / unit.Factor, unit.Decimals);
    }

    /// <summary>As <see cref="Format"/>, followed by the unit.</summary>
    public string FormatWithUnit(double si, QuantityKind kind)
    {
        var symbol = units[kind].Symbol;
        return symbol.Length == 0 ? Format(si, kind) : $"{Format(si, kind)} {symbol}";
    }

    private static Dictionary<QuantityKind, Unit> Common(Dictionary<QuantityKind, Unit> own)
    {
        own[QuantityKind.Number] = new("", 1, 2);
        own[QuantityKind.Count] = new("", 1, 0);
        own[QuantityKind.Angle] = new("°", Math.PI / 180, 2);
        own[QuantityKind.Slope] = new("%", 0.01, 2);
        own[QuantityKind.Strain] = new("‰", 1e-3, 3);
        return own;
    }
}
