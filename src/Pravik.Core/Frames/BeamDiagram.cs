namespace Pravik.Core.Frames;

/// <summary>Section forces along a beam from the forces at its first end and the loads up to a place.</summary>
/// <remarks>
/// On the part from end i to x: N = −f_x − ∫q_x, T = −m_x − ∫m_x, Vy = f_y + ∫q_y, Vz = f_z + ∫q_z, My = m_y + f_z·x + ∫[q_z·(x − s) +
/// m_y] ds, Mz = −m_z + f_y·x + ∫[q_y·(x − s) − m_z] ds. N is positive in tension, My and Mz where they put the −z and −y
/// face in tension.
/// </remarks>
internal static class BeamDiagram
{
    private static readonly double[] Usual = [0, 0.25, 0.5, 0.75, 1];

    public static BeamForces Of(BeamElement beam, double[] ends, BeamLoad[] loads)
    {
        // Places twice where a point load makes a value jump: just before it and just after it.
        var places = Usual
            .Concat(loads.Where(l => !l.IsPoint).SelectMany(l => new[] { l.From, l.To }))
            .Concat(loads.Where(l => l.IsPoint).Select(l => l.From))
            .Distinct()
            .Order()
            .SelectMany(t => t is > 0 and < 1 && loads.Any(l => l.IsPoint && l.From == t) ? new[] { (t, false), (t, true) } : [(t, t < 1)])
            .ToList();
        var all = places.Select(p => At(beam, ends, loads, p.Item1, p.Item2)).ToList();
        return new(
            [.. places.Select(p => p.Item1)],
            [.. all.Select(f => f[0])],
            [.. all.Select(f => f[1])],
            [.. all.Select(f => f[2])],
            [.. all.Select(f => f[3])],
            [.. all.Select(f => f[4])],
            [.. all.Select(f => f[5])]
        );
    }

    /// <summary>N, Vy, Vz, T, My, Mz at a fraction of the length; point loads at that place are counted or not.</summary>
    private static double[] At(BeamElement beam, double[] ends, BeamLoad[] loads, double t, bool after)
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
            if (load.Component < 3)
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
        return [n, vy, vz, torsion, my, mz];
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
