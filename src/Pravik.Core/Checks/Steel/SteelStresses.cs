using Pravik.Core.Calculations;
using Pravik.Core.Members;
using Pravik.Core.Sections;
using Pravik.Core.Units;

namespace Pravik.Core.Checks.Steel;

/// <summary>
/// Stresses of a steel girder under a combination (Pa, tension positive), each part of the moment on what resists it. Under a hogging
/// moment the slab has cracked and its bars act (AASHTO LRFD 6.10.1.1.1c).
/// </summary>
internal sealed class SteelStresses
{
    private readonly MemberSteel steel;
    private readonly StateMoments moments;
    private readonly SectionProperties bare;
    private readonly SectionProperties slow;
    private readonly SectionProperties quick;

    public SteelStresses(MemberSteel steel, StateMoments moments, bool slabActs)
    {
        (this.steel, this.moments, SlabActs, bare) = (steel, moments, slabActs, steel.In(SteelState.Bare));
        (slow, quick) = slabActs
            ? (steel.In(SteelState.LongTerm), steel.In(SteelState.ShortTerm))
            : (steel.In(SteelState.Cracked), steel.In(SteelState.Cracked));
    }

    /// <summary>Whether the slab acts; else its bars.</summary>
    public bool SlabActs { get; }

    /// <summary>Stress at the outer edge of the top flange.</summary>
    public double Top => At(steel.Plates.Depth);

    /// <summary>Stress at the outer edge of the bottom flange.</summary>
    public double Bottom => At(0);

    /// <summary>Stress of a flange.</summary>
    public double Flange(bool top) => top ? Top : Bottom;

    /// <summary>Compression at the top of the slab where it acts, positive (Pa); 0 elsewhere.</summary>
    public double SlabCompression => Math.Max(0, -AtSlabTop);

    /// <summary>Tension there (Pa); 0 where it does not act.</summary>
    public double SlabTension => Math.Max(0, AtSlabTop);

    private double AtSlabTop
    {
        get
        {
            if (!SlabActs)
                return 0;
            var (ratio, z) = (steel.Slab.Ratio, steel.SlabTop);
            var inSteel = Bending(slow, moments.LongTerm, z) / MemberSteel.Slow + Bending(quick, moments.ShortTerm, z) + Direct(quick);
            return inSteel / ratio;
        }
    }

    /// <summary>
    /// Depth of the web in compression (m), by where the added stresses are 0 between both flanges (AASHTO LRFD D6.3.1); of a slab that has
    /// cracked by the section of steel and bars.
    /// </summary>
    public double WebInCompression(bool compressionIsTop)
    {
        var plates = steel.Plates;
        if (!SlabActs && !compressionIsTop && moments.Composite != 0)
            return Math.Clamp(quick.Centroid - plates.Bottom.Thickness, 0, plates.WebDepth);
        var (compressed, other) = (-Flange(compressionIsTop), Flange(!compressionIsTop));
        if (compressed <= 0)
            return 0;
        if (other <= 0)
            return plates.WebDepth;
        var flange = plates.FlangeAt(compressionIsTop).Thickness;
        return Math.Clamp(compressed / (compressed + other) * plates.Depth - flange, 0, plates.WebDepth);
    }

    /// <summary>Writes the properties of what resists, and the stress of a flange part by part.</summary>
    public void Write(Calculation c, bool top, string clause)
    {
        var (z, name) = (top ? steel.Plates.Depth : 0, top ? "t" : "b");
        c.Heading(top ? "Stress of the top flange" : "Stress of the bottom flange");
        Part($"S_NC,{name}", "f_1", "M_D1", bare, moments.Bare, "the steel alone");
        Part($"S_LT,{name}", "f_2", "M_D2", slow, moments.LongTerm, SlabActs ? "steel and slab at 3n" : "steel and bars");
        Part($"S_ST,{name}", "f_3", "M_L", quick, moments.ShortTerm, SlabActs ? "steel and slab at n" : "steel and bars");
        if (moments.Axial != 0)
            c.Line("f_4", "N_u / A, on what resists for a short time", Direct(quick), QuantityKind.Stress, clause);
        c.Line("f_bu", "sum, tension positive", At(z), QuantityKind.Stress, clause);

        void Part(string modulus, string stress, string moment, SectionProperties section, double value, string words)
        {
            if (value == 0)
                return;
            c.Line(modulus, $"of {words}, I / z", Math.Abs(section.SecondMoment / (z - section.Centroid)), QuantityKind.Modulus, clause);
            c.Line(stress, $"{moment} / {modulus}", Bending(section, value, z), QuantityKind.Stress, clause);
        }
    }

    /// <summary>Stress of the steel at a height above the soffit.</summary>
    public double At(double z) =>
        Bending(bare, moments.Bare, z) + Bending(slow, moments.LongTerm, z) + Bending(quick, moments.ShortTerm, z) + Direct(quick);

    /// <summary>σ = −M·(z − z̄)/I, sagging positive.</summary>
    private static double Bending(SectionProperties section, double moment, double z) =>
        -moment * (z - section.Centroid) / section.SecondMoment;

    private double Direct(SectionProperties section) => moments.Axial / section.Area;
}
