using System.Text.Json.Serialization;
using Kalypto.Drawing.Workers;
using Kalypto.Store;
using Kalypto.Web;
using Kalypto.Web.Endpoints;
using Kalypto.Web.UseCases;
using Microsoft.AspNetCore.DataProtection;
using Microsoft.AspNetCore.Http.Features;
using Serilog;

// Numbers and dates are written by us, the same on every machine.
System.Globalization.CultureInfo.DefaultThreadCurrentCulture = System.Globalization.CultureInfo.InvariantCulture;

var builder = WebApplication.CreateBuilder(args);
builder.Host.UseSerilog((context, log) => log.ReadFrom.Configuration(context.Configuration).WriteTo.Console(formatProvider: null));

var connection = builder.Configuration["KALYPTO_DATABASE"]
    ?? throw new InvalidOperationException("KALYPTO_DATABASE is not set. Run ./start, which starts the database and sets it.");
var demoFolder = builder.Configuration["DemoFolder"] ?? "demo";
builder.Services.AddKalypto(new Database(connection), new WorkerRenderer(new WorkerOptions
{
    Program = Path.Combine(AppContext.BaseDirectory, "Kalypto.Worker"),
    Fonts = Path.GetFullPath(Path.Combine(demoFolder, "fonts")),
    TimeLimit = TimeSpan.FromSeconds(builder.Configuration.GetValue("DrawingSeconds", 30)),
}));
builder.Services.AddAntiforgery(options => options.HeaderName = "X-Kalypto-Token");
builder.Services.Configure<FormOptions>(options => options.MultipartBodyLengthLimit = BringIn.MostBytes);
builder.Services.AddDataProtection().SetApplicationName("Kalypto").PersistKeysToFileSystem(new DirectoryInfo(builder.Configuration["KeyFolder"] ?? Path.Combine(Path.GetTempPath(), "kalypto-keys")));
builder.Services.ConfigureHttpJsonOptions(options => options.SerializerOptions.Converters.Add(new JsonStringEnumConverter()));
builder.Services.AddHttpContextAccessor();
builder.Services.AddHealthChecks();
builder.Services.AddRazorPages();
builder.WebHost.ConfigureKestrel(options => options.Limits.MaxRequestBodySize = BringIn.MostBytes);

var app = builder.Build();
app.Services.GetRequiredService<Database>().Migrate();
await app.Services.GetRequiredService<DrawingQueue>().ReleaseAllAsync(default);
await app.Services.GetRequiredService<BuildPack>().ResumeAsync(default);

app.UseExceptionHandler("/error");
app.UseStatusCodePagesWithReExecute("/error", "?code={0}");
app.Use(ServerTiming.AddAsync);
app.Use(SecurityHeaders.AddAsync);
app.UseStaticFiles();
app.MapHealthChecks("/health");
app.MapRazorPages();
app.MapProjects();
app.MapScreens();
app.MapBench();
app.MapSorting();
app.MapPictures();
app.MapPack();
app.MapRecipes();
app.MapCloser();

await app.StartAsync();
if (builder.Configuration.GetValue("Demo", false))
{
    await app.Services.GetRequiredService<LoadDemo>().WhenEmptyAsync(demoFolder, app.Lifetime.ApplicationStopping);
}
Console.WriteLine($"Kalypto is at {app.Urls.First()} (Ctrl-C ends it)");
await app.WaitForShutdownAsync();
