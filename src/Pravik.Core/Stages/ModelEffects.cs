using System.Collections.Immutable;
using Pravik.Core.Frames;
using Pravik.Core.Models;
using Pravik.Core.Places;

namespace Pravik.Core.Stages;

/// <summary>
/// A place on a girder where effects are told: girder and span (from 0), row of the mesh, station, and distance along the girder from
/// its first axis. Ends of spans look into their own span.
/// </summary>
public sealed record ModelPoint(int Girder, int Span, int Line, double Fraction, double Station, double Distance)
{
    /// <summary>All points of a mesh, girder by girder along the bridge.</summary>
    public static ImmutableArray<ModelPoint> All(BridgeGeometry geometry, DeckMesh mesh)
    {
        var points = ImmutableArray.CreateBuilder<ModelPoint>();
        foreach (var girder in geometry.Girders)
        {
            double before = 0;
            for (var span = 0; span < mesh.Spans.Length; span++)
            {
                var (first, last) = mesh.Spans[span];
                for (var line = first; line <= last; line++)
                {
                    var t = (double)(line - first) / (last - first);
                    points.Add(
                        new(
                            girder.Number - 1,
                            span,
                            line,
                            t,
                            mesh.Nodes[mesh.OfGirder(girder.Number - 1, line)].Station,
                            before + t * girder.SpanLength(span)
                        )
                    );
                }
                before += girder.SpanLength(span);
            }
        }
        return points.ToImmutable();
    }
}

/// <summary>
/// Forces on a section (N, Nm): axial force (tension positive), shear across, shear, torsion, sagging moment, moment across.
/// </summary>
public readonly record struct SectionForces(double N, double Vy, double V, double T, double M, double Mz)
{
    public static SectionForces operator +(SectionForces a, SectionForces b) =>
        new(a.N + b.N, a.Vy + b.Vy, a.V + b.V, a.T + b.T, a.M + b.M, a.Mz + b.Mz);

    public static SectionForces operator *(double f, SectionForces a) => new(f * a.N, f * a.Vy, f * a.V, f * a.T, f * a.M, f * a.Mz);

    public static SectionForces operator -(SectionForces a, SectionForces b) => a + -1 * b;
}

/// <summary>
/// What a load does along the girders: forces on the whole girder and its upward deflection (m) at every point; 0 where no girder
/// stands yet.
/// </summary>
public sealed record GirderEffects(ImmutableArray<SectionForces> Forces, ImmutableArray<double> Deflection)
{
    public static GirderEffects None(int points) => new([.. new SectionForces[points]], [.. new double[points]]);

    public static GirderEffects operator +(GirderEffects a, GirderEffects b) => Sum([(1, a), (1, b)]);

    /// <summary>Σ factor · effects.</summary>
    public static GirderEffects Sum(IReadOnlyList<(double Factor, GirderEffects Effects)> terms)
    {
        var count = terms[0].Effects.Forces.Length;
        var (forces, deflection) = (new SectionForces[count], new double[count]);
        foreach (var (factor, effects) in terms)
        {
            for (var i = 0; i < count; i++)
            {
                forces[i] += factor * effects.Forces[i];
                deflection[i] += factor * effects.Deflection[i];
            }
        }
        return new([.. forces], [.. deflection]);
    }
}

/// <summary>Reads effects along girders from the results of a model.</summary>
/// <remarks>
/// Between pieces of a girder forces are the mean of both sides, which evens out the steps that cross members make. On models with
/// shells the forces on a whole girder are those of its beam and of the slab over its tributary width, taken half way along each piece,
/// where the steps of eccentric members vanish: N = N_b + Σn·b, M = M_b + N_b·(z_c − z_b) + Σ[m + n·(z_c − z_s)]·b about the composite
/// centroid z_c, V = V_b + Σv·b, T = T_b + Σ(m_xy − y·v)·b; from there moments are carried on
/// to the joints by the shear, which errs by w·h²/8 under a load per metre on pieces of length h.
/// </remarks>
public static class EffectReader
{
    public static GirderEffects Read(
        BridgeGeometry geometry,
        BridgeModel model,
        FrameCaseResults results,
        ImmutableArray<ModelPoint> points
    )
    {
        var pieces = model
            .GirderBeams.Select(
                (beams, g) => beams.Select((beam, row) => beam < 0 ? null : Piece(geometry, model, results, g, row, beam)).ToArray()
            )
            .ToArray();
        var (forces, deflection) = (new SectionForces[points.Length], new double[points.Length]);
        for (var i = 0; i < points.Length; i++)
        {
            var point = points[i];
            var (first, last) = model.Mesh.Spans[point.Span];
            if (!model.State.Girders[point.Span])
                continue;
            var row = pieces[point.Girder];
            deflection[i] = results.Displacements[model.Mesh.OfGirder(point.Girder, point.Line)][2];
            if (point.Line > first && point.Line < last)
                forces[i] = 0.5 * ((row[point.Line - 1]?.End ?? default) + (row[point.Line]?.Start ?? default));
            else
                forces[i] = point.Line == first ? row[first]?.Start ?? default : row[last - 1]?.End ?? default;
        }
        return new([.. forces], [.. deflection]);
    }

    /// <summary>Forces at the ends of a piece.</summary>
    private sealed record Ends(SectionForces Start, SectionForces End);

    private static Ends Piece(BridgeGeometry geometry, BridgeModel model, FrameCaseResults results, int girder, int row, int beam)
    {
        var forces = results.Beams[beam];
        SectionForces At(int i) => new(forces.N[i], forces.Vy[i], forces.Vz[i], forces.T[i], forces.My[i], forces.Mz[i]);
        if (model.Shells.IsEmpty)
            return new(At(0), At(forces.At.Length - 1));
        var middle = forces.At.IndexOf(0.5) is var half and >= 0 ? At(half) : 0.5 * (At(0) + At(forces.At.Length - 1));
        var whole = Whole(geometry, model, results, girder, row, middle);
        var length = (
            model.Mesh.Nodes[model.Mesh.OfGirder(girder, row + 1)].At - model.Mesh.Nodes[model.Mesh.OfGirder(girder, row)].At
        ).Length;
        return new(
            whole with
            {
                M = whole.M - whole.V * length / 2,
                Mz = whole.Mz - whole.Vy * length / 2,
            },
            whole with
            {
                M = whole.M + whole.V * length / 2,
                Mz = whole.Mz + whole.Vy * length / 2,
            }
        );
    }

    private static SectionForces Whole(
        BridgeGeometry geometry,
        BridgeModel model,
        FrameCaseResults results,
        int girder,
        int row,
        SectionForces beam
    )
    {
        var section = model.Sections[girder][row]!;
        var mesh = model.Mesh;
        var (own, bays) = (mesh.GirderLines[girder], model.Shells[row]);
        var before = girder == 0 ? 0 : (mesh.GirderLines[girder - 1] + own) / 2;
        var after = girder == mesh.GirderLines.Length - 1 ? mesh.Longitudinals - 1 : (own + mesh.GirderLines[girder + 1]) / 2;
        // The haunch is part of the beam; levels are above the girder's soffit.
        var frame = model.Frame;
        var index = model.GirderBeams[girder][row];
        var beamLevel = section.SlabMiddle + frame.Beams[index].OffsetI.Z;
        var total = beam with { M = beam.M + beam.N * (section.Composite.Centroid - beamLevel) };
        var (from, to) = (mesh.Nodes[mesh.OfGirder(girder, row)].At, mesh.Nodes[mesh.OfGirder(girder, row + 1)].At);
        var ahead = 1 / (to - from).Length * (to - from);
        for (var bay = before; bay < after; bay++)
        {
            if (bays[bay] < 0)
                continue;
            var shell = frame.Shells[bays[bay]];
            var corners = shell.Nodes.Select(n => frame.Nodes[n].At).ToList();
            var (axes, centre) = ShellElement.Frame(corners);
            // Direction of the girder in the shell's axes, and the width square to it.
            var (c, s) = (axes.X.X * ahead.X + axes.X.Y * ahead.Y, axes.Y.X * ahead.X + axes.Y.Y * ahead.Y);
            var size = Math.Sqrt(c * c + s * s);
            (c, s) = (c / size, s / size);
            double Across(Geometry.Point3 p) => -(p.X - from.X) * ahead.Y + (p.Y - from.Y) * ahead.X;
            var width = Math.Abs(Across(corners[0]) + Across(corners[1]) - Across(corners[2]) - Across(corners[3])) / 2;
            var f = results.Shells[bays[bay]];
            double Along(double xx, double yy, double xy) => xx * c * c + yy * s * s + 2 * xy * s * c;
            var (n, m) = (Along(f.Nxx, f.Nyy, f.Nxy), Along(f.Mxx, f.Myy, f.Mxy));
            var twist = (f.Myy - f.Mxx) * s * c + f.Mxy * (c * c - s * s);
            var (v, y) = (f.Vxz * c + f.Vyz * s, Across(centre));
            total += new SectionForces(
                n * width,
                0,
                v * width,
                (twist - y * v) * width,
                (m + n * (section.Composite.Centroid - section.SlabMiddle)) * width,
                0
            );
        }
        return total;
    }
}
