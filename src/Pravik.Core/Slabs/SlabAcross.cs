using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Calculations;
using Pravik.Core.Checks;
using Pravik.Core.LoneMembers;
using Pravik.Core.Places;
using Pravik.Core.Sections;

namespace Pravik.Core.Slabs;

/// <summary>The slab of a span across the girders: a strip of 1 m as a member, with what acts on it as tables, and its checks.</summary>
public sealed class SlabAcross
{
    /// <summary>Thicknesses are taken down to a multiple of this (m).</summary>
    private const double Fineness = 0.005;

    private SlabAcross(Bridge bridge, SpanIndex span, SlabEffects effects, CancellationToken cancel)
    {
        (Span, Effects) = (span, effects);
        Run = new(Document(bridge), cancel);
    }

    /// <summary>The span.</summary>
    public SpanIndex Span { get; }

    /// <summary>The slab where it is cut.</summary>
    public SlabCut Cut => Effects.Cut;

    /// <summary>What acts.</summary>
    public SlabEffects Effects { get; }

    /// <summary>The strip as a member alone, checked.</summary>
    public LoneRun Run { get; }

    /// <summary>The outcome with the greatest utilisation; null where there is none.</summary>
    public CheckOutcome? Governing => Run.Checks.Governing;

    /// <summary>Offset from the road line of the place of an outcome (m).</summary>
    public double OffsetOf(CheckOutcome outcome) => Cut.Section.LeftEdge + Run.Places.Places[outcome.Point].At;

    /// <summary>The calculation behind an outcome.</summary>
    public void Write(CheckOutcome outcome, Calculation calculation) => Run.Checks.Write(outcome, calculation);

    /// <summary>What of this slab is not checked, in words.</summary>
    public IEnumerable<string> LeftOutHere =>
        Cut.Parapets.Any(p => p.Impact == 0) ? ["vehicle impact on parapets without a force of it"] : [];

    /// <summary>What is left out wherever a slab is checked, in words.</summary>
    public static ImmutableArray<string> LeftOut { get; } =
    [
        "the slab along the girders between them",
        "the slab’s edge over abutments and joints",
        "twisting moments of the slab",
        "fatigue of the slab",
        "the slab under parapets that are hit",
    ];

    /// <summary>
    /// The slabs of all spans, and why some are not checked. Throws <see cref="OperationCanceledException"/> when cancelled.
    /// </summary>
    /// <param name="geometry">The bridge.</param>
    /// <param name="known">Where what acts on them is kept from run to run.</param>
    /// <param name="cancel">Stops it.</param>
    public static (ImmutableArray<SlabAcross> Slabs, ImmutableArray<string> Refusals) All(
        BridgeGeometry geometry,
        SlabStore? known = null,
        CancellationToken cancel = default
    )
    {
        var spans = geometry.SpanIndices.ToList();
        var acting = (known ?? new()).Of(geometry, cancel);
        var slabs = new SlabAcross?[spans.Count];
        Parallel.For(
            0,
            spans.Count,
            new ParallelOptions { CancellationToken = cancel },
            i => slabs[i] = acting[i].Effects is { } effects ? new(geometry.Bridge, spans[i], effects, cancel) : null
        );
        var told = acting.Select((a, i) => (a.Refusal, Span: i + 1)).Where(r => r.Refusal is not null).GroupBy(r => r.Refusal!);
        return (
            [.. slabs.OfType<SlabAcross>()],
            [
                .. told.Select(r =>
                    r.Count() == spans.Count
                        ? $"slab across {r.Key}"
                        : $"slab across {r.Key} (span {string.Join(", ", r.Select(s => s.Span))})"
                ),
            ]
        );
    }

    private LoneMember Document(Bridge bridge)
    {
        var (width, across) = (Cut.Section.Width, bridge.Girders.BarsAcross);
        var depths = Cut.Spots.Select(s => Math.Floor(s.Thickness / Fineness + 1e-6) * Fineness).ToList();
        var name = $"{bridge.Name}, slab across, span {Span.Number}";
        return new()
        {
            Format = LoneMember.FormatName,
            Version = LoneMember.CurrentVersion,
            Name = name.Length <= 120 ? name : name[..120],
            Basis = bridge.Basis,
            Spans = [new() { Length = width }],
            Supports = [new() { Restraint = LoneMembers.Restraint.Fixed }, new() { Restraint = LoneMembers.Restraint.Fixed }],
            Sections = [.. depths.Distinct().Select(Strip)],
            Stretches = [.. depths.Distinct().Count() == 1 ? [] : Stretches(depths)],
            Materials = new()
            {
                Concrete = bridge.Materials.Slab,
                Reinforcement = bridge.Materials.Reinforcement,
                Exposure = bridge.Materials.Exposure,
            },
            Bars = [Layer(across.Bottom, BarFace.Soffit), Layer(across.Top, BarFace.Top)],
            Wheels = Wheels(bridge),
            LeavesOutTorsion = true,
            // Without links the tension force is moved by d (EN 1992-1-1 6.2.2(5)): 0.9·h·2/2.
            StrutSlope = 2,
            Effects = Effects.Tables(),
        };
    }

    private LoneWheels Wheels(Bridge bridge)
    {
        var (along, left) = (bridge.Girders.SlabBars, Cut.Section.LeftEdge);
        return new()
        {
            Wheels = [.. Effects.Traffic.Wheels],
            Stand = [.. Cut.Carriageways.Select(c => new WheelStand { From = c.From - left, To = c.To - left })],
            Bottom = along.Bottom.AreaPerMetre,
            BottomAxis = along.Bottom.AxisDistance,
            Top = along.Top.AreaPerMetre,
            TopAxis = along.Top.AxisDistance,
        };
    }

    private static string NameOf(double depth) => FormattableString.Invariant($"Strip {1000 * depth:0}");

    private static SectionShape Strip(double depth) =>
        new()
        {
            Name = NameOf(depth),
            Family = "rectangle",
            Sizes = new Dictionary<string, double> { ["depth"] = depth, ["width"] = 1 }.ToImmutableSortedDictionary(),
        };

    /// <summary>Runs of places of one thickness, each to half way to the next.</summary>
    private IEnumerable<SectionStretch> Stretches(List<double> depths)
    {
        double At(int spot) => Cut.Spots[spot].At - Cut.Section.LeftEdge;
        double Border(int spot) => (At(spot) + At(spot + 1)) / 2;
        for (var (first, last) = (0, 0); first < depths.Count; first = last + 1)
        {
            last = first;
            while (last + 1 < depths.Count && depths[last + 1] == depths[first])
                last++;
            yield return new()
            {
                Section = NameOf(depths[first]),
                From = first == 0 ? 0 : Border(first - 1),
                To = last == depths.Count - 1 ? Cut.Section.Width : Border(last),
            };
        }
    }

    private static BarStretch Layer(BarLayer layer, BarFace face) =>
        new()
        {
            Face = face,
            AxisDistance = layer.AxisDistance,
            Diameter = layer.Diameter,
            Spacing = layer.Spacing,
        };
}
