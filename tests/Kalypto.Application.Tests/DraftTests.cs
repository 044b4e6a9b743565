using System.Text;
using Kalypto.Application.BringingIn;
using Kalypto.Application.Drafts;
using Kalypto.Application.Editing;
using Kalypto.Application.Packs;
using Kalypto.Core.Comparing;
using Kalypto.Core.Deciding;
using Kalypto.Store;

namespace Kalypto.Application.Tests;

/// <summary>A changed drawing comes in, and all that was said comes with it.</summary>
public class DraftTests
{
    private const string Bell = "<rect id='bell' x='20' y='20' width='24' height='24'/>";
    private const string Moon = "<rect id='moon' x='120' y='20' width='90' height='90' fill='#e0a83c'/>";
    private const string Book = "<g id='book'><rect id='ground' x='20' y='400' width='300' height='60' fill='#2c6e54'/><rect id='edge' x='20' y='455' width='300' height='5'/></g>";

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    private static byte[] Svg(string inside) => Encoding.UTF8.GetBytes($"<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 9000 9000'>{inside}</svg>");

    private static Task<BroughtIn> BringAsync(Running kalypto, int project, string inside, string name = "tonight.svg") =>
        kalypto.Get<BringIn>().FileAsync(new(Running.Ada, project), name, Svg(inside), name, Cancel);

    private static async Task<string> SaidAsync(Running kalypto, int project)
    {
        var state = Assert.Single((await kalypto.OpenAsync(project)).States);
        return string.Join(' ', state.Layers.Where(l => state.MarkOf(l) != Mark.None).Select(l => $"{l.Name}={state.MarkOf(l).Decision}/{state.MarkOf(l).ShipName}"));
    }

    [Fact]
    public async Task What_was_said_is_carried_over_a_draft_can_hold_again_and_undo_works_across_drafts()
    {
        await using var kalypto = await Running.StartAsync(new(), draws: false);
        var project = await kalypto.ProjectAsync(Bell + Moon + Book, ("bell", "icon"), ("moon", "picture"));
        // A layer more before all others, the bell renamed, the moon in other colours, the button gone.
        var next = Assert.IsType<BroughtIn.Next>(await BringAsync(kalypto, project, "<rect id='sky' width='700' height='7'/>" + Moon.Replace("e0a83c", "b8402a") + Bell.Replace("'bell'", "'alarm'")));
        Assert.Equal((2, 0), (next.Draft.Number, next.Draft.Asked));
        // Its files keep the name that they were delivered under.
        Assert.Equal("moon=Ship/ alarm=Ship/bell", await SaidAsync(kalypto, project));
        var (row, state) = Assert.Single((await kalypto.OpenAsync(project)).Designs);
        var compared = await kalypto.Get<CompareDrafts>().RunAsync(row, state, null, Cancel);
        Assert.Equal("sky moon alarm book", string.Join(' ', compared.Changes.Changes.Select(c => c.New is { } n ? state.Layers[n].Name : compared.Before!.Value.State.Layers[c.Old!.Value].Name)));

        // Something is said in the second draft; the step before it is taken back all the same, and what was said stays with its layer.
        await kalypto.SayAsync(project, Decision.Code, ("moon", ""));
        await kalypto.Get<HoldDraft>().HoldAsync(Running.By(project), row.Id, compared.Before!.Value.Row.DraftId, Cancel);
        Assert.Equal("bell=Ship/bell moon=Code/", await SaidAsync(kalypto, project));
        Assert.True((await kalypto.Get<EditStore>().UndoAsync(Running.By(project), Cancel)).IsDone);
        Assert.Equal("moon=Code/ alarm=Ship/bell", await SaidAsync(kalypto, project));
        Assert.True((await kalypto.Get<EditStore>().UndoAsync(Running.By(project), Cancel)).IsDone);
        Assert.True((await kalypto.Get<EditStore>().UndoAsync(Running.By(project), Cancel)).IsDone);
        Assert.Equal((1, "bell=Ship/ moon=Ship/"), ((await kalypto.OpenAsync(project)).Designs[0].Row.DraftNumber, await SaidAsync(kalypto, project)));

        // The same file again is the same draft again, and nothing when it holds.
        Assert.Equal(2, Assert.IsType<BroughtIn.Next>(await BringAsync(kalypto, project, "<rect id='sky' width='700' height='7'/>" + Moon.Replace("e0a83c", "b8402a") + Bell.Replace("'bell'", "'alarm'"))).Draft.Number);
        Assert.IsType<BroughtIn.Unchanged>(await BringAsync(kalypto, project, "<rect id='sky' width='700' height='7'/>" + Moon.Replace("e0a83c", "b8402a") + Bell.Replace("'bell'", "'alarm'"), "Tonight (2).svg"));
        // What was gone has everything again when it comes back.
        await kalypto.SayAsync(project, Decision.Leave, ("sky", ""));
        await BringAsync(kalypto, project, Moon + Bell);
        await BringAsync(kalypto, project, Moon + Bell + "<rect id='sky' width='700' height='7'/>");
        Assert.Contains("sky=Leave", await SaidAsync(kalypto, project), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_draft_saved_at_twice_the_size_ships_at_the_sizes_of_before()
    {
        await using var kalypto = await Running.StartAsync(new(), draws: false);
        var project = await kalypto.ProjectAsync(Bell + Moon + Book, ("bell", "icon"), ("moon", "picture"));
        var sizes = await SizesAsync(kalypto, project);
        var twice = System.Text.RegularExpressions.Regex.Replace(Bell + Moon + Book, "(?<=(x|y|width|height)=')\\d+", m => $"{2 * int.Parse(m.Value, System.Globalization.CultureInfo.InvariantCulture)}");
        var file = Encoding.UTF8.GetBytes($"<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 18000 18000'>{twice}</svg>");
        var next = Assert.IsType<BroughtIn.Next>(await kalypto.Get<BringIn>().FileAsync(new(Running.Ada, project), "tonight.svg", file, "tonight.svg", Cancel));
        Assert.Equal(2, next.DrawnAt);
        Assert.Equal(2, (await kalypto.OpenAsync(project)).Designs[0].Row.DrawnAt);
        Assert.Equal(sizes, await SizesAsync(kalypto, project));
        // Back and on again go with it, and so does undo.
        var (row, state) = (await kalypto.OpenAsync(project)).Designs[0];
        var first = (await kalypto.Get<CompareDrafts>().RunAsync(row, state, null, Cancel)).Before!.Value;
        Assert.Equal(1, first.State.DrawnAt);
        await kalypto.Get<HoldDraft>().HoldAsync(Running.By(project), row.Id, first.Row.DraftId, Cancel);
        Assert.Equal((1, sizes), ((await kalypto.OpenAsync(project)).Designs[0].Row.DrawnAt, await SizesAsync(kalypto, project)));
        Assert.True((await kalypto.Get<EditStore>().UndoAsync(Running.By(project), Cancel)).IsDone);
        Assert.Equal(2, (await kalypto.OpenAsync(project)).Designs[0].Row.DrawnAt);
        Assert.True((await kalypto.Get<EditStore>().UndoAsync(Running.By(project), Cancel)).IsDone);
        Assert.Equal(1, (await kalypto.OpenAsync(project)).Designs[0].Row.DrawnAt);
        // One icon that became larger is drawn larger, not at another scale.
        await BringAsync(kalypto, project, Bell.Replace("24", "48") + Moon + Book);
        Assert.Equal(1, (await kalypto.OpenAsync(project)).Designs[0].Row.DrawnAt);
    }

    [Fact]
    public async Task One_of_several_equal_icons_that_is_painted_otherwise_gets_a_name_of_its_own_and_blocks_nothing()
    {
        await using var kalypto = await Running.StartAsync(new(), draws: false);
        static string Star(int n, string paint = "#173a45") => $"<path id='tab-{n}' data-name='star' d='M{n * 90} 20l4 9-9-6h9l-9 6z' fill='{paint}'/>";
        var project = await kalypto.ProjectAsync(Star(1) + Star(2) + Star(3));
        var design = (await kalypto.OpenAsync(project)).States[0].Id;
        await kalypto.Get<EditLayers>().DecideAsync(await kalypto.VisitAsync(project), [new(design, 1), new(design, 2), new(design, 3)], Decision.Ship, Cancel);
        Assert.Single((await kalypto.Get<PlanPack>().PlanAsync(await kalypto.OpenAsync(project), Cancel)).Pack.Pictures);
        await BringAsync(kalypto, project, Star(1, "#b8402a") + Star(2) + Star(3));
        var plan = (await kalypto.Get<PlanPack>().PlanAsync(await kalypto.OpenAsync(project), Cancel)).Pack;
        Assert.Equal(["star", "star-2"], plan.Pictures.Select(p => p.Name).Order());
        Assert.DoesNotContain(plan.Findings, f => f.Severity == Core.Checking.Severity.Blocker);
        Assert.Contains(plan.Findings, f => f.Check == "one-of-several-drawn-otherwise");
        // The two that stayed keep the file.
        Assert.Equal(2, plan.Pictures.Single(p => p.Name == "star").Places.Length);
        Assert.True((await kalypto.Get<EditStore>().UndoAsync(Running.By(project), Cancel)).IsDone);
        Assert.Single((await kalypto.Get<PlanPack>().PlanAsync(await kalypto.OpenAsync(project), Cancel)).Pack.Pictures);
    }

    [Fact]
    public async Task An_icon_that_other_drawings_show_too_and_one_paints_otherwise_gets_a_name_of_its_own_and_blocks_nothing()
    {
        await using var kalypto = await Running.StartAsync(new(), draws: false);
        const string Bell = "<path id='bell' d='M20 20l4 9-9-6h9l-9 6z' fill='#173a45'/>";
        var project = await kalypto.ProjectAsync(Bell, ("bell", "icon"));
        Assert.IsType<BroughtIn.Read>(await BringAsync(kalypto, project, Moon + Bell, "archive.svg"));
        var (archive, there) = (await kalypto.OpenAsync(project)).Designs[1];
        await kalypto.Get<EditLayers>().DecideAsync(await kalypto.VisitAsync(project), [new(archive.Id, there.Layers.Single(l => l.Name == "bell").Ordinal)], Decision.Ship, Cancel);
        Assert.IsType<BroughtIn.Next>(await BringAsync(kalypto, project, Bell.Replace("#173a45", "#b8402a", StringComparison.Ordinal)));
        var workspace = await kalypto.OpenAsync(project);
        Assert.Equal(["bell-2", "bell"], workspace.States.Select(s => s.NameOf(s.Layers.Single(l => l.Name == "bell"))));
        var pack = (await kalypto.Get<PlanPack>().PlanAsync(workspace, Cancel)).Pack;
        Assert.Empty(pack.Blockers);
        Assert.Contains(pack.Findings, f => f.Check == "one-of-several-drawn-otherwise");
    }

    [Fact]
    public async Task An_older_draft_takes_a_name_that_the_drawing_got_later_and_a_gone_layer_hands_its_decision_to_the_one_chosen()
    {
        await using var kalypto = await Running.StartAsync(new(), draws: false);
        var project = await kalypto.ProjectAsync(Bell + Moon, ("bell", "icon"));
        await BringAsync(kalypto, project, Bell.Replace("'bell'", "'alarm'") + Moon);
        var (row, state) = Assert.Single((await kalypto.OpenAsync(project)).Designs);
        await kalypto.Get<EditLayers>().NameAsync(await kalypto.VisitAsync(project), new(row.Id, state.Layers.Single(l => l.Name == "alarm").Ordinal), "", Cancel);
        var first = (await kalypto.Get<DesignStore>().DraftsAsync(row.Id, Cancel))[^1].Id;
        await kalypto.Get<HoldDraft>().HoldAsync(Running.By(project), row.Id, first, Cancel);
        Assert.Equal("bell=Ship/alarm", await SaidAsync(kalypto, project));

        // Something else altogether: the decision of what is gone goes to it by hand, once.
        await BringAsync(kalypto, project, Moon + "<g id='siren'><path d='M500 500l40 9-9 30z'/><circle cx='700' cy='500' r='9'/></g>");
        Assert.Equal("", await SaidAsync(kalypto, project));
        (row, state) = Assert.Single((await kalypto.OpenAsync(project)).Designs);
        var siren = state.Layers.Single(l => l.Name == "siren").Ordinal;
        var gone = (await kalypto.Get<CompareDrafts>().RunAsync(row, state, null, Cancel)).Before!.Value.Row.Lineages;
        var lineage = Enumerable.Range(1, gone.Count - 1).Select(gone.Of).Single(l => row.Lineages.OrdinalOf(l) is null);
        Assert.True((await kalypto.Get<HoldDraft>().GiveAsync(await kalypto.VisitAsync(project), row.Id, siren, lineage, Cancel)).IsDone);
        Assert.Equal("siren=Ship/alarm", await SaidAsync(kalypto, project));
        Assert.Equal(StepState.Nothing, (await kalypto.Get<HoldDraft>().GiveAsync(await kalypto.VisitAsync(project), row.Id, siren - 1, lineage, Cancel)).State);
        Assert.Equal(StepState.Gone, (await kalypto.Get<HoldDraft>().GiveAsync(await kalypto.VisitAsync(project), row.Id, siren, 4711, Cancel)).State);
        Assert.True((await kalypto.Get<EditStore>().UndoAsync(Running.By(project), Cancel)).IsDone);
        Assert.Equal("", await SaidAsync(kalypto, project));
    }

    private static async Task<string> SizesAsync(Running kalypto, int project) =>
        string.Join(' ', (await kalypto.Get<PlanPack>().PlanAsync(await kalypto.OpenAsync(project), Cancel)).Pack.Files.Select(f => $"{f.Path} {f.Ask.Width}x{f.Ask.Height}").Order(StringComparer.Ordinal));

    [Fact]
    public async Task A_format_in_the_brackets_of_the_drawing_decides_once_and_nothing_that_people_decided()
    {
        await using var kalypto = await Running.StartAsync(new(), draws: false);
        static string Drawn(string bell, string moon, string more = "") => Bell.Replace("'bell'", $"'{bell}'") + Moon.Replace("'moon'", $"'{moon}'") + more;
        var project = await kalypto.ProjectAsync(Drawn("bell [icon png]", "moon [photo]"));
        Assert.Equal("bell=Ship/", await SaidAsync(kalypto, project));
        // Said to stay open, it stays so in the next draft, where something else says a format for the first time.
        await kalypto.SayAsync(project, Decision.Open, ("bell", ""));
        await BringAsync(kalypto, project, Drawn("bell [icon png]", "moon [photo jpeg]"));
        Assert.Equal("moon=Ship/", await SaidAsync(kalypto, project));
        Assert.True((await kalypto.Get<EditStore>().UndoAsync(Running.By(project), Cancel)).IsDone);
        Assert.Equal("", await SaidAsync(kalypto, project));
        // A decision of people is not touched by what is written later.
        await kalypto.SayAsync(project, Decision.Code, ("moon", ""));
        await BringAsync(kalypto, project, Drawn("bell", "moon [jpeg]"));
        Assert.Equal("moon=Code/", await SaidAsync(kalypto, project));
        // A project can say no.
        var visit = await kalypto.VisitAsync(project);
        var change = await kalypto.Get<ChangeRecipes>().ReadAsync(visit.Workspace, new("brackets", DrawingDecides: false), null, Cancel);
        Assert.True((await kalypto.Get<ChangeRecipes>().MakeAsync(visit, change, Cancel)).IsDone);
        await BringAsync(kalypto, project, Drawn("bell", "moon", "<rect id='dome [svg]' x='20' y='300' width='50' height='50'/>"));
        Assert.Equal("moon=Code/", await SaidAsync(kalypto, project));
        Assert.IsType<BroughtIn.Read>(await BringAsync(kalypto, project, "<rect id='star [svg]' x='20' y='300' width='50' height='50'/>", "another.svg"));
        Assert.Empty((await kalypto.OpenAsync(project)).States[1].Marks);
    }

    [Fact]
    public async Task What_is_asked_is_carried_once_it_is_said_and_a_file_can_be_another_design()
    {
        await using var kalypto = await Running.StartAsync(new(), draws: false);
        // Wrapped once more, nobody can tell which of the groups without a name is which.
        var project = await kalypto.ProjectAsync($"<g><g>{Bell}{Moon}</g></g>", ("bell", "icon"));
        var state = (await kalypto.OpenAsync(project)).States[0];
        await kalypto.Get<EditLayers>().DecideAsync(await kalypto.VisitAsync(project), [new(state.Id, 2)], Decision.Code, Cancel);
        var next = Assert.IsType<BroughtIn.Next>(await BringAsync(kalypto, project, $"<g><g><g>{Bell}{Moon}</g></g></g>"));
        Assert.InRange(next.Draft.Asked, 1, 2);
        Assert.Equal("bell=Ship/", await SaidAsync(kalypto, project));
        var asked = KeptPair.Read(next.Draft.Pairs).Where(p => p.Grade == PairGrade.Unsure).ToList();
        var pair = asked.Find(p => p.Old == 2);
        Assert.Equal(next.Draft.Asked, (await kalypto.OpenAsync(project)).Designs[0].Row.Asked);
        Assert.True((await kalypto.Get<HoldDraft>().SayAsync(await kalypto.VisitAsync(project), next.Design, asked.ToDictionary(p => p.New, p => p == pair), Cancel)).IsDone);
        Assert.Equal("group=Code/ bell=Ship/", await SaidAsync(kalypto, project));
        Assert.Equal(0, (await kalypto.OpenAsync(project)).Designs[0].Row.Asked);
        Assert.True((await kalypto.Get<EditStore>().UndoAsync(Running.By(project), Cancel)).IsDone);
        Assert.Equal((next.Draft.Asked, "bell=Ship/"), ((await kalypto.OpenAsync(project)).Designs[0].Row.Asked, await SaidAsync(kalypto, project)));

        var apart = await kalypto.Get<SortDrafts>().ApartAsync(await kalypto.VisitAsync(project), next.Design, Cancel);
        Assert.Equal([("Tonight", 1), ("Tonight 2", 1)], (await kalypto.OpenAsync(project)).Designs.Select(d => (d.Row.Name, d.Row.DraftNumber)));
        var again = await kalypto.Get<SortDrafts>().JoinAsync(await kalypto.VisitAsync(project), apart!.Value, next.Design, DateTime.UtcNow, Cancel);
        Assert.Equal([("Tonight", again!.Number)], (await kalypto.OpenAsync(project)).Designs.Select(d => (d.Row.Name, d.Row.DraftNumber)));
    }

    [Fact]
    public async Task A_file_of_another_name_or_from_the_same_drop_is_a_design_of_its_own()
    {
        await using var kalypto = await Running.StartAsync(new(), draws: false);
        var project = await kalypto.ProjectAsync(string.Concat(Enumerable.Range(0, 12).Select(i => $"<rect id='star-{i}' x='{i * 50}' y='{i * i}' width='{9 + i}' height='9'/>")), ("star-1", "icon"));
        var design = (await kalypto.OpenAsync(project)).States[0].Id;
        // Another name, but most of it is there already: offered, not done.
        var like = Assert.IsType<BroughtIn.Read>(await BringAsync(kalypto, project, string.Concat(Enumerable.Range(0, 11).Select(i => $"<rect id='star-{i}' x='{i * 50}' y='{i * i}' width='{9 + i}' height='9'/>")), "map.svg"));
        Assert.Equal(design, like.Like?.Id);
        // The same name, but nothing of it is alike.
        var other = Assert.IsType<BroughtIn.Read>(await BringAsync(kalypto, project, string.Concat(Enumerable.Range(0, 12).Select(i => $"<rect id='dome-{i}' x='{i * 20}' width='{70 + i}' height='33'/>"))));
        Assert.Equal(design, other.Like?.Id);
        var target = new Target(Running.Ada, project);
        var files = kalypto.Get<BringIn>();
        Assert.IsType<BroughtIn.Read>(await files.FileAsync(target, "icons/star.svg", Svg(Bell), "all.zip", Cancel));
        Assert.IsType<BroughtIn.Read>(await files.FileAsync(target, "filled/star.svg", Svg(Bell.Replace("24", "25", StringComparison.Ordinal)), "all.zip", Cancel));
    }
}
