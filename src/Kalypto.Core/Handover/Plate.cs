using System.Collections.Immutable;
using Kalypto.Core.Designs;
using Kalypto.Core.Styling;

namespace Kalypto.Core.Handover;

/// <summary>A screen as developers see it: what is numbered on it, the values of what is built in code, and what nobody gets.</summary>
/// <param name="Screen">The screen.</param>
/// <param name="Width">In pt.</param>
/// <param name="Height">In pt.</param>
/// <param name="Pins">By number.</param>
/// <param name="Values">The values of each pin that is built in code, by the ordinal of its layer.</param>
/// <param name="Unreached">What reaches nobody.</param>
public sealed record Plate(Screen Screen, double Width, double Height, ImmutableArray<Pin> Pins, IReadOnlyDictionary<int, LayerValues> Values, ImmutableArray<Layer> Unreached);
