using System.Text;
using Kalypto.Application.Asking;
using Kalypto.Application.BringingIn;
using Kalypto.Application.Building;
using Kalypto.Application.Desk;
using Kalypto.Core.Asking;
using Kalypto.Core.Deciding;
using Kalypto.Store;
using Kalypto.Store.Asking;

namespace Kalypto.Application.Tests;

/// <summary>What is asked about a delivery goes along with its layer through drafts, until a delivery settles it.</summary>
public class AskingTests
{
    private const string Bell = "<rect id='bell' x='20' y='20' width='24' height='24'/>";
    private const string Moon = "<rect id='moon' x='120' y='20' width='90' height='90' fill='#e0a83c'/>";

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    private static async Task DeliverAsync(Running kalypto, int project) => await kalypto.EndedAsync((await kalypto.Get<BuildPack>().StartAsync(await kalypto.OpenAsync(project), new(), Cancel)).Build!.Value);

    private static async Task BringAsync(Running kalypto, int project, string inside) => Assert.IsType<BroughtIn.Next>(await kalypto.Get<BringIn>().FileAsync(
        new(Running.Ada, project), "tonight.svg", Encoding.UTF8.GetBytes($"<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 9000 9000'>{inside}</svg>"), "tonight.svg", Cancel));

    private static async Task<string> WaitingAsync(Running kalypto, int project)
    {
        var workspace = await kalypto.OpenAsync(project);
        return string.Join("; ", (await kalypto.Get<OpenQuestions>().OfAsync(workspace, Cancel)).Select(q => $"{workspace.FindLayer(q.Layer.Design, q.Layer.Ordinal)!.Value.Layer.Name}: {q.Sentence}"));
    }

    [Fact]
    public async Task A_question_follows_its_layer_and_is_settled_by_the_delivery_that_holds_what_was_asked()
    {
        await using var kalypto = await Running.StartAsync(new());
        var project = await kalypto.ProjectAsync(Bell + Moon, ("bell", "picture -webp png scale:1x"));
        await DeliverAsync(kalypto, project);
        var (row, state) = (await kalypto.OpenAsync(project)).Designs[0];
        var screen = row.Lineages.Of(state.Measured.Drawing.Screens[0].Root.Ordinal);
        var store = kalypto.Get<QuestionStore>();
        var author = new Author(project, new Actor("link-1", "Tom") { Role = Role.Developer });
        var moon = row.Lineages.Of(state.Layers.First(l => l.Name == "moon").Ordinal);
        Assert.True((await store.AskAsync(author, new(0, 1, row.Id, screen, moon, nameof(QuestionKind.Picture)), "Ask about moon", Cancel)).IsDone);
        Assert.True((await store.AskAsync(author, new(0, 1, row.Id, screen, screen, nameof(QuestionKind.Words)) { Words = "Why so dark?", Point = (10, 20) }, "Ask about the screen", Cancel)).IsDone);
        Assert.Equal("moon: it needs to be a picture; Tonight: “Why so dark?”", (await WaitingAsync(kalypto, project)).Replace(state.Measured.Drawing.Screens[0].Root.Name, "Tonight", StringComparison.Ordinal));

        // Another draft, in another order: it stands at the moon still. A delivery without it settles nothing.
        await BringAsync(kalypto, project, $"<rect id='sky' x='1' y='700' width='64' height='64'/>{Moon.Replace("x='120'", "x='130'")}{Bell}");
        await DeliverAsync(kalypto, project);
        Assert.StartsWith("moon: it needs to be a picture", await WaitingAsync(kalypto, project), StringComparison.Ordinal);

        await kalypto.SayAsync(project, Decision.Ship, ("moon", "picture -webp png scale:1x"));
        var words = (await store.OnScreenAsync(project, row.Id, screen, Cancel)).Single(q => q.Words.Length > 0);
        Assert.Equal((10d, 20d), words.Point);
        Assert.True((await store.AnswerAsync(new(project, Running.Ada), words.Id, "It is night.", "Answer", Cancel)).IsDone);
        var notices = kalypto.Get<Notices>();
        await DeliverAsync(kalypto, project);
        for (var next = notices.Next; await WaitingAsync(kalypto, project) is { Length: > 0 }; next = notices.Next)
        {
            await next.WaitAsync(TimeSpan.FromMinutes(2), Cancel);
        }
        Assert.All(await store.OnScreenAsync(project, row.Id, screen, Cancel), q => Assert.Equal(3, q.SettledIn));
        // What is settled is neither answered nor taken back any more.
        Assert.Equal(StepState.Nothing, (await store.AnswerAsync(Running.By(project), words.Id, "No.", "Answer", Cancel)).State);
        Assert.Equal(StepState.Nothing, (await store.WithdrawAsync(author, words.Id, "Take back", Cancel)).State);
        Assert.Contains(await kalypto.Get<EditStore>().HistoryAsync(project, 9, Cancel), h => h is { IsLasting: true, Label: "Delivery 3 settles 2 questions" });
    }

    [Fact]
    public async Task A_question_about_a_layer_that_is_gone_stands_at_its_screen_and_only_whoever_asked_takes_it_back()
    {
        await using var kalypto = await Running.StartAsync(new());
        var project = await kalypto.ProjectAsync(Bell + Moon, ("bell", "picture -webp png scale:1x"));
        await DeliverAsync(kalypto, project);
        var (row, state) = (await kalypto.OpenAsync(project)).Designs[0];
        var root = state.Measured.Drawing.Screens[0].Root;
        var store = kalypto.Get<QuestionStore>();
        var author = new Author(project, new Actor("link-1", "Tom") { Role = Role.Developer });
        await store.AskAsync(author, new(0, 1, row.Id, row.Lineages.Of(root.Ordinal), row.Lineages.Of(state.Layers.First(l => l.Name == "moon").Ordinal), nameof(QuestionKind.Code)), "Ask about moon", Cancel);
        await BringAsync(kalypto, project, Bell + "<rect id='sky' x='1' y='700' width='64' height='64'/>");
        Assert.Equal($"{root.Name}: it needs to be built in code", await WaitingAsync(kalypto, project));
        // Nothing is done to the screen in its place.
        Assert.True(Assert.Single(await kalypto.Get<OpenQuestions>().OfAsync(await kalypto.OpenAsync(project), Cancel)).IsGone);
        var asked = Assert.Single(await store.OnScreenAsync(project, row.Id, row.Lineages.Of(root.Ordinal), Cancel));
        Assert.Equal(StepState.Nothing, (await store.WithdrawAsync(new(project, new Actor("link-2", "Tom") { Role = Role.Developer }), asked.Id, "Take back", Cancel)).State);
        Assert.True((await store.WithdrawAsync(author, asked.Id, "Take back", Cancel)).IsDone);
        Assert.Equal("", await WaitingAsync(kalypto, project));
    }
}
