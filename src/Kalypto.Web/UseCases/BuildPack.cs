using System.Collections.Concurrent;
using System.IO.Compression;
using System.Text.Json;
using Kalypto.Core.Packing;
using Kalypto.Store;
using Kalypto.Web.Desk;

namespace Kalypto.Web.UseCases;

/// <summary>Builds the pack of a project, or a part of it, in the background; a stop of the server only interrupts it.</summary>
public sealed class BuildPack(
    OpenProject open, BuildStore builds, BlobStore blobs, Notices notices, DrawingDesk desk, IHostApplicationLifetime lifetime, ILogger<BuildPack> log)
{
    // Zip knows no earlier moment; equal packs give equal bytes, so no file has a time of its own.
    private static readonly DateTimeOffset NoTime = new(1980, 1, 1, 0, 0, 0, TimeSpan.Zero);

    // Pictures get ready in bursts; one look at all of them serves for many.
    private static readonly TimeSpan Pause = TimeSpan.FromMilliseconds(120);
    private readonly ConcurrentDictionary<int, CancellationTokenSource> running = new();

    /// <summary>Begins a build.</summary>
    /// <returns>The number of the build, or why there can be none.</returns>
    public async Task<(int? Build, string? Refusal)> StartAsync(int project, BuildAsk ask, CancellationToken cancel)
    {
        if (await open.LoadAsync(project, cancel) is not { } workspace)
        {
            return (null, "There is no such project.");
        }
        var plan = await open.PlanAsync(workspace, cancel);
        if (BlockerOf(workspace, plan, ask) is { } blocker)
        {
            return (null, blocker);
        }
        var total = plan.Pack.Files.Count(ask.Holds(workspace));
        if (total == 0)
        {
            return (null, plan.Pack.Files.IsEmpty ? "Nothing ships yet: decide on the bench which layers become files." : "Nothing of this part ships.");
        }
        var id = await builds.AddAsync(project, total, ask.Words(workspace), JsonSerializer.Serialize(ask), workspace.Said, cancel);
        Begin(id, workspace, ask);
        return (id, null);
    }

    /// <summary>Goes on with builds that a stop of the server interrupted, as things were said when they began; what was drawn for them is there.</summary>
    public async Task ResumeAsync(CancellationToken cancel)
    {
        foreach (var (build, said) in await builds.LeftOversAsync(cancel))
        {
            log.LogInformation("Build {Build} goes on", build.Id);
            Begin(build.Id, await open.LoadAsync(said, cancel), JsonSerializer.Deserialize<BuildAsk>(build.Asked) ?? new());
        }
    }

    /// <summary>Ends a running build.</summary>
    public void Cancel(int build)
    {
        if (running.TryGetValue(build, out var stop))
        {
            stop.Cancel();
        }
    }

    /// <summary>Writes the zip of a build, file by file.</summary>
    public async Task ZipAsync(int build, Stream target, CancellationToken cancel)
    {
        await using var zip = await ZipArchive.CreateAsync(target, ZipArchiveMode.Create, leaveOpen: true, entryNameEncoding: null, cancel);
        foreach (var file in await builds.FilesAsync(build, cancel))
        {
            var bytes = await blobs.GetAsync(file.Sha256, cancel) ?? throw new InvalidOperationException($"{file.Path} is gone from the store.");
            // Pictures are compressed already.
            var entry = zip.CreateEntry(file.Path, CompressionLevel.NoCompression);
            entry.LastWriteTime = NoTime;
            await using var stream = await entry.OpenAsync(cancel);
            await stream.WriteAsync(bytes, cancel);
        }
    }

    // What is wrong with a part that is not built does not stop this one.
    private static string? BlockerOf(Workspace workspace, PlannedPack plan, BuildAsk ask)
    {
        var layers = ask == new BuildAsk() ? null : plan.Pack.Files.Where(ask.Holds(workspace)).SelectMany(f => f.Picture.Places).ToHashSet();
        return plan.Pack.Blockers.FirstOrDefault(b => layers is null || layers.Contains(b.Layer))?.Sentence;
    }

    private void Begin(int id, Workspace workspace, BuildAsk ask)
    {
        var stop = running[id] = CancellationTokenSource.CreateLinkedTokenSource(lifetime.ApplicationStopping);
        _ = Task.Run(() => RunAsync(id, workspace, ask, stop.Token), CancellationToken.None);
    }

    private async Task RunAsync(int id, Workspace workspace, BuildAsk ask, CancellationToken cancel)
    {
        try
        {
            var holds = ask.Holds(workspace);
            HashSet<string>? before = null;
            PlannedPack plan;
            while (true)
            {
                var change = desk.Changed;
                // The files of one layer become known when its crop is; so look, plan and queue until nothing is missing.
                plan = await open.PlanAsync(workspace, cancel);
                before ??= [.. plan.Drawn.Keys];
                var wanted = plan.Pack.Files.Where(holds).ToList();
                await TellAsync(id, wanted, plan.Drawn, before, cancel);
                if (await open.DrawAheadAsync(workspace, plan, DrawingQueue.Wanted, cancel, holds))
                {
                    break;
                }
                await Task.WhenAny(change, Task.Delay(TimeSpan.FromSeconds(1), cancel));
                await Task.Delay(Pause, cancel);
                if (!wanted.Exists(f => f.Picture.CropIsGuess))
                {
                    await DrawnAsync(id, wanted, before, cancel);
                }
            }
            if (BlockerOf(workspace, plan, ask) is { } blocker)
            {
                await builds.EndAsync(id, "failed", blocker, [], cancel);
                return;
            }
            var (files, missing) = await FilesAsync(workspace, plan, [.. plan.Pack.Files.Where(holds)], cancel);
            await builds.EndAsync(id, "done", missing == 0 ? null : $"{missing} of the files could not be made; manifest.json names them.", files, cancel);
        }
        catch (OperationCanceledException)
        {
            // A stop of the server leaves it as running, and the next start goes on with it.
            if (!lifetime.ApplicationStopping.IsCancellationRequested)
            {
                await builds.EndAsync(id, "cancelled", "It was cancelled. What is drawn already is kept.", [], default);
            }
        }
        catch (Exception e)
        {
            log.LogError(e, "Build {Build} failed", id);
            await builds.EndAsync(id, "failed", "Something went wrong in Kalypto; its log says what. Build again.", [], default);
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

    /// <summary>Waits until files are drawn whose crops are known: nothing of the plan changes meanwhile.</summary>
    private async Task DrawnAsync(int id, List<PlannedFile> wanted, HashSet<string> before, CancellationToken cancel)
    {
        var keys = wanted.Select(f => f.Key.Hex).ToHashSet();
        while (true)
        {
            var change = desk.Changed;
            var drawn = await desk.DrawnAsync(keys, cancel);
            await TellAsync(id, wanted, drawn, before, cancel);
            if (drawn.Count == keys.Count)
            {
                return;
            }
            await Task.WhenAny(change, Task.Delay(TimeSpan.FromSeconds(1), cancel));
            await Task.Delay(Pause, cancel);
        }
    }

    private Task TellAsync(int id, List<PlannedFile> wanted, IReadOnlyDictionary<string, DrawingRow> drawn, HashSet<string> before, CancellationToken cancel) => builds.ProgressAsync(
        id, wanted.Count(f => drawn.ContainsKey(f.Key.Hex)), wanted.Select(f => f.Key.Hex).Distinct().Count(k => drawn.ContainsKey(k) && !before.Contains(k)), cancel);

    private async Task<(List<BuildFile> Files, int Missing)> FilesAsync(Workspace workspace, PlannedPack plan, System.Collections.Immutable.ImmutableArray<PlannedFile> part, CancellationToken cancel)
    {
        var built = new List<BuiltFile>();
        var missing = new List<(PlannedFile, string)>();
        foreach (var file in part)
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
        var files = built.Select(b => new BuildFile(b.File.Path, b.Sha256, b.Bytes)).ToList();
        // What goes with the pictures names only those that are there.
        foreach (var (path, bytes) in plan.Pack.SideFilesOf([.. built.Select(b => b.File)]).Select(f => (f.Path, f.Bytes())).Append(("manifest.json", Manifest.Write(workspace.Row.Name, built, missing))))
        {
            files.Add(new(path, await blobs.PutAsync(bytes, cancel), bytes.Length));
        }
        return (files, missing.Count);
    }
}
