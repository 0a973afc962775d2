using System.Diagnostics;

namespace Pravik.Bench;

/// <summary>The application with an empty database and the example bridges, as a process of its own; it ends with this object.</summary>
internal sealed class WarmServer : IAsyncDisposable
{
    private const string Address = "http://127.0.0.1:5987";
    private readonly DirectoryInfo data = Directory.CreateTempSubdirectory("pravik-bench-");
    private readonly Process process;

    private WarmServer()
    {
        var web = Path.Combine(Demo.Root, "src", "Pravik.Web");
        var start = new ProcessStartInfo(
            "dotnet",
            [
                Path.Combine(web, "bin", "Release", "net10.0", "Pravik.Web.dll"),
                "--urls",
                Address,
                $"--Pravik:Data={data.FullName}",
                $"--Pravik:Demo={Path.Combine(Demo.Root, "examples")}",
                "--Logging:LogLevel:Default=Error",
            ]
        )
        {
            WorkingDirectory = web,
        };
        process = Process.Start(start)!;
    }

    /// <summary>Asks it.</summary>
    public HttpClient Http { get; } = new() { BaseAddress = new(Address) };

    /// <summary>Starts it and waits for its first answer.</summary>
    public static async Task<WarmServer> StartAsync()
    {
        var server = new WarmServer();
        for (var tries = 0; ; tries++)
        {
            try
            {
                await server.Http.GetStringAsync("/health");
                return server;
            }
            catch (HttpRequestException) when (tries < 100)
            {
                await Task.Delay(200);
            }
        }
    }

    public async ValueTask DisposeAsync()
    {
        Http.Dispose();
        process.Kill();
        await process.WaitForExitAsync();
        process.Dispose();
        data.Delete(true);
    }
}
