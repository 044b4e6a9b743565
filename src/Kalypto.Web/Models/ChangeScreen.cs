namespace Kalypto.Web.Models;

/// <summary>A screen in two drafts.</summary>
/// <param name="Name">Its name.</param>
/// <param name="Before">Its picture before; null when it is new.</param>
/// <param name="Now">Its picture now; null when it is gone.</param>
/// <param name="Width">How wide it is, in pt.</param>
/// <param name="Height">How high it is, in pt.</param>
public sealed record ChangeScreen(string Name, string? Before, string? Now, double Width, double Height);
