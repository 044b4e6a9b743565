namespace Kalypto.Architecture.Tests.Planted.Right;

/// <summary>The other half of a circle that was planted to be found.</summary>
public sealed record Hand(Left.Hand? Other);
