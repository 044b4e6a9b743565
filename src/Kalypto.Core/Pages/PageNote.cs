namespace Kalypto.Core.Pages;

/// <summary>What a layer was taken for on a page, and why.</summary>
/// <param name="Layer">Its ordinal.</param>
/// <param name="Tag">The element of HTML: <c>button</c>, <c>h2</c>.</param>
/// <param name="Why">What speaks for it, as the end of a sentence.</param>
public sealed record PageNote(int Layer, string Tag, string Why);
