using System.Collections.Immutable;
using Kalypto.Core.Designs;
using Kalypto.Core.Tagging;

namespace Kalypto.Core.Packing;

/// <summary>A shipped layer with all that its files follow from.</summary>
/// <param name="Ref">The layer.</param>
/// <param name="LayerName">Its name for people.</param>
/// <param name="ScreenName">The screen it is on.</param>
/// <param name="Name">The typed ship name, or else the drawing's name.</param>
/// <param name="NameIsTyped">True when somebody typed it, so that it is refused rather than changed.</param>
/// <param name="Words">The words of the name.</param>
/// <param name="Making">How it is made.</param>
/// <param name="Key">The fingerprint of its isolated drawing.</param>
/// <param name="Crop">Its crop; null when there is nothing to show or it is not known yet.</param>
/// <param name="CropIsGuess">True while the layer was not drawn yet and the crop is a guess from its shape.</param>
/// <param name="DrawnAt">Drawing units in one pt.</param>
public sealed record Picture(
    LayerRef Ref, string LayerName, string ScreenName, string Name, bool NameIsTyped, IReadOnlyList<string> Words,
    Making Making, Fingerprint Key, Crop? Crop, bool CropIsGuess, double DrawnAt)
{
    /// <summary>The state of a button that it shows, or null.</summary>
    public string? State { get; init; }

    /// <summary>Everywhere that the same drawing stands, itself first; it is made once for all of them.</summary>
    public ImmutableArray<LayerRef> Places { get; init; } = [Ref];

    /// <summary>The group that was asked for in parts, of which this is one; null for a picture of its own.</summary>
    public LayerRef? PartOf { get; init; }

    /// <summary>The folder, names joined by a slash; empty for none.</summary>
    public string Folder => string.Join('/', Making.Folder);

    /// <summary>The scales out of the platform's own that are to be made.</summary>
    public ImmutableArray<Scale> ScalesAmong(IEnumerable<Scale> own) =>
        [.. Making.ScalesAreSaid ? own.Where(s => Making.Scales.Contains(s)) : own];
}
