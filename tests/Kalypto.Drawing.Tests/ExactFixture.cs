using Kalypto.Core.Designs;
using Kalypto.Core.Rendering;
using Kalypto.Drawing.Exact;
using Kalypto.Drawing.Workers;

namespace Kalypto.Drawing.Tests;

/// <summary>A renderer with an exact engine, and the files that it draws from.</summary>
public sealed class ExactFixture : IDisposable, ISources
{
    private readonly Dictionary<string, byte[]> files = [];

    public ExactFixture()
    {
        var fonts = Path.Combine(AppContext.BaseDirectory, "fonts");
        Renderer = new(new WorkerOptions { Program = Path.Combine(AppContext.BaseDirectory, "Kalypto.Worker"), Fonts = fonts, TimeLimit = TimeSpan.FromSeconds(60) },
            new ExactEngine(new() { Fonts = fonts, TimeLimit = TimeSpan.FromSeconds(5) }), this);
    }

    public WorkerRenderer Renderer { get; }

    /// <summary>Skips a test, by name, on a machine that does not let a browser have its sandbox.</summary>
    public void IsNeeded() => Assert.SkipWhen(Renderer.Exact is null, "Chromium does not start here as a user of its own with its sandbox on.");

    /// <summary>Keeps a file and says its SHA-256.</summary>
    public string Add(byte[] file)
    {
        var hash = Fingerprint.Of(file).Hex;
        files[hash] = file;
        return hash;
    }

    public Task<ReadOnlyMemory<byte>?> FindAsync(string sha256, CancellationToken cancel) => Task.FromResult<ReadOnlyMemory<byte>?>(files.TryGetValue(sha256, out var file) ? file : null);

    public IDisposable Lend(ReadOnlyMemory<byte> file) => throw new NotSupportedException();

    public void Dispose() => Renderer.Dispose();
}
