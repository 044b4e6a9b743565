namespace Kalypto.Web.Models;

/// <summary>The recipe of a kind for one platform, or for all.</summary>
/// <param name="Platform">The id of the platform; null for all.</param>
/// <param name="Name">Its name for people.</param>
/// <param name="Words">What is said, in words of the tag line; empty for nothing else than everywhere.</param>
/// <param name="IsPacked">True when the project is packed for it.</param>
/// <param name="TakesFormats">False for kinds whose formats the platform gives.</param>
public sealed record RecipeLine(string? Platform, string Name, string Words, bool IsPacked, bool TakesFormats);
