using System.Collections.Immutable;
using Kalypto.Core.Designs;

namespace Kalypto.Core.Handover;

/// <summary>A number on a plate.</summary>
/// <param name="Number">From 1, down and across; the same drawing has the same number everywhere on the screen.</param>
/// <param name="Kind">What it stands for.</param>
/// <param name="Layer">The ordinal of the layer, the first of its places.</param>
/// <param name="Places">The boxes of all its places on the screen, in pt of the screen, the first one first.</param>
/// <param name="Others">Ordinals of hidden layers that belong to it: the other states of a button.</param>
public sealed record Pin(int Number, PinKind Kind, int Layer, ImmutableArray<Box> Places, ImmutableArray<int> Others);
