using System.Collections.Immutable;
using Pravik.Core.Bridges;

namespace Pravik.Core.Models;

/// <summary>A shell of the slab, by the row and the bay of its place in the mesh, and its weight in a value between shells.</summary>
public readonly record struct ShellShare(int Row, int Bay, double Weight);

/// <summary>
/// A place of the slab in the mesh: between the middles of which shells it lies, and the direction of the girders there (rad,
/// anticlockwise from east).
/// </summary>
/// <param name="Number">Its number among those of the bridge, from 0.</param>
/// <param name="Place">Where it is on the deck.</param>
/// <param name="Direction">Direction of the girders.</param>
/// <param name="Shells">Shells whose values it stands between, weights 1 in all; none for a place off the deck.</param>
public sealed record SlabPoint(int Number, SlabPlace Place, double Direction, ImmutableArray<ShellShare> Shells)
{
    /// <summary>Steps of Newton's method within a cell: two for a parallelogram, a few where sides are not parallel.</summary>
    private const int Steps = 8;

    /// <summary>How far outside a cell a place still counts as on its edge, as a part of the cell.</summary>
    private const double OnEdge = 1e-6;

    /// <summary>All places of a bridge in a mesh.</summary>
    public static ImmutableArray<SlabPoint> All(DeckMesh mesh, ImmutableArray<SlabPlace> places) =>
        [.. places.Select((p, number) => Of(mesh, p, number))];

    private static SlabPoint Of(DeckMesh mesh, SlabPlace place, int number)
    {
        foreach (var (first, last) in mesh.Spans)
        {
            for (var row = first; row < last; row++)
            {
                for (var bay = 0; bay + 1 < mesh.Longitudinals; bay++)
                {
                    if (Within(mesh, row, bay, place) is not { } at)
                        continue;
                    var (from, to) = (mesh.Nodes[mesh.NodeAt(bay, row)].Direction, mesh.Nodes[mesh.NodeAt(bay, row + 1)].Direction);
                    var along = Beside(row, at.Along, r => HasShells(mesh, r) ? Length(mesh, bay, r, bay, r + 1) : null);
                    var across = Beside(bay, at.Across, b => IsBay(mesh, b) ? Length(mesh, b, row, b + 1, row) : null);
                    return new(
                        number,
                        place,
                        from + at.Along * Math.IEEERemainder(to - from, 2 * Math.PI),
                        [.. along.SelectMany(r => across.Select(b => new ShellShare(r.Cell, b.Cell, r.Weight * b.Weight)))]
                    );
                }
            }
        }
        return new(number, place, 0, []);
    }

    /// <summary>Whether pieces begin on a row: not on the last one of a unit of the deck.</summary>
    private static bool HasShells(DeckMesh mesh, int row) => mesh.Spans.Any(s => row >= s.First && row < s.Last);

    private static bool IsBay(DeckMesh mesh, int bay) => bay >= 0 && bay + 1 < mesh.Longitudinals;

    private static double Length(DeckMesh mesh, int bay, int row, int toBay, int toRow) =>
        (mesh.Nodes[mesh.NodeAt(toBay, toRow)].At - mesh.Nodes[mesh.NodeAt(bay, row)].At).Length;

    /// <summary>
    /// The cell and the one on the nearer side, with weights by distance from their middles; the cell alone where none is.
    /// </summary>
    private static (int Cell, double Weight)[] Beside(int cell, double part, Func<int, double?> length)
    {
        var other = part < 0.5 ? cell - 1 : cell + 1;
        if (length(other) is not { } beyond || length(cell) is not { } own)
            return [(cell, 1)];
        var weight = Math.Abs(part - 0.5) * own / ((own + beyond) / 2);
        return [(cell, 1 - weight), (other, weight)];
    }

    /// <summary>
    /// Parts of a cell along and across at which a place lies, by P = (1−u)(1−v)·A + u(1−v)·B + (1−u)v·C + u·v·D over stations and
    /// offsets; null where it lies outside.
    /// </summary>
    private static (double Along, double Across)? Within(DeckMesh mesh, int row, int bay, SlabPlace place)
    {
        var (a, b) = (mesh.Nodes[mesh.NodeAt(bay, row)], mesh.Nodes[mesh.NodeAt(bay, row + 1)]);
        var (c, d) = (mesh.Nodes[mesh.NodeAt(bay + 1, row)], mesh.Nodes[mesh.NodeAt(bay + 1, row + 1)]);
        var (u, v) = (0.5, 0.5);
        for (var step = 0; step < Steps; step++)
        {
            double Mixed(Func<DeckNode, double> x) => (1 - v) * ((1 - u) * x(a) + u * x(b)) + v * ((1 - u) * x(c) + u * x(d));
            double ByU(Func<DeckNode, double> x) => (1 - v) * (x(b) - x(a)) + v * (x(d) - x(c));
            double ByV(Func<DeckNode, double> x) => (1 - u) * (x(c) - x(a)) + u * (x(d) - x(b));
            var (missing, aside) = (place.Station - Mixed(n => n.Station), place.Offset - Mixed(n => n.Offset));
            var (su, sv, ou, ov) = (ByU(n => n.Station), ByV(n => n.Station), ByU(n => n.Offset), ByV(n => n.Offset));
            var det = su * ov - sv * ou;
            if (det == 0)
                return null;
            (u, v) = (u + (missing * ov - aside * sv) / det, v + (aside * su - missing * ou) / det);
        }
        static bool IsIn(double part) => part is >= -OnEdge and <= 1 + OnEdge;
        return IsIn(u) && IsIn(v) ? (Math.Clamp(u, 0, 1), Math.Clamp(v, 0, 1)) : null;
    }
}
