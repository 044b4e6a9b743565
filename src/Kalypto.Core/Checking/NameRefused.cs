namespace Kalypto.Core.Checking;

/// <summary>A name of which nothing is left that a file could be called.</summary>
public sealed class NameRefused : ICheck
{
    /// <inheritdoc/>
    public string Id => "name-refused";

    /// <inheritdoc/>
    public string Name => "name refused";

    /// <inheritdoc/>
    public CheckText Text { get; } = new(
        "Names of which no letter or digit is left.",
        "The file cannot be written at all.",
        "“→” alone.",
        "Give it the name that is offered, or another one.");

    /// <inheritdoc/>
    public bool IsEssential => true;

    /// <inheritdoc/>
    public IEnumerable<Finding> Run(CheckedPlan plan) =>
        from picture in plan.Pictures
        where picture.Words.Count == 0
        let offered = $"{picture.Making.Kind}-{picture.Ref.Ordinal}"
        select new Finding(Id, Severity.Blocker, picture.Ref, $"“{picture.Name}” on {picture.ScreenName} has no letter or digit that a file name can have.",
            new($"Name it {offered}", ShipName: offered));
}
