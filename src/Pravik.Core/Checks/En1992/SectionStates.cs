using System.Collections.Immutable;
using Pravik.Core.Codes;
using Pravik.Core.Effects;
using Pravik.Core.Members;
using Pravik.Core.Models;

namespace Pravik.Core.Checks.En1992;

/// <summary>
/// Strains and stresses over a section at a place of a member: at its resistance, and in service before and after it cracks.
/// </summary>
public sealed class SectionStates
{
    private const int Slices = 60;
    private readonly Member member;
    private readonly MemberPoint point;
    private readonly MemberSection section;
    private readonly BendingResistance resistance;

    /// <param name="member">The member.</param>
    /// <param name="point">A place of it, with a section.</param>
    public SectionStates(Member member, MemberPoint point)
    {
        (this.member, this.point) = (member, point);
        section = point.Section ?? throw new ArgumentException("There is no section at this place.", nameof(point));
        resistance = new(member.Values);
    }

    private static readonly ImmutableArray<LimitState> Service =
    [
        LimitState.Characteristic,
        LimitState.Frequent,
        LimitState.QuasiPermanent,
    ];

    /// <summary>What can be looked at: id and name.</summary>
    public static ImmutableArray<(string Id, string Name)> Kinds { get; } =
    [
        ("ultimate.sagging", "At its resistance, sagging"),
        ("ultimate.hogging", "At its resistance, hogging"),
        .. Service.SelectMany(s =>
            new[] { ($"{Word(s)}.sagging", $"{s.Words()}, most sagging"), ($"{Word(s)}.hogging", $"{s.Words()}, most hogging") }
        ),
    ];

    private static string Word(LimitState state) => state.Words().ToLowerInvariant();

    /// <summary>The state of an id of <see cref="Kinds"/>; null where the section cannot balance what acts.</summary>
    public SectionState? Of(string id)
    {
        var isSagging = id.EndsWith("sagging", StringComparison.Ordinal);
        if (id.StartsWith("ultimate", StringComparison.Ordinal))
            return AtResistance(isSagging);
        return InService(Service.First(s => id.StartsWith($"{Word(s)}.", StringComparison.Ordinal)), isSagging);
    }

    /// <summary>Pairs of axial force (tension positive) and sagging moment that the section just carries, once around.</summary>
    public ImmutableArray<(double Axial, double Moment)> Interaction() => resistance.Interaction(section, point.AxialHeight);

    /// <summary>Axial force and moment at the ultimate state that act together where one of them is greatest or least.</summary>
    public IEnumerable<(string Name, double Axial, double Moment)> Acting()
    {
        var range = member.Effects(LimitState.Ultimate);
        foreach (
            var (leads, greatest, name) in new[]
            {
                (GirderEffect.M, true, "most sagging"),
                (GirderEffect.M, false, "most hogging"),
                (GirderEffect.N, true, "most tension"),
                (GirderEffect.N, false, "most compression"),
            }
        )
        {
            var forces = range.Together(range.Layout.At(point.Number, leads), greatest);
            yield return (name, forces[(int)GirderEffect.N], forces[(int)GirderEffect.M]);
        }
    }

    private SectionState? AtResistance(bool isSagging)
    {
        var (side, range) = (isSagging ? Bending.Sagging : Bending.Hogging, member.Effects(LimitState.Ultimate));
        var axial = range.Together(range.Layout.At(point.Number, GirderEffect.M), isSagging)[(int)GirderEffect.N];
        if (resistance.At(section, side, axial, point.AxialHeight) is not { } state)
            return null;
        double StrainAt(double y) => state.Curvature * ((isSagging ? section.Depth - y : y) - state.NeutralAxis);
        double StressAt(MemberConcrete part, double y) =>
            -part.Concrete.Stress(-StrainAt(y), part.Concrete.DesignStrength(member.Values["alphaCc"], member.Values["gammaC"]));
        return new(
            isSagging ? "At its resistance, sagging" : "At its resistance, hogging",
            UltimateBending.Clause,
            axial,
            isSagging ? state.Moment : -state.Moment,
            [.. section.Concrete.Select(c => Profile(c, y => new(y, StrainAt(y), StressAt(c, y))))],
            [.. state.Steel.Select(s => new SteelAt(s.Layer.Name, s.Layer.Height, s.Layer.Area, s.Strain, s.Stress))]
        )
        {
            NeutralAxis = isSagging ? section.Depth - state.NeutralAxis : state.NeutralAxis,
            IsCracked = true,
            Note = "Design strengths, with the axial force that acts beside the greatest moment; strands have the strain of prestress too.",
        };
    }

    private static ConcreteProfile Profile(MemberConcrete part, Func<double, ConcreteAt> at)
    {
        var (low, high) = (part.Outline.Bottom, part.Outline.Top);
        var points = Enumerable.Range(0, Slices + 1).Select(i => at(low + (high - low) * i / Slices)).ToList();
        // Strain is straight over the height, and stress has a corner where it is nothing.
        for (var i = 0; i < Slices; i++)
        {
            var (a, b) = (points[i], points[i + 1]);
            if (a.Strain > 0 == b.Strain > 0)
                continue;
            points.Insert(i + 1, at(a.Height + (b.Height - a.Height) * a.Strain / (a.Strain - b.Strain)));
            break;
        }
        return new(part.Name, [.. points]);
    }

    private SectionState? InService(LimitState state, bool isSagging)
    {
        var range = member.Effects(state);
        var parts = Uncracked(range, isSagging);
        ImmutableArray<ElasticSteel> bars = [.. LinearSection.Bars(section, parts)];
        ImmutableArray<ElasticSteel> strands = [.. section.Strands.Select(s => new ElasticSteel(s.Height, s.Area, s.Steel.Ep, 0))];
        var face = isSagging ? parts[^1].StressAt(0) : parts[0].StressAt(section.Depth);
        var cracks = member.Form == MemberForm.CastInPlace || face > (isSagging ? section.Concrete[^1] : section.Concrete[0]).Concrete.Fctm;
        var cracked = cracks ? CrackedSection.Of(parts, [.. bars, .. strands]) : null;
        if (cracks && cracked is null)
            return null;
        var effect = range.Layout.At(point.Number, GirderEffect.M);
        var before = section
            .Concrete.Select((c, i) => Profile(c, y => new(y, parts[i].StressAt(y) / parts[i].Modulus, parts[i].StressAt(y))))
            .ToImmutableArray();
        var now = cracked is null
            ? before
            : [.. section.Concrete.Select((c, i) => Profile(c, y => new(y, cracked.StrainOf(parts[i], y), cracked.StressOf(parts[i], y))))];
        return new(
            Kinds.First(k => k.Id == $"{Word(state)}.{(isSagging ? "sagging" : "hogging")}").Name,
            cracked is null ? "EN 1992-1-1 7.1(2)" : "EN 1992-1-1 7.1",
            range.Together(effect, isSagging)[(int)GirderEffect.N],
            range.Side(isSagging)[effect],
            now,
            [.. Bars(bars, cracked), .. Strands(range, strands, cracked, isSagging)]
        )
        {
            NeutralAxis = Axis(now[^1]),
            IsCracked = cracked is not null,
            Before = cracked is null ? null : before,
            Note = NoteOf(cracked is not null),
        };
    }

    private string NoteOf(bool isCracked)
    {
        var how = isCracked
            ? "Cracked, elastic: concrete in tension is left out, and what it carried goes to the steel. Prestress is among the forces."
            : "Uncracked: no face is stretched beyond its tensile strength. Prestress is among the forces.";
        return member.IsCastInOne
            ? $"{how} All that acts has the modulus of short loads."
            : $"{how} Each action on the section of its time, so that strains of girder and slab are parted; the slab is taken as even.";
    }

    /// <summary>Stresses before it cracks, most sagging or most hogging.</summary>
    private ImmutableArray<ElasticConcrete> Uncracked(EffectRange range, bool isSagging)
    {
        if (member.IsCastInOne)
            return LinearSection.Stresses(point, range, isSagging);
        var (leads, layout) = (isSagging ? GirderEffect.Bottom : GirderEffect.SlabTop, range.Layout);
        var whole = layout.At(point.Number, leads);
        double At(GirderEffect face) => face == leads ? range.Greatest[whole] : range.Beside(whole, true, layout.At(point.Number, face));
        return LinearSection.Straight(section, At(GirderEffect.Bottom), At(GirderEffect.GirderTop), At(GirderEffect.SlabTop));
    }

    private IEnumerable<SteelAt> Bars(ImmutableArray<ElasticSteel> bars, CrackedSection? cracked)
    {
        for (var i = 0; i < bars.Length; i++)
        {
            var stress = cracked?.StressOf(bars[i]) ?? bars[i].Stress;
            yield return new(section.Bars[i].Name, bars[i].Height, bars[i].Area, stress / bars[i].Modulus, stress);
        }
    }

    /// <summary>Stress after losses, what loads strain the concrete at the row, and what cracking adds.</summary>
    private IEnumerable<SteelAt> Strands(EffectRange range, ImmutableArray<ElasticSteel> strands, CrackedSection? cracked, bool isSagging)
    {
        for (var i = 0; i < strands.Length; i++)
        {
            var (row, steel) = (section.Strands[i], strands[i]);
            var leads = range.Layout.At(point.Number, isSagging ? GirderEffect.Bottom : GirderEffect.SlabTop);
            double Loads(GirderEffect face)
            {
                var effect = range.Layout.At(point.Number, face);
                return (effect == leads ? range.Greatest[effect] : range.Beside(leads, true, effect)) - member.Prestress[effect];
            }
            var (bottom, top) = (Loads(GirderEffect.Bottom), Loads(GirderEffect.GirderTop));
            var around = bottom + (top - bottom) * row.Height / section.Concrete[^1].Outline.Top;
            var stress = row.EffectiveStress + row.Steel.Ep / row.Concrete.Ecm * around + (cracked?.StressOf(steel) ?? 0);
            yield return new(row.Name, row.Height, steel.Area, stress / row.Steel.Ep, stress);
        }
    }

    /// <summary>The height at which strain changes its sign.</summary>
    private static double? Axis(ConcreteProfile part)
    {
        var points = part.Points;
        for (var i = 0; i + 1 < points.Length; i++)
        {
            var (a, b) = (points[i], points[i + 1]);
            if (a.Strain > 0 != b.Strain > 0)
                return a.Height + (b.Height - a.Height) * a.Strain / (a.Strain - b.Strain);
        }
        return null;
    }
}
