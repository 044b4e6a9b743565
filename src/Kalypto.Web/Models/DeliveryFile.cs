namespace Kalypto.Web.Models;

/// <summary>A file of a delivery, or of the one that it is compared with.</summary>
/// <param name="Identity">What makes it the same in both.</param>
/// <param name="Path">Where it lies.</param>
/// <param name="WasAt">Where it lay before, if elsewhere.</param>
/// <param name="Platform">Its platform.</param>
/// <param name="Kind">The kind of its picture.</param>
/// <param name="Layer">Its layer.</param>
/// <param name="Screen">The screen of it.</param>
/// <param name="Size">Its size in px.</param>
/// <param name="Weight">Its weight.</param>
/// <param name="What">What is different of it; nothing when it is the same.</param>
/// <param name="Heavier">How much heavier or lighter it is.</param>
/// <param name="Before">Its picture before.</param>
/// <param name="Now">Its picture now.</param>
public sealed record DeliveryFile(
    string Identity, string Path, string? WasAt, string Platform, string Kind, string Layer, string Screen, string Size, string Weight, IReadOnlyList<string> What, string Heavier, string? Before, string? Now);
