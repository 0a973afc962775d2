using Pravik.Core.Geometry;

namespace Pravik.Core.Frames;

/// <summary>Rigid bodies of a model: every node with those that links tie to it. A body moves as its root does.</summary>
public sealed class FrameBodies
{
    private readonly int[] bodyOf;
    private readonly Point3[] arms;

    /// <param name="model">A model whose links <see cref="FrameChecks"/> has found sound.</param>
    public FrameBodies(FrameModel model)
    {
        var master = new int[model.Nodes.Length];
        Array.Fill(master, -1);
        foreach (var link in model.Links)
            master[link.Slave] = link.Master;
        var number = new int[model.Nodes.Length];
        List<int> roots = [];
        for (var n = 0; n < master.Length; n++)
        {
            if (master[n] >= 0)
                continue;
            number[n] = roots.Count;
            roots.Add(n);
        }
        Roots = [.. roots];
        bodyOf = new int[master.Length];
        arms = new Point3[master.Length];
        for (var n = 0; n < master.Length; n++)
        {
            var root = n;
            while (master[root] >= 0)
                root = master[root];
            (bodyOf[n], arms[n]) = (number[root], model.Nodes[n].At - model.Nodes[root].At);
        }
    }

    /// <summary>Node at the root of every body.</summary>
    public int[] Roots { get; }

    /// <summary>The body to which a joint belongs.</summary>
    public int Of(int node) => bodyOf[node];

    /// <summary>From the root of its body to a node.</summary>
    public Point3 Arm(int node) => arms[node];
}
