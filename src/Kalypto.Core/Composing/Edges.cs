namespace Kalypto.Core.Composing;

/// <summary>Lengths at the four sides of a box, in pt.</summary>
/// <param name="Top">Above.</param>
/// <param name="Right">To the right.</param>
/// <param name="Bottom">Below.</param>
/// <param name="Left">To the left.</param>
public readonly record struct Edges(double Top, double Right, double Bottom, double Left);
