namespace Kalypto.Core.Styling;

/// <summary>How long a line of text is, and how far its font reaches.</summary>
/// <param name="Width">From where it begins to where the next letter would, in pt.</param>
/// <param name="Ascent">How far the font reaches above the baseline, in pt.</param>
/// <param name="Descent">How far the font reaches below the baseline, in pt.</param>
public readonly record struct LineMeasure(double Width, double Ascent, double Descent);
