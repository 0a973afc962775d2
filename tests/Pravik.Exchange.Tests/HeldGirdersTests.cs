using Pravik.Core.Bridges;
using Pravik.Core.Places;

namespace Pravik.Exchange.Tests;

/// <summary>Girders that are held keep their offsets from the road line whatever the strips do.</summary>
public class HeldGirdersTests
{
    private static readonly Bridge Held = Hold(Bridge.New("Held"));

    private static Bridge Hold(Bridge bridge)
    {
        var geometry = new BridgeGeometry(bridge);
        var spacing = geometry.SpacingAt(geometry.FirstStation + 1);
        return bridge with
        {
            Girders = bridge.Girders with
            {
                Held = true,
                Spacings = [.. Enumerable.Repeat(Math.Round(spacing, 4), bridge.Girders.Count - 1)],
            },
        };
    }

    private static double[] Offsets(Bridge bridge) => [.. new BridgeGeometry(bridge).Girders.Select(g => g.In(0).MiddleOffset)];

    private static void Same(double[] expected, double[] actual)
    {
        Assert.Equal(expected.Length, actual.Length);
        Assert.All(expected.Zip(actual), p => Assert.Equal(p.First, p.Second, 1e-6));
    }

    [Theory]
    [InlineData("left")]
    [InlineData("right")]
    public void A_wider_strip_moves_no_girder(string side)
    {
        var width = Held.Deck.Patterns[0].Left[0].Width + 0.8;
        var wider = BridgeEditing.Apply(Held, [new("replace", $"/deck/patterns/0/{side}/0/width", width)]);
        Assert.Empty(wider.Errors);
        Same(Offsets(Held), Offsets(wider.Bridge!));
        // Girders that are not held go with the edges.
        var loose = Held with
        {
            Girders = Held.Girders with { Held = false, Spacings = null },
        };
        var moved = BridgeEditing.Apply(loose, [new("replace", $"/deck/patterns/0/{side}/0/width", width)]).Bridge!;
        Assert.True(Math.Abs(Offsets(loose)[0] - Offsets(moved)[0]) > 0.3 || Math.Abs(Offsets(loose)[^1] - Offsets(moved)[^1]) > 0.3);
    }

    [Fact]
    public void A_strip_that_is_added_or_taken_away_moves_none_either_and_an_overhang_that_is_typed_holds()
    {
        var strip = BridgeJson.Node(Held.Deck.Patterns[0].Left[0]);
        var added = BridgeEditing.Apply(Held, [new("add", "/deck/patterns/0/left/0", strip)]).Bridge!;
        Same(Offsets(Held), Offsets(added));
        Same(Offsets(Held), Offsets(BridgeEditing.Apply(added, [new("remove", "/deck/patterns/0/left/0")]).Bridge!));
        var typed = BridgeEditing.Apply(
            Held,
            [new("replace", "/deck/patterns/0/left/0/width", 4.5), new("replace", "/girders/overhangLeft", 1.25)]
        );
        Assert.Equal(1.25, typed.Bridge!.Girders.OverhangLeft);
    }
}
