using System.Runtime.InteropServices;
using System.Security.Cryptography;
using Pravik.Core.Frames;

namespace Pravik.Core.Stages;

/// <summary>
/// Keeps the factors of the latest models, so that an edit of loads alone does not factorise again. A model is known by all that its
/// stiffness depends on: joints, members, sections, materials, shells, springs, supports, links. Safe for use by several runs at once.
/// </summary>
/// <param name="most">Bytes of factors that are kept, as far as a fifth of the memory there is allows; the latest one always is.</param>
public sealed class FactorStore(double most = 1.5e9)
{
    private readonly LatestStore<FrameAnalysis> kept = new(
        a => 8.0 * a.Effort.Entries,
        Math.Min(most, GC.GetGCMemoryInfo().TotalAvailableMemoryBytes / 5.0)
    );

    /// <summary>The analysis of a model, and whether it was there already. Throws as <see cref="FrameAnalysis"/> does.</summary>
    public (FrameAnalysis Analysis, bool Reused) Of(FrameModel model, CancellationToken cancel)
    {
        var key = KeyOf(model);
        if (kept.Find(key) is { } known)
            return (known, true);
        var analysis = new FrameAnalysis(model, null, cancel);
        kept.Keep(key, analysis);
        return (analysis, false);
    }

    /// <summary>All that the stiffness of a model depends on, as a hash.</summary>
    public static string KeyOf(FrameModel model)
    {
        using var hash = IncrementalHash.CreateHash(HashAlgorithmName.SHA256);
        void Put(params ReadOnlySpan<double> values) => hash.AppendData(MemoryMarshal.AsBytes(values));
        foreach (var m in model.Materials)
            Put(m.E, m.Nu, m.Density, m.Alpha);
        Put(model.Sections.Length);
        foreach (var s in model.Sections)
            Put(s.A, s.Iy, s.Iz, s.J, s.Avy, s.Avz);
        Put(model.Nodes.Length);
        foreach (var n in model.Nodes)
            Put(n.At.X, n.At.Y, n.At.Z);
        Put(model.Beams.Length);
        foreach (var b in model.Beams)
        {
            var up = b.Up ?? new(double.NaN, 0, 0);
            Put(
                b.I,
                b.J,
                b.Material,
                b.Section,
                up.X,
                up.Y,
                up.Z,
                b.OffsetI.X,
                b.OffsetI.Y,
                b.OffsetI.Z,
                b.OffsetJ.X,
                b.OffsetJ.Y,
                b.OffsetJ.Z,
                Bits(b.ReleaseI),
                Bits(b.ReleaseJ)
            );
        }
        Put(model.Shells.Length);
        foreach (var s in model.Shells)
        {
            Put(s.Material, s.Thickness, s.Nodes.Length);
            foreach (var n in s.Nodes)
                Put(n);
        }
        Put(model.Springs.Length);
        foreach (var s in model.Springs)
            Put([s.I, s.J, .. s.Stiffness, s.X?.X ?? 9, s.X?.Y ?? 9, s.X?.Z ?? 9]);
        Put(model.Supports.Length);
        foreach (var s in model.Supports)
            Put([s.Node, Bits(s.Fix), .. s.Springs, s.X?.X ?? 9, s.X?.Y ?? 9, s.X?.Z ?? 9]);
        foreach (var l in model.Links)
            Put(l.Master, l.Slave);
        return Convert.ToHexString(hash.GetHashAndReset());
    }

    private static double Bits(IEnumerable<FrameDirection> directions) => directions.Sum(d => 1 << (int)d);
}
