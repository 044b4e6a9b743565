using DbUp;
using DbUp.Engine.Output;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Npgsql;

namespace Kalypto.Store.Tests;

/// <summary>A database as an earlier version left it, with data in it, is brought up to date without losing any.</summary>
public class MigrationTests(DatabaseFixture fixture)
{
    // As the version before the revisions wrote it: a project of two designs with marks, history, a running build and pictures.
    private const string Data = """
        insert into blobs values (repeat('a', 64), 'file one'), (repeat('b', 64), 'file two'), (repeat('c', 64), 'picture'), (repeat('d', 64), 'zip');
        insert into projects (name, platforms, recipes) values ('Larkrise', '{web,apple}', '');
        insert into designs (project_id, name, drawn_at, arrangement) values (1, 'App', 2, '{"Screens":[{"Name":"Tonight","Box":{"X":0,"Y":0,"Width":9,"Height":9},"Root":13},{"Name":"Map","Box":{"X":9,"Y":0,"Width":9,"Height":9},"Root":2}],"Made":[{"Name":"badge","Members":[4,5],"Frame":null,"Gone":false},{"Name":"frame","Members":[],"Frame":{"X":0,"Y":0,"Width":9,"Height":9},"Gone":false}]}'), (1, 'Site', 1, '');
        insert into drafts (design_id, number, file_name, file_sha256) values (1, 1, 'app.svg', repeat('a', 64)), (2, 1, 'site.svg', repeat('b', 64));
        insert into layers select 1, i, 'layer ' || i, 'Shape', case when i = 1 then null else array[i, 2, 3.5, 4]::double precision[] end from generate_series(0, 11) i;
        insert into layers values (2, 0, 'Site', 'Screen', '{0,0,375,812}');
        insert into screens values (1, 0, 'Tonight', 0, '{0,0,375,812}');
        insert into marks values (1, 3, 'Ship', 'bell', 'icon to:nav', false, true), (1, 12, 'Ship', 'badge', '', false, false);
        insert into edits (project_id, label, changes, undone, who) values
          (1, 'Name bell', '[{"Draft":1,"Ordinal":3,"Field":"name","Before":null,"After":"bell"}]', false, 'Ada'),
          (1, 'Drawn at 2x', '[{"Draft":1,"Ordinal":-1,"Field":"drawn at","Before":"1","After":"2"}]', false, ''),
          (1, 'Ship bell', '[{"Draft":1,"Ordinal":3,"Field":"decision","Before":"Open","After":"Code"}]', true, 'Eve');
        insert into looks values (repeat('1', 64), '{1,2,3,4}', null);
        insert into drawings (key, sha256, weight) values (repeat('2', 64), repeat('c', 64), 7);
        insert into drawing_jobs (key, priority, job) values (repeat('3', 64), 10, '{"Key":"x"}');
        insert into builds (project_id, state, total, zip_sha256, asked) values (1, 'done', 3, repeat('d', 64), '{}');
        insert into build_files values (1, 'web/bell.svg', repeat('c', 64), 7);
        insert into builds (project_id, state, total, asked, said) values (1, 'running', 3, '{}', '{"Project":{"Id":1,"Name":"Larkrise","Platforms":["web"],"Recipes":""},"Designs":[]}');
        """;

    private static readonly string[] Later = ["0006", "0007", "0008", "0009", "0010", "0021", "0026"];

    private readonly CancellationToken cancel = TestContext.Current.CancellationToken;

    [Fact]
    public async Task A_database_of_the_version_before_keeps_everything()
    {
        var connection = new NpgsqlConnectionStringBuilder(fixture.Connection) { Database = $"old_{Guid.NewGuid():N}", Pooling = false }.ConnectionString;
        EnsureDatabase.For.PostgresqlDatabase(connection, new NoOpUpgradeLog());
        Assert.True(DeployChanges.To.PostgresqlDatabase(connection).WithScriptsEmbeddedInAssembly(typeof(Database).Assembly, name => !Later.Any(number => name.Contains(number, StringComparison.Ordinal)))
            .WithScript("data", Data).LogToNowhere().Build().PerformUpgrade().Successful);
        await using (var database = new Database(connection))
        {
            database.Migrate();
            database.Migrate();
            await LookAsync(database);
        }
        await using var admin = new NpgsqlConnection(new NpgsqlConnectionStringBuilder(fixture.Connection) { Database = "postgres", Pooling = false, Timeout = 300, CommandTimeout = 600 }.ConnectionString);
        await admin.OpenAsync(cancel);
        await using var command = new NpgsqlCommand($"drop database {new NpgsqlConnectionStringBuilder(connection).Database} with (force)", admin);
        await command.ExecuteNonQueryAsync(cancel);
    }

    private async Task LookAsync(Database database)
    {
        var (projects, edits, builds) = (new ProjectStore(database), new EditStore(database), new BuildStore(database));
        var all = (await projects.ChangesAsync(1, 0, cancel))!;
        Assert.Equal(("Larkrise", "web apple"), (all.Project.Name, string.Join(' ', all.Project.Platforms)));
        Assert.Equal([("App", 2.0), ("Site", 1.0)], all.Designs.OrderBy(d => d.Position).Select(d => (d.Name, d.DrawnAt)));
        Assert.Equal((3, "bell", "icon to:nav", true), all.Marks[1].Single(m => m.Key < 12) is var (ordinal, mark) ? (ordinal, mark.ShipName, mark.Tags.ToString(), mark.Apart) : default);
        // What was put together and framed stands behind the layers of whatever draft holds.
        Assert.Equal("badge", all.Marks[1][12].ShipName);
        var arrangement = Core.Arranging.Arrangement.Parse(all.Designs.Single(d => d.Id == 1).Arrangement);
        Assert.Equal([13, 2], arrangement.Screens.Select(s => s.Root));
        Assert.Equal([4, 5], arrangement.Made[0].Members);
        var file = await new DesignStore(database).FilesAsync([1], cancel).SingleAsync(cancel);
        Assert.Equal("file one"u8.ToArray(), file.File);
        Assert.Equal(12, file.Shapes.Count);
        Assert.Null(file.Shapes[1]);
        Assert.Equal(new Box(11, 2, 3.5, 4), file.Shapes[11]);

        // What was done before anybody could be told apart is nobody's own, but everything of it can be taken back by name.
        var ada = new Author(1, Actor.Local("ada", "Ada"));
        Assert.Equal(StepState.Nothing, (await edits.UndoAsync(ada, cancel)).State);
        var history = await edits.HistoryAsync(1, 9, cancel);
        Assert.Equal(["Ship bell", "Drawn at 2x", "Name bell"], history.Select(h => h.Label));
        Assert.True((await edits.TurnAsync(ada, history[1].Id, undo: true, cancel)).IsDone);
        Assert.True((await edits.TurnAsync(ada, history[2].Id, undo: true, cancel)).IsDone);
        Assert.True((await edits.TurnAsync(ada, history[0].Id, undo: false, cancel)).IsDone);
        all = (await projects.ChangesAsync(1, 0, cancel))!;
        Assert.Equal((1.0, Decision.Code, (string?)null), (all.Designs.Single(d => d.Id == 1).DrawnAt, all.Marks[1][3].Decision, all.Marks[1][3].ShipName));

        Assert.Equal(7, Assert.Single(await new DrawingStore(database).FindAsync([new string('2', 64)], cancel)).Value.Weight);
        // A build that ended well is a delivery.
        Assert.Equal(("web/bell.svg", "path web/bell.svg"), Assert.Single(await builds.FilesAsync(1, cancel)) is var delivered ? (delivered.Path, delivered.Identity) : default);
        Assert.Equal(1, Assert.Single(await builds.DeliveriesAsync(1, cancel)).Number);
        await using var zip = await new BlobStore(database).OpenAsync((await builds.FindAsync(1, cancel))!.ZipSha256!, cancel);
        using var reader = new StreamReader(zip!);
        Assert.Equal("zip", await reader.ReadToEndAsync(cancel));
        // A build that ran then has no holder: whoever starts next goes on with it.
        Assert.Equal(2, Assert.Single(await builds.TakeOverAsync(TimeSpan.FromMinutes(1), cancel)).Build.Id);
        Assert.Equal(1, (await projects.ListAsync(Shelf.Current, "lark", 0, 9, cancel)).Count);
        Assert.Equal([1], await projects.UncountedAsync(9, cancel));
    }
}
