using System.Collections.Immutable;
using System.Globalization;
using System.Security.Cryptography;
using System.Text;
using Kalypto.Core.Placing;

namespace Kalypto.Application.Places;

/// <summary>
/// A delivery place on the disk. A change is staged in the place, written into the journal, and then done; one that was
/// interrupted at any moment is undone when it was not in the journal yet, and done to its end when it was. What lies in the
/// place is hostile: symbolic links are never followed, and only regular files are read.
/// </summary>
public sealed class PlaceFolder
{
    // The name of the staged lock; staged files have numbers.
    private const string StagedLock = "lock";
    private const long MostLockBytes = 64_000_000;
    // What is larger is no file that Kalypto delivered, and is not read to its end.
    private const long MostHashedBytes = 1_000_000_000;

    private readonly string root;
    private readonly string[] folder;
    private readonly string path;
    private readonly IPlaceJournal journal;

    /// <summary>Describes a folder inside an allowed one; nothing is opened yet.</summary>
    /// <param name="root">The allowed folder.</param>
    /// <param name="folder">The place, absolute, in it or it itself.</param>
    /// <param name="journal">Keeps what is about to be done.</param>
    /// <exception cref="PlaceRefusedException">It leads out of the allowed folder, through a link or into a private folder.</exception>
    public PlaceFolder(string root, string folder, IPlaceJournal journal)
    {
        this.root = Path.TrimEndingDirectorySeparator(Path.GetFullPath(root));
        this.journal = journal;
        path = Path.TrimEndingDirectorySeparator(Path.GetFullPath(folder));
        var inside = path == this.root ? "" : path.StartsWith(this.root + Path.DirectorySeparatorChar, StringComparison.Ordinal) ? path[(this.root.Length + 1)..] : null;
        if (inside is null || inside.Length > 0 && !PlacePath.IsSafe(inside))
        {
            throw new PlaceRefusedException($"“{folder}” does not lie in a folder that deliveries may go to.");
        }
        this.folder = inside.Split(Path.DirectorySeparatorChar, StringSplitOptions.RemoveEmptyEntries);
        Enter(make: false)?.Dispose();
    }

    /// <summary>Is called before each change to the disk; a test ends it there.</summary>
    internal Action Before { get; init; } = () => { };

    /// <summary>Ends what was interrupted, one way or the other.</summary>
    /// <exception cref="PlaceRefusedException">The place cannot be read or written.</exception>
    public async Task RecoverAsync(CancellationToken cancel)
    {
        var steps = await journal.ReadAsync(cancel) is { } text ? PlaceSteps.Parse(text) : null;
        using (var place = Enter(make: false))
        {
            using var pending = place?.Enter(PlacePath.Pending);
            if (steps is not null && pending is not null)
            {
                Do(place!, pending, steps);
                await journal.ForgetAsync(steps.Lock.Delivery);
            }
        }
        // What was staged is gone, and with it what was to be done: the place is compared anew by whoever delivers next.
        await journal.ForgetAsync(null);
        RemovePending();
    }

    /// <summary>What Kalypto wrote here before.</summary>
    /// <exception cref="PlaceRefusedException">The lock is not one of Kalypto's.</exception>
    public PlaceLock ReadLock()
    {
        using var place = Enter(make: false);
        using var file = place?.Read(PlaceLock.FileName);
        if (file is null)
        {
            return PlaceLock.None;
        }
        var at = Path.Combine(path, PlaceLock.FileName);
        if (file.Length > MostLockBytes)
        {
            throw new PlaceRefusedException($"{at} has more than {MostLockBytes / 1_000_000} MB. It cannot be what Kalypto wrote there.");
        }
        using var reader = new StreamReader(file, Encoding.UTF8);
        return PlaceLock.Read(reader.ReadToEnd())
            ?? throw new PlaceRefusedException($"{at} cannot be read as what Kalypto wrote there. Bring back the last good one, or remove it: then everything that lies there counts as somebody else's.");
    }

    /// <summary>The content of what lies at a path; null for nothing.</summary>
    /// <exception cref="PlaceRefusedException">It is no regular file, or a link lies on the way to it.</exception>
    public string? Present(string file)
    {
        using var place = Enter(make: false);
        return place is null ? null : Present(place, file);
    }

    /// <summary>Does what was planned.</summary>
    /// <param name="plan">The plan, without conflicts.</param>
    /// <param name="open">Opens the content of a file.</param>
    /// <param name="cancel">Ends it before anything was changed.</param>
    /// <exception cref="PlaceRefusedException">The place cannot be read or written.</exception>
    public async Task ApplyAsync(PlacePlan plan, Func<string, CancellationToken, Task<Stream>> open, CancellationToken cancel)
    {
        await RecoverAsync(cancel);
        var isKept = false;
        using var place = Enter(make: true)!;
        using var pending = place.Enter(PlacePath.Pending, make: true)!;
        try
        {
            var writes = ImmutableArray.CreateBuilder<PlaceSteps.Write>();
            foreach (var file in plan.New.Concat(plan.Changed).Concat(plan.Renamed.Select(r => r.To)))
            {
                Before();
                await using (var content = await open(file.Sha256, cancel))
                {
                    await using var target = pending.Create(NameOf(writes.Count));
                    await content.CopyToAsync(target, cancel);
                    target.Flush(flushToDisk: true);
                }
                writes.Add(new(file.Path, writes.Count, file.Sha256, Present(place, file.Path)));
            }
            var removes = plan.Removed.Concat(plan.Renamed.Select(r => r.From)).Select(p => new PlaceSteps.Remove(p, Present(place, p) ?? "")).ToImmutableArray();
            var steps = new PlaceSteps(writes.ToImmutable(), removes, plan.Lock);
            cancel.ThrowIfCancellationRequested();
            Before();
            // From here on it is done to its end.
            await journal.KeepAsync(steps.ToJson());
            isKept = true;
            Do(place, pending, steps);
            await journal.ForgetAsync(steps.Lock.Delivery);
            isKept = false;
        }
        finally
        {
            if (!isKept)
            {
                RemovePending();
            }
        }
    }

    // Each step may have been done already. What somebody changed in between is left, and counts as theirs.
    private void Do(FolderHandle place, FolderHandle pending, PlaceSteps steps)
    {
        var theirs = new HashSet<string>(StringComparer.Ordinal);
        foreach (var write in steps.Writes)
        {
            var staged = NameOf(write.Staged);
            var there = Present(place, write.Path);
            // What is staged lies in the place, where others can write too.
            if (there == write.Sha256 || Hash(pending, staged) != write.Sha256)
            {
                continue;
            }
            if (there != write.Before)
            {
                theirs.Add(write.Path);
                continue;
            }
            Before();
            At(place, write.Path, make: true, (around, name) =>
            {
                pending.Move(staged, around, name);
                return true;
            });
        }
        foreach (var remove in steps.Removes.Where(r => Present(place, r.Path) == r.Sha256))
        {
            Before();
            At(place, remove.Path, make: false, (around, name) =>
            {
                around.Remove(name);
                return true;
            });
            RemoveEmptyAround(place, remove.Path);
        }
        Before();
        pending.Remove(StagedLock);
        using (var target = pending.Create(StagedLock))
        {
            target.Write(Encoding.UTF8.GetBytes((steps.Lock with { Files = [.. steps.Lock.Files.Where(f => !theirs.Contains(f.Path))] }).Write()));
            target.Flush(flushToDisk: true);
        }
        pending.Move(StagedLock, place, PlaceLock.FileName);
    }

    private static string NameOf(int staged) => staged.ToString(CultureInfo.InvariantCulture);

    private static string? Present(FolderHandle place, string file) => At(place, file, make: false, Hash);

    private static string? Hash(FolderHandle folder, string name)
    {
        using var file = folder.Read(name);
        return file is null ? null : file.Length > MostHashedBytes ? $"{file.Length} bytes" : Convert.ToHexStringLower(SHA256.HashData(file));
    }

    // From the allowed folder down, one plain name at a time.
    private FolderHandle? Enter(bool make)
    {
        var at = FolderHandle.Open(root);
        foreach (var name in folder)
        {
            using var around = at;
            at = around.Enter(name, make);
            if (at is null)
            {
                return null;
            }
        }
        return at;
    }

    /// <summary>Does something with the folder around a path and the name in it; the default where there is no such folder.</summary>
    private static T? At<T>(FolderHandle place, string file, bool make, Func<FolderHandle, string, T?> act)
    {
        var cut = file.IndexOf('/', StringComparison.Ordinal);
        if (cut < 0)
        {
            return act(place, file);
        }
        using var inside = place.Enter(file[..cut], make);
        return inside is null ? default : At(inside, file[(cut + 1)..], make, act);
    }

    private static void RemoveEmptyAround(FolderHandle place, string file)
    {
        for (var cut = file.LastIndexOf('/'); cut > 0 && At(place, file[..cut], make: false, (around, name) => around.RemoveEmpty(name)); cut = file.LastIndexOf('/', cut - 1))
        {
        }
    }

    // Only what Kalypto stages: anything else in it is somebody else's, and stays.
    private void RemovePending()
    {
        using var place = Enter(make: false);
        using (var pending = place?.Enter(PlacePath.Pending))
        {
            foreach (var name in pending?.Names() ?? [])
            {
                if (name == StagedLock || name.All(char.IsAsciiDigit))
                {
                    pending!.Remove(name);
                }
            }
        }
        place?.RemoveEmpty(PlacePath.Pending);
    }
}
