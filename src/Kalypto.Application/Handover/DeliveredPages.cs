using Kalypto.Application.Pages;
using Kalypto.Store;

namespace Kalypto.Application.Handover;

/// <summary>Opens screens as pages of what was delivered.</summary>
public sealed class DeliveredPages(OpenPages pages, IBlobs blobs)
{
    /// <summary>A screen as it was delivered; null when there is no such screen.</summary>
    public Task<ComposedPage?> PageAsync(Delivered delivered, int design, int root, CancellationToken cancel) =>
        pages.PageAsync(delivered.Plan, delivered.Workspace, delivered.Plan.Pack.Files.Where(f => delivered.Files.ContainsKey(f.Path)), design, root).WaitAsync(cancel);

    /// <summary>A file beside a page, with its media type; null when there is none of that path.</summary>
    public async Task<(Stream Content, string MediaType)?> FileAsync(Delivered delivered, ComposedPage page, string path, CancellationToken cancel)
    {
        if (page.Files.FirstOrDefault(f => f.Path == path) is not { } file)
        {
            return null;
        }
        return file.Planned is { } planned ? await blobs.OpenAsync(delivered.Files[planned.Path].Sha256, cancel) is { } content ? (content, planned.Format.MediaType) : null : await pages.OtherAsync(delivered.Workspace, file, cancel);
    }
}
