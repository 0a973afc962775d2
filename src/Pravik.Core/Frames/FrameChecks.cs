using Pravik.Core.Geometry;

namespace Pravik.Core.Frames;

/// <summary>A reason for which a model is not taken: its place in the file (JSON Pointer) and what is wrong.</summary>
public sealed record FrameProblem(string Path, string Message);

/// <summary>What is wrong with the geometry of a model whose values are each sound.</summary>
public static class FrameChecks
{
    /// <summary>Distance of the diagonals of a shell over the square root of its area, beyond which it is too warped.</summary>
    public const double MostWarp = 0.1;

    /// <summary>What is wrong with a model; empty where it can be solved.</summary>
    public static IReadOnlyList<FrameProblem> Check(FrameModel model)
    {
        List<FrameProblem> problems = [.. Links(model), .. Beams(model), .. Shells(model)];
        for (var i = 0; i < model.Springs.Length; i++)
        {
            if (model.Springs[i].I == model.Springs[i].J)
                problems.Add(new($"/springs/{i}/j", $"Spring “{model.Springs[i].Id}” begins and ends at the same node."));
            if (LocalAxes.Given(model.Springs[i].X, model.Springs[i].Up) is null)
                problems.Add(new($"/springs/{i}/up", $"Up of spring “{model.Springs[i].Id}” is parallel to its x, or x has no length."));
        }
        for (var i = 0; i < model.Supports.Length; i++)
        {
            if (LocalAxes.Given(model.Supports[i].X, model.Supports[i].Up) is null)
                problems.Add(new($"/supports/{i}/up", "Up of the support is parallel to its x, or x has no length."));
        }
        if (problems.Count == 0)
            problems.AddRange(Settlements(model));
        return problems;
    }

    private static IEnumerable<FrameProblem> Links(FrameModel model)
    {
        var master = new Dictionary<int, int>();
        for (var i = 0; i < model.Links.Length; i++)
        {
            var (link, slave) = (model.Links[i], model.Nodes[model.Links[i].Slave].Id);
            if (link.Master == link.Slave)
                yield return new($"/links/{i}", $"Node “{slave}” is linked to itself.");
            else if (!master.TryAdd(link.Slave, link.Master))
                yield return new($"/links/{i}/slave", $"Node “{slave}” has two masters.");
            else
            {
                var at = link.Master;
                while (at != link.Slave && master.TryGetValue(at, out var next))
                    at = next;
                if (at != link.Slave)
                    continue;
                master.Remove(link.Slave);
                yield return new($"/links/{i}", $"Links lead in a circle from node “{slave}” back to it.");
            }
        }
    }

    private static IEnumerable<FrameProblem> Beams(FrameModel model)
    {
        for (var i = 0; i < model.Beams.Length; i++)
        {
            var beam = model.Beams[i];
            var axis = model.Nodes[beam.J].At + beam.OffsetJ - model.Nodes[beam.I].At - beam.OffsetI;
            var size = Math.Max(1, Math.Max(model.Nodes[beam.I].At.Length, model.Nodes[beam.J].At.Length));
            if (!(axis.Length > 1e-9 * size))
                yield return new($"/beams/{i}", $"Beam “{beam.Id}” has no length.");
            else if (LocalAxes.Along(axis, beam.Up) is null)
                yield return new($"/beams/{i}/up", $"Up of beam “{beam.Id}” is parallel to it.");
        }
    }

    private static IEnumerable<FrameProblem> Shells(FrameModel model)
    {
        for (var i = 0; i < model.Shells.Length; i++)
        {
            var shell = model.Shells[i];
            List<Point3> corners = [.. shell.Nodes.Select(n => model.Nodes[n].At)];
            if (shell.Nodes.Distinct().Count() < shell.Nodes.Length)
                yield return new($"/shells/{i}/nodes", $"Shell “{shell.Id}” has a node twice.");
            else if (Fault(corners) is { } fault)
                yield return new($"/shells/{i}/nodes", $"Shell “{shell.Id}” {fault}.");
        }
    }

    private static string? Fault(List<Point3> corners)
    {
        var diagonals =
            corners.Count == 4
                ? (corners[2] - corners[0]).Cross(corners[3] - corners[1])
                : (corners[1] - corners[0]).Cross(corners[2] - corners[0]);
        var size = corners.Zip([.. corners.Skip(1), corners[0]], (a, b) => (b - a).Length).Max();
        if (!(diagonals.Length > 1e-6 * size * size))
            return "has no area, or its sides cross";
        if (corners.Count == 3)
            return null;
        var (axes, centre) = ShellElement.Frame(corners);
        var flat = corners.ConvertAll(p => axes.ToLocal(p - centre));
        for (var c = 0; c < 4; c++)
        {
            var (a, b, d) = (flat[(c + 3) % 4], flat[c], flat[(c + 1) % 4]);
            var turn = (b.X - a.X) * (d.Y - b.Y) - (b.Y - a.Y) * (d.X - b.X);
            if (!(turn > 1e-6 * size * size))
                return $"is inside out or folded at its node {c + 1}: nodes go round the edge, and corners turn outward by less than 180°";
        }
        return 2 * ShellElement.Warp(corners) > MostWarp
            ? $"is warped: its diagonals pass each other at {200 * ShellElement.Warp(corners):0} % of its size; {100 * MostWarp:0} "
                + "% are taken"
            : null;
    }

    /// <summary>A support moves only where it holds.</summary>
    private static IEnumerable<FrameProblem> Settlements(FrameModel model)
    {
        var supports = model.Supports.ToLookup(s => s.Node);
        for (var c = 0; c < model.Cases.Length; c++)
        {
            for (var i = 0; i < model.Cases[c].Settlements.Length; i++)
            {
                var settlement = model.Cases[c].Settlements[i];
                foreach (var (vector, first) in new[] { (settlement.Movement, 0), (settlement.Rotation, 3) })
                {
                    var rest = vector;
                    foreach (var support in supports[settlement.Node])
                    {
                        var axes = LocalAxes.Given(support.X, support.Up)!.Value;
                        for (var d = 0; d < 3; d++)
                        {
                            if (support.Fix.Contains((FrameDirection)(first + d)) || support.Springs[first + d] > 0)
                                rest -= rest.Dot(axes[d]) * axes[d];
                        }
                    }
                    if (rest.Length > 1e-9 * vector.Length)
                        yield return new(
                            $"/cases/{c}/settlement/{i}",
                            $"Node “{model.Nodes[settlement.Node].Id}” settles where nothing is fixed or sprung."
                        );
                }
            }
        }
    }
}
