using Kalypto.Core.Designs;

namespace Kalypto.Core.Arranging;

/// <summary>A screen as the team wants it.</summary>
/// <param name="Name">Its name, unique in its design.</param>
/// <param name="Box">Where it lies, in drawing units.</param>
/// <param name="Root">The ordinal of the layer that stands for it; no two screens share one.</param>
public sealed record ArrangedScreen(string Name, Box Box, int Root);
