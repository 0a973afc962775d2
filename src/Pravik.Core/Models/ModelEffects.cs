using Pravik.Core.Bridges;
using Pravik.Core.Frames;
using Pravik.Core.Geometry;

namespace Pravik.Core.Models;

/// <summary>
/// The effects of a model as linear functionals of its results, in the places of a layout: what reads a case and makes an influence
/// surface.
/// </summary>
/// <remarks>
/// Between pieces of a girder forces are the mean of both sides, which evens out the steps that cross members make. On models with
/// shells the forces on a whole girder are those of its beam and of the slab over its tributary width, taken half way along each piece,
/// where the steps of eccentric members vanish: N = N_b + Σn·b, M = M_b + N_b·(z_c − z_b) + Σ[m + n·(z_c − z_s)]·b about the composite
/// centroid z_c, V = V_b + Σv·b, T = T_b + Σ(m_xy − y·v)·b; from there moments are carried on to the joints by the shear, which errs by
/// w·h²/8 under a load per metre on pieces of length h. Stresses are N/A ∓ M/W of the section, in the material of each face.
/// </remarks>
public sealed class ModelEffects
{
    // Where the forces of a shell of each kind begin.
    private const int Membrane = 0;
    private const int Bending = 3;
    private const int Shear = 6;
    private readonly BridgeModel model;
    private readonly EffectLayout layout;
    private readonly Ends?[][] pieces;

    /// <summary>The effects of a model in the places of a layout.</summary>
    public ModelEffects(BridgeModel model, EffectLayout layout)
    {
        (this.model, this.layout) = (model, layout);
        pieces = [.. model.GirderBeams.Select((beams, g) => beams.Select((beam, row) => beam < 0 ? null : Piece(g, row, beam)).ToArray())];
    }

    /// <summary>Forces at both ends of a piece of a girder, as six functionals each: N, Vy, V, T, M, Mz.</summary>
    private sealed record Ends(FrameEffect[] Start, FrameEffect[] End);

    /// <summary>Values of all effects in a solved case; 0 where nothing stands. Stresses are those of the forces alone.</summary>
    public double[] Read(FrameCaseResults results)
    {
        var values = new double[layout.Count];
        for (var p = 0; p < layout.Points.Length; p++)
        {
            if (!Stands(layout.Points[p]))
                continue;
            for (var c = 0; c < EffectLayout.Forces; c++)
                values[layout.At(p, (GirderEffect)c)] = Force(p, c).Of(results);
            values[layout.At(p, GirderEffect.Deflection)] = Deflection(p).Of(results);
            AddStresses(values, p);
        }
        for (var s = 0; s < model.Seats.Length; s++)
        {
            if (layout.SeatNamed(model.Frame.Nodes[model.Seats[s].Node].Id) is not { } seat)
                continue;
            for (var c = 0; c < EffectLayout.OfSeat; c++)
                values[layout.AtSeat(seat) + c] += Seat(s, c).Of(results);
        }
        foreach (var other in model.Others)
        {
            if (layout.MemberNamed(other.Name) is not { } member)
                continue;
            for (var c = 0; c < EffectLayout.OfEnd; c++)
            {
                values[layout.AtEnd(member, false) + c] = End(other.Beam, c, false).Of(results);
                values[layout.AtEnd(member, true) + c] = End(other.Beam, c, true).Of(results);
            }
        }
        for (var p = 0; p < layout.Slab.Length; p++)
        {
            for (var c = 0; c < EffectLayout.OfSlab; c++)
                values[layout.AtSlab(p) + c] = Slab(p, (SlabEffect)c).Of(results);
        }
        return values;
    }

    /// <summary>Puts the stresses of the forces at a point into its block.</summary>
    public void AddStresses(double[] values, int point)
    {
        var (n, m) = (values[layout.At(point, GirderEffect.N)], values[layout.At(point, GirderEffect.M)]);
        for (var face = GirderEffect.Bottom; face <= GirderEffect.SlabTop; face++)
        {
            var (ofN, ofM) = StressFactors(point, face);
            values[layout.At(point, face)] = ofN * n + ofM * m;
        }
    }

    /// <summary>σ = ofN · N + ofM · M at a face of the section at a point.</summary>
    public (double OfN, double OfM) StressFactors(int point, GirderEffect face)
    {
        if (SectionAt(layout.Points[point]) is not { } section || (face == GirderEffect.SlabTop && !section.HasSlab))
            return (0, 0);
        var whole = section.Composite;
        var (z, ratio) = face switch
        {
            GirderEffect.Bottom => (0, 1),
            GirderEffect.GirderTop => (section.Girder.Depth, 1),
            _ => (section.SlabMiddle + section.SlabThickness / 2, section.Ratio),
        };
        return (ratio / whole.Area, ratio * (whole.Centroid - z) / whole.SecondMoment);
    }

    /// <summary>
    /// The section of the piece at a point: the one ahead of it, at the end of a span the one behind; null where none stands.
    /// </summary>
    public LayeredSection? SectionAt(ModelPoint point) => model.Sections[point.Girder][model.RowOf(point)];

    /// <summary>Whether the girder of a point stands.</summary>
    public bool Stands(ModelPoint point) => model.State.Girders[point.Span];

    /// <summary>Which side of a point's joint a force is read on.</summary>
    public enum Side
    {
        /// <summary>The mean of both sides.</summary>
        Mean,

        /// <summary>Just behind: a load on the joint then lies ahead, which gives shear its greatest value.</summary>
        Behind,

        /// <summary>Just ahead, which gives shear its least value.</summary>
        Ahead,
    }

    /// <summary>One of the six forces on a girder at a point. Ends of spans have only the side within the span.</summary>
    public FrameEffect Force(int point, int component, Side side = Side.Mean)
    {
        var place = layout.Points[point];
        var (first, last) = model.Mesh.Spans[place.Span];
        var row = pieces[place.Girder];
        var behind = place.Line > first && (side != Side.Ahead || place.Line == last) ? row[place.Line - 1] : null;
        var ahead = place.Line < last && (side != Side.Behind || place.Line == first) ? row[place.Line] : null;
        if (behind is not null && ahead is not null)
            return 0.5 * behind.End[component] + 0.5 * ahead.Start[component];
        // A piece that was left out by hand counts as one without forces.
        var share = place.Line > first && place.Line < last && side == Side.Mean ? 0.5 : 1;
        return behind is not null ? share * behind.End[component]
            : ahead is not null ? share * ahead.Start[component]
            : FrameEffect.Nothing;
    }

    /// <summary>Deflection of a point, up (m).</summary>
    public FrameEffect Deflection(int point) =>
        new([new(EffectSource.Node, model.Mesh.OfGirder(layout.Points[point].Girder, layout.Points[point].Line), 2, 1)]);

    /// <summary>A stress as a functional of the forces at its point.</summary>
    public FrameEffect Stress(int point, GirderEffect face)
    {
        var (ofN, ofM) = StressFactors(point, face);
        return ofN * Force(point, (int)GirderEffect.N) + ofM * Force(point, (int)GirderEffect.M);
    }

    /// <summary>An effect at a seat of the model, by its place among those of a seat.</summary>
    public FrameEffect Seat(int seat, int component)
    {
        var at = model.Seats[seat];
        if (component >= EffectLayout.SeatForces)
            return Movement(at, component - EffectLayout.SeatForces);
        if (at.Spring is { } spring)
            return new([new(EffectSource.Spring, spring, component, -1)]);
        if (component == 2)
            return new([new(EffectSource.Reaction, at.Node, 2, 1)]);
        var (sin, cos) = Math.SinCos(model.Mesh.Nodes[model.Mesh.OfGirder(at.Girder, at.Line)].Direction);
        var (x, y) = component == 0 ? (cos, sin) : (-sin, cos);
        return new([new(EffectSource.Reaction, at.Node, 0, x), new(EffectSource.Reaction, at.Node, 1, y)]);
    }

    /// <summary>
    /// What a girder moves along (0) or across (1), or turns about the axis across (2), against what its bearing stands on.
    /// </summary>
    private FrameEffect Movement(ModelSeat at, int component)
    {
        var spring = at.Spring is { } number ? model.Frame.Springs[number] : null;
        var (sin, cos) = Math.SinCos(model.Mesh.Nodes[model.Mesh.OfGirder(at.Girder, at.Line)].Direction);
        var along = spring is null ? new Point3(cos, sin, 0) : spring.X ?? new(1, 0, 0);
        var across = (spring?.Up ?? new Point3(0, 0, 1)).Cross(along);
        var axis = component == 0 ? along : (1 / across.Length) * across;
        var first = component == 2 ? 3 : 0;
        IEnumerable<EffectTerm> Of(int node, double factor) =>
            new[] { axis.X, axis.Y, axis.Z }.Select((c, i) => new EffectTerm(EffectSource.Node, node, first + i, factor * c));
        return new([.. Of(at.Node, 1), .. spring is null ? [] : Of(spring.I == at.Node ? spring.J : spring.I, -1)]);
    }

    /// <summary>A force at an end of a beam.</summary>
    public static FrameEffect End(int beam, int component, bool atEnd) =>
        new([new(atEnd ? EffectSource.BeamEnd : EffectSource.BeamStart, beam, component, 1)]);

    /// <summary>
    /// An effect of the slab at a place, in the direction of the girders there: with c and s of the angle from the shell's x to it
    /// m_along = m_x·c² + m_y·s² + 2·m_xy·s·c, m_across = m_x·s² + m_y·c² − 2·m_xy·s·c, m_twist = (m_y − m_x)·s·c + m_xy·(c² − s²),
    /// v_along = v_x·c + v_y·s, v_across = −v_x·s + v_y·c; between the middles of shells each value is taken as linear.
    /// Nothing where no shell stands.
    /// </summary>
    public FrameEffect Slab(int place, SlabEffect effect)
    {
        var point = layout.Slab[place];
        List<(int Shell, double Weight)> standing =
        [
            .. point.Shells.Select(s => (model.Shells.IsEmpty ? -1 : model.Shells[s.Row][s.Bay], s.Weight)).Where(s => s.Item1 >= 0),
        ];
        var all = standing.Sum(s => s.Weight);
        var (sin, cos) = Math.SinCos(point.Direction);
        List<EffectTerm> terms = [];
        foreach (var (shell, weight) in standing.Where(s => s.Weight > 0))
        {
            var (c, s) = InShell(shell, new(cos, sin)).Direction;
            foreach (var (component, factor) in Turned(effect, c, s))
                terms.Add(new(EffectSource.Shell, shell, component, factor * weight / all));
        }
        return new([.. terms]);
    }

    private static (int Component, double Factor)[] Turned(SlabEffect effect, double c, double s) =>
        effect switch
        {
            SlabEffect.Along => [(Bending, c * c), (Bending + 1, s * s), (Bending + 2, 2 * s * c)],
            SlabEffect.Across => [(Bending, s * s), (Bending + 1, c * c), (Bending + 2, -2 * s * c)],
            SlabEffect.Twist => [(Bending, -s * c), (Bending + 1, s * c), (Bending + 2, c * c - s * s)],
            SlabEffect.ShearAlong => [(Shear, c), (Shear + 1, s)],
            _ => [(Shear, -s), (Shear + 1, c)],
        };

    /// <summary>Corners of a shell, its centre, and a direction in plan in its axes (cos, sin).</summary>
    private (List<Point3> Corners, Point3 Centre, (double C, double S) Direction) InShell(int shell, Point ahead)
    {
        var corners = model.Frame.Shells[shell].Nodes.Select(n => model.Frame.Nodes[n].At).ToList();
        var (axes, centre) = ShellElement.Frame(corners);
        var (c, s) = (axes.X.X * ahead.X + axes.X.Y * ahead.Y, axes.Y.X * ahead.X + axes.Y.Y * ahead.Y);
        var size = Math.Sqrt(c * c + s * s);
        return (corners, centre, (c / size, s / size));
    }

    private Ends Piece(GirderIndex girder, int row, int beam)
    {
        if (model.Shells.IsEmpty || !model.Sections[girder][row]!.HasSlab)
            return new([.. Six(c => End(beam, c, false))], [.. Six(c => End(beam, c, true))]);
        var whole = Whole(girder, row, beam);
        var (from, to) = (model.Mesh.OfGirder(girder, row), model.Mesh.OfGirder(girder, row + 1));
        var half = (model.Mesh.Nodes[to].At - model.Mesh.Nodes[from].At).Length / 2;
        FrameEffect At(int c, double x) =>
            c == (int)GirderEffect.M ? whole[c] + x * whole[(int)GirderEffect.V]
            : c == (int)GirderEffect.Mz ? whole[c] + x * whole[(int)GirderEffect.Vy]
            : whole[c];
        return new([.. Six(c => At(c, -half))], [.. Six(c => At(c, half))]);
    }

    private static IEnumerable<FrameEffect> Six(Func<int, FrameEffect> of) => Enumerable.Range(0, EffectLayout.Forces).Select(of);

    /// <summary>Forces on beam and slab together half way along a piece.</summary>
    private FrameEffect[] Whole(GirderIndex girder, int row, int index)
    {
        var (section, mesh, frame) = (model.Sections[girder][row]!, model.Mesh, model.Frame);
        var (own, bays) = (mesh.GirderLines[girder], model.Shells[row]);
        var before = girder == 0 ? 0 : (mesh.GirderLines[girder - 1] + own) / 2;
        var after = girder == mesh.GirderLines.Length - 1 ? mesh.Longitudinals - 1 : (own + mesh.GirderLines[girder + 1]) / 2;
        var terms = Enumerable.Range(0, EffectLayout.Forces).Select(_ => new List<EffectTerm>()).ToArray();
        for (var c = 0; c < terms.Length; c++)
            terms[c].Add(new(EffectSource.BeamMiddle, index, c, 1));
        // The haunch is part of the beam; levels are above the girder's soffit.
        var centroid = section.Composite.Centroid;
        var beamLevel = section.SlabMiddle + frame.Beams[index].OffsetI.Z;
        terms[(int)GirderEffect.M].Add(new(EffectSource.BeamMiddle, index, 0, centroid - beamLevel));
        var (from, to) = (mesh.Nodes[mesh.OfGirder(girder, row)].At, mesh.Nodes[mesh.OfGirder(girder, row + 1)].At);
        var ahead = 1 / (to - from).Length * (to - from);
        for (var bay = before; bay < after; bay++)
        {
            if (bays[bay] >= 0)
                AddShell(terms, bays[bay], from, ahead, centroid - section.SlabMiddle);
        }
        return [.. terms.Select(t => new FrameEffect([.. t]))];
    }

    /// <summary>Adds what a shell carries along the girder, over its width square to it.</summary>
    private void AddShell(List<EffectTerm>[] terms, int shell, Point from, Point ahead, double lever)
    {
        var (corners, centre, (c, s)) = InShell(shell, ahead);
        double Across(Point3 p) => -(p.X - from.X) * ahead.Y + (p.Y - from.Y) * ahead.X;
        var width = Math.Abs(Across(corners[0]) + Across(corners[1]) - Across(corners[2]) - Across(corners[3])) / 2;
        void Add(GirderEffect effect, int component, double factor) =>
            terms[(int)effect].Add(new(EffectSource.Shell, shell, component, factor * width));
        void Along(GirderEffect effect, int first, double factor)
        {
            Add(effect, first, factor * c * c);
            Add(effect, first + 1, factor * s * s);
            Add(effect, first + 2, factor * 2 * s * c);
        }
        Along(GirderEffect.N, Membrane, 1);
        Along(GirderEffect.M, Bending, 1);
        Along(GirderEffect.M, Membrane, lever);
        foreach (var (component, factor) in Turned(SlabEffect.ShearAlong, c, s))
            Add(GirderEffect.V, component, factor);
        foreach (var (component, factor) in Turned(SlabEffect.Twist, c, s))
            Add(GirderEffect.T, component, factor);
        Add(GirderEffect.T, Shear, -Across(centre) * c);
        Add(GirderEffect.T, Shear + 1, -Across(centre) * s);
    }
}
