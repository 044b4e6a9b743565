using System.Collections.Immutable;

namespace Kalypto.Core.Comparing;

/// <summary>What is different between two deliveries.</summary>
/// <param name="Files">Every file of either, by path.</param>
public sealed record DeliveryChanges(ImmutableArray<FileChange> Files)
{
    /// <summary>Compares two deliveries by the identities of their files; what has none in the other by its path.</summary>
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
        foreach (var file in left)
        {
            changes.Add(new(byPath.Remove(file.Path, out var before) ? before : null, file));
        }
        changes.AddRange(byPath.Values.Select(f => new FileChange(f, null)));
        return new([.. changes.OrderBy(c => c.File.Path, StringComparer.Ordinal)]);
    }

    /// <summary>True when nothing is different.</summary>
    public bool IsNothing => Files.All(f => f.IsSame);

    /// <summary>What is different.</summary>
    public IEnumerable<FileChange> Different => Files.Where(f => !f.IsSame);
}
