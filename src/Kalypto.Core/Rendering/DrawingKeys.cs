using System.Runtime.CompilerServices;
using Kalypto.Core.Designs;
using Kalypto.Core.Isolating;

namespace Kalypto.Core.Rendering;

/// <summary>
/// Tells the pictures of isolated layers apart by all that draws them: what is in the layer, and the fonts of its texts. A font
/// that is added makes pictures new whose texts it draws, and no others.
/// </summary>
/// <param name="fontsOf">A fingerprint of the font files that draw a list of families.</param>
/// <param name="exact">The version of the exact engine; null where there is none.</param>
public sealed class DrawingKeys(Func<string, string> fontsOf, string? exact = null)
{
    private readonly ConditionalWeakTable<Isolation, StrongBox<Fingerprint>> known = [];

    /// <summary>Keys for a place where every font is the same for ever.</summary>
    public static DrawingKeys WithoutFonts { get; } = new(_ => "");

    /// <summary>The key of an isolated layer.</summary>
    public Fingerprint Of(Isolation isolation) => isolation.FontFamilies.IsEmpty && !IsExact(isolation) ? isolation.Key : known.GetValue(isolation, i => new(Make(i))).Value;

    /// <summary>True where there is an exact engine.</summary>
    public bool HasExact => exact is not null;

    /// <summary>True for a layer that the exact engine draws.</summary>
    public bool IsExact(Isolation isolation) => exact is not null && !isolation.Beyond.IsEmpty;

    private Fingerprint Make(Isolation isolation)
    {
        var fonts = isolation.FontFamilies.Select(fontsOf).ToList();
        // What the exact engine draws it takes from the file itself, whatever was read of that.
        var engine = IsExact(isolation) ? new[] { $"exact {exact}", isolation.Source! } : [];
        return fonts.TrueForAll(f => f.Length == 0) && engine.Length == 0 ? isolation.Key : Fingerprint.Of([isolation.Key.Hex, .. fonts, .. engine]);
    }
}
