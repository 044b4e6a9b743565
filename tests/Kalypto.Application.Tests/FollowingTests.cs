using System.Diagnostics;
using Kalypto.Application.BringingIn;
using Kalypto.Application.Building;
using Kalypto.Application.Desk;
using Kalypto.Application.Drafts;
using Kalypto.Application.Opening;
using Kalypto.Application.Packs;
using Kalypto.Application.Places;
using Kalypto.Core.Deciding;
using Kalypto.Core.Placing;
using Kalypto.Store;
using Kalypto.Store.People;
using Microsoft.Extensions.Logging.Abstractions;

namespace Kalypto.Application.Tests;

/// <summary>What is saved into the inbox comes in by itself, and goes on to the places that follow.</summary>
public sealed class FollowingTests : IDisposable
{
    private static readonly DateTime Start = new(2026, 3, 1, 12, 0, 0, DateTimeKind.Utc);
    private readonly string root = Directory.CreateTempSubdirectory("kalypto-inbox-").FullName;

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    public void Dispose() => Directory.Delete(root, recursive: true);

    private static InboxService Inbox(Running kalypto, string folder, bool byName = true) =>
        new(new([folder]) { ByName = byName }, kalypto.Get<BringIn>(), kalypto.Get<ProjectStore>(), kalypto.Get<DesignStore>(), kalypto.Get<InboxStore>(), NullLogger<InboxService>.Instance);

    // Saved at a second after the start.
    private void Save(string path, string text, int second)
    {
        var full = Path.Combine(root, path);
        Directory.CreateDirectory(Path.GetDirectoryName(full)!);
        File.WriteAllText(full, text);
        File.SetLastWriteTimeUtc(full, Start.AddSeconds(second));
    }

    private static string Svg(string inside) => $"<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 900 900'>{inside}</svg>";

    private const string Bell = "<rect id='bell' width='24' height='24'/>";

    [Fact]
    public async Task A_saved_drawing_is_a_design_or_its_next_draft_once_it_is_still_and_whole()
    {
        await using var kalypto = await Running.StartAsync(new(), draws: false);
        using var inbox = Inbox(kalypto, root);
        async Task<string> ThereAsync(int second)
        {
            await inbox.LookAsync(Start.AddSeconds(second), Cancel);
            var project = (await kalypto.Get<ProjectStore>().ListAsync(Shelf.Current, "", 0, 9, Cancel)).Projects.SingleOrDefault();
            return project is null ? "nothing" : $"{project.Name}: {string.Join(", ", (await kalypto.OpenAsync(project.Id)).Designs.Select(d => $"{d.Row.Name} {d.Row.DraftNumber}"))}"
                + string.Concat((await kalypto.Get<InboxStore>().RefusalsAsync(project.Id, Cancel)).Select(r => $" ({r.File} refused)"));
        }
        // Being written, then still.
        Save("Larkrise/tonight.svg", Svg(Bell), 0);
        Save("Larkrise/notes.txt", "hello", 0);
        Assert.Equal("nothing", await ThereAsync(0));
        Assert.Equal("Larkrise: Tonight 1", await ThereAsync(1));
        // Half of it is no draft, and said; the whole of it is one.
        Save("Larkrise/tonight.svg", Svg(Bell)[..70], 10);
        Assert.Equal("Larkrise: Tonight 1 (tonight.svg refused)", await ThereAsync(11));
        Save("Larkrise/tonight.svg", Svg(Bell + "<rect id='moon' x='100' width='50' height='50'/>"), 20);
        Assert.Equal("Larkrise: Tonight 1 (tonight.svg refused)", await ThereAsync(20));
        Assert.Equal("Larkrise: Tonight 2", await ThereAsync(21));
        // Saved again without a change, and removed: nothing.
        Save("Larkrise/tonight.svg", Svg(Bell + "<rect id='moon' x='100' width='50' height='50'/>"), 30);
        Assert.Equal("Larkrise: Tonight 2", await ThereAsync(31));
        // Somebody goes back; a start finds the file that is known and leaves it at that.
        var project = (await kalypto.Get<ProjectStore>().ListAsync(Shelf.Current, "", 0, 9, Cancel)).Projects.Single().Id;
        var row = (await kalypto.OpenAsync(project)).Designs[0].Row;
        var drafts = await kalypto.Get<DesignStore>().DraftsAsync(row.Id, Cancel);
        await kalypto.Get<HoldDraft>().HoldAsync(Running.By(project), row.Id, drafts[^1].Id, Cancel);
        using var restarted = Inbox(kalypto, root);
        await restarted.LookAsync(Start.AddSeconds(40), Cancel);
        await restarted.LookAsync(Start.AddSeconds(41), Cancel);
        Assert.Equal("Larkrise: Tonight 1", await ThereAsync(50));
        File.Delete(Path.Combine(root, "Larkrise/tonight.svg"));
        Assert.Equal("Larkrise: Tonight 1", await ThereAsync(60));
        // A link is left alone, wherever it leads.
        File.CreateSymbolicLink(Path.Combine(root, "Larkrise/map.svg"), "/etc/hostname");
        Directory.CreateSymbolicLink(Path.Combine(root, "Elsewhere"), "/etc");
        Assert.Equal("Larkrise: Tonight 1", await ThereAsync(70));
    }

    [Fact]
    public async Task A_folder_belongs_to_a_project_by_number_and_what_is_no_file_stops_nothing()
    {
        await using var kalypto = await Running.StartAsync(new(), draws: false);
        var projects = kalypto.Get<ProjectStore>();
        var folders = new InboxFolders(new([root]) { ByName = false }, kalypto.Get<InboxStore>(), projects);
        using var inbox = Inbox(kalypto, root, byName: false);
        var mine = await projects.AddAsync("Larkrise", ["web"], Running.Ada, Cancel);
        // Somebody's folder is there already: it is given to nobody.
        Directory.CreateDirectory(Path.Combine(root, "larkrise"));
        var (done, folder) = await folders.CreateAsync(Running.By(mine), Cancel);
        Assert.Equal((true, Path.Combine(root, "larkrise-2")), (done.IsDone, folder));
        // A stranger calls a project the same, and gets a folder of their own.
        var theirs = await projects.AddAsync("Larkrise", ["web"], Running.Ada, Cancel);
        Assert.Equal(Path.Combine(root, "larkrise-3"), (await folders.CreateAsync(Running.By(theirs), Cancel)).Folder);
        await System.Diagnostics.Process.Start("mkfifo", Path.Combine(folder!, "a.svg")).WaitForExitAsync(Cancel);
        Save("larkrise/tonight.svg", Svg(Bell), 0);
        Save("larkrise-2/tonight.svg", Svg(Bell), 0);
        await inbox.LookAsync(Start.AddSeconds(9), Cancel).WaitAsync(Running.Patience, Cancel);
        await inbox.LookAsync(DateTime.UtcNow.AddMinutes(1), Cancel).WaitAsync(Running.Patience, Cancel);
        Assert.Equal((1, 0), ((await kalypto.OpenAsync(mine)).Designs.Count, (await kalypto.OpenAsync(theirs)).Designs.Count));
        Assert.True((await kalypto.Get<InboxStore>().ReleaseAsync(Running.By(mine), folder!, Cancel)).IsDone);
        Assert.Equal(StepState.Nothing, (await kalypto.Get<InboxStore>().ReleaseAsync(Running.By(theirs), folder!, Cancel)).State);
        Save("larkrise-2/moon.svg", Svg(Bell), 20);
        await inbox.LookAsync(Start.AddSeconds(29), Cancel);
        Assert.Single((await kalypto.OpenAsync(mine)).Designs);
    }

    [Fact]
    public async Task A_place_that_follows_gets_what_changed_and_waits_while_something_is_to_be_said()
    {
        await using var kalypto = await Running.StartAsync(new());
        var project = await kalypto.ProjectAsync(Bell, ("bell", "picture -webp png scale:1x"));
        await using var follows = await FollowedPlace.MakeAsync(kalypto, project, root);
        Task<(int Delivery, string WaitsFor)> FollowedAsync() => follows.LookAsync();
        var asked = Assert.Single(await kalypto.Get<PlaceStore>().ToFollowAsync(TimeSpan.Zero, Cancel));
        Assert.Equal((1, ""), await FollowedAsync());
        // Whoever asked before that was done does nothing more.
        await follows.FollowAsync(asked);
        Assert.Single(await kalypto.Get<BuildStore>().ListAsync(project, Cancel));
        var before = File.ReadAllText(Path.Combine(root, "bell.png"));
        // Nothing changed, and a change that comes to the same files: no delivery.
        Assert.Equal((1, ""), await FollowedAsync());
        var file = System.Text.Encoding.UTF8.GetBytes($"<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 9000 9000'>{Bell}<rect id='note' x='70' y='70' width='9' height='9'/></svg>");
        await kalypto.Get<BringIn>().FileAsync(new(Running.Ada, project), "tonight.svg", file, "tonight.svg", Cancel);
        Assert.Equal((1, ""), await FollowedAsync());
        // The icon is drawn anew.
        file = System.Text.Encoding.UTF8.GetBytes($"<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 9000 9000'>{Bell.Replace("/>", " fill='#b8402a'/>")}<rect id='note' x='70' y='70' width='9' height='9'/></svg>");
        Assert.IsType<BroughtIn.Next>(await kalypto.Get<BringIn>().FileAsync(new(Running.Ada, project), "tonight.svg", file, "tonight.svg", Cancel));
        Assert.Equal((2, ""), await FollowedAsync());
        Assert.NotEqual(before, File.ReadAllText(Path.Combine(root, "bell.png")));
        // Changed by hand there: it waits and says so.
        File.WriteAllText(Path.Combine(root, "bell.png"), "by hand");
        await kalypto.SayAsync(project, Decision.Ship, ("bell", "scale:1x,2x"));
        var (delivery, waitsFor) = await FollowedAsync();
        Assert.Equal(2, delivery);
        Assert.Contains("bell.png", waitsFor, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Files_that_would_lie_in_another_folder_wait_for_a_yes()
    {
        await using var kalypto = await Running.StartAsync(new());
        const string Group = "<g id='tabs'>" + Bell + "<rect id='moon' x='100' width='24' height='24' rx='4'/></g>";
        var project = await kalypto.ProjectAsync(Group, ("bell", "icon -webp png scale:1x"), ("moon", "icon -webp png scale:1x"));
        await using var follows = await FollowedPlace.MakeAsync(kalypto, project, root);
        Assert.Equal((1, ""), await follows.LookAsync());
        var old = Directory.GetFiles(root, "bell.png", SearchOption.AllDirectories).Single();
        // The group is called otherwise in the next draft, and folders come from groups.
        await BringAsync(kalypto, project, Group.Replace("tabs", "navigation", StringComparison.Ordinal));
        var (delivery, waitsFor) = await follows.LookAsync();
        Assert.Equal(1, delivery);
        Assert.NotEmpty(waitsFor);
        var place = await follows.RowAsync();
        var move = Assert.Single(FolderMove.Read(place.Moves));
        Assert.Equal((Path.GetRelativePath(root, Path.GetDirectoryName(old)!), 4), (move.From, move.Files));
        // It waits without a build, also after other changes, and a yes to something else is none.
        await kalypto.SayAsync(project, Decision.Ship, ("bell", "icon -webp png scale:1x,2x"));
        await follows.LookAsync();
        Assert.Single(await kalypto.Get<BuildStore>().ListAsync(project, Cancel));
        Assert.True(File.Exists(old));
        Assert.False(await kalypto.Get<PlaceStore>().AgreeAsync(project, place.Id, "[]", Cancel));
        Assert.True(await kalypto.Get<PlaceStore>().AgreeAsync(project, place.Id, (await follows.RowAsync()).Moves, Cancel));
        Assert.Equal((2, ""), await follows.LookAsync());
        Assert.False(File.Exists(old));
        Assert.True(File.Exists(Path.Combine(root, move.To, "bell.png")));
    }

    [Fact]
    public async Task A_change_that_comes_during_a_delivery_ends_it_and_goes_with_the_next_and_the_place_says_how_far_it_is()
    {
        var renderer = new PaperRenderer { Holds = _ => true };
        await using var kalypto = await Running.StartAsync(renderer);
        var project = await kalypto.ProjectAsync(Bell, ("bell", "picture -webp png scale:1x"));
        await using var follows = await FollowedPlace.MakeAsync(kalypto, project, root);
        var places = kalypto.Get<PlaceStore>();
        await follows.StartAsync();
        // It says at what it is, while nothing can be drawn.
        await UntilAsync(async () => (await follows.RowAsync()).WaitsFor.Contains("1 of 1", StringComparison.Ordinal));
        await kalypto.SayAsync(project, Decision.Ship, ("bell", "picture -webp png scale:2x"));
        await UntilAsync(async () => (await kalypto.Get<BuildStore>().ListAsync(project, Cancel)) is [{ State: "running" }, { State: "cancelled" }]);
        renderer.Release();
        await UntilAsync(async () => (await follows.RowAsync()) is { Delivery: 1, WaitsFor: "" });
        Assert.Single(await kalypto.Get<BuildStore>().DeliveriesAsync(project, Cancel));
    }

    private static async Task UntilAsync(Func<Task<bool>> isSo)
    {
        for (var began = Stopwatch.GetTimestamp(); !await isSo(); await Task.Delay(50, Cancel))
        {
            Assert.True(Stopwatch.GetElapsedTime(began) < Running.Patience);
        }
    }

    private static async Task BringAsync(Running kalypto, int project, string inside)
    {
        var file = System.Text.Encoding.UTF8.GetBytes($"<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 9000 9000'>{inside}</svg>");
        Assert.IsType<BroughtIn.Next>(await kalypto.Get<BringIn>().FileAsync(new(Running.Ada, project), "tonight.svg", file, "tonight.svg", Cancel));
    }

    // A place that follows a project, looked at when the test wants it.
    private sealed class FollowedPlace(Running kalypto, int project, int place, FollowService follow) : IAsyncDisposable
    {
        public static async Task<FollowedPlace> MakeAsync(Running kalypto, int project, string root)
        {
            var options = new PlaceOptions([root]);
            var deliver = new DeliverTo(kalypto.Get<PlaceStore>(), kalypto.Get<BuildStore>(), kalypto.Get<IBlobs>(), options, NullLogger<DeliverTo>.Instance);
            var follow = new FollowService(kalypto.Get<PlaceStore>(), kalypto.Get<OpenProject>(), kalypto.Get<PlanPack>(), kalypto.Get<BuildPack>(), kalypto.Get<BuildStore>(), kalypto.Get<Deliveries>(), deliver, kalypto.Get<AuditStore>(), options, NullLogger<FollowService>.Instance);
            var place = await deliver.AddAsync(Running.By(project), 0, "", "web", Cancel);
            await kalypto.Get<PlaceStore>().FollowAsync(project, place.Id, true, Cancel);
            return new(kalypto, project, place.Id, follow);
        }

        public async Task<PlaceRow> RowAsync() => (await kalypto.Get<PlaceStore>().FindAsync(project, place, Cancel))!;

        public async Task<(int Delivery, string WaitsFor)> LookAsync()
        {
            foreach (var changed in await kalypto.Get<PlaceStore>().ToFollowAsync(TimeSpan.Zero, Cancel))
            {
                await follow.FollowAsync(changed, Cancel);
            }
            var row = await RowAsync();
            return (row.Delivery, row.WaitsFor);
        }

        public Task FollowAsync(PlaceRow row) => follow.FollowAsync(row, Cancel);

        public Task StartAsync() => follow.StartAsync(Cancel);

        public async ValueTask DisposeAsync()
        {
            await follow.StopAsync(CancellationToken.None);
            follow.Dispose();
        }
    }
}
