using System.Collections.Immutable;
using System.Text.Json;

namespace Kalypto.Core.Placing;

/// <summary>What a delivery does to a place, in this order: move staged files to where they belong, remove files, write the lock.</summary>
/// <param name="Writes">Files to move.</param>
/// <param name="Removes">Files to remove.</param>
/// <param name="Lock">The lock afterwards.</param>
public sealed record PlaceSteps(ImmutableArray<PlaceSteps.Write> Writes, ImmutableArray<PlaceSteps.Remove> Removes, PlaceLock Lock)
{
    private sealed record Written(ImmutableArray<Write> Writes, ImmutableArray<Remove> Removes, string Lock);

    /// <summary>A staged file that is moved.</summary>
    /// <param name="Path">Where to, in the place.</param>
    /// <param name="Staged">The number of the staged file.</param>
    /// <param name="Sha256">Its content.</param>
    /// <param name="Before">The content that lies there before; null for nothing.</param>
    public sealed record Write(string Path, int Staged, string Sha256, string? Before);

    /// <summary>A file that is removed.</summary>
    /// <param name="Path">Where it lies in the place.</param>
    /// <param name="Sha256">Its content; with any other it stays.</param>
    public sealed record Remove(string Path, string Sha256);

    /// <summary>As JSON.</summary>
    public string ToJson() => JsonSerializer.Serialize(new Written(Writes, Removes, Lock.Write()));

    /// <summary>Reads what <see cref="ToJson"/> wrote; null for anything else, and for steps that lead out of a place.</summary>
    public static PlaceSteps? Parse(string text)
    {
        try
        {
            return JsonSerializer.Deserialize<Written>(text) is { Writes.IsDefault: false, Removes.IsDefault: false, Lock: not null } written && PlaceLock.Read(written.Lock) is { } kept
                && written.Writes.All(w => w is { Staged: >= 0, Sha256: not null } && PlacePath.IsSafe(w.Path)) && written.Removes.All(r => r is { Sha256: not null } && PlacePath.IsSafe(r.Path))
                ? new(written.Writes, written.Removes, kept) : null;
        }
        catch (JsonException)
        {
            return null;
        }
    }
}
