using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Codes;
using Pravik.Core.Effects;
using Pravik.Core.LoneMembers;
using Pravik.Core.Members;
using Pravik.Core.Models;
using Pravik.Core.Places;

namespace Pravik.Core.Runs;

/// <summary>A girder of a bridge in one span as a member alone, with its effects as tables.</summary>
/// <remarks>
/// Sections, bars, links and strands are those of the girder; the width of the slab is that half way. Tables hold, for each limit state and
/// each effect at its greatest and least, what acts together with it at every place, and the stresses with prestress as it is worse
/// (EN 1992-1-1 5.10.9). The stress of strands after losses is their mean half way. What is over a pier itself, stages of construction and
/// the part of the slab in torsion stay with the bridge.
/// </remarks>
public sealed class GirderAlone
{
    private static readonly ImmutableArray<GirderEffect> Leads =
    [
        GirderEffect.M,
        GirderEffect.V,
        GirderEffect.N,
        GirderEffect.T,
        GirderEffect.Bottom,
        GirderEffect.GirderTop,
        GirderEffect.SlabTop,
    ];

    private readonly BridgeGeometry geometry;
    private readonly BridgeResults results;
    private readonly GirderLine line;
    private readonly SpanIndex span;
    private readonly ImmutableArray<MemberPoint> points;

    private GirderAlone(BridgeGeometry geometry, BridgeResults results, GirderIndex girder, SpanIndex span)
    {
        (this.geometry, this.results, this.span, line) = (geometry, results, span, geometry.Girders[girder]);
        points = [.. results.Members.First(m => m.Name == line.Name).Points.Where(p => p.Span == span.Value)];
    }

    /// <summary>Why a girder cannot stand as a member alone; null where it can.</summary>
    public static string? Refusal(BridgeGeometry geometry, GirderIndex girder, SpanIndex span)
    {
        var (line, basis) = (geometry.Girders[girder], geometry.Bridge.Basis);
        return basis.Standard != Standard.Eurocode ? "Members alone are checked by EN 1990 to 1992."
            : !line.IsIn(span) ? "The girder is not in this span."
            : geometry.Bridge.Girders.Tendons.Any(t => t.IsIn(line.Number)) ? "Members alone have no tendons yet."
            : geometry.SectionOf(line, span, 0.5).IsSteel ? "Girders of steel are not checked yet."
            : geometry.LayoutOf(span).Depth is not null ? "Its depth changes along the span."
            : geometry.Bridge.Girders.Ranges.Any(r => r.IsIn(span)) ? "Its section changes along the span."
            : null;
    }

    /// <summary>The member. Asked for only where <see cref="Refusal"/> has no reason.</summary>
    public static LoneMember Of(BridgeGeometry geometry, BridgeResults results, GirderIndex girder, SpanIndex span) =>
        new GirderAlone(geometry, results, girder, span).Make();

    private double Start => points[0].Distance;

    private double Length => points[^1].Distance - Start;

    /// <summary>The section half way, or the nearest one to it.</summary>
    private MemberSection Middle =>
        points.Where(p => p.Section is { IsInterrupted: false }).MinBy(p => Math.Abs(p.Distance - Start - Length / 2))!.Section!;

    private double Gap => Math.Max(geometry.LayoutOf(span).StartGap, geometry.LayoutOf(span).EndGap);

    private LoneMember Make()
    {
        var bridge = geometry.Bridge;
        var type = bridge.Girders.Types[geometry.Sections.TypeIndex(line.Number, span)];
        var (materials, middle) = (bridge.Materials, Middle);
        var slab = middle.Concrete.First(c => c.Name == "slab").Outline;
        var hasStrands = !middle.Strands.IsEmpty;
        return new()
        {
            Format = LoneMember.FormatName,
            Version = LoneMember.CurrentVersion,
            Name = Shortened($"{bridge.Name}, {line.Name}, span {span.Number}"),
            Basis = bridge.Basis,
            Spans = [new() { Length = Length }],
            Supports = [new(), new()],
            Overhang = -Gap,
            Sections = [geometry.SectionOf(line, span, 0.5).Shape],
            Materials = new()
            {
                Concrete = type.Concrete,
                Slab = materials.Slab,
                Reinforcement = materials.Reinforcement,
                Strand = materials.Strand,
                Exposure = materials.Exposure,
            },
            Slab = new()
            {
                Width = slab.Points.Max(p => p.X) - slab.Points.Min(p => p.X),
                Thickness = slab.Top - slab.Bottom,
                Haunch = geometry.Haunch(span),
            },
            Bars = [.. Bars(middle)],
            Links = [.. Links(type.Links)],
            Strands = hasStrands ? type.Strands with { EffectiveStress = Stress(middle) } : new() { Rows = [] },
            Release = bridge.Girders.Release,
            StrutSlope = bridge.Girders.StrutSlope,
            LeavesOutTorsion = bridge.Girders.LeavesOutTorsion,
            TopSurface = bridge.Girders.TopSurface,
            Effects = new()
            {
                At = [.. points.Select(p => p.Distance - Start)],
                Combinations = [.. EffectTables.States.SelectMany(Tables)],
            },
        };
    }

    private static string Shortened(string name) => name.Length <= 120 ? name : name[..120];

    /// <summary>Mean stress of the strands, each counted (Pa).</summary>
    private static double Stress(MemberSection section) =>
        section.Strands.Sum(s => s.Count * s.EffectiveStress) / section.Strands.Sum(s => s.Count);

    /// <summary>Bars by their name, from the first place of a run of places at which they are to the last.</summary>
    private IEnumerable<BarStretch> Bars(MemberSection middle)
    {
        var along = points
            .Select((p, i) => (At: p.Distance - Start, Place: i, p.Section))
            .Where(p => p.Section is { IsInterrupted: false })
            .SelectMany(p => p.Section!.Bars.Select(b => (p.At, p.Place, Bars: b)));
        foreach (var named in along.GroupBy(b => b.Bars.Name))
        {
            // Places that follow each other less their number in the row are alike within a run.
            var runs = named.Select((b, i) => (b.At, b.Bars, Run: b.Place - i)).GroupBy(b => b.Run);
            foreach (var run in runs)
                yield return Layer(run.First().Bars, run.First().At, run.Last().At + run.Last().Bars.FromEnd, middle.Depth);
        }
    }

    private BarStretch Layer(MemberBars bars, double first, double end, double depth) =>
        new()
        {
            Face = bars.IsTop ? BarFace.Top : BarFace.Soffit,
            AxisDistance = bars.IsTop ? depth - bars.Height : bars.Height,
            Diameter = bars.Diameter,
            Count = bars.Spacing > 0 ? null : (int)Math.Round(bars.Area / (Math.PI * bars.Diameter * bars.Diameter / 4)),
            Spacing = bars.Spacing > 0 ? bars.Spacing : null,
            From = End(first - bars.FromEnd),
            To = End(end),
        };

    /// <summary>Where bars end; null beyond the member.</summary>
    private double? End(double at) => at > 0 && at < Length ? at : null;

    /// <summary>Zones from both ends as stretches, the inner ones first: where they meet the outer ones hold.</summary>
    private IEnumerable<LinkStretch> Links(ImmutableArray<LinkZone> zones)
    {
        for (var i = zones.Length - 1; i >= 0; i--)
        {
            var (zone, reach) = (zones[i], Gap + zones.Take(i + 1).Sum(z => z.Length));
            LinkStretch Over(double? from, double? to) =>
                new()
                {
                    From = from,
                    To = to,
                    Legs = zone.Legs,
                    Diameter = zone.Diameter,
                    Spacing = zone.Spacing,
                };
            if (i == zones.Length - 1 || reach >= Length / 2)
                yield return Over(null, null);
            else
            {
                yield return Over(null, reach);
                yield return Over(Length - reach, null);
            }
        }
    }

    private IEnumerable<EffectTable> Tables(LimitState state)
    {
        if ((state == LimitState.Accidental ? results.Members[0].Accidental : results.Effects.Of(state)) is not { } range)
            yield break;
        foreach (var lead in Leads)
        {
            foreach (var greatest in new[] { true, false })
                yield return Table(state, range, lead, greatest);
        }
    }

    /// <summary>One effect at its greatest or least at every place, with what acts together with it there.</summary>
    private EffectTable Table(LimitState state, EffectRange range, GirderEffect lead, bool greatest)
    {
        var layout = range.Layout;
        var forces = points.Select(p => range.Together(layout.At(p.Number, lead), greatest)).ToList();
        ImmutableArray<double> Force(GirderEffect effect) => [.. forces.Select(f => f[(int)effect])];
        ImmutableArray<double> Stress(GirderEffect face) =>
            state.IsUltimate() ? [] : [.. points.Select(p => StressAt(range, p.Number, lead, face, greatest))];
        return new()
        {
            Name = $"{state}, {(greatest ? "greatest" : "least")} {lead}",
            State = state,
            N = Force(GirderEffect.N),
            V = Force(GirderEffect.V),
            T = Force(GirderEffect.T),
            M = Force(GirderEffect.M),
            Bottom = Stress(GirderEffect.Bottom),
            GirderTop = Stress(GirderEffect.GirderTop),
            SlabTop = Stress(GirderEffect.SlabTop),
        };
    }

    /// <summary>A stress where an effect is greatest or least, with prestress as it is worse.</summary>
    private double StressAt(EffectRange range, int point, GirderEffect lead, GirderEffect face, bool greatest)
    {
        var (layout, values) = (range.Layout, geometry.Bridge.Basis.Values);
        var sum = range.Beside(layout.At(point, lead), greatest, layout.At(point, face));
        var prestress = results.Members[0].Prestress[point, face];
        var (more, less) = ((values["prestressMore"] - 1) * prestress, (values["prestressLess"] - 1) * prestress);
        return sum + (greatest ? Math.Max(more, less) : Math.Min(more, less));
    }
}
