using System.Collections.Immutable;
using Kalypto.Core.Designs;

namespace Kalypto.Core.Suggesting;

/// <summary>What an open layer probably is.</summary>
/// <param name="Layer">The layer; the first of them for loose layers that belong together.</param>
/// <param name="Kind">The kind: icon, logo, photo, button or picture.</param>
/// <param name="Strength">How sure it is, from 0 to 1.</param>
/// <param name="Why">What speaks for it, as the end of a sentence: "24 x 24, 5 shapes, in a row with 3 others".</param>
/// <param name="Together">Loose layers to be put together first; empty for a layer that stands for itself.</param>
public sealed record Suggestion(Layer Layer, string Kind, double Strength, string Why, ImmutableArray<Layer> Together)
{
    /// <summary>The sentence for people.</summary>
    public string Sentence => $"looks like {(Kind is "icon" ? "an" : "a")} {Kind}: {Why}";
}
