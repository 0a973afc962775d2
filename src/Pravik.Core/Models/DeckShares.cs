using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Frames;
using Pravik.Core.Geometry;

namespace Pravik.Core.Models;

/// <summary>
/// Which joints of a model carry a load on a joint of the deck's mesh, and with which share: the joint itself, or where girders stand
/// alone the girders of its row.
/// </summary>
/// <remarks>
/// By the lever rule the edge's load goes to the two outer girders as by a lever over the first. On a deck that stays straight across
/// P·(1/n + e·x/Σx²), e and x from the middle of the girders. With a factor each girder carries that part of the row's load.
/// </remarks>
public sealed class DeckShares(DeckMesh mesh, ModelChoices choices)
{
    /// <summary>Joints (of mesh and model alike) and shares for a joint of the mesh.</summary>
    public ImmutableArray<(int Node, double Share)> Of(int node)
    {
        if (choices.Kind != ModelKind.Line)
            return [(node, 1)];
        var line = mesh.Nodes[node].Line;
        var all = ImmutableArray.CreateBuilder<(int, double)>();
        for (var g = 0; g < mesh.GirderLines.Length; g++)
        {
            if (To(g, node) is not 0 and var share)
                all.Add((mesh.OfGirder(g, line), share));
        }
        return all.ToImmutable();
    }

    /// <summary>A load of 1 N down on each joint of the mesh, as the model's joints carry it.</summary>
    public IReadOnlyList<IReadOnlyList<NodalLoad>> UnitLoads() =>
        [.. Enumerable.Range(0, mesh.Nodes.Length).Select(n => (IReadOnlyList<NodalLoad>)[.. Of(n).Select(s => Down(s.Node, s.Share))])];

    /// <summary>Share that a girder carries of a load on a joint of the mesh, 1 or 0 where joints carry their own.</summary>
    public double To(GirderIndex girder, int node)
    {
        var (line, count) = (mesh.Nodes[node].Line, mesh.GirderLines.Length);
        if (choices.Kind != ModelKind.Line)
            return node == mesh.OfGirder(girder, line) ? 1 : 0;
        if (choices.ShareFactor is { } factor)
            return factor;
        var at = mesh.GirderLines.Select(k => mesh.Nodes[mesh.NodeAt(k, line)].Offset).ToArray();
        var offset = mesh.Nodes[node].Offset;
        if (choices.Share != LoadShare.StiffDeck || count == 1)
            return Lever(at, offset, girder);
        var middle = at.Average();
        return 1.0 / count + (offset - middle) * (at[girder] - middle) / at.Sum(x => (x - middle) * (x - middle));
    }

    /// <summary>
    /// Share that a girder carries of a load on a joint of a support's row: as line girders share it, and by the lever rule on
    /// other models.
    /// </summary>
    public double ByLever(GirderIndex girder, int node)
    {
        if (choices.Kind == ModelKind.Line)
            return To(girder, node);
        var line = mesh.Nodes[node].Line;
        return Lever([.. mesh.GirderLines.Select(k => mesh.Nodes[mesh.NodeAt(k, line)].Offset)], mesh.Nodes[node].Offset, girder);
    }

    /// <summary>Loads down on the model's joints for loads down on the mesh's (N).</summary>
    public ImmutableArray<NodalLoad> Put(double[] nodal)
    {
        var sums = new SortedDictionary<int, double>();
        for (var n = 0; n < nodal.Length; n++)
        {
            if (nodal[n] == 0)
                continue;
            foreach (var (node, share) in Of(n))
                sums[node] = sums.GetValueOrDefault(node) + share * nodal[n];
        }
        return [.. sums.Select(s => Down(s.Key, s.Value))];
    }

    /// <summary>A load down on a joint (N).</summary>
    public static NodalLoad Down(int node, double load) => new(node, new Point3(0, 0, -load), default);

    private static double Lever(double[] at, double offset, GirderIndex girder)
    {
        if (at.Length == 1)
            return 1;
        var left = Math.Clamp(Array.FindLastIndex(at, x => x <= offset), 0, at.Length - 2);
        var part = (offset - at[left]) / (at[left + 1] - at[left]);
        return girder == left ? 1 - part
            : girder == left + 1 ? part
            : 0;
    }
}
