using System.Collections.Immutable;
using System.Text.Json;
using Kalypto.Core.Comparing;

namespace Kalypto.Core.Placing;

/// <summary>Files that go from one folder to another: developers must change every import of them, so it is told apart and waits for a yes.</summary>
/// <param name="From">The folder where they lie, without a slash at its end; empty for the place itself.</param>
/// <param name="To">The folder where they would lie.</param>
/// <param name="Files">How many files.</param>
public sealed record FolderMove(string From, string To, int Files)
{
    /// <summary>The moves among files, by folder.</summary>
    /// <param name="files">The files before and now. What is new, gone or only renamed in its folder is none.</param>
    public static ImmutableArray<FolderMove> Of(IEnumerable<FileChange> files) => [.. files.Where(f => f.IsMoved).GroupBy(f => (From: Around(f.Old!), To: Around(f.New!)))
        .Select(g => new FolderMove(g.Key.From, g.Key.To, g.Count())).OrderBy(m => m.From, StringComparer.Ordinal).ThenBy(m => m.To, StringComparer.Ordinal)];

    /// <summary>The moves that files of a delivery would make in a place.</summary>
    /// <param name="before">What lies there.</param>
    /// <param name="files">The files to come.</param>
    public static ImmutableArray<FolderMove> Of(PlaceLock before, IEnumerable<PlacedFile> files)
    {
        var lies = before.Files.DistinctBy(f => f.Identity).ToDictionary(f => f.Identity, StringComparer.Ordinal);
        return Of(files.Where(f => lies.ContainsKey(f.Identity)).Select(f => new FileChange(Delivered(lies[f.Identity]), Delivered(f))));

        static DeliveredFile Delivered(PlacedFile file) => new(file.Identity, file.Path, file.Sha256, 0);
    }

    /// <summary>Moves as JSON; none as an empty text. Equal moves give equal texts.</summary>
    public static string Write(ImmutableArray<FolderMove> moves) => moves.IsEmpty ? "" : JsonSerializer.Serialize(moves);

    /// <summary>Reads what <see cref="Write"/> wrote.</summary>
    /// <exception cref="JsonException">The text is something else.</exception>
    public static ImmutableArray<FolderMove> Read(string text) => text.Length == 0 ? [] : JsonSerializer.Deserialize<ImmutableArray<FolderMove>>(text);

    // Where a picture has a folder of its own (a set of an asset catalog), the folder around that.
    private static string Around(DeliveredFile file)
    {
        var last = file.Folder[(file.Folder.LastIndexOf('/') + 1)..];
        return !last.StartsWith($"{FileChange.Stem(file)}.", StringComparison.Ordinal) ? file.Folder : file.Folder.LastIndexOf('/') is > 0 and var slash ? file.Folder[..slash] : "";
    }
}
