namespace Pravik.Core.Bridges;

/// <summary>How a stiffener stands on the web.</summary>
public enum StiffenerKind
{
    /// <summary>Upright, at one place or at equal distances.</summary>
    Transverse,

    /// <summary>Upright, over both bearings.</summary>
    Bearing,

    /// <summary>Along the web.</summary>
    Longitudinal,
}

/// <summary>Stiffeners of the webs of steel girders, plates from flange to flange or along the web.</summary>
public sealed record PlacedStiffener
{
    public StiffenerKind Kind { get; init; }

    /// <summary>Number of the span; null for every one.</summary>
    public int? Span { get; init; }

    /// <summary>From where to where, as parts of the span. A transverse one without a distance stands at the first.</summary>
    public double From { get; init; } = 0.1;
    public double To { get; init; } = 0.9;

    /// <summary>Greatest distance between transverse ones (m), which share the way between them equally; null for a single one.</summary>
    public double? Spacing { get; init; }

    /// <summary>Height of a longitudinal one above the bottom flange, as a part of the web.</summary>
    public double Height { get; init; } = 0.75;

    /// <summary>How far it stands out from the web, and its thickness (m).</summary>
    public double Width { get; init; } = 0.15;
    public double Thickness { get; init; } = 0.015;
    public bool BothSides { get; init; } = true;

    public bool IsIn(int span) => Span is null || Span == span + 1;
}

/// <summary>
/// A stiffener in its place: on which girder and in which span (from 0), from and to which fraction of it (the same for an upright
/// one), levels of its lower and upper edge there, and volume (m³).
/// </summary>
public sealed record StiffenerPlace(
    PlacedStiffener Stiffener,
    int Index,
    GirderLine Girder,
    int Span,
    double From,
    double To,
    double Volume
)
{
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

    private static IEnumerable<double> Places(BridgeGeometry geometry, PlacedStiffener stiffener, GirderLine girder, int span)
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
