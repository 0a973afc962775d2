using Pravik.Core.Models;

namespace Pravik.Core.Traffic;

/// <summary>
/// What a unit load, down, anywhere on the deck does to an effect: ordinates at the joints of the deck's mesh, linear along and across
/// between them.
/// </summary>
/// <param name="Ordinates">Ordinate at each joint.</param>
/// <param name="Jump">How it jumps on a row of the mesh, as shear does over a support; null for none.</param>
public sealed record InfluenceSurface(double[] Ordinates, SurfaceJump? Jump = null)
{
    private const double Nothing = 1e-10;

    /// <summary>Whether a load does nothing anywhere.</summary>
    internal bool IsNothing => Jump is null && Array.TrueForAll(Ordinates, o => Math.Abs(o) < Nothing);

    /// <summary>The effect of loads on the joints of the mesh (N, down positive).</summary>
    public double Of(double[] nodal)
    {
        double sum = 0;
        for (var n = 0; n < nodal.Length; n++)
            sum += nodal[n] * Ordinates[n];
        return sum;
    }
}

/// <summary>
/// A jump on a row of the mesh: what to add to the ordinates of its joints, from the left edge, for a load just behind it and just ahead
/// of it.
/// </summary>
public sealed record SurfaceJump(int Row, double[] Behind, double[] Ahead)
{
    /// <summary>
    /// Shear just within the end of a span jumps by 1 for a load that passes over the girder's own joint there; null at other points.
    /// </summary>
    public static SurfaceJump? OfShear(BridgeModel model, DeckShares shares, ModelPoint place)
    {
        var (first, last) = model.Mesh.Spans[place.Span];
        if (place.Line != first && place.Line != last)
            return null;
        var step = new double[model.Mesh.Longitudinals];
        for (var k = 0; k < step.Length; k++)
            step[k] = shares.To(place.Girder, model.Mesh.NodeAt(k, place.Line));
        var none = new double[step.Length];
        return place.Line == first ? new(place.Line, none, step) : new(place.Line, [.. step.Select(s => -s)], none);
    }
}
