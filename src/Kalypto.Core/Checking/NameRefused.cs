using Kalypto.Core.Naming;
using Kalypto.Core.Platforms;

namespace Kalypto.Core.Checking;

/// <summary>A typed name that a platform does not take, or a name of which nothing is left.</summary>
public sealed class NameRefused : ICheck
{
    /// <inheritdoc/>
    public string Name => "name refused";

    /// <inheritdoc/>
    public IEnumerable<Finding> Run(CheckedPlan plan)
    {
        foreach (var picture in plan.Pictures)
        {
            if (picture.Words.Count == 0)
            {
                var offered = $"{picture.Making.Kind}-{picture.Ref.Ordinal}";
                yield return new(Name, Severity.Blocker, picture.Ref,
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
                    yield return new(Name, Severity.Blocker, picture.Ref,
                        $"{platform.Name} does not take the name of “{picture.LayerName}” on {picture.ScreenName}: {why}.",
                        new($"Name it {offered}", ShipName: offered));
                    break;
                }
            }
        }
    }
}
