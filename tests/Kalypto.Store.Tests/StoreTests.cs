using System.Text;
using Kalypto.Core.Arranging;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Reading;
using Kalypto.Core.Rendering;
using Kalypto.Core.Tagging;

namespace Kalypto.Store.Tests;

public class StoreTests(DatabaseFixture fixture)
{
    private static readonly byte[] File = Encoding.UTF8.GetBytes(
        "<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 10 10'><g id='a'><rect id='b'/></g><rect id='c'/></svg>");

    private readonly Database database = fixture.Database;
    private readonly CancellationToken cancel = TestContext.Current.CancellationToken;

    private EditStore Edits => new(database);

    private async Task<(int Project, int Draft)> NewDesignAsync()
    {
        var project = await new ProjectStore(database).AddAsync("Project", ["web"], cancel);
        var drawing = SvgReader.Read(File, "Drawing");
        await new DesignStore(database).AddAsync(project, "Drawing", 1, "drawing.svg", File, drawing, [null, new Box(1, 2, 3, 4), null, null], cancel);
        return (project, (await new DesignStore(database).ListAsync(project, cancel)).Single().DraftId);
    }

    private Task DecideAsync(int project, int draft, Decision decision, params int[] layers) =>
        Edits.EditAsync(new(project, "Ada"), $"{decision}", [.. layers.Select(l => new LayerKey(draft, l))], (_, mark) => (mark ?? Mark.None) with { Decision = decision }, cancel);

    private async Task<string> StateAsync(int draft) => string.Join(' ', (await Edits.MarksAsync(draft, cancel))
        .Where(m => m.Value != Mark.None).OrderBy(m => m.Key).Select(m => $"{m.Key}:{m.Value.Decision}:{m.Value.ShipName}:{m.Value.Tags}"));

    [Fact]
    public async Task Migrating_again_changes_nothing()
    {
        database.Migrate();
        Assert.NotNull(await new ProjectStore(database).ListAsync(cancel));
    }

    [Fact]
    public async Task A_design_comes_back_as_it_was_brought_in()
    {
        var (project, draft) = await NewDesignAsync();
        var designs = new DesignStore(database);
        var (name, file) = (await designs.FileAsync(draft, cancel))!.Value;
        Assert.Equal("Drawing", name);
        Assert.Equal(File, file);
        Assert.Equal([null, new Box(1, 2, 3, 4), null, null], await designs.ShapesAsync(draft, cancel));
        Assert.Equal(project, (await designs.ListAsync(project, cancel)).Single().ProjectId);
    }

    [Fact]
    public async Task Every_edit_can_be_undone_and_done_again()
    {
        var (project, draft) = await NewDesignAsync();
        await DecideAsync(project, draft, Decision.Ship, 1, 2);
        await Edits.EditAsync(new(project, "Ada"), "Name", [new(draft, 1)], (_, mark) => (mark ?? Mark.None) with { ShipName = "bell" }, cancel);
        await Edits.EditAsync(new(project, "Ada"), "Tag", [new(draft, 1), new(draft, 3)], (_, mark) => (mark ?? Mark.None) with { Tags = Tags.Parse("icon to:x") }, cancel);
        const string All = "1:Ship:bell:icon to:x 2:Ship:: 3:Open::icon to:x";
        Assert.Equal(All, await StateAsync(draft));

        Assert.Equal("Tag", (await Edits.UndoAsync(project, cancel))!.Label);
        Assert.Equal("1:Ship:bell: 2:Ship::", await StateAsync(draft));
        await Edits.UndoAsync(project, cancel);
        await Edits.UndoAsync(project, cancel);
        Assert.Equal("", await StateAsync(draft));
        Assert.Null(await Edits.UndoAsync(project, cancel));

        for (var i = 0; i < 3; i++)
        {
            Assert.NotNull(await Edits.RedoAsync(project, cancel));
        }
        Assert.Equal(All, await StateAsync(draft));
        Assert.Null(await Edits.RedoAsync(project, cancel));
    }

    [Fact]
    public async Task A_new_edit_ends_what_could_be_done_again_and_an_empty_one_leaves_no_trace()
    {
        var (project, draft) = await NewDesignAsync();
        await DecideAsync(project, draft, Decision.Ship, 1);
        await DecideAsync(project, draft, Decision.Ship, 1);
        await Edits.UndoAsync(project, cancel);
        Assert.Equal("", await StateAsync(draft));
        await DecideAsync(project, draft, Decision.Leave, 2);
        Assert.Null(await Edits.RedoAsync(project, cancel));
        Assert.Equal("2:Leave::", await StateAsync(draft));
    }

    [Fact]
    public async Task Edits_of_two_people_at_once_lose_nothing()
    {
        var (project, draft) = await NewDesignAsync();
        await Task.WhenAll(Enumerable.Range(0, 20).SelectMany(i => new[]
        {
            Edits.EditAsync(new(project, "Ada"), "Name", [new(draft, i)], (_, mark) => (mark ?? Mark.None) with { ShipName = $"n{i}" }, cancel),
            DecideAsync(project, draft, Decision.Ship, i),
        }));
        var marks = await Edits.MarksAsync(draft, cancel);
        Assert.Equal(Enumerable.Range(0, 20).Select(i => (Decision.Ship, $"n{i}")), marks.OrderBy(m => m.Key).Select(m => (m.Value.Decision, m.Value.ShipName!)));
    }

    [Fact]
    public async Task Drawn_at_is_undone_like_any_edit()
    {
        var (project, _) = await NewDesignAsync();
        async Task<DesignRow> Design() => (await new DesignStore(database).ListAsync(project, cancel)).Single();
        await Edits.SetDrawnAtAsync(new(project, "Ada"), (await Design()).Id, 3, cancel);
        Assert.Equal(3, (await Design()).DrawnAt);
        await Edits.UndoAsync(project, cancel);
        Assert.Equal(1, (await Design()).DrawnAt);
    }

    [Fact]
    public async Task Layers_put_together_and_what_is_said_of_them_are_one_step_of_the_history()
    {
        var (project, draft) = await NewDesignAsync();
        async Task<DesignRow> Design() => (await new DesignStore(database).ListAsync(project, cancel)).Single();
        var design = (await Design()).Id;
        var made = new Arrangement([], [new("combination", [1, 2], null)]);
        await Edits.EditAsync(new(project, "Ada"), "Combine 2 layers", [new(draft, 4)], (_, _) => Mark.None with { Decision = Decision.Ship, Apart = true }, cancel, new(design, _ => made));
        Assert.Equal(made, Arrangement.Parse((await Design()).Arrangement));
        Assert.Equal((Decision.Ship, true), (await Edits.MarksAsync(draft, cancel))[4] is var mark ? (mark.Decision, mark.Apart) : default);

        await Edits.UndoAsync(project, cancel);
        Assert.Equal("", (await Design()).Arrangement);
        Assert.Equal(Mark.None, (await Edits.MarksAsync(draft, cancel))[4]);
        await Edits.RedoAsync(project, cancel);
        Assert.Equal(made, Arrangement.Parse((await Design()).Arrangement));

        var history = await Edits.HistoryAsync(project, 10, cancel);
        Assert.Equal([("Combine 2 layers", "Ada", false)], history.Select(h => (h.Label, h.Who, h.Undone)));
    }

    [Fact]
    public async Task Equal_bytes_are_kept_once_and_drawings_are_found_by_key()
    {
        var drawings = new DrawingStore(database);
        var (one, two, bad) = (Key("one"), Key("two"), Key("bad"));
        await drawings.PutAsync(one, [1, 2, 3], null, cancel);
        var put = await drawings.PutAsync(two, [1, 2, 3], null, cancel);
        await drawings.PutAsync(bad, null, "It hangs.", cancel);
        await drawings.PutLookAsync(one, new Look(new Box(1, 2, 3, 4), null), cancel);
        var found = await drawings.FindAsync([one, two, bad, Key("none")], cancel);
        Assert.Equal(3, found.Count);
        Assert.Equal(put, found[two]);
        Assert.Equal(found[one].Sha256, found[two].Sha256);
        Assert.Equal((null, "It hangs."), (found[bad].Sha256, found[bad].Failure));
        Assert.Equal([1, 2, 3], await drawings.BytesAsync(two, cancel));
        Assert.Equal(new Box(1, 2, 3, 4), (await drawings.LooksAsync([one], cancel))[one].Ink);
    }

    [Fact]
    public async Task The_queue_hands_each_job_to_one_taker_most_urgent_first()
    {
        var queue = new DrawingQueue(database);
        var jobs = Enumerable.Range(0, 40).Select(i => new DrawingJob(Key($"job {i}"), 1, i, [7], "", new(0, 0, 1, 1, 10, 10, false))).ToList();
        await queue.AddAsync(jobs, DrawingQueue.Ahead, cancel);
        await queue.AddAsync([jobs[33]], DrawingQueue.Wanted, cancel);
        var lease = TimeSpan.FromMinutes(5);
        Assert.Equal(33, (await queue.TakeAsync(lease, cancel))!.Value.Job.Ordinal);

        // Of what is equally urgent the largest goes first, unless it is too large for whoever asks.
        DrawingJob Sized(string key, int side) => new(Key(key), 1, side, [], "", new(0, 0, 1, 1, side, side, false));
        await queue.AddAsync([Sized("small", 11), Sized("vast", 3000), Sized("large", 40)], DrawingQueue.Wanted, cancel);
        foreach (var (most, side) in new (long?, int)[] { (8_000_000, 40), (null, 3000), (null, 11) })
        {
            var sized = (await queue.TakeAsync(lease, cancel, most))!.Value.Job;
            Assert.Equal(side, sized.Ordinal);
            await new DrawingStore(database).PutAsync(sized.Key, null, "Only a test.", cancel);
        }

        var taken = await Task.WhenAll(Enumerable.Range(0, 4).Select(async _ =>
        {
            var mine = new List<DrawingJob>();
            while (await queue.TakeAsync(lease, cancel) is var (job, _))
            {
                mine.Add(job);
            }
            return mine;
        }));
        Assert.Equal(39, taken.SelectMany(t => t).Select(j => j.Ordinal).Distinct().Count());
        Assert.Equal(39, taken.Sum(t => t.Count));
        Assert.Equal([7], taken[0].Concat(taken[1]).First().Without);

        // A taker that died gives its jobs back; one that dies again and again is given up.
        foreach (var expected in new[] { false, false, true })
        {
            await queue.ReleaseAllAsync(cancel);
            var again = await queue.TakeAsync(TimeSpan.Zero, cancel);
            Assert.Equal(expected, again!.Value.GivenUp);
            await queue.ReleaseAllAsync(cancel);
        }
        // What came of a job takes it off.
        var drawings = new DrawingStore(database);
        foreach (var job in jobs)
        {
            await (job.Ordinal % 2 == 0 ? drawings.PutAsync(job.Key, [4], null, cancel) : drawings.PutLookAsync(job.Key, new(null, null), cancel));
        }
        Assert.Null(await queue.TakeAsync(lease, cancel));
    }

    [Fact]
    public async Task Many_who_queue_forget_and_take_at_once_never_stand_in_each_others_way()
    {
        var (queue, drawings) = (new DrawingQueue(database), new DrawingStore(database));
        var jobs = Enumerable.Range(0, 120).Select(i => new DrawingJob(Key($"crowd {i}"), 77, i, [], "", new(0, 0, 1, 1, 10 + i, 10, false))).ToList();
        var forgotten = new List<string>();
        await Task.WhenAll(Enumerable.Range(0, 6).Select(async who =>
        {
            var random = new Random(who);
            for (var round = 0; round < 12; round++)
            {
                var some = jobs.OrderBy(_ => random.Next()).Take(80).ToList();
                await queue.AddAsync(some, DrawingQueue.Ahead, cancel);
                var gone = await queue.KeepAheadAsync([77], [.. some.Take(40).Select(j => j.Key)], cancel);
                lock (forgotten)
                {
                    forgotten.AddRange(gone);
                }
                if (await queue.TakeAsync(TimeSpan.FromMinutes(5), cancel) is var (job, _))
                {
                    await drawings.PutAsync(job.Key, [9], null, cancel);
                }
            }
        }));
        Assert.NotEmpty(forgotten);
        // What is wanted, taken, or of another draft is left alone.
        var (wanted, taken, other) = (jobs[0] with { Key = Key("wanted") }, jobs[1] with { Key = Key("taken") }, jobs[2] with { Key = Key("other"), Draft = 78 });
        await queue.KeepAheadAsync([77], [], cancel);
        await queue.AddAsync([taken], DrawingQueue.Ahead, cancel);
        Assert.Equal(taken.Key, (await queue.TakeAsync(TimeSpan.FromMinutes(5), cancel))!.Value.Job.Key);
        await queue.AddAsync([wanted], DrawingQueue.Wanted, cancel);
        await queue.AddAsync([other], DrawingQueue.Ahead, cancel);
        Assert.Empty(await queue.KeepAheadAsync([77], [], cancel));
        foreach (var job in new[] { wanted, taken, other })
        {
            await drawings.PutAsync(job.Key, null, "Only a test.", cancel);
        }
    }

    [Fact]
    public async Task Builds_left_running_by_a_crash_are_found_again_with_what_was_asked_and_end_with_their_files()
    {
        var (project, draft) = await NewDesignAsync();
        var builds = new BuildStore(database);
        await Edits.EditAsync(new(project, "Ada"), "All of it", [new(draft, 1), new(draft, 3)],
            (layer, _) => new(Decision.Ship, layer.Ordinal == 1 ? "bell" : null, Tags.Parse("badge svg:outlines to:nav")) { Apart = layer.Ordinal == 3 }, cancel);
        async Task<ProjectState> SaidAsync() => new((await new ProjectStore(database).FindAsync(project, cancel))!,
            [.. await Task.WhenAll((await new DesignStore(database).ListAsync(project, cancel)).Select(async d => (d, await Edits.MarksAsync(d.DraftId, cancel))))]);
        var said = await SaidAsync();
        var id = await builds.AddAsync(project, 12, "Android", "{\"Platform\": \"android\"}", said, cancel);
        await builds.ProgressAsync(id, 5, 3, cancel);
        await DecideAsync(project, draft, Decision.Leave, 1, 3);
        var (row, kept) = Assert.Single(await builds.LeftOversAsync(cancel), b => b.Build.Id == id);
        Assert.Equal(said.ToJson(), kept.ToJson());
        Assert.Equal(said.Designs.Single().Marks, kept.Designs.Single().Marks);
        Assert.NotEqual((await SaidAsync()).ToJson(), kept.ToJson());
        Assert.Equal(("running", 12, 5, 3, "Android", "{\"Platform\": \"android\"}"), (row.State, row.Total, row.Done, row.Drawn, row.Part, row.Asked));
        var sha256 = await new BlobStore(database).PutAsync([1, 2, 3], cancel);
        await builds.EndAsync(id, "done", null, [new("b/two.png", sha256, 3), new("a.png", sha256, 3)], cancel);
        Assert.DoesNotContain(await builds.LeftOversAsync(cancel), b => b.Build.Id == id);
        Assert.Equal(["a.png", "b/two.png"], (await builds.FilesAsync(id, cancel)).Select(f => f.Path));
        Assert.Equal((2, 6), ((await builds.FindAsync(id, cancel))!.Files, (await builds.FindAsync(id, cancel))!.Weight));
    }

    [Fact]
    public async Task Recipes_change_in_the_history_and_back()
    {
        var (project, _) = await NewDesignAsync();
        var (projects, edits) = (new ProjectStore(database), new EditStore(database));
        async Task<RecipeBook> BookAsync() => RecipeBookJson.Read((await projects.FindAsync(project, cancel))!.Recipes);
        await edits.ChangeRecipesAsync(new(project, "Ann"), "Recipe for icon", book => book.With(book.For("icon").With("web", Tags.Parse("png"))), cancel);
        Assert.Equal("png", (await BookAsync()).For("icon").For["web"].ToString());
        // What changes nothing leaves no step behind.
        await edits.ChangeRecipesAsync(new(project, "Ann"), "Nothing", book => book, cancel);
        Assert.Equal("Recipe for icon", (await edits.UndoAsync(project, cancel))!.Label);
        Assert.Equal(RecipeBook.Usual, await BookAsync());
        Assert.Equal("Recipe for icon", (await edits.RedoAsync(project, cancel))!.Label);
        Assert.Single((await BookAsync()).Own);
    }

    private static string Key(string text) => Fingerprint.Of("store test", text).Hex;
}
