namespace Kalypto.Core.Packing;

/// <summary>What some files of a pack come to together.</summary>
/// <param name="Name">What they have in common: a folder, a platform, a kind.</param>
/// <param name="Files">How many there are.</param>
/// <param name="Bytes">What they weigh.</param>
/// <param name="IsEstimate">True when some of them are not drawn yet.</param>
public sealed record PackSum(string Name, int Files, long Bytes, bool IsEstimate)
{
    /// <summary>The sums of files that have something in common, heaviest first.</summary>
    /// <param name="files">The files.</param>
    /// <param name="of">What they have in common.</param>
    /// <param name="weigh">The weight of a file in bytes, and whether it is estimated.</param>
    public static IReadOnlyList<PackSum> By(
        IEnumerable<PlannedFile> files, Func<PlannedFile, string> of, Func<PlannedFile, (long Bytes, bool IsEstimate)> weigh) =>
        [.. files.GroupBy(of, f => weigh(f), StringComparer.Ordinal).Select(g => new PackSum(g.Key, g.Count(), g.Sum(w => w.Bytes), g.Any(w => w.IsEstimate)))
            .OrderByDescending(s => s.Bytes).ThenBy(s => s.Name, StringComparer.Ordinal)];

    /// <summary>The sums of every folder with all that lies below it, by path; the whole pack first, with an empty name.</summary>
    /// <param name="files">The files.</param>
    /// <param name="weigh">The weight of a file in bytes, and whether it is estimated.</param>
    public static IReadOnlyList<PackSum> Folders(IEnumerable<PlannedFile> files, Func<PlannedFile, (long Bytes, bool IsEstimate)> weigh)
    {
        var folders = new SortedDictionary<string, PackSum>(StringComparer.Ordinal) { [""] = new("", 0, 0, false) };
        foreach (var file in files)
        {
            var (bytes, isEstimate) = weigh(file);
            for (var folder = FolderOf(file.Path); ; folder = Above(folder))
            {
                var sum = folders.GetValueOrDefault(folder) ?? new(folder, 0, 0, false);
                folders[folder] = sum with { Files = sum.Files + 1, Bytes = sum.Bytes + bytes, IsEstimate = sum.IsEstimate || isEstimate };
                if (folder.Length == 0)
                {
                    break;
                }
            }
        }
        return [.. folders.Values];
    }

    /// <summary>The folder that a path is looked for in. An image set is one picture, not a folder to look into.</summary>
    public static string FolderOf(string path)
    {
        var folder = Above(path);
        return folder.EndsWith(".imageset", StringComparison.Ordinal) || folder.EndsWith(".appiconset", StringComparison.Ordinal) ? Above(folder) : folder;
    }

    private static string Above(string path) => path[..Math.Max(0, path.LastIndexOf('/'))];
}
