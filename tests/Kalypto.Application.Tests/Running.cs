using System.Text;
using Kalypto.Application.BringingIn;
using Kalypto.Application.Building;
using Kalypto.Application.Desk;
using Kalypto.Application.Editing;
using Kalypto.Application.Opening;
using Kalypto.Application.Packs;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Reading;
using Kalypto.Core.Tagging;
using Kalypto.Store;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.Extensions.Hosting;
using Npgsql;

namespace Kalypto.Application.Tests;

/// <summary>All of Kalypto behind its pages, on a database of its own on the PostgreSQL that ./test starts, over a renderer of paper.</summary>
internal sealed class Running : IAsyncDisposable
{
    /// <summary>Far more than anything here takes: it only ends a test that would never end.</summary>
    public static readonly TimeSpan Patience = TimeSpan.FromMinutes(10);

    private readonly IHost host;
    private readonly string database;

    private readonly bool drops;

    private Running(IHost host, string database, bool drops) => (this.host, this.database, this.drops) = (host, database, drops);

    private static string Server => Environment.GetEnvironmentVariable("KALYPTO_DATABASE")
        ?? throw new InvalidOperationException("KALYPTO_DATABASE is not set. Run ./test, which starts a database for the tests.");

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    /// <summary>Whoever works here when it does not matter who.</summary>
    public static readonly Actor Ada = Actor.Local("ada", "Ada");

    /// <summary>Starts, on a new database or on that of one that runs or was stopped; it may leave the queue alone.</summary>
    public static async Task<Running> StartAsync(PaperRenderer renderer, string? database = null, bool draws = true, DrawingOptions? options = null, bool drops = true)
    {
        database ??= $"web_{Guid.NewGuid():N}";
        var builder = Host.CreateEmptyApplicationBuilder(null);
        var tables = new Database(new NpgsqlConnectionStringBuilder(Server) { Database = database, MaxPoolSize = 10, Timeout = 300 }.ConnectionString);
        tables.Migrate();
        builder.Services.AddKalypto(tables, new DirectReader(), renderer, options ?? new() { Drawers = draws ? 2 : 0 }).AddLogging();
        var running = new Running(builder.Build(), database, drops);
        await running.host.StartAsync(Cancel);
        return running;
    }

    public T Get<T>() where T : notnull => host.Services.GetRequiredService<T>();

    /// <summary>A project of one drawing for the web, with layers that ship: <c>picture png</c>.</summary>
    public async Task<int> ProjectAsync(string inside, params (string Layer, string Tags)[] ships)
    {
        var project = await Get<ProjectStore>().AddAsync("Larkrise", ["web"], Ada, Cancel);
        var file = Encoding.UTF8.GetBytes($"<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 9000 9000'>{inside}</svg>");
        Assert.IsType<BroughtIn.Read>(await Get<BringIn>().FileAsync(new(Ada, project), "tonight.svg", file, "tonight.svg", Cancel));
        await SayAsync(project, Decision.Ship, ships);
        return project;
    }

    public async Task<Workspace> OpenAsync(int project) => (await Get<OpenProject>().LoadAsync(project, Cancel))!;

    /// <summary>Somebody at work in a project as it is now.</summary>
    public async Task<Visit> VisitAsync(int project, Actor? actor = null) => new(await OpenAsync(project), actor ?? Ada);

    public static Author By(int project, Actor? actor = null) => new(project, actor ?? Ada);

    public async Task SayAsync(int project, Decision decision, params (string Layer, string Tags)[] said)
    {
        var workspace = await OpenAsync(project);
        var state = workspace.States.Single();
        await Get<EditLayers>().ChangeAsync(new(workspace, Ada), "Say", said.ToDictionary(
            s => new LayerRef(state.Id, state.Layers.First(l => l.Name == s.Layer).Ordinal),
            s => (Func<Mark, Mark>)(mark => mark with { Decision = decision, Tags = TagLine.Parse(s.Tags).ApplyTo(mark.Tags) })), Cancel);
    }

    /// <summary>Begins a build.</summary>
    public async Task<int> BuildAsync(int project, BuildAsk? ask = null)
    {
        var (build, refusal) = await Get<BuildPack>().StartAsync(await OpenAsync(project), ask ?? new(), Cancel);
        Assert.Null(refusal);
        return build!.Value;
    }

    /// <summary>A build when it has ended.</summary>
    public async Task<BuildRow> EndedAsync(int build) => (await Get<Deliveries>().EndedAsync(build, Cancel).WaitAsync(Patience, Cancel))!;

    /// <summary>The files of a build, by path.</summary>
    public async Task<Dictionary<string, string>> FilesAsync(int build)
    {
        var files = new Dictionary<string, string>();
        foreach (var file in await Get<BuildStore>().FilesAsync(build, Cancel))
        {
            using var reader = new StreamReader((await Get<IBlobs>().OpenAsync(file.Sha256, Cancel))!);
            files.Add(file.Path, await reader.ReadToEndAsync(Cancel));
        }
        return files;
    }

    /// <summary>Does something to its database that no use of Kalypto does.</summary>
    public async Task RunAsync(string sql)
    {
        await using var command = Get<Database>().Source.CreateCommand(sql);
        await command.ExecuteNonQueryAsync(Cancel);
    }

    /// <summary>The name of its database.</summary>
    public string DatabaseName => database;

    /// <summary>Stops as a server does and leaves its database to the next.</summary>
    public async Task<string> StopAsync()
    {
        await host.StopAsync(Cancel);
        await Get<Database>().DisposeAsync();
        return database;
    }

    public async ValueTask DisposeAsync()
    {
        await host.StopAsync(default);
        await Get<Database>().DisposeAsync();
        host.Dispose();
        if (!drops)
        {
            return;
        }
        await using var connection = new NpgsqlConnection(new NpgsqlConnectionStringBuilder(Server) { Database = "postgres", Pooling = false, Timeout = 300, CommandTimeout = 600 }.ConnectionString);
        await connection.OpenAsync();
        await using var command = new NpgsqlCommand($"drop database if exists {database} with (force)", connection);
        await command.ExecuteNonQueryAsync();
    }
}
