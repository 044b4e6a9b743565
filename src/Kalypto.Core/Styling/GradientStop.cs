using Kalypto.Core.Designs;

namespace Kalypto.Core.Styling;

/// <summary>A colour of a gradient.</summary>
/// <param name="At">Where it is, as a share of the way.</param>
/// <param name="Colour">With its own opacity.</param>
public readonly record struct GradientStop(double At, Colour Colour);
