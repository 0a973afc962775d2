using System.Text.Json.Nodes;
using Pravik.Core.Bridges;
using Pravik.Core.Places;
using Pravik.Exchange;

namespace Pravik.Web.Ledgers;

/// <summary>
/// Widening a deck without moving the girders that are there: holding them where they are, and adding one beside them where the deck
/// has become wide enough.
/// </summary>
internal sealed class Widening(Bridge bridge, BridgeGeometry geometry)
{
    private const int Digits = 4;
    private readonly Girders girders = bridge.Girders;

    /// <summary>What the spacings leave on the right, half way along a span (m).</summary>
    public double RightOverhang(SpanIndex span)
    {
        var layout = geometry.LayoutOf(span);
        var width = WidthIn(span);
        return width - layout.OverhangLeft - Spacings(span).Sum();
    }

    /// <summary>What can be done about girders when the deck changes.</summary>
    public IEnumerable<LedgerAction> Actions(SpanIndex span)
    {
        if (!girders.Held && girders.Count > 1)
            yield return new(
                "Hold the girders where they are",
                "Girders held where they are",
                [new("replace", "/girders/held", true), new("replace", "/girders/spacings", Listed(Spacings(span)))]
            );
        if (girders.Held)
            yield return new(
                "Let them move with the edges",
                "Girders move with the deck's edges",
                [new("replace", "/girders/held", false), new("replace", "/girders/spacings")]
            );
        if (girders.Count < 2 || girders.Spans.Values.Any(s => s.Count is not null || s.Spacings is not null))
            yield break;
        var half = geometry.SectionsInUse.Max(s => Math.Max(s.TopWidth, s.BottomWidth)) / 2;
        var spacings = Spacings(span);
        var least = Enumerable.Range(0, geometry.SpanCount).Min(s => RightOverhang(s));
        if (least - spacings[^1] >= half)
            yield return new(
                "Add a girder on the right, keep the others",
                $"Girder {girders.Count + 1} added on the right",
                [
                    new("replace", "/girders/count", girders.Count + 1),
                    new("replace", "/girders/spacings", Listed([.. spacings, spacings[^1]])),
                ]
            );
        if (girders.OverhangLeft - spacings[0] >= half)
            yield return new(
                "Add a girder on the left, keep the others",
                "Girder added on the left; numbers of the others go up by one",
                [
                    new("replace", "/girders/count", girders.Count + 1),
                    new("replace", "/girders/overhangLeft", Math.Round(girders.OverhangLeft - spacings[0], Digits)),
                    new("replace", "/girders/spacings", Listed([spacings[0], .. spacings])),
                    new("replace", "/girders/own", Renumbered()),
                ]
            );
    }

    private double WidthIn(SpanIndex span) => geometry.SectionAt((geometry.Axes[span].Station + geometry.Axes[span + 1].Station) / 2).Width;

    private double[] Spacings(SpanIndex span)
    {
        var layout = geometry.LayoutOf(span);
        return layout.Spacings.IsEmpty ? [.. Enumerable.Repeat(layout.Spacing(WidthIn(span)), layout.Count - 1)] : [.. layout.Spacings];
    }

    private static JsonArray Listed(IEnumerable<double> spacings) => [.. spacings.Select(s => (JsonNode)Math.Round(s, Digits))];

    /// <summary>Own values of girders with the numbers that these have after one was added on the left.</summary>
    private JsonObject Renumbered()
    {
        var own = new JsonObject();
        foreach (var (key, value) in girders.Own)
        {
            var parts = key.Split('-');
            own[$"{int.Parse(parts[0]) + 1}-{parts[1]}"] = BridgeJson.Node(value);
        }
        return own;
    }
}
