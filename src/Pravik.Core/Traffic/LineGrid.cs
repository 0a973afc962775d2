using System.Numerics;
using System.Runtime.InteropServices;
using Pravik.Core.Models;
using Pravik.Core.Numerics;

namespace Pravik.Core.Traffic;

/// <summary>Lines along the deck that loads follow, ready for surfaces to be cut along them.</summary>
internal sealed class LineGrid
{
    private readonly int[] node;
    private readonly double[] weight;
    private readonly int longitudinals;

    public LineGrid(DeckMesh mesh, IReadOnlyList<DeckLine> lines)
    {
        (Rows, Count, longitudinals) = (mesh.Lines, lines.Count, mesh.Longitudinals);
        node = [.. lines.SelectMany(l => l.Node)];
        weight = [.. lines.SelectMany(l => l.Weight)];
        Lengths = [.. lines.SelectMany(l => l.Length)];
    }

    public int Rows { get; }

    public int Count { get; }

    /// <summary>Plan length of the piece ahead of each row, line by line; 0 over a joint and at the end.</summary>
    public double[] Lengths { get; }

    /// <summary>How many numbers a cut has: one for each row of each line, and two of what lies off the deck, which are 0.</summary>
    public int Size => Count * Rows + 2;

    /// <summary>Where the numbers of what lies off the deck begin.</summary>
    public int OffDeck => Count * Rows;

    /// <summary>Cuts a surface along some lines: from one to before another; elsewhere the cut holds nothing of use.</summary>
    public SurfaceCut Cut(InfluenceSurface surface, int fromLine, int toLine, Workspace workspace)
    {
        var (behind, ordinates, from, to) = (workspace.Take(Size), surface.Ordinates, fromLine * Rows, toLine * Rows);
        for (var i = from; i < to; i++)
            behind[i] = At(i, ordinates);
        (behind[OffDeck], behind[OffDeck + 1]) = (0, 0);
        if (surface.Jump is not { } jump)
            return new(this, behind, behind);
        var ahead = workspace.Take(Size);
        behind.AsSpan(0, Size).CopyTo(ahead);
        for (var at = from + jump.Row; at < to; at += Rows)
        {
            behind[at] += At(at, jump.Behind, FirstJoint(jump.Row));
            ahead[at] += At(at, jump.Ahead, FirstJoint(jump.Row));
        }
        return new(this, behind, ahead);
    }

    /// <summary>A surface just behind and just ahead of the rows of one line.</summary>
    public void Read(InfluenceSurface surface, int line, Span<double> behind, Span<double> ahead)
    {
        var from = line * Rows;
        for (var row = 0; row < Rows; row++)
            behind[row] = ahead[row] = At(from + row, surface.Ordinates);
        if (surface.Jump is not { } jump)
            return;
        behind[jump.Row] += At(from + jump.Row, jump.Behind, FirstJoint(jump.Row));
        ahead[jump.Row] += At(from + jump.Row, jump.Ahead, FirstJoint(jump.Row));
    }

    /// <summary>Values of several surfaces side by side at a row of a line, from those at the joints from a given one.</summary>
    public Vector<double> At(int row, Vector<double>[] values, int firstJoint = 0)
    {
        var left = node[row] - firstJoint;
        return Vector.FusedMultiplyAdd(new Vector<double>(weight[row]), values[left + 1] - values[left], values[left]);
    }

    /// <summary>The first joint of a row of the mesh.</summary>
    public int FirstJoint(int row) => row * longitudinals;

    private double At(int row, double[] values, int firstJoint = 0)
    {
        var left = node[row] - firstJoint;
        return values[left] + weight[row] * (values[left + 1] - values[left]);
    }
}

/// <summary>Arrays that one thread uses again for every place.</summary>
internal sealed class Workspace
{
    private readonly Arrays<double> doubles = new(size => new double[size]);
    private readonly Arrays<float> singles = new(size => new float[size]);
    private readonly Arrays<float> aligned = new(size => GC.AllocateUninitializedArray<float>(size, pinned: true));
    private double[] lineBehind = [];
    private double[] lineAhead = [];

    /// <summary>What looks for the worst places of vehicles.</summary>
    public VehicleSearch Search { get; } = new();

    /// <summary>What finds their values on several surfaces together.</summary>
    public BlockSearch Block { get; } = new();

    /// <summary>Room for what is read along one line and then given up.</summary>
    public Span<double> LineBehind(int rows) => Room(ref lineBehind, rows);

    /// <summary>The same beside it.</summary>
    public Span<double> LineAhead(int rows) => Room(ref lineAhead, rows);

    private static Span<double> Room(ref double[] of, int size)
    {
        if (of.Length < size)
            of = new double[size];
        return of.AsSpan(0, size);
    }

    /// <summary>An array of at least so many numbers, of any values.</summary>
    public double[] Take(int size) => doubles.Take(size);

    /// <summary>The same in single precision.</summary>
    public float[] TakeSingle(int size) => singles.Take(size);

    /// <summary>The same where the numbers from one on begin a line of the processor's memory; which one that is.</summary>
    public (float[] Numbers, int Start) TakeAligned(int size)
    {
        var numbers = aligned.Take(size + LineOfMemory / sizeof(float));
        var beyond = (int)(Marshal.UnsafeAddrOfPinnedArrayElement(numbers, 0) % LineOfMemory);
        return (numbers, (LineOfMemory - beyond) % LineOfMemory / sizeof(float));
    }

    private const int LineOfMemory = 64;

    /// <summary>Gives all arrays back.</summary>
    public void Clear()
    {
        doubles.Clear();
        singles.Clear();
        aligned.Clear();
    }

    /// <summary>Arrays that are taken one after the other and given back together.</summary>
    private sealed class Arrays<T>(Func<int, T[]> make)
    {
        private readonly List<T[]> all = [];
        private int taken;

        public T[] Take(int size)
        {
            if (taken == all.Count)
                all.Add(make(size));
            else if (all[taken].Length < size)
                all[taken] = make(size);
            return all[taken++];
        }

        public void Clear() => taken = 0;
    }
}

/// <summary>
/// A surface cut along the lines of a grid, just behind and just ahead of each row (the same array without a jump); between rows its
/// value is linear.
/// </summary>
internal sealed class SurfaceCut(LineGrid grid, double[] behind, double[] ahead)
{
    public double[] Behind => behind;
    public double[] Ahead => ahead;

    public bool Jumps => !ReferenceEquals(behind, ahead);

    /// <summary>
    /// Weights by which the values just ahead of and just behind the rows of some lines add up to the integrals over those parts where
    /// this surface has a sign: over a piece of length l from 0 to z of it, l·(z − z²/2) and l·z²/2.
    /// </summary>
    public AdverseParts Parts(int firstLine, int sign, Workspace workspace)
    {
        var from = firstLine * grid.Rows;
        var (onAhead, onBehind, onBoth) = (workspace.Take(grid.Size), workspace.Take(grid.Size), workspace.Take(grid.Size));
        onBehind[from] = 0;
        for (var k = from; k + 1 < grid.OffDeck; k++)
        {
            var (a, b, length) = (sign * ahead[k], sign * behind[k + 1], grid.Lengths[k]);
            var (first, second) = (length / 2, length / 2);
            if (a <= 0 && b <= 0)
                (first, second) = (0, 0);
            else if (a < 0 || b < 0)
            {
                var z = a / (a - b);
                var (onFirst, onSecond) = (length * (z - z * z / 2), length * z * z / 2);
                (first, second) = a > 0 ? (onFirst, onSecond) : (first - onFirst, second - onSecond);
            }
            onAhead[k] = first;
            onBehind[k + 1] = second;
            onBoth[k] = onBehind[k] + first;
        }
        onAhead[grid.OffDeck - 1] = 0;
        onBoth[grid.OffDeck - 1] = onBehind[grid.OffDeck - 1];
        return new(grid, onAhead, onBehind, onBoth);
    }
}

/// <summary>Where a surface has a sign, as weights on the values of any surface on the rows of each line.</summary>
internal sealed class AdverseParts(LineGrid grid, double[] onAhead, double[] onBehind, double[] onBoth)
{
    /// <summary>Integral of a surface along a line, over those parts.</summary>
    public double Of(SurfaceCut cut, int line)
    {
        var (from, rows) = (line * grid.Rows, grid.Rows);
        if (!cut.Jumps)
            return DenseCholesky.Dot(onBoth.AsSpan(from, rows), cut.Ahead.AsSpan(from, rows));
        return DenseCholesky.Dot(onAhead.AsSpan(from, rows), cut.Ahead.AsSpan(from, rows))
            + DenseCholesky.Dot(onBehind.AsSpan(from, rows), cut.Behind.AsSpan(from, rows));
    }
}
