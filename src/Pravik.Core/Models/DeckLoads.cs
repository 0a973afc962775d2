namespace Pravik.Core.Models;

/// <summary>
/// Loads down on the joints of a deck's mesh (N), told apart by the pieces that they come from: those ahead of the joint's row, and those
/// behind it. At the end of a span the shear just within it counts the load of the span's own first half piece too, which the joint
/// leads straight into the support.
/// </summary>
public sealed class DeckLoads(DeckMesh mesh)
{
    private readonly double[] ahead = new double[mesh.Nodes.Length];
    private readonly double[] behind = new double[mesh.Nodes.Length];

    /// <summary>Load on each joint.</summary>
    public double[] OnJoints() => [.. ahead.Zip(behind, (a, b) => a + b)];

    /// <summary>Puts a load of the piece that begins on a row at one of its ends, between two joints that lie side by side.</summary>
    /// <param name="line">The line on which it lies.</param>
    /// <param name="row">Where the piece begins.</param>
    /// <param name="atEnd">Whether it goes to the end of the piece.</param>
    /// <param name="load">The load (N, down).</param>
    public void Put(DeckLine line, int row, bool atEnd, double load)
    {
        var (side, at) = (atEnd ? behind : ahead, atEnd ? row + 1 : row);
        side[line.Node[at]] += load * (1 - line.Weight[at]);
        side[line.Node[at] + 1] += load * line.Weight[at];
    }

    /// <summary>Puts a load on a joint, as if half of it came from either side.</summary>
    public void PutOn(int node, double load)
    {
        ahead[node] += load / 2;
        behind[node] += load / 2;
    }

    /// <summary>
    /// Puts a load per metre of a line that may vary with the station (N/m): the load of each piece, with the mean of its ends, goes in
    /// halves to its ends.
    /// </summary>
    public void Spread(DeckLine line, Func<double, double> perMetre) => Spread(line, Array.ConvertAll(line.Station, s => perMetre(s)));

    /// <summary>The same with the load per metre on each mesh line.</summary>
    public void Spread(DeckLine line, double[] ends)
    {
        for (var row = 0; row + 1 < ends.Length; row++)
        {
            var half = (ends[row] + ends[row + 1]) / 2 * line.Length[row] / 2;
            Put(line, row, atEnd: false, half);
            Put(line, row, atEnd: true, half);
        }
    }

    /// <summary>
    /// What the loads on a support's row that come from within a span add to the shear of a girder just within its end (N): each goes to
    /// the girders on both sides by the lever rule, or as the model shares it; 0 at other points.
    /// </summary>
    public double EndShear(ModelPoint point, DeckShares shares)
    {
        var (first, last) = mesh.Spans[point.Span];
        if (point.Line != first && point.Line != last)
            return 0;
        var (side, sign) = point.Line == first ? (ahead, 1) : (behind, -1);
        double sum = 0;
        for (var k = 0; k < mesh.Longitudinals; k++)
        {
            var node = mesh.NodeAt(k, point.Line);
            if (side[node] != 0)
                sum += side[node] * shares.ByLever(point.Girder, node);
        }
        return sign * sum;
    }
}
