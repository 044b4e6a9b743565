using Kalypto.Core.Platforms;

namespace Kalypto.Core.Checking;

/// <summary>A name that is cut for being too long.</summary>
public sealed class LongName : ICheck
{
    /// <inheritdoc/>
    public string Name => "long name";

    /// <inheritdoc/>
    public IEnumerable<Finding> Run(CheckedPlan plan) => plan.Pictures
        .Where(picture => picture.Words.Sum(w => w.Length + 1) - 1 > PlatformNames.Longest)
        .Select(picture => new Finding(Name, Severity.Warning, picture.Ref,
            $"The name of “{Short(picture.Name)}” on {picture.ScreenName} is longer than {PlatformNames.Longest} characters and is cut there."));

    private static string Short(string name) => name.Length > 40 ? name[..40] + "…" : name;
}
