using Kalypto.Core.Platforms;

namespace Kalypto.Core.Checking;

/// <summary>A name that is cut for being too long.</summary>
public sealed class LongName : ICheck
{
    /// <inheritdoc/>
    public string Id => "long-name";

    /// <inheritdoc/>
    public string Name => "long name";

    /// <inheritdoc/>
    public CheckText Text { get; } = new(
        "Names of more than 60 characters.",
        "Longer ones are cut, and what was cut may have told two apart.",
        "A group named with the whole paragraph in it.",
        "Give it a short name.");

    /// <inheritdoc/>
    public IEnumerable<Finding> Run(CheckedPlan plan) => plan.Pictures
        .Where(picture => picture.Words.Sum(w => w.Length + 1) - 1 > PlatformNames.Longest)
        .Select(picture => new Finding(Id, Severity.Warning, picture.Ref,
            $"The name of “{Short(picture.Name)}” on {picture.ScreenName} is longer than {PlatformNames.Longest} characters and is cut there."));

    private static string Short(string name) => Naming.PlainText.Clean(name, 41, "…");
}
