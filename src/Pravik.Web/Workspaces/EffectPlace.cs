using System.Collections.Immutable;
using Pravik.Core.Models;
using Pravik.Core.Units;
using Pravik.Web.Steps;

namespace Pravik.Web.Workspaces;

/// <summary>An effect at a place: its name, and its number among those of the place.</summary>
internal sealed record ShownEffect(string Id, string Words, QuantityKind Kind, bool PositiveDown, int Number)
{
    /// <summary>Whether it is followed from when the bridge is finished on, and not before.</summary>
    public bool SinceFinished { get; init; }
}

/// <summary>
/// Where an effect is looked at: a girder at the cursor, a bearing, an end of a cross member or column, a place of the slab.
/// </summary>
/// <param name="Id">Its id in requests; empty for the cursor.</param>
/// <param name="Group">What it is.</param>
/// <param name="Words">Name in words.</param>
/// <param name="From">Number of its first effect in the layout.</param>
/// <param name="Effects">Its effects.</param>
internal sealed record EffectPlace(string Id, string Group, string Words, int From, ImmutableArray<ShownEffect> Effects)
{
    private static ImmutableArray<ShownEffect> OfGirder { get; } =
    [.. Quantity.All.Select(q => new ShownEffect(q.Id, q.Words, q.Kind, q.PositiveDown, (int)q.Effect))];

    private static ImmutableArray<ShownEffect> OfEnd { get; } = [.. OfGirder.Where(e => e.Number < EffectLayout.OfEnd)];

    private static ImmutableArray<ShownEffect> OfSeat { get; } =
    [
        new("R", "Reaction, up", QuantityKind.Force, false, 2),
        new("along", "Reaction along", QuantityKind.Force, false, 0),
        new("across", "Reaction across", QuantityKind.Force, false, 1),
        new("moveAlong", "Movement along", QuantityKind.Size, false, 3) { SinceFinished = true },
        new("moveAcross", "Movement across", QuantityKind.Size, false, 4) { SinceFinished = true },
        new("turn", "Turning, ‰ of a radian", QuantityKind.Strain, false, 5) { SinceFinished = true },
    ];

    private static ImmutableArray<ShownEffect> OfSlab { get; } =
    [
        new("slabAlong", "Moment along, sagging", QuantityKind.SlabMoment, true, (int)SlabEffect.Along),
        new("slabAcross", "Moment across, sagging", QuantityKind.SlabMoment, true, (int)SlabEffect.Across),
        new("slabTwist", "Twisting moment", QuantityKind.SlabMoment, false, (int)SlabEffect.Twist),
        new("slabShearAlong", "Shear along", QuantityKind.LineLoad, false, (int)SlabEffect.ShearAlong),
        new("slabShearAcross", "Shear across", QuantityKind.LineLoad, false, (int)SlabEffect.ShearAcross),
    ];

    /// <summary>Where it is on the deck: its station, and the offset of its girder or its own (m); null for members.</summary>
    public (double Station, double Offset)? OnDeck { get; private init; }

    /// <summary>All places: the cursor first.</summary>
    public static IEnumerable<EffectPlace> All(Screen screen, EffectLayout layout)
    {
        yield return AtCursor(screen, layout);
        for (var s = 0; s < layout.Seats.Length; s++)
        {
            var (seat, axis) = (layout.Seats[s], screen.Geometry.Axes[layout.Seats[s].Axis]);
            yield return new(
                $"seat{s + 1}",
                "Bearings",
                $"{screen.Geometry.Girders[seat.Girder].Name} on axis {axis.Name}, {seat.Name}",
                layout.AtSeat(s),
                OfSeat
            )
            {
                OnDeck = SeatAt(screen, seat),
            };
        }
        for (var m = 0; m < layout.Members.Length; m++)
        {
            // Strips of the slab and edges are many, and stand for what is even over their width.
            if (layout.Members[m].Kind is MemberKind.Strip or MemberKind.Edge)
                continue;
            foreach (var atEnd in new[] { false, true })
                yield return new(
                    $"member{m + 1}{(atEnd ? "b" : "a")}",
                    "Cross members and piers",
                    $"{layout.Members[m].Name}, {(atEnd ? "end" : "beginning")}",
                    layout.AtEnd(m, atEnd),
                    OfEnd
                );
        }
        foreach (var slab in OfSlabs(screen, layout))
            yield return slab;
    }

    private static IEnumerable<EffectPlace> OfSlabs(Screen screen, EffectLayout layout) =>
        layout
            .Slab.Where(p => !p.Shells.IsEmpty)
            .Select(p => new EffectPlace($"slab{p.Number + 1}", "Slab", WordsOf(p, screen.Units), layout.AtSlab(p.Number), OfSlab)
            {
                OnDeck = (p.Place.Station, p.Place.Offset),
            });

    private static string WordsOf(SlabPoint place, UnitSystem units) =>
        $"slab place {place.Number + 1}, station {units.Format(place.Place.Station, QuantityKind.Length)}, "
        + $"offset {units.Format(place.Place.Offset, QuantityKind.Length)}";

    /// <summary>The one that is asked for; the cursor where there is none of that name.</summary>
    public static EffectPlace Asked(Screen screen, EffectLayout layout) =>
        screen.Request.Place.Length == 0
            ? AtCursor(screen, layout)
            : All(screen, layout).FirstOrDefault(p => p.Id == screen.Request.Place) ?? AtCursor(screen, layout);

    private static (double Station, double Offset) SeatAt(Screen screen, SeatPlace seat)
    {
        var (girder, axis) = (screen.Geometry.Girders[seat.Girder], seat.Axis.Value);
        var offset = axis < girder.Spans.Length && girder.IsIn(axis) ? girder.In(axis).StartOffset : girder.In(axis - 1).EndOffset;
        return (screen.Geometry.Meet(screen.Geometry.Axes[axis], _ => offset).Station, offset);
    }

    private static EffectPlace AtCursor(Screen screen, EffectLayout layout)
    {
        var number = Enumerable
            .Range(0, layout.Points.Length)
            .Where(p => layout.Points[p].Girder == screen.Girder)
            .MinBy(p => Math.Abs(layout.Points[p].Station - screen.Station));
        var point = layout.Points[number];
        var words =
            $"{screen.Geometry.Girders[point.Girder].Name}, span {point.Span + 1}, "
            + screen.Units.FormatWithUnit(point.Station, QuantityKind.Length);
        return new("", "Girders", words, layout.At(number, GirderEffect.N), OfGirder)
        {
            OnDeck = (point.Station, screen.Geometry.GirderOffsetAt(screen.Geometry.Girders[point.Girder], point.Station) ?? 0),
        };
    }
}
