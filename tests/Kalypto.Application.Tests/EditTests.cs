using System.Text;
using Kalypto.Application.BringingIn;
using Kalypto.Application.Editing;
using Kalypto.Application.Opening;
using Kalypto.Application.Packs;
using Kalypto.Core.Arranging;
using Kalypto.Core.Checking;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Planning;
using Kalypto.Core.Tagging;
using Kalypto.Store;

namespace Kalypto.Application.Tests;

/// <summary>What is said of layers, over a real database: repeats, combinations, fixes, and the history.</summary>
public class EditTests
{
    // The same star on two screens, two shapes that nobody named, and two that belong together.
    private const string Screens = """
        <defs><g id='drawn-star'><path d='M0 0l6 5l4 12z'/></g></defs>
        <g id='tonight'><rect id='back' width='375' height='812'/><use id='star' href='#drawn-star' x='40' y='40' width='24' height='24'/><rect id='path11' x='90' y='90' width='40' height='30'/></g>
        <g id='tickets'><rect id='wall' x='500' width='375' height='812'/><use id='saturn' href='#drawn-star' x='540' y='40' width='24' height='24'/><rect id='path12' x='590' y='90' width='40' height='31'/>
          <rect id='disc' x='700' y='300' width='40' height='40'/><rect id='bell' x='710' y='310' width='20' height='20'/></g>
        """;

    private readonly CancellationToken cancel = TestContext.Current.CancellationToken;

    private static LayerRef Find(Workspace workspace, string name) => new(workspace.States[0].Id, workspace.States[0].Layers.First(l => l.Name == name).Ordinal);

    private static Mark Said(Workspace workspace, string name) => workspace.MarkOf(Find(workspace, name));

    [Theory]
    [InlineData(RuleScope.Screen, "A:words")]
    [InlineData(RuleScope.Design, "A:words B:more")]
    [InlineData(RuleScope.Project, "A:words B:more another:other")]
    public async Task A_rule_decides_on_one_screen_in_a_design_or_everywhere_as_one_step(RuleScope scope, string decided)
    {
        await using var kalypto = await Running.StartAsync(new(), draws: false);
        var project = await kalypto.ProjectAsync("<svg id='A' width='300' height='500'><text id='words' y='20'>Hello</text></svg><svg id='B' x='400' width='300' height='500'><text id='more' y='20'>Hello</text><rect id='box' width='9' height='9'/></svg>");
        var other = Encoding.UTF8.GetBytes("<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 300 500'><text id='other' y='20'>Hello</text></svg>");
        await kalypto.Get<BringIn>().FileAsync(new(Running.Ada, project), "another.svg", other, "another.svg", TestContext.Current.CancellationToken);
        var visit = await kalypto.VisitAsync(project);
        var (row, state) = visit.Workspace.Designs[0];
        var (done, layers) = await kalypto.Get<DecideByRule>().RunAsync(visit, row.Id, state.Measured.Drawing.Screens[0].Root.Ordinal, DecisionRule.All.First(r => r.Id == "texts"), scope, TestContext.Current.CancellationToken);
        Assert.True(done.IsDone);
        var after = (await kalypto.OpenAsync(project)).States;
        var all = after.SelectMany(s => s.Layers.Where(l => s.MarkOf(l).Decision == Decision.Code).Select(l => $"{s.Measured.ScreenOf(l)!.Name.ToLowerInvariant()}:{l.Name}"));
        Assert.Equal(decided.ToLowerInvariant(), string.Join(' ', all));
        Assert.Equal(decided.Split(' ').Length, layers);
        Assert.True((await kalypto.Get<EditStore>().UndoAsync(Running.By(project), TestContext.Current.CancellationToken)).IsDone);
        Assert.DoesNotContain((await kalypto.OpenAsync(project)).States, s => s.Marks.Any(m => m.Value.Decision == Decision.Code));
    }

    [Fact]
    public async Task What_is_said_of_one_place_is_said_of_all_in_one_step_until_it_stands_apart()
    {
        await using var kalypto = await Running.StartAsync(new(), draws: false);
        var project = await kalypto.ProjectAsync(Screens);
        var (edit, store) = (kalypto.Get<EditLayers>(), kalypto.Get<EditStore>());
        var workspace = await kalypto.OpenAsync(project);
        await edit.DecideAsync(new(workspace, Running.Ada), [Find(workspace, "star")], Decision.Ship, cancel);
        workspace = await kalypto.OpenAsync(project);
        Assert.Equal((Decision.Ship, Decision.Ship), (Said(workspace, "star").Decision, Said(workspace, "saturn").Decision));

        await edit.StandApartAsync(new(workspace, Running.Ada), [Find(workspace, "saturn")], apart: true, cancel);
        await edit.NameAsync(await kalypto.VisitAsync(project), Find(workspace, "saturn"), "  ringed\0 planet ", cancel);
        workspace = await kalypto.OpenAsync(project);
        Assert.Equal((null, "ringed planet"), (Said(workspace, "star").ShipName, Said(workspace, "saturn").ShipName));

        // Sharing again takes over what is said of the others.
        await edit.StandApartAsync(new(workspace, Running.Ada), [Find(workspace, "saturn")], apart: false, cancel);
        Assert.Equal(Mark.None with { Decision = Decision.Ship }, Said(await kalypto.OpenAsync(project), "saturn"));
        foreach (var label in new[] { "Share with its repeats: ringed planet", "Name ringed planet", "Take apart from its repeats: saturn", "Ship 1 layer" })
        {
            Assert.Equal(label, (await store.UndoAsync(Running.By(project), cancel)).Label);
        }
        Assert.Equal("Bring in Tonight", (await store.HistoryAsync(project, 9, cancel)).First(h => !h.Undone).Label);
        Assert.Equal(Mark.None, Said(await kalypto.OpenAsync(project), "saturn"));
    }

    [Fact]
    public async Task Names_offered_to_many_at_once_are_never_the_same_twice()
    {
        await using var kalypto = await Running.StartAsync(new(), draws: false);
        var project = await kalypto.ProjectAsync(Screens, ("path11", "picture"), ("path12", "picture"));
        var fixes = kalypto.Get<FixFindings>();
        Assert.Equal((new StepDone(StepState.Done, "Fix “not named yet” for 2 layers"), 2), await fixes.RunAsync(await kalypto.VisitAsync(project), "not-named-yet", _ => true, cancel));
        var workspace = await kalypto.OpenAsync(project);
        string[] names = [Said(workspace, "path11").ShipName!, Said(workspace, "path12").ShipName!];
        Assert.Equal(2, names.Distinct(StringComparer.OrdinalIgnoreCase).Count());
        Assert.All(names, n => Assert.False(string.IsNullOrWhiteSpace(n)));
        Assert.DoesNotContain((await kalypto.Get<PlanPack>().PlanAsync(workspace, cancel)).Pack.Findings, f => f.Check == "not-named-yet");
        Assert.Equal((StepState.Nothing, 0), await fixes.RunAsync(new(workspace, Running.Ada), "not-named-yet", _ => true, cancel) is var (done, left) ? (done.State, left) : default);
        Assert.Equal("Fix “not named yet” for 2 layers", (await kalypto.Get<EditStore>().UndoAsync(Running.By(project), cancel)).Label);
    }

    [Fact]
    public async Task A_line_with_a_mistake_changes_nothing_and_says_what_was_meant()
    {
        await using var kalypto = await Running.StartAsync(new(), draws: false);
        var project = await kalypto.ProjectAsync(Screens);
        var workspace = await kalypto.OpenAsync(project);
        var (_, mistakes) = await kalypto.Get<EditLayers>().TagAsync(new(workspace, Running.Ada), [Find(workspace, "bell"), Find(workspace, "disc")], "icon scal:2x", cancel);
        Assert.Contains("Did you mean “scale", Assert.Single(mistakes).Sentence, StringComparison.Ordinal);
        Assert.Equal("Bring in Tonight", (await kalypto.Get<EditStore>().HistoryAsync(project, 1, cancel))[0].Label);
        Assert.Empty((await kalypto.Get<EditLayers>().TagAsync(new(workspace, Running.Ada), [Find(workspace, "bell"), Find(workspace, "disc")], "icon scale:2x", cancel)).Mistakes);
        Assert.Equal("icon scale:2x", Said(await kalypto.OpenAsync(project), "disc").Tags.ToString());
        Assert.Equal("Tag 2 layers: icon scale:2x", (await kalypto.Get<EditStore>().UndoAsync(Running.By(project), cancel)).Label);
    }

    [Fact]
    public async Task Layers_put_together_ship_as_one_come_apart_again_and_refuse_what_cannot_be()
    {
        await using var kalypto = await Running.StartAsync(new(), draws: false);
        var project = await kalypto.ProjectAsync(Screens);
        var workspace = await kalypto.OpenAsync(project);
        var (arrange, design) = (kalypto.Get<ArrangeLayers>(), workspace.States[0].Id);
        int[] both = [Find(workspace, "disc").Ordinal, Find(workspace, "bell").Ordinal];
        var (_, made) = await arrange.CombineAsync(new(workspace, Running.Ada), design, both, Mark.None with { Decision = Decision.Ship, ShipName = "bell", Tags = Tags.Parse("icon") }, cancel);
        workspace = await kalypto.OpenAsync(project);
        Assert.Equal(["disc", "bell"], workspace.States[0].Layers[made].Children.Select(l => l.Name));
        var plan = await kalypto.Get<PlanPack>().PlanAsync(workspace, cancel);
        Assert.Equal(["web/tickets/bell.svg"], plan.Pack.Files.Select(f => f.Path));
        await Assert.ThrowsAsync<ArrangingRefusedException>(() => arrange.CombineAsync(new(workspace, Running.Ada), design, [Find(workspace, "disc").Ordinal], Mark.None, cancel));

        // Whoever saw the drawing before cannot put the same together a second time.
        await Assert.ThrowsAsync<ArrangingRefusedException>(() => arrange.CombineAsync(new(workspace, Actor.Local("eve", "Eve")), design, both, Mark.None, cancel));
        await arrange.TakeApartAsync(new(workspace, Running.Ada), design, [made], cancel);
        workspace = await kalypto.OpenAsync(project);
        Assert.Equal("tickets", workspace.States[0].Layers[both[0]].Parent!.Name);
        Assert.Empty((await kalypto.Get<PlanPack>().PlanAsync(workspace, cancel)).Pack.Files);
        await kalypto.Get<EditStore>().UndoAsync(Running.By(project), cancel);
        Assert.Single((await kalypto.Get<PlanPack>().PlanAsync(await kalypto.OpenAsync(project), cancel)).Pack.Files);
    }
}
