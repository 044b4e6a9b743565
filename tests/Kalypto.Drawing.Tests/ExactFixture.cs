using System.Text;
using Kalypto.Core.Designs;
using Kalypto.Core.Fonts;
using Kalypto.Core.Formats;
using Kalypto.Core.Isolating;
using Kalypto.Core.Proving;
using Kalypto.Core.Reading;
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

    /// <summary>How a layer, as it is drawn, differs from a browser's picture of it.</summary>
    public async Task<Differences> BesideABrowserAsync(Isolation isolation, Box crop, int scale, CancellationToken cancel)
    {
        var (width, height) = ((int)crop.Width * scale, (int)crop.Height * scale);
        var ours = await Renderer.PixelsAsync(isolation.Scene(crop, width, height), width, height, cancel);
        var theirs = await Renderer.PixelsAsync(isolation.Scene(crop, width, height, isExact: true), width, height, cancel);
        Assert.Equal((null, null), (ours.Failure, theirs.Failure));
        Assert.Contains(theirs.Bytes!.Chunk(4), p => p[3] > 0);
        return Differences.Of(ours.Bytes!, theirs.Bytes!, width, height);
    }

    /// <summary>A layer as a browser shows it out of its own drawing, and as it shows the SVG that is written of it, in pixels.</summary>
    public async Task<(byte[] Drawn, byte[] Written, string Svg)> WrittenBesideABrowserAsync(Isolation isolation, Box crop, int width, int height, bool isExact, CancellationToken cancel)
    {
        var made = await Renderer.MakeFileAsync(isolation, new(crop, (crop.Width, crop.Height), (width, height), new(Format.Svg)) { IsExact = isExact }, cancel);
        Assert.Null(made.Failure);
        Add(made.Bytes!);
        var written = SvgReader.Read(made.Bytes!, "Written");
        var there = await Renderer.PixelsAsync(isolation.Scene(crop, width, height, isExact: true), width, height, cancel);
        var here = await Renderer.PixelsAsync(Isolation.Of(written, written.Layers[0]).Scene(written.Box, width, height, isExact: true), width, height, cancel);
        Assert.Equal((null, null), (there.Failure, here.Failure));
        return (there.Bytes!, here.Bytes!, Encoding.UTF8.GetString(made.Bytes!));
    }

    public async Task<(Font Font, byte[] File)> ReadFontAsync(byte[] file, string fileName, CancellationToken cancel) => Assert.Single(await Renderer.ReadFontsAsync(file, fileName, cancel));

    public Task<ReadOnlyMemory<byte>?> FindAsync(string sha256, CancellationToken cancel) => Task.FromResult(files.TryGetValue(sha256, out var file) ? new ReadOnlyMemory<byte>(file) : (ReadOnlyMemory<byte>?)null);

    public IDisposable Lend(ReadOnlyMemory<byte> file) => throw new NotSupportedException();

    public void Dispose() => Renderer.Dispose();
}
