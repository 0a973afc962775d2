using Pravik.Core.Units;

namespace Pravik.Core.Calculations;

/// <summary>
/// One line of a calculation: symbol, formula, the numbers put in, the value with its unit, and the clause. In symbols and
/// formulas an underscore starts a subscript, which ends at the next character that is not a letter, digit or comma.
/// </summary>
public sealed record CalculationLine(string Symbol, string Formula, string Numbers, string Value, string Unit, string Clause)
{
    /// <summary>A sentence or heading instead of a value.</summary>
    public bool IsRemark => Value.Length == 0 && Symbol.Length == 0;

    /// <summary>Whether the line is a heading.</summary>
    public bool IsHeading { get; init; }
}

/// <summary>
/// The lines of a calculation, written by the code that computes the values. A method that computes takes an optional
/// <see cref="Calculation"/> and writes with <c>?.</c>, so a sweep over hundreds of points pays nothing for the text.
/// </summary>
public sealed class Calculation(string title, UnitSystem units)
{
    private readonly List<CalculationLine> lines = [];

    /// <summary>Title of the calculation.</summary>
    public string Title { get; } = title;

    /// <summary>Units in which its numbers are written.</summary>
    public UnitSystem Units { get; } = units;

    /// <summary>The lines so far.</summary>
    public IReadOnlyList<CalculationLine> Lines => lines;

    /// <summary>Begins a part.</summary>
    public void Heading(string text) => lines.Add(new("", text, "", "", "", "") { IsHeading = true });

    /// <summary>Says something in words.</summary>
    public void Remark(string text, string clause = "") => lines.Add(new("", text, "", "", "", clause));

    /// <summary>A value in SI base units, shown in the units of this calculation.</summary>
    public void Line(string symbol, string formula, double value, QuantityKind kind, string clause, string numbers = "") =>
        lines.Add(new(symbol, formula, numbers, Units.Format(value, kind), Units[kind].Symbol, clause));

    /// <summary>A plain number with the given decimals.</summary>
    public void Ratio(string symbol, string formula, double value, int decimals, string clause, string numbers = "") =>
        lines.Add(new(symbol, formula, numbers, QuantityText.Fixed(value, decimals), "", clause));

    /// <summary>A value as text with its unit, for putting numbers into a formula.</summary>
    public string Text(double si, QuantityKind kind) => Units.FormatWithUnit(si, kind);
}
