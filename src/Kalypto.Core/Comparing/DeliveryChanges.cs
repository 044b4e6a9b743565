using System.Collections.Immutable;

namespace Kalypto.Core.Comparing;

/// <summary>What is different between two deliveries.</summary>
/// <param name="Files">Every file of either, by path.</param>
public sealed record DeliveryChanges(ImmutableArray<FileChange> Files)
{
    /// <summary>Compares two deliveries by the identities of their files; what has none in the other by its path, then by its content.</summary>
    public static DeliveryChanges Of(IReadOnlyCollection<DeliveredFile> old, IReadOnlyCollection<DeliveredFile> now)
    {
        var there = old.ToDictionary(f => f.Identity, StringComparer.Ordinal);
        var changes = new List<FileChange>();
        var left = new List<DeliveredFile>();
        foreach (var file in now)
        {
            if (there.Remove(file.Identity, out var before))
            {
                changes.Add(new(before, file));
            }
            else
            {
                left.Add(file);
            }
        }
        // Another layer at the same path: the file that developers have is replaced, not one gone and one new.
        var byPath = there.Values.ToDictionary(f => f.Path, StringComparer.Ordinal);
        left.RemoveAll(file => byPath.Remove(file.Path, out var before) && Add(before, file));
        // A picture of several places of which the first is gone is made for the next one: the same file under another name.
        var byContent = byPath.Values.ToLookup(f => (f.Platform, f.Sha256));
        foreach (var same in left.GroupBy(f => (f.Platform, f.Sha256)))
        {
            foreach (var (i, file) in same.OrderBy(f => f.Path, StringComparer.Ordinal).Index())
            {
                var before = file.Kind.Length > 0 ? byContent[same.Key].OrderBy(f => f.Path, StringComparer.Ordinal).ElementAtOrDefault(i) : null;
                Add(before, file);
                byPath.Remove(before?.Path ?? "");
            }
        }
        changes.AddRange(byPath.Values.Select(f => new FileChange(f, null)));
        return new([.. changes.OrderBy(c => c.File.Path, StringComparer.Ordinal)]);

        bool Add(DeliveredFile? before, DeliveredFile file)
        {
            changes.Add(new(before, file));
            return true;
        }
    }

    /// <summary>True when nothing is different.</summary>
    public bool IsNothing => Files.All(f => f.IsSame);

    /// <summary>What is different.</summary>
    public IEnumerable<FileChange> Different => Files.Where(f => !f.IsSame);
}
