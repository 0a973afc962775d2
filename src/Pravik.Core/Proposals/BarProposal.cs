using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Checks;
using Pravik.Core.Checks.En1992;
using Pravik.Core.Materials;
using Pravik.Core.Members;
using Pravik.Core.Places;
using Pravik.Core.Runs;
using Pravik.Core.Sections;

namespace Pravik.Core.Proposals;

/// <summary>
/// Rows of bars at the soffit of a type of girder cast in place with which all that counts on them passes with least steel, or what does
/// not pass however many there are.
/// </summary>
/// <remarks>
/// Bars of one diameter lie in one row, or in two where one has no room, with the cover of today’s lowest row, at least their diameter
/// and 50 mm clear of each other. What none of them needs to carry near the ends of spans stops short; at least half run on (EN 1992-1-1
/// 9.2.1.4 asks for a quarter). Bars do not change the analysis, so that each layout is judged by the checks alone. Rows higher than a
/// third of the depth stay as they are, and so do bars of the slab.
/// </remarks>
public sealed record BarProposal
{
    private const double Side = 0.05;
    private const double LeastClear = 0.05;
    private const double UsualCover = 0.045;
    private const double Low = 1.0 / 3;
    private const double Step = 0.05;
    private static readonly double[] Diameters = [0.025, 0.020, 0.032, 0.016];

    /// <summary>Checks that bars at the soffit do not help: the other sense of bending, and the top.</summary>
    private static readonly string[] OfTheTop = ["bending.hogging", "cracks.top", "cracks.least-top", "sudden.hogging"];

    /// <summary>All rows of the type, with those proposed; none where none do.</summary>
    public ImmutableArray<BarRow> Rows { get; private init; } = [];

    /// <summary>Why none do, and what would help; empty where some do.</summary>
    public string Why { get; private init; } = "";

    /// <summary>What fails however many there are, in words; empty for nothing.</summary>
    public string Beside { get; private init; } = "";

    /// <summary>The worst of what counts on them.</summary>
    public CheckOutcome? Worst { get; private init; }

    /// <summary>How many layouts were tried.</summary>
    public int Tried { get; private init; }

    /// <summary>Their steel over that of today's rows at the soffit; infinite where there is none today.</summary>
    public double OfToday { get; private init; }

    /// <summary>Proposes bars for a type of girder. Throws when cancelled.</summary>
    /// <param name="geometry">The bridge.</param>
    /// <param name="results">Its results.</param>
    /// <param name="type">The type, from 0.</param>
    /// <param name="report">Told how far it is (0 to 1), and what it is doing.</param>
    /// <param name="cancel">Stops it.</param>
    public static BarProposal Of(
        BridgeGeometry geometry,
        BridgeResults results,
        int type,
        Action<double, string>? report = null,
        CancellationToken cancel = default
    ) => new Search(geometry, results, type, report, cancel).Find();

    private sealed class Search
    {
        private readonly BridgeGeometry geometry;
        private readonly BridgeResults results;
        private readonly Action<double, string>? report;
        private readonly CancellationToken cancel;
        private readonly ReinforcingSteel steel;
        private readonly ImmutableArray<(Member Member, ImmutableArray<int> Places)> girders;
        private readonly ImmutableArray<BarRow> kept;
        private readonly ImmutableArray<BarRow> today;
        private readonly MadeSection usual;
        private readonly double cover;
        private readonly HashSet<(string Member, int Place, string Check)> beside = [];
        private List<(int Girder, int Place)> order = [];
        private int tried;

        public Search(BridgeGeometry geometry, BridgeResults results, int type, Action<double, string>? report, CancellationToken cancel)
        {
            (this.geometry, this.results, this.report, this.cancel) = (geometry, results, report, cancel);
            steel = ReinforcingSteel.Of(geometry.Bridge.Materials.Reinforcement);
            bool IsOf(MemberPoint p) =>
                p.Section is not null
                && geometry.Sections.TypeIndex(results.Points[p.Number].Girder.Number, results.Points[p.Number].Span) == type;
            girders =
            [
                .. results
                    .Members.Select(m =>
                        (Member: m, Places: Enumerable.Range(0, m.Points.Length).Where(i => IsOf(m.Points[i])).ToImmutableArray())
                    )
                    .Where(g => g.Places.Length > 0),
            ];
            var rows = geometry.Bridge.Girders.Types[type].Bars;
            var depth = girders.Length == 0 ? 0 : girders.Min(g => g.Places.Min(p => g.Member.Points[p].Section!.Depth));
            (kept, today) = ([.. rows.Where(r => r.Level > Low * depth)], [.. rows.Where(r => r.Level <= Low * depth)]);
            usual = geometry.Sections.OfType(geometry.Bridge.Girders.Types[type]);
            cover = today.Where(r => !r.IsEmpty).Select(r => r.Level - r.Diameter / 2).DefaultIfEmpty(UsualCover).Min();
        }

        public BarProposal Find()
        {
            if (girders.Length == 0)
                return new() { Why = "No girder of this type is checked." };
            order = [.. girders.SelectMany((g, i) => g.Places.Select(p => (i, p)))];
            if (Diameters.Max(Room) < 2)
                return new() { Why = "No two bars have room at the soffit." };
            LeaveOutWhatNoBarsHelp();
            var best = default((double Area, int Count, double Diameter)?);
            foreach (var diameter in Diameters.Where(d => Room(d) >= 2))
            {
                var (one, most) = (Area(1, diameter), 2 * Room(diameter));
                if (best is { } known)
                    most = Math.Min(most, (int)Math.Floor(known.Area / one * (1 - 1e-9)));
                if (most < 2 || !Passes(Whole(most, diameter)))
                    continue;
                var (fails, passes) = (1, most);
                while (passes - fails > 1)
                {
                    var middle = (fails + passes) / 2;
                    if (Passes(Whole(middle, diameter)))
                        passes = middle;
                    else
                        fails = middle;
                }
                best = (passes * one, passes, diameter);
            }
            if (best is null)
                return new()
                {
                    Why = "Two rows of 32 mm are not enough: a deeper or wider girder, or stronger concrete, would help.",
                    Tried = tried,
                };
            var rows = Stopped(best.Value.Count, best.Value.Diameter);
            var before = SteelOf(today);
            return new()
            {
                Rows = [.. rows, .. kept],
                Worst = Outcomes(rows).MaxBy(o => o.Utilisation),
                Tried = tried,
                OfToday = before > 0 ? SteelOf(rows) / before : double.PositiveInfinity,
                Beside = BesideWords(),
            };
        }

        private static double Area(int count, double diameter) => count * Math.PI * diameter * diameter / 4;

        private double SteelOf(IEnumerable<BarRow> rows) => rows.SelectMany(r => r.In(usual)).Sum(r => r.Area * (r.To - r.From));

        /// <summary>How many bars lie side by side, where the concrete is narrowest at their level.</summary>
        private int Room(double diameter)
        {
            var width = girders.Min(g =>
                g.Places.Min(p =>
                    g.Member.Points[p].Section!.Concrete.Where(c => c.Name == "girder").Sum(c => c.Outline.WidthAt(cover + diameter / 2))
                )
            );
            return (int)Math.Floor((width - 2 * Side - diameter) / (diameter + Math.Max(diameter, LeastClear)) + 1 + 1e-9);
        }

        /// <summary>Bars that run on, in a second row where one has no room.</summary>
        private ImmutableArray<BarRow> Whole(int count, double diameter) => Rows(count, 0, diameter, 0, 1);

        /// <summary>Bars that run on, then those that stop, row by row.</summary>
        private ImmutableArray<BarRow> Rows(int whole, int stopped, double diameter, double from, double to)
        {
            var rows = ImmutableArray.CreateBuilder<BarRow>();
            var (first, second) = (
                Math.Round(cover + diameter / 2, 4),
                Math.Round(cover + 1.5 * diameter + Math.Max(diameter, LeastClear), 4)
            );
            var room = Room(diameter);
            Add(Math.Min(whole, room), first, 0, 1);
            Add(whole - Math.Min(whole, room), second, 0, 1);
            var beside = Math.Min(stopped, Math.Max(0, room - whole));
            Add(beside, first, from, to);
            Add(stopped - beside, second, from, to);
            return rows.ToImmutable();

            void Add(int count, double level, double begin, double end)
            {
                if (count > 0)
                    rows.Add(
                        new()
                        {
                            Level = level,
                            Count = count,
                            Diameter = diameter,
                            From = begin,
                            To = end,
                        }
                    );
            }
        }

        /// <summary>
        /// Those that stop short of the ends of spans, as far as everything still passes; all run on where that saves nothing.
        /// </summary>
        private ImmutableArray<BarRow> Stopped(int count, double diameter)
        {
            var whole = (count + 1) / 2;
            if (count - whole < 2)
                return Whole(count, diameter);
            var half = Whole(whole, diameter);
            var needed = order.Where(at => !Passes(half, at)).Select(at => results.Points[PointOf(at).Number].Fraction).ToList();
            var (least, greatest) = (needed.DefaultIfEmpty(0.5).Min(), needed.DefaultIfEmpty(0.5).Max());
            for (var more = 1; ; more++)
            {
                var from = Math.Round(Math.Floor(least / Step) * Step - more * Step, 3);
                var to = Math.Round(Math.Ceiling(greatest / Step) * Step + more * Step, 3);
                if (from <= Step && to >= 1 - Step)
                    return Whole(count, diameter);
                var rows = Rows(whole, count - whole, diameter, Math.Max(0, from), Math.Min(1, to));
                if (Passes(rows))
                    return rows;
            }
        }

        /// <summary>What fails with two full rows of the thickest bars is not theirs to carry.</summary>
        private void LeaveOutWhatNoBarsHelp()
        {
            var most = Diameters.Where(d => Room(d) >= 2).MaxBy(d => Area(2 * Room(d), d));
            var rows = Whole(2 * Room(most), most);
            foreach (var (girder, place) in order)
            {
                foreach (var outcome in At(rows, (girder, place)).Where(o => !o.Passes))
                    beside.Add((girders[girder].Member.Name, place, outcome.Check));
            }
        }

        private string BesideWords()
        {
            var names = beside.Select(b => NameOf(b.Check)).Distinct().Order();
            return beside.Count == 0 ? "" : $"However many bars lie at the soffit, these fail: {string.Join(", ", names)}.";
        }

        private string NameOf(string check) => results.Outcomes.FirstOrDefault(o => o.Check == check)?.Name.ToLowerInvariant() ?? check;

        private MemberPoint PointOf((int Girder, int Place) at) => girders[at.Girder].Member.Points[at.Place];

        private bool Passes(ImmutableArray<BarRow> rows)
        {
            cancel.ThrowIfCancellationRequested();
            tried++;
            report?.Invoke(
                Math.Min(0.95, tried / 40.0),
                $"Layout {tried}: {rows.Sum(r => r.Count)} bars of {1000 * rows[0].Diameter:0} mm"
            );
            // The place that failed last is asked first.
            for (var i = 0; i < order.Count; i++)
            {
                var at = order[i];
                if (Passes(rows, at))
                    continue;
                order.RemoveAt(i);
                order.Insert(0, at);
                return false;
            }
            return true;
        }

        private bool Passes(ImmutableArray<BarRow> rows, (int Girder, int Place) at) => Counted(rows, at).All(o => o.Passes);

        /// <summary>Outcomes of all places that count on the bars.</summary>
        private IEnumerable<CheckOutcome> Outcomes(ImmutableArray<BarRow> rows) => order.SelectMany(at => Counted(rows, at));

        private IEnumerable<CheckOutcome> Counted(ImmutableArray<BarRow> rows, (int Girder, int Place) at) =>
            At(rows, at).Where(o => !beside.Contains((girders[at.Girder].Member.Name, at.Place, o.Check)));

        private ImmutableArray<BarRow> made;
        private ImmutableArray<(Member Member, ImmutableArray<IMemberCheck> Checks)> ready;

        private IEnumerable<CheckOutcome> At(ImmutableArray<BarRow> rows, (int Girder, int Place) at)
        {
            if (made != rows)
                (made, ready) = (rows, [.. girders.Select(g => Make(g.Member, g.Places, rows))]);
            var (member, checks) = ready[at.Girder];
            return checks.SelectMany(c => c.At(member, at.Place)).Where(o => !OfTheTop.Contains(o.Check));
        }

        private (Member, ImmutableArray<IMemberCheck>) Make(Member member, ImmutableArray<int> places, ImmutableArray<BarRow> rows)
        {
            var points = member.Points.ToBuilder();
            foreach (var place in places)
            {
                var (point, section) = (points[place], points[place].Section!);
                var at = results.Points[point.Number];
                var own = GirderMemberSections.OfRows(
                    [.. rows, .. kept],
                    geometry.SectionOf(geometry.Girders[at.Girder], at.Span, at.Fraction),
                    at.Fraction,
                    geometry.Girders[at.Girder].SpanLength(at.Span),
                    section.Depth,
                    section.Concrete[^1].Concrete,
                    steel
                );
                var others = section.Bars.Where(b => !b.Name.StartsWith(GirderMemberSections.RowName, StringComparison.Ordinal));
                points[place] = point with { Section = section with { Bars = [.. others, .. own] } };
            }
            var made = member with { Points = points.ToImmutable() };
            ICheck[] checks =
            [
                new UltimateBending(),
                new BarStress(),
                new CrackWidth(),
                new SuddenFailure(),
                new SupportAnchorage(),
                new UltimateTorsion(),
            ];
            return (made, [.. checks.Select(c => c.Of([made]))]);
        }
    }
}
