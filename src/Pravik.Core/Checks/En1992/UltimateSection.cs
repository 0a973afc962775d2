using System.Collections.Immutable;
using Pravik.Core.Geometry;
using Pravik.Core.Materials;
using Pravik.Core.Numerics;

namespace Pravik.Core.Checks.En1992;

/// <summary>Concrete of one kind: an outline (y up from the girder's soffit) with its material and design strength (Pa).</summary>
public sealed record ConcretePart(string Name, Polygon Outline, Concrete Concrete, double Fcd);

/// <summary>
/// Steel at one height: area (m²), the stress for a total strain, and the strain it has before any load acts on the section.
/// </summary>
public sealed record SteelLayer(
    string Name,
    double Height,
    double Area,
    Func<double, double> Stress,
    double InitialStrain,
    double StrainLimit
);

/// <summary>Which fibre is compressed.</summary>
public enum Bending
{
    /// <summary>Compression at the top.</summary>
    Sagging,

    /// <summary>Compression at the soffit.</summary>
    Hogging,
}

/// <summary>
/// A steel layer at the ultimate state: total strain, stress and force (tension positive), concrete it displaces taken off.
/// </summary>
public sealed record SteelState(SteelLayer Layer, double Strain, double Stress, double Force);

/// <summary>A concrete part at the ultimate state: its compressive force (N) and the height at which it acts (m).</summary>
public sealed record ConcreteState(ConcretePart Part, double Force, double Height);

/// <summary>
/// The ultimate state: neutral axis depth from the compressed face (m), curvature (1/m), strain there, resistance (Nm, without sign)
/// and its parts.
/// </summary>
public sealed record UltimateState(
    double NeutralAxis,
    double Curvature,
    double FaceStrain,
    double Moment,
    ImmutableArray<ConcreteState> Concrete,
    ImmutableArray<SteelState> Steel
);

/// <summary>
/// Ultimate bending resistance by strain compatibility: plane sections, no tension in concrete, parabola-rectangle in compression, with
/// an axial force (EN 1992-1-1 6.1(2)).
/// </summary>
public sealed class UltimateSection(ImmutableArray<ConcretePart> concrete, ImmutableArray<SteelLayer> steel)
{
    // Three-point Gauss rule on [0, 1]: exact for the width times the parabola (degree 3 and less) in each slice.
    private static readonly (double At, double Weight)[] Gauss =
    [
        (0.5 - Math.Sqrt(0.15), 5.0 / 18),
        (0.5, 8.0 / 18),
        (0.5 + Math.Sqrt(0.15), 5.0 / 18),
    ];

    private readonly WidthStrips[] strips = [.. concrete.Select(p => WidthStrips.Of(p.Outline))];
    private readonly double[][] corners = [.. concrete.Select(p => p.Concrete.Corners.Order().ToArray())];
    private readonly double top = concrete.Max(p => p.Outline.Top);
    private readonly double bottom = concrete.Min(p => p.Outline.Bottom);

    /// <summary>
    /// The state in which the first fibre reaches its ultimate strain, or the first prestressing steel its strain limit, and forces
    /// balance. Null where even a section compressed evenly cannot balance the steel and the axial force, or where no steel is left to
    /// carry the axial force. The moment is 0 without steel in tension and axial force.
    /// </summary>
    /// <param name="bending">Which face is compressed.</param>
    /// <param name="axial">Axial force N_Ed that acts with the moment (N, tension positive).</param>
    /// <param name="reference">Height at which it acts, and about which the moment is taken (m above the soffit).</param>
    public UltimateState? Resistance(Bending bending, double axial = 0, double reference = 0)
    {
        var depth = top - bottom;
        double Off(double x) => Axial(bending, x) + axial;
        var neutral =
            Roots.FalsePosition(Off, 1e-9 * depth, depth, 1e-10 * depth)
            ?? Roots.FalsePosition(Off, depth, MostDepth * depth, 1e-10 * depth);
        return neutral is { } x ? State(bending, x, axial, reference) : null;
    }

    /// <summary>
    /// Pairs of axial force (N, tension positive) and moment about a height (Nm, without sign) at which the section is at its limit: the
    /// neutral axis goes from the compressed face to far beyond the other one.
    /// </summary>
    public IEnumerable<(double Axial, double Moment)> Interaction(Bending bending, double reference)
    {
        var depth = top - bottom;
        // Close together where a section is bent, far apart where it is pressed nearly evenly.
        for (var i = 0; i <= 60; i++)
        {
            var x =
                depth
                * (
                    i == 0 ? 1e-6
                    : i <= 40 ? i / 40.0
                    : Math.Pow(MostDepth, (i - 40) / 20.0)
                );
            var axial = -Axial(bending, x);
            yield return (axial, State(bending, x, axial, reference).Moment);
        }
    }

    /// <summary>How many depths away the neutral axis of a section that is pressed evenly may lie.</summary>
    private const double MostDepth = 1e4;

    /// <summary>Sum of forces for a neutral axis depth, compression positive.</summary>
    private double Axial(Bending bending, double x)
    {
        var curvature = Curvature(bending, x);
        var sum = 0.0;
        for (var i = 0; i < concrete.Length; i++)
            sum += Compress(i, bending, x, curvature).Force;
        foreach (var layer in steel)
            sum -= Pull(layer, bending, x, curvature).Force;
        return sum;
    }

    private UltimateState State(Bending bending, double x, double axial, double reference)
    {
        var curvature = Curvature(bending, x);
        ImmutableArray<ConcreteState> parts =
        [
            .. concrete
                .Select((part, i) => (part, Found: Compress(i, bending, x, curvature)))
                .Where(p => p.Found.Force > 0)
                .Select(p => new ConcreteState(p.part, p.Found.Force, p.Found.Moment / p.Found.Force)),
        ];
        ImmutableArray<SteelState> layers = [.. steel.Select(layer => Pull(layer, bending, x, curvature))];
        var moment = parts.Sum(p => p.Force * p.Height) - layers.Sum(l => l.Force * l.Layer.Height) + axial * reference;
        return new(x, curvature, curvature * x, bending == Bending.Sagging ? moment : -moment, parts, layers);
    }

    /// <summary>
    /// The greatest curvature that no fibre forbids: κ = min(εcu2/(x − d), (εud − εp0)/(d − x)); where all of the section is pressed, also
    /// ε_c2 at (1 − ε_c2/ε_cu2)·h from the face that is pressed most (Figure 6.1).
    /// </summary>
    private double Curvature(Bending bending, double x)
    {
        var (curvature, depth) = (double.PositiveInfinity, top - bottom);
        if (x > depth)
            curvature = concrete.Min(p => p.Concrete.EpsilonC2 / (x - (1 - p.Concrete.EpsilonC2 / p.Concrete.EpsilonCu2) * depth));
        foreach (var part in concrete)
        {
            var face = Depth(bending, bending == Bending.Sagging ? part.Outline.Top : part.Outline.Bottom);
            if (x > face)
                curvature = Math.Min(curvature, part.Concrete.EpsilonCu2 / (x - face));
        }
        foreach (var layer in steel)
        {
            var d = Depth(bending, layer.Height);
            if (d > x)
                curvature = Math.Min(curvature, (layer.StrainLimit - layer.InitialStrain) / (d - x));
        }
        return curvature;
    }

    /// <summary>Compressive force of a part and its moment about the soffit (N, Nm).</summary>
    private (double Force, double Moment) Compress(int number, Bending bending, double x, double curvature)
    {
        var (part, widths, axis) = (concrete[number], strips[number], Height(bending, x));
        var (low, high) =
            bending == Bending.Sagging
                ? (Math.Max(part.Outline.Bottom, axis), part.Outline.Top)
                : (part.Outline.Bottom, Math.Min(part.Outline.Top, axis));
        var (force, moment) = (0.0, 0.0);
        for (var strip = 0; strip < widths.Count; strip++)
        {
            var (from, to) = (Math.Max(low, widths.From(strip)), Math.Min(high, widths.To(strip)));
            // The stress has corners of its own, which cut the strip.
            while (from < to)
            {
                var next = NextCorner(number, bending, x, curvature, from, to);
                var thick = next - from;
                if (thick >= 1e-12)
                {
                    foreach (var (at, weight) in Gauss)
                    {
                        var height = from + at * thick;
                        var stress = part.Concrete.Stress(curvature * (x - Depth(bending, height)), part.Fcd);
                        var slice = stress * widths.At(strip, height) * weight * thick;
                        force += slice;
                        moment += slice * height;
                    }
                }
                from = next;
            }
        }
        return (force, moment);
    }

    /// <summary>The lowest height above another, and not above a third, at which the stress of a part has a corner.</summary>
    private double NextCorner(int number, Bending bending, double x, double curvature, double above, double most)
    {
        var next = most;
        foreach (var strain in corners[number])
        {
            var height = Height(bending, x - strain / curvature);
            if (height > above + 1e-12 && height < next)
                next = height;
        }
        return next;
    }

    private SteelState Pull(SteelLayer layer, Bending bending, double x, double curvature)
    {
        var added = curvature * (Depth(bending, layer.Height) - x);
        var strain = layer.InitialStrain + added;
        var stress = layer.Stress(strain);
        var displaced = concrete.FirstOrDefault(p => layer.Height >= p.Outline.Bottom && layer.Height <= p.Outline.Top) is { } part
            ? part.Concrete.Stress(-added, part.Fcd)
            : 0;
        return new(layer, strain, stress, layer.Area * (stress + displaced));
    }

    private double Depth(Bending bending, double height) => bending == Bending.Sagging ? top - height : height - bottom;

    private double Height(Bending bending, double depth) => bending == Bending.Sagging ? top - depth : bottom + depth;
}
