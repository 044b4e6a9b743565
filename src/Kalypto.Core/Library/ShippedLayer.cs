using System.Collections.Immutable;

namespace Kalypto.Core.Library;

/// <summary>A layer that was shipped in some delivery of some project, as it was in the newest one that had it.</summary>
/// <param name="Design">Its design.</param>
/// <param name="Lineage">Which layer of that, in any draft.</param>
/// <param name="Owner">The beginning of the identities of its files: its own, or that of the place that the same drawing was made for.</param>
/// <param name="Drawing">The fingerprint of its isolated drawing: equal for the same picture, wherever it stands.</param>
/// <param name="Name">What its files are called.</param>
/// <param name="Layer">What it is called in the drawing.</param>
/// <param name="Screen">The screen that it is on.</param>
/// <param name="Kind">Its kind.</param>
/// <param name="Tags">What was said of how it is made.</param>
/// <param name="Width">The width of its crop in pt.</param>
/// <param name="Height">The height of its crop in pt.</param>
/// <param name="Platforms">The ids of the platforms that it was shipped for.</param>
public sealed record ShippedLayer(
    int Design, int Lineage, string Owner, string Drawing, string Name, string Layer, string Screen, string Kind, string Tags, double Width, double Height, ImmutableArray<string> Platforms)
{
    /// <summary>Its project.</summary>
    public int Project { get; init; }

    /// <summary>What its project is called.</summary>
    public string ProjectName { get; init; } = "";

    /// <summary>The first delivery that had it.</summary>
    public ShippedIn? Since { get; init; }

    /// <summary>The newest delivery that had it.</summary>
    public ShippedIn? Newest { get; init; }

    /// <summary>How it looks; null while nobody looked.</summary>
    public PictureLook? Look { get; init; }

    /// <summary>The longer side of its crop, in pt.</summary>
    public double Side => Math.Max(Width, Height);
}
