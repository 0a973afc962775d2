using System.Collections.Immutable;
using Pravik.Core.Frames;
using Pravik.Core.Geometry;
using Pravik.Core.Models;
using Pravik.Core.Sections;
using Pravik.Core.Traffic;

namespace Pravik.Core.LoneMembers;

/// <summary>What a case puts on a member, and what it does: load and reactions upright (N).</summary>
/// <param name="Effects">Effects at every place.</param>
/// <param name="Load">The whole load, down.</param>
/// <param name="Reactions">What each support answers, up.</param>
public sealed record LoneCaseResults(EffectValues Effects, double Load, ImmutableArray<double> Reactions);

/// <summary>
/// A member alone as a line of beams, with or without its slab: bending in its plane without shear deformation, free to lengthen; sections
/// of pieces are those half way.
/// </summary>
internal sealed class LoneModel
{
    private const double Expansion = 1e-5;
    private const double Poisson = 0.2;

    /// <summary>What counts as nothing in the effects of a case (N or Nm); those of unit loads are all kept.</summary>
    private const double Tiny = 0.01;
    private static readonly ImmutableArray<double> NoSprings = [0, 0, 0, 0, 0, 0];
    private readonly LoneMember member;
    private readonly LonePlaces places;
    private readonly LoneSections sections;
    private readonly EffectLayout layout;
    private readonly bool withSlab;
    private readonly FrameAnalysis analysis;
    private readonly SectionProperties[] pieces;

    /// <summary>Throws <see cref="FrameRefusedException"/> where the member can move.</summary>
    public LoneModel(LoneMember member, LonePlaces places, LoneSections sections, EffectLayout layout, bool withSlab)
    {
        (this.member, this.places, this.sections, this.layout, this.withSlab) = (member, places, sections, layout, withSlab);
        pieces = [.. Enumerable.Range(0, places.Joints.Length - 1).Select(i => Properties(sections.MadeAt(Middle(i))))];
        analysis = new(
            new()
            {
                Materials = [new("concrete", sections.Concrete.Ecm, Poisson, 0, Expansion)],
                Sections =
                [
                    .. pieces.Select((p, i) => new FrameSection($"{i + 1}", p.Area, p.SecondMoment, p.SecondMoment, p.SecondMoment)),
                ],
                Nodes = [.. places.Joints.Select((x, i) => new FrameNode($"{i + 1}", new(x, 0, 0)))],
                Beams = [.. pieces.Select((_, i) => new FrameBeam($"{i + 1}", i, i + 1, 0, i))],
                Supports = [.. places.Joints.Select((_, i) => Support(i))],
            }
        );
    }

    private double Middle(int piece) => (places.Joints[piece] + places.Joints[piece + 1]) / 2;

    private SectionProperties Properties(MadeSection section) => withSlab ? sections.Whole(section) : section.Bending;

    /// <summary>Every joint stays in the plane; supports hold upright and, where they are fixed, against turning.</summary>
    private FrameSupport Support(int joint)
    {
        List<FrameDirection> fix = [FrameDirection.Uy, FrameDirection.Rx, FrameDirection.Rz];
        var springs = NoSprings;
        if (joint == 0)
            fix.Add(FrameDirection.Ux);
        var end = places.JointOfEnd.IndexOf(joint);
        if (end >= 0 && member.Supports[end] is { Restraint: not Restraint.Free } support)
        {
            if (support.Spring is { } stiffness)
                springs = springs.SetItem((int)FrameDirection.Uz, stiffness);
            else
                fix.Add(FrameDirection.Uz);
            if (support.Restraint == Restraint.Fixed)
                fix.Add(FrameDirection.Ry);
        }
        return new(joint, [.. fix.Order()], springs);
    }

    /// <summary>Solves cases; what rounding leaves of effects that are 0 is taken away.</summary>
    public ImmutableArray<LoneCaseResults> Solve(IReadOnlyList<FrameCase> cases) => Solve(cases, Tiny);

    private ImmutableArray<LoneCaseResults> Solve(IReadOnlyList<FrameCase> cases, double tiny)
    {
        var solved = analysis.Solve(cases);
        return
        [
            .. solved.Cases.Select(c => new LoneCaseResults(
                new(layout, Values(c, tiny)),
                -c.Applied[2],
                [.. places.JointOfEnd.Select((joint, end) => IsHeld(end) ? c.ReactionAt(joint)?[2] ?? 0 : 0)]
            )),
        ];
    }

    private bool IsHeld(int end) => member.Supports[end].Restraint != Restraint.Free;

    private double[] Values(FrameCaseResults solved, double tiny)
    {
        var values = new double[layout.Count];
        for (var p = 0; p < places.Places.Length; p++)
        {
            var place = places.Places[p];
            var (forces, end) = (solved.Beams[place.Piece], place.IsBehind ? solved.Beams[place.Piece].At.Length - 1 : 0);
            values[layout.At(p, GirderEffect.V)] = forces.Vz[end];
            values[layout.At(p, GirderEffect.M)] = forces.My[end];
            values[layout.At(p, GirderEffect.Deflection)] = solved.Displacements[place.Joint][2];
        }
        foreach (var effect in new[] { GirderEffect.V, GirderEffect.M })
            Clean(values, effect, tiny);
        for (var p = 0; p < places.Places.Length; p++)
            Stresses(values, p, 0, values[layout.At(p, GirderEffect.M)]);
        return values;
    }

    /// <summary>Takes away what is less than a value (N or Nm).</summary>
    private void Clean(double[] values, GirderEffect effect, double tiny)
    {
        for (var p = 0; p < layout.Points.Length; p++)
        {
            if (Math.Abs(values[layout.At(p, effect)]) < tiny)
                values[layout.At(p, effect)] = 0;
        }
    }

    /// <summary>Writes the stresses that an axial force at the centroid and a moment give at a place.</summary>
    public void Stresses(double[] values, int place, double axial, double moment)
    {
        var section = sections.MadeAt(places.Places[place]);
        var p = Properties(section);
        double At(double height) => axial / p.Area + moment * (p.Centroid - height) / p.SecondMoment;
        values[layout.At(place, GirderEffect.Bottom)] = At(0);
        values[layout.At(place, GirderEffect.GirderTop)] = At(section.Depth);
        values[layout.At(place, GirderEffect.SlabTop)] =
            member.Slab is null ? At(section.Depth)
            : withSlab ? sections.Slab.Ecm / sections.Concrete.Ecm * At(p.Depth)
            : 0;
    }

    /// <summary>A line load between two places, straight from one value to the other (N/m, down), on the pieces that it covers.</summary>
    public IEnumerable<BeamLoad> Line(double from, double to, double first, double last)
    {
        double At(double x) => to > from ? first + (last - first) * (x - from) / (to - from) : first;
        for (var i = 0; i < pieces.Length; i++)
        {
            var (begin, end) = (Math.Max(from, places.Joints[i]), Math.Min(to, places.Joints[i + 1]));
            var length = places.Joints[i + 1] - places.Joints[i];
            if (end - begin > 1e-9)
                yield return new(
                    i,
                    FrameDirection.Uz,
                    (begin - places.Joints[i]) / length,
                    (end - places.Joints[i]) / length,
                    -At(begin),
                    -At(end)
                );
        }
    }

    /// <summary>Loads per length of each piece (N/m, down).</summary>
    public FrameCase Even(string name, Func<MadeSection, double> load) =>
        new(name) { Beams = [.. pieces.Select((_, i) => BeamLoad.Even(i, FrameDirection.Uz, -load(sections.MadeAt(Middle(i)))))] };

    /// <summary>A difference of temperature over the depth (K), straight, the top warmer.</summary>
    public FrameCase Warmer(string name, double difference) =>
        new(name) { BeamThermal = [.. pieces.Select((p, i) => new BeamThermal(i, 0, 0, difference / p.Depth))] };

    /// <summary>Curvatures of pieces that are imposed on the member (1/m, sagging positive).</summary>
    public FrameCase Bent(string name, Func<int, double> curvature) =>
        new(name) { BeamThermal = [.. pieces.Select((_, i) => new BeamThermal(i, 0, 0, -curvature(i) / Expansion))] };

    /// <summary>Area, centroid and second moment half way of a piece.</summary>
    public SectionProperties Of(int piece) => pieces[piece];

    /// <summary>Influence lines of all effects under a unit load down that moves along the joints.</summary>
    public InfluenceLine?[] Influence(out InfluenceLine[] reactions)
    {
        var joints = places.Joints.Length;
        FrameCase Unit(int joint) => new($"{joint}") { Nodal = [new(joint, new Point3(0, 0, -1), default)] };
        var solved = Solve([.. Enumerable.Range(0, joints).Select(Unit)], 0);
        var lines = new InfluenceLine?[layout.Count];
        for (var p = 0; p < places.Places.Length; p++)
        {
            foreach (var effect in Moved)
            {
                double[] at = [.. solved.Select(s => s.Effects[p, effect])];
                var (behind, ahead) = (at, at);
                if (effect == GirderEffect.V)
                {
                    // A load on the joint lies before a place that looks ahead, and beyond one that looks back.
                    var (joint, isBehind) = (places.Places[p].Joint, places.Places[p].IsBehind);
                    (behind, ahead) = ((double[])at.Clone(), (double[])at.Clone());
                    if (isBehind)
                        behind[joint] -= 1;
                    else
                        ahead[joint] += 1;
                }
                lines[layout.At(p, effect)] = new(behind, ahead);
            }
        }
        reactions =
        [
            .. Enumerable
                .Range(0, member.Supports.Length)
                .Select(s => solved.Select(c => c.Reactions[s]).ToArray())
                .Select(values => new InfluenceLine(values, values)),
        ];
        return lines;
    }

    private static readonly ImmutableArray<GirderEffect> Moved =
    [
        GirderEffect.V,
        GirderEffect.M,
        GirderEffect.Deflection,
        GirderEffect.Bottom,
        GirderEffect.GirderTop,
        GirderEffect.SlabTop,
    ];
}
