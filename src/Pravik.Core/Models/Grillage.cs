using System.Collections.Immutable;

namespace Pravik.Core.Models;

/// <summary>What a member of the grillage stands for.</summary>
public enum MemberKind
{
    Girder,
    Edge,
    Strip,
    Diaphragm,

    /// <summary>Of the substructure.</summary>
    Crosshead,
    Column,
}

/// <summary>A member between two joints: flexural rigidity EI (Nm²) and torsional rigidity GJ (Nm²).</summary>
public sealed record GrillageMember(int I, int J, MemberKind Kind, double Flexural, double Torsional)
{
    /// <summary>Span (from 0) of a longitudinal member, or that in which one across lies.</summary>
    public int Span { get; init; }

    /// <summary>Width and depth of one across, and of an edge (m); 0 for girders and bars of steel.</summary>
    public double Width { get; init; }
    public double Depth { get; init; }
}

/// <summary>A support: rigid against vertical movement, and against twist about the joint's direction where asked.</summary>
public sealed record GrillageSupport(int Node, int Axis, bool HoldsTwist);

/// <summary>
/// A plane grid of beams that bend and twist out of their plane, with three unknowns at each joint: deflection and two rotations.
/// </summary>
public sealed record Grillage(DeckMesh Mesh, ImmutableArray<GrillageMember> Members, ImmutableArray<GrillageSupport> Supports)
{
    public ImmutableArray<DeckNode> Nodes => Mesh.Nodes;
    public int Longitudinals => Mesh.Longitudinals;
    public int Lines => Mesh.Lines;
    public ImmutableArray<SpanLines> Spans => Mesh.Spans;

    public int NodeAt(int longitudinal, int line) => Mesh.NodeAt(longitudinal, line);

    /// <summary>Girder members, [girder from 0][mesh line of their start]; −1 between the lines of a joint.</summary>
    public ImmutableArray<ImmutableArray<int>> GirderMembers { get; init; }
}
