namespace Pravik.Core.Numerics;

/// <summary>A symmetric matrix built by adding element contributions; only the lower triangle is kept, row by row.</summary>
public sealed class SymmetricMatrix(int size)
{
    private readonly Dictionary<int, double>[] rows = [.. Enumerable.Range(0, size).Select(_ => new Dictionary<int, double>())];

    /// <summary>Rows and columns.</summary>
    public int Size => rows.Length;

    /// <summary>The greatest distance of an entry from the diagonal.</summary>
    public int HalfBandwidth => rows.Select((row, i) => row.Count == 0 ? 0 : i - row.Keys.Min()).DefaultIfEmpty(0).Max();

    /// <summary>
    /// Adds to entry (<paramref name="row"/>, <paramref name="column"/>); entries above the diagonal are ignored, as their mirror image
    /// is added too.
    /// </summary>
    public void Add(int row, int column, double value)
    {
        if (column > row || value == 0)
            return;
        rows[row][column] = rows[row].GetValueOrDefault(column) + value;
    }

    /// <summary>The entries of a row at and below the diagonal, in no order.</summary>
    public IEnumerable<KeyValuePair<int, double>> Row(int row) => rows[row];
}
