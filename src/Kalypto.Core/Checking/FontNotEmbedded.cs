using Kalypto.Core.Fonts;
using Kalypto.Core.Formats;

namespace Kalypto.Core.Checking;

/// <summary>A PDF with text in a font whose maker does not allow that it is embedded.</summary>
public sealed class FontNotEmbedded : ICheck
{
    /// <inheritdoc/>
    public string Id => "font-must-not-be-embedded";

    /// <inheritdoc/>
    public string Name => "font must not be embedded";

    /// <inheritdoc/>
    public CheckText Text { get; } = new(
        "PDF files with text in a font whose maker does not allow that a part of it is put into documents.",
        "The font is left out and its text becomes outlines: it looks the same, but cannot be searched or copied.",
        "A PDF of a poster in a font that is licensed for printing only as a whole.",
        "Nothing, if outlines are fine. Else use a font that may be embedded, or a licence that allows it.");

    /// <inheritdoc/>
    public IEnumerable<Finding> Run(CheckedPlan plan)
    {
        foreach (var picture in plan.Files.Where(f => f.Format == Format.Pdf).Select(f => f.Picture).DistinctBy(p => p.Ref))
        {
            foreach (var font in plan.DesignOf(picture).Measured.Drawn.Fonts.Fonts.Where(f => f.Embedding == FontEmbedding.Not).DistinctBy(f => f.Family))
            {
                var layer = plan.LayerOf(picture);
                if (Designs.AskedFont.Of(layer).Any(a => FamilyList.Of(a.Families).Any(font.Answers)))
                {
                    yield return new(Id, Severity.Hint, picture.Ref,
                        $"“{picture.Called}” on {picture.ScreenName} has text in {font.Family}, which its maker does not allow to be embedded: in the PDF it is outlines.")
                    { About = font.Family };
                }
            }
        }
    }
}
