using Kalypto.Core.Platforms;

namespace Kalypto.Core.Checking;

/// <summary>A typed name that a platform does not take, so that the file has another name there.</summary>
public sealed class OtherNameThere : ICheck
{
    /// <inheritdoc/>
    public string Id => "other-name-there";

    /// <inheritdoc/>
    public string Name => "other name on a platform";

    /// <inheritdoc/>
    public CheckText Text { get; } = new(
        "Typed names that a platform does not take.",
        "The file has a name there that nobody typed, and another one than elsewhere.",
        "“switch” for Android, where it is a word of the language: the file is switch_picture there.",
        "Give it the name that is offered, which all platforms of the project take, or leave it as it is.");

    /// <inheritdoc/>
    public IEnumerable<Finding> Run(CheckedPlan plan)
    {
        foreach (var picture in plan.Pictures.Where(p => p.NameIsTyped && p.Words.Count > 0))
        {
            if (plan.Platforms.Select(p => (Platform: p, Why: p.Refusal(p.NameAsked(picture)))).FirstOrDefault(r => r.Why is not null) is { Why: { } why, Platform: var platform })
            {
                var offered = plan.Platforms.TakenByAll(picture.Name);
                yield return new(Id, Severity.Warning, picture.Ref,
                    $"{platform.Name} does not take the name of “{picture.Called}” on {picture.ScreenName}: {why}. There it is {platform.NameOf(picture)}.",
                    new($"Name it {offered} everywhere", ShipName: offered));
            }
        }
    }
}
