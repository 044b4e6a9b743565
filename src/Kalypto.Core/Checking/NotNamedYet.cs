using Kalypto.Core.Naming;

namespace Kalypto.Core.Checking;

/// <summary>A shipped layer that still has the name its program gave it.</summary>
public sealed class NotNamedYet : ICheck
{
    /// <inheritdoc/>
    public IEnumerable<Finding> Run(CheckedPlan plan) => plan.Pictures
        .Where(picture => !picture.NameIsTyped && DefaultNames.IsNotNamed(plan.LayerOf(picture)))
        .Select(picture => new Finding("not named yet", Severity.Warning, picture.Ref,
            $"“{picture.LayerName}” on {picture.ScreenName} ships, but nobody has named it yet."));
}
