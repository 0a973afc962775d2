using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Calculations;
using Pravik.Core.Checks;
using Pravik.Core.Codes;
using Pravik.Core.Effects;
using Pravik.Core.Materials;
using Pravik.Core.Members;
using Pravik.Core.Models;
using Pravik.Core.Sections;
using Pravik.Core.Stages;
using Pravik.Core.Units;

namespace Pravik.Core.Tests.Design;

/// <summary>
/// A steel girder of 400 × 25, 1500 × 14 and 500 × 40 mm with a slab of 2500 × 200 mm 50 mm above it, n = 8, of which one place is looked
/// at: F_y 345 MPa, E 200 GPa, f′_c 30 MPa, bars 5000 mm² half way up the slab.
/// </summary>
internal sealed record HandSteel
{
    public const double E = 200e9;
    public const double Fy = 345e6;
    public static readonly CaseId Bare = new("bare");
    public static readonly CaseId Slow = new("slow");

    public Flange Top { get; init; } = new(0.4, 0.025);

    public Flange Bottom { get; init; } = new(0.5, 0.04);

    public double Web { get; init; } = 0.014;

    public Stretch Panel { get; init; } = new(0, 2);

    public bool IsEndPanel { get; init; }

    public Stretch Unbraced { get; init; } = new(0, 3);

    public double Curvature { get; init; }

    public StudZone? Studs { get; init; }

    public PlacedStiffener? Upright { get; init; }

    public PlacedStiffener? OverBearing { get; init; }

    public ImmutableArray<SteelDetail> Details { get; init; } = [new("plate", "C'", 0.04)];

    public double? Trucks { get; init; }

    /// <summary>Greatest and least moments and shears of the fatigue truck.</summary>
    public (double M, double LeastM, double V, double LeastV) Truck { get; init; }

    public double OnBare { get; init; }

    public double OnSlow { get; init; }

    public double Live { get; init; }

    public double Shear { get; init; }

    /// <summary>A, z̄ and I of the steel alone, by its three plates.</summary>
    public SectionProperties Plain()
    {
        (double A, double Z, double D)[] plates =
        [
            (Bottom.Area, Bottom.Thickness / 2, Bottom.Thickness),
            (1.5 * Web, Bottom.Thickness + 0.75, 1.5),
            (Top.Area, Bottom.Thickness + 1.5 + Top.Thickness / 2, Top.Thickness),
        ];
        var area = plates.Sum(p => p.A);
        var centroid = plates.Sum(p => p.A * p.Z) / area;
        return new(
            area,
            centroid,
            plates.Sum(p => p.A * p.D * p.D / 12 + p.A * Math.Pow(p.Z - centroid, 2)),
            Bottom.Thickness + 1.5 + Top.Thickness
        );
    }

    public MemberSteel Section()
    {
        var plain = Plain();
        var bars = new MemberBars("bars", plain.Depth + 0.15, 5e-3, HandMember.Steel);
        return new(
            "",
            new(Top, Bottom, Web, 1.5, plain),
            new StructuralSteel("hand", Fy, Fy, 450e6, 450e6, E),
            new(2.5, 0.2, 0.05, 8, 30e6, [bars]),
            Panel,
            IsEndPanel,
            Unbraced,
            Curvature
        )
        {
            Studs = Studs,
            Upright = Upright,
            OverBearing = OverBearing,
            Details = Details,
        };
    }

    public ImmutableArray<CheckOutcome> Of(ICheck check) => [.. Ready(check, out var member).At(member, 0)];

    public CheckOutcome Of(ICheck check, string sense) => Of(check).Single(o => o.Check.EndsWith(sense, StringComparison.Ordinal));

    /// <summary>A value of a line of the calculation behind an outcome, in SI units.</summary>
    public string Line(ICheck check, string id, string symbol)
    {
        var calculation = new Calculation("by hand", UnitSystem.Named("metric"));
        Ready(check, out var member).Write(member, 0, id, calculation);
        return calculation.Lines.First(l => l.Symbol == symbol).Value;
    }

    private IMemberCheck Ready(ICheck check, out Member member)
    {
        var layout = new EffectLayout([new ModelPoint(new(0), new(0), 0, 0.5, 1.5, 1.5)]);
        EffectRange Case(string name, CaseId id, GirderEffect effect, double value)
        {
            var values = new double[layout.Count];
            values[layout.At(0, effect)] = value;
            return EffectRange.Of(name, new EffectValues(layout, values)).As(id, "");
        }
        var all = EffectRange.Sum(
            "by hand",
            [
                (1, Case("girders and slab", Bare, GirderEffect.M, OnBare)),
                (1, Case("surfacing", Slow, GirderEffect.M, OnSlow)),
                (1, Case("traffic", new("traffic"), GirderEffect.M, Live)),
                (1, Case("shear", new("shear"), GirderEffect.V, Shear)),
            ],
            layout
        );
        EffectRange Ranged()
        {
            var (most, least) = (new double[layout.Count], new double[layout.Count]);
            (most[layout.At(0, GirderEffect.M)], least[layout.At(0, GirderEffect.M)]) = (Truck.M, Truck.LeastM);
            (most[layout.At(0, GirderEffect.V)], least[layout.At(0, GirderEffect.V)]) = (Truck.V, Truck.LeastV);
            (EffectRange Most, EffectRange Least) = (
                EffectRange.Of("truck", new EffectValues(layout, most)),
                EffectRange.Of("truck", new EffectValues(layout, least))
            );
            return EffectRange.Sum("Fatigue I", [(1.75, EffectRange.Envelope("truck", [(1, Most), (1, Least)]))], layout);
        }
        var fatigue = Ranged();
        var point = new MemberPoint(0, 0, 1.5, 1.5, null, 0) { Steel = [Section()] };
        member = new("G1", MemberForm.Steel, [point], state => state == LimitState.Fatigue ? fatigue : all, HandMember.Recommended, 2.5)
        {
            Prestress = EffectValues.None(layout),
            Fatigue = new() { TrucksADay = Trucks },
            StateOf = (id, _) =>
                id == Bare ? SteelState.Bare
                : id == Slow ? SteelState.LongTerm
                : SteelState.ShortTerm,
            Stages = [new("After slab cast", 30, Case("wet slab", Bare, GirderEffect.M, OnBare), EffectValues.None(layout))],
        };
        return check.Of([member]);
    }
}
