namespace Kalypto.Web.Models;

/// <summary>A value that holds for a layer, and who says so.</summary>
/// <param name="Name">What it is: <c>crop</c>.</param>
/// <param name="Value">The value for people.</param>
/// <param name="Whence">Who says so: <c>recipe for icon on Android</c>.</param>
/// <param name="IsSaid">True when the layer says so itself.</param>
public sealed record HeldValue(string Name, string Value, string Whence, bool IsSaid);
