using CsCheck;
using Pravik.Core.Geometry;
using Pravik.Core.Numerics;

namespace Pravik.Core.Tests.Numerics;

public class SolverTests
{
    /// <summary>A = Bᵀ·B + I of a banded B is positive definite; A·x must give back the right-hand sides.</summary>
    [Fact]
    public void Solves_banded_systems_with_many_right_hand_sides() =>
        Gen.Select(Gen.Int[1, 40], Gen.Int[0, 6], Gen.Int[1, 9], Gen.Int)
            .Sample(
                (n, band, count, seed) =>
                {
                    var random = new Random(seed);
                    var dense = new double[n, n];
                    for (var r = 0; r < n; r++)
                    {
                        var row = Enumerable.Range(0, n).Select(c => c >= r && c <= r + band ? random.NextDouble() - 0.5 : 0).ToArray();
                        for (var i = 0; i < n; i++)
                        {
                            for (var j = 0; j < n; j++)
                                dense[i, j] += row[i] * row[j] + (i == j && i == r ? 1 : 0);
                        }
                    }
                    var matrix = new SymmetricMatrix(n);
                    for (var i = 0; i < n; i++)
                    {
                        for (var j = 0; j < n; j++)
                            matrix.Add(i, j, dense[i, j]);
                    }
                    var wanted = Enumerable.Range(0, n * count).Select(_ => random.NextDouble() - 0.5).ToArray();
                    var x = (double[])wanted.Clone();
                    new BandedCholesky().Factorise(matrix).Solve(x, count);
                    for (var i = 0; i < n; i++)
                    {
                        for (var r = 0; r < count; r++)
                            Assert.Equal(wanted[i * count + r], Enumerable.Range(0, n).Sum(j => dense[i, j] * x[j * count + r]), 1e-11);
                    }
                }
            );

    [Fact]
    public void A_singular_matrix_is_named_by_its_unknown()
    {
        var matrix = new SymmetricMatrix(3);
        foreach (var (i, j, value) in new[] { (0, 0, 1.0), (1, 1, 1), (2, 1, -1), (2, 2, 1) })
            matrix.Add(i, j, value);
        Assert.Equal(2, Assert.Throws<SingularMatrixException>(() => new BandedCholesky().Factorise(matrix)).Unknown);
    }

    [Fact]
    public void Bisection_finds_a_root_or_says_there_is_none()
    {
        Assert.Equal(Math.Sqrt(2), Roots.Bisect(x => x * x - 2, 0, 2)!.Value, 1e-15);
        Assert.Null(Roots.Bisect(x => x * x + 1, 0, 2));
    }

    [Fact]
    public void Polygon_moments_do_not_depend_on_the_sense_of_the_outline()
    {
        // A triangle with base 3 on the x axis and height 6: A = 9, centroid 2, I about the base b·h³/12 = 54.
        Point[] points = [new(0, 0), new(3, 0), new(1, 6)];
        foreach (var outline in new[] { points, [.. points.Reverse()] })
        {
            var (area, sx, _, ixx, _) = new Polygon(outline).Moments();
            Assert.Equal((9.0, 18.0, 54.0), (area, sx, ixx));
        }
        Assert.Equal(1.5, new Polygon(points).WidthAt(3), 1e-14);
        Assert.Equal(0, new Polygon(points).WidthAt(7));
    }
}
