using Pravik.Core.Geometry;

namespace Pravik.Core.Frames;

// From a solution to displacements, forces, reactions and their balance.
public sealed partial class FrameAnalysis
{
    /// <summary>Elements that are joined to a held body.</summary>
    private bool[]? held;

    /// <summary>Six components of every node for a solution and prescribed movements of bodies.</summary>
    private double[][] Displacements(double[] x, int count, int number, double[]?[] prescribed)
    {
        var body = new double[bodies.Roots.Length][];
        for (var b = 0; b < body.Length; b++)
        {
            body[b] = (double[]?)prescribed[b]?.Clone() ?? new double[6];
            var free = holds[b].Free;
            for (var f = 0; f < free.Count; f++)
            {
                var value = x[(matrix.First[b] + f) * count + number];
                for (var i = 0; i < 6; i++)
                    body[b][i] += value * free[f][i];
            }
        }
        return
        [
            .. model.Nodes.Select(
                (_, n) =>
                {
                    var (q, arm) = (body[bodies.Of(n)], bodies.Arm(n));
                    var shift = new Point3(q[3], q[4], q[5]).Cross(arm);
                    return new[] { q[0] + shift.X, q[1] + shift.Y, q[2] + shift.Z, q[3], q[4], q[5] };
                }
            ),
        ];
    }

    private FrameCaseResults Recover(CaseLoads loads, double[]?[] prescribed, double[][] nodes)
    {
        // Bodies move as their roots do.
        double[] Body(int node) => nodes[bodies.Roots[bodies.Of(node)]];
        var force = new double[bodies.Roots.Length][];
        var (beams, shells) = (new BeamForces[model.Beams.Length], new ShellForces[model.Shells.Length]);
        var ends = new double[elements.Length][];
        var isHeld = held ??= Array.ConvertAll(elements, e => Array.Exists(e.Nodes, n => rowsOf[bodies.Of(n)].Count > 0));
        var temperatures = loads.Case.ShellThermal.ToLookup(t => t.Shell);
        Parallel.For(
            0,
            elements.Length,
            e =>
            {
                var (element, local) = (elements[e], Local(e, Body));
                var load = loads.ByElement.GetValueOrDefault(e);
                if (element is BeamElement beam)
                {
                    ends[e] = beam.EndForces(local, load ?? new double[12]);
                    beams[e] = BeamDiagram.Of(beam, ends[e], [.. loads.BeamLoads[e]]);
                    return;
                }
                shells[e - model.Beams.Length] = ((ShellElement)element).Forces(local, temperatures[e - model.Beams.Length]);
                // Forces of shells are wanted at held bodies alone.
                if (!isHeld[e])
                    return;
                ends[e] = Elastic(element, local);
                for (var i = 0; load is not null && i < load.Length; i++)
                    ends[e][i] -= load[i];
            }
        );
        for (var e = 0; e < elements.Length; e++)
        {
            if (isHeld[e])
                Spread(e, ends[e], 1, force);
        }
        List<double[]> springs = [];
        foreach (var spring in model.Springs)
        {
            var own = new double[6];
            for (var d = 0; d < 6; d++)
            {
                var (onI, onJ) = SpringEnds(spring, d);
                own[d] = spring.Stiffness[d] * (BodyConstraint.Dot(onJ, Body(spring.J)) - BodyConstraint.Dot(onI, Body(spring.I)));
                var (fa, fb) = (force[bodies.Of(spring.I)] ??= new double[6], force[bodies.Of(spring.J)] ??= new double[6]);
                for (var i = 0; i < 6; i++)
                    (fa[i], fb[i]) = (fa[i] - own[d] * onI[i], fb[i] + own[d] * onJ[i]);
            }
            springs.Add(own);
        }
        return Balanced(loads, nodes, Reactions(loads, force, Body), beams, shells, springs, ends);
    }

    /// <summary>Reactions node by node: those of springs, then what is left on held bodies.</summary>
    private List<FrameReaction> Reactions(CaseLoads loads, double[]?[] force, Func<int, double[]> body)
    {
        var reactions = new Dictionary<int, double[]>();
        void Add(int support, int direction, double value)
        {
            var s = model.Supports[support];
            if (!reactions.TryGetValue(s.Node, out var reaction))
                reactions[s.Node] = reaction = new double[6];
            var axis = LocalAxes.Given(s.X, s.Up)!.Value[direction % 3];
            var first = direction < 3 ? 0 : 3;
            (reaction[first], reaction[first + 1], reaction[first + 2]) = (
                reaction[first] + value * axis.X,
                reaction[first + 1] + value * axis.Y,
                reaction[first + 2] + value * axis.Z
            );
        }
        foreach (var nodal in loads.Case.Nodal)
        {
            var f = force[bodies.Of(nodal.Node)] ??= new double[6];
            var turn = nodal.Moment + bodies.Arm(nodal.Node).Cross(nodal.Force);
            (f[0], f[1], f[2]) = (f[0] - nodal.Force.X, f[1] - nodal.Force.Y, f[2] - nodal.Force.Z);
            (f[3], f[4], f[5]) = (f[3] - turn.X, f[4] - turn.Y, f[5] - turn.Z);
        }
        for (var s = 0; s < model.Supports.Length; s++)
        {
            var b = bodies.Of(model.Supports[s].Node);
            Add(s, 0, 0);
            for (var d = 0; d < 6; d++)
            {
                if (!(model.Supports[s].Springs[d] > 0))
                    continue;
                var row = Row(s, d);
                var value =
                    model.Supports[s].Springs[d] * (Along(loads.Case, s, d) - BodyConstraint.Dot(row, body(model.Supports[s].Node)));
                Add(s, d, value);
                var f = force[b] ??= new double[6];
                for (var i = 0; i < 6; i++)
                    f[i] -= value * row[i];
            }
        }
        for (var b = 0; b < holds.Length; b++)
        {
            if (rowsOf[b].Count == 0 || force[b] is null)
                continue;
            var values = holds[b].Reactions(force[b]!);
            for (var r = 0; r < rowsOf[b].Count; r++)
                Add(rowsOf[b][r].Support, rowsOf[b][r].Direction, values[r]);
        }
        return [.. reactions.Select(r => new FrameReaction(r.Key, r.Value)).OrderBy(r => r.Node)];
    }

    private FrameCaseResults Balanced(
        CaseLoads loads,
        double[][] nodes,
        List<FrameReaction> reactions,
        BeamForces[] beams,
        ShellForces[] shells,
        List<double[]> springs,
        double[][] ends
    )
    {
        var (reacted, size) = (new double[6], (double[])loads.Size.Clone());
        foreach (var r in reactions)
        {
            var force = new Point3(r.Force[0], r.Force[1], r.Force[2]);
            CaseLoads.Sum(reacted, size, force, new Point3(r.Force[3], r.Force[4], r.Force[5]) + model.Nodes[r.Node].At.Cross(force));
        }
        // Where only temperature or settlements act, sums are set against the forces in the members, or those that would hold them.
        double Inside(int from)
        {
            double greatest = 0;
            foreach (var forces in ends.Where(f => f is not null).Concat(loads.ByElement.Values))
            {
                for (var i = from; i < forces.Length; i += 6)
                    greatest = Math.Max(
                        greatest,
                        Math.Max(Math.Abs(forces[i]), Math.Max(Math.Abs(forces[i + 1]), Math.Abs(forces[i + 2])))
                    );
            }
            return greatest;
        }
        // A force at the far end of the model is worth as much as its moment, and the reverse.
        var reach = Math.Max(1e-9, model.Nodes.Max(n => n.At.Length));
        double Size(int from) => Math.Max(Inside(from), Enumerable.Range(from, 3).Max(i => size[i]));
        var scale = Math.Max(Size(0), Size(3) / reach);
        double Worst(int from) => Enumerable.Range(from, 3).Max(i => Math.Abs(loads.Applied[i] + reacted[i]));
        var worst = Math.Max(Worst(0), Worst(3) / reach);
        return new(loads.Case.Id, nodes, [.. reactions], [.. beams], [.. shells], [.. springs], loads.Applied, reacted)
        {
            Imbalance = worst > 0 ? worst / scale : 0,
        };
    }
}
