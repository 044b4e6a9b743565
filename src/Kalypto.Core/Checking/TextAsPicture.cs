using Kalypto.Core.Designs;

namespace Kalypto.Core.Checking;

/// <summary>Text that ships as a picture.</summary>
public sealed class TextAsPicture : ICheck
{
    /// <inheritdoc/>
    public string Name => "text as a picture";

    /// <inheritdoc/>
    public IEnumerable<Finding> Run(CheckedPlan plan) => plan.Pictures
        .Where(picture => plan.LayerOf(picture).Content == LayerContent.Text)
        .Select(picture => new Finding(Name, Severity.Hint, picture.Ref,
            $"“{picture.LayerName}” on {picture.ScreenName} is text and ships as a picture; developers can set it in code.",
            new("Build it in code", Decision: Deciding.Decision.Code)));
}
