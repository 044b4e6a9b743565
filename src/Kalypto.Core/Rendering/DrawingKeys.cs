using System.Collections.Immutable;
using System.Runtime.CompilerServices;
using Kalypto.Core.Designs;
using Kalypto.Core.Isolating;

namespace Kalypto.Core.Rendering;

/// <summary>
/// Tells the pictures of isolated layers apart by all that draws them: what is in the layer, the fonts of its texts, and the
/// engine. A font that is added makes pictures new whose texts it draws, and no others; so does proof that a layer needs the
/// exact engine.
/// </summary>
/// <param name="fontsOf">A fingerprint of the font files that draw a list of families.</param>
/// <param name="exact">The version of the exact engine; null where there is none.</param>
/// <param name="proven">The elements that proof has shown to need it, with the share of their ink that is other, from 0 to 1; null for none.</param>
public sealed class DrawingKeys(Func<string, string> fontsOf, string? exact = null, IReadOnlyDictionary<Fingerprint, double>? proven = null)
{
    /// <summary>From this share on, something was missed in reading; less is what engines round differently at edges.</summary>
    public const double Much = 0.2;

    private static readonly IReadOnlyDictionary<Fingerprint, double> None = ImmutableDictionary<Fingerprint, double>.Empty;
    private readonly ConditionalWeakTable<Isolation, Known> known = [];

    /// <summary>Keys for a place where every font is the same for ever.</summary>
    public static DrawingKeys WithoutFonts { get; } = new(_ => "");

    /// <summary>True where there is an exact engine.</summary>
    public bool HasExact => exact is not null;

    /// <summary>What was proven.</summary>
    public IReadOnlyDictionary<Fingerprint, double> Proven { get; } = exact is null ? None : proven ?? None;

    /// <summary>The key of an isolated layer.</summary>
    public Fingerprint Of(Isolation isolation) => isolation.FontFamilies.IsEmpty && !IsExact(isolation) ? isolation.Key : KnownOf(isolation).Key;

    /// <summary>True for a layer that the exact engine draws.</summary>
    public bool IsExact(Isolation isolation) => exact is not null && (!isolation.Beyond.IsEmpty || ShareOf(isolation) > 0);

    /// <summary>What beside its key tells the picture of a layer apart that keeps its colours beyond sRGB; null for one that has none, or where there is no exact engine to draw them.</summary>
    public string? WideOf(Isolation isolation) => exact is not null && isolation.IsWide ? $"{exact} {isolation.Source}" : null;

    /// <summary>What of a layer the quick engine does not draw as a browser does, known by its features or by much of its ink; what it only rounds differently is none of it.</summary>
    public ImmutableArray<string> BeyondOf(Isolation isolation) => ShareOf(isolation) >= Much ? isolation.Beyond.Add(Words(ShareOf(isolation))) : isolation.Beyond;

    /// <summary>Why the exact engine draws a layer; none where the quick one does.</summary>
    public ImmutableArray<string> ReasonsOf(Isolation isolation) => !HasExact ? [] : ShareOf(isolation) > 0 ? isolation.Beyond.Add(Words(ShareOf(isolation))) : isolation.Beyond;

    /// <summary>The key of what comes of drawing something by both engines, whatever was proven before.</summary>
    /// <param name="isolation">What is drawn.</param>
    /// <param name="more">What else goes into it.</param>
    public Fingerprint OfProof(Isolation isolation, params string[] more) =>
        Fingerprint.Of(["proof", exact ?? "", isolation.Source ?? "", isolation.Key.Hex, .. FontsOf(isolation), .. more]);

    private double ShareOf(Isolation isolation) => Proven.Count == 0 ? 0 : KnownOf(isolation).Share;

    private Known KnownOf(Isolation isolation) => known.GetValue(isolation, Make);

    private Known Make(Isolation isolation)
    {
        var share = Proven.Count == 0 ? 0 : isolation.Elements.Max(e => Proven.GetValueOrDefault(e.Fingerprint));
        var fonts = FontsOf(isolation).ToList();
        // What the exact engine draws it takes from the file itself, whatever was read of that.
        var engine = exact is not null && (share > 0 || !isolation.Beyond.IsEmpty) ? new[] { $"exact {exact}", isolation.Source ?? "" } : [];
        return new(share, fonts.TrueForAll(f => f.Length == 0) && engine.Length == 0 ? isolation.Key : Fingerprint.Of([isolation.Key.Hex, .. fonts, .. engine]));
    }

    private IEnumerable<string> FontsOf(Isolation isolation) => isolation.Fonts.Key is { Length: > 0 } own && !isolation.FontFamilies.IsEmpty
        ? isolation.FontFamilies.Select(fontsOf).Append(own) : isolation.FontFamilies.Select(fontsOf);

    private static string Words(double share) => string.Create(System.Globalization.CultureInfo.InvariantCulture, $"otherwise {100 * share:0.#}% of its ink is other");

    private sealed record Known(double Share, Fingerprint Key);
}
