using System.Diagnostics;
using Pravik.Core.Geometry;
using Pravik.Core.Numerics;

namespace Pravik.Core.Frames;

/// <summary>
/// A model made ready to be solved: elements, bodies, what holds them, and the factor, which serves any number of cases.
/// </summary>
/// <remarks>
/// Direct stiffness. Offsets and links are rigid and eliminated: an element's ends move as their bodies do. Held directions are
/// eliminated body by body. A rotation that nothing resists is held, with a warning, unless a case
/// loads it.
/// </remarks>
public sealed partial class FrameAnalysis
{
    private readonly FrameModel model;
    private readonly FrameElement[] elements;
    private readonly FrameBodies bodies;

    /// <summary>For every element the matrices from the components of its bodies to its own.</summary>
    private readonly double[][][] transforms;
    private readonly BodyConstraint[] holds;
    private readonly List<(int Support, int Direction)>[] rowsOf;
    private readonly List<double[]>[] turns;
    private readonly BlockMatrix matrix;
    private readonly SparseCholesky factor;
    private readonly double analysed;
    private readonly double factorised;
    private readonly long entries;

    /// <summary>
    /// Prepares a model. Throws <see cref="FrameRefusedException"/> with the reasons where it cannot be solved, <see
    /// cref="OperationCanceledException"/> when cancelled.
    /// </summary>
    public FrameAnalysis(FrameModel model, IProgress<double>? progress = null, CancellationToken cancel = default)
    {
        this.model = model;
        if (FrameChecks.Check(model) is { Count: > 0 } problems)
            throw new FrameRefusedException(problems);
        elements = new FrameElement[model.Beams.Length + model.Shells.Length];
        Parallel.For(
            0,
            elements.Length,
            new ParallelOptions { CancellationToken = cancel },
            i => elements[i] = i < model.Beams.Length ? Beam(model.Beams[i]) : Shell(model.Shells[i - model.Beams.Length])
        );
        bodies = new(model);
        transforms = new double[elements.Length][][];
        Parallel.For(0, elements.Length, i => transforms[i] = elements[i].Transforms(bodies.Arm));
        rowsOf = [.. bodies.Roots.Select(_ => new List<(int, int)>())];
        turns = [.. bodies.Roots.Select(_ => new List<double[]>())];
        for (var s = 0; s < model.Supports.Length; s++)
            rowsOf[bodies.Of(model.Supports[s].Node)].AddRange(model.Supports[s].Fix.Distinct().Select(d => (s, (int)d)));
        FindUnresisted();
        holds =
        [
            .. bodies.Roots.Select((_, b) => new BodyConstraint([.. rowsOf[b].Select(r => Row(r.Support, r.Direction)), .. turns[b]])),
        ];
        var watch = Stopwatch.StartNew();
        var (sizes, neighbours) = (holds.Select(h => h.Free.Count).ToArray(), Neighbours());
        var symbolic = SymbolicCholesky.Analyse(
            sizes,
            neighbours,
            [.. bodies.Roots.SelectMany(r => new[] { model.Nodes[r].At.X, model.Nodes[r].At.Y, model.Nodes[r].At.Z })]
        );
        (analysed, entries) = (watch.Elapsed.TotalSeconds, symbolic.Entries);
        // Factor, the dense matrices that are open at one time, and the matrix itself.
        var wanted = 8.0 * 2.5 * symbolic.Entries;
        if (wanted > GC.GetGCMemoryInfo().TotalAvailableMemoryBytes)
            throw new FrameRefusedException([
                new("/nodes", $"The model has {sizes.Sum()} unknowns and needs about {wanted / 1e9:0.0} GB of memory, more than there is."),
            ]);
        cancel.ThrowIfCancellationRequested();
        matrix = new(sizes, neighbours);
        Assemble(cancel);
        watch.Restart();
        factor = SparseCholesky.Factorise(matrix, symbolic, progress, cancel);
        factorised = watch.Elapsed.TotalSeconds;
        if (factor.ZeroPivots.Count > 0)
            throw new FrameRefusedException([Free(factor.ZeroPivots[0])]) { Mode = mode };
        if (factor.LeastPivot < 1e-9)
            Warn($"Stiffnesses are so different that about {-Math.Log10(factor.LeastPivot):0} of 16 digits are lost.");
    }

    private readonly List<string> warnings = [];

    /// <summary>What ordering and factorising took; no case is solved yet.</summary>
    public FrameEffort Effort => new(matrix.Unknowns, entries, factor.LeastPivot, factor.GreatestPivot, analysed, factorised, 0);

    /// <summary>The stiffness matrix between the free directions of bodies.</summary>
    public BlockMatrix Matrix => matrix;

    /// <summary>What was noticed: held rotations, loss of digits.</summary>
    public IReadOnlyList<string> Warnings => warnings;

    private void Warn(string words) => warnings.Add(words);

    private BeamElement Beam(FrameBeam beam) =>
        new(beam, model.Materials[beam.Material], model.Sections[beam.Section], model.Nodes[beam.I].At, model.Nodes[beam.J].At);

    private ShellElement Shell(FrameShell shell) =>
        ShellElement.Of(shell, model.Materials[shell.Material], [.. shell.Nodes.Select(n => model.Nodes[n].At)]);

    /// <summary>A direction of a support (0 to 5) as a row in the components of its body.</summary>
    private double[] Row(int support, int direction)
    {
        var s = model.Supports[support];
        return Row(LocalAxes.Given(s.X, s.Up)!.Value[direction % 3], bodies.Arm(s.Node), direction < 3);
    }

    private static double[] Row(Point3 axis, Point3 arm, bool isMovement)
    {
        if (!isMovement)
            return [0, 0, 0, axis.X, axis.Y, axis.Z];
        var turn = arm.Cross(axis);
        return [axis.X, axis.Y, axis.Z, turn.X, turn.Y, turn.Z];
    }

    /// <summary>Rows of a spring: its ends meet half way between its nodes, each joined rigidly to its own.</summary>
    private IEnumerable<(double[] OnI, double[] OnJ, double Stiffness)> SpringRows(FrameSpring spring)
    {
        for (var d = 0; d < 6; d++)
        {
            if (!(spring.Stiffness[d] > 0))
                continue;
            var (onI, onJ) = SpringEnds(spring, d);
            yield return (onI, onJ, spring.Stiffness[d]);
        }
    }

    private int[][] Neighbours()
    {
        var sets = bodies.Roots.Select(_ => new HashSet<int>()).ToArray();
        void Join(IEnumerable<int> nodes)
        {
            var all = nodes.Select(bodies.Of).Distinct().ToList();
            foreach (var a in all)
            {
                foreach (var b in all)
                {
                    if (a != b)
                        sets[a].Add(b);
                }
            }
        }
        foreach (var element in elements)
            Join(element.Nodes);
        foreach (var spring in model.Springs)
            Join([spring.I, spring.J]);
        return [.. sets.Select(s => s.Order().ToArray())];
    }

    private void Assemble(CancellationToken cancel)
    {
        var offset = 0;
        foreach (var chunk in elements.Chunk(4096))
        {
            cancel.ThrowIfCancellationRequested();
            var global = new double[chunk.Length][];
            var first = offset;
            Parallel.For(0, chunk.Length, i => global[i] = chunk[i].Global(transforms[first + i]));
            offset += chunk.Length;
            for (var e = 0; e < chunk.Length; e++)
            {
                var (nodes, n) = (chunk[e].Nodes, chunk[e].Size);
                for (var p = 0; p < nodes.Length; p++)
                {
                    for (var q = 0; q < nodes.Length; q++)
                        AddBlock(bodies.Of(nodes[p]), bodies.Of(nodes[q]), (i, j) => global[e][(6 * p + i) * n + 6 * q + j]);
                }
            }
        }
        foreach (var spring in model.Springs)
        {
            var (a, b) = (bodies.Of(spring.I), bodies.Of(spring.J));
            foreach (var (onI, onJ, k) in SpringRows(spring))
            {
                AddBlock(a, a, (i, j) => k * onI[i] * onI[j]);
                AddBlock(b, b, (i, j) => k * onJ[i] * onJ[j]);
                AddBlock(a, b, (i, j) => -k * onI[i] * onJ[j]);
                AddBlock(b, a, (i, j) => -k * onJ[i] * onI[j]);
            }
        }
        for (var s = 0; s < model.Supports.Length; s++)
        {
            for (var d = 0; d < 6; d++)
            {
                if (!(model.Supports[s].Springs[d] > 0))
                    continue;
                var (body, row, k) = (bodies.Of(model.Supports[s].Node), Row(s, d), model.Supports[s].Springs[d]);
                AddBlock(body, body, (i, j) => k * row[i] * row[j]);
            }
        }
    }

    /// <summary>
    /// Adds a 6 × 6 block between two bodies, in their free directions; of two mirrored ones only that with the row of higher number is
    /// kept.
    /// </summary>
    private void AddBlock(int row, int column, Func<int, int, double> value)
    {
        if (row < column)
            return;
        var (left, right) = (holds[row].Free, holds[column].Free);
        if (left.Count == 0 || right.Count == 0)
            return;
        Span<double> full = stackalloc double[36];
        for (var i = 0; i < 36; i++)
            full[i] = value(i / 6, i % 6);
        Span<double> block = stackalloc double[left.Count * right.Count];
        for (var i = 0; i < left.Count; i++)
        {
            for (var j = 0; j < right.Count; j++)
            {
                double sum = 0;
                for (var a = 0; a < 6; a++)
                {
                    if (left[i][a] == 0)
                        continue;
                    for (var b = 0; b < 6; b++)
                        sum += left[i][a] * full[6 * a + b] * right[j][b];
                }
                block[i * right.Count + j] = sum;
            }
        }
        matrix.Add(row, column, block);
    }

    /// <summary>Loads in the six components of bodies; null for those without any.</summary>
    private double[]?[] OnBodies(CaseLoads loads)
    {
        var force = new double[bodies.Roots.Length][];
        double[] Of(int node) => force[bodies.Of(node)] ??= new double[6];
        foreach (var nodal in loads.Case.Nodal)
            AddTo(Of(nodal.Node), nodal.Force, nodal.Moment + bodies.Arm(nodal.Node).Cross(nodal.Force));
        foreach (var (number, ends) in loads.ByElement)
            Spread(number, EndLoads(elements[number], ends), 1, force);
        return force;
    }

    private static double[] EndLoads(FrameElement element, double[] ends) => element is BeamElement beam ? beam.EndLoads(ends) : ends;

    /// <summary>Adds forces at an element's points (local) to its bodies.</summary>
    private void Spread(int element, double[] local, double factor, double[]?[] force)
    {
        var nodes = elements[element].Nodes;
        for (var p = 0; p < nodes.Length; p++)
        {
            var f = force[bodies.Of(nodes[p])] ??= new double[6];
            for (var k = 0; k < 6; k++)
            {
                for (var i = 0; i < 6; i++)
                    f[i] += factor * transforms[element][p][6 * k + i] * local[6 * p + k];
            }
        }
    }

    /// <summary>
    /// Solves the cases of the model, or others on the same structure. Throws <see cref="FrameRefusedException"/> where settlements
    /// cannot go together.
    /// </summary>
    public FrameResults Solve(IReadOnlyList<FrameCase>? cases = null, CancellationToken cancel = default)
    {
        cases ??= model.Cases;
        var watch = Stopwatch.StartNew();
        var loads = cases.Select(c => new CaseLoads(model, elements, c)).ToList();
        var prescribed = cases.Select(Prescribed).ToList();
        var right = new double[matrix.Unknowns * cases.Count];
        for (var c = 0; c < cases.Count; c++)
        {
            var force = OnBodies(loads[c]);
            Move(prescribed[c], cases[c], force);
            for (var b = 0; b < force.Length; b++)
            {
                for (var f = 0; force[b] is not null && f < holds[b].Free.Count; f++)
                    right[(matrix.First[b] + f) * cases.Count + c] = BodyConstraint.Dot(holds[b].Free[f], force[b]!);
            }
        }
        watch.Restart();
        factor.Solve(right, cases.Count, cancel);
        var solved = watch.Elapsed.TotalSeconds;
        var results = new FrameCaseResults[cases.Count];
        for (var c = 0; c < cases.Count; c++)
        {
            cancel.ThrowIfCancellationRequested();
            results[c] = Recover(loads[c], prescribed[c], Displacements(right, cases.Count, c, prescribed[c]));
        }
        return new([.. results], [.. warnings], Effort with { Solved = solved });
    }

    /// <summary>Movements of bodies that settlements prescribe.</summary>
    private double[]?[] Prescribed(FrameCase load)
    {
        var result = new double[bodies.Roots.Length][];
        foreach (var b in load.Settlements.Select(s => bodies.Of(s.Node)).Distinct())
        {
            double[] wanted = [.. rowsOf[b].Select(r => Along(load, r.Support, r.Direction)), .. turns[b].Select(_ => 0.0)];
            if (wanted.All(w => w == 0))
                continue;
            result[b] =
                holds[b].Movement(wanted)
                ?? throw new FrameRefusedException([
                    new(
                        $"/cases/{model.Cases.IndexOf(load)}/settlement",
                        $"Supports of the body of node “{model.Nodes[bodies.Roots[b]].Id}” cannot settle like this together: "
                            + "links make it rigid."
                    ),
                ]);
        }
        return result;
    }

    /// <summary>How far a support settles in one of its directions.</summary>
    private double Along(FrameCase load, int support, int direction)
    {
        var s = model.Supports[support];
        var axis = LocalAxes.Given(s.X, s.Up)!.Value[direction % 3];
        return load.Settlements.Where(t => t.Node == s.Node).Sum(t => axis.Dot(direction < 3 ? t.Movement : t.Rotation));
    }

    /// <summary>Takes off what prescribed movements put on bodies, and adds what settling springs do.</summary>
    private void Move(double[]?[] prescribed, FrameCase load, double[]?[] force)
    {
        if (load.Settlements.IsEmpty)
            return;
        for (var s = 0; s < model.Supports.Length; s++)
        {
            var body = bodies.Of(model.Supports[s].Node);
            for (var d = 0; d < 6; d++)
            {
                var k = model.Supports[s].Springs[d];
                if (!(k > 0))
                    continue;
                var row = Row(s, d);
                var pull = k * (Along(load, s, d) - (prescribed[body] is { } q ? BodyConstraint.Dot(row, q) : 0));
                if (pull == 0)
                    continue;
                var f = force[body] ??= new double[6];
                for (var i = 0; i < 6; i++)
                    f[i] += pull * row[i];
            }
        }
        for (var e = 0; e < elements.Length; e++)
        {
            if (elements[e].Nodes.Any(n => prescribed[bodies.Of(n)] is not null))
                Spread(e, Elastic(elements[e], Local(e, n => prescribed[bodies.Of(n)])), -1, force);
        }
        foreach (var spring in model.Springs)
        {
            var (a, b) = (bodies.Of(spring.I), bodies.Of(spring.J));
            if (prescribed[a] is null && prescribed[b] is null)
                continue;
            foreach (var (onI, onJ, k) in SpringRows(spring))
            {
                var stretch =
                    (prescribed[b] is { } qb ? BodyConstraint.Dot(onJ, qb) : 0)
                    - (prescribed[a] is { } qa ? BodyConstraint.Dot(onI, qa) : 0);
                var (fa, fb) = (force[a] ??= new double[6], force[b] ??= new double[6]);
                for (var i = 0; i < 6; i++)
                    (fa[i], fb[i]) = (fa[i] + k * stretch * onI[i], fb[i] - k * stretch * onJ[i]);
            }
        }
    }

    /// <summary>K·d in an element's own axes.</summary>
    private static double[] Elastic(FrameElement element, double[] local)
    {
        var n = element.Size;
        var result = new double[n];
        for (var i = 0; i < n; i++)
        {
            for (var j = 0; j < n; j++)
                result[i] += element.Stiffness[i * n + j] * local[j];
        }
        return result;
    }

    /// <summary>An element's own components for movements of bodies (null for none).</summary>
    private double[] Local(int element, Func<int, double[]?> movement)
    {
        var (nodes, local) = (elements[element].Nodes, new double[elements[element].Size]);
        for (var p = 0; p < nodes.Length; p++)
        {
            if (movement(nodes[p]) is not { } q)
                continue;
            for (var k = 0; k < 6; k++)
            {
                for (var i = 0; i < 6; i++)
                    local[6 * p + k] += transforms[element][p][6 * k + i] * q[i];
            }
        }
        return local;
    }
}
