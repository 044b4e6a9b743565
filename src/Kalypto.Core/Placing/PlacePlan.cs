using System.Collections.Immutable;
using Kalypto.Core.Comparing;

namespace Kalypto.Core.Placing;

/// <summary>What a delivery would do to a place: exactly that, and all of it or nothing.</summary>
/// <param name="New">Files to write where there are none.</param>
/// <param name="Changed">Files to write over what Kalypto wrote before.</param>
/// <param name="Renamed">Files that lie elsewhere from now on: the path before, and the file.</param>
/// <param name="Removed">Paths to remove.</param>
/// <param name="Same">Files that are there already.</param>
/// <param name="Conflicts">What people must say first; while there is any, nothing is done.</param>
/// <param name="Lock">What is kept of the place afterwards.</param>
public sealed record PlacePlan(
    ImmutableArray<PlacedFile> New, ImmutableArray<PlacedFile> Changed, ImmutableArray<(string From, PlacedFile To)> Renamed, ImmutableArray<string> Removed, int Same,
    ImmutableArray<PlaceConflict> Conflicts, PlaceLock Lock)
{
    /// <summary>True when the place is as it should be.</summary>
    public bool IsNothing => New.IsEmpty && Changed.IsEmpty && Renamed.IsEmpty && Removed.IsEmpty && Conflicts.IsEmpty;

    /// <summary>Plans.</summary>
    /// <param name="before">What Kalypto wrote there before.</param>
    /// <param name="delivery">The number of the delivery.</param>
    /// <param name="files">Its files, with paths in the place.</param>
    /// <param name="present">The content of what lies at a path of the place; null for nothing.</param>
    /// <param name="overwrite">Paths of conflicts that may be written over or removed.</param>
    /// <param name="leave">Paths of conflicts that are left to whoever changed them, and are not Kalypto's any more: that is not asked again until they change again.</param>
    public static PlacePlan Of(
        PlaceLock before, int delivery, IReadOnlyCollection<PlacedFile> files, Func<string, string?> present, IReadOnlySet<string>? overwrite = null, IReadOnlySet<string>? leave = null)
    {
        var known = before.Files.ToDictionary(f => f.Path, StringComparer.Ordinal);
        var earlier = FilePairs.Of(before.Files.Select(Compared), files.Select(Compared));
        var (written, changed, renamed, removed) = (new List<PlacedFile>(), new List<PlacedFile>(), new List<(string, PlacedFile)>(), new List<string>());
        var conflicts = new List<PlaceConflict>();
        // What was said of a file stands while it is the same.
        var left = before.Left.Where(l => present(l.Path) == l.Sha256).ToDictionary(l => l.Path, l => l, StringComparer.Ordinal);
        var after = new List<PlacedFile>();
        var same = 0;
        var paths = files.Select(f => f.Path).ToHashSet(StringComparer.Ordinal);
        var leaving = before.Files.Where(f => !paths.Contains(f.Path)).Select(f => f.Path).ToHashSet(StringComparer.Ordinal);
        foreach (var file in files.OrderBy(f => f.Path, StringComparer.Ordinal))
        {
            var there = present(file.Path);
            if (there == file.Sha256)
            {
                same++;
                after.Add(file);
                left.Remove(file.Path);
            }
            else if (there is not null && (!known.TryGetValue(file.Path, out var own) || own.Sha256 != there) && !Settled(file.Path, known.ContainsKey(file.Path)))
            {
                continue;
            }
            else if (there is null && earlier.TryGetValue(file.Path, out var was) && leaving.Contains(was) && present(was) == known[was].Sha256)
            {
                renamed.Add((was, file));
                leaving.Remove(was);
                after.Add(file);
            }
            else
            {
                (there is null ? written : changed).Add(file);
                after.Add(file);
            }
        }
        foreach (var path in leaving.Order(StringComparer.Ordinal))
        {
            if (present(path) is { } there && (there == known[path].Sha256 || Settled(path, isOwn: true)))
            {
                removed.Add(path);
            }
        }
        return new([.. written], [.. changed], [.. renamed], [.. removed], same, [.. conflicts], new(delivery, [.. after]) { Left = [.. left.Values] });

        static FilePairs.Compared Compared(PlacedFile file) => new(file.Identity, file.Path, file.Sha256, FileIdentity.PlatformOf(file.Identity), FileIdentity.IsPicture(file.Identity));

        // True for what may be written over; what is left alone or still to be said is not.
        bool Settled(string path, bool isOwn)
        {
            if (overwrite?.Contains(path) == true)
            {
                left.Remove(path);
                return true;
            }
            if (leave?.Contains(path) == true)
            {
                left[path] = new(path, present(path)!);
            }
            else if (!left.ContainsKey(path))
            {
                conflicts.Add(new(path, isOwn ? PlaceConflict.Reason.ChangedByHand : PlaceConflict.Reason.InTheWay));
            }
            return false;
        }
    }
}
