using NetTopologySuite.Geometries;
using NetTopologySuite.Simplify;
using Pravik.Core.Numerics;
using Point = Pravik.Core.Geometry.Point;
using Polygon = Pravik.Core.Geometry.Polygon;

namespace Pravik.Core.Sections;

/// <summary>
/// St Venant's torsion constant of any section, voids and several materials included, by finite elements of six nodes.
/// </summary>
/// <remarks>
/// Two ways bound it (Timoshenko and Goodier, Theory of Elasticity, 3rd edition, articles 104 to 110 and 115): Prandtl's stress
/// function, ∇·(∇φ/w) = −2 with φ = 0
/// on the outer edge and constant on every void, J = 2∫φ dA + 2Σ φ_k A_k, from below; the warping function, ∇·(w(∇ω + (−y, x))) = 0,
/// J = ∫w(x² + y²) dA − ∫w∇ω·∇ω dA from above. Their mean is given; half their difference bounds its error. w is the weight (ratio of
/// shear moduli) of the material.
/// </remarks>
public static class TorsionConstant
{
    private const int ManyCorners = 100;

    /// <summary>The lower and the upper bound of J (m⁴). Throws <see cref="ArgumentException"/> for outlines that cross.</summary>
    public static (double Lower, double Upper) Bounds(IReadOnlyList<SectionPart> parts)
    {
        var plain = Plain(parts);
        var mesh = SectionMesh.Of(plain);
        double lower = 0,
            upper = 0;
        Parallel.Invoke(
            () => lower = Lower(mesh, [.. plain.Where(p => p.IsVoid).Select(p => p.Outline.Moments().Area)]),
            () => upper = Upper(mesh)
        );
        // J of similar shapes goes with the square of their areas.
        var scale = Math.Pow(Area(parts) / Area(plain), 2);
        return (scale * lower, scale * upper);
    }

    private static double Area(IReadOnlyList<SectionPart> parts) => parts.Sum(p => (p.IsVoid ? -1 : 1) * p.Outline.Moments().Area);

    /// <summary>
    /// Outlines of very many corners with those left out that lie within a fiftieth of an element of the line between others: what a
    /// circle of 500
    /// corners has more than one of 60. Outlines of several materials, which touch, stay as they are.
    /// </summary>
    private static IReadOnlyList<SectionPart> Plain(IReadOnlyList<SectionPart> parts)
    {
        if (parts.Count(p => !p.IsVoid) > 1 || parts.Sum(p => p.Outline.Points.Length) < ManyCorners)
            return parts;
        var tolerance = Math.Sqrt(Area(parts) / 150) / 50;
        return [.. parts.Select(p => p.Outline.Points.Length < 16 ? p : p with { Outline = Simplified(p.Outline, tolerance) })];
    }

    private static Polygon Simplified(Polygon outline, double tolerance)
    {
        var ring = GeometryFactory.Default.CreatePolygon([
            .. outline.Points.Append(outline.Points[0]).Select(p => new Coordinate(p.X, p.Y)),
        ]);
        var simple = TopologyPreservingSimplifier.Simplify(ring, tolerance).Coordinates;
        return simple.Length < 4 ? outline : new(simple.SkipLast(1).Select(c => new Point(c.X, c.Y)));
    }

    /// <summary>The torsion constant, the mean of both bounds (m⁴).</summary>
    public static double Of(IReadOnlyList<SectionPart> parts)
    {
        var (lower, upper) = Bounds(parts);
        return (lower + upper) / 2;
    }

    /// <summary>Prandtl's function: all nodes on the edge of a void are one unknown, which also carries the load of its area.</summary>
    private static double Lower(SectionMesh mesh, double[] voids)
    {
        var unknown = new int[mesh.Nodes.Length];
        var count = 0;
        var ofVoid = voids.Select(_ => -1).ToArray();
        foreach (var n in Enumerable.Range(0, unknown.Length).OrderBy(n => mesh.Positions[n]))
        {
            if (mesh.Hole[n] == -1)
                unknown[n] = -1;
            else if (mesh.Hole[n] == -2)
                unknown[n] = count++;
        }
        // Unknowns of voids come last: they couple far apart.
        for (var n = 0; n < unknown.Length; n++)
        {
            if (mesh.Hole[n] < 0)
                continue;
            if (ofVoid[mesh.Hole[n]] < 0)
                ofVoid[mesh.Hole[n]] = count++;
            unknown[n] = ofVoid[mesh.Hole[n]];
        }
        var (matrix, load) = (new SparseSystem(count - ofVoid.Length, ofVoid.Length), new double[count]);
        for (var v = 0; v < voids.Length; v++)
            load[ofVoid[v]] += 2 * voids[v];
        foreach (var (nodes, weight) in mesh.Elements.Zip(mesh.Weights))
        {
            var (stiffness, integral, _) = Triangle(mesh, nodes);
            for (var i = 0; i < 6; i++)
            {
                if (unknown[nodes[i]] < 0)
                    continue;
                load[unknown[nodes[i]]] += 2 * integral[i];
                for (var j = 0; j < 6; j++)
                {
                    if (unknown[nodes[j]] >= 0)
                        matrix.Add(unknown[nodes[i]], unknown[nodes[j]], stiffness[i, j] / weight);
                }
            }
        }
        var phi = matrix.Solve(load);
        return phi.Zip(load, (p, q) => p * q).Sum();
    }

    /// <summary>The warping function: J = ∫w(x² + y²) dA − ωᵀKω, with one node of each piece held.</summary>
    private static double Upper(SectionMesh mesh)
    {
        var (matrix, load) = (new SparseSystem(mesh.Nodes.Length, 0), new double[mesh.Nodes.Length]);
        double polar = 0,
            area = 0,
            sx = 0,
            sy = 0;
        foreach (var (nodes, weight) in mesh.Elements.Zip(mesh.Weights))
        {
            var (stiffness, _, moments) = Triangle(mesh, nodes);
            (area, sx, sy, polar) = (
                area + weight * moments.Area,
                sx + weight * moments.X,
                sy + weight * moments.Y,
                polar + weight * moments.Polar
            );
            for (var i = 0; i < 6; i++)
            {
                // −∫w(−y ∂N/∂x + x ∂N/∂y) dA
                load[mesh.Positions[nodes[i]]] -= weight * moments.Turn[i];
                for (var j = 0; j < 6; j++)
                    matrix.Add(mesh.Positions[nodes[i]], mesh.Positions[nodes[j]], weight * stiffness[i, j]);
            }
        }
        // ω is known up to a constant, which does no work: a spring of no account holds it.
        for (var n = 0; n < load.Length; n++)
            matrix.Add(n, n, 1e-9);
        var omega = matrix.Solve(load);
        return polar - omega.Zip(load, (o, q) => o * q).Sum();
    }

    private readonly record struct Moments(double Area, double X, double Y, double Polar, double[] Turn);

    /// <summary>
    /// ∫∇N·∇N dA, ∫N dA and the integrals of the coordinates, by the rule of three middle points, which is exact for quadratic
    /// functions.
    /// </summary>
    private static (double[,] Stiffness, double[] Integral, Moments Moments) Triangle(SectionMesh mesh, int[] nodes)
    {
        var (a, b, c) = (mesh.Nodes[nodes[0]], mesh.Nodes[nodes[1]], mesh.Nodes[nodes[2]]);
        var twice = (b - a).Cross(c - a);
        // Gradients of the area coordinates.
        Point[] slope =
        [
            new((b.Y - c.Y) / twice, (c.X - b.X) / twice),
            new((c.Y - a.Y) / twice, (a.X - c.X) / twice),
            new((a.Y - b.Y) / twice, (b.X - a.X) / twice),
        ];
        var (stiffness, turn) = (new double[6, 6], new double[6]);
        double x = 0,
            y = 0,
            polar = 0;
        // Middle points of the sides, a third of the area each: exact for quadratic functions.
        double[][] at =
        [
            [0.5, 0.5, 0],
            [0, 0.5, 0.5],
            [0.5, 0, 0.5],
        ];
        foreach (var l in at)
        {
            var p = l[0] * a + l[1] * b + l[2] * c;
            var g = new Point[6];
            for (var i = 0; i < 3; i++)
            {
                g[i] = (4 * l[i] - 1) * slope[i];
                var j = (i + 1) % 3;
                g[3 + i] = 4 * (l[i] * slope[j] + l[j] * slope[i]);
            }
            var share = twice / 6;
            (x, y, polar) = (x + share * p.X, y + share * p.Y, polar + share * p.Dot(p));
            for (var i = 0; i < 6; i++)
            {
                turn[i] += share * (p.X * g[i].Y - p.Y * g[i].X);
                for (var j = 0; j < 6; j++)
                    stiffness[i, j] += share * g[i].Dot(g[j]);
            }
        }
        // ∫N is 0 at corners and a third of the area at the middles of sides.
        var third = twice / 6;
        return (stiffness, [0, 0, 0, third, third, third], new(twice / 2, x, y, polar, turn));
    }

    /// <summary>A banded system bordered by a few unknowns that couple with all, which are eliminated by their Schur complement.</summary>
    private sealed class SparseSystem(int banded, int border)
    {
        private readonly SymmetricMatrix inner = new(banded);
        private readonly double[,] sides = new double[banded, border];
        private readonly double[,] corner = new double[border, border];

        public void Add(int row, int column, double value)
        {
            if (row < banded && column < banded)
                inner.Add(row, column, value);
            else if (row < banded)
                sides[row, column - banded] += value;
            else if (column >= banded)
                corner[row - banded, column - banded] += value;
        }

        public double[] Solve(double[] load)
        {
            var factor = new BandedCholesky().Factorise(inner);
            var count = border + 1;
            var values = new double[banded * count];
            for (var i = 0; i < banded; i++)
            {
                for (var k = 0; k < border; k++)
                    values[i * count + k] = sides[i, k];
                values[i * count + border] = load[i];
            }
            factor.Solve(values, count);
            var schur = new SymmetricMatrix(border);
            var right = load[banded..];
            for (var k = 0; k < border; k++)
            {
                for (var m = 0; m <= k; m++)
                {
                    var sum = corner[k, m];
                    for (var i = 0; i < banded; i++)
                        sum -= sides[i, k] * values[i * count + m];
                    schur.Add(k, m, sum);
                }
                for (var i = 0; i < banded; i++)
                    right[k] -= sides[i, k] * values[i * count + border];
            }
            if (border > 0)
                new BandedCholesky().Factorise(schur).Solve(right, 1);
            var result = new double[banded + border];
            for (var i = 0; i < banded; i++)
            {
                result[i] = values[i * count + border];
                for (var k = 0; k < border; k++)
                    result[i] -= values[i * count + k] * right[k];
            }
            right.CopyTo(result, banded);
            return result;
        }
    }
}
