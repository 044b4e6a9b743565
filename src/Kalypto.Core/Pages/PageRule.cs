using System.Collections.Immutable;

namespace Kalypto.Core.Pages;

/// <summary>A rule of the style sheet of a page.</summary>
/// <param name="Selector">Of what it is.</param>
/// <param name="Declarations">What it says.</param>
/// <param name="Layer">The layer that it was first written for; null for none.</param>
internal sealed record PageRule(string Selector, ImmutableArray<(string Property, string Value)> Declarations, int? Layer)
{
    /// <summary>What it says otherwise where the window is narrow.</summary>
    public ImmutableArray<(string Property, string Value)> Narrow { get; init; } = [];
}
