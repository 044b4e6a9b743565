using Kalypto.Core.Designs;

namespace Kalypto.Core.Tokens;

/// <summary>A value at one layer.</summary>
/// <param name="Value">The value.</param>
/// <param name="Use">What it is used for there.</param>
/// <param name="Layer">The layer.</param>
/// <param name="Letters">How many letters are set by it; 0 for what sets none.</param>
public sealed record FoundValue(TokenValue Value, string Use, LayerRef Layer, int Letters = 0);
