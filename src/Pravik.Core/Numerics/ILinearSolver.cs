namespace Pravik.Core.Numerics;

/// <summary>Thrown where a stiffness matrix has no inverse: the structure can move without resistance.</summary>
public sealed class SingularMatrixException(int unknown) : Exception($"The structure can move: unknown {unknown} meets no resistance.")
{
    /// <summary>The unknown (row) whose pivot vanished.</summary>
    public int Unknown { get; } = unknown;
}

/// <summary>Solves symmetric positive definite systems. The seam behind which solvers of other kinds can stand.</summary>
public interface ILinearSolver
{
    /// <summary>Factorises the matrix. Throws <see cref="SingularMatrixException"/> where it is not positive definite.</summary>
    IFactor Factorise(SymmetricMatrix matrix);
}

/// <summary>A factorised matrix, ready for many right-hand sides.</summary>
public interface IFactor
{
    /// <summary>
    /// Solves for <paramref name="count"/> right-hand sides at once, in place. Row i of right-hand side r is at
    /// <c>values[i * count + r]</c>.
    /// </summary>
    void Solve(Span<double> values, int count);

    /// <summary>Largest pivot over smallest: a measure of how many digits the solution keeps.</summary>
    double PivotRatio { get; }
}
