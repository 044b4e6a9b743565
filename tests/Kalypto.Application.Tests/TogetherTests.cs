using Kalypto.Application.Desk;
using Kalypto.Application.Editing;
using Kalypto.Application.Opening;
using Kalypto.Application.Packs;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Planning;
using Kalypto.Core.Rendering;
using Kalypto.Core.Tagging;
using Kalypto.Store;

namespace Kalypto.Application.Tests;

/// <summary>Several processes on one database: what one does the others see, and each draws only what it is wanted for.</summary>
public class TogetherTests
{
    private const string Sky = "<rect id='bell' width='24' height='24'/><rect id='moon' x='40' width='30' height='30' rx='4'/><text id='words' x='9' y='9' font-family='Larkrise Sans'>sky</text>";
    private const string Once = "picture -webp png scale:1x";
    private readonly CancellationToken cancel = TestContext.Current.CancellationToken;

    [Fact]
    public async Task An_edit_in_one_process_is_told_and_seen_in_the_other()
    {
        await using var one = await Running.StartAsync(new(), draws: false);
        await using var two = await Running.StartAsync(new(), one.DatabaseName, draws: false);
        var project = await one.ProjectAsync(Sky);
        await two.OpenAsync(project);
        var notices = two.Get<Notices>();
        var since = notices.Last;
        await one.SayAsync(project, Decision.Ship, ("bell", "icon"));
        while (!notices.Concern(since, project, "another page"))
        {
            await notices.Next.WaitAsync(Running.Patience, cancel);
        }
        Assert.Equal("icon", (await two.OpenAsync(project)).States[0].Marks.Values.Single().Tags.Kind);
    }

    [Fact]
    public async Task A_build_ends_though_another_process_draws_all_of_it()
    {
        await using var pages = await Running.StartAsync(new(), draws: false);
        var renderer = new PaperRenderer();
        await using var drawer = await Running.StartAsync(renderer, pages.DatabaseName);
        var project = await pages.ProjectAsync(Sky, ("bell", Once), ("moon", Once));
        Assert.Equal("done", (await pages.EndedAsync(await pages.BuildAsync(project))).State);
        Assert.Equal(2, renderer.Begun.Count);
    }

    [Fact]
    public async Task A_process_that_draws_otherwise_leaves_the_jobs_of_others_alone()
    {
        var (other, mine) = (new PaperRenderer { Identity = "paper 2" }, new PaperRenderer());
        await using var kalypto = await Running.StartAsync(mine);
        await using var stranger = await Running.StartAsync(other, kalypto.DatabaseName);
        var project = await kalypto.ProjectAsync(Sky, ("bell", Once), ("moon", Once));
        Assert.Equal("done", (await kalypto.EndedAsync(await kalypto.BuildAsync(project))).State);
        Assert.Empty(other.Begun);
        Assert.Equal(2, mine.Begun.Count);
    }

    [Fact]
    public async Task A_font_that_is_added_makes_the_pictures_new_that_lacked_it_and_no_others()
    {
        async Task<Dictionary<string, Fingerprint>> KeysAsync(PaperRenderer renderer, string? database)
        {
            await using var kalypto = await Running.StartAsync(renderer, database, draws: false, drops: false);
            var project = database is null ? await kalypto.ProjectAsync(Sky, ("bell", Once), ("words", Once)) : 1;
            name = kalypto.DatabaseName;
            return (await kalypto.Get<Packs.PlanPack>().PlanAsync(await kalypto.OpenAsync(project), cancel)).Pack.Files.ToDictionary(f => f.Path, f => f.Key);
        }
        var before = await KeysAsync(new(), null);
        var another = await KeysAsync(new() { Fonts = { ["Other Serif"] = "1" } }, name);
        Assert.Equal(before, another);
        var added = await KeysAsync(new() { Fonts = { ["Larkrise Sans"] = "1" } }, name);
        Assert.Equal(before["web/bell.png"], added["web/bell.png"]);
        Assert.NotEqual(before["web/words.png"], added["web/words.png"]);
        await using var last = await Running.StartAsync(new(), name, draws: false);
    }

    private string? name;

    [Fact]
    public async Task Everybody_takes_back_their_own_also_when_others_worked_since()
    {
        await using var kalypto = await Running.StartAsync(new(), draws: false);
        var project = await kalypto.ProjectAsync(Sky);
        var eve = Store.Actor.Local("eve", "Eve");
        async Task DecideAsync(Store.Actor actor, string layer, Decision decision)
        {
            var visit = await kalypto.VisitAsync(project, actor);
            await kalypto.Get<EditLayers>().DecideAsync(visit, [new(visit.Workspace.States[0].Id, visit.Workspace.States[0].Layers.First(l => l.Name == layer).Ordinal)], decision, cancel);
        }
        await DecideAsync(Running.Ada, "bell", Decision.Ship);
        await DecideAsync(eve, "moon", Decision.Code);
        Assert.Equal("Ship bell", (await kalypto.Get<Store.EditStore>().UndoAsync(Running.By(project), cancel)).Label);
        Assert.Equal([Decision.Open, Decision.Code], (await kalypto.OpenAsync(project)).States[0].Marks.OrderBy(m => m.Key).Select(m => m.Value.Decision));
    }
}
