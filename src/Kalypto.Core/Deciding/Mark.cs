using Kalypto.Core.Designs;
using Kalypto.Core.Tagging;

namespace Kalypto.Core.Deciding;

/// <summary>What the team said of one layer. The drawing itself is never changed.</summary>
/// <param name="Decision">What becomes of it.</param>
/// <param name="ShipName">Its own name for files; null while the drawing's name serves.</param>
/// <param name="Tags">Its kind and what differs from the recipe.</param>
public sealed record Mark(Decision Decision, string? ShipName, Tags Tags)
{
    /// <summary>True when what Kalypto takes it for was refused, for good.</summary>
    public bool Dismissed { get; init; }

    /// <summary>True when it does not share what is said of the same drawing in other places.</summary>
    public bool Apart { get; init; }

    /// <summary>The name that holds for the layer: the typed one, or else the drawing's.</summary>
    public string NameOf(Layer layer) => ShipName ?? layer.Name;

    /// <summary>Nothing said.</summary>
    public static Mark None { get; } = new(Decision.Open, null, Tags.Empty);
}
