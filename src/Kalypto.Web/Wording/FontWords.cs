using System.Collections.Immutable;
using Kalypto.Core.Fonts;

namespace Kalypto.Web.Wording;

/// <summary>Says of fonts what people should know.</summary>
internal static class FontWords
{
    private const int Thousand = 1000;

    /// <summary>What its maker allows, and what that means here.</summary>
    public static string Say(FontEmbedding embedding) => embedding switch
    {
        FontEmbedding.Installable => "may be embedded and installed",
        FontEmbedding.Editable => "may be embedded",
        FontEmbedding.Print => "may be embedded to look at and print",
        _ => "must not be embedded: text in a PDF becomes outlines",
    };

    /// <summary>Weights and slants in a row: <c>400, 700 italic</c>.</summary>
    public static string Say(ImmutableArray<(int Weight, bool IsItalic)> faces) => string.Join(", ", faces.Select(f => $"{f.Weight}{(f.IsItalic ? " italic" : "")}"));

    /// <summary>How large it is.</summary>
    public static string Size(Font font) => $"{Math.Max(1, (font.Bytes + Thousand / 2) / Thousand)} kB";
}
