using Kalypto.Core.Designs;

namespace Kalypto.Core.Styling;

/// <summary>What values are called in a project; null for those without a name.</summary>
public interface ITokenNames
{
    /// <summary>A colour, as words joined by hyphens.</summary>
    string? NameOf(Colour colour);

    /// <summary>A radius.</summary>
    string? NameOf(Radii radii);

    /// <summary>A way of setting words.</summary>
    string? NameOf(TypeStyle type);

    /// <summary>Shadows of one layer.</summary>
    string? NameOf(IReadOnlyList<Shadow> shadows);
}
