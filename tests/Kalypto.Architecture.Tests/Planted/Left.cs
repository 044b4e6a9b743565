namespace Kalypto.Architecture.Tests.Planted.Left;

/// <summary>Half of a circle that was planted to be found.</summary>
public sealed record Hand(Right.Hand? Other);
