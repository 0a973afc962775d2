using System.Text.Json;
using System.Text.Json.Nodes;
using Pravik.Core.Bridges;

namespace Pravik.Exchange;

/// <summary>Keeps girders that are held where they are when an edit changes the strips left of the road line.</summary>
internal static class HeldGirders
{
    private const double Tiny = 1e-9;
    private const int Digits = 6;

    /// <summary>
    /// Adds to the left overhangs what the strips left of the road line of the first unit gained, in a document to which an edit of
    /// the deck was applied. Nothing where girders are not held, or where the edit sets the overhang itself.
    /// </summary>
    public static void Keep(Bridge before, JsonNode document, IReadOnlyList<PatchOperation> patch)
    {
        if (!before.Girders.Held || patch.Any(o => o.Path.EndsWith("/overhangLeft", StringComparison.Ordinal)))
            return;
        if (patch.All(o => !o.Path.StartsWith("/deck/", StringComparison.Ordinal)))
            return;
        if (document["deck"]?.Deserialize<Deck>(BridgeJson.Options) is not { Patterns.IsDefaultOrEmpty: false } deck)
            return;
        var gain = LeftWidth(deck) - LeftWidth(before.Deck);
        if (Math.Abs(gain) < Tiny || document["girders"] is not JsonObject girders)
            return;
        girders["overhangLeft"] = Math.Round(before.Girders.OverhangLeft + gain, Digits);
        foreach (var (span, own) in before.Girders.Spans)
        {
            if (own.OverhangLeft is { } left && girders["spans"]?[span] is JsonObject layout)
                layout["overhangLeft"] = Math.Round(left + gain, Digits);
        }
    }

    private static double LeftWidth(Deck deck)
    {
        var named = deck.Units.GetValueOrDefault("1")?.Pattern;
        var pattern = deck.Patterns.FirstOrDefault(p => p.Name == named) ?? deck.Patterns[0];
        return pattern.Left.Sum(s => s.Width);
    }
}
