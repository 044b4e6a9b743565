namespace Kalypto.Core.Checking;

/// <summary>The same drawing that ships under two names, because its places were taken apart.</summary>
public sealed class SameDrawingTwoNames : ICheck
{
    /// <inheritdoc/>
    public string Id => "same-drawing-under-two-names";

    /// <inheritdoc/>
    public string Name => "same drawing under two names";

    /// <inheritdoc/>
    public CheckText Text { get; } = new(
        "The same drawing that ships under two names.",
        "It is made, delivered and loaded twice.",
        "A star called “favourite” on one screen and “star” on another.",
        "Give both one name, and it is made once.");

    /// <inheritdoc/>
    public IEnumerable<Finding> Run(CheckedPlan plan)
    {
        var same = plan.Pictures.Where(p => p.PartOf is null)
            .Select(p => (Picture: p, Key: plan.DesignOf(p).Measured.RepeatKeys[p.Ref.Ordinal])).Where(p => p.Key is not null)
            .GroupBy(p => (p.Key, p.Picture.DrawnAt)).Where(g => g.Select(p => string.Join('-', p.Picture.Words)).Distinct().Count() > 1);
        foreach (var group in same)
        {
            var first = group.First().Picture;
            foreach (var (other, _) in group.Skip(1).Where(p => !p.Picture.Words.SequenceEqual(first.Words)))
            {
                yield return new(Id, Severity.Hint, other.Ref,
                    $"“{other.Name}” on {other.ScreenName} is the same drawing as “{first.Name}” on {first.ScreenName} and ships a second time.",
                    new($"Name it {string.Join('-', first.Words)} and make it once", ShipName: string.Join('-', first.Words), Apart: false));
            }
        }
    }
}
