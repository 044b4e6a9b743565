namespace Kalypto.Application.Places;

/// <summary>Where this process may put deliveries.</summary>
/// <param name="Roots">The folders that its operator allowed, absolute; nothing outside them is ever read or written.</param>
public sealed record PlaceOptions(IReadOnlyList<string> Roots)
{
    /// <summary>Nowhere.</summary>
    public static PlaceOptions None { get; } = new([]);
}
