using Kalypto.Core.Designs;
using Kalypto.Core.Fonts;
using Kalypto.Core.Typography;

namespace Kalypto.Core.Checking;

/// <summary>A shipped layer with bold or italic text in a font of the project that has no such letters.</summary>
public sealed class FaceMadeUp : ICheck
{
    /// <inheritdoc/>
    public string Id => "font-face-made-up";

    /// <inheritdoc/>
    public string Name => "bold or italic made up";

    /// <inheritdoc/>
    public CheckText Text { get; } = new(
        "Layers that ship with bold or italic text in a font of the project that has no bold or no italic letters.",
        "They are made by thickening or slanting the letters that are there, which its maker drew otherwise.",
        "A bold title, and the project has the regular letters of the font only.",
        "Drop the bold or italic letters of the font onto the project too.");

    /// <inheritdoc/>
    public IEnumerable<Finding> Run(CheckedPlan plan)
    {
        foreach (var picture in plan.Pictures.Where(p => !plan.DesignOf(p).Measured.Drawn.Fonts.Fonts.IsEmpty))
        {
            var fonts = plan.DesignOf(picture).Measured.Drawn.Fonts;
            foreach (var (families, weight, isItalic) in AskedFont.Of(plan.LayerOf(picture)))
            {
                if (FamilyList.Wanted(families) is { } family && FontUse.IsMadeUp([.. fonts.Fonts.Where(f => f.Answers(family))], weight, isItalic))
                {
                    var face = $"{weight}{(isItalic ? " italic" : "")}";
                    yield return new(Id, Severity.Hint, picture.Ref,
                        $"“{picture.Called}” on {picture.ScreenName} asks for {family} {face}, which the project does not have; it is made up out of {family} as it is there.")
                    { About = $"{family} {face}" };
                }
            }
        }
    }
}
