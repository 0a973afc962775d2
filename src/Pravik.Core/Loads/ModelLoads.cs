using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Frames;
using Pravik.Core.Geometry;
using Pravik.Core.Models;
using Pravik.Core.Places;

namespace Pravik.Core.Loads;

/// <summary>The loads of a bridge as cases of its models.</summary>
public sealed partial class ModelLoads
{
    private readonly BridgeGeometry geometry;
    private readonly DeckMesh mesh;
    private readonly DeckShares shares;
    private readonly StrandRows strands;
    private readonly Lazy<PermanentLoads> permanent;

    /// <summary>The tendons.</summary>
    public TendonRows Tendons { get; }

    private readonly Dictionary<(GirderIndex Girder, SpanIndex Span), double> wet = [];

    /// <summary>The loads of a bridge on a mesh.</summary>
    public ModelLoads(BridgeGeometry geometry, DeckMesh mesh, ModelChoices choices)
    {
        (this.geometry, this.mesh, shares, strands, Tendons) = (geometry, mesh, new(mesh, choices), new(geometry), new(geometry));
        permanent = new(() => new(geometry, mesh));
    }

    /// <summary>Weight of girders in some spans (from 0), by their sections.</summary>
    public FrameCase Girders(BridgeModel model, IReadOnlyCollection<int> spans) =>
        OnGirders("Girders", model, spans, (girder, span, t) => geometry.WeightAt(girder, span, t));

    /// <summary>
    /// Weight of slab and haunch in some spans, with the diaphragms between the axes that come before the slab or with it, and those at
    /// the ends of the deck.
    /// </summary>
    public FrameCase Slab(BridgeModel model, IReadOnlyCollection<int> spans)
    {
        var slab = OnGirders("Slab", model, spans, (girder, span, _) => WetSlab(girder, span));
        List<BeamLoad> diaphragms = [];
        foreach (var bay in geometry.DiaphragmBays().Where(d => spans.Contains(d.Span) && d.Diaphragm.Stage != DiaphragmStage.AfterSlab))
        {
            var half = bay.Weight(geometry) / 2;
            foreach (var (girder, at) in new[] { (bay.Left, bay.OnLeft), (bay.Right, bay.OnRight) })
            {
                if (PointOn(model, girder.Number - 1, bay.Span, at) is { } place)
                    diaphragms.Add(BeamLoad.Point(place.Beam, FrameDirection.Uz, place.Part, -half));
            }
        }
        // A deck ends at the first and the last axis of each unit.
        var ends = geometry
            .Units.SelectMany(u => new[] { (u.FirstSpan, mesh.Spans[u.FirstSpan].First), (u.LastSpan, mesh.Spans[u.LastSpan].Last) })
            .Where(e => spans.Contains(e.Item1))
            .Select(e => e.Item2);
        return slab with { Beams = slab.Beams.AddRange(diaphragms), Nodal = slab.Nodal.AddRange(ends.SelectMany(AxisDiaphragm)) };
    }

    /// <summary>
    /// What the slab's concrete weighs more while it is wet (EN 1991-1-1 Table A.1, note 2); null where that is nothing.
    /// </summary>
    public FrameCase? WetConcrete(BridgeModel model, IReadOnlyCollection<int> spans)
    {
        var part = geometry.Bridge.Loads.WetConcrete / geometry.Bridge.Loads.ConcreteWeight;
        return part == 0 ? null : OnGirders("Wet concrete", model, spans, (girder, span, _) => part * WetSlab(girder, span));
    }

    private double WetSlab(GirderLine girder, SpanIndex span)
    {
        var key = (girder.Number, span);
        return wet.TryGetValue(key, out var known) ? known : wet[key] = permanent.Value.WetSlab(girder, span);
    }

    /// <summary>Weight of the pour over a pier (axis from 0): its diaphragm.</summary>
    public FrameCase Joint(AxisIndex axis) => new("Pour over the pier") { Nodal = [.. AxisDiaphragm(mesh.Spans[axis].First)] };

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
            yield return DeckShares.Down(a, half);
            yield return DeckShares.Down(b, half);
        }
    }

    /// <summary>Edge beams, footways, parapets, and diaphragms that come after the slab.</summary>
    public DeckLoads Edges => permanent.Value.Superimposed;

    /// <summary>Loads of the surfacing.</summary>
    public DeckLoads Surfacing => permanent.Value.Surfacing;

    /// <summary>Loads of a case of the engineer's own.</summary>
    public DeckLoads Own(OwnCase own) => DeckForces.Own(geometry, mesh, own);

    /// <summary>Loads on the deck as a case of the model.</summary>
    public FrameCase Case(string name, DeckLoads onDeck) => new(name) { Nodal = shares.Put(onDeck.OnJoints()) };

    /// <summary>What loads on the deck add to the shear just within the end of a span (<see cref="DeckLoads.EndShear"/>).</summary>
    public double EndShear(DeckLoads onDeck, ModelPoint point) => onDeck.EndShear(point, shares);

    /// <summary>
    /// Loads per metre down on girders, straight along each piece. What lies between an axis and where a girder bears inside it goes to
    /// the support.
    /// </summary>
    private FrameCase OnGirders(
        string name,
        BridgeModel model,
        IReadOnlyCollection<int> spans,
        Func<GirderLine, int, double, double> perMetre
    )
    {
        var (beams, nodal) = (ImmutableArray.CreateBuilder<BeamLoad>(), ImmutableArray.CreateBuilder<NodalLoad>());
        foreach (var girder in geometry.Girders)
        {
            for (var row = 0; row + 1 < mesh.Lines; row++)
            {
                var (index, span) = (model.GirderBeams[girder.Number - 1][row], mesh.SpanOf(row));
                if (index < 0 || !spans.Contains(span))
                    continue;
                double At(int line) => perMetre(girder, span, mesh.FractionOf(span, line));
                // The piece is measured along its chord, the girder along itself.
                var (beam, chord) = (model.Frame.Beams[index], Chord(model, index));
                var factor = girder.SpanLength(span) * mesh.PartOf(span, row) / chord;
                beams.Add(new(index, FrameDirection.Uz, 0, 1, -factor * At(row), -factor * At(row + 1)));
                if (Inside(beam.OffsetI) is > 0 and var start)
                    nodal.Add(DeckShares.Down(beam.I, start * factor * At(row)));
                if (Inside(beam.OffsetJ) is > 0 and var end)
                    nodal.Add(DeckShares.Down(beam.J, end * factor * At(row + 1)));
            }
        }
        return new(name) { Beams = beams.ToImmutable(), Nodal = nodal.ToImmutable() };
    }

    /// <summary>How far an end of a piece lies inside its joint (m).</summary>
    private static double Inside(Point3 offset) => Math.Sqrt(offset.X * offset.X + offset.Y * offset.Y);

    private static double Chord(BridgeModel model, int beam) =>
        (model.Frame.Nodes[model.Frame.Beams[beam].J].At - model.Frame.Nodes[model.Frame.Beams[beam].I].At).Length;

    private (int Beam, double Part)? PointOn(BridgeModel model, GirderIndex girder, SpanIndex span, double t)
    {
        var row = mesh.Spans[span].First;
        while (row + 1 < mesh.Spans[span].Last && mesh.FractionOf(span, row + 1) <= t)
            row++;
        var index = model.GirderBeams[girder][row];
        if (index < 0)
            return null;
        var (beam, chord) = (model.Frame.Beams[index], Chord(model, index));
        var (from, to) = (Inside(beam.OffsetI) / chord, 1 - Inside(beam.OffsetJ) / chord);
        return (index, Math.Clamp(((t - mesh.FractionOf(span, row)) / mesh.PartOf(span, row) - from) / (to - from), 0, 1));
    }
}
