using Kalypto.Core.Tagging;

namespace Kalypto.Core.Deciding;

/// <summary>What the team said of one layer. The drawing itself is never changed.</summary>
/// <param name="Decision">What becomes of it.</param>
/// <param name="ShipName">Its own name for files; null while the drawing's name serves.</param>
/// <param name="Tags">Its kind and what differs from the recipe.</param>
public sealed record Mark(Decision Decision, string? ShipName, Tags Tags)
{
    /// <summary>Nothing said.</summary>
    public static Mark None { get; } = new(Decision.Open, null, Tags.Empty);
}
