using Pravik.Core.Bridges;

namespace Pravik.Exchange.Tests;

public class LibraryJsonTests
{
    [Fact]
    public void A_library_comes_back_as_it_was_written()
    {
        LibraryItem[] items =
        [
            new(
                LibraryJson.Pattern,
                "Rural",
                true,
                BridgeJson.Node(
                    new DeckPattern
                    {
                        Name = "Rural",
                        Slab = new() { Thickness = 0.24, Soffit = SoffitLaw.Level },
                    }
                )
            ),
            new(
                LibraryJson.Profile,
                "Low wall",
                false,
                BridgeJson.Node(
                    new OwnProfile
                    {
                        Name = "Low wall",
                        Outline = [new(), new() { Up = 0.6 }, new() { Across = 0.3, Up = 0.6 }, new() { Across = 0.3 }],
                    }
                )
            ),
            new(LibraryJson.Section, "Deep T", false, BridgeJson.Node(new Core.Sections.SectionShape { Name = "Deep T", Family = "tee" })),
            new(
                LibraryJson.NationalSet,
                "County",
                false,
                BridgeJson.Node(
                    new OfficeSet
                    {
                        Name = "County",
                        Values = System.Collections.Immutable.ImmutableSortedDictionary<string, double>.Empty.Add("gammaC", 1.4),
                    }
                )
            ),
        ];
        var reading = LibraryJson.Read(LibraryJson.Write(items));
        Assert.Empty(reading.Findings);
        Assert.Equal(
            items.Select(i => (i.Kind, i.Name, i.Superseded, i.Value.ToJsonString())),
            reading.Items.Select(i => (i.Kind, i.Name, i.Superseded, i.Value.ToJsonString()))
        );
    }

    [Theory]
    [InlineData("", "not JSON")]
    [InlineData("[1]", "not a library file")]
    [InlineData("{\"format\": 4}", "not a library file")]
    [InlineData("{\"format\": \"pravik-library\", \"version\": 2, \"items\": []}", "version 2")]
    [InlineData("{\"format\": \"pravik-library\", \"version\": 1, \"items\": 3}", "list")]
    [InlineData("{\"format\": \"pravik-library\", \"version\": 1, \"items\": [{\"kind\": \"hedge\", \"value\": {}}]}", "not a kind")]
    [InlineData("{\"format\": \"pravik-library\", \"version\": 1, \"items\": [{\"kind\": \"pattern\"}]}", "no value")]
    [InlineData(
        "{\"format\": \"pravik-library\", \"version\": 1, \"items\": [{\"kind\": \"pattern\", \"value\": {\"left\": 7}}]}",
        "cannot be read"
    )]
    [InlineData(
        "{\"format\": \"pravik-library\", \"version\": 1, \"items\": [{\"kind\": \"pattern\", \"value\": {\"slab\": {\"thickness\": 9}}}]}",
        "between"
    )]
    [InlineData(
        "{\"format\": \"pravik-library\", \"version\": 1, \"items\": [{\"kind\": \"profile\", \"value\": {\"outline\": null}}]}",
        ""
    )]
    [InlineData(
        "{\"format\": \"pravik-library\", \"version\": 1, \"items\": [{\"kind\": \"profile\", \"value\": {\"outline\": [{}, {}, {}]}}]}",
        "no area"
    )]
    [InlineData(
        "{\"format\": \"pravik-library\", \"version\": 1, \"items\": [{\"kind\": \"nationalSet\", \"value\": {\"name\": \"X\", "
            + "\"values\": {\"gammaC\": 9}}}]}",
        "between"
    )]
    [InlineData(
        "{\"format\": \"pravik-library\", \"version\": 1, \"items\": [{\"kind\": \"section\", \"value\": {\"family\": \"own\", "
            + "\"outlines\": []}}]}",
        "at least one outline"
    )]
    public void What_is_wrong_with_a_library_is_told_and_nothing_of_it_taken(string text, string words)
    {
        var reading = LibraryJson.Read(text);
        Assert.Empty(reading.Items);
        Assert.Contains(reading.Findings, f => f.Message.Contains(words));
    }

    [Fact]
    public void A_sound_item_is_taken_beside_one_that_is_not()
    {
        var good = BridgeJson.Node(new DeckPattern { Name = "Good" }).ToJsonString();
        var reading = LibraryJson.Read(
            """{"format": "pravik-library", "version": 1, "items": [{"kind": "pattern", "value": {"surfacing": -1}}, {"kind": "pattern", "value": GOOD}]}""".Replace(
                "GOOD",
                good
            )
        );
        Assert.Equal("Good", Assert.Single(reading.Items).Name);
        Assert.Equal("/items/0/value/deck/patterns/0/surfacing", Assert.Single(reading.Findings).Path);
    }

    /// <summary>Version 2 had one cross-section in the deck itself, and outlines within parapets.</summary>
    [Fact]
    public void A_bridge_of_version_2_opens_with_its_cross_section_as_a_pattern()
    {
        const string Old = """
            {
              "format": "pravik-bridge", "version": 2,
              "deck": {
                "left": [{ "kind": "carriageway", "width": 4 }, { "kind": "edgeBeam", "width": 0.5, "upstand": 0.1 }],
                "right": [{ "kind": "carriageway", "width": 4 }, { "kind": "edgeBeam", "width": 0.5, "upstand": 0.1 }],
                "slabThickness": 0.25, "surfacing": 0.08, "haunch": 0.05
              },
              "parapets": [{ "profile": "x", "outline": [[0, 0], [0, 0.9], [0.3, 0.9], [0.3, 0]] }]
            }
            """;
        var bridge = BridgeJson.Read(Old).Bridge!;
        Assert.Equal(Bridge.CurrentVersion, bridge.Version);
        var pattern = Assert.Single(bridge.Deck.Patterns);
        Assert.Equal((0.25, 0.08, 0.05, 4.0), (pattern.Slab.Thickness, pattern.Surfacing, bridge.Deck.Haunch, pattern.Right[0].Width));
        Assert.Equal((bridge.Profiles[0].Name, 0.9), (bridge.Parapets[0].Profile, bridge.Profiles[0].Outline[1].Up));
    }
}
