using System.Text;
using Kalypto.Application.BringingIn;
using Kalypto.Application.Desk;
using Kalypto.Application.Packs;
using Kalypto.Core.Deciding;
using Kalypto.Store;

namespace Kalypto.Application.Tests;

/// <summary>Screens are drawn by both engines when they come in, and what that shows holds for whatever is made of them.</summary>
public sealed class ProofTests
{
    private static readonly byte[] File = Encoding.UTF8.GetBytes("<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 40 40'><rect id='bell' x='2' y='2' width='12' height='12'/></svg>");

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    private static async Task<int> BringInAsync(Running kalypto)
    {
        var project = await kalypto.Get<ProjectStore>().AddAsync("Larkrise", ["web"], Running.Ada, Cancel);
        Assert.IsType<BroughtIn.Read>(await kalypto.Get<BringIn>().FileAsync(new(Running.Ada, project), "tonight.svg", File, "tonight.svg", Cancel));
        return project;
    }

    private static async Task<ProofRow> ProofOfAsync(Running kalypto, int project)
    {
        while (true)
        {
            var next = kalypto.Get<Notices>().Next;
            var measured = (await kalypto.OpenAsync(project)).States.Single().Measured;
            if ((await kalypto.Get<ScreenProofs>().OfAsync([measured], Cancel)).Values.Single() is { } proof)
            {
                return proof;
            }
            await next.WaitAsync(Running.Patience, Cancel);
        }
    }

    [Fact]
    public async Task What_was_proven_is_drawn_exactly_by_every_process_and_after_a_restart()
    {
        await using var first = await Running.StartAsync(new PaperRenderer { Exact = "browser 1" });
        // Opens before anything is known, draws nothing, and hears of it.
        await using var second = await Running.StartAsync(new PaperRenderer { Exact = "browser 1" }, first.DatabaseName, draws: false, drops: false);
        var project = await BringInAsync(first);
        var proof = await ProofOfAsync(first, project);
        Assert.Equal((1, null), (proof.Exactly, proof.Failure));
        await first.SayAsync(project, Decision.Ship, ("bell", "picture png scale:1x"));
        while ((await second.Get<PlanPack>().PlanAsync(await second.OpenAsync(project), Cancel)).Pack.Pictures is not [{ IsExact: true }])
        {
            await second.Get<Notices>().Next.WaitAsync(Running.Patience, Cancel);
        }
        var plan = await second.Get<PlanPack>().PlanAsync(await second.OpenAsync(project), Cancel);
        Assert.Contains("of its ink is other", Assert.Single(plan.Pack.Pictures[0].Exactly));
        // Planned by the second, drawn by the first.
        Assert.Contains("exactly", (await first.FilesAsync((await second.EndedAsync(await second.BuildAsync(project))).Id))["web/bell.png"]);

        await using var later = await Running.StartAsync(new PaperRenderer { Exact = "browser 1" }, first.DatabaseName, draws: false, drops: false);
        Assert.True((await later.Get<PlanPack>().PlanAsync(await later.OpenAsync(project), Cancel)).Pack.Pictures[0].IsExact);
        // Another browser may be right or wrong about other things.
        await using var other = await Running.StartAsync(new PaperRenderer { Exact = "browser 2" }, first.DatabaseName, draws: false, drops: false);
        Assert.False((await other.Get<PlanPack>().PlanAsync(await other.OpenAsync(project), Cancel)).Pack.Pictures[0].IsExact);
    }

    [Theory]
    [InlineData(48, true)]
    [InlineData(24, false)]
    public async Task A_picture_is_compared_as_it_ships_at_its_largest_scale_before_it_is_delivered(int differsAt, bool isExact)
    {
        await using var kalypto = await Running.StartAsync(new PaperRenderer { Exact = "browser 1", DiffersAt = width => width == differsAt });
        var project = await BringInAsync(kalypto);
        // The screen, 40 and 80 px wide, shows nothing of it.
        Assert.Equal((1, 0), (await ProofOfAsync(kalypto, project) is var proof ? (int)proof.Equal! : 0, proof.Exactly));
        await kalypto.SayAsync(project, Decision.Ship, ("bell", "picture png scale:4x"));
        var files = await kalypto.FilesAsync((await kalypto.EndedAsync(await kalypto.BuildAsync(project))).Id);
        Assert.Equal(isExact, files.Single(f => f.Key.EndsWith(".png", StringComparison.Ordinal)).Value.Contains("exactly", StringComparison.Ordinal));
        Assert.Equal((0, 0), await kalypto.Get<ProvePictures>().AskAsync(await kalypto.OpenAsync(project), (await kalypto.Get<PlanPack>().PlanAsync(await kalypto.OpenAsync(project), Cancel)).Pack.Files, Cancel));
    }

    [Fact]
    public async Task What_could_not_be_compared_is_compared_when_that_has_passed()
    {
        var renderer = new PaperRenderer { Exact = "browser 1", Stalls = scene => scene.IsExact };
        await using var kalypto = await Running.StartAsync(renderer);
        var project = await BringInAsync(kalypto);
        var proof = await ProofOfAsync(kalypto, project);
        Assert.Equal((null, "It takes too long.", true), (proof.Equal, proof.Failure, proof.IsPassing));
        // As if the ten minutes were over.
        renderer.Stalls = _ => false;
        await kalypto.RunAsync("delete from proofs");
        var measured = (await kalypto.OpenAsync(project)).States.Single();
        Assert.Equal(1, await kalypto.Get<ScreenProofs>().AskAsync([((await kalypto.OpenAsync(project)).Designs[0].Row.DraftId, measured.Measured)], Cancel));
        Assert.Equal(1, (await ProofOfAsync(kalypto, project)).Exactly);
    }

    [Fact]
    public async Task Without_an_exact_engine_nothing_is_proved()
    {
        await using var kalypto = await Running.StartAsync(new PaperRenderer());
        var project = await BringInAsync(kalypto);
        Assert.Empty(await kalypto.Get<ScreenProofs>().OfAsync([(await kalypto.OpenAsync(project)).States.Single().Measured], Cancel));
    }
}
