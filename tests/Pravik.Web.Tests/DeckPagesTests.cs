using System.Net;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json.Nodes;
using Pravik.Core.Bridges;
using Pravik.Exchange;

namespace Pravik.Web.Tests;

/// <summary>Units, patterns, the office library and bridges on one road, over HTTP.</summary>
public sealed class DeckPagesTests(Application application) : IClassFixture<Application>
{
    private readonly HttpClient client = application.CreateClient(
        new() { AllowAutoRedirect = false, BaseAddress = new("http://localhost") }
    );

    private async Task<string> NewBridge(string example)
    {
        var response = await client.PostAsync(
            "/api/bridges",
            new StringContent(
                await File.ReadAllTextAsync(Path.Combine(Application.Root, "examples", example)),
                Encoding.UTF8,
                "application/json"
            )
        );
        return JsonNode.Parse(await response.Content.ReadAsStringAsync())!["id"]!.GetValue<string>();
    }

    private async Task<Bridge> Now(string id) => BridgeJson.Read(await client.GetStringAsync($"/api/bridges/{id}/bridge.json")).Bridge!;

    private async Task<JsonNode> Ledger(string id, string query) =>
        JsonNode.Parse(await client.GetStringAsync($"/api/bridges/{id}/workspace?{query}"))!;

    private async Task Enter(string id, string path, string text)
    {
        var revision = (await Ledger(id, "step=deck"))["revision"]!.GetValue<int>();
        var response = await client.PostAsJsonAsync(
            $"/api/bridges/{id}/entries",
            new
            {
                revision,
                path,
                text,
            }
        );
        Assert.True(response.IsSuccessStatusCode, await response.Content.ReadAsStringAsync());
    }

    private static JsonNode Group(JsonNode workspace, string title) =>
        workspace["ledger"]!["groups"]!.AsArray().Single(g => g!["title"]!.GetValue<string>() == title)!;

    private async Task Press(string id, JsonNode group, string words)
    {
        var action = group["actions"]!.AsArray().Single(a => a!["words"]!.GetValue<string>() == words)!;
        var revision = (await Ledger(id, "step=deck"))["revision"]!.GetValue<int>();
        var response = await client.PatchAsync(
            $"/api/bridges/{id}?revision={revision}&label={Uri.EscapeDataString(action["label"]!.GetValue<string>())}",
            JsonContent.Create(action["patch"])
        );
        Assert.True(response.IsSuccessStatusCode, await response.Content.ReadAsStringAsync());
    }

    [Fact]
    public async Task A_unit_gets_own_values_is_saved_as_a_pattern_and_the_pattern_is_renamed()
    {
        var id = await NewBridge("sorrel-brook.json");
        await Enter(id, "/axes/own/3/kind", "joint");
        await Enter(id, "/deck/units/3/left/0/width", "3.9");
        await Enter(id, "/deck/units/3/slabThickness", "250");
        var shown = await Ledger(id, "step=deck&pick=/parts/units/2");
        Assert.Equal("Unit 2, axes 3 to 4", shown["ledger"]!["subtitle"]!.GetValue<string>());
        Assert.Contains(Group(shown, "Units")["rows"]!.AsArray(), r => r!["value"]!.GetValue<string>() == "2 own");
        var own = Group(shown, "Own in Unit 2, left")["rows"]!
            .AsArray()
            .Single(r => r!["path"]?.GetValue<string>() == "/deck/units/3/left/0/width")!;
        Assert.True(own["canGiveBack"]!.GetValue<bool>());

        await Press(id, Group(shown, "Unit 2"), "Save as a pattern");
        var bridge = await Now(id);
        Assert.Equal(2, bridge.Deck.Patterns.Length);
        var saved = bridge.Deck.Patterns[1];
        Assert.Equal((3.9, 0.25), (saved.Left[0].Width, saved.Slab.Thickness));
        Assert.Equal((saved.Name, null), (bridge.Deck.Units["3"].Pattern, bridge.Deck.Units["3"].SlabThickness));
        Assert.Empty(bridge.Deck.Units["3"].Left);

        await Enter(id, "/deck/patterns/1/name", "Wide end");
        Assert.Equal("Wide end", (await Now(id)).Deck.Units["3"].Pattern);
        // A pattern that a unit has is not to be taken away; a copy of it is.
        var pattern = Group(await Ledger(id, "step=deck&pick=/deck/patterns/1"), "Pattern: Wide end");
        Assert.DoesNotContain(pattern["actions"]!.AsArray(), a => a!["words"]!.GetValue<string>() == "Take it away");
        await Press(id, pattern, "Copy it");
        var copied = await Ledger(id, "step=deck&pick=/deck/patterns/2");
        Assert.Equal("Preview of “Wide end copy”", copied["views"]![0]!["title"]!.GetValue<string>());
        await Press(id, Group(copied, "Pattern: Wide end copy"), "Take it away");
        Assert.Equal(2, (await Now(id)).Deck.Patterns.Length);
    }

    [Fact]
    public async Task A_profile_is_drawn_kept_in_the_library_and_used_in_another_bridge()
    {
        var (id, other) = (await NewBridge("tansy-lane.json"), await NewBridge("tansy-lane.json"));
        await Press(id, Group(await Ledger(id, "step=deck"), "Parapet 1"), "Draw an own profile");
        await Enter(id, "/profiles/0/name", "Lane wall");
        await Enter(id, "/profiles/0/outline/2/up", "650");
        Assert.Equal("Lane wall", (await Now(id)).Parapets[0].Profile);
        var kept = await client.PostAsJsonAsync($"/api/bridges/{id}/library", new { path = "/profiles/0" });
        Assert.Contains("in the office library", await kept.Content.ReadAsStringAsync());
        Assert.Equal(
            HttpStatusCode.UnprocessableEntity,
            (await client.PostAsJsonAsync($"/api/bridges/{id}/library", new { path = "/girders" })).StatusCode
        );
        Assert.Equal(
            HttpStatusCode.UnprocessableEntity,
            (await client.PostAsJsonAsync($"/api/bridges/{id}/library", new { path = "/profiles/7" })).StatusCode
        );

        await Press(other, Group(await Ledger(other, "step=deck"), "From the office library"), "Lane wall");
        await Enter(other, "/parapets/0/profile", "Lane wall");
        Assert.Equal(0.65, (await Now(other)).Profiles[0].Outline[2].Up, 1e-12);

        var page = WebUtility.HtmlDecode(await client.GetStringAsync("/library"));
        Assert.Contains("Lane wall", page);
        Assert.Contains("650 mm high", page);
        Assert.Single(LibraryJson.Read(await client.GetStringAsync("/api/library.json")).Items, i => i.Name == "Lane wall");
    }

    [Fact]
    public async Task A_second_bridge_on_the_road_is_listed_drawn_and_follows()
    {
        var id = await NewBridge("hazel-row.json");
        var added = await client.PostAsJsonAsync($"/api/bridges/{id}/neighbours", new { name = "Hazel Row, second" });
        var second = JsonNode.Parse(await added.Content.ReadAsStringAsync())!["id"]!.GetValue<string>();
        Assert.Equal(
            HttpStatusCode.UnprocessableEntity,
            (await client.PostAsJsonAsync($"/api/bridges/{id}/neighbours", new { name = " " })).StatusCode
        );
        Assert.Equal(
            HttpStatusCode.NotFound,
            (await client.PostAsJsonAsync("/api/bridges/nobody/neighbours", new { name = "x" })).StatusCode
        );
        var rows = Group(await Ledger(id, "step=road"), "Bridges on this road")["rows"]!.AsArray();
        Assert.Equal($"/bridges/{second}/road", rows[0]!["opens"]!.GetValue<string>());
        Assert.Contains("Hazel Row, second", (await Ledger(id, "step=road&layout=surroundings"))["views"]![0]!["svg"]!.GetValue<string>());
        await Enter(id, "/road/profile/1/level", "34.6");
        Assert.Equal(34.6, (await Now(second)).Road.Profile[1].Level);
    }
}
