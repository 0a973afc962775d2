using Pravik.Core.Sections;

namespace Pravik.Core.Bridges;

/// <summary>Bars of a row that begin and end alike.</summary>
/// <param name="Row">The row.</param>
/// <param name="Count">How many.</param>
/// <param name="From">Where they begin, as a part of the span; 0 where they run on.</param>
/// <param name="To">Where they end, as a part of the span; 1 where they run on.</param>
public sealed record BarRun(BarRow Row, int Count, double From, double To)
{
    /// <summary>The first of the row’s bars, from 0 at the left, that is one of them.</summary>
    public int First { get; init; }

    /// <summary>How many bars of the row it is to the next of them.</summary>
    public int Step { get; init; } = 1;

    /// <summary>Whether they are every second bar, which begins or ends elsewhere.</summary>
    public bool IsSecond => First > 0;

    /// <summary>Area together (m²).</summary>
    public double Area => Count * Math.PI * Row.Diameter * Row.Diameter / 4;

    /// <summary>Whether they reach a place, as a part of the span.</summary>
    public bool Reaches(double fraction) => From <= fraction && fraction <= To;

    /// <summary>
    /// From the nearer end of the bars to a place of a span (m), 0 or less beyond it; infinite where they run on.
    /// </summary>
    /// <param name="fraction">The place, as a part of the span.</param>
    /// <param name="length">Length of the span (m).</param>
    public double FromEnd(double fraction, double length) =>
        Math.Min(
            From <= 0 ? double.PositiveInfinity : (fraction - From) * length,
            To >= 1 ? double.PositiveInfinity : (To - fraction) * length
        );

    /// <summary>Where they lie across a section (m from its middle), from left to right.</summary>
    public IEnumerable<double> Across(MadeSection section)
    {
        var y = section.Bottom + Row.Level;
        var all = Row.Spacing is { } every ? BarSpread.Every(section.Solids, y, every) : BarSpread.Across(section.Solids, y, Row.Count);
        return all.Where((_, i) => i >= First && (i - First) % Step == 0);
    }
}
