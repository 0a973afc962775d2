using Pravik.Core.Models;
using Pravik.Core.Numerics;

namespace Pravik.Core.Effects;

/// <summary>Thrown where a grillage can move without resistance, naming the joint.</summary>
public sealed class UnstableStructureException(int node, Exception inner)
    : Exception($"The grillage can move freely at joint {node}.", inner)
{
    public int Node { get; } = node;
}

/// <summary>
/// Direct stiffness solution of a grillage. Unknowns at each joint: deflection w (up) and rotations about the joint's direction
/// and square to it, by the right-hand rule.
/// </summary>
/// <remarks>
/// In a member w' = −θ_y; with φ = w', end forces follow from the Euler–Bernoulli stiffness (12, 6L, 4L², 2L²)·EI/L³ and twisting
/// moment GJ/L·Δθ_x. Sagging moment is positive, V = dM/dx.
/// </remarks>
public sealed class GrillageSolver
{
    private readonly Grillage grillage;
    private readonly int[] equation;
    private readonly IFactor factor;

    public GrillageSolver(Grillage grillage, ILinearSolver solver)
    {
        this.grillage = grillage;
        equation = Number(grillage);
        var matrix = new SymmetricMatrix(Unknowns = equation.Count(e => e >= 0));
        foreach (var member in grillage.Members)
            Assemble(member, matrix);
        try
        {
            factor = solver.Factorise(matrix);
        }
        catch (SingularMatrixException singular)
        {
            throw new UnstableStructureException(Array.IndexOf(equation, singular.Unknown) / 3, singular);
        }
    }

    public int Unknowns { get; }

    public double PivotRatio => factor.PivotRatio;

    /// <summary>
    /// Displacements for <paramref name="count"/> generalised loads given by unknown: value of unknown u of joint n for load r at
    /// <c>[(3n + u) * count + r]</c>, in place. Entries at held unknowns come back as 0.
    /// </summary>
    public void Solve(double[] values, int count)
    {
        var packed = new double[Unknowns * count];
        for (var u = 0; u < equation.Length; u++)
        {
            if (equation[u] >= 0)
                values.AsSpan(u * count, count).CopyTo(packed.AsSpan(equation[u] * count));
        }
        factor.Solve(packed, count);
        for (var u = 0; u < equation.Length; u++)
        {
            var target = values.AsSpan(u * count, count);
            if (equation[u] >= 0)
                packed.AsSpan(equation[u] * count, count).CopyTo(target);
            else
                target.Clear();
        }
    }

    /// <summary>
    /// The combination of displacements that is the sagging moment (or shear) at the start or the end of a member:
    /// pairs of unknown (3n + u) and coefficient.
    /// </summary>
    public static IEnumerable<(int Unknown, double Coefficient)> EndEffect(Grillage grillage, int member, bool atEnd, bool shear)
    {
        var m = grillage.Members[member];
        var (length, transform) = Frame(grillage, m);
        var k = m.Flexural / (length * length * length);
        double[] slope =
            shear ? [12 * k, 6 * length * k, -12 * k, 6 * length * k]
            : atEnd ? [6 * length * k, 2 * length * length * k, -6 * length * k, 4 * length * length * k]
            : [-6 * length * k, -4 * length * length * k, 6 * length * k, -2 * length * length * k];
        // Local order: w_i, φ_i = −θ_y,i, w_j, φ_j.
        int[] rows = [0, 2, 3, 5];
        double[] signs = [1, -1, 1, -1];
        for (var column = 0; column < 6; column++)
        {
            double coefficient = 0;
            for (var r = 0; r < 4; r++)
                coefficient += slope[r] * signs[r] * transform[rows[r], column];
            if (coefficient != 0)
                yield return ((column < 3 ? m.I : m.J) * 3 + column % 3, coefficient);
        }
    }

    /// <summary>
    /// Vertical reactions at the supports for displacements and nodal loads (down positive) of one case, in the order of the supports.
    /// </summary>
    public double[] Reactions(double[] displacements, double[] nodalLoads)
    {
        var at = grillage.Supports.Select((s, i) => (s.Node, i)).ToDictionary(p => p.Node, p => p.i);
        var reactions = grillage.Supports.Select(s => nodalLoads[s.Node]).ToArray();
        for (var index = 0; index < grillage.Members.Length; index++)
        {
            var member = grillage.Members[index];
            var isI = at.TryGetValue(member.I, out var supportI);
            var isJ = at.TryGetValue(member.J, out var supportJ);
            if (!isI && !isJ)
                continue;
            var shear = EndEffect(grillage, index, false, true).Sum(term => term.Coefficient * displacements[term.Unknown]);
            if (isI)
                reactions[supportI] += shear;
            if (isJ)
                reactions[supportJ] -= shear;
        }
        return reactions;
    }

    private static int[] Number(Grillage grillage)
    {
        var held = new bool[grillage.Nodes.Length * 3];
        foreach (var support in grillage.Supports)
        {
            held[support.Node * 3] = true;
            if (support.HoldsTwist)
                held[support.Node * 3 + 1] = true;
        }
        var equation = new int[held.Length];
        Array.Fill(equation, -1);
        var next = 0;
        foreach (var node in Order(grillage))
        {
            for (var u = node * 3; u < node * 3 + 3; u++)
            {
                if (!held[u])
                    equation[u] = next++;
            }
        }
        return equation;
    }

    /// <summary>Mesh line by mesh line where members run along them, else by station: whichever keeps the band narrower.</summary>
    private static IEnumerable<int> Order(Grillage grillage)
    {
        var natural = Enumerable.Range(0, grillage.Nodes.Length).ToArray();
        var byStation = natural.OrderBy(n => grillage.Nodes[n].Station).ThenBy(n => n).ToArray();
        int Reach(int[] order)
        {
            var place = new int[order.Length];
            for (var i = 0; i < order.Length; i++)
                place[order[i]] = i;
            return grillage.Members.Max(m => Math.Abs(place[m.I] - place[m.J]));
        }
        return Reach(natural) <= Reach(byStation) ? natural : byStation;
    }

    private void Assemble(GrillageMember member, SymmetricMatrix matrix)
    {
        var (length, transform) = Frame(grillage, member);
        var k = member.Flexural / (length * length * length);
        var t = member.Torsional / length;
        var (a, b, c, d) = (12 * k, 6 * length * k, 4 * length * length * k, 2 * length * length * k);
        // Rows and columns: w_i, θx_i, θy_i, w_j, θx_j, θy_j, with φ = −θy.
        double[,] local =
        {
            { a, 0, -b, -a, 0, -b },
            { 0, t, 0, 0, -t, 0 },
            { -b, 0, c, b, 0, d },
            { -a, 0, b, a, 0, b },
            { 0, -t, 0, 0, t, 0 },
            { -b, 0, d, b, 0, c },
        };
        var left = new double[6, 6];
        for (var i = 0; i < 6; i++)
        {
            for (var j = 0; j < 6; j++)
            {
                for (var s = 0; s < 6; s++)
                    left[i, j] += local[i, s] * transform[s, j];
            }
        }
        for (var i = 0; i < 6; i++)
        {
            var row = equation[(i < 3 ? member.I : member.J) * 3 + i % 3];
            if (row < 0)
                continue;
            for (var j = 0; j < 6; j++)
            {
                var column = equation[(j < 3 ? member.I : member.J) * 3 + j % 3];
                if (column < 0)
                    continue;
                double value = 0;
                for (var s = 0; s < 6; s++)
                    value += transform[s, i] * left[s, j];
                matrix.Add(row, column, value);
            }
        }
    }

    /// <summary>Length of a member, and the matrix from its joints' unknowns to those in its own axes.</summary>
    private static (double Length, double[,] Transform) Frame(Grillage grillage, GrillageMember member)
    {
        var (i, j) = (grillage.Nodes[member.I], grillage.Nodes[member.J]);
        var axis = j.At - i.At;
        var direction = Math.Atan2(axis.Y, axis.X);
        var transform = new double[6, 6];
        foreach (var (node, at) in new[] { (i, 0), (j, 3) })
        {
            var (sin, cos) = Math.SinCos(direction - node.Direction);
            transform[at, at] = 1;
            transform[at + 1, at + 1] = cos;
            transform[at + 1, at + 2] = sin;
            transform[at + 2, at + 1] = -sin;
            transform[at + 2, at + 2] = cos;
        }
        return (axis.Length, transform);
    }
}
