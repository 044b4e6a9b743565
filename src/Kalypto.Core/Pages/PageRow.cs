namespace Kalypto.Core.Pages;

/// <summary>An element of a page for people: what became what.</summary>
/// <param name="Layer">The ordinal of the layer or group that it shows; null for one that only keeps others together.</param>
/// <param name="Depth">How deeply it lies in the others, from 0.</param>
/// <param name="Tag">The element of HTML.</param>
/// <param name="Name">What it is called: the name of its layer, its words, or its class.</param>
/// <param name="How">How it is laid out, or why it is what it is.</param>
/// <param name="Selector">The selector of its own rule; empty for none.</param>
public sealed record PageRow(int? Layer, int Depth, string Tag, string Name, string How, string Selector);
