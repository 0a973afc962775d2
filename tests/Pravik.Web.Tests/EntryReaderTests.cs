using Pravik.Core.Bridges;
using Pravik.Core.Places;
using Pravik.Core.Validation;
using Pravik.Exchange;
using Pravik.Web.Ledgers;

namespace Pravik.Web.Tests;

public class EntryReaderTests
{
    private static readonly Bridge Demo = BridgeJson
        .Read(File.ReadAllText(Path.Combine(Application.Root, "examples", "sorrel-brook.json")))
        .Bridge!;

    /// <summary>What the bridge is after an entry that is taken.</summary>
    private static Bridge Enter(Bridge bridge, string path, string text)
    {
        var reading = EntryReader.Read(bridge, path, text);
        Assert.Null(reading.Error);
        var edited = BridgeEditing.Apply(bridge, reading.Patch);
        Assert.True(edited.Bridge is not null, string.Join("; ", edited.Findings.Select(f => f.Message)));
        return edited.Bridge!;
    }

    [Theory]
    [InlineData("/axes/stations/1", "111", "18.4 + 25.8 + 17.4")]
    [InlineData("/axes/stations/2", "130", "18 + 25.2 + 17.4")]
    [InlineData("/axes/stations/4", "175", "17.4 + 25.8 + 19.8")]
    [InlineData("/axes/count", "2", "30.3 + 30.3")]
    [InlineData("/axes/count", "4", "15.15 + 15.15 + 15.15 + 15.15")]
    [InlineData("/axes/overall", "66.66", "19.14 + 28.38 + 19.14")]
    [InlineData("/axes/lastStation", "142.3", "8.7 + 12.9 + 8.7")]
    [InlineData("/axes/spans", "3*20", "20 + 20 + 20")]
    [InlineData("/axes/spans", "17.4 m + 84 ft 6 in + 17400 mm", "17.4 + 25.7556 + 17.4")]
    public void Axes_are_entered_in_many_ways(string path, string text, string spans)
    {
        var axes = Enter(Demo, path, text).Axes;
        Assert.Equal(
            spans,
            string.Join(" + ", axes.Spans.Select(s => Math.Round(s, 9).ToString(System.Globalization.CultureInfo.InvariantCulture)))
        );
        Assert.Equal(path == "/axes/stations/1" ? 111 : 112, axes.FirstStation);
    }

    [Theory]
    [InlineData("/axes/stations/2", "156", "between its neighbours")]
    [InlineData("/axes/stations/2", "112", "between its neighbours")]
    [InlineData("/axes/stations/7", "140", "no such axis")]
    [InlineData("/axes/stations/x", "140", "no such axis")]
    [InlineData("/axes/count", "0", "1 to 30")]
    [InlineData("/axes/count", "2.5", "whole number")]
    [InlineData("/axes/overall", "-4", "ahead of the first")]
    [InlineData("/axes/lastStation", "90", "ahead of the first")]
    [InlineData("/axes/spans", "17.4 + ", "value is needed")]
    [InlineData("/axes/spans", "2*3*4", "2*24")]
    [InlineData("/axes/spans", "17.4 25.8", "Join lengths with +")]
    [InlineData("/girders/spacings", "2,2", "Join lengths with +")]
    [InlineData("/axes/spans", "900*2", "between 1 and")]
    [InlineData("/road/profile/3/grade", "2", "no profile point ahead")]
    [InlineData("/road/profile/0/grade", "steep", "not a number")]
    [InlineData("/deck/patterns/0/slab/thickness", "220 kN", "not a unit of this value")]
    [InlineData("/deck/patterns/0/left/0/kind", "runway", "not one of the choices")]
    [InlineData("/parapets/0/squareToDeck", "maybe", "not one of the choices")]
    [InlineData("/deck/nothing", "1", "cannot be entered")]
    [InlineData("/supports/2/sizes/capWidth", "like axis 9", "by its number")]
    [InlineData("/supports/2/sizes/capWidth", "like axis 3 wingspan", "not a size of a support")]
    [InlineData("/supports/2/sizes/wingspan", "1", "cannot be entered")]
    [InlineData("/supports/2/choices/pier", "tower", "not one of the choices")]
    public void What_cannot_be_entered_is_told(string path, string text, string reason) =>
        Assert.Contains(reason, EntryReader.Read(Demo, path, text).Error);

    /// <summary>
    /// Sizes of a support that has nothing of its own yet: typed, following another place, given back, and typed over what followed.
    /// </summary>
    [Fact]
    public void Sizes_of_supports_are_entered_and_may_follow_others()
    {
        var bridge = Enter(Demo with { Supports = Demo.Supports.Clear() }, "/supports/2/sizes/columnWidth", "1100 mm");
        bridge = Enter(bridge, "/supports/3/sizes/columnWidth", "like axis 2");
        bridge = Enter(bridge, "/supports/3/sizes/capWidth", "like axis 2 columnWidth");
        double Width(Bridge b, string size) => new BridgeGeometry(b) is var g ? g.SupportAt(g.Axes[2]).Size(size) : 0;
        Assert.Equal((1.1, 1.1), (Width(bridge, "columnWidth"), Width(bridge, "capWidth")));
        Assert.Equal(1.3, Width(Enter(bridge, "/supports/2/sizes/columnWidth", "1.3 m"), "capWidth"));
        Assert.Equal(1.4, Width(Enter(bridge, "/supports/3/sizes/capWidth", ""), "capWidth"));
        bridge = Enter(bridge, "/supports/3/sizes/capWidth", "1500");
        Assert.Equal(1.5, Width(bridge, "capWidth"));
        Assert.False(bridge.Supports["3"].Links.ContainsKey("capWidth"));
        bridge = Enter(Enter(bridge, "/supports/2/choices/bearing-1", "Fixed"), "/bearings/1/name", "Pot, fixed");
        Assert.Equal("Pot, fixed", bridge.Supports["2"].Choices["bearing-1"]);
        Assert.Equal("3", Enter(bridge, "/supports/2/follows", "3").Supports["2"].Follows);
        Assert.Contains(
            "circle",
            BridgeEditing.Apply(bridge, EntryReader.Read(bridge, "/supports/2/sizes/columnWidth", "like axis 3").Patch).Findings[0].Message
        );
    }

    /// <summary>What nothing uses is listed, and clearing it leaves a sound bridge that has none left.</summary>
    [Fact]
    public void Unused_definitions_are_found_and_cleared()
    {
        var bridge = Demo with
        {
            Sections = [.. Demo.Sections, new() { Name = "Spare" }],
            Profiles = [new() { Name = "Spare wall", Outline = [new(), new() { Across = 0.3 }, new() { Up = 1 }] }],
        };
        var unused = Unused.In(bridge);
        Assert.Equal(["Spare wall", "Spare"], unused.Where(u => u.Name.StartsWith("Spare")).Select(u => u.Name));
        var cleared = BridgeEditing.Apply(bridge, [.. unused.Reverse().Select(u => new PatchOperation("remove", u.Path))]);
        Assert.NotNull(cleared.Bridge);
        Assert.Empty(Unused.In(cleared.Bridge!));
    }

    [Fact]
    public void A_grade_sets_the_level_of_the_next_profile_point()
    {
        var profile = Enter(Demo, "/road/profile/1/grade", "-1:80").Road.Profile;
        Assert.Equal(46.6 - 180 / 80.0, profile[2].Level, 1e-12);
        Assert.Equal(46.0, profile[3].Level);
    }

    [Fact]
    public void An_axis_gets_own_values_one_by_one_and_gives_each_back()
    {
        var bridge = Enter(Enter(Demo, "/axes/own/2/skew", "-4.5"), "/axes/own/2/name", "P1");
        Assert.Equal((-4.5 * Math.PI / 180, "P1"), (bridge.Axes.Own["2"].Skew!.Value, bridge.Axes.Own["2"].Name));
        var back = Enter(bridge, "/axes/own/2/skew", "");
        Assert.Null(back.Axes.Own["2"].Skew);
        Assert.Equal("P1", back.Axes.Own["2"].Name);
        Assert.Equal(AxisKind.Abutment, Enter(bridge, "/axes/own/3/kind", "abutment").Axes.Own["3"].Kind);
    }

    [Fact]
    public void Entries_have_words_for_the_history()
    {
        string Label(string path, string text) => EntryReader.Read(Demo, path, text).Label;
        Assert.Equal("Axis 2 moved to 130.500 m", Label("/axes/stations/2", "130.5"));
        Assert.Equal("Length of element 3 set to 150.000 m", Label("/road/elements/2/length", "150"));
        Assert.Equal("Law of the crossfall of strip 1 on the left set to Level", Label("/deck/patterns/0/left/0/crossfallLaw", "level"));
        Assert.Equal("Stands of parapet 1 set to square to the deck", Label("/parapets/0/squareToDeck", "true"));
        Assert.Equal("Level of crossing 1 set to 39.250 m", Label("/crossings/0/level", "39.25"));
        Assert.Equal("Weight given back", Label("/parapets/0/weight", "").Replace(" of parapet 1", ""));
        Assert.Equal("Skew of axis 3 set to 2.00 °", Label("/axes/own/3/skew", "2"));
    }

    [Fact]
    public void Typed_values_keep_their_digits_in_either_system()
    {
        var us = Demo with { Basis = Demo.Basis with { Units = "us" } };
        Assert.Equal(0.2286, Enter(us, "/deck/patterns/0/slab/thickness", "9").Deck.Patterns[0].Slab.Thickness, 1e-15);
        Assert.Equal(0.2286, Enter(us, "/deck/patterns/0/slab/thickness", "228.6 mm").Deck.Patterns[0].Slab.Thickness, 1e-15);
        Assert.Equal(0.25, Enter(Demo, "/deck/patterns/0/slab/thickness", "250").Deck.Patterns[0].Slab.Thickness, 1e-15);
        Assert.Equal(-0.0275, Enter(Demo, "/deck/patterns/0/left/1/crossfall", "-2.75 %").Deck.Patterns[0].Left[1].Crossfall, 1e-15);
        Assert.Equal(1 / 40.0, Enter(Demo, "/deck/patterns/0/left/1/crossfall", "1:40").Deck.Patterns[0].Left[1].Crossfall, 1e-15);
        Assert.True(Enter(Demo, "/parapets/0/squareToDeck", "true").Parapets[0].SquareToDeck);
    }

    /// <summary>A word that stands for a missing value can be typed as well as seen.</summary>
    [Theory]
    [InlineData("/girders/spacings", "equal")]
    [InlineData("/girders/spacings", "Equal")]
    [InlineData("/girders/diaphragms/0/span", "all")]
    [InlineData("/girders/diaphragms/0/lastBay", "the last")]
    public void Words_that_are_shown_can_be_typed(string path, string text)
    {
        var bridge = Bridge.New("Words");
        bridge = bridge with { Girders = bridge.Girders with { Diaphragms = [new()] } };
        var (typed, cleared) = (EntryReader.Read(bridge, path, text), EntryReader.Read(bridge, path, ""));
        Assert.Null(typed.Error);
        Assert.Equal(cleared.Label, typed.Label);
        Assert.Null(Assert.Single(typed.Patch).Value);
    }
}
