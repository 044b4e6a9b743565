using Kalypto.Core.Designs;

namespace Kalypto.Core.Arranging;

/// <summary>A screen to be made.</summary>
/// <param name="Name">Its name; empty for a numbered one.</param>
/// <param name="Box">Where it lies, in drawing units.</param>
/// <param name="Layer">The layer that it is made of; null for a rectangle.</param>
public sealed record NewScreen(string Name, Box Box, int? Layer = null);
