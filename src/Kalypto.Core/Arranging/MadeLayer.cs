using System.Collections.Immutable;
using Kalypto.Core.Designs;

namespace Kalypto.Core.Arranging;

/// <summary>A layer that is not in the file: loose layers put together, or the frame of a screen.</summary>
/// <param name="Name">Its name for people.</param>
/// <param name="Members">Ordinals of the layers put together; empty for a frame.</param>
/// <param name="Frame">The rectangle of a screen in drawing units; null for layers put together.</param>
/// <param name="Gone">True when it was taken apart again. It keeps its place, so that ordinals stay what they are.</param>
public sealed record MadeLayer(string Name, ImmutableArray<int> Members, Box? Frame, bool Gone = false);
