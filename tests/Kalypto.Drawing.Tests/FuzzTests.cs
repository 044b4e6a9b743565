using Kalypto.Drawing.Workers;
using Kalypto.Fuzz;

namespace Kalypto.Drawing.Tests;

/// <summary>A short run of what <c>./fuzz</c> does for as long as one likes, always with the same files.</summary>
public class FuzzTests
{
    private const int Files = 400;

    [Fact]
    public async Task No_mutated_drawing_breaks_reading_export_or_drawing()
    {
        var options = new WorkerOptions { Program = Path.Combine(AppContext.BaseDirectory, "Kalypto.Worker"), Fonts = Path.Combine(AppContext.BaseDirectory, "fonts") };
        using var reader = new WorkerReader(options.ForReading(TimeSpan.FromSeconds(60)));
        using var renderer = new WorkerRenderer(options);
        List<byte[]> corpus = [.. Directory.EnumerateFiles(Path.Combine(AppContext.BaseDirectory, "corpus")).Order(StringComparer.Ordinal).Select(File.ReadAllBytes)];
        var outcome = await new Run(reader, renderer) { Patience = TimeSpan.FromMinutes(5), CountsBytes = false }.RunAsync(new(corpus, 20), files => files < Files, TestContext.Current.CancellationToken);
        Assert.True(outcome.Bad.Count == 0, string.Join('\n', outcome.Bad.Select(b => $"{b.What}: {Convert.ToBase64String(b.File.AsSpan(0, Math.Min(b.File.Length, 3000)))}")));
        // Enough of them are drawings still, so that all of the way is tried.
        Assert.InRange(outcome.Read, Files / 8, Files);
    }
}
