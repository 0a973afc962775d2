using System.Net;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json.Nodes;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Mvc.Testing;

namespace Pravik.Web.Tests;

/// <summary>The application with a database of its own and the example bridges.</summary>
public sealed class Application : WebApplicationFactory<Program>
{
    private readonly DirectoryInfo data = Directory.CreateTempSubdirectory("pravik-web-");

    protected override void ConfigureWebHost(IWebHostBuilder builder)
    {
        builder.UseSetting("Pravik:Data", data.FullName);
        builder.UseSetting("Pravik:Demo", Path.Combine(Root, "examples"));
    }

    public static string Root
    {
        get
        {
            var folder = AppContext.BaseDirectory;
            while (!File.Exists(Path.Combine(folder, "Pravik.slnx")))
                folder = Path.GetDirectoryName(folder)!;
            return folder;
        }
    }

    protected override void Dispose(bool disposing)
    {
        base.Dispose(disposing);
        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        if (disposing && data.Exists)
            data.Delete(true);
    }
}

public sealed class ApplicationTests(Application application) : IClassFixture<Application>
{
    private readonly HttpClient client = application.CreateClient(
        new() { AllowAutoRedirect = false, BaseAddress = new("http://localhost") }
    );

    private static async Task<JsonNode> JsonOf(HttpResponseMessage response) => JsonNode.Parse(await response.Content.ReadAsStringAsync())!;

    private async Task<JsonNode> Workspace(string id, string query = "step=axes") =>
        await JsonOf(await client.GetAsync($"/api/bridges/{id}/workspace?{query}"));

    /// <summary>Asks until an answer is as it should be, for as long as a busy machine may need; the last answer.</summary>
    private static async Task<T> Until<T>(Func<Task<T>> ask, Func<T, bool> isSo)
    {
        var (end, answer) = (DateTime.UtcNow.AddMinutes(5), await ask());
        while (!isSo(answer) && DateTime.UtcNow < end)
        {
            await Task.Delay(400);
            answer = await ask();
        }
        return answer;
    }

    private async Task<string> NewBridge()
    {
        var text = await File.ReadAllTextAsync(Path.Combine(Application.Root, "examples", "tansy-lane.json"));
        var response = await client.PostAsync("/api/bridges", new StringContent(text, Encoding.UTF8, "application/json"));
        Assert.Equal(HttpStatusCode.Created, response.StatusCode);
        return (await JsonOf(response))["id"]!.GetValue<string>();
    }

    [Fact]
    public async Task A_person_sees_and_types_in_units_of_their_own_and_the_project_keeps_its_own()
    {
        var id = await NewBridge();
        using var entry = new HttpRequestMessage(HttpMethod.Post, $"/api/bridges/{id}/entries")
        {
            Content = JsonContent.Create(
                new
                {
                    revision = 1,
                    path = "/axes/spans/0",
                    text = "70 ft 6 in",
                }
            ),
        };
        entry.Headers.Add("Cookie", "pravik-units=us");
        Assert.Equal(HttpStatusCode.OK, (await client.SendAsync(entry)).StatusCode);
        using var see = new HttpRequestMessage(HttpMethod.Get, $"/api/bridges/{id}/workspace?step=axes");
        see.Headers.Add("Cookie", "pravik-units=us");
        var theirs = await (await client.SendAsync(see)).Content.ReadAsStringAsync();
        Assert.Contains("70.50", theirs);
        Assert.Contains("ft, kip", theirs);
        var plain = (await Workspace(id)).ToJsonString();
        Assert.Contains("21.4884", plain);
        Assert.Contains("m, kN", plain);
    }

    [Theory]
    [InlineData("as-members", "Keep as a member")]
    [InlineData("report", "The worst of each check")]
    public async Task A_page_that_needs_results_asks_for_them_and_waits(string page, string shown)
    {
        var id = await NewBridge();
        // A span that no other test has: nothing is known of it yet.
        await Enter(id, 1, "/axes/spans/0", page == "report" ? "21.377" : "21.388");
        var first = await client.GetStringAsync($"/bridges/{id}/{page}");
        Assert.Contains("The analysis is under way", first);
        Assert.Contains("http-equiv=\"refresh\"", first);
        var text = await Until(() => client.GetStringAsync($"/bridges/{id}/{page}"), t => t.Contains(shown));
        Assert.Contains(shown, text);
        Assert.DoesNotContain("http-equiv=\"refresh\"", text);
    }

    private Task<HttpResponseMessage> Enter(string id, int revision, string path, string text) =>
        client.PostAsJsonAsync(
            $"/api/bridges/{id}/entries",
            new
            {
                revision,
                path,
                text,
            }
        );

    [Theory]
    [InlineData("basis")]
    [InlineData("road")]
    [InlineData("axes")]
    [InlineData("deck")]
    [InlineData("girders")]
    [InlineData("loads")]
    [InlineData("analysis")]
    [InlineData("checks")]
    [InlineData("sheets")]
    public async Task Every_step_has_a_page_a_ledger_and_a_drawing(string step)
    {
        Assert.Equal(HttpStatusCode.OK, (await client.GetAsync($"/bridges/sorrel-brook/{step}")).StatusCode);
        var workspace = await Workspace("sorrel-brook", $"step={step}");
        Assert.Equal("Sorrel Brook overbridge", workspace["name"]!.GetValue<string>());
        Assert.NotEmpty(workspace["views"]!.AsArray());
        Assert.NotEmpty(workspace["ledger"]!["title"]!.GetValue<string>());
        Assert.Contains("<svg", workspace["band"]!["svg"]!.GetValue<string>());
    }

    [Theory]
    [InlineData("/axes/spans", "18 + 2*21.5", 200)]
    [InlineData("/axes/spans", "18 + x", 422)]
    [InlineData("/axes/spans/0", "0", 422)]
    [InlineData("/axes/spans/0", "1e9", 422)]
    [InlineData("/axes/skew", "75", 422)]
    [InlineData("/axes/skew", "12 deg", 200)]
    [InlineData("/deck/patterns/0/left/0/width", "-3", 422)]
    [InlineData("/girders/count", "40", 422)]
    [InlineData("/girders/count", "four", 422)]
    [InlineData("/girders/overhangLeft", "-1", 422)]
    [InlineData("/girders/overhangLeft", "0", 200)]
    [InlineData("/girders/types/0/strands/rows/0/count", "60", 200)]
    [InlineData("/materials/slab/class", "C99/1", 422)]
    [InlineData("/materials/slab/ecm", "30 GPa", 200)]
    [InlineData("/materials/slab/ecm", "", 200)]
    [InlineData("/basis/ownValues/gammaC", "1.4", 200)]
    [InlineData("/basis/ownValues/nothing", "1.4", 422)]
    [InlineData("/no/such/value", "1", 422)]
    [InlineData("/road/elements/0/startRadius", "800", 200)]
    [InlineData("/road/elements/9/length", "80", 422)]
    [InlineData("/road/profile/0/grade", "1:80", 200)]
    [InlineData("/axes/stations/2", "70.5", 200)]
    [InlineData("/axes/stations/2", "7", 422)]
    [InlineData("/axes/count", "2", 200)]
    [InlineData("/axes/own/2/skew", "-4", 200)]
    [InlineData("/axes/own/2/kind", "pier", 200)]
    [InlineData("/name", "", 422)]
    [InlineData("/name", "Another <b>name</b>", 200)]
    public async Task Entries_are_taken_or_refused_with_a_reason_and_the_last_good_state_stays(string path, string text, int expected)
    {
        var id = await NewBridge();
        var response = await Enter(id, 1, path, text);
        Assert.Equal(expected, (int)response.StatusCode);
        if (expected == 422)
            Assert.NotEmpty((await JsonOf(response))["findings"]![0]!["message"]!.GetValue<string>());
        Assert.Equal(expected == 200 ? 2 : 1, (await Workspace(id))["revision"]!.GetValue<int>());
    }

    [Fact]
    public async Task Giving_an_own_value_back_needs_one_to_be_there()
    {
        var id = await NewBridge();
        Assert.Equal(HttpStatusCode.UnprocessableEntity, (await Enter(id, 1, "/basis/ownValues/gammaC", "")).StatusCode);
        await Enter(id, 1, "/basis/ownValues/gammaC", "1.4");
        Assert.Equal(HttpStatusCode.OK, (await Enter(id, 2, "/basis/ownValues/gammaC", "")).StatusCode);
    }

    [Fact]
    public async Task Patches_are_rebased_or_conflict()
    {
        var id = await NewBridge();
        Task<HttpResponseMessage> Patch(string path, string value) =>
            client.PatchAsync(
                $"/api/bridges/{id}?revision=1&label=Edit",
                new StringContent(
                    $"[{{\"op\":\"replace\",\"path\":\"{path}\",\"value\":{value}}}]",
                    Encoding.UTF8,
                    "application/json-patch+json"
                )
            );
        Assert.Equal(HttpStatusCode.OK, (await Patch("/deck/haunch", "0.05")).StatusCode);
        Assert.Equal(HttpStatusCode.OK, (await Patch("/deck/patterns/0/surfacing", "0.09")).StatusCode);
        var conflict = await Patch("/deck/haunch", "0.06");
        Assert.Equal(HttpStatusCode.Conflict, conflict.StatusCode);
        Assert.Equal("0.05", (await JsonOf(conflict))["conflicts"]![0]!["theirs"]!.GetValue<string>());
    }

    [Theory]
    [InlineData("GET", "/api/bridges/none/workspace", "", 404)]
    [InlineData("GET", "/bridges/none/axes", "", 404)]
    [InlineData("GET", "/bridges/sorrel-brook/nothing", "", 404)]
    [InlineData("GET", "/bridges/none/calculation", "", 404)]
    [InlineData("GET", "/api/bridges/sorrel-brook/workspace?station=abc", "", 400)]
    [InlineData(
        "GET",
        "/api/bridges/sorrel-brook/workspace?step=nothing&girder=-7&width=1e300&pick=/x/y&station=1e300&effect=z&case=q",
        "",
        200
    )]
    [InlineData("GET", "/api/bridges/sorrel-brook/workspace?step=checks&pick=/parts/results/99/99/99", "", 200)]
    [InlineData("GET", "/api/bridges/sorrel-brook/general-arrangement.doc", "", 404)]
    [InlineData("POST", "/api/bridges", "{", 422)]
    [InlineData("POST", "/api/bridges", "", 422)]
    [InlineData("POST", "/api/bridges/none/entries", "{\"revision\":1,\"path\":\"/name\",\"text\":\"x\"}", 404)]
    [InlineData("POST", "/api/bridges/sorrel-brook/entries", "{", 400)]
    [InlineData("POST", "/api/bridges/sorrel-brook/entries", "{}", 422)]
    [InlineData("PATCH", "/api/bridges/sorrel-brook?revision=1", "{", 422)]
    [InlineData("PATCH", "/api/bridges/sorrel-brook?revision=1", "[null]", 422)]
    [InlineData("PATCH", "/api/bridges/sorrel-brook?revision=1", "[]", 422)]
    [InlineData("PATCH", "/api/bridges/sorrel-brook?revision=1", "[{\"op\":\"replace\",\"path\":\"/axes/spans/77\",\"value\":3}]", 422)]
    [InlineData("PATCH", "/api/bridges/sorrel-brook", "[]", 422)]
    [InlineData("POST", "/api/bridges/none/undo", "", 404)]
    [InlineData("POST", "/api/bridges/sorrel-brook/revisions/9999", "", 200)]
    public async Task Bad_requests_get_an_answer_and_never_a_fault(string method, string path, string body, int expected)
    {
        var request = new HttpRequestMessage(new(method), path);
        if (method != "GET")
            request.Content = new StringContent(body, Encoding.UTF8, "application/json");
        var response = await client.SendAsync(request);
        Assert.Equal(expected, (int)response.StatusCode);
        Assert.NotEmpty(await response.Content.ReadAsStringAsync());
    }

    [Fact]
    public async Task A_huge_document_is_refused()
    {
        var response = await client.PostAsync(
            "/api/bridges",
            new StringContent("\"" + new string('x', 3_000_000) + "\"", Encoding.UTF8, "application/json")
        );
        Assert.Equal(HttpStatusCode.UnprocessableEntity, response.StatusCode);
    }

    [Fact]
    public async Task The_analysis_runs_by_itself_and_its_calculation_can_be_printed()
    {
        var workspace = await Until(() => Workspace("sorrel-brook", "step=checks"), w => w["run"]!["status"]!.GetValue<string>() == "done");
        Assert.StartsWith("10 checks pass, 0.9", workspace["checks"]!["words"]!.GetValue<string>());
        var picks = workspace["table"]!["rows"]!.AsArray().Select(r => r!["pick"]?.GetValue<string>() ?? "");
        var struts = $"step=checks&pick={picks.First(p => p.EndsWith("/struts", StringComparison.Ordinal))}";
        workspace = await Workspace("sorrel-brook", struts);
        Assert.Contains(workspace["ledger"]!["lines"]!.AsArray(), l => l!["symbol"]!.GetValue<string>() == "V_Rd,max");
        var page = await client.GetStringAsync(workspace["ledger"]!["printAt"]!.GetValue<string>());
        Assert.Contains("V<sub>Rd,max</sub>", page);
        Assert.Contains("EN 1992-1-1 (6.9)", page);
        var traffic = await Workspace("sorrel-brook", $"{struts}&layout=traffic");
        Assert.Contains("lane 1", traffic["views"]![0]!["svg"]!.GetValue<string>());

        var pdf = await client.GetByteArrayAsync("/api/bridges/sorrel-brook/general-arrangement.pdf");
        Assert.Equal("%PDF", Encoding.ASCII.GetString(pdf, 0, 4));
    }

    /// <summary>Every printed page tells what it is of and its number among all, whatever the name holds.</summary>
    [Fact]
    public async Task Printed_pages_carry_titles_and_numbers()
    {
        var id = await NewBridge();
        Assert.Equal(HttpStatusCode.OK, (await Enter(id, 1, "/name", "A \"b\" \\ </style>")).StatusCode);
        var page = await client.GetStringAsync($"/bridges/{id}/set-out");
        Assert.Contains("""@top-left { content: "A \22 b\22  \5c  \3c /style\3e "; }""", page);
        Assert.Contains("edit 2", page);
    }

    [Fact]
    public async Task Names_are_found()
    {
        var found = (await JsonOf(await client.GetAsync("/api/bridges/sorrel-brook/find?text=slab%20thick"))).AsArray();
        Assert.Equal("/deck/patterns/0/slab/thickness", found[0]!["path"]!.GetValue<string>());
    }
}
