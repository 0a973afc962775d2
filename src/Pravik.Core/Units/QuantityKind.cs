namespace Pravik.Core.Units;

/// <summary>What a number measures. Decides the unit it is typed and shown in; inside Core all are SI base units.</summary>
public enum QuantityKind
{
    /// <summary>A plain number or ratio.</summary>
    Number,

    /// <summary>A whole number of things.</summary>
    Count,

    /// <summary>Overall lengths, stations and levels (m or ft).</summary>
    Length,

    /// <summary>Sizes of members (mm or in).</summary>
    Size,

    /// <summary>Plane angles (degrees).</summary>
    Angle,

    /// <summary>Grades and crossfalls (percent, rise over run).</summary>
    Slope,

    /// <summary>Areas of decks (m² or ft²).</summary>
    Area,

    /// <summary>Areas of the sections of members (m² or in²).</summary>
    SectionArea,

    /// <summary>Areas of bars and strands (mm² or in²).</summary>
    SmallArea,

    /// <summary>Second moments of area and torsion constants (m⁴ or in⁴).</summary>
    SecondMoment,

    /// <summary>Section moduli (m³ or in³).</summary>
    Modulus,

    /// <summary>Volumes (m³ or yd³).</summary>
    Volume,

    /// <summary>Masses (t or lb).</summary>
    Mass,

    /// <summary>Forces (kN or kip).</summary>
    Force,

    /// <summary>Bending moments (kNm or kip-ft).</summary>
    Moment,

    /// <summary>Bending moments of a slab per width (kNm/m or kip-ft/ft).</summary>
    SlabMoment,

    /// <summary>Force per length (kN/m or kip/ft).</summary>
    LineLoad,

    /// <summary>Force per area (kN/m² or ksf).</summary>
    AreaLoad,

    /// <summary>Force per volume (kN/m³ or kcf).</summary>
    UnitWeight,

    /// <summary>Stresses and strengths (MPa or ksi).</summary>
    Stress,

    /// <summary>Stresses of a few MPa, as of shear between two faces (MPa or ksi).</summary>
    SmallStress,

    /// <summary>Widths of cracks (mm or in).</summary>
    CrackWidth,

    /// <summary>Strain (per mille).</summary>
    Strain,

    /// <summary>Speed of traffic.</summary>
    Speed,
}
