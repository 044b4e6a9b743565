using System.Text;
using Kalypto.Application.Desk;
using Kalypto.Core.Comparing;
using Kalypto.Core.Rendering;
using Kalypto.Store;

namespace Kalypto.Application.Building;

/// <summary>Compares deliveries, and packs what is different between two.</summary>
public sealed class Deliveries(BuildStore builds, IBlobs blobs, IRenderer renderer, Notices notices, RedrawnLayers redrawn)
{
    private static readonly TimeSpan Look = TimeSpan.FromMilliseconds(250);
    private static readonly string[] Pixels = [".png", ".jpg", ".jpeg", ".webp", ".avif", ".gif"];

    /// <summary>A delivery beside an earlier one.</summary>
    /// <param name="To">The delivery.</param>
    /// <param name="From">The one that it is compared with; null when there is none.</param>
    /// <param name="Changes">What is different; everything is new where there is none before.</param>
    public sealed record Compared(BuildRow To, BuildRow? From, DeliveryChanges Changes);

    /// <summary>Waits until a build has ended; null when it is not there any more.</summary>
    public async Task<BuildRow?> EndedAsync(int build, CancellationToken cancel)
    {
        while (true)
        {
            var next = notices.Next;
            var row = await builds.FindAsync(build, cancel);
            if (row is not { State: "running" })
            {
                return row;
            }
            // News of another process may be missed.
            await Task.WhenAny(next, Task.Delay(Look, cancel));
            cancel.ThrowIfCancellationRequested();
        }
    }

    /// <summary>Compares a delivery with another one; null when there is none of that number.</summary>
    /// <param name="project">The project.</param>
    /// <param name="number">The delivery.</param>
    /// <param name="with">The other one; null for the newest before it of the same part of the pack; 0 for none.</param>
    /// <param name="cancel">Ends the wait.</param>
    public async Task<Compared?> CompareAsync(int project, int number, int? with, CancellationToken cancel)
    {
        if (await builds.DeliveryAsync(project, number, cancel) is not { } to)
        {
            return null;
        }
        var from = with is { } other ? await builds.DeliveryAsync(project, other, cancel)
            : (await builds.DeliveriesAsync(project, cancel)).Find(d => d.Number < number && d.Asked == to.Asked);
        return new(to, from, DeliveryChanges.Of(from is null ? [] : await builds.FilesAsync(from.Id, cancel), await builds.FilesAsync(to.Id, cancel)));
    }

    /// <summary>Writes a zip of what is different: the files that are new, changed or lie elsewhere, and what changed as <c>changes.json</c> and <c>CHANGES.md</c>.</summary>
    public async Task ZipAsync(string project, Compared compared, Stream target, CancellationToken cancel)
    {
        await using var zip = await PackZip.CreateAsync(target, cancel);
        var list = await ListAsync(project, compared, cancel);
        await zip.AddAsync("CHANGES.md", new MemoryStream(Encoding.UTF8.GetBytes(list.Markdown()), writable: false), cancel);
        await zip.AddAsync("changes.json", new MemoryStream(list.Json(), writable: false), cancel);
        foreach (var file in compared.Changes.Different.Select(c => c.New).OfType<DeliveredFile>())
        {
            await zip.AddAsync(file.Path, await blobs.OpenAsync(file.Sha256, cancel) ?? throw new InvalidOperationException($"{file.Path} is gone from the store."), cancel);
        }
    }

    /// <summary>What is different, to be written.</summary>
    public async Task<ChangeList> ListAsync(string project, Compared compared, CancellationToken cancel) => new(project, compared.From?.Number ?? 0, compared.To.Number ?? 0, compared.To.Line, compared.Changes)
    {
        Redrawn = compared.From is { } from ? await redrawn.FindAsync(from, compared.To, cancel) : new Dictionary<string, Redrawing>(),
    };

    /// <summary>How the pixels of a changed picture differ; null for what is no picture, or of another size.</summary>
    public async Task<PictureDifference?> DifferenceAsync(FileChange change, CancellationToken cancel) =>
        change is { IsChanged: true, Old: { } old, New: { } now } && Pixels.Any(p => old.Path.EndsWith(p, StringComparison.OrdinalIgnoreCase)) && Pixels.Any(p => now.Path.EndsWith(p, StringComparison.OrdinalIgnoreCase))
            && (old.Width, old.Height) == (now.Width, now.Height) && await BytesAsync(old.Sha256, cancel) is { } a && await BytesAsync(now.Sha256, cancel) is { } b
            ? await renderer.CompareAsync(a, b, cancel) : null;

    private async Task<byte[]?> BytesAsync(string sha256, CancellationToken cancel)
    {
        await using var stream = await blobs.OpenAsync(sha256, cancel);
        if (stream is null)
        {
            return null;
        }
        using var bytes = new MemoryStream();
        await stream.CopyToAsync(bytes, cancel);
        return bytes.ToArray();
    }
}
