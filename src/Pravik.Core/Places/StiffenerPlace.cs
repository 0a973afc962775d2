using Pravik.Core.Bridges;

namespace Pravik.Core.Places;

/// <summary>
/// A stiffener in its place: on which girder and in which span, from and to which fraction of it (the same for an upright
/// one), levels of its lower and upper edge there, and volume (m³).
/// </summary>
public sealed record StiffenerPlace(
    PlacedStiffener Stiffener,
    int Index,
    GirderLine Girder,
    SpanIndex Span,
    double From,
    double To,
    double Volume
)
{
    /// <summary>Whether it stands upright.</summary>
    public bool IsUpright => Stiffener.Kind != StiffenerKind.Longitudinal;

    /// <summary>Where an upright stiffener stands on girders of a span, and where a longitudinal one begins and ends.</summary>
    internal static IEnumerable<StiffenerPlace> All(BridgeGeometry geometry)
    {
        for (var i = 0; i < geometry.Bridge.Girders.Stiffeners.Length; i++)
        {
            var stiffener = geometry.Bridge.Girders.Stiffeners[i];
            var sides = stiffener.BothSides ? 2 : 1;
            foreach (
                var (girder, span) in geometry.Pieces.Where(p =>
                    stiffener.IsIn(p.Span) && geometry.SectionOf(p.Girder, p.Span).Web is not null
                )
            )
            {
                var length = girder.SpanLength(span);
                if (stiffener.Kind == StiffenerKind.Longitudinal)
                {
                    yield return new(
                        stiffener,
                        i,
                        girder,
                        span,
                        stiffener.From,
                        stiffener.To,
                        sides * stiffener.Width * stiffener.Thickness * (stiffener.To - stiffener.From) * length
                    );
                    continue;
                }
                foreach (var t in Places(geometry, stiffener, girder, span))
                {
                    var (low, high) = geometry.SectionOf(girder, span, t).Web!.Value;
                    yield return new(stiffener, i, girder, span, t, t, sides * stiffener.Width * stiffener.Thickness * (high - low));
                }
            }
        }
    }

    private static IEnumerable<double> Places(BridgeGeometry geometry, PlacedStiffener stiffener, GirderLine girder, SpanIndex span)
    {
        if (stiffener.Kind == StiffenerKind.Bearing)
        {
            var line = geometry.HaunchOf(girder, span);
            // Over a pier that girders run over there is one, with the span behind it.
            return span > 0 && geometry.LayoutOf(span - 1).RunsOn && girder.IsIn(span - 1) ? [line.To] : [line.From, line.To];
        }
        if (stiffener.Spacing is not { } spacing)
            return [stiffener.From];
        var bays = Math.Max(1, (int)Math.Ceiling((stiffener.To - stiffener.From) * girder.SpanLength(span) / spacing - 1e-9));
        return Enumerable.Range(0, bays + 1).Select(k => stiffener.From + (stiffener.To - stiffener.From) * k / bays);
    }
}
