namespace Pravik.Core.Numerics;

/// <summary>
/// A symmetric matrix in blocks: every vertex (a joint, say) has some unknowns of its own, and blocks stand where vertices are
/// neighbours. Only one of two mirrored blocks is kept.
/// </summary>
public sealed class BlockMatrix
{
    private readonly int[][] columns;
    private readonly double[][][] blocks;
    private readonly double[] scale;

    /// <param name="sizes">Number of unknowns of every vertex.</param>
    /// <param name="neighbours">Neighbours of every vertex, without itself; in both directions.</param>
    public BlockMatrix(int[] sizes, int[][] neighbours)
    {
        (Sizes, Neighbours) = (sizes, neighbours);
        First = new int[sizes.Length + 1];
        for (var v = 0; v < sizes.Length; v++)
            First[v + 1] = First[v] + sizes[v];
        columns = new int[sizes.Length][];
        blocks = new double[sizes.Length][][];
        scale = new double[First[^1]];
        for (var v = 0; v < sizes.Length; v++)
        {
            columns[v] = [.. neighbours[v].Where(n => n < v).Append(v).Order()];
            blocks[v] = Array.ConvertAll(columns[v], c => new double[sizes[v] * sizes[c]]);
        }
    }

    /// <summary>Unknowns of each block.</summary>
    public int[] Sizes { get; }

    /// <summary>Blocks that are joined to each.</summary>
    public int[][] Neighbours { get; }

    /// <summary>Number of the first unknown of every vertex, and the number of all at the end.</summary>
    public int[] First { get; }

    /// <summary>Unknowns in all.</summary>
    public int Unknowns => First[^1];

    /// <summary>
    /// Adds a block, row by row with a number of columns of its own; the mirrored block must not be added too. The diagonal block of a
    /// vertex is added whole.
    /// </summary>
    public void Add(int row, int column, ReadOnlySpan<double> block)
    {
        if (row < column)
            AddTransposed(column, row, block);
        else
        {
            var target = blocks[row][Array.BinarySearch(columns[row], column)];
            for (var i = 0; i < target.Length; i++)
                target[i] += block[i];
            if (row == column)
                for (var i = 0; i < Sizes[row]; i++)
                    scale[First[row] + i] += Math.Abs(block[i * Sizes[row] + i]);
        }
    }

    private void AddTransposed(int row, int column, ReadOnlySpan<double> block)
    {
        var target = blocks[row][Array.BinarySearch(columns[row], column)];
        var (rows, wide) = (Sizes[row], Sizes[column]);
        for (var i = 0; i < rows; i++)
        {
            for (var j = 0; j < wide; j++)
                target[i * wide + j] += block[j * rows + i];
        }
    }

    /// <summary>The block of two neighbours, or of a vertex with itself: rows are those of the vertex of higher number.</summary>
    internal double[] Block(int a, int b)
    {
        var (row, column) = (Math.Max(a, b), Math.Min(a, b));
        return blocks[row][Array.BinarySearch(columns[row], column)];
    }

    /// <summary>Sum of the sizes of all that was added to a diagonal entry: what its pivot is set against.</summary>
    public double Scale(int unknown) => scale[unknown];

    /// <summary>Blocks of a vertex with its neighbours of lower number and itself.</summary>
    public IEnumerable<(int Column, double[] Values)> Row(int vertex) => columns[vertex].Zip(blocks[vertex]);

    /// <summary>y = A·x for a vector.</summary>
    public double[] Times(ReadOnlySpan<double> x)
    {
        var y = new double[Unknowns];
        for (var v = 0; v < Sizes.Length; v++)
        {
            for (var c = 0; c < columns[v].Length; c++)
            {
                var (column, values) = (columns[v][c], blocks[v][c]);
                for (var i = 0; i < Sizes[v]; i++)
                {
                    for (var j = 0; j < Sizes[column]; j++)
                    {
                        y[First[v] + i] += values[i * Sizes[column] + j] * x[First[column] + j];
                        if (column != v)
                            y[First[column] + j] += values[i * Sizes[column] + j] * x[First[v] + i];
                    }
                }
            }
        }
        return y;
    }
}
