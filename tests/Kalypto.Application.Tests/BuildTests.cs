using System.IO.Compression;
using Kalypto.Application.Building;
using Kalypto.Application.Editing;
using Kalypto.Application.Packs;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Packing;
using Kalypto.Core.Rendering;
using Kalypto.Core.Tagging;
using Kalypto.Store;

namespace Kalypto.Application.Tests;

/// <summary>Builds from the press of the button to the zip, over a renderer that can be held up.</summary>
public class BuildTests
{
    private const string Sky = "<rect id='bell' width='24' height='24'/><rect id='moon' x='40' width='30' height='30' rx='4'/><rect id='dome' x='90' width='50' height='20'/>";
    private readonly CancellationToken cancel = TestContext.Current.CancellationToken;

    private static bool IsMoon(FileOrder order) => order.Width % 30 == 0;

    [Fact]
    public async Task A_second_build_draws_nothing_and_gives_the_same_zip_byte_by_byte()
    {
        var renderer = new PaperRenderer();
        await using var kalypto = await Running.StartAsync(renderer);
        var project = await kalypto.ProjectAsync(Sky, ("bell", "picture -webp png scale:1x,2x"), ("moon", "picture -webp png scale:1x"));
        var first = await kalypto.EndedAsync(await kalypto.BuildAsync(project));
        Assert.Equal(("done", 3, 3, (string?)null), (first.State, first.Total, first.Drawn, first.Message));
        var files = await kalypto.FilesAsync(first.Id);
        Assert.Equal(["web/bell.png", "web/bell@2x.png", "web/moon.png"], files.Keys.Where(f => f.EndsWith(".png", StringComparison.Ordinal)));
        Assert.StartsWith("48 x 48 png", files["web/bell@2x.png"], StringComparison.Ordinal);
        Assert.EndsWith(", smaller", files["web/bell@2x.png"], StringComparison.Ordinal);

        var second = await kalypto.EndedAsync(await kalypto.BuildAsync(project));
        Assert.Equal((first.Files, first.Weight, 0), (second.Files, second.Weight, second.Drawn));
        Assert.Equal((3, 3), (renderer.Begun.Count, renderer.MadeSmaller));
        var zips = new List<byte[]>();
        foreach (var build in new[] { first.Id, second.Id })
        {
            using var zip = new MemoryStream();
            await kalypto.Get<BuildPack>().ZipAsync(build, zip, cancel);
            zips.Add(zip.ToArray());
        }
        Assert.Equal(zips[0], zips[1]);
        using var read = new ZipArchive(new MemoryStream(zips[0]));
        Assert.Equal(files.Keys.Order(StringComparer.Ordinal), read.Entries.Select(e => e.FullName));
    }

    [Fact]
    public async Task A_file_that_cannot_be_made_smaller_is_delivered_as_it_was_drawn()
    {
        var renderer = new PaperRenderer { CannotMakeSmaller = true };
        await using var kalypto = await Running.StartAsync(renderer);
        var project = await kalypto.ProjectAsync(Sky, ("bell", "picture -webp png scale:1x"));
        var build = await kalypto.EndedAsync(await kalypto.BuildAsync(project));
        Assert.Null(build.Message);
        Assert.Equal(1, renderer.MadeSmaller);
        Assert.StartsWith("24 x 24 png", (await kalypto.FilesAsync(build.Id))["web/bell.png"], StringComparison.Ordinal);
    }

    [Fact]
    public async Task What_cannot_be_made_is_named_and_the_rest_is_delivered()
    {
        await using var kalypto = await Running.StartAsync(new() { Refuses = IsMoon });
        var project = await kalypto.ProjectAsync(Sky, ("bell", "picture -webp png scale:1x"), ("moon", "picture -webp png scale:1x,2x"));
        var build = await kalypto.EndedAsync(await kalypto.BuildAsync(project));
        Assert.Equal(("done", "2 of the files could not be made; manifest.json names them."), (build.State, build.Message));
        var files = await kalypto.FilesAsync(build.Id);
        Assert.Contains("web/bell.png", files.Keys);
        Assert.DoesNotContain(files.Keys, f => f.Contains("moon", StringComparison.Ordinal));
        Assert.Contains("web/moon@2x.png", files["manifest.json"], StringComparison.Ordinal);
        Assert.Contains("It is refused.", files["manifest.json"], StringComparison.Ordinal);
        // What goes with the pictures speaks of those only that are there.
        Assert.DoesNotContain(files, f => f.Key != "manifest.json" && f.Value.Contains("moon", StringComparison.Ordinal) && !f.Key.EndsWith(".png", StringComparison.Ordinal));
    }

    [Theory]
    [InlineData(2, "done")]
    [InlineData(9, "failed")]
    public async Task What_goes_wrong_unexpectedly_is_tried_again_and_ends_a_build_only_when_it_goes_on(int times, string state)
    {
        await using var kalypto = await Running.StartAsync(new());
        var project = await kalypto.ProjectAsync("<rect id='bell' width='24' height='24'/>", ("bell", "picture -webp png scale:1x"));
        // A sequence counts on when what is done with it is taken back.
        await kalypto.RunAsync($$"""
            create sequence tries;
            create function fail() returns trigger language plpgsql as $f$ begin if nextval('tries') <= {{times}} then raise exception 'odd'; end if; return new; end $f$;
            create trigger fail before insert on build_files for each row execute function fail();
            """);
        Assert.Equal(state, (await kalypto.EndedAsync(await kalypto.BuildAsync(project))).State);
    }

    [Fact]
    public async Task A_worker_that_dies_is_no_property_of_the_picture_that_it_drew()
    {
        var renderer = new PaperRenderer();
        await using var kalypto = await Running.StartAsync(renderer);
        var project = await kalypto.ProjectAsync(Sky, ("bell", "picture -webp png scale:1x"), ("moon", "picture -webp png scale:1x"));
        // Once is tried again, and nobody notices.
        var deaths = 0;
        renderer.Crashes = o => IsMoon(o) && Interlocked.Increment(ref deaths) == 1;
        Assert.Null((await kalypto.EndedAsync(await kalypto.BuildAsync(project))).Message);
        Assert.Equal(2, deaths);

        // Again and again is said, and is forgotten when somebody builds again.
        renderer.Crashes = IsMoon;
        await kalypto.SayAsync(project, Decision.Ship, ("moon", "scale:1x,2x"));
        Assert.Equal("1 of the files could not be made; manifest.json names them.", (await kalypto.EndedAsync(await kalypto.BuildAsync(project))).Message);
        renderer.Crashes = _ => false;
        var build = await kalypto.EndedAsync(await kalypto.BuildAsync(project));
        Assert.Null(build.Message);
        Assert.Contains("web/moon@2x.png", (await kalypto.FilesAsync(build.Id)).Keys);
    }

    [Fact]
    public async Task A_cancelled_build_keeps_what_is_drawn_for_the_next()
    {
        var renderer = new PaperRenderer { Holds = IsMoon };
        await using var kalypto = await Running.StartAsync(renderer);
        var project = await kalypto.ProjectAsync(Sky, ("bell", "picture -webp png scale:1x,2x"), ("moon", "picture -webp png scale:1x"));
        var bells = Count(renderer, o => !IsMoon(o), 2);
        var build = await kalypto.BuildAsync(project);
        await bells;
        await kalypto.Get<BuildStore>().AskToCancelAsync(project, build, cancel);
        var ended = await kalypto.EndedAsync(build);
        Assert.Equal(("cancelled", "It was cancelled. What is drawn already is kept."), (ended.State, ended.Message));
        Assert.Empty(await kalypto.FilesAsync(build));
        renderer.Release();
        Assert.Equal("done", (await kalypto.EndedAsync(await kalypto.BuildAsync(project))).State);
        Assert.Equal(3, renderer.Begun.Count);
    }

    [Fact]
    public async Task A_stop_only_interrupts_a_build_and_what_is_said_later_is_not_in_it()
    {
        var held = new PaperRenderer { Holds = IsMoon };
        var stopped = await Running.StartAsync(held);
        var project = await stopped.ProjectAsync(Sky, ("bell", "picture -webp png scale:1x"), ("moon", "picture -webp png scale:1x"));
        var bell = Count(held, o => !IsMoon(o), 1);
        var build = await stopped.BuildAsync(project);
        await bell;
        await stopped.SayAsync(project, Decision.Leave, ("moon", ""));
        var database = await stopped.StopAsync();

        var renderer = new PaperRenderer();
        await using var kalypto = await Running.StartAsync(renderer, database);
        var ended = await kalypto.EndedAsync(build);
        Assert.Equal(("done", null), (ended.State, ended.Message));
        Assert.Contains("web/moon.png", (await kalypto.FilesAsync(build)).Keys);
        Assert.True(IsMoon(Assert.Single(renderer.Begun)));
        Assert.DoesNotContain("web/moon.png", (await kalypto.FilesAsync((await kalypto.EndedAsync(await kalypto.BuildAsync(project))).Id)).Keys);
    }

    [Fact]
    public async Task A_blocker_stops_what_it_is_about_and_nothing_to_build_says_why()
    {
        await using var kalypto = await Running.StartAsync(new());
        var project = await kalypto.ProjectAsync(Sky);
        async Task<BuildRefusal?> RefusalAsync(BuildAsk ask) => (await kalypto.Get<BuildPack>().StartAsync(await kalypto.OpenAsync(project), ask, cancel)).Refusal;
        Assert.Equal(BuildRefusal.Why.NothingShips, (await RefusalAsync(new()))?.Reason);
        await kalypto.SayAsync(project, Decision.Ship, ("bell", "picture -webp png scale:1x"), ("moon", "picture -webp png scale:1x"), ("dome", "picture -webp png scale:1x"));
        Assert.Equal(BuildRefusal.Why.NothingOfPart, (await RefusalAsync(new("apple")))?.Reason);
        var workspace = await kalypto.OpenAsync(project);
        LayerRef Of(string name) => new(workspace.States[0].Id, workspace.States[0].Layers.First(l => l.Name == name).Ordinal);
        await kalypto.Get<EditLayers>().NameAsync(new(workspace, Running.Ada), Of("moon"), "bell", cancel);
        Assert.Contains("would both be web/bell", (await RefusalAsync(new()))?.Sentence, StringComparison.Ordinal);
        var dome = await kalypto.EndedAsync(await kalypto.BuildAsync(project, new(Layers: [Of("dome")])));
        Assert.Equal(("done", "1 picked layer"), (dome.State, dome.Part));
        Assert.Equal(["web/dome.png"], (await kalypto.FilesAsync(dome.Id)).Keys.Where(f => f.EndsWith(".png", StringComparison.Ordinal)));

        // The fix that the finding offers settles it, and undo brings it back.
        Assert.Equal(1, (await kalypto.Get<FixFindings>().RunAsync(await kalypto.VisitAsync(project), "same-path-twice", _ => true, cancel)).Findings);
        Assert.Equal(3, (await kalypto.EndedAsync(await kalypto.BuildAsync(project))).Total);
        await kalypto.Get<EditStore>().UndoAsync(Running.By(project), cancel);
        Assert.NotNull(await RefusalAsync(new()));
    }

    /// <summary>Ends when so many files of a sort are made.</summary>
    internal static Task Count(PaperRenderer renderer, Func<FileOrder, bool> which, int count)
    {
        var reached = new TaskCompletionSource(TaskCreationOptions.RunContinuationsAsynchronously);
        renderer.Made = made =>
        {
            if (made.Count(which) >= count)
            {
                reached.TrySetResult();
            }
        };
        return reached.Task.WaitAsync(Running.Patience, TestContext.Current.CancellationToken);
    }
}
