using System.Collections.Immutable;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Styling;

namespace Kalypto.Core.Tokens;

/// <summary>The tokens of a project: what the layers that are built in code share, with the names that people gave or that follow from the use.</summary>
public sealed class TokenBook : ITokenNames
{
    // A difference of colours that nobody sees beside one another.
    private const double NearlyEqual = 1;
    private const int FewestPlaces = 2;

    // A distance that comes about by chance comes about twice.
    private const int FewestSpaces = 4;
    private const int MostSpaces = 8;

    private readonly Dictionary<string, string> names;

    private TokenBook(ImmutableArray<Token> tokens, ImmutableArray<TokenValue> refused)
    {
        (Tokens, Refused) = (tokens, refused);
        names = tokens.SelectMany(t => t.Others.Prepend(t.Value).Select(v => (v.Key, t.Name))).DistinctBy(n => n.Key).ToDictionary(n => n.Key, n => n.Name);
    }

    /// <summary>No tokens.</summary>
    public static TokenBook Empty { get; } = new([], []);

    /// <summary>The tokens, kind by kind, the most used first; type and lengths by size.</summary>
    public ImmutableArray<Token> Tokens { get; }

    /// <summary>Values that people refused.</summary>
    public ImmutableArray<TokenValue> Refused { get; }

    /// <summary>Finds the tokens of designs.</summary>
    public static TokenBook Of(IReadOnlyList<DesignState> designs, TokensSaid said)
    {
        var found = designs.SelectMany(FoundValues.Of).ToList();
        var sets = found.GroupBy(f => f.Value.Kind).OrderBy(k => k.Key).SelectMany(kind => Sets(kind.Key, kind, said)).ToList();
        var refused = sets.Where(s => said.Refused.Contains(s.Value.Key)).Select(s => s.Value).ToImmutableArray();
        var kept = sets.Where(s => !said.Refused.Contains(s.Value.Key)).ToList();
        return new(TokenNaming.Name(kept, said), refused);
    }

    /// <inheritdoc/>
    public string? NameOf(Colour colour) => NameOf(new TokenValue(TokenKind.Colour) { Colour = colour });

    /// <inheritdoc/>
    public string? NameOf(Radii radii) => radii.AreOne ? NameOf(new TokenValue(TokenKind.Radius) { Length = Math.Round(radii.UpperLeft, 2) }) : null;

    /// <inheritdoc/>
    public string? NameOf(TypeStyle type) => NameOf(new TokenValue(TokenKind.Type) { Type = type });

    /// <inheritdoc/>
    public string? NameOf(IReadOnlyList<Shadow> shadows) => shadows.Count == 0 ? null : NameOf(new TokenValue(TokenKind.Shadow) { Shadows = [.. shadows] });

    /// <summary>What a value is called; null for one that is no token.</summary>
    public string? NameOf(TokenValue value) => names.GetValueOrDefault(value.Key);

    private static IEnumerable<TokenSet> Sets(TokenKind kind, IEnumerable<FoundValue> found, TokensSaid said)
    {
        var equal = found.GroupBy(f => f.Value.Key).Select(g => g.ToList()).OrderByDescending(g => g.Count).ThenBy(g => g[0].Value.Key, StringComparer.Ordinal).ToList();
        var sets = new List<TokenSet>();
        foreach (var values in equal)
        {
            var value = kind == TokenKind.Type ? WithLineHeight(values) : values[0].Value;
            // The most used of nearly equal colours stands for all.
            var lab = Lab.Of(value.Colour);
            var near = kind == TokenKind.Colour ? sets.Find(s => Math.Abs(s.Value.Colour.Alpha - value.Colour.Alpha) < 0.005 && s.Lab.DistanceTo(lab) <= NearlyEqual) : null;
            if (near is not null)
            {
                near.Others.Add(value);
                near.Found.AddRange(values);
                continue;
            }
            sets.Add(new(value, values));
        }
        foreach (var set in sets.ToList())
        {
            if (said.End(set.Value.Key) is var end && end != set.Value.Key && sets.Find(s => s.Value.Key == end) is { } into)
            {
                into.Others.Add(set.Value);
                into.Others.AddRange(set.Others);
                into.Found.AddRange(set.Found);
                sets.Remove(set);
            }
        }
        var shared = sets.Where(s => s.Places.Length >= (kind == TokenKind.Space ? FewestSpaces : FewestPlaces) || said.Names.ContainsKey(s.Value.Key));
        return kind switch
        {
            TokenKind.Space => shared.OrderByDescending(s => s.Found.Count).Take(MostSpaces).OrderBy(s => s.Value.Length),
            TokenKind.Radius => shared.OrderBy(s => s.Value.Length),
            TokenKind.Type => shared.OrderByDescending(s => s.Value.Type!.Size).ThenByDescending(s => s.Value.Type!.Weight).ThenBy(s => s.Value.Key, StringComparer.Ordinal),
            _ => shared.OrderByDescending(s => s.Places.Length).ThenBy(s => s.Value.Key, StringComparer.Ordinal),
        };
    }

    // One line says nothing of the height of lines; where others of the style have several, it is theirs.
    private static TokenValue WithLineHeight(List<FoundValue> values)
    {
        var height = values.Select(v => v.Value.Type!.LineHeight).OfType<double>().GroupBy(h => h).OrderByDescending(g => g.Count()).ThenBy(g => g.Key).Select(g => (double?)g.Key).FirstOrDefault();
        return values[0].Value with { Type = values[0].Value.Type! with { LineHeight = height } };
    }
}
