using System.Collections.Immutable;
using Pravik.Core.Geometry;

namespace Pravik.Core.Frames;

/// <summary>
/// A structural model of beams, shells, springs, supports and rigid links in space, in SI base units (docs/frame-model.md). Parts name
/// each other by their place in the lists.
/// </summary>
public sealed record FrameModel
{
    /// <summary>Materials.</summary>
    public ImmutableArray<FrameMaterial> Materials { get; init; } = [];

    /// <summary>Sections.</summary>
    public ImmutableArray<FrameSection> Sections { get; init; } = [];

    /// <summary>Joints.</summary>
    public ImmutableArray<FrameNode> Nodes { get; init; } = [];

    /// <summary>Beams.</summary>
    public ImmutableArray<FrameBeam> Beams { get; init; } = [];

    /// <summary>Shells.</summary>
    public ImmutableArray<FrameShell> Shells { get; init; } = [];

    /// <summary>Springs.</summary>
    public ImmutableArray<FrameSpring> Springs { get; init; } = [];

    /// <summary>Supports.</summary>
    public ImmutableArray<FrameSupport> Supports { get; init; } = [];

    /// <summary>Rigid links.</summary>
    public ImmutableArray<FrameLink> Links { get; init; } = [];

    /// <summary>Load cases.</summary>
    public ImmutableArray<FrameCase> Cases { get; init; } = [];
}

/// <summary>Modulus of elasticity (Pa), Poisson's ratio, density (kg/m³), thermal expansion (1/K).</summary>
public sealed record FrameMaterial(string Id, double E, double Nu, double Density = 0, double Alpha = 0)
{
    /// <summary>Shear modulus, E/(2·(1 + ν)) (Pa).</summary>
    public double G => E / (2 * (1 + Nu));
}

/// <summary>
/// Area, second moments (Iy for bending in the x–z plane), torsion constant, shear areas (0 for no shear deformation), m², m⁴.
/// </summary>
public sealed record FrameSection(string Id, double A, double Iy, double Iz, double J, double Avy = 0, double Avz = 0);

/// <summary>A joint and its place (m).</summary>
public sealed record FrameNode(string Id, Point3 At);

/// <summary>
/// A beam from end I to end J. Offsets are rigid, in global axes, from node to end; releases name local directions.
/// </summary>
public sealed record FrameBeam(string Id, int I, int J, int Material, int Section)
{
    /// <summary>Direction of its local z, up where null.</summary>
    public Point3? Up { get; init; }

    /// <summary>From the first joint to the beam's end (m).</summary>
    public Point3 OffsetI { get; init; }

    /// <summary>From the second joint to the beam's end (m).</summary>
    public Point3 OffsetJ { get; init; }

    /// <summary>Local directions in which its first end is free.</summary>
    public ImmutableArray<FrameDirection> ReleaseI { get; init; } = [];

    /// <summary>Local directions in which its second end is free.</summary>
    public ImmutableArray<FrameDirection> ReleaseJ { get; init; } = [];
}

/// <summary>A shell of three or four nodes in order round the edge.</summary>
public sealed record FrameShell(string Id, ImmutableArray<int> Nodes, int Material, double Thickness);

/// <summary>A spring between two nodes: stiffness along and about its axes (N/m, Nm/rad), in the order ux uy uz rx ry rz.</summary>
public sealed record FrameSpring(string Id, int I, int J, ImmutableArray<double> Stiffness)
{
    /// <summary>Direction of the local x axis; null for the global one.</summary>
    public Point3? X { get; init; }

    /// <summary>Direction of the local z axis; null for the global one.</summary>
    public Point3? Up { get; init; }
}

/// <summary>A support: directions held, and springs to the ground, in its axes.</summary>
public sealed record FrameSupport(int Node, ImmutableArray<FrameDirection> Fix, ImmutableArray<double> Springs)
{
    /// <summary>Direction of the local x axis; null for the global one.</summary>
    public Point3? X { get; init; }

    /// <summary>Direction of the local z axis; null for the global one.</summary>
    public Point3? Up { get; init; }
}

/// <summary>A rigid link: the slave moves with the master as one body.</summary>
public sealed record FrameLink(int Master, int Slave);

/// <summary>A load case.</summary>
public sealed record FrameCase(string Id)
{
    /// <summary>Acceleration that all masses bear (m/s²).</summary>
    public Point3 Gravity { get; init; }

    /// <summary>Forces and moments on joints.</summary>
    public ImmutableArray<NodalLoad> Nodal { get; init; } = [];

    /// <summary>Loads on beams.</summary>
    public ImmutableArray<BeamLoad> Beams { get; init; } = [];

    /// <summary>Loads on shells.</summary>
    public ImmutableArray<ShellLoad> Shells { get; init; } = [];

    /// <summary>Temperatures of beams.</summary>
    public ImmutableArray<BeamThermal> BeamThermal { get; init; } = [];

    /// <summary>Temperatures of shells.</summary>
    public ImmutableArray<ShellThermal> ShellThermal { get; init; } = [];

    /// <summary>Given movements of supports.</summary>
    public ImmutableArray<Settlement> Settlements { get; init; } = [];
}

/// <summary>A force (N) and a moment (Nm) on a joint.</summary>
public sealed record NodalLoad(int Node, Point3 Force, Point3 Moment);

/// <summary>
/// A load on a beam, a force along or a moment about an axis, global where it is not said to be local. A distributed one goes from
/// <paramref name="From"/> to <paramref name="To"/> (fractions of the length) and from
/// <paramref name="Start"/> to <paramref name="End"/> (N/m or Nm/m); a point load stands at <paramref name="From"/> = <paramref
/// name="To"/> with the value <paramref name="Start"/>.
/// </summary>
public sealed record BeamLoad(int Beam, FrameDirection Direction, double From, double To, double Start, double End)
{
    /// <summary>Whether it stands at one point.</summary>
    public bool IsPoint { get; init; }

    /// <summary>Whether it acts in the beam's own axes.</summary>
    public bool IsLocal { get; init; }

    /// <summary>A force (N) or moment (Nm) at a fraction of the length.</summary>
    public static BeamLoad Point(int beam, FrameDirection direction, double at, double value) =>
        new(beam, direction, at, at, value, value) { IsPoint = true };

    /// <summary>The same load per metre (N/m, Nm/m) all along.</summary>
    public static BeamLoad Even(int beam, FrameDirection direction, double value) => new(beam, direction, 0, 1, value, value);
}

/// <summary>Pressure on a shell (N/m² of its surface), in global axes.</summary>
public sealed record ShellLoad(int Shell, Point3 Pressure)
{
    /// <summary>Whether the pressure is in the shell's own axes.</summary>
    public bool IsLocal { get; init; }
}

/// <summary>Uniform temperature (K) and gradients along local y and z (K/m), positive where it is hotter at +.</summary>
public sealed record BeamThermal(int Beam, double Uniform, double GradientY, double GradientZ);

/// <summary>Uniform temperature (K) and gradient along local z (K/m) of a shell.</summary>
public sealed record ShellThermal(int Shell, double Uniform, double Gradient)
{
    /// <summary>
    /// The one direction in which it lengthens, as concrete that creeps does; null for all. The file format has no such strain.
    /// </summary>
    public Point3? Along { get; init; }
}

/// <summary>A displacement of a support, global (m, rad).</summary>
public sealed record Settlement(int Node, Point3 Movement, Point3 Rotation);
