using System.Numerics;
using System.Runtime.CompilerServices;
using System.Runtime.InteropServices;

namespace Pravik.Core.Numerics;

/// <summary>
/// Cholesky factorisation A = L·Lᵀ of a banded symmetric positive definite matrix, with right-hand sides solved side by side.
/// </summary>
/// <remarks>
/// Golub and Van Loan, Matrix Computations, section 4.3.5. Work is n·b² for the factor and 4·n·b for each right-hand side.
/// A pivot below 1e-12 of its diagonal entry counts as zero.
/// </remarks>
public sealed class BandedCholesky : ILinearSolver
{
    private const double ZeroPivot = 1e-12;

    /// <summary>Factorises; throws <see cref="SingularMatrixException"/> where a pivot is not positive.</summary>
    public IFactor Factorise(SymmetricMatrix matrix)
    {
        int n = matrix.Size,
            band = matrix.HalfBandwidth,
            width = band + 1;
        var lower = new double[(long)n * width];
        for (var i = 0; i < n; i++)
        {
            foreach (var (j, value) in matrix.Row(i))
                lower[i * width + (j - i + band)] = value;
        }
        double greatest = 0,
            least = double.PositiveInfinity;
        for (var i = 0; i < n; i++)
        {
            var row = lower.AsSpan(i * width, width);
            var diagonal = row[band];
            var first = Math.Max(0, i - band);
            for (var j = first; j < i; j++)
            {
                var start = Math.Max(first, j - band);
                var other = lower.AsSpan(j * width, width);
                var sum = DenseCholesky.Dot(row[(start - i + band)..(j - i + band)], other[(start - j + band)..band]);
                row[j - i + band] = (row[j - i + band] - sum) / other[band];
            }
            var used = row[(first - i + band)..band];
            var pivot = diagonal - DenseCholesky.Dot(used, used);
            if (!(pivot > ZeroPivot * diagonal))
                throw new SingularMatrixException(i);
            greatest = Math.Max(greatest, pivot);
            least = Math.Min(least, pivot);
            row[band] = Math.Sqrt(pivot);
        }
        return new Factor(n, band, lower, n == 0 ? 1 : greatest / least);
    }

    private sealed class Factor(int n, int band, double[] lower, double pivotRatio) : IFactor
    {
        public double PivotRatio { get; } = pivotRatio;

        public void Solve(Span<double> values, int count)
        {
            var width = band + 1;
            // Above the first load everything stays 0.
            var load = values.IndexOfAnyExcept(0.0);
            if (load < 0)
                return;
            var first = load / count;
            for (var i = first; i < n; i++)
            {
                var from = Math.Max(first, i - band);
                Eliminate(values, count, i, from, i - from, i * width + from - i + band, 1);
                Divide(values.Slice(i * count, count), lower[i * width + band]);
            }
            for (var i = n - 1; i >= 0; i--)
            {
                // Down the column below the pivot, which runs along the band's rows.
                Eliminate(values, count, i, i + 1, Math.Min(n - 1, i + band) - i, (i + 1) * width + band - 1, width - 1);
                Divide(values.Slice(i * count, count), lower[i * width + band]);
            }
        }

        /// <summary>
        /// Takes from row <paramref name="target"/> the rows from <paramref name="from"/> on, each times an entry of the factor that
        /// begins at <paramref name="entry"/> and lies <paramref name="step"/> apart. Four vectors
        /// of the row stay in registers while all the others pass.
        /// </summary>
        private void Eliminate(Span<double> values, int count, int target, int from, int rows, int entry, int step)
        {
            ref var start = ref MemoryMarshal.GetReference(values);
            ref var factors = ref MemoryMarshal.GetArrayDataReference(lower);
            var (size, at) = (Vector<double>.Count, 0);
            for (; at + 4 * size <= count; at += 4 * size)
            {
                ref var row = ref Unsafe.Add(ref start, target * count + at);
                var (a, b, c, d) = (
                    Vector.LoadUnsafe(ref row),
                    Vector.LoadUnsafe(ref row, (nuint)size),
                    Vector.LoadUnsafe(ref row, (nuint)(2 * size)),
                    Vector.LoadUnsafe(ref row, (nuint)(3 * size))
                );
                for (var k = 0; k < rows; k++)
                {
                    var f = new Vector<double>(-Unsafe.Add(ref factors, entry + k * step));
                    ref var other = ref Unsafe.Add(ref start, (from + k) * count + at);
                    a = Vector.FusedMultiplyAdd(f, Vector.LoadUnsafe(ref other), a);
                    b = Vector.FusedMultiplyAdd(f, Vector.LoadUnsafe(ref other, (nuint)size), b);
                    c = Vector.FusedMultiplyAdd(f, Vector.LoadUnsafe(ref other, (nuint)(2 * size)), c);
                    d = Vector.FusedMultiplyAdd(f, Vector.LoadUnsafe(ref other, (nuint)(3 * size)), d);
                }
                a.StoreUnsafe(ref row);
                b.StoreUnsafe(ref row, (nuint)size);
                c.StoreUnsafe(ref row, (nuint)(2 * size));
                d.StoreUnsafe(ref row, (nuint)(3 * size));
            }
            for (; at < count; at++)
            {
                var value = values[target * count + at];
                for (var k = 0; k < rows; k++)
                    value -= lower[entry + k * step] * values[(from + k) * count + at];
                values[target * count + at] = value;
            }
        }

        private static void Divide(Span<double> target, double divisor)
        {
            var factor = 1 / divisor;
            for (var i = 0; i < target.Length; i++)
                target[i] *= factor;
        }
    }
}
