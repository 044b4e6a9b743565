using System.Text;
using Kalypto.Application.Building;
using Kalypto.Application.Places;
using Kalypto.Core.Comparing;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Placing;
using Kalypto.Store;

namespace Kalypto.Application.Tests;

/// <summary>Places on a real disk: kept right, never half, and nobody else's file touched.</summary>
public sealed class PlaceTests : IDisposable
{
    private readonly string root = Directory.CreateTempSubdirectory("kalypto-places-").FullName;

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    private sealed class KilledException : Exception;

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
            await ApplyAsync(new(root, root), 1, ("icons/bell.png", "bell"), ("moon.png", "moon"));
            Assert.Equal(Before, There());
            var left = step;
            var killed = new PlaceFolder(root, root) { Before = () => { if (left-- == 0) { throw new KilledException(); } } };
            try
            {
                await ApplyAsync(killed, 2, ("icons/alarm/alarm.png", "alarm"), ("moon.png", "new moon"), ("comet.png", "comet"));
                break;
            }
            catch (KilledException)
            {
                new PlaceFolder(root, root).Recover();
                Assert.True(There() is Before or After, $"killed at {step}: {There()}");
                Assert.Equal(There() == Before ? 1 : 2, new PlaceFolder(root, root).ReadLock().Delivery);
                Assert.True(step is < 4 ? There() == Before : There() == After, $"{step}");
            }
        }
        Assert.Equal(After, There());
    }

    [Fact]
    public async Task What_somebody_changes_while_it_is_interrupted_stays_theirs()
    {
        await ApplyAsync(new(root, root), 1, ("moon.png", "moon"));
        var left = 2;
        var killed = new PlaceFolder(root, root) { Before = () => { if (left-- == 0) { throw new KilledException(); } } };
        await Assert.ThrowsAsync<KilledException>(() => ApplyAsync(killed, 2, ("moon.png", "new moon")));
        System.IO.File.WriteAllText(Path.Combine(root, "moon.png"), "by hand");
        new PlaceFolder(root, root).Recover();
        Assert.Equal("moon.png=by hand", There());
        Assert.Empty(new PlaceFolder(root, root).ReadLock().Files);
    }

    [Fact]
    public void Nothing_outside_is_read_or_written_and_links_do_not_lead_out()
    {
        var outside = Directory.CreateTempSubdirectory("kalypto-outside-").FullName;
        var inside = Directory.CreateDirectory(Path.Combine(root, "checkout")).FullName;
        Assert.Throws<PlaceRefusedException>(() => new PlaceFolder(root, Path.Combine(root, "..", Path.GetFileName(outside))));
        Assert.Throws<PlaceRefusedException>(() => new PlaceFolder(root, root + "-other"));
        Directory.CreateSymbolicLink(Path.Combine(inside, "assets"), outside);
        Assert.Throws<PlaceRefusedException>(() => new PlaceFolder(root, Path.Combine(inside, "assets", "icons")));
        System.IO.File.WriteAllText(Path.Combine(outside, "secret.png"), "secret");
        Assert.Throws<PlaceRefusedException>(() => new PlaceFolder(root, inside).Present("assets/secret.png"));
        System.IO.File.CreateSymbolicLink(Path.Combine(inside, PlaceLock.FileName), Path.Combine(outside, "secret.png"));
        Assert.Throws<PlaceRefusedException>(() => new PlaceFolder(root, inside).ReadLock());
        Directory.Delete(outside, recursive: true);
    }

    [Fact]
    public async Task A_place_holds_exactly_the_delivery_and_a_file_changed_by_hand_is_asked_about()
    {
        await using var kalypto = await Running.StartAsync(new());
        using var deliver = new DeliverTo(kalypto.Get<PlaceStore>(), kalypto.Get<BuildStore>(), kalypto.Get<IBlobs>(), new([root]));
        var project = await kalypto.ProjectAsync("<rect id='bell' width='24' height='24'/><rect id='moon' x='100' width='90' height='90'/>", ("bell", "picture -webp png scale:1x"), ("moon", "picture -webp png scale:1x"));
        await kalypto.EndedAsync(await kalypto.BuildAsync(project));
        await kalypto.SayAsync(project, Decision.Leave, ("moon", ""));
        await kalypto.EndedAsync(await kalypto.BuildAsync(project));
        System.IO.File.WriteAllText(Path.Combine(root, "README.txt"), "the developers' own");
        HashSet<string> none = [];
        await Assert.ThrowsAsync<PlaceRefusedException>(() => deliver.AddAsync(project, 0, "../out", "web", Cancel));
        await Assert.ThrowsAsync<PlaceRefusedException>(() => deliver.AddAsync(project, 1, "", "web", Cancel));
        var place = await deliver.AddAsync(project, 0, "src/assets", "web", Cancel);
        await Assert.ThrowsAsync<PlaceRefusedException>(() => deliver.AddAsync(project, 0, "src/assets/", "", Cancel));

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
