using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Frames;
using Pravik.Core.Geometry;
using Pravik.Core.Materials;
using Pravik.Core.Places;
using Pravik.Core.Roads;
using Pravik.Core.Sections;

namespace Pravik.Core.Models;

/// <summary>
/// Makes frame models of a bridge: line girders, a grillage, or slab shells over girder beams, at any moment of construction.
/// </summary>
/// <remarks>
/// Joints of line girders and grillages lie at the level of the composite centroid below the road line, row by row level across, so
/// that bending and membrane forces stay apart; those of shells lie in the middle of the
/// slab with its crossfall, and girders hang below by rigid offsets. Shear deformation is left out (Hambly, Bridge Deck Behaviour, 2nd
/// edition, 3.3). Girders that are not yet joined over a pier have a hinge just before it. Girders without a slab are
/// held upright, across and, at the first axis of their unit, along, as braced girders are.
/// </remarks>
public sealed class ModelBuilder
{
    /// <summary>Thermal expansion of concrete and steel (1/K, EN 1991-1-5 Table C.1).</summary>
    public const double Expansion = 10e-6;
    private const double Gravity = 9.80665;
    private static readonly ImmutableArray<double> NoSprings = [0, 0, 0, 0, 0, 0];
    private readonly ModelChoices choices;
    private readonly Ground? ground;
    private readonly Lazy<ImmutableArray<SupportPlace>> places;
    private readonly ImmutableArray<CrossMember> across;
    private readonly DeckMesh lines;
    private readonly double depth;
    private readonly Dictionary<(GirderIndex Girder, int Piece), LayeredSection> sections = [];

    /// <summary>
    /// A builder of models; ground is wanted where they stand on piers. Rows lie where steel of the bridge changes, or of another one.
    /// </summary>
    public ModelBuilder(BridgeGeometry geometry, ModelChoices choices, Ground? ground = null, BridgeGeometry? rowsOf = null)
    {
        (Geometry, this.choices, this.ground) = (geometry, choices, ground);
        places = new(() => SupportPlace.All(geometry, ground));
        var rows = MeshRows.Of(rowsOf ?? geometry, choices);
        (lines, across) = CrossMembers.Of(geometry, rows);
        Mesh = choices.Kind == ModelKind.Shells ? DeckMesh.Of(geometry, rows, choices.Between) : lines;
        var (first, section) = (geometry.Girders[0], EffectiveSlab.Composite(geometry, geometry.Girders[0], geometry.Girders[0].FirstSpan));
        var line = geometry.HaunchOf(first, first.FirstSpan);
        var middle = geometry.Road.Locate(geometry.OnGirder(first, first.FirstSpan, 0.5));
        depth = geometry.Road.Level(middle.Station) - line.Bottom(0.5) - section.Centroid;
    }

    /// <summary>The chosen places of the slab in the mesh.</summary>
    public ImmutableArray<SlabPoint> SlabPoints() => SlabPoint.All(Mesh, choices.SlabPlaces);

    /// <summary>The bridge.</summary>
    public BridgeGeometry Geometry { get; }

    /// <summary>The joints of the deck.</summary>
    public DeckMesh Mesh { get; }

    /// <summary>
    /// Materials by their place in every model: concrete of the first making of girders, of slab and supports, steel; then the concrete of
    /// the other makings, in their order.
    /// </summary>
    public const int GirderMaterial = 0;

    /// <summary>Place of the slab's concrete.</summary>
    public const int SlabMaterial = 1;

    /// <summary>Place of the supports' concrete.</summary>
    public const int SupportMaterial = 2;

    /// <summary>Place of structural steel.</summary>
    public const int SteelMaterial = 3;

    /// <summary>Place of the concrete of a making of girders.</summary>
    private static int OfMaking(int making) => making == 0 ? GirderMaterial : SteelMaterial + making;

    /// <summary>The model of a moment of construction.</summary>
    public BridgeModel Build(StageState state)
    {
        var parts = new FrameParts(Materials(state));
        foreach (var node in Mesh.Nodes)
            parts.AddNode(NameOf(node), new(node.At.X, node.At.Y, LevelOf(node)));
        var layers = Sections(state);
        var girders = AddGirders(parts, state, layers);
        var shells = choices.Kind == ModelKind.Shells ? AddShells(parts, state) : [];
        if (choices.Kind == ModelKind.Grillage)
            AddStrips(parts, state);
        AddDiaphragms(parts, state);
        var used = Used(parts);
        var seats = AddSupports(parts, state);
        // Joints that nothing is joined to yet.
        for (var n = 0; n < used.Length; n++)
        {
            if (!used[n])
                parts.Supports.Add(new(n, [.. FrameDirections.All], NoSprings));
        }
        var props = AddProps(parts, state);
        var changed = ModelChanges.Apply(parts, choices.Changes);
        int Kept(int beam) => beam < 0 ? beam : changed.Beams[beam];
        return new(choices.Kind, state, parts.Model, Mesh)
        {
            GirderBeams = [.. girders.Select(g => g.Select(Kept).ToImmutableArray())],
            Sections = layers,
            Shells = [.. shells.Select(row => row.Select(s => s < 0 ? s : changed.Shells[s]).ToImmutableArray())],
            Seats = seats,
            Others = [.. parts.Others.Select(o => o with { Beam = Kept(o.Beam) }).Where(o => o.Beam >= 0)],
            Props = props,
            Unmet = changed.Unmet,
        };
    }

    /// <summary>Level of the joints of a row at a station, and of each joint in the slab.</summary>
    private double LevelOf(DeckNode node)
    {
        if (choices.Kind != ModelKind.Shells)
            return Geometry.Road.Level(Math.Clamp(node.Station, Geometry.Road.StartStation, Geometry.Road.EndStation)) - depth;
        var section = Geometry.UnitOf(Mesh.SpanOf(node.Line)).Shape.At(node.Station);
        return Geometry.Road.Level(node.Station) + section.SlabTop(node.Offset) - section.Thickness(node.Offset) / 2;
    }

    private string NameOf(DeckNode node) =>
        Mesh.GirderLines.IndexOf(node.Longitudinal) is var girder and >= 0
            ? $"G{girder + 1}-{Mesh.Names[node.Line]}"
            : $"S{node.Longitudinal}-{Mesh.Names[node.Line]}";

    /// <summary>
    /// Of a strip across: the line on its left and its row, or both rows where it runs from one to another; of an edge: its line and row.
    /// </summary>
    private string NameOf(CrossMember member)
    {
        var (i, j) = (Mesh.Nodes[member.I], Mesh.Nodes[member.J]);
        return member.Kind == MemberKind.Edge ? $"E{i.Longitudinal}-{Mesh.Names[i.Line]}"
            : i.Line == j.Line ? $"T{i.Longitudinal}-{Mesh.Names[i.Line]}"
            : $"T{i.Longitudinal}-{Mesh.Names[i.Line]}-{Mesh.Names[j.Line]}";
    }

    private List<FrameMaterial> Materials(StageState state)
    {
        var (materials, loads) = (Geometry.Bridge.Materials, Geometry.Bridge.Loads);
        var (types, makings) = (Geometry.Sections.Types, Geometry.Sections.Makings);
        FrameMaterial Of(string name, ConcreteGrade grade, double factor) =>
            new(name, Concrete.Of(grade).Ecm * factor, CrossMembers.PoissonsRatio, loads.ConcreteWeight / Gravity, Expansion);
        var steel = StructuralSteel.Of(materials.Structural);
        return
        [
            Of("girder", types[makings[0].Type].Concrete, state.GirderFactor(0)),
            Of("slab", materials.Slab, state.SlabFactor),
            Of("support", materials.Support, 1),
            new("steel", steel.E, steel.E / 2 / steel.G - 1, loads.SteelWeight / Gravity, Expansion),
            .. makings
                .Skip(1)
                .Select(
                    (m, i) => Of($"girder {types[m.Type].Name} {m.Section.Shape.Name}", types[m.Type].Concrete, state.GirderFactor(i + 1))
                ),
        ];
    }

    private ImmutableArray<ImmutableArray<LayeredSection?>> Sections(StageState state)
    {
        sections.Clear();
        return
        [
            .. Geometry.Girders.Select(girder =>
                Enumerable.Range(0, Mesh.Lines - 1).Select(row => Layers(girder, row, state)).ToImmutableArray()
            ),
        ];
    }

    private LayeredSection? Layers(GirderLine girder, int row, StageState state)
    {
        if (Piece(row) is not { } piece || !state.Girders[piece.Span])
            return null;
        var uniform = Geometry.IsUniform(girder, piece.Span);
        // A uniform girder has one section along the span.
        var key = (girder.Number, uniform ? -1 - piece.Span : row);
        if (sections.TryGetValue(key, out var known))
            return known;
        var made = Geometry.SectionOf(girder, piece.Span, uniform ? 0.5 : piece.Middle);
        // Steel does not creep.
        var factor = made.IsSteel ? 1 : state.GirderFactor(Geometry.Sections.MakingIndex(girder.Number, piece.Span));
        var modulus = Geometry.Sections.Modulus(girder.Number, piece.Span) * factor;
        var (haunch, thickness) = (Geometry.Haunch(piece.Span), Geometry.SlabThickness(girder, piece.Span, 0.5));
        var bare = made.Bending;
        if (!state.Slab[piece.Span])
            return sections[key] = new(bare, bare, 0, thickness, haunch, 0, 1, modulus);
        var width = EffectiveSlab.SlabWidth(Geometry, girder, piece.Span, made);
        var ratio = Concrete.Of(Geometry.Bridge.Materials.Slab).Ecm * state.SlabFactor / modulus;
        var haunchWidth = choices.HaunchActs ? made.TopWidth : 0;
        return sections[key] = new(
            bare,
            CompositeSection.Of(bare, width, thickness, haunch, haunchWidth, ratio),
            width,
            thickness,
            haunch,
            haunchWidth,
            ratio,
            modulus
        );
    }

    /// <summary>
    /// Span of the piece that begins on a row and the fraction of its middle; null between the rows where the deck is parted.
    /// </summary>
    private (SpanIndex Span, double Middle)? Piece(int row)
    {
        var span = Mesh.SpanOf(row);
        return row >= Mesh.Spans[span].Last ? null : (span, Mesh.MiddleOf(span, row));
    }

    private ImmutableArray<ImmutableArray<int>> AddGirders(
        FrameParts parts,
        StageState state,
        ImmutableArray<ImmutableArray<LayeredSection?>> layers
    )
    {
        var shells = choices.Kind == ModelKind.Shells;
        var all = ImmutableArray.CreateBuilder<ImmutableArray<int>>();
        foreach (var girder in Geometry.Girders)
        {
            var beams = ImmutableArray.CreateBuilder<int>();
            for (var row = 0; row + 1 < Mesh.Lines; row++)
            {
                if (layers[girder.Number - 1][row] is not { } section)
                {
                    beams.Add(-1);
                    continue;
                }
                var (span, middle) = Piece(row)!.Value;
                var made = Geometry.SectionOf(girder, span, Geometry.IsUniform(girder, span) ? 0.5 : middle);
                // The haunch is part of the beam below the shells.
                var bending =
                    shells && section.HasSlab && section.HaunchWidth > 0
                        ? CompositeSection.Of(section.Girder, 0, 0, section.Haunch, section.HaunchWidth, section.Ratio)
                    : shells ? section.Girder
                    : section.Composite;
                var material = made.IsSteel ? SteelMaterial : OfMaking(Geometry.Sections.MakingIndex(girder.Number, span));
                var share = shells || !section.HasSlab ? 0 : EffectiveSlab.SlabTorsion(Geometry, girder, span, section.SlabThickness);
                var torsion = made.Properties.J + share * parts.Materials[SlabMaterial].G / parts.Materials[material].G;
                var inPlane =
                    made.Properties.Iy
                    + (
                        section.HasSlab && !shells
                            ? section.Ratio * section.SlabThickness * Math.Pow(Geometry.WetSlabWidth(girder, span), 3) / 12
                            : 0
                    );
                var hinge =
                    row + 1 == Mesh.Spans[span].Last
                    && span + 1 < Geometry.SpanCount
                    && Mesh.Spans[span + 1].First == row + 1
                    && state.Girders[span + 1]
                    && !IsJoined(span + 1, state);
                var down = shells ? new Point3(0, 0, bending.Centroid - section.SlabMiddle) : default;
                var (seatI, seatJ) = (
                    IsSeat(row, state) && row == Mesh.Spans[span].First,
                    IsSeat(row + 1, state) && row + 1 == Mesh.Spans[span].Last
                );
                var (atStart, atEnd) = section.HasSlab
                    ? (0, 0)
                    : (seatI ? FromAxis(girder, span, true) : 0, seatJ ? FromAxis(girder, span, false) : 0);
                beams.Add(parts.Beams.Count);
                parts.Beams.Add(
                    new(
                        $"G{girder.Number}-{Mesh.Names[row]}",
                        Mesh.OfGirder(girder.Number - 1, row),
                        Mesh.OfGirder(girder.Number - 1, row + 1),
                        material,
                        parts.Section(section.HasSlab ? "composite" : "girder", bending.Area, bending.SecondMoment, inPlane, torsion)
                    )
                    {
                        OffsetI = down + atStart * Ahead(girder, row),
                        OffsetJ = down - atEnd * Ahead(girder, row),
                        ReleaseI = seatI ? [FrameDirection.Ry] : [],
                        ReleaseJ = hinge || seatJ ? [FrameDirection.Ry] : [],
                    }
                );
            }
            all.Add(beams.ToImmutable());
        }
        return all.ToImmutable();
    }

    /// <summary>
    /// Whether girders that stand without a slab end on a row, each on its own bearings: their joint on the axis is then held, and they
    /// are hinged to it where they bear. On bearings that are modelled it is these that hold them.
    /// </summary>
    private bool IsSeat(int row, StageState state) =>
        choices.Supports == ModelSupports.Simple && IsBare(row, state) && !AxisAt(row).Any(axis => IsRunOver(axis) || state.Joined[axis]);

    private IEnumerable<AxisIndex> AxisAt(int row) => Mesh.AxisLines().Where(a => a.Line == row).Select(a => a.Axis);

    /// <summary>Whether girders run over an axis in one piece.</summary>
    private bool IsRunOver(AxisIndex axis) => axis > 0 && axis < Geometry.SpanCount && Geometry.LayoutOf(axis - 1).RunsOn;

    /// <summary>From the axis to where a girder bears while it stands alone: to its bearing, but not beyond its own end (m).</summary>
    private double FromAxis(GirderLine girder, SpanIndex span, bool atStart)
    {
        var layout = Geometry.LayoutOf(span);
        var (axis, gap, length) = (
            atStart ? span.FirstAxis : span.LastAxis,
            atStart ? layout.StartGap : layout.EndGap,
            girder.SpanLength(span)
        );
        var bearing = places.Value[axis].Bearings.FirstOrDefault(b => b.Girder == girder && b.Span == span);
        var distance = bearing is null ? 0 : (atStart ? bearing.Fraction : 1 - bearing.Fraction) * length;
        var rows = Mesh.Rows[span].At;
        return Math.Clamp(Math.Max(distance, gap), 0, 0.45 * length * (atStart ? rows[1] : 1 - rows[^2]));
    }

    private Point3 Ahead(GirderLine girder, int row)
    {
        var g = girder.Number - 1;
        var chord = Mesh.Nodes[Mesh.OfGirder(g, row + 1)].At - Mesh.Nodes[Mesh.OfGirder(g, row)].At;
        return new(chord.X / chord.Length, chord.Y / chord.Length, 0);
    }

    /// <summary>
    /// Whether the slab of the piece that begins on a row is there and stiff; the piece just before a pier waits for the pour over it.
    /// </summary>
    private bool HasSlab(int row, StageState state) =>
        Piece(row) is { } piece
        && state.Girders[piece.Span]
        && state.Slab[piece.Span]
        && !(
            row + 1 == Mesh.Spans[piece.Span].Last
            && piece.Span + 1 < Geometry.SpanCount
            && Mesh.Spans[piece.Span + 1].First == row + 1
            && state.Slab[piece.Span + 1]
            && !IsJoined(piece.Span + 1, state)
        );

    /// <summary>Whether girders go on over an axis: in one piece, or joined by a pour.</summary>
    private bool IsJoined(AxisIndex axis, StageState state) => state.Joined[axis] || Geometry.LayoutOf(axis - 1).RunsOn;

    private List<ImmutableArray<int>> AddShells(FrameParts parts, StageState state)
    {
        var all = new List<ImmutableArray<int>>();
        for (var row = 0; row + 1 < Mesh.Lines; row++)
        {
            var bays = ImmutableArray.CreateBuilder<int>();
            for (var bay = 0; bay + 1 < Mesh.Longitudinals; bay++)
            {
                if (!HasSlab(row, state))
                {
                    bays.Add(-1);
                    continue;
                }
                int[] corners =
                [
                    Mesh.NodeAt(bay + 1, row),
                    Mesh.NodeAt(bay + 1, row + 1),
                    Mesh.NodeAt(bay, row + 1),
                    Mesh.NodeAt(bay, row),
                ];
                var (station, offset) = (corners.Average(c => Mesh.Nodes[c].Station), corners.Average(c => Mesh.Nodes[c].Offset));
                var thickness = Geometry.UnitOf(Mesh.SpanOf(row)).Shape.At(station).Thickness(offset);
                bays.Add(parts.Shells.Count);
                parts.Shells.Add(new($"P{bay}-{Mesh.Names[row]}", [.. corners], SlabMaterial, thickness));
            }
            all.Add(bays.ToImmutable());
        }
        return all;
    }

    /// <summary>Strips of slab and edges, where the slab is stiff.</summary>
    private void AddStrips(FrameParts parts, StageState state)
    {
        foreach (var member in across.Where(m => m.Kind is MemberKind.Strip or MemberKind.Edge))
        {
            if (
                !state.Girders[member.Span]
                || !state.Slab[member.Span]
                || !HasSlab(Math.Min(Mesh.Nodes[member.I].Line, Mesh.Spans[member.Span].Last - 1), state)
            )
                continue;
            var (slab, factor) = (parts.Materials[SlabMaterial], state.SlabFactor);
            // Along an edge the slab belongs to the flange of the outer girder: the member has a hundredth of it, as in bending.
            var part = member.Kind == MemberKind.Edge ? 0.01 : 1;
            var (area, across) = (
                part * Math.Max(1e-4, member.Width * member.Depth),
                part * member.Depth * Math.Pow(Math.Max(1e-2, member.Width), 3) / 12
            );
            parts.AddOther(
                member.Kind,
                NameOf(member),
                member.I,
                member.J,
                SlabMaterial,
                member.Kind == MemberKind.Strip ? "strip" : "edge",
                area,
                member.Flexural * factor / slab.E,
                across,
                member.Torsional * factor / slab.G
            );
        }
    }

    /// <summary>Diaphragms where girders stand: those over the piers once they are cast, others with the slab.</summary>
    private void AddDiaphragms(FrameParts parts, StageState state)
    {
        if (choices.Kind == ModelKind.Line)
            return;
        var number = 0;
        foreach (var member in across.Where(m => m.Kind == MemberKind.Diaphragm))
        {
            var (i, j) = (lines.Nodes[member.I], lines.Nodes[member.J]);
            if (!IsThere(member, i.Line, state))
                continue;
            // In a mesh with lines between the girders the diaphragm runs over them.
            var (from, to) = (OnMesh(i.Longitudinal), OnMesh(j.Longitudinal));
            var material = member.Depth > 0 ? SlabMaterial : SteelMaterial;
            var (e, g) = (
                material == SteelMaterial ? parts.Materials[SteelMaterial].E : Concrete.Of(Geometry.Bridge.Materials.Slab).Ecm,
                material == SteelMaterial
                    ? parts.Materials[SteelMaterial].G
                    : Concrete.Of(Geometry.Bridge.Materials.Slab).Ecm / 2 / (1 + CrossMembers.PoissonsRatio)
            );
            var area = Math.Max(1e-4, member.Width * member.Depth);
            var slabDepth = Geometry.SlabThickness(Geometry.Girders[0], member.Span, 0.5);
            number++;
            for (var k = from; k < to; k++)
            {
                var line = i.Line + (int)Math.Round((double)(k - from) / (to - from) * (j.Line - i.Line));
                var next = i.Line + (int)Math.Round((double)(k + 1 - from) / (to - from) * (j.Line - i.Line));
                // Below shells it hangs with its top at the slab's soffit, and has the slab for a flange.
                var down = choices.Kind == ModelKind.Shells ? new Point3(0, 0, -(member.Depth + slabDepth) / 2) : default;
                parts.AddOther(
                    MemberKind.Diaphragm,
                    $"D{number}.{k - from + 1}",
                    Mesh.NodeAt(k, line),
                    Mesh.NodeAt(k + 1, next),
                    material,
                    "diaphragm",
                    area,
                    member.Flexural / e,
                    member.Flexural / e,
                    member.Torsional / g,
                    down
                );
            }
        }
    }

    private bool IsThere(CrossMember member, int line, StageState state)
    {
        var axis = Mesh.AxisLines().Where(a => a.Line == line).Select(a => (int?)a.Axis).FirstOrDefault();
        if (axis is not { } at)
            return state.Girders[member.Span] && state.Slab[member.Span];
        var sides = new[] { at - 1, at }
            .Where(s => s >= 0 && s < Geometry.SpanCount && (Mesh.Spans[s].First == line || Mesh.Spans[s].Last == line))
            .ToList();
        return sides.TrueForAll(s => state.Girders[s] && state.Slab[s]) && (sides.Count == 1 || IsJoined(at, state));
    }

    /// <summary>The line of this mesh that a line of girders or edges lies on.</summary>
    private int OnMesh(int longitudinal) =>
        longitudinal == 0 ? 0
        : longitudinal == lines.Longitudinals - 1 ? Mesh.Longitudinals - 1
        : Mesh.GirderLines[longitudinal - 1];

    private bool[] Used(FrameParts parts)
    {
        var used = new bool[Mesh.Nodes.Length];
        foreach (var beam in parts.Beams)
            used[beam.I] = used[beam.J] = true;
        foreach (var node in parts.Shells.SelectMany(s => s.Nodes))
            used[node] = true;
        return used;
    }

    /// <summary>Whether a girder stands alone at a row, because a span that ends there has no slab to hold it.</summary>
    private bool IsBare(int line, StageState state) =>
        Enumerable
            .Range(0, Geometry.SpanCount)
            .Any(s => (Mesh.Spans[s].First == line || Mesh.Spans[s].Last == line) && state.Girders[s] && !state.Slab[s]);

    private ImmutableArray<ModelSeat> AddSupports(FrameParts parts, StageState state)
    {
        var substructure =
            choices.Supports == ModelSupports.Simple
                ? null
                : new SubstructureModel(Geometry, ground, parts, choices.Supports == ModelSupports.Substructure);
        var seats = ImmutableArray.CreateBuilder<ModelSeat>();
        foreach (var (line, axis) in Mesh.AxisLines())
        {
            var spans = Enumerable
                .Range(0, Geometry.SpanCount)
                .Where(s => Mesh.Spans[s].First == line || Mesh.Spans[s].Last == line)
                .ToList();
            if (!spans.Exists(s => state.Girders[s]))
                continue;
            var bare = IsBare(line, state);
            var upright = bare || choices.Kind == ModelKind.Line || Geometry.Girders.Length == 1;
            var first = Geometry.UnitOf(spans[^1]).FirstSpan;
            var isFirst = Mesh.Spans[first].First == line;
            foreach (var girder in Geometry.Girders)
            {
                var g = girder.Number - 1;
                var node = Mesh.OfGirder(g, line);
                var along = new Point3(Math.Cos(Mesh.Nodes[node].Direction), Math.Sin(Mesh.Nodes[node].Direction), 0);
                List<FrameDirection> fix = [];
                // Bearings hold what they hold; bracing does the rest while girders stand alone.
                var alone = bare || choices.Kind == ModelKind.Line;
                if (
                    isFirst
                    && (
                        substructure is null
                            ? alone || g == Geometry.Girders.Length / 2
                            : bare && !substructure.HoldsAlong(g, Geometry.UnitOf(first))
                    )
                )
                    fix.Add(FrameDirection.Ux);
                if (upright || (substructure is null && g == Geometry.Girders.Length / 2))
                    fix.Add(FrameDirection.Uy);
                if (upright)
                    fix.Add(FrameDirection.Rx);
                if (IsSeat(line, state))
                    fix.Add(FrameDirection.Ry);
                if (substructure is null)
                {
                    fix.Add(FrameDirection.Uz);
                    seats.Add(new(axis, g, line, node, null));
                }
                else
                    seats.AddRange(substructure.Bearings(axis, g, spans).Select(b => substructure.Place(b, axis, g, line, node)));
                if (fix.Count > 0)
                    parts.Supports.Add(new(node, [.. fix.Order()], NoSprings) { X = along });
            }
        }
        return seats.ToImmutable();
    }

    private ImmutableArray<(SpanIndex, GirderIndex, int)> AddProps(FrameParts parts, StageState state)
    {
        var props = ImmutableArray.CreateBuilder<(SpanIndex, GirderIndex, int)>();
        for (var span = 0; span < Geometry.SpanCount; span++)
        {
            if (!state.Props[span] || !state.Girders[span])
                continue;
            for (var g = 0; g < Geometry.Girders.Length; g++)
            {
                if (state.LetGo.Contains(new(span, g)))
                    continue;
                var node = Mesh.OfGirder(g, Mesh.NearestLine(span, 0.5));
                props.Add((span, g, node));
                parts.Supports.Add(new(node, [FrameDirection.Uz], NoSprings));
            }
        }
        return props.ToImmutable();
    }
}
