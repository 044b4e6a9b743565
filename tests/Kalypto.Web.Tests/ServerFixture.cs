using System.Text;
using Kalypto.Application;
using Kalypto.Application.BringingIn;
using Kalypto.Application.Opening;
using Kalypto.Core.Platforms;
using Kalypto.Store;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Mvc.Testing;
using Microsoft.Extensions.DependencyInjection;
using Npgsql;

[assembly: AssemblyFixture(typeof(Kalypto.Web.Tests.ServerFixture))]

namespace Kalypto.Web.Tests;

/// <summary>The whole server on a database of its own, with one project of one design in it.</summary>
public class ServerFixture : WebApplicationFactory<Program>, IAsyncLifetime
{
    private readonly string database = $"web_{Guid.NewGuid():N}";

    private static string Connection => Environment.GetEnvironmentVariable("KALYPTO_DATABASE")
        ?? throw new InvalidOperationException("KALYPTO_DATABASE is not set. Run ./test, which starts a database for the tests.");

    /// <summary>Who brings the project in.</summary>
    protected virtual Actor Maker => Ada;

    public static Actor Ada { get; } = Actor.Local("ada", "Ada");

    /// <summary>The project.</summary>
    public int Project { get; private set; }

    /// <summary>Its design.</summary>
    public int Design { get; private set; }

    public virtual async ValueTask InitializeAsync()
    {
        (Project, Design) = await BringAsync(Maker);
        // A delivery of nothing, so that the pages of one are there.
        var workspace = (await Services.GetRequiredService<OpenProject>().LoadAsync(Project, default))!;
        var builds = Services.GetRequiredService<BuildStore>();
        await builds.EndAsync(await builds.AddAsync(Project, 0, "", "{}", workspace.Said, TimeSpan.FromMinutes(1), default), "done", null, [], default);
    }

    /// <summary>Another project like it, for tests that change it.</summary>
    public async Task<(int Project, int Design)> BringAsync(Actor? actor = null)
    {
        var drawing = Encoding.UTF8.GetBytes("<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 375 812'><g id='bell'><path d='M2 2h20v20z'/></g><rect id='sky' width='375' height='400'/></svg>");
        var read = Assert.IsType<BroughtIn.Read>(await Services.GetRequiredService<BringIn>().FileAsync(new(actor ?? Ada), "tonight.svg", drawing, "tonight.svg", default));
        return (read.Project, read.Design);
    }

    protected override void ConfigureWebHost(IWebHostBuilder builder) => builder.UseEnvironment("Production")
        .UseSetting("KALYPTO_DATABASE", new NpgsqlConnectionStringBuilder(Connection) { Database = database, MaxPoolSize = 12 }.ConnectionString)
        .UseSetting("KeyFolder", Directory.CreateTempSubdirectory("kalypto-keys-").FullName).UseSetting("Demo", "false").UseSetting("ComingPerMinute", "1000000").UseSetting("Drawers", "1");

    public override async ValueTask DisposeAsync()
    {
        var tables = Services.GetRequiredService<Database>();
        await base.DisposeAsync();
        await tables.DisposeAsync();
        await using var connection = new NpgsqlConnection(new NpgsqlConnectionStringBuilder(Connection) { Database = "postgres", Pooling = false, Timeout = 300, CommandTimeout = 600 }.ConnectionString);
        await connection.OpenAsync();
        await using var command = new NpgsqlCommand($"drop database if exists {database} with (force)", connection);
        await command.ExecuteNonQueryAsync();
        GC.SuppressFinalize(this);
    }
}
