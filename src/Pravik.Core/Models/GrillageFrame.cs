using System.Collections.Immutable;
using Pravik.Core.Frames;

namespace Pravik.Core.Models;

/// <summary>A grillage as a frame model: its members in one plane, whose joints are held from moving in it.</summary>
public static class GrillageFrame
{
    /// <param name="grillage">The grillage.</param>
    /// <param name="modulus">Modulus of elasticity that sections are given for (Pa): they have I = EI/E and J = GJ/G.</param>
    /// <param name="poisson">Poisson's ratio that goes with it.</param>
    /// <param name="cases">Names of load cases, and their loads at the joints (N, down positive).</param>
    public static FrameModel Of(Grillage grillage, double modulus, double poisson, IEnumerable<(string Name, double[] Nodal)> cases)
    {
        var material = new FrameMaterial("concrete", modulus, poisson);
        var sections = new Dictionary<(double, double), int>();
        var beams = ImmutableArray.CreateBuilder<FrameBeam>();
        var list = ImmutableArray.CreateBuilder<FrameSection>();
        foreach (var member in grillage.Members)
        {
            if (!sections.TryGetValue((member.Flexural, member.Torsional), out var section))
            {
                section = sections[(member.Flexural, member.Torsional)] = list.Count;
                // The plane is held, so that area and the other second moment carry nothing.
                list.Add(
                    new(
                        $"{member.Kind} {list.Count + 1}",
                        1,
                        member.Flexural / modulus,
                        member.Flexural / modulus,
                        member.Torsional / material.G
                    )
                );
            }
            beams.Add(new($"{member.Kind} {beams.Count + 1}", member.I, member.J, 0, section));
        }
        int[] plane = [0, 1, 5];
        ImmutableArray<double> none = [0, 0, 0, 0, 0, 0];
        var held = grillage.Supports.ToDictionary(s => s.Node);
        return new()
        {
            Materials = [material],
            Sections = list.ToImmutable(),
            Nodes = [.. grillage.Nodes.Select(n => new FrameNode(Name(n), new(n.At.X, n.At.Y, 0)))],
            Beams = beams.ToImmutable(),
            Supports =
            [
                .. grillage.Nodes.Select(
                    (n, i) =>
                        held.TryGetValue(i, out var support)
                            ? new FrameSupport(i, support.HoldsTwist ? [0, 1, 2, 3, 5] : [0, 1, 2, 5], none)
                            {
                                X = new(Math.Cos(n.Direction), Math.Sin(n.Direction), 0),
                            }
                            : new FrameSupport(i, [.. plane], none)
                ),
            ],
            Cases =
            [
                .. cases.Select(c => new FrameCase(c.Name)
                {
                    Nodal =
                    [
                        .. c
                            .Nodal.Select((load, n) => (load, n))
                            .Where(l => l.load != 0)
                            .Select(l => new NodalLoad(l.n, new(0, 0, -l.load), default)),
                    ],
                }),
            ],
        };
    }

    /// <summary>Line along the bridge (0 the left edge, then girders) and mesh line.</summary>
    private static string Name(DeckNode node) => $"{node.Longitudinal}-{node.Line}";
}
