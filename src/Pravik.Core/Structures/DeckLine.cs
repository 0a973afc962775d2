using Pravik.Core.Bridges;

namespace Pravik.Core.Structures;

/// <summary>
/// A line along the deck at one offset, as the grillage sees it: where it crosses each mesh line, between which joints and how far
/// from the first of them (0 to 1), and how long each piece between mesh lines is.
/// </summary>
public sealed class DeckLine
{
    private DeckLine(double offset, int[] node, double[] weight, double[] station, double[] length)
    {
        Offset = offset;
        Node = node;
        Weight = weight;
        Station = station;
        Length = length;
    }

    public double Offset { get; }

    /// <summary>The joint on the left at each mesh line; the one on the right is the next.</summary>
    public int[] Node { get; }

    /// <summary>Share of the joint on the right.</summary>
    public double[] Weight { get; }
    public double[] Station { get; }

    /// <summary>Plan length to the next mesh line; the last entry is 0.</summary>
    public double[] Length { get; }

    /// <summary>The line at an offset; offsets beyond the deck's edges are taken to the edge.</summary>
    public static DeckLine At(Grillage grillage, BridgeGeometry geometry, double offset)
    {
        var count = grillage.Lines;
        var (node, weight, station, length) = (new int[count], new double[count], new double[count], new double[count]);
        for (var k = 0; k < count; k++)
        {
            var j = 0;
            while (j < grillage.Longitudinals - 2 && grillage.Nodes[grillage.NodeAt(j + 1, k)].Offset < offset) j++;
            var (left, right) = (grillage.Nodes[grillage.NodeAt(j, k)], grillage.Nodes[grillage.NodeAt(j + 1, k)]);
            node[k] = grillage.NodeAt(j, k);
            weight[k] = Math.Clamp((offset - left.Offset) / (right.Offset - left.Offset), 0, 1);
            station[k] = left.Station + weight[k] * (right.Station - left.Station);
        }
        for (var k = 0; k + 1 < count; k++)
            length[k] = Geometry.Point.Distance(geometry.Road.At(station[k], offset), geometry.Road.At(station[k + 1], offset));
        return new(offset, node, weight, station, length);
    }

    /// <summary>Lines in the middle of <paramref name="count"/> equal cells between two offsets.</summary>
    public static DeckLine[] Cells(Grillage grillage, BridgeGeometry geometry, double from, double to, int count) =>
        [.. Enumerable.Range(0, count).Select(i => At(grillage, geometry, from + (i + 0.5) * (to - from) / count))];

    /// <summary>Adds a load per metre of this line (N/m) to the nodal loads, halves of each piece going to its ends and across by the lever rule.</summary>
    public void Spread(double[] nodalLoads, double perMetre)
    {
        for (var k = 0; k < Node.Length; k++)
        {
            var load = perMetre * (Length[k] + (k > 0 ? Length[k - 1] : 0)) / 2;
            nodalLoads[Node[k]] += load * (1 - Weight[k]);
            nodalLoads[Node[k] + 1] += load * Weight[k];
        }
    }
}
