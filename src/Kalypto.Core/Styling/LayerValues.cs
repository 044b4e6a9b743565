using System.Collections.Immutable;
using Kalypto.Core.Designs;

namespace Kalypto.Core.Styling;

/// <summary>What a developer needs to build a layer in code. All lengths are in pt.</summary>
/// <param name="Box">Where it lies on its screen, its border included, before it is turned.</param>
public sealed record LayerValues(Box Box)
{
    /// <summary>How far it is turned around its middle, in degrees clockwise.</summary>
    public double Turn { get; init; }

    /// <summary>What it is filled with; null for nothing, and for text.</summary>
    public Fill? Fill { get; init; }

    /// <summary>Its border; null for none.</summary>
    public Border? Border { get; init; }

    /// <summary>Its corners.</summary>
    public Radii Radii { get; init; }

    /// <summary>Its outline as path data in pt from the upper left of its box, where it is no box with round corners; null for a box.</summary>
    public string? Outline { get; init; }

    /// <summary>Its shadows, the topmost first.</summary>
    public ImmutableArray<Shadow> Shadows { get; init; } = [];

    /// <summary>How much it is blurred, as a standard deviation in pt; 0 for not at all.</summary>
    public double Blur { get; init; }

    /// <summary>From 0 to 1, with that of the groups around it.</summary>
    public double Opacity { get; init; } = 1;

    /// <summary>How its colours are mixed with those beneath (<c>mix-blend-mode</c>); null for over them.</summary>
    public string? Blend { get; init; }

    /// <summary>Its words; null for a layer without.</summary>
    public TextValue? Text { get; init; }

    /// <summary>What of it no value says, as sentences for people.</summary>
    public ImmutableArray<string> Beyond { get; init; } = [];

    /// <inheritdoc/>
    public bool Equals(LayerValues? other) => other is not null && (Box, Turn, Fill, Border, Radii, Outline, Blur, Opacity, Blend, Text) ==
        (other.Box, other.Turn, other.Fill, other.Border, other.Radii, other.Outline, other.Blur, other.Opacity, other.Blend, other.Text)
        && Shadows.SequenceEqual(other.Shadows) && Beyond.SequenceEqual(other.Beyond);

    /// <inheritdoc/>
    public override int GetHashCode() => HashCode.Combine(Box, Fill, Border, Text);
}
