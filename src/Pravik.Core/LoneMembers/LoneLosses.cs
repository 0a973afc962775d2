using System.Collections.Immutable;
using Pravik.Core.Loads;
using Pravik.Core.Materials;
using Pravik.Core.Members;
using Pravik.Core.Sections;
using Pravik.Core.Stages;

namespace Pravik.Core.LoneMembers;

/// <summary>What creep, shrinkage and the loss of prestress of an interval do at a place.</summary>
/// <param name="Creep">Of the concrete by creep, without forces on the whole.</param>
/// <param name="Shrinkage">The same by shrinkage.</param>
/// <param name="Axial">Change of the force of strands (N, negative: tension on the concrete lost).</param>
/// <param name="Moment">Its moment about the centroid of what works then (Nm).</param>
/// <param name="Losses">What that force does to the concrete.</param>
internal readonly record struct SlowEffects(SlowStress Creep, SlowStress Shrinkage, double Axial, double Moment, SlowStress Losses);

/// <summary>Stresses at the soffit, the top of the member and the top of its slab (Pa), and curvature (1/m, sagging positive).</summary>
internal readonly record struct SlowStress(double Bottom, double Top, double SlabTop, double Curvature);

/// <summary>An interval in which a member stays the same (days), with what it does place by place.</summary>
internal sealed record SlowInterval(double From, double To, bool HasSlab, ImmutableArray<SlowEffects> Places);

/// <summary>A permanent load that creep follows: since which day, whether the slab carries it too, its moment at each place (Nm).</summary>
internal sealed record LastingLoad(double Day, bool OnWhole, Func<int, double> Moment);

/// <summary>
/// Losses of the strands of a member on two supports, section by section, with creep and shrinkage of member and slab against each other.
/// </summary>
/// <remarks>
/// As strands are released every row shortens with the concrete at its height (see <see cref="StrandStresses"/>). In an interval from day a
/// to day b each concrete would creep freely by [φ(b, τ) − φ(a, τ)]·σ/E_cm of every stress that came on day τ, and shrink; the section
/// stays plane with E_cm/(1 + χ·φ(b, a)) in each concrete, strands lose E_p·Δε at their height and 0.8 of their relaxation, and what they
/// lose acts back on the concrete (EN 1992-1-1 5.10.6, Annex B; EN 1992-2 KK.7; Ghali and Favre, Concrete Structures, 2nd edition, chapters
/// 2 to 4). A slab works with the member from three days after it is cast. Stresses of an interval creep in later ones as if put on half
/// way through it. On two supports that let it turn nothing answers from outside. Bars are not counted as holding the concrete back.
/// </remarks>
public sealed class LoneLosses
{
    private const double OfRelaxation = 0.8;
    private const double Expansion = 1e-5;

    /// <summary>Days from its casting on which a slab is stiff, and begins to dry.</summary>
    private const double Hardening = Shrinkage.Drying;
    private readonly LoneMember member;
    private readonly LoneSections sections;
    private readonly PrestressingSteel steel;
    private readonly ImmutableArray<Place> places;
    private readonly Creep creep;
    private readonly Shrinkage shrinkage;
    private readonly Creep slabCreep;
    private readonly Shrinkage slabShrinkage;

    /// <summary>Releases the strands.</summary>
    /// <param name="member">A member whose losses are worked out.</param>
    /// <param name="places">Its places.</param>
    /// <param name="sections">Its sections.</param>
    /// <param name="weight">Moment of its own weight at each place (Nm).</param>
    internal LoneLosses(LoneMember member, LonePlaces places, LoneSections sections, Func<int, double> weight)
    {
        (this.member, this.sections, steel) = (member, sections, PrestressingSteel.Of(member.Materials.Strand));
        var (made, time) = (sections.MadeAt(places.Ends[^1] / 2).Properties, member.Time);
        Size = 2 * made.GrossArea / made.Perimeter;
        (creep, shrinkage) = (
            new(sections.Concrete, time.Humidity, Size, time.Cement),
            new(sections.Concrete, time.Humidity, Size, time.Cement)
        );
        // The slab dries at both faces; h₀ is then its thickness.
        var thickness = member.Slab?.Thickness ?? 1;
        (slabCreep, slabShrinkage) = (
            new(sections.Slab, time.Humidity, thickness, time.Cement),
            new(sections.Slab, time.Humidity, thickness, time.Cement)
        );
        this.places = [.. places.Places.Select((p, number) => Release(p, weight(number)))];
    }

    /// <summary>Notional size of the member, h₀ = 2A/u (m).</summary>
    public double Size { get; }

    /// <summary>A place: its rows of strands and their stress, and the strains that creep follows.</summary>
    private sealed class Place(MadeSection section, ImmutableArray<PlacedRow> rows)
    {
        public MadeSection Section => section;
        public ImmutableArray<PlacedRow> Rows => rows;
        public double[] Stress { get; } = new double[rows.Length];
        public double[] Released { get; set; } = [];
        public List<StrandStep>[] Steps { get; } = [.. rows.Select(_ => new List<StrandStep>())];

        /// <summary>Elastic strains, σ/E_cm, of member and slab, since a day.</summary>
        public List<(double Day, StrainLine Member, StrainLine? Slab)> Strains { get; } = [];

        public void Put(LossKind kind, double from, double to, Func<int, double> change)
        {
            for (var r = 0; r < Stress.Length; r++)
            {
                var of = change(r);
                Stress[r] += of;
                if (of != 0)
                    Steps[r].Add(new(kind, from, to, of));
            }
        }

        public (double Axial, double Moment) Forces(IReadOnlyList<double> stress, double centroid)
        {
            double axial = 0,
                moment = 0;
            for (var r = 0; r < rows.Length; r++)
                (axial, moment) = (axial - rows[r].Area * stress[r], moment - rows[r].Area * stress[r] * (centroid - rows[r].Level));
            return (axial, moment);
        }
    }

    /// <summary>Stress of the rows at a place after all losses (Pa).</summary>
    public IReadOnlyList<double> Now(int place) => places[place].Stress;

    /// <summary>The same just after release.</summary>
    public IReadOnlyList<double> Released(int place) => places[place].Released;

    /// <summary>How the stress of a row came about.</summary>
    public IReadOnlyList<StrandStep> Steps(int place, int row) => places[place].Steps[row];

    /// <summary>Axial force and moment of prestress at a place just after release (N, Nm).</summary>
    public (double Axial, double Moment) AtRelease(int place) =>
        places[place].Forces(places[place].Released, places[place].Section.Bending.Centroid);

    /// <summary>Day on which the slab is cast, not before release; null without one that is cast later.</summary>
    public double? CastOn => member.StandsBeforeSlab ? Math.Max(member.Slab!.Day, member.Release.Age) : null;

    /// <summary>Day from which the slab works with the member; null without one that is cast later.</summary>
    public double? StiffOn => CastOn + Hardening;

    /// <summary>Day on which the finished member takes its permanent loads.</summary>
    public double LoadedOn => Math.Max(member.Time.LoadedOn, StiffOn ?? member.Release.Age);

    private Place Release(LonePlace at, double weight)
    {
        var (section, age) = (sections.MadeAt(at), member.Release.Age);
        var place = new Place(section, [.. sections.RowsAt(at.At).Select(r => new PlacedRow(r.Row, r.Level, r.Area))]);
        var (jack, bare, early) = (member.Strands.JackStress, section.Bending, sections.Early);
        place.Put(LossKind.Stressing, 0, 0, _ => jack);
        place.Put(LossKind.Relaxation, 0, age, _ => -jack * steel.Relaxation(jack / steel.Fpk, Hours(age)));
        place.Put(LossKind.Heat, 0, age, _ => -0.5 * steel.Ep * Expansion * Math.Max(0, member.Release.HeatTemperature - 20));
        var ratio = steel.Ep / early.Ecm;
        double[] alone = [.. place.Stress.Select((s, r) => s + ratio * weight * (bare.Centroid - place.Rows[r].Level) / bare.SecondMoment)];
        var balanced = BondedSteel.Balanced(alone, place.Rows, ratio, bare);
        double[] before = [.. place.Stress];
        place.Put(LossKind.Elastic, age, age, r => balanced[r] - before[r]);
        place.Released = [.. place.Stress];
        var (axial, moment) = place.Forces(place.Stress, bare.Centroid);
        place.Strains.Add((age, StrainLine.Of(axial, moment + weight, bare, sections.Concrete.Ecm), null));
        return place;
    }

    /// <summary>Follows all intervals under what is put on.</summary>
    internal ImmutableArray<SlowInterval> Follow(IReadOnlyList<LastingLoad> loads)
    {
        var (release, last) = (member.Release.Age, Math.Max(member.Time.LastDay, LoadedOn));
        (double From, double To, bool HasSlab)[] all =
        [
            (release, StiffOn ?? LoadedOn, false),
            (StiffOn ?? LoadedOn, LoadedOn, StiffOn is not null),
            (LoadedOn, last, StiffOn is not null),
        ];
        return
        [
            .. all.Where(i => i.To > i.From).Select(i => new SlowInterval(i.From, i.To, i.HasSlab, Follow(i.From, i.To, i.HasSlab, loads))),
        ];
    }

    private ImmutableArray<SlowEffects> Follow(double from, double to, bool hasSlab, IReadOnlyList<LastingLoad> loads)
    {
        var effects = ImmutableArray.CreateBuilder<SlowEffects>(places.Length);
        for (var p = 0; p < places.Length; p++)
        {
            var (place, bare) = (places[p], places[p].Section.Bending);
            foreach (var load in loads.Where(l => l.Day >= from && l.Day < to))
            {
                var (section, moment) = (load.OnWhole ? sections.Whole(place.Section) : bare, load.Moment(p));
                var strain = StrainLine.Of(0, moment, section, sections.Concrete.Ecm);
                place.Strains.Add((load.Day, strain, load.OnWhole && hasSlab ? strain : null));
            }
            effects.Add(Follow(place, from, to, hasSlab));
        }
        return effects.MoveToImmutable();
    }

    private SlowEffects Follow(Place place, double from, double to, bool hasSlab)
    {
        var (time, cast, bare) = (member.Time, CastOn ?? 0, place.Section.Bending);
        var modulus = sections.Concrete.Ecm / (1 + time.Aging * creep.At(to, from));
        var slabModulus = sections.Slab.Ecm / (1 + time.Aging * slabCreep.At(to - cast, from - cast));
        var shapes = hasSlab ? sections.SlabOn(place.Section) : [];
        StrainLine Plane(StrainLine ofMember, StrainLine ofSlab) =>
            StrainLine.Balanced([(modulus, bare, ofMember), .. shapes.Select(s => (slabModulus, s, ofSlab))]);

        var (crept, slabCrept) = (default(StrainLine), default(StrainLine));
        foreach (var (day, ofMember, ofSlab) in place.Strains)
        {
            crept += Grown(creep, day, 0) * ofMember;
            if (ofSlab is { } strain)
                slabCrept += Grown(slabCreep, day, cast) * strain;
        }
        double Grown(Creep of, double day, double made) => of.At(to - made, day - made) - (day < from ? of.At(from - made, day - made) : 0);
        var shrunk = new StrainLine(shrinkage.At(from) - shrinkage.At(to), 0);
        var slabShrunk = hasSlab ? new StrainLine(slabShrinkage.At(from - cast) - slabShrinkage.At(to - cast), 0) : default;
        var (byCreep, byShrinkage) = (Plane(crept, slabCrept), Plane(shrunk, slabShrunk));

        // What strands lose acts on the section as a force that is taken away.
        var whole = hasSlab ? sections.Whole(place.Section, slabModulus / modulus) : bare;
        var released = place.Released;
        double Relaxed(int r)
        {
            var level = released[r] / steel.Fpk;
            return -OfRelaxation * released[r] * (steel.Relaxation(level, Hours(to)) - steel.Relaxation(level, Hours(from)));
        }
        double OfCreep(int r) => steel.Ep * byCreep.At(place.Rows[r].Level);
        double OfShrinkage(int r) => steel.Ep * byShrinkage.At(place.Rows[r].Level);
        double[] free = [.. place.Rows.Select((_, r) => OfCreep(r) + OfShrinkage(r) + Relaxed(r))];
        var lost = BondedSteel.Balanced(free, place.Rows, steel.Ep / modulus, whole);
        place.Put(LossKind.Creep, from, to, OfCreep);
        place.Put(LossKind.Shrinkage, from, to, OfShrinkage);
        place.Put(LossKind.Relaxation, from, to, Relaxed);
        place.Put(LossKind.Recovery, from, to, r => lost[r] - free[r]);
        var (axial, moment) = place.Forces(lost, whole.Centroid);
        var byLosses = StrainLine.Of(axial, moment, whole, modulus);

        SlowStress Stress(StrainLine strain, StrainLine ofMember, StrainLine ofSlab)
        {
            var (kept, inSlab, depth) = (strain - ofMember, strain - ofSlab, place.Section.Depth);
            var slabTop =
                hasSlab ? slabModulus * inSlab.At(whole.Depth)
                : member.Slab is null ? modulus * kept.At(depth)
                : 0;
            return new(modulus * kept.Soffit, modulus * kept.At(depth), slabTop, -strain.Slope);
        }
        var kept = byCreep - crept + (byShrinkage - shrunk) + byLosses;
        var keptBySlab = byCreep - slabCrept + (byShrinkage - slabShrunk) + byLosses;
        place.Strains.Add(
            ((from + to) / 2, modulus / sections.Concrete.Ecm * kept, hasSlab ? slabModulus / sections.Slab.Ecm * keptBySlab : null)
        );
        return new(
            Stress(byCreep, crept, slabCrept),
            Stress(byShrinkage, shrunk, slabShrunk),
            axial,
            moment,
            Stress(byLosses, default, default)
        );
    }

    private double Hours(double day) => member.Release.RelaxedHours(day);
}
