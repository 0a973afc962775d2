using Pravik.Core.Numerics;

namespace Pravik.Core.Tests.Numerics;

/// <summary>The sparse factor against what was multiplied out, on graphs of every kind.</summary>
public class SparseTests
{
    /// <summary>
    /// A random graph with random blocks: A = Σ g·gᵀ over its edges and a little on the diagonal, so that it is positive definite.
    /// </summary>
    private static BlockMatrix Matrix(int vertices, int edges, int seed, out int[][] neighbours, out int[] sizes)
    {
        var random = new Random(seed);
        var sets = Enumerable.Range(0, vertices).Select(_ => new HashSet<int>()).ToArray();
        for (var e = 0; e < edges; e++)
        {
            // Mostly near ones, as in a structure.
            var (a, b) = (random.Next(vertices), 0);
            b = random.Next(4) == 0 ? random.Next(vertices) : Math.Clamp(a + random.Next(-9, 10), 0, vertices - 1);
            if (a == b)
                continue;
            sets[a].Add(b);
            sets[b].Add(a);
        }
        neighbours = [.. sets.Select(s => s.Order().ToArray())];
        sizes = [.. Enumerable.Range(0, vertices).Select(_ => random.Next(0, 7))];
        var matrix = new BlockMatrix(sizes, neighbours);
        for (var v = 0; v < vertices; v++)
        {
            var own = sizes[v];
            var diagonal = new double[own * own];
            for (var i = 0; i < own; i++)
                diagonal[i * own + i] = 0.5;
            matrix.Add(v, v, diagonal);
            foreach (var w in neighbours[v].Where(w => w > v))
            {
                var g = Enumerable.Range(0, sizes[v] + sizes[w]).Select(_ => random.NextDouble() - 0.5).ToArray();
                double[] Block(int rows, int first, int columns, int from) =>
                    [.. Enumerable.Range(0, rows * columns).Select(k => g[first + k / columns] * g[from + k % columns])];
                matrix.Add(v, v, Block(own, 0, own, 0));
                matrix.Add(w, w, Block(sizes[w], own, sizes[w], own));
                // Either way round.
                if (random.Next(2) == 0)
                    matrix.Add(w, v, Block(sizes[w], own, own, 0));
                else
                    matrix.Add(v, w, Block(own, 0, sizes[w], own));
            }
        }
        return matrix;
    }

    [Theory]
    [InlineData(1, 0, 1)]
    [InlineData(40, 0, 2)]
    [InlineData(60, 90, 3)]
    [InlineData(400, 1200, 4)]
    [InlineData(900, 2500, 5)]
    public void Solutions_multiply_back(int vertices, int edges, int seed)
    {
        var matrix = Matrix(vertices, edges, seed, out var neighbours, out var sizes);
        var factor = SparseCholesky.Factorise(matrix, SymbolicCholesky.Analyse(sizes, neighbours));
        Assert.Empty(factor.ZeroPivots);
        var random = new Random(seed);
        foreach (var count in new[] { 1, 3, 37 })
        {
            var wanted = Enumerable.Range(0, matrix.Unknowns * count).Select(_ => random.NextDouble() - 0.5).ToArray();
            var values = new double[wanted.Length];
            for (var r = 0; r < count; r++)
            {
                var right = matrix.Times([.. Enumerable.Range(0, matrix.Unknowns).Select(i => wanted[i * count + r])]);
                for (var i = 0; i < right.Length; i++)
                    values[i * count + r] = right[i];
            }
            factor.Solve(values, count);
            Assert.All(values.Zip(wanted), p => Assert.Equal(p.Second, p.First, 1e-11));
        }
    }

    [Fact]
    public void Every_vertex_is_eliminated_once_and_the_order_of_a_grid_is_lean()
    {
        const int Side = 100;
        var neighbours = Enumerable
            .Range(0, Side * Side)
            .Select(v =>
                new[] { (0, 1), (1, 0), (0, -1), (-1, 0), (1, 1), (-1, -1), (1, -1), (-1, 1) }
                    .Select(d => (X: v % Side + d.Item1, Y: v / Side + d.Item2))
                    .Where(p => p.X is >= 0 and < Side && p.Y is >= 0 and < Side)
                    .Select(p => p.Y * Side + p.X)
                    .ToArray()
            )
            .ToArray();
        double[] places = [.. Enumerable.Range(0, Side * Side).SelectMany(v => new double[] { v % Side, v / Side, 0 })];
        Assert.Equal(Enumerable.Range(0, Side * Side), NestedDissection.Order(neighbours, places).Order());
        int[] sizes = [.. Enumerable.Repeat(1, Side * Side)];
        var (withPlaces, without) = (
            SymbolicCholesky.Analyse(sizes, neighbours, places).Entries,
            SymbolicCholesky.Analyse(sizes, neighbours).Entries
        );
        // A band would keep n·(side + 2) entries.
        Assert.InRange(withPlaces, Side * Side, 0.6 * Side * Side * (Side + 2));
        Assert.InRange(without, Side * Side, 0.7 * Side * Side * (Side + 2));
    }

    /// <summary>A matrix with a free movement: the pivot is told, the unknown held, and the rest solved.</summary>
    [Fact]
    public void A_vanishing_pivot_is_told()
    {
        int[][] neighbours =
        [
            [1],
            [0, 2],
            [1],
        ];
        var matrix = new BlockMatrix([1, 1, 1], neighbours);
        foreach (var (a, b) in new[] { (0, 1), (1, 2) })
        {
            matrix.Add(a, a, [2.0]);
            matrix.Add(b, b, [2.0]);
            matrix.Add(b, a, [-2.0]);
        }
        var factor = SparseCholesky.Factorise(matrix, SymbolicCholesky.Analyse([1, 1, 1], neighbours));
        Assert.Single(factor.ZeroPivots);
    }

    [Fact]
    public void Factorising_can_be_stopped()
    {
        var matrix = Matrix(500, 1500, 9, out var neighbours, out var sizes);
        using var stop = new CancellationTokenSource();
        stop.Cancel();
        Assert.ThrowsAny<OperationCanceledException>(() =>
            SparseCholesky.Factorise(matrix, SymbolicCholesky.Analyse(sizes, neighbours), null, stop.Token)
        );
    }

    /// <summary>
    /// Thousands of vertices that nothing joins, and two strips among them: every one comes once, without a call for each.
    /// </summary>
    [Fact]
    public void Vertices_that_nothing_joins_are_ordered_too()
    {
        const int Count = 40_000;
        var neighbours = Enumerable
            .Range(0, Count)
            .Select(v =>
                v is > 100 and < 300 ? new[] { v - 1, v + 1 }
                : v == 100 ? [101]
                : v == 300 ? [299]
                : Array.Empty<int>()
            )
            .ToArray();
        Assert.Equal(Enumerable.Range(0, Count), NestedDissection.Order(neighbours).Order());
        Assert.Equal(
            Enumerable.Range(0, Count),
            NestedDissection.Order(neighbours, [.. Enumerable.Range(0, 3 * Count).Select(i => i % 3 == 0 ? (double)i : 0)]).Order()
        );
    }
}
