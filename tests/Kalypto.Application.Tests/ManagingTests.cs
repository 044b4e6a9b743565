using Kalypto.Application.BringingIn;
using Kalypto.Application.Building;
using Kalypto.Application.Editing;
using Kalypto.Application.Opening;
using Kalypto.Application.Packs;
using Kalypto.Core.Checking;
using Kalypto.Core.Deciding;
using Kalypto.Core.Planning;
using Kalypto.Core.Tagging;
using Kalypto.Store;

namespace Kalypto.Application.Tests;

/// <summary>What holds for projects, designs and checks as a whole: all of it in the history, all of it to be taken back.</summary>
public class ManagingTests
{
    private const string Sky = "<rect id='bell' width='24' height='24'/><rect id='moon' x='40' width='30' height='30' rx='4'/>";
    private static readonly DateTime Now = new(2026, 11, 26, 8, 0, 0, DateTimeKind.Utc);
    private readonly CancellationToken cancel = TestContext.Current.CancellationToken;

    [Fact]
    public async Task An_empty_project_is_made_named_and_described_and_each_of_it_is_taken_back()
    {
        await using var kalypto = await Running.StartAsync(new(), draws: false);
        var manage = kalypto.Get<ManageProject>();
        Assert.Null(await manage.AddAsync(" \0 ", Running.Ada, cancel));
        var project = (await manage.AddAsync("  Visitor\n app ", Running.Ada, cancel))!.Value;
        await manage.NameAsync(Running.By(project), "Larkrise", cancel);
        await manage.DescribeAsync(Running.By(project), new string('a', 999), cancel);
        await manage.PlatformAsync(await kalypto.VisitAsync(project), "flutter", isOn: true, cancel);
        await manage.PlatformAsync(await kalypto.VisitAsync(project), "apple", isOn: false, cancel);
        Assert.Equal(StepState.Gone, (await manage.PlatformAsync(await kalypto.VisitAsync(project), "atari", isOn: true, cancel)).State);
        var row = (await kalypto.OpenAsync(project)).Row;
        Assert.Equal(("Larkrise", ManageProject.LongestDescription, "web android flutter"), (row.Name, row.Description.Length, string.Join(' ', row.Platforms)));
        for (var i = 0; i < 4; i++)
        {
            Assert.True((await kalypto.Get<EditStore>().UndoAsync(Running.By(project), cancel)).IsDone);
        }
        row = (await kalypto.OpenAsync(project)).Row;
        Assert.Equal(("Visitor app", "", "web apple android"), (row.Name, row.Description, string.Join(' ', row.Platforms)));
    }

    [Fact]
    public async Task An_archived_project_shows_everything_and_changes_nothing_and_a_deleted_one_is_gone_until_it_is_back()
    {
        await using var kalypto = await Running.StartAsync(new(), draws: false);
        var project = await kalypto.ProjectAsync(Sky, ("bell", "icon"));
        var manage = kalypto.Get<ManageProject>();
        await manage.ArchiveAsync(Running.By(project), isAway: true, Now, cancel);
        var visit = await kalypto.VisitAsync(project);
        Assert.Equal(StepState.Archived, (await kalypto.Get<EditLayers>().DecideAsync(visit, [new(visit.Workspace.States[0].Id, 1)], Decision.Leave, cancel)).State);
        Assert.Equal(Building.BuildRefusal.Why.Archived, (await kalypto.Get<Building.BuildPack>().StartAsync(visit.Workspace, new(), cancel)).Refusal?.Reason);
        Assert.IsType<BroughtIn.NoProject>(await kalypto.Get<BringIn>().FileAsync(new(Running.Ada, project), "a.svg", "<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 9 9'><path d='M0 0h3v3z'/></svg>"u8.ToArray(), "a.svg", cancel));
        await manage.ArchiveAsync(Running.By(project), isAway: false, Now, cancel);
        await manage.DeleteAsync(Running.By(project), isGone: true, Now, cancel);
        Assert.Null(await kalypto.Get<Opening.OpenProject>().LoadAsync(project, cancel));
        await manage.DeleteAsync(Running.By(project), isGone: false, Now, cancel);
        Assert.Single((await kalypto.OpenAsync(project)).States[0].Marks);
    }

    [Fact]
    public async Task Designs_are_named_ordered_removed_and_brought_back_with_all_that_was_said_of_them()
    {
        await using var kalypto = await Running.StartAsync(new(), draws: false);
        var project = await kalypto.ProjectAsync(Sky, ("bell", "icon"));
        foreach (var name in new[] { "b.svg", "c.svg" })
        {
            await kalypto.Get<BringIn>().FileAsync(new(Running.Ada, project), name, "<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 9 9'><path id='x' d='M0 0h3v3z'/></svg>"u8.ToArray(), name, cancel);
        }
        var manage = kalypto.Get<ManageDesigns>();
        async Task<string> OrderAsync() => string.Join(' ', (await kalypto.OpenAsync(project)).States.Select(s => s.Name));
        var first = (await kalypto.OpenAsync(project)).States[0].Id;
        await manage.NameAsync(await kalypto.VisitAsync(project), first, "Night", cancel);
        await manage.MoveAsync(await kalypto.VisitAsync(project), first, 1, cancel);
        Assert.Equal("B Night C", await OrderAsync());
        await manage.MoveAsync(await kalypto.VisitAsync(project), first, 9, cancel);
        Assert.Equal("B C Night", await OrderAsync());
        Assert.Equal(StepState.Nothing, (await manage.MoveAsync(await kalypto.VisitAsync(project), first, 1, cancel)).State);
        await manage.RemoveAsync(await kalypto.VisitAsync(project), first, Now, cancel);
        Assert.Equal("B C", await OrderAsync());
        await manage.BringBackAsync(await kalypto.VisitAsync(project), first, cancel);
        Assert.Equal("B C Night", await OrderAsync());
        Assert.Equal("icon", (await kalypto.OpenAsync(project)).States[2].Marks.Values.Single().Tags.Kind);
    }

    [Fact]
    public async Task A_check_matters_as_the_project_says_and_one_finding_can_be_as_it_should_be()
    {
        await using var kalypto = await Running.StartAsync(new(), draws: false);
        var project = await kalypto.ProjectAsync("<rect id='path11' width='24' height='24'/><rect id='bell' x='40' width='24' height='25'/><rect id='Bell' x='90' width='24' height='26'/>",
            ("path11", "picture"), ("bell", "picture"), ("Bell", "picture"));
        var (checks, notNamed, samePath) = (kalypto.Get<ChangeChecks>(), Checks.Of("not-named-yet"), Checks.Of("same-path-twice"));
        async Task<Core.Planning.Pack> PackAsync() => (await kalypto.Get<PlanPack>().PlanAsync(await kalypto.OpenAsync(project), cancel)).Pack;
        async Task<Severity?> SeverityAsync() => (await PackAsync()).Findings.Where(f => f.Check == notNamed.Id).Select(f => (Severity?)f.Severity).FirstOrDefault();
        Assert.Equal(Severity.Warning, await SeverityAsync());
        await checks.MatterAsync(await kalypto.VisitAsync(project), notNamed, Severity.Blocker, cancel);
        Assert.Equal(Severity.Blocker, await SeverityAsync());
        await checks.SwitchAsync(await kalypto.VisitAsync(project), notNamed, isOn: false, cancel);
        Assert.Null(await SeverityAsync());
        await kalypto.Get<EditStore>().UndoAsync(Running.By(project), cancel);
        Assert.Equal(Severity.Blocker, await SeverityAsync());

        var finding = (await PackAsync()).Findings.Single(f => f.Check == notNamed.Id);
        await checks.SuppressAsync(await kalypto.VisitAsync(project), finding, "it goes away next week", cancel);
        Assert.Null(await SeverityAsync());
        Assert.Equal("it goes away next week", Assert.Single((await PackAsync()).Suppressed).Reason);
        await checks.AgainAsync(await kalypto.VisitAsync(project), finding, cancel);
        Assert.Equal(Severity.Blocker, await SeverityAsync());

        // Without this one files would be lost: it stays on, and stays what it is.
        var blocker = (await PackAsync()).Findings.Single(f => f.Check == samePath.Id);
        Assert.Equal(StepState.Nothing, (await checks.SwitchAsync(await kalypto.VisitAsync(project), samePath, isOn: false, cancel)).State);
        Assert.Equal(StepState.Nothing, (await checks.SuppressAsync(await kalypto.VisitAsync(project), blocker, "", cancel)).State);
        Assert.Equal(StepState.Nothing, (await checks.MatterAsync(await kalypto.VisitAsync(project), samePath, Severity.Hint, cancel)).State);
    }
}
