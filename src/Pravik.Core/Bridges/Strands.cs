using System.Collections.Immutable;
using System.Text.Json.Serialization;

namespace Pravik.Core.Bridges;

/// <summary>The pretensioned strands of a girder.</summary>
public sealed record Strands
{
    /// <summary>Stress to which strands are stressed before the concrete is cast (Pa).</summary>
    public double JackStress { get; init; } = 1380e6;

    /// <summary>Stress after all losses, before external load (Pa), where it is entered; null where losses are worked out.</summary>
    public double? EffectiveStress { get; init; }

    /// <summary>Rows of strands.</summary>
    public ImmutableArray<StrandRow> Rows { get; init; } =
    [
        new()
        {
            Level = 0.06,
            Count = 10,
            Spacing = 0.05,
        },
        new()
        {
            Level = 0.11,
            Count = 10,
            Spacing = 0.05,
        },
    ];
}

/// <summary>A row of strands, centred on the girder: height above the soffit, number and spacing.</summary>
public sealed record StrandRow
{
    /// <summary>Height above the soffit (m).</summary>
    public double Level { get; init; } = 0.06;

    /// <summary>Strands in the row.</summary>
    public int Count { get; init; } = 10;

    /// <summary>Distance between strands (m).</summary>
    public double Spacing { get; init; } = 0.05;

    /// <summary>Strands of the row that are debonded near both ends, over the first length.</summary>
    public int Debonded { get; init; }

    /// <summary>Length over which they are debonded, from each end (m).</summary>
    public double DebondedLength { get; init; }

    /// <summary>Strands of the row that are debonded over other lengths.</summary>
    public ImmutableArray<DebondedStrands> AlsoDebonded { get; init; } = [];

    /// <summary>Strands of the row that are debonded over some length.</summary>
    [JsonIgnore]
    public int AllDebonded => Debonded + AlsoDebonded.Sum(d => d.Count);

    /// <summary>
    /// All strands of the row by the length over which they are debonded (m), those bonded from the ends first. More debonded strands than
    /// the row has are left out.
    /// </summary>
    [JsonIgnore]
    public IEnumerable<DebondedStrands> Bonds
    {
        get
        {
            yield return new() { Count = Math.Max(0, Count - AllDebonded), Length = 0 };
            var left = Count;
            foreach (var debonded in AlsoDebonded.Prepend(new() { Count = Debonded, Length = DebondedLength }))
            {
                var count = Math.Min(debonded.Count, left);
                left -= count;
                if (count > 0)
                    yield return debonded with
                    {
                        Count = count,
                    };
            }
        }
    }

    /// <summary>Level at both ends, where the row is deflected; null for a straight one.</summary>
    public double? EndLevel { get; init; }

    /// <summary>From either end to where a deflected row is held down, as a part of the girder's length.</summary>
    public double HoldDown { get; init; } = 0.4;

    /// <summary>
    /// How many strands work at a distance from the nearer end (m): their force grows straight over a length from where their bond begins.
    /// </summary>
    public double Working(double fromEnd, double transmission)
    {
        double sum = 0;
        foreach (var bond in Bonds)
            sum += bond.Count * Math.Clamp((fromEnd - bond.Length) / transmission, 0, 1);
        return sum;
    }

    /// <summary>Height above the soffit at a distance from the girder's end: straight from the end to where the row is held down.</summary>
    public double LevelAt(double x, double length)
    {
        if (EndLevel is not { } end)
            return Level;
        var part = Math.Clamp(Math.Min(x, length - x) / (HoldDown * length), 0, 1);
        return end + part * (Level - end);
    }
}

/// <summary>Strands of a row whose bond begins at a distance from both ends of the girder.</summary>
public sealed record DebondedStrands
{
    /// <summary>How many.</summary>
    public int Count { get; init; } = 2;

    /// <summary>From each end to where their bond begins (m).</summary>
    public double Length { get; init; } = 3;
}
