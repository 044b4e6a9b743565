namespace Kalypto.Core.Shapes;

/// <summary>One segment of a path, in absolute coordinates.</summary>
/// <param name="Command">M, L, C, S, Q, T, A or Z.</param>
/// <param name="Values">Its numbers in the order of SVG 1.1, 8.3; the last two are where it ends.</param>
public readonly record struct PathSegment(char Command, double[] Values);
