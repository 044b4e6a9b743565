using Kalypto.Core.Designs;

namespace Kalypto.Core.Checking;

/// <summary>Text that ships as a picture.</summary>
public sealed class TextAsPicture : ICheck
{
    /// <inheritdoc/>
    public string Id => "text-as-a-picture";

    /// <inheritdoc/>
    public string Name => "text as a picture";

    /// <inheritdoc/>
    public CheckText Text { get; } = new(
        "Texts that ship as pictures.",
        "Developers can set text in code, where it can be read aloud, searched and translated.",
        "A heading that is decided as “ship”.",
        "Build it in code.");

    /// <inheritdoc/>
    public IEnumerable<Finding> Run(CheckedPlan plan) => plan.Pictures
        .Where(picture => plan.LayerOf(picture).Content == LayerContent.Text)
        .Select(picture => new Finding(Id, Severity.Hint, picture.Ref,
            $"“{picture.Called}” on {picture.ScreenName} is text and ships as a picture; developers can set it in code.",
            new("Build it in code", Decision: Deciding.Decision.Code)));
}
