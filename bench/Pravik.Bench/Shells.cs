using System.Diagnostics;
using System.Globalization;
using Pravik.Core.Frames;
using Pravik.Core.Numerics;

namespace Pravik.Bench;

/// <summary>
/// A slab of shells, from finding the factor's shape to a hundred right-hand sides, at three sizes; and its matrix for other solvers.
/// </summary>
internal static class Shells
{
    /// <summary>A slab of 12 by 40 m in so many elements across and along, held at its four corners, with a hundred cases.</summary>
    private static FrameModel Slab(int across, int along)
    {
        int Id(int i, int j) => j * (across + 1) + i;
        var nodes = Enumerable
            .Range(0, along + 1)
            .SelectMany(j =>
                Enumerable.Range(0, across + 1).Select(i => new FrameNode($"{Id(i, j)}", new(12.0 * i / across, 40.0 * j / along, 0)))
            );
        var shells = Enumerable
            .Range(0, along)
            .SelectMany(j =>
                Enumerable
                    .Range(0, across)
                    .Select(i => new FrameShell($"{j}-{i}", [Id(i, j), Id(i + 1, j), Id(i + 1, j + 1), Id(i, j + 1)], 0, 0.4))
            );
        int[] corners = [Id(0, 0), Id(across, 0), Id(0, along), Id(across, along)];
        return new()
        {
            Materials = [new("C", 33e9, 0.2, 2500)],
            Nodes = [.. nodes],
            Shells = [.. shells],
            Supports =
            [
                .. corners.Select(
                    (c, i) =>
                        new FrameSupport(
                            c,
                            i == 0 ? [FrameDirection.Ux, FrameDirection.Uy, FrameDirection.Uz]
                                : i == 1 ? [FrameDirection.Uy, FrameDirection.Uz]
                                : [FrameDirection.Uz],
                            [0, 0, 0, 0, 0, 0]
                        )
                ),
            ],
            Cases =
            [
                .. Enumerable
                    .Range(0, 100)
                    .Select(k => new FrameCase($"{k}") { Nodal = [new(Id(across / 2, along * (k + 1) / 102), new(0, 0, -1000), default)] }),
            ],
        };
    }

    public static void Measure()
    {
        Console.WriteLine($"reference product {Best(3, () => Reference.Product()):0.0} ms");
        double before = 0;
        foreach (var (across, along) in new[] { (60, 200), (60, 200), (60, 200), (120, 400) })
        {
            var watch = Stopwatch.StartNew();
            var analysis = new FrameAnalysis(Slab(across, along));
            var results = analysis.Solve();
            var e = results.Effort;
            Console.WriteLine(
                string.Create(
                    CultureInfo.InvariantCulture,
                    $"{across} x {along}: {e.Unknowns} unknowns, {e.Entries / 1e6:0.0} million entries; order and shape "
                        + $"{e.Analysed:0.00} s, factor {e.Factorised:0.00} s{(before > 0 ? $" (x {e.Factorised / before:0.0})" : "")}, "
                        + $"100 right-hand sides {e.Solved:0.00} s; with elements before and all results after "
                        + $"{watch.Elapsed.TotalSeconds:0.00} s; {Process.GetCurrentProcess().PeakWorkingSet64 / 1e6:0} MB; imbalance "
                        + $"{results.Cases.Max(c => c.Imbalance):0e0}"
                )
            );
            before = e.Factorised;
        }
    }

    private static double Best(int times, Action act)
    {
        act();
        return Enumerable
            .Range(0, times)
            .Min(_ =>
            {
                var watch = Stopwatch.StartNew();
                act();
                return watch.Elapsed.TotalMilliseconds;
            });
    }

    /// <summary>Writes the stiffness matrices of the slabs, lower triangles, as Matrix Market files.</summary>
    public static void WriteMatrices(string folder)
    {
        Directory.CreateDirectory(folder);
        foreach (var (across, along) in new[] { (30, 100), (60, 200), (120, 400) })
        {
            var path = Path.Combine(folder, $"slab-{across}x{along}.mtx");
            var matrix = new FrameAnalysis(Slab(across, along)).Matrix;
            using var writer = new StreamWriter(path);
            Write(matrix, writer);
            Console.WriteLine($"{path}: {matrix.Unknowns} unknowns");
        }
    }

    private static void Write(BlockMatrix matrix, StreamWriter writer)
    {
        var entries = Enumerable
            .Range(0, matrix.Sizes.Length)
            .SelectMany(v =>
                matrix
                    .Row(v)
                    .SelectMany(block =>
                        Enumerable
                            .Range(0, block.Values.Length)
                            .Select(k =>
                                (
                                    Row: matrix.First[v] + k / matrix.Sizes[block.Column],
                                    Column: matrix.First[block.Column] + k % matrix.Sizes[block.Column],
                                    Value: block.Values[k]
                                )
                            )
                    )
            )
            .Where(e => e.Row >= e.Column && e.Value != 0)
            .ToList();
        writer.WriteLine("%%MatrixMarket matrix coordinate real symmetric");
        writer.WriteLine(string.Create(CultureInfo.InvariantCulture, $"{matrix.Unknowns} {matrix.Unknowns} {entries.Count}"));
        foreach (var (row, column, value) in entries)
            writer.WriteLine(string.Create(CultureInfo.InvariantCulture, $"{row + 1} {column + 1} {value:R}"));
    }
}
