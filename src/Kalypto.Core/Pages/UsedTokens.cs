using Kalypto.Core.Designs;
using Kalypto.Core.Styling;
using Kalypto.Core.Styling.Code;

namespace Kalypto.Core.Pages;

/// <summary>What values are called, with a list of those that a page uses.</summary>
internal sealed class UsedTokens(ITokenNames names) : ITokenNames
{
    private readonly SortedDictionary<string, string> used = new(StringComparer.Ordinal);

    /// <summary>The values of the names that were asked for, by name.</summary>
    public IReadOnlyDictionary<string, string> Used => used;

    /// <inheritdoc/>
    public string? NameOf(Colour colour) => Use(names.NameOf(colour), () => CssCode.OfColour(colour));

    /// <inheritdoc/>
    public string? NameOf(Radii radii) => Use(names.NameOf(radii), () => Lengths.Px(radii.UpperLeft));

    /// <inheritdoc/>
    public string? NameOf(TypeStyle type) => names.NameOf(type);

    /// <inheritdoc/>
    public string? NameOf(IReadOnlyList<Shadow> shadows) => Use(names.NameOf(shadows), () => CssCode.OfShadows(shadows, CssCode.OfColour));

    // Nearly equal values share a name; the page keeps the first, for nobody sees them apart.
    private string? Use(string? name, Func<string> value)
    {
        if (name is not null)
        {
            used.TryAdd(name, value());
        }
        return name;
    }
}
