using System.Collections.Immutable;
using System.Numerics;

namespace Pravik.Core.Plates;

/// <summary>A line of a plate along its span: where it lies across (m), and what holds it up.</summary>
/// <param name="At">Place across (m).</param>
/// <param name="Bending">EI of a beam under the line (N·m²); 0 for none, infinite for one that does not give way.</param>
/// <param name="Torsion">GJ of that beam (N·m²).</param>
public readonly record struct PlateLine(double At, double Bending = 0, double Torsion = 0);

/// <summary>
/// A plate that spans between two simply supported ends, its lines along the span stiffened by beams or not: influence surfaces of
/// moments and shears across it, half way along.
/// </summary>
/// <remarks>
/// M. Lévy’s single series with cubic strips between the lines (Timoshenko and Woinowsky-Krieger, Theory of Plates and Shells, chapter 6;
/// Cheung, Finite Strip Method). With w = Σ f_n(y)·sin(nπx/L) each n stands alone: D·∫(k⁴f² + f″² − 2νk²·f·f″ + 2(1 − ν)k²·f′²)dy, k =
/// nπ/L, beams add EI·k⁴·f² and GJ·k²·f′². Half way along even n do nothing. Shear deformation is left out, as is what acts in the plate’s
/// own plane. Shear is that by which a strip across is held, twisting moments with it (Kirchhoff’s edge force).
/// </remarks>
public sealed class StripPlate
{
    /// <summary>A beam that does not give way is this many times as stiff as the plate is wide.</summary>
    private const double Firm = 1e9;
    private const int Band = 3;

    private readonly double poisson;
    private readonly double length;
    private readonly ImmutableArray<PlateLine> lines;
    private readonly ImmutableArray<double> stiffness;
    private readonly Vector<double>[][] factors;

    /// <param name="lines">Lines from the left edge to the right one, at least two.</param>
    /// <param name="stiffness">D = E·h³/(12·(1 − ν²)) of the strip after each line but the last (N·m).</param>
    /// <param name="poisson">ν.</param>
    /// <param name="length">Span L (m).</param>
    /// <param name="least">The shortest length along the span over which a load is spread (m): it says how many terms count.</param>
    public StripPlate(ImmutableArray<PlateLine> lines, ImmutableArray<double> stiffness, double poisson, double length, double least)
    {
        (this.lines, this.stiffness, this.poisson, this.length) = (lines, stiffness, poisson, length);
        // Beyond the fourth zero of the load's own spectrum terms are below a thousandth.
        var count = (int)Math.Ceiling(4 * length / least);
        var terms = (count + 1) / 2;
        factors = new Vector<double>[(terms + Vector<double>.Count - 1) / Vector<double>.Count][];
        Parallel.For(0, factors.Length, i => factors[i] = Factor(Wave(i)));
    }

    /// <summary>Lines from the left edge to the right one.</summary>
    public ImmutableArray<PlateLine> Lines => lines;

    /// <summary>The moment across per metre at a line that no beam holds, sagging positive.</summary>
    public PlateSurface Moment(int line) => Surface(line, true);

    /// <summary>
    /// The shear across per metre at such a line, its mean over a length along the span; positive where what lies left of it is pushed up.
    /// </summary>
    public PlateSurface Shear(int line, double mean = 0) => Surface(line, false, mean);

    /// <summary>Wave numbers of a few terms, which are worked out side by side.</summary>
    private Vector<double> Wave(int group)
    {
        Span<double> waves = stackalloc double[Vector<double>.Count];
        for (var lane = 0; lane < waves.Length; lane++)
            waves[lane] = (2 * (group * waves.Length + lane) + 1) * Math.PI / length;
        return new(waves);
    }

    private PlateSurface Surface(int line, bool isMoment, double mean = 0)
    {
        var terms = new Vector<double>[factors.Length][];
        for (var i = 0; i < terms.Length; i++)
        {
            var values = new Vector<double>[2 * lines.Length];
            // The mean of what both neighbouring strips say: m = D·w″ at their ends, turned so that sagging is positive; V the same.
            foreach (var (strip, end) in new[] { (line - 1, 1), (line, 0) })
            {
                if (strip < 0 || strip >= stiffness.Length)
                    continue;
                var row = Element(strip, Wave(i)).AsSpan(4 * (2 * end + (isMoment ? 1 : 0)), 4);
                var sign = (end == 1) == isMoment ? -0.5 : 0.5;
                for (var j = 0; j < 4; j++)
                    values[2 * strip + j] += sign * row[j];
            }
            Solve(factors[i], values);
            terms[i] = values;
        }
        return new(lines, length, terms, mean);
    }

    /// <summary>
    /// Stiffness of a strip for a wave number (4 by 4: w and dw/dy on its left line, then on its right one), per half length L/2.
    /// </summary>
    private Vector<double>[] Element(int strip, Vector<double> k)
    {
        var (b, d, k2) = (lines[strip + 1].At - lines[strip].At, stiffness[strip], k * k);
        // Integrals of cubic shape functions over the strip: N·N, N′·N′, N″·N″ and N·N″ with its transpose.
        ReadOnlySpan<double> nn = [156, 22 * b, 54, -13 * b, 4 * b * b, 13 * b, -3 * b * b, 156, -22 * b, 4 * b * b];
        ReadOnlySpan<double> first = [36, 3 * b, -36, 3 * b, 4 * b * b, -3 * b, -b * b, 36, -3 * b, 4 * b * b];
        ReadOnlySpan<double> second = [12, 6 * b, -12, 6 * b, 4 * b * b, -6 * b, 2 * b * b, 12, -6 * b, 4 * b * b];
        ReadOnlySpan<double> mixed = [-72, -36 * b, 72, -6 * b, -8 * b * b, 6 * b, 2 * b * b, -72, 36 * b, -8 * b * b];
        var all = new Vector<double>[16];
        for (int i = 0, at = 0; i < 4; i++)
        {
            for (var j = i; j < 4; j++, at++)
            {
                var value =
                    k2 * k2 * (b / 420 * nn[at])
                    + new Vector<double>(second[at] / (b * b * b))
                    + k2 * ((2 * (1 - poisson) * first[at] - poisson * mixed[at]) / (30 * b));
                all[4 * i + j] = all[4 * j + i] = d * value;
            }
        }
        return all;
    }

    /// <summary>L of the banded stiffness L·Lᵀ for a wave number, row by row: three entries left of the diagonal, and 1 by it.</summary>
    private Vector<double>[] Factor(Vector<double> k)
    {
        var size = 2 * lines.Length;
        // Rows of zeros behind the last one.
        var lower = new Vector<double>[(size + Band) * (Band + 1)];
        ref Vector<double> At(int i, int j) => ref lower[i * (Band + 1) + j - i + Band];
        for (var s = 0; s < stiffness.Length; s++)
        {
            var element = Element(s, k);
            for (var i = 0; i < 4; i++)
            {
                for (var j = 0; j <= i; j++)
                    At(2 * s + i, 2 * s + j) += element[4 * i + j];
            }
        }
        var firm = Firm * stiffness.Max() * k;
        for (var l = 0; l < lines.Length; l++)
        {
            var beam = lines[l].Bending;
            At(2 * l, 2 * l) += double.IsPositiveInfinity(beam) ? firm * k * k : beam * k * k * k * k;
            At(2 * l + 1, 2 * l + 1) += lines[l].Torsion * k * k;
        }
        for (var i = 0; i < size; i++)
        {
            for (var j = Math.Max(0, i - Band); j <= i; j++)
            {
                var sum = At(i, j);
                for (var m = Math.Max(0, i - Band); m < j; m++)
                    sum -= At(i, m) * At(j, m);
                At(i, j) = i == j ? Vector<double>.One / Vector.SquareRoot(sum) : sum * At(j, j);
            }
        }
        return lower;
    }

    private static void Solve(Vector<double>[] lower, Vector<double>[] values)
    {
        const int Width = Band + 1;
        Vector<double> a = default,
            b = default,
            c = default;
        // Left of the first entries of a row stand zeros.
        for (int i = 0, row = 0; i < values.Length; i++, row += Width)
        {
            var here = (values[i] - lower[row] * a - lower[row + 1] * b - lower[row + 2] * c) * lower[row + Band];
            values[i] = here;
            (a, b, c) = (b, c, here);
        }
        (a, b, c) = (default, default, default);
        for (var i = values.Length - 1; i >= 0; i--)
        {
            var row = i * Width;
            var below = lower[row + Width + Band - 1] * a + lower[row + 2 * Width + Band - 2] * b + lower[row + 3 * Width + Band - 3] * c;
            var here = (values[i] - below) * lower[row + Band];
            values[i] = here;
            (a, b, c) = (here, a, b);
        }
    }
}
