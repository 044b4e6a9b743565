using System.Collections.Immutable;
using Kalypto.Core.Formats;

namespace Kalypto.Core.Tagging;

/// <summary>What is said of one format.</summary>
/// <param name="Made">True for also made as; false for not made as.</param>
/// <param name="Quality">The quality asked; null for the usual one.</param>
public sealed record FormatSaid(bool Made, Quality? Quality = null)
{
    /// <summary>The scales that it is made in; empty for those of all formats.</summary>
    public ImmutableArray<Scale> Scales { get; init; } = [];
}
