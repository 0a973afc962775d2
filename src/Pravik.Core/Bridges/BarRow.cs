using System.Text.Json.Serialization;
using Pravik.Core.Sections;

namespace Pravik.Core.Bridges;

/// <summary>Bars along a girder in one row, following its soffit.</summary>
public sealed record BarRow
{
    /// <summary>Height of their axis above the soffit (m).</summary>
    public double Level { get; init; } = 0.06;

    /// <summary>Bars in the row, where no distance is given.</summary>
    public int Count { get; init; } = 6;

    /// <summary>Distance of bars over the concrete at their level (m), in place of their number; null where they are counted.</summary>
    public double? Spacing { get; init; }

    /// <summary>Diameter (m).</summary>
    public double Diameter { get; init; } = 0.025;

    /// <summary>Where they begin, as a part of the span; 0 where they run on.</summary>
    public double From { get; init; }

    /// <summary>Where they end, as a part of the span; 1 where they run on.</summary>
    public double To { get; init; } = 1;

    /// <summary>Where every second bar begins, as a part of the span; null: where the others do.</summary>
    public double? SecondFrom { get; init; }

    /// <summary>Where every second bar ends, as a part of the span; null: where the others do.</summary>
    public double? SecondTo { get; init; }

    /// <summary>Whether it has no bars.</summary>
    [JsonIgnore]
    public bool IsEmpty => Count == 0 && Spacing is null;

    /// <summary>Bars that begin and end alike: all of the row, or those that stay and, after them, every second one.</summary>
    /// <param name="section">The section over which they lie, where they are given by their distance.</param>
    public IEnumerable<BarRun> In(MadeSection section)
    {
        var count = Spacing is { } every ? BarSpread.Every(section.Solids, section.Bottom + Level, every).Count() : Count;
        if (SecondFrom is null && SecondTo is null)
            yield return new(this, count, From, To);
        else
        {
            yield return new(this, (count + 1) / 2, From, To) { Step = 2 };
            yield return new(this, count / 2, SecondFrom ?? From, SecondTo ?? To) { First = 1, Step = 2 };
        }
    }
}
