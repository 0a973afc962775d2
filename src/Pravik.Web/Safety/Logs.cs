using Serilog;
using Serilog.Events;
using Serilog.Formatting.Compact;

namespace Pravik.Web.Safety;

/// <summary>
/// What is written down of the application's work: one JSON object a line, in the data folder, a file a day. No names, no addresses, no
/// values of bridges: of a request its method, its path, how it ended and how long it took. Warnings also go to the console.
/// </summary>
internal static class Logs
{
    /// <summary>Days that are kept, and the greatest size of a file (bytes).</summary>
    private const int Days = 14;
    private const long Largest = 10_000_000;

    public static void Write(WebApplicationBuilder builder, string folder) =>
        builder.Services.AddSerilog(
            log =>
                log.MinimumLevel.Information()
                    .MinimumLevel.Override("Microsoft", LogEventLevel.Warning)
                    // What keeps the application from starting is said in one line (StartUp).
                    .MinimumLevel.Override("Microsoft.Extensions.Hosting.Internal.Host", LogEventLevel.Fatal)
                    .WriteTo.Console(restrictedToMinimumLevel: LogEventLevel.Warning)
                    .WriteTo.File(
                        new CompactJsonFormatter(),
                        Path.Combine(folder, "logs", "pravik-.jsonl"),
                        rollingInterval: RollingInterval.Day,
                        retainedFileCountLimit: Days,
                        fileSizeLimitBytes: Largest,
                        rollOnFileSizeLimit: true
                    ),
            preserveStaticLogger: true
        );

    /// <summary>Writes down each request that was answered badly or changed something, and none of the many that only look.</summary>
    public static void Requests(WebApplication app) =>
        app.UseSerilogRequestLogging(options =>
        {
            options.IncludeQueryInRequestPath = false;
            options.MessageTemplate = "{RequestMethod} {RequestPath} {StatusCode} in {Elapsed:0} ms";
            options.GetLevel = (context, _, problem) =>
                problem is not null || context.Response.StatusCode >= 500 ? LogEventLevel.Error
                : HttpMethods.IsGet(context.Request.Method) ? LogEventLevel.Verbose
                : LogEventLevel.Information;
        });
}
