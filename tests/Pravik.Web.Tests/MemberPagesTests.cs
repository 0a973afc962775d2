using System.Net;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json.Nodes;

namespace Pravik.Web.Tests;

public sealed class MemberPagesTests(Application application) : IClassFixture<Application>
{
    private readonly HttpClient client = application.CreateClient(
        new() { AllowAutoRedirect = false, BaseAddress = new("http://localhost") }
    );

    private static async Task<JsonNode> JsonOf(HttpResponseMessage response) => JsonNode.Parse(await response.Content.ReadAsStringAsync())!;

    private async Task<string> NewMember(string example = "sluice-strip.json", Func<string, string>? change = null)
    {
        var text = await File.ReadAllTextAsync(Path.Combine(Application.Root, "examples", "members", example));
        var response = await client.PostAsync(
            "/api/members",
            new StringContent(change?.Invoke(text) ?? text, Encoding.UTF8, "application/json")
        );
        Assert.Equal(HttpStatusCode.Created, response.StatusCode);
        return (await JsonOf(response))["id"]!.GetValue<string>();
    }

    private Task<HttpResponseMessage> Enter(string id, int revision, string path, string text) =>
        client.PostAsJsonAsync(
            $"/api/members/{id}/entries",
            new
            {
                revision,
                path,
                text,
            }
        );

    [Theory]
    [InlineData("basis", "National values")]
    [InlineData("spans", "Settles by")]
    [InlineData("section", "Second moment")]
    [InlineData("bars", "Where layers begin and end")]
    [InlineData("loading", "Temperature over the depth")]
    [InlineData("effects", "Ultimate, all combinations")]
    [InlineData("effects?layout=camber", "Deflections at tenths")]
    [InlineData("effects?layout=reactions", "Support 3")]
    [InlineData("checks", "Governing checks")]
    [InlineData("report", "7 All checks")]
    public async Task Every_step_of_every_example_shows_what_it_is_for(string step, string words)
    {
        foreach (var example in new[] { "marl-pit-beam", "ferry-siding-trough", "sluice-strip" })
        {
            var page = await client.GetStringAsync($"/members/{example}/{step}");
            if (words != "Support 3" || example != "marl-pit-beam")
                Assert.Contains(words, page);
        }
    }

    [Fact]
    public async Task What_is_typed_is_an_edit_and_what_is_wrong_is_refused_with_the_reason()
    {
        var id = await NewMember();
        Assert.Equal(HttpStatusCode.OK, (await Enter(id, 1, "/spans/0/length", "18 ft")).StatusCode);
        var kept = await JsonOf(await client.GetAsync($"/api/members/{id}/member.json"));
        Assert.Equal(5.4864, kept["spans"]![0]!["length"]!.GetValue<double>(), 1e-9);
        // Bars are given by one of both.
        Assert.Equal(HttpStatusCode.OK, (await Enter(id, 2, "/bars/0/count", "7")).StatusCode);
        kept = await JsonOf(await client.GetAsync($"/api/members/{id}/member.json"));
        Assert.Equal((7, null), (kept["bars"]![0]!["count"]!.GetValue<int>(), kept["bars"]![0]!["spacing"]));
        foreach (
            var (path, text, reason) in new[]
            {
                ("/spans/0/length", "long", "not a number"),
                ("/spans/0/length", "5000", "must lie between"),
                ("/bars/9/count", "3", "no such part"),
                ("/bars/0/nothing", "3", "cannot be entered"),
                ("/materials/concrete/class", "C200", "not one of the choices"),
                ("/supports/1/restraint", "free", "Only the ends"),
            }
        )
        {
            var answer = await Enter(id, 3, path, text);
            Assert.Equal(HttpStatusCode.UnprocessableEntity, answer.StatusCode);
            Assert.Contains(reason, (await JsonOf(answer))["findings"]![0]!["message"]!.GetValue<string>());
        }
        await client.PostAsync($"/api/members/{id}/undo", null);
        await client.PostAsync($"/api/members/{id}/undo", null);
        kept = await JsonOf(await client.GetAsync($"/api/members/{id}/member.json"));
        Assert.Equal(5.2, kept["spans"]![0]!["length"]!.GetValue<double>());
        Assert.Equal(HttpStatusCode.NotFound, (await client.GetAsync("/members/none/spans")).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await client.GetAsync($"/members/{id}/road")).StatusCode);
    }

    [Fact]
    public async Task A_fault_is_drawn_and_told_and_nothing_is_checked_until_it_is_mended()
    {
        var id = await NewMember();
        Assert.Equal(HttpStatusCode.OK, (await Enter(id, 1, "/bars/0/axisDistance", "700")).StatusCode);
        var page = await client.GetStringAsync($"/members/{id}/checks?drawer=findings");
        Assert.Contains("These bars lie outside the concrete", page);
        Assert.Contains("not checked", page);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, (await client.GetAsync($"/api/members/{id}/results.json")).StatusCode);
        Assert.Contains("mend it first", await client.GetStringAsync($"/members/{id}/report"));
    }

    [Fact]
    public async Task The_screen_says_what_the_command_line_says()
    {
        var id = await NewMember(change: t => t.Replace("\"depth\": 0.45", "\"depth\": 0.3"));
        var summary = await JsonOf(await client.GetAsync($"/api/members/{id}/results.json"));
        Assert.True(summary["fails"]!.GetValue<bool>());
        var worst = summary["checks"]![0]!["utilisation"]!.GetValue<double>();
        var page = await client.GetStringAsync($"/members/{id}/checks?drawer=findings");
        Assert.Contains(FormattableString.Invariant($"fails, {worst:0.00}"), page);
        Assert.Contains("fails with utilisation", page);
        var pdf = await client.GetByteArrayAsync($"/api/members/{id}/report.pdf");
        Assert.Equal("%PDF", Encoding.ASCII.GetString(pdf[..4]));
    }
}
