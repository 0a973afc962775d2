using System.Collections.Immutable;
using System.Text.Json.Serialization;

namespace Pravik.Core.Bridges;

/// <summary>
/// A stage of construction. Structure comes first, then loads: what is cast weighs in its stage and is stiff from the next one. Places
/// are numbers of spans or axes, as in <c>1, 3-4</c>; <c>all</c>
/// is every one. Where girders are cast in place, what is cast weighs nothing until its falsework is struck, in a later stage.
/// </summary>
public sealed record Stage
{
    /// <summary>Loads that a stage can put on beside those of what it builds and own cases.</summary>
    public static readonly ImmutableArray<string> KnownLoads = ["edges", "surfacing"];

    /// <summary>Name of the stage.</summary>
    public string Name { get; init; } = "Stage";

    /// <summary>Days after the girders were made.</summary>
    public double Day { get; init; } = 28;

    /// <summary>Spans in which girders are set.</summary>
    public string Girders { get; init; } = "";

    /// <summary>Spans in which the slab is cast.</summary>
    public string Pours { get; init; } = "";

    /// <summary>Axes over which girders are joined by the pour over the pier.</summary>
    public string Joins { get; init; } = "";

    /// <summary>Spans whose girders are propped half way, and spans whose props are taken away.</summary>
    public string Props { get; init; } = "";

    /// <summary>Spans from which props are taken away, or whose falsework is struck.</summary>
    public string Releases { get; init; } = "";

    /// <summary>Loads put on, by name, with commas between.</summary>
    public string Loads { get; init; } = "";

    /// <summary>What drives in this stage, each in lanes of its own where it has some.</summary>
    public ImmutableArray<TrafficUse> Traffic { get; init; } = [];

    /// <summary>The names in <see cref="Loads"/>.</summary>
    [JsonIgnore]
    public IEnumerable<string> LoadNames => Loads.Split(',', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries);

    /// <summary>
    /// The stages of a bridge that has none of its own: girders, slab, the pour over the piers, edges and parapets, surfacing, traffic.
    /// </summary>
    public static ImmutableArray<Stage> Usual(int spans) =>
        [
            new()
            {
                Name = "Girders set",
                Day = 28,
                Girders = "all",
            },
            new()
            {
                Name = "Slab cast in the spans",
                Day = 60,
                Pours = "all",
            },
            .. spans > 1
                ?
                [
                    new Stage
                    {
                        Name = "Cast over the piers",
                        Day = 67,
                        Joins = "all",
                    },
                ]
                : Array.Empty<Stage>(),
            new()
            {
                Name = "Edges and parapets",
                Day = 90,
                Loads = "edges",
            },
            new()
            {
                Name = "Surfacing",
                Day = 120,
                Loads = "surfacing",
            },
            new() { Name = "Opened to traffic", Day = 150 },
        ];

    /// <summary>The same of a bridge that is cast in place: on falsework, which is struck.</summary>
    public static ImmutableArray<Stage> UsualInPlace { get; } =
    [
        new()
        {
            Name = "Cast on falsework",
            Day = 0,
            Girders = "all",
            Pours = "all",
            Joins = "all",
        },
        new()
        {
            Name = "Falsework struck",
            Day = 28,
            Releases = "all",
        },
        .. Usual(1).Skip(2),
    ];

    /// <summary>The same with the slab cast span by span.</summary>
    public static ImmutableArray<Stage> SpanBySpan(int spans) =>
        [
            .. Usual(spans)
                .SelectMany(s =>
                    s.Pours.Length == 0
                        ? [s]
                        : Enumerable
                            .Range(1, spans)
                            .Select(n => s with { Name = $"Slab cast in span {n}", Pours = $"{n}", Day = s.Day + (n - 1) * 7.0 / spans })
                ),
        ];
}

/// <summary>Numbers as an engineer writes them: <c>1, 3-5</c>, or <c>all</c>.</summary>
public static class NumberList
{
    private const int Greatest = 1000;

    /// <summary>
    /// The numbers from 1 to <paramref name="most"/> that a text names; greater ones are left out. Null where it is no such list. An
    /// empty text names none.
    /// </summary>
    public static ImmutableSortedSet<int>? Read(string? text, int most)
    {
        var all = (text ?? "").Trim();
        if (all.Equals("all", StringComparison.OrdinalIgnoreCase))
            return [.. Enumerable.Range(1, Math.Max(0, most))];
        var numbers = ImmutableSortedSet.CreateBuilder<int>();
        foreach (var part in all.Split(',', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries))
        {
            var ends = part.Split('-', StringSplitOptions.TrimEntries);
            if (
                ends.Length > 2
                || !int.TryParse(ends[0], out var from)
                || !int.TryParse(ends[^1], out var to)
                || from < 1
                || to < from
                || to > Greatest
            )
                return null;
            numbers.UnionWith(Enumerable.Range(from, Math.Max(0, Math.Min(to, most) - from + 1)));
        }
        return numbers.ToImmutable();
    }
}
