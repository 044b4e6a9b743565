using System.Globalization;

namespace Kalypto.Core.Formats;

/// <summary>
/// The lines that say of a PNG which part of it stretches and where its label goes: black in a border of one px around it,
/// above and at the left for what stretches, at the right and below for the label (Android, “Create resizable bitmaps”).
/// </summary>
/// <param name="Kept">What does not stretch at the four sides, px; null to find it in the pixels.</param>
/// <param name="Around">What lies around the label, px; null for what does not stretch.</param>
public sealed record NinePatch(NinePatch.Sides? Kept, NinePatch.Sides? Around)
{
    /// <summary>Pixels at the four sides.</summary>
    public readonly record struct Sides(int Left, int Top, int Right, int Bottom)
    {
        /// <summary>As text.</summary>
        public override string ToString() => string.Create(CultureInfo.InvariantCulture, $"{Left},{Top},{Right},{Bottom}");
    }

    /// <summary>Pixels that the border adds to each direction.</summary>
    public const int Border = 2;

    /// <summary>As text, for keys and jobs.</summary>
    public override string ToString() => $"{Kept}/{Around}";

    /// <summary>Reads the text back.</summary>
    /// <exception cref="FormatException">It is none.</exception>
    public static NinePatch Parse(string text) => text.Split('/') is [var kept, var around] ? new(SidesOf(kept), SidesOf(around)) : throw new FormatException($"“{text}” is no nine-patch.");

    private static Sides? SidesOf(string text) => text.Length == 0 ? null
        : text.Split(',').Select(n => int.Parse(n, CultureInfo.InvariantCulture)).ToArray() is [var left, var top, var right, var bottom] ? new(left, top, right, bottom) : throw new FormatException($"“{text}” is not four sides.");
}
