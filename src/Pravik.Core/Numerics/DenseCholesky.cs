using System.Buffers;
using System.Numerics;
using System.Runtime.InteropServices;

namespace Pravik.Core.Numerics;

/// <summary>
/// The dense work of a supernode: of a symmetric matrix, lower triangle row by row, the first columns are eliminated and what is left
/// is brought up to date.
/// </summary>
/// <remarks>
/// Right-looking in panels (Golub and Van Loan, section 4.2.9): diagonal block, rows below it, then C ← C − P·Pᵀ in tiles held in
/// registers, on both cores where that is worth while.
/// </remarks>
internal static class DenseCholesky
{
    private const int Panel = 64;
    private const int TileRows = 4;
    private const int RowBlock = 96;
    private const double WorthSharing = 4e6;
    private static readonly int Lanes = Vector<double>.Count;

    /// <summary>Told of a pivot: column, its value; answers what to use in its place.</summary>
    public delegate double PivotCheck(int column, double pivot);

    /// <summary>
    /// Eliminates the first columns of an n × n matrix whose rows are <paramref name="stride"/> apart. The factor is in those columns
    /// afterwards.
    /// </summary>
    public static void Eliminate(double[] matrix, int n, int stride, int columns, PivotCheck check)
    {
        for (var k = 0; k < columns; k += Panel)
        {
            var width = Math.Min(Panel, columns - k);
            Diagonal(matrix, stride, k, width, check);
            var (from, rows) = (k + width, n - k - width);
            if (rows == 0)
                return;
            Share(rows, (double)rows * width * width / 2, (first, last) => Below(matrix, stride, k, width, from + first, from + last));
            Update(matrix, stride, k, width, from, rows);
        }
    }

    private static void Share(int count, double work, Action<int, int> act)
    {
        if (work < WorthSharing || Environment.ProcessorCount == 1)
        {
            act(0, count);
            return;
        }
        var blocks = (count + RowBlock - 1) / RowBlock;
        Parallel.For(0, blocks, b => act(b * RowBlock, Math.Min(count, (b + 1) * RowBlock)));
    }

    private static void Diagonal(double[] matrix, int stride, int k, int width, PivotCheck check)
    {
        for (var j = 0; j < width; j++)
        {
            var row = matrix.AsSpan((k + j) * stride + k, j + 1);
            for (var i = 0; i < j; i++)
            {
                var other = matrix.AsSpan((k + i) * stride + k, i + 1);
                row[i] = (row[i] - Dot(row[..i], other[..i])) / other[i];
            }
            row[j] = Math.Sqrt(check(k + j, row[j] - Dot(row[..j], row[..j])));
        }
    }

    /// <summary>Rows below a diagonal block: P ← P·L⁻ᵀ.</summary>
    private static void Below(double[] matrix, int stride, int k, int width, int from, int to)
    {
        for (var r = from; r < to; r++)
        {
            var row = matrix.AsSpan(r * stride + k, width);
            for (var j = 0; j < width; j++)
            {
                var other = matrix.AsSpan((k + j) * stride + k, j + 1);
                row[j] = (row[j] - Dot(row[..j], other[..j])) / other[j];
            }
        }
    }

    /// <summary>Σ aᵢ·bᵢ; b is at least as long as a.</summary>
    public static double Dot(ReadOnlySpan<double> a, ReadOnlySpan<double> b)
    {
        var (sum, other, i) = (Vector<double>.Zero, Vector<double>.Zero, 0);
        ref var x = ref MemoryMarshal.GetReference(a);
        ref var y = ref MemoryMarshal.GetReference(b);
        for (; i <= a.Length - 2 * Lanes; i += 2 * Lanes)
        {
            sum = Vector.FusedMultiplyAdd(Vector.LoadUnsafe(ref x, (nuint)i), Vector.LoadUnsafe(ref y, (nuint)i), sum);
            other = Vector.FusedMultiplyAdd(
                Vector.LoadUnsafe(ref x, (nuint)(i + Lanes)),
                Vector.LoadUnsafe(ref y, (nuint)(i + Lanes)),
                other
            );
        }
        var total = Vector.Sum(sum + other);
        for (; i < a.Length; i++)
            total += a[i] * b[i];
        return total;
    }

    /// <summary>C ← C − P·Pᵀ for the rows from <paramref name="from"/> on, lower triangle (up to a tile beyond the diagonal).</summary>
    private static void Update(double[] matrix, int stride, int k, int width, int from, int rows)
    {
        // P transposed, in columns of three vectors, so that a tile reads it in order.
        var wide = 3 * Lanes;
        var strips = (rows + wide - 1) / wide;
        var turned = ArrayPool<double>.Shared.Rent(strips * wide * width);
        for (var s = 0; s < strips; s++)
        {
            for (var j = 0; j < wide; j++)
            {
                var r = s * wide + j;
                for (var p = 0; p < width; p++)
                    turned[(s * width + p) * wide + j] = r < rows ? matrix[(from + r) * stride + k + p] : 0;
            }
        }
        Share(
            rows,
            (double)rows * rows * width / 2,
            (first, last) =>
            {
                for (var strip = 0; strip * wide < last; strip++)
                {
                    for (var r = Math.Max(first, strip * wide / TileRows * TileRows); r < last; r += TileRows)
                    {
                        var high = Math.Min(TileRows, last - r);
                        if (high == TileRows && from + strip * wide + wide <= stride)
                            Tile(matrix, stride, (from + r) * stride, k, width, from + strip * wide, turned, strip * width * wide);
                        else
                            for (var i = 0; i < high; i++)
                                Rest(
                                    matrix,
                                    (from + r + i) * stride,
                                    k,
                                    width,
                                    from + strip * wide,
                                    Math.Min(wide, rows - strip * wide),
                                    turned,
                                    strip * width * wide,
                                    wide
                                );
                    }
                }
            }
        );
        ArrayPool<double>.Shared.Return(turned);
    }

    /// <summary>Four rows by three vectors, twelve sums in registers.</summary>
    private static void Tile(double[] matrix, int stride, int row, int k, int width, int column, double[] turned, int at)
    {
        ref var m = ref MemoryMarshal.GetArrayDataReference(matrix);
        ref var t = ref MemoryMarshal.GetArrayDataReference(turned);
        var (v, w) = ((nuint)Lanes, (nuint)(2 * Lanes));
        nuint r0 = (nuint)row,
            r1 = r0 + (nuint)stride,
            r2 = r1 + (nuint)stride,
            r3 = r2 + (nuint)stride,
            p = (nuint)k,
            q = (nuint)at;
        Vector<double> a0 = default,
            a1 = default,
            a2 = default,
            b0 = default,
            b1 = default,
            b2 = default,
            c0 = default,
            c1 = default,
            c2 = default,
            d0 = default,
            d1 = default,
            d2 = default;
        for (var i = 0; i < width; i++, p++, q += (nuint)(3 * Lanes))
        {
            var (x, y, z) = (Vector.LoadUnsafe(ref t, q), Vector.LoadUnsafe(ref t, q + v), Vector.LoadUnsafe(ref t, q + w));
            var f = new Vector<double>(System.Runtime.CompilerServices.Unsafe.Add(ref m, r0 + p));
            (a0, a1, a2) = (Vector.FusedMultiplyAdd(f, x, a0), Vector.FusedMultiplyAdd(f, y, a1), Vector.FusedMultiplyAdd(f, z, a2));
            f = new(System.Runtime.CompilerServices.Unsafe.Add(ref m, r1 + p));
            (b0, b1, b2) = (Vector.FusedMultiplyAdd(f, x, b0), Vector.FusedMultiplyAdd(f, y, b1), Vector.FusedMultiplyAdd(f, z, b2));
            f = new(System.Runtime.CompilerServices.Unsafe.Add(ref m, r2 + p));
            (c0, c1, c2) = (Vector.FusedMultiplyAdd(f, x, c0), Vector.FusedMultiplyAdd(f, y, c1), Vector.FusedMultiplyAdd(f, z, c2));
            f = new(System.Runtime.CompilerServices.Unsafe.Add(ref m, r3 + p));
            (d0, d1, d2) = (Vector.FusedMultiplyAdd(f, x, d0), Vector.FusedMultiplyAdd(f, y, d1), Vector.FusedMultiplyAdd(f, z, d2));
        }
        var at0 = (nuint)column;
        Take(ref m, r0 + at0, a0, a1, a2);
        Take(ref m, r1 + at0, b0, b1, b2);
        Take(ref m, r2 + at0, c0, c1, c2);
        Take(ref m, r3 + at0, d0, d1, d2);

        static void Take(ref double m, nuint at, Vector<double> x, Vector<double> y, Vector<double> z)
        {
            var (v, w) = ((nuint)Lanes, (nuint)(2 * Lanes));
            (Vector.LoadUnsafe(ref m, at) - x).StoreUnsafe(ref m, at);
            (Vector.LoadUnsafe(ref m, at + v) - y).StoreUnsafe(ref m, at + v);
            (Vector.LoadUnsafe(ref m, at + w) - z).StoreUnsafe(ref m, at + w);
        }
    }

    private static void Rest(double[] matrix, int row, int k, int width, int column, int count, double[] turned, int at, int wide)
    {
        for (var j = 0; j < count; j++)
        {
            double sum = 0;
            for (var p = 0; p < width; p++)
                sum += matrix[row + k + p] * turned[at + p * wide + j];
            matrix[row + column + j] -= sum;
        }
    }
}
