namespace Kalypto.Core.Comparing;

/// <summary>Which file of an earlier delivery is which of a later one: what is told of two deliveries and what is done to a place agree on it.</summary>
public static class FilePairs
{
    /// <summary>A file as it is compared.</summary>
    /// <param name="Identity">What makes it the same file in any other delivery.</param>
    /// <param name="Path">Where it lies, with slashes.</param>
    /// <param name="Sha256">Its content.</param>
    /// <param name="Platform">The id of its platform.</param>
    /// <param name="IsPicture">True for a picture, false for a file that goes with the pictures.</param>
    public readonly record struct Compared(string Identity, string Path, string Sha256, string Platform, bool IsPicture);

    /// <summary>Pairs by identity; what has none in the other delivery by its path, then by its content.</summary>
    /// <param name="old">The files of the earlier delivery.</param>
    /// <param name="now">The files of the later one.</param>
    /// <returns>The earlier path of each later path that has one.</returns>
    public static IReadOnlyDictionary<string, string> Of(IEnumerable<Compared> old, IEnumerable<Compared> now)
    {
        var pairs = new Dictionary<string, string>(StringComparer.Ordinal);
        var there = old.DistinctBy(f => f.Identity).ToDictionary(f => f.Identity, StringComparer.Ordinal);
        var left = new List<Compared>();
        foreach (var file in now)
        {
            if (there.Remove(file.Identity, out var before))
            {
                pairs[file.Path] = before.Path;
            }
            else
            {
                left.Add(file);
            }
        }
        // Another layer at the same path: the file that developers have is replaced, not one gone and one new.
        var byPath = there.Values.DistinctBy(f => f.Path).ToDictionary(f => f.Path, StringComparer.Ordinal);
        left.RemoveAll(file => byPath.Remove(file.Path) && pairs.TryAdd(file.Path, file.Path));
        // A picture of several places of which the first is gone is made for the next one: the same file under another name.
        var byContent = byPath.Values.Where(f => f.IsPicture).ToLookup(f => (f.Platform, f.Sha256));
        foreach (var same in left.Where(f => f.IsPicture).GroupBy(f => (f.Platform, f.Sha256)))
        {
            foreach (var (before, file) in byContent[same.Key].OrderBy(f => f.Path, StringComparer.Ordinal).Zip(same.OrderBy(f => f.Path, StringComparer.Ordinal)))
            {
                pairs[file.Path] = before.Path;
            }
        }
        return pairs;
    }
}
