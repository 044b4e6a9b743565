using System.Collections.Immutable;
using Kalypto.Core.Designs;

namespace Kalypto.Core.Tokens;

/// <summary>Places of one value, while tokens are being found.</summary>
internal sealed class TokenSet(TokenValue value, List<FoundValue> found)
{
    public TokenValue Value => value;

    public List<FoundValue> Found => found;

    /// <summary>Where its colour lies among all colours.</summary>
    public Lab Lab { get; } = Lab.Of(value.Colour);

    public List<TokenValue> Others { get; } = [];

    public ImmutableArray<LayerRef> Places => [.. found.Select(f => f.Layer).Distinct()];

    public ImmutableArray<string> Uses => [.. found.GroupBy(f => f.Use).OrderByDescending(g => g.Count()).Select(g => g.Key)];

    public int Letters => found.Sum(f => f.Letters);
}
