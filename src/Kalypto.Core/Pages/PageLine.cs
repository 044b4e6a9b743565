namespace Kalypto.Core.Pages;

/// <summary>A line of a source of a page.</summary>
/// <param name="Text">The line, without its end.</param>
/// <param name="Layer">The ordinal of the layer that it is for; null for none.</param>
public sealed record PageLine(string Text, int? Layer);
