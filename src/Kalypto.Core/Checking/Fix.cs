using Kalypto.Core.Deciding;
using Kalypto.Core.Tagging;

namespace Kalypto.Core.Checking;

/// <summary>A change to one layer that settles a finding.</summary>
/// <param name="Label">What it does, for a button.</param>
/// <param name="ShipName">The ship name to give, or null.</param>
/// <param name="Decision">The decision to take, or null.</param>
/// <param name="Tags">Words for the tag line, or null.</param>
/// <param name="Together">Ordinals of loose layers to put together first, or null.</param>
/// <param name="Apart">Whether it stands apart from its repeats, or null.</param>
/// <param name="Place">Where it is settled when no single edit does: <c>screens</c>; null for an edit.</param>
public sealed record Fix(
    string Label, string? ShipName = null, Decision? Decision = null, string? Tags = null, IReadOnlyList<int>? Together = null, bool? Apart = null, string? Place = null)
{
    /// <summary>What is said of a layer after it.</summary>
    public Mark ApplyTo(Mark mark) => mark with
    {
        Decision = Decision ?? mark.Decision,
        ShipName = ShipName ?? mark.ShipName,
        Tags = Tags is { } tags ? TagLine.Parse(tags).ApplyTo(mark.Tags) : mark.Tags,
        Apart = Apart ?? mark.Apart,
    };
}
