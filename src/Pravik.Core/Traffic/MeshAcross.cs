using Pravik.Core.Models;

namespace Pravik.Core.Traffic;

/// <summary>How the lines of a mesh lie across the deck.</summary>
internal sealed class MeshAcross
{
    /// <summary>Offsets closer than this are one (m).</summary>
    private const double Same = 0.02;

    /// <summary>How much the skew of rows may differ (m along per m across).</summary>
    private const double SameSkew = 0.02;

    public MeshAcross(DeckMesh mesh)
    {
        List<double> all = [];
        IsParallel = true;
        for (var k = 0; k < mesh.Longitudinals; k++)
        {
            foreach (var (span, number) in mesh.Spans.Select((s, i) => (s, i)))
            {
                double At(int row) => mesh.Nodes[mesh.NodeAt(k, row)].Offset;
                var offset = At(mesh.NearestLine(number, 0.5));
                if (!all.Exists(o => Math.Abs(o - offset) < Same))
                    all.Add(offset);
                for (var row = span.First; row <= span.Last; row++)
                    IsParallel &= Math.Abs(At(row) - offset) < Same;
            }
        }
        IsParallel &= all.Count == mesh.Longitudinals && Skews(mesh).Max() - Skews(mesh).Min() < SameSkew;
        Lines = all;
    }

    /// <summary>
    /// Offsets of its lines along the bridge (m). A line that does not keep its offset has the one in the middle of each span.
    /// </summary>
    public IReadOnlyList<double> Lines { get; }

    /// <summary>
    /// Whether all lines keep their offsets and all rows have one skew. As a vehicle moves across at its worst along, its effect then bends
    /// down only where a wheel crosses a line.
    /// </summary>
    public bool IsParallel { get; }

    private static IEnumerable<double> Skews(DeckMesh mesh)
    {
        for (var row = 0; row < mesh.Lines; row++)
        {
            var (left, right) = (mesh.Nodes[mesh.NodeAt(0, row)], mesh.Nodes[mesh.NodeAt(mesh.Longitudinals - 1, row)]);
            yield return (right.Station - left.Station) / (right.Offset - left.Offset);
        }
    }
}
