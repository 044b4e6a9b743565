using System.Text.Json.Serialization;
using Kalypto.Application;
using Kalypto.Application.BringingIn;
using Kalypto.Application.Desk;
using Kalypto.Application.People;
using Kalypto.Application.Places;
using Kalypto.Core.Rendering;
using Kalypto.Drawing.Exact;
using Kalypto.Drawing.Workers;
using Kalypto.Store;
using Kalypto.Web;
using Kalypto.Web.Accounts;
using Kalypto.Web.Doors;
using Kalypto.Web.Endpoints;
using Kalypto.Web.Models;
using Microsoft.AspNetCore.DataProtection;
using Microsoft.AspNetCore.HostFiltering;
using Microsoft.AspNetCore.Hosting.Server;
using Microsoft.AspNetCore.Hosting.Server.Features;
using Microsoft.AspNetCore.Http.Features;
using Serilog;

// Numbers and dates are written by us, the same on every machine.
System.Globalization.CultureInfo.DefaultThreadCurrentCulture = System.Globalization.CultureInfo.InvariantCulture;

var builder = WebApplication.CreateBuilder(args);
builder.Host.UseSerilog((context, log) => log.ReadFrom.Configuration(context.Configuration).WriteTo.Console(formatProvider: null));

var connection = builder.Configuration["KALYPTO_DATABASE"]
    ?? throw new InvalidOperationException("KALYPTO_DATABASE is not set. Run ./start, which starts the database and sets it.");
var demoFolder = builder.Configuration["DemoFolder"] ?? "demo";
var options = new DrawingOptions
{
    Drawers = Math.Max(0, builder.Configuration.GetValue("Drawers", Environment.ProcessorCount)),
    DrawingsInMemory = builder.Configuration.GetValue("DrawingsInMemory", new DrawingOptions().DrawingsInMemory),
};
builder.Services.AddSingleton(provider => new WaitingDraft(demoFolder, provider.GetRequiredService<BringIn>()));
var workers = new WorkerOptions
{
    Program = Path.Combine(AppContext.BaseDirectory, "Kalypto.Worker"),
    Fonts = Path.GetFullPath(Path.Combine(demoFolder, "fonts")),
    TimeLimit = TimeSpan.FromSeconds(builder.Configuration.GetValue("DrawingSeconds", 30)),
    // What is brought in is measured here, also where drawing is left to others.
    Count = Math.Max(1, options.Drawers),
};
var accounts = new AccountOptions(builder.Configuration.GetValue("People", false));
var database = new Database(connection);
var sources = new Sources(database);
var exact = builder.Configuration.GetValue("Exact", true) ? new ExactEngine(new() { Fonts = workers.Fonts, TimeLimit = workers.TimeLimit }) : null;
var readingTime = TimeSpan.FromSeconds(builder.Configuration.GetValue("ReadingSeconds", 8));
builder.Services.AddSingleton<ISources>(sources);
builder.Services.AddKalypto(database, new WorkerReader(workers.ForReading(readingTime)), new WorkerRenderer(workers, exact, sources), options, new KeepingLimits
{
    Audit = TimeSpan.FromDays(builder.Configuration.GetValue("KeepAuditDays", new KeepingLimits().Audit.TotalDays)),
    Builds = builder.Configuration.GetValue("KeepBuilds", new KeepingLimits().Builds),
    Unused = TimeSpan.FromDays(builder.Configuration.GetValue("KeepUnusedDays", new KeepingLimits().Unused.TotalDays)),
}, new PlaceOptions(Folders("Deliver")), new InboxOptions(Folders("Inbox")) { ByName = !accounts.IsOn }).AddSingleton(TimeProvider.System).AddSingleton<Bench>();
if (Listening.Refusal(builder.Configuration["urls"], accounts.IsOn) is { } refusal)
{
    await Console.Error.WriteLineAsync(refusal);
    return 1;
}
builder.Services.AddSessions().AddPolicies().AddAccounts(accounts).AddSingleton<TeamModel.Sources>();
builder.Services.AddAntiforgery(o =>
{
    o.HeaderName = "X-Kalypto-Token";
    o.Cookie.SecurePolicy = CookieSecurePolicy.SameAsRequest;
});
builder.Services.AddHsts(o => o.MaxAge = TimeSpan.FromDays(365));
builder.Services.Configure<FormOptions>(o => o.MultipartBodyLengthLimit = BringIn.MostBytes);
var keyFolder = builder.Configuration["KeyFolder"] ?? Path.Combine(Path.GetTempPath(), "kalypto-keys");
builder.Services.AddDataProtection().SetApplicationName("Kalypto").PersistKeysToFileSystem(new DirectoryInfo(keyFolder));
PictureSeal.Use(InstallationKey.Of(keyFolder));
builder.Services.ConfigureHttpJsonOptions(o =>
{
    o.SerializerOptions.Converters.Add(new JsonStringEnumConverter(namingPolicy: null, allowIntegerValues: false));
    o.SerializerOptions.RespectNullableAnnotations = true;
});
builder.Services.AddSingleton(workers).AddHealth();
builder.Services.AddSingleton<WholePage>();
builder.Services.AddLimits(builder.Configuration.GetValue("ComingPerMinute", Limits.Coming));
var proxies = TrustedProxies.Parse(builder.Configuration.GetSection("TrustedProxy").GetChildren().Select(c => c.Value ?? ""));
var hosts = Listening.Hosts(builder.Configuration["AllowedHosts"]);
// A foreign name that leads to this machine is not answered: pages behind it could read and change everything.
builder.Services.Configure<HostFilteringOptions>(o => o.AllowedHosts = [.. hosts]);
builder.Services.AddRazorPages(o => o.Conventions.AddFolderApplicationModelConvention("/", Policies.OfPage));
builder.WebHost.ConfigureKestrel(o => o.Limits.MaxRequestBodySize = BringIn.MostBytes);

IReadOnlyList<string> Folders(string option) => [.. builder.Configuration.GetSection(option).GetChildren().Select(c => Path.TrimEndingDirectorySeparator(Path.GetFullPath(c.Value ?? "")))];

var app = builder.Build();
app.Services.GetRequiredService<Database>().Migrate();

if (proxies.Any)
{
    // Only servers in front that the operator named are believed to speak for others.
    app.UseForwardedHeaders(proxies.Options);
}
if (accounts.IsOn)
{
    app.UseHsts();
}
app.UseFailureAnswers();
app.Use(ServerTiming.AddAsync);
app.Use(SecurityHeaders.AddAsync);
app.Use(OwnPagesOnly.RunAsync);
// Modules are named without a version inside one another, so browsers ask each time whether theirs is still the one.
app.UseStaticFiles(new StaticFileOptions { OnPrepareResponse = file => file.Context.Response.Headers.CacheControl = "no-cache" });
app.UseRouting();
app.Use(app.Services.GetRequiredService<Callers>().KnowAsync);
app.UseAuthentication();
app.UseRateLimiter();
app.UseAuthorization();
app.UseMiddleware<DoorIn>();
app.MapHealth();
app.MapRazorPages();
app.MapKalypto();

await app.Services.GetRequiredService<DeliverTo>().RecoverAsync(app.Lifetime.ApplicationStopping);
await app.StartAsync();
Console.WriteLine($"Drawings are drawn with {await Task.Run(() => WorkerJail.ProtectionOf(workers))}.");
var loadDemo = app.Services.GetRequiredService<LoadDemo>();
var demo = builder.Configuration.GetValue("Demo", false) ? await loadDemo.WhenEmptyAsync(demoFolder, app.Lifetime.ApplicationStopping) : null;
var address = Listening.Shown(app.Services.GetRequiredService<IServer>().Features.Get<IServerAddressesFeature>()?.Addresses.FirstOrDefault(), hosts);
Console.WriteLine($"Kalypto is at {address} (Ctrl-C ends it)");
if (demo is { } project && builder.Configuration.GetValue("DemoDeliveries", true))
{
    _ = loadDemo.DeliverTwiceAsync(project, app.Lifetime.ApplicationStopping);
}
if (Listening.Warning(builder.Configuration["urls"]) is { } warning)
{
    Console.WriteLine(warning);
}
if (accounts.IsOn && await app.Services.GetRequiredService<Invite>().FirstAsync(app.Lifetime.ApplicationStopping) is { } first)
{
    // The one way to the first account: whoever sees this console.
    Console.WriteLine($"Make the first account here; it works once, for a day: {address}/welcome#{first}");
}
await app.WaitForShutdownAsync();
return 0;
