using System.Collections.Immutable;
using Pravik.Core.Models;
using Pravik.Core.Places;

namespace Pravik.Core.Traffic;

/// <summary>A corner of a piece of an influence surface.</summary>
/// <param name="At">Its joint.</param>
/// <param name="Ordinate">What a unit load there does, just within the piece.</param>
public readonly record struct SurfaceCorner(DeckNode At, double Ordinate);

/// <summary>
/// An influence surface as it lies on a deck, to be looked at: its pieces, its greatest and least ordinates, its volumes, and how it runs
/// along a line. Within a piece it is linear along and across.
/// </summary>
public sealed class SurfaceOnDeck
{
    private readonly BridgeGeometry geometry;
    private readonly DeckMesh mesh;
    private readonly InfluenceSurface surface;

    /// <param name="geometry">The bridge.</param>
    /// <param name="mesh">Its mesh.</param>
    /// <param name="surface">A surface over it.</param>
    public SurfaceOnDeck(BridgeGeometry geometry, DeckMesh mesh, InfluenceSurface surface)
    {
        (this.geometry, this.mesh, this.surface) = (geometry, mesh, surface);
        Pieces = [.. All()];
        var corners = Pieces.SelectMany(p => p).ToList();
        (Greatest, Least) = (corners.MaxBy(c => c.Ordinate), corners.MinBy(c => c.Ordinate));
        foreach (var piece in Pieces)
        {
            // Two triangles from the corner that begins it.
            foreach (var (i, j) in new[] { (1, 2), (2, 3) })
            {
                var (above, below) = Volume(piece[0], piece[i], piece[j]);
                (Above, Below) = (Above + above, Below + below);
            }
        }
    }

    /// <summary>Pieces of four corners each, in order around them: left and right where it begins, right and left where it ends.</summary>
    public ImmutableArray<ImmutableArray<SurfaceCorner>> Pieces { get; }

    /// <summary>Where the ordinate is greatest.</summary>
    public SurfaceCorner Greatest { get; }

    /// <summary>Where it is least.</summary>
    public SurfaceCorner Least { get; }

    /// <summary>Volume over the whole deck of what is above 0 (the effect's unit per N, times m²): the effect of 1 N/m² there.</summary>
    public double Above { get; }

    /// <summary>Volume of what is below 0, not positive.</summary>
    public double Below { get; }

    /// <summary>How it runs along an offset (m).</summary>
    public LineProfile Along(double offset)
    {
        var line = DeckLine.At(mesh, geometry, offset);
        double At(double[] values, int row, int first) =>
            values[line.Node[row] - first] * (1 - line.Weight[row]) + values[line.Node[row] + 1 - first] * line.Weight[row];
        double Beside(int row, bool isAhead) =>
            At(surface.Ordinates, row, 0)
            + (surface.Jump is { } j && j.Row == row ? At(isAhead ? j.Ahead : j.Behind, row, mesh.NodeAt(0, row)) : 0);
        return new([.. Enumerable.Range(0, mesh.Lines).Select(r => (line.Station[r], Beside(r, false), Beside(r, true), line.Length[r]))]);
    }

    private IEnumerable<ImmutableArray<SurfaceCorner>> All()
    {
        foreach (var row in mesh.Spans.SelectMany(s => Enumerable.Range(s.First, s.Last - s.First)))
        {
            for (var k = 0; k + 1 < mesh.Longitudinals; k++)
                yield return [Corner(k, row, false), Corner(k + 1, row, false), Corner(k + 1, row + 1, true), Corner(k, row + 1, true)];
        }
    }

    private SurfaceCorner Corner(int longitudinal, int row, bool isEnd)
    {
        var joint = mesh.NodeAt(longitudinal, row);
        var jump = surface.Jump is { } j && j.Row == row ? (isEnd ? j.Behind : j.Ahead)[longitudinal] : 0;
        return new(mesh.Nodes[joint], surface.Ordinates[joint] + jump);
    }

    /// <summary>
    /// Volumes over a triangle of area A: A·(a + b + c)/3, and where one corner alone has its sign A·a³/(3·(a − b)·(a − c)) of that sign.
    /// </summary>
    private static (double Above, double Below) Volume(SurfaceCorner a, SurfaceCorner b, SurfaceCorner c)
    {
        var (u, v) = (b.At.At - a.At.At, c.At.At - a.At.At);
        var area = Math.Abs(u.X * v.Y - u.Y * v.X) / 2;
        var whole = area * (a.Ordinate + b.Ordinate + c.Ordinate) / 3;
        double[] values = [a.Ordinate, b.Ordinate, c.Ordinate];
        if (values.All(o => o >= 0) || values.All(o => o <= 0))
            return (Math.Max(0, whole), Math.Min(0, whole));
        var alone = values.Count(o => o > 0) == 1 ? values.Max() : values.Min();
        var others = values.ToList();
        others.Remove(alone);
        var part = area * alone * alone * alone / (3 * (alone - others[0]) * (alone - others[1]));
        return alone > 0 ? (part, whole - part) : (whole - part, part);
    }
}
