using System.Collections.Concurrent;
using System.IO.Compression;
using System.Text;
using Kalypto.Core.Packing;
using Kalypto.Store;
using Kalypto.Web.Desk;

namespace Kalypto.Web.UseCases;

/// <summary>Builds the pack of a project into a zip, in the background.</summary>
public sealed class BuildPack(
    OpenProject open, BuildStore builds, BlobStore blobs, DrawingStore drawings, DrawingDesk desk, Notices notices, IHostApplicationLifetime lifetime, ILogger<BuildPack> log)
{
    // Zip knows no earlier moment; equal packs give equal bytes, so no file has a time of its own.
    private static readonly DateTimeOffset NoTime = new(1980, 1, 1, 0, 0, 0, TimeSpan.Zero);
    private readonly ConcurrentDictionary<int, CancellationTokenSource> running = new();

    /// <summary>Begins a build.</summary>
    /// <returns>The number of the build, or why there can be none.</returns>
    public async Task<(int? Build, string? Refusal)> StartAsync(int project, CancellationToken cancel)
    {
        if (await open.LoadAsync(project, cancel) is not { } workspace)
        {
            return (null, "There is no such project.");
        }
        var plan = await open.PlanAsync(workspace, cancel);
        if (plan.Pack.Blockers.FirstOrDefault() is { } blocker)
        {
            return (null, blocker.Sentence);
        }
        if (plan.Pack.Pictures.IsEmpty)
        {
            return (null, "Nothing ships yet: decide on the bench which layers become files.");
        }
        var id = await builds.AddAsync(project, plan.Pack.Files.Length, cancel);
        var stop = running[id] = CancellationTokenSource.CreateLinkedTokenSource(lifetime.ApplicationStopping);
        _ = Task.Run(() => RunAsync(id, workspace, stop.Token), CancellationToken.None);
        return (id, null);
    }

    /// <summary>Ends a running build.</summary>
    public void Cancel(int build)
    {
        if (running.TryGetValue(build, out var stop))
        {
            stop.Cancel();
        }
    }

    private async Task RunAsync(int id, Workspace workspace, CancellationToken cancel)
    {
        try
        {
            var plan = await open.PlanAsync(workspace, cancel);
            var before = plan.Drawn.Keys.ToHashSet();
            while (true)
            {
                var change = desk.Changed;
                // The files of one layer become known when its crop is; so look, plan and queue until nothing is missing.
                plan = await open.PlanAsync(workspace, cancel);
                await builds.ProgressAsync(id, plan.FilesDrawn, plan.Drawn.Keys.Count(k => !before.Contains(k)), cancel);
                if (await open.DrawAheadAsync(workspace, plan, DrawingQueue.Wanted, cancel))
                {
                    break;
                }
                await Task.WhenAny(change, Task.Delay(TimeSpan.FromSeconds(1), cancel));
                cancel.ThrowIfCancellationRequested();
            }
            if (plan.Pack.Blockers.FirstOrDefault() is { } blocker)
            {
                await builds.EndAsync(id, "failed", blocker.Sentence, 0, 0, null, cancel);
                return;
            }
            var (zip, files, weight, missing) = await ZipAsync(workspace, plan, cancel);
            await builds.EndAsync(id, "done", missing == 0 ? null : $"{missing} of the files could not be drawn; manifest.json names them.",
                files, weight, await blobs.PutAsync(zip, cancel), cancel);
        }
        catch (OperationCanceledException)
        {
            await builds.EndAsync(id, "cancelled", "It was cancelled. What is drawn already is kept.", 0, 0, null, default);
        }
        catch (Exception e)
        {
            log.LogError(e, "Build {Build} failed", id);
            await builds.EndAsync(id, "failed", "Something went wrong in Kalypto; its log says what. Build again.", 0, 0, null, default);
        }
        finally
        {
            if (running.TryRemove(id, out var stop))
            {
                stop.Dispose();
            }
            notices.Give();
        }
    }

    private async Task<(byte[] Zip, int Files, long Weight, int Missing)> ZipAsync(Workspace workspace, PlannedPack plan, CancellationToken cancel)
    {
        var built = new List<BuiltFile>();
        var missing = new List<(PlannedFile, string)>();
        foreach (var file in plan.Pack.Files)
        {
            var row = plan.Drawn[file.Key.Hex];
            if (row.Sha256 is { } sha256)
            {
                built.Add(new(file, row.Weight, sha256));
            }
            else
            {
                missing.Add((file, row.Failure ?? "It could not be drawn."));
            }
        }
        var texts = plan.Pack.SideFiles.Select(f => (f.Path, Bytes: Encoding.UTF8.GetBytes(f.Text)))
            .Append((Path: "manifest.json", Bytes: Manifest.Write(workspace.Row.Name, built, missing)));
        var paths = built.Select(f => (f.File.Path, Bytes: (byte[]?)null, f.File.Key))
            .Concat(texts.Select(t => (t.Path, Bytes: (byte[]?)t.Bytes, Key: default(Core.Designs.Fingerprint))))
            .OrderBy(f => f.Path, StringComparer.Ordinal);
        var weight = 0L;
        var files = 0;
        using var stream = new MemoryStream();
        using (var zip = new ZipArchive(stream, ZipArchiveMode.Create, leaveOpen: true))
        {
            foreach (var (path, bytes, key) in paths)
            {
                var content = bytes ?? await drawings.BytesAsync(key.Hex, cancel)
                    ?? throw new InvalidOperationException($"The picture of {path} is gone from the store.");
                // Pictures are compressed already.
                var entry = zip.CreateEntry(path, CompressionLevel.NoCompression);
                entry.LastWriteTime = NoTime;
                await using var target = await entry.OpenAsync(cancel);
                await target.WriteAsync(content, cancel);
                weight += content.Length;
                files++;
            }
        }
        return (stream.ToArray(), files, weight, missing.Count);
    }
}
