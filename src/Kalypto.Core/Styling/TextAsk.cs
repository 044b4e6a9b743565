namespace Kalypto.Core.Styling;

/// <summary>Words set alike, of which the measure is asked.</summary>
/// <param name="Words">One line of them.</param>
/// <param name="Families">The list of families as it is written; empty for none.</param>
/// <param name="Weight">From 1 to 1000.</param>
/// <param name="IsItalic">True for italic or oblique.</param>
/// <param name="Size">In pt.</param>
/// <param name="LetterSpacing">In pt.</param>
public sealed record TextAsk(string Words, string Families, int Weight, bool IsItalic, double Size, double LetterSpacing);
