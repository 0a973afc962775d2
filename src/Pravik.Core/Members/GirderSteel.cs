using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Codes;
using Pravik.Core.Effects;
using Pravik.Core.Materials;
using Pravik.Core.Models;
using Pravik.Core.Places;
using Pravik.Core.Sections;
using Pravik.Core.Stages;

namespace Pravik.Core.Members;

/// <summary>Sections of a bridge's steel girders as checks see them, and which of them carries each case.</summary>
internal sealed class GirderSteel
{
    /// <summary>Looks this far to either side of a place, as a part of the span.</summary>
    private const double Aside = 1e-6;

    /// <summary>Braces and stiffeners nearer than this are one (m).</summary>
    private const double Same = 0.02;
    private readonly BridgeGeometry geometry;
    private readonly ModelResults results;
    private readonly Dictionary<int, Lines> along = [];
    private readonly Dictionary<(int Girder, SpanIndex Span, MadeSection Section), (PlateGirder Plates, SteelSlab Slab)?> sections = [];
    private readonly StructuralSteel steel;
    private readonly List<ImmutableArray<SteelDetail>> details = [];

    public GirderSteel(BridgeGeometry geometry, ModelResults results)
    {
        (this.geometry, this.results, steel) = (geometry, results, StructuralSteel.Of(geometry.Bridge.Materials.Structural));
        var (bays, stiffeners) = (geometry.DiaphragmBays().ToList(), geometry.StiffenerPlaces().Where(s => s.IsUpright).ToList());
        foreach (var girder in geometry.Girders)
            along[girder.Number - 1] = Along(girder, bays, stiffeners);
    }

    /// <summary>
    /// The section at a point, or those behind and ahead of it where they differ; none beyond the girder's ends and for girders that are
    /// not of two flanges and a web.
    /// </summary>
    public ImmutableArray<MemberSteel> At(ModelPoint point)
    {
        var (from, to) = geometry.EndsOf(geometry.Girders[point.Girder], point.Span);
        if (point.Fraction < from || point.Fraction > to)
            return [];
        var (behind, ahead) = (
            point.Fraction > from ? Beside(point, -1) : Beside(point, 1),
            point.Fraction < to ? Beside(point, 1) : Beside(point, -1)
        );
        if (behind is null || ahead is null)
            return [];
        return behind == ahead ? [behind] : [behind with { Side = "behind" }, ahead with { Side = "ahead" }];
    }

    /// <summary>
    /// What resists a case at a point: the steel alone where no slab was stiff yet when it came; else the slab, for a long time or a short
    /// one by the kind of action.
    /// </summary>
    public SteelState StateOf(CaseId id, ModelPoint point)
    {
        if (results.Find(id) is not { } of)
            return SteelState.ShortTerm;
        var model = results.Models[of.Model];
        if (model.Sections[point.Girder][model.RowOf(point)] is not { HasSlab: true })
            return SteelState.Bare;
        return of.Stage is not null || of.Kind is ActionKind.Creep or ActionKind.Shrinkage or ActionKind.Settlement
            ? SteelState.LongTerm
            : SteelState.ShortTerm;
    }

    private MemberSteel? Beside(ModelPoint point, int side)
    {
        var (girder, fraction) = (geometry.Girders[point.Girder], point.Fraction + side * Aside);
        var section = geometry.SectionOf(girder, point.Span, fraction);
        if (!sections.TryGetValue((girder.Number, point.Span, section), out var parts))
            sections[(girder.Number, point.Span, section)] = parts = Parts(girder, point.Span, section);
        if (parts is not var (plates, slab))
            return null;
        var (braces, stiffeners, whole, uprights) = along[point.Girder];
        var at = point.Distance + side * Same;
        var panel = Around(stiffeners, at, whole);
        return new("", plates, steel, slab, panel, IsAtEnd(panel, whole), Around(braces, at, whole), CurvatureAt(girder, point))
        {
            Upright = Weaker(uprights.Where(u => IsAt(u.At, panel.From) || IsAt(u.At, panel.To)).Select(u => u.Stiffener)),
            OverBearing = uprights
                .Where(u => u.Stiffener.Kind == StiffenerKind.Bearing && IsAt(u.At, point.Distance))
                .Select(u => u.Stiffener)
                .FirstOrDefault(),
            Studs = geometry.Bridge.Girders.Studs.LastOrDefault(s => s.Holds(point.Span, fraction)),
            Details = Once(DetailsAt(plates, stiffeners.Length > 2, point.Span, fraction)),
        };
    }

    /// <summary>Where a girder is braced and stiffened, how far it reaches, and its upright stiffeners (m from its start).</summary>
    private sealed record Lines(
        ImmutableArray<double> Braces,
        ImmutableArray<double> Stiffeners,
        Stretch Whole,
        ImmutableArray<(double At, PlacedStiffener Stiffener)> Uprights
    );

    private static bool IsAt(double a, double b) => Math.Abs(a - b) <= Same;

    private static PlacedStiffener? Weaker(IEnumerable<PlacedStiffener> stiffeners) =>
        stiffeners.MinBy(s => (s.BothSides ? 2 : 1) * s.Thickness * Math.Pow(s.Width, 3));

    /// <summary>
    /// Welds of web and flanges are of category B, upright stiffeners and plates of frames, taken as everywhere, C', studs C (AASHTO LRFD
    /// Table 6.6.1.2.3-1, conditions 3.1, 4.1, 9.1); then the engineer’s own.
    /// </summary>
    private IEnumerable<SteelDetail> DetailsAt(PlateGirder plates, bool isStiffened, SpanIndex span, double fraction)
    {
        var (low, high) = (plates.Bottom.Thickness, plates.Depth - plates.Top.Thickness);
        if (plates.IsWelded)
        {
            yield return new("weld of web and bottom flange", "B", low);
            yield return new("weld of web and top flange", "B", high);
        }
        if (isStiffened)
        {
            yield return new("stiffeners and frames at the bottom flange", "C'", low);
            yield return new("stiffeners and frames at the top flange", "C'", high);
        }
        yield return new("studs on the top flange", "C", plates.Depth);
        foreach (var own in geometry.Bridge.Girders.Fatigue.Details.Where(d => d.Holds(span, fraction)))
            yield return new(own.Name, own.Category, own.Level);
    }

    /// <summary>The same list for the same details, so that sections on both sides of a place are alike.</summary>
    private ImmutableArray<SteelDetail> Once(IEnumerable<SteelDetail> found)
    {
        ImmutableArray<SteelDetail> made = [.. found];
        if (details.Find(d => d.SequenceEqual(made)) is { IsDefault: false } known)
            return known;
        details.Add(made);
        return made;
    }

    private (PlateGirder, SteelSlab)? Parts(GirderLine girder, SpanIndex span, MadeSection section)
    {
        if (PlateGirder.Of(section) is not { } plates)
            return null;
        var (bridge, concrete) = (geometry.Bridge, Concrete.Of(geometry.Bridge.Materials.Slab));
        var (width, thickness, haunch) = (
            EffectiveSlab.SlabWidth(geometry, girder, span, section),
            geometry.SlabThickness(girder, span, 0.5),
            geometry.Haunch(span)
        );
        var (soffit, bars, reinforcement) = (
            plates.Depth + haunch,
            bridge.Girders.SlabBars,
            ReinforcingSteel.Of(bridge.Materials.Reinforcement)
        );
        MemberBars Layer(string name, double height, BarLayer layer) =>
            new(name, height, layer.AreaPerMetre * width, reinforcement) { Diameter = layer.Diameter, Spacing = layer.Spacing };
        return (
            plates,
            new(
                width,
                thickness,
                haunch,
                steel.E / concrete.Ecm,
                concrete.Fck,
                [
                    Layer("slab bars, top", soffit + thickness - bars.Top.AxisDistance, bars.Top),
                    Layer("slab bars, bottom", soffit + bars.Bottom.AxisDistance, bars.Bottom),
                ]
            )
        );
    }

    private Lines Along(GirderLine girder, List<DiaphragmBay> bays, List<StiffenerPlace> stiffeners)
    {
        var (starts, before) = (new double[geometry.SpanCount], 0.0);
        List<double> supports = [];
        for (SpanIndex span = 0; span < geometry.SpanCount; span = span + 1)
        {
            starts[span] = before;
            if (!girder.IsIn(span))
                continue;
            supports.Add(before);
            before += girder.SpanLength(span);
            supports.Add(before);
        }
        double At(SpanIndex span, double fraction) => starts[span] + fraction * girder.SpanLength(span);
        var frames = bays.Where(b => b.Left == girder || b.Right == girder)
            .Select(b => At(b.Span, b.Left == girder ? b.OnLeft : b.OnRight))
            .ToList();
        var upright = stiffeners.Where(s => s.Girder == girder).Select(s => (At: At(s.Span, s.From), s.Stiffener)).ToImmutableArray();
        var (first, last) = (girder.FirstSpan, geometry.SpanIndices.Last(girder.IsIn));
        var whole = new Stretch(At(first, geometry.EndsOf(girder, first).From), At(last, geometry.EndsOf(girder, last).To));
        var places = supports.Concat(frames).ToList();
        return new([.. Apart(places)], [.. Apart(places.Concat(upright.Select(u => u.At)))], whole, upright);
    }

    private static IEnumerable<double> Apart(IEnumerable<double> places)
    {
        var last = double.NegativeInfinity;
        foreach (var at in places.Order())
        {
            if (at - last > Same)
                yield return at;
            last = Math.Max(last, at);
        }
    }

    private static Stretch Around(ImmutableArray<double> places, double at, Stretch whole) =>
        new(places.LastOrDefault(p => p <= at, whole.From), places.FirstOrDefault(p => p > at, whole.To));

    /// <summary>A panel is at an end where it begins or ends at the outermost bearing.</summary>
    private static bool IsAtEnd(Stretch panel, Stretch whole)
    {
        var reach = 2 * Math.Max(whole.From, Same) + Same;
        return panel.From <= whole.From + reach || panel.To >= whole.To - reach;
    }

    /// <summary>1/R by the directions at a tenth of the span to either side.</summary>
    private static double CurvatureAt(GirderLine girder, ModelPoint point)
    {
        var (span, length) = (girder.In(point.Span), girder.SpanLength(point.Span));
        if (span.Curve is null)
            return 0;
        var (from, to) = (Math.Max(0, point.Fraction - 0.1), Math.Min(1, point.Fraction + 0.1));
        var (a, b) = (span.Along(from), span.Along(to));
        return Math.Asin(Math.Clamp(a.X * b.Y - a.Y * b.X, -1, 1)) / ((to - from) * length);
    }
}
