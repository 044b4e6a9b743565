using System.Collections.Immutable;
using System.Text.Json;
using System.Text.Json.Serialization;

namespace Kalypto.Core.Comparing;

/// <summary>How a layer of a draft was paired, where it is not unchanged at its place.</summary>
/// <param name="New">Its ordinal in the draft.</param>
/// <param name="Old">The lineage that it got, or is asked to get.</param>
/// <param name="Grade">How sure it is; <see cref="PairGrade.Unsure"/> while people have not said it.</param>
/// <param name="Reason">What speaks most for it.</param>
public readonly record struct KeptPair(int New, int Old, PairGrade Grade, PairReason Reason)
{
    private static readonly JsonSerializerOptions Options = new() { Converters = { new JsonStringEnumConverter() } };

    /// <summary>Pairs as JSON; none as an empty text.</summary>
    public static string Write(IReadOnlyCollection<KeptPair> pairs) => pairs.Count == 0 ? "" : JsonSerializer.Serialize(pairs, Options);

    /// <summary>Reads what <see cref="Write"/> wrote.</summary>
    /// <exception cref="JsonException">The text is something else.</exception>
    public static ImmutableArray<KeptPair> Read(string text) => text.Length == 0 ? [] : JsonSerializer.Deserialize<ImmutableArray<KeptPair>>(text, Options);
}
