using Kalypto.Application.Building;
using Kalypto.Core.Library;
using Kalypto.Store;

namespace Kalypto.Application.Library;

/// <summary>The files of one layer of the library as a zip.</summary>
public sealed class LayerZip(LibraryStore library, IBlobs blobs)
{
    /// <summary>Writes it: for each platform the files of the newest delivery that had any.</summary>
    public async Task WriteAsync(ShippedLayer layer, Stream target, CancellationToken cancel)
    {
        await using var zip = await PackZip.CreateAsync(target, cancel);
        foreach (var (_, file) in (await library.FilesAsync(layer.Owner, cancel)).DistinctBy(f => f.File.Path).OrderBy(f => f.File.Path, StringComparer.Ordinal))
        {
            await zip.AddAsync(file.Path, await blobs.OpenAsync(file.Sha256, cancel) ?? throw new InvalidOperationException($"{file.Path} is gone from the store."), cancel);
        }
    }
}
