namespace Pravik.Core.Models;

/// <summary>
/// Forces on a section (N, Nm): axial force (tension positive), shear across, shear, torsion, sagging moment, moment across.
/// </summary>
public readonly record struct SectionForces(double N, double Vy, double V, double T, double M, double Mz)
{
    /// <summary>The sum of forces.</summary>
    public static SectionForces operator +(SectionForces a, SectionForces b) =>
        new(a.N + b.N, a.Vy + b.Vy, a.V + b.V, a.T + b.T, a.M + b.M, a.Mz + b.Mz);

    /// <summary>Forces times a factor.</summary>
    public static SectionForces operator *(double f, SectionForces a) => new(f * a.N, f * a.Vy, f * a.V, f * a.T, f * a.M, f * a.Mz);

    /// <summary>The difference of forces.</summary>
    public static SectionForces operator -(SectionForces a, SectionForces b) => a + -1 * b;
}

/// <summary>
/// Stresses at the soffit and the top of the girder and at the top of the slab (Pa, tension positive); 0 in a slab that is not there.
/// </summary>
public readonly record struct FaceStresses(double Bottom, double GirderTop, double SlabTop)
{
    /// <summary>The sum of stresses.</summary>
    public static FaceStresses operator +(FaceStresses a, FaceStresses b) =>
        new(a.Bottom + b.Bottom, a.GirderTop + b.GirderTop, a.SlabTop + b.SlabTop);

    /// <summary>Stresses times a factor.</summary>
    public static FaceStresses operator *(double f, FaceStresses a) => new(f * a.Bottom, f * a.GirderTop, f * a.SlabTop);
}

/// <summary>What the ground or a pier does to a girder at a seat (N): along the girder, across it to the left, and up.</summary>
public readonly record struct SeatForces(double Along, double Across, double Up);
