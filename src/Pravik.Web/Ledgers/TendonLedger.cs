using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Places;
using Pravik.Core.Units;
using Pravik.Exchange;

namespace Pravik.Web.Ledgers;

/// <summary>Tendons: what each is, and the points through which it goes.</summary>
internal sealed class TendonLedger(Bridge bridge, LedgerRows rows)
{
    private const double HighFromTop = 0.15;
    private const double Low = 0.15;
    private static readonly string[] Values =
    [
        "name",
        "girders",
        "ducts",
        "strands",
        "ductDiameter",
        "jacked",
        "jackStress",
        "friction",
        "wobble",
        "drawIn",
        "effectiveStress",
    ];
    private readonly ImmutableArray<Tendon> tendons = bridge.Girders.Tendons;

    /// <param name="picked">What is picked: a tendon comes first then.</param>
    public IEnumerable<LedgerGroup> Groups(string? picked)
    {
        if (tendons.IsEmpty)
            yield return new("Tendons", [])
            {
                Actions = [Add],
                Note = "Stressed in a stage, in ducts. The first one goes from end to end, low in the spans and high over the piers.",
            };
        var first = Enumerable
            .Range(0, tendons.Length)
            .Where(i => picked?.StartsWith($"/girders/tendons/{i}", StringComparison.Ordinal) == true);
        foreach (var i in first.Concat(Enumerable.Range(0, tendons.Length)).Distinct())
        {
            var (tendon, path) = (tendons[i], $"/girders/tendons/{i}");
            yield return new(tendon.Name, [.. Values.Select(v => rows.Entry($"{path}/{v}"))])
            {
                Actions =
                [
                    new("Take it away", $"{tendon.Name} taken away", [new("remove", path)]),
                    .. i == tendons.Length - 1 ? [Add] : Array.Empty<LedgerAction>(),
                ],
                Note = IsJacked(tendon) ? "" : "No stage jacks it yet: put its name on in a stage (Stages).",
            };
            yield return Points(tendon, path);
        }
    }

    private bool IsJacked(Tendon tendon) =>
        bridge.Actions.StagesOf(bridge.Girders, bridge.Axes.Spans.Length).Any(s => s.LoadNames.Contains(tendon.Name));

    private LedgerGroup Points(Tendon tendon, string path)
    {
        var all = tendon.Points;
        var added = all[^1] with { Kink = false };
        return new(
            $"Course of {tendon.Name}",
            [
                .. all.SelectMany(
                    (_, i) =>
                        new[]
                        {
                            rows.Entry($"{path}/points/{i}/span"),
                            rows.Entry($"{path}/points/{i}/at"),
                            rows.Entry($"{path}/points/{i}/level"),
                            i == 0 || i == all.Length - 1 ? LedgerRows.Reading("", "end") : rows.Entry($"{path}/points/{i}/kink"),
                            TurnsAfter(all, i) ? rows.Entry($"{path}/points/{i}/turn") : LedgerRows.Reading("", ""),
                        }
                ),
            ]
        )
        {
            Columns = ["Span", "At", $"Level, {rows.Units[QuantityKind.Size].Symbol}", "Goes", "Turns"],
            RowActions =
            [
                .. all.Length < 3
                    ? []
                    : all.Select(
                        (_, i) =>
                            new LedgerAction(
                                $"Take point {i + 1} away",
                                $"Point {i + 1} of {tendon.Name} taken away",
                                [new("remove", $"{path}/points/{i}")]
                            )
                    ),
            ],
            Actions =
            [
                .. Between(all) is var (before, place)
                    ? [new LedgerAction("Add a point", "Point added", [new("add", $"{path}/points/{before}", BridgeJson.Node(place))])]
                    : Array.Empty<LedgerAction>(),
            ],
            Note = "Levels are above the soffit. Between level points the curve turns over; ends and kinks have a free direction.",
        };
    }

    /// <summary>Whether the curve turns over between a point and the next: both are level.</summary>
    private static bool TurnsAfter(ImmutableArray<TendonPoint> all, int i) =>
        i > 0 && i + 2 < all.Length && !all[i].Kink && !all[i + 1].Kink;

    /// <summary>A new point half way between the two that are farthest apart, and its place; null where there is none.</summary>
    private static (int Before, TendonPoint Point)? Between(IReadOnlyList<TendonPoint> all)
    {
        var longest = Enumerable.Range(1, all.Count - 1).MaxBy(i => all[i].Span + all[i].At - all[i - 1].Span - all[i - 1].At);
        var (from, to) = (all[longest - 1].Span + all[longest - 1].At, all[longest].Span + all[longest].At);
        var middle = Math.Round((from + to) / 2, 3);
        var span = (int)Math.Floor(middle);
        return middle <= from || middle >= to
            ? null
            : (
                longest,
                new()
                {
                    Span = span,
                    At = Math.Round(middle - span, 3),
                    Level = (all[longest - 1].Level + all[longest].Level) / 2,
                }
            );
    }

    /// <summary>A tendon from end to end: in the middle of the depth at the ends, low in the spans, high over the piers.</summary>
    private LedgerAction Add
    {
        get
        {
            var name = Enumerable.Range(1, tendons.Length + 1).Select(i => $"Tendon {i}").First(n => tendons.All(t => t.Name != n));
            var depth = new BridgeGeometry(bridge, placeGirders: false).Section.Depth;
            var last = bridge.Axes.Spans.Length;
            List<TendonPoint> points = [new() { Level = Math.Round(depth / 2, 3) }];
            for (var span = 1; span <= last; span++)
            {
                var at =
                    last == 1 ? 0.5
                    : span == 1 ? 0.4
                    : span == last ? 0.6
                    : 0.5;
                points.Add(
                    new()
                    {
                        Span = span,
                        At = at,
                        Level = Low,
                    }
                );
                points.Add(
                    new()
                    {
                        Span = span,
                        At = 1,
                        Level = Math.Round(span == last ? depth / 2 : depth - HighFromTop, 3),
                        Turn = null,
                    }
                );
            }
            var tendon = new Tendon { Name = name, Points = [.. points] };
            return new("Add a tendon", $"{name} added", [new("add", "/girders/tendons/-", BridgeJson.Node(tendon))]);
        }
    }
}
