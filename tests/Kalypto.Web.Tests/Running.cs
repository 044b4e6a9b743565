using System.Text;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Tagging;
using Kalypto.Store;
using Kalypto.Web.Desk;
using Kalypto.Web.UseCases;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.Extensions.Hosting;
using Npgsql;

namespace Kalypto.Web.Tests;

/// <summary>All of Kalypto behind its pages, on a database of its own on the PostgreSQL that ./test starts, over a renderer of paper.</summary>
internal sealed class Running : IAsyncDisposable
{
    /// <summary>Far more than anything here takes: it only ends a test that would never end.</summary>
    public static readonly TimeSpan Patience = TimeSpan.FromMinutes(2);

    private readonly IHost host;
    private readonly string database;

    private Running(IHost host, string database) => (this.host, this.database) = (host, database);

    private static string Server => Environment.GetEnvironmentVariable("KALYPTO_DATABASE")
        ?? throw new InvalidOperationException("KALYPTO_DATABASE is not set. Run ./test, which starts a database for the tests.");

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    /// <summary>Starts, on a new database or on that of one that was stopped; it may leave the queue alone.</summary>
    public static async Task<Running> StartAsync(PaperRenderer renderer, string? database = null, bool draws = true)
    {
        database ??= $"web_{Guid.NewGuid():N}";
        var builder = Host.CreateEmptyApplicationBuilder(null);
        var tables = new Database(new NpgsqlConnectionStringBuilder(Server) { Database = database, MaxPoolSize = 10 }.ConnectionString);
        tables.Migrate();
        builder.Services.AddKalypto(tables, renderer).AddLogging().AddHttpContextAccessor();
        var running = new Running(builder.Build(), database);
        await running.Get<DrawingQueue>().ReleaseAllAsync(Cancel);
        await running.Get<BuildPack>().ResumeAsync(Cancel);
        if (draws)
        {
            await running.host.StartAsync(Cancel);
        }
        return running;
    }

    public T Get<T>() where T : notnull => host.Services.GetRequiredService<T>();

    /// <summary>A project of one drawing for the web, with layers that ship: <c>picture png</c>.</summary>
    public async Task<int> ProjectAsync(string inside, params (string Layer, string Tags)[] ships)
    {
        var project = await Get<ProjectStore>().AddAsync("Larkrise", ["web"], Cancel);
        var file = Encoding.UTF8.GetBytes($"<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 9000 9000'>{inside}</svg>");
        Assert.NotNull((await Get<BringIn>().FileAsync(project, "tonight.svg", file, Cancel)).Design);
        await SayAsync(project, Decision.Ship, ships);
        return project;
    }

    public async Task<Workspace> OpenAsync(int project) => (await Get<OpenProject>().LoadAsync(project, Cancel))!;

    public async Task SayAsync(int project, Decision decision, params (string Layer, string Tags)[] said)
    {
        var workspace = await OpenAsync(project);
        var state = workspace.States.Single();
        await Get<EditLayers>().ChangeAsync(workspace, "Ada", "Say", said.ToDictionary(
            s => new LayerRef(state.Id, state.Layers.First(l => l.Name == s.Layer).Ordinal),
            s => (Func<Mark, Mark>)(mark => mark with { Decision = decision, Tags = TagLine.Parse(s.Tags).ApplyTo(mark.Tags) })), Cancel);
    }

    /// <summary>Begins a build.</summary>
    public async Task<int> BuildAsync(int project, BuildAsk? ask = null)
    {
        var (build, refusal) = await Get<BuildPack>().StartAsync(project, ask ?? new(), Cancel);
        Assert.Null(refusal);
        return build!.Value;
    }

    /// <summary>A build when it has ended.</summary>
    public async Task<BuildRow> EndedAsync(int build)
    {
        while (true)
        {
            var next = Get<Notices>().Next;
            if (await Get<BuildStore>().FindAsync(build, Cancel) is { State: not "running" } row)
            {
                return row;
            }
            await next.WaitAsync(Patience, Cancel);
        }
    }

    /// <summary>The files of a build, by path.</summary>
    public async Task<Dictionary<string, string>> FilesAsync(int build)
    {
        var files = new Dictionary<string, string>();
        foreach (var file in await Get<BuildStore>().FilesAsync(build, Cancel))
        {
            files.Add(file.Path, Encoding.UTF8.GetString((await Get<BlobStore>().GetAsync(file.Sha256, Cancel))!));
        }
        return files;
    }

    /// <summary>Stops as a server does and leaves its database to the next.</summary>
    public async Task<string> StopAsync()
    {
        await host.StopAsync(Cancel);
        await Get<Database>().DisposeAsync();
        return database;
    }

    public async ValueTask DisposeAsync()
    {
        await StopAsync();
        host.Dispose();
        await using var connection = new NpgsqlConnection(new NpgsqlConnectionStringBuilder(Server) { Database = "postgres", Pooling = false }.ConnectionString);
        await connection.OpenAsync();
        await using var command = new NpgsqlCommand($"drop database if exists {database} with (force)", connection);
        await command.ExecuteNonQueryAsync();
    }
}
