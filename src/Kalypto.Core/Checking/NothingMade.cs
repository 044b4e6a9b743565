namespace Kalypto.Core.Checking;

/// <summary>A shipped layer whose tags take every format or scale away.</summary>
public sealed class NothingMade : ICheck
{
    /// <inheritdoc/>
    public string Name => "nothing made";

    /// <inheritdoc/>
    public IEnumerable<Finding> Run(CheckedPlan plan) => plan.Pictures
        .Where(picture => picture.Crop is not null && picture.Words.Count > 0 && !picture.Making.Formats.Contains("png"))
        .Select(picture => new Finding(Name, Severity.Warning, picture.Ref,
            $"“{picture.LayerName}” on {picture.ScreenName} ships, but its tags leave no format to make.",
            new("Make it as PNG", Tags: "png")));
}
