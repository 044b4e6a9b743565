using System.Runtime.CompilerServices;
using Kalypto.Core.Designs;
using Kalypto.Core.Isolating;

namespace Kalypto.Core.Rendering;

/// <summary>
/// Tells the pictures of isolated layers apart by all that draws them: what is in the layer, and the fonts of its texts. A font
/// that is added makes pictures new whose texts it draws, and no others.
/// </summary>
/// <param name="fontsOf">A fingerprint of the font files that draw a list of families.</param>
public sealed class DrawingKeys(Func<string, string> fontsOf)
{
    private readonly ConditionalWeakTable<Isolation, StrongBox<Fingerprint>> known = [];

    /// <summary>Keys for a place where every font is the same for ever.</summary>
    public static DrawingKeys WithoutFonts { get; } = new(_ => "");

    /// <summary>The key of an isolated layer.</summary>
    public Fingerprint Of(Isolation isolation) => isolation.FontFamilies.IsEmpty ? isolation.Key : known.GetValue(isolation, i => new(Make(i))).Value;

    private Fingerprint Make(Isolation isolation)
    {
        var fonts = isolation.FontFamilies.Select(fontsOf).ToList();
        return fonts.TrueForAll(f => f.Length == 0) ? isolation.Key : Fingerprint.Of([isolation.Key.Hex, .. fonts]);
    }
}
