using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Geometry;
using Pravik.Core.Materials;
using Pravik.Core.Places;
using Pravik.Core.Sections;

namespace Pravik.Core.Models;

/// <summary>What a member of a model stands for.</summary>
public enum MemberKind
{
    /// <summary>A girder.</summary>
    Girder,

    /// <summary>An edge of the slab along the deck.</summary>
    Edge,

    /// <summary>A strip of slab across.</summary>
    Strip,

    /// <summary>A diaphragm or cross-frame.</summary>
    Diaphragm,

    /// <summary>Of the substructure.</summary>
    Crosshead,

    /// <summary>A column of a pier.</summary>
    Column,
}

/// <summary>A member of the slab or between girders, from joint to joint: flexural rigidity EI and torsional rigidity GJ (Nm²).</summary>
public sealed record CrossMember(int I, int J, MemberKind Kind, double Flexural, double Torsional)
{
    /// <summary>Span of an edge, or that in which one across lies.</summary>
    public SpanIndex Span { get; init; }

    /// <summary>Width and depth (m); 0 for bars of steel.</summary>
    public double Width { get; init; }

    /// <summary>Depth (m).</summary>
    public double Depth { get; init; }
}

/// <summary>
/// What a grillage has beside its girders: nominal members along the deck's edges, slab strips across, diaphragms.
/// </summary>
/// <remarks>
/// Hambly, Bridge Deck Behaviour, 2nd edition, chapters 2 and 4. Slab strips of width b and depth d have I = b·d³/12 and torsion
/// constant b·d³/6 in each direction. Up to a skew of 20° strips lie along the skew, b being measured square to the strip; beyond,
/// each joins the nearest joints across, nearly square to the girders.
/// </remarks>
public sealed class CrossMembers
{
    /// <summary>ν of concrete, uncracked (EN 1992-1-1 3.1.3(4)).</summary>
    public const double PoissonsRatio = 0.2;

    /// <summary>Up to this skew (rad) strips across lie along the axes.</summary>
    public const double GreatestAlignedSkew = 20 * Math.PI / 180;
    private readonly BridgeGeometry geometry;
    private readonly Bridge bridge;
    private readonly Concrete slab;
    private readonly DeckMesh mesh;
    private readonly ImmutableArray<SpanLines> spans;
    private readonly ImmutableArray<DeckNode> nodes;
    private readonly List<CrossMember> members = [];
    private readonly int longitudinals;

    private CrossMembers(BridgeGeometry geometry, IReadOnlyList<SpanRows> rows)
    {
        this.geometry = geometry;
        bridge = geometry.Bridge;
        slab = Concrete.Of(bridge.Materials.Slab);
        longitudinals = geometry.Girders.Length + 2;
        mesh = DeckMesh.Of(geometry, rows);
        (spans, nodes) = (mesh.Spans, mesh.Nodes);
    }

    /// <summary>The members, with the mesh of girder lines and edges on which they lie.</summary>
    /// <param name="geometry">The bridge, with girders in every span.</param>
    /// <param name="rows">Rows along each span.</param>
    public static (DeckMesh Mesh, ImmutableArray<CrossMember> Members) Of(BridgeGeometry geometry, IReadOnlyList<SpanRows> rows)
    {
        var all = new CrossMembers(geometry, rows);
        all.AddEdges();
        all.AddAcross();
        return (all.mesh, [.. all.members]);
    }

    private void AddEdges()
    {
        for (var span = 0; span < geometry.SpanCount; span++)
        {
            var (first, last) = (geometry.Girders[0], geometry.Girders[^1]);
            var (left, right) = (geometry.SlabShares(first, span).Left, geometry.SlabShares(last, span).Right);
            var (onLeft, onRight) = (geometry.SlabThickness(first, span, 0.5), geometry.SlabThickness(last, span, 0.5));
            for (var line = spans[span].First; line < spans[span].Last; line++)
            {
                AddEdge(0, line, span, left, onLeft);
                AddEdge(longitudinals - 1, line, span, right, onRight);
            }
        }
    }

    /// <summary>
    /// An edge member carries load from the edge to the strips, and the twist of the outer half of the overhang. That slab's own
    /// bending along the bridge belongs to the flange of the outer girder; the member gets a hundredth of it, so that no moment
    /// escapes the girders.
    /// </summary>
    private void AddEdge(int longitudinal, int line, SpanIndex span, double overhang, double thickness) =>
        members.Add(
            new(
                Node(longitudinal, line),
                Node(longitudinal, line + 1),
                MemberKind.Edge,
                0.01 * slab.Ecm * Bending(overhang / 2, thickness),
                Shear(slab.Ecm) * EffectiveSlab.PlateTorsion(overhang / 2, thickness)
            )
            {
                Span = span,
                Width = overhang / 2,
                Depth = thickness,
            }
        );

    private void AddAcross()
    {
        var steel = StructuralSteel.Of(bridge.Materials.Structural);
        var axes = mesh.AxisLines().Select(l => l.Line).ToHashSet();
        var aligned = geometry.Axes.Max(a => Math.Abs(a.Skew)) <= GreatestAlignedSkew;
        for (var bay = 0; bay + 1 < longitudinals; bay++)
        {
            foreach (var line in axes)
                AddDiaphragm(Node(bay, line), Node(bay + 1, line), bridge.Girders.Diaphragm.Width, bridge.Girders.Diaphragm.Depth);
            foreach (var placed in geometry.DiaphragmBays().Where(d => d.Bay == bay))
            {
                var (from, to) = (mesh.NearestLine(placed.Span, placed.OnLeft), mesh.NearestLine(placed.Span, placed.OnRight));
                if (axes.Contains(from) && from == to)
                    continue;
                if (placed.Diaphragm.Kind == DiaphragmKind.Concrete)
                    AddDiaphragm(Node(bay, from), Node(bay + 1, to), placed.Diaphragm.Width, placed.Diaphragm.Depth);
                // A steel member as it is; frames of bars are left out of the stiffness, which is on the safe side for the girders.
                else if (placed.Diaphragm.Kind == DiaphragmKind.Beam && geometry.BarsOf(placed.Diaphragm) is { } bar)
                    members.Add(
                        new(
                            Node(bay, from),
                            Node(bay + 1, to),
                            MemberKind.Diaphragm,
                            steel.E * bar.Properties.Ix,
                            steel.G * bar.Properties.J
                        )
                        {
                            Span = placed.Span,
                        }
                    );
            }
            foreach (var unit in geometry.Units)
            {
                var (first, last) = (spans[unit.FirstSpan].First, spans[unit.LastSpan].Last);
                var pairs = aligned ? Enumerable.Range(first, last - first + 1).Select(line => (line, line)) : Nearest(bay, first, last);
                foreach (var (from, to) in pairs)
                {
                    if (from == to && axes.Contains(from))
                        continue;
                    AddStrip(bay, from, to, unit.Shape, first, last);
                }
            }
        }
    }

    /// <summary>Joints of neighbouring lines that are nearest each other by station, seen from both sides.</summary>
    private IEnumerable<(int From, int To)> Nearest(int bay, int first, int last)
    {
        int Closest(int other, double station)
        {
            var (low, high) = (first, last);
            while (high - low > 1)
            {
                var middle = (low + high) / 2;
                if (nodes[Node(other, middle)].Station <= station)
                    low = middle;
                else
                    high = middle;
            }
            var (below, above) = (
                Math.Abs(nodes[Node(other, low)].Station - station),
                Math.Abs(nodes[Node(other, high)].Station - station)
            );
            return below <= above ? low : high;
        }
        for (var line = first; line <= last; line++)
        {
            var to = Closest(bay + 1, nodes[Node(bay, line)].Station);
            if (Closest(bay, nodes[Node(bay + 1, to)].Station) == line)
                yield return (line, to);
        }
    }

    private void AddStrip(int bay, int from, int to, DeckShape shape, int first, int last)
    {
        var (a, b) = (Node(bay, from), Node(bay + 1, to));
        var across = nodes[b].At - nodes[a].At;
        var width = (Reach(bay, from, first, last, across) + Reach(bay + 1, to, first, last, across)) / 2;
        var thickness = shape.At((nodes[a].Station + nodes[b].Station) / 2).Thickness((nodes[a].Offset + nodes[b].Offset) / 2);
        members.Add(
            new(
                a,
                b,
                MemberKind.Strip,
                slab.Ecm * Bending(width, thickness),
                Shear(slab.Ecm) * EffectiveSlab.PlateTorsion(width, thickness)
            )
            {
                Span = mesh.SpanOf(from),
                Width = width,
                Depth = thickness,
            }
        );
    }

    /// <summary>Half the way to the joints before and after, measured square to the strip.</summary>
    private double Reach(int longitudinal, int line, int first, int last, Point across)
    {
        var along = nodes[Node(longitudinal, Math.Min(line + 1, last))].At - nodes[Node(longitudinal, Math.Max(line - 1, first))].At;
        return Math.Abs(along.Cross(across)) / across.Length / 2;
    }

    private void AddDiaphragm(int i, int j, double width, double depth)
    {
        members.Add(
            new(
                i,
                j,
                MemberKind.Diaphragm,
                slab.Ecm * width * Math.Pow(depth, 3) / 12,
                Shear(slab.Ecm) * Rectangle.TorsionConstant(width, depth)
            )
            {
                Span = mesh.SpanOf(nodes[i].Line),
                Width = width,
                Depth = depth,
            }
        );
    }

    private int Node(int longitudinal, int line) => line * longitudinals + longitudinal;

    private static double Bending(double width, double thickness) => width * Math.Pow(thickness, 3) / 12;

    private static double Shear(double modulus) => modulus / 2 / (1 + PoissonsRatio);
}
