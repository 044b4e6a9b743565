using System.Diagnostics;
using System.Text;
using Kalypto.Application.BringingIn;
using Kalypto.Application.Building;
using Kalypto.Application.Desk;
using Kalypto.Application.Drafts;
using Kalypto.Application.Editing;
using Kalypto.Application.Opening;
using Kalypto.Application.Packs;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Tagging;
using Kalypto.Store;

namespace Kalypto.Application.Tests;

/// <summary>What it costs to open, edit and show: no more in a project of many designs than in one of one.</summary>
public class LoadingTests
{
    private readonly CancellationToken cancel = TestContext.Current.CancellationToken;

    private static byte[] Drawing(int number) => Encoding.UTF8.GetBytes($"<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 400 400'>{string.Concat(Enumerable.Range(0, 10)
        .Select(i => $"<rect id='layer{i}' x='{i * 30}' y='{number}' width='{20 + i}' height='{10 + number % 7}'/>"))}</svg>");

    private static async Task<int> ProjectAsync(Running kalypto, int designs)
    {
        var target = new Target(Running.Ada);
        for (var i = 0; i < designs; i++)
        {
            Assert.IsType<BroughtIn.Read>(await kalypto.Get<BringIn>().FileAsync(target, $"icon {i}.svg", Drawing(i), "icons.zip", TestContext.Current.CancellationToken));
        }
        return target.Project!.Value;
    }

    [Fact]
    public async Task A_drawing_that_cannot_be_read_any_more_costs_itself_alone()
    {
        var before = await Running.StartAsync(new(), drops: false);
        var project = await ProjectAsync(before, 3);
        var design = (await before.OpenAsync(project)).Designs[1].Row;
        var next = Encoding.UTF8.GetBytes(Encoding.UTF8.GetString(Drawing(1)).Replace("layer3", "layer33", StringComparison.Ordinal));
        Assert.IsType<BroughtIn.Next>(await before.Get<BringIn>().FileAsync(new(Running.Ada, project) { Design = design.Id }, "icon.svg", next, "", cancel));
        await using (var connection = await before.Get<Database>().Source.OpenConnectionAsync(cancel))
        await using (var command = new Npgsql.NpgsqlCommand("update blobs set bytes = 'no drawing' where sha256 = $1", connection) { Parameters = { new() { Value = Fingerprint.Of(next).Hex } } })
        {
            Assert.Equal(1, await command.ExecuteNonQueryAsync(cancel));
        }
        await using var kalypto = await Running.StartAsync(new(), await before.StopAsync());

        var workspace = await kalypto.OpenAsync(project);
        Assert.Equal(2, workspace.Designs.Count);
        Assert.Equal(design.Id, Assert.Single(workspace.Unreadable).Row.Id);
        Assert.True((await kalypto.Get<EditLayers>().DecideAsync(await kalypto.VisitAsync(project), [new(workspace.Designs[0].Row.Id, 3)], Decision.Ship, cancel)).IsDone);
        // A pack without its files would look whole.
        var (_, refusal) = await kalypto.Get<BuildPack>().StartAsync(await kalypto.OpenAsync(project), new(), cancel);
        Assert.Contains("cannot be read any more", refusal!.Sentence, StringComparison.Ordinal);
        // The draft before is still there, and so is all that was said.
        var drafts = await kalypto.Get<DesignStore>().DraftsAsync(design.Id, cancel);
        Assert.True((await kalypto.Get<HoldDraft>().HoldAsync(Running.By(project), design.Id, drafts[1].Id, cancel)).IsDone);
        workspace = await kalypto.OpenAsync(project);
        Assert.Empty(workspace.Unreadable);
        Assert.Equal(3, workspace.Designs.Count);
    }

    [Fact]
    public async Task An_edit_a_bench_page_and_a_thumbnail_ask_as_much_in_a_project_of_300_designs_as_in_one_of_1()
    {
        await using var kalypto = await Running.StartAsync(new());
        var counted = new List<int[]>();
        foreach (var designs in new[] { 1, 300 })
        {
            var project = await ProjectAsync(kalypto, designs);
            await kalypto.Get<PlanPack>().PlanAsync(await kalypto.OpenAsync(project), cancel);
            async Task EditAsync(Decision decision)
            {
                var visit = await kalypto.VisitAsync(project);
                Assert.True((await kalypto.Get<EditLayers>().DecideAsync(visit, [new(visit.Workspace.States[0].Id, 3)], decision, cancel)).IsDone);
                await kalypto.Get<PlanPack>().PlanAsync(await kalypto.OpenAsync(project), cancel);
            }
            async Task PageAsync() => await kalypto.Get<PlanPack>().PlanAsync(await kalypto.OpenAsync(project), cancel);
            var design = (await kalypto.OpenAsync(project)).States[0].Id;
            async Task ThumbnailAsync() => Assert.NotNull((await kalypto.Get<LayerPictures>().LayerAsync(project, design, 4, null, false, cancel)).Png);
            await EditAsync(Decision.Code);
            await ThumbnailAsync();
            counted.Add([await Commands.CountAsync(() => EditAsync(Decision.Leave)), await Commands.CountAsync(PageAsync), await Commands.CountAsync(ThumbnailAsync)]);
        }
        Assert.Equal(counted[0], counted[1]);
        // One question opens a project; an edit locks, reads, writes and remembers, and the answer asks once more.
        Assert.Equal(1, counted[0][1]);
        Assert.InRange(counted[0][0], 5, 9);
    }

    [Fact]
    public async Task What_an_edit_did_not_touch_is_kept_down_to_what_was_worked_out_of_it()
    {
        await using var kalypto = await Running.StartAsync(new(), draws: false);
        var project = await ProjectAsync(kalypto, 3);
        var before = await kalypto.OpenAsync(project);
        Assert.Same(before, await kalypto.OpenAsync(project));
        await kalypto.Get<EditLayers>().DecideAsync(new(before, Running.Ada), [new(before.States[1].Id, 2)], Decision.Ship, cancel);
        var after = await kalypto.OpenAsync(project);
        Assert.Equal([true, false, true], before.States.Zip(after.States, ReferenceEquals));
        Assert.Same(before.States[1].Measured, after.States[1].Measured);
        Assert.Same(before.Repeats, after.Repeats);
        Assert.Equal(Decision.Ship, after.States[1].Marks[2].Decision);
    }

    [Fact]
    public async Task A_plan_holds_until_more_is_drawn_or_something_else_is_said()
    {
        await using var kalypto = await Running.StartAsync(new());
        var project = await ProjectAsync(kalypto, 2);
        var plans = kalypto.Get<PlanPack>();
        async Task<PlannedPack> SayAsync(int design)
        {
            var visit = await kalypto.VisitAsync(project);
            await kalypto.Get<EditLayers>().DecideAsync(visit, [new(visit.Workspace.States[design].Id, 2)], Decision.Ship, cancel);
            return await plans.PlanAsync(await kalypto.OpenAsync(project), cancel);
        }
        var first = await SayAsync(0);
        while (!await plans.DrawAheadAsync(await kalypto.OpenAsync(project), await plans.PlanAsync(await kalypto.OpenAsync(project), cancel), DrawingQueue.Ahead, cancel))
        {
            await Task.Delay(20, cancel);
        }
        var drawn = await plans.PlanAsync(await kalypto.OpenAsync(project), cancel);
        Assert.False(first.IsWhole);
        Assert.True(drawn.IsWhole);
        Assert.Equal(drawn.Pack.Files.Length, drawn.FilesDrawn);
        Assert.Same(drawn, await plans.PlanAsync(await kalypto.OpenAsync(project), cancel));
        Assert.Equal(2, (await SayAsync(1)).Pack.Pictures.Length);
    }

    [Fact]
    public async Task Drawings_are_kept_by_bytes_and_whatever_does_not_fit_is_read_again()
    {
        await using var kalypto = await Running.StartAsync(new(), draws: false, options: new() { Drawers = 0, DrawingsInMemory = 200_000 });
        var (first, second) = (await ProjectAsync(kalypto, 12), await ProjectAsync(kalypto, 12));
        var cache = kalypto.Get<DrawingCache>();
        for (var round = 0; round < 3; round++)
        {
            foreach (var project in new[] { first, second })
            {
                var workspace = await kalypto.OpenAsync(project);
                Assert.Equal(12, workspace.States.Count);
                Assert.All(workspace.States, s => Assert.Equal("layer9", s.Layers[^1].Name));
                // The project at hand is kept whatever it takes, and nothing of the other one.
                Assert.InRange(cache.Bytes, 1, workspace.Designs.Sum(d => cache.BytesOf(d.Row.DraftId)) + 200_000);
            }
        }
    }

    [Fact]
    public async Task The_first_page_counts_in_the_background_and_opens_nothing()
    {
        await using var kalypto = await Running.StartAsync(new());
        var project = await ProjectAsync(kalypto, 2);
        var projects = kalypto.Get<ProjectStore>();
        async Task<ProjectCounts> CountedAsync(int? other = null)
        {
            while (true)
            {
                var (listed, _) = await projects.ListAsync(Shelf.Current, "", 0, 9, cancel);
                if (listed.Single(p => p.Id == (other ?? project)) is { IsCounted: true, Counts: { } counts })
                {
                    return ProjectCounts.Read(counts)!;
                }
                await Task.Delay(20, cancel);
            }
        }
        Assert.Equal((2, 0, 20, 0), await CountedAsync() is var c ? (c.Screens, c.Decided, c.Layers, c.Files) : default);
        await kalypto.Get<EditLayers>().DecideAsync(await kalypto.VisitAsync(project), [new((await kalypto.OpenAsync(project)).States[0].Id, 1)], Decision.Code, cancel);
        Assert.Equal(1, (await CountedAsync()).Decided);
        // An empty one is told of too.
        Assert.Equal(0, (await CountedAsync(await kalypto.Get<ManageProject>().AddAsync("Kiosk", Running.Ada, cancel))).Screens);
        Assert.Equal(1, await Commands.CountAsync(() => projects.ListAsync(Shelf.Current, "", 0, 48, cancel)));
    }

    /// <summary>Counts what is asked of the database in the flow of a test alone, not in the background.</summary>
    private static class Commands
    {
        private static readonly AsyncLocal<StrongBox?> Here = new();
        private static readonly ActivityListener Listener = Start();

        private sealed class StrongBox
        {
            public int Count;
        }

        public static async Task<int> CountAsync(Func<Task> act)
        {
            Assert.NotNull(Listener);
            var box = Here.Value = new();
            await act();
            Here.Value = null;
            return box.Count;
        }

        private static ActivityListener Start()
        {
            var listener = new ActivityListener
            {
                ShouldListenTo = source => source.Name == "Npgsql",
                Sample = (ref ActivityCreationOptions<ActivityContext> _) => ActivitySamplingResult.AllData,
                ActivityStarted = _ =>
                {
                    if (Here.Value is { } box)
                    {
                        Interlocked.Increment(ref box.Count);
                    }
                },
            };
            ActivitySource.AddActivityListener(listener);
            return listener;
        }
    }
}
