using Pravik.Core.Numerics;

namespace Pravik.Core.Frames;

/// <summary>
/// What holds a body: directions in its six components, those in which it is still free, and how prescribed movements and reactions follow.
/// </summary>
/// <remarks>
/// With C for the rows, one for each direction held, Q an orthonormal basis of what they hold and Z of what they leave: movements are q
/// = Z·z + Q·(AᵀA)⁻¹Aᵀ·g with A = C·Q and g what is prescribed; reactions along the rows are the smallest ones that
/// balance a force R on the body, λ = A·(AᵀA)⁻¹Qᵀ·R.
/// </remarks>
internal sealed class BodyConstraint
{
    private const double Same = 1e-9;
    private readonly List<double[]> rows;
    private readonly List<double[]> held = [];

    public BodyConstraint(List<double[]> rows)
    {
        this.rows = rows;
        foreach (var row in rows)
            Keep(row, held);
        var all = held.ToList();
        // The rest, as near to the six directions as can be, so that free bodies keep them.
        while (all.Count < 6)
        {
            var best = Enumerable.Range(0, 6).Select(Unit).MaxBy(e => Rest(e, all).Sum(v => v * v))!;
            if (!Keep(best, all))
                break;
            Free.Add(all[^1]);
        }
    }

    /// <summary>Directions in which the body can move, orthonormal.</summary>
    public List<double[]> Free { get; } = [];

    private static double[] Unit(int direction)
    {
        var e = new double[6];
        e[direction] = 1;
        return e;
    }

    private static double[] Rest(double[] row, List<double[]> basis)
    {
        var rest = (double[])row.Clone();
        // Twice, so that rounding does not leave a part behind.
        for (var pass = 0; pass < 2; pass++)
        {
            foreach (var q in basis)
            {
                var along = Dot(rest, q);
                for (var i = 0; i < 6; i++)
                    rest[i] -= along * q[i];
            }
        }
        return rest;
    }

    private static bool Keep(double[] row, List<double[]> basis)
    {
        var (rest, size) = (Rest(row, basis), Math.Sqrt(Dot(row, row)));
        var length = Math.Sqrt(Dot(rest, rest));
        if (length <= Same * size)
            return false;
        basis.Add(Array.ConvertAll(rest, v => v / length));
        return true;
    }

    public static double Dot(double[] a, double[] b)
    {
        double sum = 0;
        for (var i = 0; i < 6; i++)
            sum += a[i] * b[i];
        return sum;
    }

    /// <summary>Movement of the body for what is prescribed along the rows, or null where that cannot go together.</summary>
    public double[]? Movement(double[] prescribed)
    {
        var y = Normal(k => Enumerable.Range(0, rows.Count).Sum(r => Dot(rows[r], held[k]) * prescribed[r]));
        var movement = new double[6];
        for (var k = 0; k < held.Count; k++)
        {
            for (var i = 0; i < 6; i++)
                movement[i] += y[k] * held[k][i];
        }
        var size = prescribed.Max(Math.Abs);
        return Enumerable.Range(0, rows.Count).All(r => Math.Abs(Dot(rows[r], movement) - prescribed[r]) <= 1e-7 * size) ? movement : null;
    }

    /// <summary>Reactions along the rows that put a force on the body.</summary>
    public double[] Reactions(double[] force)
    {
        var y = Normal(k => Dot(held[k], force));
        return [.. rows.Select(row => Enumerable.Range(0, held.Count).Sum(k => Dot(row, held[k]) * y[k]))];
    }

    /// <summary>Solves (AᵀA)·y = b.</summary>
    private double[] Normal(Func<int, double> right)
    {
        var n = held.Count;
        var (a, b) = (new double[n * n], new double[n]);
        for (var i = 0; i < n; i++)
        {
            b[i] = right(i);
            for (var j = 0; j < n; j++)
                a[i * n + j] = rows.Sum(row => Dot(row, held[i]) * Dot(row, held[j]));
        }
        SmallSystem.Solve(a, b, n, 1);
        return b;
    }
}
