using System.Collections.Immutable;
using Pravik.Core.Frames;
using Pravik.Core.Geometry;
using static Pravik.Core.Frames.FrameDirection;

namespace Pravik.Core.Trusses;

/// <summary>
/// A truss as a model of a frame in space, for other programs and as a second way to its forces: one plane, bars pinned at both
/// ends.
/// </summary>
public static class TrussFrame
{
    private static readonly ImmutableArray<FrameDirection> Pinned = [Ry, Rz];

    /// <summary>
    /// The model of a scheme: x along, z up; every joint held across and against turning, which no pinned bar does. Cases: the
    /// weight of bars and deck, and each vehicle at the position of greatest load, without partial factors.
    /// </summary>
    public static FrameModel Of(TrussScheme scheme)
    {
        var model = TrussModel.Of(scheme);
        var steels = model.Bars.Select(b => b.Grade).DistinctBy(g => g.Name).ToList();
        var sections = model.Bars.Select(b => b.Section).DistinctBy(s => (s.Family, s.Name)).ToList();
        int Steel(BarGrade grade) => steels.FindIndex(g => g.Name == grade.Name);
        int Section(BarSection section) => sections.FindIndex(s => s.Family == section.Family && s.Name == section.Name);
        return new()
        {
            Materials = [.. steels.Select(g => new FrameMaterial(g.Name, g.E, 0.3, g.Density))],
            Sections = [.. sections.Select(s => new FrameSection($"{s.Family} {s.Name}", s.Area, Inertia(s), Inertia(s), 2 * Inertia(s)))],
            Nodes = [.. model.Joints.Select(j => new FrameNode(j.Id, new(j.At.X, 0, j.At.Y)))],
            Beams =
            [
                .. model.Bars.Select(
                    (b, i) =>
                        new FrameBeam($"{i + 1}", b.From, b.To, Steel(b.Grade), Section(b.Section))
                        {
                            ReleaseI = Pinned,
                            ReleaseJ = Pinned,
                            // An upright bar needs another direction for its local z.
                            Up = new Point3(0, 1, 0),
                        }
                ),
            ],
            Supports = [.. model.Joints.Select((j, i) => new FrameSupport(i, Held(j.Hold), [0, 0, 0, 0, 0, 0]))],
            Cases = [Case("weight", TrussForces.WeightLoads(model)), .. Vehicles(scheme, model)],
        };
    }

    private static ImmutableArray<FrameDirection> Held(JointHold hold) =>
        [Uy, Rx, Ry, Rz, .. hold.HasFlag(JointHold.Along) ? new[] { Ux } : [], .. hold.HasFlag(JointHold.Upright) ? new[] { Uz } : []];

    private static double Inertia(BarSection section) => section.LeastSecondMoment > 0 ? section.LeastSecondMoment : 1e-6;

    private static IEnumerable<FrameCase> Vehicles(TrussScheme scheme, TrussModel model)
    {
        for (var v = 0; v < scheme.Vehicles.Length; v++)
        {
            if (model.Positions.Where(p => p.Vehicle == v).MaxBy(p => p.Loads.Sum()) is not { } most)
                continue;
            var loads = new double[2 * model.Joints.Length];
            for (var d = 0; d < most.Loads.Length; d++)
                loads[2 * model.Deck[d] + 1] -= most.Loads[d];
            yield return Case($"vehicle {v + 1} at {FormattableString.Invariant($"{most.Front:0.###}")} m", loads);
        }
    }

    private static FrameCase Case(string id, double[] loads) =>
        new(id)
        {
            Nodal =
            [
                .. Enumerable
                    .Range(0, loads.Length / 2)
                    .Where(j => loads[2 * j] != 0 || loads[2 * j + 1] != 0)
                    .Select(j => new NodalLoad(j, new(loads[2 * j], 0, loads[2 * j + 1]), default)),
            ],
        };
}
