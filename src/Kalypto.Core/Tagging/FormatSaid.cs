using Kalypto.Core.Formats;

namespace Kalypto.Core.Tagging;

/// <summary>What is said of one format.</summary>
/// <param name="Made">True for also made as; false for not made as.</param>
/// <param name="Quality">The quality asked; null for the usual one.</param>
public sealed record FormatSaid(bool Made, Quality? Quality = null);
