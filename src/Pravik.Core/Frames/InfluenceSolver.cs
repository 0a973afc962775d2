using System.Numerics;
using System.Runtime.InteropServices;

namespace Pravik.Core.Frames;

/// <summary>
/// What given loads, each alone, do to effects of a model: the ordinates of influence surfaces, all from one factor.
/// </summary>
/// <remarks>
/// With the effect's row q and the loads P the ordinates are q·K⁻¹·P. Where there are more effects than loads, K⁻¹·P is worked out once
/// and every effect read from it; else, and where that would take too much memory, qᵀ is put on as a load and the deflections under it
/// are read at the loads (Maxwell and Betti). Both give the same numbers. Safe for use from several threads.
/// </remarks>
public sealed class InfluenceSolver
{
    /// <summary>Numbers that K⁻¹·P may have at most (8 bytes each).</summary>
    private const long MostNumbers = 40_000_000;
    private readonly FrameAnalysis analysis;
    private readonly (List<(int Unknown, double Value)> Entries, Dictionary<int, double[]> OnBodies)[] loads;
    private double[]? solved;

    /// <param name="analysis">The model's factor.</param>
    /// <param name="loads">The loads.</param>
    /// <param name="effects">About how many effects will be asked for.</param>
    /// <param name="cancel">Stops it.</param>
    public InfluenceSolver(
        FrameAnalysis analysis,
        IReadOnlyList<IReadOnlyList<NodalLoad>> loads,
        int effects,
        CancellationToken cancel = default
    )
    {
        this.analysis = analysis;
        this.loads = [.. loads.Select(analysis.Entries)];
        if (effects <= Count || (long)Count * analysis.Unknowns > MostNumbers)
            return;
        solved = new double[analysis.Unknowns * Count];
        for (var p = 0; p < Count; p++)
        {
            foreach (var (unknown, value) in this.loads[p].Entries)
                solved[unknown * Count + p] += value;
        }
        analysis.SolveSides(solved, Count, cancel);
    }

    /// <summary>How many loads there are.</summary>
    public int Count => loads.Length;

    /// <summary>About how much memory it takes, with the factor (bytes).</summary>
    public long Bytes => 8L * (solved?.Length ?? 0) + 8L * analysis.Effort.Entries;

    /// <summary>Gives what was worked out for all loads up where it is more than so many numbers.</summary>
    public void Release(long most)
    {
        if (solved?.Length > most)
            solved = null;
    }

    /// <summary>Ordinates of effects, one array each, load by load.</summary>
    public double[][] Ordinates(IReadOnlyList<FrameEffect> effects, CancellationToken cancel = default)
    {
        var rows = effects.Select(analysis.RowOf).ToList();
        var ordinates = solved is { } known ? [.. rows.Select(r => Read(r, known))] : Adjoint(rows, cancel);
        for (var e = 0; e < rows.Count; e++)
        {
            foreach (var (body, weights) in rows[e].Direct)
            {
                for (var p = 0; p < Count; p++)
                {
                    if (loads[p].OnBodies.TryGetValue(body, out var force))
                        ordinates[e][p] += BodyConstraint.Dot(weights, force);
                }
            }
        }
        return ordinates;
    }

    private double[] Read(EffectRow row, double[] known)
    {
        var sum = new double[Count];
        var vectors = MemoryMarshal.Cast<double, Vector<double>>(sum.AsSpan());
        for (var i = 0; i < row.Unknown.Length; i++)
        {
            var from = known.AsSpan(row.Unknown[i] * Count, Count);
            var factor = new Vector<double>(row.Factor[i]);
            var values = MemoryMarshal.Cast<double, Vector<double>>(from);
            for (var v = 0; v < vectors.Length; v++)
                vectors[v] += factor * values[v];
            for (var p = vectors.Length * Vector<double>.Count; p < Count; p++)
                sum[p] += row.Factor[i] * from[p];
        }
        return sum;
    }

    private double[][] Adjoint(List<EffectRow> rows, CancellationToken cancel)
    {
        var sides = new double[analysis.Unknowns * rows.Count];
        for (var e = 0; e < rows.Count; e++)
        {
            for (var i = 0; i < rows[e].Unknown.Length; i++)
                sides[rows[e].Unknown[i] * rows.Count + e] += rows[e].Factor[i];
        }
        analysis.SolveSides(sides, rows.Count, cancel);
        var ordinates = new double[rows.Count][];
        for (var e = 0; e < rows.Count; e++)
        {
            ordinates[e] = new double[Count];
            for (var p = 0; p < Count; p++)
            {
                foreach (var (unknown, value) in loads[p].Entries)
                    ordinates[e][p] += value * sides[unknown * rows.Count + e];
            }
        }
        return ordinates;
    }
}
