using System.Collections.Immutable;
using System.Text.Json;
using System.Text.Json.Serialization;

namespace Kalypto.Core.Placing;

/// <summary>What Kalypto wrote into a place: <c>kalypto.lock.json</c> (schema in docs/lock.schema.json).</summary>
/// <param name="Delivery">The number of the delivery that lies there; 0 for none.</param>
/// <param name="Files">The files, by path.</param>
public sealed record PlaceLock(int Delivery, ImmutableArray<PlacedFile> Files)
{
    /// <summary>The name of the file that it is kept in.</summary>
    public const string FileName = "kalypto.lock.json";

    private static readonly JsonSerializerOptions Options = new(JsonSerializerDefaults.Web) { WriteIndented = true, NewLine = "\n", MaxDepth = 8, DefaultIgnoreCondition = JsonIgnoreCondition.WhenWritingNull };

    private sealed record Written(int Version, int Delivery, ImmutableArray<PlacedFile> Files, IReadOnlyList<LeftFile>? Left = null);

    /// <summary>Files of others that lie where Kalypto would write: people said that they stay, which holds until they change again.</summary>
    public ImmutableArray<LeftFile> Left { get; init; } = [];

    /// <summary>A place in which nothing was written yet.</summary>
    public static PlaceLock None { get; } = new(0, []);

    /// <summary>As JSON. Equal locks give equal texts.</summary>
    public string Write() => JsonSerializer.Serialize(new Written(1, Delivery, [.. Files.OrderBy(f => f.Path, StringComparer.Ordinal)],
        Left.IsEmpty ? null : [.. Left.OrderBy(f => f.Path, StringComparer.Ordinal)]), Options) + "\n";

    /// <summary>Reads what <see cref="Write"/> wrote; null when it is something else, or names what no place may hold.</summary>
    public static PlaceLock? Read(string text)
    {
        try
        {
            return JsonSerializer.Deserialize<Written>(text, Options) is { Version: 1, Files.IsDefault: false } written && written.Files.All(f => f is { Sha256.Length: 64, Identity: not null } && PlacePath.IsSafe(f.Path))
                && written.Files.DistinctBy(f => f.Path, StringComparer.OrdinalIgnoreCase).Count() == written.Files.Length
                && (written.Left ?? []).All(f => f is { Sha256.Length: 64 } && PlacePath.IsSafe(f.Path)) ? new(written.Delivery, written.Files) { Left = [.. (written.Left ?? []).DistinctBy(f => f.Path, StringComparer.Ordinal)] } : null;
        }
        catch (JsonException)
        {
            return null;
        }
    }
}
