using Kalypto.Core.Designs;

namespace Kalypto.Core.Styling;

/// <summary>A shadow.</summary>
/// <param name="X">To the right, in pt.</param>
/// <param name="Y">Downwards, in pt.</param>
/// <param name="Blur">How soft it is, in pt, as CSS counts it: twice the standard deviation (CSS Backgrounds 3, section 6.1).</param>
/// <param name="Spread">How much larger than the box it is on each side, in pt.</param>
/// <param name="Colour">With its own opacity.</param>
/// <param name="IsInside">True for one that falls into the box.</param>
public readonly record struct Shadow(double X, double Y, double Blur, double Spread, Colour Colour, bool IsInside);
