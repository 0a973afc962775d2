using System.Collections.Immutable;
using Pravik.Core.Geometry;

namespace Pravik.Core.Trusses;

/// <summary>Why a truss can move.</summary>
public enum MovesBecause
{
    /// <summary>No bar reaches the joint.</summary>
    NotJoined,

    /// <summary>The joint hangs on one bar.</summary>
    OneBar,

    /// <summary>All bars at the joint lie in one line.</summary>
    InLine,

    /// <summary>A part moves as one piece: it is not held enough.</summary>
    NotHeld,

    /// <summary>A panel can lean: it has no diagonal.</summary>
    Leans,

    /// <summary>Parts turn against each other.</summary>
    Turns,
}

/// <summary>A way in which a truss can move without any bar changing its length.</summary>
/// <param name="Why">The cause.</param>
/// <param name="Joints">Joints to which it belongs: of the panel that leans, or those that move.</param>
/// <param name="Movements">Movement of every joint, x then z, the greatest 1.</param>
/// <param name="Bar">Joints between which a bar would hold it; null where none was found.</param>
public sealed record Mechanism(MovesBecause Why, ImmutableArray<int> Joints, ImmutableArray<double> Movements, (int From, int To)? Bar)
{
    /// <summary>The cause in words.</summary>
    public string Words(TrussModel model)
    {
        string Names(int most = 4) =>
            Joints.Length <= most
                ? string.Join(", ", Joints.Select(j => model.Joints[j].Id))
                : $"{string.Join(", ", Joints.Take(most).Select(j => model.Joints[j].Id))} and {Joints.Length - most} more";
        return Why switch
        {
            MovesBecause.NotJoined => $"No bar reaches joint {Names()}.",
            MovesBecause.OneBar => $"Joint {Names()} hangs on one bar and can swing about it.",
            MovesBecause.InLine => $"All bars at joint {Names()} lie in one line: nothing holds it square to them.",
            MovesBecause.NotHeld => $"{Names()} can move as one piece: supports do not hold it.",
            MovesBecause.Leans => $"The panel {Names()} can lean: it has no diagonal.",
            _ => $"Parts of the truss can turn against each other; {Names()} move.",
        };
    }
}

/// <summary>
/// Finds every way in which a truss can move: the null space of its bars' changes of length, taken one movement at a time, each held by the
/// bar that it lacks before the next is sought.
/// </summary>
/// <remarks>
/// For bars as unit springs K = Σ e·eᵀ of unit length changes; the rank by Cholesky with the greatest pivot first, whose left over
/// columns give the movements (Golub and Van Loan, 4.2.8).
/// </remarks>
public static class Mechanisms
{
    private const double Zero = 1e-9;
    private const int Most = 12;

    /// <summary>The ways in which a truss can move; none for one that stands. At most twelve are told.</summary>
    public static ImmutableArray<Mechanism> Of(TrussModel model)
    {
        List<Mechanism> found = [];
        var pairs = model.Bars.Select(b => (b.From, b.To)).ToList();
        while (found.Count < Most && NullVector(model, pairs) is { } movements)
        {
            var mechanism = Named(model, pairs, movements);
            found.Add(mechanism);
            if (mechanism.Bar is not { } bar)
                break;
            pairs.Add(bar);
        }
        return [.. found];
    }

    private static Mechanism Named(TrussModel model, List<(int From, int To)> pairs, double[] movements)
    {
        var moving = Enumerable.Range(0, model.Joints.Length).Where(j => Size(movements, j) > 1e-6).ToImmutableArray();
        var bar = Holding(model, pairs, movements);
        ImmutableArray<double> all = [.. movements];
        foreach (var joint in moving)
        {
            var bars = pairs.Where(p => p.From == joint || p.To == joint).ToList();
            var free = 2 - System.Numerics.BitOperations.PopCount((uint)model.Joints[joint].Hold);
            if (moving.Length == 1 && free == 2 && bars.Count <= 1)
                return new(bars.Count == 0 ? MovesBecause.NotJoined : MovesBecause.OneBar, [joint], all, bar);
            if (moving.Length == 1 && bars.Count == 0)
                return new(MovesBecause.NotJoined, [joint], all, bar);
            if (moving.Length == 1)
                return new(MovesBecause.InLine, [joint], all, bar);
        }
        if (IsRigid(model, movements, moving) && moving.Length == model.Joints.Length - Still(model, movements, pairs))
            return new(MovesBecause.NotHeld, moving, all, bar);
        if (bar is { } diagonal && Panel(model, pairs, diagonal) is { } panel)
            return new(MovesBecause.Leans, panel, all, bar);
        return new(IsRigid(model, movements, moving) ? MovesBecause.NotHeld : MovesBecause.Turns, moving, all, bar);
    }

    private static double Size(double[] movements, int joint) =>
        Math.Max(Math.Abs(movements[2 * joint]), Math.Abs(movements[2 * joint + 1]));

    /// <summary>Joints that do not move and no moving joint is joined to.</summary>
    private static int Still(TrussModel model, double[] movements, List<(int From, int To)> pairs) =>
        Enumerable
            .Range(0, model.Joints.Length)
            .Count(j =>
                Size(movements, j) <= 1e-6
                && !pairs.Any(p => (p.From == j && Size(movements, p.To) > 1e-6) || (p.To == j && Size(movements, p.From) > 1e-6))
            );

    /// <summary>Whether joints move as one piece: no distance between two of them, joined or not, changes.</summary>
    private static bool IsRigid(TrussModel model, double[] movements, ImmutableArray<int> joints) =>
        joints.All(i => joints.All(j => i >= j || Math.Abs(Stretch(model, movements, i, j)) < 1e-6));

    /// <summary>By how much the distance of two joints changes.</summary>
    private static double Stretch(TrussModel model, double[] movements, int i, int j)
    {
        var along = model.Joints[j].At - model.Joints[i].At;
        if (along.Length < SitePlaces.Same)
            return 0;
        Point change = new(movements[2 * j] - movements[2 * i], movements[2 * j + 1] - movements[2 * i + 1]);
        return along.Dot(change) / along.Length;
    }

    /// <summary>
    /// The bar that holds a movement best: of those not there yet, free of other joints, that it stretches by at least half of what it
    /// stretches the most, the shortest.
    /// </summary>
    private static (int From, int To)? Holding(TrussModel model, List<(int From, int To)> pairs, double[] movements)
    {
        var joined = pairs.Select(p => (Math.Min(p.From, p.To), Math.Max(p.From, p.To))).ToHashSet();
        List<(int From, int To, double Stretch, double Length)> offered = [];
        for (var i = 0; i < model.Joints.Length; i++)
        {
            for (var j = i + 1; j < model.Joints.Length; j++)
            {
                var stretch = Math.Abs(Stretch(model, movements, i, j));
                var areHeld = model.Joints[i].Hold == JointHold.Both && model.Joints[j].Hold == JointHold.Both;
                if (stretch > 1e-3 && !areHeld && !joined.Contains((i, j)) && !RunsOver(model, i, j))
                    offered.Add((i, j, stretch, Point.Distance(model.Joints[i].At, model.Joints[j].At)));
            }
        }
        if (offered.Count == 0)
            return null;
        var most = offered.Max(o => o.Stretch);
        var best = offered.Where(o => o.Stretch >= 0.4 * most).MinBy(o => o.Length);
        return (best.From, best.To);
    }

    /// <summary>Whether a bar between two joints would run over a third.</summary>
    private static bool RunsOver(TrussModel model, int from, int to)
    {
        var (a, b) = (model.Joints[from].At, model.Joints[to].At);
        return Enumerable
            .Range(0, model.Joints.Length)
            .Any(j => j != from && j != to && Segments.Distance(model.Joints[j].At, a, b) < 0.02);
    }

    /// <summary>The four joints about a diagonal that is missing, in order; null where its ends have no two neighbours in common.</summary>
    private static ImmutableArray<int>? Panel(TrussModel model, List<(int From, int To)> pairs, (int From, int To) diagonal)
    {
        HashSet<int> Around(int joint) => [.. pairs.Where(p => p.From == joint || p.To == joint).Select(p => p.From + p.To - joint)];
        var (a, b) = (model.Joints[diagonal.From].At, model.Joints[diagonal.To].At);
        double Side(int j) => (b - a).Cross(model.Joints[j].At - a);
        var common = Around(diagonal.From).Intersect(Around(diagonal.To)).ToList();
        var (left, right) = (common.Where(j => Side(j) > 1e-6).ToList(), common.Where(j => Side(j) < -1e-6).ToList());
        if (left.Count == 0 || right.Count == 0)
            return null;
        int Nearest(List<int> of) => of.MinBy(j => Math.Abs(Side(j)));
        return [diagonal.From, Nearest(left), diagonal.To, Nearest(right)];
    }

    /// <summary>A movement without any change of length, the greatest 1; null where the joints are held.</summary>
    private static double[]? NullVector(TrussModel model, List<(int From, int To)> pairs)
    {
        var (numbers, n) = TrussSolver.Numbered(model);
        var k = new double[n, n];
        foreach (var (from, to) in pairs)
        {
            var along = model.Joints[to].At - model.Joints[from].At;
            if (along.Length < SitePlaces.Same)
                continue;
            var (c, s) = (along.X / along.Length, along.Y / along.Length);
            int[] ends = [numbers[2 * from], numbers[2 * from + 1], numbers[2 * to], numbers[2 * to + 1]];
            double[] change = [-c, -s, c, s];
            for (var p = 0; p < 4; p++)
            {
                for (var q = 0; q < 4; q++)
                {
                    if (ends[p] >= 0 && ends[q] >= 0)
                        k[ends[p], ends[q]] += change[p] * change[q];
                }
            }
        }
        if (LeftOver(k, n) is not { } vector)
            return null;
        var most = vector.Max(Math.Abs);
        return [.. numbers.Select(u => u < 0 ? 0 : vector[u] / most)];
    }

    /// <summary>A vector with K·x = 0; null where K has full rank. K is changed.</summary>
    private static double[]? LeftOver(double[,] k, int n)
    {
        int[] order = [.. Enumerable.Range(0, n)];
        for (var step = 0; step < n; step++)
        {
            var pivot = Enumerable.Range(step, n - step).MaxBy(i => k[order[i], order[i]]);
            (order[step], order[pivot]) = (order[pivot], order[step]);
            var p = order[step];
            if (k[p, p] <= Zero)
                return Solved(k, order, step);
            for (var i = step + 1; i < n; i++)
            {
                var factor = k[order[i], p] / k[p, p];
                if (factor == 0)
                    continue;
                for (var j = step + 1; j < n; j++)
                    k[order[i], order[j]] -= factor * k[p, order[j]];
            }
        }
        return null;
    }

    /// <summary>The vector with 1 at the first unknown that has no pivot, 0 at the others, by substitution upwards.</summary>
    private static double[] Solved(double[,] k, int[] order, int rank)
    {
        var x = new double[order.Length];
        x[order[rank]] = 1;
        for (var i = rank - 1; i >= 0; i--)
        {
            var (p, sum) = (order[i], k[order[i], order[rank]]);
            for (var j = i + 1; j < rank; j++)
                sum += k[p, order[j]] * x[order[j]];
            x[p] = -sum / k[p, p];
        }
        return x;
    }
}
