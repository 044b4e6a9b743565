namespace Kalypto.Web.Models;

/// <summary>A screen on the pack page, with how near to a browser's picture it ships.</summary>
/// <param name="Name">The screen.</param>
/// <param name="Equal">Such as <c>99.8%</c>.</param>
/// <param name="Exactly">How many of its layers are drawn exactly.</param>
/// <param name="Link">The bench of it.</param>
public sealed record ProvenScreen(string Name, string Equal, int Exactly, string Link);
