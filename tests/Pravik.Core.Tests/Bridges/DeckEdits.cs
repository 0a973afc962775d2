using Pravik.Core.Bridges;
using Pravik.Core.Geometry;
using Pravik.Core.Places;

namespace Pravik.Core.Tests.Bridges;

/// <summary>Short ways to change the deck of a test bridge and to look at one without joints.</summary>
internal static class DeckEdits
{
    /// <summary>The deck with its first pattern changed.</summary>
    public static Deck With(this Deck deck, Func<DeckPattern, DeckPattern> change) =>
        deck with
        {
            Patterns = deck.Patterns.SetItem(0, change(deck.Patterns[0])),
        };

    /// <summary>A deck of one pattern with these strips.</summary>
    public static Deck Of(IEnumerable<Strip> left, IEnumerable<Strip> right) =>
        new() { Patterns = [new() { Left = [.. left], Right = [.. right] }] };

    /// <summary>The cross-section of the only unit.</summary>
    public static DeckShape Deck(this BridgeGeometry geometry) => Assert.Single(geometry.Units).Shape;

    /// <summary>Points and offsets of a girder at the axes of a deck without joints.</summary>
    public static List<Point> AtAxes(this GirderLine girder) => [girder.In(0).Start, .. girder.Spans.Select(s => s!.End)];

    public static List<double> Offsets(this GirderLine girder) => [girder.In(0).StartOffset, .. girder.Spans.Select(s => s!.EndOffset)];
}
