namespace Pravik.Core.Numerics;

/// <summary>Small systems of equations, symmetric and positive definite, by elimination without a search for pivots.</summary>
internal static class SmallSystem
{
    /// <summary>
    /// Solves A·X = B in place: A is n × n and is lost, B holds the right-hand sides as columns (n × <paramref name="columns"/>, row by
    /// row) and is the solution afterwards.
    /// </summary>
    public static void Solve(double[] a, double[] b, int n, int columns)
    {
        for (var p = 0; p < n; p++)
        {
            for (var i = p + 1; i < n; i++)
            {
                var factor = a[i * n + p] / a[p * n + p];
                for (var j = p; j < n; j++)
                    a[i * n + j] -= factor * a[p * n + j];
                for (var j = 0; j < columns; j++)
                    b[i * columns + j] -= factor * b[p * columns + j];
            }
        }
        for (var p = n - 1; p >= 0; p--)
        {
            for (var j = 0; j < columns; j++)
            {
                for (var q = p + 1; q < n; q++)
                    b[p * columns + j] -= a[p * n + q] * b[q * columns + j];
                b[p * columns + j] /= a[p * n + p];
            }
        }
    }
}
