using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Geometry;
using Pravik.Core.Materials;
using Pravik.Core.Places;
using Pravik.Core.Sections;

namespace Pravik.Core.Models;

/// <summary>
/// Makes the grillage of a bridge: composite members on the girder lines, nominal edge members at the deck's edges, slab strips
/// across, diaphragms on the axes.
/// </summary>
/// <remarks>
/// Hambly, Bridge Deck Behaviour, 2nd edition, chapters 2 and 4. Slab strips of width b and depth d have I = b·d³/12 and torsion
/// constant b·d³/6 in each direction. Up to a skew of 20° strips lie along the skew, b being measured square to the strip; beyond,
/// each joins the nearest joints across, nearly square to the girders. Members divide every span into 40 (20 on very large
/// bridges), more where girders stand closer than two thirds of that.
/// </remarks>
public sealed class GrillageBuilder
{
    public const double PoissonsRatio = 0.2;
    public const double GreatestAlignedSkew = 20 * Math.PI / 180;
    private readonly BridgeGeometry geometry;
    private readonly Bridge bridge;
    private readonly Concrete slab;
    private readonly ImmutableArray<int> divisions;
    private readonly DeckMesh mesh;
    private readonly ImmutableArray<SpanLines> spans;
    private readonly ImmutableArray<DeckNode> nodes;
    private readonly List<GrillageMember> members = [];
    private readonly int longitudinals;

    private GrillageBuilder(BridgeGeometry geometry, IReadOnlyList<int>? wanted)
    {
        this.geometry = geometry;
        bridge = geometry.Bridge;
        slab = Concrete.Of(bridge.Materials.Slab);
        longitudinals = geometry.Girders.Length + 2;
        divisions = [.. wanted ?? Usual(geometry)];
        mesh = DeckMesh.Of(geometry, divisions);
        (spans, nodes) = (mesh.Spans, mesh.Nodes);
    }

    private static IEnumerable<int> Usual(BridgeGeometry geometry)
    {
        var usual = (geometry.Girders.Length + 2) * geometry.SpanCount * 40 > 6000 ? 20 : 40;
        return geometry.Bridge.Axes.Spans.Select(
            (span, i) =>
            {
                var spacing = Math.Min(
                    geometry.SpacingIn(i, geometry.Axes[i].Station),
                    geometry.SpacingIn(i, geometry.Axes[i + 1].Station)
                );
                return spacing == 0 ? usual : usual * Math.Max(1, (int)Math.Ceiling(span / usual / (1.5 * spacing) - 1e-9));
            }
        );
    }

    /// <param name="geometry">The bridge.</param>
    /// <param name="divisions">Pieces along each span; null for the usual ones.</param>
    public static Grillage Build(BridgeGeometry geometry, IReadOnlyList<int>? divisions = null) =>
        new GrillageBuilder(geometry, divisions).Build();

    /// <summary>
    /// Composite section of a girder at fraction t of a span, with the effective width of that span (EN 1992-1-1 5.3.2.1(4) allows one
    /// width over the span).
    /// </summary>
    public static SectionProperties Composite(BridgeGeometry geometry, GirderLine girder, int span, double t = 0.5)
    {
        var section = geometry.SectionOf(girder, span, t);
        var bridge = geometry.Bridge;
        var width = SlabWidth(geometry, girder, span, section);
        var ratio =
            Concrete.Of(bridge.Materials.Slab).Ecm
            / (section.IsSteel ? StructuralSteel.Of(bridge.Materials.Structural).E : Concrete.Of(bridge.Materials.Girder).Ecm);
        return CompositeSection.Of(
            section.Bending,
            width,
            geometry.SlabThickness(girder, span, 0.5),
            geometry.Haunch(span),
            section.TopWidth,
            ratio
        );
    }

    /// <summary>Width of slab that acts with a girder of a section in a span (EN 1992-1-1 5.3.2.1).</summary>
    public static double SlabWidth(BridgeGeometry geometry, GirderLine girder, int span, MadeSection section)
    {
        var (left, right) = ClearWidths(geometry, girder, span);
        var (spans, number) = Continuous(geometry, girder, span);
        return EffectiveWidth.Of(section.WebWidth, left, right, EffectiveWidth.ZeroMomentLength(spans, number));
    }

    /// <summary>Lengths of the spans over which a girder is continuous with a span, and the number of that span among them.</summary>
    public static (IReadOnlyList<double> Spans, int Number) Continuous(BridgeGeometry geometry, GirderLine girder, int span)
    {
        var unit = geometry.UnitOf(span);
        var (first, last) = (span, span);
        while (first > unit.FirstSpan && girder.IsIn(first - 1))
            first--;
        while (last < unit.LastSpan && girder.IsIn(last + 1))
            last++;
        return ([.. Enumerable.Range(first, last - first + 1).Select(girder.SpanLength)], span - first);
    }

    /// <summary>b_1 and b_2: half the clear distance to the next web, or the clear width to the deck's edge.</summary>
    public static (double Left, double Right) ClearWidths(BridgeGeometry geometry, GirderLine girder, int span)
    {
        var web = geometry.SectionOf(girder, span).WebWidth / 2;
        var (left, right) = geometry.SlabShares(girder, span);
        return (Math.Max(0, left - web), Math.Max(0, right - web));
    }

    private Grillage Build()
    {
        var girderMembers = AddLongitudinals();
        AddAcross();
        var single = geometry.Girders.Length == 1;
        var supports = mesh.AxisLines()
            .SelectMany(l => geometry.Girders.Select(g => new GrillageSupport(l.Line * longitudinals + g.Number, l.Axis, single)));
        return new(mesh, [.. members], [.. supports]) { GirderMembers = girderMembers };
    }

    private ImmutableArray<ImmutableArray<int>> AddLongitudinals()
    {
        var modulus = Concrete.Of(bridge.Materials.Girder).Ecm;
        var lines = new List<int>[geometry.Girders.Length];
        for (var i = 0; i < lines.Length; i++)
            lines[i] = [];
        for (var span = 0; span < geometry.SpanCount; span++)
        {
            var thickness = Array.ConvertAll<GirderLine, double>([.. geometry.Girders], g => geometry.SlabThickness(g, span, 0.5));
            (double Flexural, double Torsional) Rigidities(GirderLine girder, double t) =>
                (
                    modulus * Composite(geometry, girder, span, t).SecondMoment,
                    Shear(modulus) * geometry.SectionOf(girder, span, t).Properties.J
                        + Shear(slab.Ecm) * SlabTorsion(geometry, girder, span, thickness[girder.Number - 1])
                );
            // Members as they are half way along them; torsion constants, which take longest, are worked out on all cores.
            var pieces = Enumerable.Range(0, divisions[span]).Select(i => (i + 0.5) / divisions[span]).ToList();
            var rigidities = geometry
                .Girders.AsParallel()
                .AsOrdered()
                .Select(girder =>
                    geometry.IsUniform(girder, span)
                        ? [Rigidities(girder, 0.5)]
                        : pieces.AsParallel().AsOrdered().Select(t => Rigidities(girder, t)).ToList()
                )
                .ToList();
            // Nothing leads over a joint.
            for (var g = 0; g < lines.Length && lines[g].Count < spans[span].First; g++)
                lines[g].Add(-1);
            for (var line = spans[span].First; line < spans[span].Last; line++)
            {
                AddEdge(0, line, span, geometry.SlabShares(geometry.Girders[0], span).Left, thickness[0]);
                for (var g = 0; g < lines.Length; g++)
                {
                    lines[g].Add(members.Count);
                    var (flexural, torsional) = rigidities[g][rigidities[g].Count == 1 ? 0 : line - spans[span].First];
                    members.Add(new(Node(g + 1, line), Node(g + 1, line + 1), MemberKind.Girder, flexural, torsional) { Span = span });
                }
                AddEdge(longitudinals - 1, line, span, geometry.SlabShares(geometry.Girders[^1], span).Right, thickness[^1]);
            }
        }
        return [.. lines.Select(l => l.ToImmutableArray())];
    }

    /// <summary>
    /// An edge member carries load from the edge to the strips, and the twist of the outer half of the overhang. That slab's own
    /// bending along the bridge belongs to the flange of the outer girder; the member gets a hundredth of it, so that no moment
    /// escapes the girders.
    /// </summary>
    private void AddEdge(int longitudinal, int line, int span, double overhang, double thickness) =>
        members.Add(
            new(
                Node(longitudinal, line),
                Node(longitudinal, line + 1),
                MemberKind.Edge,
                0.01 * slab.Ecm * Bending(overhang / 2, thickness),
                Shear(slab.Ecm) * Torsion(overhang / 2, thickness)
            )
            {
                Span = span,
                Width = overhang / 2,
                Depth = thickness,
            }
        );

    /// <summary>
    /// Torsion constant of the slab whose longitudinal twist a girder's member carries: half of each bay, half of an overhang.
    /// </summary>
    public static double SlabTorsion(BridgeGeometry geometry, GirderLine girder, int span, double thickness)
    {
        var (left, right) = geometry.SlabShares(girder, span);
        return Torsion((girder.Number == 1 ? left / 2 : left) + (girder.Number == geometry.Girders.Length ? right / 2 : right), thickness);
    }

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
                int Line(double t) => spans[placed.Span].First + (int)Math.Round(t * divisions[placed.Span]);
                var (from, to) = (Line(placed.OnLeft), Line(placed.OnRight));
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
            new(a, b, MemberKind.Strip, slab.Ecm * Bending(width, thickness), Shear(slab.Ecm) * Torsion(width, thickness))
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

    private static double Torsion(double width, double thickness) => width * Math.Pow(thickness, 3) / 6;

    private static double Shear(double modulus) => modulus / 2 / (1 + PoissonsRatio);
}
