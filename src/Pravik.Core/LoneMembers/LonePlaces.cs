using System.Collections.Immutable;
using Pravik.Core.Models;

namespace Pravik.Core.LoneMembers;

/// <summary>A place of a member: its span (from 0), its joint, and to which side it looks.</summary>
/// <param name="Span">The span.</param>
/// <param name="Joint">Number of the joint.</param>
/// <param name="At">From the beginning of the member (m).</param>
/// <param name="IsBehind">Whether it looks back to the piece that ends at its joint, not ahead to the one that begins there.</param>
public readonly record struct LonePlace(int Span, int Joint, double At, bool IsBehind)
{
    /// <summary>The piece between joints that it is an end of.</summary>
    public int Piece => IsBehind ? Joint - 1 : Joint;
}

/// <summary>
/// Where a member alone is looked at: forty pieces a span at least, and wherever something changes. Two places stand at a support, and
/// where a section or a shear jumps: just before and just after.
/// </summary>
public sealed class LonePlaces
{
    /// <summary>Most joints of a member.</summary>
    public const int Most = 1500;

    private const int PiecesOfSpan = 40;
    private const int LeastOfTable = 20;
    private const double Close = 1e-3;

    /// <summary>Two places at one joint are told this far apart (m), so that lines between places are never upright.</summary>
    private const double Apart = 1e-6;

    /// <param name="member">A valid member.</param>
    public LonePlaces(LoneMember member)
    {
        Ends = [.. EndsOf(member)];
        double[] wanted = [.. Wanted(member).Where(x => x > 0 && x < Ends[^1])];
        List<double> joints = [];
        foreach (var x in Ends.Concat(wanted).Order())
        {
            if (joints.Count == 0 || x - joints[^1] > Close)
                joints.Add(x);
            else if (Ends.Contains(x))
                joints[^1] = x;
        }
        // Tables with places enough are looked at where they say what acts.
        var pieces = member.Effects?.At.Length >= LeastOfTable * member.Spans.Length ? 1 : PiecesOfSpan;
        for (var span = 0; span < Ends.Length - 1; span++)
        {
            for (var i = 1; i < pieces; i++)
            {
                var x = Ends[span] + (Ends[span + 1] - Ends[span]) * i / pieces;
                // What is wanted stands for the regular place next to it.
                if (!joints.Exists(j => Math.Abs(j - x) < Close))
                    joints.Add(x);
            }
        }
        joints.Sort();
        Joints = [.. joints];
        JointOfEnd = [.. Ends.Select(e => Nearest(e))];
        Jumps = [.. JumpsOf(member).Where(x => x > 0 && x < Ends[^1]).Select(Nearest)];
        Places = [.. All()];
        Points =
        [
            .. Places.Select(
                (p, number) =>
                {
                    var length = Ends[p.Span + 1] - Ends[p.Span];
                    var at = p.At + (Jumps.Contains(p.Joint) ? (p.IsBehind ? -Apart : Apart) : 0);
                    return new ModelPoint(new(0), new(p.Span), number, (p.At - Ends[p.Span]) / length, at, at);
                }
            ),
        ];
    }

    /// <summary>Ends of spans (m): one more than there are spans.</summary>
    public ImmutableArray<double> Ends { get; }

    /// <summary>Joints of the model along the member (m).</summary>
    public ImmutableArray<double> Joints { get; }

    /// <summary>The joint at each end of a span.</summary>
    public ImmutableArray<int> JointOfEnd { get; }

    /// <summary>Places, span by span.</summary>
    public ImmutableArray<LonePlace> Places { get; }

    /// <summary>The same as points of effects.</summary>
    public ImmutableArray<ModelPoint> Points { get; }

    private ImmutableHashSet<int> Jumps { get; }

    /// <summary>Ends of the spans of a member (m).</summary>
    public static IEnumerable<double> EndsOf(LoneMember member)
    {
        var x = 0.0;
        yield return 0;
        foreach (var span in member.Spans)
            yield return x += span.Length;
    }

    /// <summary>A value of pieces from that of places: the mean of both ends.</summary>
    public Func<int, double> InPieces(Func<int, double> atPlace)
    {
        var at = Places
            .Select((p, number) => (p.Joint, p.IsBehind, Value: atPlace(number)))
            .ToDictionary(p => (p.Joint, p.IsBehind), p => p.Value);
        // A piece ends at the place that looks back to it or, where none does, at that which looks on from its end.
        double End(int joint) => at.TryGetValue((joint, true), out var behind) ? behind : at[(joint, false)];
        return piece => (at[(piece, false)] + End(piece + 1)) / 2;
    }

    /// <summary>The span in which a place between ends lies, from 0.</summary>
    public int SpanOf(double x) => Math.Clamp(Enumerable.Range(0, Ends.Length - 1).LastOrDefault(s => Ends[s] <= x), 0, Ends.Length - 2);

    /// <summary>The joint nearest to a place.</summary>
    public int Nearest(double x) => Enumerable.Range(0, Joints.Length).MinBy(j => Math.Abs(Joints[j] - x));

    private IEnumerable<LonePlace> All()
    {
        for (var span = 0; span < Ends.Length - 1; span++)
        {
            for (var j = JointOfEnd[span]; j <= JointOfEnd[span + 1]; j++)
            {
                var (isFirst, isLast) = (j == JointOfEnd[span], j == JointOfEnd[span + 1]);
                if (isLast || (!isFirst && Jumps.Contains(j)))
                    yield return new(span, j, Joints[j], true);
                if (!isLast)
                    yield return new(span, j, Joints[j], false);
            }
        }
    }

    /// <summary>Where sections change and forces or moments stand.</summary>
    private static IEnumerable<double> JumpsOf(LoneMember member) =>
        [
            .. member.Stretches.SelectMany(s => new[] { s.From, s.To }),
            .. member.Cases.SelectMany(c => c.Loads).Where(l => l.Kind != LoneLoadKind.Line).Select(l => l.From ?? 0),
            .. Twice(member.Effects?.At ?? []),
        ];

    private static IEnumerable<double> Twice(ImmutableArray<double> at) => at.Where((x, i) => i > 0 && at[i - 1] == x);

    private static IEnumerable<double> Wanted(LoneMember member)
    {
        var ends = EndsOf(member).ToList();
        foreach (var x in JumpsOf(member))
            yield return x;
        for (var i = 0; i < ends.Count; i++)
        {
            if (member.Effects is not null || member.Supports[i].Restraint == Restraint.Free)
                continue;
            yield return ends[i] - member.Supports[i].Bearing / 2;
            yield return ends[i] + member.Supports[i].Bearing / 2;
        }
        foreach (var (from, to) in member.Bars.Select(b => (b.From, b.To)).Concat(member.Links.Select(l => (l.From, l.To))))
        {
            yield return from ?? 0;
            yield return to ?? 0;
        }
        foreach (var load in member.Cases.SelectMany(c => c.Loads))
        {
            yield return load.From ?? 0;
            yield return load.To ?? 0;
        }
        foreach (var bond in member.Strands.Rows.SelectMany(r => r.Bonds).Where(b => b.Length > 0))
        {
            yield return bond.Length - member.Overhang;
            yield return ends[^1] - bond.Length + member.Overhang;
        }
        foreach (var x in member.Effects?.At ?? [])
            yield return x;
    }
}
