using System.Collections.Immutable;

namespace Kalypto.Core.Library;

/// <summary>What is known of how a picture looks.</summary>
/// <param name="Hash">Its shapes; null for a picture in which nothing is visible.</param>
/// <param name="Colours">Its colours.</param>
public sealed record PictureLook(PictureHash? Hash, ImmutableArray<MainColour> Colours)
{
    /// <summary>Works it out.</summary>
    /// <param name="rgba">RGBA, not premultiplied, rows without gaps.</param>
    /// <param name="width">px.</param>
    /// <param name="height">px.</param>
    public static PictureLook Of(ReadOnlySpan<byte> rgba, int width, int height) => new(PictureHash.Of(rgba, width, height), MainColours.Of(rgba));
}
