using System.Text.Json.Serialization;
using Microsoft.EntityFrameworkCore;
using Pravik.Data;
using Pravik.Exchange;
using Pravik.Web;
using Pravik.Web.Endpoints;
using Pravik.Web.Runs;
using Pravik.Web.Safety;

// A run takes as many threads of the pool as there are cores; requests must not wait for more of them to be made.
ThreadPool.SetMinThreads(4 * Environment.ProcessorCount, 4 * Environment.ProcessorCount);
var builder = WebApplication.CreateBuilder(args);
var folder = builder.Configuration["Pravik:Data"] ?? Path.Combine(builder.Environment.ContentRootPath, ".data");
Directory.CreateDirectory(folder);

builder.WebHost.ConfigureKestrel(kestrel => kestrel.Limits.MaxRequestBodySize = 4 * BridgeJson.LongestDocument);
builder.Services.AddDbContextFactory<PravikContext>(options => options.UseSqlite($"Data Source={Path.Combine(folder, "pravik.db")}"));
builder.Services.AddSingleton<ProjectStore>();
builder.Services.AddSingleton<LibraryStore>();
builder.Services.AddSingleton(new GroundStore(Path.Combine(folder, "grounds")));
builder.Services.AddSingleton<RoadUploads>();
builder.Services.AddSingleton<RunQueue>();
builder.Services.AddHostedService(services => services.GetRequiredService<RunQueue>());
builder.Services.ConfigureHttpJsonOptions(options =>
    options.SerializerOptions.Converters.Add(new JsonStringEnumConverter(System.Text.Json.JsonNamingPolicy.CamelCase))
);
builder.Services.Configure<RouteHandlerOptions>(options => options.ThrowOnBadRequest = false);
builder.Services.AddRazorPages();
builder.Services.AddResponseCompression();

var app = builder.Build();
await app.Services.GetRequiredService<ProjectStore>().PrepareAsync();
if (builder.Configuration["Pravik:Demo"] is { Length: > 0 } demo)
    await DemoProjects.AddAsync(app.Services.GetRequiredService<ProjectStore>(), app.Services.GetRequiredService<GroundStore>(), demo);

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
app.MapGet("/health", async (ProjectStore store) => Results.Json(new { status = "in order", bridges = (await store.ListAsync()).Count }));
await app.RunAsync();

/// <summary>Named so that tests can start the application.</summary>
public partial class Program;
