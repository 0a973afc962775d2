using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Codes;
using Pravik.Core.Frames;
using Pravik.Core.Geometry;
using Pravik.Core.Materials;
using Pravik.Core.Models;
using Pravik.Core.Numerics;
using Pravik.Core.Places;
using Pravik.Core.Sections;

namespace Pravik.Core.Loads;

/// <summary>
/// A free strain of the layers of a girder's piece: of the girder by height above its soffit, of the slab likewise, with the heights of
/// its corners.
/// </summary>
public sealed record LayerStrain(Func<double, double> Girder, Func<double, double> Slab, IReadOnlyList<double> Corners)
{
    /// <summary>
    /// Whether it acts along the girders alone, as creep under their stresses does, and temperature differences, whose course through
    /// diaphragms no standard gives; shrinkage acts in every direction, in diaphragms too.
    /// </summary>
    public bool IsAlong { get; init; }
}

/// <summary>The loads of a bridge as cases of its models.</summary>
public sealed class ModelLoads
{
    private readonly BridgeGeometry geometry;
    private readonly DeckMesh mesh;
    private readonly ModelChoices choices;
    private readonly Lazy<PermanentLoads> permanent;
    private readonly NationalValues values;

    public ModelLoads(BridgeGeometry geometry, DeckMesh mesh, ModelChoices choices)
    {
        (this.geometry, this.mesh, this.choices) = (geometry, mesh, choices);
        permanent = new(() => new(geometry, mesh));
        values = geometry.Bridge.Basis.Values;
    }

    /// <summary>Weight of girders in some spans (from 0), by their sections.</summary>
    public FrameCase Girders(BridgeModel model, IReadOnlyCollection<int> spans) =>
        new("Girders") { Beams = [.. Spread(model, spans, (girder, span, t) => geometry.WeightAt(girder, span, t))] };

    /// <summary>
    /// Weight of slab and haunch in some spans, with the diaphragms between the axes that come before the slab or with it, and those at
    /// the ends of the deck.
    /// </summary>
    public FrameCase Slab(BridgeModel model, IReadOnlyCollection<int> spans)
    {
        var wet = geometry
            .Girders.SelectMany(g => spans.Select(s => (g, s)))
            .ToDictionary(k => (k.g.Number, k.s), k => permanent.Value.WetSlab(k.g, k.s));
        var beams = Spread(model, spans, (girder, span, _) => wet[(girder.Number, span)]).ToList();
        foreach (var bay in geometry.DiaphragmBays().Where(d => spans.Contains(d.Span) && d.Diaphragm.Stage != DiaphragmStage.AfterSlab))
        {
            var half = geometry.DiaphragmWeight(bay) / 2;
            foreach (var (girder, at) in new[] { (bay.Left, bay.OnLeft), (bay.Right, bay.OnRight) })
            {
                if (PointOn(model, girder.Number - 1, bay.Span, at) is { } place)
                    beams.Add(new(place.Beam, true, 2, false, place.Part, place.Part, -half, 0));
            }
        }
        // A deck ends at the first and the last axis of each unit.
        var ends = geometry
            .Units.SelectMany(u => new[] { (u.FirstSpan, mesh.Spans[u.FirstSpan].First), (u.LastSpan, mesh.Spans[u.LastSpan].Last) })
            .Where(e => spans.Contains(e.Item1))
            .Select(e => e.Item2);
        return new("Slab") { Beams = [.. beams], Nodal = [.. ends.SelectMany(AxisDiaphragm)] };
    }

    /// <summary>Weight of the pour over a pier (axis from 0): its diaphragm.</summary>
    public FrameCase Joint(int axis) => new("Pour over the pier") { Nodal = [.. AxisDiaphragm(mesh.Spans[axis].First)] };

    private IEnumerable<NodalLoad> AxisDiaphragm(int line)
    {
        var diaphragm = geometry.Bridge.Girders.Diaphragm;
        for (var g = 0; g + 1 < geometry.Girders.Length; g++)
        {
            var (a, b) = (mesh.OfGirder(g, line), mesh.OfGirder(g + 1, line));
            var clear = Math.Max(
                0,
                Point.Distance(mesh.Nodes[a].At, mesh.Nodes[b].At)
                    - geometry.SectionOf(geometry.Girders[g], mesh.SpanOf(line), 0.5).WebWidth
            );
            var half = clear * diaphragm.Width * diaphragm.Depth * geometry.Bridge.Loads.ConcreteWeight / 2;
            yield return Down(a, half);
            yield return Down(b, half);
        }
    }

    /// <summary>Edge beams, footways, parapets, and diaphragms that come after the slab.</summary>
    public FrameCase Edges(BridgeModel model) => new("Edges and parapets") { Nodal = OnDeck(model, permanent.Value.Superimposed) };

    public FrameCase Surfacing(BridgeModel model) => new("Surfacing") { Nodal = OnDeck(model, permanent.Value.Surfacing) };

    public FrameCase Own(BridgeModel model, OwnCase own) => new(own.Name) { Nodal = OnDeck(model, DeckForces.Own(geometry, mesh, own)) };

    /// <summary>The given movement of a support down (m), at the seats of an axis (from 0).</summary>
    public static FrameCase Settlement(BridgeModel model, int axis, double settlement)
    {
        var frame = model.Frame;
        // Where bearings stand on piers the foundations go down; elsewhere what is held under the girders.
        var feet = frame
            .Supports.Select(s => s.Node)
            .Where(n => frame.Nodes[n].Id.StartsWith($"A{axis + 1} ", StringComparison.Ordinal))
            .Distinct()
            .ToList();
        var nodes = feet.Count > 0 ? feet : [.. model.Seats.Where(s => s.Axis == axis).Select(s => s.Node).Distinct()];
        return new($"Axis {axis + 1} settles") { Settlements = [.. nodes.Select(n => new Settlement(n, new(0, 0, -settlement), default))] };
    }

    /// <summary>A uniform change of temperature of everything above the bearings (K).</summary>
    public static FrameCase Uniform(BridgeModel model, double change)
    {
        var piers = model.Others.Where(o => o.Kind is MemberKind.Column or MemberKind.Crosshead).Select(o => o.Beam).ToHashSet();
        return new("Uniform temperature")
        {
            BeamThermal =
            [
                .. Enumerable
                    .Range(0, model.Frame.Beams.Length)
                    .Where(b => !piers.Contains(b))
                    .Select(b => new BeamThermal(b, change, 0, 0)),
            ],
            ShellThermal = [.. Enumerable.Range(0, model.Frame.Shells.Length).Select(s => new ShellThermal(s, change, 0))],
        };
    }

    /// <summary>Braking ahead: a force along the road at its surface, even over the length of the deck and shared by the girders.</summary>
    public FrameCase Braking(BridgeModel model)
    {
        var total = geometry.Bridge.Actions.Braking ?? DeckForces.Braking(geometry.LastStation - geometry.FirstStation, values);
        return Horizontal(
            model,
            "Braking ahead",
            _ => total / Enumerable.Range(0, geometry.SpanCount).Sum(s => geometry.Girders[0].SpanLength(s)),
            line => Direction(line, 0),
            line => RoadLevel(line)
        );
    }

    /// <summary>Wind from the left, on the depth of the deck and its parapets, half way up it.</summary>
    public FrameCase Wind(BridgeModel model) =>
        Horizontal(
            model,
            "Wind from the left",
            _ => WindPerMetre,
            line => Direction(line, -Math.PI / 2),
            line => RoadLevel(line) - WindDepth / 2 + WindAbove
        );

    /// <summary>Depth of the deck below the road, and the parapets above it, open ones by 0.3 m (EN 1991-1-4 8.3.1(4)).</summary>
    public double WindDepth =>
        geometry.Girders.Max(g => geometry.SectionOf(g, 0).Depth)
        + geometry.Haunch(0)
        + geometry.SlabThickness(geometry.Girders[0], 0, 0.5)
        + WindAbove;

    private double WindAbove =>
        ParapetLine.All(geometry).DistinctBy(p => (p.Index, p.Side)).Sum(p => p.Profile.Posts is null ? p.Profile.Height : 0.3);

    /// <summary>Factor C of the table for the deck's width half way along the bridge.</summary>
    public double TableWindFactor
    {
        get
        {
            var middle = (geometry.FirstStation + geometry.LastStation) / 2;
            return DeckForces.WindFactor((geometry.RightEdge(middle) - geometry.LeftEdge(middle)) / WindDepth, 0);
        }
    }

    /// <summary>Wind on the deck (N/m).</summary>
    public double WindPerMetre =>
        DeckForces.Wind(geometry.Bridge.Actions.WindVelocity, geometry.Bridge.Actions.WindFactor ?? TableWindFactor, WindDepth);

    private double RoadLevel(int line) =>
        geometry.Road.Level(Math.Clamp(mesh.Nodes[mesh.OfGirder(0, line)].Station, geometry.Road.StartStation, geometry.Road.EndStation));

    private Point3 Direction(int line, double turn)
    {
        var angle = mesh.Nodes[mesh.OfGirder(mesh.GirderLines.Length / 2, line)].Direction + turn;
        return new(Math.Cos(angle), Math.Sin(angle), 0);
    }

    /// <summary>
    /// A horizontal force per metre at a level, shared evenly by the girders' joints, with the moment about them that comes from the
    /// level.
    /// </summary>
    private FrameCase Horizontal(
        BridgeModel model,
        string name,
        Func<int, double> perMetre,
        Func<int, Point3> direction,
        Func<int, double> level
    )
    {
        var nodal = ImmutableArray.CreateBuilder<NodalLoad>();
        var count = mesh.GirderLines.Length;
        for (var span = 0; span < mesh.Spans.Length; span++)
        {
            var (first, last) = mesh.Spans[span];
            for (var line = first; line <= last; line++)
            {
                for (var g = 0; g < count; g++)
                {
                    var share = geometry.Girders[0].SpanLength(span) / (last - first) * (line == first || line == last ? 0.5 : 1) / count;
                    var node = mesh.OfGirder(g, line);
                    var force = share * perMetre(line) * direction(line);
                    nodal.Add(new(node, force, new Point3(0, 0, level(line) - model.Frame.Nodes[node].At.Z).Cross(force)));
                }
            }
        }
        return new(name) { Nodal = nodal.ToImmutable() };
    }

    /// <summary>A free strain of the fibres, piece by piece of the girders; null leaves a piece alone.</summary>
    public FrameCase Strain(string name, BridgeModel model, Func<int, int, LayeredSection, LayerStrain?> strain)
    {
        var beams = ImmutableArray.CreateBuilder<BeamThermal>();
        (LayeredSection Section, LayerStrain Given)? first = null;
        var along = false;
        var slabs = new Dictionary<int, (double Uniform, double Gradient)>();
        for (var g = 0; g < model.GirderBeams.Length; g++)
        {
            for (var row = 0; row < model.GirderBeams[g].Length; row++)
            {
                if (model.GirderBeams[g][row] < 0 || model.Sections[g][row] is not { } section || strain(g, row, section) is not { } given)
                    continue;
                var isShell = !model.Shells.IsEmpty && section.HasSlab;
                var layer = isShell ? section with { Composite = section.Girder, SlabWidth = 0, HaunchWidth = 0 } : section;
                var whole = new ImposedStrain(layer, Made(g, row), given.Girder, given.Slab, given.Corners).Whole;
                beams.Add(Thermal(model.GirderBeams[g][row], whole));
                if (isShell)
                    slabs[row * 1000 + g] = SlabStrain(section, given);
                if (given.IsAlong)
                    along = true;
                else if (g == 0)
                    first ??= (section, given);
            }
        }
        // Diaphragms are of the slab's concrete, below it; only with shells does it matter that they go along with it.
        if (first is { } at && !model.Shells.IsEmpty)
            beams.AddRange(
                model
                    .Others.Where(o => o.Kind == MemberKind.Diaphragm && model.Frame.Beams[o.Beam].Material == ModelBuilder.SlabMaterial)
                    .Select(o => Thermal(o.Beam, DiaphragmStrain(at.Section, at.Given)))
            );
        return new(name)
        {
            BeamThermal = beams.ToImmutable(),
            ShellThermal = [.. SlabThermal(model, slabs).Select(t => along ? t with { Along = Ahead(model, t.Shell) } : t)],
        };
    }

    /// <summary>Mean and slope of the slab's strain carried on over the depth of a diaphragm, which hangs from the slab's soffit.</summary>
    private PlaneStrain DiaphragmStrain(LayeredSection section, LayerStrain given)
    {
        var (rule, mean, slope, depth) = (GaussLegendre.Ten, 0.0, 0.0, geometry.Bridge.Girders.Diaphragm.Depth);
        var top = section.Girder.Depth + section.Haunch;
        for (var i = 0; i < rule.At.Length; i++)
        {
            var up = (rule.At[i] - 0.5) * depth;
            var strain = given.Slab(top - depth / 2 + up);
            (mean, slope) = (mean + rule.Weight[i] * strain, slope + rule.Weight[i] * strain * up * 12 / (depth * depth));
        }
        return new(mean, -slope);
    }

    /// <summary>Direction of the girders at a shell.</summary>
    private static Point3 Ahead(BridgeModel model, int shell)
    {
        // Corners go round from the right-hand start: to the right-hand end, the left-hand end and the left-hand start.
        var nodes = model.Frame.Shells[shell].Nodes;
        return model.Frame.Nodes[nodes[1]].At - model.Frame.Nodes[nodes[0]].At;
    }

    /// <summary>Every shell has the strain of the slab over the girder nearest to it.</summary>
    private IEnumerable<ShellThermal> SlabThermal(BridgeModel model, Dictionary<int, (double Uniform, double Gradient)> slabs)
    {
        for (var row = 0; row < model.Shells.Length; row++)
        {
            for (var bay = 0; bay < model.Shells[row].Length; bay++)
            {
                var girder = Enumerable.Range(0, mesh.GirderLines.Length).MinBy(g => Math.Abs(mesh.GirderLines[g] - bay - 0.5));
                if (model.Shells[row][bay] >= 0 && slabs.TryGetValue(row * 1000 + girder, out var s))
                    yield return new(model.Shells[row][bay], s.Uniform, s.Gradient);
            }
        }
    }

    /// <summary>Mean and slope over the slab's thickness, least squares, as temperatures.</summary>
    private static (double Uniform, double Gradient) SlabStrain(LayeredSection section, LayerStrain given)
    {
        var (rule, mean, slope, t) = (GaussLegendre.Ten, 0.0, 0.0, section.SlabThickness);
        for (var i = 0; i < rule.At.Length; i++)
        {
            var up = (rule.At[i] - 0.5) * t;
            var strain = given.Slab(section.SlabMiddle + up);
            mean += rule.Weight[i] * strain;
            slope += rule.Weight[i] * strain * up * 12 / (t * t);
        }
        return (mean / ModelBuilder.Expansion, slope / ModelBuilder.Expansion);
    }

    /// <summary>A plane strain as temperatures: a sagging curvature lengthens the −z side.</summary>
    private static BeamThermal Thermal(int beam, PlaneStrain strain) =>
        new(beam, strain.Axial / ModelBuilder.Expansion, 0, -strain.Curvature / ModelBuilder.Expansion);

    /// <summary>
    /// The prestress of girders in some spans as the strain it gives a free girder, ε = −P/EA and κ = −P·e/EI: what the model answers
    /// with are secondary effects; <see cref="Primary"/> are the rest.
    /// </summary>
    public FrameCase Prestress(BridgeModel model, IReadOnlyCollection<int> spans)
    {
        var beams = ImmutableArray.CreateBuilder<BeamThermal>();
        for (var g = 0; g < model.GirderBeams.Length; g++)
        {
            for (var row = 0; row < model.GirderBeams[g].Length; row++)
            {
                var span = mesh.SpanOf(row);
                if (model.GirderBeams[g][row] < 0 || !spans.Contains(span))
                    continue;
                var (section, t) = (model.Sections[g][row]!.Girder, Middle(row));
                var (force, moment) = Primary(geometry.Girders[g], span, t, section.Centroid);
                beams.Add(
                    Thermal(
                        model.GirderBeams[g][row],
                        new(
                            force / (model.Sections[g][row]!.Modulus * section.Area),
                            moment / (model.Sections[g][row]!.Modulus * section.SecondMoment)
                        )
                    )
                );
            }
        }
        return new("Prestress") { BeamThermal = beams.ToImmutable() };
    }

    /// <summary>Force of a tendon (N).</summary>
    public double Pull(Tendon tendon) =>
        tendon.Strands * PrestressingSteel.Of(geometry.Bridge.Materials.Strand).Area * tendon.EffectiveStress;

    /// <summary>
    /// A tendon as the strain that it gives the free member in which it lies; with the primary part −P, −P·(z_c − z_p) about the
    /// centroid of the section of its stage this makes the whole.
    /// </summary>
    public FrameCase Tendon(BridgeModel model, Tendon tendon)
    {
        var beams = ImmutableArray.CreateBuilder<BeamThermal>();
        var pull = Pull(tendon);
        for (var g = 0; g < model.GirderBeams.Length; g++)
        {
            for (var row = 0; row < model.GirderBeams[g].Length; row++)
            {
                var index = model.GirderBeams[g][row];
                if (index < 0 || !tendon.IsIn(mesh.SpanOf(row)))
                    continue;
                var (beam, layers) = (model.Frame.Beams[index], model.Sections[g][row]!);
                var (section, modulus) = (model.Frame.Sections[beam.Section], model.Frame.Materials[beam.Material].E);
                var level = model.Shells.IsEmpty ? layers.Composite.Centroid : layers.SlabMiddle + beam.OffsetI.Z;
                beams.Add(
                    Thermal(
                        index,
                        new(-pull / (modulus * section.A), -pull * (level - tendon.LevelAt(Middle(row))) / (modulus * section.Iy))
                    )
                );
            }
        }
        return new(tendon.Name) { BeamThermal = beams.ToImmutable() };
    }

    /// <summary>
    /// Axial force and moment of the strands about a level above the soffit: N = −Σn·A_p·σ_p, M = −Σn·A_p·σ_p·(z̄ − z_p), by the
    /// entered effective stress. Beyond the girder's ends there is none.
    /// </summary>
    public (double Force, double Moment) Primary(GirderLine girder, int span, double t, double centroid)
    {
        var (strands, length) = (geometry.Bridge.Girders.Strands, geometry.LengthOf(girder, span));
        var x = t * girder.SpanLength(span) - geometry.LayoutOf(span).StartGap;
        if (x < 0 || x > length || geometry.SectionOf(girder, span, t).IsSteel)
            return (0, 0);
        var one = PrestressingSteel.Of(geometry.Bridge.Materials.Strand).Area * strands.EffectiveStress;
        double force = 0,
            moment = 0;
        foreach (var row in strands.Rows)
        {
            var pull = one * row.CountAt(x, length);
            force -= pull;
            moment -= pull * (centroid - row.LevelAt(x, length));
        }
        return (force, moment);
    }

    /// <summary>Fraction of its span at which the piece that begins on a row has its middle.</summary>
    public double Middle(int row) => mesh.Spans[mesh.SpanOf(row)] is var s ? (row + 0.5 - s.First) / (s.Last - s.First) : 0;

    /// <summary>The outline of a girder in a piece.</summary>
    public MadeSection Made(int girder, int row)
    {
        var (line, span) = (geometry.Girders[girder], mesh.SpanOf(row));
        return geometry.SectionOf(line, span, geometry.IsUniform(line, span) ? 0.5 : Middle(row));
    }

    /// <summary>Loads at the joints of the mesh (down), each girder carrying its share where girders stand alone.</summary>
    private ImmutableArray<NodalLoad> OnDeck(BridgeModel model, double[] nodal)
    {
        if (model.Kind == ModelKind.Line)
            nodal = Shared(nodal);
        return [.. nodal.Select((load, n) => (load, n)).Where(l => l.load != 0).Select(l => Down(l.n, l.load))];
    }

    /// <summary>
    /// Row by row what the girders carry. By the lever rule the edge's load goes to the two outer girders as by a lever over the first.
    /// On a deck that stays straight across P·(1/n + e·x/Σx²), e and x from the middle of the girders. With
    /// a factor each girder carries that part of the row's load.
    /// </summary>
    private double[] Shared(double[] nodal)
    {
        var shared = new double[nodal.Length];
        var count = mesh.GirderLines.Length;
        for (var line = 0; line < mesh.Lines; line++)
        {
            double Offset(int longitudinal) => mesh.Nodes[mesh.NodeAt(longitudinal, line)].Offset;
            double[] at = [.. mesh.GirderLines.Select(Offset)];
            var middle = at.Average();
            var square = at.Sum(x => (x - middle) * (x - middle));
            for (var k = 0; k < mesh.Longitudinals; k++)
            {
                var load = nodal[mesh.NodeAt(k, line)];
                if (load == 0)
                    continue;
                for (var g = 0; g < count; g++)
                {
                    var share =
                        choices.ShareFactor
                        ?? (
                            choices.Share == LoadShare.StiffDeck && count > 1
                                ? 1.0 / count + (Offset(k) - middle) * (at[g] - middle) / square
                                : Lever(at, Offset(k), g)
                        );
                    shared[mesh.OfGirder(g, line)] += load * share;
                }
            }
        }
        return shared;
    }

    private static double Lever(double[] at, double offset, int girder)
    {
        if (at.Length == 1)
            return 1;
        var left = Math.Clamp(Array.FindLastIndex(at, x => x <= offset), 0, at.Length - 2);
        var part = (offset - at[left]) / (at[left + 1] - at[left]);
        return girder == left ? 1 - part
            : girder == left + 1 ? part
            : 0;
    }

    private static NodalLoad Down(int node, double load) => new(node, new(0, 0, -load), default);

    /// <summary>Loads per metre down on girders, straight along each piece.</summary>
    private IEnumerable<BeamLoad> Spread(BridgeModel model, IReadOnlyCollection<int> spans, Func<GirderLine, int, double, double> perMetre)
    {
        foreach (var girder in geometry.Girders)
        {
            for (var row = 0; row + 1 < mesh.Lines; row++)
            {
                var (beam, span) = (model.GirderBeams[girder.Number - 1][row], mesh.SpanOf(row));
                if (beam < 0 || !spans.Contains(span))
                    continue;
                var (first, last) = mesh.Spans[span];
                double At(int line) => perMetre(girder, span, (double)(line - first) / (last - first));
                // The piece is measured along its chord, the girder along itself.
                var chord = (model.Frame.Nodes[model.Frame.Beams[beam].J].At - model.Frame.Nodes[model.Frame.Beams[beam].I].At).Length;
                var factor = girder.SpanLength(span) / (last - first) / chord;
                yield return new(beam, false, 2, false, 0, 1, -factor * At(row), -factor * At(row + 1));
            }
        }
    }

    private (int Beam, double Part)? PointOn(BridgeModel model, int girder, int span, double t)
    {
        var (first, last) = mesh.Spans[span];
        var row = Math.Min(last - 1, first + (int)Math.Floor(t * (last - first)));
        var beam = model.GirderBeams[girder][row];
        return beam < 0 ? null : (beam, Math.Clamp(t * (last - first) - (row - first), 0, 1));
    }
}
