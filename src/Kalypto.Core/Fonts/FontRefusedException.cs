namespace Kalypto.Core.Fonts;

/// <summary>A font file that cannot be used, and why.</summary>
public sealed class FontRefusedException : Exception
{
    /// <summary>Says why, and what to do.</summary>
    /// <param name="why">Why, as a sentence without its point.</param>
    /// <param name="remedy">What to do, as a sentence without its point.</param>
    public FontRefusedException(string why, string remedy)
        : base($"{why}. {remedy}.")
    {
    }

    /// <summary>Says again what was said before.</summary>
    public FontRefusedException(string sentences)
        : base(sentences)
    {
    }
}
