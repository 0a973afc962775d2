using System.Collections.Concurrent;
using System.Collections.Immutable;
using System.Globalization;
using Pravik.Core.Calculations;
using Pravik.Core.Codes;
using Pravik.Core.Members;

namespace Pravik.Core.Checks.En1992;

/// <summary>
/// Ultimate bending resistance of sections of members. One section serves many places, so resistances are kept by what tells sections
/// apart: their concrete, and what of their steel is anchored.
/// </summary>
public sealed class BendingResistance(NationalValues values)
{
    /// <summary>
    /// Axial forces at which resistances are kept (N); the domain of N and M is convex, so that what lies between is never less.
    /// </summary>
    private const double AxialStep = 250e3;

    private readonly ConcurrentDictionary<(ImmutableArray<MemberConcrete>, string Steel), UltimateSection> sections = [];
    private readonly ConcurrentDictionary<(UltimateSection, Bending, double Axial, double Reference), double?> moments = [];

    /// <summary>
    /// Resistance of a section beside an axial force (N, tension positive) that acts at a height above the soffit (m), about that height;
    /// null where the section cannot balance its steel and the force. With a calculation, its lines are written.
    /// </summary>
    public UltimateState? At(
        MemberSection section,
        Bending bending,
        double axial = 0,
        double reference = 0,
        Calculation? calculation = null
    )
    {
        var found = Of(section).Resistance(bending, axial, reference);
        if (calculation is not null)
            new BendingCalculation(calculation, section, values).Write(found, bending, axial, reference);
        return found;
    }

    /// <summary>
    /// Moments (Nm) of the same resistance by axial force, straight between axial forces <see cref="AxialStep"/> apart: quick, and not
    /// above the true ones. Null as in <see cref="At"/>.
    /// </summary>
    public Func<double, double?> Moments(MemberSection section, Bending bending, double reference)
    {
        var (known, height) = (Of(section), Math.Round(reference, 9));
        return axial =>
        {
            var (below, part) = (Math.Floor(axial / AxialStep), axial / AxialStep - Math.Floor(axial / AxialStep));
            var (less, more) = (Kept(below * AxialStep), part == 0 ? 0 : Kept((below + 1) * AxialStep));
            return less + part * (more - less);
        };

        double? Kept(double force) =>
            moments.GetOrAdd((known, bending, force, height), _ => known.Resistance(bending, force, reference)?.Moment);
    }

    /// <summary>
    /// Pairs of axial force (N, tension positive) and sagging moment about a height that a section just carries: from tension over
    /// sagging to compression and back over hogging.
    /// </summary>
    public ImmutableArray<(double Axial, double Moment)> Interaction(MemberSection section, double reference)
    {
        var known = Of(section);
        var sagging = known.Interaction(Bending.Sagging, reference);
        var hogging = known.Interaction(Bending.Hogging, reference).Select(p => (p.Axial, -p.Moment));
        return [.. sagging, .. hogging.Reverse()];
    }

    private UltimateSection Of(MemberSection section)
    {
        var layers = Layers(section);
        var steel = string.Join(
            ' ',
            layers.Select(l => string.Create(CultureInfo.InvariantCulture, $"{l.Height:F9} {l.Area:E9} {l.InitialStrain:E9}"))
        );
        return sections.GetOrAdd(
            (section.Concrete, steel),
            _ => new([.. section.Concrete.Select(c => new ConcretePart(c.Name, c.Outline, c.Concrete, Fcd(c)))], layers)
        );
    }

    private double Fcd(MemberConcrete part) => part.Concrete.DesignStrength(values["alphaCc"], values["gammaC"]);

    /// <summary>Strands row by row, then bars, each with the area that is anchored.</summary>
    private ImmutableArray<SteelLayer> Layers(MemberSection section)
    {
        var gammaS = values["gammaS"];
        var layers = ImmutableArray.CreateBuilder<SteelLayer>();
        foreach (var row in section.Strands)
        {
            var (steel, area) = (row.Steel, AnchoredArea(row, values));
            if (area > 0)
                layers.Add(new(row.Name, row.Height, area, e => steel.Stress(e, gammaS), row.EffectiveStress / steel.Ep, steel.Limit));
        }
        foreach (var bars in section.Bars)
        {
            var (steel, area) = (bars.Steel, bars.Area * BarAnchorage.Part(bars, values));
            layers.Add(new(bars.Name, bars.Height, area, e => steel.Stress(e, gammaS), 0, steel.StrainLimit));
        }
        return layers.ToImmutable();
    }

    /// <summary>Area of the strands of a row as far as they are anchored (m²).</summary>
    public static double AnchoredArea(MemberStrands row, NationalValues values)
    {
        return row.Sum(StrandAnchorage.Of(row, values).At) * row.Steel.Area;
    }
}
