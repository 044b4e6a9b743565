using System.Collections.Immutable;
using Kalypto.Core.Comparing;
using Kalypto.Core.Placing;
using Kalypto.Store;
using Microsoft.Extensions.Logging;

namespace Kalypto.Application.Places;

/// <summary>Puts deliveries into the places of a project, and looks first at what that would do.</summary>
public sealed class DeliverTo(PlaceStore places, BuildStore builds, IBlobs blobs, PlaceOptions options, ILogger<DeliverTo> log)
{
    /// <summary>What became of a delivery to a place.</summary>
    /// <param name="Plan">What it does, or did.</param>
    /// <param name="Delivery">The number of the delivery.</param>
    /// <param name="IsDone">True when it was done; false for a look, and when something must be said first.</param>
    public sealed record Outcome(PlacePlan Plan, int Delivery, bool IsDone);

    /// <summary>Makes a folder a place of a project.</summary>
    /// <param name="author">The project and who does it.</param>
    /// <param name="root">The allowed folder, by its place in the list.</param>
    /// <param name="folder">The folder inside it, with slashes; empty for the allowed folder itself.</param>
    /// <param name="platform">The platform whose files alone go there; empty for the whole pack.</param>
    /// <param name="cancel">Ends the wait.</param>
    /// <exception cref="PlaceRefusedException">It cannot be one.</exception>
    public async Task<PlaceRow> AddAsync(Author author, int root, string folder, string platform, CancellationToken cancel)
    {
        folder = folder.Trim().Trim('/');
        if (root < 0 || root >= options.Roots.Count || folder.Length > 0 && !PlacePath.IsSafe(folder))
        {
            throw new PlaceRefusedException("Name a folder inside the allowed one, such as src/assets: without dots that lead out of it.");
        }
        var path = Path.GetFullPath(Path.Combine(options.Roots[root], folder));
        _ = new PlaceFolder(options.Roots[root], path, new NoJournal());
        return await places.AddAsync(author, path, platform, cancel) ?? throw new PlaceRefusedException($"{path} is a place already, of this or another project.");
    }

    /// <summary>Exactly what a delivery would do to a place.</summary>
    /// <exception cref="PlaceRefusedException">The place cannot be read.</exception>
    public async Task<Outcome?> LookAsync(PlaceRow place, int delivery, IReadOnlySet<string> overwrite, IReadOnlySet<string> leave, CancellationToken cancel) =>
        await RunAsync(place, delivery, overwrite, leave, isLook: true, cancel);

    /// <summary>Puts a delivery into a place: all of it, or nothing.</summary>
    /// <exception cref="PlaceRefusedException">The place cannot be read or written.</exception>
    public async Task<Outcome?> DeliverAsync(PlaceRow place, int delivery, IReadOnlySet<string> overwrite, IReadOnlySet<string> leave, CancellationToken cancel) =>
        await RunAsync(place, delivery, overwrite, leave, isLook: false, cancel);

    /// <summary>The files that would go to other folders of a place.</summary>
    /// <param name="place">The place.</param>
    /// <param name="files">The files to come, with their identities; their content does not count.</param>
    /// <param name="cancel">Ends the wait.</param>
    /// <exception cref="PlaceRefusedException">The place cannot be read.</exception>
    public async Task<ImmutableArray<FolderMove>> MovesAsync(PlaceRow place, IEnumerable<DeliveredFile> files, CancellationToken cancel)
    {
        await using var alone = await places.LockAsync(place.Id, cancel);
        try
        {
            return FolderMove.Of(ToRead(place).ReadLock(), FilesOf(place, files));
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            throw new PlaceRefusedException($"{place.Folder} could not be read: {e.Message}");
        }
    }

    /// <summary>Ends deliveries that were interrupted.</summary>
    public async Task RecoverAsync(CancellationToken cancel)
    {
        foreach (var place in await places.AllAsync(cancel))
        {
            try
            {
                if (FolderOf(place) is { } folder)
                {
                    await using var alone = await places.LockAsync(place.Id, cancel);
                    await folder.RecoverAsync(cancel);
                }
            }
            catch (Exception e) when (e is not OperationCanceledException)
            {
                // It costs this place alone, and is told when somebody delivers there again.
                log.LogWarning(e, "What was interrupted at {Folder} could not be ended", place.Folder);
            }
        }
    }

    private async Task<Outcome?> RunAsync(PlaceRow place, int delivery, IReadOnlySet<string> overwrite, IReadOnlySet<string> leave, bool isLook, CancellationToken cancel)
    {
        if (await builds.DeliveryAsync(place.ProjectId, delivery, cancel) is not { } build)
        {
            return null;
        }
        var files = FilesOf(place, await builds.FilesAsync(build.Id, cancel));
        await using var alone = await places.LockAsync(place.Id, cancel);
        try
        {
            var folder = ToRead(place);
            await folder.RecoverAsync(cancel);
            var plan = PlacePlan.Of(folder.ReadLock(), delivery, files, folder.Present, overwrite, leave);
            if (isLook || !plan.Conflicts.IsEmpty)
            {
                return new(plan, delivery, false);
            }
            await folder.ApplyAsync(plan, async (sha256, c) => await blobs.OpenAsync(sha256, c) ?? throw new PlaceRefusedException("A file of this delivery is gone from the store."), cancel);
            return new(plan, delivery, true);
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            throw new PlaceRefusedException($"{place.Folder} could not be written: {e.Message}");
        }
    }

    private PlaceFolder ToRead(PlaceRow place) =>
        FolderOf(place) ?? throw new PlaceRefusedException($"{place.Folder} is in no folder that this Kalypto may deliver to. Start it with --deliver for the folder around it.");

    private PlaceFolder? FolderOf(PlaceRow place) =>
        options.Roots.FirstOrDefault(r => place.Folder == r || place.Folder.StartsWith(r + Path.DirectorySeparatorChar, StringComparison.Ordinal)) is { } root ? new(root, place.Folder, new Journal(places, place.Id)) : null;

    // Of one platform without its own folder.
    private static ImmutableArray<PlacedFile> FilesOf(PlaceRow place, IEnumerable<DeliveredFile> files) => place.Platform.Length == 0
        ? [.. files.Where(f => PlacePath.IsSafe(f.Path)).Select(f => new PlacedFile(f.Path, f.Sha256, f.Identity))]
        : [.. files.Where(f => f.Platform == place.Platform && PlacePath.IsSafe(f.Path)).Select(f => new PlacedFile(f.Path[(f.Path.IndexOf('/') + 1)..], f.Sha256, f.Identity))];

    private sealed class Journal(PlaceStore places, int place) : IPlaceJournal
    {
        public Task<string?> ReadAsync(CancellationToken cancel) => places.JournalAsync(place, cancel);

        public Task KeepAsync(string steps) => places.KeepJournalAsync(place, steps, CancellationToken.None);

        public Task ForgetAsync(int? delivery) => places.ForgetJournalAsync(place, delivery, CancellationToken.None);
    }

    // For a folder that is only looked at.
    private sealed class NoJournal : IPlaceJournal
    {
        public Task<string?> ReadAsync(CancellationToken cancel) => Task.FromResult<string?>(null);

        public Task KeepAsync(string steps) => Task.CompletedTask;

        public Task ForgetAsync(int? delivery) => Task.CompletedTask;
    }
}
