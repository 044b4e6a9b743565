using Kalypto.Core.Naming;
using Kalypto.Core.Platforms;

namespace Kalypto.Core.Checking;

/// <summary>A typed name that a platform does not take, or a name of which nothing is left.</summary>
public sealed class NameRefused : ICheck
{
    /// <inheritdoc/>
    public string Id => "name-refused";

    /// <inheritdoc/>
    public string Name => "name refused";

    /// <inheritdoc/>
    public CheckText Text { get; } = new(
        "Typed names that a platform does not take, and names of which no letter or digit is left.",
        "The file could not be used there, or not be written at all.",
        "“switch” for Android, where it is a word of the language.",
        "Give it the name that is offered, or another one.");

    /// <inheritdoc/>
    public bool IsEssential => true;

    /// <inheritdoc/>
    public IEnumerable<Finding> Run(CheckedPlan plan)
    {
        foreach (var picture in plan.Pictures)
        {
            if (picture.Words.Count == 0)
            {
                var offered = $"{picture.Making.Kind}-{picture.Ref.Ordinal}";
                yield return new(Id, Severity.Blocker, picture.Ref,
                    $"“{picture.Name}” on {picture.ScreenName} has no letter or digit that a file name can have.",
                    new($"Name it {offered}", ShipName: offered));
                continue;
            }
            foreach (var platform in plan.Platforms)
            {
                var name = platform.NameOf(picture);
                if (platform.Refusal(name) is { } why)
                {
                    var offered = string.Join('-', NameWords.Split(platform.Accepted(name)));
                    yield return new(Id, Severity.Blocker, picture.Ref,
                        $"{platform.Name} does not take the name of “{picture.LayerName}” on {picture.ScreenName}: {why}.",
                        new($"Name it {offered}", ShipName: offered));
                    break;
                }
            }
        }
    }
}
