using System.Diagnostics.CodeAnalysis;

namespace Pravik.Core.Trusses;

/// <summary>
/// The stiffness of a plane truss, factorised: bars carry axial force alone, joints have two movements each. Small displacements.
/// </summary>
/// <remarks>
/// K = Σ (E·A/L)·e·eᵀ over bars, with e the change of length by the movements of both joints; K = L·D·Lᵀ within the profile of each row,
/// joints in the order of their places along the opening. Made over and over while sections are sought, hence its own storage.
/// </remarks>
public sealed class TrussSolver
{
    /// <summary>A pivot below this part of its diagonal means that the joint can move.</summary>
    private const double Loose = 1e-9;

    private readonly TrussModel model;
    private readonly int[] unknowns;
    private readonly int[] first;
    private readonly int[] start;
    private readonly double[] rows;
    private readonly double[] cosines;
    private readonly double[] sines;

    private TrussSolver(TrussModel model)
    {
        this.model = model;
        (unknowns, Unknowns) = Numbered(model);
        var bars = model.Bars.Length;
        (Stiffness, cosines, sines) = (new double[bars], new double[bars], new double[bars]);
        first = [.. Enumerable.Range(0, Unknowns)];
        for (var b = 0; b < bars; b++)
        {
            var (bar, length) = (model.Bars[b], model.Length(b));
            var (from, to) = (model.Joints[bar.From].At, model.Joints[bar.To].At);
            (cosines[b], sines[b]) = ((to.X - from.X) / length, (to.Y - from.Y) / length);
            Stiffness[b] = bar.Grade.E * bar.Section.Area / length;
            var least = Ends(bar).Where(u => u >= 0).DefaultIfEmpty(0).Min();
            foreach (var u in Ends(bar).Where(u => u >= 0))
                first[u] = Math.Min(first[u], least);
        }
        start = new int[Unknowns + 1];
        for (var i = 0; i < Unknowns; i++)
            start[i + 1] = start[i] + i - first[i] + 1;
        rows = new double[start[Unknowns]];
    }

    /// <summary>Movements that nothing holds outright.</summary>
    public int Unknowns { get; }

    /// <summary>E·A/L of each bar (N/m).</summary>
    public double[] Stiffness { get; }

    /// <summary>The factor of a model; false where the truss can move, or has no bars.</summary>
    /// <param name="model">The truss.</param>
    /// <param name="solver">The factor.</param>
    /// <param name="without">Bars that are gone; null for none.</param>
    public static bool TryFactorise(TrussModel model, [NotNullWhen(true)] out TrussSolver? solver, IReadOnlySet<int>? without = null)
    {
        solver = new(model);
        for (var b = 0; b < model.Bars.Length; b++)
        {
            if (without?.Contains(b) != true)
                solver.Add(b);
        }
        if (!solver.Factorise())
            solver = null;
        return solver is not null;
    }

    /// <summary>
    /// Movements of all joints (m), x then z of each, under loads on the joints (N), alike, z upwards.
    /// </summary>
    public double[] Solve(ReadOnlySpan<double> loads)
    {
        var u = new double[Unknowns];
        for (var k = 0; k < unknowns.Length; k++)
        {
            if (unknowns[k] >= 0)
                u[unknowns[k]] = loads[k];
        }
        for (var i = 0; i < Unknowns; i++)
        {
            var (row, sum) = (start[i] - first[i], u[i]);
            for (var j = first[i]; j < i; j++)
                sum -= rows[row + j] * u[j];
            u[i] = sum;
        }
        for (var i = 0; i < Unknowns; i++)
            u[i] /= rows[start[i + 1] - 1];
        for (var i = Unknowns - 1; i >= 0; i--)
        {
            var row = start[i] - first[i];
            for (var j = first[i]; j < i; j++)
                u[j] -= rows[row + j] * u[i];
        }
        var all = new double[unknowns.Length];
        for (var k = 0; k < all.Length; k++)
            all[k] = unknowns[k] < 0 ? 0 : u[unknowns[k]];
        return all;
    }

    /// <summary>By how much a bar gets longer with movements of all joints (m).</summary>
    public double Elongation(int bar, ReadOnlySpan<double> movements)
    {
        var (i, j) = (2 * model.Bars[bar].From, 2 * model.Bars[bar].To);
        return cosines[bar] * (movements[j] - movements[i]) + sines[bar] * (movements[j + 1] - movements[i + 1]);
    }

    /// <summary>Force in a bar with movements of all joints (N), tension positive.</summary>
    public double Force(int bar, ReadOnlySpan<double> movements) => Stiffness[bar] * Elongation(bar, movements);

    /// <summary>Adds what two equal and opposite forces at the ends of a bar, pulling them together, put on the joints.</summary>
    public void Pull(int bar, double force, Span<double> loads)
    {
        var (i, j) = (2 * model.Bars[bar].From, 2 * model.Bars[bar].To);
        loads[i] += force * cosines[bar];
        loads[i + 1] += force * sines[bar];
        loads[j] -= force * cosines[bar];
        loads[j + 1] -= force * sines[bar];
    }

    /// <summary>The number of each movement among those that are not held, −1 for one that is: joints from left to right.</summary>
    internal static (int[] Numbers, int Count) Numbered(TrussModel model)
    {
        var numbers = new int[2 * model.Joints.Length];
        var count = 0;
        foreach (var joint in Enumerable.Range(0, model.Joints.Length).OrderBy(j => model.Joints[j].At.X))
        {
            var hold = model.Joints[joint].Hold;
            numbers[2 * joint] = hold.HasFlag(JointHold.Along) ? -1 : count++;
            numbers[2 * joint + 1] = hold.HasFlag(JointHold.Upright) ? -1 : count++;
        }
        return (numbers, count);
    }

    private int[] Ends(ModelBar bar) =>
        [unknowns[2 * bar.From], unknowns[2 * bar.From + 1], unknowns[2 * bar.To], unknowns[2 * bar.To + 1]];

    private void Add(int bar)
    {
        var ends = Ends(model.Bars[bar]);
        Span<double> change = [-cosines[bar], -sines[bar], cosines[bar], sines[bar]];
        for (var p = 0; p < 4; p++)
        {
            for (var q = 0; q < 4; q++)
            {
                if (ends[p] >= 0 && ends[q] >= 0 && ends[q] <= ends[p])
                    rows[start[ends[p]] + ends[q] - first[ends[p]]] += Stiffness[bar] * change[p] * change[q];
            }
        }
    }

    private bool Factorise()
    {
        if (Unknowns == 0)
            return false;
        for (var i = 0; i < Unknowns; i++)
        {
            var row = start[i] - first[i];
            var diagonal = rows[row + i];
            for (var j = first[i]; j < i; j++)
            {
                var other = start[j] - first[j];
                var sum = rows[row + j];
                for (var k = Math.Max(first[i], first[j]); k < j; k++)
                    sum -= rows[row + k] * rows[other + k];
                rows[row + j] = sum;
            }
            var pivot = diagonal;
            for (var j = first[i]; j < i; j++)
            {
                var scaled = rows[row + j] / rows[start[j + 1] - 1];
                pivot -= scaled * rows[row + j];
                rows[row + j] = scaled;
            }
            if (!(pivot > Loose * diagonal))
                return false;
            rows[row + i] = pivot;
        }
        return true;
    }
}
