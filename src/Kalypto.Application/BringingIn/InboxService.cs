using System.Security.Cryptography;
using Kalypto.Application.Places;
using Kalypto.Core.Platforms;
using Kalypto.Core.Reading;
using Kalypto.Store;
using Microsoft.Extensions.Hosting;
using Microsoft.Extensions.Logging;

namespace Kalypto.Application.BringingIn;

/// <summary>
/// Brings in what is saved into an inbox, once it has been still for a moment: a folder of it belongs to a project, a drawing in
/// it is a design or its next draft. Symbolic links and all that is no regular file are left alone.
/// </summary>
public sealed class InboxService(InboxOptions options, BringIn bringIn, ProjectStore projects, DesignStore designs, InboxStore inbox, ILogger<InboxService> log) : BackgroundService
{
    private static readonly Actor Inbox = Actor.Local("inbox", "inbox");
    private static readonly TimeSpan Look = TimeSpan.FromMilliseconds(300);
    private static readonly TimeSpan Still = TimeSpan.FromMilliseconds(450);
    private readonly Dictionary<string, Seen> seen = new(StringComparer.Ordinal);

    private sealed record Seen(long Length, DateTime Written, string Taken, bool IsTold);

    /// <inheritdoc/>
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        while (options.Folders.Count > 0 && !stoppingToken.IsCancellationRequested)
        {
            try
            {
                await LookAsync(DateTime.UtcNow, stoppingToken);
            }
            catch (Exception e) when (e is Npgsql.NpgsqlException or IOException or UnauthorizedAccessException or OperationCanceledException)
            {
                // The database or the folder is away, or the server stops: looked at again.
            }
            await Task.WhenAny(Task.Delay(Look, stoppingToken));
        }
    }

    /// <summary>Looks once.</summary>
    public async Task LookAsync(DateTime now, CancellationToken cancel)
    {
        var watched = options.ByName ? null : await inbox.WatchedAsync(cancel);
        foreach (var folder in options.Folders.SelectMany(f => new DirectoryInfo(f).EnumerateDirectories()).Where(d => d.LinkTarget is null && !d.Name.StartsWith('.')).OrderBy(d => d.Name, StringComparer.Ordinal))
        {
            if (watched?.Contains(folder.FullName) == false)
            {
                continue;
            }
            foreach (var file in folder.EnumerateFiles().Where(IsDrawing).OrderBy(f => f.Name, StringComparer.Ordinal))
            {
                var known = seen.GetValueOrDefault(file.FullName);
                if (known is null || known.Length != file.Length || known.Written != file.LastWriteTimeUtc)
                {
                    seen[file.FullName] = new(file.Length, file.LastWriteTimeUtc, known?.Taken ?? "", IsTold: false);
                    // What was saved long ago needs no second look.
                    if (now - file.LastWriteTimeUtc < Still)
                    {
                        continue;
                    }
                }
                else if (known.IsTold || now - known.Written < Still)
                {
                    continue;
                }
                await TakeAsync(folder, file, cancel);
            }
        }
    }

    private static bool IsDrawing(FileInfo file) => file.LinkTarget is null && !file.Name.StartsWith('.') && DrawingReader.Endings.Contains(file.Extension.TrimStart('.').ToLowerInvariant());

    private async Task TakeAsync(DirectoryInfo folder, FileInfo file, CancellationToken cancel)
    {
        var known = seen[file.FullName];
        byte[]? bytes = null;
        if (file.Length <= ReadingLimits.Default.Bytes)
        {
            try
            {
                bytes = await ReadAsync(folder, file.Name, cancel);
            }
            catch (Exception e) when (e is IOException or PlaceRefusedException)
            {
                // Renamed over or removed at this moment, or no regular file any more: seen again at the next look.
                return;
            }
            if (bytes.LongLength != known.Length)
            {
                return;
            }
        }
        var content = bytes is null ? "too large" : Convert.ToHexStringLower(SHA256.HashData(bytes));
        if (content != known.Taken)
        {
            if (await ProjectAsync(folder, cancel) is not { } project)
            {
                return;
            }
            // After a start, what lies here and was brought in once says nothing new: somebody may have gone back to another draft.
            if (known.Taken.Length == 0 && bytes is not null && (await designs.OfFileAsync(project, bytes, cancel)).Count > 0)
            {
                seen[file.FullName] = known with { Taken = content, IsTold = true };
                return;
            }
            var became = bytes is null ? new BroughtIn.TooLarge(file.Name, file.Length) : await bringIn.FileAsync(new(Inbox, project), file.Name, bytes, file.Name, cancel);
            log.LogInformation("Inbox: {File} of {Project}: {Became}", file.Name, folder.Name, became.GetType().Name);
            await (became switch
            {
                BroughtIn.Refused refused => inbox.RefusedAsync(project, file.Name, refused.Why.Message, cancel),
                BroughtIn.TooLarge => inbox.RefusedAsync(project, file.Name, "It is larger than 64 MB. Split the drawing into several files, or embed its photos smaller.", cancel),
                _ => inbox.SettledAsync(project, file.Name, cancel),
            });
        }
        seen[file.FullName] = known with { Taken = content, IsTold = true };
    }

    // Opened by its handle and looked at once more: what lies there can be exchanged for a link or a pipe at any moment.
    private static async Task<byte[]> ReadAsync(DirectoryInfo folder, string name, CancellationToken cancel)
    {
        using var root = FolderHandle.Open(folder.Parent!.FullName);
        using var inside = root.Enter(folder.Name);
        await using var file = inside?.Read(name) ?? throw new FileNotFoundException(name);
        var bytes = new byte[Math.Min(file.Length, ReadingLimits.Default.Bytes)];
        await file.ReadExactlyAsync(bytes, cancel);
        return bytes;
    }

    // Once a folder belongs to a project, no other project gets anything of it, whatever it is called.
    private async Task<int?> ProjectAsync(DirectoryInfo folder, CancellationToken cancel)
    {
        if (await inbox.ProjectOfAsync(folder.FullName, cancel) is { } bound)
        {
            return bound;
        }
        if (!options.ByName || await inbox.IsBoundAsync(folder.FullName, cancel))
        {
            return null;
        }
        var name = Editing.ManageProject.Clean(folder.Name, Editing.ManageProject.LongestName) is { Length: > 0 } clean ? clean : "Inbox";
        var project = await projects.OfNameAsync(name, cancel) ?? await projects.AddAsync(name, AllPlatforms.Usual, Inbox, cancel);
        await inbox.WatchAsync(new(project, Inbox), folder.FullName, cancel);
        return project;
    }
}
