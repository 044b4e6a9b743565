// A process that only draws: it takes jobs from the queue of the database, as many at once as it is told, and shows no page.
using Kalypto.Application;
using Kalypto.Drawing.Exact;
using Kalypto.Drawing.Workers;
using Kalypto.Store;
using Microsoft.Extensions.Configuration;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.Extensions.Hosting;

System.Globalization.CultureInfo.DefaultThreadCurrentCulture = System.Globalization.CultureInfo.InvariantCulture;

var builder = Host.CreateApplicationBuilder(args);
var connection = builder.Configuration["KALYPTO_DATABASE"]
    ?? throw new InvalidOperationException("KALYPTO_DATABASE is not set. Run ./start --only-draw, which starts the database and sets it.");
var drawers = Math.Max(1, builder.Configuration.GetValue("Drawers", Environment.ProcessorCount));
var workers = new WorkerOptions
{
    Program = Path.Combine(AppContext.BaseDirectory, "Kalypto.Worker"),
    Fonts = Path.GetFullPath(Path.Combine(builder.Configuration["DemoFolder"] ?? "demo", "fonts")),
    TimeLimit = TimeSpan.FromSeconds(builder.Configuration.GetValue("DrawingSeconds", 30)),
    Count = drawers,
};
var database = new Database(connection);
var sources = new Sources(database);
var exact = builder.Configuration.GetValue("Exact", true) ? new ExactEngine(new() { Fonts = workers.Fonts, TimeLimit = workers.TimeLimit }) : null;
var readingTime = TimeSpan.FromSeconds(builder.Configuration.GetValue("ReadingSeconds", 8));
builder.Services.AddDrawing(database, new WorkerReader(workers.ForReading(readingTime)), new WorkerRenderer(workers, exact, sources), new() { Drawers = drawers });

var host = builder.Build();
host.Services.GetRequiredService<Database>().Migrate();
await host.StartAsync();
Console.WriteLine($"Drawing with {drawers} worker{(drawers == 1 ? "" : "s")} (Ctrl-C ends it)");
await host.WaitForShutdownAsync();
