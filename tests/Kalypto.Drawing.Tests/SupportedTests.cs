using System.Text;
using Kalypto.Core.Isolating;
using Kalypto.Core.Reading;

namespace Kalypto.Drawing.Tests;

/// <summary>The table of what is drawn by which engine is true. KALYPTO_WRITE=1 writes it anew.</summary>
public sealed class SupportedTests
{
    [Fact]
    public async Task The_table_says_what_is_drawn_by_which_engine()
    {
        var cancel = TestContext.Current.CancellationToken;
        var rows = Features.All.Select(feature =>
        {
            var drawing = SvgReader.Read(Encoding.UTF8.GetBytes($"<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 100 100'>{feature.Value}</svg>"), "Drawing");
            var beyond = Isolation.Of(drawing, drawing.Layers.First(l => l.Name == "x")).Beyond;
            return $"| {feature.Key} | {(beyond.IsEmpty ? "quick" : "exact")} | {string.Join(", ", beyond)} |";
        });
        var file = Path.Combine(Root(), "docs/supported.md");
        var text = await File.ReadAllTextAsync(file, cancel);
        var head = text[..(text.IndexOf("|---", StringComparison.Ordinal) + "|---|---|---|\n".Length)];
        var table = head + string.Join('\n', rows) + '\n';
        if (Environment.GetEnvironmentVariable("KALYPTO_WRITE") == "1")
        {
            await File.WriteAllTextAsync(file, table, cancel);
        }
        Assert.Equal(table, await File.ReadAllTextAsync(file, cancel));
    }

    private static string Root()
    {
        var folder = AppContext.BaseDirectory;
        while (!File.Exists(Path.Combine(folder, "Kalypto.slnx")))
        {
            folder = Path.GetDirectoryName(folder)!;
        }
        return folder;
    }
}
