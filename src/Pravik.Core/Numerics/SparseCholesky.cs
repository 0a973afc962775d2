using System.Buffers;
using System.Numerics;
using System.Runtime.InteropServices;

namespace Pravik.Core.Numerics;

/// <summary>A column whose pivot vanished: the structure can move; the unknown was held so that the rest could be solved.</summary>
public readonly record struct ZeroPivot(int Unknown, double Pivot, double Scale);

/// <summary>
/// The factor A = L·Lᵀ of a sparse symmetric positive definite matrix, ready for many right-hand sides.
/// </summary>
/// <remarks>
/// Multifrontal (Liu, The multifrontal method for sparse matrix solution, SIAM Review 34 (1992)): every supernode gathers its entries
/// and what its children leave in a small dense matrix, eliminates its own columns
/// and hands the rest to its parent. Branches of the tree and the dense work share the cores. A pivot below 1e-11 of what was added to
/// its diagonal entry is told and replaced by 1e20 times that, which holds the unknown.
/// </remarks>
public sealed class SparseCholesky
{
    private const double Vanished = 1e-11;
    private const double Held = 1e20;
    private const double WorthBranching = 2e6;
    private const int SolvedTogether = 64;
    private readonly SymbolicCholesky symbolic;
    private readonly BlockMatrix matrix;
    private readonly CancellationToken cancel;
    private readonly IProgress<double>? progress;
    private readonly double[][] factors;
    private readonly int[] start;
    private readonly List<ZeroPivot> zeros = [];
    private double done;

    private SparseCholesky(BlockMatrix matrix, SymbolicCholesky symbolic, IProgress<double>? progress, CancellationToken cancel)
    {
        (this.matrix, this.symbolic, this.progress, this.cancel) = (matrix, symbolic, progress, cancel);
        factors = new double[symbolic.Supernodes.Length][];
        start = new int[symbolic.Order.Length + 1];
        for (var i = 0; i < symbolic.Order.Length; i++)
            start[i + 1] = start[i] + symbolic.Sizes[symbolic.Order[i]];
    }

    /// <summary>Factorises. Throws <see cref="OperationCanceledException"/> when cancelled. Progress goes from 0 to 1.</summary>
    public static SparseCholesky Factorise(
        BlockMatrix matrix,
        SymbolicCholesky symbolic,
        IProgress<double>? progress = null,
        CancellationToken cancel = default
    )
    {
        var factor = new SparseCholesky(matrix, symbolic, progress, cancel);
        var roots = Enumerable.Range(0, symbolic.Supernodes.Length).Where(s => symbolic.Supernodes[s].Parent < 0).ToList();
        factor.Branches(roots, s => factor.Branch(s));
        // Found on several cores in any order; told in the order of the unknowns.
        factor.zeros.Sort((a, b) => a.Unknown.CompareTo(b.Unknown));
        return factor;
    }

    /// <summary>Pivots that vanished.</summary>
    public IReadOnlyList<ZeroPivot> ZeroPivots => zeros;

    /// <summary>
    /// Smallest and largest pivot over what was added to its diagonal entry: 1 where nothing was taken off, near 0 where digits are
    /// lost.
    /// </summary>
    public double LeastPivot { get; private set; } = double.PositiveInfinity;

    /// <summary>The greatest pivot.</summary>
    public double GreatestPivot { get; private set; }

    private void Branches(List<int> supernodes, Action<int> act)
    {
        var heavy = supernodes.Where(s => symbolic.Supernodes[s].Subtree > WorthBranching).ToList();
        foreach (var s in supernodes.Where(s => symbolic.Supernodes[s].Subtree <= WorthBranching))
            act(s);
        if (heavy.Count == 1)
            act(heavy[0]);
        else if (heavy.Count > 1)
            Parallel.ForEach(heavy, new ParallelOptions { CancellationToken = cancel }, act);
    }

    /// <summary>What a supernode leaves for its parent: rows by number in the factor's order, and their dense matrix.</summary>
    private readonly record struct Left(int[] Rows, double[] Values, int Count);

    private Left Branch(int s)
    {
        cancel.ThrowIfCancellationRequested();
        var node = symbolic.Supernodes[s];
        var children = new Left[node.Children.Count];
        Branches(
            [.. Enumerable.Range(0, children.Length).Select(i => node.Children[i])],
            child => children[node.Children.IndexOf(child)] = Branch(child)
        );
        var n = node.Columns + node.Rows;
        var rows = Rows(node);
        var front = ArrayPool<double>.Shared.Rent(n * n);
        front.AsSpan(0, n * n).Clear();
        Gather(node, front, n);
        foreach (var left in children)
            Add(left, rows, front, n);
        double least = double.PositiveInfinity,
            greatest = 0;
        DenseCholesky.Eliminate(
            front,
            n,
            n,
            node.Columns,
            (column, pivot) =>
            {
                var unknown = UnknownAt(rows[column]);
                var scale = matrix.Scale(unknown);
                if (!(pivot > Vanished * scale))
                {
                    lock (zeros)
                        zeros.Add(new(unknown, pivot, scale));
                    return Held * (scale > 0 ? scale : 1);
                }
                (least, greatest) = (Math.Min(least, pivot / scale), Math.Max(greatest, pivot / scale));
                return pivot;
            }
        );
        var kept = new double[n * node.Columns];
        for (var i = 0; i < n; i++)
            front.AsSpan(i * n, node.Columns).CopyTo(kept.AsSpan(i * node.Columns));
        factors[s] = kept;
        var rest = node.Rows == 0 ? [] : ArrayPool<double>.Shared.Rent(node.Rows * node.Rows);
        for (var i = 0; i < node.Rows; i++)
            front.AsSpan((node.Columns + i) * n + node.Columns, i + 1).CopyTo(rest.AsSpan(i * node.Rows));
        ArrayPool<double>.Shared.Return(front);
        lock (zeros)
        {
            (LeastPivot, GreatestPivot) = (Math.Min(LeastPivot, least), Math.Max(GreatestPivot, greatest));
            done += node.Work;
            progress?.Report(done / Math.Max(1, symbolic.Work));
        }
        return new(rows[node.Columns..], rest, node.Rows);
    }

    /// <summary>Rows of a supernode's matrix by their number in the factor's order.</summary>
    private int[] Rows(Supernode node)
    {
        var rows = new int[node.Columns + node.Rows];
        var next = 0;
        for (var i = start[node.First]; i < start[node.Last + 1]; i++)
            rows[next++] = i;
        foreach (var vertex in node.Below)
        {
            for (var i = start[vertex]; i < start[vertex + 1]; i++)
                rows[next++] = i;
        }
        return rows;
    }

    private int UnknownAt(int row)
    {
        var place = Array.BinarySearch(start, row);
        if (place < 0)
            place = ~place - 1;
        // Vertices without unknowns begin where the next one does.
        while (start[place + 1] == row)
            place++;
        return matrix.First[symbolic.Order[place]] + row - start[place];
    }

    /// <summary>Entries of the matrix in the columns of a supernode.</summary>
    private void Gather(Supernode node, double[] front, int n)
    {
        var below = new Dictionary<int, int>();
        var offset = node.Columns;
        foreach (var vertex in node.Below)
        {
            below[vertex] = offset;
            offset += start[vertex + 1] - start[vertex];
        }
        for (var place = node.First; place <= node.Last; place++)
        {
            var vertex = symbolic.Order[place];
            var column = start[place] - start[node.First];
            foreach (var neighbour in matrix.Neighbours[vertex].Append(vertex))
            {
                var other = symbolic.Place[neighbour];
                if (other < place)
                    continue;
                var row = other <= node.Last ? start[other] - start[node.First] : below[other];
                var block = matrix.Block(neighbour, vertex);
                var (high, wide) = (matrix.Sizes[neighbour], matrix.Sizes[vertex]);
                for (var i = 0; i < high; i++)
                {
                    for (var j = 0; j < wide; j++)
                        front[(row + i) * n + column + j] = neighbour >= vertex ? block[i * wide + j] : block[j * high + i];
                }
            }
        }
    }

    private static void Add(Left left, int[] rows, double[] front, int n)
    {
        if (left.Count == 0)
            return;
        var at = new int[left.Count];
        var (next, i) = (0, 0);
        for (; i < at.Length; i++)
        {
            while (rows[next] != left.Rows[i])
                next++;
            at[i] = next;
        }
        for (i = 0; i < at.Length; i++)
        {
            var (target, source) = (at[i] * n, i * left.Count);
            for (var j = 0; j <= i; j++)
                front[target + at[j]] += left.Values[source + j];
        }
        ArrayPool<double>.Shared.Return(left.Values);
    }

    /// <summary>
    /// Solves for <paramref name="count"/> right-hand sides in place; row i of right-hand side r is at <c>[i * count + r]</c>, in the
    /// numbering of the matrix.
    /// </summary>
    public void Solve(double[] values, int count, CancellationToken stop = default)
    {
        var together =
            count <= 2 ? count : Math.Clamp((count + Environment.ProcessorCount - 1) / Environment.ProcessorCount, 1, SolvedTogether);
        Parallel.For(
            0,
            (count + together - 1) / together,
            new ParallelOptions { CancellationToken = stop },
            part => Solve(values, count, part * together, Math.Min(together, count - part * together), stop)
        );
    }

    private void Solve(double[] values, int count, int first, int width, CancellationToken stop)
    {
        var x = new double[start[^1] * width];
        for (var place = 0; place < symbolic.Order.Length; place++)
        {
            for (var i = start[place]; i < start[place + 1]; i++)
                values.AsSpan((matrix.First[symbolic.Order[place]] + i - start[place]) * count + first, width).CopyTo(x.AsSpan(i * width));
        }
        foreach (var (node, s) in symbolic.Supernodes.Select((node, s) => (node, s)))
        {
            if ((s & 255) == 0)
                stop.ThrowIfCancellationRequested();
            Forward(node, factors[s], Rows(node), x, width);
        }
        for (var s = symbolic.Supernodes.Length - 1; s >= 0; s--)
        {
            if ((s & 255) == 0)
                stop.ThrowIfCancellationRequested();
            Backward(symbolic.Supernodes[s], factors[s], Rows(symbolic.Supernodes[s]), x, width);
        }
        for (var place = 0; place < symbolic.Order.Length; place++)
        {
            for (var i = start[place]; i < start[place + 1]; i++)
                x.AsSpan(i * width, width)
                    .CopyTo(values.AsSpan((matrix.First[symbolic.Order[place]] + i - start[place]) * count + first, width));
        }
    }

    private static void Forward(Supernode node, double[] factor, int[] rows, double[] x, int width)
    {
        if (node.Columns == 0)
            return;
        var (columns, own) = (node.Columns, rows[0]);
        for (var i = 0; i < rows.Length; i++)
        {
            var line = factor.AsSpan(i * columns, Math.Min(i, columns));
            var target = x.AsSpan(rows[i] * width, width);
            Combine(target, line, x.AsSpan(own * width, line.Length * width), width);
            if (i < columns)
                Scale(target, 1 / factor[i * columns + i]);
        }
    }

    private static void Backward(Supernode node, double[] factor, int[] rows, double[] x, int width)
    {
        if (node.Columns == 0)
            return;
        var (columns, own) = (node.Columns, rows[0]);
        for (var i = rows.Length - 1; i >= 0; i--)
        {
            var source = x.AsSpan(rows[i] * width, width);
            if (i < columns)
                Scale(source, 1 / factor[i * columns + i]);
            var line = factor.AsSpan(i * columns, Math.Min(i, columns));
            Spread(source, line, x.AsSpan(own * width, line.Length * width), width);
        }
    }

    private static void Scale(Span<double> values, double factor)
    {
        for (var i = 0; i < values.Length; i++)
            values[i] *= factor;
    }

    /// <summary>target −= Σ line[k]·x[k, ·].</summary>
    private static void Combine(Span<double> target, ReadOnlySpan<double> line, ReadOnlySpan<double> x, int width)
    {
        if (line.Length == 0)
            return;
        var (lanes, r) = (Vector<double>.Count, 0);
        ref var from = ref MemoryMarshal.GetReference(x);
        ref var to = ref MemoryMarshal.GetReference(target);
        for (; r + 4 * lanes <= width; r += 4 * lanes)
        {
            Vector<double> a = default,
                b = default,
                c = default,
                d = default;
            var at = (nuint)r;
            for (var k = 0; k < line.Length; k++, at += (nuint)width)
            {
                var f = new Vector<double>(line[k]);
                a = Vector.FusedMultiplyAdd(f, Vector.LoadUnsafe(ref from, at), a);
                b = Vector.FusedMultiplyAdd(f, Vector.LoadUnsafe(ref from, at + (nuint)lanes), b);
                c = Vector.FusedMultiplyAdd(f, Vector.LoadUnsafe(ref from, at + (nuint)(2 * lanes)), c);
                d = Vector.FusedMultiplyAdd(f, Vector.LoadUnsafe(ref from, at + (nuint)(3 * lanes)), d);
            }
            var t = (nuint)r;
            (Vector.LoadUnsafe(ref to, t) - a).StoreUnsafe(ref to, t);
            (Vector.LoadUnsafe(ref to, t + (nuint)lanes) - b).StoreUnsafe(ref to, t + (nuint)lanes);
            (Vector.LoadUnsafe(ref to, t + (nuint)(2 * lanes)) - c).StoreUnsafe(ref to, t + (nuint)(2 * lanes));
            (Vector.LoadUnsafe(ref to, t + (nuint)(3 * lanes)) - d).StoreUnsafe(ref to, t + (nuint)(3 * lanes));
        }
        for (; r < width; r++)
        {
            double sum = 0;
            for (var k = 0; k < line.Length; k++)
                sum += line[k] * x[k * width + r];
            target[r] -= sum;
        }
    }

    /// <summary>x[k, ·] −= line[k]·source.</summary>
    private static void Spread(ReadOnlySpan<double> source, ReadOnlySpan<double> line, Span<double> x, int width)
    {
        var lanes = Vector<double>.Count;
        ref var from = ref MemoryMarshal.GetReference(source);
        ref var to = ref MemoryMarshal.GetReference(x);
        for (var k = 0; k < line.Length; k++)
        {
            var (f, r, at) = (new Vector<double>(-line[k]), 0, (nuint)(k * width));
            for (; r + lanes <= width; r += lanes)
                Vector
                    .FusedMultiplyAdd(f, Vector.LoadUnsafe(ref from, (nuint)r), Vector.LoadUnsafe(ref to, at + (nuint)r))
                    .StoreUnsafe(ref to, at + (nuint)r);
            for (; r < width; r++)
                x[k * width + r] -= line[k] * source[r];
        }
    }
}
