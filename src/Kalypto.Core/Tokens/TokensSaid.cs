using System.Collections.Immutable;
using System.Text.Json;
using Kalypto.Core.Naming;

namespace Kalypto.Core.Tokens;

/// <summary>What a project says of its tokens, by their values: names, what is merged into what, and what is no token.</summary>
public sealed record TokensSaid
{
    private const int Longest = 60;
    private const int Most = 2000;

    private sealed record Saved(Dictionary<string, string>? Names, Dictionary<string, string>? Merged, string[]? Refused);

    /// <summary>Nothing is said.</summary>
    public static TokensSaid None { get; } = new();

    /// <summary>Names by the key of a value.</summary>
    public ImmutableSortedDictionary<string, string> Names { get; init; } = ImmutableSortedDictionary.Create<string, string>(StringComparer.Ordinal);

    /// <summary>The key of the value that stands for another, by the key of that.</summary>
    public ImmutableSortedDictionary<string, string> Merged { get; init; } = ImmutableSortedDictionary.Create<string, string>(StringComparer.Ordinal);

    /// <summary>The keys of values that are no tokens.</summary>
    public ImmutableSortedSet<string> Refused { get; init; } = ImmutableSortedSet.Create<string>(StringComparer.Ordinal);

    /// <summary>The same with a name for a value; empty for the one that it has by itself.</summary>
    public TokensSaid Name(string key, string name) => NameWords.Join(NameWords.Split(name), "-", Longest) is { Length: > 0 } words && Names.Count < Most
        ? this with { Names = Names.SetItem(key, char.IsAsciiDigit(words[0]) ? "n" + words : words) } : this with { Names = Names.Remove(key) };

    /// <summary>The same with one value standing for another.</summary>
    public TokensSaid Merge(string key, string into) => key == into || End(into) == key || Merged.Count >= Most ? this : this with { Merged = Merged.SetItem(key, End(into)) };

    /// <summary>The same with a value as it was found, nothing merged into it and it into nothing.</summary>
    public TokensSaid Part(string key) => this with { Merged = Merged.Remove(key).RemoveRange(Merged.Where(m => m.Value == key).Select(m => m.Key)) };

    /// <summary>The same with a value that is no token, or is one again.</summary>
    public TokensSaid Refuse(string key, bool isRefused) => this with { Refused = isRefused && Refused.Count < Most ? Refused.Add(key) : Refused.Remove(key) };

    /// <summary>The value that stands for one in the end.</summary>
    public string End(string key)
    {
        for (var step = 0; step < Most && Merged.TryGetValue(key, out var next); step++)
        {
            key = next;
        }
        return key;
    }

    /// <summary>Reads it; what is not understood says nothing.</summary>
    public static TokensSaid Read(string json)
    {
        try
        {
            return json.Length == 0 || JsonSerializer.Deserialize<Saved>(json) is not { } saved ? None
                : new() { Names = None.Names.AddRange(saved.Names ?? []), Merged = None.Merged.AddRange(saved.Merged ?? []), Refused = [.. saved.Refused ?? []] };
        }
        catch (JsonException)
        {
            return None;
        }
    }

    /// <summary>Writes it.</summary>
    public string ToJson() => Names.IsEmpty && Merged.IsEmpty && Refused.IsEmpty ? "" : JsonSerializer.Serialize(new Saved(new(Names), new(Merged), [.. Refused]));
}
