using System.Collections.Immutable;

namespace Kalypto.Core.Comparing;

/// <summary>What is different between two deliveries.</summary>
/// <param name="Files">Every file of either, by path.</param>
public sealed record DeliveryChanges(ImmutableArray<FileChange> Files)
{
    /// <summary>Compares two deliveries.</summary>
    public static DeliveryChanges Of(IReadOnlyCollection<DeliveredFile> old, IReadOnlyCollection<DeliveredFile> now)
    {
        var pairs = FilePairs.Of(old.Select(Compared), now.Select(Compared));
        var gone = old.ToDictionary(f => f.Path, StringComparer.Ordinal);
        var changes = now.Select(f => new FileChange(pairs.TryGetValue(f.Path, out var before) && gone.Remove(before, out var was) ? was : null, f)).ToList();
        return new([.. changes.Concat(gone.Values.Select(f => new FileChange(f, null))).OrderBy(c => c.File.Path, StringComparer.Ordinal)]);

        static FilePairs.Compared Compared(DeliveredFile file) => new(file.Identity, file.Path, file.Sha256, file.Platform, file.Kind.Length > 0);
    }

    /// <summary>True when nothing is different.</summary>
    public bool IsNothing => Files.All(f => f.IsSame);

    /// <summary>What is different.</summary>
    public IEnumerable<FileChange> Different => Files.Where(f => !f.IsSame);
}
