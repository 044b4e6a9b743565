using Kalypto.Drawing.Exact;

namespace Kalypto.Drawing.Tests;

/// <summary>Who comes next at the exact engine, of which there is one for everybody.</summary>
public class TurnsTests
{
    private readonly Turns turns = new();

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    // The order in which those who wait are served, after whoever has the turn now.
    private async Task<string> OrderAsync(params (string Name, Turn Turn)[] waiting)
    {
        Assert.True(turns.TryTake());
        var order = new List<string>();
        var all = waiting.Select(async w =>
        {
            await turns.WaitAsync(w.Turn, Cancel);
            order.Add(w.Name);
            turns.Release();
        }).ToList();
        turns.Release();
        await Task.WhenAll(all);
        return string.Join(' ', order);
    }

    [Fact]
    public async Task Whoever_waits_comes_before_proof_and_projects_share() => Assert.Equal("page a1 b1 a2 b2 a3", await OrderAsync(
        ("a1", new(8, 1, 10)), ("a2", new(8, 1, 10)), ("a3", new(8, 1, 10)), ("b1", new(8, 2, 20)), ("b2", new(8, 2, 20)), ("page", Turn.Waiting)));

    [Fact]
    public async Task What_ran_out_of_time_comes_last()
    {
        turns.MarkSlow(new(0, 1, 10));
        Assert.Equal("ahead page slow", await OrderAsync(("slow", new(0, 1, 10)), ("page", new(5, 1, 12)), ("ahead", new(0, 2, 11))));
    }

    [Fact]
    public async Task Whoever_gives_up_keeps_nobody_waiting()
    {
        Assert.True(turns.TryTake());
        using var gone = new CancellationTokenSource();
        var first = turns.WaitAsync(Turn.Waiting, gone.Token);
        var second = turns.WaitAsync(new(8, 1, 1), Cancel);
        await gone.CancelAsync();
        await Assert.ThrowsAnyAsync<OperationCanceledException>(() => first);
        turns.Release();
        await second;
        Assert.False(turns.TryTake());
        turns.Release();
        Assert.True(turns.TryTake());
    }
}
