namespace Pravik.Bench;

/// <summary>
/// A fixed piece of arithmetic (a plain product of two dense 300 × 300 matrices) that every time is set against, so that figures from
/// different machines can be compared as ratios.
/// </summary>
internal static class Reference
{
    private const int Size = 300;
    private static readonly double[] A = [.. Enumerable.Range(0, Size * Size).Select(i => Math.Sin(i))];
    private static readonly double[] B = [.. Enumerable.Range(0, Size * Size).Select(i => Math.Cos(i))];

    public static double Product()
    {
        var product = new double[Size * Size];
        for (var i = 0; i < Size; i++)
        {
            for (var k = 0; k < Size; k++)
            {
                var a = A[i * Size + k];
                for (var j = 0; j < Size; j++)
                    product[i * Size + j] += a * B[k * Size + j];
            }
        }
        return product[Size + 1];
    }

    /// <summary>A time in ms and its ratio to the reference's, in columns.</summary>
    public static string Line(string what, double time, double reference) =>
        $"{what.PadRight(58)} {time.ToString("0").PadLeft(7)} ms   {(time / reference).ToString("0.0").PadLeft(6)} × reference";
}
