using System.Net;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json.Nodes;
using System.Text.RegularExpressions;

namespace Pravik.Web.Tests;

public sealed class TrussPagesTests(Application application) : IClassFixture<Application>
{
    private readonly HttpClient client = application.CreateClient(
        new() { AllowAutoRedirect = false, BaseAddress = new("http://localhost") }
    );

    private static async Task<JsonNode> JsonOf(HttpResponseMessage response) => JsonNode.Parse(await response.Content.ReadAsStringAsync())!;

    private async Task<string> NewScheme(string example = "first")
    {
        var text = await File.ReadAllTextAsync(Path.Combine(Application.Root, "examples", "trusses", $"cobble-gill-{example}.json"));
        var response = await client.PostAsync("/api/trusses", new StringContent(text, Encoding.UTF8, "application/json"));
        Assert.Equal(HttpStatusCode.Created, response.StatusCode);
        return (await JsonOf(response))["id"]!.GetValue<string>();
    }

    private Task<HttpResponseMessage> Enter(string id, int revision, string path, string text) =>
        client.PostAsJsonAsync(
            $"/api/trusses/{id}/entries",
            new
            {
                revision,
                path,
                text,
            }
        );

    private Task<HttpResponseMessage> Draw(string id, object what) => client.PostAsJsonAsync($"/api/trusses/{id}/draw", what);

    private async Task<JsonNode> Scheme(string id) => JsonNode.Parse(await client.GetStringAsync($"/api/trusses/{id}/truss.json"))!;

    [Theory]
    [InlineData("site", "cost of site and deck")]
    [InlineData("site?layout=choices", "plain abutments, two anchorages")]
    [InlineData("sketch", "All below 0.6 in compression")]
    [InlineData("bars", "with partial factors")]
    [InlineData("bars?layout=strength", "in other grades")]
    [InlineData("bars?layout=influence", "Influence line of bar")]
    [InlineData("drive", "Reactions of one plane")]
    [InlineData("cost", "Ordering a section")]
    [InlineData("lighter", "Sections to choose from")]
    [InlineData("compare", "Cobble Gill, lighter")]
    public async Task Every_step_shows_what_it_is_for(string step, string words)
    {
        foreach (var example in new[] { "first", "mended", "lighter" })
            Assert.Contains(words, await client.GetStringAsync($"/trusses/cobble-gill-{example}/{step}"));
        Assert.Equal(HttpStatusCode.OK, (await client.GetAsync($"/trusses/cobble-gill-task/{step}")).StatusCode);
    }

    [Fact]
    public async Task What_is_typed_is_an_edit_and_what_is_wrong_is_refused_with_the_reason()
    {
        var id = await NewScheme();
        Assert.Equal(HttpStatusCode.OK, (await Enter(id, 1, "/form/depth", "5.5")).StatusCode);
        Assert.Equal(123.5, (await Scheme(id))["joints"]![0]!["z"]!.GetValue<double>());
        Assert.Equal(HttpStatusCode.OK, (await Enter(id, 2, "/bars/1,2,3/size", "139.7 × 8")).StatusCode);
        Assert.Equal("139.7 × 8", (await Scheme(id))["bars"]![2]!["size"]!.GetValue<string>());
        Assert.Equal(HttpStatusCode.OK, (await Enter(id, 3, "/parts/newJoint", "18 ; 130")).StatusCode);
        Assert.Equal(HttpStatusCode.OK, (await Enter(id, 4, "/parts/newBars", "J4 J9 J5")).StatusCode);
        Assert.Equal(36, (await Scheme(id))["bars"]!.AsArray().Count);
        foreach (
            var (path, text, words) in new[]
            {
                ("/parts/newJoint", "18", "distance along and its level"),
                ("/parts/newJoint", "18 ; 130", "lies there already"),
                ("/parts/newBars", "J4 J77", "no joint J77"),
                ("/parts/newBars", "J4 J9", "joined already"),
                ("/site/opening", "1e9", "must lie between"),
                ("/bars/0,1/size", "9 × 9", "not one of the choices"),
                ("/prices/gold", "3", "cannot be entered"),
            }
        )
        {
            var refused = await Enter(id, 5, path, text);
            Assert.Equal(HttpStatusCode.UnprocessableEntity, refused.StatusCode);
            Assert.Contains(words, await refused.Content.ReadAsStringAsync());
        }
    }

    [Fact]
    public async Task What_is_drawn_is_one_edit_on_both_sides()
    {
        var id = await NewScheme("task");
        var stroke = new
        {
            revision = 1,
            kind = "bars",
            mirrors = true,
            ends = new[] { 0, 118.0, 36, 118 },
        };
        Assert.Equal(HttpStatusCode.OK, (await Draw(id, stroke)).StatusCode);
        Assert.Equal(9, (await Scheme(id))["bars"]!.AsArray().Count);
        await Draw(
            id,
            new
            {
                revision = 2,
                kind = "bars",
                mirrors = true,
                ends = new[] { 0, 118, 4, 122.5, 8, 118 },
            }
        );
        var drawn = await Scheme(id);
        Assert.Equal((2, 13), (drawn["joints"]!.AsArray().Count, drawn["bars"]!.AsArray().Count));
        await Draw(
            id,
            new
            {
                revision = 3,
                kind = "move",
                mirrors = true,
                x = 5,
                z = 123.0,
                joints = new[] { "J1" },
            }
        );
        Assert.Equal(31, (await Scheme(id))["joints"]![1]!["x"]!.GetValue<double>());
        await Draw(
            id,
            new
            {
                revision = 4,
                kind = "delete",
                mirrors = true,
                joints = new[] { "J2" },
            }
        );
        drawn = await Scheme(id);
        Assert.Equal((0, 9), (drawn["joints"]!.AsArray().Count, drawn["bars"]!.AsArray().Count));
        var late = await Draw(
            id,
            new
            {
                revision = 1,
                kind = "joint",
                mirrors = false,
                x = 5,
                z = 130,
            }
        );
        Assert.Equal(HttpStatusCode.UnprocessableEntity, late.StatusCode);
        Assert.Equal(HttpStatusCode.OK, (await client.PostAsync($"/api/trusses/{id}/undo", null)).StatusCode);
        Assert.Equal(2, (await Scheme(id))["joints"]!.AsArray().Count);
    }

    [Fact]
    public async Task A_crossing_is_sent_whole_and_ends_as_the_command_line_says()
    {
        var film = JsonNode.Parse(await client.GetStringAsync("/api/trusses/cobble-gill-first/drive.json"))!;
        Assert.Contains("bar 25, D0 to J1, buckles", film["failures"]![0]!.GetValue<string>());
        Assert.Equal(91, film["fall"]!.AsArray().Count);
        Assert.Equal(36, film["moments"]![0]!["moves"]!.AsArray().Count);
        var stands = JsonNode.Parse(await client.GetStringAsync("/api/trusses/cobble-gill-mended/drive.json?side=back&load=1"))!;
        Assert.Empty(stands["failures"]!.AsArray());
        Assert.Equal(HttpStatusCode.UnprocessableEntity, (await client.GetAsync("/api/trusses/cobble-gill-task/drive.json")).StatusCode);
    }

    [Fact]
    public async Task A_search_runs_beside_and_what_it_found_can_be_taken()
    {
        var id = await NewScheme("mended");
        Assert.Equal(HttpStatusCode.Accepted, (await client.PostAsync($"/api/trusses/{id}/run?show=size", null)).StatusCode);
        string page;
        var until = DateTime.UtcNow.AddMinutes(5);
        do
        {
            await Task.Delay(200);
            page = WebUtility.HtmlDecode(await client.GetStringAsync($"/trusses/{id}/lighter?show=size"));
        } while (!page.Contains("Take it") && DateTime.UtcNow < until);
        var act = Regex.Match(page, "data-act=\"(.*?Made lighter.*?)\"\\s").Groups[1].Value;
        Assert.Contains("Saves", page);
        Assert.Contains("/bars/", act.Length > 0 ? act : page);
    }

    [Fact]
    public async Task The_report_tells_all_bars_the_worst_in_full_and_the_cost()
    {
        var page = WebUtility.HtmlDecode(await client.GetStringAsync("/trusses/cobble-gill-first/report"));
        foreach (
            var words in new[] { "9 of 34 bars fail", "Not looked at: joints", "25: D0 – J1", "buckles at", "88,659 EUR", "EN 1990 (6.10)" }
        )
            Assert.Contains(words, page);
        Assert.Contains("does not stand", await client.GetStringAsync("/trusses/cobble-gill-task/report"));
        Assert.Equal(HttpStatusCode.NotFound, (await client.GetAsync("/trusses/nowhere/report")).StatusCode);
    }

    [Fact]
    public async Task A_picture_is_kept_under_the_sketch_and_what_is_none_is_refused()
    {
        var id = await NewScheme();
        Task<HttpResponseMessage> Give(byte[] content, int revision)
        {
            var body = new ByteArrayContent(content);
            body.Headers.ContentType = new("application/octet-stream");
            return client.PostAsync($"/api/trusses/{id}/picture?revision={revision}&name=old.svg", body);
        }
        var svg = Encoding.UTF8.GetBytes("<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 9 9'><path d='M0 0L9 9'/></svg>");
        Assert.Equal(HttpStatusCode.OK, (await Give(svg, 1)).StatusCode);
        var hash = (await Scheme(id))["picture"]!["hash"]!.GetValue<string>();
        Assert.Contains($"/api/pictures/{hash}", await client.GetStringAsync($"/trusses/{id}/sketch"));
        var kept = await client.GetAsync($"/api/pictures/{hash}");
        Assert.Equal("image/svg+xml", kept.Content.Headers.ContentType!.MediaType);
        Assert.Equal(svg, await kept.Content.ReadAsByteArrayAsync());
        Assert.Equal(HttpStatusCode.OK, (await Enter(id, 2, "/picture/width", "40 ft")).StatusCode);
        Assert.Equal(12.192, (await Scheme(id))["picture"]!["width"]!.GetValue<double>(), 1e-9);
        byte[][] wrong =
        [
            [],
            [1, 2, 3],
            svg[..^4],
            "<html/>"u8.ToArray(),
            "<!DOCTYPE svg><svg/>"u8.ToArray(),
            new byte[5 << 20],
        ];
        foreach (var content in wrong)
            Assert.Equal(HttpStatusCode.UnprocessableEntity, (await Give(content, 3)).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await client.GetAsync("/api/pictures/..%2Fpravik.db")).StatusCode);
        Assert.Equal(hash, (await Scheme(id))["picture"]!["hash"]!.GetValue<string>());
    }

    [Theory]
    [InlineData("report.pdf", "application/pdf")]
    [InlineData("sheet.pdf", "application/pdf")]
    [InlineData("sheet.svg", "image/svg+xml")]
    [InlineData("scheme.dxf", "image/vnd.dxf")]
    [InlineData("frame.json", "application/json")]
    [InlineData("cost.csv", "text/csv")]
    [InlineData("results.json", "application/json")]
    [InlineData("table.txt?step=bars", "text/plain")]
    public async Task Files_are_handed_over(string name, string type)
    {
        var response = await client.GetAsync($"/api/trusses/cobble-gill-lighter/{name}");
        Assert.Equal((HttpStatusCode.OK, type), (response.StatusCode, response.Content.Headers.ContentType!.MediaType));
        Assert.Equal(HttpStatusCode.NotFound, (await client.GetAsync($"/api/trusses/nowhere/{name}")).StatusCode);
    }
}
