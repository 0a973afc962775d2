using System.Numerics;

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

    public IFactor Factorise(SymmetricMatrix matrix)
    {
        int n = matrix.Size, band = matrix.HalfBandwidth, width = band + 1;
        var lower = new double[(long)n * width];
        for (var i = 0; i < n; i++)
        {
            foreach (var (j, value) in matrix.Row(i)) lower[i * width + (j - i + band)] = value;
        }
        double greatest = 0, least = double.PositiveInfinity;
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
            if (!(pivot > ZeroPivot * diagonal)) throw new SingularMatrixException(i);
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
            if (load < 0) return;
            var first = load / count;
            for (var i = first; i < n; i++)
            {
                var row = values.Slice(i * count, count);
                for (var j = Math.Max(first, i - band); j < i; j++) Subtract(row, values.Slice(j * count, count), lower[i * width + j - i + band]);
                Divide(row, lower[i * width + band]);
            }
            for (var i = n - 1; i >= 0; i--)
            {
                var row = values.Slice(i * count, count);
                Divide(row, lower[i * width + band]);
                for (var j = Math.Max(0, i - band); j < i; j++) Subtract(values.Slice(j * count, count), row, lower[i * width + j - i + band]);
            }
        }

        private static void Subtract(Span<double> target, ReadOnlySpan<double> source, double factor)
        {
            if (factor == 0) return;
            var f = new Vector<double>(factor);
            var i = 0;
            for (; i <= target.Length - Vector<double>.Count; i += Vector<double>.Count)
                (new Vector<double>(target[i..]) - f * new Vector<double>(source[i..])).CopyTo(target[i..]);
            for (; i < target.Length; i++) target[i] -= factor * source[i];
        }

        private static void Divide(Span<double> target, double divisor)
        {
            var factor = 1 / divisor;
            for (var i = 0; i < target.Length; i++) target[i] *= factor;
        }
    }
}
