using System.Text.Json.Serialization;
using Microsoft.EntityFrameworkCore;
using Pravik.Core.LoneMembers;
using Pravik.Core.Trusses;
using Pravik.Data;
using Pravik.Exchange;
using Pravik.Web;
using Pravik.Web.Endpoints;
using Pravik.Web.Members;
using Pravik.Web.Runs;
using Pravik.Web.Safety;
using Pravik.Web.Trusses;
using Pravik.Web.Workspaces;

// A run takes as many threads of the pool as there are cores; requests must not wait for more of them to be made.
ThreadPool.SetMinThreads(4 * Environment.ProcessorCount, 4 * Environment.ProcessorCount);
var builder = WebApplication.CreateBuilder(args);
var folder = builder.Configuration["Pravik:Data"] ?? Path.Combine(builder.Environment.ContentRootPath, ".data");
DataFolder data;
try
{
    data = DataFolder.Open(folder);
}
catch (DataFolderException problem)
{
    return StartUp.Refused(problem.Message);
}

builder.WebHost.ConfigureKestrel(kestrel => kestrel.Limits.MaxRequestBodySize = 4 * BridgeJson.LongestDocument);

Logs.Write(builder, folder);
builder.Services.AddDbContextFactory<PravikContext>(options => options.UseSqlite($"Data Source={data.Database}"));
builder.Services.AddSingleton<StoreWriter>();
builder.Services.AddSingleton(services => new ProjectStore(
    services.GetRequiredService<IDbContextFactory<PravikContext>>(),
    services.GetRequiredService<StoreWriter>()
));
builder.Services.AddSingleton<BridgeList>();
builder.Services.AddSingleton<BridgeHistory>();
builder.Services.AddSingleton<SummaryStore>();
builder.Services.AddSingleton<MemberStore>();
builder.Services.AddSingleton<TrussStore>();
builder.Services.AddSingleton<DocumentStore<LoneMember>>(services => services.GetRequiredService<MemberStore>());
builder.Services.AddSingleton<DocumentStore<TrussScheme>>(services => services.GetRequiredService<TrussStore>());
builder.Services.AddSingleton<TrussRuns>();
builder.Services.AddSingleton<TrussSearches>();
builder.Services.AddSingleton<TrussReader>();
builder.Services.AddSingleton<MemberRuns>();
builder.Services.AddSingleton<MemberReader>();
builder.Services.AddSingleton<AssumedValues>();
builder.Services.AddSingleton<Starters>();
builder.Services.AddSingleton<LibraryStore>();
builder.Services.AddSingleton(new GroundStore(data.Grounds));
builder.Services.AddSingleton(new PictureStore(data.Pictures));
builder.Services.AddSingleton<RoadUploads>();
builder.Services.AddSingleton<RunQueue>();
builder.Services.AddSingleton<WorkspaceReader>();
builder.Services.AddSingleton<PartRenderer>();
builder.Services.AddHostedService(services => services.GetRequiredService<RunQueue>());
builder.Services.ConfigureHttpJsonOptions(options =>
    options.SerializerOptions.Converters.Add(new JsonStringEnumConverter(System.Text.Json.JsonNamingPolicy.CamelCase))
);
builder.Services.Configure<RouteHandlerOptions>(options => options.ThrowOnBadRequest = false);
builder.Services.AddRazorPages();
builder.Services.AddResponseCompression();

var app = builder.Build();
try
{
    var bridges = app.Services.GetRequiredService<ProjectStore>();
    await bridges.PrepareAsync();
    var list = app.Services.GetRequiredService<BridgeList>();
    await list.CompleteAsync(bridges);
    if ((await list.ListAsync()).Count == 0)
        await app.Services.GetRequiredService<Starters>().FillAsync(app.Services.GetRequiredService<LibraryStore>());
    if (builder.Configuration["Pravik:Demo"] is { Length: > 0 } demo)
    {
        await DemoProjects.AddAsync(bridges, app.Services.GetRequiredService<GroundStore>(), demo);
        await DemoProjects.AddDocumentsAsync(app.Services.GetRequiredService<MemberStore>(), Formats.Member, Path.Combine(demo, "members"));
        await DemoProjects.AddDocumentsAsync(app.Services.GetRequiredService<TrussStore>(), Formats.Truss, Path.Combine(demo, "trusses"));
    }
}
catch (Microsoft.Data.Sqlite.SqliteException problem)
{
    return StartUp.Refused($"The database {data.Database} cannot be made ready: {problem.Message}");
}

Logs.Requests(app);
app.UseResponseCompression();
app.Use(SafeHeaders.Add);
app.UseExceptionHandler("/problem/fault");
app.UseWhen(context => !context.Request.Path.StartsWithSegments("/api"), pages => pages.UseStatusCodePagesWithReExecute("/problem/{0}"));
app.Use(Faults.Tell);
app.Use(ForeignWrites.Refuse);
app.UseStaticFiles();
app.UseRouting();
app.UseAntiforgery();
app.MapRazorPages();
app.MapPravik();
app.MapGet("/health", async (BridgeList list) => Results.Json(new { status = "in order", bridges = (await list.ListAsync()).Count }));

// Given back as the application stops, before a host of tests is gone.
app.Lifetime.ApplicationStopped.Register(data.Dispose);
try
{
    await app.RunAsync();
    return 0;
}
catch (IOException problem) when (problem.InnerException is Microsoft.AspNetCore.Connections.AddressInUseException)
{
    return StartUp.Refused($"{problem.Message.TrimEnd('.')}. Is the program running already? Take another with --port N.");
}

/// <summary>Named so that tests can start the application.</summary>
public partial class Program;
