using Kalypto.Core.Deciding;
using Kalypto.Core.Handover;

namespace Kalypto.Core.Checking;

/// <summary>What is seen on a screen that somebody works on, and is in no picture and in no code.</summary>
public sealed class ReachesNobody : DesignCheck
{
    private const int MostNames = 3;

    /// <inheritdoc/>
    public override string Id => "reaches-nobody";

    /// <inheritdoc/>
    public override string Name => "reaches nobody";

    /// <inheritdoc/>
    public override CheckText Text { get; } = new(
        "Screens that somebody decided on, with parts that are seen and neither ship, nor are built in code, nor were left on purpose.",
        "Developers build what they get: what nobody decided is missing from the product, and is found missing late.",
        "A screen whose icons ship and whose words are built in code, with a divider that nobody thought of.",
        "Look through the lens “nobody gets” on the bench and decide what it shows.");

    /// <inheritdoc/>
    protected override IEnumerable<Finding> Run(DesignState design)
    {
        foreach (var screen in design.Measured.Drawing.Screens.Where(s => design.Measured.LayersOf(s).Any(l => design.MarkOf(l).Decision is Decision.Ship or Decision.Code)))
        {
            if (Unreached.Of(design, screen) is { Count: > 0 and var count } parts)
            {
                var names = string.Join(", ", parts.Take(MostNames).Select(p => $"“{design.NameOf(p)}”"));
                yield return new(Id, Severity.Hint, new(design.Id, screen.Root.Ordinal), $"On “{screen.Name}” {(count == 1 ? $"{names} reaches" : $"{names}{(count > MostNames ? $" and {count - MostNames} more" : "")} reach")} nobody.");
            }
        }
    }
}
