using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Frames;
using Pravik.Core.Places;

namespace Pravik.Core.Models;

/// <summary>
/// The section of a girder in a piece of the model, in the girder's material: a layer of girder and, where it acts, one of slab (m, m²,
/// m⁴; levels above the girder's soffit).
/// </summary>
/// <param name="Girder">The bare girder.</param>
/// <param name="Composite">Girder and slab; the bare girder where there is none.</param>
/// <param name="SlabWidth">Effective width; 0 where there is no slab.</param>
/// <param name="SlabThickness">Thickness of the slab.</param>
/// <param name="Haunch">Height of the haunch.</param>
/// <param name="HaunchWidth">Its width as far as it acts.</param>
/// <param name="Ratio">Modulus of the slab over that of the girder.</param>
/// <param name="Modulus">Modulus of the girder (Pa).</param>
public sealed record LayeredSection(
    Sections.SectionProperties Girder,
    Sections.SectionProperties Composite,
    double SlabWidth,
    double SlabThickness,
    double Haunch,
    double HaunchWidth,
    double Ratio,
    double Modulus
)
{
    /// <summary>Whether a slab works with the girder.</summary>
    public bool HasSlab => SlabWidth > 0;

    /// <summary>Level of the middle of the slab above the girder's soffit.</summary>
    public double SlabMiddle => Girder.Depth + Haunch + SlabThickness / 2;
}

/// <summary>
/// Where a girder rests: axis and girder, the joint of the mesh above it, and the part of the model through which its reaction
/// is read.
/// </summary>
/// <param name="Axis">Axis from 0.</param>
/// <param name="Girder">Girder from 0.</param>
/// <param name="Line">Row of the mesh.</param>
/// <param name="Node">Node of the frame model that is supported, or at which the bearing's spring ends.</param>
/// <param name="Spring">The bearing's spring; null where the node itself is supported.</param>
public sealed record ModelSeat(AxisIndex Axis, GirderIndex Girder, int Line, int Node, int? Spring);

/// <summary>A member that is not of a girder: what it is, its beam, and its name in words.</summary>
public sealed record ModelMember(MemberKind Kind, int Beam, string Name);

/// <summary>A frame model made of a bridge, and what its parts stand for.</summary>
public sealed record BridgeModel(ModelKind Kind, StageState State, FrameModel Frame, DeckMesh Mesh)
{
    /// <summary>Beams of girders, [girder from 0][row where the piece begins]; −1 where there is none.</summary>
    public required ImmutableArray<ImmutableArray<int>> GirderBeams { get; init; }

    /// <summary>Sections of those pieces; null where there is none.</summary>
    public required ImmutableArray<ImmutableArray<LayeredSection?>> Sections { get; init; }

    /// <summary>Shells of the slab, [row][bay]; −1 where there is none. Empty for models without shells.</summary>
    public ImmutableArray<ImmutableArray<int>> Shells { get; init; } = [];

    /// <summary>Where girders are held.</summary>
    public required ImmutableArray<ModelSeat> Seats { get; init; }

    /// <summary>Members that are not of girders.</summary>
    public required ImmutableArray<ModelMember> Others { get; init; }

    /// <summary>Props: span and girder and the node that is held.</summary>
    public ImmutableArray<(SpanIndex Span, GirderIndex Girder, int Node)> Props { get; init; } = [];

    /// <summary>What was changed by hand and found no part.</summary>
    public ImmutableArray<string> Unmet { get; init; } = [];

    /// <summary>The span of the piece that begins on a row.</summary>
    public int SpanOf(int line) => Mesh.SpanOf(line);

    /// <summary>
    /// The piece of girder at a point, by the row on which it begins: the one ahead, at the end of a span the one behind.
    /// </summary>
    public int RowOf(ModelPoint point) => Math.Min(point.Line, Mesh.Spans[point.Span].Last - 1);
}
