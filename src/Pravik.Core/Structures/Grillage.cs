using System.Collections.Immutable;
using Pravik.Core.Geometry;

namespace Pravik.Core.Structures;

/// <summary>What a member of the grillage stands for.</summary>
public enum MemberKind
{
    Girder,
    Edge,
    Strip,
    Diaphragm,
}

/// <summary>
/// A joint: where it is in plan, on which longitudinal line (0 the left edge, then the girders, then the right edge) and which mesh
/// line along the bridge, its station and offset, and the direction (rad, anticlockwise from east) of its first rotation axis.
/// </summary>
public sealed record GrillageNode(Point At, int Longitudinal, int Line, double Station, double Offset, double Direction);

/// <summary>A member between two joints: flexural rigidity EI (Nm²) and torsional rigidity GJ (Nm²).</summary>
public sealed record GrillageMember(int I, int J, MemberKind Kind, double Flexural, double Torsional)
{
    /// <summary>Span (from 0) of a longitudinal member.</summary>
    public int Span { get; init; }
}

/// <summary>The mesh lines on which a span begins and ends.</summary>
public readonly record struct SpanLines(int First, int Last);

/// <summary>A support: rigid against vertical movement, and against twist about the joint's direction where asked.</summary>
public sealed record GrillageSupport(int Node, int Axis, bool HoldsTwist);

/// <summary>
/// A plane grid of beams that bend and twist out of their plane, with three unknowns at each joint: deflection and two rotations.
/// </summary>
public sealed record Grillage(ImmutableArray<GrillageNode> Nodes, ImmutableArray<GrillageMember> Members, ImmutableArray<GrillageSupport> Supports)
{
    /// <summary>Number of longitudinal lines, edges included.</summary>
    public int Longitudinals { get; init; }

    /// <summary>Number of mesh lines across the bridge.</summary>
    public int Lines { get; init; }

    /// <summary>
    /// Mesh lines on which each span begins and ends. Spans that are continuous share the line between them; over a joint each has its own, in
    /// the same place, with nothing to connect them.
    /// </summary>
    public ImmutableArray<SpanLines> Spans { get; init; }

    public int NodeAt(int longitudinal, int line) => line * Longitudinals + longitudinal;

    /// <summary>Girder members, [girder from 0][mesh line of their start]; −1 between the lines of a joint.</summary>
    public ImmutableArray<ImmutableArray<int>> GirderMembers { get; init; }
}
