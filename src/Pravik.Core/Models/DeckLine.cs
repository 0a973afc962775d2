using Pravik.Core.Places;

namespace Pravik.Core.Models;

/// <summary>
/// A line along the deck at one offset, as the mesh sees it: where it crosses each mesh line, between which joints and how far
/// from the first of them (0 to 1), and how long each piece between mesh lines is.
/// </summary>
public sealed class DeckLine
{
    private DeckLine(int[] node, double[] weight, double[] station, double[] length)
    {
        Node = node;
        Weight = weight;
        Station = station;
        Length = length;
    }

    /// <summary>The joint on the left at each mesh line; the one on the right is the next.</summary>
    public int[] Node { get; }

    /// <summary>Share of the joint on the right.</summary>
    public double[] Weight { get; }

    /// <summary>Station at each mesh line.</summary>
    public double[] Station { get; }

    /// <summary>Plan length to the next mesh line; 0 over a joint and at the end.</summary>
    public double[] Length { get; }

    /// <summary>The line at one offset; offsets beyond the deck's edges are taken to the edge.</summary>
    public static DeckLine At(DeckMesh mesh, BridgeGeometry geometry, double offset) => Along(mesh, geometry, _ => offset);

    /// <summary>The line whose offset is given at every station.</summary>
    /// <param name="mesh">The mesh.</param>
    /// <param name="geometry">Its bridge.</param>
    /// <param name="offsetAt">Offset by station.</param>
    /// <param name="unit">The unit of the deck to which the line is kept; null for the whole deck. Pieces elsewhere have no length.</param>
    /// <param name="ofStrip">Whether the line is the middle of a strip whose width counts square to the road: pieces then have their
    /// length along the road.</param>
    public static DeckLine Along(
        DeckMesh mesh,
        BridgeGeometry geometry,
        Func<double, double> offsetAt,
        UnitPlace? unit = null,
        bool ofStrip = false
    )
    {
        var count = mesh.Lines;
        var (node, weight, station, length) = (new int[count], new double[count], new double[count], new double[count]);
        var offsets = new double[count];
        for (var k = 0; k < count; k++)
        {
            // How far a joint lies right of the line.
            double Beyond(int j)
            {
                var at = mesh.Nodes[mesh.NodeAt(j, k)];
                return at.Offset - offsetAt(at.Station);
            }
            var j = 0;
            while (j < mesh.Longitudinals - 2 && Beyond(j + 1) < 0)
                j++;
            var (a, b) = (Beyond(j), Beyond(j + 1));
            var (left, right) = (mesh.Nodes[mesh.NodeAt(j, k)], mesh.Nodes[mesh.NodeAt(j + 1, k)]);
            node[k] = mesh.NodeAt(j, k);
            weight[k] = Math.Clamp(-a / (b - a), 0, 1);
            station[k] = left.Station + weight[k] * (right.Station - left.Station);
            offsets[k] = offsetAt(station[k]);
        }
        foreach (
            var k in mesh.Spans.Where((_, span) => unit?.Has(span) ?? true).SelectMany(s => Enumerable.Range(s.First, s.Last - s.First))
        )
        {
            var (a, b) = ofStrip ? ((offsets[k] + offsets[k + 1]) / 2, (offsets[k] + offsets[k + 1]) / 2) : (offsets[k], offsets[k + 1]);
            length[k] = Geometry.Point.Distance(geometry.Road.At(station[k], a), geometry.Road.At(station[k + 1], b));
        }
        return new(node, weight, station, length);
    }

    /// <summary>Lines in the middle of <paramref name="count"/> equal cells between two offsets.</summary>
    public static DeckLine[] Cells(DeckMesh mesh, BridgeGeometry geometry, double from, double to, int count) =>
        [.. Enumerable.Range(0, count).Select(i => At(mesh, geometry, from + (i + 0.5) * (to - from) / count))];

    /// <summary>Lines in the middle of equal cells of a unit's strip, numbered from the left edge.</summary>
    public static DeckLine[] Cells(DeckMesh mesh, BridgeGeometry geometry, UnitPlace unit, int strip, int count) =>
        [.. Enumerable.Range(0, count).Select(i => Along(mesh, geometry, s => unit.Shape.Within(strip, (i + 0.5) / count, s), unit, true))];
}
