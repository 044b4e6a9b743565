using System.Text;
using Kalypto.Application.Building;
using Kalypto.Application.Places;
using Kalypto.Core.Comparing;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Placing;
using Kalypto.Store;
using Microsoft.Extensions.Logging.Abstractions;

namespace Kalypto.Application.Tests;

/// <summary>Places on a real disk: kept right, never half, and nobody else's file touched.</summary>
public sealed class PlaceTests : IDisposable
{
    private readonly string root = Directory.CreateTempSubdirectory("kalypto-places-").FullName;

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    private readonly MemoryJournal journal = new();

    private sealed class KilledException : Exception;

    /// <summary>Keeps what is about to be done as the database does: it outlives the process.</summary>
    private sealed class MemoryJournal : IPlaceJournal
    {
        public string? Steps { get; set; }

        public Task<string?> ReadAsync(CancellationToken cancel) => Task.FromResult(Steps);

        public Task KeepAsync(string steps) => Task.FromResult(Steps = steps);

        public Task ForgetAsync(int? delivery) => Task.FromResult(Steps = null);
    }

    public void Dispose() => Directory.Delete(root, recursive: true);

    private static PlacedFile File(string path, string content) => new(path, Fingerprint.Of(Encoding.UTF8.GetBytes(content)).Hex, path);

    private static async Task ApplyAsync(PlaceFolder folder, int delivery, params (string Path, string Content)[] files)
    {
        var contents = files.ToDictionary(f => File(f.Path, f.Content).Sha256, f => f.Content);
        var plan = PlacePlan.Of(folder.ReadLock(), delivery, [.. files.Select(f => File(f.Path, f.Content))], folder.Present);
        Assert.Empty(plan.Conflicts);
        await folder.ApplyAsync(plan, (sha256, _) => Task.FromResult<Stream>(new MemoryStream(Encoding.UTF8.GetBytes(contents[sha256]))), Cancel);
    }

    // All that lies there, but for the lock.
    private string There() => string.Join(' ', Directory.EnumerateFiles(root, "*", SearchOption.AllDirectories).Select(f => Path.GetRelativePath(root, f)).Where(f => f != PlaceLock.FileName)
        .Order(StringComparer.Ordinal).Select(f => $"{f}={System.IO.File.ReadAllText(Path.Combine(root, f))}"));

    [Fact]
    public async Task One_that_is_killed_at_any_moment_leaves_the_place_as_it_was_or_as_it_should_be()
    {
        const string Before = "icons/bell.png=bell moon.png=moon theirs.txt=theirs";
        const string After = "comet.png=comet icons/alarm/alarm.png=alarm moon.png=new moon theirs.txt=theirs";
        for (var step = 0; ; step++)
        {
            Directory.EnumerateFileSystemEntries(root).ToList().ForEach(e => { if (Directory.Exists(e)) { Directory.Delete(e, true); } else { System.IO.File.Delete(e); } });
            System.IO.File.WriteAllText(Path.Combine(root, "theirs.txt"), "theirs");
            await ApplyAsync(new(root, root, journal), 1, ("icons/bell.png", "bell"), ("moon.png", "moon"));
            Assert.Equal(Before, There());
            var left = step;
            var killed = new PlaceFolder(root, root, journal) { Before = () => { if (left-- == 0) { throw new KilledException(); } } };
            try
            {
                await ApplyAsync(killed, 2, ("icons/alarm/alarm.png", "alarm"), ("moon.png", "new moon"), ("comet.png", "comet"));
                break;
            }
            catch (KilledException)
            {
                await new PlaceFolder(root, root, journal).RecoverAsync(Cancel);
                Assert.True(There() is Before or After, $"killed at {step}: {There()}");
                Assert.Equal(There() == Before ? 1 : 2, new PlaceFolder(root, root, journal).ReadLock().Delivery);
                Assert.True(step is < 4 ? There() == Before : There() == After, $"{step}");
            }
        }
        Assert.Equal(After, There());
    }

    [Fact]
    public async Task What_somebody_changes_while_it_is_interrupted_stays_theirs()
    {
        await ApplyAsync(new(root, root, journal), 1, ("moon.png", "moon"));
        var left = 2;
        var killed = new PlaceFolder(root, root, journal) { Before = () => { if (left-- == 0) { throw new KilledException(); } } };
        await Assert.ThrowsAsync<KilledException>(() => ApplyAsync(killed, 2, ("moon.png", "new moon")));
        System.IO.File.WriteAllText(Path.Combine(root, "moon.png"), "by hand");
        await new PlaceFolder(root, root, journal).RecoverAsync(Cancel);
        Assert.Equal("moon.png=by hand", There());
        Assert.Empty(new PlaceFolder(root, root, journal).ReadLock().Files);
    }

    [Fact]
    public void Nothing_outside_is_read_or_written_and_links_do_not_lead_out()
    {
        var outside = Directory.CreateTempSubdirectory("kalypto-outside-").FullName;
        var inside = Directory.CreateDirectory(Path.Combine(root, "checkout")).FullName;
        Assert.Throws<PlaceRefusedException>(() => new PlaceFolder(root, Path.Combine(root, "..", Path.GetFileName(outside)), journal));
        Assert.Throws<PlaceRefusedException>(() => new PlaceFolder(root, root + "-other", journal));
        Directory.CreateSymbolicLink(Path.Combine(inside, "assets"), outside);
        Assert.Throws<PlaceRefusedException>(() => new PlaceFolder(root, Path.Combine(inside, "assets", "icons"), journal));
        System.IO.File.WriteAllText(Path.Combine(outside, "secret.png"), "secret");
        Assert.Throws<PlaceRefusedException>(() => new PlaceFolder(root, inside, journal).Present("assets/secret.png"));
        System.IO.File.CreateSymbolicLink(Path.Combine(inside, PlaceLock.FileName), Path.Combine(outside, "secret.png"));
        Assert.Throws<PlaceRefusedException>(() => new PlaceFolder(root, inside, journal).ReadLock());
        Directory.Delete(outside, recursive: true);
    }

    [Theory]
    [InlineData("../outside.txt")]
    [InlineData("/tmp/kalypto-outside.txt")]
    [InlineData(".git/hooks/post-checkout")]
    [InlineData(".kalypto-pending/1")]
    [InlineData("kalypto.lock.json")]
    public async Task A_journal_that_somebody_plants_does_nothing(string path)
    {
        await ApplyAsync(new(root, root, journal), 1, ("moon.png", "moon"));
        var before = There();
        var pending = Directory.CreateDirectory(Path.Combine(root, PlacePath.Pending)).FullName;
        System.IO.File.WriteAllText(Path.Combine(pending, "0"), "planted");
        var planted = $$"""{"Writes":[{"Path":"{{path}}","Staged":"0","Sha256":"{{File("", "planted").Sha256}}","Before":null}],"Removes":[{"Path":"moon.png","Sha256":"{{File("", "moon").Sha256}}"}],"Lock":"{\"version\":1,\"delivery\":9,\"files\":[]}"}""";
        System.IO.File.WriteAllText(Path.Combine(pending, "journal.json"), planted);
        await new PlaceFolder(root, root, journal).RecoverAsync(Cancel);
        System.IO.File.Delete(Path.Combine(pending, "journal.json"));
        await new PlaceFolder(root, root, journal).RecoverAsync(Cancel);
        Assert.Equal(before, There());
        // Nor would it do anything where Kalypto keeps its own.
        Assert.Null(PlaceSteps.Parse(planted.Replace("\"0\"", "0", StringComparison.Ordinal)));
        Assert.Null(PlaceSteps.Parse("{}"));
        Assert.NotNull(PlaceSteps.Parse(planted.Replace("\"0\"", "0", StringComparison.Ordinal).Replace(path, "icons/sun.png", StringComparison.Ordinal)));
    }

    [Fact]
    public async Task What_is_staged_and_was_exchanged_is_not_delivered()
    {
        await ApplyAsync(new(root, root, journal), 1, ("moon.png", "moon"));
        var left = 2;
        var killed = new PlaceFolder(root, root, journal) { Before = () => { if (left-- == 0) { throw new KilledException(); } } };
        await Assert.ThrowsAsync<KilledException>(() => ApplyAsync(killed, 2, ("moon.png", "new moon")));
        System.IO.File.WriteAllText(Path.Combine(root, PlacePath.Pending, "0"), "exchanged");
        await new PlaceFolder(root, root, journal).RecoverAsync(Cancel);
        Assert.Equal("moon.png=moon", There());
    }

    [Fact]
    public async Task Whatever_lies_where_Kalypto_writes_is_neither_followed_nor_waited_for()
    {
        var outside = Directory.CreateTempSubdirectory("kalypto-outside-").FullName;
        var secret = Path.Combine(outside, "secret.txt");
        System.IO.File.WriteAllText(secret, "secret");
        foreach (var name in new[] { "kalypto.lock.json.new", ".kalypto-pending", ".kalypto-pending/0", ".kalypto-pending/lock", "kalypto.lock.json", "moon.png" })
        {
            foreach (var isPipe in new[] { false, true })
            {
                Directory.EnumerateFileSystemEntries(root).ToList().ForEach(e => { if (new FileInfo(e).LinkTarget is null && Directory.Exists(e)) { Directory.Delete(e, true); } else { System.IO.File.Delete(e); } });
                var at = Path.Combine(root, name);
                Directory.CreateDirectory(Path.GetDirectoryName(at)!);
                if (isPipe)
                {
                    await System.Diagnostics.Process.Start("mkfifo", at).WaitForExitAsync(Cancel);
                }
                else
                {
                    System.IO.File.CreateSymbolicLink(at, name == ".kalypto-pending" ? outside : secret);
                }
                // It is refused, or done without touching what lies there.
                try
                {
                    await ApplyAsync(new(root, root, journal), 1, ("moon.png", "moon")).WaitAsync(Running.Patience, Cancel);
                    Assert.Equal("moon", System.IO.File.ReadAllText(Path.Combine(root, "moon.png")));
                }
                catch (PlaceRefusedException e)
                {
                    Assert.Contains(root, e.Message, StringComparison.Ordinal);
                }
                Assert.Equal(("secret", secret), (System.IO.File.ReadAllText(secret), Assert.Single(Directory.EnumerateFileSystemEntries(outside))));
            }
        }
        Directory.Delete(outside, recursive: true);
    }

    [Fact]
    public async Task A_place_that_cannot_be_read_costs_itself_alone_and_two_processes_take_turns()
    {
        await using var kalypto = await Running.StartAsync(new());
        await using var other = await Running.StartAsync(new(), kalypto.DatabaseName, drops: false);
        DeliverTo Of(Running running) => new(running.Get<PlaceStore>(), running.Get<BuildStore>(), running.Get<IBlobs>(), new([root]), NullLogger<DeliverTo>.Instance);
        var project = await kalypto.ProjectAsync("<rect id='bell' width='24' height='24'/>", ("bell", "picture -webp png scale:1x"));
        await kalypto.EndedAsync(await kalypto.BuildAsync(project));
        HashSet<string> none = [];
        var broken = await Of(kalypto).AddAsync(Running.By(project), 0, "broken", "", Cancel);
        var good = await Of(kalypto).AddAsync(Running.By(project), 0, "good", "web", Cancel);
        await Assert.ThrowsAsync<PlaceRefusedException>(() => Of(kalypto).AddAsync(Running.By(project), 0, "good/.kalypto-pending/x", "web", Cancel));
        Directory.CreateDirectory(broken.Folder);
        System.IO.File.CreateSymbolicLink(Path.Combine(broken.Folder, PlacePath.Pending), root);
        await kalypto.Get<PlaceStore>().KeepJournalAsync(broken.Id, "{}", Cancel);
        await Of(kalypto).RecoverAsync(Cancel);
        await Assert.ThrowsAsync<PlaceRefusedException>(() => Of(kalypto).DeliverAsync(broken, 1, none, none, Cancel));
        Assert.True((await Of(kalypto).DeliverAsync(good, 1, none, none, Cancel))!.IsDone);
        var alone = await other.Get<PlaceStore>().LockAsync(good.Id, Cancel);
        var waiting = Of(kalypto).DeliverAsync(good, 1, none, none, Cancel);
        Assert.NotSame(waiting, await Task.WhenAny(waiting, Task.Delay(TimeSpan.FromSeconds(1), Cancel)));
        await alone.DisposeAsync();
        Assert.True((await waiting.WaitAsync(Running.Patience, Cancel))!.Plan.IsNothing);
    }

    [Fact]
    public async Task A_place_holds_exactly_the_delivery_and_a_file_changed_by_hand_is_asked_about()
    {
        await using var kalypto = await Running.StartAsync(new());
        var deliver = new DeliverTo(kalypto.Get<PlaceStore>(), kalypto.Get<BuildStore>(), kalypto.Get<IBlobs>(), new([root]), NullLogger<DeliverTo>.Instance);
        var project = await kalypto.ProjectAsync("<rect id='bell' width='24' height='24'/><rect id='moon' x='100' width='90' height='90'/>", ("bell", "picture -webp png scale:1x"), ("moon", "picture -webp png scale:1x"));
        await kalypto.EndedAsync(await kalypto.BuildAsync(project));
        await kalypto.SayAsync(project, Decision.Leave, ("moon", ""));
        await kalypto.EndedAsync(await kalypto.BuildAsync(project));
        System.IO.File.WriteAllText(Path.Combine(root, "README.txt"), "the developers' own");
        HashSet<string> none = [];
        await Assert.ThrowsAsync<PlaceRefusedException>(() => deliver.AddAsync(Running.By(project), 0, "../out", "web", Cancel));
        await Assert.ThrowsAsync<PlaceRefusedException>(() => deliver.AddAsync(Running.By(project), 1, "", "web", Cancel));
        var place = await deliver.AddAsync(Running.By(project), 0, "src/assets", "web", Cancel);
        await Assert.ThrowsAsync<PlaceRefusedException>(() => deliver.AddAsync(Running.By(project), 0, "src/assets/", "", Cancel));

        Assert.False((await deliver.LookAsync(place, 1, none, none, Cancel))!.IsDone);
        Assert.False(Directory.Exists(place.Folder));
        Assert.True((await deliver.DeliverAsync(place, 1, none, none, Cancel))!.IsDone);
        Assert.True((await deliver.LookAsync(place, 1, none, none, Cancel))!.Plan.IsNothing);
        var moon = Path.Combine(place.Folder, "moon.png");
        System.IO.File.WriteAllText(moon, "by hand");
        var refused = (await deliver.DeliverAsync(place, 2, none, none, Cancel))!;
        Assert.Equal((false, "moon.png"), (refused.IsDone, Assert.Single(refused.Plan.Conflicts).Path));
        Assert.Equal(1, Assert.Single(await kalypto.Get<PlaceStore>().ListAsync(project, Cancel)).Delivery);
        Assert.True((await deliver.DeliverAsync(place, 2, none, new HashSet<string> { "moon.png" }, Cancel))!.IsDone);
        Assert.Equal("by hand", System.IO.File.ReadAllText(moon));
        var delivered = await kalypto.Get<BuildStore>().FilesAsync((await kalypto.Get<BuildStore>().DeliveryAsync(project, 2, Cancel))!.Id, Cancel);
        Assert.Equal([.. delivered.Where(f => f.Platform == "web").Select(f => f.Path["web/".Length..]).Append("moon.png").Append(PlaceLock.FileName).Order(StringComparer.Ordinal)],
            Directory.EnumerateFiles(place.Folder, "*", SearchOption.AllDirectories).Select(f => Path.GetRelativePath(place.Folder, f)).Order(StringComparer.Ordinal));
        Assert.Equal("the developers' own", System.IO.File.ReadAllText(Path.Combine(root, "README.txt")));
        Assert.Null(await deliver.LookAsync(place, 9, none, none, Cancel));
    }
}
