using System.Collections.Immutable;
using System.Runtime.InteropServices;

namespace Pravik.Core.Frames;

/// <summary>Section forces along a beam from the forces at its first end and the loads up to a place.</summary>
/// <remarks>
/// On the part from end i to x: N = −f_x − ∫q_x, T = −m_x − ∫m_x, Vy = f_y + ∫q_y, Vz = f_z + ∫q_z, My = m_y + f_z·x + ∫[q_z·(x − s) +
/// m_y] ds, Mz = −m_z + f_y·x + ∫[q_y·(x − s) − m_z] ds. N is positive in tension, My and Mz where they put the −z and −y
/// face in tension.
/// </remarks>
internal static class BeamDiagram
{
    private static readonly ImmutableArray<double> Usual = [0, 0.25, 0.5, 0.75, 1];

    /// <summary>Places of a beam whose loads are even or straight along all of it, and whether what stands there counts.</summary>
    private static readonly ImmutableArray<bool> UsualAfter = [true, true, true, true, false];

    public static BeamForces Of(BeamElement beam, double[] ends, BeamLoad[] loads)
    {
        var (places, after) = Array.TrueForAll(loads, l => !l.IsPoint && l.From == 0 && l.To == 1) ? (Usual, UsualAfter) : Places(loads);
        var forces = new double[6][];
        for (var c = 0; c < forces.Length; c++)
            forces[c] = new double[places.Length];
        Span<double> at = stackalloc double[6];
        for (var p = 0; p < places.Length; p++)
        {
            At(beam, ends, loads, places[p], after[p], at);
            for (var c = 0; c < forces.Length; c++)
                forces[c][p] = at[c];
        }
        ImmutableArray<double> Force(int c) => ImmutableCollectionsMarshal.AsImmutableArray(forces[c]);
        return new(places, Force(0), Force(1), Force(2), Force(3), Force(4), Force(5));
    }

    /// <summary>Places twice where a point load makes a value jump: just before it and just after it.</summary>
    private static (ImmutableArray<double> At, ImmutableArray<bool> After) Places(BeamLoad[] loads)
    {
        var places = Usual
            .Concat(loads.Where(l => !l.IsPoint).SelectMany(l => new[] { l.From, l.To }))
            .Concat(loads.Where(l => l.IsPoint).Select(l => l.From))
            .Distinct()
            .Order()
            .SelectMany(t => t is > 0 and < 1 && loads.Any(l => l.IsPoint && l.From == t) ? new[] { (t, false), (t, true) } : [(t, t < 1)])
            .ToList();
        return ([.. places.Select(p => p.Item1)], [.. places.Select(p => p.Item2)]);
    }

    /// <summary>N, Vy, Vz, T, My, Mz at a fraction of the length; point loads at that place are counted or not.</summary>
    private static void At(BeamElement beam, double[] ends, BeamLoad[] loads, double t, bool after, Span<double> forces)
    {
        var x = t * beam.Length;
        var (n, vy, vz, torsion, my, mz) = (-ends[0], ends[1], ends[2], -ends[3], ends[4] + ends[2] * x, -ends[5] + ends[1] * x);
        foreach (var load in loads)
        {
            if (load.From > t || (load.IsPoint && load.From == t && !after))
                continue;
            // Resultant of what lies before x, and its moment about x.
            var (total, lever) = load.IsPoint ? (load.Start, load.Start * (x - load.From * beam.Length)) : Part(load, t, beam.Length);
            var direction = beam.Direction(load);
            if (!load.Direction.IsTurn())
            {
                n -= direction.X * total;
                vy += direction.Y * total;
                vz += direction.Z * total;
                my += direction.Z * lever;
                mz += direction.Y * lever;
            }
            else
            {
                torsion -= direction.X * total;
                my += direction.Y * total;
                mz -= direction.Z * total;
            }
        }
        (forces[0], forces[1], forces[2], forces[3], forces[4], forces[5]) = (n, vy, vz, torsion, my, mz);
    }

    /// <summary>∫ q ds and ∫ q·(x − s) ds of a trapezium up to a fraction t.</summary>
    private static (double Total, double Lever) Part(BeamLoad load, double t, double length)
    {
        var end = Math.Min(t, load.To);
        if (end <= load.From)
            return (0, 0);
        var last = load.Start + (load.End - load.Start) * (end - load.From) / (load.To - load.From);
        var (reach, beyond) = ((end - load.From) * length, (t - end) * length);
        var total = (load.Start + last) / 2 * reach;
        return (total, total * beyond + reach * reach * (2 * load.Start + last) / 6);
    }
}
