using System.Diagnostics;
using System.Text;
using Kalypto.Core.Reading;
using Kalypto.Drawing.Workers;

namespace Kalypto.Drawing.Tests;

/// <summary>Reading happens in processes of their own: what hangs, crashes or fills one is refused, and the next file is read.</summary>
public sealed class ReaderTests : IDisposable
{
    // Tells the processes of this reader from those of tests that run at the same time.
    private const long OwnMemory = 1_000_000_007;

    private readonly WorkerReader reader = new(new WorkerOptions
    {
        Program = Path.Combine(AppContext.BaseDirectory, "Kalypto.Worker"),
        Fonts = Path.Combine(AppContext.BaseDirectory, "fonts"),
    }.ForReading(TimeSpan.FromSeconds(20)) with
    { Memory = OwnMemory });

    private readonly CancellationToken cancel = TestContext.Current.CancellationToken;

    public void Dispose() => reader.Dispose();

    private Task<string> ReadAsync(string svg) => ReadAsync(Encoding.UTF8.GetBytes(svg));

    private async Task<string> ReadAsync(byte[] file)
    {
        try
        {
            return $"{(await reader.ReadAsync(file, "Drawing", cancel)).Layers.Length} layers";
        }
        catch (DrawingRefusedException e)
        {
            return e.Message;
        }
    }

    [Fact]
    public async Task A_refusal_comes_over_with_its_line_and_names_with_every_letter()
    {
        var drawing = await reader.ReadAsync(Encoding.UTF8.GetBytes("<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 9 9'><g aria-label='Mond ☾ 🌗 é'/></svg>"), "x", cancel);
        Assert.Equal("Mond ☾ 🌗 é", drawing.Layers[1].Name);
        var refused = await Assert.ThrowsAsync<DrawingRefusedException>(() => reader.ReadAsync(Encoding.UTF8.GetBytes($"<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 9 9'>\n<filter>{string.Concat(Enumerable.Repeat("<feOffset/>", 61))}</filter></svg>"), "x", cancel));
        Assert.Equal(2, refused.Line);
        Assert.Contains("more than 60 steps", refused.Message, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_worker_that_is_killed_is_replaced_and_the_file_is_read_all_the_same()
    {
        const string Plain = "<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 9 9'><rect width='9' height='9'/></svg>";
        Assert.Equal("2 layers", await ReadAsync(Plain));
        var children = Process.GetProcessesByName("Kalypto.Worker").Where(IsOwn).ToList();
        Assert.NotEmpty(children);
        children.ForEach(c => c.Kill());
        Assert.Equal("2 layers", await ReadAsync(Plain));
        Assert.Equal("2 layers", await ReadAsync(Plain));
    }

    [Fact]
    public async Task One_that_is_killed_again_and_again_says_nothing_of_the_file()
    {
        const string Plain = "<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 9 9'><rect width='9' height='9'/></svg>";
        var killing = Task.Run(async () =>
        {
            for (var kills = 0; kills < 5; kills++)
            {
                Process.GetProcessesByName("Kalypto.Worker").Where(IsOwn).ToList().ForEach(c => c.Kill());
                await Task.Delay(20, cancel);
            }
        }, cancel);
        for (var i = 0; i < 5; i++)
        {
            Assert.Equal("2 layers", await ReadAsync(Plain));
        }
        await killing;
    }

    [Fact]
    public async Task A_worker_knows_no_password_and_can_gain_nothing()
    {
        Environment.SetEnvironmentVariable("KALYPTO_SECRET_OF_TESTS", "under the dome");
        await ReadAsync("<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 9 9'/>");
        foreach (var child in Process.GetProcessesByName("Kalypto.Worker").Where(IsOwn))
        {
            var status = await File.ReadAllLinesAsync($"/proc/{child.Id}/status", cancel);
            Assert.Contains("NoNewPrivs:\t1", status);
            Assert.Contains("Seccomp:\t2", status);
            var environment = await File.ReadAllTextAsync($"/proc/{child.Id}/environ", cancel);
            Assert.DoesNotContain("KALYPTO", environment, StringComparison.Ordinal);
        }
    }

    [Fact]
    public async Task What_nobody_waits_for_any_more_is_not_read_on()
    {
        using var gone = new CancellationTokenSource();
        // Far more comparisons than can be done while the test runs.
        var svg = $"<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 9 9'><style>{string.Concat(Enumerable.Range(0, 3000).Select(i => $"g g g g g .c{i} .a{{fill:red}}"))}</style>"
            + $"{string.Concat(Enumerable.Repeat("<g class='a'>", 150))}{string.Concat(Enumerable.Repeat("<rect class='a' width='1' height='1'/>", 20_000))}{string.Concat(Enumerable.Repeat("</g>", 150))}</svg>";
        var reading = reader.ReadAsync(Encoding.UTF8.GetBytes(svg), "x", gone.Token);
        await gone.CancelAsync();
        await Assert.ThrowsAnyAsync<OperationCanceledException>(() => reading);
        Assert.Equal("1 layers", await ReadAsync("<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 9 9'/>"));
    }

    private static bool IsOwn(Process process)
    {
        try
        {
            return File.ReadAllText($"/proc/{process.Id}/cmdline").Contains($"{OwnMemory}", StringComparison.Ordinal)
                && File.ReadAllText($"/proc/{process.Id}/stat").Split(") ")[1].Split(' ')[1] == $"{Environment.ProcessId}";
        }
        catch (IOException)
        {
            // It has ended meanwhile.
            return false;
        }
    }
}
