using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Frames;
using Pravik.Core.Geometry;
using Pravik.Core.Models;
using Pravik.Core.Numerics;
using Pravik.Core.Places;
using Pravik.Core.Sections;

namespace Pravik.Core.Loads;

// Temperature, settlement and prestress as free strains and movements.
public sealed partial class ModelLoads
{
    /// <summary>The given movement of a support down (m), at the seats of an axis.</summary>
    public static FrameCase Settlement(BridgeModel model, AxisIndex axis, double settlement)
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

    /// <summary>A free strain of the fibres, piece by piece of the girders; null leaves a piece alone.</summary>
    public FrameCase Strain(string name, BridgeModel model, Func<GirderIndex, int, LayeredSection, LayerStrain?> strain)
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
    /// Strands as the strain that they give a free girder, ε = −P/EA and κ = −P·e/EI: what the model answers with are secondary effects;
    /// primary ones are the rest. A change of their stress makes the change of both.
    /// </summary>
    /// <param name="name">Name of the case.</param>
    /// <param name="model">The model.</param>
    /// <param name="stress">Stress of each row in the piece of a girder that begins on a row (Pa); null for none.</param>
    /// <param name="tendons">Stress of each tendon there (Pa); null for none.</param>
    public FrameCase Strands(
        string name,
        BridgeModel model,
        Func<GirderIndex, int, double[]?> stress,
        Func<GirderIndex, int, double[]?>? tendons = null
    ) =>
        Pulled(
            name,
            model,
            (girder, row, level) => Primary(girder, mesh.SpanOf(row), Middle(row), level, stress(girder, row), tendons?.Invoke(girder, row))
        );

    private (double Force, double Moment)? Primary(
        GirderIndex girder,
        SpanIndex span,
        double t,
        double level,
        double[]? ofStrands,
        double[]? ofTendons
    )
    {
        if (ofStrands is null && ofTendons is null)
            return null;
        var line = geometry.Girders[girder];
        var one = ofStrands is null ? default : Primary(line, span, t, level, ofStrands);
        var other = ofTendons is null ? default : Tendons.Primary(line, span, t, level, ofTendons);
        return (one.Force + other.Force, one.Moment + other.Moment);
    }

    /// <summary>Axial force and moment about the level of its beam that held pieces have, as the strain that frees them.</summary>
    private static FrameCase Pulled(string name, BridgeModel model, Func<GirderIndex, int, double, (double Force, double Moment)?> held)
    {
        var beams = ImmutableArray.CreateBuilder<BeamThermal>();
        for (var g = 0; g < model.GirderBeams.Length; g++)
        {
            for (var row = 0; row < model.GirderBeams[g].Length; row++)
            {
                var index = model.GirderBeams[g][row];
                if (index < 0)
                    continue;
                var (beam, layers) = (model.Frame.Beams[index], model.Sections[g][row]!);
                var level = model.Shells.IsEmpty ? layers.Composite.Centroid : layers.SlabMiddle + beam.OffsetI.Z;
                if (held(g, row, level) is not { } pull)
                    continue;
                var (section, modulus) = (model.Frame.Sections[beam.Section], model.Frame.Materials[beam.Material].E);
                beams.Add(Thermal(index, new(pull.Force / (modulus * section.A), pull.Moment / (modulus * section.Iy))));
            }
        }
        return new(name) { BeamThermal = beams.ToImmutable() };
    }

    /// <summary>
    /// Axial force and moment of the strands about a level above the soffit: N = −Σn·A_p·σ_p, M = −Σn·A_p·σ_p·(z̄ − z_p), as far as they
    /// are transmitted. Beyond the girder's ends there is none.
    /// </summary>
    public (double Force, double Moment) Primary(GirderLine girder, SpanIndex span, double t, double level, double[] stress)
    {
        double force = 0,
            moment = 0;
        foreach (var row in strands.At(girder, span, t))
        {
            var pull = row.Area * stress[row.Index];
            force -= pull;
            moment -= pull * (level - row.Level);
        }
        return (force, moment);
    }

    /// <summary>
    /// The forces that strands and tendons have on the section of a model at a point, about the centroid of that section.
    /// </summary>
    public SectionForces Primary(BridgeModel model, ModelPoint point, double[]? stress, double[]? tendons = null)
    {
        if (model.Sections[point.Girder][model.RowOf(point)] is not { } section)
            return default;
        return Primary(point.Girder, point.Span, point.Fraction, section.Composite.Centroid, stress, tendons) is var (force, moment)
            ? new(force, 0, 0, 0, moment, 0)
            : default;
    }

    /// <summary>Fraction of its span at which the piece that begins on a row has its middle.</summary>
    public double Middle(int row) => mesh.MiddleOf(mesh.SpanOf(row), row);

    /// <summary>The outline of a girder in a piece.</summary>
    public MadeSection Made(GirderIndex girder, int row)
    {
        var (line, span) = (geometry.Girders[girder], mesh.SpanOf(row));
        return geometry.SectionOf(line, span, geometry.IsUniform(line, span) ? 0.5 : Middle(row));
    }
}
