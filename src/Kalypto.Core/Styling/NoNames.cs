using Kalypto.Core.Designs;

namespace Kalypto.Core.Styling;

/// <summary>No value has a name.</summary>
public sealed class NoNames : ITokenNames
{
    /// <summary>The only one.</summary>
    public static NoNames One { get; } = new();

    /// <inheritdoc/>
    public string? NameOf(Colour colour) => null;

    /// <inheritdoc/>
    public string? NameOf(Radii radii) => null;

    /// <inheritdoc/>
    public string? NameOf(TypeStyle type) => null;

    /// <inheritdoc/>
    public string? NameOf(IReadOnlyList<Shadow> shadows) => null;
}
