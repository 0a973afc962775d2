using System.Data.Common;
using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Microsoft.AspNetCore.TestHost;
using Microsoft.EntityFrameworkCore.Diagnostics;
using Microsoft.Extensions.DependencyInjection;
using Pravik.Data;

namespace Pravik.Web.Tests;

/// <summary>A disk on which nothing more can be written, as SQLite tells it.</summary>
public sealed class FullDiskTests(Application application) : IClassFixture<Application>
{
    /// <summary>Lets the database grow no further once it is full.</summary>
    private sealed class Disk : DbConnectionInterceptor
    {
        public bool IsFull { get; set; }

        public override void ConnectionOpened(DbConnection connection, ConnectionEndEventData eventData) => Limit(connection);

        public override Task ConnectionOpenedAsync(
            DbConnection connection,
            ConnectionEndEventData eventData,
            CancellationToken cancellationToken = default
        )
        {
            Limit(connection);
            return Task.CompletedTask;
        }

        private void Limit(DbConnection connection)
        {
            using var command = connection.CreateCommand();
            // Less than what there is means: no more than what there is.
            command.CommandText = IsFull ? "PRAGMA max_page_count = 1" : "PRAGMA max_page_count = 1000000";
            command.ExecuteScalar();
        }
    }

    [Fact]
    public async Task An_edit_that_cannot_be_written_is_told_and_what_is_there_stays()
    {
        var disk = new Disk();
        await using var full = application.WithWebHostBuilder(b =>
            b.ConfigureTestServices(s => s.ConfigureDbContext<PravikContext>(o => o.AddInterceptors(disk)))
        );
        var client = full.CreateClient(new() { BaseAddress = new("http://localhost") });
        async Task<HttpResponseMessage> Enter(int revision) =>
            await client.PostAsJsonAsync(
                "/api/bridges/tansy-lane/entries",
                new
                {
                    revision,
                    path = "/deck/haunch",
                    text = $"{40 + revision % 9} mm",
                }
            );
        Assert.Equal(HttpStatusCode.OK, (await Enter(1)).StatusCode);
        disk.IsFull = true;
        var revision = 2;
        // Pages that are free within the file are used up first.
        var answer = await Enter(revision);
        for (; answer.IsSuccessStatusCode && revision < 500; answer = await Enter(revision))
            revision++;
        Assert.Equal(HttpStatusCode.InsufficientStorage, answer.StatusCode);
        Assert.Contains("disk is full", await answer.Content.ReadAsStringAsync());
        var page = await client.GetAsync("/bridges/tansy-lane/deck");
        Assert.Equal(HttpStatusCode.OK, page.StatusCode);
        disk.IsFull = false;
        Assert.Equal(HttpStatusCode.OK, (await Enter(revision)).StatusCode);
        var history = JsonNode.Parse(await client.GetStringAsync("/api/bridges/tansy-lane/history"))!.AsArray();
        Assert.Equal(revision + 1, history[0]!["revision"]!.GetValue<int>());
    }
}
