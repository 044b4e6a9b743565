using System.Collections.Immutable;
using System.Security.Cryptography;
using System.Text.Json;
using Kalypto.Core.Placing;

namespace Kalypto.Application.Places;

/// <summary>
/// A place on the disk. A change is staged beside, written down, and then done; one that was interrupted at any moment is undone
/// when it was not written down yet, and done to its end when it was. Symbolic links are never followed.
/// </summary>
public sealed class PlaceFolder
{
    private const string Pending = ".kalypto-pending";
    private const string Journal = "journal.json";
    private const long MostLock = 64_000_000;

    private readonly string root;
    private readonly string folder;

    private sealed record Write(string Path, string Staged, string Sha256, string? Before);

    private sealed record Remove(string Path, string Sha256);

    private sealed record Steps(ImmutableArray<Write> Writes, ImmutableArray<Remove> Removes, string Lock);

    /// <summary>Opens a folder inside an allowed one.</summary>
    /// <param name="root">The allowed folder.</param>
    /// <param name="folder">The place, absolute, in it or it itself.</param>
    /// <exception cref="PlaceRefusedException">It leads out of the allowed folder.</exception>
    public PlaceFolder(string root, string folder)
    {
        this.root = Path.TrimEndingDirectorySeparator(Path.GetFullPath(root));
        this.folder = Path.TrimEndingDirectorySeparator(Path.GetFullPath(folder));
        if (this.folder != this.root && !this.folder.StartsWith(this.root + Path.DirectorySeparatorChar, StringComparison.Ordinal))
        {
            throw new PlaceRefusedException($"“{folder}” does not lie in a folder that deliveries may go to.");
        }
        if (!Directory.Exists(this.root))
        {
            throw new PlaceRefusedException($"“{root}” is not there. Make the folder, or start Kalypto with another one behind --deliver.");
        }
        RefuseLinks(this.folder);
    }

    /// <summary>Is called before each change to the disk; a test ends it there.</summary>
    internal Action Before { get; init; } = () => { };

    /// <summary>Ends what was interrupted, one way or the other.</summary>
    public void Recover()
    {
        var pending = At(Pending);
        if (!Directory.Exists(pending))
        {
            return;
        }
        RefuseLinks(pending);
        var journal = Path.Combine(pending, Journal);
        if (File.Exists(journal) && JsonSerializer.Deserialize<Steps>(ReadText(journal)) is { } steps)
        {
            Do(steps);
        }
        Directory.Delete(pending, recursive: true);
    }

    /// <summary>What Kalypto wrote here before.</summary>
    /// <exception cref="PlaceRefusedException">The lock is not one of Kalypto's.</exception>
    public PlaceLock ReadLock()
    {
        var path = At(PlaceLock.FileName);
        RefuseLinks(path);
        return !File.Exists(path) ? PlaceLock.None : PlaceLock.Read(ReadText(path))
            ?? throw new PlaceRefusedException($"{path} cannot be read as what Kalypto wrote there. Bring back the last good one, or remove it: then everything that lies there counts as somebody else's.");
    }

    /// <summary>The content of what lies at a path; null for nothing.</summary>
    /// <exception cref="PlaceRefusedException">It is a symbolic link or a folder.</exception>
    public string? Present(string path)
    {
        var full = At(path);
        RefuseLinks(full);
        if (Directory.Exists(full))
        {
            throw new PlaceRefusedException($"{full} is a folder, and a file is to lie there.");
        }
        return File.Exists(full) ? Hash(full) : null;
    }

    /// <summary>Does what was planned.</summary>
    /// <param name="plan">The plan, without conflicts.</param>
    /// <param name="open">Opens the content of a file.</param>
    /// <param name="cancel">Ends it before anything was changed.</param>
    public async Task ApplyAsync(PlacePlan plan, Func<string, CancellationToken, Task<Stream>> open, CancellationToken cancel)
    {
        Recover();
        var pending = Directory.CreateDirectory(At(Pending)).FullName;
        try
        {
            var writes = ImmutableArray.CreateBuilder<Write>();
            foreach (var file in plan.New.Concat(plan.Changed).Concat(plan.Renamed.Select(r => r.To)))
            {
                var staged = $"{writes.Count}";
                Before();
                await using (var content = await open(file.Sha256, cancel))
                {
                    await using var target = new FileStream(Path.Combine(pending, staged), FileMode.CreateNew);
                    await content.CopyToAsync(target, cancel);
                    target.Flush(flushToDisk: true);
                }
                writes.Add(new(file.Path, staged, file.Sha256, Present(file.Path)));
            }
            var removes = plan.Removed.Concat(plan.Renamed.Select(r => r.From)).Select(p => new Remove(p, Present(p) ?? "")).ToImmutableArray();
            var steps = new Steps(writes.ToImmutable(), removes, plan.Lock.Write());
            cancel.ThrowIfCancellationRequested();
            Before();
            // From here on it is done to its end.
            WriteWhole(Path.Combine(pending, Journal), JsonSerializer.Serialize(steps));
            Do(steps);
        }
        finally
        {
            if (Directory.Exists(pending) && !File.Exists(Path.Combine(pending, Journal)))
            {
                Directory.Delete(pending, recursive: true);
            }
        }
        Directory.Delete(pending, recursive: true);
    }

    // Each step may have been done already. What somebody changed in between is left, and counts as theirs.
    private void Do(Steps steps)
    {
        var theirs = new HashSet<string>(StringComparer.Ordinal);
        foreach (var write in steps.Writes)
        {
            var staged = At($"{Pending}/{write.Staged}");
            var there = Present(write.Path);
            if (there == write.Sha256 || !File.Exists(staged))
            {
                continue;
            }
            if (there != write.Before)
            {
                theirs.Add(write.Path);
                continue;
            }
            var target = At(write.Path);
            Directory.CreateDirectory(Path.GetDirectoryName(target)!);
            RefuseLinks(target);
            Before();
            File.Move(staged, target, overwrite: true);
        }
        foreach (var remove in steps.Removes.Where(r => Present(r.Path) == r.Sha256))
        {
            var path = At(remove.Path);
            Before();
            File.Delete(path);
            for (var around = Path.GetDirectoryName(path)!; around.Length > folder.Length && !Directory.EnumerateFileSystemEntries(around).Any(); around = Path.GetDirectoryName(around)!)
            {
                Directory.Delete(around);
            }
        }
        Before();
        var kept = PlaceLock.Read(steps.Lock)!;
        WriteWhole(At(PlaceLock.FileName), (kept with { Files = [.. kept.Files.Where(f => !theirs.Contains(f.Path))] }).Write());
    }

    private string At(string path) => Path.Combine(folder, path.Replace('/', Path.DirectorySeparatorChar));

    private static void WriteWhole(string path, string text)
    {
        var beside = path + ".new";
        using (var stream = new FileStream(beside, FileMode.Create))
        {
            stream.Write(System.Text.Encoding.UTF8.GetBytes(text));
            stream.Flush(flushToDisk: true);
        }
        File.Move(beside, path, overwrite: true);
    }

    private static string ReadText(string path) => new FileInfo(path).Length > MostLock
        ? throw new PlaceRefusedException($"{path} has more than {MostLock / 1_000_000} MB. It cannot be what Kalypto wrote there.") : File.ReadAllText(path);

    private static string Hash(string path)
    {
        using var stream = File.OpenRead(path);
        return Convert.ToHexStringLower(SHA256.HashData(stream));
    }

    // From the allowed folder down to the path itself: whatever is there must be what it seems.
    private void RefuseLinks(string path)
    {
        for (var at = path; at.Length > root.Length; at = Path.GetDirectoryName(at)!)
        {
            if (new FileInfo(at).LinkTarget is not null)
            {
                throw new PlaceRefusedException($"{at} is a symbolic link, and Kalypto follows none. Put the folder itself there, or choose another place.");
            }
        }
    }
}
