using System.Collections.Immutable;
using Pravik.Core.Checks;
using Pravik.Core.Codes;
using Pravik.Core.Effects;
using Pravik.Core.Materials;
using Pravik.Core.Members;
using Pravik.Core.Models;
using Pravik.Core.Traffic;

namespace Pravik.Core.Tests.Design;

/// <summary>A member with one place on which known effects act, in every limit state alike.</summary>
internal sealed record HandMember(MemberSection Section)
{
    public static readonly NationalValues Recommended = NationalValues.Named(NationalValues.Recommended)!;
    public static readonly ReinforcingSteel Steel = ReinforcingSteel.Of(new());

    public NationalValues Values { get; init; } = Recommended;

    public ImmutableDictionary<GirderEffect, double> Acting { get; init; } = ImmutableDictionary<GirderEffect, double>.Empty;

    public MemberForm Form { get; init; } = MemberForm.PretensionedWithSlab;

    public bool LeavesOutTorsion { get; init; }

    /// <summary>What of it is prestress.</summary>
    public ImmutableArray<(GirderEffect Effect, double Value)> Prestress { get; init; } = [];

    /// <summary>What frequent traffic alone does, if it is there; it may be away.</summary>
    public ImmutableArray<(GirderEffect Effect, double Value)> Traffic { get; init; } = [];

    /// <summary>Passages of the five lorries of fatigue load model 4, of moments and shears alike; null for unknown.</summary>
    public IReadOnlyList<PassageCycles>? Lorries { get; init; }

    public HandMember With(GirderEffect effect, double value) => this with { Acting = Acting.SetItem(effect, value) };

    /// <summary>300 × 600 in C30/37 with bars of 20 mm at 50 mm and two legs of 10 mm; its web takes all of the torsion.</summary>
    public static MemberSection Rectangle(int bars = 4, double? spacing = 0.2) =>
        new([Box("girder", 0.3, 0, 0.6)], [new("bars", 0.05, bars * Math.PI * 1e-4, Steel) { Diameter = 0.02 }], [])
        {
            WebWidth = 0.3,
            WebHeight = 0.6,
            WebTorsion = 1,
            Links = spacing is { } s ? new(2 * Math.PI * 25e-6, s, Steel) : null,
        };

    public static MemberConcrete Box(string name, double width, double from, double to) =>
        new(
            name,
            new([new(-width / 2, from), new(width / 2, from), new(width / 2, to), new(-width / 2, to)]),
            Concrete.Of(new ConcreteGrade { Class = "C30/37" })
        );

    /// <summary>All outcomes of a check at the place.</summary>
    public CheckOutcome[] Of(ICheck check)
    {
        var layout = new EffectLayout([new ModelPoint(new(0), new(0), 0, 0.5, 10, 10)]);
        var values = new double[layout.Count];
        foreach (var (effect, value) in Acting)
            values[layout.At(0, effect)] = value;
        var ofPrestress = new double[layout.Count];
        foreach (var (effect, value) in Prestress)
            ofPrestress[layout.At(0, effect)] = value;
        var ofTraffic = new double[layout.Count];
        foreach (var (effect, value) in Traffic)
            ofTraffic[layout.At(0, effect)] = value;
        var full = EffectRange.Of("traffic", new EffectValues(layout, ofTraffic));
        var traffic = EffectRange.Envelope("traffic", [(1, full), (0, full)]);
        var others = EffectRange.Of("by hand", new EffectValues(layout, [.. values.Zip(ofTraffic, (v, t) => v - t)]));
        var range = Traffic.IsEmpty ? others : EffectRange.Sum("by hand", [(1, others), (1, traffic)], layout);
        var member = new Member("G1", Form, [new(0, 0, 10, 10, Section, 0)], _ => range, Values, 1.5)
        {
            FrequentTraffic = Traffic.IsEmpty ? null : traffic,
            Lorries = Lorries is null ? null : (_, _) => Lorries,
            Prestress = new EffectValues(layout, ofPrestress),
            ToBearing = _ => 0.2,
            LeavesOutTorsion = LeavesOutTorsion ? Member.TorsionByCompatibility : null,
            Exposure = "XC3",
        };
        return [.. check.Of([member]).At(member, 0)];
    }
}
