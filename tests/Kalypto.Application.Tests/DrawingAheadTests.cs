using Kalypto.Application.Packs;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Packing;
using Kalypto.Core.Rendering;
using Kalypto.Store;

namespace Kalypto.Application.Tests;

/// <summary>In which order files are drawn, and which are not any more.</summary>
public class DrawingAheadTests
{
    private const string Screen = "<rect id='vast' width='3000' height='3000'/><rect id='large' width='2500' height='2500' rx='1'/>"
        + "<rect id='bell' width='24' height='24'/><rect id='moon' width='30' height='30' rx='4'/><rect id='dome' width='50' height='20'/>";

    private const string Once = "picture -webp png scale:1x";
    private readonly CancellationToken cancel = TestContext.Current.CancellationToken;

    private static bool IsLarge(FileOrder order) => order.Width >= 2500;

    [Fact]
    public async Task The_largest_goes_first_and_while_it_is_drawn_only_small_ones_are()
    {
        var large = new TaskCompletionSource(TaskCreationOptions.RunContinuationsAsynchronously);
        var renderer = new PaperRenderer { Holds = order => IsLarge(order) && (large.TrySetResult() || true) };
        await using var kalypto = await Running.StartAsync(renderer);
        var project = await kalypto.ProjectAsync(Screen, ("vast", Once), ("large", Once), ("bell", Once), ("moon", Once), ("dome", Once));
        var small = BuildTests.Count(renderer, o => !IsLarge(o), 3);
        var build = await kalypto.BuildAsync(project);
        await small;
        await large.Task.WaitAsync(Running.Patience, cancel);
        var begun = renderer.Begun;
        Assert.Equal(3000, Assert.Single(begun, IsLarge).Width);
        renderer.Release();
        Assert.Equal("done", (await kalypto.EndedAsync(build)).State);
        Assert.Equal(2500, renderer.Begun[^1].Width);
    }

    [Fact]
    public async Task What_an_edit_made_needless_is_not_drawn_ahead_and_comes_back_when_it_is_asked_again()
    {
        await using var kalypto = await Running.StartAsync(new(), draws: false);
        var queue = kalypto.Get<DrawingQueue>();
        var project = await kalypto.ProjectAsync(Screen, ("bell", Once), ("moon", Once + ",2x"));
        async Task<List<DrawingJob>> QueuedAsync(int priority = DrawingQueue.Ahead)
        {
            var workspace = await kalypto.OpenAsync(project);
            await kalypto.Get<PlanPack>().DrawAheadAsync(workspace, await kalypto.Get<PlanPack>().PlanAsync(workspace, cancel), priority, cancel);
            var jobs = new List<DrawingJob>();
            while (await queue.TakeAsync("paper 1", Running.Patience, cancel) is var (job, _))
            {
                jobs.Add(job);
            }
            await queue.GiveBackAsync(cancel);
            return jobs;
        }
        // Looks come first, for files are known only when crops are.
        var looks = await QueuedAsync();
        Assert.Equal(2, looks.Count(j => j.Picture is null));
        foreach (var look in looks)
        {
            await kalypto.Get<DrawingStore>().PutLookAsync(look.Key, new(new(look.Ordinal * 100, 0, 10 * look.Ordinal, 10), null), cancel);
        }
        static string Sizes(List<DrawingJob> jobs) => string.Join(' ', jobs.Select(j => j.Picture!.Width).Order());
        Assert.Equal("30 40 80", Sizes(await QueuedAsync()));
        await kalypto.SayAsync(project, Decision.Leave, ("moon", ""));
        Assert.Equal("30", Sizes(await QueuedAsync()));
        await kalypto.SayAsync(project, Decision.Ship, ("moon", ""));
        Assert.Equal("30 40 80", Sizes(await QueuedAsync()));

        // What somebody waits for stays.
        await QueuedAsync(DrawingQueue.Wanted);
        await kalypto.SayAsync(project, Decision.Leave, ("moon", ""));
        Assert.Equal("30 40 80", Sizes(await QueuedAsync()));
    }
}
