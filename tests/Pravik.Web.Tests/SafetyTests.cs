using System.Net;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json.Nodes;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using Pravik.Data;

namespace Pravik.Web.Tests;

/// <summary>What other sites, broken requests and damaged data can do: nothing, and they are answered in words.</summary>
public sealed class SafetyTests(Application application) : IClassFixture<Application>
{
    private const string Bridge = "/api/bridges/willow-mill";
    private readonly HttpClient client = application.CreateClient(
        new() { AllowAutoRedirect = false, BaseAddress = new("http://localhost") }
    );

    private static StringContent Json(string body, string type = "application/json") => new(body, Encoding.UTF8, type);

    private async Task<HttpResponseMessage> Send(
        string method,
        string path,
        HttpContent? content,
        params (string Name, string Value)[] headers
    )
    {
        var request = new HttpRequestMessage(new(method), path) { Content = content };
        foreach (var (name, value) in headers)
            request.Headers.TryAddWithoutValidation(name, value);
        return await client.SendAsync(request);
    }

    private static async Task<string> Words(HttpResponseMessage response) =>
        JsonNode.Parse(await response.Content.ReadAsStringAsync())!["findings"]![0]!["message"]!.GetValue<string>();

    [Theory]
    [InlineData("Sec-Fetch-Site", "cross-site")]
    [InlineData("Sec-Fetch-Site", "same-site")]
    [InlineData("Origin", "https://elsewhere.example")]
    [InlineData("Origin", "http://localhost:8080")]
    [InlineData("Origin", "null")]
    public async Task Other_sites_write_nothing(string header, string value)
    {
        var before = await client.GetStringAsync($"{Bridge}/history");
        foreach (
            var (method, path, body) in new[]
            {
                ("POST", "/api/bridges", "{}"),
                ("POST", $"{Bridge}/undo", ""),
                ("POST", $"{Bridge}/redo", ""),
                ("POST", $"{Bridge}/revisions/1", ""),
                ("POST", $"{Bridge}/run", ""),
                ("DELETE", $"{Bridge}/run", ""),
                ("PUT", $"{Bridge}/revisions/1/name", "{\"name\":\"x\"}"),
                ("PATCH", $"{Bridge}?revision=1", "[{\"op\":\"replace\",\"path\":\"/name\",\"value\":\"x\"}]"),
                ("POST", $"{Bridge}/entries", "{\"revision\":1,\"path\":\"/name\",\"text\":\"x\"}"),
            }
        )
        {
            var answer = await Send(method, path, body.Length == 0 ? null : Json(body), (header, value));
            Assert.Equal(HttpStatusCode.Forbidden, answer.StatusCode);
            Assert.Contains("Nothing was changed", await Words(answer));
        }
        Assert.Equal(before, await client.GetStringAsync($"{Bridge}/history"));
    }

    [Theory]
    [InlineData("Sec-Fetch-Site", "same-origin")]
    [InlineData("Origin", "http://localhost")]
    [InlineData("User-Agent", "a program")]
    public async Task The_application_itself_and_programs_may_write(string header, string value)
    {
        var answer = await Send("POST", "/api/bridges/hazel-row/redo", null, (header, value));
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
    }

    [Theory]
    [InlineData("text/plain")]
    [InlineData("application/x-www-form-urlencoded")]
    [InlineData("application/xml")]
    public async Task Only_json_is_taken(string type)
    {
        var answer = await Send("POST", $"{Bridge}/entries", Json("{\"revision\":1,\"path\":\"/name\",\"text\":\"x\"}", type));
        Assert.Equal(HttpStatusCode.UnsupportedMediaType, answer.StatusCode);
        Assert.Contains("application/json", await Words(answer));
        var foreign = new StringContent("{}", Encoding.Unicode, "application/json");
        Assert.Equal(HttpStatusCode.UnsupportedMediaType, (await Send("POST", "/api/bridges", foreign)).StatusCode);
    }

    [Theory]
    [InlineData("/", 200)]
    [InlineData("/bridges/willow-mill/axes", 200)]
    [InlineData("/css/pravik.css", 404)]
    [InlineData("/nothing", 404)]
    [InlineData("/problem/404", 200)]
    [InlineData("/api/nothing", 404)]
    [InlineData("/api/bridges/none/workspace", 404)]
    [InlineData("/bridges/none/axes", 404)]
    public async Task Every_answer_says_what_browsers_may_do(string path, int status)
    {
        var answer = await client.GetAsync(path);
        Assert.Equal(status, (int)answer.StatusCode);
        string Header(string name) => string.Join(';', answer.Headers.GetValues(name));
        Assert.Contains("frame-ancestors 'none'", Header("Content-Security-Policy"));
        Assert.DoesNotContain("script-src", Header("Content-Security-Policy"));
        Assert.Equal("nosniff", Header("X-Content-Type-Options"));
        Assert.Equal("same-origin", Header("Referrer-Policy"));
        Assert.Contains("camera=()", Header("Permissions-Policy"));
        var type = answer.Content.Headers.ContentType?.MediaType;
        if (status == 404)
            Assert.Equal(path.StartsWith("/api", StringComparison.Ordinal) ? "application/json" : "text/html", type);
    }

    [Theory]
    [InlineData("/road/elements/x/length")]
    [InlineData("/road/elements/-1/length")]
    [InlineData("/road/elements/99999999999999/length")]
    [InlineData("/road/elements//length")]
    [InlineData("/deck/patterns/0/left/77/width")]
    [InlineData("/deck/patterns/x/left/0/width")]
    [InlineData("/sections/x/sizes/depth")]
    [InlineData("/girders/types/x/strands/rows/-1/count")]
    [InlineData("/actions/stages/x/day")]
    [InlineData("/actions/stages/99/name")]
    [InlineData("/supports/x/sizes/capWidth")]
    [InlineData("/axes/stations/x")]
    public async Task A_place_that_is_none_is_said_in_words_in_edits_and_previews(string path)
    {
        var edit = await client.PostAsJsonAsync(
            $"{Bridge}/entries",
            new
            {
                revision = 1,
                path,
                text = "1",
            }
        );
        Assert.Equal(HttpStatusCode.UnprocessableEntity, edit.StatusCode);
        Assert.NotEmpty(await Words(edit));
        var preview = await client.GetAsync($"{Bridge}/workspace?step=axes&text=1&entry={Uri.EscapeDataString(path)}");
        Assert.Equal(HttpStatusCode.UnprocessableEntity, preview.StatusCode);
    }

    [Theory]
    [InlineData("POST", "/api/bridges", "{\"format\":\"pravik-bridge\",\"version\":\"3\"}", 422)]
    [InlineData("POST", "/api/bridges", "{\"format\":\"pravik-bridge\",\"version\":4,\"sections\":[{\"outlines\":null}]}", 422)]
    [InlineData("PATCH", Bridge + "?revision=1", "[{\"op\":\"test\",\"path\":\"/name\",\"value\":[\"\\ud800\"]}]", 422)]
    [InlineData("PATCH", Bridge + "?revision=1", "[{\"op\":\"replace\",\"path\":\"/girders/ranges/1/to\",\"value\":1e-12}]", 422)]
    [InlineData("PATCH", Bridge + "?revision=x", "[]", 400)]
    [InlineData("POST", Bridge + "/entries", "[]", 400)]
    [InlineData("PUT", Bridge + "/workspace", "{}", 405)]
    public async Task Broken_bodies_are_answered_in_words(string method, string path, string body, int status)
    {
        var answer = await Send(method, path, Json(body));
        Assert.Equal(status, (int)answer.StatusCode);
        Assert.NotEmpty(await Words(answer));
    }

    [Theory]
    [InlineData("/bridges/willow-mill/set-out?step=")]
    [InlineData("/bridges/willow-mill/set-out?line=axes&format=csv")]
    [InlineData("/api/bridges/willow-mill/workspace?step=road&height=1e-12&width=0")]
    public async Task Little_or_nothing_asked_for_is_no_fault(string path) =>
        Assert.Equal(HttpStatusCode.OK, (await client.GetAsync(path)).StatusCode);

    [Fact]
    public async Task Axes_in_a_table_keep_their_columns()
    {
        var csv = await client.GetStringAsync("/bridges/willow-mill/set-out?line=axes&format=csv");
        var lines = csv.Split("\r\n", StringSplitOptions.RemoveEmptyEntries);
        Assert.StartsWith("\"Axis 1, left edge\",", lines[1]);
        Assert.All(lines.Skip(1), l => Assert.Equal(7, l[l.LastIndexOf('"')..].Split(',').Length));
    }

    /// <summary>A clothoid that would turn 2000 times took minutes, and every other edit waited for it.</summary>
    [Fact]
    public async Task One_number_stops_nobody()
    {
        var answer = await client.PostAsJsonAsync(
            "/api/bridges/rowan-fold/entries",
            new
            {
                revision = 1,
                path = "/road/elements/1/length",
                text = "100000",
            }
        );
        Assert.Equal(HttpStatusCode.UnprocessableEntity, answer.StatusCode);
        Assert.Contains("full circles", await Words(answer));
    }

    [Fact]
    public async Task A_damaged_bridge_is_named_and_the_others_are_served()
    {
        await using (var db = application.Services.GetRequiredService<IDbContextFactory<PravikContext>>().CreateDbContext())
        {
            db.Projects.Add(
                new()
                {
                    Id = "damaged",
                    CreatedAt = DateTime.UtcNow,
                    Head = 1,
                    Revisions =
                    {
                        new()
                        {
                            ProjectId = "damaged",
                            Number = 1,
                            Parent = 0,
                            Patch = "",
                            Label = "x",
                            Name = "Damaged",
                            Document = "{ not JSON",
                            CreatedAt = DateTime.UtcNow,
                        },
                    },
                }
            );
            db.Library.Add(
                new()
                {
                    Kind = "pattern",
                    Name = "broken",
                    Json = "{",
                    ChangedAt = DateTime.UtcNow,
                }
            );
            await db.SaveChangesAsync();
        }
        var page = await client.GetAsync("/bridges/damaged/axes");
        Assert.Contains("cannot be read", await page.Content.ReadAsStringAsync());
        Assert.Contains("damaged", await Words(await client.GetAsync("/api/bridges/damaged/workspace?step=axes")));
        Assert.Contains("Damaged", await client.GetStringAsync("/"));
        Assert.Equal(HttpStatusCode.OK, (await client.GetAsync($"{Bridge}/workspace?step=axes")).StatusCode);
        Assert.Equal(HttpStatusCode.OK, (await client.GetAsync("/library")).StatusCode);
        Assert.Contains("in order", await client.GetStringAsync("/health"));
    }
}
