namespace Kalypto.Core.Styling;

/// <summary>How words are set.</summary>
/// <param name="Families">The list of families as it is written; empty for none.</param>
/// <param name="Weight">From 1 to 1000.</param>
/// <param name="IsItalic">True for italic or oblique.</param>
/// <param name="Size">In pt.</param>
/// <param name="LineHeight">From baseline to baseline, in pt; null where there is one line only.</param>
/// <param name="LetterSpacing">In pt.</param>
/// <param name="Decoration">underline, line-through or none.</param>
public sealed record TypeStyle(string Families, int Weight, bool IsItalic, double Size, double? LineHeight, double LetterSpacing, string Decoration)
{
    /// <summary>The family that is wanted; empty for none in particular.</summary>
    public string Family => Fonts.FamilyList.Wanted(Families) ?? "";
}
