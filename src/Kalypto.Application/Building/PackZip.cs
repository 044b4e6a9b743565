using System.IO.Compression;

namespace Kalypto.Application.Building;

/// <summary>A zip as it is handed out: without times, so that equal files give equal bytes, and not compressed, for pictures are already.</summary>
internal sealed class PackZip(ZipArchive zip) : IAsyncDisposable
{
    // Zip knows no earlier moment.
    private static readonly DateTimeOffset NoTime = new(1980, 1, 1, 0, 0, 0, TimeSpan.Zero);

    /// <summary>Begins one.</summary>
    public static async Task<PackZip> CreateAsync(Stream target, CancellationToken cancel) =>
        new(await ZipArchive.CreateAsync(target, ZipArchiveMode.Create, leaveOpen: true, entryNameEncoding: null, cancel));

    /// <summary>Adds a file.</summary>
    public async Task AddAsync(string path, Stream content, CancellationToken cancel)
    {
        await using (content)
        {
            var entry = zip.CreateEntry(path, CompressionLevel.NoCompression);
            entry.LastWriteTime = NoTime;
            await using var stream = await entry.OpenAsync(cancel);
            await content.CopyToAsync(stream, cancel);
        }
    }

    /// <inheritdoc/>
    public ValueTask DisposeAsync() => zip.DisposeAsync();
}
