using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Checks;
using Pravik.Core.Places;
using Pravik.Core.Roads;
using Pravik.Core.Runs;
using Pravik.Core.Sections;

namespace Pravik.Core.Proposals;

/// <summary>
/// Rows of strands for a type of girder with which bending, stresses and strands pass everywhere with the fewest strands, or why there are
/// none.
/// </summary>
/// <remarks>
/// Rows are filled from the soffit up, evenly about the middle. Fewest strands that carry the moments and keep cracks closed are sought
/// first; then layouts with as many or more are tried in order: all bonded, some debonded near the ends, two or four at the top. Each is
/// judged by the ordinary analysis of the whole bridge and the ordinary checks of bending, stresses and strands, at the places of today's
/// layout; what is proposed by all checks at its own places, and what fails of the others, as shear, which links are for, is told.
/// </remarks>
public sealed record StrandProposal
{
    private const double Apart = 0.05;
    private const double FromFace = 0.05;
    private const double MostOfRow = 0.4;
    private const int MostMore = 8;
    private const double MostStep = 1.5;
    private const double Outer = 0.15;
    private static readonly string[] Subjects = ["bending.", "stress.", "strands."];
    private static readonly string[] AskForMore = ["bending.sagging", "stress.closed"];

    /// <summary>The ways in which strands are debonded: part of all, and length over that of the girder.</summary>
    private static readonly (double Part, double Length)[] Debonding = [(0, 0), (0.125, 0.1), (0.25, 0.1), (0.25, 0.15), (0.25, 0.2)];

    /// <summary>The rows: those that pass, or the best that were tried.</summary>
    public ImmutableArray<StrandRow> Rows { get; private init; } = [];

    /// <summary>Why none passes, and what would help; empty where they do.</summary>
    public string Why { get; private init; } = "";

    /// <summary>The worst check of girders of the type with them.</summary>
    public CheckOutcome? Governing { get; private init; }

    /// <summary>The worst outcome of each other check of the type that fails with them, the greatest first.</summary>
    public ImmutableArray<CheckOutcome> Others { get; private init; } = [];

    /// <summary>How many layouts were tried.</summary>
    public int Tried { get; private init; }

    /// <summary>Strands in all.</summary>
    public int Count => Rows.Sum(r => r.Count);

    /// <summary>Proposes strands for a type of girder. Throws when cancelled.</summary>
    /// <param name="bridge">The bridge; the stress of its type after losses is worked out, not taken as entered.</param>
    /// <param name="type">The type, from 0.</param>
    /// <param name="ground">The ground below it.</param>
    /// <param name="stores">What is kept from run to run.</param>
    /// <param name="report">Told how far it is (0 to 1), and what it is doing.</param>
    /// <param name="cancel">Stops it.</param>
    public static StrandProposal Of(
        Bridge bridge,
        int type,
        Ground? ground,
        RunStores stores,
        Action<double, string>? report = null,
        CancellationToken cancel = default
    ) => new Search(bridge, type, ground, stores, report, cancel).Find();

    private sealed class Search(
        Bridge bridge,
        int type,
        Ground? ground,
        RunStores stores,
        Action<double, string>? report,
        CancellationToken cancel
    )
    {
        private readonly BridgeGeometry geometry = new(bridge);
        private int tried;
        private Candidate? best;

        /// <summary>A layout with the worst check of its type, and the worst of those that ask for more strands.</summary>
        private sealed record Candidate(ImmutableArray<StrandRow> Rows, CheckOutcome Worst, double AsksForMore);

        public StrandProposal Find()
        {
            var places = PlacesOf();
            if (places.Bottom.Sum(p => p.Most) < 2)
                return new() { Why = "No strands fit into this section." };
            var length = Longest();
            if (length == 0)
                return new() { Why = "No girder is of this type." };
            var most = places.Bottom.Sum(p => p.Most);
            if (Fewest(places.Bottom, most) is not { } fewest)
                return Refused(best!);
            for (var total = fewest; total <= Math.Min(most + 4, fewest + MostMore); total += 2)
            {
                foreach (var top in new[] { 0, 2, 4 }.Where(t => total - t >= fewest && total - t <= most && t <= places.MostAtTop))
                {
                    foreach (var (part, over) in Debonding)
                    {
                        report?.Invoke(Math.Min(0.95, 0.2 + 0.03 * tried), $"Layout {tried + 1}: {total} strands");
                        var candidate = Try(Layout(places.Bottom, total - top, places.Top, top, part, over, length));
                        if (candidate.Worst.Passes && Found(candidate) is { } found)
                            return found;
                        // Debonding more never gives what asks for more strands.
                        if (candidate.AsksForMore > 1)
                            break;
                    }
                }
            }
            return Refused(best!);
        }

        /// <summary>A layout that passes also at the places where its own strands change; null where it does not.</summary>
        private StrandProposal? Found(Candidate candidate)
        {
            report?.Invoke(0.97, "All checks with these strands");
            var all = Own(BridgeRun.Run(With(candidate.Rows), ground, stores, null, null, cancel)).ToLookup(o => IsSubject(o.Check));
            var worst = all[true].MaxBy(o => o.Utilisation);
            if (worst is { Passes: false })
                return null;
            return new()
            {
                Rows = candidate.Rows,
                Governing = worst,
                Others =
                [
                    .. all[false]
                        .Where(o => !o.Passes)
                        .GroupBy(o => o.Check)
                        .Select(g => g.MaxBy(o => o.Utilisation)!)
                        .OrderByDescending(o => o.Utilisation),
                ],
                Tried = tried,
            };
        }

        private StrandProposal Refused(Candidate best) =>
            new()
            {
                Rows = best.Rows,
                Governing = best.Worst,
                Tried = tried,
                Why = $"{best.Worst.Name} cannot be met: {Help(best.Worst)}.",
            };

        private static string Help(CheckOutcome worst) =>
            worst.Check switch
            {
                "stress.release" or "stress.building" => "stronger concrete at release, deflected rows or a deeper girder would help",
                "stress.characteristic" or "stress.sustained" => "stronger concrete or a larger bottom flange would help",
                "strands.released" or "strands.service" => "a lower stress at the jack would help",
                "bending.hogging" => "more bars in the slab over the piers or a larger bottom flange would help",
                _ => "a deeper girder, more girders or stronger concrete would help",
            };

        /// <summary>The fewest strands, all bonded, with which nothing asks for more; null where not even many do.</summary>
        private int? Fewest(ImmutableArray<(double Level, int Most)> places, int most)
        {
            Dictionary<int, double> known = [];
            double AskedWith(int many)
            {
                report?.Invoke(0.02 * tried, $"Layout {tried + 1}: {many} strands");
                return known.TryGetValue(many, out var already)
                    ? already
                    : known[many] = Try(Layout(places, many, null, 0, 0, 0, 0)).AsksForMore;
            }
            var count = Math.Clamp(2 * (bridge.Girders.Types[type].Strands.Rows.Sum(r => r.Count) / 2), 4, most);
            // Resistance grows about as the strands do.
            var asked = AskedWith(count);
            while (asked > 1)
            {
                var next = Math.Min(most, Math.Max(count + 2, 2 * (int)Math.Ceiling(count * Math.Min(asked, MostStep) / 2)));
                if (next == count || AskedWith(next) is var then && then >= asked)
                    return null;
                (count, asked) = (next, then);
            }
            while (count > 2 && AskedWith(count - 2) <= 1)
                count -= 2;
            return count;
        }

        private static bool IsSubject(string check) => Subjects.Any(s => check.StartsWith(s, StringComparison.Ordinal));

        private Bridge With(ImmutableArray<StrandRow> rows)
        {
            var types = bridge.Girders.Types;
            var strands = types[type].Strands with { Rows = rows, EffectiveStress = null };
            return bridge with { Girders = bridge.Girders with { Types = types.SetItem(type, types[type] with { Strands = strands }) } };
        }

        private IEnumerable<CheckOutcome> Own(BridgeResults results) =>
            results.Outcomes.Where(o => TypeAt(results.Points[o.Point]) == type);

        private Candidate Try(ImmutableArray<StrandRow> rows)
        {
            tried++;
            var scope = new CheckScope(p => TypeAt(p) == type, c => IsSubject($"{c.Id}."), geometry);
            var results = BridgeRun.Run(With(rows), ground, stores, null, scope, cancel);
            var own = Own(results).Where(o => IsSubject(o.Check)).ToList();
            var candidate = new Candidate(
                rows,
                own.MaxBy(o => o.Utilisation)!,
                own.Where(o => AskForMore.Contains(o.Check) && IsInner(results.Points[o.Point].Fraction))
                    .Select(o => o.Utilisation)
                    .DefaultIfEmpty(0)
                    .Max()
            );
            if (best is null || candidate.Worst.Utilisation < best.Worst.Utilisation)
                best = candidate;
            return candidate;
        }

        /// <summary>Away from the ends, where anchorage and restraint over piers govern and more strands do not help.</summary>
        private static bool IsInner(double fraction) => fraction is > Outer and < 1 - Outer;

        private int TypeAt(Models.ModelPoint point) => geometry.Sections.TypeIndex(point.Girder.Number, point.Span);

        private double Longest() =>
            geometry
                .Pieces.Where(p => geometry.Sections.TypeIndex(p.Girder.Number, p.Span) == type)
                .Select(p => geometry.LengthOf(p.Girder, p.Span))
                .DefaultIfEmpty(0)
                .Max();

        /// <summary>Where strands can lie: levels from the soffit up with how many each takes, and the row at the top.</summary>
        private (ImmutableArray<(double Level, int Most)> Bottom, double Top, int MostAtTop) PlacesOf()
        {
            var section = geometry.Sections.OfType(bridge.Girders.Types[type]);
            var first = bridge.Girders.Types[type].Strands.Rows.Select(r => r.Level).Where(l => l > 0).DefaultIfEmpty(0.06).Min();
            List<(double, int)> bottom = [];
            for (var level = first; level < section.Depth / 2; level = Math.Round(level + Apart, 3))
            {
                if (MostAt(section, level) is > 0 and var most)
                    bottom.Add((level, most));
            }
            var top = Math.Round(section.Depth - 0.06, 3);
            return ([.. bottom], top, MostAt(section, top));
        }

        private static int MostAt(MadeSection section, double level)
        {
            for (var count = 80; count >= 2; count -= 2)
            {
                var outermost = (count - 1) * Apart / 2;
                if (new[] { -outermost, outermost }.All(x => IsWithin(section, new(x, level + section.Bottom))))
                    return count;
            }
            return 0;
        }

        private static bool IsWithin(MadeSection section, Geometry.Point point) =>
            section.Contains(point) && section.DistanceToOutline(point) >= FromFace - 1e-9;

        /// <summary>Rows filled from the soffit up, then a row at the top; those lowest debonded first, at most 40 % of a row.</summary>
        private static ImmutableArray<StrandRow> Layout(
            ImmutableArray<(double Level, int Most)> places,
            int count,
            double? top,
            int atTop,
            double part,
            double over,
            double length
        )
        {
            var rows = ImmutableArray.CreateBuilder<StrandRow>();
            var (left, debonded) = (count, 2 * (int)(part * count / 2));
            foreach (var (level, most) in places.Where(_ => left > 0))
            {
                var here = Math.Min(left, most);
                var free = Math.Min(debonded, 2 * (int)(MostOfRow * here / 2));
                rows.Add(
                    new()
                    {
                        Level = level,
                        Count = here,
                        Spacing = Apart,
                        Debonded = free,
                        DebondedLength = free == 0 ? 0 : Math.Round(2 * over * length * (rows.Count == 0 ? 1 : 0.6)) / 2,
                    }
                );
                (left, debonded) = (left - here, debonded - free);
            }
            if (atTop > 0 && top is { } level2)
                rows.Add(
                    new()
                    {
                        Level = level2,
                        Count = atTop,
                        Spacing = Apart,
                    }
                );
            return rows.ToImmutable();
        }
    }
}
