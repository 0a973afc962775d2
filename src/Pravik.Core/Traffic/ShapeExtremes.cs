using System.Numerics;

namespace Pravik.Core.Traffic;

/// <summary>
/// The greatest and the least values of a shape along each run that it may take, for surfaces side by side, and what tells where along
/// the run they are. In single precision; what is rounding beside the other sign is 0.
/// </summary>
internal sealed class ShapeExtremes
{
    private readonly ShapeOnDeck shape;
    private readonly float[] greatest;
    private readonly float[] least;
    private readonly float[] pieces;
    private readonly int ofPass;

    /// <param name="shape">The shape.</param>
    /// <param name="runs">Number of all runs.</param>
    /// <param name="workspace">Arrays of this thread.</param>
    public ShapeExtremes(ShapeOnDeck shape, int runs, Workspace workspace)
    {
        this.shape = shape;
        (greatest, least) = (workspace.TakeSingle(runs * SurfaceBlock.Most), workspace.TakeSingle(runs * SurfaceBlock.Most));
        ofPass = shape.Passes.Count == 0 ? 0 : GroupSweep.PiecesOf(shape.Passes[0].Way.Steps!.All.Length);
        pieces = workspace.TakeSingle(shape.Passes.Count * ofPass);
    }

    /// <summary>Keeps the values along a run.</summary>
    public void Set(int run, BothSigns found)
    {
        var rounding = new Vector<float>(GroupSweep.SingleRounding);
        var isAbove = Vector.GreaterThan(found.Above, rounding * found.Below);
        var isBelow = Vector.GreaterThan(found.Below, rounding * found.Above);
        Vector.ConditionalSelect(isAbove, found.Above, Vector<float>.Zero).CopyTo(greatest, run * SurfaceBlock.Most);
        Vector.ConditionalSelect(isBelow, -found.Below, Vector<float>.Zero).CopyTo(least, run * SurfaceBlock.Most);
    }

    /// <summary>Goes over the surfaces of two blocks along a run, both ways.</summary>
    public static void Sweep(int run, ShapeExtremes first, ShapeExtremes second, BlockChanges changes)
    {
        var (passes, known, knownOfOther) = (first.shape.Passes, default(BothSigns), default(BothSigns));
        for (var pass = first.shape.FirstPass(run); pass < passes.Count && passes[pass].Run == run; pass++)
        {
            var (one, other) = GroupSweep.Extremes(passes[pass].Way.Steps!, changes, first.Pieces(pass), second.Pieces(pass));
            (known, knownOfOther) = (BothSigns.Max(known, one), BothSigns.Max(knownOfOther, other));
        }
        first.Set(run, known);
        second.Set(run, knownOfOther);
    }

    /// <summary>A value along a run, by the place of the surface among those side by side.</summary>
    public double Value(int run, int of, bool isGreatest) => (isGreatest ? greatest : least)[run * SurfaceBlock.Most + of];

    /// <summary>Where along a run a value is, other than 0.</summary>
    public VehicleExtreme At(int run, int of, bool isGreatest, BlockChanges changes)
    {
        var (sign, most, chosen) = (isGreatest ? 1 : -1, 0f, -1);
        for (var p = shape.FirstPass(run); p < shape.Passes.Count && shape.Passes[p].Run == run; p++)
        {
            var found = GroupSweep.WorstPiece(Pieces(p), of, sign).Value;
            (chosen, most) = found > most ? (p, found) : (chosen, most);
        }
        var way = shape.Passes[chosen].Way;
        return new(sign * most, GroupSweep.Place(way, changes, Pieces(chosen), of, sign), double.NaN, way.IsTurned);
    }

    private Span<float> Pieces(int pass) => pieces.AsSpan(pass * ofPass, ofPass);
}

/// <summary>The greatest or the least values of a shape along runs on one surface.</summary>
internal readonly struct RunValues(ShapeExtremes extremes, int of, bool isGreatest)
{
    /// <summary>The value along a run, by its number; 0 where it is nowhere worse than nothing.</summary>
    public double this[int run] => extremes.Value(run, of, isGreatest);
}
