using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Calculations;
using Pravik.Core.Geometry;
using Pravik.Core.Materials;
using Pravik.Core.Members;
using Pravik.Core.Sections;
using Pravik.Core.Stages;
using Pravik.Core.Units;

namespace Pravik.Core.LoneMembers;

/// <summary>Sections along a member alone: as made, with its slab, and as checks see them.</summary>
public sealed class LoneSections
{
    private readonly LoneMember member;
    private readonly LonePlaces places;
    private readonly ReinforcingSteel bars;
    private readonly Dictionary<string, MadeSection> made;
    private readonly Dictionary<MadeSection, ImmutableArray<MemberConcrete>> concretes = [];
    private readonly PrestressingSteel strand;
    private readonly double transmission;

    /// <param name="member">A valid member.</param>
    /// <param name="places">Its places.</param>
    public LoneSections(LoneMember member, LonePlaces places)
    {
        (this.member, this.places) = (member, places);
        (Concrete, Slab) = (Materials.Concrete.Of(member.Materials.Concrete), Materials.Concrete.Of(member.Materials.Slab));
        (bars, strand) = (ReinforcingSteel.Of(member.Materials.Reinforcement), PrestressingSteel.Of(member.Materials.Strand));
        made = member.Sections.ToDictionary(s => s.Name, s => new MadeSection(s));
        var release = member.Release;
        Early = new(Concrete, member.Time.Cement, release.Age, release.Strength, release.HeatTemperature, release.HeatHours);
        transmission = StrandTransmission.Length(strand.Diameter, strand.MostAfterRelease, Early.Fctm, member.Basis.Values["gammaC"]);
    }

    /// <summary>Concrete of the member.</summary>
    public Concrete Concrete { get; }

    /// <summary>Concrete of the slab on it.</summary>
    public Concrete Slab { get; }

    /// <summary>Concrete of the member when its strands are released.</summary>
    public EarlyConcrete Early { get; }

    /// <summary>The section without a slab at a place from the beginning (m).</summary>
    public MadeSection MadeAt(double x)
    {
        var name = member.Stretches.LastOrDefault(s => s.From <= x && x <= s.To)?.Section ?? member.Sections[0].Name;
        var span = places.SpanOf(x);
        var length = places.Ends[span + 1] - places.Ends[span];
        return member.Spans[span].Depth is { } law ? made[name].WithDepth(law.At((x - places.Ends[span]) / length, length)) : made[name];
    }

    /// <summary>The section at a place, seen from its side.</summary>
    public MadeSection MadeAt(LonePlace place) => MadeAt(place.At + (place.IsBehind ? -1e-6 : 1e-6));

    /// <summary>Area, centroid and second moment of the member with its slab, in its own concrete.</summary>
    public SectionProperties Whole(MadeSection section) => Whole(section, Slab.Ecm / Concrete.Ecm);

    /// <summary>The same with another modulus of the slab over that of the member.</summary>
    public SectionProperties Whole(MadeSection section, double ratio) =>
        member.Slab is { } slab
            ? CompositeSection.Of(section.Bending, slab.Width, slab.Thickness, slab.Haunch, section.TopWidth, ratio)
            : section.Bending;

    /// <summary>The slab and its haunch by themselves, heights from the soffit of the member.</summary>
    public ImmutableArray<SectionProperties> SlabOn(MadeSection section)
    {
        if (member.Slab is not { } slab)
            return [];
        var soffit = section.Depth + slab.Haunch;
        return [Upright(section.TopWidth, section.Depth, soffit), Upright(slab.Width, soffit, soffit + slab.Thickness)];
    }

    private static SectionProperties Upright(double width, double from, double to) =>
        new(width * (to - from), (from + to) / 2, width * Math.Pow(to - from, 3) / 12, to);

    /// <summary>Weight of the member and of its slab (N/m).</summary>
    public (double Own, double Slab) Weight(MadeSection section) =>
        (
            member.UnitWeight * section.Properties.GrossArea,
            member.Slab is { } slab
                ? member.UnitWeight * ((slab.Weighs ?? slab.Width) * slab.Thickness + slab.Haunch * section.TopWidth)
                : 0
        );

    /// <summary>A place from the member's own beginning, its whole length, and the distance to the nearer end (m).</summary>
    private (double FromStart, double Length, double FromEnd) Along(double x)
    {
        var (from, length) = (x + member.Overhang, places.Ends[^1] + 2 * member.Overhang);
        return (from, length, Math.Min(from, length - from));
    }

    /// <summary>Level of a row of strands at a place from the first support (m above the soffit).</summary>
    public double LevelOf(StrandRow row, double x) => row.LevelAt(Along(x).FromStart, Along(x).Length);

    /// <summary>Rows of strands at a place: height above the soffit (m), area whose force is transmitted (m²).</summary>
    public IEnumerable<(int Row, double Level, double Area)> RowsAt(double x)
    {
        var (fromStart, length, fromEnd) = Along(x);
        var rows = member.Strands.Rows;
        for (var i = 0; i < rows.Length; i++)
        {
            yield return (i, rows[i].LevelAt(fromStart, length), rows[i].Working(fromEnd, transmission) * strand.Area);
        }
    }

    /// <summary>The section at a place as checks see it; null at an end that only rests on its bearing.</summary>
    /// <param name="place">The place.</param>
    /// <param name="losses">Losses of its strands, where they are worked out.</param>
    public MemberSection? At(LonePlace place, LoneLosses? losses = null)
    {
        var (first, last) = (member.Supports[0].Restraint, member.Supports[^1].Restraint);
        if ((place.At <= 0 && first == Restraint.Pinned) || (place.At >= places.Ends[^1] && last == Restraint.Pinned))
            return null;
        if (member.Overhang < 0 && Along(place.At).FromEnd <= 0)
            return null;
        var section = MadeAt(place);
        var depth = section.Depth + (member.Slab is { } slab ? slab.Haunch + slab.Thickness : 0);
        return new(ConcreteOf(section), [.. BarsAt(place.At, section, depth)], [.. StrandsAt(place, losses)])
        {
            AtRelease = losses is null ? null : Early,
            FromEnd = Along(place.At).FromEnd,
            WebWidth = section.WebWidth,
            WebHeight = section.Depth,
            WebTorsion = section.Cells is null
                ? Math.Min(1, Rectangle.TorsionConstant(section.WebWidth, section.Depth) / section.Properties.J)
                : 1,
            Cells = section.Cells is { } cells ? cells with { Top = cells.Top + depth - section.Depth } : null,
            Links = LinksAt(place.At),
            Joint = member.StandsBeforeSlab
                ? new(section.TopWidth, InterfaceSurface.Of(member.TopSurface), Slab.Fck < Concrete.Fck ? Slab : Concrete)
                : null,
            Origin = c => Write(c, section),
        };
    }

    private ImmutableArray<MemberConcrete> ConcreteOf(MadeSection section)
    {
        if (concretes.TryGetValue(section, out var known))
            return known;
        var parts = ImmutableArray.CreateBuilder<MemberConcrete>();
        if (member.Slab is { } slab)
        {
            var soffit = section.Depth + slab.Haunch;
            parts.Add(new("slab", Box(slab.Width, soffit, soffit + slab.Thickness), Slab));
            if (slab.Haunch > 0)
                parts.Add(new("haunch", Box(section.TopWidth, section.Depth, soffit), Slab));
        }
        foreach (var solid in section.Solids)
            parts.Add(new("girder", new(solid.Points.Select(p => new Point(p.X, p.Y - section.Bottom))), Concrete));
        return concretes[section] = parts.ToImmutable();
    }

    private static Polygon Box(double width, double from, double to) =>
        new([new(-width / 2, from), new(width / 2, from), new(width / 2, to), new(-width / 2, to)]);

    private IEnumerable<MemberBars> BarsAt(double x, MadeSection section, double depth)
    {
        for (var i = 0; i < member.Bars.Length; i++)
        {
            var (layer, isTop) = (member.Bars[i], member.Bars[i].Face == BarFace.Top);
            var fromEnd = Math.Min(x - (layer.From ?? double.NegativeInfinity), (layer.To ?? double.PositiveInfinity) - x);
            if (fromEnd <= 0)
                continue;
            var width = isTop ? member.Slab?.Width ?? section.TopWidth : section.BottomWidth;
            var count = layer.Count ?? width / layer.Spacing!.Value;
            yield return new(
                $"bars, layer {i + 1}",
                isTop ? depth - layer.AxisDistance : layer.AxisDistance,
                count * Math.PI * layer.Diameter * layer.Diameter / 4,
                bars
            )
            {
                Diameter = layer.Diameter,
                Spacing = layer.Spacing ?? 0,
                IsTop = isTop,
                FromEnd = fromEnd,
                Fctm = isTop && member.Slab is not null ? Slab.Fctm : Concrete.Fctm,
            };
        }
    }

    private MemberLinks? LinksAt(double x)
    {
        var found = member.Links.LastOrDefault(l => (l.From ?? double.NegativeInfinity) <= x && x <= (l.To ?? double.PositiveInfinity));
        return found is null
            ? null
            : MemberLinks.Of(
                new LinkZone
                {
                    Legs = found.Legs,
                    Diameter = found.Diameter,
                    Spacing = found.Spacing,
                },
                bars
            );
    }

    private IEnumerable<MemberStrands> StrandsAt(LonePlace place, LoneLosses? losses)
    {
        var (fromStart, length, fromEnd) = Along(place.At);
        var (entered, number) = (member.Strands.EffectiveStress ?? 0, places.Places.IndexOf(place));
        for (var i = 0; i < member.Strands.Rows.Length; i++)
        {
            var row = member.Strands.Rows[i];
            if (row.Count > 0)
                yield return new(i + 1, row.LevelAt(fromStart, length), MemberStrands.BondsOf(row, fromEnd))
                {
                    Spacing = row.Spacing,
                    Steel = strand,
                    EffectiveStress = losses?.Now(number)[i] ?? entered,
                    Steps = losses?.Steps(number, i) ?? [new(LossKind.Stressing, 0, 0, entered)],
                    StressAtRelease = losses?.Released(number)[i] ?? strand.MostAfterRelease,
                    FctmAtRelease = Early.Fctm,
                    Concrete = Concrete,
                };
        }
    }

    private void Write(Calculation c, MadeSection section)
    {
        c.Line("h", $"depth of {section.Shape.Name}", section.Depth, QuantityKind.Size, "entered");
        if (member.Slab is { } slab)
        {
            c.Line("b_eff", "width of the slab that works", slab.Width, QuantityKind.Length, "entered");
            c.Line("h_s", "thickness of the slab", slab.Thickness, QuantityKind.Size, "entered");
        }
    }
}
