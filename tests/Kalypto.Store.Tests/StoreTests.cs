using System.Text;
using Kalypto.Core.Arranging;
using Kalypto.Core.Checking;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Packing;
using Kalypto.Core.Planning;
using Kalypto.Core.Platforms;
using Kalypto.Core.Reading;
using Kalypto.Core.Rendering;
using Kalypto.Core.Tagging;

namespace Kalypto.Store.Tests;

[Collection(DatabaseFixture.OneAfterTheOther)]
public class StoreTests(DatabaseFixture fixture)
{
    private static readonly byte[] File = Encoding.UTF8.GetBytes(
        "<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 10 10'><g id='a'><rect id='b'/></g><rect id='c'/></svg>");

    private static readonly Box?[] Shapes = [null, new Box(1, 2, 3, 4), null, null];
    private static readonly Actor Ada = Actor.Local("ada", "Ada");
    private static readonly Actor Eve = Actor.Local("eve", "Eve");
    private static readonly Actor Somebody = Actor.Local("somebody", "");

    private readonly Database database = fixture.Database;
    private readonly CancellationToken cancel = TestContext.Current.CancellationToken;

    private EditStore Edits => new(database);

    private async Task<(int Project, int Draft)> NewDesignAsync()
    {
        var project = await new ProjectStore(database).AddAsync("Project", ["web"], Ada, cancel);
        await new DesignStore(database).AddAsync(new(project, Somebody), new("Drawing", 1, "drawing.svg", File, Shapes), cancel);
        return (project, (await DesignAsync(project)).DraftId);
    }

    private async Task<ProjectChanges> AllAsync(int project, long since = 0) => (await new ProjectStore(database).ChangesAsync(project, since, cancel))!;

    private async Task<DesignRow> DesignAsync(int project) => (await AllAsync(project)).Designs.Single();

    private async Task<Dictionary<int, Mark>> MarksAsync(int project) =>
        (await AllAsync(project)).Marks.Values.SelectMany(m => m).ToDictionary();

    private Task<StepDone> SayAsync(Author author, string label, int draft, Func<Mark, Mark> change, params int[] layers) => Edits.MakeAsync(
        author, new(label) { Layers = [.. layers.Select(l => new LayerKey(draft, l))], Say = (_, mark) => change(mark ?? Mark.None) }, cancel);

    private Task<StepDone> DecideAsync(Author author, int draft, Decision decision, params int[] layers) =>
        SayAsync(author, $"{decision}", draft, mark => mark with { Decision = decision }, layers);

    private async Task<string> StateAsync(int project) => string.Join(' ', (await MarksAsync(project))
        .Where(m => m.Value != Mark.None).OrderBy(m => m.Key).Select(m => $"{m.Key}:{m.Value.Decision}:{m.Value.ShipName}:{m.Value.Tags}"));

    [Fact]
    public async Task A_design_comes_back_as_it_was_brought_in_and_goes_again_when_that_is_taken_back()
    {
        var (project, draft) = await NewDesignAsync();
        var file = await new DesignStore(database).FilesAsync([draft], cancel).SingleAsync(cancel);
        Assert.Equal(("Drawing", draft), (file.DesignName, file.Draft));
        Assert.Equal(File, file.File);
        Assert.Equal(Shapes, file.Shapes);
        await Edits.UndoAsync(new(project, Somebody), cancel);
        Assert.NotNull((await DesignAsync(project)).RemovedAt);
        await Edits.RedoAsync(new(project, Somebody), cancel);
        Assert.Null((await DesignAsync(project)).RemovedAt);
    }

    [Fact]
    public async Task Every_step_can_be_undone_and_done_again()
    {
        var (project, draft) = await NewDesignAsync();
        var ada = new Author(project, Ada);
        await DecideAsync(ada, draft, Decision.Ship, 1, 2);
        await SayAsync(ada, "Name", draft, mark => mark with { ShipName = "bell" }, 1);
        await SayAsync(ada, "Tag", draft, mark => mark with { Tags = Tags.Parse("icon to:x") }, 1, 3);
        const string All = "1:Ship:bell:icon to:x 2:Ship:: 3:Open::icon to:x";
        Assert.Equal(All, await StateAsync(project));

        Assert.Equal(new(StepState.Done, "Tag"), await Edits.UndoAsync(ada, cancel));
        Assert.Equal("1:Ship:bell: 2:Ship::", await StateAsync(project));
        await Edits.UndoAsync(ada, cancel);
        await Edits.UndoAsync(ada, cancel);
        Assert.Equal("", await StateAsync(project));
        Assert.Equal(StepState.Nothing, (await Edits.UndoAsync(ada, cancel)).State);

        for (var i = 0; i < 3; i++)
        {
            Assert.True((await Edits.RedoAsync(ada, cancel)).IsDone);
        }
        Assert.Equal(All, await StateAsync(project));
        Assert.Equal(StepState.Nothing, (await Edits.RedoAsync(ada, cancel)).State);
    }

    [Fact]
    public async Task A_new_step_ends_what_its_maker_could_do_again_and_an_empty_one_leaves_no_trace()
    {
        var (project, draft) = await NewDesignAsync();
        var ada = new Author(project, Ada);
        await DecideAsync(ada, draft, Decision.Ship, 1);
        Assert.Equal(StepState.Nothing, (await DecideAsync(ada, draft, Decision.Ship, 1)).State);
        await Edits.UndoAsync(ada, cancel);
        Assert.Equal("", await StateAsync(project));
        await DecideAsync(new(project, Eve), draft, Decision.Code, 3);
        await DecideAsync(ada, draft, Decision.Leave, 2);
        Assert.Equal(StepState.Nothing, (await Edits.RedoAsync(ada, cancel)).State);
        Assert.Equal("2:Leave:: 3:Code::", await StateAsync(project));
        // What was taken back stays in the history, and can be done again by name.
        var history = await Edits.HistoryAsync(project, 10, cancel);
        Assert.Equal(["Leave", "Code", "Ship", "Bring in Drawing"], history.Select(h => h.Label));
        Assert.Equal((true, "Ada"), (history[2].Undone, history[2].UndoneBy));
        Assert.True((await Edits.TurnAsync(ada, history[2].Id, undo: false, cancel)).IsDone);
        Assert.Equal("1:Ship:: 2:Leave:: 3:Code::", await StateAsync(project));
    }

    [Fact]
    public async Task Undo_is_ones_own_and_says_whose_step_stands_in_the_way()
    {
        var (project, draft) = await NewDesignAsync();
        var (ada, eve) = (new Author(project, Ada), new Author(project, Eve));
        await DecideAsync(ada, draft, Decision.Ship, 1, 2);
        await DecideAsync(eve, draft, Decision.Code, 3);
        await SayAsync(eve, "Name", draft, mark => mark with { ShipName = "bell" }, 1);
        // Others worked since, also on another field of the same layer: nothing of theirs is lost.
        Assert.Equal(new(StepState.Done, "Ship"), await Edits.UndoAsync(ada, cancel));
        Assert.Equal("1:Open:bell: 3:Code::", await StateAsync(project));
        await Edits.RedoAsync(ada, cancel);

        await DecideAsync(eve, draft, Decision.Leave, 2);
        Assert.Equal(new(StepState.Blocked, "Leave", "Eve"), await Edits.UndoAsync(ada, cancel));
        Assert.Equal("1:Ship:bell: 2:Leave:: 3:Code::", await StateAsync(project));
        // From the history any step can be taken back by anybody, and then the other one too.
        var leave = (await Edits.HistoryAsync(project, 1, cancel))[0];
        Assert.True((await Edits.TurnAsync(ada, leave.Id, undo: true, cancel)).IsDone);
        Assert.True((await Edits.UndoAsync(ada, cancel)).IsDone);
        Assert.Equal("1:Open:bell: 3:Code::", await StateAsync(project));
        // What Ada took back of Eve's is Ada's to do again; Eve's own last step is the name.
        Assert.Equal("Name", (await Edits.UndoAsync(eve, cancel)).Label);
        Assert.Equal("Ship", (await Edits.RedoAsync(ada, cancel)).Label);
        Assert.Equal("Leave", (await Edits.RedoAsync(ada, cancel)).Label);
        // Whoever cannot be told from others has nothing of their own.
        Assert.Equal(StepState.Nothing, (await Edits.UndoAsync(new(project, Actor.Local("", "")), cancel)).State);
    }

    [Fact]
    public async Task Edits_of_two_people_at_once_lose_nothing()
    {
        var (project, draft) = await NewDesignAsync();
        await Task.WhenAll(Enumerable.Range(0, 20).SelectMany(i => new[]
        {
            SayAsync(new(project, Ada), "Name", draft, mark => mark with { ShipName = $"n{i}" }, i),
            DecideAsync(new(project, Eve), draft, Decision.Ship, i),
        }));
        Assert.Equal(Enumerable.Range(0, 20).Select(i => (Decision.Ship, $"n{i}")), (await MarksAsync(project)).OrderBy(m => m.Key).Select(m => (m.Value.Decision, m.Value.ShipName!)));
        Assert.Equal(1 + 1 + 40, (await AllAsync(project)).Project.Revision);
    }

    [Fact]
    public async Task Layers_put_together_and_what_is_said_of_them_are_one_step_of_the_history()
    {
        var (project, draft) = await NewDesignAsync();
        var ada = new Author(project, Ada);
        var made = new Arrangement([], [new("combination", [1, 2], null)]);
        await Edits.MakeAsync(ada, new("Combine 2 layers")
        {
            Layers = [new(draft, 4)],
            Say = (_, _) => Mark.None with { Decision = Decision.Ship, Apart = true },
            Fields = [FieldChange.Arrangement((await DesignAsync(project)).Id, _ => made)],
        }, cancel);
        Assert.Equal(made, Arrangement.Parse((await DesignAsync(project)).Arrangement));
        Assert.Equal((Decision.Ship, true), (await MarksAsync(project))[4] is var mark ? (mark.Decision, mark.Apart) : default);

        await Edits.UndoAsync(ada, cancel);
        Assert.Equal("", (await DesignAsync(project)).Arrangement);
        Assert.Equal(Mark.None, (await MarksAsync(project))[4]);
        await Edits.RedoAsync(ada, cancel);
        Assert.Equal(made, Arrangement.Parse((await DesignAsync(project)).Arrangement));
    }

    [Fact]
    public async Task Whatever_is_said_of_a_project_or_design_as_a_whole_is_undone_like_any_step()
    {
        var (project, _) = await NewDesignAsync();
        var (ada, design, at) = (new Author(project, Ada), (await DesignAsync(project)).Id, new DateTime(2026, 11, 26, 8, 0, 0, DateTimeKind.Utc));
        async Task<string> SaidAsync() => await AllAsync(project) is var all && all.Designs.Single() is var d
            ? string.Join('|', all.Project.Name, all.Project.Description, string.Join(',', all.Project.Platforms), all.Project.Checks, RecipeBookJson.Read(all.Project.Recipes).Own.Count, d.Name, d.DrawnAt, d.Position, d.RemovedAt is null) : "";
        var before = await SaidAsync();
        FieldChange[] changes =
        [
            FieldChange.ProjectName(project, "Larkrise"), FieldChange.Description(project, "the app"), FieldChange.Platforms(project, p => [.. p, "apple", "folders"]),
            FieldChange.Checks(project, _ => "{}"), FieldChange.Recipes(project, book => book.With(book.For("icon").With("web", Tags.Parse("png")))),
            FieldChange.DesignName(design, "Sky"), FieldChange.DrawnAt(design, 3), FieldChange.Position(design, 7), FieldChange.Removed(design, at),
        ];
        foreach (var change in changes)
        {
            Assert.True((await Edits.MakeAsync(ada, new("Say") { Fields = [change] }, cancel)).IsDone);
        }
        Assert.Equal("Larkrise|the app|web,apple,folders|{}|1|Sky|3|7|False", await SaidAsync());
        // What changes nothing leaves no step behind.
        Assert.Equal(StepState.Nothing, (await Edits.MakeAsync(ada, new("Again") { Fields = [FieldChange.ProjectName(project, "Larkrise"), FieldChange.Recipes(project, book => book)] }, cancel)).State);
        foreach (var _ in changes)
        {
            Assert.True((await Edits.UndoAsync(ada, cancel)).IsDone);
        }
        Assert.Equal(before, await SaidAsync());
        // A design of another project is none of this one's.
        var (other, _) = await NewDesignAsync();
        Assert.Equal(StepState.Gone, (await Edits.MakeAsync(ada, new("Reach over") { Fields = [FieldChange.DesignName((await DesignAsync(other)).Id, "mine")] }, cancel)).State);
    }

    [Fact]
    public async Task A_project_that_is_put_away_or_deleted_does_not_change_until_it_is_brought_back()
    {
        var (project, draft) = await NewDesignAsync();
        var (ada, at) = (new Author(project, Ada), new DateTime(2026, 11, 26, 8, 0, 0, DateTimeKind.Utc));
        await DecideAsync(ada, draft, Decision.Ship, 1);
        await Edits.MakeAsync(ada, new("Archive") { Fields = [FieldChange.Archived(project, at)] }, cancel);
        Assert.Equal(StepState.Archived, (await DecideAsync(ada, draft, Decision.Leave, 1)).State);
        Assert.Null(await new DesignStore(database).AddAsync(ada, new("More", 1, "more.svg", File, Shapes), cancel));
        var ship = (await Edits.HistoryAsync(project, 9, cancel)).First(h => h.Label == "Ship");
        Assert.Equal(StepState.Archived, (await Edits.TurnAsync(ada, ship.Id, undo: true, cancel)).State);
        Assert.Equal("Archive", (await Edits.UndoAsync(ada, cancel)).Label);

        await Edits.MakeAsync(ada, new("Delete") { Fields = [FieldChange.Deleted(project, at)] }, cancel);
        Assert.Null(await new ProjectStore(database).ChangesAsync(project, 0, cancel));
        Assert.Equal(StepState.Gone, (await DecideAsync(ada, draft, Decision.Leave, 1)).State);
        Assert.Contains((await new ProjectStore(database).ListAsync(Shelf.Deleted, "", 0, 99, cancel)).Projects, p => p.Id == project);
        Assert.True((await Edits.MakeAsync(ada, new("Back") { Fields = [FieldChange.Deleted(project, null)] }, cancel)).IsDone);
        Assert.Equal("1:Ship::", await StateAsync(project));
    }

    [Fact]
    public async Task Only_what_changed_since_a_revision_is_told()
    {
        var (project, draft) = await NewDesignAsync();
        await new DesignStore(database).AddAsync(new(project, Ada), new("Second", 1, "second.svg", File, Shapes), cancel);
        var first = await AllAsync(project);
        Assert.Equal(2, first.Designs.Count);
        Assert.Empty((await AllAsync(project, first.Project.Revision)).Designs);
        await DecideAsync(new(project, Ada), draft, Decision.Ship, 1);
        var later = await AllAsync(project, first.Project.Revision);
        Assert.Equal(("Drawing", 1), (Assert.Single(later.Designs).Name, Assert.Single(later.Marks.Values.Single()).Key));
        // A platform is no matter of any design.
        await Edits.MakeAsync(new(project, Ada), new("Pack for Apple") { Fields = [FieldChange.Platforms(project, _ => ["apple"])] }, cancel);
        var platforms = await AllAsync(project, later.Project.Revision);
        Assert.Empty(platforms.Designs);
        Assert.Equal(["apple"], platforms.Project.Platforms);
    }

    [Fact]
    public async Task A_mark_that_cannot_be_read_costs_itself_alone()
    {
        var (project, draft) = await NewDesignAsync();
        await DecideAsync(new(project, Ada), draft, Decision.Ship, 1, 2, 3);
        var design = (await DesignAsync(project)).Id;
        await RunAsync($"update marks set tags = 'of a later version' where lineage = 1 and design_id = {design}; update marks set decision = 'Postpone' where design_id = {design} and lineage = 2");
        Assert.Equal("1:Ship:: 3:Ship::", await StateAsync(project));
    }

    [Fact]
    public async Task A_build_whose_process_died_is_taken_over_with_what_was_said_and_one_that_lives_is_not()
    {
        var (project, draft) = await NewDesignAsync();
        var (ada, lease) = (new Author(project, Ada), TimeSpan.FromMinutes(5));
        await using var second = new Database(fixture.Connection);
        var (builds, others) = (new BuildStore(database), new BuildStore(second));
        await Edits.MakeAsync(ada, new("All of it")
        {
            Layers = [new(draft, 1), new(draft, 3)],
            Say = (layer, _) => new(Decision.Ship, layer.Ordinal == 1 ? "bell" : null, Tags.Parse("badge svg:outlines to:nav")) { Apart = layer.Ordinal == 3 },
        }, cancel);
        async Task<ProjectState> SaidAsync() => await AllAsync(project) is var all ? new(all.Project, [.. all.Designs.Select(d => (d, (IReadOnlyDictionary<int, Mark>)all.Marks[d.Id]))]) : null!;
        var said = await SaidAsync();
        var id = await builds.AddAsync(project, 12, "Android", "{\"Platform\": \"android\"}", said, lease, cancel);
        var torn = await builds.AddAsync(project, 12, "", "{}", said, lease, cancel);
        Assert.Equal((true, false), await builds.ProgressAsync(id, 5, 3, lease, cancel));
        Assert.DoesNotContain(await others.TakeOverAsync(lease, cancel), b => b.Build.Id == id);
        await DecideAsync(ada, draft, Decision.Leave, 1, 3);

        // Its lease ran out; what cannot be read fails alone.
        await RunAsync($"update builds set leased_until = now() - interval '1 second' where id in ({id}, {torn}); update builds set said = '{{\"Project\": 7' where id = {torn}");
        var (row, kept) = Assert.Single(await others.TakeOverAsync(lease, cancel), b => b.Build.Id == id || b.Build.Id == torn);
        Assert.Equal("failed", (await builds.FindAsync(torn, cancel))!.State);
        Assert.Equal(said.ToJson(), kept.ToJson());
        Assert.Equal(said.Designs.Single().Marks, kept.Designs.Single().Marks);
        Assert.NotEqual((await SaidAsync()).ToJson(), kept.ToJson());
        Assert.Equal(("running", 12, 5, 3, "Android", "{\"Platform\": \"android\"}"), (row.State, row.Total, row.Done, row.Drawn, row.Part, row.Asked));

        // Whoever held it before has nothing to say any more.
        using var content = new MemoryStream([1, 2, 3]);
        var sha256 = await new BlobStore(database).PutAsync(content, cancel);
        Assert.False((await builds.ProgressAsync(id, 6, 4, lease, cancel)).IsHeld);
        Assert.False(await builds.EndAsync(id, "done", null, [new("1:1 web png 1x", "a.png", sha256, 3)], cancel));
        await builds.AskToCancelAsync(project, id, cancel);
        Assert.Equal((true, true), await others.ProgressAsync(id, 6, 4, lease, cancel));
        Assert.True(await others.EndAsync(id, "done", null, [new("1:2 web png 1x", "b/two.png", sha256, 3), new("1:1 web png 1x", "a.png", sha256, 3) { Kind = "icon", Width = 24 }], cancel));
        Assert.Equal(["a.png", "b/two.png"], (await builds.FilesAsync(id, cancel)).Select(f => f.Path));
        Assert.Equal(new("1:1 web png 1x", "a.png", sha256, 3) { Kind = "icon", Width = 24 }, (await builds.FilesAsync(id, cancel))[0]);
        // It is a delivery now, with all that was said when it began.
        Assert.Equal((1, id), ((await builds.DeliveryAsync(project, 1, cancel))!.Number, Assert.Single(await builds.DeliveriesAsync(project, cancel)).Id));
        Assert.Equal(said.ToJson(), (await builds.SaidAsync(id, cancel))!.ToJson());
        Assert.Equal((2, 6), ((await builds.FindAsync(id, cancel))!.Files, (await builds.FindAsync(id, cancel))!.Weight));
    }

    [Fact]
    public async Task Processes_hear_of_one_anothers_edits_drawings_and_builds()
    {
        var (project, draft) = await NewDesignAsync();
        var heard = System.Threading.Channels.Channel.CreateUnbounded<Signal>();
        using var ending = CancellationTokenSource.CreateLinkedTokenSource(cancel);
        var listening = new SignalListener(database).ListenAsync(s => heard.Writer.TryWrite(s), ending.Token);
        async Task<T> HearAsync<T>(Func<T, bool> which)
            where T : Signal
        {
            await foreach (var signal in heard.Reader.ReadAllAsync(ending.Token))
            {
                if (signal is T found && which(found))
                {
                    return found;
                }
            }
            throw new InvalidOperationException("Nothing more is heard.");
        }
        // Until it listens nothing is heard, so it is told again and again.
        Task<Signal.Edited> first = HearAsync<Signal.Edited>(e => e.Project == project);
        for (var i = 0; !first.IsCompleted; i++)
        {
            await SayAsync(new(project, Ada, "page 7"), "Name", draft, mark => mark with { ShipName = $"n{i}" }, 1);
        }
        Assert.Equal("page 7", (await first).Page);
        await new DrawingStore(database).PutAsync(Key("heard"), new Drawn([1], null), cancel);
        Assert.Equal(database.Process, (await HearAsync<Signal.Drawn>(d => d.Key == Key("heard"))).By);
        var build = await new BuildStore(database).AddAsync(project, 1, "", "{}", new((await AllAsync(project)).Project, []), TimeSpan.FromMinutes(1), cancel);
        await new BuildStore(database).EndAsync(build, "done", null, [], cancel);
        await HearAsync<Signal.Built>(b => b.Build == build);
        await ending.CancelAsync();
        await listening;
    }

    [Fact]
    public async Task Cleaning_removes_what_nobody_needs_and_nothing_else()
    {
        var (project, _) = await NewDesignAsync();
        var (gone, _) = await NewDesignAsync();
        var (drawings, builds, blobs) = (new DrawingStore(database), new BuildStore(database), new BlobStore(database));
        await drawings.PutAsync(Key("used"), new Drawn([1, 1], null), cancel);
        await drawings.PutAsync(Key("unused"), new Drawn([2, 2], null), cancel);
        await drawings.PutLookAsync(Key("unused look"), new(null, null), cancel);
        async Task<int> BuiltAsync(byte content, string state)
        {
            var id = await builds.AddAsync(project, 1, "", "{}", new((await AllAsync(project)).Project, []), TimeSpan.FromMinutes(1), cancel);
            using var stream = new MemoryStream([content, 3]);
            await builds.EndAsync(id, state, null, [new("1:1 web png 1x", "a.png", await blobs.PutAsync(stream, cancel), 2)], cancel);
            return id;
        }
        // A delivery is kept for ever; of what did not end well, the newest.
        var (kept, old) = (await BuiltAsync(8, "done"), await BuiltAsync(7, "failed"));
        await BuiltAsync(9, "cancelled");
        await Edits.MakeAsync(new(gone, Ada), new("Delete") { Fields = [FieldChange.Deleted(gone, DateTime.UtcNow)] }, cancel);
        // As if all of it had been long ago, but for what was asked for today.
        await RunAsync($"""
            update blobs set kept_at = now() - interval '100 days';
            update drawings set used_at = now() - interval '100 days' where key like '{Key("unused")}%';
            update looks set used_at = now() - interval '100 days' where key like '{Key("unused look")}%';
            update projects set deleted_at = now() - interval '31 days' where id = {gone};
            """);
        var loose = await LooseAsync(blobs);
        await new CleaningStore(database).CleanAsync(new() { Builds = 1 }, cancel);
        Assert.Null(await builds.FindAsync(old, cancel));
        Assert.Equal("a.png", Assert.Single(await builds.FilesAsync(kept, cancel)).Path);
        Assert.Equal([Key("used")], (await drawings.FindAsync([Key("used"), Key("unused")], cancel)).Keys);
        Assert.Empty(await drawings.LooksAsync([Key("unused look")], cancel));
        // Content that was just put waits for whoever is about to refer to it; the rest is gone when nothing refers to it.
        Assert.Equal(3, await blobs.LengthAsync(loose, cancel));
        foreach (var (content, isThere) in new (byte[], bool)[] { ([1, 1], true), ([2, 2], false), ([7, 3], false), ([8, 3], true), ([9, 3], true), (File, true) })
        {
            Assert.Equal(isThere, await blobs.LengthAsync(Fingerprint.Of(content).Hex, cancel) is not null);
        }
        Assert.DoesNotContain((await new ProjectStore(database).ListAsync(Shelf.Deleted, "", 0, 999, cancel)).Projects, p => p.Id == gone);
        Assert.NotNull(await new ProjectStore(database).FindAsync(project, cancel));
    }

    private async Task<string> LooseAsync(BlobStore blobs)
    {
        using var stream = new MemoryStream([9, 9, 9]);
        return await blobs.PutAsync(stream, cancel);
    }

    private Task RunAsync(string sql) => fixture.RunAsync(sql);

    private const string Engine = "engine 1";

    private static string Key(string text) => Fingerprint.Of("store test", text).Hex;
}
