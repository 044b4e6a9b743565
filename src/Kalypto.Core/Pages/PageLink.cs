namespace Kalypto.Core.Pages;

/// <summary>A page that another leads to.</summary>
/// <param name="Name">The name of its screen.</param>
/// <param name="Address">Its address, from the other.</param>
/// <param name="IsHere">True for the page itself.</param>
public sealed record PageLink(string Name, string Address, bool IsHere);
