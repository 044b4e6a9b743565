using System.Collections.Immutable;

namespace Kalypto.Core.Proving;

/// <summary>What came of drawing a screen by both engines.</summary>
/// <param name="Layers">The smallest layers that the quick engine draws otherwise than a browser.</param>
/// <param name="All">Where the quick picture is other than the browser's.</param>
/// <param name="Left">The same without what is drawn exactly from now on: this much of what ships is other.</param>
public sealed record ScreenProof(ImmutableArray<ProvenLayer> Layers, Differences All, Differences Left)
{
    /// <summary>The share of the screen that ships as a browser shows it, from 0 to 1.</summary>
    public double Equal => 1 - Left.Share;
}
