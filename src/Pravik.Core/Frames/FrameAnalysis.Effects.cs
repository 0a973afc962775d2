using System.Collections.Concurrent;
using Pravik.Core.Geometry;

namespace Pravik.Core.Frames;

/// <summary>An effect as a row over the unknowns of an analysis, and what loads on held bodies do to it directly (none for most).</summary>
/// <param name="Unknown">Unknowns that count.</param>
/// <param name="Factor">Their factors.</param>
/// <param name="Direct">Factors on the six components of a load on a body.</param>
public sealed record EffectRow(int[] Unknown, double[] Factor, IReadOnlyDictionary<int, double[]> Direct);

// Effects as rows over the unknowns: effect = row · K⁻¹ · load.
public sealed partial class FrameAnalysis
{
    private static readonly (int Component, double Sign)[] AtStart = [(0, -1), (1, 1), (2, 1), (3, -1), (4, 1), (5, -1)];
    private static readonly (int Component, double Sign)[] AtEnd = [(6, 1), (7, -1), (8, -1), (9, 1), (10, -1), (11, 1)];
    private readonly ConcurrentDictionary<int, double[][]> shellRows = new();
    private Lazy<ILookup<int, (int Element, int Point)>>? elementsOf;

    /// <summary>
    /// The row of an effect for loads at nodes: those along a beam add what <see cref="BeamDiagram"/> takes into account.
    /// </summary>
    public EffectRow RowOf(FrameEffect effect)
    {
        var row = new RowSum(this);
        foreach (var term in effect.Terms)
            Add(row, term);
        return row.Finished();
    }

    /// <summary>The load of some nodes as entries over the unknowns and, for effects that loads on held bodies reach, by body.</summary>
    internal (List<(int Unknown, double Value)> Entries, Dictionary<int, double[]> OnBodies) Entries(IEnumerable<NodalLoad> loads)
    {
        var onBodies = new Dictionary<int, double[]>();
        foreach (var load in loads)
        {
            var body = bodies.Of(load.Node);
            if (!onBodies.TryGetValue(body, out var f))
                onBodies[body] = f = new double[6];
            AddTo(f, load.Force, load.Moment + bodies.Arm(load.Node).Cross(load.Force));
        }
        List<(int, double)> entries = [];
        foreach (var (body, force) in onBodies)
        {
            for (var i = 0; i < holds[body].Free.Count; i++)
            {
                if (BodyConstraint.Dot(holds[body].Free[i], force) is not 0 and var value)
                    entries.Add((matrix.First[body] + i, value));
            }
        }
        return (entries, onBodies);
    }

    /// <summary>Solves for right-hand sides over the unknowns, in place: unknown u of side r at <c>u · count + r</c>.</summary>
    internal void SolveSides(double[] sides, int count, CancellationToken cancel) => factor.Solve(sides, count, cancel);

    /// <summary>Unknowns of the factor.</summary>
    public int Unknowns => matrix.Unknowns;

    private static void AddTo(double[] f, Point3 force, Point3 turn)
    {
        (f[0], f[1], f[2]) = (f[0] + force.X, f[1] + force.Y, f[2] + force.Z);
        (f[3], f[4], f[5]) = (f[3] + turn.X, f[4] + turn.Y, f[5] + turn.Z);
    }

    private void Add(RowSum row, EffectTerm term)
    {
        var (part, component, factor) = (term.Part, term.Component, term.Factor);
        switch (term.Source)
        {
            case EffectSource.BeamStart:
                row.EndForce(part, AtStart[component].Component, factor * AtStart[component].Sign);
                break;
            case EffectSource.BeamEnd:
                row.EndForce(part, AtEnd[component].Component, factor * AtEnd[component].Sign);
                break;
            case EffectSource.BeamMiddle:
                row.EndForce(part, AtStart[component].Component, factor * AtStart[component].Sign / 2);
                row.EndForce(part, AtEnd[component].Component, factor * AtEnd[component].Sign / 2);
                break;
            case EffectSource.Shell:
                row.Local(model.Beams.Length + part, shellRows.GetOrAdd(part, RowsOfShell)[component], factor);
                break;
            case EffectSource.Spring:
                AddSpring(row, model.Springs[part], component, factor);
                break;
            case EffectSource.Node:
                row.Body(bodies.Of(part), Row(Unit(component % 3), bodies.Arm(part), component < 3), factor);
                break;
            default:
                AddReaction(row, part, component, factor);
                break;
        }
    }

    private static Point3 Unit(int direction) =>
        direction switch
        {
            0 => new(1, 0, 0),
            1 => new(0, 1, 0),
            _ => new(0, 0, 1),
        };

    /// <summary>Every force of a shell for unit displacements of its corners (local).</summary>
    private double[][] RowsOfShell(int number)
    {
        var shell = (ShellElement)elements[model.Beams.Length + number];
        var rows = new double[ShellForces.Components][];
        for (var c = 0; c < rows.Length; c++)
            rows[c] = new double[shell.Size];
        var unit = new double[shell.Size];
        for (var j = 0; j < unit.Length; j++)
        {
            unit[j] = 1;
            var forces = shell.Forces(unit, []);
            for (var c = 0; c < rows.Length; c++)
                rows[c][j] = forces[c];
            unit[j] = 0;
        }
        return rows;
    }

    private void AddSpring(RowSum row, FrameSpring spring, int direction, double factor)
    {
        var (onI, onJ) = SpringEnds(spring, direction);
        row.Body(bodies.Of(spring.J), onJ, factor * spring.Stiffness[direction]);
        row.Body(bodies.Of(spring.I), onI, -factor * spring.Stiffness[direction]);
    }

    private void AddReaction(RowSum row, int node, int component, double factor)
    {
        for (var s = 0; s < model.Supports.Length; s++)
        {
            var support = model.Supports[s];
            if (support.Node != node)
                continue;
            var axes = LocalAxes.Given(support.X, support.Up)!.Value;
            for (var d = 0; d < 6; d++)
            {
                if (d < 3 != component < 3)
                    continue;
                var share = factor * axes[d % 3].Dot(Unit(component % 3));
                if (share == 0)
                    continue;
                if (support.Springs[d] > 0)
                    row.Body(bodies.Of(node), Row(s, d), -share * support.Springs[d]);
                if (support.Fix.Contains((FrameDirection)d))
                    AddHeld(row, s, d, share);
            }
        }
    }

    /// <summary>A held direction's reaction: what elements and springs ask of the body along it, less what is put on the body.</summary>
    private void AddHeld(RowSum row, int support, int direction, double factor)
    {
        var body = bodies.Of(model.Supports[support].Node);
        var number = rowsOf[body].IndexOf((support, direction));
        var weights = new double[6];
        for (var i = 0; i < 6; i++)
        {
            var unit = new double[6];
            unit[i] = 1;
            weights[i] = factor * holds[body].Reactions(unit)[number];
        }
        elementsOf ??= new(() =>
            elements
                .SelectMany((element, e) => element.Nodes.Select((n, p) => (Body: bodies.Of(n), e, p)))
                .ToLookup(x => x.Body, x => (x.e, x.p))
        );
        foreach (var (element, point) in elementsOf.Value[body])
        {
            var b = transforms[element][point];
            for (var k = 0; k < 6; k++)
            {
                double local = 0;
                for (var i = 0; i < 6; i++)
                    local += b[6 * k + i] * weights[i];
                row.EndForce(element, 6 * point + k, local);
            }
        }
        foreach (var spring in model.Springs.Where(s => bodies.Of(s.I) == body || bodies.Of(s.J) == body))
        {
            for (var d = 0; d < 6; d++)
            {
                var (onI, onJ) = SpringEnds(spring, d);
                var sum = 0.0;
                if (bodies.Of(spring.J) == body)
                    sum += BodyConstraint.Dot(weights, onJ);
                if (bodies.Of(spring.I) == body)
                    sum -= BodyConstraint.Dot(weights, onI);
                if (sum != 0 && spring.Stiffness[d] > 0)
                    AddSpring(row, spring, d, sum);
            }
        }
        for (var s = 0; s < model.Supports.Length; s++)
        {
            if (bodies.Of(model.Supports[s].Node) != body)
                continue;
            for (var d = 0; d < 6; d++)
            {
                if (model.Supports[s].Springs[d] > 0)
                    row.Body(body, Row(s, d), BodyConstraint.Dot(weights, Row(s, d)) * model.Supports[s].Springs[d]);
            }
        }
        row.OnBody(body, weights, -1);
    }

    private (double[] OnI, double[] OnJ) SpringEnds(FrameSpring spring, int direction)
    {
        var axis = LocalAxes.Given(spring.X, spring.Up)!.Value[direction % 3];
        var half = 0.5 * (model.Nodes[spring.J].At - model.Nodes[spring.I].At);
        return (Row(axis, bodies.Arm(spring.I) + half, direction < 3), Row(axis, bodies.Arm(spring.J) - half, direction < 3));
    }

    /// <summary>A row in the making.</summary>
    private sealed class RowSum(FrameAnalysis analysis)
    {
        private readonly Dictionary<int, double> unknowns = [];
        private readonly Dictionary<int, double[]> direct = [];

        /// <summary>Adds a row over the components of a body.</summary>
        public void Body(int body, ReadOnlySpan<double> row, double factor)
        {
            var free = analysis.holds[body].Free;
            for (var f = 0; f < free.Count; f++)
            {
                double sum = 0;
                for (var i = 0; i < 6; i++)
                    sum += free[f][i] * row[i];
                if (sum == 0)
                    continue;
                var unknown = analysis.matrix.First[body] + f;
                unknowns[unknown] = unknowns.GetValueOrDefault(unknown) + factor * sum;
            }
        }

        /// <summary>Adds a row over the local components of an element.</summary>
        public void Local(int element, ReadOnlySpan<double> row, double factor)
        {
            var nodes = analysis.elements[element].Nodes;
            Span<double> onBody = stackalloc double[6];
            for (var p = 0; p < nodes.Length; p++)
            {
                var b = analysis.transforms[element][p];
                onBody.Clear();
                for (var k = 0; k < 6; k++)
                {
                    var value = row[6 * p + k];
                    for (var i = 0; value != 0 && i < 6; i++)
                        onBody[i] += value * b[6 * k + i];
                }
                Body(analysis.bodies.Of(nodes[p]), onBody, factor);
            }
        }

        /// <summary>Adds a force that joints put on an element (local, by its place).</summary>
        public void EndForce(int element, int component, double factor)
        {
            var of = analysis.elements[element];
            if (factor != 0)
                Local(element, of.Stiffness.AsSpan(component * of.Size, of.Size), factor);
        }

        /// <summary>Adds what a load on a body does directly.</summary>
        public void OnBody(int body, double[] weights, double factor)
        {
            if (!direct.TryGetValue(body, out var sum))
                direct[body] = sum = new double[6];
            for (var i = 0; i < 6; i++)
                sum[i] += factor * weights[i];
        }

        public EffectRow Finished() => new([.. unknowns.Keys], [.. unknowns.Values], direct);
    }
}
