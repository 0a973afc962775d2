using System.Globalization;
using System.Net;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json.Nodes;
using System.Text.RegularExpressions;
using Pravik.Core.Bridges;
using Pravik.Core.Roads;
using Pravik.Exchange;
using Pravik.Exchange.LandXml;

namespace Pravik.Web.Tests;

/// <summary>Road files, setting out, comparison, measuring and the model, over HTTP.</summary>
public sealed partial class RoadPagesTests(Application application) : IClassFixture<Application>
{
    private readonly HttpClient client = application.CreateClient(
        new() { AllowAutoRedirect = false, BaseAddress = new("http://localhost") }
    );

    private static string Example(string name) => File.ReadAllText(Path.Combine(Application.Root, "examples", name));

    private async Task<string> NewBridge(string example)
    {
        var response = await client.PostAsync("/api/bridges", new StringContent(Example(example), Encoding.UTF8, "application/json"));
        return JsonNode.Parse(await response.Content.ReadAsStringAsync())!["id"]!.GetValue<string>();
    }

    private async Task<Bridge> Now(string id) => BridgeJson.Read(await client.GetStringAsync($"/api/bridges/{id}/bridge.json")).Bridge!;

    /// <summary>Posts a form of a page with the token that guards it.</summary>
    private async Task<HttpResponseMessage> Post(
        string page,
        string handler,
        HttpContent? file,
        params (string Name, string Value)[] fields
    )
    {
        var guard = Guard().Match(await client.GetStringAsync(page)).Groups[1].Value;
        var form = new MultipartFormDataContent { { new StringContent(guard), "__RequestVerificationToken" } };
        foreach (var (name, value) in fields)
            form.Add(new StringContent(value), name);
        if (file is not null)
            form.Add(file, "file", "road.xml");
        return await client.PostAsync(page.Split('?')[0] + handler, form);
    }

    [GeneratedRegex("__RequestVerificationToken\" type=\"hidden\" value=\"([^\"]+)\"")]
    private static partial Regex Guard();

    [Fact]
    public async Task A_road_file_is_reviewed_and_taken_with_its_ground()
    {
        var id = await NewBridge("tansy-lane.json");
        var road = new Road
        {
            Name = "New lane",
            StartEast = 880,
            StartNorth = 412.5,
            Azimuth = 0.5235987755982988,
            Elements = [new() { Length = 130 }],
            Profile = [new() { Station = 0, Level = 24 }, new() { Station = 130, Level = 23 }],
        };
        var ground = new NamedGround("Survey", new([800, 300, 18, 1100, 300, 18, 1100, 700, 19, 800, 700, 19], [0, 1, 2, 0, 2, 3]));
        var sent = await Post($"/bridges/{id}/road-file", "", new StringContent(LandXmlWriter.Write(road, ground)));
        Assert.Equal(HttpStatusCode.Redirect, sent.StatusCode);
        var review = sent.Headers.Location!.ToString();
        var page = WebUtility.HtmlDecode(await client.GetStringAsync(review));
        // The line runs along 30° and moves 0.5 m north: old points lie 0.5·cos 30° back on the new line and 0.5·sin 30° to the right
        // of it.
        Assert.Contains("New lane", page);
        Assert.Contains("Survey (2 triangles)", page);
        Assert.Contains("+0.250", page);
        Assert.Contains("−0.433", page);
        var token = review.Split("token=")[1];
        var taken = await Post(
            review,
            "?handler=Accept",
            null,
            ("token", token),
            ("alignment", "New lane"),
            ("takeRoad", "true"),
            ("takeGround", "true")
        );
        Assert.Equal($"/bridges/{id}/road", taken.Headers.Location!.ToString());
        var now = await Now(id);
        Assert.Equal(("New lane", 412.5, "Survey"), (now.Road.Name, now.Road.StartNorth, now.Ground!.Name));
        var history = await client.GetStringAsync($"/api/bridges/{id}/history");
        Assert.Contains("Road and ground brought in from road.xml", history);
        var written = LandXmlReader.Read(await client.GetStringAsync($"/api/bridges/{id}/road.xml"));
        Assert.Equal(2, written.Grounds.Single().Ground.TriangleCount);
        Assert.Equal(130, new RoadLine(written.Alignments.Single().Road!).EndStation, 1e-9);
    }

    [Fact]
    public async Task A_file_that_gives_nothing_changes_nothing()
    {
        var id = await NewBridge("tansy-lane.json");
        var before = await client.GetStringAsync($"/api/bridges/{id}/bridge.json");
        foreach (
            var (text, reason) in new[]
            {
                ("<Other/>", "not a LandXML file"),
                ("<LandXML><Alignments><Alignment", "The XML is broken"),
                ("1,2,3", "three points"),
                ("", "Choose a file first"),
            }
        )
        {
            var answer = await Post($"/bridges/{id}/road-file", "", new StringContent(text));
            Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
            Assert.Contains(reason, WebUtility.HtmlDecode(await answer.Content.ReadAsStringAsync()));
        }
        var gone = await Post($"/bridges/{id}/road-file", "?handler=Accept", null, ("token", "nothing"), ("takeRoad", "true"));
        Assert.Contains("no longer held", await gone.Content.ReadAsStringAsync());
        Assert.Equal(before, await client.GetStringAsync($"/api/bridges/{id}/bridge.json"));
    }

    [Fact]
    public async Task The_setting_out_page_gives_the_coordinates_of_the_core()
    {
        var id = await NewBridge("sorrel-brook.json");
        var road = new RoadLine((await Now(id)).Road);
        var csv = await client.GetStringAsync($"/bridges/{id}/set-out?from=120&to=140&step=10&offsets=-2,3 ft&format=csv");
        var rows = csv.Split('\n', StringSplitOptions.RemoveEmptyEntries)
            .Skip(1)
            .Select(l => l.Split(',').Skip(1).Select(v => double.Parse(v, CultureInfo.InvariantCulture)).ToArray())
            .ToList();
        Assert.Equal(6, rows.Count);
        foreach (var row in rows)
        {
            var at = road.Survey(row[0], row[1]);
            foreach (var (expected, value) in new[] { at.X, at.Y, at.Z!.Value, at.Azimuth * 180 / Math.PI }.Zip(row[2..]))
                Assert.Equal(expected, value, 1e-6);
        }
        Assert.Equal(0.9144, rows[1][1], 1e-9);
        Assert.Contains("Axis 3, left edge", await client.GetStringAsync($"/bridges/{id}/set-out?line=axes"));
        Assert.Contains("lies beyond the road", await client.GetStringAsync($"/bridges/{id}/set-out?to=900"));
        Assert.Contains("not a number", await client.GetStringAsync($"/bridges/{id}/set-out?step=often"));
        Assert.Contains("more than 5000", await client.GetStringAsync($"/bridges/{id}/set-out?step=0.001"));
    }

    [Fact]
    public async Task Two_points_of_the_history_are_compared()
    {
        var id = await NewBridge("sorrel-brook.json");
        await client.PostAsJsonAsync(
            $"/api/bridges/{id}/entries",
            new
            {
                revision = 1,
                path = "/deck/patterns/0/slab/thickness",
                text = "240",
            }
        );
        var page = await client.GetStringAsync($"/bridges/{id}/compare");
        Assert.Contains("220 mm", page);
        Assert.Contains("240 mm", page);
        Assert.Equal(3, Regex.Count(page, "<svg xmlns"));
        Assert.Contains("Nothing differs", await client.GetStringAsync($"/bridges/{id}/compare?before=2&after=2"));
        Assert.Equal(HttpStatusCode.NotFound, (await client.GetAsync($"/bridges/{id}/compare?before=7")).StatusCode);
    }

    [Theory]
    [InlineData("0,0,0", "3,4,12", "13.000 m")]
    [InlineData("1,2", "3,4,5", null)]
    [InlineData("1,2,NaN", "3,4,5", null)]
    [InlineData("", "3,4,5", null)]
    public async Task Distances_are_measured_or_the_request_refused(string a, string b, string? slope)
    {
        var id = await NewBridge("tansy-lane.json");
        var answer = await client.GetAsync($"/api/bridges/{id}/measure?a={a}&b={b}");
        Assert.Equal(slope is null ? HttpStatusCode.UnprocessableEntity : HttpStatusCode.OK, answer.StatusCode);
        if (slope is not null)
            Assert.Contains(slope, await answer.Content.ReadAsStringAsync());
    }

    [Fact]
    public async Task A_preview_shows_what_would_be_and_keeps_nothing()
    {
        var id = await NewBridge("sorrel-brook.json");
        var preview = JsonNode.Parse(
            await client.GetStringAsync($"/api/bridges/{id}/workspace?step=axes&entry=/axes/stations/2&text=131")
        )!;
        Assert.Equal(131, preview["axisStations"]![1]!.GetValue<double>());
        Assert.Equal(1, preview["revision"]!.GetValue<int>());
        Assert.Equal(
            HttpStatusCode.UnprocessableEntity,
            (await client.GetAsync($"/api/bridges/{id}/workspace?entry=/axes/stations/2&text=900")).StatusCode
        );
        Assert.Equal(
            HttpStatusCode.UnprocessableEntity,
            (await client.GetAsync($"/api/bridges/{id}/workspace?entry=/axes/skew&text=75")).StatusCode
        );
        Assert.Equal(17.4, (await Now(id)).Axes.Spans[0]);
    }

    /// <summary>
    /// Whatever is typed into whatever field of whatever step, the answer is “taken” or a reason, and the screen can still be shown.
    /// </summary>
    [Theory]
    [InlineData("basis")]
    [InlineData("road")]
    [InlineData("axes")]
    [InlineData("deck")]
    [InlineData("girders")]
    [InlineData("loads")]
    public async Task No_entry_in_any_field_is_a_fault(string step)
    {
        var id = await NewBridge("hazel-row.json");
        string[] texts = ["", "abc", "-1", "0", "1e999", "99999999999999999999", "1/0", "12 m", "\u0000"];
        var pick =
            step == "deck" ? "&pick=/parts/units/1/right/0"
            : step == "girders" ? "&pick=/parts/girders/2/spans/1"
            : "";
        var ledger = JsonNode.Parse(await client.GetStringAsync($"/api/bridges/{id}/workspace?step={step}{pick}"))!["ledger"]!;
        var paths = ledger["groups"]!
            .AsArray()
            .SelectMany(g => g!["rows"]!.AsArray())
            .Select(r => r!["path"]?.GetValue<string>())
            .OfType<string>()
            .Distinct()
            // Of national values, which are all alike, every fifth.
            .Where((p, i) => i % 5 == 0 || !p.StartsWith("/basis/ownValues/", StringComparison.Ordinal))
            .ToList();
        Assert.True(paths.Count >= 3);
        foreach (var path in paths)
        {
            foreach (var text in texts)
            {
                // Each entry on the bridge as it was, so that one does not hide the next.
                var answer = await client.GetAsync(
                    $"/api/bridges/{id}/workspace?step={step}&entry={Uri.EscapeDataString(path)}&text={Uri.EscapeDataString(text)}"
                );
                Assert.True(
                    answer.StatusCode is HttpStatusCode.OK or HttpStatusCode.UnprocessableEntity,
                    $"{path} “{text}”: {answer.StatusCode}"
                );
                if (answer.StatusCode == HttpStatusCode.UnprocessableEntity)
                    Assert.All(
                        JsonNode.Parse(await answer.Content.ReadAsStringAsync())!["findings"]!.AsArray(),
                        f => Assert.NotEmpty(f!["message"]!.GetValue<string>())
                    );
            }
        }
    }
}
