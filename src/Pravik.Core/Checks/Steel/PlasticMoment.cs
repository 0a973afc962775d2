using Pravik.Core.Members;

namespace Pravik.Core.Checks.Steel;

/// <summary>
/// The plastic moment of a steel girder with its slab under sagging: every plate at its yield strength, the slab at 0.85·f′_c in
/// compression; its bars and the haunch are left out (AASHTO LRFD D6.1).
/// </summary>
internal sealed class PlasticMoment
{
    private readonly record struct Block(double From, double To, double Compressed, double Pulled);

    private readonly Block[] blocks;

    public PlasticMoment(MemberSteel steel)
    {
        var plates = steel.Plates;
        Block Plate(double from, double to, double width, double yield) => new(from, to, -width * yield, width * yield);
        var (bottom, web) = (plates.Bottom.Thickness, plates.Bottom.Thickness + plates.WebDepth);
        blocks =
        [
            Plate(0, bottom, plates.Bottom.Width, steel.FlangeYield(false)),
            Plate(bottom, web, plates.WebThickness, steel.WebYield),
            Plate(web, plates.Depth, plates.Top.Width, steel.FlangeYield(true)),
            new(steel.SlabTop - steel.Slab.Thickness, steel.SlabTop, -0.85 * steel.Slab.Strength * steel.Slab.Width, 0),
        ];
        Axis = Where(steel.SlabTop);
        Moment = blocks.Sum(b => MomentOf(b, Axis));
        WebInCompression = Math.Clamp(web - Axis, 0, plates.WebDepth);
        Depth = steel.SlabTop - Axis;
    }

    /// <summary>Height of the plastic neutral axis above the soffit (m).</summary>
    public double Axis { get; }

    /// <summary>M_p (Nm).</summary>
    public double Moment { get; }

    /// <summary>D_cp: depth of the web in compression (m).</summary>
    public double WebInCompression { get; }

    /// <summary>D_p: from the top of the slab to the axis (m).</summary>
    public double Depth { get; }

    /// <summary>Where the forces of all blocks balance, by halving: the sum grows steadily as the axis rises.</summary>
    private double Where(double top)
    {
        var (low, high) = (0.0, top);
        for (var i = 0; i < 60; i++)
        {
            var middle = (low + high) / 2;
            if (blocks.Sum(b => ForceOf(b, middle)) > 0)
                high = middle;
            else
                low = middle;
        }
        return (low + high) / 2;
    }

    /// <summary>Tension below the axis, compression above it (N).</summary>
    private static double ForceOf(Block b, double axis)
    {
        var cut = Math.Clamp(axis, b.From, b.To);
        return (cut - b.From) * b.Pulled + (b.To - cut) * b.Compressed;
    }

    private static double MomentOf(Block b, double axis)
    {
        var cut = Math.Clamp(axis, b.From, b.To);
        return (cut - b.From) * b.Pulled * (axis - (b.From + cut) / 2) - (b.To - cut) * b.Compressed * ((cut + b.To) / 2 - axis);
    }
}
