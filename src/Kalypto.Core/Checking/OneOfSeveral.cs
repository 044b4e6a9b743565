using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Packing;

namespace Kalypto.Core.Checking;

/// <summary>A picture that was one of several equal ones until a draft drew it in other colours, and has a counted name since.</summary>
public sealed class OneOfSeveral : ICheck
{
    /// <inheritdoc/>
    public string Id => "one-of-several-drawn-otherwise";

    /// <inheritdoc/>
    public string Name => "one of several drawn otherwise";

    /// <inheritdoc/>
    public CheckText Text { get; } = new(
        "A picture that is another one in other colours, under its name with a number.",
        "It was one file with the others until a draft changed it alone; a number does not say how it differs.",
        "Three tabs show “star”, the next draft paints one of them gold: it ships as “star-2”.",
        "Name it by what differs, such as “star-gold”, or make it as the others in the drawing.");

    /// <inheritdoc/>
    public IEnumerable<Finding> Run(CheckedPlan plan)
    {
        var byName = plan.Pictures.Where(p => p.PartOf is null).ToLookup(p => string.Join('-', p.Words), StringComparer.OrdinalIgnoreCase);
        foreach (var picture in plan.Pictures.Where(p => p.NameIsTyped && p.PartOf is null && p.Words is [_, .., var number] && int.TryParse(number, out _)))
        {
            if (byName[string.Join('-', picture.Words.SkipLast(1))].FirstOrDefault(p => p != picture && FormOf(plan, p) == FormOf(plan, picture)) is { } first)
            {
                yield return new(Id, Severity.Hint, picture.Ref, $"“{picture.Name}” on {picture.ScreenName} is “{first.Name}” on {first.ScreenName} in other colours, and ships as a file of its own.");
            }
        }
    }

    private static Fingerprint FormOf(CheckedPlan plan, Picture picture) => RepeatKey.FormOf(plan.DesignOf(picture).Measured.Drawn, plan.LayerOf(picture).Element);
}
