using System.Security.Cryptography;
using Kalypto.Core.Platforms;
using Kalypto.Core.Reading;
using Kalypto.Store;
using Microsoft.Extensions.Hosting;
using Microsoft.Extensions.Logging;

namespace Kalypto.Application.BringingIn;

/// <summary>
/// Brings in what is saved into an inbox, once it has been still for a moment: a folder of it is a project by name, a drawing in
/// that a design or its next draft. Symbolic links are left alone.
/// </summary>
public sealed class InboxService(InboxOptions options, BringIn bringIn, ProjectStore projects, DesignStore designs, InboxStore told, ILogger<InboxService> log) : BackgroundService
{
    private static readonly Actor Inbox = new("inbox", "inbox");
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
        foreach (var folder in options.Folders.SelectMany(f => new DirectoryInfo(f).EnumerateDirectories()).Where(d => d.LinkTarget is null && !d.Name.StartsWith('.')).OrderBy(d => d.Name, StringComparer.Ordinal))
        {
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
                await TakeAsync(folder.Name, file, cancel);
            }
        }
    }

    private static bool IsDrawing(FileInfo file) => file.LinkTarget is null && !file.Name.StartsWith('.') && DrawingReader.Endings.Contains(file.Extension.TrimStart('.').ToLowerInvariant());

    private async Task TakeAsync(string name, FileInfo file, CancellationToken cancel)
    {
        var known = seen[file.FullName];
        byte[]? bytes = null;
        if (file.Length <= ReadingLimits.Default.Bytes)
        {
            try
            {
                bytes = await File.ReadAllBytesAsync(file.FullName, cancel);
            }
            catch (IOException)
            {
                // Renamed over or removed at this moment: seen again at the next look.
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
            var project = await ProjectAsync(name, cancel);
            // After a start, what lies here and was brought in once says nothing new: somebody may have gone back to another draft.
            if (known.Taken.Length == 0 && bytes is not null && (await designs.OfFileAsync(project, bytes, cancel)).Count > 0)
            {
                seen[file.FullName] = known with { Taken = content, IsTold = true };
                return;
            }
            var became = bytes is null ? new BroughtIn.TooLarge(file.Name, file.Length) : await bringIn.FileAsync(new(Inbox, project), file.Name, bytes, file.Name, cancel);
            log.LogInformation("Inbox: {File} of {Project}: {Became}", file.Name, name, became.GetType().Name);
            await (became switch
            {
                BroughtIn.Refused refused => told.RefusedAsync(project, file.Name, refused.Why.Message, cancel),
                BroughtIn.TooLarge => told.RefusedAsync(project, file.Name, "It is larger than 64 MB. Split the drawing into several files, or embed its photos smaller.", cancel),
                _ => told.SettledAsync(project, file.Name, cancel),
            });
        }
        seen[file.FullName] = known with { Taken = content, IsTold = true };
    }

    private async Task<int> ProjectAsync(string name, CancellationToken cancel)
    {
        name = Editing.ManageProject.Clean(name, Editing.ManageProject.LongestName) is { Length: > 0 } clean ? clean : "Inbox";
        var (found, _) = await projects.ListAsync(Shelf.Current, name, 0, 100, cancel);
        return found.FirstOrDefault(p => p.Name.Equals(name, StringComparison.OrdinalIgnoreCase))?.Id ?? await projects.AddAsync(name, AllPlatforms.Usual, Inbox, cancel);
    }
}
