using Kalypto.Core.Designs;

namespace Kalypto.Core.Packing;

/// <summary>Another place of the same drawing, from which the files of a picture are drawn: it goes by another name there, and is drawn once for both.</summary>
/// <param name="Ref">The layer there.</param>
/// <param name="Key">The fingerprint of its isolated drawing.</param>
/// <param name="Right">How far it lies to the right of this one, in pt.</param>
/// <param name="Down">How far it lies below this one, in pt.</param>
public sealed record DrawnFrom(LayerRef Ref, Fingerprint Key, double Right, double Down);
