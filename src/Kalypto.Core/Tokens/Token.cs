using System.Collections.Immutable;
using Kalypto.Core.Designs;

namespace Kalypto.Core.Tokens;

/// <summary>A value that several layers built in code share.</summary>
/// <param name="Name">Words joined by hyphens, no two alike.</param>
/// <param name="Value">The value.</param>
/// <param name="Uses">What it is used for, the most common first: text, ground, line, gradient, shadow.</param>
/// <param name="Places">The layers that have it.</param>
/// <param name="Others">Values that were put together with it: nearly equal ones, and what people merged.</param>
public sealed record Token(string Name, TokenValue Value, ImmutableArray<string> Uses, ImmutableArray<LayerRef> Places, ImmutableArray<TokenValue> Others);
